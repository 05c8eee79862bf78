// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/bodies.h"

#include <libnova/apparent_position.h>
#include <libnova/nutation.h>
#include <libnova/proper_motion.h>
#include <libnova/utility.h>

#include <cmath>
#include <thread>
#include <vector>

#include "solarchon/base/angle.h"
#include "tests/reference/bodies.h"
#include "tests/support/support.h"

namespace solarchon::sky {
namespace {

using test::AngleNear;
using test::utc;

constexpr double kArcsec = 1.0 / 3600.0;
// By 2040 the library's own forecast of the Earth's rotation is more than 10 s from ours, in which
// the Moon moves by 6 arcsec, and planets by less than one. Its planets are rounded to about 2.
constexpr double kPlanetTolerance = 4.0 * kArcsec;
constexpr double kMoonTolerance = 15.0 * kArcsec;

double tolerance_of(Body body) { return body == Body::kMoon ? kMoonTolerance : kPlanetTolerance; }

TEST(BodyPlace, AgreesWithAnIndependentLibraryOver2024To2040) {
  for (const auto& row : reference::kBodyRows) {
    const Body body = *kBodyWords.from(row.body);
    const EquatorialPlace place = body_place(body, utc(row.time));
    const EquatorialPlace there{row.right_ascension_deg, row.declination_deg, 1.0};
    EXPECT_LT(separation_deg(place, there), tolerance_of(body)) << row.body << " " << row.time;
  }
}

/// The library leaves nutation to the caller: on to the ecliptic, along it, and back.
void nutate(ln_equ_posn& place, double date) {
  ln_nutation shift{};
  ln_get_nutation(date, &shift);
  const double mean = shift.ecliptic * base::kRadPerDeg;
  const double true_tilt = (shift.ecliptic + shift.obliquity) * base::kRadPerDeg;
  const double along = shift.longitude * base::kRadPerDeg;
  const double ra = place.ra * base::kRadPerDeg;
  const double dec = place.dec * base::kRadPerDeg;
  const double x = std::cos(dec) * std::cos(ra);
  const double y = std::cos(dec) * std::sin(ra) * std::cos(mean) + std::sin(dec) * std::sin(mean);
  const double z = std::sin(dec) * std::cos(mean) - std::cos(dec) * std::sin(ra) * std::sin(mean);
  const double moved_x = x * std::cos(along) - y * std::sin(along);
  const double moved_y = x * std::sin(along) + y * std::cos(along);
  const double back_y = moved_y * std::cos(true_tilt) - z * std::sin(true_tilt);
  const double back_z = moved_y * std::sin(true_tilt) + z * std::cos(true_tilt);
  place.ra = std::atan2(back_y, moved_x) * base::kDegPerRad;
  place.dec = std::asin(back_z) * base::kDegPerRad;
}

/// By libnova, which has precession, nutation and aberration of its own (IAU 1976 and 1980), from
/// the sexagesimal places of the year 2000.
TEST(StarPlace, AgreesWithAnotherLibraryForBothPoleStars) {
  struct Row {
    PoleStar star;
    ln_hms right_ascension;
    ln_dms declination;
    double motion_mas_year, north_mas_year;
  };
  for (const Row& row :
       {Row{PoleStar::kPolaris, {2, 31, 49.09}, {0, 89, 15, 50.8}, 44.5, -11.9},
        Row{PoleStar::kSigmaOctantis, {21, 8, 46.86}, {1, 88, 57, 23.4}, 26.3, 5.2}}) {
    ln_hms hours = row.right_ascension;
    ln_dms degrees = row.declination;
    ln_equ_posn mean{ln_hms_to_deg(&hours), ln_dms_to_deg(&degrees)};
    constexpr double kMasPerDeg = 3.6e6;
    ln_equ_posn motion{row.motion_mas_year / kMasPerDeg / std::cos(mean.dec * base::kRadPerDeg),
                       row.north_mas_year / kMasPerDeg};
    for (const char* time : {"2024-01-10T00:00:00Z", "2027-07-17T08:40:00Z", "2033-10-02T12:00:00Z",
                             "2039-04-20T20:00:00Z"}) {
      constexpr double kUnixEpoch = 2440587.5;
      const double date = kUnixEpoch + static_cast<double>(utc(time).unix_ms) / 86'400'000.0;
      ln_equ_posn apparent{};
      ln_get_apparent_posn(&mean, &motion, date, &apparent);
      const EquatorialPlace place = star_place(row.star, utc(time));
      nutate(apparent, date);
      EXPECT_LT(separation_deg(place, {apparent.ra, apparent.dec, 1.0}), 2.0 * kArcsec)
          << kPoleStarWords.of(row.star) << " " << time;
    }
  }
}

TEST(StarPlace, IsThatOfTheRaisedPole) {
  EXPECT_EQ(pole_star(36.07), PoleStar::kPolaris);
  EXPECT_EQ(pole_star(-41.3), PoleStar::kSigmaOctantis);
  EXPECT_GT(star_place(pole_star(36.07), utc("2027-07-17T08:40:00Z")).declination_deg, 89.3);
}

TEST(LocalPlace, AgreesWithAnIndependentLibraryAtPlacesOfBothHemispheres) {
  for (const auto& row : reference::kBodyRows) {
    const Body body = *kBodyWords.from(row.body);
    const UtcTime time = utc(row.time);
    const Observer observer{
        {"", row.latitude_deg, row.longitude_deg, 0.0, "UTC"}, {0.0, 15.0}, 0.0};
    const LocalPlace place =
        local_place(body_place(body, time), geocentric_sun(time, 0.0).sidereal_time_deg, observer);
    // The library takes the Earth for a sphere where it works out parallax: 0.2 degree of latitude.
    const double tolerance = body == Body::kMoon ? 30.0 * kArcsec : kPlanetTolerance;
    EXPECT_NEAR(place.altitude_airless_deg, row.altitude_airless_deg, tolerance)
        << row.body << " " << row.time;
    const double level = std::cos(row.altitude_airless_deg * base::kRadPerDeg);
    EXPECT_LT(level * base::angle_between_deg(place.azimuth_deg, row.azimuth_deg), tolerance)
        << row.body << " " << row.time;
  }
}

TEST(SunOfJ2000, AgreesWithAnIndependentLibrary) {
  for (const auto& row : reference::kBodyRows) {
    const EquatorialPlace sun = sun_of_j2000(utc(row.time));
    EXPECT_THAT(sun.right_ascension_deg,
                AngleNear(row.sun_right_ascension_j2000_deg, 1.0 * kArcsec));
    EXPECT_NEAR(sun.declination_deg, row.sun_declination_j2000_deg, 1.0 * kArcsec);
  }
}

TEST(LocalPlace, IsThatOfTheSunForTheSun) {
  const UtcTime time = utc("2027-07-17T08:40:00Z");
  const Observer observer{{"", -41.3, 174.8, 20.0, "UTC"}, {1005.0, 8.0}, 0.1};
  const GeocentricSun sun = geocentric_sun(time, observer.dut1_s);
  const LocalSun known = local_sun(sun, observer.site, observer.weather);
  const LocalPlace place = local_place(place_of(sun), sun.sidereal_time_deg, observer);
  EXPECT_DOUBLE_EQ(place.hour_angle_deg, known.hour_angle_deg);
  EXPECT_DOUBLE_EQ(place.azimuth_deg, known.azimuth_deg);
  EXPECT_DOUBLE_EQ(place.altitude_deg, known.altitude_deg);
}

TEST(BodyPlace, MoonHidesTheSunInTheEclipseOfTheDemo) {
  // Greatest eclipse of 2027-08-02: 10:06:36 UTC; seen from the centre, 0.14 radii of the Earth
  // pass between the axis of the shadow and it.
  const UtcTime time = utc("2027-08-02T10:06:36Z");
  EXPECT_LT(separation_deg(body_place(Body::kMoon, time), place_of(geocentric_sun(time, 0.0))),
            0.2);
}

TEST(BodyPlace, IsTheSameFromManyThreads) {
  const UtcTime time = utc("2027-07-17T08:40:00Z");
  std::vector<EquatorialPlace> alone;
  constexpr int kMoments = 40;
  for (int i = 0; i < kMoments; ++i) {
    alone.push_back(body_place(Body::kMoon, time + hours(i)));
  }
  std::vector<std::vector<EquatorialPlace>> together(2);
  std::vector<std::thread> threads;
  for (auto& places : together) {
    threads.emplace_back([&] {
      for (int i = 0; i < kMoments; ++i) {
        places.push_back(body_place(Body::kMoon, time + hours(i)));
      }
    });
  }
  for (std::thread& thread : threads) {
    thread.join();
  }
  EXPECT_EQ(together[0], alone);
  EXPECT_EQ(together[1], alone);
}

}  // namespace
}  // namespace solarchon::sky
