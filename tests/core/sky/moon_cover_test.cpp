// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/moon_cover.h"

#include <gtest/gtest.h>

#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/sky/bodies.h"
#include "tests/reference/moon_cover.h"
#include "tests/support/support.h"

namespace solarchon::sky {
namespace {

using test::utc;

std::optional<MoonCover> cover_at(const char* time, const Observer& observer) {
  const UtcTime at = utc(time);
  return moon_before_sun(at, geocentric_sun(at, observer.dut1_s), observer);
}

TEST(MoonBeforeSun, AgreesWithAnIndependentLibrary) {
  // The library's clock differs by some seconds where the Earth's turn is foretold, and takes the
  // Earth for a sphere: the Moon is out by 20 arcsec, a hundredth of the disc.
  constexpr double kApartArcsec = 20.0;
  constexpr double kShare = 0.012;
  constexpr double kSize = 1.3;  // its Moon is 2 km larger
  for (const auto& row : reference::kMoonCoverRows) {
    const auto cover = cover_at(
        row.time,
        {{"", row.latitude_deg, row.longitude_deg, row.elevation_m, "UTC"}, {0.0, 15.0}, 0.0});
    ASSERT_EQ(cover.has_value(), row.obscuration > 0.0) << row.time << " " << row.latitude_deg;
    if (cover) {
      EXPECT_NEAR(cover->separation_arcsec, row.separation_arcsec, kApartArcsec) << row.time;
      EXPECT_NEAR(cover->moon_semidiameter_arcsec, row.moon_semidiameter_arcsec, kSize) << row.time;
      EXPECT_NEAR(cover->obscuration, row.obscuration, kShare) << row.time;
    }
  }
}

TEST(MoonBeforeSun, HidesTheSunOnTheMiddleLineAndNowhereElse) {
  // Total at Luxor on 2 August 2027, about 10:05 UTC; an hour before the Moon is beside it there.
  const Observer luxor{{"", 25.7, 32.64, 80.0, "UTC"}, {1000.0, 38.0}, 0.0};
  const auto total = cover_at("2027-08-02T10:05:00Z", luxor);
  ASSERT_TRUE(total);
  EXPECT_DOUBLE_EQ(total->obscuration, 1.0);
  EXPECT_FALSE(cover_at("2027-08-02T08:00:00Z", luxor));
  // Half a month later the Moon is full.
  EXPECT_FALSE(cover_at("2027-08-17T10:05:00Z", luxor));
  // Annular on 2027-02-06 in Uruguay: what is left is the ring.
  const auto ring =
      cover_at("2027-02-06T15:59:00Z", {{"", -31.3, -48.5, 0.0, "UTC"}, {1013.0, 20.0}, 0.0});
  ASSERT_TRUE(ring);
  EXPECT_LT(ring->obscuration, 0.95);
  EXPECT_GT(ring->obscuration, 0.80);
}

TEST(MoonBeforeSun, IsAskedForAtEachNewMoonThatMattersAndOnlyThere) {
  // At every hour of two years: where the Moon's whole place says that it may touch the Sun from
  // somewhere on Earth, the quick test must let it through.
  int eclipses = 0;
  const UtcTime first = utc("2026-01-01T00:00:00Z");
  constexpr int kHours = 2 * 365 * 24;
  for (int hour = 0; hour < kHours; hour += 2) {
    const UtcTime time = first + hours(hour);
    // New Moons come 29.53 days apart, within 0.6 day of that; the whole series is slow.
    const double since_new = std::fmod(in_days(time - utc("2025-12-20T01:43:00Z")), 29.530589);
    constexpr double kAboutNew = 1.5;
    if (since_new > kAboutNew && since_new < 29.530589 - kAboutNew) {
      continue;
    }
    const GeocentricSun sun = geocentric_sun(time, 0.0);
    const EquatorialPlace moon = body_place(Body::kMoon, time);
    const double apart = separation_deg(moon, place_of(sun));
    constexpr double kTouchesGeocentricallyDeg = 0.5;
    if (apart > kTouchesGeocentricallyDeg) {
      continue;
    }
    ++eclipses;
    // From where the Moon stands overhead both are seen as from the centre, but larger.
    const double longitude = base::wrap_180(moon.right_ascension_deg - sun.sidereal_time_deg);
    EXPECT_TRUE(moon_before_sun(
        time, sun, {{"", moon.declination_deg, longitude, 0.0, "UTC"}, {1013.0, 15.0}, 0.0}))
        << hour;
  }
  EXPECT_GE(eclipses, 2);
}

}  // namespace
}  // namespace solarchon::sky
