// SPDX-License-Identifier: GPL-3.0-or-later
#include <SQLiteCpp/SQLiteCpp.h>
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

#include <algorithm>
#include <csignal>
#include <set>

#include "schema.h"
#include "solarchon/log/log_book.h"
#include "tests/support/support.h"

namespace solarchon::log {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::TempFolder;

SessionStart morning_start() {
  return {test::morning(),
          {"Punta Alcaravan", 36.07, -5.58, 42.0, "Europe/Madrid"},
          test::starter_rig(),
          "whole-disc",
          1.8,
          {1013.0, 22.0}};
}

FrameEntry measured_frame() {
  measure::DiscMeasurement measured;
  measured.limb = {1023.5, 767.25, 636.9, 0.93, 0.02, 0.99, 1430, false};
  measured.plate_scale_arcsec_px = 1.4825;
  measured.solar = sky::PictureOrientation{175.5, true};
  measured.view = sky::disc_view(test::morning());
  measured.spots = {{600.5, 700.25, 120.0, 18.0, 33.0, 0.25, 12.5, 88.75},
                    {610.5, 690.25, 20.0, 0.0, 34.0, 0.6, std::nullopt, std::nullopt}};
  return {
      0,       test::morning() + sky::seconds(60.0), "frames/2027-07-17/084100.fits", 0.172, 38.5,
      measured};
}

TEST(LogBook, KeepsASessionWholeAcrossReopening) {
  const TempFolder folder;
  const auto file = folder / "deep" / "log.sqlite";
  std::int64_t session = 0;
  {
    LogBook book = LogBook::open(file).value();
    session = book.begin(morning_start()).value();
    ASSERT_TRUE(book.file_frame(session, measured_frame()));
    ASSERT_TRUE(book.set_notes(session, "calm until ten"));
  }
  const LogBook book = LogBook::open(file).value();
  const Session back = book.session(session).value();
  EXPECT_EQ(back.start, morning_start());
  EXPECT_EQ(back.notes, "calm until ten");
  ASSERT_EQ(back.frames.size(), 1U);
  const FrameEntry expected = measured_frame();
  const FrameEntry& frame = back.frames[0];
  EXPECT_EQ(frame.taken, expected.taken);
  EXPECT_EQ(frame.file, expected.file);
  EXPECT_DOUBLE_EQ(frame.exposure_ms, expected.exposure_ms);
  ASSERT_TRUE(frame.measurement);
  EXPECT_DOUBLE_EQ(frame.measurement->limb.radius_px, 636.9);
  EXPECT_EQ(frame.measurement->limb.points, 1430);
  EXPECT_EQ(frame.measurement->solar, expected.measurement->solar);
  ASSERT_EQ(frame.measurement->spots.size(), 2U);
  EXPECT_DOUBLE_EQ(*frame.measurement->spots[0].latitude_deg, 12.5);
  EXPECT_FALSE(frame.measurement->spots[1].latitude_deg);
  EXPECT_TRUE(frame.measurement->view);
}

TEST(LogBook, ARehearsalIsASessionOfItsOwn) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  const SessionStart start = morning_start();
  std::array<std::int64_t, 2> sessions{};
  for (const bool simulated : {false, true}) {
    FrameEntry frame;
    frame.taken = test::morning();
    frame.file = simulated ? "frames/a.fits" : "frames/b.fits";
    frame.simulated = simulated;
    sessions.at(simulated ? 1 : 0) = book.file_frame(start, frame).value().session;
  }
  EXPECT_NE(sessions[0], sessions[1]);
  for (const bool simulated : {true, false}) {
    ClipEntry clip;
    clip.begun = test::morning() + sky::minutes(5.0);
    clip.file = simulated ? "clips/a.fits" : "clips/b.fits";
    clip.simulated = simulated;
    EXPECT_EQ(book.file_clip(start, clip).value(), sessions.at(simulated ? 1 : 0));
  }
  for (const bool simulated : {false, true}) {
    const Session session = book.session(sessions.at(simulated ? 1 : 0)).value();
    ASSERT_EQ(session.frames.size(), 1U);
    ASSERT_EQ(session.clips.size(), 1U);
    EXPECT_EQ(session.frames.front().simulated, simulated);
    EXPECT_EQ(session.clips.front().simulated, simulated);
  }
  const auto summaries = book.summaries().value();
  for (const SessionSummary& summary : summaries) {
    EXPECT_EQ(summary.simulated, summary.id == sessions[1]);
  }
}

