// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/paper_out.h"

#include <QPageLayout>
#include <QPdfWriter>
#include <QPrintDialog>
#include <QPrinter>

#include "app/model/phrases.h"
#include "solarchon/base/file.h"

namespace solarchon::app {

namespace {

constexpr double kMmPerInch = 25.4;
constexpr int kWordsUnits = 34;  // 3.4 mm

QPointF in_units(const paper::Point& point) {
  return QPointF(point.x_mm, point.y_mm) * kPaperUnits;
}

QFont paper_font(int units, bool bold = false) {
  QFont font(QStringLiteral("Solarchon Sans"));
  font.setPixelSize(units);
  font.setBold(bold);
  return font;
}

QPen pen_of(paper::Ink ink) {
  switch (ink) {
    case paper::Ink::kCut:
      return QPen(Qt::black, 3.0);
    case paper::Ink::kFold:
      return QPen(Qt::black, 2.5, Qt::DashLine);
    case paper::Ink::kGuide:
      break;
  }
  return QPen(QColor(0x55, 0x55, 0x55), 1.5);
}

QString words_of(const paper::Label& label, const QTimeZone& zone) {
  switch (label.says) {
    case paper::Says::kOuter:
      return QObject::tr("tube %1 mm").arg(number(label.value, 1));
    case paper::Says::kHole:
      return QObject::tr("hole %1 mm").arg(number(label.value, 1));
    case paper::Says::kTabs:
      return QObject::tr("tabs of %1 mm, folded down").arg(number(label.value, 0));
    case paper::Says::kNorth:
      return QObject::tr("N", "north on paper");
    case paper::Says::kUnderBead:
      return QObject::tr("under the bead, %1 mm high").arg(number(label.value, 0));
    case paper::Says::kTime:
      return clock_at(label.time, zone);
    case paper::Says::kFoot:
      return QObject::tr("foot %1").arg(number(label.value, 0));
    case paper::Says::kToFoot:
      return QObject::tr("%1 mm").arg(number(label.value, 0));
  }
  return {};
}

/// What stands under the drawing on each page: its name, what to do, and the ruler that shows
/// whether the printer kept the scale.
void paint_foot(QPainter& painter, const PaperJob& job, const QString& place) {
  const double left = paper::kEdgeMm * kPaperUnits;
  const double wide = (job.page.width_mm - 2.0 * paper::kEdgeMm) * kPaperUnits;
  const double top = (job.page.height_mm - paper::kEdgeMm - paper::kFootMm) * kPaperUnits;
  painter.setPen(QPen(Qt::black, 2.0));
  const double ruler = paper::kRulerMm * kPaperUnits;
  const double line = top + 40.0;
  painter.drawLine(QPointF(left, line), QPointF(left + ruler, line));
  for (int mm = 0; mm <= static_cast<int>(paper::kRulerMm); mm += 5) {
    const double x = left + mm * kPaperUnits;
    painter.drawLine(QPointF(x, line), QPointF(x, line - (mm % 10 == 0 ? 30.0 : 16.0)));
  }
  painter.setFont(paper_font(kWordsUnits));
  painter.drawText(QRectF(left + ruler + 20.0, line - 40.0, wide - ruler - 20.0, 80.0),
                   Qt::AlignLeft | Qt::TextWordWrap,
                   QObject::tr("100 mm: measure it. If it differs, print at 100 %, not fitted."));
  painter.setFont(paper_font(kWordsUnits + 6, true));
  painter.drawText(QRectF(left, line + 45.0, wide, 50.0), Qt::AlignLeft, job.title + place);
  painter.setFont(paper_font(kWordsUnits));
  painter.drawText(QRectF(left, line + 100.0, wide, 120.0), Qt::AlignLeft | Qt::TextWordWrap,
                   job.how);
}

/// @param painter  on a page, in units
void paint_tile(QPainter& painter, const PaperJob& job, const paper::Tile& tile, bool alone) {
  const QRectF free(paper::kEdgeMm * kPaperUnits, paper::kEdgeMm * kPaperUnits,
                    tile.width_mm * kPaperUnits, tile.height_mm * kPaperUnits);
  painter.save();
  painter.setClipRect(free);
  painter.translate(free.topLeft() - in_units(tile.corner));
  paint_sheet(painter, job);
  painter.restore();
  if (!alone) {
    painter.setPen(QPen(Qt::black, 1.0, Qt::DotLine));
    painter.setBrush(Qt::NoBrush);
    const double shared = paper::kSharedMm / 2.0 * kPaperUnits;
    painter.drawRect(free.adjusted(shared, shared, -shared, -shared));
  }
  const QString place = alone ? QString()
                              : QObject::tr(" \u2013 page %1 of row %2; glue along the dots")
                                    .arg(tile.column + 1)
                                    .arg(tile.row + 1);
  paint_foot(painter, job, place);
}

/// @param per_inch  dots of the device, whose origin is the paper's corner
template <typename NewPage>
void paint_pages(QPainter& painter, const PaperJob& job, double per_inch, const NewPage& new_page) {
  painter.setRenderHint(QPainter::Antialiasing);
  const double scale = per_inch / kMmPerInch / kPaperUnits;
  painter.scale(scale, scale);
  const auto tiles = paper::tiles_of(job.sheet, job.page);
  for (std::size_t i = 0; i < tiles.size(); ++i) {
    if (i > 0) {
      new_page();
    }
    paint_tile(painter, job, tiles.at(i), tiles.size() == 1);
  }
}

QPageSize size_of(const paper::Page& page) {
  return QPageSize(QSizeF(page.width_mm, page.height_mm), QPageSize::Millimeter, QString(),
                   QPageSize::FuzzyMatch);
}

}  // namespace

void paint_sheet(QPainter& painter, const PaperJob& job) {
  painter.setBrush(Qt::NoBrush);
  for (const paper::Circle& circle : job.sheet.circles) {
    painter.setPen(pen_of(circle.ink));
    painter.drawEllipse(in_units(circle.centre), circle.radius_mm * kPaperUnits,
                        circle.radius_mm * kPaperUnits);
  }
  for (const paper::Line& line : job.sheet.lines) {
    painter.setPen(pen_of(line.ink));
    painter.drawLine(in_units(line.from), in_units(line.to));
  }
  painter.setFont(paper_font(kWordsUnits));
  painter.setPen(Qt::black);
  for (const paper::Label& label : job.sheet.labels) {
    const QString words = words_of(label, job.zone);
    QRectF box(painter.fontMetrics().boundingRect(words));
    box.adjust(-6.0, -2.0, 6.0, 2.0);
    box.moveCenter(in_units(label.at));
    painter.fillRect(box, Qt::white);
    painter.drawText(box, Qt::AlignCenter, words);
  }
}

base::Result<void> write_paper(const PaperJob& job, const QString& file) {
  const std::filesystem::path path = file.toStdString();
  return base::write_beside_then_rename(
      path, [&](const std::filesystem::path& target) -> base::Result<void> {
        QPdfWriter writer(QString::fromStdString(target.string()));
        writer.setPageSize(size_of(job.page));
        writer.setPageMargins(QMarginsF());
        writer.setTitle(job.title);
        QPainter painter;
        if (!painter.begin(&writer)) {
          return base::fail(base::ErrorCode::kUnwritable, path.string());
        }
        paint_pages(painter, job, writer.resolution(), [&] { writer.newPage(); });
        if (!painter.end()) {
          return base::fail(base::ErrorCode::kUnwritable, path.string());
        }
        return {};
      });
}

void print_paper(const PaperJob& job, QWidget* parent) {
  QPrinter printer(QPrinter::HighResolution);
  printer.setPageSize(size_of(job.page));
  printer.setFullPage(true);  // the edges that the drawing leaves are its own
  QPrintDialog dialog(&printer, parent);
  if (dialog.exec() != QDialog::Accepted) {
    return;
  }
  QPainter painter(&printer);
  paint_pages(painter, job, printer.resolution(), [&] { printer.newPage(); });
}

}  // namespace solarchon::app
