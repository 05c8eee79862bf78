// SPDX-License-Identifier: GPL-3.0-or-later
// What once went wrong, each with its test.
#include <SQLiteCpp/SQLiteCpp.h>
#include <unistd.h>

#include <QAbstractItemView>
#include <QElapsedTimer>
#include <QFile>
#include <QHelpEvent>
#include <QImage>
#include <QLabel>
#include <QPainter>
#include <QPlainTextEdit>
#include <QProcess>
#include <QPushButton>
#include <QToolTip>
#include <fstream>
#include <regex>

#include "app/shell/elided_edit.h"
#include "app/shell/number_field.h"
#include "app/shell/plain_tips.h"
#include "app/views/day/plan_out.h"
#include "app/views/light_path/light_path_view.h"
#include "app/views/light_path/part_sheet.h"
#include "app/views/light_path/section.h"
#include "app/window/single_instance.h"
#include "solarchon/base/folder_lock.h"
#include "solarchon/optics/rig_file.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

class FaultsTest : public testing::Test {
 protected:
  void open(workspace::Workspace space = test::morning_workspace(test::quick_rig())) {
    window = test::open_window(folder.path(), space);
  }
  /// Takes a frame and opens its page in the log.
  void open_log_with_a_frame(QPlainTextEdit*& notes) {
    open();
    window->models().frame.take(window->document().workspace(), window->document().answers(), {});
    ASSERT_TRUE(
        test::wait_until([&] { return window->settled() && window->models().frame.shown(); }));
    window->show_place("log");
    ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
    notes = window->findChild<QPlainTextEdit*>();
    ASSERT_NE(notes, nullptr);
  }
  test::TempFolder folder;
  std::unique_ptr<Window> window;
};

/// Every source file of the program.
std::vector<std::filesystem::path> sources() {
  std::vector<std::filesystem::path> files;
  for (const auto& entry :
       std::filesystem::recursive_directory_iterator(std::string(SOLARCHON_SOURCE) + "/app")) {
    if (entry.path().extension() == ".cpp" || entry.path().extension() == ".h") {
      files.push_back(entry.path());
    }
  }
  return files;
}

TEST(PlainText, ThereIsOneKindOfLabelAndOneWayToShowATip) {
  ASSERT_GT(sources().size(), 50U);
  const std::regex markup(
      R"(new QLabel|setTextFormat\(Qt::(Rich|Auto|Markdown)|setHtml|setMarkdown|QToolTip::showText)");
  for (const auto& file : sources()) {
    const std::string name = file.filename().string();
    if (name != "plain_tips.cpp") {
      EXPECT_FALSE(std::regex_search(test::read_text(file), markup)) << name;
    }
  }
}

TEST_F(FaultsTest, NamesAreShownAsTheyAreAndLoadNothing) {
  // A picture of endless bytes, a pipe that never answers, and a forged finding.
  const std::string evil =
      "<img src=\"/dev/zero\"><img src=\"" + (folder / "pipe").string() + "\"><b>No objection</b>";
  ASSERT_EQ(::system(("mkfifo " + (folder / "pipe").string()).c_str()), 0);
  workspace::Workspace space = test::morning_workspace(test::quick_rig());
  space.site.name = evil;
  space.rig.name = evil;
  for (optics::Element& element : space.rig.elements) {
    element.name = evil;
    element.care.notes = evil;
  }
  space.rig.elements[0].fitted = false;
  plan::Run run;
  run.name = evil;
  run.start = test::morning();
  space.wishes.runs = {run, run};
  space.compared = space.rig;
  open(space);
  for (const QString& place : place_ids()) {
    window->show_place(place);
    QApplication::processEvents();
    for (const QLabel* label : window->findChildren<QLabel*>()) {
      EXPECT_EQ(label->textFormat(), Qt::PlainText) << label->text().toStdString();
    }
  }
  EXPECT_EQ(window->document().workspace().site.name, evil);
  // Tips too.
  auto* chip = window->findChild<QWidget*>("site-chip");
  QHelpEvent help(QEvent::ToolTip, QPoint(4, 4), chip->mapToGlobal(QPoint(4, 4)));
  QApplication::sendEvent(chip, &help);
  EXPECT_TRUE(QToolTip::text().contains("&lt;img"));
  show_plain_tip(QPoint(10, 10), "a < b", window.get());
  EXPECT_EQ(QToolTip::text(), "a < b");
  QToolTip::hideText();
}

