// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/runbook.h"

#include <algorithm>

#include "solarchon/base/json.h"
#include "solarchon/words/safety.h"
#include "tests/support/support.h"

namespace solarchon::plan {
namespace {

using safety::Occasion;
using test::utc;

const sky::UtcTime kStart = utc("2027-07-17T07:00:00Z");

class RunbookOf : public testing::Test {
 protected:
  [[nodiscard]] static Outlook outlook(int train) {
    Outlook made{sky::Observer({"", 36.07, -5.58, 42.0, "UTC"}, {}, 0.0)};
    made.rig = test::usual_train(static_cast<std::size_t>(train));
    made.mount.kind = MountKind::kEquatorialTurns;
    return made;
  }
  [[nodiscard]] std::size_t place(std::string_view id) const {
    const auto found = std::find_if(steps.begin(), steps.end(),
                                    [&](const RunbookStep& step) { return step.step.id == id; });
    EXPECT_NE(found, steps.end()) << id;
    return static_cast<std::size_t>(found - steps.begin());
  }
  [[nodiscard]] StepStanding standing(std::string_view id) const {
    return standing_of(steps, progress).at(place(id));
  }
  void tick(std::string_view id, double after_min, bool early = false) {
    progress.ticks.push_back({std::string(id), kStart + sky::minutes(after_min), early});
  }
  /// A minute for each step before this one.
  void tick_all_before(std::string_view id) {
    for (std::size_t i = 0; i < place(id); ++i) {
      tick(steps[i].step.id, static_cast<double>(i));
    }
  }

