// SPDX-License-Identifier: GPL-3.0-or-later
// What is drawn round the picture and over it.
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/theme.h"
#include "app/views/match/sensor_frame.h"
#include "solarchon/base/angle.h"

namespace solarchon::app {

void SensorFrame::draw_eye_marks(QPainter& painter, const QRectF& box, const Shown& path) const {
  const optics::Look& look = *path.train.look;
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setPen(Theme::colours().ink);
  painter.drawText(
      QRectF(box.left() - 200, box.top() - 20, box.width() + 400, 18), Qt::AlignCenter,
      tr("%1\u00d7, field %2\u2032, exit pupil %3 mm")
          .arg(number(look.magnification, 0), number(base::kArcminPerDeg * look.true_field_deg, 0),
               number(look.exit_pupil_mm, 1)));
  if (!image_.isNull()) {
    painter.drawText(QRectF(box.left() - 200, box.bottom() + 4, box.width() + 400, 18),
                     Qt::AlignCenter, tr("Simulated, as an eye has it. %1").arg(eye_words_));
  }
}

void SensorFrame::draw_frame_marks(QPainter& painter, const QRectF& box, const Shown& path) const {
  const Palette& c = Theme::colours();
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setPen(c.ink);
  const auto arcmin = [&](double whole) {
    return tr("%1\u2032").arg(number(whole / zoom_, zoom_ > 4.0 ? 2 : 1));
  };
  painter.drawText(QRectF(box.left(), box.top() - 20, box.width(), 18), Qt::AlignCenter,
                   arcmin(*path.train.field_width_arcmin));
  painter.save();
  painter.translate(box.left() - 11, box.center().y());
  painter.rotate(-90);
  painter.drawText(QRectF(-60, -9, 120, 18), Qt::AlignCenter,
                   arcmin(*path.train.field_height_arcmin));
  painter.restore();
  if (!image_.isNull()) {
    const QString part = zoom_ > 1.0
                             ? tr("%1\u00d7 closer; 0 shows the whole sensor").arg(number(zoom_, 1))
                             : QString();
    painter.drawText(QRectF(box.left(), box.bottom() + 4, box.width(), 18), Qt::AlignLeft,
                     tr("Simulated, false colour"));
    painter.drawText(QRectF(box.left(), box.bottom() + 4, box.width(), 18), Qt::AlignRight, part);
  }
  // A small compass in the corner: celestial north, and east as a shorter arm.
  const QPointF hub(box.right() - 44, box.top() + 44);
  const auto arm = [&](double angle_deg, double length, const QString& letter) {
    const double angle = angle_deg * base::kRadPerDeg;
    const QPointF way(std::sin(angle), -std::cos(angle));
    painter.drawLine(hub, hub + way * length);
    const QPointF at = hub + way * (length + 9);
    painter.drawText(QRectF(at.x() - 10, at.y() - 9, 20, 18), Qt::AlignCenter, letter);
  };
  painter.setPen(Theme::line(kOnSun, 2.0));
  arm(path.celestial.north_deg, 22, tr("N"));
  arm(path.celestial.north_deg + (path.celestial.mirrored ? 90.0 : -90.0), 14, tr("E"));
}

void SensorFrame::draw_target(QPainter& painter) const {
  const workspace::Workspace& workspace = document_.workspace();
  if (workspace.target == workspace::Target::kWholeDisc || mosaic_) {
    return;
  }
  const match::TargetNeed need =
      match::need_of(workspace.target, document_.answers().sun.semidiameter_arcsec());
  const double half = 30.0 * need.field_arcmin / arcsec_per_unit();
  const QPointF at = point_of(aim_);
  // Four corners: nothing stands before what is to be seen.
  for (const double right : {-1.0, 1.0}) {
    for (const double down : {-1.0, 1.0}) {
      const QPointF corner = at + QPointF(right * half, down * half);
      const double arm = 0.3 * half;
      for (const auto& [colour, wide] : {std::pair(QColor(0, 0, 0), 3.0), std::pair(kOnSun, 1.5)}) {
        painter.setPen(Theme::line(colour, wide));
        painter.drawLine(corner, corner - QPointF(right * arm, 0.0));
        painter.drawLine(corner, corner - QPointF(0.0, down * arm));
      }
    }
  }
}

void SensorFrame::draw_things(QPainter& painter, const QRectF& box) const {
  const workspace::Thing* thing = pointer_ && !pressed_ ? thing_near(*pointer_) : nullptr;
  if (thing == nullptr) {
    return;
  }
  const QPointF at = point_of(thing->place);
  const double radius = std::max(14.0, 0.6 * thing->size_arcsec / arcsec_per_unit());
  painter.setBrush(Qt::NoBrush);
  painter.setPen(Theme::line(QColor(0, 0, 0), 3.0));
  painter.drawEllipse(at, radius, radius);
  painter.setPen(Theme::line(kOnSun, 1.5));
  painter.drawEllipse(at, radius, radius);
  painter.setFont(Theme::drawn_font(TextSize::kMedium, true));
  const QString words = words_for(*thing);
  const QFontMetricsF metrics(painter.font());
  QRectF label(at.x() - 0.5 * metrics.horizontalAdvance(words) - 8, at.y() + radius + 6,
               metrics.horizontalAdvance(words) + 16, metrics.height() + 6);
  if (label.bottom() > box.bottom()) {
    label.moveBottom(at.y() - radius - 6);
  }
  label.moveLeft(std::clamp(label.left(), box.left() + 4, box.right() - label.width() - 4));
  painter.fillRect(label, QColor(0, 0, 0, 190));
  painter.setPen(kOnSun);
  painter.drawText(label, Qt::AlignCenter, words);
}

void SensorFrame::draw_mosaic(QPainter& painter, const QRectF& /*box*/) const {
  if (!mosaic_ || mosaic_->panels.size() < 2) {
    return;
  }
  const double scale = arcsec_per_unit();
  const QPointF centre = point_of({});
  const QSizeF size = panel_arcsec_ / scale;
  painter.setFont(Theme::drawn_font(TextSize::kMedium, true));
  std::optional<QPointF> before;
  int count = 0;
  for (const match::Panel& panel : mosaic_->panels) {
    const QPointF middle = centre + QPointF(panel.right_arcsec / scale, -panel.up_arcsec / scale);
    const QRectF edge(middle.x() - size.width() / 2, middle.y() - size.height() / 2, size.width(),
                      size.height());
    painter.setBrush(Qt::NoBrush);
    painter.setPen(Theme::line(kOnSun, 1.5));
    painter.drawRect(edge);
    QPen way = Theme::line(kOnSun, 1.0);
    way.setStyle(Qt::DashLine);
    painter.setPen(way);
    if (before) {
      painter.drawLine(*before, middle);
    }
    before = middle;
    const QRectF label(middle.x() - 14, middle.y() - 11, 28, 22);
    painter.fillRect(label, QColor(0, 0, 0, 190));
    painter.setPen(kOnSun);
    painter.drawText(label, Qt::AlignCenter, QString::number(++count));
  }
}

}  // namespace solarchon::app
