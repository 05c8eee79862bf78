// SPDX-License-Identifier: GPL-3.0-or-later
// Whatever comes from outside: readers must answer, and what they take must be good.
#include <cmath>

#include "solarchon/base/json.h"
#include "solarchon/plan/calendar.h"
#include "solarchon/plan/day_plan.h"
#include "tests/support/support.h"

namespace solarchon::plan {
namespace {

const sky::Site kHome{"", 36.07, -5.58, 42.0, "Europe/Madrid"};

/// A text with some of its letters changed, taken out or doubled.
std::string damaged(std::string text, base::Random& dice) {
  const std::string letters = "0123456789,;:-.TZ\"{}[]\r\n\0\xff x";
  const std::size_t wounds = 1 + dice.below(6);
  for (std::size_t i = 0; i < wounds && !text.empty(); ++i) {
    const std::size_t place = dice.below(text.size());
    switch (dice.below(4)) {
      case 0:
        text.erase(place, 1 + dice.below(20));
        break;
      case 1:
        text.insert(place, text.substr(dice.below(text.size()), dice.below(30)));
        break;
      default:
        text[place] = letters[dice.below(letters.size())];
    }
  }
  return text;
}

TEST(OutsideInput, DamagedForecastsAreTakenInPartsOrRefused) {
  base::Random dice{41};
  const Forecast whole = stand_in_forecast(kHome, test::morning(), 12);
  for (int round = 0; round < 2000; ++round) {
    const std::string text = damaged(round % 2 ? to_csv(whole) : to_json(whole).dump(), dice);
    const auto file = forecast_from_text(text, "f");
    if (!file) {
      EXPECT_FALSE(file.error().field.empty());
      continue;
    }
    for (std::size_t i = 0; i < file->forecast.hours.size(); ++i) {
      const ForecastHour& hour = file->forecast.hours[i];
      EXPECT_TRUE(hour.cloud_percent >= 0.0 && hour.cloud_percent <= 100.0);
      EXPECT_TRUE(hour.wind_m_s >= 0.0 && hour.wind_m_s <= 80.0);
      EXPECT_TRUE(i == 0 || file->forecast.hours[i - 1].time < hour.time);
    }
  }
}

TEST(OutsideInput, DamagedCalendarsAreTakenInPartsOrRefused) {
  base::Random dice{42};
  std::vector<CalendarEntry> entries;
  for (int i = 0; i < 4; ++i) {
    const sky::UtcTime start = test::morning() + sky::seconds(3600.0 * i);
    entries.push_back({"run",
                       std::string("r") + std::to_string(i),
                       {start, start + sky::seconds(900.0)},
                       "Run",
                       "",
                       "",
                       5.0});
  }
  const std::string whole = to_icalendar(entries, "UTC", test::morning());
  int taken = 0;
  for (int round = 0; round < 1000; ++round) {
    const auto file = runs_from_icalendar(damaged(whole, dice));
    for (const auto& run : file ? file->runs : std::vector<plan::Run>()) {
      EXPECT_TRUE(run.minutes > 0.0 && run.minutes <= 1440.0);
      EXPECT_TRUE(run.start >= sky::kFirstTime && run.start <= sky::kLastTime);
      ++taken;
    }
  }
  EXPECT_GT(taken, 2000);  // one wound does not lose the rest
}

TEST(OutsideInput, AnyWishesMakeAPlanWithWaysOutThatWork) {
  base::Random dice{43};
  const optics::Rig rig = test::starter_rig();
  const Experience experience;
  for (int round = 0; round < 150; ++round) {
    sky::Site site = kHome;
    site.latitude_deg = dice.uniform(-90.0, 90.0);
    const sky::SunDay day = sky::sun_day({2027, 1 + static_cast<int>(dice.below(12)), 15},
                                         sky::Observer{site, {}, 0.0});
    const Mount mount{static_cast<MountKind>(dice.below(4)), dice.uniform(0.0, 20.0)};
    Wishes wishes;
    for (std::size_t i = dice.below(5); i > 0; --i) {
      wishes.runs.push_back({"r", day.start + sky::seconds(dice.uniform(0.0, 86000.0)),
                             dice.uniform(0.1, 400.0), dice.uniform(0.1, 200.0),
                             dice.uniform(0.0, 60.0), dice.uniform(0.1, 120.0),
                             dice.uniform() < 0.3});
    }
    const DayPlan plan =
        day_of(day.date, {{site, {}, 0.0}, 20.0, rig, mount, wishes, experience}).plan;
    ASSERT_EQ(plan.runs.size(), wishes.runs.size());
    EXPECT_EQ(plan.countdown.has_value(), !wishes.runs.empty());
    for (const PlannedRun& run : plan.runs) {
      EXPECT_TRUE(std::isfinite(run.seeing.arcsec) && run.seeing.low_arcsec > 0.0);
    }
    for (const Conflict& conflict : plan.conflicts) {
      ASSERT_LT(conflict.run, wishes.runs.size());
      EXPECT_LT(conflict.when.start, conflict.when.end);
      for (const Cure& cure : conflict.cures) {
        const Wishes next = with_cure(wishes, conflict.run, cure);
        EXPECT_EQ(next.runs.size(), wishes.runs.size() + cure.runs.size() - 1);
        for (const auto& run : cure.runs) {
          EXPECT_GE(run.minutes, 0.1);
          EXPECT_EQ(run.fixed, wishes.runs[conflict.run].fixed);
        }
        if (wishes.runs[conflict.run].fixed) {
          EXPECT_EQ(cure.runs.front().start, wishes.runs[conflict.run].start);
        }
      }
    }
  }
}

}  // namespace
}  // namespace solarchon::plan
