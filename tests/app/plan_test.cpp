// SPDX-License-Identifier: GPL-3.0-or-later
// Planning a day with mouse and keyboard: runs, what stands in their way, what is taken along.
#include <QAbstractButton>
#include <QAction>
#include <QComboBox>
#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusVirtualObject>
#include <QLabel>
#include <QMenu>
#include <QPdfWriter>
#include <QProcess>
#include <QPushButton>
#include <QTableWidget>
#include <QToolButton>

#include "app/model/alarms.h"
#include "app/views/day/day_view.h"
#include "app/views/day/plan_out.h"
#include "app/window/desktop_notifier.h"
#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/base/resources.h"
#include "solarchon/plan/calendar.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

using test::wait_until;

/// A day in July at Punta Alcaravan with a mount that turns over: 14:08 to 14:48 by the clock.
class PlanTest : public testing::Test {
 protected:
  void SetUp() override {
    workspace::Workspace space = test::morning_workspace(test::starter_rig());
    space.mount = {plan::MountKind::kEquatorialTurns, 5.0};
    open(space);
  }
  void open(const workspace::Workspace& space) {
    window = test::open_window(folder.path(), space);
    window->show_place("day-plan");
    QApplication::processEvents();
    view = window->findChild<DayView*>();
    sheet = &view->plan_page().sheet();
  }
  template <typename Kind = QPushButton>
  Kind* find(const char* name) {
    auto* found = window->findChild<Kind*>(name);
    EXPECT_NE(found, nullptr) << name;
    return found;
  }
  void press(const char* name) {
    QTest::mouseClick(find(name), Qt::LeftButton);
    QApplication::processEvents();
  }
  [[nodiscard]] const std::vector<plan::Run>& runs() {
    return window->document().workspace().wishes.runs;
  }
  /// Types into a field of the editor and leaves it.
  void type(QLineEdit& edit, const QString& words) {
    edit.setFocus();
    edit.selectAll();
    QTest::keyClicks(&edit, words);
    QTest::keyClick(&edit, Qt::Key_Return);
    QApplication::processEvents();
  }
  NumberField* field(const QString& accessible) {
    for (NumberField* candidate : view->plan_page().findChildren<NumberField*>()) {
      if (candidate->isVisible() && candidate->edit().accessibleName().startsWith(accessible)) {
        return candidate;
      }
    }
    ADD_FAILURE() << accessible.toStdString();
    return nullptr;
  }
  void drag(QPointF from, QPointF to) {
    QTest::mousePress(sheet, Qt::LeftButton, {}, from.toPoint());
    QTest::mouseMove(sheet, (0.5 * (from + to)).toPoint());
    QTest::mouseMove(sheet, to.toPoint());
    QTest::mouseRelease(sheet, Qt::LeftButton, {}, to.toPoint());
    QApplication::processEvents();
  }
  QString conflicts() { return find<QLabel>("conflicts")->text(); }
  QAbstractButton* cure(plan::Cure::Kind kind) {
    for (auto* button : view->plan_page().findChildren<QAbstractButton*>()) {
      const QVariant offered = button->property("cure");
      if (button->isVisible() && offered.isValid() && offered.toInt() == static_cast<int>(kind)) {
        return button;
      }
    }
    return nullptr;
  }

  test::TempFolder folder;
  std::unique_ptr<Window> window;
  DayView* view = nullptr;
  DaySheet* sheet = nullptr;
};

TEST_F(PlanTest, ARunIsAddedWhereTheAirIsBestAndUndone) {
  EXPECT_TRUE(conflicts().contains("Nothing planned"));
  press("add-run");
  ASSERT_EQ(runs().size(), 1U);
  const auto best = plan::best_window(window->document().whole_day(), 30.0);
  EXPECT_NEAR(sky::in_seconds(runs()[0].start - best->window.start), 30.0, 30.0);
  EXPECT_EQ(sheet->choice().run, 0U);  // its figures are ready to be changed
  EXPECT_TRUE(find<QLineEdit>("run-name")->isVisible());
  EXPECT_TRUE(conflicts().contains("Nothing stands in the way"));
  EXPECT_TRUE(find<QLabel>("headline")->text().contains("Drive there"));
  press("add-run");
  EXPECT_GE(runs()[1].start, plan::window_of(runs()[0]).end);  // not over the other
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(runs().empty());
}

