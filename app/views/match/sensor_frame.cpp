// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/sensor_frame.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/eye_image.h"
#include "app/shell/frame_image.h"
#include "app/shell/theme.h"
#include "solarchon/base/angle.h"
#include "solarchon/camera/eyepiece.h"
#include "solarchon/camera/simulate.h"
#include "solarchon/camera/stream.h"
#include "solarchon/workspace/live.h"

namespace solarchon::app {

namespace {

/// Why there is no picture.
QString reason_for(const base::Error& error) {
  if (error.field == "time") {
    return SensorFrame::tr("The Sun is below the horizon at this time");
  }
  return SensorFrame::tr("Needs a telescope and a camera behind it");
}

constexpr std::uint32_t kPreviewSeed = 7;
constexpr std::uint32_t kSunSeed = 1;
constexpr int kFrameMargin = 28;
constexpr int kQuickSide = 380;  // pixels of the picture while now is dragged
constexpr double kClosest = 16.0;
constexpr double kZoomStep = 1.25;

/// The part of the sensor that is looked at, as a sensor of its own.
camera::Shot part_of(camera::Shot shot, double zoom, const QPointF& middle,
                     const sky::PictureOrientation& solar, double scale_arcsec_px) {
  const auto sensor = optics::sensor_of(shot.rig);
  if (!sensor || zoom <= 1.0) {
    return shot;
  }
  const int width = sensor->camera.width_px;
  const int height = sensor->camera.height_px;
  const sky::DiscPlace off = sky::to_disc(
      {(middle.x() - 0.5) * width * scale_arcsec_px, (0.5 - middle.y()) * height * scale_arcsec_px},
      solar);
  shot.target.west_arcsec += off.west_arcsec;
  shot.target.north_arcsec += off.north_arcsec;
  optics::Part& part = shot.rig.elements[sensor->element].part;
  optics::set_parameter(part, "width_px", std::max(16.0, std::round(width / zoom)));
  optics::set_parameter(part, "height_px", std::max(16.0, std::round(height / zoom)));
  return shot;
}

/// A share of the field that an eye's picture keeps clear round it.
constexpr double kEyeShare = 0.98;

/// What is wished of a picture besides workspace and answers.
struct Wish {
  WhatIf what;
  double air_s = 0.0;
  double zoom = 1.0;
  QPointF middle;
  int longest_px = kQuickSide;
};

camera::Shot wished(camera::Shot shot, const workspace::Answers& answers, const Wish& wish) {
  shot.pointing_spread_px = 0.0;
  shot.detune_angstrom = wish.what.detune_angstrom;
  shot.defocus_um = wish.what.defocus_um;
  shot.cloud.stops = wish.what.cloud_stops;
  if (wish.what.moving_air) {
    shot.air = seeing::Air{};
    shot.air->r0_cm =
        std::clamp(seeing::r0_of(shot.seeing_arcsec, answers.train.band.wavelength_nm),
                   seeing::kR0Range.low, seeing::kR0Range.high);
  }
  return camera::binned(part_of(std::move(shot), wish.zoom, wish.middle, answers.solar,
                                *answers.train.sampling_arcsec_px),
                        wish.longest_px);
}

}  // namespace

/// Frames of moving air, of which the Sun is drawn once as long as nothing else is wished.
class MovingAir {
 public:
  base::Result<camera::Recording> frame(camera::Shot shot, double seconds, const base::Task& task) {
    // One Sun does for a while; the next wish of another minute opens anew.
    constexpr double kSunStepS = 600.0;
    // The clock goes on: within a minute the Sun is the same, and stands where it stood.
    constexpr double kSameSunS = 60.0;
    const bool goes_on = stream_ && stream_->shot().rig == shot.rig &&
                         std::abs(sky::in_seconds(shot.time - stream_->shot().time)) < kSameSunS;
    if (goes_on) {
      const sky::DiscPlace& stood = stream_->shot().target;
      constexpr double kSamePlaceArcsec = 2.0;
      if (std::hypot(stood.west_arcsec - shot.target.west_arcsec,
                     stood.north_arcsec - shot.target.north_arcsec) < kSamePlaceArcsec) {
        shot.target = stood;
      }
    }
    const auto ready =
        goes_on ? stream_->change(shot, task)
                : camera::Stream::open({shot, {}, kSunStepS}, task).map([&](camera::Stream opened) {
                    stream_.emplace(std::move(opened));
                  });
    if (!ready) {
      return tl::make_unexpected(ready.error());
    }
    camera::Recording recording;
    return stream_->record(seconds, recording, task).map([&] { return recording; });
  }

