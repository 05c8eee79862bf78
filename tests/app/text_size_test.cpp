// SPDX-License-Identifier: GPL-3.0-or-later
#include <QAbstractButton>
#include <QComboBox>
#include <QLabel>
#include <QScrollArea>

#include "app/shell/drawing.h"
#include "app/shell/elided_label.h"
#include "app/shell/language.h"
#include "app/shell/number_field.h"
#include "app/shell/verdict_badge.h"
#include "app/shell/wrap_button.h"
#include "app/window/drop_sheet.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

/// What is cut or overlaps among the visible widgets below one, in words.
class Faults {
 public:
  explicit Faults(const QWidget& top) { look_into(top); }
  [[nodiscard]] const QStringList& list() const { return list_; }

 private:
  static QString name_of(const QWidget& widget) {
    QString words = widget.accessibleName();
    if (const auto* label = qobject_cast<const QLabel*>(&widget)) {
      words = label->text();
    }
    if (const auto* button = qobject_cast<const QAbstractButton*>(&widget)) {
      words = button->text();
    }
    return QStringLiteral("%1 '%2' '%3'")
        .arg(widget.metaObject()->className(), widget.objectName(), words);
  }

  void look_into(const QWidget& parent) {
    std::vector<const QWidget*> children;
    for (const QObject* child : parent.children()) {
      const auto* widget = qobject_cast<const QWidget*>(child);
      if (widget != nullptr && widget->isVisible() && !widget->isWindow()) {
        children.push_back(widget);
      }
    }
    // What scrolls may be larger than what shows it; a list arranges its own rows.
    const bool scrolls = parent.objectName() == QStringLiteral("qt_scrollarea_viewport");
    for (const QWidget* child : children) {
      if (qobject_cast<const QAbstractItemView*>(child) != nullptr) {
        continue;
      }
      if (!scrolls && !parent.rect().adjusted(-1, -1, 1, 1).contains(child->geometry())) {
        list_ << name_of(*child) + QStringLiteral(" leaves ") + name_of(parent);
      }
      const auto* area = qobject_cast<const QScrollArea*>(child);
      if (area != nullptr && area->horizontalScrollBarPolicy() == Qt::ScrollBarAlwaysOff &&
          area->widget()->width() > area->viewport()->width()) {
        list_ << name_of(*area->widget()) + QStringLiteral(" is cut on its right: %1 in %2")
                                                .arg(area->widget()->width())
                                                .arg(area->viewport()->width());
      }
      check_words(*child);
      look_into(*child);
    }
    check_overlaps(children);
  }

  void check_overlaps(const std::vector<const QWidget*>& children) {
    for (std::size_t i = 0; i < children.size(); ++i) {
      for (std::size_t j = i + 1; j < children.size(); ++j) {
        const QRect both = children[i]->geometry().intersected(children[j]->geometry());
        constexpr int kTouching = 1;  // switches share their edges
        if (both.width() > kTouching && both.height() > kTouching) {
          list_ << name_of(*children[i]) + QStringLiteral(" overlaps ") + name_of(*children[j]);
        }
      }
    }
  }

  void check_words(const QWidget& widget) {
    constexpr int kRounding = 1;
    if (const auto* label = qobject_cast<const QLabel*>(&widget)) {
      const QRect room = label->contentsRect();
      const bool elides = qobject_cast<const ElidedLabel*>(label) != nullptr;
      const int wide = label->fontMetrics().horizontalAdvance(label->text());
      if (label->wordWrap()
              ? label->heightForWidth(label->width()) > label->height() + kRounding
              : !elides && !label->text().contains('\n') && wide > room.width() + kRounding) {
        list_ << name_of(widget) + QStringLiteral(" is cut: %1 in %2x%3")
                                       .arg(wide)
                                       .arg(room.width())
                                       .arg(room.height());
      }
      if (label->fontMetrics().height() > label->height() + kRounding && !label->text().isEmpty()) {
        list_ << name_of(widget) + QStringLiteral(" is too low");
      }
    } else if (const auto* wraps = qobject_cast<const WrapButton*>(&widget)) {
      if (wraps->heightForWidth(wraps->width()) > wraps->height() + kRounding) {
        list_ << name_of(widget) + QStringLiteral(" is too low");
      }
    } else if (const auto* button = qobject_cast<const QAbstractButton*>(&widget)) {
      const bool own_dots = button->inherits("solarchon::app::Chip");
      if (!own_dots && !button->text().isEmpty() &&
          button->fontMetrics().horizontalAdvance(button->text()) > button->width()) {
        list_ << name_of(widget) + QStringLiteral(" is cut");
      }
      if (!button->text().isEmpty() && button->height() < button->fontMetrics().height()) {
        list_ << name_of(widget) + QStringLiteral(" is too low");
      }
    } else if (const auto* drawing = qobject_cast<const Drawing*>(&widget)) {
      const QSize least = drawing->minimumSizeHint();
      if (drawing->size().width() + kRounding < least.width() ||
          drawing->size().height() + kRounding < least.height()) {
        list_ << name_of(widget) + QStringLiteral(" has %1x%2 of %3x%4")
                                       .arg(drawing->size().width())
                                       .arg(drawing->size().height())
                                       .arg(least.width())
                                       .arg(least.height());
      }
    }
  }

