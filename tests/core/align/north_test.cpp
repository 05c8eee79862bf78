// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/north.h"

#include <cmath>

#include "solarchon/align/drift.h"
#include "solarchon/base/angle.h"
#include "solarchon/sky/day.h"
#include "solarchon/sky/magnetic.h"
#include "tests/reference/sun.h"
#include "tests/support/support.h"

namespace solarchon::align {
namespace {

using base::angle_between_deg;
using test::utc;

sky::Observer at(double latitude_deg, double longitude_deg) {
  return {{"", latitude_deg, longitude_deg, 0.0, "UTC"}, {1010.0, 15.0}, 0.0};
}

North north_at(const sky::Observer& observer, sky::UtcTime time, const NorthTools& tools = {}) {
  const auto transit =
      sky::sun_day(sky::local_mean_date(time, observer.site.longitude_deg), observer).transit;
  return find_north(observer, time, transit, tools).value();
}

bool offers(const North& north, NorthWay way) {
  return std::any_of(north.ways.begin(), north.ways.end(),
                     [&](const NorthChance& chance) { return chance.way == way; });
}

TEST(PlumbShadow, LiesOppositeToAnIndependentLibrarysSun) {
  int seen = 0;
  for (const auto& row : reference::kSunRows) {
    const sky::UtcTime time = utc(row.time);
    const sky::Observer observer{
        {"", row.latitude_deg, row.longitude_deg, row.elevation_m, "UTC"}, {0.0, 15.0}, 0.0};
    const auto shadow = plumb_shadow(sky::geocentric_sun(time, 0.0), observer, time, 1000.0);
    ASSERT_EQ(shadow.has_value(), row.altitude_airless_deg >= kLeastShadowDeg) << row.time;
    if (shadow) {
      ++seen;
      EXPECT_NEAR(angle_between_deg(shadow->direction_deg, row.azimuth_deg), 180.0, 0.001);
      const double altitude = row.altitude_airless_deg * base::kRadPerDeg;
      EXPECT_NEAR(shadow->length_mm, 1000.0 / std::tan(altitude), 1e-4 * shadow->length_mm);
    }
  }
  EXPECT_GT(seen, 30);
}

TEST(PlumbShadow, AgreesWithTheSkyRoomAt200RandomPlaces) {
  base::Random random({11});
  int seen = 0;
  for (int i = 0; i < 200; ++i) {
    const sky::Observer observer = at(random.uniform(-90.0, 90.0), random.uniform(-180.0, 180.0));
    const sky::UtcTime time =
        utc("2026-01-01T00:00:00Z") + sky::days(random.uniform(0.0, 4.0 * 365.0));
    const sky::GeocentricSun sun = sky::geocentric_sun(time, 0.0);
    const sky::LocalSun local = sky::local_sun(sun, observer.site, observer.weather);
    const auto shadow = plumb_shadow(sun, observer, time, 850.0);
    ASSERT_EQ(shadow.has_value(), local.altitude_deg >= kLeastShadowDeg);
    const North north = north_at(observer, time, {850.0, 800.0, 3.5, plan::MountKind::kUnknown});
    const double axis_deg = observer.site.latitude_deg < 0.0 ? 180.0 : 0.0;
    EXPECT_EQ(north.axis_azimuth_deg, axis_deg);
    EXPECT_EQ(north.axis_altitude_deg, std::abs(observer.site.latitude_deg));
    EXPECT_NEAR(*north.compass_bearing_deg, axis_deg == 0.0 ? 356.5 : 176.5, 1e-9);
    if (shadow) {
      ++seen;
      // Turned from the shadow by what is said, one stands along the axis.
      EXPECT_LT(angle_between_deg(shadow->direction_deg + shadow->to_axis_deg, axis_deg), 1e-9);
      EXPECT_LT(std::abs(angle_between_deg(shadow->direction_deg, local.azimuth_deg) - 180.0),
                1e-9);
      EXPECT_NEAR(std::atan2(850.0, shadow->length_mm) * base::kDegPerRad, local.altitude_deg,
                  1e-9);
    }
  }
  EXPECT_GT(seen, 60);
}

TEST(PlumbShadow, TurnsAsFastAsItSays) {
  const sky::Observer observer = at(36.07, -5.58);
  const auto shadows =
      plumb_shadows(observer, utc("2027-07-17T08:00:00Z"), sky::minutes(1.0), 61, kUsualPlumbMm);
  ASSERT_EQ(shadows.size(), 61U);
  for (std::size_t i = 1; i + 1 < shadows.size(); ++i) {
    const double turned =
        base::wrap_180(shadows[i + 1].direction_deg - shadows[i - 1].direction_deg) / 2.0;
    EXPECT_NEAR(shadows[i].turning_deg_min, turned, 1e-4);
  }
}

TEST(PlumbShadow, ListEndsWithTheDayAndNeverLeavesIt) {
  const sky::Observer observer = at(36.07, -5.58);
  // Sunset is near 19:40 UTC; the list of a whole day skips the night, and stops after 15 hours.
  const auto shadows =
      plumb_shadows(observer, utc("2027-07-17T18:00:00Z"), sky::minutes(10.0), 1440, kUsualPlumbMm);
  ASSERT_FALSE(shadows.empty());
  EXPECT_LE(shadows.back().time, utc("2027-07-18T09:00:00Z"));
  EXPECT_GT(shadows.back().time, utc("2027-07-18T08:45:00Z"));
  for (const PlumbShadow& shadow : shadows) {
    EXPECT_TRUE(shadow.time < utc("2027-07-17T19:30:00Z") ||
                shadow.time > utc("2027-07-18T05:20:00Z"));
    EXPECT_LT(shadow.length_mm, kUsualPlumbMm / std::tan(kLeastShadowDeg * base::kRadPerDeg) + 1.0);
  }
}

TEST(PlumbShadow, UnderTheZenithIsShortAndSaysThatItIsOfNoUse) {
  // Where the Sun passes the zenith within half a degree.
  const sky::GeocentricSun sun = sky::geocentric_sun(utc("2027-05-20T12:00:00Z"), 0.0);
  const sky::Observer observer = at(sun.declination_deg, 0.0);
  const North north = north_at(observer, utc("2027-05-20T11:00:00Z"));
  ASSERT_TRUE(north.in_meridian);
  EXPECT_LT(north.in_meridian->length_mm, 10.0);
  EXPECT_GE(north.in_meridian->accuracy_deg, 5.0);
  EXPECT_EQ(north.ways.back().way, NorthWay::kHighest);
}

TEST(North, InTheMeridianTheShadowLiesAlongTheAxisOrAgainstIt) {
  const North north = north_at(at(36.07, -5.58), utc("2027-07-17T08:40:00Z"));
  ASSERT_TRUE(north.in_meridian);
  EXPECT_LT(std::abs(north.in_meridian->to_axis_deg), 0.01);
  const North south = north_at(at(-41.3, 174.8), utc("2027-07-17T22:00:00Z"));
  ASSERT_TRUE(south.in_meridian);
  EXPECT_LT(std::abs(south.in_meridian->to_axis_deg), 0.01);
  // South of the Sun's own latitude in the tropics the Sun stands north of a northern mount.
  const North tropical = north_at(at(10.0, -5.58), utc("2027-07-17T11:00:00Z"));
  ASSERT_TRUE(tropical.in_meridian);
  EXPECT_GT(std::abs(tropical.in_meridian->to_axis_deg), 179.0);
}

TEST(North, OffersOnlyWhatCanBeGoneToday) {
  const North night = north_at(at(80.0, 20.0), utc("2027-12-21T11:00:00Z"));
  EXPECT_FALSE(night.shadow);
  EXPECT_FALSE(night.in_meridian);
  EXPECT_FALSE(offers(night, NorthWay::kShadow));
  EXPECT_FALSE(offers(night, NorthWay::kHighest));
  EXPECT_FALSE(night.compass_bearing_deg);
  EXPECT_FALSE(offers(night, NorthWay::kCompass));
  EXPECT_TRUE(offers(night, NorthWay::kMarks));
}

TEST(North, WaysStandBestFirst) {
  NorthTools tools;
  tools.magnetic_declination_deg = -0.4;
  const North north = north_at(at(36.07, -5.58), utc("2027-07-17T08:40:00Z"), tools);
  ASSERT_EQ(north.ways.size(), 4U);
  for (std::size_t i = 1; i < north.ways.size(); ++i) {
    EXPECT_LE(north.ways[i - 1].pole_deg, north.ways[i].pole_deg);
  }
  EXPECT_EQ(north.ways.back().way, NorthWay::kCompass);
  for (const NorthChance& chance : north.ways) {
    // The azimuth counts less the nearer the axis stands to the zenith.
    EXPECT_LT(chance.pole_deg, std::hypot(chance.azimuth_deg, kInclinometerDeg) + 1e-12);
  }
}

TEST(North, ReadsTheCompassAgainstPublishedDeclination) {
  const auto field = sky::MagneticField::open();
  ASSERT_TRUE(field);
  NorthTools tools;
  const sky::Observer observer = at(36.07, -5.58);
  const sky::UtcTime time = utc("2027-07-17T08:40:00Z");
  tools.magnetic_declination_deg = field->declination_deg(observer.site, time);
  const North north = north_at(observer, time, tools);
  ASSERT_TRUE(north.compass_bearing_deg);
  // What the needle shows along true north, and the declination, make a full turn.
  EXPECT_NEAR(base::wrap_180(*north.compass_bearing_deg + *tools.magnetic_declination_deg), 0.0,
              1e-9);
}

TEST(North, KnobRulesSayWhatDriftsDo) {
  // The sentences: near the meridian north of the equator a drift to the south means too far east;
  // in the east a drift to the north means too high; in the west the other way; south of the
  // equator both turn round.
  const auto drift = [](const PoleError& error, double latitude_deg, double hour_angle_deg) {
    DriftRun run;
    run.start = utc("2027-06-21T12:00:00Z");  // the Sun stands still in declination
    run.hour_angle_deg = hour_angle_deg;
    run.declination_deg = 23.44;
    return drift_of(error, latitude_deg, run, Rate::kSolar).declination_arcsec;
  };
  const PoleError east{0.0, 0.5};
  const PoleError high{0.5, 0.0};
  EXPECT_LT(drift(east, 40.0, 0.0), -10.0);
  EXPECT_GT(drift(high, 40.0, -80.0), 10.0);
  EXPECT_LT(drift(high, 40.0, 80.0), -10.0);
  EXPECT_GT(drift(east, -40.0, 0.0), 10.0);
  EXPECT_LT(drift(high, -40.0, -80.0), -10.0);
  EXPECT_GT(drift(high, -40.0, 80.0), 10.0);
  const auto first = [](double latitude_deg, plan::MountKind mount) {
    NorthTools tools;
    tools.mount = mount;
    return std::string(
        north_at(at(latitude_deg, 0.0), utc("2027-07-17T12:00:00Z"), tools).knobs.front().id);
  };
  EXPECT_EQ(first(40.0, plan::MountKind::kEquatorialFree), "stand-south-of-it");
  EXPECT_EQ(first(-40.0, plan::MountKind::kUnknown), "stand-north-of-it");
  EXPECT_EQ(first(-40.0, plan::MountKind::kAltAzimuth), "level-and-zero");
}

TEST(North, RefusesToolsThatAreNone) {
  NorthTools tools;
  tools.plumb_mm = 0.0;
  const auto time = utc("2027-07-17T12:00:00Z");
  ASSERT_FALSE(find_north(at(40.0, 0.0), time, time, tools));
  EXPECT_EQ(find_north(at(40.0, 0.0), time, time, tools).error().field, "plumb");
  tools = {};
  tools.feet_apart_mm = std::nan("");
  EXPECT_EQ(find_north(at(40.0, 0.0), time, time, tools).error().field, "feet");
}

}  // namespace
}  // namespace solarchon::align
