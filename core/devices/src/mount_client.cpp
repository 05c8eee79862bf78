// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/mount_client.h"

#include <utility>

#include "solarchon/base/json.h"

namespace solarchon::devices {

using base::Json;
using base::Result;

Result<MountClient> MountClient::open(const std::filesystem::path& path, std::stop_token ending) {
  return DeviceClient::open(path, std::move(ending)).map([](DeviceClient&& client) {
    return MountClient(std::move(client));
  });
}

Result<MountState> MountClient::state() {
  return call("mount.state").and_then([](const Json& result) {
    return mount_state_from_json(result, "mount.state");
  });
}

Result<void> MountClient::go_to(double right_ascension_deg, double declination_deg) {
  return tell("mount.go",
              {{"right_ascension_deg", right_ascension_deg}, {"declination_deg", declination_deg}});
}

Result<void> MountClient::synchronise(double right_ascension_deg, double declination_deg) {
  return tell("mount.synchronise",
              {{"right_ascension_deg", right_ascension_deg}, {"declination_deg", declination_deg}});
}

Result<void> MountClient::track(Tracking tracking) {
  return tell("mount.track", {{"rate", kTrackingWords.of(tracking)}});
}

Result<void> MountClient::move(double first_deg_s, double second_deg_s) {
  return tell("mount.move", {{"first_deg_s", first_deg_s}, {"second_deg_s", second_deg_s}});
}

Result<void> MountClient::park() { return tell("mount.park"); }

Result<void> MountClient::unpark() { return tell("mount.unpark"); }

Result<void> MountClient::seek() { return tell("mount.seek"); }

Result<TrueLook> MountClient::look() {
  return call("camera.look").and_then([](const Json& result) {
    return true_look_from_json(result, "camera.look");
  });
}

Result<void> MountClient::turn_knobs(double altitude_deg, double azimuth_deg) {
  return tell("hand.knobs", {{"altitude_deg", altitude_deg}, {"azimuth_deg", azimuth_deg}});
}

Result<void> MountClient::stop() { return tell("mount.stop"); }

}  // namespace solarchon::devices
