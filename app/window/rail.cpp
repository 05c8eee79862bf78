// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/rail.h"

#include <QKeySequence>
#include <QPainter>
#include <QVBoxLayout>
#include <algorithm>

#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/shell/verdict_badge.h"

namespace solarchon::app {

RailButton::RailButton(const QString& name, const QString& glyph, int number, QWidget* parent)
    : QAbstractButton(parent), glyph_(glyph), number_(number) {
  setText(name);
  setCheckable(true);
  setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Preferred);
  setCursor(Qt::PointingHandCursor);
  setAccessibleName(name);
  show_readiness({});
}

void RailButton::show_readiness(const Readiness& readiness) {
  readiness_ = readiness;
  const QString keys = QKeySequence(Qt::CTRL | static_cast<Qt::Key>(Qt::Key_0 + number_))
                           .toString(QKeySequence::NativeText);
  setToolTip(readiness.reason.isEmpty() ? keys : readiness.reason + " (" + keys + ")");
  setAccessibleDescription(readiness.reason);
  update();
}

void RailButton::paintEvent(QPaintEvent* /*event*/) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const Palette& c = Theme::colours();
  const QRectF box = QRectF(rect()).adjusted(6, 3, -6, -3);
  if (isChecked() || underMouse()) {
    painter.setPen(Qt::NoPen);
    painter.setBrush(isChecked() ? c.accent : c.shade);
    painter.drawRoundedRect(box, 4, 4);
  }
  if (hasFocus()) {
    painter.setPen(Theme::line(isChecked() ? c.ink : c.accent, 2.0));
    painter.setBrush(Qt::NoBrush);
    painter.drawRoundedRect(box, 4, 4);
  }
  const QColor ink = isChecked() ? c.on_accent : c.ink;
  // Glyph over word, in the middle of whatever height there is.
  const int words = Theme::px(24);
  const int side = std::min(Theme::px(28), height() - words - Theme::px(6));
  const int top = (height() - side - words) / 2 + Theme::px(1);
  Theme::icon(glyph_, ink).paint(&painter, QRect((width() - side) / 2, top, side, side));
  painter.setPen(ink);
  painter.setFont(Theme::font(TextSize::kSmall, isChecked()));
  painter.drawText(QRect(0, top + side, width(), words), Qt::AlignHCenter | Qt::AlignVCenter,
                   text());
  if (readiness_.state != safety::Severity::kNoObjection) {
    const QRectF sign(width() - Theme::px(30), Theme::px(8), Theme::px(16), Theme::px(16));
    painter.setPen(Qt::NoPen);
    painter.setBrush(c.sheet);
    painter.drawEllipse(sign.adjusted(-3, -3, 3, 3));
    paint_sign(painter, sign, readiness_.state);
  }
}

Rail::Rail(QWidget* parent)
    : QWidget(parent),
      group_(new QButtonGroup(this)),
      timers_(new PlainLabel(this)),
      foot_(new QToolButton(this)) {
  setObjectName(QStringLiteral("rail"));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 8, 0, 8);
  column->setSpacing(2);
  column->addStretch(1);
  timers_->setObjectName(QStringLiteral("timers"));
  timers_->setAccessibleName(tr("Timers"));
  timers_->setAlignment(Qt::AlignCenter);
  timers_->setFont(Theme::font(TextSize::kSmall, true));
  timers_->hide();
  column->addWidget(timers_);
  foot_->setObjectName(QStringLiteral("look-menu"));
  foot_->setText(QStringLiteral("Aa"));
  foot_->setToolTip(tr("Look and language"));
  foot_->setAccessibleName(foot_->toolTip());
  foot_->setPopupMode(QToolButton::InstantPopup);
  column->addWidget(foot_, 0, Qt::AlignHCenter);
  group_->setExclusive(true);
}

void Rail::set_menu(QMenu* menu) { foot_->setMenu(menu); }

void Rail::add(const QString& id, const QString& name, const QString& glyph) {
  const int place = static_cast<int>(buttons_.size());
  auto* button = new RailButton(name, glyph, place + 1, this);
  group_->addButton(button);
  static_cast<QVBoxLayout*>(layout())->insertWidget(place, button);
  connect(button, &QAbstractButton::clicked, this, [this, id] { emit chosen(id); });
  buttons_[id] = button;
}

void Rail::show_current(const QString& id) {
  const QAbstractButton* before = group_->checkedButton();
  const bool in_rail = before != nullptr && before->hasFocus();
  buttons_.at(id)->setChecked(true);
  if (in_rail) {
    focus_current();  // the ring goes along
  }
}

void Rail::focus_current() { group_->checkedButton()->setFocus(); }

void Rail::show_readiness(const QString& id, const Readiness& readiness) {
  buttons_.at(id)->show_readiness(readiness);
}

void Rail::show_timers(const QStringList& lines) {
  timers_->setText(lines.join('\n'));
  timers_->setVisible(!lines.isEmpty());
}

void Rail::paintEvent(QPaintEvent* /*event*/) {
  QPainter painter(this);
  painter.setPen(Theme::line(Theme::colours().rule, 1.0));
  painter.drawLine(width() - 1, 0, width() - 1, height());
}

}  // namespace solarchon::app
