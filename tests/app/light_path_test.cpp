// SPDX-License-Identifier: GPL-3.0-or-later
// The light path, built and changed by mouse and by keyboard.
#include <QDropEvent>
#include <QLabel>
#include <QListWidget>
#include <QMenu>
#include <QMimeData>
#include <QPushButton>
#include <QScrollArea>
#include <QSignalSpy>
#include <QToolButton>

#include "app/shell/figures.h"
#include "app/shell/verdict_badge.h"
#include "app/shell/wrap_button.h"
#include "app/views/light_path/findings_list.h"
#include "app/views/light_path/part_chooser.h"
#include "app/views/light_path/part_sheet.h"
#include "app/views/light_path/section.h"
#include "solarchon/base/json.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/optics/rig_file.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

using optics::Rig;

class LightPathTest : public testing::Test {
 protected:
  void open(const Rig& rig = {"My light path", {}}) {
    window = test::open_window(folder.path(), test::morning_workspace(rig));
    window->show_place("light-path");
    section = window->findChild<Section*>("section");
    QApplication::processEvents();
  }
  template <typename Widget>
  Widget* child(const char* name) {
    return window->findChild<Widget*>(name);
  }
  void press(const char* button) {
    QApplication::processEvents();
    auto* found = child<QPushButton>(button);
    for (QWidget* parent = found->parentWidget(); parent != nullptr;
         parent = parent->parentWidget()) {
      if (auto* scroll = qobject_cast<QScrollArea*>(parent)) {
        scroll->ensureWidgetVisible(found);  // as a hand would
      }
    }
    QApplication::processEvents();
    QTest::mouseClick(found, Qt::LeftButton);
    QApplication::processEvents();
  }
  const Rig& rig() { return window->document().workspace().rig; }
  QString verdict() { return window->findChild<VerdictBadge*>()->text(); }
  QString findings() { return window->findChild<FindingsList*>()->plain_text(); }
  std::vector<std::string> names() {
    std::vector<std::string> list;
    for (const optics::Element& element : rig().elements) {
      list.push_back(element.name);
    }
    return list;
  }
  /// Waits for the suggestions, and gives the button of the one that begins with these words.
  WrapButton* suggestion(const QString& words) {
    EXPECT_TRUE(test::wait_until([&] { return window->settled(); }));
    for (auto* button : window->findChild<FindingsList*>()->findChildren<WrapButton*>()) {
      if (button->text().startsWith(words)) {
        return button;
      }
    }
    return nullptr;
  }

  test::TempFolder folder;
  std::unique_ptr<Window> window;
  Section* section = nullptr;
};

/// What a starter types to find each part of a usual train, and what it is called.
struct Wanted {
  const char* typed;
  const char* name;
};
const std::vector<std::vector<Wanted>>& usual() {
  static const std::vector<std::vector<Wanted>> kUsual{
      {{"film 74", "Solar film OD 5.0, 74 mm clear"},
       {"doublet 70", "Doublet 70 mm f/6"},
       {"2 inch to 1.25", "Adapter 2 inch to 1.25 inch"},
       {"diagonal mirror 1.25", "Mirror diagonal 1.25 inch"},
       {"eyepiece 20", "Eyepiece 20 mm"},
       {"phone", "Phone in an eyepiece holder"}},
      {{"doublet 80 f/6", "Doublet 80 mm f/6"},
       {"2 inch to 1.25", "Adapter 2 inch to 1.25 inch"},
       {"wedge small", "Solar wedge 1.25 inch, small"},
       {"continuum 10 nm", "Continuum filter 540 nm, 10 nm wide"},
       {"colour 3 Mpx", "Colour camera 3 Mpx, 3.45 µm"}},
      {{"power bank", "USB power bank 5 V, 12 W, 74 Wh"},
       {"doublet 80 f/6", "Doublet 80 mm f/6"},
       {"cut 2 inch", "Ultraviolet and infrared cut 2 inch"},
       {"2 inch to 1.25", "Adapter 2 inch to 1.25 inch"},
       {"rear etalon 0.5", "Heated rear etalon 0.5 Å with 4.3x telecentric"},
       {"reducer 0.5", "Reducer 0.5x, 1.25 inch"},
       {"tilting", "Tilting nosepiece 1.25 inch"},
       {"mono 5.86", "Mono camera 2.3 Mpx, 5.86 µm"}}};
  return kUsual;
}

