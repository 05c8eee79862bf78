// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/reduce/movie_picture.h"

#include <QKeyEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>
#include <utility>

#include "app/shell/disc_painting.h"
#include "app/shell/frame_image.h"
#include "app/shell/theme.h"

namespace solarchon::app {

MoviePicture::MoviePicture(QWidget* parent) : Drawing(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("The movie"));
  setToolTip(tr("Space or a click plays and stops; the arrow keys go by one picture"));
  connect(&timer_, &QTimer::timeout, this, &MoviePicture::advance);
}

void MoviePicture::show_movie(const std::vector<QImage>& pictures, double rate_hz, bool back,
                              std::function<QString(int)> words) {
  constexpr double kSecond_ms = 1000.0;
  const bool goes_on = !pictures_.empty() && pictures.size() >= pictures_.size() &&
                       pictures.front().cacheKey() == pictures_.front().cacheKey();
  pictures_ = pictures;
  words_ = std::move(words);
  back_ = back;
  timer_.setInterval(static_cast<int>(std::lround(kSecond_ms / rate_hz)));
  if (!goes_on) {
    shown_ = 0;
    step_ = 1;
  }
  update();
}

void MoviePicture::show_empty(const QString& words) {
  if (empty_ != words) {
    empty_ = words;
    update();
  }
}

void MoviePicture::play(bool on) {
  if (on && pictures_.size() > 1) {
    timer_.start();
  } else {
    timer_.stop();
  }
  update();
}

void MoviePicture::go_to(int picture) {
  shown_ = std::clamp(picture, 0, std::max(0, static_cast<int>(pictures_.size()) - 1));
  update();
}

void MoviePicture::advance() {
  const int count = static_cast<int>(pictures_.size());
  if (count < 2) {
    return;
  }
  int next = shown_ + step_;
  if (next >= count || next < 0) {
    step_ = back_ ? -step_ : 1;
    next = back_ ? shown_ + step_ : 0;
  }
  go_to(next);
}

void MoviePicture::draw(QPainter& painter) {
  const Palette& c = Theme::colours();
  const QRectF room = rect();
  painter.fillRect(room, c.sky);
  painter.setClipRect(room);
  if (pictures_.empty()) {
    paint_empty(painter, room, empty_);
    return;
  }
  const QImage& image = pictures_[static_cast<std::size_t>(shown_)];
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  painter.drawImage(fitted_rect(image.size(), room), image);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  const QString words = (plays() ? QStringLiteral("\u25b6  ") : QStringLiteral("\u275a\u275a  ")) +
                        (words_ ? words_(shown_) : QString());
  const double wide = painter.fontMetrics().horizontalAdvance(words) + 12.0;
  const double tall = painter.fontMetrics().height() + 4.0;
  const QRectF box(room.right() - wide - 6.0, room.bottom() - tall - 6.0, wide, tall);
  painter.fillRect(box, c.sheet);
  painter.setPen(c.ink);
  painter.drawText(box, Qt::AlignCenter, words);
  if (hasFocus()) {
    painter.setPen(Theme::line(c.accent, 2.0));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(room.adjusted(1.0, 1.0, -1.0, -1.0));
  }
}

void MoviePicture::keyPressEvent(QKeyEvent* event) {
  const int last = static_cast<int>(pictures_.size()) - 1;
  switch (event->key()) {
    case Qt::Key_Space:
      play(!plays());
      return;
    case Qt::Key_Left:
      play(false);
      go_to(shown_ - 1);
      return;
    case Qt::Key_Right:
      play(false);
      go_to(shown_ + 1);
      return;
    case Qt::Key_Home:
      go_to(0);
      return;
    case Qt::Key_End:
      go_to(last);
      return;
    default:
      Drawing::keyPressEvent(event);
  }
}

void MoviePicture::mousePressEvent(QMouseEvent* /*event*/) { play(!plays()); }

void MoviePicture::hideEvent(QHideEvent* event) {
  play(false);
  Drawing::hideEvent(event);
}

void MoviePicture::focusInEvent(QFocusEvent* event) {
  update();
  Drawing::focusInEvent(event);
}

void MoviePicture::focusOutEvent(QFocusEvent* event) {
  update();
  Drawing::focusOutEvent(event);
}

}  // namespace solarchon::app
