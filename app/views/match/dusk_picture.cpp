// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/dusk_picture.h"

#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <array>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/theme.h"
#include "app/views/match/exposure_table.h"

namespace solarchon::app {

namespace {

constexpr double kDuskLeft = 74.0;
constexpr double kDuskRight = 14.0;
constexpr double kDuskFoot = 24.0;
constexpr double kDuskGap = 14.0;

/// A whole stop as cameras mark it: 1/125, not 1/128.
QString stop_words(double stops, bool iso) {
  if (iso) {
    return number(std::exp2(stops), 0);
  }
  constexpr std::array<int, 13> kMarked{1, 2, 4, 8, 15, 30, 60, 125, 250, 500, 1000, 2000, 4000};
  const auto place = static_cast<std::size_t>(std::max(0.0, std::round(-stops)));
  return stops >= 0.0 || place >= kMarked.size() ? shutter_text(std::exp2(stops))
                                                 : shutter_text(1.0 / kMarked.at(place));
}

}  // namespace

DuskPicture::DuskPicture(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("dusk-picture"));
  setAccessibleName(tr("Shutter and ISO while the Sun goes through the horizon"));
}

void DuskPicture::show_steps(std::vector<workspace::DuskStep> steps, const light::Ramp& ramp,
                             const QTimeZone& zone) {
  steps_ = std::move(steps);
  ramp_ = ramp;
  zone_ = zone;
  if (!steps_.empty()) {
    const auto words = [&](const workspace::DuskStep& at) {
      return tr("%1: %2, ISO %3")
          .arg(clock_at(at.time, zone_), shutter_text(at.step.shutter_s), number(at.step.iso, 0));
    };
    setAccessibleDescription(tr("%1, then %2").arg(words(steps_.front()), words(steps_.back())));
  }
  update();
}

double DuskPicture::x_of(sky::UtcTime time) const {
  const double whole = sky::in_seconds(steps_.back().time - steps_.front().time);
  return kDuskLeft + (width() - kDuskLeft - kDuskRight) *
                         sky::in_seconds(time - steps_.front().time) / std::max(1.0, whole);
}

void DuskPicture::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  const Palette& c = Theme::colours();
  if (steps_.size() < 2) {
    painter.setPen(c.faint_ink);
    painter.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap,
                     tr("The Sun does not go through the horizon on this day"));
    return;
  }
  const double each = (height() - kDuskFoot - 2.0 * kDuskGap) / 3.0;
  constexpr double kHalfLine = 9.0;
  const QRectF top(kDuskLeft, kHalfLine, width() - kDuskLeft - kDuskRight, each - kHalfLine);
  draw_sun(painter, top);
  const QRectF ladder(kDuskLeft, each + kDuskGap, top.width(), each);
  draw_ladder(painter, ladder, tr("Shutter"), false);
  draw_ladder(painter, ladder.translated(0, each + kDuskGap), tr("ISO"), true);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setPen(c.ink);
  constexpr int kTimes = 6;
  for (int i = 0; i <= kTimes; ++i) {
    const workspace::DuskStep& at =
        steps_[(steps_.size() - 1) * static_cast<std::size_t>(i) / kTimes];
    const double x = std::clamp(x_of(at.time) - 30, kDuskLeft - 30, width() - 60.0);
    painter.drawText(QRectF(x, height() - kDuskFoot + 4, 60, 18), Qt::AlignCenter,
                     clock_at(at.time, zone_));
  }
}

