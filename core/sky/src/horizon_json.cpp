// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/horizon.h"

#include "solarchon/base/json.h"

namespace solarchon::sky {

using base::ErrorCode;
using base::fail;
using base::Result;

base::Json to_json(const Horizon& horizon) {
  base::Json list = base::Json::array();
  for (const HorizonPoint& point : horizon.points) {
    list.push_back({{"azimuth_deg", point.azimuth_deg},
                    {"height_deg", point.height_deg},
                    {"trees", point.trees}});
  }
  return list;
}

Result<Horizon> horizon_from_json(const base::Json& json, const std::string& path) {
  Horizon horizon;
  if (!json.is_array() || json.size() > kMostHorizonPoints) {
    return fail(ErrorCode::kWrongType, path, {}, base::wants("list-of-at-most", {720.0}));
  }
  for (std::size_t i = 0; i < json.size(); ++i) {
    base::ObjectReader reader(json[i], path + "[" + std::to_string(i) + "]");
    const double azimuth = reader.number("azimuth_deg", kHorizonAzimuthRange);
    const double height = reader.number("height_deg", kHorizonHeightRange);
    const bool trees = reader.flag_or("trees", false);
    if (reader.error()) {
      return tl::make_unexpected(*reader.error());
    }
    horizon.put({azimuth, height, trees});
  }
  return horizon;
}

}  // namespace solarchon::sky
