// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <map>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/result.h"
#include "solarchon/sky/day.h"
#include "solarchon/sky/site.h"

namespace solarchon::plan {

/// What the Sun warms, and the air over it with it.
enum class Ground { kWater, kGrass, kSoil, kConcrete, kRoof };
inline constexpr base::EnumWords<Ground, 5> kGroundWords{
    {"water", "grass", "soil", "concrete", "roof"}};

/// The ground under the telescope, and before it where the light comes in.
struct Surroundings {
  Ground under = Ground::kGrass;
  Ground before = Ground::kGrass;
  bool operator==(const Surroundings&) const = default;
};

/// {under, before}
[[nodiscard]] base::Json to_json(const Surroundings& surroundings);
/// Errors: as base::ObjectReader, below `path`.
[[nodiscard]] base::Result<Surroundings> surroundings_from_json(const base::Json& json,
                                                                const std::string& path);

/// How warm the ground has become: 0 before sunrise, near 1 after hours of Sun overhead. The mean
/// of the sine of the Sun's height, what was long ago counting less (two hours).
[[nodiscard]] double ground_warmth(const sky::SunDay& day, sky::UtcTime time);

/// What day-time seeing is taken to be where nothing is known of the site: 0.8 arcsec from high air
/// and 0.6 (water) to 3.8 (roof) arcsec from fully warmed ground, joined as turbulence adds up (by
/// the power 5/3), times airmass^0.6. Still air lets plumes stand (+20 per cent), some wind carries
/// them off (down to -30), wind above 6 m/s shakes the telescope (0.2 arcsec for each m/s more).
/// @param altitude_deg  of the Sun; below 1 degree taken as 1
/// @return full width at half maximum (arcsec). Accuracy: a factor of 1.5 either way, for most
/// days. Source of the powers: Fried 1966, Roddier 1981; of the ground's figures: our own choice.
[[nodiscard]] double prior_seeing_arcsec(double altitude_deg, double warmth,
                                         const Surroundings& surroundings, double wind_m_s);

/// Seeing that was logged at a site.
struct SeeingNote {
  sky::UtcTime time;
  double seeing_arcsec = sky::kUsualSeeingArcsec;
};

/// What a site's log says of the prior: by the Sun's hour angle, how far off it was.
class SeeingExperience {
 public:
  SeeingExperience() = default;
  /// @param notes  of this site alone
  SeeingExperience(const std::vector<SeeingNote>& notes, const sky::Site& site,
                   const Surroundings& surroundings);
  /// One more note; takes some microseconds. Accuracy: the Sun's place is the short series of
  /// sky::rough_place, good to 0.02 degree, which the prior does not feel.
  void add(const SeeingNote& note);

  struct Correction {
    double factor = 1.0;
    double spread = 0.4;          ///< standard deviation of the logarithm
    double measured_share = 0.0;  ///< 0: all prior; near 1: all log
  };
  /// Notes within about an hour and a half of the same time of day count. The prior weighs as much
  /// as three of them.
  [[nodiscard]] Correction at(double hours_from_noon) const;
  [[nodiscard]] std::size_t notes() const { return notes_; }

 private:
  /// Notes of nearly the same time of day, added up.
  struct Sum {
    double count = 0.0;
    double hours = 0.0;
    double log_ratio = 0.0;
    double squares = 0.0;
  };
  double latitude_deg_ = 0.0;
  double longitude_deg_ = 0.0;
  Surroundings surroundings_;
  std::size_t notes_ = 0;
  std::map<int, Sum> sums_;
};

/// Seeing to be expected, as far as it can be.
struct SeeingGuess {
  double arcsec = 2.0;
  double low_arcsec = 1.3;  ///< two days in three lie between
  double high_arcsec = 3.0;
  double measured_share = 0.0;
  bool wind_forecast = false;
};

/// Wind that is assumed where none is foretold (m/s).
inline constexpr double kUsualWind = 3.0;

/// @param wind_m_s  of a forecast; none: kUsualWind
[[nodiscard]] SeeingGuess expected_seeing(const sky::SunDay& day, sky::UtcTime time,
                                          const Surroundings& surroundings,
                                          const SeeingExperience& experience,
                                          std::optional<double> wind_m_s);

}  // namespace solarchon::plan