TEST_F(FaultsTest, ForgedNamesArePrintedAsTheyAreAndStayOnThePage) {
  const std::string evil = "<img src=\"/dev/zero\"><b>No objection</b>\n\t%PDF %1 %n \u202e";
  for (const std::string& name : {evil, std::string(3000, 'W'), evil + std::string(500, 'i')}) {
    workspace::Workspace space = test::morning_workspace(test::quick_rig());
    space.site.name = name;
    space.rig.name = name;
    for (optics::Element& element : space.rig.elements) {
      element.name = name;
    }
    plan::Run run;
    run.name = name;
    run.start = test::morning();
    space.wishes.runs = {run};
    std::filesystem::remove(workspace::workspace_file(folder.path()));
    open(space);
    constexpr int kMargin = 60;
    QImage paper(900, 1260, QImage::Format_RGB32);
    paper.fill(Qt::white);
    {
      QPainter painter(&paper);
      paint_plan(painter, QRectF(paper.rect()).adjusted(kMargin, kMargin, -kMargin, -kMargin),
                 window->document());
    }
    int stained = 0;
    int drawn = 0;
    for (int y = 0; y < paper.height(); ++y) {
      for (int x = 0; x < paper.width(); ++x) {
        const bool inside = x >= kMargin - 2 && x < paper.width() - kMargin + 2 &&
                            y >= kMargin - 2 && y < paper.height() - kMargin + 2;
        const bool ink = qGray(paper.pixel(x, y)) < 200;
        (inside ? drawn : stained) += ink ? 1 : 0;
      }
    }
    EXPECT_EQ(stained, 0) << name.substr(0, 20);
    EXPECT_GT(drawn, 1000);
    const auto page = folder / "plan.pdf";
    ASSERT_TRUE(write_plan(window->document(), QString::fromStdString(page.string())));
    EXPECT_TRUE(test::read_text(page).starts_with("%PDF"));
    window.reset();
  }
}

TEST_F(FaultsTest, WhateverIsTypedCanBeReadAgain) {
  open();
  workspace::Workspace next = window->document().workspace();
  next.site.name = std::string(9000, 'n');
  next.rig.elements[0].care.notes = std::string(9000, 'n');
  plan::Run run;
  run.name = std::string(9000, 'n');
  run.start = {0};
  next.wishes.runs.push_back(run);
  window->document().edit("Long names", next);
  window->close();
  window.reset();
  const auto read = workspace::read_workspace(workspace::workspace_file(folder.path()));
  ASSERT_TRUE(read);
  EXPECT_EQ(read->site.name.size(), 4096U);
  EXPECT_EQ(read->wishes.runs.size(), 1U);
}

TEST_F(FaultsTest, ALockedLogDoesNotHoldTheWindowUp) {
  open();
  window->close();
  window.reset();
  SQLite::Database holder(workspace::log_file(folder.path()).string(), SQLite::OPEN_READWRITE);
  holder.exec("PRAGMA locking_mode = EXCLUSIVE");
  holder.exec("BEGIN EXCLUSIVE");
  Options options;
  options.data = folder.path();
  options.time = test::morning();
  QElapsedTimer clock;
  clock.start();
  window = std::make_unique<Window>(options);
  window->show();
  QApplication::processEvents();
  constexpr int kNoWaitMs = 10'000;  // a busy machine; waiting for the log took twenty seconds
  EXPECT_LT(clock.elapsed(), kNoWaitMs);
  EXPECT_FALSE(window->settled());
  window->show_place("log");
  QApplication::processEvents();
  EXPECT_LT(clock.elapsed(), kNoWaitMs);
  holder.exec("ROLLBACK");
  holder.exec("PRAGMA locking_mode = NORMAL");
  holder.execAndGet("SELECT count(*) FROM session");
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
}

TEST_F(FaultsTest, NotesThatCouldNotBeWrittenAreNotCalledSaved) {
  QPlainTextEdit* notes = nullptr;
  ASSERT_NO_FATAL_FAILURE(open_log_with_a_frame(notes));
  {
    SQLite::Database holder(workspace::log_file(folder.path()).string(), SQLite::OPEN_READWRITE);
    holder.exec("BEGIN IMMEDIATE");
    notes->setPlainText("What worked");
    notes->document()->setModified(true);
    window->show_place("day");  // leaving the page keeps its notes
    ASSERT_TRUE(test::wait_until([&] { return window->notice().isVisible(); }));
    EXPECT_TRUE(notes->document()->isModified());
    EXPECT_TRUE(window->models().log.has_unkept_notes());
  }
  window->show_place("log");
  window->show_place("day");
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  EXPECT_FALSE(notes->document()->isModified());
  EXPECT_FALSE(window->models().log.has_unkept_notes());
  const auto id = window->models().log.sessions().front().id;
  EXPECT_EQ(test::session_in_log(folder.path(), id).notes, "What worked");
}

