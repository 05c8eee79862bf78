// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/aim_picture.h"

#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/theme.h"
#include "solarchon/base/angle.h"

namespace solarchon::app {

namespace {

constexpr double kCaptionHigh = 40.0;  // two lines
constexpr int kCaption = Qt::AlignHCenter | Qt::AlignTop | Qt::TextWordWrap;
constexpr double kTubeWall = 1.12;  // outer width of a tube over its aperture
constexpr double kBesideDeg = 4.0;  // of the shadow that is drawn as an example

/// What a round tube throws on a card square to it: both ends, and all between.
QPainterPath shadow_of(const QPointF& end, double radius, double shift) {
  QPainterPath path;
  path.addRoundedRect(
      QRectF(end.x() - radius, end.y() - radius, 2.0 * radius + shift, 2.0 * radius), radius,
      radius);
  return path;
}

}  // namespace

AimPicture::AimPicture(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("aim-picture"));
  setAccessibleName(tr("The tube's shadow, and the field that it has to find"));
}

void AimPicture::show_scene(const Scene& scene, const QString& words) {
  scene_ = scene;
  setAccessibleDescription(words);
  update();
}

void AimPicture::paint_card(QPainter& painter, const QRectF& box) const {
  const Palette& c = Theme::colours();
  painter.setPen(Theme::line(c.rule, 1.5));
  painter.setBrush(QColor(0xfffdf4));  // a white card, in both themes
  painter.drawRect(box);
  const QRectF under(box.left(), box.bottom() + 4, box.width(), kCaptionHigh);
  painter.setFont(Theme::drawn_font(TextSize::kMedium));
  painter.setPen(c.ink);
  if (scene_.tube_mm <= 0.0 || scene_.aperture_mm <= 0.0) {
    painter.drawText(under, kCaption, tr("No telescope"));
    return;
  }
  const double longer_mm = scene_.tube_mm * std::tan(kBesideDeg * base::kRadPerDeg);
  const double tube_mm = kTubeWall * scene_.aperture_mm;
  // Both shadows with room between, one over the other, or side by side on a low card.
  const bool low = box.width() > 1.5 * box.height();
  const double scale =
      low ? std::min(box.width() * 0.82 / (2.0 * tube_mm + longer_mm), box.height() * 0.8 / tube_mm)
          : std::min(box.width() * 0.82 / (tube_mm + longer_mm),
                     box.height() * 0.74 / (2.0 * tube_mm));
  const double radius = tube_mm / 2.0 * scale;
  const QColor ink(0x14181c);
  const QColor dark(0x4a4f55);
  const double gap = box.height() * 0.04;
  const double apart = radius + gap;
  const double half_longer = longer_mm * scale / 2.0;
  const QPointF beside =
      box.center() - (low ? QPointF(2.0 * half_longer + apart, 0.0) : QPointF(half_longer, apart));
  const QPointF on = box.center() + (low ? QPointF(apart, 0.0) : QPointF(0.0, apart));
  painter.setBrush(dark);
  painter.setPen(Qt::NoPen);
  painter.drawPath(shadow_of(beside, radius, longer_mm * scale));
  painter.drawPath(shadow_of(on, radius, 0.0));
  painter.setPen(QPen(Qt::white, 1.5));
  painter.setFont(Theme::drawn_font(TextSize::kSmall, true));
  painter.drawText(
      QRectF(beside.x() - radius, beside.y() - 10, 2.0 * radius + longer_mm * scale, 20),
      Qt::AlignCenter, tr("%1\u00b0 beside").arg(number(kBesideDeg, 0)));
  painter.drawText(QRectF(on.x() - radius, on.y() - 10, 2.0 * radius, 20), Qt::AlignCenter,
                   tr("round"));
  painter.setPen(ink);
  painter.setPen(c.ink);
  painter.setFont(Theme::drawn_font(TextSize::kMedium));
  painter.drawText(under, kCaption, tr("The shadow on a card square to the tube"));
}