class UsualTrainTest : public LightPathTest, public testing::WithParamInterface<std::size_t> {
 protected:
  void expect_the_train() {
    std::vector<std::string> wanted;
    for (const optics::Element& element : test::usual_train(GetParam()).elements) {
      wanted.push_back(element.name);
    }
    EXPECT_EQ(names(), wanted);
    EXPECT_EQ(verdict(), "No objection found") << findings().toStdString();
  }
};

TEST_P(UsualTrainTest, IsBuiltWithTheKeyboardAlone) {
  open();
  QTest::keyClick(window.get(), Qt::Key_E, Qt::ControlModifier);
  auto* search = child<QLineEdit>("part-search");
  ASSERT_TRUE(search->hasFocus());
  for (const Wanted& part : usual().at(GetParam())) {
    QTest::keyClicks(search, QString::fromUtf8(part.typed));
    for (int step = 0; step < 6; ++step) {
      const QString chosen = child<QListWidget>("part-list")->currentItem()->text();
      if (chosen == QString::fromUtf8(part.name)) {
        break;
      }
      QTest::keyClick(search, Qt::Key_Down);
    }
    QTest::keyClick(search, Qt::Key_Return);  // the search is marked: typing on replaces it
  }
  QTest::keyClick(search, Qt::Key_Escape);
  EXPECT_TRUE(section->hasFocus());
  expect_the_train();
}

TEST_P(UsualTrainTest, IsBuiltWithTheMouse) {
  open();
  press("choose-parts");
  auto* list = child<QListWidget>("part-list");
  for (const Wanted& part : usual().at(GetParam())) {
    const auto found = list->findItems(QString::fromUtf8(part.name), Qt::MatchExactly);
    ASSERT_EQ(found.size(), 1) << part.name;
    list->scrollToItem(found.front());
    QTest::mouseClick(list->viewport(), Qt::LeftButton, {},
                      list->visualItemRect(found.front()).center());
    press("add-part");
  }
  expect_the_train();
}

INSTANTIATE_TEST_SUITE_P(All, UsualTrainTest, testing::Values(0U, 1U, 2U));

TEST_F(LightPathTest, ArrowsAndClicksChooseAPart) {
  open(test::starter_rig());
  section->setFocus();
  EXPECT_EQ(section->selected(), 0);
  QTest::keyClick(section, Qt::Key_Right);
  EXPECT_EQ(section->selected(), 1);
  QTest::keyClick(section, Qt::Key_End);
  EXPECT_EQ(section->selected(), 2);
  QTest::keyClick(section, Qt::Key_Right);
  EXPECT_EQ(section->selected(), 2);
  QTest::keyClick(section, Qt::Key_Home);
  EXPECT_TRUE(section->accessibleDescription().contains("Film"));
  QTest::mouseClick(section, Qt::LeftButton, {}, section->card(2).center().toPoint());
  EXPECT_EQ(section->selected(), 2);
}

TEST_F(LightPathTest, SpaceAndDoubleClickTakeOffAndPutBack) {
  open(test::starter_rig());
  QTest::mouseDClick(section, Qt::LeftButton, {}, section->card(0).center().toPoint());
  EXPECT_FALSE(rig().elements[0].fitted);
  EXPECT_EQ(verdict(), "Stop");
  QTest::keyClick(section, Qt::Key_Space);
  EXPECT_TRUE(rig().elements[0].fitted);
}

TEST_F(LightPathTest, AColumnIsDraggedToAnotherPlaceAndUndone) {
  open(test::usual_train(1));
  const Rig before = rig();
  const QPoint from = section->card(3).center().toPoint();
  const QPoint to = section->card(1).topLeft().toPoint() + QPoint(6, 30);
  QTest::mousePress(section, Qt::LeftButton, {}, from);
  QTest::mouseMove(section, from - QPoint(30, 0));
  QTest::mouseMove(section, to);
  EXPECT_FALSE(section->grab().isNull());  // drawn with its mark
  QTest::mouseRelease(section, Qt::LeftButton, {}, to);
  EXPECT_EQ(rig().elements[1].name, "Continuum filter 540 nm, 10 nm wide");
  EXPECT_EQ(rig().elements[2].name, "Adapter 2 inch to 1.25 inch");
  EXPECT_EQ(section->selected(), 1);
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(rig(), before);
}

