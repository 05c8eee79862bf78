// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <stop_token>

#include "solarchon/base/result.h"
#include "solarchon/devices/device_client.h"
#include "solarchon/devices/telescope_state.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::devices {

/// Drives what stands at the rear of a telescope over the line protocol: a camera, a motor at the
/// focuser, a heated etalon, as far as the device has them. One thread at a time.
class TelescopeClient : public DeviceClient {
 public:
  /// Errors: as DeviceClient::open.
  [[nodiscard]] static base::Result<TelescopeClient> open(const std::filesystem::path& path,
                                                          std::stop_token ending = {});

  [[nodiscard]] base::Result<CameraState> camera();
  /// Exposes so from one of the next frames on.
  [[nodiscard]] base::Result<void> expose(double exposure_ms);
  /// Reads a part of the sensor alone from one of the next frames on; the device may take one near
  /// to it. Each frame says how large it is.
  [[nodiscard]] base::Result<void> read_region(const image::Rectangle& region);

  [[nodiscard]] base::Result<FocuserState> focuser();
  /// Sets it going; state() tells when it is there.
  [[nodiscard]] base::Result<void> focus_to(double position_um);

  [[nodiscard]] base::Result<HeaterState> heater();
  [[nodiscard]] base::Result<void> tune_to(int step);

  [[nodiscard]] base::Result<GuiderState> guider();
  /// Moves where it looks on the sky, from where it was sent last.
  [[nodiscard]] base::Result<void> nudge(double west_arcsec, double north_arcsec);

 private:
  explicit TelescopeClient(DeviceClient&& client) : DeviceClient(std::move(client)) {}
};

}  // namespace solarchon::devices