TEST_F(PlanTest, ARunThatMeetsTheMeridianTurnIsResolvedByAPress) {
  press("add-run");
  type(*find<QLineEdit>("run-name"), "Prominence");
  auto* start = find<QTimeEdit>("run-start");
  start->setFocus();
  start->setTime(QTime(13, 30));
  QTest::keyClick(start, Qt::Key_Return);
  type(field("Length")->edit(), "100");
  ASSERT_EQ(sky::to_iso(runs()[0].start), "2027-07-17T11:30:00Z");
  ASSERT_EQ(runs()[0].minutes, 100.0);
  EXPECT_TRUE(conflicts().contains("1"));
  EXPECT_EQ(window->document().plan().conflicts.at(0).kind, plan::ConflictKind::kMeridianTurn);
  EXPECT_EQ(view->readiness().state, safety::Severity::kCheck);
  // Each way out is offered; splitting keeps the start.
  for (const auto kind : {plan::Cure::Kind::kStartLater, plan::Cure::Kind::kStartSooner,
                          plan::Cure::Kind::kEndSooner, plan::Cure::Kind::kSplit}) {
    EXPECT_NE(cure(kind), nullptr);
  }
  QTest::mouseClick(cure(plan::Cure::Kind::kSplit), Qt::LeftButton);
  QApplication::processEvents();
  ASSERT_EQ(runs().size(), 2U);
  EXPECT_EQ(sky::to_iso(runs()[0].start), "2027-07-17T11:30:00Z");
  EXPECT_TRUE(conflicts().contains("Nothing stands in the way")) << conflicts().toStdString();
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  QApplication::processEvents();
  EXPECT_EQ(runs().size(), 1U);
  EXPECT_TRUE(conflicts().contains("In the way"));
  ASSERT_NE(cure(plan::Cure::Kind::kStartLater), nullptr);
  QTest::mouseClick(cure(plan::Cure::Kind::kStartLater), Qt::LeftButton);
  QApplication::processEvents();
  EXPECT_TRUE(find<QLabel>("headline")->text().contains("Turn the mount at"));
}

TEST_F(PlanTest, AWayOutKeepsWhatWasChangedSinceItWasOffered) {
  workspace::Workspace space = window->document().workspace();
  space.wishes.runs = {{"Prominence", test::utc("2027-07-17T11:30:00Z"), 100.0}};
  window->document().edit("Plan", space);
  sheet->choose({0, {}});
  QApplication::processEvents();
  QAbstractButton* offered = cure(plan::Cure::Kind::kStartSooner);
  ASSERT_NE(offered, nullptr);
  type(field("Frames")->edit(), "12");
  EXPECT_EQ(cure(plan::Cure::Kind::kStartSooner), offered);  // the button stays under the hand
  QTest::mouseClick(offered, Qt::LeftButton);
  EXPECT_EQ(runs()[0].frames_per_s, 12.0);
  EXPECT_TRUE(window->document().plan().conflicts.empty());
}

TEST_F(PlanTest, TheClockDoesNotDisturbWhatIsBeingTyped) {
  press("add-run");
  auto* start = find<QTimeEdit>("run-start");
  start->setFocus();
  start->setTime(QTime(16, 0));  // typed, not yet entered
  window->document().look_at(test::morning() + sky::seconds(1.0));
  QApplication::processEvents();
  EXPECT_EQ(start->time(), QTime(16, 0));
  QTest::keyClick(start, Qt::Key_Return);
  EXPECT_EQ(sky::to_iso(runs()[0].start), "2027-07-17T14:00:00Z");
}

