// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/align/advice.h"
#include "solarchon/base/enum_words.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/time.h"

namespace solarchon::align {

/// How fast the mount was driven while the Sun drifted: with the mean Sun, or with the stars.
enum class Rate { kSolar, kSidereal };
inline constexpr base::EnumWords<Rate, 2> kRateWords{{"solar", "sidereal"}};
/// Of the hour angle (arcsec/s).
[[nodiscard]] double rate_arcsec_s(Rate rate);

/// How the Sun left its place while the mount was driven, as the mount's circles would show it.
struct DriftRun {
  sky::UtcTime start;
  double hour_angle_deg = 0.0;   ///< of the Sun at the start, west positive
  double declination_deg = 0.0;  ///< of the Sun at the start
  double duration_s = 300.0;
  std::optional<double> declination_drift_arcsec;  ///< positive: the Sun went north
  /// Positive: the Sun ran west of the mount. In hour angle, not times cos(declination).
  std::optional<double> hour_angle_drift_arcsec;
  double noise_arcsec = 2.0;  ///< of each drift, one standard deviation
  bool operator==(const DriftRun&) const = default;
};

inline constexpr base::Range kHourAngleRange{-180.0, 180.0};
inline constexpr base::Range kSunDeclinationRange{-24.0, 24.0};
inline constexpr base::Range kRunSecondsRange{1.0, 14400.0};
inline constexpr base::Range kDriftRange{-100000.0, 100000.0};
inline constexpr base::Range kNoiseRange{0.001, 1000.0};
inline constexpr std::size_t kMostRuns = 1000;

/// Where the end of the mount's axis that is raised (north of the equator the northern one, south
/// of it the southern one) stands against the true pole.
struct PoleError {
  double altitude_deg = 0.0;  ///< positive: too high
  double azimuth_deg = 0.0;   ///< positive: too far east; an angle of the compass
};

/// What a mount shows of the Sun.
struct Drift {
  double declination_arcsec = 0.0;
  double hour_angle_arcsec = 0.0;
};

/// The drift that a mount with this error would show in a run. Exact rotations: good for errors of
/// any size; the Sun's own motion in declination and hour angle is part of it, and the change of
/// refraction, some arcseconds in five minutes below 30 degrees of altitude.
/// @param latitude_deg  -90 to 90
/// @param air           that the Sun is seen through; none: refraction is left out
[[nodiscard]] Drift drift_of(const PoleError& error, double latitude_deg, const DriftRun& run,
                             Rate rate, const std::optional<sky::Weather>& air = {});

/// Why runs do not give the error of the axis.
enum class Doubt { kNone, kTooFew, kCannotTellApart, kDisagree };
inline constexpr base::EnumWords<Doubt, 4> kDoubtWords{
    {"none", "too-few-drifts", "cannot-tell-apart", "runs-disagree"}};

/// What a set of runs tells about the axis.
struct PoleFit {
  Doubt doubt = Doubt::kNone;
  PoleError error;  ///< only without doubt
  /// One standard deviation: from the runs' stated noise, or from how badly they agree where that
  /// is more.
  double altitude_sigma_deg = 0.0;
  double azimuth_sigma_deg = 0.0;
  double correlation = 0.0;  ///< of both errors, -1 to 1
  /// Root mean square of what the error does not explain, in units of the stated noise: about 1.
  /// None for two drifts, which any axis explains.
  std::optional<double> misfit;
  std::vector<Advice> advice;
  /// Where one more run like these would teach most, of those with the Sun at least 15 degrees
  /// high; none where it never is.
  std::optional<double> next_hour_angle_deg;
  [[nodiscard]] bool solvable() const { return doubt == Doubt::kNone; }
};

/// The error of a mount's axis from drift runs, by weighted least squares over exact rotations.
/// Not solvable when there are fewer than two drifts, or when they leave some mixture of the two
/// errors uncertain by more than 15 arcminutes (all at one hour angle, for example), or when no
/// axis within 30 degrees explains them to 2.5 times their stated noise (3.9 with one drift
/// to spare, 2.8 with two): then that noise was too
/// good, the rate was another, or refraction was left out.
/// @param runs          at most kMostRuns, each member in its range
/// @param latitude_deg  of the mount
/// @param air           that the Sun was seen through; none: refraction is left out
/// Accuracy: the stated sigmas, for errors up to 10 degrees. Three runs of 5 minutes at -60, 0 and
/// 60 degrees with 2 arcsec of noise give about 1 arcminute.
/// Errors: kOutOfRange for a latitude outside -90 to 90.
/// Source: rotation of the Sun about the true pole, read in the mount's frame (docs/numbers.md);
/// Gauss and Newton's method.
[[nodiscard]] base::Result<PoleFit> fit_pole(const std::vector<DriftRun>& runs, double latitude_deg,
                                             Rate rate,
                                             const std::optional<sky::Weather>& air = {});

/// Reads a table of runs: time_utc, hour_angle_deg, declination_deg, duration_s, dec_drift_arcsec,
/// ha_drift_arcsec (one of both may be empty), noise_arcsec (may be left out). A heading must name
/// these columns in this order.
/// Errors: of the first line that is wrong, with its number; kTooLarge above kMostRuns lines.
[[nodiscard]] base::Result<std::vector<DriftRun>> read_drift_table(std::string_view text,
                                                                   const std::string& name);

/// {solvable, doubt, pole_altitude_error_arcmin, pole_azimuth_error_arcmin, altitude_sigma_arcmin,
/// azimuth_sigma_arcmin, misfit, next_hour_angle_deg}; null where there is none.
[[nodiscard]] base::Json to_json(const PoleFit& fit);

}  // namespace solarchon::align
