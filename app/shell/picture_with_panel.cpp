// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/picture_with_panel.h"

#include <algorithm>

#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

QSize least_of(const QWidget& widget) {
  return widget.minimumSizeHint().expandedTo(widget.minimumSize());
}

}  // namespace

int least_height(const QWidget& widget, int width) {
  if (widget.isHidden()) {
    return 0;
  }
  if (const QLayout* layout = widget.layout(); layout != nullptr && layout->hasHeightForWidth()) {
    return std::max(layout->totalMinimumHeightForWidth(width), widget.minimumHeight());
  }
  return std::max(least_of(widget).height(),
                  widget.hasHeightForWidth() ? widget.heightForWidth(width) : 0);
}

PictureWithPanel::PictureWithPanel(QWidget* picture, QWidget* panel, int panel_px, QWidget* page,
                                   Side side)
    : QBoxLayout(QBoxLayout::LeftToRight, page),
      picture_(picture),
      panel_(panel),
      panel_px_(panel_px),
      side_(side) {
  setContentsMargins(0, 0, 0, 0);
  setSpacing(Theme::px(20));
  addWidget(picture);
  addWidget(panel);
}

void PictureWithPanel::set_panel(int panel_px) {
  if (panel_px_ != panel_px) {
    panel_px_ = panel_px;
    update();
  }
}

void PictureWithPanel::invalidate() {
  measured_ = false;
  QBoxLayout::invalidate();
}

void PictureWithPanel::measure() const {
  if (!measured_) {
    picture_least_ = least_of(*picture_);
    panel_least_ = least_of(*panel_);
    measured_ = true;
  }
}

bool PictureWithPanel::stacks_in(int width) const {
  measure();
  return width < picture_least_.width() + spacing() + panel_least_.width();
}

int PictureWithPanel::panel_width(int width) const {
  measure();
  return std::max(panel_least_.width(),
                  std::min(Theme::px(panel_px_), width - spacing() - picture_least_.width()));
}

QSize PictureWithPanel::minimumSize() const {
  measure();
  return picture_least_.expandedTo(panel_least_).grownBy(contentsMargins());
}

int PictureWithPanel::heightForWidth(int width) const { return minimumHeightForWidth(width); }

int PictureWithPanel::minimumHeightForWidth(int width) const {
  const QMargins edges = contentsMargins();
  const int inside = width - edges.left() - edges.right();
  const int panel = panel_width(inside);
  const int height =
      stacks_in(inside)
          ? least_height(*picture_, inside) + spacing() + least_height(*panel_, inside)
          : std::max(least_height(*picture_, inside - spacing() - panel),
                     least_height(*panel_, panel));
  return height + edges.top() + edges.bottom();
}

void PictureWithPanel::setGeometry(const QRect& room) {
  // The box holds both, and does not arrange them. NOLINTNEXTLINE(bugprone-parent-virtual-call)
  QLayout::setGeometry(room);
  const QRect inside = contentsRect();
  const bool stacks = stacks_in(inside.width());
  const int panel_size =
      stacks ? least_height(*panel_, inside.width()) : panel_width(inside.width());
  QRect picture = inside;
  QRect panel = inside;
  if (stacks && side_ == Side::kAfter) {
    picture.setBottom(inside.bottom() - panel_size - spacing());
    panel.setTop(picture.bottom() + spacing() + 1);
  } else if (stacks) {
    panel.setHeight(panel_size);
    picture.setTop(panel.bottom() + spacing() + 1);
  } else if (side_ == Side::kAfter) {
    picture.setRight(inside.right() - panel_size - spacing());
    panel.setLeft(picture.right() + spacing() + 1);
  } else {
    panel.setWidth(panel_size);
    picture.setLeft(panel.right() + spacing() + 1);
  }
  itemAt(0)->setGeometry(picture);
  itemAt(1)->setGeometry(panel);
}

ScrolledPanel::ScrolledPanel(QWidget* panel, QWidget* parent) : QScrollArea(parent) {
  setWidget(panel);
  setWidgetResizable(true);
  setFrameShape(QFrame::NoFrame);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
}

QSize ScrolledPanel::minimumSizeHint() const {
  constexpr int kScrollBar = 16;
  constexpr int kLeastHeight = 200;
  return {widget()->minimumSizeHint().width() + Theme::px(kScrollBar), Theme::px(kLeastHeight)};
}

}  // namespace solarchon::app