TEST(LogBook, KeepsAFrameWithoutMeasurement) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  const auto session = book.begin(morning_start()).value();
  ASSERT_TRUE(book.file_frame(session, {0, test::morning(), "f", 1.0, 2.0, std::nullopt}));
  EXPECT_FALSE(book.session(session).value().frames[0].measurement);
}

TEST(LogBook, ListsSessionsNewestFirst) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  EXPECT_TRUE(book.summaries().value().empty());
  const auto old_session = book.begin(morning_start()).value();
  SessionStart later = morning_start();
  later.started = later.started + sky::seconds(86400.0);
  const auto new_session = book.begin(later).value();
  ASSERT_TRUE(book.file_frame(old_session, measured_frame()));
  ASSERT_TRUE(book.file_frame(old_session, {0, test::morning(), "f", 1.0, 2.0, std::nullopt}));
  const auto list = book.summaries().value();
  ASSERT_EQ(list.size(), 2U);
  EXPECT_EQ(list[0].id, new_session);
  EXPECT_EQ(list[0].frames, 0);
  EXPECT_EQ(list[1].frames, 2);
  EXPECT_EQ(list[1].spots, 2);
  EXPECT_EQ(list[1].site, "Punta Alcaravan");
  EXPECT_EQ(list[1].last_frame, test::morning() + sky::seconds(60.0));
}

TEST(LogBook, CountsNoSpotsWhereNoneWereSought) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  const auto session = book.begin(morning_start()).value();
  FrameEntry line = measured_frame();
  line.measurement->spots_sought = false;
  line.measurement->spots.clear();
  ASSERT_TRUE(book.file_frame(session, line));
  EXPECT_EQ(book.summaries().value()[0].spots, std::nullopt);
  EXPECT_FALSE(book.session(session)->frames[0].measurement->spots_sought);
  FrameEntry spotless = measured_frame();
  spotless.measurement->spots.clear();
  ASSERT_TRUE(book.file_frame(session, spotless));
  EXPECT_EQ(book.summaries().value()[0].spots, 0);
}

ClipEntry morning_clip(double minutes) {
  return {0,
          test::morning() + sky::seconds(60.0 * minutes),
          "clips/2027-07-17/" + std::to_string(static_cast<int>(minutes)) + ".fits",
          30.0,
          612,
          4,
          0.25,
          38.5,
          4.5,
          "lapse"};
}

TEST(LogBook, FilesClipsWithTheSessionThatTheyAreOf) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  const auto frames = book.file_frame(morning_start(), measured_frame()).value();
  SessionStart later = morning_start();
  later.started = test::morning() + sky::hours(1.0);
  EXPECT_EQ(book.file_clip(later, morning_clip(60.0)).value(), frames.session);
  // What its owner notes of a part begins no other session; taking it off does.
  later.rig.elements.front().care.tuning.push_back({"2027-07-17", 0.1, "found by a run"});
  EXPECT_EQ(book.file_clip(later, morning_clip(5.0)).value(), frames.session);
  // Twice is once.
  EXPECT_EQ(book.file_clip(later, morning_clip(5.0)).value(), frames.session);
  // Another light path, target or day is another session.
  SessionStart other = morning_start();
  other.target = "prominence";
  const std::int64_t second = book.file_clip(other, morning_clip(7.0)).value();
  EXPECT_NE(second, frames.session);
  SessionStart bare = morning_start();
  bare.rig.elements.front().fitted = false;
  EXPECT_NE(book.file_clip(bare, morning_clip(8.0)).value(), frames.session);
  ClipEntry tomorrow = morning_clip(1500.0);
  EXPECT_NE(book.file_clip(morning_start(), tomorrow).value(), frames.session);
  const Session session = book.session(frames.session).value();
  ASSERT_EQ(session.clips.size(), 2U);
  ClipEntry expected = morning_clip(5.0);
  expected.id = session.clips[0].id;
  EXPECT_EQ(session.clips[0], expected) << "in order of time";
  EXPECT_EQ(book.session(second).value().frames.size(), 0U);
  EXPECT_EQ(book.clip_files().value().size(), 5U);
  const auto list = book.summaries().value();
  ASSERT_EQ(list.size(), 4U);
  const auto& first = *std::find_if(list.begin(), list.end(),
                                    [&](const auto& one) { return one.id == frames.session; });
  EXPECT_EQ(first.frames, 1);
  EXPECT_EQ(first.clips, 2);
  EXPECT_EQ(first.spots, 2) << "clips do not count what is on the frames again";
  EXPECT_EQ(first.last_frame, test::morning() + sky::hours(1.0));
}

