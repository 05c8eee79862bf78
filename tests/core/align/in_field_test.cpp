// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/in_field.h"

#include <cmath>

#include "solarchon/align/mount_axis.h"
#include "solarchon/align/track.h"
#include "solarchon/base/angle.h"
#include "solarchon/sky/sun.h"
#include "tests/support/support.h"

namespace solarchon::align {
namespace {

sky::Observer at(double latitude_deg, double longitude_deg) {
  return {{"", latitude_deg, longitude_deg, 0.0, "UTC"}, {0.0, 15.0}, 0.0};
}

sky::LocalSun sun_over(const sky::Observer& observer, sky::UtcTime time) {
  return sky::local_sun(sky::geocentric_sun(time, observer.dut1_s), observer.site,
                        observer.weather);
}

TEST(InField, TheSunStandsInTheMiddleForWhoLooksAtIt) {
  for (const double latitude_deg : {-89.9, -33.9, 0.0, 36.07, 78.2, 90.0}) {
    const auto observer = at(latitude_deg, 179.9);
    const auto sun = sun_over(observer, test::morning());
    const auto place =
        sun_from(sun.azimuth_deg, sun.altitude_airless_deg, observer, test::morning());
    EXPECT_NEAR(std::hypot(place.west_arcsec, place.north_arcsec), 0.0, 0.001);
  }
}

TEST(InField, ItsWayIsThatOfTheAstronomicalTriangle) {
  for (const double latitude_deg : {-33.9, 36.07, 60.0}) {
    const auto observer = at(latitude_deg, -5.58);
    const auto sun = sun_over(observer, test::morning());
    // Looking a little too low: the Sun stands up, and up lies at the parallactic angle.
    const auto up =
        sun_from(sun.azimuth_deg, sun.altitude_airless_deg - 0.1, observer, test::morning());
    EXPECT_NEAR(std::hypot(up.west_arcsec, up.north_arcsec), 360.0, 0.01);
    const double parallactic = sun.parallactic_angle_deg * base::kRadPerDeg;
    EXPECT_NEAR(up.north_arcsec, 360.0 * std::cos(parallactic), 1.0);
    EXPECT_NEAR(up.west_arcsec, -360.0 * std::sin(parallactic), 1.0);
  }
}

TEST(InField, AFarSunIsAsFarAsItIs) {
  const auto observer = at(36.07, -5.58);
  const auto sun = sun_over(observer, test::morning());
  const auto place =
      sun_from(sun.azimuth_deg + 180.0, -sun.altitude_airless_deg + 1.0, observer, test::morning());
  EXPECT_NEAR(std::hypot(place.west_arcsec, place.north_arcsec), 179.0 * 3600.0, 1.0);
}

/// Where a standing tube's Sun goes agrees with the field's way for a mount that does not turn.
TEST(InField, TheSunLeavesAStandingTubeWestwards) {
  const auto observer = at(36.07, -5.58);
  const auto sun = sun_over(observer, test::morning());
  const auto later = sun_from(sun.azimuth_deg, sun.altitude_airless_deg, observer,
                              test::morning() + sky::seconds(10.0));
  const double declination =
      sky::geocentric_sun(test::morning(), 0.0).declination_deg * base::kRadPerDeg;
  EXPECT_NEAR(later.west_arcsec, 150.0 * std::cos(declination), 0.2);
  EXPECT_NEAR(later.north_arcsec, 0.0, 0.2);
}

TEST(Directions, GoRoundAndAnglesAreExactWhenSmall) {
  const Vector direction = direction_to(213.4, -31.2);
  EXPECT_NEAR(azimuth_of(direction), 213.4, 1e-12);
  EXPECT_NEAR(altitude_of(direction), -31.2, 1e-12);
  EXPECT_NEAR(angle_between_deg(direction, direction_to(213.4, -31.2 + 1e-7)), 1e-7, 1e-12);
  EXPECT_NEAR(angle_between_deg(direction, direction_to(33.4, 31.2)), 180.0, 1e-9);
}

}  // namespace
}  // namespace solarchon::align
