// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/need_bars.h"

#include <QPainter>
#include <algorithm>

#include "app/model/phrases.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr double kBarHigh = 26.0;
constexpr double kRowHigh = 84.0;

double sum_of(const std::vector<NeedBars::Part>& parts) {
  double sum = 0.0;
  for (const NeedBars::Part& part : parts) {
    sum += part.amount;
  }
  return sum;
}

}  // namespace

NeedBars::NeedBars(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("need-bars"));
  setAccessibleName(tr("What is needed against what there is"));
}

QSize NeedBars::usual_size() const {
  return {480, static_cast<int>(kRowHigh * static_cast<double>(bars_.size()))};
}

void NeedBars::show_bars(const std::vector<Bar>& bars) {
  bars_ = bars;
  QStringList words;
  for (const Bar& bar : bars_) {
    words << tr("%1: %2").arg(bar.name, bar.verdict);
  }
  setAccessibleDescription(words.join(QStringLiteral("; ")));
  updateGeometry();
  update();
}

void NeedBars::paint_bar(QPainter& painter, const Bar& bar, double top) const {
  const Palette& c = Theme::colours();
  const double needed = sum_of(bar.needed);
  const double most = std::max({needed, bar.have.value_or(0.0) + bar.spare, 1e-9}) * 1.06;
  const double wide = width() - 4.0;
  const auto x_of = [&](double amount) { return 2.0 + amount / most * wide; };
  painter.setFont(Theme::drawn_font(TextSize::kMedium));
  painter.setPen(bar.short_of ? c.stop : c.ink);
  const QString verdict = (bar.short_of ? QStringLiteral("\u25b2 ") : QString()) + bar.verdict;
  const double verdict_wide = painter.fontMetrics().horizontalAdvance(verdict);
  painter.drawText(QRectF(2, top, wide, 18), Qt::AlignRight | Qt::AlignVCenter, verdict);
  // The name has what the verdict leaves.
  painter.setFont(Theme::drawn_font(TextSize::kMedium, true));
  painter.setPen(c.ink);
  painter.drawText(QRectF(2, top, wide, 18), Qt::AlignLeft | Qt::AlignVCenter,
                   painter.fontMetrics().elidedText(bar.name, Qt::ElideRight,
                                                    static_cast<int>(wide - verdict_wide - 12.0)));
  const QRectF frame(2, top + 22, wide, kBarHigh);
  painter.fillRect(frame, c.shade);
  // What there is as the ground of the bar, the spare hatched.
  if (bar.have) {
    const QRectF have(2, frame.top(), x_of(*bar.have) - 2.0, kBarHigh);
    painter.fillRect(have, c.sheet);
    const QRectF spare(have.right(), frame.top(), x_of(*bar.have + bar.spare) - have.right(),
                       kBarHigh);
    painter.fillRect(spare, c.sheet);
    painter.fillRect(spare, QBrush(c.rule, Qt::BDiagPattern));
    painter.setPen(Theme::line(c.ink, 1.0));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(have.united(spare));
  }
  double used = 0.0;
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  double name_end = 0.0;
  for (const Part& part : bar.needed) {
    const QRectF block(x_of(used), frame.top() + 5, x_of(used + part.amount) - x_of(used),
                       kBarHigh - 10);
    painter.setPen(Theme::line(c.ground, 1.0));
    painter.setBrush(bar.short_of ? c.stop : c.accent);
    painter.drawRect(block);
    painter.setPen(c.faint_ink);
    const QString words = tr("%1 %2 %3").arg(part.name, figure(part.amount, 3), bar.unit);
    const double space = painter.fontMetrics().horizontalAdvance(words) + 4.0;
    const double left = std::max(std::min(block.left(), wide - space), name_end);
    painter.drawText(
        QRectF(left, frame.bottom() + 2, wide + 2.0 - left, 14), Qt::AlignLeft,
        painter.fontMetrics().elidedText(words, Qt::ElideRight, static_cast<int>(wide - left)));
    name_end = left + space + 10.0;
    used += part.amount;
  }
}

void NeedBars::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  double top = 0.0;
  for (const Bar& bar : bars_) {
    paint_bar(painter, bar, top);
    top += kRowHigh;
  }
}

}  // namespace solarchon::app