TEST_F(PlanTest, RunsAreDraggedAndStretchedWithTheMouse) {
  press("add-run");
  const auto before = runs()[0];
  const QRectF block = sheet->block_of_run(0);
  const double hour = sheet->x_of(before.start + sky::seconds(3600.0)) - sheet->x_of(before.start);
  drag(block.center() - QPointF(3, 0), block.center() + QPointF(hour - 3.0, 0.0));
  EXPECT_NEAR(sky::in_seconds(runs()[0].start - before.start), 3600.0, 150.0);
  EXPECT_EQ(runs()[0].minutes, before.minutes);
  const QRectF moved = sheet->block_of_run(0);
  const QPointF end(moved.right() - 2.0, moved.center().y());
  drag(end, end + QPointF(0.5 * (sheet->x_of(before.start + sky::seconds(3600.0)) -
                                 sheet->x_of(before.start)),
                          0));
  EXPECT_NEAR(runs()[0].minutes, before.minutes + 30.0, 3.0);
}

TEST_F(PlanTest, RunsAreMovedWithKeysAndStepsChosen) {
  press("add-run");
  sheet->setFocus();
  const auto before = runs()[0];
  QTest::keyClick(sheet, Qt::Key_Right);
  QTest::keyClick(sheet, Qt::Key_Left, Qt::ShiftModifier);
  EXPECT_EQ(sky::in_seconds(runs()[0].start - before.start), 240.0);
  QTest::keyClick(sheet, Qt::Key_Right, Qt::ControlModifier);
  EXPECT_EQ(runs()[0].minutes, before.minutes + 5.0);
  QTest::keyClick(sheet, Qt::Key_Down);  // round to the first step
  EXPECT_EQ(sheet->choice().step, plan::StepKind::kDrive);
  QTest::keyClick(sheet, Qt::Key_Up);
  EXPECT_EQ(sheet->choice().run, 0U);
  QTest::keyClick(sheet, Qt::Key_Delete);
  EXPECT_TRUE(runs().empty());
}

TEST_F(PlanTest, AFixedEventStaysWhereItIs) {
  press("add-run");
  plan::Run fixed = runs()[0];
  QTest::mouseClick(view->plan_page().findChild<RunEditor*>()->findChild<QCheckBox*>(),
                    Qt::LeftButton, {}, QPoint(8, 8));
  ASSERT_TRUE(runs()[0].fixed);
  sheet->setFocus();
  QTest::keyClick(sheet, Qt::Key_Right);
  drag(sheet->block_of_run(0).center() - QPointF(4, 0),
       sheet->block_of_run(0).center() + QPointF(100, 0));
  EXPECT_EQ(runs()[0].start, fixed.start);
}

TEST_F(PlanTest, BadFiguresAreRefusedBesideTheirField) {
  press("add-run");
  const auto before = runs()[0];
  type(field("Length")->edit(), "-5");
  EXPECT_FALSE(field("Length")->problem().isEmpty());
  EXPECT_EQ(runs()[0], before);
}

TEST_F(PlanTest, StepsTakeWhatIsPlannedAndWhatTheLogTaught) {
  press("add-run");
  const QRectF block = sheet->block_of_step(plan::StepKind::kDrive);
  QTest::mouseClick(sheet, Qt::LeftButton, {}, block.center().toPoint());
  QApplication::processEvents();
  ASSERT_EQ(sheet->choice().step, plan::StepKind::kDrive);
  const sky::UtcTime usual = window->document().plan().countdown->begin;
  type(field("Planned")->edit(), "45");
  EXPECT_NEAR(sky::in_seconds(usual - window->document().plan().countdown->begin), 25.0 * 60.0,
              1.0);
  type(field("It took")->edit(), "60");
  type(field("It took")->edit(), "60");
  ASSERT_TRUE(wait_until(
      [&] { return window->document().plan().countdown->steps.front().time.times == 2; }));
  EXPECT_NEAR(window->document().plan().countdown->steps.front().time.minutes, 52.5, 1e-6);
  EXPECT_TRUE(find<QLabel>("learned")->text().contains("2 times"))
      << find<QLabel>("learned")->text().toStdString();
}

