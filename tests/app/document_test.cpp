// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/document.h"

#include <QDateTime>
#include <QSignalSpy>

#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

using test::morning;
using test::morning_workspace;
using test::starter_rig;

workspace::Workspace with_seeing(workspace::Workspace space, double seeing) {
  space.conditions.seeing_arcsec = seeing;
  return space;
}

TEST(Document, AnswersForItsMoment) {
  Document document(morning_workspace(starter_rig()), morning(), false);
  EXPECT_NEAR(document.answers().local.altitude_deg, 38.484, 0.001);
  EXPECT_EQ(document.day().date, (sky::CivilDate{2027, 7, 17}));
  EXPECT_NEAR(document.magnetic_declination_deg().value(), 0.249, 0.005);
}

TEST(Document, EverythingFollowsTheMoment) {
  Document document(morning_workspace(starter_rig()), morning(), false);
  const QSignalSpy spy(&document, &Document::changed);
  document.look_at(test::utc("2027-12-21T12:00:00Z"));
  EXPECT_EQ(spy.count(), 1);
  EXPECT_EQ(document.day().date, (sky::CivilDate{2027, 12, 21}));
  EXPECT_NEAR(document.answers().local.altitude_deg, 30.4, 0.3);
  EXPECT_FALSE(document.live());
}

TEST(Document, StaysInsideTheYearsOfTheSeries) {
  Document document(morning_workspace(starter_rig()), morning(), false);
  document.look_at({sky::kLastTime.unix_ms + 1'000'000});
  EXPECT_LT(document.moment(), sky::kLastTime);
  document.look_at({0});
  EXPECT_GT(document.moment(), sky::kFirstTime);
}

TEST(Document, LiveFollowsTheComputersClock) {
  Document document(morning_workspace(starter_rig()), morning(), false);
  document.go_live();
  EXPECT_TRUE(document.live());
  EXPECT_LT(std::abs(document.moment().unix_ms - QDateTime::currentMSecsSinceEpoch()), 2000);
}

TEST(Document, ASecondOfTheClockIsNoNewsToPictures) {
  Document document(morning_workspace(starter_rig()), morning(), false);
  document.go_live();
  const QSignalSpy pictures(&document, &Document::changed);
  const QSignalSpy seconds(&document, &Document::clockMoved);
  const sky::UtcTime begun = document.moment();
  ASSERT_TRUE(test::wait_until([&] { return seconds.count() + pictures.count() >= 3; }));
  EXPECT_GT(document.moment(), begun + sky::seconds(1.5));
  EXPECT_EQ(document.answers().time, document.moment()) << "answers go with the clock";
  EXPECT_LE(pictures.count(), 1) << "the day may have ended meanwhile";
  // What is changed by hand is seen at once.
  const auto so_far = pictures.count();
  document.edit("Seeing", with_seeing(document.workspace(), 3.25));
  EXPECT_EQ(pictures.count(), so_far + 1);
}

TEST(Document, EditsAreUndoneAndRedone) {
  const auto space = morning_workspace(starter_rig());
  Document document(space, morning(), false);
  auto next = space;
  next.rig.elements[0].fitted = false;
  document.edit("Take part off", next);
  EXPECT_EQ(document.answers().safety.verdict, safety::Severity::kStop);
  document.undo().undo();
  EXPECT_EQ(document.workspace(), space);
  EXPECT_EQ(document.answers().safety.verdict, safety::Severity::kNoObjection);
  document.undo().redo();
  EXPECT_EQ(document.workspace(), next);
}

TEST(Document, AnEditThatChangesNothingIsNoStep) {
  const auto space = morning_workspace(starter_rig());
  Document document(space, morning(), false);
  document.edit("Nothing", space);
  EXPECT_EQ(document.undo().count(), 0);
}

TEST(Document, EditsOfOneKindFoldIntoOneStep) {
  const auto space = morning_workspace(starter_rig());
  Document document(space, morning(), false);
  for (const double seeing : {2.1, 2.2, 2.3}) {
    document.edit("Change seeing", with_seeing(document.workspace(), seeing),
                  EditKind::kConditions);
  }
  EXPECT_EQ(document.undo().count(), 1);
  document.undo().undo();
  EXPECT_EQ(document.workspace(), space);
}

TEST(Document, EditsOfOtherSubjectsDoNotFold) {
  Document document(morning_workspace(starter_rig()), morning(), false);
  document.edit("Change", with_seeing(document.workspace(), 3.0), EditKind::kConditions, "seeing");
  document.edit("Change", with_seeing(document.workspace(), 4.0), EditKind::kConditions, "level");
  EXPECT_EQ(document.undo().count(), 2);
}

TEST(Document, ChangingTheSiteChangesTheDay) {
  Document document(morning_workspace(starter_rig()), morning(), false);
  auto next = document.workspace();
  next.site.latitude_deg = 75.0;
  document.edit("Move", next);
  EXPECT_EQ(document.day().polar, sky::PolarState::kMidnightSun);
}

TEST(Document, UnknownTimeZoneFallsBackToUtc) {
  auto space = morning_workspace(starter_rig());
  space.site.time_zone = "Nowhere/Land";
  Document document(space, morning(), false);
  EXPECT_EQ(document.zone().offsetFromUtc(QDateTime::currentDateTimeUtc()), 0);
}

TEST(Document, KeepsItselfInAFile) {
  const test::TempFolder folder;
  const auto file = folder / "workspace.json";
  Document document(morning_workspace(starter_rig()), morning(), false);
  document.keep_in(file);
  document.edit("Change seeing", with_seeing(document.workspace(), 3.0));
  EXPECT_TRUE(test::wait_until([&] { return std::filesystem::exists(file); }, 5000));
  EXPECT_EQ(workspace::read_workspace(file).value(), document.workspace());
}

TEST(Document, TellsWhenItCannotBeKept) {
  const test::TempFolder folder;
  Document document(morning_workspace(starter_rig()), morning(), false);
  document.keep_in(folder / "none" / "workspace.json");
  const QSignalSpy spy(&document, &Document::saveFailed);
  document.save();
  ASSERT_EQ(spy.count(), 1);
  EXPECT_TRUE(spy.at(0).at(0).toString().contains("cannot be written"));
}

}  // namespace
}  // namespace solarchon::app
