// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/capture/recorder.h"

#include <algorithm>
#include <cerrno>
#include <condition_variable>
#include <deque>
#include <filesystem>
#include <mutex>
#include <system_error>
#include <thread>
#include <utility>
#include <vector>

#include "sidecar.h"
#include "solarchon/base/json.h"
#include "solarchon/media/clip_writer.h"

namespace solarchon::capture {

using base::Result;

namespace {

/// Where the sharp moments of the last minute begin.
class Threshold {
 public:
  explicit Threshold(double share) : share_(share) {}
  /// Whether a frame is one of them; it counts from then on.
  bool above(double seconds, double sharpness) {
    past_.push_back({seconds, sharpness});
    constexpr double kKept_s = 60.0;
    constexpr std::size_t kMost = 4000;
    while (past_.size() > kMost || seconds - past_.front().seconds > kKept_s) {
      past_.pop_front();
    }
    constexpr std::size_t kLeast = 20;
    if (past_.size() < kLeast) {
      return false;
    }
    const auto below = static_cast<double>(std::count_if(
        past_.begin(), past_.end(), [&](const Seen& seen) { return seen.sharpness < sharpness; }));
    return below >= share_ * static_cast<double>(past_.size() - 1);
  }

 private:
  struct Seen {
    double seconds;
    double sharpness;
  };
  double share_;
  std::deque<Seen> past_;
};

}  // namespace

class Recorder::Machine {
 public:
  Machine(RecordPlan made, media::ClipWriter clip, double rate_hz)
      : plan_(std::move(made)),
        clip_(std::move(clip)),
        rate_hz_(rate_hz),
        threshold_(plan_.above_share.value_or(0.0)),
        thread_([this](const std::stop_token& stop) { write(stop); }) {}

  void offer(const LiveFrame& frame, double sharpness) {
    const std::lock_guard lock(mutex_);
    if (state_.full || state_.problem || closed_) {
      return;
    }
    if (last_number_) {
      state_.lost_before += std::max<std::int64_t>(0, frame.number - *last_number_ - 1);
    } else {
      began_s_ = frame.seconds;
    }
    last_number_ = frame.number;
    state_.seconds = frame.seconds - began_s_;
    if (plan_.seconds && state_.seconds >= *plan_.seconds) {
      fill();
      return;
    }
    if (plan_.above_share) {
      const bool sharp = threshold_.above(frame.seconds, sharpness);
      if (!sharp) {
        held_.push_back(copy_of(frame));
        held_bytes_ += bytes_of(frame);
      }
      let_go_before(frame.seconds - plan_.pre_roll_s);
      if (!sharp) {
        return;
      }
      for (LiveFrame& before : held_) {
        take(std::move(before));
      }
      held_.clear();
      held_bytes_ = 0;
    }
    take(copy_of(frame));
  }

  RecordState state() const {
    const std::lock_guard lock(mutex_);
    RecordState state = state_;
    state.waiting = static_cast<int>(ring_.size());
    return state;
  }

  RecordState finish(const base::Json& learnt) {
    {
      const std::lock_guard lock(mutex_);
      if (!closed_) {
        state_.passed_over += static_cast<int>(held_.size());
        held_.clear();
      }
      closed_ = true;
    }
    thread_.request_stop();
    bell_.notify_all();
    if (thread_.joinable()) {
      thread_.join();
      // The disk may take its time: who asks for the state meanwhile must not wait for it.
      const auto closed = clip_.close();
      const RecordState ended = state();
      if (ended.written == 0 && !ended.problem) {
        clear_away();
        const std::lock_guard lock(mutex_);
        state_.closed = true;
        return state_;
      }
      plan_.sidecar.edit().update(learnt);
      const auto told = write_sidecar(plan_, ended, rate_hz_, true);
      const std::lock_guard lock(mutex_);
      if (!state_.problem && (!closed || !told)) {
        state_.problem = !closed ? closed.error() : told.error();
      }
      state_.closed = true;
    }
    return state();
  }

 private:
  /// A clip without frames is none.
  void clear_away() const {
    std::error_code ignored;
    std::filesystem::remove(plan_.file, ignored);
    std::filesystem::remove(media::times_beside(plan_.file), ignored);
    std::filesystem::remove(facts_beside(plan_.file), ignored);
  }

  static std::int64_t bytes_of(const LiveFrame& frame) {
    return static_cast<std::int64_t>(frame.frame.pixels.size() * sizeof(std::uint16_t));
  }

  /// A frame in memory that was used before, where there is some.
  LiveFrame copy_of(const LiveFrame& frame) {
    LiveFrame copy;
    if (!spare_.empty()) {
      copy = std::move(spare_.back());
      spare_.pop_back();
    }
    copy.frame = frame.frame;
    copy.seconds = frame.seconds;
    copy.number = frame.number;
    return copy;
  }

  /// Frames are held for as long as a sharp one might follow them.
  void let_go_before(double seconds) {
    while (!held_.empty() &&
           (held_.front().seconds < seconds || held_bytes_ > plan_.ring_bytes / 2)) {
      held_bytes_ -= bytes_of(held_.front());
      spare_.push_back(std::move(held_.front()));
      held_.pop_front();
      ++state_.passed_over;
    }
  }