TEST_F(PlanTest, AStepIsTimedWithTwoPresses) {
  press("add-run");
  sheet->choose({{}, plan::StepKind::kAlign});
  QApplication::processEvents();
  press("watch");
  EXPECT_TRUE(find<QPushButton>("watch")->text().contains("10:40"));
  EXPECT_TRUE(window->models().log.step_notes().empty());
  window->document().look_at(test::morning() + sky::seconds(22.0 * 60.0));
  press("watch");
  ASSERT_TRUE(wait_until([&] { return window->settled(); }));
  ASSERT_EQ(window->models().log.step_notes().size(), 1U);
  EXPECT_EQ(window->models().log.step_notes()[0], (plan::StepNote{plan::StepKind::kAlign, 22.0}));
  // A watch that was let run into another day notes nothing.
  press("watch");
  window->document().look_at(test::morning() + sky::seconds(30.0 * 3600.0));
  QApplication::processEvents();
  press("watch");
  ASSERT_TRUE(wait_until([&] { return window->settled(); }));
  EXPECT_EQ(window->models().log.step_notes().size(), 1U);
}

TEST_F(PlanTest, DroppedFilesGoWhereTheyBelong) {
  const auto drop = [&](const char* name, const std::string& content) {
    test::write_text(folder / name, content);
    window->open_file(QString::fromStdString((folder / name).string()));
    EXPECT_TRUE(test::wait_until([&] { return window->settled(); }));
    return window->place();
  };
  EXPECT_EQ(drop("around.csv", "azimuth_deg,height_deg\n90,5\n180,10\n"), "day");
  EXPECT_EQ(window->document().workspace().site.horizon.points.size(), 2U);
  EXPECT_EQ(
      drop("sky.csv", "time_utc,cloud_percent,thin_percent,wind_m_s\n2027-07-17T08:00Z,9,0,3\n"),
      "day-plan");
  EXPECT_TRUE(window->document().workspace().wishes.forecast);
  window->show_place("light-path");
  EXPECT_EQ(drop("e.ics",
                 "BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:20270717T090000Z\r\n"
                 "END:VEVENT\r\nEND:VCALENDAR\r\n"),
            "day-plan");
  EXPECT_EQ(runs().size(), 1U);
  const plan::Forecast forecast{"x", {{test::morning(), 1, 2, 3, {}}}};
  EXPECT_EQ(drop("f.json", plan::to_json(forecast).dump()), "day-plan");
  EXPECT_EQ(window->document().workspace().wishes.forecast->source, "x");
}

TEST_F(PlanTest, ForecastsAndCalendarsComeInLineByLine) {
  test::write_text(folder / "weather.csv",
                   "time_utc,cloud_percent,thin_percent,wind_m_s\n2027-07-17T08:00Z,90,0,9\n"
                   "2027-07-17T09:00Z,90,0,9\nsome day,1,2,3\n");
  view->plan_page().open_forecast_file(QString::fromStdString((folder / "weather.csv").string()));
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  ASSERT_TRUE(window->document().workspace().wishes.forecast);
  EXPECT_EQ(window->document().workspace().wishes.forecast->hours.size(), 2U);
  EXPECT_TRUE(window->notice().message().contains("line 4"))
      << window->notice().message().toStdString();
  test::write_text(
      folder / "school.ics",
      "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\n"
      "DTSTART:20270717T081500Z\r\nDTEND:20270717T084500Z\r\nSUMMARY:Class\r\n"
      "END:VEVENT\r\nBEGIN:VEVENT\r\nSUMMARY:never\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n");
  const QString calendar = QString::fromStdString((folder / "school.ics").string());
  view->plan_page().open_calendar_file(calendar);
  view->plan_page().open_calendar_file(calendar);  // nothing comes in twice
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  ASSERT_EQ(runs().size(), 1U);
  EXPECT_TRUE(runs()[0].fixed);
  EXPECT_TRUE(window->notice().message().contains("line 9"))
      << window->notice().message().toStdString();
  QApplication::processEvents();
  EXPECT_EQ(window->document().plan().conflicts.at(0).kind, plan::ConflictKind::kOvercast);
  const auto before = window->document().workspace();
  test::write_text(folder / "broken.csv", "nothing\n");
  view->plan_page().open_forecast_file(QString::fromStdString((folder / "broken.csv").string()));
  view->plan_page().open_calendar_file(QString::fromStdString((folder / "broken.csv").string()));
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  EXPECT_EQ(window->document().workspace(), before);
}

