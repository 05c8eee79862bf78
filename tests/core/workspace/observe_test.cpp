// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/observe.h"

#include <sys/wait.h>
#include <unistd.h>

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <set>
#include <stop_token>

#include "solarchon/media/frame_file.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/workspace/demo.h"
#include "tests/support/support.h"

namespace solarchon::workspace {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::morning_workspace;
using test::quick_rig;
using test::TempFolder;

Answers now(const Workspace& space, sky::UtcTime time = test::morning()) {
  return answer(space, time, sky::geocentric_sun(time, 0.0));
}

TEST(ShotFor, TakesTheSuggestedExposureOrTheGivenOne) {
  const Workspace space = morning_workspace(quick_rig());
  const Answers answers = now(space);
  EXPECT_DOUBLE_EQ(shot_for(space, answers, std::nullopt, 1)->exposure_ms,
                   answers.exposure->exposure_ms);
  EXPECT_DOUBLE_EQ(shot_for(space, answers, 0.5, 1)->exposure_ms, 0.5);
  EXPECT_THAT(shot_for(space, answers, 1e-9, 1), FailsWith(ErrorCode::kOutOfRange, "exposure_ms"));
}

TEST(PlaceOf, IsThatOfTheSunThatIsAskedFor) {
  Workspace space = morning_workspace(quick_rig());
  space.target = Target::kLargestSpot;
  const Answers answers = now(space);
  const scene::SyntheticSun quiet(1, 0.05);
  const scene::SyntheticSun busy(1, 1.0);
  const sky::DiscPlace there = place_of(space, answers, busy);
  const auto things = things_to_see(answers.time, answers.disc, busy);
  EXPECT_TRUE(std::any_of(things.begin(), things.end(), [&](const Thing& thing) {
    return thing.kind == Target::kLargestSpot && thing.place == there;
  }));
  EXPECT_NE(place_of(space, answers, quiet), there);
}

TEST(ShotFor, NeedsTheSunAndATrain) {
  const Workspace space = morning_workspace(quick_rig());
  EXPECT_THAT(shot_for(space, now(space, test::utc("2027-07-17")), std::nullopt, 1),
              FailsWith(ErrorCode::kOutOfRange, "time"));
  const Workspace bare = morning_workspace({});
  EXPECT_THAT(shot_for(bare, now(bare), std::nullopt, 1), FailsWith(ErrorCode::kMissing, "rig"));
}

TEST(ShotFor, PointsAtTheLargestSpotWhenThatIsTheTarget) {
  Workspace space =
      morning_workspace(test::with_part(test::starter_rig(), optics::Amplifier{4.0}, 60.0));
  space.target = Target::kLargestSpot;
  camera::Shot shot = shot_for(space, now(space), std::nullopt, 1).value();
  shot.pointing_spread_px = 0.0;
  EXPECT_GT(std::hypot(shot.target.west_arcsec, shot.target.north_arcsec), 10.0);
  // The darkest part of the middle of the frame is an umbra.
  const auto recording = camera::simulate(shot).value();
  int darkest = 65535;
  for (int dy = -40; dy <= 40; ++dy) {
    for (int dx = -40; dx <= 40; ++dx) {
      darkest = std::min<int>(darkest, recording.frame.at(1024 + dx, 768 + dy));
    }
  }
  EXPECT_LT(darkest, 0.4 * 0.7 * recording.frame.saturation);
}

TEST(TakeFrame, WritesMeasuresAndFiles) {
  const TempFolder folder;
  const Workspace space = morning_workspace(quick_rig());
  log::LogBook book = log::LogBook::open(log_file(folder.path())).value();
  const auto shot = shot_for(space, now(space), std::nullopt, 1).value();
  const Taken taken = take_frame(space, shot, directly(book), folder.path()).value();
  EXPECT_EQ(taken.entry.file, "frames/2027-07-17/084000.fits");
  ASSERT_TRUE(taken.measurement);
  const auto session = book.session(taken.session).value();
  EXPECT_EQ(session.start, session_start(space, test::morning()));
  ASSERT_EQ(session.frames.size(), 1U);
  EXPECT_NEAR(session.frames[0].sun_altitude_deg, 38.48, 0.01);
  const auto frame = media::read_frame(folder / session.frames[0].file).value();
  EXPECT_EQ(frame.pixels, taken.recording.frame.pixels);
}

TEST(TakeFrame, NeverWritesOverAnEarlierFrame) {
  const TempFolder folder;
  const Workspace space = morning_workspace(quick_rig());
  log::LogBook book = log::LogBook::open(log_file(folder.path())).value();
  const auto shot = shot_for(space, now(space), std::nullopt, 1).value();
  const Taken first = take_frame(space, shot, directly(book), folder.path()).value();
  const Taken second = take_frame(space, shot, directly(book), folder.path()).value();
  EXPECT_NE(first.entry.file, second.entry.file);
  EXPECT_EQ(second.session, first.session);
  EXPECT_EQ(book.session(first.session).value().frames.size(), 2U);
}

TEST(TakeFrame, ACancelledFrameLeavesNothing) {
  const TempFolder folder;
  const Workspace space = morning_workspace(quick_rig());
  log::LogBook book = log::LogBook::open(log_file(folder.path())).value();
  const auto shot = shot_for(space, now(space), std::nullopt, 1).value();
  std::stop_source source;
  const base::Task task{source.get_token(), [&](double done) {
                          if (done > 0.2) {
                            source.request_stop();
                          }
                        }};
  const auto outcome = take_frame(space, shot, directly(book), folder.path(), task);
  ASSERT_FALSE(outcome);
  EXPECT_EQ(outcome.error().code, ErrorCode::kCancelled);
  EXPECT_TRUE(book.summaries().value().empty());
  EXPECT_FALSE(std::filesystem::exists(folder / "frames"));
}

TEST(TakeFrame, AFrameThatCannotBeFiledIsNotKept) {
  const TempFolder folder;
  const Workspace space = morning_workspace(quick_rig());
  log::LogBook book = log::LogBook::open(log_file(folder.path())).value();
  const auto shot = shot_for(space, now(space), std::nullopt, 1).value();
  const WithLog full = [](const auto&) -> base::Result<void> {
    return base::fail(ErrorCode::kUnwritable, "log");
  };
  EXPECT_THAT(take_frame(space, shot, full, folder.path()),
              FailsWith(ErrorCode::kUnwritable, "log"));
  EXPECT_FALSE(std::filesystem::exists(folder / "frames/2027-07-17/084000.fits"));
}

TEST(TakeFrame, SaysWhenTheFolderCannotBeWritten) {
  const TempFolder folder;
  const Workspace space = morning_workspace(quick_rig());
  log::LogBook book = log::LogBook::open(log_file(folder.path())).value();
  test::write_text(folder / "frames", "a file in the way");
  const auto shot = shot_for(space, now(space), std::nullopt, 1).value();
  const auto outcome = take_frame(space, shot, directly(book), folder.path());
  ASSERT_FALSE(outcome);
  EXPECT_EQ(outcome.error().code, ErrorCode::kUnwritable);
  EXPECT_TRUE(book.summaries().value().empty());
}

TEST(DemoScenario, IsTheMadeUpCoast) {
  const DemoScenario scenario = demo_scenario().value();
  EXPECT_EQ(scenario.workspace.site.name, "Punta Alcaravan");
  const Answers answers = now(scenario.workspace, scenario.now);
  EXPECT_EQ(answers.safety.verdict, safety::Severity::kNoObjection);
  EXPECT_TRUE(*answers.train.disc_fits);
  EXPECT_GT(answers.local.altitude_deg, 20.0);
}

TEST(FillDemo, TakesUpItsWorkWhereItWasCancelled) {
  const TempFolder folder;
  std::stop_source source;
  const auto cancelled = fill_demo(folder.path(), {source.get_token(), [&](double done) {
                                                     if (done > 0.1) {
                                                       source.request_stop();
                                                     }
                                                   }});
  EXPECT_EQ(cancelled.error().code, ErrorCode::kCancelled);
  const auto book = log::LogBook::open(log_file(folder.path())).value();
  const auto sessions = book.summaries().value();
  ASSERT_FALSE(sessions.empty());
  EXPECT_GT(sessions.front().frames, 0);
  EXPECT_FALSE(demo_is_whole(sessions));
  const std::size_t parts = book.kit().value().size();
  ASSERT_TRUE(fill_demo(folder.path()));
  const auto whole = book.summaries().value();
  EXPECT_TRUE(demo_is_whole(whole));
  EXPECT_EQ(whole.size(), 9U);
  EXPECT_EQ(book.kit().value().size(), parts);  // not doubled
  // In both lights.
  EXPECT_EQ(std::count_if(whole.begin(), whole.end(),
                          [](const log::SessionSummary& session) {
                            return session.rig == "School etalon, prominences";
                          }),
            2);
  for (const log::SessionSummary& session : whole) {
    EXPECT_GT(session.frames, 0);
    EXPECT_FALSE(book.session(session.id).value().notes.empty());
  }
  ASSERT_TRUE(fill_demo(folder.path()));  // done: nothing is added
  EXPECT_EQ(book.summaries().value().size(), whole.size());
}

TEST(FillDemo, LeavesSomebodysOwnLogAsItIs) {
  const TempFolder folder;
  auto book = log::LogBook::open(log_file(folder.path())).value();
  const Workspace space = morning_workspace(test::quick_rig());
  ASSERT_TRUE(book.begin(session_start(space, test::morning())));
  ASSERT_TRUE(fill_demo(folder.path()));
  EXPECT_EQ(book.summaries().value().size(), 1U);
  EXPECT_TRUE(book.kit().value().empty());
}

TEST(TakeFrame, LeavesNoEmptySessionAndSharesNoNameWithAnotherProcess) {
  // Four processes take frames of one instant at once, each into a log that all of them open anew.
  const TempFolder folder;
  const Workspace space = morning_workspace(test::quick_rig());
  const auto shot = shot_for(space, now(space), std::nullopt, 1).value();
  constexpr int kProcesses = 4;
  constexpr int kEach = 3;
  std::vector<pid_t> children;
  for (int i = 0; i < kProcesses; ++i) {
    const pid_t child = ::fork();
    if (child == 0) {
      bool well = true;
      for (int frame = 0; frame < kEach; ++frame) {
        auto book = log::LogBook::open(log_file(folder.path()));
        well = well && book &&
               take_frame(space, shot, directly(*book), folder.path()).has_value() &&
               book->keep_in_kit(optics::shipped_catalogue()->front()).has_value();
      }
      std::_Exit(well ? 0 : 1);
    }
    children.push_back(child);
  }
  for (const pid_t child : children) {
    int status = 1;
    ::waitpid(child, &status, 0);
    EXPECT_EQ(status, 0);
  }
  const auto book = log::LogBook::open(log_file(folder.path())).value();
  const auto sessions = book.summaries().value();
  ASSERT_EQ(sessions.size(), 1U) << "of one site, light path and target";
  EXPECT_EQ(sessions.front().frames, kProcesses * kEach);
  EXPECT_EQ(book.kit().value().size(), static_cast<std::size_t>(kProcesses * kEach));
  std::set<std::string> files;
  const log::Session session = book.session(sessions.front().id).value();
  for (const log::FrameEntry& frame : session.frames) {
    EXPECT_TRUE(files.insert(frame.file).second) << frame.file;
    EXPECT_TRUE(media::read_frame(folder.path() / frame.file)) << frame.file;
  }
}

TEST(StockOf, SeesKitDiskAndTheLastUseBeforeTheDay) {
  const TempFolder folder;
  const Workspace space = test::morning_workspace(test::starter_rig());
  const plan::Day day = day_of(space, {2027, 7, 17}, {});
  log::SessionSummary later;
  later.rig = space.rig.name;
  later.started = day.sun.start + sky::hours(9.0);
  log::SessionSummary other = later;
  other.rig = "another";
  other.started = day.sun.start - sky::days(1.0);
  log::SessionSummary before = later;
  before.started = day.sun.start - sky::days(3.0);
  const auto stock = stock_of(space, day, {test::catalogue_part("Eyepiece 20 mm")},
                              {later, other, before}, folder / "not there yet", 250.0);
  EXPECT_EQ(stock.kit.size(), 1U);
  EXPECT_EQ(stock.last_use, before.started);
  EXPECT_GT(stock.free_bytes.value(), 0.0);
  EXPECT_EQ(stock.write_mb_per_s, 250.0);
  EXPECT_EQ(stock.inspection_days, space.practice.inspection_days);
  EXPECT_FALSE(stock_of(space, day, {}, {later, other}, folder.path(), {}).last_use);
}

}  // namespace
}  // namespace solarchon::workspace
