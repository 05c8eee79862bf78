// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/sun.h"
#include "solarchon/sky/time.h"

namespace solarchon::sky {

enum class PolarState { kNone, kMidnightSun, kPolarNight };
inline constexpr base::EnumWords<PolarState, 3> kPolarWords{
    {"none", "midnight-sun", "polar-night"}};

/// One instant of a day's arc.
struct ArcPoint {
  UtcTime time;
  double azimuth_deg = 0.0;
  double altitude_deg = 0.0;  ///< refracted
};

/// The Sun's day at a site: local mean noon of a date, 12 hours each way.
struct SunDay {
  CivilDate date;
  UtcTime start;
  UtcTime end;
  std::optional<UtcTime> sunrise;  ///< none when it does not happen within the day
  std::optional<UtcTime> transit;  ///< hour angle 0
  std::optional<UtcTime> sunset;
  std::optional<UtcTime> civil_dawn;  ///< centre 6 degrees under the horizon, airless
  std::optional<UtcTime> civil_dusk;
  UtcTime culmination;  ///< greatest height; not quite transit, since the Sun moves
  double culmination_altitude_deg = 0.0;  ///< airless
  double transit_altitude_deg = 0.0;      ///< airless, at transit (at local mean noon if none)
  PolarState polar = PolarState::kNone;
  std::vector<ArcPoint> arc;  ///< every ten minutes from start to end, both included
};

/// The date whose day (local mean noon +-12 h) holds an instant at a longitude.
[[nodiscard]] CivilDate local_mean_date(UtcTime time, double longitude_deg);

/// Rise, transit, set and the arc between. Rise and set are those of the upper limb over a
/// sea-level horizon with 34 arcmin of refraction and the actual semidiameter.
/// Accuracy: 1 s for the stated convention; the real horizon's refraction varies by far more.
[[nodiscard]] SunDay sun_day(const CivilDate& date, const Observer& observer);

/// The Sun between the arc's ten-minute points, by the parabola through three of them.
/// @param time  clamped to the day
/// Accuracy: 0.01 degree of height; azimuth the same but for a Sun near the zenith.
[[nodiscard]] ArcPoint arc_at(const SunDay& day, UtcTime time);

/// First and last instant of the day with the Sun at least that high (refracted); none if never.
struct Window {
  UtcTime start;
  UtcTime end;
  [[nodiscard]] Duration length() const { return end - start; }
  [[nodiscard]] UtcTime middle() const { return start + 0.5 * length(); }
};
/// @param altitude_deg  0 to 90 (degree)
/// Accuracy: 5 s (the arc is interpolated between its ten-minute points).
[[nodiscard]] std::optional<Window> window_above(const SunDay& day, double altitude_deg);

/// The day over the site's own skyline.
struct SkylineDay {
  std::optional<UtcTime> first_light;  ///< the upper limb is seen first; none if never
  std::optional<UtcTime> last_light;
  std::vector<Window> clear;  ///< the whole disc stands free, and high enough
  double hours = 0.0;         ///< of all clear windows together
};

/// @param least_altitude_deg  of the disc's centre, refracted, for a window to count
/// Trees are taken as the date has them. Accuracy: 20 s for a skyline of straight lines; corners
/// narrower than half a minute of the Sun's way may be missed.
[[nodiscard]] SkylineDay over_skyline(const SunDay& day, const Site& site,
                                      double least_altitude_deg);

}  // namespace solarchon::sky
