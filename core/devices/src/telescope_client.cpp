// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/telescope_client.h"

#include <utility>

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

Result<FocuserState> TelescopeClient::focuser() {
  return call("focuser.state").and_then([](const Json& result) {
    return focuser_state_from_json(result, "focuser.state");
  });
}

Result<void> TelescopeClient::focus_to(double position_um) {
  return tell("focuser.go", {{"position_um", position_um}});
}

Result<void> TelescopeClient::halt_focuser() { return tell("focuser.stop"); }

Result<HeaterState> TelescopeClient::heater() {
  return call("heater.state").and_then([](const Json& result) {
    return heater_state_from_json(result, "heater.state");
  });
}

Result<void> TelescopeClient::tune_to(int step) { return tell("heater.tune", {{"step", step}}); }

}  // namespace solarchon::devices