TEST_F(FaultsTest, AWindowDoesNotCloseOverNotesThatCouldNotBeWritten) {
  QPlainTextEdit* notes = nullptr;
  ASSERT_NO_FATAL_FAILURE(open_log_with_a_frame(notes));
  notes->setFocus();
  QTest::keyClicks(notes, "What worked");
  {
    SQLite::Database holder(workspace::log_file(folder.path()).string(), SQLite::OPEN_READWRITE);
    holder.exec("BEGIN IMMEDIATE");
    EXPECT_FALSE(window->close());
    EXPECT_TRUE(window->isVisible());
    EXPECT_TRUE(window->notice().message().contains("close once more"));
  }
  EXPECT_TRUE(window->close());
  const auto id = window->models().log.sessions().front().id;
  window.reset();
  EXPECT_EQ(test::session_in_log(folder.path(), id).notes, "What worked");
}

TEST_F(FaultsTest, ARefusedJobIsSaid) {
  open(test::morning_workspace(test::starter_rig()));
  window->models().frame.take(window->document().workspace(), window->document().answers(), {});
  ASSERT_TRUE(window->models().frame.worker().busy());
  window->models().frame.open("another.fits");
  EXPECT_TRUE(window->notice().message().contains("not done yet"));
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
}

TEST_F(FaultsTest, ASecondStartBringsTheFirstWindowForward) {
  open();
  const auto held = base::FolderLock::take(folder.path());
  ASSERT_TRUE(held);
  const SingleInstance bell(folder.path());
  int rings = 0;
  QObject::connect(&bell, &SingleInstance::rung, window.get(), [&] {
    ++rings;
    window->come_forward();
  });
  window->setWindowState(Qt::WindowMinimized);
  QProcess second;
  second.setProgram(SOLARCHON_PROGRAM);
  second.setArguments({"--data", QString::fromStdString(folder.path().string())});
  second.start();
  ASSERT_TRUE(test::wait_until([&] { return second.state() == QProcess::NotRunning; }));
  EXPECT_EQ(second.exitCode(), 0);
  EXPECT_TRUE(second.readAllStandardError().contains("brought forward"));
  EXPECT_EQ(rings, 1);
  EXPECT_FALSE(window->isMinimized());
}

TEST_F(FaultsTest, ASecondStartHandsItsFileToTheFirstWindow) {
  open();
  const auto held = base::FolderLock::take(folder.path());
  ASSERT_TRUE(held);
  optics::Rig rig = test::starter_rig();
  rig.name = "From a file manager";
  const auto file = folder.path() / "100 % new\nline.rig.json";
  ASSERT_TRUE(optics::write_rig(rig, file));
  const SingleInstance bell(folder.path());
  QStringList named;
  QObject::connect(&bell, &SingleInstance::rung, window.get(), [&](const QString& one) {
    named << one;
    window->open_file(one);
  });
  QProcess second;
  second.start(SOLARCHON_PROGRAM, {"--data", QString::fromStdString(folder.path().string()),
                                   QString::fromStdString(file.string())});
  ASSERT_TRUE(test::wait_until([&] { return second.state() == QProcess::NotRunning; }));
  EXPECT_EQ(second.exitCode(), 0);
  ASSERT_TRUE(test::wait_until([&] { return !named.isEmpty(); }));
  EXPECT_EQ(named, QStringList{QString::fromStdString(file.string())});
  ASSERT_TRUE(test::wait_until(
      [&] { return window->document().workspace().rig.name == "From a file manager"; }));
}

TEST_F(FaultsTest, TheFileThatIsNamedAtTheStartIsOpened) {
  optics::Rig rig = test::starter_rig();
  rig.name = "Named at the start";
  const auto file = folder.path() / "start.rig.json";
  ASSERT_TRUE(optics::write_rig(rig, file));
  Options options;
  options.data = folder.path() / "data";
  options.file = QString::fromStdString(file.string());
  Window started(options);
  started.show();
  ASSERT_TRUE(test::wait_until(
      [&] { return started.document().workspace().rig.name == "Named at the start"; }));
  EXPECT_EQ(started.place(), "light-path");
}

