// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/track_picture.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/theme.h"
#include "solarchon/base/angle.h"

namespace solarchon::app {

namespace {

constexpr std::array<double, 14> kCirclesArcsec{1,   2,   5,   10,   20,   50,   100,
                                                200, 300, 600, 1200, 3000, 6000, 12000};
constexpr double kLeastArcsec = 1.0;  // finer than any air
constexpr double kWayRoom = 1.25;
constexpr std::int64_t kTenMinutesMs = 600000;

}  // namespace

TrackPicture::TrackPicture(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("track-picture"));
  setAccessibleName(tr("Where the Sun wanders in the field"));
}

void TrackPicture::show_scene(Scene scene, const QString& words) {
  scene_ = std::move(scene);
  setAccessibleDescription(words);
  update();
}

QString TrackPicture::length_words(double arcsec) {
  constexpr double kMinuteFrom = 100.0;
  if (arcsec > kMinuteFrom) {
    return tr("%1\u2032").arg(number(arcsec / 60.0, 1));
  }
  return tr("%1\u2033").arg(number(arcsec, 0));
}

QPointF TrackPicture::offset(const align::TrackPoint& point) const {
  // A field that turns takes north along.
  sky::PictureOrientation turned = scene_.celestial;
  turned.north_deg += (turned.mirrored ? -1.0 : 1.0) * point.rotation_deg;
  const sky::PictureOffset moved = sky::to_picture({point.west_arcsec, point.north_arcsec}, turned);
  return {moved.right, moved.up};
}

double TrackPicture::scale() const {
  double far = kLeastArcsec;
  for (const align::TrackPoint& point : scene_.way) {
    far = std::max(far, std::hypot(point.west_arcsec, point.north_arcsec));
  }
  return std::min(width(), height()) / 2.0 / (far * kWayRoom);
}

void TrackPicture::paint_rings(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QPointF middle = QRectF(rect()).center();
  painter.fillRect(rect(), c.sky);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setBrush(Qt::NoBrush);
  constexpr double kLeastPx = 30.0;
  for (const double circle : kCirclesArcsec) {
    const double radius = circle * scale();
    if (radius < kLeastPx || radius > std::max(width(), height()) / 2.0) {
      continue;
    }
    painter.setPen(Theme::line(c.rule, 1.0));
    painter.drawEllipse(middle, radius, radius);
    painter.setPen(c.faint_ink);
    const QPointF label = middle + radius * QPointF(-0.7071, 0.7071);
    painter.drawText(QRectF(label.x() - 30, label.y() - 8, 60, 16), Qt::AlignCenter,
                     length_words(circle));
  }
  if (scene_.room_arcsec && *scene_.room_arcsec * scale() < std::hypot(width(), height()) / 2.0) {
    QPen edge = Theme::line(c.stop, 2.0);
    edge.setStyle(Qt::DashLine);
    painter.setPen(edge);
    painter.drawEllipse(middle, *scene_.room_arcsec * scale(), *scene_.room_arcsec * scale());
  }
  painter.setPen(Theme::line(c.ink, 1.5));
  painter.drawLine(middle + QPointF(-10, 0), middle + QPointF(10, 0));
  painter.drawLine(middle + QPointF(0, -10), middle + QPointF(0, 10));
}

void TrackPicture::paint_way(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QPointF middle = QRectF(rect()).center();
  const auto place = [&](const align::TrackPoint& point) {
    const QPointF moved = offset(point);
    return middle + scale() * QPointF(moved.x(), -moved.y());
  };
  if (scene_.jitters) {
    painter.setPen(Qt::NoPen);
    painter.setBrush(c.accent);
    for (const align::TrackPoint& point : scene_.way) {
      painter.drawEllipse(place(point), 2, 2);
    }
    return;
  }
  painter.setBrush(Qt::NoBrush);
  painter.setPen(Theme::line(c.accent, 2.5));
  QPolygonF line;
  for (std::size_t i = 0; i < scene_.way.size(); ++i) {
    constexpr double kTurnDeg = 90.0;
    if (i > 0 && scene_.way[i].rotation_deg - scene_.way[i - 1].rotation_deg > kTurnDeg) {
      painter.drawPolyline(line);  // it is centred anew
      line.clear();
    }
    line << place(scene_.way[i]);
  }
  painter.drawPolyline(line);
  painter.setFont(Theme::drawn_font(TextSize::kSmall, true));
  std::vector<QPointF> labels;
  for (std::size_t i = 0; i < scene_.way.size(); ++i) {
    const align::TrackPoint& point = scene_.way[i];
    const bool mark =
        i == 0 || i + 1 == scene_.way.size() || point.time.unix_ms % kTenMinutesMs == 0;
    if (!mark) {
      continue;
    }
    const QPointF at = place(point);
    painter.setPen(Theme::line(c.accent, 2.0));
    painter.setBrush(i == 0 ? c.accent : c.sheet);
    painter.drawEllipse(at, 4, 4);
    constexpr double kLabelApart = 34.0;
    if (std::none_of(labels.begin(), labels.end(), [&](const QPointF& other) {
          return std::hypot(at.x() - other.x(), at.y() - other.y()) < kLabelApart;
        })) {
      labels.push_back(at);
      painter.setPen(c.ink);
      painter.drawText(QRectF(at.x() + 7, at.y() - 9, 60, 18), Qt::AlignLeft | Qt::AlignVCenter,
                       clock_at(point.time, scene_.zone));
    }
  }
}

void TrackPicture::paint_field(QPainter& painter) const {
  if (!scene_.field_arcsec || scene_.way.empty()) {
    return;
  }
  const Palette& c = Theme::colours();
  const QSizeF field = *scene_.field_arcsec;
  constexpr double kInset = 0.3;
  const double scaled =
      std::min(kInset * width() / field.width(), kInset * height() / field.height());
  const QSizeF drawn = field * scaled;
  const QRectF frame(QPointF(width() - drawn.width() - 10.0, 10.0), drawn);
  painter.setPen(Theme::line(c.ink, 1.5));
  painter.setBrush(c.sheet);
  painter.drawRect(frame);
  painter.save();
  painter.setClipRect(frame);
  const double radius = scene_.sun_radius_arcsec * scaled;
  painter.setPen(Theme::line(c.ink, 1.0));
  painter.setBrush(c.sun);
  painter.drawEllipse(frame.center(), radius, radius);
  const QPointF moved = offset(scene_.way.back());
  painter.setPen(Theme::line(c.accent, 2.0));
  painter.setBrush(Qt::NoBrush);
  painter.drawEllipse(frame.center() + scaled * QPointF(moved.x(), -moved.y()), radius, radius);
  painter.restore();
  painter.setPen(c.ink);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.drawText(QRectF(width() - 210.0, frame.bottom() + 3, 200, 16), Qt::AlignRight,
                   tr("the field, to scale"));
}

void TrackPicture::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setClipRect(rect());
  paint_rings(painter);
  paint_way(painter);
  paint_field(painter);
}

}  // namespace solarchon::app
