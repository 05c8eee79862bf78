// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/live_camera.h"

#include <QCoreApplication>
#include <QDateTime>
#include <QMetaObject>
#include <QPointer>
#include <QTimeZone>
#include <algorithm>
#include <utility>

#include "app/model/phrases.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/optics/same_light.h"
#include "solarchon/workspace/clips.h"
#include "solarchon/workspace/live.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

namespace {

bool same_picture(const workspace::Workspace& a, const workspace::Workspace& b) {
  return optics::same_light(a.rig, b.rig) && a.site == b.site && a.target == b.target &&
         a.aim == b.aim && a.conditions == b.conditions;
}

}  // namespace

LiveCamera::LiveCamera(std::filesystem::path data, Document& document, ErrorReporter& trouble,
                       QObject* parent)
    : QObject(parent), data_(std::move(data)), document_(document), trouble_(trouble) {
  again_.setSingleShot(true);
  constexpr int kHandRestsMs = 500;
  again_.setInterval(kHandRestsMs);
  connect(&again_, &QTimer::timeout, this, &LiveCamera::look);
  connect(&document_, &Document::changed, this, &LiveCamera::follow_document);
  connect(&worker_, &Worker::busyChanged, this, &LiveCamera::changed);
  connect(&played_, &SimulatedTelescope::ended, this,
          [this](bool /*started*/, const QString& said) {
            // A session that lives sees it by itself.
            if (opening_) {
              forget_opening();
              base::Error problem{base::ErrorCode::kNotFound, "device"};
              problem.reason = base::reported(said.toStdString());
              trouble_.tell(problem);
              emit changed();
            }
          });
  connect(&worker_, &Worker::broke, &trouble_, &ErrorReporter::tell_broken);
}

LiveCamera::~LiveCamera() {
  let_go();
  if (ending_.valid()) {
    take_recorded(ending_.get());  // filed twice it is filed once
  }
}

bool LiveCamera::may_look() const {
  const workspace::Answers& answers = document_.answers();
  return answers.safety.verdict != safety::Severity::kStop && answers.exposure.has_value();
}

std::optional<double> LiveCamera::exposure_in_force() const {
  return exposure_ms_ ? exposure_ms_
                      : workspace::target_exposure_ms(document_.workspace(), document_.answers());
}

void LiveCamera::choose(const CameraChoice& eye) {
  eye_ = eye;
  emit changed();
}

void LiveCamera::look() {
  if (!may_look()) {
    stop();
    return;
  }
  again_.stop();
  const auto setting = workspace::live_setting(document_.workspace(), document_.answers(),
                                               exposure_in_force(), camera::kBlackShare);
  if (!setting) {
    trouble_.tell(setting.error());
    stop();
    return;
  }
  looked_with_ = document_.workspace();
  facts_ = workspace::clip_facts(document_.workspace(), document_.answers());
  focus_depth_um_ = workspace::focuser_scale(document_.workspace(), document_.answers())
                        .value_or(workspace::FocuserScale{})
                        .depth_um;
  constexpr double kArcsecPerArcmin = 60.0;
  opening_arcsec_.reset();
  if (const auto& dims = document_.answers().train.vignetting) {
    opening_arcsec_ = kArcsecPerArcmin * dims->field_arcmin;
  }
  knows_path_ = true;
  if (eye_.kind == CameraChoice::Kind::kSimulated) {
    look_simulated(*setting);
  } else {
    look_outside(*setting);
  }
}

namespace {

/// What the document says of frames that are taken from now on.
capture::Known known_of(const Document& document) {
  const workspace::Workspace& space = document.workspace();
  return {workspace::frame_info(space, document.answers()),
          workspace::solar_orientation_of(space, document.answers())};
}

}  // namespace

void LiveCamera::look_simulated(const live::Setting& setting) {
  const auto socket =
      played_.play(document_.workspace(), document_.answers().time, exposure_in_force(), mount_);
  if (!socket) {
    trouble_.tell(socket.error());
    stop();
    return;
  }
  of_the_document_ = true;
  open([socket = *socket, setting, known = known_of(document_), solar = document_.answers().solar,
        celestial = document_.answers().celestial](const base::Task& task) -> base::Result<Opened> {
    constexpr double kPatience_s = 60.0;  // it draws the first Sun before it answers
    return capture::open_telescope_source(socket, kPatience_s, known, task)
        .map([&](std::unique_ptr<capture::Source> source) {
          return Opened{std::move(source), setting, solar, celestial};
        });
  });
}

void LiveCamera::look_outside(live::Setting setting) {
  stop();
  of_the_document_ = false;
  knows_path_ = true;
  setting.black_level = 0.0;
  setting.clear_level.reset();  // no sky was learned with it
  open([eye = eye_, setting, known = known_of(document_), solar = document_.answers().solar,
        celestial = document_.answers().celestial](const base::Task& task) -> base::Result<Opened> {
    return open_eye(eye, known, task).map([&](std::unique_ptr<capture::Source> source) {
      return Opened{std::move(source), setting, solar, celestial};
    });
  });
}