TEST(LogBook, AProductIsOfTheSessionOfWhatItWasMadeOf) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  const std::int64_t of_clip = book.file_clip(morning_start(), morning_clip(5.0)).value();
  // It is made a year later, with another light path in hand.
  SessionStart later = morning_start();
  later.started = test::morning() + sky::days(365.0);
  later.rig.elements.front().fitted = false;
  FrameEntry stack = measured_frame();
  stack.file = "products/2027-07-17/5-stack.fits";
  stack.kind = PictureKind::kStack;
  stack.made_of = {morning_clip(5.0).file};
  EXPECT_EQ(book.file_frame(later, stack).value().session, of_clip);
  FrameEntry finished = stack;
  finished.file = "products/2027-07-17/5-finished.fits";
  finished.kind = PictureKind::kFinished;
  finished.made_of = {stack.file};
  EXPECT_EQ(book.file_frame(later, finished).value().session, of_clip);
  // What is made of a file that the log does not know is of its own time and light path.
  FrameEntry other = stack;
  other.file = "products/2027-07-17/other-mosaic.fits";
  other.kind = PictureKind::kMosaic;
  other.made_of = {"/elsewhere/b.fits", "/elsewhere/a.fits"};
  EXPECT_NE(book.file_frame(later, other).value().session, of_clip);
  const Session session = book.session(of_clip).value();
  ASSERT_EQ(session.frames.size(), 2U);
  EXPECT_EQ(session.frames[0].kind, PictureKind::kStack);
  EXPECT_EQ(session.frames[0].made_of, stack.made_of);
  EXPECT_EQ(session.frames[1].kind, PictureKind::kFinished);
  EXPECT_EQ(session.frames[1].made_of, finished.made_of);
}

TEST(LogBook, AMovieThatIsWrittenAnewTakesItsOwnPlace) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  ClipEntry movie{0, test::morning(), "/home/me/week.mkv", 6.5, 78, 0};
  movie.movie = true;
  movie.made_of = {"/home/me/1.png", "/home/me/2.png"};
  const auto session = book.file_clip(morning_start(), movie).value();
  ASSERT_TRUE(book.file_clip(morning_start(), morning_clip(5.0)));
  movie.frames = 156;
  movie.seconds = 13.0;
  EXPECT_EQ(book.file_clip(morning_start(), movie).value(), session);
  const Session back = book.session(session).value();
  ASSERT_EQ(back.clips.size(), 2U);
  movie.id = back.clips[0].id;
  EXPECT_EQ(back.clips[0], movie);
  EXPECT_FALSE(back.clips[1].movie);
}

TEST(LogBook, KeepsWhatAClipDoesNotTell) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  ClipEntry clip = morning_clip(3.0);
  clip.exposure_ms.reset();
  clip.r0_cm.reset();
  clip.sun_altitude_deg.reset();
  clip.series.clear();
  const auto session = book.file_clip(morning_start(), clip).value();
  const Session back = book.session(session).value();
  clip.id = back.clips.at(0).id;
  EXPECT_EQ(back.clips[0], clip);
}

TEST(LogBook, KnowsWhenThereIsNoSuchSession) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  EXPECT_THAT(book.session(99), FailsWith(ErrorCode::kNotFound, "session"));
  EXPECT_THAT(book.set_notes(99, "x"), FailsWith(ErrorCode::kNotFound, "session"));
  EXPECT_THAT(book.file_frame(99, measured_frame()), FailsWith(ErrorCode::kNotFound, "session"));
  EXPECT_TRUE(book.summaries().value().empty()) << "the refused frame left something";
}

TEST(LogBook, KeepsTheStepsThatWereDoneOnceAndInOrder) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  const auto session = book.begin(morning_start()).value();
  const auto other = book.begin(morning_start()).value();
  const LoggedTick stand{safety::Occasion::kSetUp, {"stand", test::morning(), false}};
  const LoggedTick early{safety::Occasion::kSetUp,
                         {"turn-to-sun", test::morning() + sky::minutes(3.0), true}};
  ASSERT_TRUE(book.keep_ticks(session, {early, stand}));
  ASSERT_TRUE(book.keep_ticks(session, {stand}));
  EXPECT_EQ(book.session(session).value().ticks, (std::vector<LoggedTick>{stand, early}));
  EXPECT_TRUE(book.session(other).value().ticks.empty());
  ASSERT_TRUE(book.drop_tick(session, early));
  ASSERT_TRUE(book.drop_tick(session, early));
  EXPECT_EQ(book.session(session).value().ticks, std::vector<LoggedTick>{stand});
  EXPECT_THAT(book.keep_ticks(99, {stand}), FailsWith(ErrorCode::kNotFound, "session"));
}

