// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/bodies.h"

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