void LiveCamera::play(const QString& clip) {
  stop();
  of_the_document_ = false;
  knows_path_ = false;
  opening_arcsec_.reset();
  focus_depth_um_ = 0.0;
  facts_ = base::Json{{"source", clip.toStdString()}};
  open([clip, space = document_.workspace(),
        answers = document_.answers()](const base::Task&) -> base::Result<Opened> {
    auto source = capture::open_clip_source(clip.toStdString(), capture::Pace::kOfTheClock);
    if (!source) {
      return tl::make_unexpected(source.error());
    }
    auto setting = workspace::live_setting(space, answers, {}, 0.0).value_or(live::Setting{});
    setting.clear_level.reset();  // nobody knows how it was exposed
    return Opened{*std::move(source), setting, {}, {}};
  });
}

void LiveCamera::open(Opens opens) {
  opening_ = true;
  ++wish_;
  next_ = std::move(opens);
  worker_.cancel();
  begin_next();
  emit changed();
}

void LiveCamera::begin_next() {
  if (worker_.busy() || !next_) {
    return;  // it is begun once the one before has ended
  }
  worker_.start([this, opens = std::exchange(next_, {}),
                 wish = wish_](const base::Task& task) -> Worker::Delivery {
    auto opened = std::make_shared<base::Result<Opened>>(opens(task));
    return [this, opened, wish] {
      if (wish != wish_) {
        begin_next();  // nobody waits for this one any more
        return;
      }
      opening_ = false;
      if (*opened) {
        take_over(std::move(**opened));
      } else {
        trouble_.tell(opened->error());
        emit changed();
      }
    };
  });
}

void LiveCamera::forget_opening() {
  ++wish_;
  next_ = {};
  opening_ = false;
  worker_.cancel();
}

void LiveCamera::let_go() {
  if (!session_) {
    return;
  }
  take_recorded(session_->take_recorded());
  // Its last frame, and what waits for the disk, are not waited for here.
  ending_ = std::async(std::launch::async,
                       [ended = std::move(session_), self = QPointer<LiveCamera>(this)]() mutable {
                         auto left = ended->close();
                         ended.reset();
                         QMetaObject::invokeMethod(
                             qApp,
                             [self, left] {
                               if (self) {
                                 self->take_recorded(left);
                               }
                             },
                             Qt::QueuedConnection);
                         return left;
                       });
}

void LiveCamera::take_recorded(const std::vector<capture::Recorded>& recorded) {
  for (const capture::Recorded& clip : recorded) {
    if (was_in_series_) {  // else the next may go on already
      clip_ = QString::fromStdString(clip.file.string());
    }
    emit clipRecorded(clip.file);
  }
}

void LiveCamera::take_over(Opened opened) {
  let_go();
  played_.stop_earlier();
  region_ = {};
  setting_ = opened.setting;
  solar_ = opened.solar;
  celestial_ = opened.celestial;
  glance_ = {};
  // The call comes on the session's thread; the object may be gone when its turn is here.
  session_ = std::make_unique<capture::Session>(std::move(opened.source), setting_,
                                                [self = QPointer<LiveCamera>(this)] {
                                                  QMetaObject::invokeMethod(
                                                      self.data(),
                                                      [self] {
                                                        if (self) {
                                                          self->take_glance();
                                                        }
                                                      },
                                                      Qt::QueuedConnection);
                                                });
  if (of_the_document_) {
    apply_part();
  }
  emit changed();
}

void LiveCamera::take_glance() {
  if (!session_) {
    return;
  }
  glance_ = session_->glance();
  if (glance_.frame && glance_.frame->info.orientation) {
    // The field turns on some mounts, and half a turn where they go over the meridian.
    const sky::PictureOrientation now = *glance_.frame->info.orientation;
    if (solar_ && celestial_) {
      celestial_->north_deg =
          base::wrap_360(celestial_->north_deg + now.north_deg - solar_->north_deg);
    }
    solar_ = now;
  }
  take_recorded(session_->take_recorded());
  if (of_the_document_ && glance_.hands.focuser) {
    played_.leave(glance_.hands);
  }
  if (std::exchange(was_in_series_, in_series()) && glance_.series && glance_.series->problem &&
      !in_series()) {
    trouble_.tell(*glance_.series->problem);
  }
  const bool now = recording();
  if (std::exchange(was_recording_, now) && !now) {
    if (glance_.recording && glance_.recording->problem) {
      trouble_.tell(*glance_.recording->problem);
    }
    emit recorded();
  } else if (!now && glance_.recording && glance_.recording->problem && !clip_.isEmpty()) {
    trouble_.tell(*glance_.recording->problem);
    clip_.clear();
  }
  if (glance_.ended && glance_.problem) {
    trouble_.tell(*glance_.problem);
  }
  if (glance_.refusal && glance_.refusal != refusal_) {
    trouble_.tell(*glance_.refusal);
  }
  refusal_ = glance_.refusal;
  follow_runs();
  emit changed();
}

