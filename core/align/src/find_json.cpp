// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/find.h"

#include "solarchon/base/json.h"

namespace solarchon::align {

base::Json to_json(const Start& start) {
  return {{"start", kStartWords.of(start.kind)},
          {"part", start.part.empty() ? base::Json(nullptr) : base::Json(start.part)},
          {"field_arcmin", start.field_arcmin},
          {"enough", start.enough}};
}

}  // namespace solarchon::align
