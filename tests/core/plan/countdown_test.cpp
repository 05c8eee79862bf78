// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/countdown.h"

#include <cmath>
#include <numeric>

#include "solarchon/base/json.h"
#include "tests/support/support.h"

namespace solarchon::plan {
namespace {

using test::FailsWith;

const sky::UtcTime kFirst = test::utc("2027-07-17T10:00:00Z");

/// Minutes for drive, set-up, warm-up, cool-down, align, focus, tuning and rehearsal.
StepMinutes minutes(std::array<double, kStepKinds> values) {
  StepMinutes planned;
  std::copy(values.begin(), values.end(), planned.begin());
  return planned;
}

const Step& step(const Countdown& countdown, StepKind kind) {
  for (const Step& found : countdown.steps) {
    if (found.kind == kind) {
      return found;
    }
  }
  throw std::runtime_error("no such step");
}

double before(sky::UtcTime time) { return sky::in_minutes(kFirst - time); }

TEST(Countdown, FollowsTheLongestChain) {
  // Aligning rules: 20 + 15 + 25 + 5 + 4 + 10 = 79 minutes.
  const auto countdown = count_back(kFirst, {}, minutes({20, 15, 12, 18, 25, 5, 4, 10}), {});
  EXPECT_NEAR(before(countdown.begin), 79.0, 1e-6);
  EXPECT_EQ(countdown.steps.front().kind, StepKind::kDrive);
  EXPECT_NEAR(before(step(countdown, StepKind::kAlign).start), 44.0, 1e-6);
  EXPECT_EQ(step(countdown, StepKind::kAlign).slack_min, 0.0);
  // The heater goes on as soon as the telescope stands, though it could wait for 18 minutes.
  EXPECT_NEAR(before(step(countdown, StepKind::kWarmUp).start), 44.0, 1e-6);
  EXPECT_NEAR(step(countdown, StepKind::kWarmUp).slack_min, 18.0, 1e-6);
  EXPECT_NEAR(step(countdown, StepKind::kCoolDown).slack_min, 7.0, 1e-6);
  EXPECT_NEAR(before(step(countdown, StepKind::kRehearse).end), 0.0, 1e-6);
}

TEST(Countdown, LetsALongWarmUpRule) {
  const auto countdown = count_back(kFirst, {}, minutes({0, 15, 60, 18, 25, 5, 4, 10}), {});
  EXPECT_NEAR(before(countdown.begin), 15 + 60 + 4 + 10, 1e-6);
  EXPECT_EQ(step(countdown, StepKind::kWarmUp).slack_min, 0.0);
  EXPECT_NEAR(step(countdown, StepKind::kAlign).slack_min, 30.0, 1e-6);
  EXPECT_THROW((void)step(countdown, StepKind::kDrive), std::runtime_error);  // left out
}

TEST(Countdown, NeverStartsAStepBeforeWhatItWaitsFor) {
  base::Random dice{11};
  for (int round = 0; round < 300; ++round) {
    std::array<double, kStepKinds> values{};
    for (double& value : values) {
      value = dice.uniform() < 0.2 ? 0.0 : dice.uniform(0.0, 60.0);
    }
    const auto countdown = count_back(kFirst, {}, minutes(values), {});
    double critical = 0.0;
    for (const Step& one : countdown.steps) {
      EXPECT_GE(one.slack_min, -1e-9);
      EXPECT_LE(before(one.start), before(countdown.begin) + 1e-6);
      EXPECT_GE(before(one.end), -1e-3);
      critical += one.slack_min < 1e-6 ? one.time.minutes : 0.0;
    }
    // The chain without slack fills the whole time, once.
    EXPECT_NEAR(critical, before(countdown.begin), 1e-2);
  }
}

TEST(Countdown, OfNothingBeginsWithTheFirstFrame) {
  const auto countdown = count_back(kFirst, {}, minutes({}), {});
  EXPECT_TRUE(countdown.steps.empty());
  EXPECT_EQ(countdown.begin, kFirst);
}

TEST(UsualMinutes, FollowTheLightPath) {
  const auto white = test::starter_rig();
  EXPECT_EQ(usual_minutes(StepKind::kWarmUp, white), 0.0);
  EXPECT_EQ(usual_minutes(StepKind::kTuningWait, white), 0.0);
  EXPECT_NEAR(usual_minutes(StepKind::kCoolDown, white), 20.0, 1e-9);  // 80 mm
  optics::Rig hydrogen = test::usual_train(2);
  EXPECT_GT(usual_minutes(StepKind::kWarmUp, hydrogen), 5.0);
  EXPECT_EQ(usual_minutes(StepKind::kTuningWait, hydrogen), 5.0);
  for (auto& element : hydrogen.elements) {
    element.fitted = false;
  }
  EXPECT_EQ(usual_minutes(StepKind::kWarmUp, hydrogen), 0.0);
  EXPECT_EQ(usual_minutes(StepKind::kCoolDown, hydrogen), 0.0);
}

TEST(LearnedTime, MovesFromThePlanToTheLog) {
  std::vector<StepNote> notes;
  const StepTime plan = learned_time(StepKind::kAlign, 15.0, notes);
  EXPECT_EQ(plan.minutes, 15.0);
  EXPECT_NEAR(plan.spread_min, 3.0, 1e-9);
  EXPECT_EQ(plan.times, 0);
  notes = {{StepKind::kAlign, 30.0}, {StepKind::kDrive, 400.0}, {StepKind::kAlign, 24.0}};
  const StepTime some = learned_time(StepKind::kAlign, 15.0, notes);
  EXPECT_NEAR(some.minutes, (2 * 15.0 + 30.0 + 24.0) / 4.0, 1e-9);
  EXPECT_EQ(some.times, 2);
  // Only the last ten count, so that an old habit is forgotten.
  for (int i = 0; i < 10; ++i) {
    notes.push_back({StepKind::kAlign, 12.0});
  }
  const StepTime many = learned_time(StepKind::kAlign, 15.0, notes);
  EXPECT_NEAR(many.minutes, (2 * 15.0 + 10 * 12.0) / 12.0, 1e-9);
  EXPECT_EQ(many.times, 10);
  EXPECT_LT(many.spread_min, plan.spread_min);
}

TEST(LearnedTime, CorrectsTheCountdown) {
  const auto planned = minutes({20, 15, 0, 0, 10, 5, 0, 0});
  const std::vector<StepNote> notes(10, {StepKind::kAlign, 40.0});
  const auto countdown = count_back(kFirst, {}, planned, notes);
  EXPECT_NEAR(before(countdown.begin), 20 + 15 + (20.0 + 400.0) / 12.0 + 5, 1e-6);
  EXPECT_NEAR(countdown.spread_min,
              std::hypot(std::hypot(4.0, 3.0),
                         std::hypot(1.0, step(countdown, StepKind::kAlign).time.spread_min)),
              1e-6);
  // A step that is planned not to occur stays away.
  EXPECT_EQ(count_back(kFirst, {}, minutes({20, 15, 0, 0, 0, 5, 0, 0}), notes).steps.size(), 3U);
}

TEST(StepMinutes, GoThroughJson) {
  StepMinutes some;
  some.at(0) = 35.0;
  some.at(7) = 0.0;
  EXPECT_EQ(step_minutes_from_json(to_json(some), "minutes"), some);
  EXPECT_THAT(step_minutes_from_json({{"drive", -1}}, "minutes"),
              FailsWith(base::ErrorCode::kOutOfRange, "minutes.drive"));
}

}  // namespace
}  // namespace solarchon::plan
