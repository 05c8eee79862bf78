// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/series_belt.h"

#include <algorithm>

#include "app/shell/theme.h"

namespace solarchon::app {

void SeriesBelt::show_picture(const Picture& picture) {
  picture_ = picture;
  update();
}

void SeriesBelt::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  const Palette& c = Theme::colours();
  const QRectF belt(0, 8, width(), 30);
  painter.fillRect(belt, c.shade);
  const double per_s = belt.width() / std::max(1e-6, picture_.duration_s);
  // Clips that are too narrow to be told apart are drawn as one block.
  const int blocks = picture_.rounds * picture_.takes;
  const double each_s = picture_.round_s / std::max(1, picture_.takes);
  constexpr double kApartPx = 4.0;
  const bool apart = picture_.every_s * per_s >= kApartPx;
  painter.setPen(Qt::NoPen);
  if (apart) {
    for (int i = 0; i < blocks; ++i) {
      const int round = i / picture_.takes;
      const double start_s = round * picture_.every_s + (i % picture_.takes) * each_s;
      const QRectF block(belt.left() + start_s * per_s, belt.top() + 5,
                         std::max(1.5, each_s * per_s - 1.0), belt.height() - 10);
      painter.fillRect(block, i < picture_.whole ? c.ink : c.rule);
    }
  } else {
    const double done = belt.width() * static_cast<double>(picture_.whole) / std::max(1, blocks);
    for (double x = 0.0; x + 2.0 <= belt.width(); x += kApartPx) {
      painter.fillRect(QRectF(belt.left() + x, belt.top() + 5, 2.0, belt.height() - 10),
                       x < done ? c.ink : c.rule);
    }
  }
  if (picture_.now_s) {
    const double x = belt.left() + std::clamp(*picture_.now_s * per_s, 0.0, belt.width() - 1.0);
    painter.setPen(Theme::line(c.accent, 2.5));
    painter.drawLine(QPointF(x, belt.top() - 4), QPointF(x, belt.bottom() + 4));
  }
  painter.setPen(c.faint_ink);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.drawText(QRectF(0, belt.bottom() + 4, width(), 18), Qt::AlignRight | Qt::AlignVCenter,
                   picture_.ends);
}

}  // namespace solarchon::app