void LiveCamera::follow_runs() {
  const auto& tuning = glance_.tuning;
  const bool now = tuning && !capture::over(tuning->stage);
  if (std::exchange(was_tuning_, now) && !now && tuning && tuning->fit && glance_.hands.heater) {
    note_tuning(tuning->fit->step * glance_.hands.heater->step_angstrom, tuning->temperature_c);
  }
}

void LiveCamera::note_tuning(double angstrom, std::optional<double> temperature_c) {
  workspace::Workspace noted = document_.workspace();
  const auto etalon = optics::find_fitted<optics::RearEtalon>(noted.rig);
  if (!etalon || !optics::same_light(noted.rig, looked_with_.rig)) {
    return;  // another light path is in use by now
  }
  const QString how = temperature_c
                          ? tr("found by a run, etalon at %1").arg(celsius(*temperature_c))
                          : tr("found by a run");
  noted.rig.elements[*etalon].care.tuning.push_back(
      {sky::to_iso(sky::utc_date(document_.moment())), angstrom, how.toStdString()});
  document_.edit(tr("Note the tuning that was found"), noted);
}

void LiveCamera::focus_to(double position_um) {
  if (session_) {
    session_->focus_to(position_um);
  }
}

void LiveCamera::tune_to(int step) {
  if (session_) {
    session_->tune_to(step);
  }
}

void LiveCamera::find_focus() {
  if (session_ && glance_.hands.focuser) {
    capture::FocusPlan plan;
    plan.depth_um =
        std::clamp(focus_depth_um_, capture::kDepthRange.low, capture::kDepthRange.high);
    plan.look_s = focus_look_s_;
    session_->run_focus(plan);
  }
}

void LiveCamera::find_line() {
  if (session_ && glance_.hands.heater) {
    session_->run_tuning({});
  }
}

void LiveCamera::climb_exposures() {
  const auto middle_ms = exposure_in_force();
  const auto sensor = optics::sensor_of(document_.workspace().rig);
  if (!session_ || !session_->card().exposes || !middle_ms || !sensor || recording() ||
      in_series()) {
    return;
  }
  capture::ExposurePlan plan;
  plan.shutter_ms = {sensor->camera.shortest_exposure_ms, sensor->camera.longest_exposure_ms};
  plan.middle_ms = std::clamp(*middle_ms, plan.shutter_ms.low, plan.shutter_ms.high);
  session_->run_exposures(plan);
}

void LiveCamera::look_at_mark(int mark) {
  if (session_) {
    capture::TuningPlan plan;
    plan.look_s = 0.5 * focus_look_s_;
    session_->look_at_mark(mark, plan);
  }
}

bool LiveCamera::tuned_by_hand() const {
  return session_ && knows_path_ && document_.answers().train.band.line && !glance_.hands.heater;
}

void LiveCamera::stop_run() {
  if (session_) {
    session_->stop_run();
  }
}

void LiveCamera::stop() {
  again_.stop();
  forget_opening();
  if (of_the_document_) {
    played_.stop();
  }
  if (!session_) {
    emit changed();
    return;
  }
  const bool was = recording();
  let_go();  // what was recorded is closed with it
  was_recording_ = false;
  glance_ = {};
  if (was) {
    emit recorded();
  }
  emit changed();
}

void LiveCamera::ride_on(const std::optional<std::filesystem::path>& mount) {
  if (mount == mount_) {
    return;
  }
  mount_ = mount;
  if (of_the_document_ && (session_ || opening_) && !recording() && !in_series()) {
    again_.start();
  }
}

void LiveCamera::follow_document() {
  if (!of_the_document_ || (!session_ && !opening_)) {
    return;
  }
  if (!may_look()) {
    stop();
    return;
  }
  const workspace::Workspace& now = document_.workspace();
  const bool same = same_picture(now, looked_with_);
  if (!same && !recording() && !in_series()) {
    looked_with_ = now;
    again_.start();
  }
}

QString LiveCamera::name() const {
  if (!session_) {
    return {};
  }
  const auto sensor = optics::sensor_of(looked_with_.rig);
  if (!of_the_document_ || !sensor) {
    return QString::fromStdString(session_->card().name);
  }
  const QString camera = text(looked_with_.rig.elements[sensor->element].name);
  return glance_.hands.heater ? tr("%1, its heater %2 times quicker")
                                    .arg(camera, number(played_.heater_quicker(), 0))
                              : camera;
}

