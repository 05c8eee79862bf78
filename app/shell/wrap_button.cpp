// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/wrap_button.h"

#include <QFontMetrics>
#include <QPainter>
#include <algorithm>

#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

// Pixels at the usual text size.
constexpr int kSide = 10;
constexpr int kTop = 7;
constexpr int kTouchHeight = 36;
constexpr int kFlags = Qt::AlignLeft | Qt::AlignVCenter | Qt::TextWordWrap;

}  // namespace

WrapButton::WrapButton(const QString& words, QWidget* parent) : QAbstractButton(parent) {
  setText(words);
  setAccessibleName(words);
  setFont(Theme::font(TextSize::kMedium));
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::PointingHandCursor);
  QSizePolicy policy(QSizePolicy::Expanding, QSizePolicy::Minimum);
  policy.setHeightForWidth(true);
  setSizePolicy(policy);
}

int WrapButton::heightForWidth(int width) const {
  constexpr int kEndless = 10000;
  const QRect room(0, 0, std::max(40, width - 2 * Theme::px(kSide)), kEndless);
  return std::max(Theme::px(kTouchHeight),
                  fontMetrics().boundingRect(room, kFlags, text()).height() + 2 * Theme::px(kTop));
}

QSize WrapButton::sizeHint() const {
  constexpr int kUsualWidth = 240;
  return {Theme::px(kUsualWidth), heightForWidth(Theme::px(kUsualWidth))};
}

void WrapButton::paintEvent(QPaintEvent* /*event*/) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const Palette& c = Theme::colours();
  painter.setPen(Theme::line(c.accent, hasFocus() || underMouse() ? 2.5 : 1.2));
  painter.setBrush(isDown() ? c.accent : c.sheet);
  painter.drawRoundedRect(QRectF(rect()).adjusted(1.5, 1.5, -1.5, -1.5), 4, 4);
  painter.setPen(isDown() ? c.on_accent : c.ink);
  painter.drawText(rect().adjusted(Theme::px(kSide), 0, -Theme::px(kSide), 0), kFlags, text());
}

}  // namespace solarchon::app
