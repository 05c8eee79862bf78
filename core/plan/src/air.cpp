// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/air.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/sky/rough_place.h"

namespace solarchon::plan {

namespace {

constexpr double kHighAirArcsec = 0.8;
/// Of fully warmed ground, in the order of Ground (arcsec).
constexpr std::array<double, 5> kGroundArcsec{0.6, 1.6, 2.2, 3.2, 3.8};
constexpr sky::Duration kWarming = sky::seconds(7200.0);
constexpr double kLowestDeg = 1.0;
constexpr double kPriorSpread = 0.4;
constexpr double kPriorWeight = 3.0;
constexpr double kLikeHours = 1.5;  ///< notes that far apart in the day still say something
constexpr double kLeastSpread = 0.15;

double ground_arcsec(Ground ground) { return kGroundArcsec.at(static_cast<std::size_t>(ground)); }

double hours_from_noon(const sky::SunDay& day, sky::UtcTime time) {
  const sky::UtcTime noon = day.transit.value_or(day.start + (day.end - day.start) / 2.0);
  return sky::in_hours(time - noon);
}

}  // namespace

double ground_warmth(const sky::SunDay& day, sky::UtcTime time) {
  // Each stretch of the arc adds its mean sine, and what was there cools.
  double warmth = 0.0;
  const auto sine = [](const sky::ArcPoint& point) {
    return std::max(0.0, std::sin(point.altitude_deg * base::kRadPerDeg));
  };
  for (std::size_t i = 0; i + 1 < day.arc.size() && day.arc[i].time < time; ++i) {
    const sky::ArcPoint next =
        day.arc[i + 1].time <= time ? day.arc[i + 1] : sky::arc_at(day, time);
    const double kept = std::exp(-(next.time - day.arc[i].time) / kWarming);
    warmth = kept * warmth + (1.0 - kept) * 0.5 * (sine(day.arc[i]) + sine(next));
  }
  return warmth;
}

double prior_seeing_arcsec(double altitude_deg, double warmth, const Surroundings& surroundings,
                           double wind_m_s) {
  const double wind = std::clamp(1.2 - 0.08 * wind_m_s, 0.7, 1.2);
  const double ground = 0.5 *
                        (ground_arcsec(surroundings.under) + ground_arcsec(surroundings.before)) *
                        warmth * wind;
  constexpr double kPower = 5.0 / 3.0;
  const double zenith =
      std::pow(std::pow(kHighAirArcsec, kPower) + std::pow(ground, kPower), 1.0 / kPower);
  const double airmass = 1.0 / std::sin(std::max(altitude_deg, kLowestDeg) * base::kRadPerDeg);
  return zenith * std::pow(airmass, 0.6) + 0.2 * std::max(0.0, wind_m_s - 6.0);
}

namespace {

/// The same as ground_warmth, along an arc by a short series: for thousands of days at once.
double rough_warmth(double latitude_deg, double longitude_deg, sky::UtcTime time) {
  constexpr sky::Duration kPace = sky::minutes(10.0);
  constexpr sky::Duration kMostBack = sky::hours(12.0);  // six times the memory
  double warmth = 0.0;
  double before = 0.0;
  const double kept = std::exp(-kPace / kWarming);
  for (sky::Duration back = kMostBack; back >= sky::seconds(0.0); back -= kPace) {
    const sky::RoughPlace place = sky::rough_place(time - back, latitude_deg, longitude_deg);
    const double now = std::max(0.0, std::sin(place.altitude_deg * base::kRadPerDeg));
    warmth = kept * warmth + (1.0 - kept) * 0.5 * (before + now);
    before = now;
  }
  return warmth;
}

}  // namespace

SeeingExperience::SeeingExperience(const std::vector<SeeingNote>& notes, const sky::Site& site,
                                   const Surroundings& surroundings)
    : latitude_deg_(site.latitude_deg),
      longitude_deg_(site.longitude_deg),
      surroundings_(surroundings) {
  for (const SeeingNote& note : notes) {
    add(note);
  }
}

void SeeingExperience::add(const SeeingNote& note) {
  const sky::RoughPlace place = sky::rough_place(note.time, latitude_deg_, longitude_deg_);
  if (place.altitude_deg < kLowestDeg || note.seeing_arcsec <= 0.0) {
    return;
  }
  const double prior = prior_seeing_arcsec(place.altitude_deg,
                                           rough_warmth(latitude_deg_, longitude_deg_, note.time),
                                           surroundings_, kUsualWind);
  constexpr double kBinHours = 0.05;
  const double hours = place.hour_angle_deg / base::kSunDegPerHour;
  const double log_ratio = std::log(note.seeing_arcsec / prior);
  Sum& sum = sums_[static_cast<int>(std::floor(hours / kBinHours))];
  sum.count += 1.0;
  sum.hours += hours;
  sum.log_ratio += log_ratio;
  sum.squares += log_ratio * log_ratio;
  ++notes_;
}

SeeingExperience::Correction SeeingExperience::at(double hours) const {
  double weight = 0.0;
  double sum = 0.0;
  double squares = 0.0;
  for (const auto& [bin, notes] : sums_) {
    const double apart = (notes.hours / notes.count - hours) / kLikeHours;
    const double like = std::exp(-0.5 * apart * apart);
    weight += like * notes.count;
    sum += like * notes.log_ratio;
    squares += like * notes.squares;
  }
  const double all = weight + kPriorWeight;
  const double mean = sum / all;
  const double scatter = squares - 2.0 * mean * sum + weight * mean * mean;
  const double variance = (kPriorWeight * kPriorSpread * kPriorSpread + scatter) / all;
  return {std::exp(mean), std::max(kLeastSpread, std::sqrt(std::max(0.0, variance))), weight / all};
}

SeeingGuess expected_seeing(const sky::SunDay& day, sky::UtcTime time,
                            const Surroundings& surroundings, const SeeingExperience& experience,
                            std::optional<double> wind_m_s) {
  const auto correction = experience.at(hours_from_noon(day, time));
  const double prior =
      prior_seeing_arcsec(sky::arc_at(day, time).altitude_deg, ground_warmth(day, time),
                          surroundings, wind_m_s.value_or(kUsualWind));
  SeeingGuess guess;
  guess.arcsec = prior * correction.factor;
  guess.low_arcsec = guess.arcsec * std::exp(-correction.spread);
  guess.high_arcsec = guess.arcsec * std::exp(correction.spread);
  guess.measured_share = correction.measured_share;
  guess.wind_forecast = wind_m_s.has_value();
  return guess;
}

}  // namespace solarchon::plan
