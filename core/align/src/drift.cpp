// SPDX-License-Identifier: GPL-3.0-or-later
// The error of the polar axis from the way the Sun leaves its place. Notation: p the error
// (altitude, azimuth), r what runs show less what p predicts, J its derivatives; all weighted by
// the noise, angles in degrees.
#include "solarchon/align/drift.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/align/mount_axis.h"
#include "solarchon/base/angle.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/sun.h"

namespace solarchon::align {

using base::kArcminPerDeg;
using base::kArcsecPerDeg;

namespace {

constexpr double kMostSigmaDeg = 0.25;   // of the mixture that runs know least about
constexpr double kLowestSunDeg = 15.0;   // for one more run
constexpr double kFarthestDeg = 30.0;    // that an axis is looked for
constexpr double kMostMisfit = 2.5;      // of runs that belong together
constexpr double kSettledDeg = 1e-7;     // of a step of the fit
constexpr double kDerivativeDeg = 1e-3;  // step of a derivative
constexpr int kMostSteps = 30;
constexpr int kWidestHourAngle = 90;
constexpr int kHourAngleStep = 5;
constexpr double kPriorDeg = 10.0;  // what is known of an axis before any run

/// A run, with the Sun's own motion over it.
struct Seen {
  Circles start;
  Circles end;
  double tracked_deg = 0.0;
  std::optional<double> declination_deg;  ///< drift
  std::optional<double> hour_angle_deg;   ///< drift
  double noise_deg = 0.0;
};

Seen seen_in(const DriftRun& run, Rate rate) {
  // Seen from the Earth's centre, how far it has turned does not count.
  const sky::GeocentricSun before = sky::geocentric_sun(run.start, 0.0);
  const sky::GeocentricSun after =
      sky::geocentric_sun(run.start + sky::seconds(run.duration_s), 0.0);
  const auto in_deg = [](const std::optional<double>& arcsec) {
    return arcsec ? std::optional<double>(*arcsec / kArcsecPerDeg) : std::nullopt;
  };
  const double gained = base::wrap_180((after.sidereal_time_deg - after.right_ascension_deg) -
                                       (before.sidereal_time_deg - before.right_ascension_deg));
  return {{run.hour_angle_deg, run.declination_deg},
          {run.hour_angle_deg + gained,
           run.declination_deg + after.declination_deg - before.declination_deg},
          rate_arcsec_s(rate) * run.duration_s / kArcsecPerDeg,
          in_deg(run.declination_drift_arcsec),
          in_deg(run.hour_angle_drift_arcsec),
          run.noise_arcsec / kArcsecPerDeg};
}

/// Where runs were seen from.
struct Place {
  double latitude_deg = 0.0;
  std::optional<sky::Weather> air;
};

/// Drift in declination and hour angle (degree).
std::array<double, 2> predicted(const PoleError& error, const Place& place, const Seen& run) {
  const MountAxis sky_axis({}, place.latitude_deg);
  const MountAxis mount_axis(error, place.latitude_deg);
  const auto shown = [&](const Circles& sun) {
    const Vector direction = sky_axis.direction_of(sun);
    return mount_axis.circles_of(place.air ? refracted(direction, *place.air) : direction);
  };
  const Circles from = shown(run.start);
  const Circles to = shown(run.end);
  return {to.declination_deg - from.declination_deg,
          base::wrap_180(to.hour_angle_deg - from.hour_angle_deg) - run.tracked_deg};
}

/// What the drifts say of p: J'J, J'r and r'r.
struct Evidence {
  std::array<double, 3> information{};  ///< altitude, mixed, azimuth
  std::array<double, 2> pull{};
  double misfit = 0.0;
  int drifts = 0;
};

void add(Evidence& evidence, const PoleError& error, const Place& place, const Seen& run) {
  const auto now = predicted(error, place, run);
  PoleError higher = error;
  higher.altitude_deg += kDerivativeDeg;
  PoleError further = error;
  further.azimuth_deg += kDerivativeDeg;
  const auto by_altitude = predicted(higher, place, run);
  const auto by_azimuth = predicted(further, place, run);
  const std::array<std::optional<double>, 2> drifts{run.declination_deg, run.hour_angle_deg};
  for (std::size_t i = 0; i < drifts.size(); ++i) {
    if (!drifts.at(i)) {
      continue;
    }
    const double altitude = (by_altitude.at(i) - now.at(i)) / kDerivativeDeg / run.noise_deg;
    const double azimuth = (by_azimuth.at(i) - now.at(i)) / kDerivativeDeg / run.noise_deg;
    const double rest = (*drifts.at(i) - now.at(i)) / run.noise_deg;
    evidence.information[0] += altitude * altitude;
    evidence.information[1] += altitude * azimuth;
    evidence.information[2] += azimuth * azimuth;
    evidence.pull[0] += altitude * rest;
    evidence.pull[1] += azimuth * rest;
    evidence.misfit += rest * rest;
    ++evidence.drifts;
  }
}

Evidence evidence_of(const std::vector<Seen>& runs, const PoleError& error, const Place& place) {
  Evidence evidence;
  for (const Seen& run : runs) {
    add(evidence, error, place, run);
  }
  return evidence;
}

double determinant(const std::array<double, 3>& m) { return m[0] * m[2] - m[1] * m[1]; }

/// Standard deviation of the mixture of both errors that is known worst.
double worst_sigma_deg(const std::array<double, 3>& m) {
  const double middle = 0.5 * (m[0] + m[2]);
  const double least = middle - std::hypot(0.5 * (m[0] - m[2]), m[1]);
  return least > 0.0 ? 1.0 / std::sqrt(least) : HUGE_VAL;
}

double altitude_of_sun_deg(const Circles& sun, double latitude_deg) {
  const Vector direction = MountAxis({}, latitude_deg).direction_of(sun);
  return std::asin(std::clamp(direction[2], -1.0, 1.0)) * base::kDegPerRad;
}

/// One more run like the last, where it would leave least doubt.
std::optional<double> next_hour_angle(const std::vector<Seen>& runs, const PoleError& error,
                                      const Place& place) {
  if (runs.empty()) {
    return std::nullopt;
  }
  Evidence known = evidence_of(runs, error, place);
  known.information[0] += 1.0 / (kPriorDeg * kPriorDeg);
  known.information[2] += 1.0 / (kPriorDeg * kPriorDeg);
  std::optional<double> best;
  double least = HUGE_VAL;
  for (int hour_angle = -kWidestHourAngle; hour_angle <= kWidestHourAngle;
       hour_angle += kHourAngleStep) {
    Seen run = runs.back();
    const double move = hour_angle - run.start.hour_angle_deg;
    run.start.hour_angle_deg += move;
    run.end.hour_angle_deg += move;
    if (altitude_of_sun_deg(run.start, place.latitude_deg) < kLowestSunDeg ||
        altitude_of_sun_deg(run.end, place.latitude_deg) < kLowestSunDeg) {
      continue;
    }
    Evidence after = known;
    add(after, error, place, run);
    const auto& m = after.information;
    const double variance = (m[0] + m[2]) / determinant(m);
    if (variance < least) {
      least = variance;
      best = hour_angle;
    }
  }
  return best;
}

/// What chance makes of runs that belong together in one of some thousand cases: more where few
/// drifts are to spare.
double most_misfit(int freedom) {
  constexpr double kOfOne = 3.9;
  return std::max(kMostMisfit, kOfOne / std::sqrt(static_cast<double>(std::max(1, freedom))));
}

Doubt doubt_of(const PoleFit& fit, const Evidence& evidence) {
  if (evidence.drifts < 2) {
    return Doubt::kTooFew;
  }
  if (std::hypot(fit.error.altitude_deg, fit.error.azimuth_deg) > kFarthestDeg) {
    return Doubt::kDisagree;
  }
  if (worst_sigma_deg(evidence.information) > kMostSigmaDeg) {
    return Doubt::kCannotTellApart;
  }
  return fit.misfit.value_or(0.0) > most_misfit(evidence.drifts - 2) ? Doubt::kDisagree
                                                                     : Doubt::kNone;
}

/// In no more digits than a figure with this standard deviation is worth.
double worth(double value, double sigma) {
  const double step = std::pow(10.0, std::floor(std::log10(std::max(1e-6, sigma))));
  return std::max(step, std::round(value / step) * step);
}

/// Which way to turn which knob; nothing where the error is lost in its own doubt.
std::vector<Advice> advice_for(const PoleFit& fit) {
  constexpr double kSigmas = 2.0;
  std::vector<Advice> advice;
  const auto say = [&](double error, double sigma, std::string_view positive,
                       std::string_view negative) {
    if (std::abs(error) > kSigmas * sigma) {
      advice.push_back({error > 0.0 ? positive : negative,
                        {{worth(std::abs(error), sigma), base::Unit::kDegree},
                         {worth(std::abs(error) * kArcminPerDeg, sigma * kArcminPerDeg),
                          base::Unit::kArcminute}}});
    }
  };
  say(fit.error.altitude_deg, fit.altitude_sigma_deg, "lower-the-axis", "raise-the-axis");
  say(fit.error.azimuth_deg, fit.azimuth_sigma_deg, "turn-the-axis-west", "turn-the-axis-east");
  if (advice.empty()) {
    advice.push_back({"within-the-doubt", {}});
  }
  return advice;
}

}  // namespace

double rate_arcsec_s(Rate rate) { return rate == Rate::kSolar ? 15.0 : 15.041067; }

Drift drift_of(const PoleError& error, double latitude_deg, const DriftRun& run, Rate rate,
               const std::optional<sky::Weather>& air) {
  const auto drift = predicted(error, {latitude_deg, air}, seen_in(run, rate));
  return {drift[0] * kArcsecPerDeg, drift[1] * kArcsecPerDeg};
}

base::Result<PoleFit> fit_pole(const std::vector<DriftRun>& runs, double latitude_deg, Rate rate,
                               const std::optional<sky::Weather>& air) {
  if (const auto checked = base::checked("lat", latitude_deg, sky::kLatitudeRange); !checked) {
    return tl::make_unexpected(checked.error());
  }
  std::vector<Seen> seen;
  seen.reserve(runs.size());
  for (const DriftRun& run : runs) {
    seen.push_back(seen_in(run, rate));
  }
  const Place place{latitude_deg, air};
  PoleFit fit;
  Evidence evidence = evidence_of(seen, fit.error, place);
  for (int step = 0; step < kMostSteps && evidence.drifts >= 2; ++step) {
    const auto& m = evidence.information;
    const double far = std::hypot(fit.error.altitude_deg, fit.error.azimuth_deg);
    if (worst_sigma_deg(m) > kMostSigmaDeg || far > kFarthestDeg) {
      break;
    }
    const double altitude = (m[2] * evidence.pull[0] - m[1] * evidence.pull[1]) / determinant(m);
    const double azimuth = (m[0] * evidence.pull[1] - m[1] * evidence.pull[0]) / determinant(m);
    fit.error.altitude_deg += altitude;
    fit.error.azimuth_deg += azimuth;
    evidence = evidence_of(seen, fit.error, place);
    if (std::hypot(altitude, azimuth) < kSettledDeg) {
      break;
    }
  }
  const int freedom = evidence.drifts - 2;
  if (freedom > 0) {
    fit.misfit = std::sqrt(evidence.misfit / freedom);
  }
  fit.doubt = doubt_of(fit, evidence);
  if (!fit.solvable()) {
    fit.error = {};
  }
  fit.next_hour_angle_deg = next_hour_angle(seen, fit.error, place);
  if (!fit.solvable()) {
    fit.advice.push_back({kDoubtWords.of(fit.doubt), {}});
    if (fit.next_hour_angle_deg) {
      fit.advice.push_back({"measure-at", {{*fit.next_hour_angle_deg, base::Unit::kDegree}}});
    }
    return fit;
  }
  const auto& m = evidence.information;
  const double scale = std::max(1.0, fit.misfit.value_or(1.0));
  fit.altitude_sigma_deg = scale * std::sqrt(m[2] / determinant(m));
  fit.azimuth_sigma_deg = scale * std::sqrt(m[0] / determinant(m));
  fit.correlation = -m[1] / std::sqrt(m[0] * m[2]);
  fit.advice = advice_for(fit);
  return fit;
}

}  // namespace solarchon::align