TEST_F(PlanTest, ThePlanIsTakenAlongInEachForm) {
  press("add-run");
  const auto text = [&](const char* name) {
    const auto path = folder / name;
    view->plan_page().export_file(QString::fromStdString(path.string()));
    return base::read_file(path, 10U << 20U).value_or("");
  };
  const auto calendar = plan::runs_from_icalendar(text("plan.ics"));
  ASSERT_TRUE(calendar);
  EXPECT_EQ(calendar->runs.size(), window->document().plan().countdown->steps.size() + 1);
  EXPECT_EQ(calendar->runs.back().start, runs()[0].start);
  EXPECT_THAT(text("plan.csv"), testing::HasSubstr("run,Run 1,2027-07-17T"));
  const auto json = base::parse_json(text("plan.json"), "plan");
  ASSERT_TRUE(json);
  EXPECT_EQ((*json)["runs"][0]["start_utc"], sky::to_iso(runs()[0].start));
  EXPECT_EQ((*json)["conflicts"].size(), 0U);
  const std::string page = text("plan.pdf");
  EXPECT_TRUE(page.starts_with("%PDF-"));
  EXPECT_GT(page.size(), 5000U);
  // One page: the tree of pages counts one.
  EXPECT_THAT(page, testing::HasSubstr("/Count 1"));
  EXPECT_EQ(text("plan.doc"), "");
  EXPECT_TRUE(window->notice().message().contains("pdf, ics, csv, json"));
}

TEST_F(PlanTest, ThePageHasInkWhereItShould) {
  press("add-run");
  QImage page(595, 842, QImage::Format_Grayscale8);
  page.fill(Qt::white);
  QPainter painter(&page);
  paint_plan(painter, QRectF(page.rect()), window->document());
  painter.end();
  const auto ink = [&](const QRect& area) {
    int dark = 0;
    for (int y = area.top(); y <= area.bottom(); ++y) {
      for (int x = area.left(); x <= area.right(); ++x) {
        dark += qGray(page.pixel(x, y)) < 100 ? 1 : 0;
      }
    }
    return dark;
  };
  EXPECT_GT(ink({36, 36, 520, 60}), 300);    // heading
  EXPECT_GT(ink({36, 110, 520, 150}), 300);  // the Sun's path
  EXPECT_GT(ink({36, 300, 520, 400}), 1500);
  EXPECT_EQ(ink({0, 0, 30, 842}), 0);  // margins stay white
  EXPECT_EQ(ink({570, 0, 25, 842}), 0);
}

TEST_F(PlanTest, AlarmsAreToldOnceWhateverIsLookedAt) {
  press("add-run");
  std::vector<std::string> told;
  Alarms alarms(window->document(),
                [&](const Alarm& alarm) { told.push_back(alarm.title.toStdString()); });
  const sky::UtcTime begin = window->document().plan().countdown->begin;
  alarms.check(begin + sky::seconds(1.0));
  EXPECT_TRUE(told.empty());  // off until it is asked for
  alarms.set_on(true);
  alarms.check(begin - sky::seconds(1.0));
  EXPECT_TRUE(told.empty());
  alarms.check(begin + sky::seconds(1.0));
  alarms.check(begin + sky::seconds(6.0));
  EXPECT_THAT(told, testing::ElementsAre("Drive there"));
  window->document().look_at(begin + sky::seconds(40.0 * 86400.0));  // another day is on screen
  const sky::UtcTime run = runs()[0].start;
  alarms.check(run - sky::minutes(Alarms::kBeforeRunMin) + sky::seconds(2.0));
  ASSERT_FALSE(told.empty());
  EXPECT_THAT(told.back(), testing::StartsWith("Run 1 begins at"));
  const std::size_t count = told.size();
  alarms.check(run + sky::seconds(4000.0));  // long past: nothing is told late
  EXPECT_EQ(told.size(), count);
  // A long drive begins the evening before, which is another day.
  workspace::Workspace space = window->document().workspace();
  space.wishes.minutes.at(0) = 600.0;
  window->document().edit("Far away", space);
  const auto coming = alarms.coming(run - sky::seconds(12.0 * 3600.0));
  ASSERT_FALSE(coming.empty());
  EXPECT_NE(sky::local_mean_date(coming.front().due, -5.58), sky::local_mean_date(run, -5.58));
  told.clear();
  alarms.check(coming.front().due + sky::seconds(1.0));
  EXPECT_THAT(told, testing::ElementsAre("Drive there"));
}

