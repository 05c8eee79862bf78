// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/reduce/swipe_picture.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <algorithm>

#include "app/shell/disc_painting.h"
#include "app/shell/frame_image.h"
#include "app/shell/theme.h"

namespace solarchon::app {

SwipePicture::SwipePicture(QWidget* parent) : Drawing(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::SplitHCursor);
  setAccessibleName(tr("Before and after"));
  setToolTip(
      tr("Drag, or press left and right, to part before and after; double click or Z shows "
         "pixels as they are"));
}

void SwipePicture::show_before(const QImage& image, const QString& words) {
  before_ = image;
  before_words_ = words;
  update();
}

void SwipePicture::show_after(const QImage& image, const QString& words) {
  after_ = image;
  after_words_ = words;
  update();
}

void SwipePicture::show_empty(const QString& words) {
  if (empty_ != words) {
    empty_ = words;
    update();
  }
}

void SwipePicture::set_swipe(double share) {
  swipe_ = std::clamp(share, 0.0, 1.0);
  update();
}

void SwipePicture::set_close(bool close) {
  close_ = close;
  update();
}

QRectF SwipePicture::place_of(const QImage& image) const {
  const QRectF room = rect();
  if (!close_) {
    return fitted_rect(image.size(), room);
  }
  const QSizeF size = QSizeF(image.size()) / Theme::scale();
  return {room.center().x() - looked_at_.x() * size.width(),
          room.center().y() - looked_at_.y() * size.height(), size.width(), size.height()};
}

void SwipePicture::draw(QPainter& painter) {
  const Palette& c = Theme::colours();
  const QRectF room = rect();
  painter.fillRect(room, c.sky);
  painter.setClipRect(room);
  if (before_.isNull() && after_.isNull()) {
    paint_empty(painter, room, empty_);
    return;
  }
  painter.setRenderHint(QPainter::SmoothPixmapTransform, !close_);
  const QRectF whole = place_of(after_.isNull() ? before_ : after_);
  const QRectF seen = whole.intersected(room);
  const double line = seen.left() + swipe_ * seen.width();
  const bool both = !before_.isNull() && !after_.isNull();
  if (!before_.isNull()) {
    painter.save();
    if (both) {
      painter.setClipRect(QRectF(room.left(), room.top(), line - room.left(), room.height()));
    }
    painter.drawImage(both ? whole : place_of(before_), before_);
    painter.restore();
  }
  if (!after_.isNull()) {
    painter.save();
    if (both) {
      painter.setClipRect(QRectF(line, room.top(), room.right() - line + 1.0, room.height()));
    }
    painter.drawImage(whole, after_);
    painter.restore();
  }
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  const double both_wide = painter.fontMetrics().horizontalAdvance(before_words_) +
                           painter.fontMetrics().horizontalAdvance(after_words_) + 48.0;
  const auto label = [&](const QString& words, bool right) {
    if (words.isEmpty()) {
      return;
    }
    const double wide = painter.fontMetrics().horizontalAdvance(words) + 12.0;
    const double tall = painter.fontMetrics().height() + 4.0;
    QRectF box(right ? room.right() - wide - 6.0 : room.left() + 6.0, room.bottom() - tall - 6.0,
               wide, tall);
    // Where there is no room beside one another, one over the other.
    if (right && !before_words_.isEmpty() && both_wide > room.width()) {
      box.translate(0.0, -tall - 4.0);
    }
    painter.fillRect(box, c.sheet);
    painter.setPen(c.ink);
    painter.drawText(box, Qt::AlignCenter, words);
  };
  label(before_words_, false);
  label(after_words_, true);
  if (both) {
    painter.setPen(Theme::line(c.sheet, 4.0));
    painter.drawLine(QPointF(line, seen.top()), QPointF(line, seen.bottom()));
    painter.setPen(Theme::line(hasFocus() ? c.accent : c.ink, 2.0));
    painter.drawLine(QPointF(line, seen.top()), QPointF(line, seen.bottom()));
  }
  if (hasFocus()) {
    painter.setPen(Theme::line(c.accent, 2.0));
    painter.drawRect(room.adjusted(1, 1, -1, -1));
  }
}

void SwipePicture::move_place(const QPointF& pixels) {
  const QImage& image = after_.isNull() ? before_ : after_;
  if (image.isNull()) {
    return;
  }
  looked_at_ = {std::clamp(looked_at_.x() + pixels.x() / image.width(), 0.0, 1.0),
                std::clamp(looked_at_.y() + pixels.y() / image.height(), 0.0, 1.0)};
  update();
}

void SwipePicture::keyPressEvent(QKeyEvent* event) {
  constexpr double kStep = 0.05;
  constexpr double kFar = 60.0;
  const bool moves = close_ && (event->modifiers() & Qt::ShiftModifier) != 0;
  switch (event->key()) {
    case Qt::Key_Left:
      moves ? move_place({-kFar, 0.0}) : set_swipe(swipe_ - kStep);
      return;
    case Qt::Key_Right:
      moves ? move_place({kFar, 0.0}) : set_swipe(swipe_ + kStep);
      return;
    case Qt::Key_Up:
      if (close_) {
        move_place({0.0, -kFar});
        return;
      }
      break;
    case Qt::Key_Down:
      if (close_) {
        move_place({0.0, kFar});
        return;
      }
      break;
    case Qt::Key_Home:
      set_swipe(0.0);
      return;
    case Qt::Key_End:
      set_swipe(1.0);
      return;
    case Qt::Key_Z:
      set_close(!close_);
      return;
    default:
      break;
  }
  Drawing::keyPressEvent(event);
}

void SwipePicture::mousePressEvent(QMouseEvent* event) { mouseMoveEvent(event); }

void SwipePicture::mouseMoveEvent(QMouseEvent* event) {
  if ((event->buttons() & Qt::LeftButton) == 0 || (before_.isNull() && after_.isNull())) {
    return;
  }
  const QRectF seen = place_of(after_.isNull() ? before_ : after_).intersected(QRectF(rect()));
  if (seen.width() > 0.0) {
    set_swipe((at(*event).x() - seen.left()) / seen.width());
  }
}

void SwipePicture::mouseDoubleClickEvent(QMouseEvent* event) {
  const QImage& image = after_.isNull() ? before_ : after_;
  if (image.isNull()) {
    return;
  }
  const QRectF place = place_of(image);
  looked_at_ = {std::clamp((at(*event).x() - place.left()) / place.width(), 0.0, 1.0),
                std::clamp((at(*event).y() - place.top()) / place.height(), 0.0, 1.0)};
  set_close(!close_);
}

void SwipePicture::focusInEvent(QFocusEvent* event) {
  Drawing::focusInEvent(event);
  update();
}

void SwipePicture::focusOutEvent(QFocusEvent* event) {
  Drawing::focusOutEvent(event);
  update();
}

}  // namespace solarchon::app