bool LiveCamera::simulated() const { return session_ && session_->card().simulated; }

void LiveCamera::expose(std::optional<double> exposure_ms) {
  exposure_ms_ = exposure_ms;
  if (!session_ || !session_->card().exposes || in_series()) {
    return;
  }
  const auto wanted = exposure_in_force();
  if (const auto sensor = optics::sensor_of(document_.workspace().rig); sensor && wanted) {
    const base::Range range{sensor->camera.shortest_exposure_ms,
                            sensor->camera.longest_exposure_ms};
    if (const auto can = base::checked("exposure_ms", *wanted, range); !can) {
      trouble_.tell(can.error());
      return;
    }
  }
  const auto setting = workspace::live_setting(document_.workspace(), document_.answers(), wanted,
                                               setting_.black_level);
  if (wanted && setting) {
    const bool sky_known = setting_.clear_level.has_value();
    setting_ = *setting;
    if (!sky_known) {
      setting_.clear_level.reset();
    }
    session_->expose(*wanted, setting_);
  }
}

bool LiveCamera::recording() const {
  return session_ && glance_.recording && !glance_.recording->problem &&
         !(glance_.recording->full && glance_.recording->waiting == 0) &&
         !glance_.recording->closed;
}

std::optional<std::filesystem::path> LiveCamera::next_clip() {
  // A clip of a rehearsal belongs to the day that it shows.
  const bool tells = glance_.frame && glance_.frame->info.time;
  const QDateTime now =
      tells ? QDateTime::fromMSecsSinceEpoch(glance_.frame->info.time->unix_ms, QTimeZone::utc())
            : QDateTime::currentDateTimeUtc();
  const std::filesystem::path folder =
      workspace::clips_folder(data_) / now.toString("yyyy-MM-dd").toStdString();
  if (const auto made = base::make_folder(folder); !made) {
    trouble_.tell(made.error());
    return std::nullopt;
  }
  const std::string name = now.toString("HHmmss-zzz").toStdString();
  std::filesystem::path stem = folder / name;
  std::error_code ignored;
  for (int i = 2; std::filesystem::exists(stem.string() + ".fits", ignored); ++i) {
    stem = folder / (name + "-" + std::to_string(i));
  }
  return stem;
}

void LiveCamera::record(const RecordWish& wish) {
  if (!session_ || recording() || in_series()) {
    return;
  }
  auto file = next_clip();
  if (!file) {
    return;
  }
  *file += ".fits";
  capture::RecordPlan plan;
  plan.file = *file;
  plan.seconds = wish.seconds;
  plan.frames = wish.frames;
  plan.bytes = wish.bytes;
  plan.above_share = wish.above_share;
  plan.sidecar = facts_;
  clip_ = QString::fromStdString(plan.file.string());
  glance_.recording = capture::RecordState{};
  was_recording_ = true;
  session_->record(std::move(plan));
  emit changed();
}

void LiveCamera::run_series(capture::SeriesPlan plan) {
  if (!session_ || recording() || in_series()) {
    return;
  }
  const auto stem = next_clip();
  if (!stem) {
    return;
  }
  plan.folder = stem->parent_path();
  plan.stem = stem->filename().string();
  base::Json facts = facts_.get();
  facts.update(plan.sidecar.get());
  plan.sidecar = std::move(facts);
  if (plan.hold && cross_) {
    plan.hold->x_px = cross_->x() - region_.left_px;
    plan.hold->y_px = cross_->y() - region_.top_px;
  }
  glance_.series = capture::SeriesState{};
  was_in_series_ = true;
  session_->run_series(std::move(plan));
  emit changed();
}

bool LiveCamera::in_series() const {
  return session_ && glance_.series && !capture::over(glance_.series->stage) && !glance_.ended;
}

void LiveCamera::set_cross(const std::optional<QPointF>& pixel) {
  cross_ = pixel;
  if (part_ < 1.0) {
    apply_part();
  }
  emit changed();
}

void LiveCamera::read_part(double share) {
  part_ = std::clamp(share, 0.1, 1.0);
  apply_part();
  emit changed();
}

void LiveCamera::apply_part() {
  if (!session_ || !session_->card().regions || recording() || in_series()) {
    return;
  }
  const capture::SourceCard& card = session_->card();
  const QPointF middle = cross_.value_or(QPointF(0.5 * card.width, 0.5 * card.height));
  const image::Rectangle region =
      devices::part_about(card.width, card.height, part_, middle.x(), middle.y());
  if (region != region_) {
    region_ = region;
    session_->read_region(region_);
  }
}

void LiveCamera::stop_recording() {
  if (session_) {
    session_->stop_recording();
  }
}

}  // namespace solarchon::app