/// Stands in for the desktop's notification service on a bus of its own.
class Desktop : public QDBusVirtualObject {
 public:
  [[nodiscard]] QString introspect(const QString& /*path*/) const override { return {}; }
  bool handleMessage(const QDBusMessage& message, const QDBusConnection& /*bus*/) override {
    told.push_back(message);
    return true;
  }
  std::vector<QDBusMessage> told;
};

TEST(DesktopNotifier, CallsTheNotificationServiceOfTheDesktop) {
  QProcess daemon;
  daemon.start("dbus-daemon", {"--session", "--nofork", "--print-address"});
  ASSERT_TRUE(daemon.waitForStarted());
  ASSERT_TRUE(daemon.waitForReadyRead());
  const QByteArray address = daemon.readLine().trimmed();
  qputenv("DBUS_SESSION_BUS_ADDRESS", address);
  QDBusConnection bus = QDBusConnection::connectToBus(QString::fromLatin1(address), "desktop");
  Desktop desktop;
  ASSERT_TRUE(bus.registerVirtualObject("/org/freedesktop/Notifications", &desktop));
  ASSERT_TRUE(bus.registerService("org.freedesktop.Notifications"));
  DesktopNotifier({})({"run-1", {}, "Spots begins at 11:15", "Sun <b>40</b> degrees high"});
  ASSERT_TRUE(wait_until([&] { return !desktop.told.empty(); }, 5000));
  const QDBusMessage& call = desktop.told.front();
  EXPECT_EQ(call.member(), "Notify");
  EXPECT_EQ(call.signature(), "susssasa{sv}i");  // as the standard asks
  EXPECT_EQ(call.arguments().at(3).toString(), "Spots begins at 11:15");
  // A desktop may read markup in the body: none is sent.
  EXPECT_EQ(call.arguments().at(4).toString(), QString::fromUtf8("Sun ‹b›40‹/b› degrees high"));
  QDBusConnection::disconnectFromBus("desktop");
  daemon.kill();
  daemon.waitForFinished();
}

TEST(DesktopNotifier, HasItsSound) { EXPECT_TRUE(base::shipped_file("sounds/alarm.wav")); }

TEST_F(PlanTest, WhatMustBeReadyFollowsPlanAndKit) {
  window->show_place("day-ready");
  QApplication::processEvents();
  auto* list = find<QTableWidget>("ready-list");
  EXPECT_FALSE(window->findChild<NeedBars*>()->isVisible());  // nothing is planned
  EXPECT_TRUE(list->item(0, 0)->text().contains("order"));
  const int parts = list->rowCount();
  window->show_place("day-plan");
  press("add-run");
  window->show_place("day-ready");
  QApplication::processEvents();
  auto* bars = window->findChild<NeedBars*>();
  EXPECT_TRUE(bars->isVisible());
  EXPECT_EQ(bars->bars().size(), 4U);  // two supplies, the disk, its speed
  EXPECT_FALSE(bars->bars()[0].have);
  workspace::Workspace next = window->document().workspace();
  next.wishes.power.supplies[0].watt_hours = 5.0;
  window->document().edit("Battery", next);
  QApplication::processEvents();
  EXPECT_TRUE(bars->bars()[0].short_of);
  EXPECT_TRUE(bars->bars()[0].verdict.contains("empty at"));
  EXPECT_GT(list->rowCount(), parts);
}

