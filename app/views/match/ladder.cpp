// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/ladder.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/theme.h"

namespace solarchon::app {

Ladder::Ladder(QWidget* parent) : Drawing(parent) {
  setAccessibleName(tr("Limits of detail"));
  setToolTip(tr("The longest bar is the coarsest link: improving another one gains nothing"));
}

void Ladder::show_limits(const std::optional<workspace::Limits>& limits) {
  limits_ = limits;
  update();
}

void Ladder::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  const Palette& c = Theme::colours();
  if (!limits_) {
    painter.setPen(c.faint_ink);
    painter.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap,
                     tr("Needs a telescope and a camera"));
    return;
  }
  struct Rung {
    QString name;
    double arcsec;
    workspace::Limit limit;
  };
  const Rung rungs[] = {{tr("Lens"), limits_->diffraction_arcsec, workspace::Limit::kDiffraction},
                        {tr("Two pixels"), limits_->sampling_arcsec, workspace::Limit::kSampling},
                        {tr("Air"), limits_->air_arcsec, workspace::Limit::kAir},
                        {tr("Motion"), limits_->motion_arcsec, workspace::Limit::kMotion}};
  const double longest = limits_->finest_arcsec();
  constexpr double kNothing = 0.005;  // arcsec
  const double name_width = 92.0;
  const double room = width() - name_width - 64.0;
  double y = 4.0;
  for (const Rung& rung : rungs) {
    const bool rules = rung.limit == limits_->ruling;
    const double length = room * rung.arcsec / longest;
    painter.setFont(Theme::drawn_font(TextSize::kMedium, rules));
    painter.setPen(c.ink);
    painter.drawText(QRectF(0, y, name_width - 6, 24), Qt::AlignVCenter | Qt::AlignLeft, rung.name);
    painter.setPen(Theme::line(c.ink, 1.0));
    painter.setBrush(rules ? c.accent : c.shade);
    painter.drawRect(QRectF(name_width, y + 4, length, 16));
    painter.setPen(c.ink);
    painter.drawText(
        QRectF(name_width + length + 6, y, 60, 24), Qt::AlignVCenter | Qt::AlignLeft,
        rung.arcsec < kNothing
            ? tr("none")
            : QStringLiteral("%1\u2033").arg(number(rung.arcsec, rung.arcsec < 0.095 ? 2 : 1)));
    y += 24.0;
  }
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setPen(c.faint_ink);
  const QString rule = limits_->ruling == workspace::Limit::kAir ? tr("The air rules today")
                       : limits_->ruling == workspace::Limit::kMotion
                           ? tr("The mount's motion rules: expose for a shorter time")
                           : (limits_->ruling == workspace::Limit::kSampling
                                  ? tr("The pixels rule: a longer focal length shows more")
                                  : tr("The lens rules: only more aperture shows more"));
  painter.drawText(QRectF(0, y + 2, width(), 30), Qt::AlignLeft | Qt::TextWordWrap, rule);
}

ExposureStrip::ExposureStrip(QWidget* parent) : Drawing(parent) {
  setAccessibleName(tr("Exposure in stops"));
}

void ExposureStrip::show_exposure(const std::optional<light::DiscExposure>& exposure) {
  exposure_ = exposure;
  update();
}

void ExposureStrip::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  const Palette& c = Theme::colours();
  if (!exposure_) {
    painter.setPen(c.faint_ink);
    painter.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap,
                     tr("No exposure: the Sun is down, or the light path has no camera"));
    return;
  }
  constexpr int kStops = 3;
  const double cell = width() / (2.0 * kStops + 1.0);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  for (int stop = -kStops; stop <= kStops; ++stop) {
    const double level = exposure_->level * std::pow(2.0, stop);
    const QRectF box((stop + kStops) * cell + 1, 22, cell - 2, 40);
    const bool full = level > 1.0;
    const int grey = static_cast<int>(std::lround(255.0 * std::min(1.0, std::pow(level, 0.6))));
    painter.setPen(Theme::line(stop == 0 ? c.accent : c.ink, stop == 0 ? 3.0 : 1.0));
    painter.setBrush(full ? QBrush(QColor(255, 255, 255)) : QBrush(QColor(grey, grey, grey)));
    painter.drawRect(box);
    if (full) {
      // Cut off, in a pattern as well as in words.
      painter.setBrush(QBrush(QColor(20, 24, 28), Qt::BDiagPattern));
      painter.drawRect(box);
    }
    painter.setPen(c.ink);
    painter.drawText(QRectF(box.left() - 4, 2, box.width() + 8, 18), Qt::AlignCenter,
                     stop == 0 ? tr("0")
                               : (stop > 0 ? QStringLiteral("+%1").arg(stop)
                                           : QStringLiteral("\u2212%1").arg(-stop)));
    painter.drawText(QRectF(box.left() - 4, 64, box.width() + 8, 16), Qt::AlignCenter,
                     full ? tr("full") : tr("%1%").arg(number(level * 100.0, 0)));
  }
}

}  // namespace solarchon::app