  std::vector<RunbookStep> steps = runbook(outlook(2), Occasion::kSetUp);
  Progress progress;
};

TEST_F(RunbookOf, TakesItsMinutesFromThePlanAndTheLog) {
  Outlook planned = outlook(2);
  planned.wishes.minutes.at(static_cast<std::size_t>(StepKind::kWarmUp)) = 20.0;
  const auto minutes = [&] { return runbook(planned, Occasion::kSetUp).at(place("warm-up")); };
  EXPECT_DOUBLE_EQ(minutes().step.minutes, 20.0);
  EXPECT_DOUBLE_EQ(minutes().spread_min, 0.0);
  planned.experience.steps = {{StepKind::kWarmUp, 8.0}, {StepKind::kWarmUp, 8.0}};
  // The plan weighs as much as two notes.
  EXPECT_DOUBLE_EQ(minutes().step.minutes, 14.0);
  EXPECT_GT(minutes().spread_min, 0.0);
}

TEST_F(RunbookOf, StandsAtItsFirstStepAndLocksTheSunOut) {
  const auto all = standing_of(steps, progress);
  EXPECT_EQ(next_of(all), 0U);
  EXPECT_EQ(standing("turn-and-uncap").state, StepState::kLocked);
  EXPECT_EQ(standing("fit-rear").state, StepState::kLater);
  EXPECT_EQ(standing("fit-rear").missing.front(), "inspect-rear");
}

TEST_F(RunbookOf, OpensStepByStepUntilAllIsDone) {
  for (std::size_t i = 0; i < steps.size(); ++i) {
    const auto next = next_of(standing_of(steps, progress));
    ASSERT_TRUE(next);
    tick(steps[*next].step.id, static_cast<double>(i));
  }
  EXPECT_FALSE(next_of(standing_of(steps, progress)));
  EXPECT_TRUE(std::all_of(steps.begin(), steps.end(), [&](const RunbookStep& step) {
    return standing(step.step.id).state == StepState::kDone;
  }));
}

TEST_F(RunbookOf, WaitsRunByThemselvesSeveralAtOnce) {
  tick_all_before("last-look");
  std::erase_if(progress.ticks,
                [](const Tick& one) { return one.step == "cool-down" || one.step == "warm-up"; });
  const StepStanding warm = standing("warm-up");
  EXPECT_EQ(warm.state, StepState::kRunning);
  EXPECT_EQ(standing("cool-down").state, StepState::kRunning);
  // It runs since the later of its needs.
  EXPECT_EQ(warm.since, kStart + sky::minutes(static_cast<double>(place("fit-rear"))));
  const auto left = warm.left(*warm.since + sky::minutes(4.0), 10.0);
  ASSERT_TRUE(left);
  EXPECT_DOUBLE_EQ(sky::in_minutes(*left), 6.0);
  EXPECT_LT(warm.left(*warm.since + sky::minutes(12.0), 10.0)->count(), 0.0);
  // Something that can be done goes before what runs.
  EXPECT_EQ(next_of(standing_of(steps, progress)), place("last-look"));
}

TEST_F(RunbookOf, OutOfOrderAStepIsDoneAndStillMissesWhatItNeeds) {
  tick("turn-and-uncap", 1.0, true);
  EXPECT_EQ(standing("turn-and-uncap").state, StepState::kDone);
  EXPECT_FALSE(standing("turn-and-uncap").missing.empty());
  // What follows does not open by that.
  EXPECT_EQ(standing("centre").state, StepState::kLocked);
}

TEST_F(RunbookOf, TellsHowLongStepsTook) {
  tick_all_before("focus");
  std::erase_if(progress.ticks, [](const Tick& one) { return one.step == "warm-up"; });
  tick("focus", 30.0);
  tick("warm-up", 31.0);
  const auto notes = durations_of(steps, progress);
  const auto minutes = [&](StepKind kind) {
    const auto found = std::find_if(notes.begin(), notes.end(),
                                    [&](const StepNote& note) { return note.kind == kind; });
    return found != notes.end() ? found->minutes : -1.0;
  };
  EXPECT_DOUBLE_EQ(minutes(StepKind::kSetUp), static_cast<double>(place("last-look")));
  EXPECT_DOUBLE_EQ(minutes(StepKind::kFocus), 30.0 - static_cast<double>(place("focus") - 1));
  EXPECT_DOUBLE_EQ(minutes(StepKind::kWarmUp), 31.0 - static_cast<double>(place("fit-rear")));
  EXPECT_DOUBLE_EQ(minutes(StepKind::kRehearse), -1.0);
}

TEST_F(RunbookOf, LearnsNothingFromStepsDoneEarlyOrOverABreak) {
  tick("focus", 5.0, true);
  EXPECT_TRUE(durations_of(steps, progress).empty());
  progress = {};
  tick("stand", 0.0);
  tick("axis", 200.0);
  EXPECT_TRUE(durations_of(steps, progress).empty());
}

TEST_F(RunbookOf, ProgressComesBackFromItsFile) {
  tick("stand", 0.0);
  tick("turn-and-uncap", 3.5, true);
  progress.occasion = Occasion::kGuests;
  const auto back = progress_from_json(to_json(progress), "runbook");
  ASSERT_TRUE(back);
  EXPECT_EQ(*back, progress);
}

TEST_F(RunbookOf, RefusesFilesThatAreNone) {
  const auto field_of = [](const char* text) {
    const auto read = progress_from_json(base::Json::parse(text), "runbook");
    return read ? std::string() : read.error().field;
  };
  EXPECT_EQ(field_of(R"({"occasion": "party", "ticks": []})"), "runbook.occasion");
  EXPECT_EQ(field_of(R"({"occasion": "pack"})"), "runbook.ticks");
  EXPECT_EQ(field_of(R"({"occasion": "pack", "ticks": [7]})"), "runbook.ticks[0]");
  EXPECT_EQ(field_of(R"({"occasion": "pack", "ticks": [{"step": "dry", "time_utc": "soon"}]})"),
            "runbook.ticks[0].time_utc");
  base::Json many = to_json(progress);
  for (int i = 0; i < 101; ++i) {
    many["ticks"].push_back({{"step", "dry"}, {"time_utc", "2027-07-17T07:00:00Z"}});
  }
  EXPECT_EQ(progress_from_json(many, "runbook").error().code, base::ErrorCode::kTooLarge);
}

TEST_F(RunbookOf, EveryStepOfEveryOccasionHasItsThreeSentences) {
  for (std::uint32_t seed = 0; seed < 100; ++seed) {
    base::Random random{seed};
    Outlook any = outlook(0);
    any.rig = test::random_rig(random);
    for (const Occasion occasion :
         {Occasion::kSetUp, Occasion::kChange, Occasion::kGuests, Occasion::kPack}) {
      for (const MountKind mount : {MountKind::kAltAzimuth, MountKind::kEquatorialFree}) {
        any.mount.kind = mount;
        for (const RunbookStep& step : runbook(any, occasion)) {
          const words::StepWords said = words::handling_words(step.step);
          for (const std::string& sentence : {said.what, said.why, said.check}) {
            EXPECT_TRUE(sentence.ends_with('.')) << step.step.id << ": " << sentence;
            EXPECT_EQ(sentence.find('%'), std::string::npos) << sentence;
            EXPECT_EQ(sentence.find(": ."), std::string::npos) << sentence;
          }
        }
      }
    }
  }
}

}  // namespace
}  // namespace solarchon::plan