TEST(LogBook, KeepsNotesInAnyScript) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  const auto session = book.begin(morning_start()).value();
  const std::string notes = "caf\xc3\xa9 'quoted'; DROP TABLE session; \xe2\x98\x80";
  ASSERT_TRUE(book.set_notes(session, notes));
  EXPECT_EQ(book.session(session).value().notes, notes);
}

TEST(LogBook, IsSharedByTwoOpenBooks) {
  const TempFolder folder;
  LogBook first = LogBook::open(folder / "log.sqlite").value();
  LogBook second = LogBook::open(folder / "log.sqlite").value();
  const auto session = first.begin(morning_start()).value();
  ASSERT_TRUE(second.file_frame(session, measured_frame()));
  EXPECT_EQ(first.session(session).value().frames.size(), 1U);
}

TEST(LogBook, UsesAWriteAheadLog) {
  const TempFolder folder;
  const auto path = folder / "log.sqlite";
  const LogBook book = LogBook::open(path).value();
  SQLite::Database raw(path.string());
  EXPECT_EQ(raw.execAndGet("PRAGMA journal_mode").getString(), "wal");
  EXPECT_EQ(raw.execAndGet("PRAGMA user_version").getInt(),
            static_cast<int>(schema_steps().size()));
}

TEST(LogBook, RefusesALogOfTheFutureAndLeavesItAlone) {
  const TempFolder folder;
  const auto path = folder / "log.sqlite";
  {
    SQLite::Database raw(path.string(), SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE);
    raw.exec("CREATE TABLE of_the_future (x); PRAGMA user_version = 99");
  }
  EXPECT_THAT(LogBook::open(path), FailsWith(ErrorCode::kVersion, path.string()));
  SQLite::Database raw(path.string());
  EXPECT_TRUE(raw.tableExists("of_the_future"));
  EXPECT_EQ(raw.execAndGet("PRAGMA user_version").getInt(), 99);
}

TEST(LogBook, RefusesAFileThatIsNoLog) {
  const TempFolder folder;
  const auto path = folder / "log.sqlite";
  const std::string text(5000, 'x');
  test::write_text(path, text);
  EXPECT_THAT(LogBook::open(path), FailsWith(ErrorCode::kMalformed, path.string()));
  EXPECT_EQ(test::read_text(path), text);
}

TEST(LogBook, SaysWhenItsFolderCannotBeMade) {
  const TempFolder folder;
  test::write_text(folder / "file", "");
  EXPECT_FALSE(LogBook::open(folder / "file" / "log.sqlite"));
  EXPECT_EQ(LogBook::open(folder / "file" / "log.sqlite").error().code, ErrorCode::kUnwritable);
}

