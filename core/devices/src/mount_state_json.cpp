// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/mount_state.h"

#include "solarchon/base/json.h"

namespace solarchon::devices {

namespace {

constexpr base::Range kTurn{0.0, 360.0};
constexpr base::Range kUpright{-90.0, 90.0};

}  // namespace

base::Json to_json(const MountState& state) {
  return {{"time_utc", sky::to_iso(state.time)},
          {"right_ascension_deg", state.right_ascension_deg},
          {"declination_deg", state.declination_deg},
          {"azimuth_deg", state.azimuth_deg},
          {"altitude_deg", state.altitude_deg},
          {"tracking", kTrackingWords.of(state.tracking)},
          {"duty", kDutyWords.of(state.duty)},
          {"synchronised", state.synchronised}};
}

base::Result<MountState> mount_state_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  MountState state;
  const std::string time = reader.text("time_utc");
  state.right_ascension_deg = reader.number("right_ascension_deg", kTurn);
  state.declination_deg = reader.number("declination_deg", kUpright);
  state.azimuth_deg = reader.number("azimuth_deg", kTurn);
  state.altitude_deg = reader.number("altitude_deg", kUpright);
  state.tracking = reader.choice("tracking", kTrackingWords);
  state.duty = reader.choice("duty", kDutyWords);
  state.synchronised = reader.flag_or("synchronised", false);
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return sky::parse_utc(time, reader.path_of("time_utc")).map([&](sky::UtcTime at) {
    state.time = at;
    return state;
  });
}

base::Json to_json(const TrueLook& look) {
  return {{"azimuth_deg", look.azimuth_deg}, {"altitude_deg", look.altitude_deg}};
}

base::Result<TrueLook> true_look_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  const TrueLook look{reader.number("azimuth_deg", kTurn), reader.number("altitude_deg", kUpright)};
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return look;
}

}  // namespace solarchon::devices
