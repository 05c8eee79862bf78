// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/eyepiece_picture.h"

#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/disc_painting.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr double kWordsHigh = 26.0;
constexpr double kBesideIt = 26.0;  // for the words of the directions
const QSizeF kAnyField(60.0, 45.0);

}  // namespace

EyepiecePicture::EyepiecePicture(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("eyepiece-picture"));
  setAccessibleName(tr("What stands in the field"));
}

void EyepiecePicture::show_scene(const Scene& scene, const QString& words) {
  scene_ = scene;
  setAccessibleDescription(words);
  update();
}

void EyepiecePicture::show_recording(const QImage& recording) {
  recording_ = recording;
  update();
}

QRectF EyepiecePicture::frame() const {
  const QSizeF field = scene_.field_arcmin.value_or(kAnyField);
  const QRectF room(kBesideIt, kBesideIt, width() - 2.0 * kBesideIt,
                    height() - kWordsHigh - 2.0 * kBesideIt);
  const QSizeF drawn = field.scaled(room.size(), Qt::KeepAspectRatio);
  QRectF frame(QPointF(), drawn);
  frame.moveCenter(room.center());
  return frame;
}

void EyepiecePicture::paint_sun(QPainter& painter, const QRectF& frame, double scale) const {
  const Palette& c = Theme::colours();
  const QPointF at =
      frame.center() + scale * QPointF(scene_.sun_arcmin->x(), -scene_.sun_arcmin->y());
  const double radius = scene_.sun_radius_arcmin * scale;
  if (!scene_.seen) {
    QPen dashed = Theme::line(c.ink, 2.0);
    dashed.setStyle(Qt::DashLine);
    painter.setPen(dashed);
    painter.setBrush(Qt::NoBrush);
    painter.drawEllipse(at, radius, radius);
    return;
  }
  QRadialGradient light(at, radius);
  light.setColorAt(0.0, c.sun);
  light.setColorAt(0.7, c.sun.darker(107));
  light.setColorAt(1.0, c.sun.darker(140));
  painter.setPen(Qt::NoPen);
  painter.setBrush(light);
  painter.drawEllipse(at, radius, radius);
}

void EyepiecePicture::paint_way(QPainter& painter, const QRectF& frame) const {
  const Palette& c = Theme::colours();
  const double far = std::hypot(scene_.sun_arcmin->x(), scene_.sun_arcmin->y());
  const QPointF way(scene_.sun_arcmin->x() / far, -scene_.sun_arcmin->y() / far);
  const QPointF across(-way.y(), way.x());
  // From the middle to shortly before the edge that lies that way.
  const double reach =
      std::min(std::abs(way.x()) > 1e-6 ? frame.width() / 2.0 / std::abs(way.x()) : 1e9,
               std::abs(way.y()) > 1e-6 ? frame.height() / 2.0 / std::abs(way.y()) : 1e9);
  const QPointF tip = frame.center() + way * (reach - 12.0);
  painter.setPen(Theme::line(c.accent, 4.0));
  painter.drawLine(frame.center() + way * 24.0, tip - way * 8.0);
  QPainterPath head(tip);
  head.lineTo(tip - way * 20.0 + across * 10.0);
  head.lineTo(tip - way * 20.0 - across * 10.0);
  head.closeSubpath();
  painter.fillPath(head, c.accent);
  painter.setFont(Theme::drawn_font(TextSize::kLarge, true));
  painter.setPen(c.ink);
  const QPointF label = frame.center() - way * 46.0;
  constexpr double kDegreeFrom = 90.0;
  painter.drawText(QRectF(label.x() - 90.0, label.y() - 16.0, 180.0, 32.0), Qt::AlignCenter,
                   far > kDegreeFrom ? tr("%1\u00b0").arg(number(far / 60.0, 1))
                                     : tr("%1\u2032").arg(number(far, 0)));
}

void EyepiecePicture::paint_directions(QPainter& painter, const QRectF& frame) const {
  const auto mark = [&](const sky::DiscPlace& way, const QString& word) {
    const sky::PictureOffset to = sky::to_picture(way, scene_.celestial);
    const double reach =
        std::min(std::abs(to.right) > 1e-6 ? frame.width() / 2.0 / std::abs(to.right) : 1e9,
                 std::abs(to.up) > 1e-6 ? frame.height() / 2.0 / std::abs(to.up) : 1e9);
    const QPointF edge = frame.center() + reach * QPointF(to.right, -to.up);
    const QPointF out = edge + 13.0 * QPointF(to.right, -to.up);
    painter.setPen(Theme::line(Theme::colours().ink, 2.0));
    painter.drawLine(edge - 8.0 * QPointF(to.right, -to.up), edge);
    painter.drawText(QRectF(out.x() - 12.0, out.y() - 10.0, 24.0, 20.0), Qt::AlignCenter, word);
  };
  painter.setFont(Theme::drawn_font(TextSize::kSmall, true));
  mark({0.0, 1.0}, tr("N", "north in a picture"));
  mark({1.0, 0.0}, tr("W", "west in a picture"));
}

void EyepiecePicture::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  const Palette& c = Theme::colours();
  const QRectF frame = this->frame();
  if (!scene_.sun_arcmin) {
    paint_empty(painter, frame, tr("What the telescope sees, once a mount is connected"));
    return;
  }
  QPainterPath field;
  scene_.round ? field.addEllipse(frame) : field.addRect(frame);
  painter.fillPath(field, c.sky);
  const QSizeF size = scene_.field_arcmin.value_or(kAnyField);
  const double scale = frame.width() / size.width();  // px an arcminute
  const bool outside =
      std::abs(scene_.sun_arcmin->x()) > size.width() / 2.0 + scene_.sun_radius_arcmin ||
      std::abs(scene_.sun_arcmin->y()) > size.height() / 2.0 + scene_.sun_radius_arcmin;
  const bool recorded = !recording_.isNull() && scene_.seen && !outside;
  painter.save();
  painter.setClipPath(field);
  if (!recorded) {
    paint_sun(painter, frame, scale);
  } else {
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.drawImage(frame, recording_);
  }
  painter.restore();
  painter.setPen(Theme::line(recorded ? QColor(Qt::white) : c.ink, 1.5));
  painter.drawLine(frame.center() - QPointF(12, 0), frame.center() + QPointF(12, 0));
  painter.drawLine(frame.center() - QPointF(0, 12), frame.center() + QPointF(0, 12));
  painter.setBrush(Qt::NoBrush);
  painter.setPen(Theme::line(c.ink, 2.5));
  painter.drawPath(field);
  if (outside) {
    paint_way(painter, frame);
  }
  paint_directions(painter, frame);
  painter.setFont(Theme::drawn_font(TextSize::kMedium));
  painter.setPen(c.ink);
  const QString what = scene_.stale ? tr("As it was when the mount last answered")
                       : !recording_.isNull() && scene_.seen
                           ? tr("Recorded by the simulated camera, false colour")
                       : scene_.seen ? tr("Seen by the simulated camera")
                                     : tr("Where the mount believes the Sun; look at the sensor");
  painter.drawText(QRectF(0, height() - kWordsHigh, width(), kWordsHigh), Qt::AlignCenter,
                   scene_.field_arcmin
                       ? tr("%1. Field %2\u2032 by %3\u2032")
                             .arg(what, number(size.width(), 0), number(size.height(), 0))
                       : tr("%1. Nothing looks or records: drawn %2\u2032 wide")
                             .arg(what, number(size.width(), 0)));
}

}  // namespace solarchon::app