 private:
  std::optional<camera::Stream> stream_;
};

QString words_for(const workspace::Thing& thing) {
  switch (thing.kind) {
    case workspace::Target::kProminence:
      return SensorFrame::tr("Prominence, %1 km high").arg(number(thing.weight, 0));
    case workspace::Target::kFilament:
      return SensorFrame::tr("Filament, %1 km long").arg(number(1000.0 * thing.weight, 0));
    case workspace::Target::kLargestSpot:
      return SensorFrame::tr("Spot group, %1 millionths").arg(number(thing.weight, 0));
    default:
      return name_of(thing.kind);
  }
}

SensorFrame::SensorFrame(Document& document, QWidget* parent, Path path)
    : Drawing(parent), document_(document), path_(path) {
  setObjectName(path == Path::kInUse ? QStringLiteral("sensor-frame")
                                     : QStringLiteral("compared-frame"));
  setAccessibleName(path == Path::kInUse ? tr("The Sun on the sensor")
                                         : tr("The Sun on the sensor of the second light path"));
  setMouseTracking(true);
  setFocusPolicy(Qt::StrongFocus);
  moving_air_ = std::make_shared<MovingAir>();
  air_clock_.start();
}

SensorFrame::Shown SensorFrame::shown() const {
  const workspace::Answers& answers = document_.answers();
  if (path_ == Path::kInUse || !document_.workspace().compared) {
    return {&document_.workspace().rig, answers.train, answers.celestial, answers.solar};
  }
  const optics::Rig& rig = *document_.workspace().compared;
  Shown other{
      &rig,
      optics::follow_light(rig, answers.sun.semidiameter_arcsec(),
                           workspace::observer_of(document_.workspace()).weather.pressure_hpa),
      {},
      {}};
  other.celestial = workspace::celestial_orientation(rig, other.train, answers.tube_up_deg);
  other.solar = sky::solar_orientation(other.celestial, answers.disc.p_deg);
  return other;
}

void SensorFrame::follow() { request(Haste::kFine); }

void SensorFrame::try_out(const WhatIf& what) {
  if (!(what == what_)) {
    what_ = what;
    request(Haste::kFine);
  }
}

void SensorFrame::show_mosaic(const std::optional<match::Mosaic>& mosaic,
                              const QSizeF& panel_arcsec) {
  mosaic_ = mosaic;
  panel_arcsec_ = panel_arcsec;
  update();
}

void SensorFrame::request(Haste haste) {
  workspace::Workspace space = document_.workspace();
  workspace::Answers answers = document_.answers();
  if (path_ == Path::kCompared && space.compared) {
    space.rig = *space.compared;
    answers = workspace::answer(space, answers.time, answers.sun);
  }
  if (answers.safety.verdict == safety::Severity::kStop) {
    show_problem(what_can_happen(answers.safety.findings.front()));
    return;
  }
  problem_.clear();
  if (eye_looks()) {
    request_eye(std::move(space), std::move(answers));
    return;
  }
  eye_words_.clear();
  if (!wishes_.settled()) {
    haste = Haste::kQuick;  // the hand is still moving
  }
  const int fine = std::max(kQuickSide, std::max(width(), height()) - 2 * kFrameMargin);
  const Wish wish{what_, 0.001 * static_cast<double>(air_clock_.elapsed()), zoom_, middle_,
                  haste == Haste::kQuick ? kQuickSide : fine};
  // Even where the target stands is asked there: finding it may take some tenths of a second.
  wishes_.wish([this, haste, wish, air = moving_air_, space = std::move(space),
                answers = std::move(answers)](const base::Task& task) -> Worker::Delivery {
    auto shot = workspace::shot_for(space, answers, std::nullopt, kPreviewSeed);
    if (!shot) {
      return [this, words = reason_for(shot.error())] { show_problem(words); };
    }
    const sky::DiscPlace aim = shot->target;
    const camera::Shot asked = wished(*std::move(shot), answers, wish);
    const auto recording =
        wish.what.moving_air ? air->frame(asked, wish.air_s, task) : camera::simulate(asked, task);
    if (!recording) {
      return [this, words = error_text(recording.error())] { show_problem(words); };
    }
    const int side = std::max(recording->frame.width, recording->frame.height);
    auto things =
        workspace::things_to_see(answers.time, answers.disc, scene::SyntheticSun(kSunSeed));
    return [this, haste, aim, image = frame_image(recording->frame, side),
            things = std::move(things)]() mutable {
      if (!problem_.isEmpty()) {
        return;  // the light path was stopped meanwhile
      }
      aim_ = aim;
      image_ = image;
      things_ = std::move(things);
      update();
      if ((haste == Haste::kQuick || what_.moving_air) && !wishes_.waiting() && isVisible()) {
        request(Haste::kFine);
      }
      emit pictureChanged();
    };
  });
}

bool SensorFrame::eye_looks() const {
  const Shown path = shown();
  return path.train.look && !optics::sensor_of(*path.rig);
}

void SensorFrame::request_eye(workspace::Workspace space, workspace::Answers answers) {
  zoom_ = 1.0;
  middle_ = {0.5, 0.5};
  const int side = std::clamp(std::min(width(), height()) - 2 * kFrameMargin, 200, 900);
  wishes_.wish([this, side, what = what_, space = std::move(space),
                answers = std::move(answers)](const base::Task& task) -> Worker::Delivery {
    auto shot = workspace::eye_shot(space, answers);
    if (!shot) {
      return [this, words = reason_for(shot.error())] { show_problem(words); };
    }
    shot->detune_angstrom = what.detune_angstrom;
    shot->defocus_um = what.defocus_um;
    shot->cloud.stops = what.cloud_stops;
    const auto sight = camera::look_through(*shot, side, task);
    if (!sight) {
      return [this, words = error_text(sight.error())] { show_problem(words); };
    }
    auto things =
        workspace::things_to_see(answers.time, answers.disc, scene::SyntheticSun(kSunSeed));
    return [this, aim = shot->target, image = eye_image(*sight), words = glare_words(*sight),
            shadow = sight->shadow_seen, things = std::move(things)]() mutable {
      if (!problem_.isEmpty()) {
        return;  // the light path was stopped meanwhile
      }
      aim_ = aim;
      image_ = image;
      eye_words_ = shadow
                       ? tr("%1 The dark middle is the shadow of the secondary mirror.").arg(words)
                       : words;
      things_ = std::move(things);
      setAccessibleDescription(eye_words_);
      update();
      emit pictureChanged();
    };
  });
}

void SensorFrame::show_problem(const QString& words) {
  problem_ = words;
  image_ = {};
  things_.clear();
  setAccessibleDescription(words);
  update();
}

QRectF SensorFrame::frame_rect() const {
  const auto sensor = optics::sensor_of(*shown().rig);
  const QRectF room =
      QRectF(rect()).adjusted(kFrameMargin, kFrameMargin, -kFrameMargin, -kFrameMargin);
  if (!sensor) {
    return eye_looks() ? fitted_rect(QSizeF(1.0, 1.0), room) : room;
  }
  return fitted_rect(QSizeF(sensor->camera.width_px, sensor->camera.height_px), room);
}

double SensorFrame::arcsec_per_unit() const {
  const Shown path = shown();
  const auto sensor = optics::sensor_of(*path.rig);
  if (!sensor && path.train.look) {
    return base::kArcsecPerDeg * path.train.look->true_field_deg / kEyeShare / frame_rect().width();
  }
  if (!sensor || !path.train.sampling_arcsec_px) {
    return 1.0;
  }
  return sensor->camera.width_px * *path.train.sampling_arcsec_px / frame_rect().width() / zoom_;
}

QPointF SensorFrame::point_of(const sky::DiscPlace& place) const {
  const Shown path = shown();
  const QRectF box = frame_rect();
  const double scale = arcsec_per_unit();
  const sky::PictureOffset off = sky::to_picture(
      {place.west_arcsec - aim_.west_arcsec, place.north_arcsec - aim_.north_arcsec}, path.solar);
  const QPointF from_middle((0.5 - middle_.x()) * box.width() * zoom_,
                            (0.5 - middle_.y()) * box.height() * zoom_);
  return box.center() + from_middle + QPointF(off.right / scale, -off.up / scale);
}

void SensorFrame::draw(QPainter& painter) {
  painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  const Palette& c = Theme::colours();
  const QRectF box = frame_rect();
  QPainterPath edge;
  if (eye_looks() && problem_.isEmpty()) {
    const double clear = 0.5 * (1.0 - kEyeShare) * box.width();
    edge.addEllipse(box.adjusted(clear, clear, -clear, -clear));
  } else {
    edge.addRect(box);
  }
  painter.fillPath(edge, QColor(0, 0, 0));
  painter.save();
  painter.setClipPath(edge);
  if (!problem_.isEmpty()) {
    painter.setPen(kOnSun);
    painter.drawText(box.adjusted(24, 24, -24, -24), Qt::AlignCenter | Qt::TextWordWrap, problem_);
  } else if (!image_.isNull()) {
    painter.drawImage(box, image_);
  }
  painter.restore();
  painter.setPen(Theme::line(c.ink, 2.0));
  painter.setBrush(Qt::NoBrush);
  painter.drawPath(edge);
  const Shown path = shown();
  if (eye_looks()) {
    draw_eye_marks(painter, box, path);
  } else if (path.train.field_width_arcmin) {
    draw_frame_marks(painter, box, path);
  } else {
    return;
  }
  if (!image_.isNull()) {
    painter.save();
    painter.setClipRect(box);
    draw_mosaic(painter, box);
    draw_target(painter);
    draw_things(painter, box);
    painter.restore();
  }
}

const workspace::Thing* SensorFrame::thing_near(const QPointF& point) const {
  const workspace::Thing* nearest = nullptr;
  constexpr double kReach = 26.0;
  double least = kReach;
  const bool line = shown().train.band.line;
  for (const workspace::Thing& thing : things_) {
    const match::TargetNeed need = match::need_of(thing.kind, 960.0);
    if ((need.hydrogen_alpha && !line) || (need.white_light && line)) {
      continue;
    }
    const QPointF off = point_of(thing.place) - point;
    const double far =
        std::hypot(off.x(), off.y()) - std::min(40.0, 0.3 * thing.size_arcsec / arcsec_per_unit());
    if (far < least) {
      least = far;
      nearest = &thing;
    }
  }
  return nearest;
}

void SensorFrame::point_at(const workspace::Thing& thing) {
  workspace::Workspace next = document_.workspace();
  next.target = thing.kind;
  next.aim = thing.place;
  middle_ = {0.5, 0.5};
  document_.edit(tr("Point at: %1").arg(words_for(thing)), next);
}

void SensorFrame::look_closer(double factor, const QPointF& about) {
  const QRectF box = frame_rect();
  const double next = std::clamp(zoom_ * factor, 1.0, kClosest);
  // What lies under the pointer stays there.
  const QPointF share((about.x() - box.left()) / box.width() - 0.5,
                      (about.y() - box.top()) / box.height() - 0.5);
  middle_ += share * (1.0 / zoom_ - 1.0 / next);
  zoom_ = next;
  keep_inside();
  request(Haste::kFine);
  update();
}

void SensorFrame::move_by(const QPointF& units) {
  const QRectF box = frame_rect();
  middle_ -= QPointF(units.x() / box.width(), units.y() / box.height()) / zoom_;
  keep_inside();
  request(Haste::kFine);
}

void SensorFrame::keep_inside() {
  const double room = 0.5 - 0.5 / zoom_;
  middle_ = {std::clamp(middle_.x(), 0.5 - room, 0.5 + room),
             std::clamp(middle_.y(), 0.5 - room, 0.5 + room)};
}

void SensorFrame::wheelEvent(QWheelEvent* event) {
  if (!problem_.isEmpty() || eye_looks() || event->angleDelta().y() == 0) {
    event->ignore();
    return;
  }
  look_closer(event->angleDelta().y() > 0 ? kZoomStep : 1.0 / kZoomStep, at(*event));
  event->accept();
}

void SensorFrame::mousePressEvent(QMouseEvent* event) {
  if (event->button() == Qt::LeftButton) {
    pressed_ = at(*event);
    dragged_ = false;
  }
}

void SensorFrame::mouseMoveEvent(QMouseEvent* event) {
  pointer_ = at(*event);
  if (pressed_) {
    const QPointF moved = *pointer_ - *pressed_;
    constexpr double kDrag = 4.0;
    if (dragged_ || std::hypot(moved.x(), moved.y()) > kDrag) {
      dragged_ = true;
      move_by(moved);
      pressed_ = pointer_;
    }
  }
  setCursor(dragged_                                          ? Qt::ClosedHandCursor
            : thing_near(*pointer_) != nullptr                ? Qt::PointingHandCursor
            : zoom_ > 1.0 && frame_rect().contains(*pointer_) ? Qt::OpenHandCursor
                                                              : Qt::ArrowCursor);
  update();
}

void SensorFrame::mouseReleaseEvent(QMouseEvent* event) {
  if (pressed_ && !dragged_ && event->button() == Qt::LeftButton) {
    if (const workspace::Thing* thing = thing_near(at(*event))) {
      const workspace::Thing chosen = *thing;
      pressed_.reset();
      point_at(chosen);
    }
  }
  pressed_.reset();
  dragged_ = false;
  update();
}

void SensorFrame::leaveEvent(QEvent* event) {
  pointer_.reset();
  update();
  QWidget::leaveEvent(event);
}

void SensorFrame::keyPressEvent(QKeyEvent* event) {
  if (eye_looks()) {
    QWidget::keyPressEvent(event);
    return;
  }
  constexpr double kNudge = 40.0;
  switch (event->key()) {
    case Qt::Key_Plus:
    case Qt::Key_Equal:
      look_closer(kZoomStep, frame_rect().center());
      return;
    case Qt::Key_Minus:
      look_closer(1.0 / kZoomStep, frame_rect().center());
      return;
    case Qt::Key_0:
      look_closer(1.0 / kClosest, frame_rect().center());
      return;
    case Qt::Key_Left:
      move_by({kNudge, 0.0});
      return;
    case Qt::Key_Right:
      move_by({-kNudge, 0.0});
      return;
    case Qt::Key_Up:
      move_by({0.0, kNudge});
      return;
    case Qt::Key_Down:
      move_by({0.0, -kNudge});
      return;
    default:
      QWidget::keyPressEvent(event);
  }
}

void SensorFrame::resizeEvent(QResizeEvent* event) {
  QWidget::resizeEvent(event);
  if (isVisible()) {
    follow();
  }
}

}  // namespace solarchon::app