void DuskPicture::draw_sun(QPainter& painter, const QRectF& box) const {
  const Palette& c = Theme::colours();
  double highest = 1.0;
  double lowest = -1.0;
  for (const workspace::DuskStep& at : steps_) {
    highest = std::max(highest, at.altitude_deg);
    lowest = std::min(lowest, at.altitude_deg);
  }
  const auto y_of = [&](double altitude_deg) {
    return box.bottom() - box.height() * (altitude_deg - lowest) / (highest - lowest);
  };
  const double horizon = y_of(0.0);
  painter.fillRect(QRectF(box.left(), horizon, box.width(), box.bottom() - horizon), c.shade);
  QPainterPath way;
  for (std::size_t i = 0; i < steps_.size(); ++i) {
    const QPointF at(x_of(steps_[i].time), y_of(steps_[i].altitude_deg));
    i == 0 ? way.moveTo(at) : way.lineTo(at);
  }
  painter.setBrush(Qt::NoBrush);
  painter.setPen(Theme::line(c.sun, 3.0));
  painter.drawPath(way);
  painter.setPen(Theme::line(c.ink, 1.0));
  painter.drawLine(QPointF(box.left(), horizon), QPointF(box.right(), horizon));
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  const auto label = [&](double altitude_deg) {
    painter.drawText(QRectF(0, y_of(altitude_deg) - 9, kDuskLeft - 8, 18),
                     Qt::AlignRight | Qt::AlignVCenter,
                     tr("%1\u00b0").arg(number(altitude_deg, 0)));
  };
  label(0.0);
  label(highest > 4.0 ? std::floor(highest) : 2.0);
  label(lowest < -4.0 ? std::ceil(lowest) : -2.0);
  painter.setPen(c.ink);
  painter.drawText(box.adjusted(6, 2, -6, -2), Qt::AlignTop | Qt::AlignRight,
                   tr("Height of the Sun"));
}

void DuskPicture::draw_ladder(QPainter& painter, const QRectF& box, const QString& name,
                              bool iso) const {
  const Palette& c = Theme::colours();
  const auto value = [iso](const workspace::DuskStep& at) {
    return std::log2(iso ? at.step.iso : at.step.shutter_s);
  };
  double low = iso ? std::log2(ramp_.iso_low) : 1e9;
  double high = -1e9;
  for (const workspace::DuskStep& at : steps_) {
    low = std::min(low, value(at));
    high = std::max(high, value(at));
  }
  if (!iso) {
    low = std::floor(low);  // whole stops of a second
  }
  high = std::max(high, low + 1.0);
  const auto y_of = [&](double stops) {
    return box.bottom() - 4 - (box.height() - 8) * (stops - low) / (high - low);
  };
  painter.setPen(Theme::line(c.faint_ink, 1.0));
  painter.drawRect(box);
  QPainterPath way;
  bool missing = false;
  for (std::size_t i = 0; i < steps_.size(); ++i) {
    const QPointF at(x_of(steps_[i].time), y_of(value(steps_[i])));
    i == 0 ? way.moveTo(at) : way.lineTo(at);
    missing = missing || std::abs(steps_[i].step.missing_stops) > 0.3;
  }
  painter.setBrush(Qt::NoBrush);
  painter.setPen(Theme::line(c.accent, 3.0));
  painter.drawPath(way);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setPen(c.ink);
  const double every = std::max(1.0, std::ceil((high - low) / std::max(1.0, box.height() / 24.0)));
  for (double stops = low; stops <= high + 0.01; stops += every) {
    const QString words = stop_words(stops, iso);
    painter.drawText(QRectF(0, y_of(stops) - 9, kDuskLeft - 8, 18),
                     Qt::AlignRight | Qt::AlignVCenter, words);
  }
  painter.drawText(box.adjusted(6, 2, -6, -2), Qt::AlignTop | Qt::AlignLeft, name);
  if (iso && missing) {
    for (const workspace::DuskStep& at : steps_) {
      if (std::abs(at.step.missing_stops) > 0.3) {
        const double x = x_of(at.time);
        painter.drawText(QRectF(std::min(x + 4, box.right() - 190), box.bottom() - 22, 186, 18),
                         Qt::AlignLeft | Qt::AlignVCenter,
                         at.step.missing_stops > 0.0 ? tr("from here it gets darker")
                                                     : tr("here it is too bright"));
        break;
      }
    }
  }
}

}  // namespace solarchon::app
