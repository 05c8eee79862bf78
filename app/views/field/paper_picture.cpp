// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/paper_picture.h"

#include <algorithm>

#include "app/shell/disc_painting.h"
#include "app/shell/theme.h"

namespace solarchon::app {

PaperPicture::PaperPicture(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("paper-picture"));
  setAccessibleName(tr("What is printed"));
}

void PaperPicture::show_job(std::optional<PaperJob> job, const QString& hint) {
  job_ = std::move(job);
  hint_ = hint;
  setAccessibleDescription(job_ ? job_->title : hint_);
  update();
}

void PaperPicture::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  if (!job_) {
    paint_empty(painter, QRectF(rect()).adjusted(4, 4, -4, -4), hint_);
    return;
  }
  const auto tiles = paper::tiles_of(job_->sheet, job_->page);
  const paper::Tile& first = tiles.front();
  const paper::Tile& last = tiles.back();
  // One page is shown as large as what is drawn on it.
  const bool alone = tiles.size() == 1;
  const QRectF papers =
      alone ? QRectF(0.0, 0.0, job_->sheet.width_mm * kPaperUnits,
                     job_->sheet.height_mm * kPaperUnits)
            : QRectF(QPointF(first.corner.x_mm, first.corner.y_mm) * kPaperUnits,
                     QPointF(last.corner.x_mm + last.width_mm, last.corner.y_mm + last.height_mm) *
                         kPaperUnits);
  constexpr double kInset = 6.0;
  const double scale = std::min((width() - 2.0 * kInset) / papers.width(),
                                (height() - 2.0 * kInset) / papers.height());
  painter.translate(QRectF(rect()).center());
  painter.scale(scale, scale);
  painter.translate(-papers.center());
  painter.fillRect(papers, Qt::white);  // paper, in both themes
  paint_sheet(painter, *job_);
  if (alone) {
    return;
  }
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(Theme::colours().accent, 2.0 / scale, Qt::DashLine));
  for (const paper::Tile& tile : tiles) {
    painter.drawRect(QRectF(QPointF(tile.corner.x_mm, tile.corner.y_mm) * kPaperUnits,
                            QSizeF(tile.width_mm, tile.height_mm) * kPaperUnits));
  }
}

}  // namespace solarchon::app
