// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/plate.h"

#include <QPainter>

#include "app/model/file_words.h"
#include "app/shell/disc_painting.h"
#include "app/shell/frame_image.h"
#include "app/shell/theme.h"
#include "solarchon/disc/limb.h"

namespace solarchon::app {

namespace {

constexpr int kFrameSidePx = 1400;

}  // namespace

Plate::Plate(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("plate"));
  setAccessibleName(tr("The frame in hand"));
}

void Plate::show_frame(const std::shared_ptr<const ShownFrame>& frame) {
  if (frame == frame_) {
    return;
  }
  frame_ = frame;
  name_ = frame ? words_of_file(frame->file) : QString();
  image_ = frame ? frame_image(frame->frame, kFrameSidePx) : QImage();
  setAccessibleDescription(frame ? frame->file : tr("No frame yet"));
  update();
}

void Plate::draw(QPainter& painter) {
  painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  const Palette& c = Theme::colours();
  const QRectF room = QRectF(rect()).adjusted(2, 2, -2, -24);
  if (!frame_) {
    paint_empty(painter, room, tr("No frame yet.\nTake one with the button, or with F5."));
    return;
  }
  const QRectF box = fitted_rect(QSizeF(image_.size()), room);
  painter.drawImage(box, image_);
  painter.setPen(Theme::line(c.ink, 1.5));
  painter.drawRect(box);
  painter.setPen(c.faint_ink);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  const QString caption =
      tr("%1 \u00b7 false colour \u00b7 ring: position angle from solar north")
          .arg(frame_->frame.info.simulated ? tr("%1 \u00b7 simulated").arg(name_) : name_);
  painter.drawText(QRectF(room.left(), box.bottom() + 4, room.width(), 18),
                   Qt::AlignHCenter | Qt::AlignTop, caption);
  if (!frame_->measurement || !frame_->measurement->solar) {
    return;
  }
  const disc::LimbFit& limb = frame_->measurement->limb;
  const double scale = box.width() / frame_->frame.width;
  const QPointF centre =
      box.topLeft() + QPointF(limb.centre_x_px + 0.5, limb.centre_y_px + 0.5) * scale;
  painter.setClipRect(box);
  painter.setPen(Theme::line(QColor(0xf2f0ea), 1.5));
  painter.setBrush(Qt::NoBrush);
  paint_ring(painter, centre, limb.radius_px * scale + 8.0, *frame_->measurement->solar);
}

}  // namespace solarchon::app