TEST_F(PlanTest, BatteriesAndConsumersAreEnteredByHand) {
  press("add-run");
  window->show_place("day-ready");
  QApplication::processEvents();
  auto fields = view->kit_page().findChildren<NumberField*>();
  const auto named = [&](const char* label, int which) {
    for (NumberField* field : fields) {
      if (field->edit().accessibleName().startsWith(label) && which-- == 0) {
        return field;
      }
    }
    return static_cast<NumberField*>(nullptr);
  };
  type(named("Battery", 1)->edit(), "120");
  type(named("Spare", 1)->edit(), "60");
  type(named("Mount", 0)->edit(), "14");
  const plan::Power& power = window->document().workspace().wishes.power;
  EXPECT_EQ(power.supplies[1].watt_hours, 120.0);
  EXPECT_EQ(power.supplies[1].spare_watt_hours, 60.0);
  EXPECT_EQ(power.watts[1], 14.0);
  type(named("Battery", 0)->edit(), "lots");
  EXPECT_FALSE(named("Battery", 0)->problem().isEmpty());
  EXPECT_EQ(power.supplies[0].watt_hours, 0.0);
  // The mount goes over to the other supply.
  QComboBox* mount = nullptr;
  for (QComboBox* box : view->kit_page().findChildren<QComboBox*>()) {
    mount = box->accessibleName().contains("Mount") ? box : mount;
  }
  ASSERT_NE(mount, nullptr);
  mount->setFocus();
  QTest::keyClick(mount, Qt::Key_Down);
  QApplication::processEvents();
  EXPECT_EQ(window->document().workspace().wishes.power.supply_of[1], 1U);
  EXPECT_EQ(window->document().plan().power->supplies[0].needed_wh, 0.0);
}

TEST_F(PlanTest, TheDiskIsMeasuredAndRemembered) {
  press("add-run");
  window->show_place("day-ready");
  press("measure-disk");
  ASSERT_TRUE(wait_until([&] { return !window->models().disk.worker().busy(); }));
  QApplication::processEvents();
  const auto& speed = window->findChild<NeedBars*>()->bars().back();
  ASSERT_TRUE(speed.have);
  EXPECT_GT(*speed.have, 1.0);
  const double kept = *speed.have;
  const workspace::Workspace space = window->document().workspace();
  window->close();
  window.reset();
  open(space);
  window->show_place("day-ready");
  QApplication::processEvents();
  EXPECT_NEAR(*window->findChild<NeedBars*>()->bars().back().have, kept, 1e-6);
}

TEST_F(PlanTest, TheYearShowsItsWindowsAndPlansARunThere) {
  window->show_place("day-year");
  ASSERT_TRUE(wait_until([&] { return view->settled(); }));
  auto* chart = find<YearChart>("year-chart");
  ASSERT_TRUE(chart->year());
  EXPECT_EQ(chart->year()->days.size(), 365U);
  auto* list = find<QListWidget>("best-windows");
  EXPECT_EQ(list->count(), 8);
  // A click looks at a day, keys go on from there.
  QTest::mouseClick(chart, Qt::LeftButton, {},
                    QPoint(static_cast<int>(chart->x_of(213.5)), chart->height() / 2));
  EXPECT_EQ(window->document().day().date, (sky::CivilDate{2027, 8, 2}));
  QTest::keyClick(chart, Qt::Key_Right);
  QTest::keyClick(chart, Qt::Key_Left, Qt::ShiftModifier);
  EXPECT_EQ(window->document().day().date, (sky::CivilDate{2027, 7, 27}));
  type(find<NumberField>("window-minutes")->edit(), "45");
  window->choose_text_size(110);  // what was typed outlives the fields
  window->choose_text_size(100);
  view = qobject_cast<DayView*>(&window->current_view());
  EXPECT_EQ(find<NumberField>("window-minutes")->edit().text(), "45");
  ASSERT_TRUE(wait_until([&] { return view->settled(); }));
  find<QListWidget>("best-windows")->setCurrentRow(0);
  press("plan-window");
  ASSERT_EQ(runs().size(), 1U);
  EXPECT_EQ(view->page(), "day-plan");
  EXPECT_EQ(window->document().plan().runs.size(), 1U);
  EXPECT_EQ(runs()[0].minutes, 45.0);
}

TEST_F(PlanTest, ThePlaceIsRemembered) {
  window->show_place("day-year");
  const workspace::Workspace space = window->document().workspace();
  window->close();
  window.reset();
  Options options;
  options.data = folder.path();
  window = std::make_unique<Window>(options);
  EXPECT_EQ(window->place(), "day-year");
}

}  // namespace
}  // namespace solarchon::app
