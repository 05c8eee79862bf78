// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/measure/disc_chart.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>
#include <utility>
#include <vector>

#include "app/model/file_words.h"
#include "app/shell/disc_painting.h"
#include "app/shell/frame_image.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr int kLongestShownPx = 1400;
constexpr double kEarthsPerSolarRadius = 696000.0 / 12742.0;
const QColor kOverlay(0xf2f0ea);  // on the dark or bright picture, with a dark rim

/// A place for a number near a spot that covers no number drawn before.
QRectF free_tag(const QPointF& spot, double radius, double width,
                const std::vector<QRectF>& taken) {
  constexpr double kHeight = 19.0;
  QRectF tag;
  for (double away = radius; away < radius + 80.0; away += 10.0) {
    for (const auto& [side, level] :
         {std::pair(1.0, -1.0), std::pair(-1.0, -1.0), std::pair(1.0, 1.0), std::pair(-1.0, 1.0),
          std::pair(0.0, -1.4), std::pair(0.0, 1.4)}) {
      tag = QRectF(0, 0, width, kHeight);
      tag.moveCenter(spot + QPointF(side * (away + width / 2), level * (away + 2.0)));
      if (std::none_of(taken.begin(), taken.end(),
                       [&](const QRectF& other) { return other.intersects(tag); })) {
        return tag;
      }
    }
  }
  return tag;
}

/// When and what; the folder is in the tip.
QString short_name(const ShownFrame& shown) {
  QString words = words_of_file(shown.file);
  if (shown.frame.info.simulated) {
    words = QObject::tr("%1 \u00b7 simulated").arg(words);
  }
  return shown.frame.info.mosaic
             ? QObject::tr("%1 \u00b7 raw colour mosaic, read as grey").arg(words)
             : words;
}

}  // namespace

DiscChart::DiscChart(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("disc-chart"));
  setAccessibleName(tr("Measured disc"));
}

void DiscChart::show_frame(const std::shared_ptr<const ShownFrame>& frame) {
  if (frame == frame_) {
    return;
  }
  frame_ = frame;
  name_ = frame ? short_name(*frame) : QString();
  chosen_ = -1;
  image_ = frame ? frame_image(frame->frame, kLongestShownPx) : QImage();
  setToolTip(frame ? frame->file : QString());
  update();
}

void DiscChart::choose_spot(int spot) {
  chosen_ = spot;
  update();
}

QRectF DiscChart::picture_rect() const {
  return fitted_rect(QSizeF(image_.size()), QRectF(rect()).adjusted(2, 2, -2, -24));
}

QPointF DiscChart::place(double x_px, double y_px) const {
  const QRectF box = picture_rect();
  return box.topLeft() + QPointF(x_px + 0.5, y_px + 0.5) * (box.width() / frame_->frame.width);
}

void DiscChart::paint_spots(QPainter& painter) const {
  const auto& spots = frame_->measurement->spots;
  painter.setFont(Theme::drawn_font(TextSize::kMedium, true));
  std::vector<QRectF> taken;  // by spots and by numbers
  for (const measure::SpotMeasurement& spot : spots) {
    const QPointF at = place(spot.x_px, spot.y_px);
    taken.emplace_back(at - QPointF(9, 9), QSizeF(18, 18));
  }
  for (std::size_t i = 0; i < spots.size(); ++i) {
    const bool chosen = static_cast<int>(i) == chosen_;
    const QPointF at = place(spots[i].x_px, spots[i].y_px);
    const double radius = chosen ? 13.0 : 9.0;
    painter.setBrush(Qt::NoBrush);
    painter.setPen(Theme::line(QColor(0, 0, 0), chosen ? 4.0 : 2.0));
    painter.drawEllipse(at, radius, radius);
    if (chosen) {
      painter.setPen(Theme::line(kOverlay, 2.0));
      painter.drawEllipse(at, radius, radius);
    }
    const QString number = QString::number(i + 1);
    const QRectF tag = free_tag(at, radius, 13.0 + 9.0 * static_cast<double>(number.size()), taken);
    taken.push_back(tag);
    painter.setPen(Qt::NoPen);
    painter.setBrush(chosen ? Theme::colours().accent : QColor(0x14181c));
    painter.drawRoundedRect(tag, 3, 3);
    painter.setPen(chosen ? Theme::colours().on_accent : kOverlay);
    painter.drawText(tag, Qt::AlignCenter, number);
  }
}

