// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/arrow_pad.h"

#include <QGridLayout>
#include <QKeyEvent>
#include <QPainter>
#include <optional>

#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr std::size_t kUp = 0;
constexpr std::size_t kDown = 1;
constexpr std::size_t kLeft = 2;
constexpr std::size_t kRight = 3;
constexpr std::array<const char16_t*, 4> kSigns{u"\u2191", u"\u2193", u"\u2190", u"\u2192"};

std::optional<int> arrow_of(int key) {
  switch (key) {
    case Qt::Key_Up:
      return kUp;
    case Qt::Key_Down:
      return kDown;
    case Qt::Key_Left:
      return kLeft;
    case Qt::Key_Right:
      return kRight;
    default:
      return std::nullopt;
  }
}

}  // namespace

ArrowPad::ArrowPad(QWidget* parent) : QWidget(parent) {
  setObjectName(QStringLiteral("arrow-pad"));
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Arrows that turn the mount"));
  setToolTip(
      tr("Held they turn the mount: with the mouse, or with the arrow keys; keys 1 to 4 "
         "choose how fast"));
  auto* grid = new QGridLayout(this);
  const int margin = Theme::px(4);
  grid->setContentsMargins(margin, margin, margin, margin);
  grid->setSpacing(Theme::px(4));
  constexpr std::array<std::array<int, 2>, 4> kPlaces{{{0, 1}, {2, 1}, {1, 0}, {1, 2}}};
  constexpr int kHigh = 46;
  for (std::size_t i = 0; i < arrows_.size(); ++i) {
    auto* arrow = new QPushButton(this);
    arrow->setObjectName(QStringLiteral("arrow-%1").arg(i));
    arrow->setFocusPolicy(Qt::NoFocus);  // the pad has it for all of them
    arrow->setMinimumHeight(Theme::px(kHigh));
    connect(arrow, &QPushButton::pressed, this, [this, i] { hold(static_cast<int>(i), true); });
    connect(arrow, &QPushButton::released, this, [this, i] { hold(static_cast<int>(i), false); });
    grid->addWidget(arrow, kPlaces.at(i)[0], kPlaces.at(i)[1]);
    arrows_.at(i) = arrow;
  }
  auto* stop = new QPushButton(tr("Stop"), this);
  stop->setObjectName(QStringLiteral("mount-stop"));
  stop->setProperty("main", true);
  stop->setMinimumHeight(Theme::px(kHigh));
  stop->setToolTip(tr("Everything stands at once: Escape, from wherever you are in the program"));
  connect(stop, &QPushButton::clicked, this, &ArrowPad::stopAsked);
  grid->addWidget(stop, 1, 1);
  for (int column = 0; column < 3; ++column) {
    grid->setColumnStretch(column, 1);
  }
}

void ArrowPad::show_names(const std::array<QString, 4>& names) {
  for (std::size_t i = 0; i < names.size(); ++i) {
    arrows_.at(i)->setText(QString::fromUtf16(kSigns.at(i)) + QLatin1Char('\n') + names.at(i));
    arrows_.at(i)->setAccessibleName(names.at(i));
  }
}

void ArrowPad::let_turn(bool may, const QString& why_not) {
  may_turn_ = may;
  for (QPushButton* arrow : arrows_) {
    arrow->setEnabled(may);
    arrow->setToolTip(may ? toolTip() : why_not);
  }
  if (!may) {
    let_go();
  }
}

void ArrowPad::hold(int arrow, bool held) {
  bool& now = held_.at(static_cast<std::size_t>(arrow));
  if (now == held || (held && !may_turn_)) {
    return;
  }
  now = held;
  arrows_.at(static_cast<std::size_t>(arrow))->setDown(held);
  emit this->held(static_cast<int>(held_[kRight]) - static_cast<int>(held_[kLeft]),
                  static_cast<int>(held_[kUp]) - static_cast<int>(held_[kDown]));
}

void ArrowPad::let_go() {
  for (int arrow = 0; arrow < static_cast<int>(held_.size()); ++arrow) {
    hold(arrow, false);
  }
}

void ArrowPad::keyPressEvent(QKeyEvent* event) {
  if (const auto arrow = arrow_of(event->key())) {
    if (!event->isAutoRepeat()) {
      hold(*arrow, true);
    }
  } else if (event->key() >= Qt::Key_1 && event->key() <= Qt::Key_4) {
    emit rateAsked(event->key() - Qt::Key_1);
  } else {
    QWidget::keyPressEvent(event);
  }
}

void ArrowPad::keyReleaseEvent(QKeyEvent* event) {
  if (const auto arrow = arrow_of(event->key())) {
    if (!event->isAutoRepeat()) {
      hold(*arrow, false);
    }
  } else {
    QWidget::keyReleaseEvent(event);
  }
}

void ArrowPad::focusInEvent(QFocusEvent* event) {
  QWidget::focusInEvent(event);
  update();
}

void ArrowPad::focusOutEvent(QFocusEvent* event) {
  let_go();  // whoever looks elsewhere does not see where it goes
  QWidget::focusOutEvent(event);
  update();
}

void ArrowPad::hideEvent(QHideEvent* event) {
  let_go();
  QWidget::hideEvent(event);
}

void ArrowPad::paintEvent(QPaintEvent* /*event*/) {
  if (hasFocus()) {
    QPainter painter(this);
    painter.setPen(Theme::line(Theme::colours().ink, 2.0));
    painter.drawRect(rect().adjusted(1, 1, -2, -2));
  }
}

}  // namespace solarchon::app
