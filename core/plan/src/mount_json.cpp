// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/mount.h"

#include "solarchon/base/json.h"

namespace solarchon::plan {

base::Json to_json(const Mount& mount) {
  return {{"kind", kMountWords.of(mount.kind)}, {"past_meridian_deg", mount.past_meridian_deg}};
}

base::Result<Mount> mount_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  Mount mount;
  mount.kind = reader.choice("kind", kMountWords);
  mount.past_meridian_deg =
      reader.number_or("past_meridian_deg", kPastMeridianRange, mount.past_meridian_deg);
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return mount;
}

}  // namespace solarchon::plan