  QStringList list_;
};

struct Sight {
  const char* language;
  QSize size;
  int percent;
};

class SightTest : public testing::Test {
 protected:
  ~SightTest() override {
    window.reset();
    Theme::set_text_percent(100);
    Theme::apply(Look::kNoon);
    speak("en");
  }
  void open(const workspace::Workspace& space, const Sight& sight = {"en", {1280, 800}, 100}) {
    Options options;
    options.data = folder.path();
    options.time = test::morning();
    options.size = sight.size;
    options.size_given = true;
    options.language = sight.language;
    options.text_percent = sight.percent;
    ASSERT_TRUE(workspace::write_workspace(space, workspace::workspace_file(folder.path())));
    window = std::make_unique<Window>(options);
    window->show();
    ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  }
  void expect_no_faults(const QString& where) {
    ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
    for (int i = 0; i < 5; ++i) {  // layouts that settle in turns
      QApplication::sendPostedEvents(nullptr, QEvent::LayoutRequest);
      QApplication::processEvents();
    }
    const QStringList faults = Faults(*window).list();
    EXPECT_TRUE(faults.isEmpty()) << where.toStdString() << ":\n"
                                  << faults.join('\n').toStdString();
  }
  /// Whether the view is larger than the room that the window has for it.
  static bool scrolls(const QWidget& view) {
    return !view.parentWidget()->rect().contains(view.geometry());
  }

  test::TempFolder folder;
  std::unique_ptr<Window> window;
};

/// At every size, in both languages.
class TextSizeTest : public SightTest, public testing::WithParamInterface<Sight> {};
/// Where room is least.
class NarrowTest : public SightTest, public testing::WithParamInterface<Sight> {};

TEST_P(TextSizeTest, NothingIsCutOrOverlaps) {
  workspace::Workspace space = test::morning_workspace(test::starter_rig());
  plan::Run run;
  run.name = "Whole disc";
  run.start = test::morning() + sky::hours(1.0);
  space.wishes.runs = {run};
  open(space, GetParam());
  window->models().frame.take(space, window->document().answers(), {});
  ASSERT_TRUE(
      test::wait_until([&] { return window->settled() && window->models().frame.shown(); }));
  for (const QString& id : place_ids()) {
    window->show_place(id);
    expect_no_faults(id);
    EXPECT_EQ(window->size(), GetParam().size);
    if (GetParam().percent <= 100) {
      EXPECT_FALSE(scrolls(window->current_view())) << id.toStdString() << " scrolls";
    }
  }
}

TEST_P(TextSizeTest, SheetsStayWithinTheWindow) {
  open(test::morning_workspace(test::starter_rig()), GetParam());
  for (int i = 0; i < 9; ++i) {
    window->models().kit.sites().keep({"Site " + std::to_string(i), 36.0, -5.6, 0.0, "UTC"});
  }
  for (const char* chip : {"site-chip", "rig-chip"}) {
    QTest::mouseClick(window->findChild<QToolButton*>(chip), Qt::LeftButton);
    auto* sheet = qobject_cast<DropSheet*>(QApplication::activePopupWidget());
    ASSERT_NE(sheet, nullptr);
    QTest::qWait(50);
    EXPECT_LE(sheet->geometry().bottom(), window->geometry().bottom());
    const QStringList faults = Faults(*sheet).list();
    EXPECT_TRUE(faults.isEmpty()) << faults.join('\n').toStdString();
    sheet->hide();
  }
}

