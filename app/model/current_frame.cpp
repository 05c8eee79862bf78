// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/current_frame.h"

#include <QDateTime>
#include <utility>

#include "app/model/phrases.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/workspace/demo.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

CurrentFrame::CurrentFrame(std::filesystem::path data, LogQueue& queue, Log& log,
                           ErrorReporter& trouble, QObject* parent)
    : QObject(parent),
      data_(std::move(data)),
      queue_(queue),
      log_(log),
      trouble_(trouble),
      seed_(static_cast<std::uint32_t>(QDateTime::currentSecsSinceEpoch())) {
  connect(&worker_, &Worker::broke, &trouble_, &ErrorReporter::tell_broken);
}

void CurrentFrame::start(Worker::Work work) {
  if (!worker_.start(std::move(work))) {
    trouble_.tell(tr("Other work is not done yet; wait for it or cancel it first."));
  }
}

void CurrentFrame::show(std::shared_ptr<const ShownFrame> frame) {
  shown_ = std::move(frame);
  emit shownChanged();
}

Worker::Delivery CurrentFrame::filed_as(const workspace::FiledFrame& filed, image::Frame frame) {
  auto shown = std::make_shared<ShownFrame>();
  shown->frame = std::move(frame);
  shown->measurement = filed.measurement;
  shown->file = QString::fromStdString((data_ / filed.entry.file).string());
  if (filed.not_measured) {
    shown->problem = error_text(*filed.not_measured);
  }
  return [this, shown, id = filed.session] {
    emit this->filed(id);
    show(shown);
    log_.reload();
  };
}

void CurrentFrame::take(const workspace::Workspace& workspace, const workspace::Answers& answers,
                        std::optional<double> exposure_ms) {
  auto shot = workspace::shot_for(workspace, answers, exposure_ms, ++seed_);
  if (!shot) {
    trouble_.tell(shot.error());
    return;
  }
  start([this, workspace, shot = std::move(*shot),
         with_log = queue_.with_log()](const base::Task& task) -> Worker::Delivery {
    auto taken = workspace::take_frame(workspace, shot, with_log, data_, task);
    if (!taken) {
      return [this, error = taken.error()] { trouble_.tell(error); };
    }
    return filed_as(*taken, std::move(taken->recording.frame));
  });
}

void CurrentFrame::keep(const workspace::Workspace& workspace,
                        std::shared_ptr<const image::Frame> frame, sky::UtcTime usually) {
  start([this, workspace, frame = std::move(frame), usually,
         with_log = queue_.with_log()](const base::Task& task) -> Worker::Delivery {
    const auto filed = workspace::file_frame(workspace, *frame, usually, with_log, data_, task);
    if (!filed) {
      return [this, error = filed.error()] { trouble_.tell(error); };
    }
    return filed_as(*filed, *frame);
  });
}

void CurrentFrame::open(const QString& file) {
  start([this, file](const base::Task& task) -> Worker::Delivery {
    auto frame = media::read_frame(file.toStdString());
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

void CurrentFrame::open_next(const QString& file) {
  if (!worker_.busy()) {
    open(file);
  }
}

void CurrentFrame::open_filed(const std::string& name) {
  open(QString::fromStdString((data_ / name).string()));
}

void CurrentFrame::fill_with_demo() {
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
