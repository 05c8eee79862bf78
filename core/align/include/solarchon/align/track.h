// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/align/drift.h"
#include "solarchon/base/range.h"
#include "solarchon/plan/mount.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/time.h"

namespace solarchon::align {

/// How a mount drives, as far as the Sun's way in the field depends on it.
struct Driving {
  plan::MountKind mount = plan::MountKind::kUnknown;  ///< not said: as an equatorial
  Rate rate = Rate::kSolar;
  PoleError error = {};                ///< of an equatorial's axis
  double periodic_error_arcsec = 0.0;  ///< of an equatorial's worm: half of the whole swing
  double worm_period_s = 480.0;        ///< in which it repeats
  double step_arcsec = 0.0;            ///< of each axis of an alt-azimuth mount
  std::optional<sky::UtcTime> turn =
      {};  ///< when an equatorial turns over; it is centred anew then
};

inline constexpr base::Range kPeriodicErrorRange{0.0, 600.0};
inline constexpr base::Range kWormPeriodRange{30.0, 3600.0};
inline constexpr base::Range kStepRange{0.0, 60.0};

/// Where the middle of the Sun stands in a field on whose middle it stood at first.
struct TrackPoint {
  sky::UtcTime time;
  double west_arcsec = 0.0;  ///< on the sky
  double north_arcsec = 0.0;
  double rotation_deg = 0.0;  ///< by which the field has turned on the sky, north through east
};

/// The way of the Sun in the field.
/// @param step   0.1 s or more
/// @param count  of steps, 0 to 10 000; the start is a point too; all within 15 hours of it
/// Equatorial mounts: the axis' error by exact rotations, which turn the field too; the worm as a
/// sine that begins at the start. Alt-azimuth mounts: each axis stands at the nearest of its steps;
/// the field turns by the change of the parallactic angle. At the stars' rate the Sun's own motion
/// is added. Accuracy: 0.3 arcsec an hour of parallax. Equatorial mounts are taken to know nothing
/// of refraction, alt-azimuth mounts to follow it.
[[nodiscard]] std::vector<TrackPoint> track(const sky::Observer& observer, sky::UtcTime start,
                                            sky::Duration step, int count, const Driving& driving);

/// What a way means for a field and a clip.
struct TrackSummary {
  double farthest_arcsec = 0.0;             ///< from the middle
  double fastest_arcsec_min = 0.0;          ///< from one point to the next
  double rotation_deg = 0.0;                ///< between the first and the last point
  double turning_deg_min = 0.0;             ///< fastest rotation from one point to the next
  std::optional<sky::UtcTime> leaves = {};  ///< first point beyond the room that it has
};
/// @param room_arcsec  that the Sun's middle may go; none: not known
[[nodiscard]] TrackSummary summary_of(const std::vector<TrackPoint>& way,
                                      std::optional<double> room_arcsec);

/// How fast detail is smeared at a distance from the middle of the field, wandering and turning
/// together (arcsec a minute). The steps of an alt-azimuth mount are jitter, not a motion: ask for
/// a way without them.
[[nodiscard]] double smear_arcsec_min(const TrackSummary& summary, double from_middle_arcsec);

}  // namespace solarchon::align