TEST_F(SightTest, IsChosenByKeysAndRemembered) {
  open(test::morning_workspace(test::starter_rig()));
  window->show_place("day-plan");
  QTest::keyClick(window.get(), Qt::Key_0, Qt::ControlModifier);
  QApplication::processEvents();
  EXPECT_EQ(Theme::text_percent(), 100);
  EXPECT_EQ(window->place(), "day-plan");
  const int small = window->findChild<QLabel*>("clock")->fontMetrics().height();
  for (int i = 0; i < 5; ++i) {
    QTest::keyClick(window.get(), Qt::Key_Plus, Qt::ControlModifier);
    QApplication::processEvents();
  }
  EXPECT_EQ(Theme::text_percent(), 150);
  EXPECT_NEAR(window->findChild<QLabel*>("clock")->fontMetrics().height(), 1.5 * small, 2.0);
  QTest::keyClick(window.get(), Qt::Key_Minus, Qt::ControlModifier);
  QApplication::processEvents();
  EXPECT_EQ(Theme::text_percent(), 140);
  for (int i = 0; i < 9; ++i) {
    QTest::keyClick(window.get(), Qt::Key_Minus, Qt::ControlModifier);
    QApplication::processEvents();
  }
  EXPECT_EQ(Theme::text_percent(), Theme::kLeastPercent);
  window->choose_text_size(500);
  EXPECT_EQ(Theme::text_percent(), Theme::kMostPercent);
  window->choose_text_size(130);
  window->close();
  window.reset();
  Options options;
  options.data = folder.path();
  window = std::make_unique<Window>(options);
  EXPECT_EQ(Theme::text_percent(), 130);
}

TEST_F(SightTest, LosesNothingThatIsUnderWay) {
  open(test::morning_workspace(test::starter_rig()));
  window->models().log.time_step(plan::StepKind::kAlign, test::morning());
  window->show_place("capture");
  NumberField* exposure = window->current_view().findChild<NumberField*>();
  ASSERT_NE(exposure, nullptr);
  QTest::keyClicks(&exposure->edit(), "2");
  QTest::keyClick(&exposure->edit(), Qt::Key_Return);
  window->choose_text_size(110);
  EXPECT_EQ(window->place(), "capture");
  EXPECT_EQ(window->current_view().findChild<NumberField*>()->edit().text(), "2");
  EXPECT_EQ(window->models().camera.exposure_ms(), 2.0);
  EXPECT_EQ(window->models().log.step_begun(plan::StepKind::kAlign), test::morning());
}

TEST_P(NarrowTest, LongNamesGiveWay) {
  workspace::Workspace space = test::morning_workspace(test::usual_train(2));
  const std::string longest =
      "The terrace behind the workshop of the coastal school, where the wall keeps off the wind";
  space.site.name = longest;
  space.rig.name = longest;
  space.rig.elements[0].fitted = false;  // and a verdict with findings
  for (auto& element : space.rig.elements) {
    element.name += " of " + longest;
  }
  plan::Run run;
  run.name = longest;
  run.start = test::morning() + sky::hours(1.0);
  space.wishes.runs = {run};
  space.wishes.power.supplies[0].name = longest;
  space.wishes.power.supplies[0].watt_hours = 74.0;
  open(space, GetParam());
  for (const QString& id : place_ids()) {
    window->show_place(id);
    expect_no_faults(id);
    EXPECT_EQ(window->size(), GetParam().size);
  }
}

std::string name_of(const testing::TestParamInfo<Sight>& sight) {
  return std::string(sight.param.language) + std::to_string(sight.param.size.width()) + "at" +
         std::to_string(sight.param.percent);
}

INSTANTIATE_TEST_SUITE_P(
    Sights, TextSizeTest,
    testing::Values(Sight{"en", {1280, 800}, 100}, Sight{"es", {1280, 800}, 100},
                    Sight{"es", {1024, 700}, 100}, Sight{"en", {1280, 800}, 150},
                    Sight{"es", {1280, 800}, 150}, Sight{"en", {1024, 700}, 125},
                    Sight{"es", {1024, 700}, 125}, Sight{"es", {1280, 800}, 200}),
    name_of);
INSTANTIATE_TEST_SUITE_P(Sights, NarrowTest,
                         testing::Values(Sight{"en", {1280, 800}, 150},
                                         Sight{"es", {1024, 700}, 100},
                                         Sight{"es", {1024, 700}, 125},
                                         Sight{"es", {1280, 800}, 200}),
                         name_of);

}  // namespace
}  // namespace solarchon::app