TEST_F(LightPathTest, AColumnDraggedOutIsRemovedAndAClickIsNoDrag) {
  open(test::usual_train(1));
  const QPoint from = section->card(3).center().toPoint();
  QTest::mouseClick(section, Qt::LeftButton, {}, from);
  EXPECT_EQ(rig().elements.size(), 5U);
  QTest::mousePress(section, Qt::LeftButton, {}, from);
  QTest::mouseMove(section, from - QPoint(0, 60));
  QTest::mouseMove(section, QPoint(from.x(), -40));
  QTest::mouseRelease(section, Qt::LeftButton, {}, QPoint(from.x(), -40));
  EXPECT_EQ(rig().elements.size(), 4U);
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(rig().elements.size(), 5U);
}

TEST_F(LightPathTest, APartIsDroppedFromTheListWhereItIsWanted) {
  open(test::usual_train(1));
  QMimeData mime;
  mime.setData(kPartMime, QByteArray::fromStdString(
                              optics::to_json(test::catalogue_part("Aperture mask 60 mm")).dump()));
  const QPointF place = section->card(0).topLeft() + QPointF(4, 20);
  QDragEnterEvent enter(place.toPoint(), Qt::CopyAction, &mime, Qt::LeftButton, {});
  QApplication::sendEvent(section, &enter);
  EXPECT_TRUE(enter.isAccepted());
  QDragMoveEvent over(place.toPoint(), Qt::CopyAction, &mime, Qt::LeftButton, {});
  QApplication::sendEvent(section, &over);
  QDropEvent drop(place, Qt::CopyAction, &mime, Qt::LeftButton, {});
  QApplication::sendEvent(section, &drop);
  ASSERT_EQ(rig().elements.size(), 6U);
  EXPECT_EQ(rig().elements[0].name, "Aperture mask 60 mm");
  EXPECT_DOUBLE_EQ(window->document().answers().train.aperture_mm, 60.0);
  mime.setData(kPartMime, "not a part");
  QDropEvent bad(place, Qt::CopyAction, &mime, Qt::LeftButton, {});
  QApplication::sendEvent(section, &bad);
  EXPECT_EQ(rig().elements.size(), 6U);
}

TEST_F(LightPathTest, AnEmptyPathIsDrawnAndTakesKeys) {
  open();
  EXPECT_EQ(verdict(), "Check first");
  section->setFocus();
  for (const Qt::Key key : {Qt::Key_Right, Qt::Key_Space, Qt::Key_Delete, Qt::Key_Home}) {
    QTest::keyClick(section, key);
  }
  QTest::mouseClick(section, Qt::LeftButton, {}, QPoint(100, 100));
  EXPECT_TRUE(rig().elements.empty());
  EXPECT_FALSE(section->grab().isNull());
}

TEST_F(LightPathTest, AFindingIsCuredWithOnePress) {
  Rig open_tube = test::usual_train(0);
  open_tube.elements[0].fitted = false;
  open(open_tube);
  EXPECT_EQ(verdict(), "Stop");
  WrapButton* cure = suggestion("Put back Solar film");
  ASSERT_NE(cure, nullptr) << findings().toStdString();
  EXPECT_TRUE(cure->text().contains("OD"));  // with the figures before and after
  QTest::mouseClick(cure, Qt::LeftButton);
  EXPECT_EQ(verdict(), "No objection found");
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(verdict(), "Stop");
}

TEST_F(LightPathTest, AMisfitIsShownWithItsFigureAndCured) {
  Rig rig = test::rig_of({"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6",
                          "Mirror diagonal 1.25 inch", "Eyepiece 20 mm"});
  open(rig);
  EXPECT_EQ(verdict(), "No objection found");
  EXPECT_TRUE(findings().contains("Does not fit")) << findings().toStdString();
  WrapButton* cure = suggestion("Add Adapter 2 inch to 1.25 inch");
  ASSERT_NE(cure, nullptr) << findings().toStdString();
  QTest::mouseClick(cure, Qt::LeftButton);
  EXPECT_FALSE(findings().contains("cannot be fitted"));
}

