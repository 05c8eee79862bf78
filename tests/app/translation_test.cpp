// SPDX-License-Identifier: GPL-3.0-or-later
// Every text that people see passes through the translations: under one that marks each of them,
// nothing that is painted, told by a tooltip or read to the blind stands without a mark.
#include <QAction>
#include <QComboBox>
#include <QLineEdit>
#include <QPaintEngine>
#include <QRegularExpression>
#include <QSet>
#include <QToolButton>
#include <QTranslator>

#include "app/shell/language.h"
#include "app/window/window.h"
#include "solarchon/words/safety.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

/// Collects the texts that are painted on a device.
class TextEngine : public QPaintEngine {
 public:
  TextEngine() : QPaintEngine(AllFeatures) {}
  bool begin(QPaintDevice* /*device*/) override { return true; }
  bool end() override { return true; }
  void updateState(const QPaintEngineState& /*state*/) override {}
  void drawPixmap(const QRectF& /*r*/, const QPixmap& /*p*/, const QRectF& /*s*/) override {}
  void drawPath(const QPainterPath& /*path*/) override {}
  void drawPolygon(const QPointF* /*p*/, int /*count*/, PolygonDrawMode /*mode*/) override {}
  void drawTextItem(const QPointF& /*place*/, const QTextItem& item) override {
    painted << item.text();
  }
  [[nodiscard]] Type type() const override { return User; }
  QStringList painted;
};

class TextDevice : public QPaintDevice {
 public:
  explicit TextDevice(QSize size) : size_(size) {}
  [[nodiscard]] QPaintEngine* paintEngine() const override { return &engine_; }
  [[nodiscard]] const QStringList& painted() const { return engine_.painted; }

 protected:
  [[nodiscard]] int metric(PaintDeviceMetric metric) const override {
    switch (metric) {
      case PdmWidth:
        return size_.width();
      case PdmHeight:
        return size_.height();
      case PdmDepth:
        return 32;
      case PdmDpiX:
      case PdmDpiY:
      case PdmPhysicalDpiX:
      case PdmPhysicalDpiY:
        return 96;
      case PdmDevicePixelRatio:
        return 1;
      default:
        return static_cast<int>(QPaintDevice::devicePixelRatioFScale());
    }
  }

 private:
  QSize size_;
  mutable TextEngine engine_;
};

/// Everything that a window says: painted, in tooltips, to screen readers, in menus and lists.
QStringList texts_of(QWidget& window) {
  TextDevice device(window.size());
  window.render(&device);
  QStringList texts = device.painted();
  for (const QWidget* widget : window.findChildren<QWidget*>()) {
    if (widget->isVisibleTo(&window)) {
      texts << widget->toolTip() << widget->accessibleName() << widget->accessibleDescription();
    }
    if (const auto* edit = qobject_cast<const QLineEdit*>(widget)) {
      texts << edit->placeholderText();
    }
    if (const auto* combo = qobject_cast<const QComboBox*>(widget)) {
      for (int i = 0; i < combo->count(); ++i) {
        texts << combo->itemText(i);
      }
    }
  }
  for (const QAction* action : window.findChildren<QAction*>()) {
    texts << action->text() << action->toolTip();
  }
  return texts;
}

/// Words that are the same in every language: units, formats, keys, and the names of the months,
/// which are the locale's.
const QSet<QString>& common_words() {
  static const QSet<QString> kWords = [] {
    QSet<QString> words{"min",     "iso",    "utc",  "json",        "csv",    "pdf",
                        "fits",    "tiff",   "ctrl", "home",        "insert", "solarchon",
                        "english", "arcsec", "page", "espa\u00f1ol"};
    for (int month = 1; month <= 12; ++month) {
      for (const auto form : {QLocale::LongFormat, QLocale::ShortFormat}) {
        words << QLocale().monthName(month, form).toLower()
              << QLocale().standaloneMonthName(month, form).toLower();
      }
    }
    for (int day = 1; day <= 7; ++day) {
      words << QLocale().dayName(day, QLocale::ShortFormat).toLower();
    }
    return words;
  }();
  return kWords;
}

/// The words of a text that no translation has marked.
QStringList unmarked(const QString& text) {
  static const QRegularExpression kWord(QStringLiteral("\\p{L}{3,}"));
  static const QRegularExpression kPlainVowel(QStringLiteral("[aeiouAEIOU]"));
  static const QRegularExpression kMark(
      QString::fromUtf8("[\u00e1\u00e9\u00ed\u00f3\u00fa\u00c1\u00c9\u00cd\u00d3\u00da]"));
  QStringList words;
  if (text.startsWith('/')) {
    return words;  // a file's path
  }
  for (auto match = kWord.globalMatch(text); match.hasNext();) {
    const QString word = match.next().captured();
    if (word.contains(kPlainVowel) && !word.contains(kMark) &&
        !common_words().contains(word.toLower())) {
      words << word;
    }
  }
  return words;
}

