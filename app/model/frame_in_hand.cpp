// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/frame_in_hand.h"

#include <QDateTime>
#include <chrono>
#include <utility>

#include "app/model/phrases.h"
#include "solarchon/workspace/demo.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

FrameInHand::FrameInHand(std::filesystem::path data, LogQueue& queue, Log& log, Trouble& trouble,
                         QObject* parent)
    : QObject(parent),
      data_(std::move(data)),
      queue_(queue),
      log_(log),
      trouble_(trouble),
      seed_(static_cast<std::uint32_t>(QDateTime::currentSecsSinceEpoch())) {
  connect(&worker_, &Worker::broke, &trouble_, &Trouble::tell_broken);
}

void FrameInHand::start(Worker::Work work) {
  if (!worker_.start(std::move(work))) {
    trouble_.tell(tr("Other work is not done yet; wait for it or cancel it first."));
  }
}

void FrameInHand::show(std::shared_ptr<const ShownFrame> frame) {
  shown_ = std::move(frame);
  emit shownChanged();
}

void FrameInHand::take(const workspace::Workspace& workspace, const workspace::Answers& answers) {
  auto shot = workspace::shot_for(workspace, answers, exposure_ms_, ++seed_);
  if (!shot) {
    trouble_.tell(shot.error());
    return;
  }
  // Another site, rig or target is another session; so is another day.
  log::SessionStart begin = workspace::session_start(workspace, answers.time);
  const bool same_day =
      session_start_ &&
      std::chrono::abs(begin.started - session_start_->started) < sky::hours(12.0);
  if (same_day) {
    begin.started = session_start_->started;
  }
  const bool continues = same_day && begin == *session_start_;
  const auto session = continues ? session_ : std::nullopt;
  start([this, workspace, shot = std::move(*shot), session, begin, data = data_,
         with_log = queue_.with_log()](const base::Task& task) -> Worker::Delivery {
    auto taken = workspace::take_frame(workspace, shot, with_log, session, data, task);
    if (!taken) {
      return [this, error = taken.error()] { trouble_.tell(error); };
    }
    auto shown = std::make_shared<ShownFrame>();
    shown->frame = std::move(taken->recording.frame);
    shown->measurement = std::move(taken->measurement);
    shown->file = QString::fromStdString((data / taken->entry.file).string());
    if (taken->not_measured) {
      shown->problem = error_text(*taken->not_measured);
    }
    return [this, shown, begin, id = taken->session] {
      session_ = id;
      session_start_ = begin;
      emit filed(id);
      show(shown);
      log_.reload();
    };
  });
}

void FrameInHand::open(const QString& file) {
  start([this, file](const base::Task& task) -> Worker::Delivery {
    auto frame = frames::read_frame(file.toStdString());
    if (!frame) {
      return [this, error = frame.error()] { trouble_.tell(error); };
    }
    auto shown = std::make_shared<ShownFrame>();
    shown->file = file;
    shown->frame = std::move(*frame);
    auto measured = measure::measure_disc(shown->frame, {}, task);
    if (!measured && measured.error().code == base::ErrorCode::kCancelled) {
      return {};
    }
    if (measured) {
      shown->measurement = std::move(*measured);
    } else {
      shown->problem = error_text(measured.error());
    }
    return [this, shown] { show(shown); };
  });
}

void FrameInHand::open_next(const QString& file) {
  if (!worker_.busy()) {
    open(file);
  }
}

void FrameInHand::open_filed(const std::string& name) {
  open(QString::fromStdString((data_ / name).string()));
}

void FrameInHand::fill_with_demo() {
  start([this, data = data_,
         with_log = queue_.with_log()](const base::Task& task) -> Worker::Delivery {
    const auto filled = workspace::fill_demo(data, with_log, task);
    return [this, filled] {
      if (!filled) {
        trouble_.tell(filled.error());
      }
      emit demoFilled();
    };
  });
}

}  // namespace solarchon::app
