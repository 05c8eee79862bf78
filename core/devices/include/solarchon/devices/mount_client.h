// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <stop_token>

#include "solarchon/base/result.h"
#include "solarchon/devices/device_client.h"
#include "solarchon/devices/mount_state.h"

namespace solarchon::devices {

/// Drives a mount over the line protocol. One thread at a time.
class MountClient : public DeviceClient {
 public:
  /// Errors: as DeviceClient::open.
  [[nodiscard]] static base::Result<MountClient> open(const std::filesystem::path& path,
                                                      std::stop_token ending = {});

  [[nodiscard]] base::Result<MountState> state();
  /// Sends it to a place of date.
  [[nodiscard]] base::Result<void> go_to(double right_ascension_deg, double declination_deg);
  /// Tells it that it looks there.
  [[nodiscard]] base::Result<void> synchronise(double right_ascension_deg, double declination_deg);
  [[nodiscard]] base::Result<void> track(Tracking tracking);
  /// Moves both axes (degree a second) for kMoveHeld: told again within it, they go on.
  [[nodiscard]] base::Result<void> move(double first_deg_s, double second_deg_s);
  [[nodiscard]] base::Result<void> park();
  [[nodiscard]] base::Result<void> unpark();
  /// Lets a seeker look for the Sun.
  [[nodiscard]] base::Result<void> seek();
  /// Everything stands at once.
  [[nodiscard]] base::Result<void> stop();

  /// Where it looks in truth, as a simulated camera sees it; a real mount cannot tell.
  [[nodiscard]] base::Result<TrueLook> look();
  /// Turns the knobs under its axis (degree): raises its raised end, and takes it east. Only hands
  /// that are simulated do.
  [[nodiscard]] base::Result<void> turn_knobs(double altitude_deg, double azimuth_deg);

 private:
  explicit MountClient(DeviceClient&& client) : DeviceClient(std::move(client)) {}
};

}  // namespace solarchon::devices