TEST(LogBook, SaysWhenTheDiskIsFullAndLosesNothing) {
  const TempFolder folder;
  const auto path = folder / "log.sqlite";
  std::int64_t session = 0;
  std::size_t filed = 0;
  {
    LogBook book = LogBook::open(path).value();
    session = book.begin(morning_start()).value();
    std::signal(SIGXFSZ, SIG_IGN);
    rlimit before{};
    ::getrlimit(RLIMIT_FSIZE, &before);
    const rlimit small{400'000, before.rlim_max};
    ::setrlimit(RLIMIT_FSIZE, &small);
    base::Result<std::int64_t> outcome = 0;
    while (outcome && filed < 100'000) {
      outcome = book.file_frame(session, measured_frame());
      filed += outcome ? 1U : 0U;
    }
    ::setrlimit(RLIMIT_FSIZE, &before);
    EXPECT_THAT(outcome, FailsWith(ErrorCode::kUnwritable, path.string()));
  }
  EXPECT_GT(filed, 10U);
  LogBook book = LogBook::open(path).value();
  EXPECT_EQ(book.session(session).value().frames.size(), filed);
  EXPECT_TRUE(book.file_frame(session, measured_frame()));  // there is room again
}

TEST(LogBook, ReadsALogThatCannotBeWritten) {
  const TempFolder folder;
  const auto place = folder / "100% #1?";
  const auto path = place / "log.sqlite";
  {
    LogBook book = LogBook::open(path).value();
    ASSERT_TRUE(book.begin(morning_start()));
  }
  // Root may write whatever the permissions say; the road is taken by another user in a child.
  const pid_t child = ::fork();
  if (child == 0) {
    std::filesystem::permissions(folder.path(), std::filesystem::perms::all);
    std::filesystem::permissions(place, std::filesystem::perms(0555));
    std::filesystem::permissions(path, std::filesystem::perms(0444));
    if (::getuid() == 0 && ::setuid(65534) != 0) {
      ::_exit(3);
    }
    const bool refused = !LogBook::open(path);
    auto book = LogBook::open_to_read(path);
    const bool read = book && book->summaries().value().size() == 1;
    const bool kept = book && !book->begin(morning_start());
    ::_exit(refused && read && kept ? 0 : 1);
  }
  int status = 0;
  ::waitpid(child, &status, 0);
  std::filesystem::permissions(place, std::filesystem::perms::owner_all);
  EXPECT_EQ(WEXITSTATUS(status), 0);
}

TEST(LogBook, OpensToReadLikeAnyOtherWhereItCan) {
  const TempFolder folder;
  EXPECT_TRUE(LogBook::open_to_read(folder / "log.sqlite").value().summaries().value().empty());
  test::write_text(folder / "bad", std::string(5000, 'x'));
  EXPECT_THAT(LogBook::open_to_read(folder / "bad"),
              FailsWith(ErrorCode::kMalformed, (folder / "bad").string()));
}

TEST(LogBook, KeepsTheOwnersKit) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  EXPECT_TRUE(book.kit().value().empty());
  optics::Element etalon =
      test::catalogue_part("Heated rear etalon 0.5 \xc3\x85 with 4.3x telecentric");
  etalon.care = {"A-17", "cools slowly", "2027-07-01", "", {{"2027-07-02", -0.2, "crisp"}}};
  const std::string id = book.keep_in_kit(etalon).value();
  const std::string other = book.keep_in_kit(test::catalogue_part("Eyepiece 20 mm")).value();
  EXPECT_NE(id, other);
  etalon.kit_id = id;
  etalon.care.tuning.push_back({"2027-07-09", 0.1, "filaments"});
  EXPECT_EQ(book.keep_in_kit(etalon).value(), id);  // takes the place of the old entry
  const LogBook again = LogBook::open(folder / "log.sqlite").value();
  const auto kit = again.kit().value();
  ASSERT_EQ(kit.size(), 2U);  // by name
  EXPECT_EQ(kit[0].name, "Eyepiece 20 mm");
  EXPECT_EQ(kit[1], etalon);
  ASSERT_TRUE(book.drop_from_kit(other));
  EXPECT_EQ(book.kit().value().size(), 1U);
  EXPECT_THAT(book.drop_from_kit(other), FailsWith(ErrorCode::kNotFound, "kit_id"));
  EXPECT_NE(book.keep_in_kit(test::catalogue_part("Eyepiece 8 mm")).value(), id);
}

TEST(LogBook, KeepsHowLongStepsTook) {
  using plan::StepKind;
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  EXPECT_TRUE(book.step_notes().value().empty());
  ASSERT_TRUE(book.note_step(test::morning() + sky::seconds(60.0), {StepKind::kAlign, 22.5}));
  ASSERT_TRUE(book.note_step(test::morning(), {StepKind::kDrive, 31.0}));  // filed late
  ASSERT_TRUE(book.note_step(test::morning() + sky::seconds(90.0), {StepKind::kAlign, 12.0}));
  EXPECT_THAT(LogBook::open(folder / "log.sqlite").value().step_notes().value(),
              testing::ElementsAre(plan::StepNote{StepKind::kDrive, 31.0},
                                   plan::StepNote{StepKind::kAlign, 22.5},
                                   plan::StepNote{StepKind::kAlign, 12.0}));
  ASSERT_TRUE(book.drop_last_step(StepKind::kAlign));
  EXPECT_EQ(book.step_notes().value().back().minutes, 22.5);
  EXPECT_THAT(book.drop_last_step(StepKind::kFocus), FailsWith(ErrorCode::kNotFound, "step"));
  {
    SQLite::Database raw((folder / "log.sqlite").string(), SQLite::OPEN_READWRITE);
    raw.exec("INSERT INTO step (done_ms, kind, minutes) VALUES (0, 'polish', 3)");
  }
  EXPECT_EQ(book.step_notes().value().size(), 2U);  // what a newer program noted is left out
}

