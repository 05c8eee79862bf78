// SPDX-License-Identifier: GPL-3.0-or-later
// Series of clips over a camera that is painted here, not by the simulator.
#include "solarchon/capture/series.h"

#include <algorithm>
#include <atomic>
#include <cmath>
#include <numbers>
#include <thread>

#include "solarchon/base/json.h"
#include "solarchon/base/random.h"
#include "solarchon/capture/session.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/sharpness.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/registration/reference_square.h"
#include "tests/core/capture/painted_source.h"
#include "tests/support/support.h"

namespace solarchon::capture {
namespace {

using base::ErrorCode;
using media::ClipReader;
using test::FailsWith;
using test::TempFolder;

SeriesPlan two_frames_each(const TempFolder& folder, int rounds, double every_s) {
  SeriesPlan plan;
  plan.folder = folder.path();
  plan.stem = "run";
  Take take;
  take.frames = 2;
  plan.takes = {take};
  plan.rounds = rounds;
  plan.every_s = every_s;
  return plan;
}

bool series_over(const Glance& glance) { return glance.series && over(glance.series->stage); }

TEST(Series, RoundsComeAtTheirTimes) {
  const TempFolder folder;
  Session session(std::make_unique<PaintedSource>(PaintedSource::Ways{}), setting(), {}, 1000.0);
  session.run_series(two_frames_each(folder, 4, 5.0));
  ASSERT_TRUE(wait_until(session, series_over));
  EXPECT_EQ(session.glance().series->stage, SeriesStage::kDone);
  EXPECT_EQ(session.glance().series->clips, 4);
  const auto recorded = session.take_recorded();
  ASSERT_EQ(recorded.size(), 4U);
  EXPECT_TRUE(session.take_recorded().empty());
  for (int i = 0; i < 4; ++i) {
    const Recorded& clip = recorded[static_cast<std::size_t>(i)];
    EXPECT_EQ(clip.file.filename(), "run-000" + std::to_string(i + 1) + ".fits");
    EXPECT_EQ(clip.state.written, 2);
    EXPECT_EQ(ClipReader::open(clip.file)->facts().frames, 2);
    // To a frame, and what it takes to settle.
    EXPECT_NEAR(sky::in_seconds(*clip.began - *recorded[0].began), 5.0 * i, 0.21);
    const auto facts = base::Json::parse(test::read_text(facts_beside(clip.file)));
    EXPECT_EQ(facts.at("series").at("round"), i + 1);
    EXPECT_EQ(facts.at("ended"), true);
  }
}

TEST(Series, ARoundThatIsLateBeginsAtOnce) {
  const TempFolder folder;
  Session session(std::make_unique<PaintedSource>(PaintedSource::Ways{}), setting(), {});
  auto plan = two_frames_each(folder, 3, 0.0);
  plan.takes[0].frames.reset();
  plan.takes[0].seconds = 2.0;
  session.run_series(plan);
  ASSERT_TRUE(wait_until(session, series_over));
  const auto recorded = session.take_recorded();
  ASSERT_EQ(recorded.size(), 3U);
  EXPECT_LT(sky::in_seconds(*recorded[2].began - *recorded[0].began), 6.0);
}

TEST(Series, PairsOfExposuresAndBackToTheFirst) {
  for (const bool tells : {true, false}) {
    const TempFolder folder;
    PaintedSource::Ways ways;
    ways.tells_exposure = tells;
    Session session(std::make_unique<PaintedSource>(ways), setting(), {}, 1000.0);
    auto plan = two_frames_each(folder, 2, 8.0);
    plan.takes[0].name = "disc";
    plan.takes.push_back(plan.takes[0]);
    plan.takes[1].name = "prominences";
    plan.takes[1].exposure_ms = 1.8;
    plan.takes[1].disc_may_clip = true;
    session.run_series(plan);
    ASSERT_TRUE(wait_until(session, series_over));
    const auto recorded = session.take_recorded();
    ASSERT_EQ(recorded.size(), 4U);
    EXPECT_EQ(recorded[1].file.filename(), "run-0001-prominences.fits");
    EXPECT_EQ(recorded[2].file.filename(), "run-0002-disc.fits");
    if (!tells) {
      continue;  // nobody knows what the first exposure was, so none is set
    }
    image::Frame disc;
    image::Frame prominences;
    ASSERT_TRUE(ClipReader::open(recorded[2].file)->read(0, disc));
    ASSERT_TRUE(ClipReader::open(recorded[1].file)->read(0, prominences));
    EXPECT_NEAR(static_cast<double>(prominences.pixels[0]) / disc.pixels[0], 1.8, 0.05);
    EXPECT_EQ(recorded[1].exposure_ms, 1.8);
    ASSERT_TRUE(wait_until(session, [](const Glance& glance) {
      return glance.frame && glance.frame->info.exposure_ms == 1.0;
    }));
  }
}

TEST(Series, ACameraThatCannotExposeMakesNoPairs) {
  const TempFolder folder;
  PaintedSource::Ways ways;
  ways.exposes = false;
  Session session(std::make_unique<PaintedSource>(ways), setting(), {}, 1000.0);
  auto plan = two_frames_each(folder, 1, 0.0);
  plan.takes[0].exposure_ms = 1.8;
  session.run_series(plan);
  ASSERT_TRUE(wait_until(session, [](const Glance& glance) { return glance.refusal.has_value(); }));
  EXPECT_EQ(session.glance().refusal->field, "exposure_ms");
  EXPECT_FALSE(session.glance().series);
  EXPECT_TRUE(session.take_recorded().empty());
}

TEST(Series, PanelsLieWhereTheyShould) {
  const TempFolder folder;
  std::atomic<double> off_px{0.0};
  Session session(std::make_unique<PaintedSource>(PaintedSource::Ways{}, &off_px), setting(), {},
                  1000.0);
  auto plan = two_frames_each(folder, 1, 0.0);
  plan.takes[0].name = "panel-1";
  plan.takes.push_back(plan.takes[0]);
  plan.takes[1].name = "panel-2";
  plan.takes[1].looks = {60.0, -80.0};
  session.run_series(plan);
  ASSERT_TRUE(wait_until(session, series_over));
  const auto recorded = session.take_recorded();
  ASSERT_EQ(recorded.size(), 2U);
  EXPECT_EQ(recorded[1].file.filename(), "run-panel-2.fits");
  image::Frame first;
  image::Frame second;
  ASSERT_TRUE(ClipReader::open(recorded[0].file)->read(0, first));
  ASSERT_TRUE(ClipReader::open(recorded[1].file)->read(1, second));
  const sky::PictureOffset moved = sky::to_picture({-60.0, 80.0}, kHangs);
  const auto right = static_cast<int>(std::lround(moved.right / kScale));
  const auto down = static_cast<int>(std::lround(-moved.up / kScale));
  double differ = 0.0;
  int count = 0;
  for (int y = std::max(0, -down); y < std::min(120, 120 - down); ++y) {
    for (int x = std::max(0, -right); x < std::min(160, 160 - right); ++x) {
      differ += std::abs(static_cast<double>(first.at(x, y)) - second.at(x + right, y + down));
      ++count;
    }
  }
  EXPECT_GT(count, 4000);
  EXPECT_LT(differ / count, 40.0) << "noise alone: the same field, moved";
  // And back to the middle.
  ASSERT_TRUE(wait_until(session, [&](const Glance&) { return off_px < 0.01; }));
}

TEST(Series, HoldsAFeatureOnItsPixel) {
  const TempFolder folder;
  std::atomic<double> off_px{0.0};
  PaintedSource::Ways ways;
  ways.west_arcsec_s = 0.25;  // 15 arcsec a minute
  ways.north_arcsec_s = -0.15;
  Session session(std::make_unique<PaintedSource>(ways, &off_px), setting(), {}, 1000.0);
  auto plan = two_frames_each(folder, 10, 12.0);
  plan.hold = HoldPlan{kScale, kHangs, 100.0, 40.0};
  session.run_series(plan);
  double worst_px = 0.0;
  ASSERT_TRUE(wait_until(session, [&](const Glance& glance) {
    worst_px = std::max(worst_px, off_px.load());
    return series_over(glance);
  }));
  EXPECT_EQ(session.glance().series->clips, 10);
  EXPECT_LT(worst_px, 1.5) << "without it, 15 px";
  ASSERT_TRUE(session.glance().series->held_arcsec);
  image::Frame first;
  image::Frame last;
  const auto recorded = session.take_recorded();
  ASSERT_TRUE(ClipReader::open(recorded.front().file)->read(0, first));
  ASSERT_TRUE(ClipReader::open(recorded.back().file)->read(0, last));
  const auto shifted = registration::ReferenceSquare(first, 16, 0, 64).lay(last);
  ASSERT_TRUE(shifted);
  EXPECT_LT(std::hypot(shifted->right_px, shifted->down_px), 1.2);
}

TEST(Series, ExposuresFollowTheLight) {
  const TempFolder folder;
  PaintedSource::Ways ways;
  ways.fades_stops_s = 0.05;  // 4 stops in 80 s: a Sun that sets
  Session session(std::make_unique<PaintedSource>(ways), setting(), {}, 1000.0);
  auto plan = two_frames_each(folder, 9, 10.0);
  plan.follows_light = true;
  plan.shutter_ms = {0.01, 8.0};
  session.run_series(plan);
  ASSERT_TRUE(wait_until(session, series_over));
  const auto recorded = session.take_recorded();
  ASSERT_EQ(recorded.size(), 9U);
  double before_ms = 0.0;
  std::vector<double> levels;
  for (const Recorded& clip : recorded) {
    EXPECT_GE(*clip.exposure_ms, before_ms);
    before_ms = *clip.exposure_ms;
    image::Frame frame;
    ASSERT_TRUE(ClipReader::open(clip.file)->read(0, frame));
    levels.push_back(image::level_of(frame).bright);
  }
  EXPECT_EQ(before_ms, 8.0) << "as far as the shutter goes";
  for (std::size_t i = 1; i < 6; ++i) {
    EXPECT_NEAR(levels[i], 0.6, 0.09) << i;
  }
}

TEST(Series, StopsWhenAskedAndKeepsWhatItHas) {
  const TempFolder folder;
  Session session(std::make_unique<PaintedSource>(PaintedSource::Ways{}), setting(), {}, 1000.0);
  auto plan = two_frames_each(folder, 1000, 1.0);
  plan.takes[0].exposure_ms = 1.5;
  session.run_series(plan);
  ASSERT_TRUE(wait_until(
      session, [](const Glance& glance) { return glance.series && glance.series->clips >= 2; }));
  session.stop_recording();
  ASSERT_TRUE(wait_until(session, [](const Glance& glance) { return !glance.series; }));
  const auto recorded = session.take_recorded();
  EXPECT_GE(recorded.size(), 2U);
  for (const Recorded& clip : recorded) {
    EXPECT_EQ(ClipReader::open(clip.file)->facts().frames, clip.state.written);
  }
  ASSERT_TRUE(wait_until(session, [](const Glance& glance) {
    return glance.frame && glance.frame->info.exposure_ms == 1.0;
  })) << "everything stands as before";
}

TEST(Series, ADiskThatRefusesEndsIt) {
  const TempFolder folder;
  test::write_text(folder / "run-0002.fits", "mine");
  Session session(std::make_unique<PaintedSource>(PaintedSource::Ways{}), setting(), {}, 1000.0);
  session.run_series(two_frames_each(folder, 5, 1.0));
  ASSERT_TRUE(wait_until(session, series_over));
  EXPECT_EQ(session.glance().series->stage, SeriesStage::kFailed);
  EXPECT_EQ(session.glance().series->problem->code, ErrorCode::kUnwritable);
  EXPECT_EQ(session.take_recorded().size(), 1U);
  EXPECT_EQ(test::read_text(folder / "run-0002.fits"), "mine");
}

TEST(Series, ACameraThatGoesEndsIt) {
  const TempFolder folder;
  PaintedSource::Ways ways;
  ways.most = 60;
  Session session(std::make_unique<PaintedSource>(ways), setting(), {});
  session.run_series(two_frames_each(folder, 50, 2.0));
  ASSERT_TRUE(wait_until(session, [](const Glance& glance) { return glance.ended; }));
  EXPECT_EQ(session.glance().series->stage, SeriesStage::kFailed);
  EXPECT_GE(session.take_recorded().size(), 2U);
}

TEST(Series, RefusesWhatCannotBe) {
  const TempFolder folder;
  LiveFrame like;
  const auto begin = [&](const SeriesPlan& plan, bool guides) {
    Hands hands;
    if (guides) {
      hands.guider.emplace();
    }
    return Series::begin(plan, like, setting(), hands);
  };
  SeriesPlan plan = two_frames_each(folder, 1, 0.0);
  EXPECT_TRUE(begin(plan, false));
  plan.rounds = 0;
  EXPECT_THAT(begin(plan, false), FailsWith(ErrorCode::kOutOfRange, "rounds"));
  plan = two_frames_each(folder, 1, -1.0);
  EXPECT_THAT(begin(plan, false), FailsWith(ErrorCode::kOutOfRange, "every_s"));
  plan = two_frames_each(folder, 1, 0.0);
  plan.takes[0].frames.reset();
  EXPECT_THAT(begin(plan, false), FailsWith(ErrorCode::kMissing, "seconds"));
  plan.takes[0].seconds = -2.0;
  EXPECT_THAT(begin(plan, false), FailsWith(ErrorCode::kOutOfRange, "seconds"));
  plan = two_frames_each(folder, 1, 0.0);
  plan.takes[0].exposure_ms = 1e9;
  EXPECT_THAT(begin(plan, false), FailsWith(ErrorCode::kOutOfRange, "exposure_ms"));
  plan.takes.clear();
  EXPECT_THAT(begin(plan, false), FailsWith(ErrorCode::kMissing, "takes"));
  plan = two_frames_each(folder, 1, 0.0);
  plan.takes.resize(kMostTakes + 1, plan.takes[0]);
  EXPECT_THAT(begin(plan, false), FailsWith(ErrorCode::kTooLarge, "takes"));
  plan = two_frames_each(folder, 1, 0.0);
  plan.takes[0].looks.west_arcsec = 100.0;
  EXPECT_THAT(begin(plan, false), FailsWith(ErrorCode::kNotFound, "guider"));
  EXPECT_TRUE(begin(plan, true));
}

TEST(Recorder, AClipWithoutAFrameIsNone) {
  const TempFolder folder;
  RecordPlan plan;
  plan.file = folder / "a.fits";
  LiveFrame like;
  like.frame = test::drawn_disc(60, 40, {30.0, 20.0}, 15.0, test::morning());
  auto recorder = Recorder::begin(plan, like, 25.0).value();
  EXPECT_TRUE(recorder->finish().closed);
  EXPECT_TRUE(std::filesystem::is_empty(folder.path()));
}

}  // namespace
}  // namespace solarchon::capture
