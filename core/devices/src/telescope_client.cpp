// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/telescope_client.h"

#include <utility>

#include "solarchon/base/json.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::devices {

using base::Json;
using base::Result;

Result<TelescopeClient> TelescopeClient::open(const std::filesystem::path& path,
                                              std::stop_token ending) {
  return DeviceClient::open(path, std::move(ending)).map([](DeviceClient&& client) {
    return TelescopeClient(std::move(client));
  });
}

Result<CameraState> TelescopeClient::camera() {
  return call("camera.state").and_then([](const Json& result) {
    return camera_state_from_json(result, "camera.state");
  });
}

Result<void> TelescopeClient::expose(double exposure_ms) {
  return tell("camera.expose", {{"exposure_ms", exposure_ms}});
}

Result<void> TelescopeClient::read_region(const image::Rectangle& region) {
  return tell("camera.region", to_json(region));
}

Result<FocuserState> TelescopeClient::focuser() {
  return call("focuser.state").and_then([](const Json& result) {
    return focuser_state_from_json(result, "focuser.state");
  });
}

Result<void> TelescopeClient::focus_to(double position_um) {
  return tell("focuser.go", {{"position_um", position_um}});
}

Result<HeaterState> TelescopeClient::heater() {
  return call("heater.state").and_then([](const Json& result) {
    return heater_state_from_json(result, "heater.state");
  });
}

Result<void> TelescopeClient::tune_to(int step) { return tell("heater.tune", {{"step", step}}); }

Result<GuiderState> TelescopeClient::guider() {
  return call("guide.state").and_then([](const Json& result) {
    return guider_state_from_json(result, "guide.state");
  });
}

Result<void> TelescopeClient::nudge(double west_arcsec, double north_arcsec) {
  return tell("guide.nudge", {{"west_arcsec", west_arcsec}, {"north_arcsec", north_arcsec}});
}

}  // namespace solarchon::devices