TEST(LogBook, KeepsExposuresThatWereFoundRight) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  EXPECT_TRUE(book.right_exposures("Ours").value().empty());
  const auto first = book.note_exposure({0, test::morning(), "Ours", 2.0, 3.0, true});
  ASSERT_TRUE(first);
  ASSERT_TRUE(book.note_exposure({0, test::morning() + sky::seconds(60.0), "Ours", 2.0, 4.0}));
  ASSERT_TRUE(book.note_exposure({0, test::morning(), "Theirs", 1.0, 1.0}));
  const auto ours = LogBook::open(folder / "log.sqlite").value().right_exposures("Ours").value();
  ASSERT_EQ(ours.size(), 2U);
  EXPECT_EQ(ours[0].right_ms, 4.0);  // newest first
  EXPECT_EQ(ours[1], (RightExposure{*first, test::morning(), "Ours", 2.0, 3.0, true}));
  EXPECT_EQ(book.right_exposures({}).value().size(), 3U);
  ASSERT_TRUE(book.drop_exposure(*first));
  EXPECT_EQ(book.right_exposures("Ours").value().size(), 1U);
  EXPECT_THAT(book.drop_exposure(*first), FailsWith(ErrorCode::kNotFound, "exposure"));
  EXPECT_THAT(book.note_exposure({0, test::morning(), "Ours", 0.0, 3.0}),
              FailsWith(ErrorCode::kOutOfRange, "predicted_ms"));
  EXPECT_THAT(book.note_exposure({0, test::morning(), "Ours", 1.0, -3.0}),
              FailsWith(ErrorCode::kOutOfRange, "right_ms"));
}

TEST(LogBook, BringsALogWithoutAKitUpToDateAndKeepsItsSessions) {
  const TempFolder folder;
  const auto file = folder / "log.sqlite";
  {
    SQLite::Database old(file.string(), SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE);
    ASSERT_TRUE(bring_up_to_date(old, {schema_steps().front()}));
    // As version 1 wrote it, with a rig of its own version.
    old.exec(
        "INSERT INTO session VALUES (1, 1815813600000, "
        "'{\"name\":\"Hill\",\"latitude_deg\":36.07,\"longitude_deg\":-5.58,\"elevation_m\":42,"
        "\"time_zone\":\"UTC\"}', '{\"format\":\"solarchon-rig\",\"version\":1,\"name\":\"Old\","
        "\"elements\":[{\"kind\":\"refractor\",\"aperture_mm\":80,\"focal_length_mm\":480}]}', "
        "'whole-disc', 2.0, 1013, 15, 'kept')");
    // Then only the simulated camera took frames; a product was of whatever clip.
    old.exec("INSERT INTO frame VALUES (1, 1, 1815813600000, 'frames/2027-07-17/0.fits', 1.0, 40)");
    old.exec(
        "INSERT INTO frame VALUES (2, 1, 1815813600001, 'products/2027-07-17/0-stack-2.fits', 1.0, "
        "40)");
  }
  const LogBook book = LogBook::open(file).value();
  EXPECT_TRUE(book.kit().value().empty());
  const Session session = book.session(1).value();
  EXPECT_EQ(session.notes, "kept");
  ASSERT_EQ(session.frames.size(), 2U);
  EXPECT_TRUE(session.frames[0].simulated);
  EXPECT_FALSE(session.frames[1].simulated);
  EXPECT_EQ(session.frames[0].kind, PictureKind::kFrame);
  EXPECT_EQ(session.frames[1].kind, PictureKind::kStack) << "as its name says";
  EXPECT_TRUE(session.frames[1].made_of.empty());
  EXPECT_TRUE(std::holds_alternative<optics::Telescope>(session.start.rig.elements.at(0).part));
}

TEST(BringUpToDate, RunsOnlyTheMissingStepsAndKeepsTheData) {
  SQLite::Database database(":memory:", SQLite::OPEN_READWRITE);
  const std::vector<std::string> first{"CREATE TABLE t (a)"};
  ASSERT_TRUE(bring_up_to_date(database, first));
  database.exec("INSERT INTO t VALUES (7)");
  const std::vector<std::string> second{"CREATE TABLE t (a)",
                                        "ALTER TABLE t ADD COLUMN b DEFAULT 5"};
  ASSERT_TRUE(bring_up_to_date(database, second));
  ASSERT_TRUE(bring_up_to_date(database, second));
  EXPECT_EQ(database.execAndGet("SELECT a + b FROM t").getInt(), 12);
}

