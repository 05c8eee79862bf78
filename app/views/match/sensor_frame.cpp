// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/sensor_frame.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/frame_image.h"
#include "app/shell/theme.h"
#include "solarchon/base/angle.h"
#include "solarchon/camera/simulate.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

namespace {

/// Why there is no picture.
QString reason_for(const base::Error& error) {
  if (error.field == "time") {
    return SensorFrame::tr("The Sun is below the horizon at this time");
  }
  if (error.code == base::ErrorCode::kUnknownValue) {
    return SensorFrame::tr(
        "This light path picks hydrogen alpha. The synthetic Sun has no "
        "chromosphere, so only white light can be simulated.");
  }
  return SensorFrame::tr("Needs a telescope and a camera behind it");
}

constexpr std::uint32_t kPreviewSeed = 7;
constexpr int kFrameMargin = 28;
constexpr int kQuickSide = 380;  // pixels of the picture while now is dragged

}  // namespace

SensorFrame::SensorFrame(Document& document, QWidget* parent)
    : Drawing(parent), document_(document) {
  setObjectName(QStringLiteral("sensor-frame"));
  setAccessibleName(tr("The Sun on the sensor"));
}

void SensorFrame::follow() { request(Haste::kFine); }

void SensorFrame::request(Haste haste) {
  const workspace::Workspace& workspace = document_.workspace();
  const safety::Assessment& safety = document_.answers().safety;
  if (safety.verdict == safety::Severity::kStop) {
    show_problem(what_can_happen(safety.findings.front()));
    return;
  }
  auto shot = workspace::shot_for(workspace, document_.answers(), std::nullopt, kPreviewSeed);
  if (!shot) {
    show_problem(reason_for(shot.error()));
    return;
  }
  problem_.clear();
  if (!wishes_.settled()) {
    haste = Haste::kQuick;  // the hand is still moving
  }
  shot->pointing_spread_px = 0.0;
  const int fine = std::max(kQuickSide, std::max(width(), height()) - 2 * kFrameMargin);
  const int longest = haste == Haste::kQuick ? kQuickSide : fine;
  wishes_.wish([this, haste, shot = camera::binned(std::move(*shot), longest)](
                   const base::Task& task) -> Worker::Delivery {
    const auto recording = camera::simulate(shot, task);
    if (!recording) {
      return [this, words = error_text(recording.error())] { show_problem(words); };
    }
    const int side = std::max(recording->frame.width, recording->frame.height);
    return [this, haste, image = frame_image(recording->frame, side)] {
      if (!problem_.isEmpty()) {
        return;  // the light path was stopped meanwhile
      }
      image_ = image;
      update();
      if (haste == Haste::kQuick && !wishes_.waiting()) {
        request(Haste::kFine);
      }
      emit pictureChanged();
    };
  });
}

void SensorFrame::show_problem(const QString& words) {
  problem_ = words;
  image_ = {};
  setAccessibleDescription(words);
  update();
}

QRectF SensorFrame::frame_rect() const {
  const auto sensor = optics::sensor_of(document_.workspace().rig);
  const QRectF room =
      QRectF(rect()).adjusted(kFrameMargin, kFrameMargin, -kFrameMargin, -kFrameMargin);
  if (!sensor) {
    return room;
  }
  return fitted_rect(QSizeF(sensor->camera.width_px, sensor->camera.height_px), room);
}

void SensorFrame::draw(QPainter& painter) {
  painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  const Palette& c = Theme::colours();
  const QRectF box = frame_rect();
  painter.fillRect(box, QColor(0, 0, 0));
  if (!problem_.isEmpty()) {
    painter.setPen(QColor(0xf2f0ea));
    painter.drawText(box.adjusted(24, 24, -24, -24), Qt::AlignCenter | Qt::TextWordWrap, problem_);
  } else if (!image_.isNull()) {
    painter.drawImage(box, image_);
  }
  painter.setPen(Theme::line(c.ink, 2.0));
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(box);
  const optics::Train& train = document_.answers().train;
  if (!train.field_width_arcmin) {
    return;
  }
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setPen(c.ink);
  painter.drawText(QRectF(box.left(), box.top() - 20, box.width(), 18), Qt::AlignCenter,
                   tr("%1\u2032").arg(number(*train.field_width_arcmin, 1)));
  painter.save();
  painter.translate(box.left() - 11, box.center().y());
  painter.rotate(-90);
  painter.drawText(QRectF(-60, -9, 120, 18), Qt::AlignCenter,
                   tr("%1\u2032").arg(number(*train.field_height_arcmin, 1)));
  painter.restore();
  if (!image_.isNull()) {
    painter.drawText(QRectF(box.left(), box.bottom() + 4, box.width(), 18), Qt::AlignLeft,
                     tr("Simulated, false colour"));
  }
  // A small compass in the corner: celestial north, and east as a shorter arm.
  const sky::PictureOrientation& sky = document_.answers().celestial;
  const QPointF hub(box.right() - 44, box.top() + 44);
  const auto arm = [&](double angle_deg, double length, const QString& letter) {
    const double angle = angle_deg * base::kRadPerDeg;
    const QPointF way(std::sin(angle), -std::cos(angle));
    painter.drawLine(hub, hub + way * length);
    const QPointF at = hub + way * (length + 9);
    painter.drawText(QRectF(at.x() - 10, at.y() - 9, 20, 18), Qt::AlignCenter, letter);
  };
  painter.setPen(Theme::line(QColor(0xf2f0ea), 2.0));
  arm(sky.north_deg, 22, tr("N"));
  arm(sky.north_deg + (sky.mirrored ? 90.0 : -90.0), 14, tr("E"));
}

void SensorFrame::resizeEvent(QResizeEvent* event) {
  QWidget::resizeEvent(event);
  if (isVisible()) {
    follow();
  }
}

}  // namespace solarchon::app