void DiscChart::paint_scale_bar(QPainter& painter) const {
  const QRectF box = picture_rect();
  const double earth_px = frame_->measurement->limb.radius_px * box.width() / frame_->frame.width /
                          kEarthsPerSolarRadius;
  const double length = 10.0 * earth_px;
  const QPointF left(box.left() + 20, box.bottom() - 22);
  painter.setPen(Theme::line(kOverlay, 2.0));
  painter.drawLine(left, left + QPointF(length, 0));
  painter.drawLine(left - QPointF(0, 4), left + QPointF(0, 4));
  painter.drawLine(left + QPointF(length, -4), left + QPointF(length, 4));
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.drawText(left + QPointF(0, -8), tr("10 Earths"));
}

void DiscChart::draw(QPainter& painter) {
  painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  const Palette& c = Theme::colours();
  if (!frame_) {
    const QRectF room = QRectF(rect()).adjusted(2, 2, -2, -2);
    paint_empty(painter, room,
                tr("Nothing to measure yet.\nTake a frame in Capture, or drop a FITS, PNG or "
                   "TIFF picture here."));
    return;
  }
  const QRectF box = picture_rect();
  painter.drawImage(box, image_);
  painter.setPen(Theme::line(c.ink, 1.5));
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(box);
  painter.setPen(c.faint_ink);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.drawText(QRectF(rect()).adjusted(2, 0, -2, -2), Qt::AlignBottom | Qt::AlignHCenter,
                   painter.fontMetrics().elidedText(tr("%1 \u00b7 false colour").arg(name_),
                                                    Qt::ElideMiddle, width() - 8));
  if (!frame_->measurement) {
    painter.setPen(kOverlay);
    painter.drawText(box, Qt::AlignCenter | Qt::TextWordWrap, frame_->problem);
    return;
  }
  const measure::DiscMeasurement& measured = *frame_->measurement;
  const double radius = measured.limb.radius_px * box.width() / frame_->frame.width;
  const QPointF centre = place(measured.limb.centre_x_px, measured.limb.centre_y_px);
  painter.setClipRect(box);
  if (measured.view && measured.solar) {
    painter.setPen(Theme::line(QColor(20, 24, 28, 110), 1.0));
    paint_grid(painter, centre, radius, *measured.view, *measured.solar);
    painter.setPen(Theme::line(kOverlay, 1.5));
    painter.setBrush(Qt::NoBrush);
    paint_ring(painter, centre, radius + 8.0, *measured.solar);
  }
  painter.setPen(Theme::line(kOverlay, 1.5));
  painter.setBrush(Qt::NoBrush);
  painter.drawEllipse(centre, radius, radius);
  paint_spots(painter);
  paint_scale_bar(painter);
}

void DiscChart::mousePressEvent(QMouseEvent* event) {
  if (!frame_ || !frame_->measurement) {
    return;
  }
  constexpr double kNear = 18.0;
  int nearest = -1;
  double least = kNear;
  const auto& spots = frame_->measurement->spots;
  for (std::size_t i = 0; i < spots.size(); ++i) {
    const QPointF away = place(spots[i].x_px, spots[i].y_px) - at(*event);
    const double distance = std::hypot(away.x(), away.y());
    if (distance < least) {
      least = distance;
      nearest = static_cast<int>(i);
    }
  }
  if (nearest >= 0) {
    emit spotClicked(nearest);
  }
}

}  // namespace solarchon::app
