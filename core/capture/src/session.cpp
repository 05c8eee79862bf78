// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/capture/session.h"

#include <chrono>
#include <deque>
#include <mutex>
#include <thread>
#include <utility>

namespace solarchon::capture {

class Session::Machine {
 public:
  Machine(std::unique_ptr<Source> source, const live::Setting& setting,
          std::function<void()> on_glance, double glances_hz)
      : source_(std::move(source)),
        meters_(setting),
        on_glance_(std::move(on_glance)),
        every_s_(1.0 / glances_hz),
        thread_([this](const std::stop_token& stop) { run(stop); }) {}

  [[nodiscard]] const SourceCard& card() const { return source_->card(); }

  [[nodiscard]] Glance glance() const {
    const std::lock_guard lock(mutex_);
    Glance glance = glance_;
    if (recorder_) {
      glance.recording = recorder_->state();
    }
    return glance;
  }

  void expose(double exposure_ms, const live::Setting& setting) {
    const std::lock_guard lock(mutex_);
    wishes_.exposure = {exposure_ms, setting};
  }
  void record(RecordPlan plan) {
    const std::lock_guard lock(mutex_);
    wishes_.record = std::move(plan);
    wishes_.stop_recording = true;
  }
  void stop_recording() {
    const std::lock_guard lock(mutex_);
    wishes_.stop_recording = true;
    wishes_.record.reset();
  }

 private:
  using Clock = std::chrono::steady_clock;

  struct Exposure {
    double ms;
    live::Setting setting;
  };
  struct Wishes {
    std::optional<Exposure> exposure;
    std::optional<RecordPlan> record;
    bool stop_recording = false;
  };

  void run(const std::stop_token& stop) {
    LiveFrame frame;
    while (!stop.stop_requested()) {
      const auto came = source_->next(frame, stop);
      if (!came || !*came) {
        end(came ? std::nullopt : std::optional(came.error()), stop);
        break;
      }
      meters_.take(frame.frame, frame.seconds);
      obey(frame);
      if (recorder_) {
        recorder_->offer(frame, meters_.last().sharpness);
        const RecordState state = recorder_->state();
        if ((state.full && state.waiting == 0) || state.problem) {
          end_recording();
        }
      }
      note(frame);
    }
    end_recording();
  }

  /// What was asked for since the last frame. Source, meters and recorder are of this thread.
  void obey(const LiveFrame& frame) {
    Wishes wishes;
    {
      const std::lock_guard lock(mutex_);
      std::swap(wishes, wishes_);
    }
    if (wishes.exposure) {
      if (source_->expose(wishes.exposure->ms)) {
        meters_.change(wishes.exposure->setting);
      }
    }
    if (wishes.stop_recording) {
      end_recording();
    }
    if (wishes.record) {
      const double rate_hz = card().rate_hz > 0.0 ? card().rate_hz : 25.0;
      auto begun = Recorder::begin(std::move(*wishes.record), frame, rate_hz);
      const std::lock_guard lock(mutex_);
      if (begun) {
        recorder_ = std::move(*begun);
      } else {
        glance_.recording = RecordState{};
        glance_.recording->closed = true;
        glance_.recording->problem = begun.error();
      }
    }
  }

  void end_recording() {
    if (!recorder_) {
      return;
    }
    // Waits for the disk; those who look meanwhile see the recorder's own state.
    const RecordState state = recorder_->finish();
    std::unique_ptr<Recorder> done;
    const std::lock_guard lock(mutex_);
    done = std::move(recorder_);
    glance_.recording = state;
  }

  void note(const LiveFrame& frame) {
    const auto now = Clock::now();
    arrivals_.push_back(now);
    while (arrivals_.size() > 200 ||
           (arrivals_.size() > 2 && now - arrivals_.front() > std::chrono::seconds(2))) {
      arrivals_.pop_front();
    }
    lost_ += std::max<std::int64_t>(0, frame.number - last_number_ - 1);
    last_number_ = frame.number;
    if (std::chrono::duration<double>(now - glanced_).count() < every_s_) {
      return;
    }
    glanced_ = now;
    // Readings fit curves to some seconds: a few times a second are enough.
    constexpr double kReadEvery_s = 0.25;
    if (std::chrono::duration<double>(now - read_).count() >= kReadEvery_s) {
      read_ = now;
      readings_ = meters_.readings();
      judgement_ = live::judge(readings_, meters_.setting());
    }
    const std::chrono::duration<double> span = arrivals_.back() - arrivals_.front();
    auto shown = std::make_shared<const frames::Frame>(frame.frame);
    {
      const std::lock_guard lock(mutex_);
      glance_.frame = std::move(shown);
      glance_.seconds = frame.seconds;
      glance_.number = frame.number;
      glance_.lost = lost_;
      glance_.rate_hz =
          span.count() > 0.0 ? static_cast<double>(arrivals_.size() - 1) / span.count() : 0.0;
      glance_.readings = readings_;
      glance_.judgement = judgement_;
    }
    if (on_glance_) {
      on_glance_();
    }
  }

  void end(std::optional<base::Error> problem, const std::stop_token& stop) {
    end_recording();
    {
      const std::lock_guard lock(mutex_);
      glance_.ended = true;
      glance_.problem = std::move(problem);
      glance_.readings = meters_.readings();
      glance_.judgement = live::judge(glance_.readings, meters_.setting());
    }
    if (on_glance_ && !stop.stop_requested()) {
      on_glance_();
    }
  }

  std::unique_ptr<Source> source_;
  live::Meters meters_;
  std::function<void()> on_glance_;
  double every_s_;
  std::deque<Clock::time_point> arrivals_;
  Clock::time_point glanced_;
  Clock::time_point read_;
  std::int64_t last_number_ = -1;
  std::int64_t lost_ = 0;
  live::Readings readings_;
  live::Judgement judgement_;
  mutable std::mutex mutex_;  ///< of what follows
  Glance glance_;
  Wishes wishes_;
  std::unique_ptr<Recorder> recorder_;  ///< changed under the mutex, by the thread alone
  std::jthread thread_;                 ///< last: it uses the others
};

Session::Session(std::unique_ptr<Source> source, const live::Setting& setting,
                 std::function<void()> on_glance, double glances_hz)
    : machine_(std::make_unique<Machine>(std::move(source), setting, std::move(on_glance),
                                         glances_hz)) {}
Session::~Session() = default;

const SourceCard& Session::card() const { return machine_->card(); }
Glance Session::glance() const { return machine_->glance(); }
void Session::expose(double exposure_ms, const live::Setting& setting) {
  machine_->expose(exposure_ms, setting);
}
void Session::record(RecordPlan plan) { machine_->record(std::move(plan)); }
void Session::stop_recording() { machine_->stop_recording(); }

}  // namespace solarchon::capture
