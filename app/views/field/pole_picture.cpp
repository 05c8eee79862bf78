// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/pole_picture.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/theme.h"
#include "solarchon/base/angle.h"

namespace solarchon::app {

namespace {

constexpr std::array<double, 11> kRingsArcmin{1, 2, 5, 10, 20, 30, 60, 120, 300, 600, 1800};
constexpr double kLeastArcmin = 6.0;
constexpr double kRoom = 1.35;  // of the picture over what it has to show

QString arcmin_words(double arcmin) {
  constexpr double kDegreeFrom = 60.0;
  return arcmin < kDegreeFrom
             ? PolePicture::tr("%1\u2032").arg(number(arcmin, 0))
             : PolePicture::tr("%1\u00b0").arg(number(arcmin / base::kArcminPerDeg, 0));
}

}  // namespace

PolePicture::PolePicture(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("pole-picture"));
  setAccessibleName(tr("The axis against the pole"));
}

void PolePicture::show_scene(const Scene& scene, const QString& words) {
  scene_ = scene;
  setAccessibleDescription(words);
  update();
}

double PolePicture::half_arcmin() const {
  if (!scene_.fit) {
    return kLeastArcmin * base::kArcminPerDeg / 2.0;
  }
  const align::PoleFit& fit = *scene_.fit;
  const double level = std::cos(scene_.latitude_deg * base::kRadPerDeg);
  const double far =
      std::max(std::abs(fit.error.azimuth_deg * level) + 2.0 * fit.azimuth_sigma_deg * level,
               std::abs(fit.error.altitude_deg) + 2.0 * fit.altitude_sigma_deg);
  return kRoom * std::max(kLeastArcmin, far * base::kArcminPerDeg);
}

QPointF PolePicture::place(double azimuth_deg, double altitude_deg) const {
  // Looking along the axis: north of the equator east is on the right, south of it on the left.
  const double right = scene_.latitude_deg < 0.0 ? -1.0 : 1.0;
  const double scale = std::min(width(), height()) / 2.0 / half_arcmin() * base::kArcminPerDeg;
  const double level = std::cos(scene_.latitude_deg * base::kRadPerDeg);
  return QRectF(rect()).center() + scale * QPointF(right * azimuth_deg * level, -altitude_deg);
}

void PolePicture::paint_rings(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QPointF pole = place(0.0, 0.0);
  painter.fillRect(rect(), c.sky);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setBrush(Qt::NoBrush);
  const double scale = std::min(width(), height()) / 2.0 / half_arcmin();
  constexpr double kLeastPx = 26.0;
  for (const double ring : kRingsArcmin) {
    const double radius = ring * scale;
    if (radius < kLeastPx || radius > std::hypot(width(), height()) / 2.0) {
      continue;
    }
    painter.setPen(Theme::line(c.rule, 1.0));
    painter.drawEllipse(pole, radius, radius);
    const QPointF label = pole + radius * QPointF(-0.7071, 0.7071);
    painter.setPen(c.faint_ink);
    painter.drawText(QRectF(label.x() - 24, label.y() - 8, 48, 16), Qt::AlignCenter,
                     arcmin_words(ring));
  }
  painter.setPen(Theme::line(c.ink, 1.5));
  painter.drawLine(pole + QPointF(-12, 0), pole + QPointF(12, 0));
  painter.drawLine(pole + QPointF(0, -12), pole + QPointF(0, 12));
  painter.setFont(Theme::drawn_font(TextSize::kMedium, true));
  painter.setPen(c.ink);
  const bool axis_below = scene_.fit && scene_.fit->error.altitude_deg < 0.0;
  painter.drawText(QRectF(pole.x() + 6, pole.y() + (axis_below ? -24 : 6), 80, 20), Qt::AlignLeft,
                   tr("pole"));
  const bool south = scene_.latitude_deg < 0.0;
  painter.drawText(QRectF(6, height() / 2.0 - 10, 40, 20), Qt::AlignLeft,
                   compass_point(south ? 90.0 : 270.0));
  painter.drawText(QRectF(width() - 46, height() / 2.0 - 10, 40, 20), Qt::AlignRight,
                   compass_point(south ? 270.0 : 90.0));
  painter.drawText(QRectF(0, 4, width(), 20), Qt::AlignHCenter, tr("up"));
}

