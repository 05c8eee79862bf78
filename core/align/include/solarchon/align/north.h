// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/align/advice.h"
#include "solarchon/base/enum_words.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/plan/mount.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/time.h"

namespace solarchon::align {

/// Where a mount's axis points on the ground: 0 (north), or 180 south of the equator (degree).
[[nodiscard]] double axis_azimuth_deg(double latitude_deg);

/// The shadow that a bead on a plumb line throws on level ground. All of the line's shadow lies in
/// one direction, also on ground that is not level.
struct PlumbShadow {
  sky::UtcTime time;
  double direction_deg = 0.0;    ///< in which it falls, from true north through east, [0, 360)
  double to_axis_deg = 0.0;      ///< from there to where the axis points, clockwise, [-180, 180)
  double length_mm = 0.0;        ///< of the middle of the soft edge
  double turning_deg_min = 0.0;  ///< how fast it turns, clockwise positive
  double accuracy_deg = 0.0;     ///< of a direction taken from it, one standard deviation
};

/// Below this height of the Sun the shadow is too long and too soft to be used (degree).
inline constexpr double kLeastShadowDeg = 3.0;
/// Height of the bead over the ground (mm).
inline constexpr base::Range kPlumbRange{50.0, 5000.0};
inline constexpr double kUsualPlumbMm = 1000.0;

/// @param plumb_mm  height of the bead, within kPlumbRange
/// @return  none with the Sun lower than kLeastShadowDeg
/// Accuracy: 1 arcsec in direction with the Sun below 80 degrees; the length with usual refraction.
/// `accuracy_deg` is an estimate: a line drawn to 1 mm over the shadow's length, its soft edge
/// judged to 0.05 degree, a clock right to 10 s, and 0.1 degree to bring the mount into the line.
[[nodiscard]] std::optional<PlumbShadow> plumb_shadow(const sky::GeocentricSun& sun,
                                                      const sky::Observer& observer,
                                                      sky::UtcTime time, double plumb_mm);

/// The same every so often; instants without a usable shadow are left out.
/// @param count  0 to 1440; all within 15 hours of the start
[[nodiscard]] std::vector<PlumbShadow> plumb_shadows(const sky::Observer& observer,
                                                     sky::UtcTime start, sky::Duration step,
                                                     int count, double plumb_mm);

/// Ways to bring a mount's axis under the pole by day.
enum class NorthWay {
  kMarks,    ///< feet back on the marks of an alignment by night
  kCompass,  ///< a compass, its reading corrected
  kShadow,   ///< a plumb line's shadow at a known minute
  kHighest   ///< the same when the Sun stands in the meridian
};
inline constexpr base::EnumWords<NorthWay, 4> kNorthWayWords{
    {"marks", "compass", "shadow", "sun-in-meridian"}};

/// What a way can be expected to give.
struct NorthChance {
  NorthWay way = NorthWay::kMarks;
  double azimuth_deg = 0.0;  ///< of the axis, one standard deviation
  double pole_deg = 0.0;     ///< of the axis against the pole, with what the inclinometer adds
};

/// How far apart the tripod's feet stand (mm).
inline constexpr base::Range kFeetRange{200.0, 3000.0};
inline constexpr double kUsualFeetMm = 800.0;
/// How near a foot comes back to its mark (mm), one standard deviation.
inline constexpr double kFootMm = 3.0;
/// Of an inclinometer on the axis, and of a compass held away from steel (degree).
inline constexpr double kInclinometerDeg = 0.2;
inline constexpr double kCompassDeg = 1.5;

/// What ways of finding north depend on besides place and time.
struct NorthTools {
  double plumb_mm = kUsualPlumbMm;
  double feet_apart_mm = kUsualFeetMm;
  /// From true to magnetic north, east positive; none where the model does not reach.
  std::optional<double> magnetic_declination_deg = {};
  plan::MountKind mount = plan::MountKind::kUnknown;
};

/// North by day, all ways at once.
struct North {
  double axis_azimuth_deg = 0.0;
  double axis_altitude_deg = 0.0;  ///< what an inclinometer on the axis has to show: the latitude
  std::optional<double> compass_bearing_deg;  ///< what a compass shows along the axis, [0, 360)
  std::optional<PlumbShadow> shadow;          ///< now
  std::optional<PlumbShadow> in_meridian;     ///< when the Sun stands due south, or north
  std::vector<NorthChance> ways;              ///< those that can be gone today, best first
  std::vector<Advice> knobs;  ///< which knob, which way, for this hemisphere and mount
};

/// @param transit  of the Sun on that day, as sky::SunDay gives it; none: never
/// Errors: kOutOfRange for tools outside their ranges.
/// Source: field practice; docs/numbers.md has the estimates.
[[nodiscard]] base::Result<North> find_north(const sky::Observer& observer, sky::UtcTime time,
                                             std::optional<sky::UtcTime> transit,
                                             const NorthTools& tools);

/// {axis_azimuth_deg, axis_altitude_deg, magnetic_declination_deg, compass_bearing_deg, shadow,
/// in_meridian, ways}, shadows as below.
[[nodiscard]] base::Json to_json(const North& north, const NorthTools& tools);
/// {time_utc, direction_deg, to_axis_deg, length_mm, turning_deg_min, accuracy_deg}
[[nodiscard]] base::Json to_json(const PlumbShadow& shadow);

}  // namespace solarchon::align
