// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/live_plate.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>
#include <utility>

#include "app/model/phrases.h"
#include "app/shell/disc_painting.h"
#include "app/shell/frame_image.h"
#include "app/shell/theme.h"
#include "solarchon/base/angle.h"
#include "solarchon/image/frame.h"

namespace solarchon::app {

namespace {

constexpr int kLiveSidePx = 1100;
constexpr QRgb kOnPicture = 0xfff2f0ea;   ///< lines over the picture, in both looks
constexpr QRgb kUnderLines = 0xff1a1206;  ///< beneath them, where the picture is bright
constexpr double kEarthKm = 12742.0;
constexpr double kKmPerArcsec = 725.0;

}  // namespace

/// Draws lines and words twice: dark and wide, then bright.
template <typename Paint>
void twice(QPainter& painter, double width, const Paint& paint) {
  painter.setPen(Theme::line(QColor(kUnderLines), width + 3.0));
  paint();
  painter.setPen(Theme::line(QColor(kOnPicture), width));
  paint();
}

void words_over(QPainter& painter, const QRectF& room, int flags, const QString& words) {
  painter.setFont(Theme::drawn_font(TextSize::kSmall, true));
  painter.setPen(QColor(kUnderLines));
  for (const QPointF by : {QPointF(1, 1), QPointF(-1, 1), QPointF(1, -1), QPointF(-1, -1)}) {
    painter.drawText(room.translated(by), flags, words);
  }
  painter.setPen(QColor(kOnPicture));
  painter.drawText(room, flags, words);
}

LivePlate::LivePlate(const LiveCamera& camera, QWidget* parent) : Drawing(parent), camera_(camera) {
  setObjectName(QStringLiteral("live-plate"));
  setAccessibleName(tr("The live picture"));
  setFocusPolicy(Qt::StrongFocus);
  setToolTip(tr("Click, or use the arrow keys, to set the cross; Delete takes it away"));
}

void LivePlate::follow() {
  if (!camera_.looking()) {
    still_.reset();
  }
  if (!ways_.frozen || !shown_.frame || !camera_.looking()) {
    take_glance();
  }
}

void LivePlate::show_still(const std::shared_ptr<const image::Frame>& frame) {
  still_ = frame;
  take_glance();
}

void LivePlate::take_glance() {
  const auto before = shown_.frame;
  shown_ = camera_.glance();
  if (still_) {
    shown_.frame = still_;
  }
  if (shown_.frame != before) {
    make_image();
  }
  setAccessibleDescription(caption());
  update();
}

Turned LivePlate::turned() const {
  switch (ways_.way) {
    case Way::kNorthUp:
      return camera_.solar() ? Turned::north_up(*camera_.solar()) : Turned{};
    case Way::kHalfTurn:
      return {false, 2};
    case Way::kMirrored:
      return {true, 0};
    case Way::kUpsideDown:
      return {true, 2};
    case Way::kAsItComes:
      break;
  }
  return {};
}

void LivePlate::draw_so(const Ways& ways) {
  if (ways == ways_) {
    return;
  }
  const bool let_go = ways_.frozen && !ways.frozen;
  ways_ = ways;
  make_image();
  if (let_go) {
    follow();
  }
  update();
}

void LivePlate::make_image() {
  if (!shown_.frame) {
    image_ = {};
    return;
  }
  const image::Frame& frame = *shown_.frame;
  cut_ = QRect(0, 0, frame.width, frame.height);
  if (ways_.zoom > 0) {
    const QSizeF room = turned().size_of(QSizeF(size()));
    const int across = std::min(frame.width, static_cast<int>(room.width()) / ways_.zoom);
    const int down = std::min(frame.height, static_cast<int>(room.height()) / ways_.zoom);
    const QPoint middle = cross_in_frame().toPoint();
    cut_ = QRect(std::clamp(middle.x() - across / 2, 0, frame.width - across),
                 std::clamp(middle.y() - down / 2, 0, frame.height - down), across, down);
  }
  image_ = turned().image(
      quick_image(frame, cut_, kLiveSidePx, ways_.faint_lifted ? Tone::kFaint : Tone::kPlain));
}

LivePlate::Lay LivePlate::lay() const {
  const QRectF room = QRectF(rect()).adjusted(2, 2, -2, -24);
  Lay lay;
  const Turned turned = this->turned();
  const QSizeF cut = turned.size_of(QSizeF(cut_.size()));
  lay.box = fitted_rect(cut, room);
  if (ways_.zoom > 0 && ways_.zoom * cut.width() < lay.box.width()) {
    const QSizeF size = ways_.zoom * cut;
    lay.box = QRectF(lay.box.center() - QPointF(size.width(), size.height()) / 2.0, size);
  }
  lay.scale = lay.box.width() / std::max(1.0, cut.width());
  lay.to = QTransform::fromTranslate(-cut_.left(), -cut_.top()) * turned.of(QSizeF(cut_.size())) *
           QTransform::fromScale(lay.scale, lay.scale) *
           QTransform::fromTranslate(lay.box.left(), lay.box.top());
  return lay;
}

void LivePlate::draw(QPainter& painter) {
  painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  const Palette& c = Theme::colours();
  if (!shown_.frame || image_.isNull()) {
    paint_empty(painter, QRectF(rect()).adjusted(2, 2, -2, -24),
                camera_.opening() || camera_.looking() ? tr("The picture is on its way.")
                                                       : tr("Nothing is looked at."));
    return;
  }
  const Lay where = lay();
  painter.drawImage(where.box, image_);
  painter.setPen(Theme::line(c.ink, 1.5));
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(where.box);
  painter.setPen(c.faint_ink);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.drawText(QRectF(2, where.box.bottom() + 4, width() - 4.0, 18),
                   Qt::AlignHCenter | Qt::AlignTop,
                   painter.fontMetrics().elidedText(caption(), Qt::ElideRight, width() - 8));
  if (!ways_.marks) {
    return;
  }
  painter.setClipRect(where.box);
  paint_clipped(painter, where);
  painter.setPen(Theme::line(QColor(kOnPicture), 1.5));
  painter.setBrush(Qt::NoBrush);
  paint_limb_ring(painter, where);
  paint_opening(painter, where);
  paint_dust(painter, where);
  paint_cross(painter, where);
  if (camera_.knows_path()) {  // of a clip the scale is not known
    paint_drift(painter, where);
    paint_scale(painter, where);
  }
}

QPointF LivePlate::cross_in_frame() const {
  const image::Frame& frame = *shown_.frame;
  const QPointF middle(0.5 * frame.width, 0.5 * frame.height);
  return camera_.cross() ? *camera_.cross() - QPointF(camera_.corner()) : middle;
}

void LivePlate::paint_opening(QPainter& painter, const Lay& lay) const {
  const auto across = camera_.opening_arcsec();
  const QSizeF sensor = camera_.sensor_px();
  const double radius_px = across ? 0.5 * *across / camera_.setting().imaging.scale_arcsec_px : 0.0;
  if (!across || radius_px > 0.5 * std::hypot(sensor.width(), sensor.height())) {
    return;
  }
  const QPointF middle(0.5 * sensor.width(), 0.5 * sensor.height());
  const QPointF centre = lay.to.map(middle - QPointF(camera_.corner()));
  const double radius = radius_px * lay.scale;
  for (const auto& [colour, width] : {std::pair(kUnderLines, 3.5), std::pair(kOnPicture, 1.5)}) {
    QPen pen = Theme::line(QColor(colour), width);
    pen.setStyle(Qt::DashLine);
    painter.setPen(pen);
    painter.drawEllipse(centre, radius, radius);
  }
  words_over(painter, QRectF(centre.x() - 110, centre.y() - radius + 6, 220, 18), Qt::AlignCenter,
             tr("half of the light"));
}

void LivePlate::paint_dust(QPainter& painter, const Lay& lay) const {
  const auto& dust = shown_.readings.dust;
  if (!dust || still_) {
    return;
  }
  bool named = false;
  for (const live::Speck& speck : *dust) {
    const QPointF at = lay.to.map(QPointF(speck.x_px + 0.5, speck.y_px + 0.5));
    const double radius = std::max(7.0, 0.5 * speck.across_px * lay.scale + 4.0);
    for (const auto& [colour, width] : {std::pair(kUnderLines, 3.0), std::pair(kOnPicture, 1.2)}) {
      QPen pen = Theme::line(QColor(colour), width);
      pen.setStyle(Qt::DotLine);
      painter.setPen(pen);
      painter.drawEllipse(at, radius, radius);
    }
    if (!std::exchange(named, true)) {  // the deepest
      words_over(painter, QRectF(at.x() - 60, at.y() + radius + 2, 120, 18), Qt::AlignCenter,
                 tr("dust"));
    }
  }
}

void LivePlate::paint_cross(QPainter& painter, const Lay& lay) const {
  if (!camera_.cross()) {
    return;
  }
  // Open in the middle: what is held stays in sight.
  const QPointF at = lay.to.map(cross_in_frame());
  twice(painter, 1.5, [&] {
    for (const QPointF way : {QPointF(1, 0), QPointF(-1, 0), QPointF(0, 1), QPointF(0, -1)}) {
      painter.drawLine(at + way * 9.0, at + way * 24.0);
    }
  });
}

void LivePlate::mousePressEvent(QMouseEvent* event) {
  if (!shown_.frame || image_.isNull() || ways_.frozen || still_) {
    return;
  }
  const Lay where = lay();
  const QPointF clicked = at(*event);
  if (event->button() == Qt::RightButton) {
    emit pointedAt(std::nullopt);
  } else if (event->button() == Qt::LeftButton && where.box.contains(clicked)) {
    const QPointF pixel = where.to.inverted().map(clicked) + QPointF(camera_.corner());
    // On the cross itself it takes it away.
    constexpr double kOnIt = 6.0;
    const bool again =
        camera_.cross() && where.scale * std::hypot(pixel.x() - camera_.cross()->x(),
                                                    pixel.y() - camera_.cross()->y()) <
                               kOnIt;
    emit pointedAt(again ? std::nullopt : std::optional(pixel));
  }
}

void LivePlate::keyPressEvent(QKeyEvent* event) {
  if (!shown_.frame || image_.isNull()) {
    Drawing::keyPressEvent(event);
    return;
  }
  // By some pixels of the screen, with Shift by one of the sensor.
  constexpr double kStep = 8.0;
  const bool fine = event->modifiers().testFlag(Qt::ShiftModifier);
  const double step = fine ? 1.0 : std::max(1.0, std::round(kStep / lay().scale));
  QPointF by;
  switch (event->key()) {
    case Qt::Key_Left:
      by = {-step, 0.0};
      break;
    case Qt::Key_Right:
      by = {step, 0.0};
      break;
    case Qt::Key_Up:
      by = {0.0, -step};
      break;
    case Qt::Key_Down:
      by = {0.0, step};
      break;
    case Qt::Key_Delete:
      emit pointedAt(std::nullopt);
      return;
    default:
      Drawing::keyPressEvent(event);
      return;
  }
  // The keys go as the eye sees it.
  const QTransform back = turned().of({}).inverted();
  const QPointF to = cross_in_frame() + back.map(by) - back.map(QPointF());
  emit pointedAt(QPointF(std::clamp(to.x(), 0.0, shown_.frame->width - 1.0),
                         std::clamp(to.y(), 0.0, shown_.frame->height - 1.0)) +
                 QPointF(camera_.corner()));
}

QString LivePlate::caption() const {
  if (!shown_.frame) {
    return camera_.looking() ? tr("The picture is on its way.") : tr("Nothing is looked at.");
  }
  QStringList words;
  words << (camera_.simulated() ? tr("simulated camera: %1").arg(camera_.name()) : camera_.name());
  if (still_ && still_->info.exposure_ms) {
    words << tr("exposed %1").arg(exposure_text(*still_->info.exposure_ms));
  } else if (ways_.frozen) {
    words << tr("held");
  }
  if (camera_.setting().disc_may_clip) {
    words << tr("exposed for prominences");
  }
  words << tr("%1 frames a second").arg(number(shown_.rate_hz, shown_.rate_hz < 2.0 ? 1 : 0))
        << tr("false colour");
  return words.join(QStringLiteral(" \u00b7 "));
}

void LivePlate::paint_clipped(QPainter& painter, const Lay& lay) const {
  constexpr double kSome = 1e-4;
  if (shown_.readings.level.clipped_share < kSome || camera_.setting().disc_may_clip) {
    return;
  }
  // Blocks of the frame in which something is full are hatched.
  const image::Frame& frame = *shown_.frame;
  constexpr double kBlockPx = 8.0;
  const int block = std::max(1, static_cast<int>(std::lround(kBlockPx / lay.scale)));
  QPainterPath full;
  for (int y = cut_.top(); y + block <= cut_.top() + cut_.height(); y += block) {
    for (int x = cut_.left(); x + block <= cut_.left() + cut_.width(); x += block) {
      if (frame.at(x + block / 2, y + block / 2) >= frame.saturation) {
        full.addRect(lay.to.mapRect(QRectF(x, y, block, block)));
      }
    }
  }
  painter.fillPath(full, QBrush(QColor(0x202020), Qt::BDiagPattern));
}

void LivePlate::paint_limb_ring(QPainter& painter, const Lay& lay) const {
  const auto solar = camera_.solar();
  const auto& limb = shown_.readings.limb;
  if (!solar) {
    return;
  }
  const sky::PictureOrientation lies = turned().lies(*solar);
  if (limb) {
    const QPointF centre = lay.to.map(QPointF(limb->centre_x_px + 0.5, limb->centre_y_px + 0.5));
    const double radius = limb->radius_px * lay.scale + 8.0;
    paint_ring(painter, centre, radius, lies);
    paint_sky_north(painter, centre, radius);
    return;
  }
  // Inside the disc: north and east in a corner.
  paint_compass(painter, lay.box.topLeft() + QPointF(48, 48), lies);
}

void LivePlate::paint_sky_north(QPainter& painter, const QPointF& centre, double radius) const {
  const auto celestial = camera_.celestial();
  if (!celestial) {
    return;
  }
  const double angle = turned().lies(*celestial).north_deg * base::kRadPerDeg;
  const QPointF way(std::sin(angle), -std::cos(angle));
  twice(painter, 2.0,
        [&] { painter.drawLine(centre + way * (radius - 4.0), centre + way * (radius - 20.0)); });
  const QPointF at = centre + way * (radius - 34.0);
  words_over(painter, QRectF(at.x() - 50, at.y() - 9, 100, 18), Qt::AlignCenter, tr("sky N"));
}

void LivePlate::paint_drift(QPainter& painter, const Lay& lay) const {
  const auto& drift = shown_.readings.drift;
  if (!drift || drift->arcsec_min() < 2.0 * drift->spread_arcsec_min) {
    return;
  }
  // As far as the picture goes in two minutes, within what can be seen.
  const double per_arcsec = lay.scale / camera_.setting().imaging.scale_arcsec_px;
  const double size = drift->arcsec_min();
  const QPointF way =
      lay.way({drift->right_arcsec_min, drift->down_arcsec_min}) / (size * lay.scale);
  const double length = std::clamp(2.0 * size * per_arcsec, 14.0, 0.3 * lay.box.width());
  const QPointF from = lay.box.center();
  const QPointF to = from + way * length;
  const QPointF side(-way.y(), way.x());
  twice(painter, 2.5, [&] {
    painter.drawLine(from, to);
    painter.drawLine(to, to - way * 9.0 + side * 6.0);
    painter.drawLine(to, to - way * 9.0 - side * 6.0);
  });
  words_over(painter, QRectF(to.x() - 70, to.y() + (way.y() < 0 ? -24 : 6), 140, 18),
             Qt::AlignCenter, tr("%1\u2033 a minute").arg(number(size, 0)));
}

void LivePlate::paint_scale(QPainter& painter, const Lay& lay) const {
  const double earth =
      kEarthKm / kKmPerArcsec / camera_.setting().imaging.scale_arcsec_px * lay.scale;
  int earths = 1;
  while (earth * earths < 40.0 && earths < 64) {
    earths *= 2;
  }
  const double length = earth * earths;
  if (length > 0.8 * lay.box.width()) {
    return;
  }
  const QPointF left = lay.box.bottomLeft() + QPointF(14, -14);
  twice(painter, 2.5, [&] {
    painter.drawLine(left, left + QPointF(length, 0));
    for (const double end : {0.0, length}) {
      painter.drawLine(left + QPointF(end, -4), left + QPointF(end, 4));
    }
  });
  words_over(painter, QRectF(left.x(), left.y() - 24, 220, 18), Qt::AlignLeft | Qt::AlignVCenter,
             tr("%n Earth(s)", nullptr, earths));
}

}  // namespace solarchon::app
