// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/live_camera.h"

#include <QDateTime>
#include <QMetaObject>
#include <QPointer>
#include <algorithm>
#include <utility>

#include "solarchon/base/file.h"
#include "solarchon/match/clip.h"
#include "solarchon/workspace/live.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

namespace {

/// A screen shows no more, and the machine has other things to do.
constexpr double kMostHz = 20.0;

double rate_of(const optics::Camera& camera, double exposure_ms) {
  const match::FrameRate rate =
      match::frame_rate(camera, {camera.width_px, camera.height_px}, exposure_ms);
  return std::clamp(rate.hz, 0.5, kMostHz);
}

}  // namespace

LiveCamera::LiveCamera(std::filesystem::path data, Document& document, Trouble& trouble,
                       QObject* parent)
    : QObject(parent), data_(std::move(data)), document_(document), trouble_(trouble) {
  again_.setSingleShot(true);
  constexpr int kHandRestsMs = 500;
  again_.setInterval(kHandRestsMs);
  connect(&again_, &QTimer::timeout, this, &LiveCamera::look);
  connect(&document_, &Document::changed, this, &LiveCamera::follow_document);
  connect(&worker_, &Worker::busyChanged, this, &LiveCamera::changed);
  connect(&worker_, &Worker::broke, &trouble_, &Trouble::tell_broken);
}

LiveCamera::~LiveCamera() = default;

bool LiveCamera::may_look() const {
  const workspace::Answers& answers = document_.answers();
  return answers.safety.verdict != safety::Severity::kStop && answers.exposure.has_value();
}

void LiveCamera::look() {
  if (!may_look()) {
    stop();
    return;
  }
  if (worker_.busy()) {
    worker_.cancel();
    again_.start();
    return;
  }
  of_the_document_ = true;
  looked_with_ = document_.workspace();
  facts_ = workspace::clip_facts(document_.workspace(), document_.answers());
  open([space = document_.workspace(), answers = document_.answers(), exposure = exposure_ms_,
        seed = ++seed_](const base::Task& task) -> base::Result<Opened> {
    const auto plan = workspace::stream_plan(space, answers, exposure, seed);
    if (!plan) {
      return tl::make_unexpected(plan.error());
    }
    const auto sensor = optics::sensor_of(space.rig);
    const double exposure_ms = plan->shot.exposure_ms;
    const auto setting = workspace::live_setting(space, answers, exposure_ms, camera::kBlackShare);
    if (!setting) {
      return tl::make_unexpected(setting.error());
    }
    auto source = capture::open_sun_source(*plan, rate_of(sensor->camera, exposure_ms),
                                           capture::Pace::kOfTheClock, task);
    return std::move(source).map([&](std::unique_ptr<capture::Source> opened) {
      return Opened{std::move(opened), *setting, answers.solar};
    });
  });
}

void LiveCamera::play(const QString& clip) {
  stop();
  of_the_document_ = false;
  facts_ = {{"source", clip.toStdString()}};
  open([clip, space = document_.workspace(),
        answers = document_.answers()](const base::Task&) -> base::Result<Opened> {
    auto source = capture::open_clip_source(clip.toStdString(), capture::Pace::kOfTheClock);
    if (!source) {
      return tl::make_unexpected(source.error());
    }
    auto setting = workspace::live_setting(space, answers, {}, 0.0).value_or(live::Setting{});
    setting.clear_level.reset();  // nobody knows how it was exposed
    return Opened{*std::move(source), setting, {}};
  });
}

void LiveCamera::open(std::function<base::Result<Opened>(const base::Task&)> opens) {
  worker_.start([this, opens = std::move(opens)](const base::Task& task) -> Worker::Delivery {
    auto opened = std::make_shared<base::Result<Opened>>(opens(task));
    return [this, opened] {
      if (*opened) {
        take_over(std::move(**opened));
      } else {
        trouble_.tell(opened->error());
        emit changed();
      }
    };
  });
  emit changed();
}

void LiveCamera::let_go() {
  if (session_) {
    // Its last frame, and what waits for the disk, are not waited for here.
    ending_ =
        std::async(std::launch::async, [ended = std::move(session_)]() mutable { ended.reset(); });
  }
}

void LiveCamera::take_over(Opened opened) {
  let_go();
  setting_ = opened.setting;
  solar_ = opened.solar;
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
  emit changed();
}

void LiveCamera::take_glance() {
  if (!session_) {
    return;
  }
  glance_ = session_->glance();
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
  emit changed();
}

void LiveCamera::stop() {
  again_.stop();
  worker_.cancel();
  if (!session_) {
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

void LiveCamera::follow_document() {
  if (!of_the_document_ || (!session_ && !worker_.busy())) {
    return;
  }
  if (!may_look()) {
    stop();
    return;
  }
  const workspace::Workspace& now = document_.workspace();
  const bool same = now.rig == looked_with_.rig && now.site == looked_with_.site &&
                    now.target == looked_with_.target && now.aim == looked_with_.aim &&
                    now.conditions == looked_with_.conditions;
  if (!same && !recording()) {
    looked_with_ = now;
    again_.start();
  }
}

QString LiveCamera::name() const {
  return session_ ? QString::fromStdString(session_->card().name) : QString();
}

bool LiveCamera::simulated() const { return session_ && session_->card().simulated; }

void LiveCamera::expose(std::optional<double> exposure_ms) {
  exposure_ms_ = exposure_ms;
  if (!session_ || !session_->card().exposes) {
    return;
  }
  const auto wanted =
      exposure_ms ? exposure_ms
                  : workspace::target_exposure_ms(document_.workspace(), document_.answers());
  const auto setting = workspace::live_setting(document_.workspace(), document_.answers(), wanted,
                                               camera::kBlackShare);
  if (wanted && setting) {
    setting_ = *setting;
    session_->expose(*wanted, setting_);
  }
}

bool LiveCamera::recording() const {
  return session_ && glance_.recording && !glance_.recording->problem &&
         !(glance_.recording->full && glance_.recording->waiting == 0) &&
         !glance_.recording->closed;
}

void LiveCamera::record(std::optional<double> seconds, std::optional<double> above_share) {
  if (!session_ || recording()) {
    return;
  }
  const QDateTime now = QDateTime::currentDateTimeUtc();
  const std::filesystem::path folder = data_ / "clips" / now.toString("yyyy-MM-dd").toStdString();
  if (const auto made = base::make_folder(folder); !made) {
    trouble_.tell(made.error());
    return;
  }
  capture::RecordPlan plan;
  plan.file = folder / (now.toString("HHmmss-zzz").toStdString() + ".fits");
  plan.seconds = seconds;
  plan.above_share = above_share;
  plan.sidecar = facts_;
  clip_ = QString::fromStdString(plan.file.string());
  glance_.recording = capture::RecordState{};
  was_recording_ = true;
  session_->record(std::move(plan));
  emit changed();
}

void LiveCamera::stop_recording() {
  if (session_) {
    session_->stop_recording();
  }
}

}  // namespace solarchon::app