class Marked : public testing::Test {
 protected:
  void SetUp() override {
    ASSERT_TRUE(translator.load(QStringLiteral(SOLARCHON_MARKED)));
    QCoreApplication::installTranslator(&translator);
  }
  void TearDown() override { QCoreApplication::removeTranslator(&translator); }

  /// What users write stands for itself: here it has no letters.
  static workspace::Workspace nameless(optics::Rig rig) {
    workspace::Workspace space = test::morning_workspace(std::move(rig));
    space.site.name = "1";
    space.rig.name = "2";
    for (optics::Element& element : space.rig.elements) {
      element.name = "3";
    }
    space.wishes.runs = {{"4", test::morning() + sky::hours(1.0), 30.0}};
    space.wishes.power.supplies[0].name = "5";
    space.wishes.power.supplies[1].name = "6";
    return space;
  }

  static void expect_all_marked(Window& window, const char* state) {
    for (const QString& place : place_ids()) {
      window.show_place(place);
      ASSERT_TRUE(test::wait_until([&] { return window.settled(); }));
      for (const QString& text : texts_of(window)) {
        const QStringList words = unmarked(text);
        EXPECT_TRUE(words.isEmpty())
            << state << ", " << place.toStdString() << ": \"" << words.join(' ').toStdString()
            << "\" in \"" << text.toStdString() << '"';
      }
    }
  }

  test::TempFolder folder;
  QTranslator translator;
};

TEST_F(Marked, EveryViewSpeaksThroughTheTranslation) {
  auto window = test::open_window(folder.path(), nameless(test::quick_rig()));
  expect_all_marked(*window, "empty log");
  window->models().frame.take(window->document().workspace(), window->document().answers(), {});
  ASSERT_TRUE(
      test::wait_until([&] { return window->settled() && window->models().frame.shown(); }));
  expect_all_marked(*window, "a frame in hand");
}

TEST_F(Marked, AStoppedPathAndASecondOneSpeakThroughItToo) {
  workspace::Workspace space = nameless(test::usual_train(2));
  space.compared = space.rig;
  space.rig.elements[0].fitted = false;
  auto window = test::open_window(folder.path(), space);
  expect_all_marked(*window, "rear etalon");
  space.compared.reset();
  space.rig = nameless(test::usual_train(1)).rig;
  optics::Element finder;
  finder.id = "f";
  finder.name = "7";
  finder.part = optics::Finder{optics::FinderKind::kOptical, false};
  space.rig.elements.push_back(finder);
  window->document().edit("8", space);
  expect_all_marked(*window, "open finder");
}

TEST(Language, IsChosenInTheProgramAndKept) {
  const test::TempFolder folder;
  auto window = test::open_window(folder.path(), test::morning_workspace(test::quick_rig()));
  window->show_place("day-plan");
  window->choose_language("es");
  EXPECT_EQ(window->place(), "day-plan");
  EXPECT_TRUE(texts_of(*window).contains(QString::fromUtf8("Camino \u00f3ptico")));
  window->close();
  window.reset();
  speak("en");
  window = test::open_window(folder.path(), test::morning_workspace(test::quick_rig()));
  EXPECT_EQ(spoken_language(), "es");
  window->choose_language("en");
  EXPECT_TRUE(texts_of(*window).contains(QStringLiteral("Light path")));
  window.reset();
  QLocale::setDefault(QLocale::c());
}

TEST(Language, SpanishSaysTheRules) {
  speak("es");
  EXPECT_EQ(QCoreApplication::translate("solarchon::words", "Stop"), QStringLiteral("Alto"));
  EXPECT_EQ(QObject::tr("%n frame(s)", nullptr, 1), "1 toma");
  EXPECT_EQ(QObject::tr("%n frame(s)", nullptr, 3), "3 tomas");
  speak("en");
  EXPECT_EQ(QObject::tr("%n frame(s)", nullptr, 1), "1 frame");
  EXPECT_EQ(QObject::tr("%n frame(s)", nullptr, 3), "3 frames");
  QLocale::setDefault(QLocale::c());
}

}  // namespace
}  // namespace solarchon::app
