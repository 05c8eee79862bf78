// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/window.h"

#include <QDropEvent>
#include <QMimeData>
#include <QPlainTextEdit>
#include <QProgressBar>
#include <QPushButton>
#include <QScrollArea>

#include "app/shell/verdict_badge.h"
#include "app/views/capture/capture_view.h"
#include "app/views/light_path/part_sheet.h"
#include "app/views/light_path/section.h"
#include "app/views/measure/measure_view.h"
#include "solarchon/base/json.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/optics/rig_file.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

using test::morning_workspace;
using test::quick_rig;
using test::starter_rig;

class WindowTest : public testing::Test {
 protected:
  void open(const workspace::Workspace& space = morning_workspace(quick_rig())) {
    window = test::open_window(folder.path(), space);
  }
  void take_frame() {
    window->show_place("capture");
    const auto before = window->models().frame.shown();
    QTest::mouseClick(window->findChild<QPushButton*>("take-frame"), Qt::LeftButton);
    ASSERT_TRUE(test::wait_until(
        [&] { return window->models().frame.shown() != before && window->settled(); }));
  }
  void drop(const std::filesystem::path& path) {
    QMimeData data;
    data.setUrls({QUrl::fromLocalFile(QString::fromStdString(path.string()))});
    QDragEnterEvent enter(QPoint(600, 400), Qt::CopyAction, &data, Qt::LeftButton, {});
    QApplication::sendEvent(window.get(), &enter);
    EXPECT_TRUE(enter.isAccepted());
    QDropEvent event(QPointF(600, 400), Qt::CopyAction, &data, Qt::LeftButton, {});
    QApplication::sendEvent(window.get(), &event);
  }

  test::TempFolder folder;
  std::unique_ptr<Window> window;
};

TEST_F(WindowTest, PaintsEveryViewInBothThemesAndSizesAndWithAnEmptyLog) {
  open();
  for (const QSize size : {QSize(1280, 800), QSize(1024, 700)}) {
    window->resize(size);
    for (const Look look : {Look::kNoon, Look::kIndoors}) {
      window->set_look(look);
      for (const QString& place : place_ids()) {
        window->show_place(place);
        ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
        EXPECT_EQ(window->grab().size(), size) << place.toStdString() << " does not fit";
      }
    }
  }
  window->set_look(Look::kNoon);
}

TEST_F(WindowTest, EveryControlHasAnAccessibleName) {
  open();
  for (const QString& place : place_ids()) {
    ASSERT_TRUE(window->show_place(place));
    QApplication::processEvents();
    for (const QWidget* widget : window->current_view().findChildren<QWidget*>()) {
      const bool control = widget->focusPolicy() != Qt::NoFocus && widget->isVisible();
      const auto* button = dynamic_cast<const QAbstractButton*>(widget);
      const bool inner = widget->objectName().startsWith("qt_") ||
                         dynamic_cast<const QLabel*>(widget) != nullptr ||
                         dynamic_cast<const QScrollArea*>(widget) != nullptr;
      if (control && !inner && (button == nullptr || button->text().isEmpty())) {
        EXPECT_FALSE(widget->accessibleName().isEmpty())
            << widget->metaObject()->className() << " in " << place.toStdString();
      }
    }
  }
}

TEST_F(WindowTest, ADamagedWorkspaceIsToldAndLeftAsItIs) {
  const auto file = workspace::workspace_file(folder.path());
  test::write_text(file, "{\"format\": \"solarchon-workspace\", broken");
  open();
  EXPECT_TRUE(window->notice().isVisible());
  EXPECT_TRUE(window->notice().message().contains("cannot be understood"));
  auto next = window->document().workspace();
  next.site.name = "Changed";
  window->document().edit("Rename", next);
  window->close();
  EXPECT_EQ(test::read_text(file), "{\"format\": \"solarchon-workspace\", broken");
}

TEST_F(WindowTest, ADamagedLogIsToldAndTheProgramGoesOn) {
  test::write_text(workspace::log_file(folder.path()), std::string(4000, 'x'));
  open();
  EXPECT_TRUE(test::wait_until([&] { return window->notice().isVisible(); }));
  window->show_place("log");
  EXPECT_FALSE(window->grab().isNull());
}

