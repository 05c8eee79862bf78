// SPDX-License-Identifier: GPL-3.0-or-later
#include "standins/stand_in_telescope.h"

#include <chrono>
#include <cmath>
#include <thread>

#include "solarchon/base/angle.h"
#include "solarchon/base/json.h"
#include "solarchon/capture/run.h"
#include "solarchon/capture/session.h"
#include "solarchon/devices/mount_client.h"
#include "solarchon/devices/telescope_client.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "solarchon/live/meters.h"
#include "solarchon/live/seeing_monitor.h"
#include "solarchon/measure/disc.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/sky/sun.h"
#include "solarchon/workspace/live.h"
#include "standins/clock.h"
#include "tests/standins/rogue.h"
#include "tests/standins/served.h"
#include "tests/support/support.h"

namespace solarchon::standins {
namespace {

using base::ErrorCode;
using base::Json;
using capture::RunStage;
using devices::TelescopeClient;
using test::FailsWith;

TEST(StandInFocuser, ItsDrawtubeTrailsTheMotorByThePlay) {
  FocuserBuild build;
  build.starts_um = 10'000.0;
  build.best_um = 10'000.0;
  build.backlash_um = 200.0;
  build.speed_um_s = 1'000.0;
  StandInFocuser focuser(build);
  EXPECT_DOUBLE_EQ(focuser.out_of_focus_um(), -100.0);  // in the middle of the play
  focuser.go(10'500.0);
  focuser.advance(0.2);
  EXPECT_TRUE(focuser.state().moving);
  EXPECT_DOUBLE_EQ(focuser.state().position_um, 10'200.0);
  EXPECT_DOUBLE_EQ(focuser.out_of_focus_um(), 0.0);  // 100 of play were taken up
  focuser.advance(10.0);
  EXPECT_FALSE(focuser.state().moving);
  EXPECT_DOUBLE_EQ(focuser.out_of_focus_um(), 300.0);
  focuser.go(10'400.0);
  focuser.advance(1.0);
  EXPECT_DOUBLE_EQ(focuser.out_of_focus_um(), 300.0);  // back within the play: nothing moves
  focuser.go(10'200.0);
  focuser.advance(1.0);
  EXPECT_DOUBLE_EQ(focuser.out_of_focus_um(), 200.0);
  focuser.go(1e9);
  focuser.advance(1e3);
  EXPECT_DOUBLE_EQ(focuser.state().position_um, build.travel_um);
  focuser.go(0.0);
  focuser.advance(1.0);
  focuser.stop();
  EXPECT_FALSE(focuser.state().moving);
  EXPECT_DOUBLE_EQ(focuser.state().position_um, build.travel_um - 1'000.0);
}

TEST(StandInFocuser, FocusGoesAsTheTubeCools) {
  FocuserBuild build;
  build.warmer_k = 8.0;
  build.cools_min = 10.0;
  build.shift_um_k = 11.0;
  StandInFocuser focuser(build);
  const double before_um = focuser.out_of_focus_um();
  EXPECT_DOUBLE_EQ(*focuser.state().temperature_c, build.air_c + 8.0);
  focuser.advance(600.0);
  EXPECT_NEAR(*focuser.state().temperature_c, build.air_c + 8.0 / std::exp(1.0), 1e-9);
  // The tube has become shorter: the focus has come in, the drawtube stands outside of it.
  EXPECT_NEAR(focuser.out_of_focus_um() - before_um, 11.0 * 8.0 * (1.0 - std::exp(-1.0)), 1e-9);
}

TEST(StandInHeater, ComesToItsStepExponentiallyAndKnowsWhen) {
  HeaterBuild build;
  build.off_angstrom = 0.07;
  StandInHeater heater(build);
  EXPECT_FALSE(heater.state().on_band);
  const double wait_s = heater.state().wait_s.value();
  heater.advance(wait_s - 1.0);
  EXPECT_TRUE(heater.state().on_band);
  EXPECT_NEAR(heater.state().wait_s.value(), 1.0, 1e-6);
  heater.advance(2.0);
  EXPECT_EQ(heater.state().wait_s, 0.0);
  EXPECT_NEAR(heater.detuned_angstrom(), 0.07, 0.01);
  heater.advance(1e5);
  EXPECT_NEAR(heater.detuned_angstrom(), 0.07, 1e-9);
  heater.tune(2);
  EXPECT_FALSE(heater.state().on_band);
  EXPECT_GT(heater.state().wait_s.value(), 60.0);
  heater.advance(180.0);  // one time constant: all but the e-th part of two steps
  EXPECT_NEAR(heater.detuned_angstrom(), 0.07 + 0.2 * (1.0 - std::exp(-1.0)), 1e-9);
  heater.advance(1e5);
  heater.tune(0);
  heater.advance(300.0);  // it cools slower
  EXPECT_NEAR(heater.detuned_angstrom(), 0.07 + 0.2 * std::exp(-1.0), 1e-9);
  heater.tune(50);
  EXPECT_EQ(heater.state().step, build.steps);
  heater.tune(-50);
  EXPECT_EQ(heater.state().step, -build.steps);
}

/// What a workspace of that light path says on a July morning.
struct Look {
  workspace::Workspace space;
  workspace::Answers answers;
  live::Setting setting;
  camera::StreamPlan stream;
};
Look look_at(const optics::Rig& rig, match::Target target = match::Target::kWholeDisc) {
  Look look;
  look.space = test::morning_workspace(rig);
  look.space.target = target;
  look.answers =
      workspace::answer(look.space, test::morning(), sky::geocentric_sun(test::morning(), 0.0));
  look.setting = workspace::live_setting(look.space, look.answers, {}, camera::kBlackShare).value();
  look.stream = workspace::stream_plan(look.space, look.answers, {}, 3).value();
  return look;
}

/// A telescope of the test's own, told on a clock that is shortened: focuser, heater and camera go
/// on frame by frame.
class Shortened {
 public:
  Shortened(camera::StreamPlan plan, const FocuserBuild& focuser,
            const std::optional<HeaterBuild>& heater, double r0_cm, double rate_hz = 12.0)
      : focuser_(focuser), step_s_(1.0 / rate_hz) {
    if (heater) {
      heater_.emplace(*heater);
    }
    plan.shot.pointing_spread_px = 0.0;
    plan.shot.air->r0_cm = r0_cm;
    plan.shot = knobs(plan.shot);
    plan.way.clear();
    plan.sun_step_s = 1000.0;
    plan.prepares_ahead = false;
    stream_.emplace(camera::Stream::open(plan).value());
  }

  /// @return  false once the run is over, or lasts for hours
  template <typename Run>
  [[nodiscard]] bool step(Run& run, live::Meters& meters) {
    seconds_ += step_s_;
    focuser_.advance(step_s_);
    if (heater_) {
      heater_->advance(step_s_);
    }
    const camera::Shot wanted = knobs(stream_->shot());
    if (wanted.defocus_um != stream_->shot().defocus_um ||
        wanted.detune_angstrom != stream_->shot().detune_angstrom) {
      moved_ = true;
    }
    const capture::Hands hands{focuser_.state(),
                               heater_ ? std::optional(heater_->state()) : std::nullopt};
    // What is passed through on the way is not drawn.
    const bool looks = run.state().stage == RunStage::kLooking;
    if (looks) {
      if (std::exchange(moved_, false)) {
        EXPECT_TRUE(stream_->change(wanted));
      }
      EXPECT_TRUE(stream_->record(seconds_, recording_));
      meters.take(recording_.frame, seconds_);
    }
    const capture::RunWish wish = run.take(seconds_, hands, meters);
    if (wish.look_afresh) {
      meters.look_afresh();
    }
    if (wish.focus_to_um) {
      focuser_.go(*wish.focus_to_um);
    }
    if (wish.tune_to) {
      heater_->tune(*wish.tune_to);
    }
    return !capture::over(run.state().stage) && seconds_ < 20'000.0;
  }
  [[nodiscard]] StandInFocuser& focuser() { return focuser_; }
  [[nodiscard]] const StandInHeater& heater() const { return *heater_; }

 private:
  [[nodiscard]] camera::Shot knobs(camera::Shot shot) const {
    shot.defocus_um = focuser_.out_of_focus_um();
    if (heater_) {
      constexpr double kUnseen_angstrom = 0.005;
      shot.detune_angstrom =
          kUnseen_angstrom * std::round(heater_->detuned_angstrom() / kUnseen_angstrom);
    }
    return shot;
  }

  StandInFocuser focuser_;
  std::optional<StandInHeater> heater_;
  double step_s_;
  double seconds_ = 0.0;
  bool moved_ = false;
  std::optional<camera::Stream> stream_;
  camera::Recording recording_;
};

TEST(FocusRun, EndsWithinAQuarterOfTheDepthOfFocus) {
  optics::Rig rig = test::quick_rig();
  auto& camera = std::get<optics::Camera>(rig.elements.back().part);
  camera.width_px = 240;
  camera.height_px = 180;
  const Look look = look_at(rig, match::Target::kLimb);
  const workspace::FocuserScale scale = workspace::focuser_scale(look.space, look.answers).value();
  EXPECT_DOUBLE_EQ(scale.sensor_per_focuser, 1.0);
  for (const auto& [off_depths, r0_cm, play_um] :
       {std::array{6.0, 4.0, 150.0}, {-9.0, 2.5, 300.0}, {28.0, 8.0, 0.0}}) {
    FocuserBuild build;
    build.starts_um = 20'000.0;
    build.backlash_um = play_um;
    build.best_um = build.starts_um - off_depths * scale.depth_um;
    build.shift_um_k = 11.0;
    Shortened telescope(look.stream, build, {}, r0_cm);
    live::Meters meters(look.setting);
    capture::FocusPlan plan;
    plan.depth_um = scale.depth_um;
    auto run = capture::FocusRun::begin(plan, telescope.focuser().state()).value();
    while (telescope.step(run, meters)) {
    }
    ASSERT_EQ(run.state().stage, RunStage::kDone) << off_depths;
    const double quarter_of_depth = 0.25 * 2.0 * scale.depth_um;
    EXPECT_NEAR(telescope.focuser().out_of_focus_um(), 0.0, quarter_of_depth) << off_depths;
    EXPECT_TRUE(run.state().temperature_c);
    EXPECT_TRUE(run.state().by_edge);
    EXPECT_GE(run.state().points.size(), 7U);
  }
}

TEST(FocusRun, SaysWhenThereIsNothingToFindOrNoFocuser) {
  const devices::FocuserState from{25'000.0, 50'000.0, false, {}};
  EXPECT_THAT(capture::FocusRun::begin({0.0}, from), FailsWith(ErrorCode::kOutOfRange, "depth_um"));
  EXPECT_THAT(capture::FocusRun::begin({10.0, -1.0}, from),
              FailsWith(ErrorCode::kOutOfRange, "play_um"));
  EXPECT_THAT(capture::FocusRun::begin({10.0, 1.0, 0.0}, from),
              FailsWith(ErrorCode::kOutOfRange, "look_s"));
  // No light at all: no place has a width.
  const live::Meters meters{live::Setting{}};
  auto dark = capture::FocusRun::begin({50.0}, from).value();
  StandInFocuser focuser(FocuserBuild{});
  for (double seconds = 0.0; seconds < 600.0 && !over(dark.state().stage); seconds += 0.1) {
    focuser.advance(0.1);
    if (const auto wish = dark.take(seconds, {focuser.state(), {}}, meters); wish.focus_to_um) {
      focuser.go(*wish.focus_to_um);
    }
  }
  EXPECT_EQ(dark.state().stage, RunStage::kFailed);
  EXPECT_EQ(dark.state().problem->field, "points");
  // The motor does not go.
  auto stuck = capture::FocusRun::begin({50.0}, from).value();
  for (double seconds = 0.0; seconds < 100.0; seconds += 1.0) {
    (void)stuck.take(seconds, {from, {}}, meters);
  }
  EXPECT_EQ(stuck.state().stage, RunStage::kFailed);
  EXPECT_EQ(stuck.state().problem->field, "focuser");
  // Of one that does not tell its travel nothing is asked that lies further in than fully in.
  devices::FocuserState near{1'000.0, 0.0, false, {}};
  auto blind = capture::FocusRun::begin({50.0}, near).value();
  for (double seconds = 0.0; seconds < 600.0 && !over(blind.state().stage); seconds += 0.1) {
    if (const auto wish = blind.take(seconds, {near, {}}, meters); wish.focus_to_um) {
      EXPECT_GE(*wish.focus_to_um, 0.0);
      near.position_um = *wish.focus_to_um;
    }
  }
  EXPECT_EQ(blind.state().stage, RunStage::kFailed);
  // It is taken away.
  auto away = capture::FocusRun::begin({50.0}, from).value();
  (void)away.take(0.0, {}, meters);
  EXPECT_EQ(away.state().stage, RunStage::kFailed);
}

/// A rear etalon behind the tube, on a piece of the disc.
optics::Rig etalon_rig() {
  optics::Rig rig = test::usual_train(2);
  auto& camera = std::get<optics::Camera>(rig.elements.back().part);
  camera.width_px = 240;
  camera.height_px = 180;
  return rig;
}

TEST(TuningRun, FindsTheStepThatIsNearestToTheLine) {
  const Look look = look_at(etalon_rig());
  for (const double off_angstrom : {-0.23, 0.0, 0.12, 0.31}) {
    HeaterBuild heater;
    heater.off_angstrom = off_angstrom;
    FocuserBuild focuser;
    focuser.best_um = focuser.starts_um - 0.5 * focuser.backlash_um;
    focuser.warmer_k = 0.0;
    Shortened telescope(look.stream, focuser, heater, 6.0, 6.0);
    live::Meters meters(look.setting);
    capture::TuningRun run({}, telescope.heater().state());
    while (telescope.step(run, meters)) {
    }
    ASSERT_EQ(run.state().stage, RunStage::kDone) << off_angstrom;
    EXPECT_EQ(run.state().fit->step, std::lround(-off_angstrom / 0.1)) << off_angstrom;
    EXPECT_EQ(telescope.heater().state().step, run.state().fit->step);
    EXPECT_TRUE(telescope.heater().state().on_band);
    EXPECT_GT(run.state().structure.value(), 0.0);
  }
}

/// One that is served over a socket, as the process does it.
class Rear : public testing::Test {
 protected:
  void begin(const optics::Rig& rig, std::optional<HeaterBuild> heater = {},
             std::vector<camera::Wander> way = {}, std::optional<RidesOn> mount = {}) {
    look_ = look_at(rig);
    TelescopeBuild build;
    build.stream = look_.stream;
    if (!way.empty()) {
      build.stream.way = std::move(way);
    }
    build.celestial = look_.answers.celestial;
    build.focuser.starts_um = 20'000.0;
    build.focuser.best_um = 20'150.0;
    build.focuser.speed_um_s = 20'000.0;
    build.focuser.warmer_k = 0.0;
    build.heater = heater;
    if (mount) {
      build.mount = *std::move(mount);
      build.mount->aims = sky::to_picture(look_.stream.shot.target, look_.answers.solar);
    }
    telescope_ = StandInTelescope::open(build, folder / "rear.frames", {}).value();
    served_.emplace(folder / "rear", *telescope_);
  }
  [[nodiscard]] TelescopeClient client() const {
    return TelescopeClient::open(folder / "rear").value();
  }

  test::TempFolder folder;
  Look look_;
  std::unique_ptr<StandInTelescope> telescope_;
  std::optional<test::ServedDevice> served_;
};

TEST_F(Rear, AnswersForCameraFocuserAndHeater) {
  HeaterBuild heater;
  heater.quicker = 200.0;
  begin(etalon_rig(), heater);
  TelescopeClient client = this->client();
  EXPECT_TRUE(client.card().has("heater.tune"));
  const devices::CameraState camera = client.camera().value();
  EXPECT_EQ(camera.width_px, 240);
  EXPECT_EQ(camera.saturation, 4095);
  EXPECT_GT(camera.rate_hz, 1.0);
  ASSERT_TRUE(client.expose(7.5));
  EXPECT_EQ(client.camera().value().exposure_ms, 7.5);
  EXPECT_FALSE(client.expose(1e9));
  EXPECT_EQ(client.camera().value().exposure_ms, 7.5);
  ASSERT_TRUE(client.focus_to(21'000.0));
  const auto begun = std::chrono::steady_clock::now();
  while (client.focuser().value().moving &&
         std::chrono::steady_clock::now() - begun < std::chrono::seconds(10)) {
    std::this_thread::sleep_for(std::chrono::milliseconds(10));
  }
  EXPECT_EQ(client.focuser().value().position_um, 21'000.0);
  EXPECT_TRUE(client.focuser().value().temperature_c);
  ASSERT_TRUE(client.tune_to(-2));
  EXPECT_EQ(client.heater().value().step, -2);
  EXPECT_FALSE(client.call("heater.tune", {{"step", 1e6}}));
  EXPECT_FALSE(client.call("focuser.go", {{"position_um", "far"}}));
  EXPECT_FALSE(client.call("mount.go"));
  ASSERT_TRUE(client.tell("focuser.stop"));
}

TEST_F(Rear, HasNoHeaterWhereThereIsNoHeatedEtalon) {
  begin(test::quick_rig());
  TelescopeClient client = this->client();
  EXPECT_FALSE(client.card().has("heater.state"));
  EXPECT_FALSE(client.heater());
  EXPECT_TRUE(client.focuser());
}

TEST_F(Rear, IsASourceOfFramesThatSaysHowItsHandsStand) {
  begin(test::quick_rig());
  image::FrameInfo known;
  known.time = test::morning();
  known.plate_scale_arcsec_px = 4.1;
  auto source = capture::open_telescope_source(folder / "rear", 5.0, known).value();
  EXPECT_EQ(source->card().width, 640);
  EXPECT_TRUE(source->card().exposes);
  EXPECT_TRUE(source->card().simulated);
  capture::LiveFrame frame;
  std::int64_t last = -1;
  double seconds = -1.0;
  for (int i = 0; i < 8; ++i) {
    ASSERT_TRUE(source->next(frame, {}).value());
    EXPECT_GT(frame.number, last);
    EXPECT_GT(frame.seconds, seconds);
    last = frame.number;
    seconds = frame.seconds;
  }
  EXPECT_EQ(frame.frame.info.plate_scale_arcsec_px, 4.1);
  EXPECT_TRUE(frame.frame.info.exposure_ms);
  EXPECT_EQ(frame.frame.info.time->unix_ms,
            (test::morning() + sky::seconds(frame.seconds)).unix_ms);
  ASSERT_TRUE(source->hands().focuser);
  EXPECT_FALSE(source->hands().heater);
  EXPECT_THAT(source->tune_to(1), FailsWith(ErrorCode::kNotFound, "step"));
  ASSERT_TRUE(source->focus_to(20'900.0));
  while (source->next(frame, {}).value() && source->hands().focuser->position_um != 20'900.0) {
  }
  // It goes when its process does.
  served_.reset();
  for (int i = 0; i < 100; ++i) {
    const auto came = source->next(frame, {});
    if (!came) {
      EXPECT_THAT(came, FailsWith(ErrorCode::kNotFound, "device"));
      return;
    }
  }
  ADD_FAILURE() << "frames go on without a device";
}

TEST_F(Rear, ASessionFocusesByItself) {
  begin(test::quick_rig());
  const double depth_um = workspace::focuser_scale(look_.space, look_.answers).value().depth_um;
  capture::Session session(capture::open_telescope_source(folder / "rear", 5.0).value(),
                           look_.setting, {}, 100.0);
  const auto glance_until = [&](const auto& done) {
    const auto begun = std::chrono::steady_clock::now();
    capture::Glance glance = session.glance();
    while (!done(glance) && std::chrono::steady_clock::now() - begun < std::chrono::seconds(240)) {
      std::this_thread::sleep_for(std::chrono::milliseconds(10));
      glance = session.glance();
    }
    return glance;
  };
  (void)glance_until(
      [](const capture::Glance& glance) { return glance.hands.focuser.has_value(); });
  session.run_tuning({});
  EXPECT_EQ(
      glance_until([](const auto& glance) { return glance.refusal.has_value(); }).refusal->field,
      "heater");
  capture::FocusPlan plan;
  plan.depth_um = depth_um;
  plan.look_s = 0.4;
  session.run_focus(plan);
  const capture::Glance done = glance_until(
      [](const auto& glance) { return glance.focusing && over(glance.focusing->stage); });
  ASSERT_TRUE(done.focusing);
  EXPECT_EQ(done.focusing->stage, RunStage::kDone);
  EXPECT_FALSE(done.refusal);
  served_.reset();
  EXPECT_NEAR(telescope_->out_of_focus_um(), 0.0, 0.5 * depth_um);
}

TEST(StandInGuider, GoesAtItsSpeedAndTrailsOnItsNorthernAxis) {
  StandInGuider guider({10.0, 4.0});
  guider.nudge(30.0, 20.0);
  guider.advance(1.0);
  EXPECT_TRUE(guider.state().moving);
  EXPECT_DOUBLE_EQ(guider.state().west_arcsec, 10.0);
  EXPECT_DOUBLE_EQ(guider.looks().west_arcsec, 10.0);
  EXPECT_DOUBLE_EQ(guider.looks().north_arcsec, 8.0);  // half of the play was to be taken up
  guider.advance(5.0);
  EXPECT_FALSE(guider.state().moving);
  EXPECT_DOUBLE_EQ(guider.looks().north_arcsec, 18.0);
  guider.nudge(0.0, -3.0);
  guider.advance(5.0);
  EXPECT_DOUBLE_EQ(guider.looks().north_arcsec, 18.0);  // within the play nothing moves
  guider.nudge(0.0, -3.0);
  guider.advance(5.0);
  EXPECT_DOUBLE_EQ(guider.looks().north_arcsec, 16.0);
}

TEST_F(Rear, LooksWhereItsGuiderGoesAndReadsARegionQuicker) {
  begin(test::quick_rig());
  auto source = capture::open_telescope_source(folder / "rear", 5.0).value();
  live::Setting setting = look_.setting;
  live::Meters meters(setting);
  capture::LiveFrame frame;
  const auto centre = [&] {
    EXPECT_TRUE(source->next(frame, {}).value());
    meters.moved();
    meters.take(frame.frame, frame.seconds);
    const auto limb = meters.readings().limb;
    EXPECT_TRUE(limb);
    return limb ? sky::PictureOffset{limb->centre_x_px, -limb->centre_y_px} : sky::PictureOffset{};
  };
  const sky::PictureOffset before = centre();
  ASSERT_TRUE(source->hands().guider);
  ASSERT_TRUE(source->nudge(-200.0, 120.0));
  while (source->next(frame, {}).value() && source->hands().guider->west_arcsec != -200.0) {
  }
  for (int i = 0; i < 3; ++i) {
    ASSERT_TRUE(source->next(frame, {}).value());
  }
  const sky::PictureOffset after = centre();
  // The telescope went east and north: the Sun goes west and south.
  const sky::DiscPlace went =
      sky::to_disc({after.right - before.right, after.up - before.up}, look_.answers.celestial);
  const double scale = look_.setting.imaging.scale_arcsec_px;
  EXPECT_NEAR(scale * went.west_arcsec, 200.0, 0.5 * scale);
  EXPECT_NEAR(scale * went.north_arcsec, -120.0, 0.5 * scale + 1.5);
  ASSERT_TRUE(source->read_region({200, 100, 130, 96}));
  while (source->next(frame, {}).value() && frame.frame.width == 640) {
  }
  EXPECT_EQ(frame.frame.width, 136);
  EXPECT_EQ(frame.frame.height, 96);
  EXPECT_EQ(frame.frame.pixels.size(), 136U * 96U);
  TelescopeClient client = this->client();
  EXPECT_EQ(client.camera().value().width_px, 136);
  EXPECT_FALSE(client.call("camera.region", {{"left_px", -1}}));
  EXPECT_FALSE(client.call("guide.nudge", {{"west_arcsec", 1e9}, {"north_arcsec", 0}}));
  ASSERT_TRUE(source->read_region({}));
  while (source->next(frame, {}).value() && frame.frame.width != 640) {
  }
}

TEST_F(Rear, RidesOnAMountThatAnotherProcessPlays) {
  // At the place where the Sun stands highest now, and without air.
  const sky::GeocentricSun sun = sky::geocentric_sun(computers_clock(), 0.0);
  Build build;
  build.observer.site.latitude_deg = 30.0;
  build.observer.site.longitude_deg =
      std::remainder(sun.right_ascension_deg - sun.sidereal_time_deg, 360.0);
  build.observer.weather.pressure_hpa = 0.0;
  build.slew_deg_s = 20.0;
  const test::Served mount(folder / "mount", StandInMount(build, computers_clock(), 1));
  begin(test::quick_rig(), {}, {}, RidesOn{folder / "mount", build.observer});
  auto source = capture::open_telescope_source(folder / "rear", 5.0).value();
  live::Meters meters(look_.setting);
  capture::LiveFrame frame;
  const auto limb = [&](double seconds) {
    EXPECT_TRUE(source->next(frame, {}).value());  // the newest: those before it were passed over
    const double from_s = frame.seconds;
    do {
      EXPECT_TRUE(source->next(frame, {}).value());
    } while (frame.seconds < from_s + seconds);
    meters.moved();
    meters.take(frame.frame, frame.seconds);
    return meters.readings().limb;
  };
  EXPECT_FALSE(limb(0.2)) << "it looks elsewhere yet";
  EXPECT_LT(meters.last().level.bright, 0.1);
  auto client = devices::MountClient::open(folder / "mount").value();
  const auto go = [&](double east_deg) {
    ASSERT_TRUE(client.go_to(
        sun.right_ascension_deg + east_deg / std::cos(sun.declination_deg * base::kRadPerDeg),
        sun.declination_deg));
    while (client.state().value().duty == devices::Duty::kGoing) {
      std::this_thread::sleep_for(std::chrono::milliseconds(20));
    }
    ASSERT_TRUE(client.track(devices::Tracking::kSun));
  };
  go(0.0);
  const auto there = limb(1.5);
  ASSERT_TRUE(there);
  const double scale = look_.setting.imaging.scale_arcsec_px;
  constexpr double kLeft_arcsec = 10.0;  // the Sun went on while the mount was on its way
  const optics::Camera sensor = optics::sensor_of(look_.space.rig)->camera;
  EXPECT_NEAR(scale * there->centre_x_px, 0.5 * scale * (sensor.width_px - 1), kLeft_arcsec);
  EXPECT_NEAR(scale * there->centre_y_px, 0.5 * scale * (sensor.height_px - 1), kLeft_arcsec);
  go(0.05);
  const auto east = limb(1.5);
  ASSERT_TRUE(east);
  const sky::DiscPlace went =
      sky::to_disc({east->centre_x_px - there->centre_x_px, there->centre_y_px - east->centre_y_px},
                   look_.answers.celestial);
  EXPECT_NEAR(scale * went.west_arcsec, 180.0, kLeft_arcsec) << "east of it, the Sun is west";
  EXPECT_NEAR(scale * went.north_arcsec, 0.0, kLeft_arcsec);
}

TEST_F(Rear, ASeriesHoldsTheSunThatItsMountLetsGo) {
  begin(test::quick_rig(), {}, {{0.0, {0.0, 0.0}, 0.0}, {600.0, {600.0, -480.0}, 0.0}});
  capture::Session session(capture::open_telescope_source(folder / "rear", 5.0).value(),
                           look_.setting, {}, 100.0);
  const auto wait_for = [&](const auto& done) {
    for (int i = 0; i < 12'000; ++i) {
      if (done(session.glance())) {
        return true;
      }
      std::this_thread::sleep_for(std::chrono::milliseconds(10));
    }
    return false;
  };
  capture::SeriesPlan plan;
  plan.folder = folder.path();
  plan.stem = "lapse";
  capture::Take take;
  take.frames = 3;
  plan.takes = {take};
  plan.rounds = 6;
  plan.every_s = 5.0;
  plan.hold =
      capture::HoldPlan{look_.setting.imaging.scale_arcsec_px, look_.answers.celestial, {}, {}};
  ASSERT_TRUE(wait_for([](const capture::Glance& glance) {
    return glance.hands.guider.has_value() && glance.readings.limb.has_value();
  }));
  session.run_series(plan);
  ASSERT_TRUE(wait_for([](const capture::Glance& glance) {
    return glance.series && capture::over(glance.series->stage);
  }));
  EXPECT_EQ(session.glance().series->clips, 6);
  const auto recorded = session.take_recorded();
  ASSERT_EQ(recorded.size(), 6U);
  const auto centre_of = [&](const capture::Recorded& clip) {
    image::Frame frame;
    EXPECT_TRUE(media::ClipReader::open(clip.file)->read(0, frame));
    const auto limb = disc::fit_limb(frame);
    EXPECT_TRUE(limb);
    return sky::PictureOffset{limb->centre_x_px, limb->centre_y_px};
  };
  const sky::PictureOffset first = centre_of(recorded.front());
  const sky::PictureOffset last = centre_of(recorded.back());
  // 1.28 arcsec a second over 25 s: 8 pixels without it.
  EXPECT_LT(std::hypot(last.right - first.right, last.up - first.up), 2.5);
}

TEST(TelescopeSource, WaitsForADeviceThatIsNotThereAndSaysSo) {
  const test::TempFolder folder;
  EXPECT_THAT(capture::open_telescope_source(folder / "nobody", 0.2),
              FailsWith(ErrorCode::kNotFound, "device"));
  EXPECT_THAT(capture::open_telescope_source(folder / "nobody", -1.0),
              FailsWith(ErrorCode::kOutOfRange, "patience_s"));
  std::stop_source stopped;
  stopped.request_stop();
  EXPECT_THAT(capture::open_telescope_source(folder / "nobody", 60.0, {}, {stopped.get_token()}),
              FailsWith(ErrorCode::kCancelled, "device"));
}

}  // namespace
}  // namespace solarchon::standins
