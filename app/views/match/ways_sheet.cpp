// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/ways_sheet.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

#include "app/model/phrases.h"
#include "app/shell/grid_keys.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr std::size_t kAcross = 3;
constexpr double kWaysGap = 12.0;
constexpr double kWords = 118.0;    // least width of what is said beside a picture
constexpr double kWaysFoot = 22.0;  // under all

}  // namespace

WaysSheet::WaysSheet(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("ways-sheet"));
  setAccessibleName(tr("What each light path shows"));
  setFocusPolicy(Qt::StrongFocus);
}

void WaysSheet::show_ways(std::vector<WaySeen> ways, double field_arcmin) {
  // What was seen stays until it is drawn anew.
  for (std::size_t i = 0; i < std::min(ways.size(), ways_.size()); ++i) {
    if (ways[i].name == ways_[i].name && ways[i].image.isNull()) {
      ways[i] = ways_[i];
    }
  }
  ways_ = std::move(ways);
  field_arcmin_ = field_arcmin;
  if (chosen_ && *chosen_ >= ways_.size()) {
    chosen_.reset();
  }
  update();
}

void WaysSheet::show_picture(std::size_t way, const WaySeen& seen) {
  if (way < ways_.size()) {
    ways_[way] = seen;
    update();
  }
}

QRectF WaysSheet::box_of(std::size_t way) const {
  const std::size_t down = std::max<std::size_t>(1, (ways_.size() + kAcross - 1) / kAcross);
  const double wide = (width() - kWaysGap * (kAcross - 1)) / kAcross;
  const double high =
      (height() - kWaysFoot - kWaysGap * static_cast<double>(down - 1)) / static_cast<double>(down);
  const std::size_t row = way / kAcross;
  return {static_cast<double>(way % kAcross) * (wide + kWaysGap),
          static_cast<double>(row) * (high + kWaysGap), wide, high};
}

void WaysSheet::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  for (std::size_t i = 0; i < ways_.size(); ++i) {
    draw_way(painter, ways_[i], box_of(i), chosen_ == i);
  }
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setPen(Theme::colours().faint_ink);
  painter.drawText(
      QRectF(0, height() - kWaysFoot, width(), kWaysFoot), Qt::AlignLeft | Qt::AlignBottom,
      tr("The same %1\u2032 of sky in each, in today's air. Simulated; cameras in false "
         "colour, eyepieces in their own.")
          .arg(number(field_arcmin_, field_arcmin_ < 10.0 ? 1 : 0)));
}

void WaysSheet::draw_way(QPainter& painter, const WaySeen& way, const QRectF& box,
                         bool chosen) const {
  const Palette& c = Theme::colours();
  const double side = std::min(box.height(), box.width() - kWords);
  const QRectF picture(box.left(), box.top(), side, side);
  painter.fillRect(picture, QColor(0, 0, 0));
  if (!way.image.isNull()) {
    const double wide = side * way.share;
    const double high = wide * way.image.height() / way.image.width();
    const QRectF at(picture.center().x() - wide / 2, picture.center().y() - high / 2, wide, high);
    // Pixels that are larger than those of the screen are shown as they are.
    painter.setRenderHint(QPainter::SmoothPixmapTransform, way.image.width() > wide || way.eye);
    painter.save();
    painter.setClipRect(picture);
    painter.drawImage(at, way.image);
    painter.restore();
  } else {
    painter.setPen(QColor(0xf2f0ea));
    painter.setFont(Theme::drawn_font(TextSize::kSmall));
    painter.drawText(picture.adjusted(12, 12, -12, -12), Qt::AlignCenter | Qt::TextWordWrap,
                     way.problem.isEmpty() ? tr("being drawn\u2026") : way.problem);
  }
  painter.setBrush(Qt::NoBrush);
  painter.setPen(Theme::line(chosen ? c.accent : c.ink, chosen ? (hasFocus() ? 4.0 : 3.0) : 1.0));
  painter.drawRect(picture);
  const QRectF words(picture.right() + 8, box.top(), box.right() - picture.right() - 8,
                     box.height());
  painter.setPen(c.ink);
  painter.setFont(Theme::drawn_font(TextSize::kSmall, true));
  QRectF taken;
  painter.drawText(words, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, way.name, &taken);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.drawText(words.adjusted(0, taken.height() + 6, 0, 0),
                   Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, way.seen);
}

void WaysSheet::choose(std::size_t way) {
  if (ways_.empty()) {
    return;
  }
  chosen_ = std::min(way, ways_.size() - 1);
  const WaySeen& one = ways_[*chosen_];
  setAccessibleDescription(
      tr("%1: %2").arg(one.name, one.problem.isEmpty() ? one.seen : one.problem));
  update();
  emit chosenChanged();
}

void WaysSheet::mousePressEvent(QMouseEvent* event) {
  for (std::size_t i = 0; i < ways_.size(); ++i) {
    if (box_of(i).contains(at(*event))) {
      choose(i);
    }
  }
}

void WaysSheet::keyPressEvent(QKeyEvent* event) {
  if (const auto way = arrow_to(event->key(), chosen_.value_or(0), kAcross, ways_.size())) {
    choose(*way);
  } else {
    QWidget::keyPressEvent(event);
  }
}

}  // namespace solarchon::app
