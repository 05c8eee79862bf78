// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/clips.h"

#include "solarchon/base/json.h"
#include "solarchon/capture/recorder.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/clip.h"
#include "solarchon/workspace/live.h"
#include "solarchon/workspace/observe.h"
#include "solarchon/workspace/series.h"
#include "tests/support/support.h"

namespace solarchon::workspace {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::TempFolder;

Workspace morning_space(const optics::Rig& rig = test::quick_rig()) {
  return test::morning_workspace(rig);
}
Answers morning_answers(const Workspace& space) {
  return answer(space, test::morning(), sky::geocentric_sun(test::morning(), 0.0));
}

/// As the program records one.
void record(const std::filesystem::path& file, const Workspace& space, int frames, bool ends) {
  std::filesystem::create_directories(file.parent_path());
  capture::RecordPlan plan;
  plan.file = file;
  plan.sidecar = clip_facts(space, morning_answers(space));
  plan.sidecar.edit()["series"] = {{"name", "lapse"}};
  capture::LiveFrame frame;
  frame.frame = test::drawn_disc(120, 90, {60.0, 45.0}, 40.0, test::morning() + sky::seconds(90.0));
  frame.frame.info.exposure_ms = 0.25;
  auto recorder = capture::Recorder::begin(plan, frame, 20.0).value();
  for (int i = 0; i < frames; ++i) {
    frame.number = 2 * i;  // every other one is lost
    frame.seconds = 0.1 * i;
    recorder->offer(frame, 1.0);
  }
  (void)recorder->finish({{"r0_cm", 4.5}});
  if (!ends) {  // a killed program does not say how it went
    std::filesystem::path facts = file;
    facts += ".json";
    base::Json told = base::Json::parse(test::read_text(facts));
    for (const char* key : {"frames", "dropped", "lost_before", "seconds", "r0_cm"}) {
      told.erase(key);
    }
    told["ended"] = false;
    test::write_text(facts, told.dump());
  }
}

TEST(Clips, AreFiledAsTheyLieOnDisk) {
  const TempFolder data;
  const Workspace space = morning_space();
  const auto file = clips_folder(data.path()) / "2027-07-17" / "a.fits";
  record(file, space, 11, true);
  auto log = log::LogBook::open(log_file(data.path())).value();
  Workspace other = morning_space(test::starter_rig());  // in use by now
  const auto id = file_clip(log, file, data.path(), session_start(other, test::morning())).value();
  const log::Session session = log.session(id).value();
  EXPECT_EQ(session.start.rig, space.rig);
  EXPECT_EQ(session.start.site, space.site);
  ASSERT_EQ(session.clips.size(), 1U);
  const log::ClipEntry& clip = session.clips[0];
  EXPECT_EQ(clip.file, "clips/2027-07-17/a.fits");
  EXPECT_EQ(clip.frames, 11);
  EXPECT_EQ(clip.lost, 10);
  EXPECT_NEAR(clip.seconds, 1.0, 1e-6);
  EXPECT_EQ(clip.begun, test::morning() + sky::seconds(90.0));
  EXPECT_EQ(clip.exposure_ms, 0.25);
  EXPECT_EQ(clip.r0_cm, 4.5);
  EXPECT_EQ(clip.series, "lapse");
}

TEST(Clips, ThoseOfAKilledProgramAreFiledOnce) {
  const TempFolder data;
  const Workspace space = morning_space();
  const auto day = clips_folder(data.path()) / "2027-07-17";
  record(day / "a.fits", space, 5, true);
  record(day / "b.fits", space, 7, false);
  test::write_text(day / "c.fits", "no clip");
  auto log = log::LogBook::open(log_file(data.path())).value();
  const auto usual = session_start(space, test::morning());
  ASSERT_TRUE(file_clip(log, day / "a.fits", data.path(), usual));
  EXPECT_EQ(file_stray_clips(log, data.path(), usual).value(), 1);
  EXPECT_EQ(file_stray_clips(log, data.path(), usual).value(), 0);
  const auto sessions = log.summaries().value();
  ASSERT_EQ(sessions.size(), 1U);
  EXPECT_EQ(sessions[0].clips, 2);
  const auto session = log.session(sessions[0].id).value();
  EXPECT_EQ(session.clips[1].frames, 7);
  const TempFolder nothing;
  auto empty = log::LogBook::open(log_file(nothing.path())).value();
  EXPECT_EQ(file_stray_clips(empty, nothing.path(), usual).value(), 0);
}

TEST(Clips, OfAnotherRecorderAreOfTheWorkspaceInUse) {
  const TempFolder data;
  const TempFolder elsewhere;
  const Workspace space = morning_space();
  const auto file = elsewhere / "foreign.mkv";
  ASSERT_TRUE(media::write_video(
      6, 20.0,
      [](int) -> base::Result<image::Frame> {
        return test::drawn_disc(120, 90, {60.0, 45.0}, 40.0, test::morning());
      },
      file));
  test::write_text(file.string() + ".json", "[not what one expects");
  const auto usual = session_start(space, test::morning());
  const ClipOnDisk found = clip_on_disk(file, data.path(), usual).value();
  EXPECT_EQ(found.start, usual);
  EXPECT_EQ(found.entry.file, file.string());
  EXPECT_EQ(found.entry.frames, 6);
  EXPECT_NEAR(found.entry.seconds, 0.25, 1e-3);
  EXPECT_FALSE(found.entry.r0_cm);
  EXPECT_THAT(clip_on_disk(elsewhere / "none.fits", data.path(), usual),
              FailsWith(ErrorCode::kUnreadable, (elsewhere / "none.fits").string()));
}

TEST(SeriesPlan, TimeLapseHoldsTheTarget) {
  const Workspace space = morning_space();
  const Answers answers = morning_answers(space);
  SeriesOrder order;
  const auto plan = series_plan(space, answers, order, {}).value();
  ASSERT_EQ(plan.takes.size(), 1U);
  EXPECT_EQ(plan.takes[0].seconds, 5.0);
  EXPECT_EQ(plan.rounds, 180);
  ASSERT_TRUE(plan.hold);
  EXPECT_EQ(plan.hold->celestial, answers.celestial);
  const auto needs = series_needs(space, answers, order, {}).value();
  EXPECT_DOUBLE_EQ(needs.duration_s, 179 * 20.0 + 5.0);
  EXPECT_DOUBLE_EQ(needs.playback_s, 7.2);
  EXPECT_GT(needs.bytes, 1e6);
  order.rounds = 0;
  EXPECT_THAT(series_plan(space, answers, order, {}), FailsWith(ErrorCode::kOutOfRange, "rounds"));
  order = {};
  order.clip_s = 0.0;
  EXPECT_THAT(series_needs(space, answers, order, {}), FailsWith(ErrorCode::kOutOfRange, "clip_s"));
}

TEST(SeriesPlan, PairsWantALineAndExposeProminencesLonger) {
  SeriesOrder order;
  order.kind = SeriesKind::kPairs;
  const Workspace white = morning_space();
  EXPECT_THAT(series_plan(white, morning_answers(white), order, {}),
              FailsWith(ErrorCode::kMissing, "line"));
  const Workspace line = morning_space(test::usual_train(2));
  const auto plan = series_plan(line, morning_answers(line), order, {}).value();
  ASSERT_EQ(plan.takes.size(), 2U);
  EXPECT_EQ(plan.takes[0].name, "disc");
  EXPECT_TRUE(plan.takes[1].disc_may_clip);
  // FIELD: five to eight times that of the disc.
  const double ratio = *plan.takes[1].exposure_ms / *plan.takes[0].exposure_ms;
  EXPECT_GT(ratio, 4.9);
  EXPECT_LT(ratio, 8.1);
}

TEST(SeriesPlan, PanelsCoverTheDiscFromWhereItLooks) {
  optics::Rig rig = test::usual_train(2);
  auto& sensor = std::get<optics::Camera>(rig.elements.back().part);
  sensor.width_px = 500;
  sensor.height_px = 400;
  Workspace space = morning_space(rig);
  space.target = Target::kWholeDisc;
  const Answers answers = morning_answers(space);
  SeriesOrder order;
  order.kind = SeriesKind::kPanels;
  const auto plan = series_plan(space, answers, order, {}).value();
  ASSERT_GT(plan.takes.size(), 3U);
  EXPECT_EQ(plan.rounds, 1);
  EXPECT_FALSE(plan.hold);
  const auto needs = series_needs(space, answers, order, {}).value();
  EXPECT_DOUBLE_EQ(needs.duration_s, 5.0 * static_cast<double>(plan.takes.size()));
  EXPECT_DOUBLE_EQ(needs.playback_s, 0.0);
  const double half_width = 30.0 * *answers.train.field_width_arcmin;
  const double half_height = 30.0 * *answers.train.field_height_arcmin;
  // Every place of the limb and of the disc lies in a panel.
  for (int i = 0; i < 360; i += 5) {
    for (const double share : {1.0, 0.6, 0.2}) {
      const double radius = share * answers.sun.semidiameter_arcsec();
      const double right = radius * std::cos(i * 0.0174533);
      const double up = radius * std::sin(i * 0.0174533);
      EXPECT_TRUE(std::any_of(plan.takes.begin(), plan.takes.end(),
                              [&](const auto& take) {
                                const auto middle = sky::to_picture(take.looks, answers.celestial);
                                return std::abs(right - middle.right) <= half_width &&
                                       std::abs(up - middle.up) <= half_height;
                              }))
          << i << ' ' << share;
    }
  }
  // Pointed elsewhere, the same panels are further away.
  space.aim = sky::DiscPlace{300.0, 0.0};
  space.target = Target::kLargestSpot;
  const auto from_spot = series_plan(space, morning_answers(space), order, {}).value();
  EXPECT_NEAR(std::hypot(from_spot.takes[0].looks.west_arcsec - plan.takes[0].looks.west_arcsec,
                         from_spot.takes[0].looks.north_arcsec - plan.takes[0].looks.north_arcsec),
              300.0, 1e-6);
}

TEST(SeriesOrder, OfAPlannedRunIsWhatIsLeftOfIt) {
  plan::Run run;
  run.start = test::morning();
  run.minutes = 10.0;
  run.clip_s = 5.0;
  run.every_s = 20.0;
  EXPECT_FALSE(order_of(run, test::morning() + sky::seconds(-1.0)));
  EXPECT_EQ(order_of(run, test::morning())->rounds, 30);
  EXPECT_EQ(order_of(run, test::morning() + sky::seconds(300.0))->rounds, 15);
  EXPECT_FALSE(order_of(run, test::morning() + sky::seconds(597.0)));
  EXPECT_FALSE(order_of(run, test::morning() + sky::seconds(700.0)));
  run.clip_s = 0.0;
  EXPECT_DOUBLE_EQ(order_of(run, test::morning())->clip_s, 600.0);
  EXPECT_EQ(order_of(run, test::morning())->rounds, 1);
  run.minutes = 120.0;
  EXPECT_EQ(order_of(run, test::morning())->rounds, 2) << "of an hour at most";
  run.clip_s = 30.0;
  run.every_s = 10.0;
  EXPECT_DOUBLE_EQ(order_of(run, test::morning())->every_s, 30.0);
}

}  // namespace
}  // namespace solarchon::workspace