TEST(BringUpToDate, AFailingStepChangesNothing) {
  SQLite::Database database(":memory:", SQLite::OPEN_READWRITE);
  ASSERT_TRUE(bring_up_to_date(database, {"CREATE TABLE t (a)"}));
  const std::vector<std::string> broken{"CREATE TABLE t (a)",
                                        "CREATE TABLE u (a); SELECT nonsense FROM nowhere"};
  EXPECT_THROW((void)bring_up_to_date(database, broken), SQLite::Exception);
  EXPECT_FALSE(database.tableExists("u"));
  EXPECT_EQ(database.execAndGet("PRAGMA user_version").getInt(), 1);
}

/// Lets a writer run for a while, kills it, and gives the last ids that it had committed.
std::vector<std::int64_t> killed_writer(const std::filesystem::path& file, int after_us) {
  int ends[2];
  if (::pipe(ends) != 0) {
    return {};
  }
  const pid_t child = ::fork();
  if (child == 0) {
    ::dup2(ends[1], STDOUT_FILENO);
    ::close(ends[0]);
    ::close(ends[1]);
    ::execl(LOG_WRITER, LOG_WRITER, file.c_str(), nullptr);
    ::_exit(127);
  }
  ::close(ends[1]);
  // Counting starts with the first commit, so that slow machines kill mid-work too.
  std::string text;
  char byte = 0;
  while (byte != '\n' && ::read(ends[0], &byte, 1) == 1) {
    text += byte;
  }
  ::usleep(static_cast<useconds_t>(after_us));
  ::kill(child, SIGKILL);
  int status = 0;
  ::waitpid(child, &status, 0);
  EXPECT_TRUE(WIFSIGNALED(status)) << "the writer ended by itself";
  while (::read(ends[0], &byte, 1) == 1) {
    text += byte;
  }
  ::close(ends[0]);
  std::vector<std::int64_t> ids;
  for (std::size_t start = 0; start < text.size();) {
    const std::size_t end = text.find('\n', start);
    if (end == std::string::npos) {
      break;
    }
    ids.push_back(std::stoll(text.substr(start, end - start)));
    start = end + 1;
  }
  return ids;
}

TEST(LogBook, KilledAtAnyMomentItKeepsAllThatWasCommitted) {
  const TempFolder folder;
  const auto path = folder / "log.sqlite";
  std::set<std::int64_t> committed;
  for (int round = 0; round < 12; ++round) {
    const auto ids = killed_writer(path, 500 + round * 1700);
    ASSERT_FALSE(ids.empty());
    committed.insert(ids.begin(), ids.end());
    const LogBook book = LogBook::open(path).value();
    SQLite::Database raw(path.string());
    EXPECT_EQ(raw.execAndGet("PRAGMA integrity_check").getString(), "ok");
    std::set<std::int64_t> found;
    const std::vector<SessionSummary> summaries = book.summaries().value();
    for (const SessionSummary& summary : summaries) {
      const Session session = book.session(summary.id).value();
      for (const FrameEntry& frame : session.frames) {
        found.insert(frame.id);
        ASSERT_TRUE(frame.measurement) << "a frame without its measurement: half a commit";
        EXPECT_EQ(frame.measurement->spots.size(), 40U);
      }
    }
    EXPECT_TRUE(std::includes(found.begin(), found.end(), committed.begin(), committed.end()));
  }
}

sky::Site site_called(const std::string& name) { return {name, -41.3, 174.8, 95.0, "UTC"}; }

TEST(Shelves, KeepByNameAndListWhatWasUsedLastFirst) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  EXPECT_TRUE(book.sites().value().empty());
  sky::Site walled = site_called("Walled");
  walled.horizon.points = {{10.0, 5.0, false}, {200.0, 20.0, true}};
  const KeptSite early{walled, test::morning()};
  const KeptSite late{site_called("Late"), test::morning() + sky::days(1.0)};
  ASSERT_TRUE(book.keep(early));
  ASSERT_TRUE(book.keep(late));
  EXPECT_EQ(book.sites().value(), (std::vector{late, early}));
  KeptSite moved = early;
  moved.item.elevation_m = 300.0;
  moved.used = test::morning() + sky::days(2.0);
  ASSERT_TRUE(book.keep(moved));  // the same name: in its place
  EXPECT_EQ(book.sites().value(), (std::vector{moved, late}));
  ASSERT_TRUE(book.drop_site("Late"));
  EXPECT_EQ(book.sites().value(), std::vector{moved});
  EXPECT_THAT(book.drop_site("Late"), FailsWith(ErrorCode::kNotFound, "name"));
}

