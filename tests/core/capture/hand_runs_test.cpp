// SPDX-License-Identifier: GPL-3.0-or-later
// Ladders of exposures, and tuners that are turned by hand.
#include <array>
#include <atomic>
#include <cmath>

#include "solarchon/capture/run.h"
#include "solarchon/capture/session.h"
#include "solarchon/image/frame.h"
#include "tests/core/capture/painted_source.h"
#include "tests/support/support.h"

namespace solarchon::capture {
namespace {

using base::ErrorCode;
using test::FailsWith;

bool ladder_over(const Glance& glance) { return glance.exposing && over(glance.exposing->stage); }

ExposurePlan ladder() {
  ExposurePlan plan;
  plan.middle_ms = 1.0;
  plan.rungs = 5;
  return plan;
}

TEST(ExposureRun, TakesAFrameAtEachRungAndGoesBack) {
  Session session(std::make_unique<PaintedSource>(PaintedSource::Ways{}), setting(), {}, 1000.0);
  session.run_exposures(ladder());
  ASSERT_TRUE(wait_until(session, ladder_over));
  const Glance glance = session.glance();
  const ExposureRunState& run = *glance.exposing;
  EXPECT_EQ(run.stage, RunStage::kDone);
  ASSERT_EQ(run.rungs.size(), 5U);
  for (int i = 0; i < 5; ++i) {
    const ExposureRung& rung = run.rungs[static_cast<std::size_t>(i)];
    EXPECT_DOUBLE_EQ(rung.exposure_ms, std::exp2(i - 2.0));
    ASSERT_TRUE(rung.frame);
    EXPECT_EQ(rung.frame->info.exposure_ms, rung.exposure_ms);
    // Painted at half of full in 1 ms; the brighter blobs go a third higher.
    const double level = std::min(1.0, 0.5 * rung.exposure_ms);
    EXPECT_NEAR(rung.level.disc, level, 0.05 * level + 0.005) << i;
    EXPECT_EQ(rung.level.clipped_share > 0.2, i >= 3) << i;
  }
  // 1 ms is at 0.65, 2 ms is full.
  EXPECT_EQ(run.nearest, 2);
  EXPECT_TRUE(wait_until(
      session, [](const Glance& now) { return now.frame && now.frame->info.exposure_ms == 1.0; }));
}

TEST(ExposureRun, RungsBeyondTheShutterAreLeftOut) {
  Session session(std::make_unique<PaintedSource>(PaintedSource::Ways{}), setting(), {}, 1000.0);
  ExposurePlan plan = ladder();
  plan.shutter_ms = {0.4, 2.5};
  session.run_exposures(plan);
  ASSERT_TRUE(wait_until(session, ladder_over));
  EXPECT_EQ(session.glance().exposing->places, 3);
  EXPECT_DOUBLE_EQ(session.glance().exposing->rungs.front().exposure_ms, 0.5);
}

TEST(ExposureRun, OfProminencesTheEyeJudges) {
  live::Setting faint = setting();
  faint.disc_may_clip = true;
  Session session(std::make_unique<PaintedSource>(PaintedSource::Ways{}), faint, {}, 1000.0);
  session.run_exposures(ladder());
  ASSERT_TRUE(wait_until(session, ladder_over));
  EXPECT_FALSE(session.glance().exposing->nearest);
}

TEST(ExposureRun, StoppedItLeavesTheExposureOfBefore) {
  PaintedSource::Ways slow;
  slow.rate_hz = 1.0;
  Session session(std::make_unique<PaintedSource>(slow), setting(), {}, 1000.0);
  session.run_exposures(ladder());
  ASSERT_TRUE(wait_until(
      session, [](const Glance& now) { return now.exposing && now.exposing->place >= 1; }));
  session.stop_run();
  EXPECT_TRUE(wait_until(session, [](const Glance& now) {
    return !now.exposing && now.frame->info.exposure_ms == 1.0;
  }));
}

TEST(ExposureRun, EndsWhereAnotherExposureIsSet) {
  PaintedSource::Ways slow;
  slow.rate_hz = 1.0;
  Session session(std::make_unique<PaintedSource>(slow), setting(), {}, 1000.0);
  session.run_exposures(ladder());
  ASSERT_TRUE(wait_until(
      session, [](const Glance& now) { return now.exposing && now.exposing->place >= 1; }));
  session.expose(3.0, setting());
  EXPECT_TRUE(wait_until(session, [](const Glance& now) {
    return !now.exposing && now.frame->info.exposure_ms == 3.0;
  }));
}

TEST(ExposureRun, SaysWhatStandsAgainstIt) {
  PaintedSource::Ways ways;
  ways.exposes = false;
  Session fixed(std::make_unique<PaintedSource>(ways), setting(), {}, 1000.0);
  fixed.run_exposures(ladder());
  EXPECT_TRUE(wait_until(fixed, [](const Glance& now) { return now.refusal.has_value(); }));
  EXPECT_EQ(fixed.glance().refusal->field, "exposure_ms");
  EXPECT_FALSE(fixed.glance().exposing);

  LiveFrame frame;
  EXPECT_THAT(ExposureRun::begin(ladder(), frame, setting()),
              FailsWith(ErrorCode::kMissing, "exposure_ms"));
  frame.frame.info.exposure_ms = 1.0;
  const auto begun = [&](auto change) {
    ExposurePlan plan = ladder();
    change(plan);
    return ExposureRun::begin(plan, frame, setting());
  };
  const auto rungs = begun([](auto& plan) { plan.rungs = 1; });
  EXPECT_THAT(rungs, FailsWith(ErrorCode::kOutOfRange, "rungs"));
  const auto step = begun([](auto& plan) { plan.step_stops = std::nan(""); });
  EXPECT_THAT(step, FailsWith(ErrorCode::kOutOfRange, "step_stops"));
  const auto middle = begun([](auto& plan) { plan.middle_ms = 1e9; });
  EXPECT_THAT(middle, FailsWith(ErrorCode::kOutOfRange, "middle_ms"));
}

TEST(ExposureRun, ACameraThatDoesNotObeyIsSaid) {
  LiveFrame frame;
  frame.frame = image::Frame{};
  frame.frame.info.exposure_ms = 1.0;
  ExposureRun run = *ExposureRun::begin(ladder(), frame, setting());
  const live::Meters meters(setting());
  EXPECT_EQ(run.take(frame, meters).expose->ms, 0.25);
  frame.seconds = 10.0;
  EXPECT_FALSE(run.take(frame, meters).expose);
  frame.seconds = 20.0;
  EXPECT_EQ(run.take(frame, meters).expose->ms, 1.0) << "as it was";
  EXPECT_EQ(run.state().stage, RunStage::kFailed);
  EXPECT_EQ(run.state().problem->field, "exposure_ms");
}

TEST(HandTuning, TheMarkWhereTheDiscIsDarkest) {
  std::atomic<double> light{1.0};
  PaintedSource::Ways ways;
  ways.light = &light;
  Session session(std::make_unique<PaintedSource>(ways), setting(), {}, 1000.0);
  TuningPlan plan;
  plan.look_s = 0.5;
  // A line whose middle is between marks 3 and 4, nearer to 3; its owner goes about it anyhow.
  constexpr std::array<int, 6> kMarks{0, 5, 2, 3, 4, 3};
  for (std::size_t i = 0; i < kMarks.size(); ++i) {
    const double off = kMarks[i] - 3.3;
    light = 0.5 + 0.02 * off * off;
    session.look_at_mark(kMarks[i], plan);
    ASSERT_TRUE(wait_until(session, [&](const Glance& now) {
      return now.tuning && now.tuning->step == kMarks[i] && now.tuning->stage == RunStage::kLooking;
    }));
    ASSERT_TRUE(wait_until(session, [&](const Glance& now) { return over(now.tuning->stage); }));
    if (i == 1) {
      EXPECT_FALSE(session.glance().tuning->fit) << "two marks tell nothing";
    }
  }
  const TuningRunState run = *session.glance().tuning;
  EXPECT_EQ(run.stage, RunStage::kDone);
  EXPECT_TRUE(run.by_light);
  ASSERT_TRUE(run.fit);
  EXPECT_EQ(run.fit->step, 3);
  EXPECT_NEAR(run.fit->between, 3.3, 0.2);
  EXPECT_EQ(run.points.size(), 15U) << "a mark that is looked at again counts once";
}

}  // namespace
}  // namespace solarchon::capture