TEST_F(LightPathTest, TheRulesFollowTheChosenSchoolAndSaySo) {
  Rig rig = test::usual_train(2);
  rig.elements[2].fitted = false;  // without the cut filter
  optics::set_parameter(rig.elements[1].part, "aperture_mm", 100.0);
  open(rig);
  EXPECT_EQ(verdict(), "Stop");
  auto* rules = child<QToolButton>("rules-menu");
  EXPECT_EQ(rules->text(), "Rules");
  rules->menu()->actions().at(1)->trigger();
  EXPECT_NE(verdict(), "Stop");
  EXPECT_EQ(rules->text(), "Rules: 120 mm school");
  EXPECT_TRUE(findings().contains("up to 120 mm; the strict one says 80 mm"));
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(verdict(), "Stop");
  EXPECT_EQ(rules->text(), "Rules");
}

TEST_F(LightPathTest, TheDaysBetweenInspectionsAreChosenAndALongTimeIsSaid) {
  Rig old = test::starter_rig();
  old.elements[0].care.inspected = "2027-01-01";
  open(old);
  EXPECT_EQ(verdict(), "Check first");
  EXPECT_TRUE(findings().contains("Last inspected on 2027-01-01"));
  for (QAction* choice : child<QToolButton>("rules-menu")->menu()->findChildren<QAction*>()) {
    if (choice->text() == "365 days") {
      choice->trigger();
    }
  }
  EXPECT_EQ(verdict(), "No objection found");
  EXPECT_TRUE(findings().contains("inspected every 365 days; 180 is usual"));
}

TEST_F(LightPathTest, FramesASecondFollowTheRegion) {
  open(test::usual_train(1));
  const QString rates =
      window->view("light-path").findChild<Figures*>()->value_of("Frames a second");
  EXPECT_EQ(rates, "55; half the side 110");
}

TEST_F(LightPathTest, TwoPathsAreComparedAndSwapped) {
  open(test::usual_train(1));
  auto* second = child<Section>("second-section");
  EXPECT_FALSE(second->isVisible());
  child<QAction>("compare")->trigger();
  ASSERT_TRUE(second->isVisible());
  // The upper one gets an amplifier; the lower one stays as it was.
  auto* figures = window->view("light-path").findChild<Figures*>();
  QTest::keyClick(window.get(), Qt::Key_E, Qt::ControlModifier);
  QTest::keyClicks(child<QLineEdit>("part-search"), "amplifier 1.5");
  QTest::keyClick(child<QLineEdit>("part-search"), Qt::Key_Return);
  const QString lengths = figures->value_of("Focal length");
  EXPECT_TRUE(lengths.endsWith(" 480 mm")) << lengths.toStdString();
  EXPECT_TRUE(figures->value_of("Image of the Sun").contains('\n'));
  press("swap-compared");
  EXPECT_EQ(rig().elements.size(), 5U);
  EXPECT_TRUE(figures->value_of("Focal length").section('\n', 0, 0).endsWith("480 mm"));
  // It is kept with the workspace.
  window->close();
  window.reset();
  open();
  EXPECT_TRUE(child<Section>("second-section")->isVisible());
  press("close-compared");
  EXPECT_FALSE(child<Section>("second-section")->isVisible());
}

