// SPDX-License-Identifier: GPL-3.0-or-later
#include <fitsio.h>
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

#include <array>
#include <chrono>
#include <cmath>
#include <csignal>
#include <fstream>
#include <limits>
#include <numeric>
#include <thread>

#include "solarchon/base/json.h"
#include "solarchon/base/random.h"
#include "solarchon/capture/session.h"
#include "solarchon/capture/watch.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/clip_writer.h"
#include "tests/support/support.h"

namespace solarchon::capture {
namespace {

using base::ErrorCode;
using image::Frame;
using media::ClipReader;
using media::ClipWriter;
using test::FailsWith;
using test::TempFolder;

/// Of its number, another in every pixel.
Frame numbered(int number, int saturation, int width = 60, int height = 33) {
  Frame frame;
  frame.width = width;
  frame.height = height;
  frame.saturation = saturation;
  frame.info.time = test::morning();
  frame.info.wavelength_nm = 656.28;
  for (int i = 0; i < width * height; ++i) {
    frame.pixels.push_back(
        static_cast<std::uint16_t>((i * 7919 + number * 104729) % (saturation + 1)));
  }
  return frame;
}

media::ClipFormat format_of(const Frame& frame, double rate_hz = 50.0) {
  return {frame.width, frame.height, frame.saturation, rate_hz, frame.info};
}

LiveFrame live(int number, double seconds, int saturation = 255) {
  return {numbered(number, saturation), seconds, number};
}

TEST(ClipWriter, GivesBackWhatWasRecorded) {
  const TempFolder folder;
  for (const int saturation : {255, 4095, 65535}) {
    const auto file = folder / (std::to_string(saturation) + ".fits");
    {
      ClipWriter clip = ClipWriter::create(file, format_of(numbered(0, saturation))).value();
      for (int i = 0; i < 5; ++i) {
        ASSERT_TRUE(clip.add(numbered(i, saturation), i * i * 0.1));
      }
      EXPECT_EQ(clip.frames(), 5);
      ASSERT_TRUE(clip.close());
    }
    EXPECT_EQ(std::filesystem::file_size(file) % 2880, 0U);
    ClipReader clip = ClipReader::open(file).value();
    EXPECT_EQ(clip.facts().frames, 5);
    EXPECT_EQ(clip.facts().promised, 5);
    EXPECT_EQ(clip.facts().saturation, saturation);
    EXPECT_NEAR(*clip.facts().info.wavelength_nm, 656.28, 1e-9);
    Frame frame;
    for (const int i : {4, 0, 2}) {
      ASSERT_TRUE(clip.read(i, frame));
      EXPECT_EQ(frame.pixels, numbered(i, saturation).pixels) << saturation;
      EXPECT_NEAR(*clip.seconds_of(i), i * i * 0.1, 1e-6);
      EXPECT_NEAR(static_cast<double>(frame.info.time->unix_ms - test::morning().unix_ms),
                  i * i * 100.0, 1.0);
    }
    // As others read it: a cube of the right kind.
    fitsfile* cube = nullptr;
    int status = 0;
    int bits = 0;
    std::array<long, 3> size{};
    fits_open_file(&cube, file.c_str(), READONLY, &status);
    fits_get_img_type(cube, &bits, &status);
    fits_get_img_size(cube, 3, size.data(), &status);
    fits_close_file(cube, &status);
    EXPECT_EQ(status, 0);
    EXPECT_EQ(bits, saturation > 255 ? SHORT_IMG : BYTE_IMG);
    EXPECT_EQ(size, (std::array<long, 3>{60, 33, 5}));
  }
}

TEST(ClipWriter, LeavesAClipThatIsThereAlone) {
  const TempFolder folder;
  test::write_text(folder / "a.fits", "mine");
  EXPECT_THAT(ClipWriter::create(folder / "a.fits", format_of(numbered(0, 255))),
              FailsWith(ErrorCode::kUnwritable, (folder / "a.fits").string()));
  EXPECT_EQ(test::read_text(folder / "a.fits"), "mine");
  EXPECT_FALSE(ClipWriter::create(folder / "no" / "a.fits", format_of(numbered(0, 255))));
  EXPECT_THAT(ClipWriter::create(folder / "b.fits", format_of(numbered(0, 255), 0.0)),
              FailsWith(ErrorCode::kOutOfRange, "rate_hz"));
}

TEST(ClipWriter, TakesNoFrameOfAnotherSize) {
  const TempFolder folder;
  ClipWriter clip = ClipWriter::create(folder / "a.fits", format_of(numbered(0, 255))).value();
  EXPECT_FALSE(clip.add(numbered(0, 255, 61, 33), 0.0));
  EXPECT_TRUE(clip.add(numbered(0, 255), 0.0));
  EXPECT_EQ(clip.frames(), 1);
}

TEST(ClipWriter, KilledAtAnyMomentItLeavesWholeFrames) {
  base::Random random{11};
  for (int round = 0; round < 200; ++round) {
    const TempFolder folder;
    const auto file = folder / "a.fits";
    std::array<int, 2> told{};
    ASSERT_EQ(pipe(told.data()), 0);
    const pid_t child = fork();
    if (child == 0) {
      auto clip = ClipWriter::create(file, format_of(numbered(0, 4095)));
      for (int i = 0; clip; ++i) {
        (void)clip->add(numbered(i, 4095), i * 0.02);
        const ssize_t said = write(told[1], &i, sizeof i);
        (void)said;
      }
      _exit(1);
    }
    close(told[1]);
    int last = -1;
    const int until = static_cast<int>(random.below(30));
    while (last < until && read(told[0], &last, sizeof last) == sizeof last) {
    }
    kill(child, SIGKILL);
    int ended = 0;
    waitpid(child, &ended, 0);
    while (read(told[0], &last, sizeof last) == sizeof last) {
    }
    close(told[0]);
    ClipReader clip = ClipReader::open(file).value();
    ASSERT_GE(clip.facts().frames, last + 1) << "a frame that was done is gone";
    Frame frame;
    for (int i = 0; i < clip.facts().frames; ++i) {
      ASSERT_TRUE(clip.read(i, frame));
      ASSERT_EQ(frame.pixels, numbered(i, 4095).pixels) << i;
    }
  }
}

TEST(ClipWriter, AFullDiskEndsTheClipWithTheFrameBefore) {
  const TempFolder folder;
  const auto file = folder / "a.fits";
  const pid_t child = fork();
  if (child == 0) {
    std::signal(SIGXFSZ, SIG_IGN);
    const rlimit most{40'000, 40'000};
    setrlimit(RLIMIT_FSIZE, &most);
    auto clip = ClipWriter::create(file, format_of(numbered(0, 4095)));
    int written = 0;
    while (clip && clip->add(numbered(written, 4095), written * 0.1)) {
      ++written;
    }
    _exit(clip && written == clip->frames() && !clip->add(numbered(written, 4095), 9.0) ? written
                                                                                        : 99);
  }
  int ended = 0;
  waitpid(child, &ended, 0);
  const int written = WEXITSTATUS(ended);
  ASSERT_GT(written, 3);
  ASSERT_LT(written, 20);
  ClipReader clip = ClipReader::open(file).value();
  EXPECT_EQ(clip.facts().frames, written);
  Frame frame;
  ASSERT_TRUE(clip.read(written - 1, frame));
  EXPECT_EQ(frame.pixels, numbered(written - 1, 4095).pixels);
}

TEST(Times, ThatDoNotFitAreNotBelieved) {
  const TempFolder folder;
  const auto file = folder / "a.fits";
  {
    ClipWriter clip = ClipWriter::create(file, format_of(numbered(0, 255), 10.0)).value();
    for (int i = 0; i < 3; ++i) {
      ASSERT_TRUE(clip.add(numbered(i, 255), i * 0.5));
    }
  }
  EXPECT_NEAR(*ClipReader::open(file)->seconds_of(2), 1.0, 1e-9);
  for (const char* wrong :
       {"frame,seconds\n0,0\n1,0.5\n", "frame,seconds\n0,0\n1,nan\n2,1\n",
        "frame,seconds\n0,0\n1,7\n2,1\n", "frame,seconds\n0 0\n1 1\n2 2\n", "", "x"}) {
    test::write_text(media::times_beside(file), wrong);
    EXPECT_NEAR(*ClipReader::open(file)->seconds_of(2), 0.2, 1e-9) << wrong;
  }
}

TEST(Recorder, EndsAtItsLimits) {
  const TempFolder folder;
  const auto recorded = [&](RecordPlan plan) {
    auto recorder = Recorder::begin(plan, live(0, 0.0), 10.0).value();
    for (int i = 0; i < 40; ++i) {
      recorder->offer(live(i, 5.0 + i * 0.1), 1.0);
      std::this_thread::sleep_for(std::chrono::milliseconds(1));
    }
    return recorder->finish();
  };
  RecordPlan plan;
  plan.file = folder / "frames.fits";
  plan.frames = 12;
  EXPECT_EQ(recorded(plan).written, 12);
  plan.file = folder / "seconds.fits";
  plan.frames = {};
  plan.seconds = 1.55;
  EXPECT_EQ(recorded(plan).written, 16);
  plan.file = folder / "bytes.fits";
  plan.seconds = {};
  plan.bytes = 2880 * 2 + 60 * 33 * 7;
  const RecordState bytes = recorded(plan);
  EXPECT_TRUE(bytes.full);
  EXPECT_GE(bytes.bytes, *plan.bytes);
  EXPECT_LT(bytes.bytes, *plan.bytes + 2 * 60 * 33);
  plan.file = folder / "all.fits";
  plan.bytes = {};
  EXPECT_EQ(recorded(plan).written, 40);
  ClipReader clip = ClipReader::open(folder / "all.fits").value();
  EXPECT_NEAR(*clip.seconds_of(39), 3.9, 1e-6) << "times begin with the clip";
  const base::Json facts = base::Json::parse(test::read_text(facts_beside(folder / "all.fits")));
  EXPECT_EQ(facts.at("frames"), 40);
  EXPECT_EQ(facts.at("ended"), true);
}

TEST(Recorder, CountsWhatIsLost) {
  const TempFolder folder;
  RecordPlan plan;
  plan.file = folder / "a.fits";
  plan.sidecar = base::Json{{"site", "Punta Alcaravan"}};
  auto recorder = Recorder::begin(plan, live(0, 0.0), 10.0).value();
  for (const int number : {3, 4, 7, 8, 12}) {
    recorder->offer(live(number, number * 0.1), 1.0);
  }
  const RecordState state = recorder->finish();
  EXPECT_EQ(state.written, 5);
  EXPECT_EQ(state.lost_before, 5);
  EXPECT_EQ(state.dropped, 0);
  const base::Json facts = base::Json::parse(test::read_text(facts_beside(plan.file)));
  EXPECT_EQ(facts.at("site"), "Punta Alcaravan");
  EXPECT_EQ(facts.at("lost_before"), 5);
  EXPECT_EQ(recorder->finish().written, 5) << "twice is once";
}

TEST(Recorder, DropsAndSaysSoWhereTheRingIsFull) {
  const TempFolder folder;
  RecordPlan plan;
  plan.file = folder / "a.fits";
  plan.ring_bytes = 1;  // one frame at most
  auto recorder = Recorder::begin(plan, live(0, 0.0), 1000.0).value();
  for (int i = 0; i < 400; ++i) {
    recorder->offer(live(i, i * 0.001), 1.0);
  }
  const RecordState state = recorder->finish();
  EXPECT_EQ(state.written + state.dropped, 400);
  EXPECT_GT(state.written, 0);
  EXPECT_EQ(ClipReader::open(plan.file)->facts().frames, state.written);
}

TEST(Recorder, TakesTheSharpMomentsAndWhatCameBefore) {
  const TempFolder folder;
  RecordPlan plan;
  plan.file = folder / "a.fits";
  plan.above_share = 0.8;
  plan.pre_roll_s = 0.25;
  auto recorder = Recorder::begin(plan, live(0, 0.0), 10.0).value();
  // Calm at frames 60 to 64 only.
  for (int i = 0; i < 100; ++i) {
    const double sharpness = i >= 60 && i < 65 ? 10.0 : 1.0 - 0.001 * i;
    recorder->offer(live(i, i * 0.1), sharpness);
  }
  const RecordState state = recorder->finish();
  EXPECT_EQ(state.written, 7);
  EXPECT_EQ(state.passed_over, 93);
  ClipReader clip = ClipReader::open(plan.file).value();
  Frame frame;
  ASSERT_TRUE(clip.read(0, frame));
  EXPECT_EQ(frame.pixels, numbered(58, 255).pixels);
  EXPECT_NEAR(*clip.seconds_of(6), 0.6, 1e-6);
}

TEST(Recorder, NamesTheBadField) {
  const TempFolder folder;
  RecordPlan plan;
  plan.file = folder / "a.fits";
  plan.above_share = 1.0;
  EXPECT_THAT(Recorder::begin(plan, live(0, 0.0), 10.0),
              FailsWith(ErrorCode::kOutOfRange, "above_share"));
  plan.above_share = {};
  plan.frames = 0;
  EXPECT_THAT(Recorder::begin(plan, live(0, 0.0), 10.0),
              FailsWith(ErrorCode::kOutOfRange, "frames"));
  EXPECT_FALSE(std::filesystem::exists(plan.file));
}

std::filesystem::path small_clip(const TempFolder& folder, int frames) {
  const auto file = folder / "played.fits";
  ClipWriter clip = ClipWriter::create(file, format_of(numbered(0, 255), 100.0)).value();
  for (int i = 0; i < frames; ++i) {
    EXPECT_TRUE(clip.add(numbered(i, 255), i * 0.01));
  }
  EXPECT_TRUE(clip.close());
  return file;
}

TEST(ClipSource, PlaysInItsOwnTimeOrAtOnce) {
  const TempFolder folder;
  const auto file = small_clip(folder, 30);
  for (const Pace pace : {Pace::kAsFastAsItGoes, Pace::kOfTheClock}) {
    auto source = open_clip_source(file, pace).value();
    EXPECT_TRUE(source->card().ends);
    EXPECT_EQ(source->card().width, 60);
    const auto begin = std::chrono::steady_clock::now();
    LiveFrame frame;
    int count = 0;
    while (*source->next(frame, {})) {
      EXPECT_EQ(frame.number, count);
      ++count;
    }
    EXPECT_EQ(count, 30);
    const std::chrono::duration<double> took = std::chrono::steady_clock::now() - begin;
    if (pace == Pace::kOfTheClock) {
      EXPECT_GE(took.count(), 0.28);
    }
    EXPECT_THAT(source->expose(1.0), FailsWith(ErrorCode::kNotFound, "exposure_ms"));
  }
}

camera::StreamPlan small_sun() {
  camera::StreamPlan plan;
  optics::Rig rig = test::quick_rig();
  auto& camera = std::get<optics::Camera>(rig.elements.back().part);
  camera.width_px = 160;
  camera.height_px = 120;
  camera.pixel_um = 42.0;
  camera.full_well_e *= 16.0;
  plan.shot = test::morning_shot(rig);
  plan.shot.air = seeing::Air{};
  return plan;
}

TEST(SunSource, GivesFramesAndObeysTheExposure) {
  auto source = open_sun_source(small_sun(), 20.0, Pace::kAsFastAsItGoes).value();
  EXPECT_TRUE(source->card().simulated);
  LiveFrame frame;
  ASSERT_TRUE(*source->next(frame, {}));
  const auto sum = [&] {
    return std::accumulate(frame.frame.pixels.begin(), frame.frame.pixels.end(), 0.0);
  };
  const double before = sum();
  ASSERT_TRUE(source->expose(0.5 * *frame.frame.info.exposure_ms));
  ASSERT_TRUE(*source->next(frame, {}));
  EXPECT_EQ(frame.number, 1);
  EXPECT_NEAR(frame.seconds, 0.05, 1e-9);
  EXPECT_NEAR(sum() / before, 0.5, 0.03);
  EXPECT_FALSE(source->expose(-1.0));
  std::stop_source stop;
  stop.request_stop();
  EXPECT_FALSE(*source->next(frame, stop.get_token()));
  EXPECT_THAT(open_sun_source(small_sun(), 0.0, Pace::kOfTheClock),
              FailsWith(ErrorCode::kOutOfRange, "rate_hz"));
}

/// Waits for something, but not for ever.
template <typename Condition>
bool comes(const Condition& condition) {
  for (int i = 0; i < 2000; ++i) {
    if (condition()) {
      return true;
    }
    std::this_thread::sleep_for(std::chrono::milliseconds(10));
  }
  return false;
}

TEST(Session, ShowsMetersRecordsAndEnds) {
  const TempFolder folder;
  std::atomic<int> glances = 0;
  Session session(
      open_sun_source(small_sun(), 50.0, Pace::kOfTheClock).value(), live::Setting{},
      [&] { ++glances; }, 100.0);
  ASSERT_TRUE(comes([&] { return session.glance().frame != nullptr; }));
  RecordPlan plan;
  plan.file = folder / "a.fits";
  plan.frames = 8;
  session.record(plan);
  ASSERT_TRUE(comes([&] {
    const auto recording = session.glance().recording;
    return recording && recording->full && recording->waiting == 0 && recording->written == 8;
  }));
  EXPECT_EQ(ClipReader::open(plan.file)->facts().frames, 8);
  // Another, ended by hand; a name that is taken shows as a problem.
  plan.file = folder / "b.fits";
  plan.frames = {};
  session.record(plan);
  ASSERT_TRUE(comes([&] {
    const auto recording = session.glance().recording;
    return recording && !recording->full && recording->written > 2;
  }));
  session.stop_recording();
  plan.file = folder / "a.fits";
  session.record(plan);
  ASSERT_TRUE(comes([&] {
    const auto recording = session.glance().recording;
    return recording && recording->problem;
  }));
  EXPECT_GT(ClipReader::open(folder / "b.fits")->facts().frames, 2);
  EXPECT_GT(glances, 3);
  EXPECT_FALSE(session.glance().ended);
  EXPECT_TRUE(comes([&] { return session.glance().readings.frames > 10; }));
}

/// A camera that is gone after some frames.
class DyingSource : public Source {
 public:
  DyingSource(int frames, bool gone) : frames_(frames), gone_(gone) {
    card_.width = 60;
    card_.height = 33;
    card_.saturation = 255;
    card_.rate_hz = 100.0;
  }
  [[nodiscard]] const SourceCard& card() const override { return card_; }
  base::Result<bool> next(LiveFrame& into, std::stop_token stop) override {
    if (stop.stop_requested() || (at_ >= frames_ && !gone_)) {
      return false;
    }
    if (at_ >= frames_) {
      return base::fail(ErrorCode::kNotFound, "device");
    }
    std::this_thread::sleep_for(std::chrono::microseconds(200));
    into = live(at_, 0.01 * at_);
    ++at_;
    return true;
  }

