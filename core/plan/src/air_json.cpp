// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/air.h"

#include "solarchon/base/json.h"

namespace solarchon::plan {

base::Json to_json(const Surroundings& surroundings) {
  return {{"under", kGroundWords.of(surroundings.under)},
          {"before", kGroundWords.of(surroundings.before)}};
}

base::Result<Surroundings> surroundings_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  Surroundings read;
  read.under = reader.choice_or("under", kGroundWords, read.under);
  read.before = reader.choice_or("before", kGroundWords, read.before);
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return read;
}

}  // namespace solarchon::plan