TEST_F(WindowTest, ALightPathIsOpenedByDroppingItsFile) {
  open();
  optics::Rig rig = starter_rig();
  rig.name = "Dropped";
  ASSERT_TRUE(optics::write_rig(rig, folder / "rig.json"));
  drop(folder / "rig.json");
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  EXPECT_EQ(window->document().workspace().rig, rig);
  window->document().undo().undo();
  EXPECT_EQ(window->document().workspace().rig, quick_rig());
}

TEST_F(WindowTest, ABadLightPathIsToldAndNothingIsLost) {
  open();
  test::write_text(folder / "rig.json", R"({"format": "solarchon-rig", "version": 1, "name": "x",
      "elements": [{"kind": "refractor", "aperture_mm": -1, "focal_length_mm": 480}]})");
  drop(folder / "rig.json");
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  EXPECT_TRUE(window->notice().message().contains("elements[0].aperture_mm"));
  EXPECT_EQ(window->document().workspace().rig, quick_rig());
}

TEST_F(WindowTest, APictureIsMeasuredByDroppingIt) {
  open();
  const auto recording = camera::simulate(test::morning_shot(quick_rig())).value();
  ASSERT_TRUE(media::write_tiff(recording.frame, folder / "f.tiff"));
  drop(folder / "f.tiff");
  EXPECT_EQ(window->place(), "measure");
  ASSERT_TRUE(test::wait_until([&] { return window->models().frame.shown() != nullptr; }));
  EXPECT_TRUE(window->models().frame.shown()->measurement);
}

TEST_F(WindowTest, ABadPictureIsTold) {
  open();
  test::write_text(folder / "f.fits", "SIMPLE  = but no more than that");
  drop(folder / "f.fits");
  EXPECT_TRUE(test::wait_until([&] { return window->notice().isVisible(); }));
  EXPECT_TRUE(window->notice().message().contains("f.fits"));
}

