// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/air.h"

#include <cmath>

#include "solarchon/base/json.h"
#include "tests/support/support.h"

namespace solarchon::plan {
namespace {

using test::FailsWith;

const sky::Site kHome{"", 36.07, -5.58, 42.0, "UTC"};
constexpr Surroundings kGrass{};

sky::SunDay july() { return sky::sun_day({2027, 7, 17}, sky::Observer{kHome, {}, 0.0}); }

sky::UtcTime hours_after_noon(double hours) {
  return *july().transit + sky::seconds(3600.0 * hours);
}

TEST(GroundWarmth, RisesAfterSunriseAndLagsBehindTheSun) {
  const sky::SunDay day = july();
  EXPECT_EQ(ground_warmth(day, *day.sunrise - sky::seconds(1800.0)), 0.0);
  EXPECT_LT(ground_warmth(day, *day.sunrise + sky::seconds(1800.0)), 0.02);
  // The same height of the Sun finds warmer ground in the afternoon.
  EXPECT_GT(ground_warmth(day, hours_after_noon(4)),
            2.0 * ground_warmth(day, hours_after_noon(-4)));
  // Warmest one to two hours after noon.
  double warmest = 0.0;
  double when = -6.0;
  for (double hour = -6.0; hour < 6.0; hour += 0.1) {
    if (const double warmth = ground_warmth(day, hours_after_noon(hour)); warmth > warmest) {
      warmest = warmth;
      when = hour;
    }
  }
  EXPECT_GT(when, 1.0);
  EXPECT_LT(when, 2.5);
  EXPECT_LT(warmest, 1.0);
}

TEST(GroundWarmth, FollowsTheEquationOfAWarmingBody) {
  // Under a Sun that stands still at 30 degrees, warmth goes to one half as 1 - exp(-t / 2 h).
  sky::SunDay still;
  still.start = {0};
  for (int i = 0; i <= 144; ++i) {
    still.arc.push_back({sky::UtcTime{i * 600'000LL}, 180.0, 30.0});
  }
  still.end = still.arc.back().time;
  for (const double hours : {0.5, 1.0, 2.05, 7.0}) {
    EXPECT_NEAR(ground_warmth(still, still.start + sky::seconds(hours * 3600.0)),
                0.5 * (1.0 - std::exp(-hours / 2.0)), 1e-6);
  }
}

TEST(PriorSeeing, HasTheFiguresThatAreStated) {
  // High air alone, overhead.
  EXPECT_NEAR(prior_seeing_arcsec(90.0, 0.0, kGrass, 3.0), 0.8, 1e-9);
  // At 30 degrees, twice the air: 2^0.6.
  EXPECT_NEAR(prior_seeing_arcsec(30.0, 0.0, kGrass, 3.0), 0.8 * std::pow(2.0, 0.6), 1e-9);
  // A roof wholly warmed, in a wind of 2.5 m/s that neither stands nor carries off.
  const double roof = std::pow(std::pow(0.8, 5.0 / 3.0) + std::pow(3.8, 5.0 / 3.0), 0.6);
  EXPECT_NEAR(prior_seeing_arcsec(90.0, 1.0, {Ground::kRoof, Ground::kRoof}, 2.5), roof, 1e-9);
  // Wind shakes from 6 m/s on.
  EXPECT_NEAR(prior_seeing_arcsec(90.0, 0.0, kGrass, 11.0), 0.8 + 1.0, 1e-9);
}

TEST(PriorSeeing, OrdersGroundsAsThePractitionersDo) {
  double last = 0.0;
  for (const Ground ground :
       {Ground::kWater, Ground::kGrass, Ground::kSoil, Ground::kConcrete, Ground::kRoof}) {
    const double seeing = prior_seeing_arcsec(60.0, 0.7, {ground, ground}, 3.0);
    EXPECT_GT(seeing, last);
    last = seeing;
  }
  EXPECT_LT(prior_seeing_arcsec(60.0, 0.7, {Ground::kGrass, Ground::kWater}, 3.0),
            prior_seeing_arcsec(60.0, 0.7, kGrass, 3.0));
  EXPECT_LT(prior_seeing_arcsec(60.0, 0.7, kGrass, 4.0),
            prior_seeing_arcsec(60.0, 0.7, kGrass, 0.0));
}

TEST(PriorSeeing, StaysFiniteWithTheSunDown) {
  for (const double altitude : {-90.0, -1.0, 0.0, 90.0}) {
    EXPECT_TRUE(std::isfinite(prior_seeing_arcsec(altitude, 0.0, kGrass, 0.0)));
  }
}

TEST(ExpectedSeeing, IsBestInTheMorning) {
  const SeeingExperience nothing;
  double best = 100.0;
  double when = 0.0;
  for (double hour = -6.0; hour <= 6.0; hour += 0.25) {
    const auto guess = expected_seeing(july(), hours_after_noon(hour), kGrass, nothing, {});
    if (guess.arcsec < best) {
      best = guess.arcsec;
      when = hour;
    }
    EXPECT_EQ(guess.measured_share, 0.0);
    EXPECT_NEAR(guess.high_arcsec / guess.arcsec, std::exp(0.4), 1e-9);
  }
  EXPECT_GT(when, -5.0);
  EXPECT_LT(when, -2.0);
}

TEST(ExpectedSeeing, IsReplacedByTheLogAsItGrows) {
  // A site that is always half as bad again as the prior, each morning three hours before noon.
  std::vector<SeeingNote> notes;
  double last_share = 0.0;
  const auto prior =
      expected_seeing(july(), hours_after_noon(-3), kGrass, SeeingExperience(), {}).arcsec;
  for (int day = 0; day < 40; ++day) {
    const sky::SunDay then =
        sky::sun_day(sky::utc_date(sky::start_of({2027, 6, 1}) + sky::seconds(86400.0 * day)),
                     sky::Observer{kHome, {}, 0.0});
    const sky::UtcTime time = *then.transit - sky::seconds(3.0 * 3600.0);
    const double usual = expected_seeing(then, time, kGrass, SeeingExperience(), {}).arcsec;
    notes.push_back({time, 1.5 * usual});
    if (day % 13 != 0) {
      continue;
    }
    const SeeingExperience experience(notes, kHome, kGrass);
    const auto guess = expected_seeing(july(), hours_after_noon(-3), kGrass, experience, {});
    EXPECT_GT(guess.measured_share, last_share);
    EXPECT_GT(guess.arcsec, prior);
    EXPECT_LT(guess.arcsec, 1.5 * prior);
    last_share = guess.measured_share;
  }
  constexpr double kRoughPlace = 1e-3;                // of the Sun, by which notes are judged
  EXPECT_NEAR(last_share, 40.0 / 43.0, kRoughPlace);  // the 40th day was the last that was asked
  const SeeingExperience experience(notes, kHome, kGrass);
  const auto morning = expected_seeing(july(), hours_after_noon(-3), kGrass, experience, {});
  EXPECT_NEAR(morning.arcsec / prior, std::pow(1.5, 40.0 / 43.0), kRoughPlace);
  EXPECT_LT(morning.high_arcsec / morning.arcsec, 1.25);  // surer than the prior
  // It says little of the afternoon.
  EXPECT_LT(expected_seeing(july(), hours_after_noon(3), kGrass, experience, {}).measured_share,
            0.1);
}

TEST(ExpectedSeeing, LeavesOutNotesWithTheSunDown) {
  const sky::SunDay day = july();
  EXPECT_EQ(SeeingExperience({{day.start, 2.0}, {*day.transit, 0.0}}, kHome, kGrass).notes(), 0U);
  EXPECT_EQ(SeeingExperience({{*day.transit, 2.0}}, kHome, kGrass).notes(), 1U);
}

TEST(Surroundings, GoThroughJson) {
  const Surroundings beach{Ground::kSoil, Ground::kWater};
  EXPECT_EQ(surroundings_from_json(to_json(beach), "ground"), beach);
  EXPECT_EQ(surroundings_from_json(base::Json::object(), "ground"), Surroundings());
  EXPECT_THAT(surroundings_from_json({{"under", "ice"}}, "ground"),
              FailsWith(base::ErrorCode::kUnknownValue, "ground.under"));
}

}  // namespace
}  // namespace solarchon::plan