void PolePicture::paint_way(QPainter& painter, const QPointF& from, const QPointF& to,
                            const QString& words, const QPointF& beside) const {
  const Palette& c = Theme::colours();
  const QPointF way = to - from;
  const double length = std::hypot(way.x(), way.y());
  constexpr double kShortest = 4.0;
  if (length < kShortest) {
    return;
  }
  const QPointF along = way / length;
  const QPointF side(-along.y(), along.x());
  painter.setPen(Theme::line(c.accent, 3.0));
  painter.drawLine(from, to);
  painter.setBrush(c.accent);
  painter.drawPolygon(
      QPolygonF({to, to - 11.0 * along + 5.0 * side, to - 11.0 * along - 5.0 * side}));
  painter.setFont(Theme::drawn_font(TextSize::kMedium, true));
  const QFontMetricsF metrics = painter.fontMetrics();
  QRectF box(0, 0, metrics.horizontalAdvance(words) + 8.0, metrics.height() + 2.0);
  box.moveCenter((from + to) / 2.0 + QPointF(beside.x() * (box.width() / 2.0 + 8.0),
                                             beside.y() * (box.height() / 2.0 + 6.0)));
  box.moveLeft(std::clamp(box.left(), 2.0, std::max(2.0, width() - box.width() - 2.0)));
  box.moveTop(std::clamp(box.top(), 2.0, std::max(2.0, height() - box.height() - 2.0)));
  QColor ground = c.sky;
  ground.setAlphaF(0.9F);
  painter.fillRect(box, ground);
  painter.setPen(c.accent);
  painter.drawText(box, Qt::AlignCenter, words);
}

void PolePicture::paint_axis(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const align::PoleFit& fit = *scene_.fit;
  const align::PoleError& error = fit.error;
  const QPointF axis = place(error.azimuth_deg, error.altitude_deg);
  // The ellipse of one and two standard deviations: a unit circle through the root of the
  // covariance.
  const double rest = std::sqrt(std::max(0.0, 1.0 - fit.correlation * fit.correlation));
  painter.setBrush(Qt::NoBrush);
  for (const double sigmas : {1.0, 2.0}) {
    QPolygonF ellipse;
    constexpr int kCorners = 72;
    for (int i = 0; i <= kCorners; ++i) {
      const double turn = 2.0 * base::kPi * i / kCorners;
      const double altitude = std::cos(turn);
      const double azimuth = fit.correlation * std::cos(turn) + rest * std::sin(turn);
      ellipse << place(error.azimuth_deg + sigmas * azimuth * fit.azimuth_sigma_deg,
                       error.altitude_deg + sigmas * altitude * fit.altitude_sigma_deg);
    }
    painter.setPen(Theme::line(c.ink, sigmas > 1.0 ? 1.0 : 1.5));
    painter.drawPolyline(ellipse);
  }
  const auto with_turns = [](const QString& amount, const std::optional<double>& turns) {
    return turns ? tr("%1 = %2 turns").arg(amount, number(*turns, 2)) : amount;
  };
  const auto arcmin = [](double error_deg) {
    return number(std::abs(error_deg) * base::kArcminPerDeg, 1);
  };
  const QPointF corner = place(0.0, error.altitude_deg);
  paint_way(painter, axis, corner,
            with_turns((error.azimuth_deg > 0.0 ? tr("%1\u2032 west") : tr("%1\u2032 east"))
                           .arg(arcmin(error.azimuth_deg)),
                       scene_.azimuth_turns),
            {0.0, error.altitude_deg > 0.0 ? -1.0 : 1.0});
  paint_way(painter, corner, place(0.0, 0.0),
            with_turns((error.altitude_deg > 0.0 ? tr("%1\u2032 down") : tr("%1\u2032 up"))
                           .arg(arcmin(error.altitude_deg)),
                       scene_.altitude_turns),
            {corner.x() > axis.x() ? 1.0 : -1.0, 0.0});
  painter.setPen(Theme::line(c.ink, 2.0));
  painter.setBrush(c.check);
  painter.drawEllipse(axis, 7, 7);
  painter.setPen(c.ink);
  painter.setFont(Theme::drawn_font(TextSize::kMedium, true));
  painter.drawText(QRectF(axis.x() - 70, axis.y() + (error.altitude_deg > 0.0 ? 10 : -30), 140, 20),
                   Qt::AlignHCenter, tr("axis"));
}

void PolePicture::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setClipRect(rect());
  paint_rings(painter);
  if (scene_.fit) {
    paint_axis(painter);
  }
}

}  // namespace solarchon::app
