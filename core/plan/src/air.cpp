// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/air.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/base/angle.h"

namespace solarchon::plan {

namespace {

constexpr double kHighAirArcsec = 0.8;
/// Of fully warmed ground, in the order of Ground (arcsec).
constexpr std::array<double, 5> kGroundArcsec{0.6, 1.6, 2.2, 3.2, 3.8};
constexpr double kWarmingS = 7200.0;
constexpr double kLowestDeg = 1.0;
constexpr double kPriorSpread = 0.4;
constexpr double kPriorWeight = 3.0;
constexpr double kLikeHours = 1.5;  ///< notes that far apart in the day still say something
constexpr double kLeastSpread = 0.15;

double ground_arcsec(Ground ground) { return kGroundArcsec.at(static_cast<std::size_t>(ground)); }

double hours_from_noon(const sky::SunDay& day, sky::UtcTime time) {
  const sky::UtcTime noon =
      day.transit.value_or(day.start + sky::seconds_between(day.start, day.end) / 2.0);
  return sky::seconds_between(noon, time) / 3600.0;
}

}  // namespace

const std::vector<std::string>& ground_words() {
  static const std::vector<std::string> kWords{"water", "grass", "soil", "concrete", "roof"};
  return kWords;
}

base::Json to_json(const Surroundings& surroundings) {
  const auto word = [](Ground ground) {
    return ground_words().at(static_cast<std::size_t>(ground));
  };
  return {{"under", word(surroundings.under)}, {"before", word(surroundings.before)}};
}

base::Result<Surroundings> surroundings_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  constexpr auto kUsual = static_cast<std::size_t>(Ground::kGrass);
  const auto under = reader.choice_or("under", ground_words(), kUsual);
  const auto before = reader.choice_or("before", ground_words(), kUsual);
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return Surroundings{static_cast<Ground>(under), static_cast<Ground>(before)};
}

double ground_warmth(const sky::SunDay& day, sky::UtcTime time) {
  // Each stretch of the arc adds its mean sine, and what was there cools.
  double warmth = 0.0;
  const auto sine = [](const sky::ArcPoint& point) {
    return std::max(0.0, std::sin(point.altitude_deg * base::kRadPerDeg));
  };
  for (std::size_t i = 0; i + 1 < day.arc.size() && day.arc[i].time < time; ++i) {
    const sky::ArcPoint next =
        day.arc[i + 1].time <= time ? day.arc[i + 1] : sky::arc_at(day, time);
    const double kept = std::exp(-sky::seconds_between(day.arc[i].time, next.time) / kWarmingS);
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

SeeingExperience::SeeingExperience(const std::vector<SeeingNote>& notes, const sky::Site& site,
                                   const Surroundings& surroundings) {
  std::optional<sky::SunDay> day;
  for (const SeeingNote& note : notes) {
    const sky::CivilDate date = sky::local_mean_date(note.time, site.longitude_deg);
    if (!day || day->date != date) {
      day = sky::sun_day(date, site, {});
    }
    const double altitude = sky::arc_at(*day, note.time).altitude_deg;
    if (altitude < kLowestDeg || note.seeing_arcsec <= 0.0) {
      continue;
    }
    const double prior =
        prior_seeing_arcsec(altitude, ground_warmth(*day, note.time), surroundings, kUsualWind);
    samples_.push_back({hours_from_noon(*day, note.time), std::log(note.seeing_arcsec / prior)});
  }
}

SeeingExperience::Correction SeeingExperience::at(double hours) const {
  double weight = 0.0;
  double sum = 0.0;
  double squares = 0.0;
  for (const Sample& sample : samples_) {
    const double apart = (sample.hours_from_noon - hours) / kLikeHours;
    const double like = std::exp(-0.5 * apart * apart);
    weight += like;
    sum += like * sample.log_ratio;
    squares += like * sample.log_ratio * sample.log_ratio;
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