void AimPicture::paint_field(QPainter& painter, const QRectF& box) const {
  const Palette& c = Theme::colours();
  const QSizeF field = scene_.field_arcmin.value_or(QSizeF(0, 0));
  const double reach = 2.0 * (scene_.accuracy_arcmin + scene_.sun_radius_arcmin);
  const double wide = std::max({field.width(), reach, 1.0}) * 1.08;
  const double high = std::max({field.height(), reach, 1.0}) * 1.08;
  const double scale = std::min(box.width() / wide, box.height() / high);  // px an arcminute
  const QPointF middle = box.center();
  const QSizeF drawn = field * scale;
  const QRectF frame(middle - QPointF(drawn.width(), drawn.height()) / 2.0, drawn);
  if (scene_.field_arcmin) {
    painter.setPen(Theme::line(scene_.enough ? c.ink : c.stop, 2.5));
    painter.setBrush(c.sky);
    scene_.round ? painter.drawEllipse(frame) : painter.drawRect(frame);
  }
  const double sun = scene_.sun_radius_arcmin * scale;
  const double reached = scene_.accuracy_arcmin * scale;
  painter.setPen(Theme::line(c.ink, 1.5));
  painter.setBrush(c.sun);
  painter.drawEllipse(middle, sun, sun);
  if (scene_.accuracy_arcmin > 0.0) {
    // Where the Sun's middle may come to lie, and one of the Suns that this allows.
    QPen dashed = Theme::line(c.ink, 1.0);
    dashed.setStyle(Qt::DotLine);
    painter.setPen(dashed);
    painter.setBrush(Qt::NoBrush);
    const double way = base::kPi / 5.0;
    painter.drawEllipse(middle + reached * QPointF(std::cos(way), -std::sin(way)), sun, sun);
    QPen ring = Theme::line(c.accent, 2.5);
    ring.setStyle(Qt::DashLine);
    painter.setPen(ring);
    painter.drawEllipse(middle, reached, reached);
    painter.setFont(Theme::drawn_font(TextSize::kMedium, true));
    const QString words = tr("%1\u2032").arg(number(scene_.accuracy_arcmin, 0));
    QRectF label(0, 0, painter.fontMetrics().horizontalAdvance(words) + 10.0, 20.0);
    label.moveCenter(middle);
    painter.setPen(QColor(0x14181c));
    painter.drawText(label, Qt::AlignCenter, words);
  }
  painter.setPen(c.ink);
  painter.setFont(Theme::drawn_font(TextSize::kMedium));
  const QString caption = !scene_.field_arcmin ? tr("No field: nothing looks or records")
                          : scene_.enough
                              ? tr("Field %1\u2032; the Sun's middle falls in the dashed ring")
                                    .arg(number(std::min(field.width(), field.height()), 0))
                              : tr("Field %1\u2032 is smaller than the dashed ring")
                                    .arg(number(std::min(field.width(), field.height()), 0));
  const double lowest = middle.y() + std::max({drawn.height() / 2.0, sun, reached});
  painter.drawText(QRectF(box.left(), lowest + 6.0, box.width(), kCaptionHigh), kCaption, caption);
}

void AimPicture::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  constexpr double kGap = 16.0;
  constexpr double kWide = 1.2;
  if (width() < kWide * height()) {  // one under the other
    const double half = (height() - kGap) / 2.0;
    paint_card(painter, QRectF(2, 2, width() - 4.0, half - kCaptionHigh));
    paint_field(painter, QRectF(2, half + kGap, width() - 4.0, half - kCaptionHigh - 8.0));
    return;
  }
  const double high = height() - kCaptionHigh - 10.0;
  const double card = std::min(high, width() * 0.4);
  paint_card(painter, QRectF(0, (high - card) / 2.0, card, card));
  paint_field(painter, QRectF(card + kGap, 2, width() - card - kGap - 2.0, high - 2));
}

}  // namespace solarchon::app
