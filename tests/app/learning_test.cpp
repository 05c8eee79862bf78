// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/learning.h"

#include <QSignalSpy>

#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

using test::wait_until;

class LearningTest : public testing::Test {
 protected:
  void settle() {
    ASSERT_TRUE(wait_until([&] { return queue.settled() && learning.settled(); }));
  }
  /// Sessions of a site on mornings of July, with the seeing that was judged.
  void observe(const sky::Site& site, double seeing_arcsec, int count) {
    auto book = log::LogBook::open(workspace::log_file(folder.path())).value();
    for (int i = 0; i < count; ++i) {
      // Around noon, wherever it is: what is noted of the night teaches nothing.
      const sky::Duration to_noon = sky::hours(3.7 - (site.longitude_deg + 5.58) / 15.0);
      ASSERT_TRUE(book.begin({test::morning() + to_noon - sky::days(1.0 + i),
                              site,
                              test::starter_rig(),
                              "whole-disc",
                              seeing_arcsec,
                              {1013.0, 22.0}}));
    }
    log.reload();
    settle();
  }
  test::TempFolder folder;
  ErrorReporter trouble;
  LogQueue queue{workspace::log_file(folder.path()), trouble};
  Document document{test::morning_workspace(test::starter_rig()), test::morning(), false};
  Log log{queue, trouble};
  Learning learning{document, log};
};

TEST_F(LearningTest, FollowsWhatTheLogSaysOfThisSite) {
  log.reload();
  settle();
  EXPECT_EQ(document.experience().seeing.notes(), 0U);
  observe(document.workspace().site, 1.1, 6);
  EXPECT_EQ(document.experience().seeing.notes(), 6U);
}

TEST_F(LearningTest, LeavesOtherSitesOutAndLearnsAnewWhenTheSiteChanges) {
  const sky::Site south{"South", -41.3, 174.8, 95.0, "Pacific/Auckland"};
  observe(south, 3.0, 4);
  EXPECT_EQ(document.experience().seeing.notes(), 0U);
  workspace::Workspace next = document.workspace();
  next.site = south;
  document.edit("Go south", next);
  settle();
  EXPECT_EQ(document.experience().seeing.notes(), 4U);
  document.undo().undo();
  settle();
  EXPECT_EQ(document.experience().seeing.notes(), 0U);
}

TEST_F(LearningTest, BringsTheTimesOfStepsIntoThePlan) {
  log.note_step(test::morning(), {plan::StepKind::kAlign, 33.0});
  settle();
  ASSERT_EQ(document.experience().steps.size(), 1U);
  EXPECT_DOUBLE_EQ(document.experience().steps[0].minutes, 33.0);
  log.drop_last_step(plan::StepKind::kAlign);
  settle();
  EXPECT_TRUE(document.experience().steps.empty());
}

TEST_F(LearningTest, AChangeThatTeachesNothingStartsNoLesson) {
  log.reload();
  settle();
  workspace::Workspace next = document.workspace();
  next.conditions.seeing_arcsec = 3.0;
  document.edit("Worse air", next);
  EXPECT_TRUE(learning.settled());
}

}  // namespace
}  // namespace solarchon::app
