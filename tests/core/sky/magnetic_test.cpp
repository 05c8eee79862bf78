// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/magnetic.h"

#include <cmath>

#include "tests/reference/magnetic.h"
#include "tests/support/support.h"

namespace solarchon::sky {
namespace {

using test::utc;

UtcTime at_year(double year) {
  const int whole = static_cast<int>(year);
  const UtcTime first = start_of({whole, 1, 1});
  return first + sky::seconds((year - whole) * in_seconds(start_of({whole + 1, 1, 1}) - first));
}

TEST(MagneticField, ReproducesThePublishedTestValues) {
  const auto field = MagneticField::open().value();
  for (const auto& row : reference::kMagneticRows) {
    const Site site{"", row.latitude_deg, row.longitude_deg, row.altitude_km * 1000.0, ""};
    const auto declination = field.declination_deg(site, at_year(row.year));
    ASSERT_TRUE(declination) << row.year;
    // Published to 0.01 degree.
    EXPECT_NEAR(std::remainder(*declination - row.declination_deg, 360.0), 0.0, 0.0055)
        << row.year << ' ' << row.latitude_deg << ' ' << row.longitude_deg;
  }
}

TEST(MagneticField, SaysNothingOutsideItsYears) {
  const auto field = MagneticField::open().value();
  const Site site{"", 36.07, -5.58, 42.0, ""};
  EXPECT_FALSE(field.declination_deg(site, utc("2024-12-31T23:59:59Z")));
  EXPECT_TRUE(field.declination_deg(site, utc("2025-01-01T00:00:00Z")));
  EXPECT_TRUE(field.declination_deg(site, utc("2029-12-31T23:59:59Z")));
  EXPECT_FALSE(field.declination_deg(site, utc("2030-01-02T00:00:00Z")));
}

TEST(MagneticField, TakesLongitudesBeyond180) {
  const auto field = MagneticField::open().value();
  const UtcTime time = utc("2027-07-17");
  EXPECT_NEAR(field.declination_deg({"", -41.3, 174.8, 0.0, ""}, time).value(),
              field.declination_deg({"", -41.3, 174.8 - 360.0 + 360.0, 0.0, ""}, time).value(),
              1e-9);
  EXPECT_NEAR(field.declination_deg({"", 10.0, -100.0, 0.0, ""}, time).value(),
              field.declination_deg({"", 10.0, 260.0, 0.0, ""}, time).value(), 1e-9);
}

TEST(Magnetic, ACompassShowsTheTrueBearingLessTheDeclination) {
  EXPECT_DOUBLE_EQ(compass_bearing_deg(100.0, 4.0), 96.0);
  EXPECT_DOUBLE_EQ(compass_bearing_deg(2.0, 5.0), 357.0);
  EXPECT_DOUBLE_EQ(compass_bearing_deg(359.0, -3.0), 2.0);
}

}  // namespace
}  // namespace solarchon::sky
