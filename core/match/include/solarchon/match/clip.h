// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/match/target.h"
#include "solarchon/optics/parts.h"

namespace solarchon::match {

/// What blurs detail in a clip that lasts too long.
enum class ClipLimit { kRotation, kEvolution, kFieldRotation, kTracking };
inline constexpr base::EnumWords<ClipLimit, 4> kClipLimitWords{
    {"rotation", "evolution", "field-rotation", "tracking"}};

/// What moves detail in a clip.
struct ClipMotion {
  double resolution_arcsec = 2.0;    ///< the finest detail that is had, above 0
  double from_centre = 0.0;          ///< of the target, in radii of the disc, 0 to 1
  double evolution_km_s = 1.0;       ///< 0: nothing changes
  double turning_deg_min = 0.0;      ///< of the field
  double corner_arcsec = 0.0;        ///< from the middle of the field to its corner
  double tracking_arcsec_min = 0.0;  ///< that the mount lets the Sun wander
};

/// How long each lets a clip be, and which is the first to blur it.
struct ClipBudget {
  std::array<double, 4> longest_s{};  ///< by ClipLimit; infinite where nothing moves
  ClipLimit ruling = ClipLimit::kEvolution;
  [[nodiscard]] double longest() const { return longest_s.at(static_cast<std::size_t>(ruling)); }
};
/// Half of the resolution is what detail may move. The Sun's rotation carries the middle of the
/// disc by 0.0026 arcsec a second, and what stands off it by the cosine of that.
[[nodiscard]] ClipBudget clip_budget(const ClipMotion& motion);

enum class RateLimit { kSensor, kCable, kExposure };
inline constexpr base::EnumWords<RateLimit, 3> kRateLimitWords{{"sensor", "cable", "exposure"}};

/// A part of the sensor that is read, in its own pixels.
struct Region {
  int width_px = 0;
  int height_px = 0;
  int binning = 1;  ///< pixels joined each way before they are sent
};
/// How often frames come.
struct FrameRate {
  double hz = 0.0;
  RateLimit ruling = RateLimit::kSensor;
  double bytes_a_frame = 0.0;
};
/// A sensor is read row by row, so fewer rows come oftener, up to some twenty times; more than 8
/// bits take two bytes.
/// @param region  within the sensor; 1 pixel or more
[[nodiscard]] FrameRate frame_rate(const optics::Camera& camera, const Region& region,
                                   double exposure_ms);

/// Noise of one pixel of one frame, over its light.
/// @param camera  as optics::sensor_of gives it: its full well is known
/// @param level   of full well, above 0 to 1: where the target's detail lies
/// @return       shot noise, read noise and the step of the camera's numbers together
[[nodiscard]] double frame_noise(const optics::Camera& camera, double level);

/// How many frames a stack of a target asks for.
struct EnoughFrames {
  int kept = 0;      ///< that are stacked
  int recorded = 0;  ///< of which that share is kept
};
inline constexpr base::Range kKeptShareRange{0.01, 1.0};
/// Enough for the noise of the stack, raised eightfold by sharpening, to stay below a fifth of the
/// contrast of the target's fine detail; 20 kept at least, and 100 000 recorded at most.
/// @param noise  as frame_noise gives it
/// @param share  of the frames that is kept: kKeptShareRange
/// Source: noise falls with the square root of the number; contrasts as usual telescopes show them,
/// 0.03 (granulation) to 0.10 (spots, prominences and filaments).
[[nodiscard]] EnoughFrames enough_frames(Target target, double noise, double share);

/// Short clips, one after another.
struct TimeLapse {
  double interval_s = 20.0;
  int count = 180;        ///< of clips
  double clip_s = 5.0;    ///< of each
  double power_w = 25.0;  ///< of everything that runs
  double playback_hz = 25.0;
};
inline constexpr base::Range kIntervalRange{1.0, 3600.0};
inline constexpr base::Range kCountRange{2, 100000};
struct TimeLapseNeeds {
  double duration_s = 0.0;
  double bytes = 0.0;
  double watt_hours = 0.0;
  double playback_s = 0.0;
};
/// Errors: kOutOfRange: `interval_s`, `count`; `clip_s` longer than the interval.
[[nodiscard]] base::Result<TimeLapseNeeds> needs_of(const TimeLapse& lapse, const FrameRate& rate);

}  // namespace solarchon::match
