// SPDX-License-Identifier: GPL-3.0-or-later
// The mount driven from the Field view: by keyboard, through faults, and up to a pole that is
// found.
#include <QCheckBox>
#include <QElapsedTimer>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <atomic>
#include <csignal>

#include "app/views/field/eyepiece_picture.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/json.h"
#include "tests/app/app_support.h"
#include "tests/standins/rogue.h"
#include "tests/standins/served.h"

namespace solarchon::app {
namespace {

using devices::Duty;
using devices::Tracking;
using standins::Build;
using standins::Kind;

/// Where the middle of a picture's light lies, from its own middle, right and up.
QPointF light_of(const QImage& picture) {
  QPointF sum;
  double all = 0.0;
  for (int y = 0; y < picture.height(); ++y) {
    for (int x = 0; x < picture.width(); ++x) {
      const double bright = qGray(picture.pixel(x, y));
      sum += bright * QPointF(x - picture.width() / 2.0, picture.height() / 2.0 - y);
      all += bright;
    }
  }
  return all > 0.0 ? sum / all : QPointF();
}

class MountTest : public testing::Test {
 protected:
  void SetUp() override {
    window = test::open_window(folder.path(), test::morning_workspace(test::starter_rig()));
    window->runbook().set_clock([this] { return now(); });
    window->mount().use(socket(), sky::seconds(0.01));
    QObject::connect(&window->mount(), &Mount::changed, window.get(), [this] { ++reports; });
  }
  [[nodiscard]] std::filesystem::path socket() const { return folder / "a-mount"; }
  [[nodiscard]] sky::UtcTime now() const { return {ms.load()}; }
  Mount& mount() { return window->mount(); }
  const devices::MountState& state() { return *mount().report().state; }

  static Build build_of(Kind kind) {
    Build build;
    build.kind = kind;
    build.observer = workspace::observer_of(test::morning_workspace(test::starter_rig()));
    build.slew_deg_s = 6.0;
    return build;
  }
  void serve(const Build& build) {
    served.reset();
    served = std::make_unique<test::Served>(socket(), standins::StandInMount(build, now(), 3),
                                            [this] { return now(); });
  }
  template <typename Widget>
  Widget* find(const char* name) {
    return window->findChild<Widget*>(QString::fromLatin1(name));
  }
  QString words(const char* label) { return find<QLabel>(label)->text(); }
  void show(const QString& page) {
    window->show_place(page);
    QApplication::processEvents();
  }
  void press(QWidget* at, Qt::Key key) {
    at->setFocus();
    QTest::keyClick(at, key);
    QApplication::processEvents();
  }
  void press(const char* button) { press(find<QPushButton>(button), Qt::Key_Space); }
  /// Whatever was said or asked has been taken in.
  void settle() {
    const int seen = reports;
    EXPECT_TRUE(test::wait_until([&] { return reports >= seen + 3; }));
  }
  void let_pass(double seconds) {
    QApplication::processEvents();  // reports that wait are of the time before
    ms += static_cast<std::int64_t>(seconds * 1000.0);
    settle();
  }
  bool comes_to(Duty duty) {
    return test::wait_until([&] { return mount().report().state && state().duty == duty; });
  }
  void connect() {
    show("field-mount");
    press("mount-connect");
    ASSERT_TRUE(test::wait_until([&] { return mount().line() == Mount::Line::kHeld; }));
  }
  /// Holds an arrow by its key for a time of the mount's own.
  void hold(Qt::Key key, double seconds) {
    auto* pad = find<QWidget>("arrow-pad");
    pad->setFocus();
    QTest::keyPress(pad, key);
    ASSERT_TRUE(comes_to(Duty::kMoving));
    for (double left = seconds; left > 0.0; left -= 0.8) {
      let_pass(std::min(left, 0.8));
    }
    QTest::keyRelease(pad, key);
    ASSERT_TRUE(comes_to(Duty::kStanding));
  }
  /// Brings the Sun to the middle of the field with the arrows.
  void centre() {
    show("field-mount");
    struct Rate {
      Qt::Key key;
      double arcsec_s;
    };
    for (const Rate rate :
         {Rate{Qt::Key_3, 1800.0}, Rate{Qt::Key_2, 120.0}, Rate{Qt::Key_1, 7.5}}) {
      press(find<QWidget>("arrow-pad"), rate.key);
      for (int i = 0; i < 3; ++i) {
        const sky::DiscPlace sun = *mount().sun_in_field();
        if (std::abs(sun.north_arcsec) > rate.arcsec_s * 0.2) {
          hold(sun.north_arcsec > 0.0 ? Qt::Key_Up : Qt::Key_Down,
               std::abs(sun.north_arcsec) / rate.arcsec_s);
        }
        if (std::abs(sun.west_arcsec) > rate.arcsec_s * 0.2) {
          hold(sun.west_arcsec > 0.0 ? Qt::Key_Right : Qt::Key_Left,
               std::abs(sun.west_arcsec) / rate.arcsec_s);
        }
      }
    }
  }
  void follow(Tracking tracking) {
    press(("follow-" + std::to_string(static_cast<int>(tracking))).c_str());
    ASSERT_TRUE(test::wait_until([&] { return state().tracking == tracking; }));
  }
  void go_to_the_sun() {
    show("field-mount");
    press("mount-stop");  // it may stand at its limit since
    ASSERT_TRUE(comes_to(Duty::kStanding));
    press("mount-to-sun");
    ASSERT_TRUE(comes_to(Duty::kGoing));
    for (int i = 0; i < 40 && state().duty == Duty::kGoing; ++i) {
      let_pass(5.0);
    }
    ASSERT_EQ(state().duty, Duty::kStanding);
  }
  [[nodiscard]] double off_arcmin() {
    const sky::DiscPlace sun = *mount().sun_in_field();
    return std::hypot(sun.west_arcsec, sun.north_arcsec) / 60.0;
  }

