// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/order_strip.h"

#include <algorithm>
#include <map>

#include "app/model/phrases.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr double kTop = 22.0;
constexpr double kHigh = 26.0;
constexpr double kWaitHigh = 9.0;
constexpr double kWaitTop = kTop + kHigh + 5.0;

}  // namespace

OrderStrip::OrderStrip(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("order-strip"));
  setAccessibleName(tr("The steps in their order"));
}

void OrderStrip::show_steps(const std::vector<plan::RunbookStep>& steps,
                            const std::vector<plan::StepStanding>& standing, std::size_t shown) {
  blocks_.clear();
  std::map<std::string_view, double> ends;
  double now = 0.0;
  whole_min_ = 1.0;
  int done = 0;
  for (std::size_t i = 0; i < steps.size(); ++i) {
    const safety::HandlingStep& step = steps[i].step;
    Block block{now, now + step.minutes, step.exposes, step.waits};
    if (step.waits) {
      block.from_min = 0.0;
      for (const std::string_view need : step.needs) {
        block.from_min = std::max(block.from_min, ends[need]);
      }
      block.to_min = block.from_min + step.minutes;
      block.name = timer_name(step.id);
    } else {
      now = block.to_min;
    }
    ends[step.id] = block.to_min;
    block.done = standing[i].done.has_value();
    block.shown = i == shown;
    done += block.done ? 1 : 0;
    whole_min_ = std::max(whole_min_, block.to_min);
    blocks_.push_back(std::move(block));
  }
  hands_min_ = now;
  setAccessibleDescription(tr("%1 of %2 steps are done").arg(done).arg(steps.size()));
  update();
}

void OrderStrip::paint_block(QPainter& painter, const Block& block, double scale) const {
  const Palette& c = Theme::colours();
  QRectF box(1.0 + block.from_min * scale, block.waits ? kWaitTop : kTop,
             (block.to_min - block.from_min) * scale, block.waits ? kWaitHigh : kHigh);
  box.setWidth(std::max(3.0, box.width() - 2.0));
  painter.setPen(Theme::line(block.shown ? c.accent : c.ink, block.shown ? 3.0 : 1.0));
  painter.setBrush(block.done ? c.ink : block.exposes ? c.sun : c.ground);
  painter.drawRect(box);
  if (block.done && block.exposes) {
    painter.fillRect(QRectF(box.left() + 1, box.bottom() - 5, box.width() - 2, 4), c.sun);
  }
  if (block.waits) {
    painter.setPen(c.faint_ink);
    painter.setFont(Theme::drawn_font(TextSize::kSmall));
    const double wide = painter.fontMetrics().horizontalAdvance(block.name);
    const double left = std::clamp(box.left(), 0.0, std::max(0.0, width() - wide));
    painter.drawText(QRectF(left, box.bottom() + 2, wide + 2.0, 16), Qt::AlignLeft, block.name);
  }
}

void OrderStrip::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  const Palette& c = Theme::colours();
  const double scale = (width() - 4.0) / whole_min_;
  for (const Block& block : blocks_) {
    if (!block.shown) {
      paint_block(painter, block, scale);
    }
  }
  for (const Block& block : blocks_) {
    if (block.shown) {
      paint_block(painter, block, scale);
    }
  }
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setPen(c.faint_ink);
  painter.drawText(QRectF(0, 2, width(), 16), Qt::AlignLeft,
                   tr("about %1 min by hand").arg(number(hands_min_, 0)));
  const auto sun = std::find_if(blocks_.begin(), blocks_.end(),
                                [](const Block& block) { return block.exposes && !block.waits; });
  if (sun != blocks_.end()) {
    const QString words = tr("here the Sun comes in");
    painter.setPen(c.ink);
    // A pointer, and the words beside it on the side that has room.
    const double at = sun->from_min * scale + 1.0;
    painter.setBrush(c.ink);
    painter.drawPolygon(QPolygonF({{at, kTop - 3}, {at - 5, kTop - 11}, {at + 5, kTop - 11}}));
    const double wide = painter.fontMetrics().horizontalAdvance(words) + 4.0;
    const bool right = at + 9.0 + wide <= width();
    painter.drawText(QRectF(right ? at + 9.0 : at - 9.0 - wide, 2, wide, 16),
                     right ? Qt::AlignLeft : Qt::AlignRight, words);
  }
}

}  // namespace solarchon::app
