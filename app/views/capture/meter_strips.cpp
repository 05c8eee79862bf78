// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/meter_strips.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr double kSpan_s = 120.0;
constexpr double kMostR0Cm = 12.0;

}  // namespace

MeterStrips::MeterStrips(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("meter-strips"));
  setAccessibleName(tr("Meters over the last two minutes"));
  setToolTip(
      tr("Sharpness of each moment against the best of the last two minutes; how narrow the "
         "limb is drawn, for the focus; the aperture that the air lets through (Fried's "
         "parameter); light against the level aimed at, and against the clear sky"));
}

void MeterStrips::clear() {
  samples_.clear();
  update();
}

void MeterStrips::add(double seconds, const live::Readings& readings,
                      std::optional<double> off_aim_stops) {
  if (!samples_.empty() && seconds <= samples_.back().seconds) {
    if (seconds < samples_.back().seconds) {
      samples_.clear();
    } else {
      return;
    }
  }
  Sample sample{seconds, readings.sharpness, {}, {}, {}, readings.level.bright, off_aim_stops};
  if (readings.edge_arcsec) {
    sample.edge_arcsec = readings.edge_arcsec->value;
  }
  if (readings.air) {
    sample.r0_cm = readings.air->r0_cm.value;
  }
  if (readings.cloud_stops) {
    sample.stops = readings.cloud_stops->value;
  }
  samples_.push_back(sample);
  while (seconds - samples_.front().seconds > kSpan_s) {
    samples_.pop_front();
  }
  QStringList words;
  for (const Strip& strip : strips()) {
    words << strip.name + QStringLiteral(" ") + strip.value;
  }
  setAccessibleDescription(words.join(QStringLiteral("; ")));
  update();
}

std::vector<MeterStrips::Strip> MeterStrips::strips() const {
  Strip sharp{tr("Sharpness"), {}, {}};
  Strip edge{tr("Edge"), tr("no limb in sight"), {}};
  Strip air{tr("Air"), tr("not seen yet"), {}};
  Strip light{tr("Light"), {}, {}};
  if (samples_.empty()) {
    return {sharp, edge, air, light};
  }
  double best = 0.0;
  double narrowest = 1e9;
  for (const Sample& sample : samples_) {
    best = std::max(best, sample.sharpness);
    narrowest = std::min(narrowest, sample.edge_arcsec.value_or(narrowest));
  }
  const Sample& last = samples_.back();
  for (const Sample& sample : samples_) {
    const double age = last.seconds - sample.seconds;
    sharp.points.emplace_back(age, best > 0.0 ? sample.sharpness / best : 0.0);
    if (sample.edge_arcsec) {
      edge.points.emplace_back(age, narrowest / *sample.edge_arcsec);
    }
    if (sample.r0_cm) {
      air.points.emplace_back(age, std::min(1.0, *sample.r0_cm / kMostR0Cm));
    }
    light.points.emplace_back(
        age, sample.stops ? std::clamp(1.0 - *sample.stops / 4.0, 0.0, 1.0) : sample.level);
  }
  sharp.value =
      tr("%1 % of the best").arg(number(best > 0.0 ? 100.0 * last.sharpness / best : 0.0, 0));
  if (last.edge_arcsec) {
    edge.value =
        tr("%1\u2033, best %2\u2033").arg(number(*last.edge_arcsec, 1), number(narrowest, 1));
  }
  if (last.r0_cm) {
    air.value = tr("r\u2080 %1 cm").arg(number(*last.r0_cm, 1));
  }
  // What is known of a clear sky is not known better.
  constexpr double kClear = 0.3;
  light.value = !last.stops            ? tr("%1 % of full").arg(number(100.0 * last.level, 0))
                : *last.stops < kClear ? tr("no cloud seen")
                                       : tr("%1 stops of cloud").arg(number(*last.stops, 1));
  if (last.off_aim_stops) {
    const double stops = *last.off_aim_stops;
    constexpr double kOnIt = 0.05;
    const QString size = number(std::abs(stops), 1);
    const QString aim = stops > kOnIt    ? tr("%1 stops over").arg(size)
                        : stops < -kOnIt ? tr("%1 stops under").arg(size)
                                         : tr("as aimed at");
    light.value = aim + QStringLiteral(" \u00b7 ") + light.value;
  }
  return {sharp, edge, air, light};
}

void MeterStrips::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  const Palette& c = Theme::colours();
  const std::vector<Strip> all = strips();
  const double each = static_cast<double>(height()) / static_cast<double>(all.size());
  for (std::size_t i = 0; i < all.size(); ++i) {
    const Strip& strip = all[i];
    const double top = each * static_cast<double>(i);
    painter.setFont(Theme::drawn_font(TextSize::kSmall));
    painter.setPen(c.faint_ink);
    painter.drawText(QRectF(0, top, width(), 18), Qt::AlignLeft | Qt::AlignVCenter, strip.name);
    painter.setFont(Theme::drawn_font(TextSize::kSmall, true));
    painter.setPen(c.ink);
    painter.drawText(QRectF(0, top, width(), 18), Qt::AlignRight | Qt::AlignVCenter, strip.value);
    const QRectF box(0, top + 19, width(), each - 24);
    painter.fillRect(box, c.shade);
    QPolygonF line;
    for (const auto& [age, tall] : strip.points) {
      line << QPointF(box.right() - age / kSpan_s * box.width(),
                      box.bottom() - tall * (box.height() - 2.0) - 1.0);
    }
    painter.setPen(Theme::line(c.ink, 1.5));
    painter.drawPolyline(line);
    if (!line.isEmpty()) {
      painter.setPen(Qt::NoPen);
      painter.setBrush(c.accent);
      painter.drawEllipse(line.back(), 3.0, 3.0);
      painter.setBrush(Qt::NoBrush);
    }
  }
}

}  // namespace solarchon::app