TEST_F(WindowTest, APictureWithoutSunIsShownWithTheReason) {
  open();
  image::Frame black;
  black.width = black.height = 100;
  black.pixels.assign(10'000, 5);
  ASSERT_TRUE(media::write_fits(black, folder / "f.fits"));
  drop(folder / "f.fits");
  ASSERT_TRUE(test::wait_until([&] { return window->models().frame.shown() != nullptr; }));
  EXPECT_FALSE(window->models().frame.shown()->measurement);
  EXPECT_TRUE(window->models().frame.shown()->problem.contains("too dim"));
  EXPECT_EQ(window->view("measure").readiness().state, safety::Severity::kCheck);
}

TEST_F(WindowTest, FramesOfOneMorningAreOneSession) {
  open();
  take_frame();
  take_frame();
  ASSERT_EQ(window->models().log.sessions().size(), 1U);
  EXPECT_EQ(window->models().log.sessions()[0].frames, 2);
  auto next = window->document().workspace();
  next.rig.name = "Another";
  window->document().edit("Rename rig", next);
  take_frame();
  EXPECT_EQ(window->models().log.sessions().size(), 2U);
}

TEST_F(WindowTest, CancellingAFrameFilesNothing) {
  open(morning_workspace(starter_rig()));
  window->show_place("capture");
  QTest::mouseClick(window->findChild<QPushButton*>("take-frame"), Qt::LeftButton);
  ASSERT_TRUE(window->models().frame.worker().busy());
  EXPECT_TRUE(window->current_view().findChild<QProgressBar*>()->isVisible());
  window->models().frame.worker().cancel();
  ASSERT_TRUE(test::wait_until([&] { return !window->models().frame.worker().busy(); }));
  QApplication::processEvents();
  EXPECT_TRUE(window->models().log.sessions().empty());
  EXPECT_FALSE(window->notice().isVisible());
}

TEST_F(WindowTest, ClosingWhileBusyIsClean) {
  open(morning_workspace(starter_rig()));
  window->show_place("capture");
  QTest::mouseClick(window->findChild<QPushButton*>("take-frame"), Qt::LeftButton);
  window->close();
  window.reset();
  for (const auto& entry : std::filesystem::recursive_directory_iterator(folder.path())) {
    EXPECT_NE(entry.path().extension(), ".part");
  }
}

TEST_F(WindowTest, AFolderThatCannotBeWrittenIsToldWhenAFrameIsTaken) {
  open();
  test::write_text(folder / "frames", "a file in the way");
  window->show_place("capture");
  QTest::mouseClick(window->findChild<QPushButton*>("take-frame"), Qt::LeftButton);
  ASSERT_TRUE(test::wait_until([&] { return window->notice().isVisible(); }));
  EXPECT_TRUE(window->notice().message().contains("cannot be written"));
}

TEST_F(WindowTest, ExportsAreWrittenAndReadBack) {
  open();
  take_frame();
  auto& view = dynamic_cast<MeasureView&>(window->view("measure"));
  const auto path = [&](const char* name) {
    return QString::fromStdString((folder / name).string());
  };
  view.export_to(path("s.csv"));
  EXPECT_TRUE(test::read_text(folder / "s.csv").starts_with("number,latitude_deg"));
  view.export_to(path("m.json"));
  const auto json = base::parse_json(test::read_text(folder / "m.json"), "m").value();
  EXPECT_NEAR(json.at("radius_px").get<double>(),
              window->models().frame.shown()->measurement->limb.radius_px, 1e-9);
  view.export_to(path("p.png"));
  EXPECT_EQ(media::read_frame(folder / "p.png").value().width, 640);
  view.export_to(path("none/p.tiff"));
  EXPECT_TRUE(window->notice().message().contains("cannot be written"));
}

TEST_F(WindowTest, TheTelescopesFocalLengthIsTakenFromADisc) {
  open();
  take_frame();
  window->show_place("measure");
  Document& document = window->models().document;
  auto* adopt = window->view("measure").findChild<QPushButton*>("adopt-focal-length");
  ASSERT_NE(adopt, nullptr);
  EXPECT_FALSE(adopt->isVisible()) << "it is what the light path says";
  workspace::Workspace next = document.workspace();
  const auto tube = [](workspace::Workspace& space) -> optics::Telescope& {
    return std::get<optics::Telescope>(
        space.rig.elements[*optics::find_fitted<optics::Telescope>(space.rig)].part);
  };
  const double truth = tube(next).focal_length_mm;
  tube(next).focal_length_mm = 0.95 * truth;
  document.edit("what the maker says", next);
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  ASSERT_TRUE(adopt->isVisible());
  QTest::mouseClick(adopt, Qt::LeftButton);
  workspace::Workspace now = document.workspace();
  EXPECT_NEAR(tube(now).focal_length_mm, truth, 0.003 * truth);
  EXPECT_FALSE(adopt->isVisible());
  document.undo().undo();
  now = document.workspace();
  EXPECT_NEAR(tube(now).focal_length_mm, 0.95 * truth, 1e-9);
}

TEST_F(WindowTest, NotesAreKept) {
  open();
  take_frame();
  window->show_place("log");
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  auto* notes = window->view("log").findChild<QPlainTextEdit*>();
  notes->setFocus();
  QTest::keyClicks(notes, "calm until ten");
  window->show_place("light-path");
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  const auto id = window->models().log.sessions()[0].id;
  EXPECT_EQ(test::session_in_log(folder.path(), id).notes, "calm until ten");
}

TEST_F(WindowTest, SitesAreKeptAndTakenFromTheChip) {
  open();
  const std::string home = window->document().workspace().site.name;
  window->models().kit.sites().keep(
      sky::Site{"Southern school", -41.3, 174.8, 95.0, "Pacific/Auckland"});
  QTest::mouseClick(window->findChild<QToolButton*>("site-chip"), Qt::LeftButton);
  auto* sheet = window->findChild<SiteSheet*>();
  ASSERT_TRUE(test::wait_until([&] { return sheet->isVisible(); }));
  auto* shelf = sheet->findChild<QListWidget*>("shelf");
  auto* keep = sheet->findChild<QPushButton*>("shelf-keep");
  ASSERT_EQ(shelf->count(), 1);
  EXPECT_TRUE(keep->isEnabled());
  QTest::mouseClick(keep, Qt::LeftButton);
  ASSERT_EQ(shelf->count(), 2);
  EXPECT_EQ(shelf->item(0)->text().toStdString(), home);
  EXPECT_FALSE(keep->isEnabled());
  // The weather of the site: humidity may be left empty.
  auto& humidity = sheet->findChild<NumberField*>("site-humidity")->edit();
  QTest::keyClicks(&humidity, "85");
  QTest::keyClick(&humidity, Qt::Key_Return);
  EXPECT_EQ(window->document().workspace().conditions.humidity_percent, 85.0);
  humidity.clear();
  QTest::keyClick(&humidity, Qt::Key_Return);
  EXPECT_FALSE(window->document().workspace().conditions.humidity_percent);
  // A click takes another in hand; the sheet stays for its fields.
  QTest::mouseClick(shelf->viewport(), Qt::LeftButton, {},
                    shelf->visualItemRect(shelf->item(1)).center());
  EXPECT_EQ(window->document().workspace().site.name, "Southern school");
  EXPECT_EQ(window->document().zone().id(), "Pacific/Auckland");
  EXPECT_EQ(shelf->item(0)->text(), "Southern school");  // last used first
  // Renamed by F2: what is in hand follows. A name that is taken is refused.
  const auto rename = [&](const QString& to) {
    shelf->setCurrentRow(0);
    shelf->setFocus();
    QTest::keyClick(shelf, Qt::Key_F2);
    QLineEdit* editor = nullptr;
    for (auto* edit : shelf->findChildren<QLineEdit*>()) {
      editor = edit->isVisible() ? edit : editor;
    }
    ASSERT_NE(editor, nullptr);
    editor->selectAll();
    QTest::keyClicks(editor, to);
    QTest::keyClick(editor, Qt::Key_Return);
    QApplication::processEvents();
  };
  rename(QString::fromStdString(home));
  EXPECT_EQ(window->document().workspace().site.name, "Southern school");
  EXPECT_TRUE(window->notice().message().contains("A name must be its own"));
  rename("Sister school");
  EXPECT_EQ(window->document().workspace().site.name, "Sister school");
  shelf->setCurrentRow(1);
  QTest::keyClick(shelf, Qt::Key_Delete);
  EXPECT_EQ(shelf->count(), 1);
  QTest::keyClick(shelf, Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(shelf->count(), 2);
  EXPECT_NE(window->models().kit.sites().find(home), nullptr);
}

TEST_F(WindowTest, ASiteFileThatIsDroppedGoesOnItsShelf) {
  open();
  ASSERT_TRUE(sky::write_site({"Southern school", -41.3, 174.8, 95.0, "Pacific/Auckland"},
                              folder / "site.json"));
  const std::string before = window->place().toStdString();
  window->open_file(QString::fromStdString((folder / "site.json").string()));
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  auto* sheet = window->findChild<SiteSheet*>();
  EXPECT_TRUE(sheet->isVisible());
  EXPECT_EQ(sheet->findChild<QListWidget*>("shelf")->count(), 1);
  EXPECT_EQ(window->place().toStdString(), before);
  EXPECT_FALSE(window->notice().isVisible());
}

TEST_F(WindowTest, ALightPathIsTakenFromTheChipByKeyboard) {
  open();
  optics::Rig other = test::usual_train(2);
  other.name = "For prominences";
  window->models().kit.paths().keep(other);
  auto* chip = window->findChild<QToolButton*>("rig-chip");
  chip->setFocus();
  QTest::keyClick(chip, Qt::Key_Space);
  auto* sheet = window->findChild<PathSheet*>();
  ASSERT_TRUE(test::wait_until([&] { return sheet->isVisible(); }));
  auto* shelf = sheet->findChild<QListWidget*>("shelf");
  QTest::keyClick(shelf, Qt::Key_Escape);
  EXPECT_FALSE(sheet->isVisible());
  QTest::keyClick(chip, Qt::Key_Space);
  ASSERT_TRUE(sheet->isVisible());
  shelf->setCurrentRow(0);
  QTest::keyClick(shelf, Qt::Key_Return);
  EXPECT_FALSE(sheet->isVisible());
  EXPECT_EQ(window->document().workspace().rig, other);
}

TEST_F(WindowTest, ASessionPutsItsSiteAndLightPathBack) {
  open();
  take_frame();
  const workspace::Workspace then = window->document().workspace();
  workspace::Workspace next = then;
  next.site.latitude_deg = -10.0;
  next.rig = test::usual_train(1);
  window->document().edit("Go elsewhere", next);
  window->show_place("log");
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  QTest::mouseClick(window->findChild<QPushButton*>("take-up"), Qt::LeftButton);
  EXPECT_EQ(window->document().workspace().site, then.site);
  EXPECT_EQ(window->document().workspace().rig, then.rig);
  window->document().undo().undo();
  EXPECT_EQ(window->document().workspace().site, next.site);
}

TEST_F(WindowTest, EditingAPartIsUndoable) {
  open();
  window->show_place("light-path");
  auto* sheet = window->findChild<PartSheet*>();
  window->findChild<Section*>()->select(1);
  NumberField* aperture = sheet->field("aperture_mm");
  ASSERT_NE(aperture, nullptr);
  aperture->edit().selectAll();
  QTest::keyClicks(&aperture->edit(), "100");
  QTest::keyClick(&aperture->edit(), Qt::Key_Return);
  EXPECT_DOUBLE_EQ(window->document().answers().train.aperture_mm, 84.0);  // the film is smaller
  EXPECT_EQ(window->findChild<VerdictBadge*>()->text(), "Stop");
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(window->document().workspace().rig, quick_rig());
  EXPECT_EQ(aperture->edit().text(), "80");
}

TEST_F(WindowTest, PartsAreMovedAndRemovedByKey) {
  open();
  window->show_place("light-path");
  auto* section = window->findChild<Section*>();
  section->setFocus();
  QTest::keyClick(section, Qt::Key_Right, Qt::ControlModifier);
  EXPECT_EQ(window->document().workspace().rig.elements[1].id, "film");
  EXPECT_EQ(section->selected(), 1);
  QTest::keyClick(section, Qt::Key_Delete);
  EXPECT_EQ(window->document().workspace().rig.elements.size(), 2U);
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(window->document().workspace().rig, quick_rig());
}

TEST_F(WindowTest, RemembersViewAndThemeAcrossStarts) {
  open();
  window->show_place("match");
  window->set_look(Look::kIndoors);
  window->close();
  window.reset();
  open();
  EXPECT_EQ(window->place(), "match");
  EXPECT_EQ(Theme::look(), Look::kIndoors);
  window->set_look(Look::kNoon);
}

TEST_F(WindowTest, ShowsPolarDaysAndTheSouth) {
  auto space = morning_workspace(quick_rig());
  for (const auto& [latitude, longitude] :
       {std::pair(78.0, 15.0), std::pair(-78.0, 15.0), std::pair(-41.3, 174.8),
        std::pair(90.0, 0.0), std::pair(0.0, 180.0)}) {
    space.site.latitude_deg = latitude;
    space.site.longitude_deg = longitude;
    if (!window) {
      open(space);
    }
    window->document().edit("Move", space);
    for (const char* view : {"day", "match"}) {
      window->show_place(view);
      ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
      EXPECT_FALSE(window->grab().isNull());
    }
  }
}

TEST_F(WindowTest, LongNamesDoNotWidenTheWindow) {
  auto space = morning_workspace(quick_rig());
  space.site.name = std::string(300, 'W');
  space.rig.name = std::string(300, 'W');
  space.rig.elements[0].name = std::string(300, 'W');
  open(space);
  window->resize(1024, 700);
  QApplication::processEvents();
  EXPECT_EQ(window->width(), 1024);
  for (const QString& place : place_ids()) {
    window->show_place(place);
    QApplication::processEvents();
    EXPECT_EQ(window->width(), 1024) << place.toStdString();
  }
}

}  // namespace
}  // namespace solarchon::app
