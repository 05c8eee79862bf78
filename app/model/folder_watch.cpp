// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/folder_watch.h"

#include <memory>
#include <utility>

#include "app/model/phrases.h"
#include "solarchon/camera/stream.h"
#include "solarchon/measure/disc.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/workspace/live.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

namespace {

constexpr std::size_t kMostFound = 200;

/// What came of looking at a file, off the interface thread.
struct Look {
  FolderWatch::Found found;
  bool clip = false;
  std::optional<log::FrameEntry> frame = {};  ///< of a single picture
  bool cancelled = false;
};

/// What holds for a file that does not say it.
struct Usual {
  std::optional<live::Setting> setting;
  sky::Observer observer;
  sky::UtcTime usually;
};

Look look_at_picture(const std::filesystem::path& file, const Usual& at, Look look,
                     const base::Task& task) {
  auto frame = media::read_frame(file);
  if (!frame) {
    look.found.problem = error_text(frame.error());
    return look;
  }
  look.found.frames = 1;
  log::FrameEntry entry = workspace::frame_entry(frame->info, at.usually, at.observer);
  entry.file = file.string();
  auto measured = measure::measure_disc(*frame, {}, task);
  if (measured) {
    entry.measurement = std::move(*measured);
  }
  look.cancelled = task.stopped();
  look.frame = std::move(entry);
  return look;
}

Look look_at(const std::filesystem::path& file, const Usual& at, const base::Task& task) {
  Look look;
  look.found.name = QString::fromStdString(file.filename().string());
  auto clip = media::ClipReader::open(file);
  if (!clip || clip->facts().frames < 2) {
    return look_at_picture(file, at, std::move(look), task);
  }
  look.clip = true;
  const auto metered = live::meter_clip(*clip, at.setting.value_or(live::Setting{}), task);
  if (!metered) {
    look.cancelled = metered.error().code == base::ErrorCode::kCancelled;
    look.found.problem = error_text(metered.error());
    return look;
  }
  look.found.frames = static_cast<int>(metered->frames.size());
  look.found.damaged = static_cast<int>(metered->damaged.size());
  if (at.setting) {
    look.found.judged = metered->judgement;
    if (metered->readings.air) {
      look.found.r0_cm = metered->readings.air->r0_cm.value;
    }
  }
  return look;
}

}  // namespace

FolderWatch::FolderWatch(Document& document, LogFiler& clips, ErrorReporter& trouble,
                         QObject* parent)
    : QObject(parent), document_(document), clips_(clips), trouble_(trouble) {
  constexpr std::chrono::milliseconds kPace{1000};
  timer_.setInterval(kPace);
  connect(&timer_, &QTimer::timeout, this, &FolderWatch::look);
  connect(&worker_, &Worker::broke, &trouble_, &ErrorReporter::tell_broken);
  connect(&worker_, &Worker::busyChanged, this, &FolderWatch::changed);
}

void FolderWatch::set_pace(std::chrono::milliseconds pace, std::chrono::milliseconds settles) {
  timer_.setInterval(pace);
  settles_ = settles;
}

void FolderWatch::watch(const QString& folder) {
  stop();
  folder_ = folder;
  watched_.emplace(folder.toStdString(), settles_);
  found_.clear();
  timer_.start();
  look();
  emit changed();
}

void FolderWatch::stop() {
  timer_.stop();
  watched_.reset();
  waiting_.clear();
  worker_.cancel();
  folder_.clear();
  emit changed();
}

void FolderWatch::look() {
  if (!watched_) {
    return;
  }
  const auto whole = watched_->look(capture::WatchedFolder::Clock::now());
  if (!whole) {
    const base::Error& problem = whole.error();
    stop();
    trouble_.tell(problem);
    return;
  }
  waiting_.insert(waiting_.end(), whole->begin(), whole->end());
  if (!waiting_.empty() && !worker_.busy()) {
    const std::filesystem::path next = waiting_.front();
    waiting_.pop_front();
    take_up(next);
  }
}

void FolderWatch::take_up(const std::filesystem::path& file) {
  const workspace::Workspace& space = document_.workspace();
  Usual at{{}, workspace::observer_of(space), document_.moment()};
  if (auto known = workspace::live_setting(space, document_.answers(), {}, 0.0)) {
    at.setting = *known;
    at.setting->clear_level.reset();  // nobody knows how it was exposed
  }
  worker_.start([this, file, at](const base::Task& task) -> Worker::Delivery {
    auto seen = std::make_shared<Look>(look_at(file, at, task));
    return [this, file, seen] {
      if (!seen->cancelled) {
        note(std::move(seen->found), file, seen->clip, seen->frame);
      }
    };
  });
}

void FolderWatch::note(Found found, const std::filesystem::path& file, bool clip,
                       const std::optional<log::FrameEntry>& frame) {
  const bool good = found.problem.isEmpty();
  found_.push_front(std::move(found));
  if (found_.size() > kMostFound) {
    found_.pop_back();
  }
  emit changed();
  if (good && clip) {
    clips_.file(file);
  } else if (good && frame) {
    clips_.file(*frame);
  }
}

}  // namespace solarchon::app