 private:
  int frames_;
  bool gone_;
  int at_ = 0;
  SourceCard card_;
};

TEST(Session, ACameraThatDiesAtAnyMomentLeavesWhatItGave) {
  base::Random random{23};
  for (int round = 0; round < 200; ++round) {
    const TempFolder folder;
    const auto file = folder / "a.fits";
    const int frames = 1 + static_cast<int>(random.below(60));
    const bool gone = random.below(2) == 0;
    RecordPlan plan;
    plan.file = file;
    Session session(std::make_unique<DyingSource>(frames, gone), live::Setting{}, {});
    session.record(plan);
    const auto begun = std::chrono::steady_clock::now();
    while (!session.glance().ended &&
           std::chrono::steady_clock::now() - begun < std::chrono::seconds(20)) {
      std::this_thread::sleep_for(std::chrono::milliseconds(1));
    }
    const Glance glance = session.glance();
    ASSERT_TRUE(glance.ended);
    EXPECT_EQ(glance.problem.has_value(), gone);
    if (!glance.recording) {
      continue;  // it was gone before it could be asked to record
    }
    ASSERT_TRUE(glance.recording->closed);
    ClipReader clip = ClipReader::open(file).value();
    ASSERT_EQ(clip.facts().frames, glance.recording->written);
    const base::Json facts = base::Json::parse(test::read_text(facts_beside(file)));
    EXPECT_EQ(facts.at("ended"), true);
    EXPECT_EQ(facts.at("frames"), glance.recording->written);
    Frame frame;
    ASSERT_TRUE(clip.read(clip.facts().frames - 1, frame));
    EXPECT_EQ(frame.pixels, numbered(frames - 1, 255).pixels) << "its last is there";
  }
}

/// A camera that does something no camera should, from its thirtieth frame on.
class WaywardSource : public Source {
 public:
  enum class Way { kGrows, kHoldsTooLittle, kJumpsBack, kTellsNoTime, kIsSetByHours, kPauses };
  explicit WaywardSource(Way way) : way_(way) {
    card_.width = 60;
    card_.height = 33;
    card_.saturation = 255;
    card_.rate_hz = 100.0;
  }
  static constexpr int kGood = 30;
  [[nodiscard]] const SourceCard& card() const override { return card_; }
  base::Result<bool> next(LiveFrame& into, std::stop_token stop) override {
    if (stop.stop_requested() || at_ >= 3 * kGood) {
      return false;
    }
    std::this_thread::sleep_for(std::chrono::milliseconds(2));
    into = live(at_, 0.01 * at_);
    if (at_ >= kGood) {
      stray(into);
    }
    ++at_;
    return true;
  }