TEST(Shelves, TellSitesAndLightPathsApart) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  optics::Rig path = test::usual_train(2);
  path.name = "Late";
  ASSERT_TRUE(book.keep(KeptPath{path, test::morning()}));
  ASSERT_TRUE(book.keep(KeptSite{site_called("Late"), test::morning()}));
  EXPECT_EQ(book.paths().value(), (std::vector<KeptPath>{{path, test::morning()}}));
  ASSERT_TRUE(book.drop_path("Late"));
  EXPECT_TRUE(book.paths().value().empty());
  EXPECT_EQ(book.sites().value().size(), 1U);
}

TEST(Shelves, RefuseWhatHasNoNameOrTooLongAOne) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  for (const std::string& name : {std::string(), std::string(5000, 'n')}) {
    EXPECT_THAT(book.keep(KeptSite{site_called(name), test::morning()}),
                FailsWith(ErrorCode::kOutOfRange, "name"));
  }
  EXPECT_TRUE(book.sites().value().empty());
}

TEST(Shelves, ShowTheOthersBesideADamagedOneAndSayWhich) {
  const TempFolder folder;
  const auto file = folder / "log.sqlite";
  LogBook book = LogBook::open(file).value();
  ASSERT_TRUE(book.keep(KeptSite{site_called("Hurt"), test::morning()}));
  SQLite::Database raw(file.string(), SQLite::OPEN_READWRITE);
  raw.exec("UPDATE shelf SET item = '{'");
  ASSERT_TRUE(book.keep(KeptSite{site_called("Whole"), test::morning()}));
  const auto sites = book.sites();
  ASSERT_TRUE(sites);
  ASSERT_EQ(sites->size(), 1U);
  EXPECT_EQ(sites->front().item.name, "Whole");
  const auto damaged = book.damaged();
  ASSERT_TRUE(damaged);
  ASSERT_EQ(damaged->size(), 1U);
  EXPECT_EQ(damaged->front().field, "Hurt");
}

TEST(LogBook, ShowsEverySessionBesideADamagedOne) {
  const TempFolder folder;
  const auto file = folder / "log.sqlite";
  LogBook book = LogBook::open(file).value();
  ASSERT_TRUE(book.begin(morning_start()));
  ASSERT_TRUE(book.begin(morning_start()));
  SQLite::Database raw(file.string(), SQLite::OPEN_READWRITE);
  raw.exec("UPDATE session SET site = 'no json', rig = '' WHERE id = 1");
  raw.exec("UPDATE session SET started_ms = 9000000000000000 WHERE id = 2");
  const auto list = book.summaries();
  ASSERT_TRUE(list) << list.error().field;
  ASSERT_EQ(list->size(), 2U);
  EXPECT_LE((*list)[0].started, sky::kLastTime) << "a year of five digits";
  EXPECT_FALSE((*list)[0].site.empty());
  EXPECT_TRUE((*list)[1].site.empty());
  EXPECT_EQ(book.damaged().value().size(), 2U) << "its site and its light path";
}

TEST(LogBook, TakesANegativeVersionForNoLogOfItsOwn) {
  const TempFolder folder;
  const auto path = folder / "log.sqlite";
  {
    SQLite::Database raw(path.string(), SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE);
    raw.exec("CREATE TABLE a (x); PRAGMA user_version = -1");
  }
  EXPECT_THAT(LogBook::open(path), FailsWith(ErrorCode::kMalformed, path.string()));
}

TEST(Kit, TakesAPartUnderTheIdThatItBrings) {
  const TempFolder folder;
  LogBook book = LogBook::open(folder / "log.sqlite").value();
  optics::Element part = test::catalogue_part("Eyepiece 20 mm");
  part.kit_id = "kit-of-its-own";
  EXPECT_EQ(book.keep_in_kit(part).value(), "kit-of-its-own");
  part.kit_id.clear();
  EXPECT_EQ(book.keep_in_kit(part).value(), "kit-1");
}

}  // namespace
}  // namespace solarchon::log
