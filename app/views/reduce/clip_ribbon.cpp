// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/reduce/clip_ribbon.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/frame_image.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr double kSmallsTall = 58.0;
constexpr double kWordsTall = 18.0;

}  // namespace

ClipRibbon::ClipRibbon(QWidget* parent) : Drawing(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Sharpness of the clip in time"));
  setToolTip(tr("Click a frame, or go with left and right; up and down move the level"));
}

void ClipRibbon::show_clip(const std::shared_ptr<const reduce::ClipGrading>& grading,
                           std::vector<Small> smalls) {
  grading_ = grading;
  smalls_ = std::move(smalls);
  if (grading_ && !grading_->frames.empty()) {
    last_s_ = std::max(1e-3, grading_->frames.back().seconds);
    // A few wild ones do not set the scale.
    std::vector<double> sharpness;
    for (const reduce::GradedFrame& frame : grading_->frames) {
      if (frame.alike) {
        sharpness.push_back(frame.sharpness);
      }
    }
    std::sort(sharpness.begin(), sharpness.end());
    const double high = sharpness.empty() ? 1.0 : sharpness[(sharpness.size() - 1) * 99 / 100];
    highest_ = std::max(1.3, 1.15 * high);
  }
  update();
}

void ClipRibbon::show_kept(const std::vector<std::size_t>& kept) {
  kept_.assign(grading_ ? grading_->frames.size() : 0, false);
  for (const std::size_t place : kept) {
    if (place < kept_.size()) {
      kept_[place] = true;
    }
  }
  update();
}

void ClipRibbon::show_chosen(int place) {
  chosen_ = place;
  update();
}

void ClipRibbon::show_level(std::optional<double> level) {
  level_ = level;
  update();
}

QRectF ClipRibbon::box() const {
  return QRectF(rect()).adjusted(34.0, kWordsTall + 2.0, -8.0, -(kSmallsTall + kWordsTall + 4.0));
}

double ClipRibbon::across(double seconds) const {
  return box().left() + seconds / last_s_ * box().width();
}

double ClipRibbon::up(double sharpness) const {
  return box().bottom() - std::clamp(sharpness / highest_, 0.0, 1.0) * box().height();
}

void ClipRibbon::draw_frames(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QRectF room = box();
  // Columns of a pixel, so that any number of frames is quick to draw: of those in one, the
  // sharpest kept and the sharpest left.
  const int columns = std::max(1, static_cast<int>(room.width()));
  std::vector<double> kept(static_cast<std::size_t>(columns), -1.0);
  std::vector<double> left(static_cast<std::size_t>(columns), -1.0);
  std::vector<bool> lost(static_cast<std::size_t>(columns), false);
  for (std::size_t i = 0; i < grading_->frames.size(); ++i) {
    const reduce::GradedFrame& frame = grading_->frames[i];
    const auto column = static_cast<std::size_t>(
        std::clamp(static_cast<int>(frame.seconds / last_s_ * (columns - 1)), 0, columns - 1));
    if (!frame.alike) {
      lost[column] = true;
      continue;
    }
    double& high = i < kept_.size() && kept_[i] ? kept[column] : left[column];
    high = std::max(high, frame.sharpness);
  }
  // Few frames are as wide as they last.
  const double wide =
      std::clamp(room.width() / static_cast<double>(grading_->frames.size()) - 1.0, 1.0, 12.0);
  for (int column = 0; column < columns; ++column) {
    const auto k = static_cast<std::size_t>(column);
    const double x = room.left() + column;
    if (left[k] >= 0.0) {
      painter.fillRect(QRectF(x, up(left[k]), wide, room.bottom() - up(left[k])), c.rule);
      painter.fillRect(QRectF(x, up(left[k]), wide, 1.5), c.faint_ink);
    }
    if (kept[k] >= 0.0) {
      painter.fillRect(QRectF(x, up(kept[k]), wide, room.bottom() - up(kept[k])), c.ink);
    }
    if (lost[k]) {
      painter.fillRect(QRectF(x, room.bottom() - 4.0, std::max(2.0, wide), 4.0), c.stop);
    }
  }
}

void ClipRibbon::draw_smalls(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const double top = box().bottom() + kWordsTall;
  for (const Small& small : smalls_) {
    const QSizeF size =
        QSizeF(small.image.size())
            .scaled(QSizeF(0.94 * box().width() / static_cast<double>(smalls_.size()),
                           kSmallsTall - 4.0),
                    Qt::KeepAspectRatio);
    const QRectF place(std::clamp(across(small.seconds) - size.width() / 2, box().left(),
                                  box().right() - size.width()),
                       top, size.width(), size.height());
    painter.drawImage(place, small.image);
    painter.setPen(Theme::line(c.faint_ink, 1.0));
    painter.drawRect(place);
  }
}

