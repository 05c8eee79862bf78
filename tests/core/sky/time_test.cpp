// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/time.h"

#include "solarchon/base/random.h"
#include "solarchon/sky/rough_place.h"
#include "solarchon/sky/sun.h"
#include "tests/support/support.h"

namespace solarchon::sky {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::utc;

TEST(ParseUtc, ReadsAllItsForms) {
  const std::int64_t noon = 1815652800000 - 1815652800000 % 86400000 + 43200000;
  const UtcTime expected{noon};
  const std::string date = to_iso(utc_date(expected));
  for (const char* form : {"T12:00:00Z", "T12:00:00", "T12:00", "T12:00Z", " 12:00:00",
                           "T12:00:00.000Z", "T14:00:00+02:00", "T06:30:00-05:30"}) {
    EXPECT_EQ(utc(date + form), expected) << form;
  }
}

TEST(ParseUtc, KnowsTheUnixEpochOfKnownInstants) {
  EXPECT_EQ(utc("2000-01-01T12:00:00Z").unix_ms, 946728000000);
  EXPECT_EQ(utc("2027-08-02T10:07:50.250Z").unix_ms, 1817201270250);
  EXPECT_EQ(utc("1972-01-01").unix_ms, 63072000000);
}

TEST(ParseUtc, TakesALeapSecondAsTheNextMinute) {
  EXPECT_EQ(utc("2016-12-31T23:59:60Z"), utc("2017-01-01T00:00:00Z"));
}

TEST(ParseUtc, RefusesWhatIsNoDate) {
  for (const char* text :
       {"", "x", "2027", "2027-13-01", "2027-02-29", "2027-07-14T25:00", "2027-07-14T10:60",
        "2027-07-14T10:30:61Z", "2027-07-14T10:30:15.Z", "2027-07-14T10:30Zjunk",
        "2027-07-14T10:30:00+2:00", "27-07-14", "2027-7-14", "2027-07-14T-1:00", "2027-00-10"}) {
    EXPECT_THAT(parse_utc(text, "time"), FailsWith(ErrorCode::kMalformed, "time")) << text;
  }
}

TEST(ParseUtc, RefusesYearsBeyondTheSeries) {
  EXPECT_THAT(parse_utc("1971-12-31", "time"), FailsWith(ErrorCode::kOutOfRange, "time"));
  EXPECT_THAT(parse_utc("2100-06-01", "time"), FailsWith(ErrorCode::kOutOfRange, "time"));
}

TEST(ParseDate, LeavesRoomForADayAtAnyLongitude) {
  EXPECT_EQ(parse_date("2027-07-14", "date").value(), (CivilDate{2027, 7, 14}));
  EXPECT_THAT(parse_date("2027-07-14T10:00", "date"), FailsWith(ErrorCode::kMalformed, "date"));
  EXPECT_THAT(parse_date("1972-01-01", "date"), FailsWith(ErrorCode::kOutOfRange, "date"));
}

TEST(ToIso, WritesMillisecondsOnlyWhenThereAreAny) {
  EXPECT_EQ(to_iso(utc("2027-07-14T10:30:15Z")), "2027-07-14T10:30:15Z");
  EXPECT_EQ(to_iso(utc("2027-07-14T10:30:15.25Z")), "2027-07-14T10:30:15.250Z");
}

TEST(ToIso, ComesBackThroughTheParser) {
  for (std::int64_t ms = 100'000'000'123; ms < kLastTime.unix_ms; ms += 77'777'777'777) {
    EXPECT_EQ(utc(to_iso(UtcTime{ms})).unix_ms, ms);
  }
}

TEST(ParseUtc, KnowsTheMinutesThatHadASixtyFirstSecond) {
  EXPECT_TRUE(parse_utc("2015-06-30T23:59:60Z", "time"));
  EXPECT_TRUE(parse_utc("2015-07-01T01:59:60+02:00", "time"));
  for (const char* text : {"2027-07-14T12:00:60Z", "2027-07-14T23:59:60Z", "2015-06-29T23:59:60Z",
                           "2016-12-31T12:00:60Z", "2015-06-30T23:59:60+02:00"}) {
    const auto time = parse_utc(text, "time");
    ASSERT_FALSE(time) << text;
    EXPECT_EQ(time.error().code, base::ErrorCode::kOutOfRange);
  }
}

TEST(RoughPlace, IsGoodToAFiftiethOfADegree) {
  base::Random random{9};
  for (int i = 0; i < 300; ++i) {
    const UtcTime time{static_cast<std::int64_t>(random.uniform(
        static_cast<double>(kFirstTime.unix_ms), static_cast<double>(kLastTime.unix_ms)))};
    const Site site{"", random.uniform(-89.0, 89.0), random.uniform(-180.0, 180.0)};
    const LocalSun exact = local_sun(geocentric_sun(time, 0.0), site, {0.0, 0.0});
    const RoughPlace rough = rough_place(time, site.latitude_deg, site.longitude_deg);
    EXPECT_NEAR(rough.altitude_deg, exact.altitude_deg, 0.02) << to_iso(time);
    EXPECT_NEAR(std::remainder(rough.hour_angle_deg - exact.hour_angle_deg, 360.0), 0.0, 0.02)
        << to_iso(time);
  }
}

TEST(DecimalYear, IsExactAtNewYear) {
  EXPECT_DOUBLE_EQ(decimal_year(utc("2027-01-01")), 2027.0);
  EXPECT_NEAR(decimal_year(utc("2028-07-02")), 2028.5, 1e-9);  // 183 of 366 days
}

TEST(UtcTime, AddsSecondsToTheMillisecond) {
  EXPECT_EQ((UtcTime{1000} + sky::seconds(0.25)).unix_ms, 1250);
  EXPECT_EQ((UtcTime{1000} - sky::seconds(0.25)).unix_ms, 750);
  EXPECT_DOUBLE_EQ(in_seconds(UtcTime{3500} - UtcTime{1000}), 2.5);
}

}  // namespace
}  // namespace solarchon::sky