TEST_F(LightPathTest, APartIsKeptInTheKitAndChosenFromIt) {
  open(test::usual_train(2));
  section->select(4);
  auto* name = child<QLineEdit>("part-name");
  name->setFocus();
  name->selectAll();
  QTest::keyClicks(name, "Etalon of the school");
  QTest::keyClick(name, Qt::Key_Return);
  press("inspected-today");
  EXPECT_EQ(rig().elements[4].care.inspected, "2027-07-17");
  // A setting that was best goes into the history.
  auto* tuning = child<QListWidget>("tuning-history");
  ASSERT_NE(tuning, nullptr);
  QTest::keyClicks(child<QLineEdit>("tuning-purpose"), "prominences");
  for (auto* field : window->findChild<CareSheet*>()->findChildren<NumberField*>()) {
    field->edit().selectAll();
    QTest::keyClicks(&field->edit(), "-0.2");
    QTest::keyClick(&field->edit(), Qt::Key_Return);
  }
  ASSERT_EQ(rig().elements[4].care.tuning.size(), 1U);
  EXPECT_DOUBLE_EQ(rig().elements[4].care.tuning[0].setting_angstrom, -0.2);
  EXPECT_EQ(rig().elements[4].care.tuning[0].note, "prominences");
  EXPECT_EQ(tuning->count(), 1);
  const QSignalSpy failed(&window->models().trouble, &ErrorReporter::told);
  press("keep-in-kit");
  ASSERT_EQ(failed.count(), 0) << failed[0][0].toString().toStdString();
  ASSERT_EQ(window->models().kit.parts().size(), 1U);
  EXPECT_EQ(window->models().kit.parts()[0].name, "Etalon of the school");
  EXPECT_EQ(window->models().kit.parts()[0].care.tuning.size(), 1U);
  press("keep-in-kit");  // again: it is updated, not doubled
  EXPECT_EQ(window->models().kit.parts().size(), 1U);
  // One step of undo takes it out of the kit and off the light path's record.
  const std::string kit_id = rig().elements[4].kit_id;
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(window->models().kit.parts().empty());
  EXPECT_TRUE(rig().elements[4].kit_id.empty());
  window->document().undo().redo();
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  EXPECT_EQ(rig().elements[4].kit_id, kit_id);
  EXPECT_EQ(log::LogBook::open(workspace::log_file(folder.path())).value().kit().value().size(),
            1U);

  QTest::keyClick(window.get(), Qt::Key_E, Qt::ControlModifier);
  QTest::keyClicks(child<QLineEdit>("part-search"), "school");
  auto* list = child<QListWidget>("part-list");
  EXPECT_EQ(list->currentItem()->text(), "Etalon of the school");
  QTest::keyClick(child<QLineEdit>("part-search"), Qt::Key_Return);
  EXPECT_EQ(rig().elements.size(), 9U);
}

TEST_F(LightPathTest, KitFilesAreReadAndWritten) {
  open();
  const auto file = folder / "kit.json";
  ASSERT_TRUE(optics::write_parts(
      {test::catalogue_part("Eyepiece 20 mm"), test::catalogue_part("Phone in an eyepiece holder")},
      file));
  window->models().kit.import_file(QString::fromStdString(file.string()));
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  EXPECT_EQ(window->models().kit.parts().size(), 2U);
  const auto copy = folder / "copy.json";
  window->models().kit.export_to(QString::fromStdString(copy.string()));
  EXPECT_EQ(optics::read_parts(copy).value().size(), 2U);
  const QSignalSpy failed(&window->models().trouble, &ErrorReporter::told);
  test::write_text(folder / "bad.json", "{");
  window->models().kit.import_file(QString::fromStdString((folder / "bad.json").string()));
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  EXPECT_EQ(failed.count(), 1);
  EXPECT_EQ(window->models().kit.parts().size(), 2U);
  window->models().kit.drop(window->models().kit.parts()[0].kit_id);
  EXPECT_EQ(window->models().kit.parts().size(), 1U);
}

TEST_F(LightPathTest, FlagsAndChoicesOfAPartAreEdited) {
  Rig open_back = test::usual_train(1);
  optics::set_parameter(open_back.elements[2].part, "heat_port", 1.0);
  open(open_back);
  section->select(2);
  QTest::mouseClick(child<QCheckBox>("person_behind_port"), Qt::LeftButton, {}, QPoint(8, 8));
  EXPECT_EQ(verdict(), "Stop");
  EXPECT_TRUE(findings().contains("in line with the port"));
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(verdict(), "Check first");
  section->select(0);
  auto* design = child<QComboBox>("design");
  design->setFocus();
  QTest::keyClick(design, Qt::Key_End);
  EXPECT_EQ(std::get<optics::Telescope>(rig().elements[0].part).design,
            optics::TelescopeDesign::kBinocular);
}

TEST_F(LightPathTest, UnknownPartsAreShownAndKept) {
  Rig strange = test::starter_rig();
  strange.elements.push_back({"odd", "From the future", true, 0.0,
                              optics::UnknownPart{"light-sabre", base::Json{{"colour", "green"}}}});
  open(strange);
  section->select(3);
  EXPECT_EQ(verdict(), "Check first");
  EXPECT_TRUE(findings().contains("does not know this kind of part"));
  EXPECT_FALSE(section->grab().isNull());
  window->close();
  window.reset();
  open();
  EXPECT_EQ(rig(), strange);
}

}  // namespace
}  // namespace solarchon::app
