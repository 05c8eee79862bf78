// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "solarchon/align/drift.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/sky/disc.h"
#include "solarchon/sky/site.h"

namespace solarchon::align {

/// What a drift was measured in.
enum class DriftUnit { kArcseconds, kPixels, kDiameters };

/// How the Sun moved on the screen or in the eyepiece, as people see it.
struct SeenDrift {
  bool in_picture = true;  ///< to the right and up in it; else west and north on the sky
  std::optional<double> right_or_west = {};
  std::optional<double> up_or_north = {};
  DriftUnit unit = DriftUnit::kPixels;
};

/// The picture in which it was seen.
struct SeenIn {
  sky::PictureOrientation celestial;  ///< where celestial north lies, and whether it is mirrored
  std::optional<double> sampling_arcsec_px = {};
  double semidiameter_arcsec = 960.0;  ///< of the Sun
};

/// The run of circles that belongs to what was seen. Hour angle and declination are the Sun's at
/// the start; on the sky an hour angle is as long as the cosine of the declination makes it. The
/// noise is 2 arcsec, a pixel and a half, or a twentieth of a diameter.
/// @param duration_s  within kRunSecondsRange
/// Errors: kMissing for a drift in neither direction, in one direction only of a picture, or in
/// pixels of a picture without a scale; kOutOfRange for more than kDriftRange.
[[nodiscard]] base::Result<DriftRun> run_seen(const sky::Observer& observer, sky::UtcTime start,
                                              double duration_s, const SeenDrift& seen,
                                              const SeenIn& in);

/// Where the Sun's disc lay in a frame.
struct DiscSeen {
  sky::UtcTime time;
  double x_px = 0.0;  ///< of its middle, to the right
  double y_px = 0.0;  ///< downwards
  double radius_px = 0.0;
};

/// The run that frames of a driven mount tell: a straight line through the disc's places, by least
/// squares; the scale is that of the Sun's own radius. The noise is what the places scatter about
/// the line, at least 1 arcsec each, as it shows in the drift.
/// @param discs      in any order
/// @param celestial  where celestial north lies in the frames
/// Errors: kMissing for fewer than two; kOutOfRange for a span outside kRunSecondsRange, for radii
/// that differ by more than a twentieth (another scale), and as run_seen.
[[nodiscard]] base::Result<DriftRun> run_of_frames(const sky::Observer& observer,
                                                   std::vector<DiscSeen> discs,
                                                   const sky::PictureOrientation& celestial);

/// Where the Sun goes in a field that is driven by a mount with this error, on the sky.
struct DriftLeft {
  double west_arcsec_min = 0.0;
  double north_arcsec_min = 0.0;
  double arcsec_min = 0.0;  ///< in all
};
/// Averaged over the coming five minutes. Accuracy and source as drift_of.
[[nodiscard]] DriftLeft drift_left(const PoleError& error, const sky::Observer& observer,
                                   sky::UtcTime time, Rate rate);

/// How far the middle of the Sun may go from that of a field before its limb leaves (arcsec). A
/// field in which the disc does not fit lets it go half of the way out.
/// @param field_arcmin  its smaller side
[[nodiscard]] double room_arcsec(double field_arcmin, double semidiameter_arcsec);

/// How long a drift can be borne.
struct Stay {
  std::optional<double>
      in_field_min;              ///< until the limb of a centred Sun leaves; none: it never does
  std::optional<double> clip_s;  ///< until detail is blurred by half of what can be seen
};
/// @param field_arcmin         smaller side of the field; none: not known
/// @param resolution_arcsec    finest detail that can be had; none: not known
[[nodiscard]] Stay stay_of(const DriftLeft& left, std::optional<double> field_arcmin,
                           double semidiameter_arcsec, std::optional<double> resolution_arcsec);

/// When the Sun reaches an hour angle, nearest to an instant. Accuracy: 15 s within a day.
[[nodiscard]] sky::UtcTime time_of_hour_angle(double hour_angle_deg, const sky::Observer& observer,
                                              sky::UtcTime near);

/// What turns of a knob an error wants.
/// @param deg_per_turn  of the axis; none: not known
[[nodiscard]] std::optional<double> turns_of(double error_deg, std::optional<double> deg_per_turn);
/// Of the axis, for one turn of a knob (degree).
inline constexpr base::Range kKnobRange{0.01, 90.0};

/// {time_utc, hour_angle_deg, declination_deg, duration_s, dec_drift_arcsec, ha_drift_arcsec,
/// noise_arcsec}, as in tables.
[[nodiscard]] base::Json to_json(const DriftRun& run);
/// Errors: as base::ObjectReader, below `path`.
[[nodiscard]] base::Result<DriftRun> drift_run_from_json(const base::Json& json,
                                                         const std::string& path);

}  // namespace solarchon::align