TEST(SingleWindow, SaysWhoHoldsTheFolderWhenNobodyAnswers) {
  const test::TempFolder folder;
  const auto held = base::FolderLock::take(folder.path());
  ASSERT_TRUE(held);
  EXPECT_FALSE(SingleInstance::ring(folder.path()));
  QProcess second;
  second.start(SOLARCHON_PROGRAM, {"--data", QString::fromStdString(folder.path().string())});
  ASSERT_TRUE(second.waitForFinished(20'000));
  EXPECT_EQ(second.exitCode(), 1);
  EXPECT_TRUE(second.readAllStandardError().contains(QByteArray("held by process ") +
                                                     QByteArray::number(::getpid())));
}

TEST(Ringer, EndsByItselfWithoutASoundDevice) {
  QProcess ringer;
  ringer.start(SOLARCHON_PROGRAM, {"--ring"});
  ASSERT_TRUE(ringer.waitForFinished(15'000));
}

TEST(ComputerClock, IsDoubtedFarFromThisCentury) {
  EXPECT_FALSE(Document::is_likely({0}));
  EXPECT_FALSE(Document::is_likely(sky::start_of({2015, 1, 1})));
  EXPECT_TRUE(Document::is_likely(test::morning()));
  EXPECT_FALSE(Document::is_likely({5'680'281'600'000}));  // 2150
}

TEST_F(FaultsTest, AValueThatIsNoneIsWords) {
  open(test::morning_workspace(test::usual_train(2)));
  window->show_place("light-path");
  auto* view = dynamic_cast<LightPathView*>(&window->view("light-path"));
  auto* sheet = view->findChild<PartSheet*>();
  window->findChild<Section*>("section")->select(5);  // the reducer, 26 mm clear
  NumberField* clear = sheet->field("clear_aperture_mm");
  ASSERT_NE(clear, nullptr);
  EXPECT_EQ(clear->edit().text(), "26");
  clear->edit().selectAll();
  QTest::keyClick(&clear->edit(), Qt::Key_Delete);
  QTest::keyClick(&clear->edit(), Qt::Key_Return);
  EXPECT_EQ(clear->edit().text(), "");
  EXPECT_EQ(clear->edit().placeholderText(), "no limit");
  EXPECT_EQ(clear->problem(), "");
  EXPECT_EQ(
      optics::parameter(window->document().workspace().rig.elements[5].part, "clear_aperture_mm"),
      0.0);
}

TEST_F(FaultsTest, ARunThatIsAddedHasClipsAndAPause) {
  open();
  window->show_place("day-plan");
  QApplication::processEvents();
  QTest::mouseClick(window->findChild<QPushButton*>("add-run"), Qt::LeftButton);
  ASSERT_EQ(window->document().workspace().wishes.runs.size(), 1U);
  const plan::Run& run = window->document().workspace().wishes.runs[0];
  EXPECT_GT(run.clip_s, 0.0);
  EXPECT_GT(run.every_s, run.clip_s);
}

TEST_F(FaultsTest, AScreenReaderIsToldThatAPartWasPutOnOrOff) {
  open();
  window->show_place("light-path");
  auto* section = window->findChild<Section*>("section");
  section->select(0);
  EXPECT_TRUE(section->accessibleDescription().contains("fitted"));
  QTest::keyClick(section, Qt::Key_Space);
  EXPECT_TRUE(section->accessibleDescription().contains("laid aside"))
      << section->accessibleDescription().toStdString();
  QTest::keyClick(section, Qt::Key_Space);
  EXPECT_TRUE(section->accessibleDescription().contains("fitted"));
}

TEST(Program, EndsWithinTwoSecondsOfBeingClosed) {
  // A window of its own process, asked to quit as soon as it stands.
  const test::TempFolder folder;
  QProcess program;
  program.start(SOLARCHON_PROGRAM, {"--data", QString::fromStdString(folder.path().string())});
  ASSERT_TRUE(program.waitForStarted());
  ASSERT_TRUE(test::wait_until([&] { return SingleInstance::ring(folder.path()); }));
  QElapsedTimer clock;
  clock.start();
  program.terminate();
  ASSERT_TRUE(test::wait_until([&] { return program.state() == QProcess::NotRunning; }));
  EXPECT_EQ(program.exitStatus(), QProcess::NormalExit);
  EXPECT_EQ(program.exitCode(), 0);
}

}  // namespace
}  // namespace solarchon::app
