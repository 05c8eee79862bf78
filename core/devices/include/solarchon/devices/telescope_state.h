// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <string>

#include "solarchon/base/json_fwd.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::devices {

/// A camera as it says that it stands.
struct CameraState {
  std::string frames;  ///< path of the ring in which it leaves them, see FrameRing
  int width_px = 0;    ///< of its frames
  int height_px = 0;
  int saturation = 65535;  ///< value of a full pixel
  double exposure_ms = 0.0;
  double rate_hz = 0.0;  ///< at which it gives frames, about; 0: not known
  bool operator==(const CameraState&) const = default;
};

/// A motor at the focuser.
struct FocuserState {
  double position_um = 0.0;  ///< as it counts them, outwards from fully in; play is in it
  double travel_um = 0.0;    ///< to which it goes at most; 0: not known
  bool moving = false;
  std::optional<double> temperature_c = {};  ///< of the tube
  bool operator==(const FocuserState&) const = default;
};

/// A heated etalon.
struct HeaterState {
  int step = 0;   ///< that it was set to; 0: the middle
  int steps = 0;  ///< to either side of it
  double step_angstrom = 0.1;
  bool on_band = false;                      ///< near enough to that step to be looked through
  std::optional<double> temperature_c = {};  ///< of the etalon
  std::optional<double> wait_s = {};         ///< until it stands still there, as it reckons itself
  bool operator==(const HeaterState&) const = default;
};

/// Motors that move where the telescope looks by a little, whatever they sit on.
struct GuiderState {
  double west_arcsec = 0.0;  ///< by which it was moved since it began, as it counts
  double north_arcsec = 0.0;
  bool moving = false;
  bool operator==(const GuiderState&) const = default;
};

/// A part of a sensor about a place on it, in steps of 8 pixels; all of it for a share of 1.
/// @param share  of each side, 0.05 to 1
[[nodiscard]] image::Rectangle part_about(int width_px, int height_px, double share, double x_px,
                                          double y_px);

/// So much a guider is told to move at once, to each side.
inline constexpr base::Range kNudgeRange{-7200.0, 7200.0};
/// Where a region may lie, and how large it may be.
inline constexpr base::Range kRegionRange{0.0, 32768.0};

/// Positions that a focuser may tell or be told.
inline constexpr base::Range kFocuserRange{-1e6, 1e6};
inline constexpr base::Range kHeaterStepRange{-100.0, 100.0};

/// {frames, width_px, height_px, saturation, exposure_ms, rate_hz}
[[nodiscard]] base::Json to_json(const CameraState& state);
/// {position_um, travel_um, moving, temperature_c}
[[nodiscard]] base::Json to_json(const FocuserState& state);
/// {step, steps, step_angstrom, on_band, temperature_c, wait_s}
[[nodiscard]] base::Json to_json(const HeaterState& state);
/// {west_arcsec, north_arcsec, moving}
[[nodiscard]] base::Json to_json(const GuiderState& state);
/// {left_px, top_px, width_px, height_px}
[[nodiscard]] base::Json to_json(const image::Rectangle& region);
/// Errors: as base::ObjectReader, below `path`: a device may say anything.
[[nodiscard]] base::Result<CameraState> camera_state_from_json(const base::Json& json,
                                                               const std::string& path);
[[nodiscard]] base::Result<FocuserState> focuser_state_from_json(const base::Json& json,
                                                                 const std::string& path);
[[nodiscard]] base::Result<HeaterState> heater_state_from_json(const base::Json& json,
                                                               const std::string& path);
[[nodiscard]] base::Result<GuiderState> guider_state_from_json(const base::Json& json,
                                                               const std::string& path);
[[nodiscard]] base::Result<image::Rectangle> region_from_json(const base::Json& json,
                                                              const std::string& path);

}  // namespace solarchon::devices