  void take(LiveFrame frame) {
    if (state_.full) {
      return;
    }
    if (ring_bytes_ + bytes_of(frame) > plan_.ring_bytes && !ring_.empty()) {
      ++state_.dropped;
      spare_.push_back(std::move(frame));
      return;
    }
    ring_bytes_ += bytes_of(frame);
    ring_.push_back(std::move(frame));
    ++taken_;
    if ((plan_.frames && taken_ >= *plan_.frames)) {
      fill();
    }
    bell_.notify_all();
  }

  void fill() {
    state_.full = true;
    bell_.notify_all();
  }

  void write(const std::stop_token& stop) {
    for (;;) {
      LiveFrame frame;
      {
        std::unique_lock lock(mutex_);
        bell_.wait(lock, stop, [this] { return !ring_.empty(); });
        if (ring_.empty()) {
          return;  // told to stop, and nothing waits
        }
        frame = std::move(ring_.front());
        ring_.pop_front();
      }
      const bool over = plan_.bytes && clip_.bytes() >= *plan_.bytes;
      if (!first_s_) {
        first_s_ = frame.seconds;
      }
      const auto written =
          over ? Result<void>() : clip_.add(frame.frame, frame.seconds - *first_s_);
      const std::lock_guard lock(mutex_);
      ring_bytes_ -= bytes_of(frame);
      if (over) {
        state_.full = true;
      } else if (written) {
        ++state_.written;
        state_.bytes = clip_.bytes();
      } else {
        state_.problem = written.error();
        state_.dropped += static_cast<int>(ring_.size()) + 1;
        ring_.clear();
        ring_bytes_ = 0;
        return;
      }
      constexpr std::size_t kSpare = 4;
      if (spare_.size() < kSpare) {
        spare_.push_back(std::move(frame));
      }
    }
  }

  RecordPlan plan_;
  media::ClipWriter clip_;  ///< of the writing thread, until that has ended
  double rate_hz_;
  mutable std::mutex mutex_;
  std::condition_variable_any bell_;
  Threshold threshold_;
  std::deque<LiveFrame> ring_;
  std::int64_t ring_bytes_ = 0;
  std::deque<LiveFrame> held_;
  std::int64_t held_bytes_ = 0;
  std::vector<LiveFrame> spare_;
  RecordState state_;
  std::optional<std::int64_t> last_number_;
  std::optional<double> first_s_;
  double began_s_ = 0.0;
  int taken_ = 0;
  bool closed_ = false;
  std::jthread thread_;  ///< last: it uses the others
};

Recorder::Recorder(std::unique_ptr<Machine> machine) : machine_(std::move(machine)) {}
Recorder::~Recorder() { (void)finish(); }

Result<std::unique_ptr<Recorder>> Recorder::begin(RecordPlan plan, const LiveFrame& like,
                                                  double rate_hz) {
  const auto good = base::checked("above_share", plan.above_share.value_or(0.0), kAboveShareRange)
                        .and_then([&](double) {
                          return base::checked("pre_roll_s", plan.pre_roll_s, kPreRollRange);
                        })
                        .and_then([&](double) {
                          return base::checked("frames", plan.frames.value_or(1), {1, 1e8});
                        })
                        .and_then([&](double) {
                          return base::checked("seconds", plan.seconds.value_or(1.0), {1e-3, 1e6});
                        });
  if (!good) {
    return tl::make_unexpected(good.error());
  }
  std::error_code ignored;
  if (const auto facts = facts_beside(plan.file);
      std::filesystem::exists(std::filesystem::symlink_status(facts, ignored))) {
    return base::fail_because(base::ErrorCode::kUnwritable, facts.string(),
                              base::reported(std::generic_category().message(EEXIST)));
  }
  if (like.frame.info.simulated) {
    plan.sidecar.edit()["simulated"] = true;
  }
  media::ClipFormat format{like.frame.width, like.frame.height, like.frame.saturation, rate_hz,
                           like.frame.info};
  auto clip = media::ClipWriter::create(plan.file, format);
  if (!clip) {
    return tl::make_unexpected(clip.error());
  }
  if (auto told = write_sidecar(plan, {}, rate_hz, false); !told) {
    clip = tl::make_unexpected(told.error());  // closes it
    std::filesystem::remove(plan.file, ignored);
    std::filesystem::remove(media::times_beside(plan.file), ignored);
    return tl::make_unexpected(told.error());
  }
  return std::unique_ptr<Recorder>(
      new Recorder(std::make_unique<Machine>(std::move(plan), *std::move(clip), rate_hz)));
}

void Recorder::offer(const LiveFrame& frame, double sharpness) {
  machine_->offer(frame, sharpness);
}
RecordState Recorder::state() const { return machine_->state(); }
RecordState Recorder::finish(const base::Json& learnt) { return machine_->finish(learnt); }
RecordState Recorder::finish() { return finish(base::Json::object()); }

}  // namespace solarchon::capture