 private:
  void stray(LiveFrame& into) {
    switch (way_) {
      case Way::kGrows:
        into.frame = numbered(at_, 255, 90, 50);
        break;
      case Way::kHoldsTooLittle:
        into.frame.pixels.resize(100);  // and still claims 60 x 33
        break;
      case Way::kJumpsBack:
        into.seconds -= 0.25;
        break;
      case Way::kTellsNoTime:
        into.seconds = std::numeric_limits<double>::quiet_NaN();
        break;
      case Way::kIsSetByHours:
        into.frame.info.time = *into.frame.info.time - sky::hours(7.0);
        break;
      case Way::kPauses:
        if (at_ == kGood) {
          std::this_thread::sleep_for(std::chrono::milliseconds(700));
        }
        into.seconds += 0.7;
        break;
    }
  }
  Way way_;
  int at_ = 0;
  SourceCard card_;
};

TEST(Session, ACameraThatLiesPausesOrChangesLeavesWhatWasGood) {
  using Way = WaywardSource::Way;
  for (const Way way : {Way::kGrows, Way::kHoldsTooLittle, Way::kJumpsBack, Way::kTellsNoTime,
                        Way::kIsSetByHours, Way::kPauses}) {
    SCOPED_TRACE(static_cast<int>(way));
    const TempFolder folder;
    RecordPlan plan;
    plan.file = folder / "a.fits";
    if (way == Way::kJumpsBack || way == Way::kTellsNoTime) {
      plan.seconds = 0.6;  // it ends by a time that the camera would never reach
    }
    Session session(std::make_unique<WaywardSource>(way), live::Setting{}, {});
    session.record(plan);
    ASSERT_TRUE(comes([&] { return session.glance().ended; }));
    const Glance glance = session.glance();
    const bool lies = way == Way::kHoldsTooLittle;
    EXPECT_EQ(glance.problem.has_value(), lies);
    ASSERT_TRUE(glance.recording);
    EXPECT_TRUE(glance.recording->closed);
    EXPECT_EQ(glance.recording->problem.has_value(), way == Way::kGrows)
        << "that it stopped is told";
    ClipReader clip = ClipReader::open(plan.file).value();
    ASSERT_EQ(clip.facts().frames, glance.recording->written);
    EXPECT_GT(clip.facts().frames, 10);
    if (lies || way == Way::kGrows) {
      EXPECT_LE(clip.facts().frames, WaywardSource::kGood);
    } else if (plan.seconds) {
      EXPECT_LT(clip.facts().frames, 70) << "it ended by its seconds";
    }
    Frame frame;
    for (int i = 0; i < clip.facts().frames; ++i) {
      ASSERT_TRUE(clip.read(i, frame)) << i;
      EXPECT_EQ(frame.width, 60);
    }
  }
}

TEST(Session, EndsWithItsClip) {
  const TempFolder folder;
  Session session(open_clip_source(small_clip(folder, 20), Pace::kAsFastAsItGoes).value(),
                  live::Setting{}, {});
  ASSERT_TRUE(comes([&] { return session.glance().ended; }));
  EXPECT_FALSE(session.glance().problem);
  EXPECT_EQ(session.glance().readings.frames, 20);
}

TEST(WatchedFolder, TellsOfFilesOnceTheyAreWhole) {
  const TempFolder folder;
  test::write_text(folder / "old.fits", "x");
  WatchedFolder watched(folder.path(), std::chrono::milliseconds(500));
  const WatchedFolder::Clock::time_point start{};
  const auto at = [&](int ms) {
    return watched.look(start + std::chrono::milliseconds(ms)).value();
  };
  EXPECT_TRUE(at(0).empty());
  test::write_text(folder / "new.MKV", "x");
  test::write_text(folder / "notes.txt", "x");
  EXPECT_TRUE(at(100).empty());
  EXPECT_TRUE(at(400).empty());
  test::write_text(folder / "new.MKV", "xx");  // it grows
  EXPECT_TRUE(at(700).empty());
  EXPECT_TRUE(at(1100).empty());
  EXPECT_EQ(at(1300), std::vector<std::filesystem::path>{folder / "new.MKV"});
  EXPECT_TRUE(at(5000).empty()) << "once";
  WatchedFolder none(folder / "nothing");
  EXPECT_THAT(none.look(start), FailsWith(ErrorCode::kUnreadable, (folder / "nothing").string()));
}

}  // namespace
}  // namespace solarchon::capture
