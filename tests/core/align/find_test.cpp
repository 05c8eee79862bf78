// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/find.h"

#include <algorithm>
#include <cmath>

#include "solarchon/align/north.h"
#include "solarchon/base/angle.h"
#include "solarchon/sky/sun.h"
#include "tests/reference/bodies.h"
#include "tests/reference/neighbours.h"
#include "tests/support/support.h"

namespace solarchon::align {
namespace {

using test::utc;

constexpr double kSemidiameterArcsec = 944.0;

sky::Observer at(double latitude_deg, double longitude_deg) {
  return {{"", latitude_deg, longitude_deg, 0.0, "UTC"}, {1010.0, 15.0}, 0.0};
}

optics::Element eyepiece(const std::string& name, double focal_length_mm) {
  optics::Element element;
  element.id = name;
  element.name = name;
  element.part = optics::Eyepiece{focal_length_mm, 50.0, 0.0, optics::EyepieceBuild::kCemented};
  return element;
}

TEST(ShadowAccuracy, IsTwoMillimetresOverTheTube) {
  // 2 mm at 400 mm is an angle of 0.005 rad.
  EXPECT_NEAR(shadow_accuracy_arcmin(400.0), 17.19, 0.01);
  EXPECT_NEAR(shadow_accuracy_arcmin(50.0), 137.5, 0.1);
}

TEST(UsualTube, FollowsTheTelescope) {
  optics::Rig rig = test::starter_rig();
  EXPECT_NEAR(*usual_tube_mm(rig), 480.0, 1e-9);
  for (optics::Element& element : rig.elements) {
    if (auto* telescope = std::get_if<optics::Telescope>(&element.part)) {
      telescope->design = optics::TelescopeDesign::kMaksutov;
      telescope->focal_length_mm = 1500.0;
    }
  }
  EXPECT_NEAR(*usual_tube_mm(rig), 375.0, 1e-9);
  EXPECT_FALSE(usual_tube_mm({}));
}

TEST(Starts, ALightPathWithFieldEnoughComesFirst) {
  // 2048 x 1536 of 3.45 um at 480 mm: 37.9 arcmin high; the shadow of 480 mm brings it to 14.3.
  const auto starts =
      starts_of(test::starter_rig(), {}, shadow_accuracy_arcmin(480.0), kSemidiameterArcsec, {});
  ASSERT_FALSE(starts.empty());
  EXPECT_EQ(starts[0].kind, StartKind::kAsItIs);
  EXPECT_TRUE(starts[0].enough);
  EXPECT_NEAR(starts[0].field_arcmin, 37.95, 0.1);
}

TEST(Starts, ANarrowFieldAsksForLessPowerAndTakesTheStrongestThatIsEnough) {
  optics::Rig rig = test::with_part(test::starter_rig(), optics::Amplifier{2.5}, 0.0);
  const double accuracy_arcmin = shadow_accuracy_arcmin(480.0);
  const auto starts = starts_of(rig, {eyepiece("Wide", 32.0), eyepiece("Strong", 5.0)},
                                accuracy_arcmin, kSemidiameterArcsec, {});
  ASSERT_GE(starts.size(), 4U);
  // Without the amplifier it is the starter's path again.
  EXPECT_EQ(starts[0].kind, StartKind::kWithoutAmplifier);
  EXPECT_FALSE(starts[0].part.empty());
  for (const Start& start : starts) {
    EXPECT_EQ(start.enough, start.field_arcmin >= 2.0 * accuracy_arcmin);
    if (start.kind == StartKind::kAsItIs) {
      EXPECT_FALSE(start.enough);
    }
  }
  // Where the shadow is too rough for the camera at all, of both eyepieces the stronger that is
  // enough.
  const auto of_eyepieces =
      starts_of(test::starter_rig(), {eyepiece("Wide", 32.0), eyepiece("Strong", 5.0)}, 60.0,
                kSemidiameterArcsec, {});
  ASSERT_FALSE(of_eyepieces.empty());
  EXPECT_EQ(of_eyepieces[0].kind, StartKind::kEyepiece);
  EXPECT_EQ(of_eyepieces[0].part, "Wide");
  // 480 / 32 = 15 times; 50 degrees over that.
  EXPECT_NEAR(of_eyepieces[0].field_arcmin, 200.0, 0.1);
}

TEST(Starts, NeverPutAnEyeWhereARuleSaysStop) {
  // Film for cameras only: no eyepiece is offered behind it.
  optics::Rig rig = test::starter_rig();
  for (optics::Element& element : rig.elements) {
    if (auto* film = std::get_if<optics::FrontFilm>(&element.part)) {
      film->optical_density = 3.8;
    }
  }
  for (const Start& start :
       starts_of(rig, {eyepiece("Wide", 32.0)}, 60.0, kSemidiameterArcsec, {})) {
    EXPECT_NE(start.kind, StartKind::kEyepiece);
  }
  // And none at all for a path that is refused itself.
  std::erase_if(rig.elements, [](const optics::Element& element) {
    return std::holds_alternative<optics::FrontFilm>(element.part);
  });
  EXPECT_TRUE(starts_of(rig, {eyepiece("Wide", 32.0)}, 60.0, kSemidiameterArcsec, {}).empty());
}

TEST(Starts, OfRandomPathsAreInOrderAndFinite) {
  base::Random random({5});
  for (int i = 0; i < 500; ++i) {
    const auto starts = starts_of(test::random_rig(random), {eyepiece("Wide", 32.0)}, 15.0,
                                  kSemidiameterArcsec, {});
    for (std::size_t k = 0; k < starts.size(); ++k) {
      EXPECT_TRUE(std::isfinite(starts[k].field_arcmin));
      EXPECT_TRUE(k < 2 || starts[k - 1].field_arcmin >= starts[k].field_arcmin);
    }
    EXPECT_TRUE(starts.empty() || starts[0].enough ||
                std::none_of(starts.begin(), starts.end(),
                             [](const Start& start) { return start.enough; }));
  }
}

TEST(SunToSet, AgreesWithAnIndependentLibraryAndTheSkyRoom) {
  for (const auto& row : reference::kBodyRows) {
    const sky::UtcTime time = utc(row.time);
    const sky::Observer observer = at(row.latitude_deg, row.longitude_deg);
    const SunToSet set = sun_to_set(observer, time);
    const sky::GeocentricSun sun = sky::geocentric_sun(time, 0.0);
    const sky::LocalSun local = sky::local_sun(sun, observer.site, observer.weather);
    EXPECT_EQ(set.declination_deg, sun.declination_deg);
    EXPECT_EQ(set.hour_angle_deg, local.hour_angle_deg);
    EXPECT_EQ(set.altitude_deg, local.altitude_deg);
    EXPECT_EQ(set.azimuth_deg, local.azimuth_deg);
    EXPECT_NEAR(set.declination_j2000_deg, row.sun_declination_j2000_deg, 0.0003);
  }
}

TEST(Seeker, IsWrongByItsFormulas) {
  // 3 November: the equation of time is 16.4 minutes, 4.1 degrees of hour angle, which it leaves
  // out.
  const sky::Observer observer = at(36.07, 0.0);
  const sky::UtcTime morning = utc("2027-11-03T09:00:00Z");
  const Seeker seeker = seeker_of(observer, morning);
  // Day 307: 23.44 sin(360/365 x 226) = -15.957 degrees by hand; hour angle -45.
  const double declination = -15.957 * base::kRadPerDeg;
  const double latitude = 36.07 * base::kRadPerDeg;
  const double by_hand =
      std::asin(std::sin(declination) * std::sin(latitude) +
                std::cos(declination) * std::cos(latitude) * std::cos(base::kPi / 4.0)) *
      base::kDegPerRad;
  EXPECT_NEAR(seeker.altitude_deg, by_hand, 0.01);
  // It believes the Sun further east than it is, so lower.
  EXPECT_LT(seeker.from_equation_of_time_deg, -2.0);
  EXPECT_LT(seeker.azimuth_error_deg, -2.5);
  EXPECT_LT(std::abs(seeker.from_declination_deg), 1.5);
}

TEST(Seeker, SharesMakeUpTheWholeError) {
  base::Random random({3});
  for (int i = 0; i < 200; ++i) {
    const sky::Observer observer = at(random.uniform(-90.0, 90.0), random.uniform(-180.0, 180.0));
    const Seeker seeker =
        seeker_of(observer, utc("2026-01-01T00:00:00Z") + sky::days(random.uniform(0.0, 1460.0)));
    EXPECT_NEAR(
        seeker.altitude_error_deg,
        seeker.from_declination_deg + seeker.from_equation_of_time_deg + seeker.from_refraction_deg,
        0.003);
    EXPECT_LE(seeker.from_refraction_deg, 0.0);
  }
}

TEST(RoughMiss, GrowsWithTheNorthThatItWasSetTo) {
  const sky::Observer observer = at(36.07, -5.58);
  const sky::UtcTime time = utc("2027-07-17T12:26:00Z");  // the Sun in the meridian
  // An axis turned by 1.5 degrees moves the Sun there by cos(latitude) in declination's great
  // circle and by the rest along it: the angle is that of a turn about the zenith, at the zenith
  // distance.
  const double zenith_distance = (36.07 - 21.2) * base::kRadPerDeg;
  const double by_hand = std::hypot(1.5 * std::sin(zenith_distance), kInclinometerDeg);
  EXPECT_NEAR(rough_miss_deg(observer, time, plan::MountKind::kEquatorialFree, 1.5), by_hand, 0.02);
  EXPECT_NEAR(rough_miss_deg(observer, time, plan::MountKind::kAltAzimuth, 1.5),
              std::hypot(1.5 * std::sin(zenith_distance), kInclinometerDeg, kInclinometerDeg),
              0.02);
  EXPECT_LT(rough_miss_deg(observer, time, plan::MountKind::kEquatorialFree, 0.2),
            rough_miss_deg(observer, time, plan::MountKind::kEquatorialFree, 3.0));
}

TEST(Sweep, CoversTwiceTheMissWithoutGaps) {
  for (const double focal_length_mm : {300.0, 900.0, 2500.0}) {
    const Sweep sweep = sweep_of(focal_length_mm, 31.7, 21.2, 2.0);
    std::vector<double> declinations = sweep.declinations_deg;
    EXPECT_EQ(declinations.front(), 21.2);
    std::sort(declinations.begin(), declinations.end());
    EXPECT_LE(declinations.front() - sweep.field_deg / 2.0, 21.2 - 4.0);
    EXPECT_GE(declinations.back() + sweep.field_deg / 2.0, 21.2 + 4.0);
    for (std::size_t i = 1; i < declinations.size(); ++i) {
      EXPECT_LE(declinations[i] - declinations[i - 1], sweep.field_deg + 1e-9);
    }
    EXPECT_NEAR(sweep.half_width_deg * std::cos(21.2 * base::kRadPerDeg), 4.0, 1e-9);
  }
  // 31.7 mm at 900 mm is two degrees.
  EXPECT_NEAR(sweep_of(900.0, 31.7, 0.0, 0.5).field_deg, 2.018, 0.001);
}

TEST(Sweep, IsAsWideAsTheDrawtubeInUse) {
  optics::Rig rig = test::starter_rig();
  const auto telescope = *optics::find_fitted<optics::Telescope>(rig);
  for (auto& element : rig.elements) {
    element.front_face = element.rear_face = optics::Face::kNone;
  }
  EXPECT_EQ(drawtube_mm(rig), 31.7);
  rig.elements.at(telescope + 1).front_face = optics::Face::k2Barrel;
  EXPECT_EQ(drawtube_mm(rig), 46.0)
      << "a 2 inch diagonal behind a telescope of which nothing is said";
  rig.elements.at(telescope).rear_face = optics::Face::k125Holder;
  EXPECT_EQ(drawtube_mm(rig), 31.7) << "what the telescope itself says rules";
  rig.elements.at(telescope).rear_face = optics::Face::k2Holder;
  EXPECT_EQ(drawtube_mm(rig), 46.0);
}

TEST(Neighbours, StandInOrderWithOffsetsOfAnIndependentLibraryAsSeenFromTheSite) {
  int seen = 0;
  for (const auto& row : reference::kNeighbourRows) {
    const sky::UtcTime time = utc(row.time);
    const auto neighbours = neighbours_of(at(row.latitude_deg, row.longitude_deg), time);
    ASSERT_EQ(neighbours.size(), 6U);
    EXPECT_TRUE(std::is_sorted(neighbours.begin(), neighbours.end(),
                               [](const Neighbour& a, const Neighbour& b) {
                                 return a.separation_deg < b.separation_deg;
                               }));
    constexpr double kArcminDeg = 1.0 / 60.0;
    for (const Neighbour& neighbour : neighbours) {
      if (sky::kBodyWords.of(neighbour.body) != row.body) {
        continue;
      }
      ++seen;
      EXPECT_NEAR(neighbour.separation_deg, row.separation_deg, kArcminDeg)
          << row.body << " " << row.time;
      EXPECT_NEAR(
          base::wrap_180(neighbour.right_ascension_offset_deg - row.right_ascension_offset_deg),
          0.0, kArcminDeg)
          << row.body << " " << row.time;
      EXPECT_NEAR(neighbour.declination_offset_deg, row.declination_offset_deg, kArcminDeg)
          << row.body << " " << row.time;
    }
  }
  EXPECT_EQ(seen, 200);
}

TEST(Neighbours, HaveTheMoonBeforeTheSunInTheMiddleOfTheEclipse) {
  const auto neighbours = neighbours_of(at(36.07, -5.58), utc("2027-08-02T08:47:00Z"));
  ASSERT_EQ(neighbours.front().body, sky::Body::kMoon);
  EXPECT_LT(neighbours.front().separation_deg, 0.02);
}

TEST(Neighbours, ABodyBesideTheSunMakesLittleDriftAndOneAcrossTheSkyMuch) {
  const sky::Observer observer = at(36.07, -5.58);
  const sky::UtcTime eclipse = utc("2027-08-02T08:45:00Z");
  const auto neighbours = neighbours_of(observer, eclipse);
  EXPECT_EQ(neighbours.front().body, sky::Body::kMoon);
  EXPECT_LT(neighbours.front().separation_deg, 1.5);
  // The Sun's own way against the stars is two and a half arcseconds a minute; a degree of offset
  // adds some of the sky's turn.
  EXPECT_LT(neighbours.front().alt_azimuth_drift_arcsec_min, 20.0);
  EXPECT_GT(neighbours.back().alt_azimuth_drift_arcsec_min, 100.0);
  EXPECT_NEAR(sidereal_drift_arcsec_min(sky::geocentric_sun(eclipse, 0.0)), 2.4, 0.2);
}

}  // namespace
}  // namespace solarchon::align
