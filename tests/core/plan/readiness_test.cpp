// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/readiness.h"

#include <cmath>

#include "solarchon/safety/handling.h"
#include "solarchon/words/plan.h"
#include "solarchon/words/safety.h"
#include "tests/support/support.h"

namespace solarchon::plan {
namespace {

using testing::HasSubstr;

class Ready : public testing::Test {
 protected:
  [[nodiscard]] std::vector<ReadyItem> list() const {
    return ready_list(day_of({2027, 8, 2}, {{home, {}, 0.0}, 20.0, rig, mount, wishes, experience}),
                      stock);
  }
  /// The entries of a chore.
  [[nodiscard]] std::vector<ReadyItem> of(Chore chore) const {
    std::vector<ReadyItem> found;
    for (const ReadyItem& item : list()) {
      if (item.chore == chore) {
        found.push_back(item);
      }
    }
    return found;
  }
  sky::Site home{"", 36.07, -5.58, 42.0, "UTC"};
  sky::SunDay day = sky::sun_day({2027, 8, 2}, sky::Observer{home, {}, 0.0});
  optics::Rig rig = test::starter_rig();
  Mount mount;
  Wishes wishes;
  Experience experience;
  Stock stock;
};

TEST_F(Ready, AsksToOrderWhatIsNotInTheKit) {
  const auto missing = of(Chore::kOrder);
  ASSERT_EQ(missing.size(), rig.elements.size());
  for (const ReadyItem& item : missing) {
    EXPECT_FALSE(item.done);
    EXPECT_EQ(item.by, (sky::CivilDate{2027, 7, 19}));  // two weeks before
  }
  stock.kit = rig.elements;  // by name and kind
  for (const ReadyItem& item : of(Chore::kOrder)) {
    EXPECT_TRUE(item.done);
  }
  rig.elements[0].kit_id = "kit-7";  // a certain one, which is not there
  EXPECT_FALSE(of(Chore::kOrder).front().done);
  stock.kit[0].kit_id = "kit-7";
  stock.kit[0].name = "Its name in the kit";
  EXPECT_TRUE(of(Chore::kOrder).front().done);
  rig.elements[0].fitted = false;
  EXPECT_EQ(of(Chore::kOrder).size(), rig.elements.size() - 1);
}

TEST_F(Ready, KnowsTheLastInspectionAndWhenTheNextIsDue) {
  stock.kit = rig.elements;
  stock.kit[0].care.inspected = "2027-02-03";  // 180 days before
  auto film = of(Chore::kInspect);
  ASSERT_EQ(film.size(), 1U);  // telescope and camera want none
  EXPECT_TRUE(film[0].done);
  EXPECT_EQ(film[0].last, "2027-02-03");
  stock.kit[0].care.inspected = "2027-02-02";
  EXPECT_FALSE(of(Chore::kInspect)[0].done);
  stock.kit[0].care.inspected = "";
  EXPECT_FALSE(of(Chore::kInspect)[0].done);
  stock.kit[0].care.defect = "two pinholes";
  ASSERT_EQ(of(Chore::kMend).size(), 1U);
  EXPECT_THAT(words::subject_of(of(Chore::kMend)[0]), HasSubstr("two pinholes"));
}

TEST_F(Ready, WantsARehearsalOfALightPathThatRested) {
  EXPECT_FALSE(of(Chore::kRehearse)[0].done);
  stock.last_use = test::utc("2027-07-03T10:00:00Z");
  EXPECT_TRUE(of(Chore::kRehearse)[0].done);
  stock.last_use = test::utc("2027-07-02T10:00:00Z");
  EXPECT_FALSE(of(Chore::kRehearse)[0].done);
  EXPECT_EQ(of(Chore::kRehearse)[0].by, (sky::CivilDate{2027, 7, 30}));
}

TEST_F(Ready, CountsBatteriesAndTheDiskOnceThereAreRuns) {
  stock.free_bytes = 1e9;
  EXPECT_TRUE(of(Chore::kCharge).empty());
  EXPECT_TRUE(of(Chore::kMakeRoom).empty());
  wishes.runs = {{"Partial phase", *day.transit, 60.0}};
  wishes.power.supplies[0] = {"Power bank", 18.0, 0.0};
  ASSERT_EQ(of(Chore::kCharge).size(), 1U);  // the other one is the mains
  EXPECT_EQ(of(Chore::kCharge)[0].by, (sky::CivilDate{2027, 8, 1}));
  // The mount alone: 10 W from aligning until the end, against 14.4 Wh.
  const DayPlan plan =
      day_of({2027, 8, 2}, {{home, {}, 0.0}, 20.0, rig, mount, wishes, experience}).plan;
  const double needed = plan.power->supplies[0].needed_wh;
  EXPECT_GT(needed, 14.4);
  EXPECT_THAT(words::subject_of(of(Chore::kCarry).at(0)),
              HasSubstr(std::to_string(static_cast<int>(std::ceil((needed - 14.4) / 0.8)))));
  EXPECT_FALSE(of(Chore::kMakeRoom).at(0).done);  // 108 000 frames of 6 MB
  stock.free_bytes = plan.storage->bytes / 0.89;
  EXPECT_TRUE(of(Chore::kMakeRoom).at(0).done);
  wishes.power.supplies[0].watt_hours = 500.0;
  EXPECT_TRUE(of(Chore::kCarry).empty());
}

TEST_F(Ready, PutsWhatIsOpenFirstAndInOrderOfTime) {
  stock.kit = {rig.elements[0]};
  wishes.runs = {{"Partial phase", *day.transit, 60.0}};
  const auto items = list();
  for (std::size_t i = 1; i < items.size(); ++i) {
    EXPECT_LE(items[i - 1].done, items[i].done);
    if (items[i - 1].done == items[i].done) {
      EXPECT_LE(items[i - 1].by, items[i].by);
    }
  }
  EXPECT_FALSE(items.front().done);
  EXPECT_TRUE(items.back().done);
}

TEST(TooFast, LeavesAFifthToSpare) {
  StorageUse use;
  use.fastest_mb_per_s = 100.0;
  EXPECT_TRUE(too_fast(use, 119.0));
  EXPECT_FALSE(too_fast(use, 121.0));
}

}  // namespace
}  // namespace solarchon::plan