void ClipRibbon::draw_scale(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QRectF room = box();
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setPen(c.faint_ink);
  painter.drawText(QRectF(0, 0, width(), kWordsTall), Qt::AlignLeft | Qt::AlignVCenter,
                   tr("Sharpness, over the clip\u2019s median"));
  painter.drawText(QRectF(0, up(1.0) - 9.0, 30.0, 18.0), Qt::AlignRight | Qt::AlignVCenter,
                   tr("1\u00d7"));
  painter.setPen(QPen(c.faint_ink, 1.0, Qt::DotLine));
  painter.drawLine(QPointF(room.left(), up(1.0)), QPointF(room.right(), up(1.0)));
  painter.setPen(c.faint_ink);
  const QRectF words(room.left(), room.bottom() + 1.0, room.width(), kWordsTall - 2.0);
  painter.drawText(words, Qt::AlignLeft | Qt::AlignVCenter, tr("0 s"));
  painter.drawText(words, Qt::AlignRight | Qt::AlignVCenter,
                   tr("%1 s").arg(number(last_s_, last_s_ < 20.0 ? 1 : 0)));
  painter.setPen(Theme::line(c.ink, 1.0));
  painter.drawLine(room.bottomLeft(), room.bottomRight());
}

void ClipRibbon::draw(QPainter& painter) {
  const Palette& c = Theme::colours();
  if (!grading_ || grading_->frames.empty()) {
    return;
  }
  draw_scale(painter);
  draw_frames(painter);
  draw_smalls(painter);
  if (level_) {
    painter.setPen(Theme::line(c.accent, 2.0));
    painter.drawLine(QPointF(box().left(), up(*level_)), QPointF(box().right(), up(*level_)));
  }
  if (chosen_ >= 0 && chosen_ < static_cast<int>(grading_->frames.size())) {
    const double x = across(grading_->frames[static_cast<std::size_t>(chosen_)].seconds);
    painter.setPen(Theme::line(c.accent, 2.0));
    painter.drawLine(QPointF(x, box().top()), QPointF(x, box().bottom() + 4.0));
    painter.setBrush(c.accent);
    painter.setPen(Qt::NoPen);
    painter.drawEllipse(QPointF(x, box().top()), 4.0, 4.0);
  }
  if (hasFocus()) {
    painter.setBrush(Qt::NoBrush);
    painter.setPen(Theme::line(c.accent, 2.0));
    painter.drawRect(QRectF(rect()).adjusted(1, 1, -1, -1));
  }
}

void ClipRibbon::point_at(const QPointF& where, bool begins) {
  if (!grading_ || grading_->frames.empty()) {
    return;
  }
  constexpr double kNear = 7.0;
  if (begins) {
    drags_level_ = level_ && std::abs(where.y() - up(*level_)) < kNear;
  }
  if (drags_level_) {
    emit levelled(std::clamp((box().bottom() - where.y()) / box().height(), 0.01, 1.0) * highest_);
    return;
  }
  const double seconds = (where.x() - box().left()) / box().width() * last_s_;
  const auto& frames = grading_->frames;
  const auto after = std::lower_bound(
      frames.begin(), frames.end(), seconds,
      [](const reduce::GradedFrame& frame, double at) { return frame.seconds < at; });
  auto place = static_cast<int>(after - frames.begin());
  if (after == frames.end() ||
      (place > 0 &&
       seconds - frames[static_cast<std::size_t>(place) - 1].seconds < after->seconds - seconds)) {
    --place;
  }
  emit chosen(std::max(0, place));
}

void ClipRibbon::keyPressEvent(QKeyEvent* event) {
  if (!grading_ || grading_->frames.empty()) {
    Drawing::keyPressEvent(event);
    return;
  }
  const int last = static_cast<int>(grading_->frames.size()) - 1;
  constexpr double kLevelStep = 0.05;
  switch (event->key()) {
    case Qt::Key_Left:
      emit chosen(std::max(0, chosen_ - 1));
      return;
    case Qt::Key_Right:
      emit chosen(std::min(last, chosen_ + 1));
      return;
    case Qt::Key_PageUp:
      emit chosen(std::max(0, chosen_ - std::max(1, last / 20)));
      return;
    case Qt::Key_PageDown:
      emit chosen(std::min(last, chosen_ + std::max(1, last / 20)));
      return;
    case Qt::Key_Home:
      emit chosen(0);
      return;
    case Qt::Key_End:
      emit chosen(last);
      return;
    case Qt::Key_Up:
    case Qt::Key_Down:
      if (level_) {
        const double step = event->key() == Qt::Key_Up ? kLevelStep : -kLevelStep;
        emit levelled(std::max(kLevelStep, *level_ + step));
        return;
      }
      break;
    default:
      break;
  }
  Drawing::keyPressEvent(event);
}

void ClipRibbon::mousePressEvent(QMouseEvent* event) { point_at(at(*event), true); }

void ClipRibbon::mouseMoveEvent(QMouseEvent* event) {
  if ((event->buttons() & Qt::LeftButton) != 0) {
    point_at(at(*event), false);
  }
}

void ClipRibbon::mouseReleaseEvent(QMouseEvent* /*event*/) { drags_level_ = false; }

void ClipRibbon::focusInEvent(QFocusEvent* event) {
  Drawing::focusInEvent(event);
  update();
}

void ClipRibbon::focusOutEvent(QFocusEvent* event) {
  Drawing::focusOutEvent(event);
  update();
}

}  // namespace solarchon::app