  test::TempFolder folder;
  std::atomic<std::int64_t> ms{test::morning().unix_ms};
  int reports = 0;
  std::unique_ptr<test::Served> served;
  std::unique_ptr<Window> window;
};

TEST_F(MountTest, AnEquatorialIsBroughtToTheSunByKeyboard) {
  Build build = build_of(Kind::kEquatorial);
  build.pole_error = {0.5, 0.8};
  build.backlash_arcsec = 20.0;
  serve(build);
  connect();
  go_to_the_sun();
  EXPECT_GT(off_arcmin(), 10.0);  // its axis is off
  centre();
  EXPECT_LT(off_arcmin(), 0.3);
  // The light path's camera records the Sun where it stands in the field: it runs out of a mount
  // that stands.
  follow(Tracking::kOff);
  let_pass(40.0);
  ASSERT_GT(off_arcmin(), 8.0);
  const auto* eye = find<EyepiecePicture>("eyepiece-picture");
  ASSERT_TRUE(test::wait_until([&] {
    const QPointF there = *eye->scene().sun_arcmin;
    const QPointF light = light_of(eye->recording());
    return std::hypot(light.x(), light.y()) > 5.0 &&
           QPointF::dotProduct(light, there) >
               0.9 * std::hypot(light.x(), light.y()) * std::hypot(there.x(), there.y());
  }));
  follow(Tracking::kSun);
  centre();
  press("mount-here");
  EXPECT_TRUE(test::wait_until([&] { return state().synchronised; }));
  follow(Tracking::kSun);
  EXPECT_EQ(words("mount-headline"), "It follows the Sun.");
  const double before = off_arcmin();
  let_pass(60.0);
  EXPECT_LT(std::abs(off_arcmin() - before), 1.0);
  const auto& scene = find<EyepiecePicture>("eyepiece-picture")->scene();
  EXPECT_TRUE(scene.seen);
  EXPECT_LT(std::hypot(scene.sun_arcmin->x(), scene.sun_arcmin->y()), 2.0);
  press("mount-park");
  EXPECT_TRUE(comes_to(Duty::kParked));
  press("mount-to-sun");
  EXPECT_TRUE(test::wait_until([&] { return !mount().problem().isEmpty(); }));
  EXPECT_TRUE(words("mount-reason").contains("parked")) << words("mount-reason").toStdString();
  press("mount-park");
  EXPECT_TRUE(comes_to(Duty::kStanding));
}

TEST_F(MountTest, AnAltAzimuthASeekerAndATrackerAreBroughtToTheSunToo) {
  for (const Kind kind : {Kind::kAltAzimuth, Kind::kSeeker}) {
    serve(build_of(kind));
    connect();
    go_to_the_sun();
    follow(Tracking::kSun);
    EXPECT_LT(off_arcmin(), 3.0) << static_cast<int>(kind);
    press("mount-leave");
    EXPECT_EQ(mount().line(), Mount::Line::kAway);
  }
  serve(build_of(Kind::kTracker));
  connect();
  EXPECT_FALSE(find<QPushButton>("mount-to-sun")->isEnabled());
  const double far = mount().sun_in_field()->north_arcsec;
  press(find<QWidget>("arrow-pad"), Qt::Key_4);
  hold(far > 0.0 ? Qt::Key_Up : Qt::Key_Down, std::abs(far) / 3600.0 / 3.0);
  EXPECT_LT(std::abs(mount().sun_in_field()->north_arcsec), std::abs(far));
}

TEST_F(MountTest, AnAxisTwoDegreesOffIsBroughtUnderThePoleByDrift) {
  Build build = build_of(Kind::kEquatorial);
  build.pole_error = {1.2, -1.9};
  build.backlash_arcsec = 20.0;
  serve(build);
  connect();
  for (int round = 0; round < 2; ++round) {
    for (const char* time : {"T09:00:00Z", "T12:30:00Z", "T16:00:00Z"}) {
      ms = test::utc("2027-07-1" + std::to_string(7 + round) + time).unix_ms;
      settle();
      go_to_the_sun();
      centre();
      press("mount-here");
      follow(Tracking::kSun);
      window->document().look_at(now());
      show("field-drift");
      press("drift-watch");
      let_pass(300.0);
      window->document().look_at(now());
      press("drift-watch");
      press("drift-add");
      ASSERT_FALSE(HasFatalFailure());
    }
    ASSERT_EQ(window->document().workspace().outside.runs.size(), 3U)
        << words("drift-problem").toStdString();
    EXPECT_EQ(find<QPushButton>("drift-turned")->text(), "Turn the stand-in\u2019s knobs so");
    press("drift-turned");
    EXPECT_TRUE(window->document().workspace().outside.runs.empty());
    settle();
  }
  const align::PoleError left = served->end().pole_error();
  EXPECT_LT(
      std::hypot(left.altitude_deg,
                 left.azimuth_deg * std::cos(build.observer.site.latitude_deg * base::kRadPerDeg)) *
          60.0,
      3.0);
  EXPECT_GT(std::hypot(left.altitude_deg, left.azimuth_deg), 0.0);
}

TEST_F(MountTest, NothingTurnsWhileTheLightPathMustNotMeetTheSun) {
  serve(build_of(Kind::kEquatorial));
  connect();
  auto space = test::morning_workspace(test::starter_rig());
  std::erase_if(space.rig.elements, [](const optics::Element& element) {
    return std::holds_alternative<optics::FrontFilm>(element.part);
  });
  window->document().edit("Film off", space);
  EXPECT_FALSE(words("mount-objection").isEmpty());
  EXPECT_FALSE(find<QPushButton>("mount-to-sun")->isEnabled());
  mount().go_to_sun();
  mount().move(0.0, 1.0);
  mount().park(true);  // many turn to park
  EXPECT_FALSE(find<QPushButton>("mount-park")->isEnabled());
  settle();
  EXPECT_EQ(state().duty, Duty::kStanding);
  press(find<QCheckBox>("mount-covered"), Qt::Key_Space);
  EXPECT_TRUE(mount().covered());
  press("mount-to-sun");
  EXPECT_TRUE(comes_to(Duty::kGoing));
  press("mount-stop");
  EXPECT_TRUE(comes_to(Duty::kStanding));
  // A step that opens the telescope takes the word back.
  for (int i = 0; i < 40 && mount().covered(); ++i) {
    for (const plan::RunbookStep& one : window->runbook().steps()) {
      window->runbook().tick(one.step.id, true);
      if (!mount().covered()) {
        break;
      }
    }
  }
  EXPECT_FALSE(mount().covered());
}

TEST_F(MountTest, EscapeStopsItFromAnyView) {
  serve(build_of(Kind::kEquatorial));
  connect();
  press("mount-to-sun");
  ASSERT_TRUE(comes_to(Duty::kGoing));
  show("day");
  press(window.get(), Qt::Key_Escape);
  EXPECT_TRUE(comes_to(Duty::kStanding));
  EXPECT_EQ(state().tracking, Tracking::kOff);
}

TEST_F(MountTest, EscapeStopsWhatWasJustOrderedAndWhatIsNotHeardAnyMore) {
  serve(build_of(Kind::kEquatorial));
  connect();
  press("mount-to-sun");  // no report has said yet that it goes
  press(window.get(), Qt::Key_Escape);
  settle();
  EXPECT_TRUE(comes_to(Duty::kStanding));
  EXPECT_EQ(state().tracking, Tracking::kOff);
  press("mount-to-sun");
  ASSERT_TRUE(comes_to(Duty::kGoing));
  served.reset();
  ASSERT_TRUE(test::wait_until([&] { return mount().line() == Mount::Line::kSought; }));
  EXPECT_TRUE(mount().in_motion());
  press(window.get(), Qt::Key_Escape);  // kept until somebody takes it
  serve(build_of(Kind::kEquatorial));
  ASSERT_TRUE(test::wait_until([&] { return mount().line() == Mount::Line::kHeld; }));
  EXPECT_EQ(state().duty, Duty::kStanding);
}

TEST_F(MountTest, WhoLooksAwayLetsTheArrowsGo) {
  serve(build_of(Kind::kEquatorial));
  connect();
  auto* pad = find<QWidget>("arrow-pad");
  pad->setFocus();
  QTest::keyPress(pad, Qt::Key_Up);
  ASSERT_TRUE(comes_to(Duty::kMoving));
  show("day");
  EXPECT_TRUE(comes_to(Duty::kStanding));
}

TEST_F(MountTest, AWrongClockAndAWrongPlaceAreSaid) {
  Build build = build_of(Kind::kEquatorial);
  build.clock_error_s = 3600.0;
  serve(build);
  connect();
  EXPECT_TRUE(words("mount-reason").contains("3600 s fast")) << words("mount-reason").toStdString();
  press("mount-leave");
  build.clock_error_s = 0.0;
  build.longitude_error_deg = 12.0;
  serve(build);
  connect();
  EXPECT_TRUE(words("mount-reason").contains("place is set wrong"))
      << words("mount-reason").toStdString();
}

TEST_F(MountTest, WhateverADeviceSaysIsToldWithinTwoSecondsAndItIsTakenUpAgain) {
  const auto good = [](const std::string& line) {
    const auto message = devices::read_message(line);
    const auto* request = message ? std::get_if<devices::Request>(&*message) : nullptr;
    if (request == nullptr) {
      return std::string();
    }
    devices::MountState state;
    state.time = test::morning();
    return devices::to_line(devices::Answer{request->id,
                                            request->method == "hello"
                                                ? base::Json{{"protocol", 1}, {"name", "Rogue"}}
                                                : devices::to_json(state),
                                            {},
                                            {}});
  };
  std::atomic<int> fault{-1};
  const test::Rogue rogue(devices::Listener::at(socket()).value(),
                          [&](const std::string& line) -> std::string {
                            const std::string right = good(line);
                            switch (fault) {
                              case 0:
                                return {};  // silence
                              case 1:
                                return test::Rogue::kHangUp;
                              case 2: {
                                std::string garbage;
                                for (int i = 0; i < 100; ++i) {
                                  garbage += "\xff\xfe nonsense\n";
                                }
                                return garbage;
                              }
                              case 3:
                                return right.substr(0, right.size() / 2);
                              case 4:
                                return std::string(10'000'000, 'x');
                              case 5: {
                                auto lie = base::Json::parse(right);
                                lie["result"]["altitude_deg"] = 1000.0;
                                return lie.dump() + '\n';
                              }
                              default:
                                return right;
                            }
                          });
  connect();
  auto space = window->document().workspace();
  for (int one = 0; one < 6; ++one) {
    fault = one;
    QElapsedTimer timer;
    timer.start();
    EXPECT_TRUE(test::wait_until([&] { return mount().line() == Mount::Line::kSought; })) << one;
    EXPECT_LT(timer.elapsed(), 2500) << one;  // two seconds, and a busy machine
    EXPECT_EQ(words("mount-headline"), "The mount does not answer.");
    EXPECT_FALSE(mount().problem().isEmpty());
    EXPECT_TRUE(mount().report().state);  // what it last said is kept
    fault = -1;
    EXPECT_TRUE(test::wait_until([&] { return mount().line() == Mount::Line::kHeld; })) << one;
  }
  EXPECT_EQ(window->document().workspace(), space);
}

TEST_F(MountTest, AStopIsKeptUntilTheMountTakesIt) {
  serve(build_of(Kind::kEquatorial));
  connect();
  std::atomic<bool> stopped{false};
  served.reset();
  ASSERT_TRUE(test::wait_until([&] { return mount().line() == Mount::Line::kSought; }));
  mount().stop();
  mount().go_to_sun();  // nobody is there: forgotten
  const test::Rogue rogue(devices::Listener::at(socket()).value(), [&](const std::string& line) {
    const auto message = devices::read_message(line);
    const auto& request = std::get<devices::Request>(*message);
    EXPECT_NE(request.method, "mount.go");
    stopped = stopped || request.method == "mount.stop";
    devices::MountState state;
    state.time = test::morning();
    return devices::to_line(devices::Answer{
        request.id,
        request.method == "hello" ? base::Json{{"protocol", 1}} : devices::to_json(state),
        {},
        {}});
  });
  EXPECT_TRUE(test::wait_until([&] { return stopped.load(); }));
  EXPECT_TRUE(test::wait_until([&] { return mount().line() == Mount::Line::kHeld; }));
}

TEST_F(MountTest, LeavingASilentMountWaitsForNobody) {
  const test::Rogue silent(devices::Listener::at(socket()).value(),
                           [](const std::string&) { return std::string(); });
  show("field-mount");
  press("mount-connect");
  QTest::qWait(200);
  QElapsedTimer timer;
  timer.start();
  press("mount-leave");
  EXPECT_LT(timer.elapsed(), 500);
  EXPECT_EQ(mount().line(), Mount::Line::kAway);
}

class Rehearsal : public MountTest {
 protected:
  static pid_t player() { return test::player("stand-in"); }
};

TEST_F(Rehearsal, TheSimulatedCameraRidesOnTheStandIn) {
  qputenv("XDG_RUNTIME_DIR", QByteArray::fromStdString(folder.path().string()));
  qputenv("PATH", QByteArray(std::filesystem::path(SOLARCHON_STANDINS).parent_path().c_str()) +
                      ":" + qgetenv("PATH"));
  LiveCamera& camera = window->models().camera;
  window->show_place("capture-live");
  const auto bright = [&] { return camera.glance().readings.level.bright; };
  ASSERT_TRUE(test::wait_until([&] { return bright() > 0.4; })) << "it follows the Sun by itself";
  EXPECT_FALSE(camera.rides());
  show("field-mount");
  press("mount-rehearse");
  ASSERT_TRUE(test::wait_until([&] { return mount().line() == Mount::Line::kHeld; }))
      << mount().problem().toStdString();
  // It was put down somewhere else: no Sun in the picture.
  ASSERT_TRUE(test::wait_until([&] { return camera.rides() && bright() < 0.1; }));
  window->show_place("capture-live");
  ASSERT_TRUE(test::wait_until(
      [&] { return window->findChild<QLabel*>("live-next")->text().contains("stand-in mount"); }));
  mount().leave();
  EXPECT_TRUE(test::wait_until([&] { return !camera.rides() && bright() > 0.4; }));
}

TEST_F(Rehearsal, AStandInIsStartedPausedKilledAndEndsWithTheProgram) {
  qputenv("XDG_RUNTIME_DIR", QByteArray::fromStdString(folder.path().string()));
  qputenv("PATH", QByteArray(std::filesystem::path(SOLARCHON_STANDINS).parent_path().c_str()) +
                      ":" + qgetenv("PATH"));
  ms = QDateTime::currentMSecsSinceEpoch();
  window->runbook().set_clock({[] { return sky::UtcTime{QDateTime::currentMSecsSinceEpoch()}; }});
  show("field-mount");
  press("mount-rehearse");
  ASSERT_TRUE(test::wait_until([&] { return mount().line() == Mount::Line::kHeld; }))
      << mount().problem().toStdString();
  EXPECT_EQ(mount().name(), "Stand-in mount, equatorial");
  const pid_t process = player();
  ASSERT_GT(process, 0);
  kill(process, SIGSTOP);
  QElapsedTimer timer;
  timer.start();
  EXPECT_TRUE(test::wait_until([&] { return mount().line() == Mount::Line::kSought; }));
  EXPECT_LT(timer.elapsed(), 2500);
  kill(process, SIGCONT);
  EXPECT_TRUE(test::wait_until([&] { return mount().line() == Mount::Line::kHeld; }));
  kill(process, SIGKILL);
  EXPECT_TRUE(test::wait_until([&] { return mount().line() == Mount::Line::kSought; }));
  press("mount-leave");
  press("mount-rehearse");
  ASSERT_TRUE(test::wait_until([&] { return mount().line() == Mount::Line::kHeld; }));
  const pid_t second = player();
  ASSERT_GT(second, 0);
  window.reset();
  EXPECT_EQ(player(), 0);
}

}  // namespace
}  // namespace solarchon::app
