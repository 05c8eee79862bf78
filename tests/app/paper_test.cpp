// SPDX-License-Identifier: GPL-3.0-or-later
// Templates as they lie in the PDF, measured back from its own path operators.
#include <QFile>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QTransform>
#include <array>

#include "app/shell/figures.h"
#include "app/shell/number_field.h"
#include "app/views/field/paper_out.h"
#include "solarchon/paper/sheets.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

constexpr double kMmPerPoint = 25.4 / 72.0;

/// The page streams of a PDF, uncompressed.
std::vector<QByteArray> streams_of(const QByteArray& pdf) {
  std::vector<QByteArray> streams;
  qsizetype at = 0;
  while ((at = pdf.indexOf("stream\n", at)) >= 0) {
    const qsizetype from = at + 7;
    const qsizetype to = pdf.indexOf("endstream", from);
    const QByteArray body = pdf.mid(from, to - from);
    const QByteArray plain = qUncompress(QByteArray("\0\x10\0\0", 4) + body);
    if (!plain.isEmpty()) {
      streams.push_back(plain);
    }
    at = to + 9;  // behind that word
  }
  return streams;
}

/// Closed curves of four arcs in a page's stream, as rectangles in millimetres of paper.
std::vector<QRectF> circles_of(const QByteArray& stream) {
  std::vector<QRectF> found;
  std::vector<double> numbers;
  std::vector<QTransform> outer;
  QTransform now = QTransform::fromScale(kMmPerPoint, kMmPerPoint);
  QPolygonF points;
  int arcs = 0;
  const auto number = [&](std::size_t from_last) { return numbers.at(numbers.size() - from_last); };
  for (const QByteArray& word : stream.simplified().split(' ')) {
    bool is_number = false;
    const double value = word.toDouble(&is_number);
    if (is_number) {
      numbers.push_back(value);
      continue;
    }
    if (word == "q") {
      outer.push_back(now);
    } else if (word == "Q" && !outer.empty()) {
      now = outer.back();
      outer.pop_back();
    } else if (word == "cm" && numbers.size() >= 6) {
      now = QTransform(number(6), number(5), number(4), number(3), number(2), number(1)) * now;
    } else if ((word == "m" || word == "l") && numbers.size() >= 2) {
      points = {now.map(QPointF(number(2), number(1)))};
      arcs = 0;
    } else if (word == "c" && numbers.size() >= 6) {
      points << now.map(QPointF(number(2), number(1)));  // the arc's end
      ++arcs;
    } else if (word == "h" && arcs == 4) {
      found.push_back(points.boundingRect());
    }
    numbers.clear();
  }
  return found;
}

class PaperTest : public testing::Test {
 protected:
  PaperTest()
      : window(test::open_window(folder.path(), test::morning_workspace(test::starter_rig()))) {}
  QByteArray written(const paper::Sheet& sheet) {
    const QString file = QString::fromStdString((folder / "a.pdf").string());
    EXPECT_TRUE(write_paper({"Title", "How", sheet, paper::kA4, QTimeZone::utc()}, file));
    QFile pdf(file);
    EXPECT_TRUE(pdf.open(QIODevice::ReadOnly));
    return pdf.readAll();
  }
  template <typename Widget>
  Widget* find(const char* name) {
    return window->findChild<Widget*>(QString::fromLatin1(name));
  }
  test::TempFolder folder;
  std::unique_ptr<Window> window;
};

TEST_F(PaperTest, CirclesMeasureBackFromThePdf) {
  for (const auto& [tube, hole] : {std::pair{102.0, 80.0}, {63.5, 50.0}, {120.0, 60.3}}) {
    const QByteArray pdf = written(paper::cap_sheet({tube, hole}).value());
    ASSERT_TRUE(pdf.startsWith("%PDF"));
    std::vector<QRectF> circles;
    for (const QByteArray& stream : streams_of(pdf)) {
      for (const QRectF& one : circles_of(stream)) {
        circles.push_back(one);
      }
    }
    ASSERT_EQ(circles.size(), 3U);
    const std::array wanted{hole, tube + 1.0, tube + 1.0 + 2.0 * paper::kTabMm};
    for (std::size_t i = 0; i < wanted.size(); ++i) {
      EXPECT_NEAR(circles[i].width(), wanted.at(i), 0.2);
      EXPECT_NEAR(circles[i].height(), wanted.at(i), 0.2);
      EXPECT_NEAR(circles[i].center().x(), 105.0, 0.2);  // in the middle of the paper
    }
  }
}

TEST_F(PaperTest, ALargeTubeTakesMorePagesAndKeepsItsScale) {
  const paper::Sheet sheet = paper::cap_sheet({300.0, 254.0}).value();
  const QByteArray pdf = written(sheet);
  EXPECT_EQ(pdf.count("/Type /Page\n"),
            static_cast<int>(paper::tiles_of(sheet, paper::kA4).size()));
  int seen = 0;
  for (const QByteArray& stream : streams_of(pdf)) {
    for (const QRectF& one : circles_of(stream)) {
      seen += std::abs(one.width() - 254.0) < 0.2 && std::abs(one.height() - 254.0) < 0.2 ? 1 : 0;
    }
  }
  EXPECT_EQ(seen, static_cast<int>(paper::tiles_of(sheet, paper::kA4).size()));
}

TEST_F(PaperTest, ThePageShowsEachSheetAndSaysWhatDoesNotFit) {
  window->show_place("field-prepare");
  auto* list = find<QListWidget>("paper-list");
  list->setFocus();
  for (int row = 0; row < list->count(); ++row) {
    EXPECT_EQ(list->currentRow(), row);
    EXPECT_FALSE(find<QLabel>("prepare-headline")->text().isEmpty());
    // A refractor has no secondary to stand beside; its mask would be half as wide.
    EXPECT_TRUE(find<QPushButton>("paper-save")->isEnabled()) << row;
    QTest::keyClick(list, Qt::Key_Down);
  }
  list->setCurrentRow(0);
  auto& clear = find<NumberField>("film-clear")->edit();
  clear.setFocus();
  QTest::keyClicks(&clear, "400");
  QTest::keyClick(&clear, Qt::Key_Return);
  EXPECT_FALSE(find<QPushButton>("paper-save")->isEnabled());
  EXPECT_TRUE(find<QLabel>("prepare-reason")->text().contains("does not fit"));
  window->document().undo().undo();
  EXPECT_TRUE(find<QPushButton>("paper-save")->isEnabled());
}

TEST_F(PaperTest, ColdGlassInDampAirIsSaidToFog) {
  window->show_place("field-prepare");
  const auto type = [&](const char* name, const char* value) {
    auto& edit = find<NumberField>(name)->edit();
    edit.setFocus();
    edit.selectAll();
    QTest::keyClicks(&edit, value);
    QTest::keyClick(&edit, Qt::Key_Return);
  };
  type("storage", "-2");
  type("humidity", "85");
  const auto figures = [&] {
    QString all;
    for (const Figures* one : window->findChildren<Figures*>()) {
      all += one->value_of("Front glass");
    }
    return all;
  };
  EXPECT_TRUE(figures().contains("clear after")) << figures().toStdString();
  EXPECT_EQ(window->document().workspace().conditions.humidity_percent, 85.0);
  type("storage", "25");
  EXPECT_TRUE(figures().contains("stays clear")) << figures().toStdString();
  type("humidity", "300");
  EXPECT_FALSE(find<NumberField>("humidity")->problem().isEmpty());
  EXPECT_EQ(window->document().workspace().conditions.humidity_percent, 85.0);
}

}  // namespace
}  // namespace solarchon::app
