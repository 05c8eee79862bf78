// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/capture/session.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <deque>
#include <mutex>
#include <thread>
#include <utility>
#include <vector>

#include "solarchon/base/json.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"

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
    wishes_.exposure = Exposing{exposure_ms, setting};
  }
  void record(RecordPlan plan) {
    const std::lock_guard lock(mutex_);
    wishes_.record = std::move(plan);
    wishes_.stop_recording = true;
    glance_.recording = RecordState{};  // it goes on from here, whatever the one before says
  }
  void stop_recording() {
    const std::lock_guard lock(mutex_);
    wishes_.stop_recording = true;
    forget_record();
  }
  std::vector<Recorded> close() {
    thread_.request_stop();
    if (thread_.joinable()) {
      thread_.join();
    }
    return take_recorded();
  }
  void wish_series(SeriesPlan plan) {
    const std::lock_guard lock(mutex_);
    wishes_.series = std::move(plan);
    wishes_.stop_recording = true;
  }
  std::vector<Recorded> take_recorded() {
    const std::lock_guard lock(mutex_);
    return std::exchange(recorded_, {});
  }
  void wish_exposures(const ExposurePlan& plan) {
    const std::lock_guard lock(mutex_);
    wishes_.exposures = plan;
  }
  void turn(std::function<void(Machine&)> how) {
    const std::lock_guard lock(mutex_);
    wishes_.turns.push_back(std::move(how));
  }

  // On the session's thread, by turn().
  void focus_to(double position_um) {
    stop_run();
    note_refusal(source_->focus_to(position_um));
    meters_.look_afresh();
  }
  void tune_to(int step) {
    stop_run();
    learns_usual_s_.reset();
    note_refusal(source_->tune_to(step));
    meters_.look_afresh();
  }
  void nudge(double west_arcsec, double north_arcsec) {
    note_refusal(source_->nudge(west_arcsec, north_arcsec));
    meters_.moved();
    forget_usual();
  }
  void read_region(const image::Rectangle& region) { note_refusal(source_->read_region(region)); }
  void run_series(SeriesPlan plan, const LiveFrame& frame) {
    end_series(frame.seconds);
    if (exposures_) {
      stop_run();
    }
    const bool exposes = std::any_of(plan.takes.begin(), plan.takes.end(),
                                     [](const Take& take) { return take.exposure_ms.has_value(); });
    if (exposes && !card().exposes) {
      note_refusal(base::fail(base::ErrorCode::kNotFound, "exposure_ms"));
      return;
    }
    auto series = Series::begin(std::move(plan), frame, meters_.setting(), source_->hands());
    note_refusal(series.map([](const Series& /*begun*/) {}));
    if (series) {
      series_.emplace(*std::move(series));
    }
  }
  void run_focus(const FocusPlan& plan) {
    stop_run();
    const Hands hands = source_->hands();
    auto run = hands.focuser
                   ? FocusRun::begin(plan, *hands.focuser)
                   : base::Result<FocusRun>(base::fail(base::ErrorCode::kNotFound, "focuser"));
    note_refusal(run.map([](const FocusRun& /*begun*/) {}));
    if (run) {
      focus_.emplace(*std::move(run));
    }
  }
  void run_tuning(const TuningPlan& plan) {
    stop_run();
    const Hands hands = source_->hands();
    if (hands.heater) {
      tune_.emplace(plan, *hands.heater);
    }
    note_refusal(hands.heater ? base::Result<void>()
                              : base::fail(base::ErrorCode::kNotFound, "heater"));
  }
  void look_at_mark(int mark, const TuningPlan& plan) {
    if (!by_hand_) {
      stop_run();
      by_hand_.emplace(plan);
    }
    forget_usual();
    by_hand_->look_at(mark);
  }
  void run_exposures(const ExposurePlan& plan, const LiveFrame& frame) {
    stop_run();
    auto run =
        card().exposes
            ? ExposureRun::begin(plan, frame, meters_.setting())
            : base::Result<ExposureRun>(base::fail(base::ErrorCode::kNotFound, "exposure_ms"));
    note_refusal(run.map([](const ExposureRun& /*begun*/) {}));
    if (run) {
      exposures_.emplace(*std::move(run));
    }
  }
  void stop_run() {
    focus_.reset();
    tune_.reset();
    by_hand_.reset();
    if (exposures_) {
      const RunWish wish = exposures_->stop();
      exposures_.reset();
      grant(wish);
    }
    const std::lock_guard lock(mutex_);
    glance_.focusing.reset();
    glance_.tuning.reset();
    glance_.exposing.reset();
  }

 private:
  using Clock = std::chrono::steady_clock;

  struct Wishes {
    std::optional<Exposing> exposure;
    std::optional<RecordPlan> record;
    bool stop_recording = false;
    std::optional<SeriesPlan> series;
    std::vector<std::function<void(Machine&)>> turns;
    std::optional<ExposurePlan> exposures;
  };

  void run(const std::stop_token& stop) {
    LiveFrame frame;
    while (!stop.stop_requested()) {
      const auto came = source_->next(frame, stop);
      if (!came || !*came) {
        end(came ? std::nullopt : std::optional(came.error()), stop);
        break;
      }
      if (!holds_what_it_claims(frame.frame)) {
        end(base::Error{base::ErrorCode::kMalformed, "device"}, stop);
        break;
      }
      keep_time_going(frame);
      frame.frame.info.simulated = frame.frame.info.simulated || card().simulated;
      meters_.take(frame.frame, frame.seconds);
      obey(frame);
      go_on_with_run(frame);
      learn_usual(frame.seconds);
      go_on_with_series(frame);
      if (recorder_) {
        recorder_->offer(frame, meters_.last().sharpness);
        const RecordState state = recorder_->state();
        if ((state.full && state.waiting == 0) || state.problem) {
          end_clip(frame.seconds);
        }
      }
      note(frame);
    }
    end_recording();
  }

  [[nodiscard]] static bool holds_what_it_claims(const image::Frame& frame) {
    return frame.width > 0 && frame.height > 0 && frame.saturation > 0 &&
           frame.pixels.size() ==
               static_cast<std::size_t>(frame.width) * static_cast<std::size_t>(frame.height);
  }

  /// A device whose clock jumps back, or tells no number, is believed its order alone: recordings
  /// end when they should, and meters look at a time that grows.
  void keep_time_going(LiveFrame& frame) {
    constexpr double kUsualStep_s = 0.04;
    const double step_s = card().rate_hz > 0.0 ? 1.0 / card().rate_hz : kUsualStep_s;
    if (!last_s_) {
      last_s_ = std::isfinite(frame.seconds) ? frame.seconds : 0.0;
    } else if (std::isfinite(frame.seconds) && frame.seconds + behind_s_ > *last_s_) {
      last_s_ = frame.seconds + behind_s_;
    } else {
      *last_s_ += step_s;
      behind_s_ = std::isfinite(frame.seconds) ? *last_s_ - frame.seconds : behind_s_;
    }
    frame.seconds = *last_s_;
  }

  /// What was asked for since the last frame. Source, meters and recorder are of this thread.
  void obey(const LiveFrame& frame) {
    Wishes wishes;
    {
      const std::lock_guard lock(mutex_);
      std::swap(wishes, wishes_);
    }
    if (wishes.exposure) {
      if (exposures_) {
        stop_run();  // it would set its own again
      }
      expose_now(*wishes.exposure);
    }
    for (const auto& turn : wishes.turns) {
      turn(*this);
    }
    if (wishes.exposures) {
      run_exposures(*wishes.exposures, frame);
    }
    if (wishes.stop_recording) {
      end_series(frame.seconds);
      end_recording();
    }
    if (wishes.record) {
      if (exposures_) {
        stop_run();  // a clip is of one exposure
      }
      begin_recording(std::move(*wishes.record), frame);
    }
    if (wishes.series) {
      run_series(std::move(*wishes.series), frame);
    }
  }

  void expose_now(Exposing wanted) {
    const auto exposed = source_->expose(wanted.ms);
    if (exposed) {
      // What was seen on the line stays known.
      wanted.setting.usual_structure = meters_.setting().usual_structure;
      wanted.setting.usual_r0_cm = meters_.setting().usual_r0_cm;
      meters_.change(wanted.setting);
    }
    note_refusal(exposed);
  }

  void begin_recording(RecordPlan plan, const LiveFrame& frame) {
    const double rate_hz = card().rate_hz > 0.0 ? card().rate_hz : 25.0;
    recording_ = Recorded{plan.file, {}, frame.frame.info.time, frame.frame.info.exposure_ms};
    {
      const std::lock_guard lock(mutex_);
      glance_.recording = RecordState{};
    }
    auto begun = Recorder::begin(std::move(plan), frame, rate_hz);
    const std::lock_guard lock(mutex_);
    if (begun) {
      recorder_ = std::move(*begun);
    } else {
      glance_.recording = RecordState{};
      glance_.recording->closed = true;
      glance_.recording->problem = begun.error();
    }
  }

  void go_on_with_series(const LiveFrame& frame) {
    if (!series_) {
      return;
    }
    std::optional<RecordState> recording;
    if (recorder_) {
      recording = recorder_->state();
    }
    SeriesWish wish = series_->take(frame, source_->hands(), meters_, recording);
    std::optional<RecordPlan> record = std::move(wish.record);
    grant(wish);
    if (record) {
      begin_recording(*std::move(record), frame);
      if (!recorder_) {
        grant(series_->ended(*glance().recording, frame.seconds));
      }
    }
    note_series();
  }
  /// What a series wants turned.
  void grant(const SeriesWish& wish) {
    if (wish.expose) {
      expose_now(*wish.expose);
    }
    if (wish.nudge) {
      note_refusal(source_->nudge(wish.nudge->west_arcsec, wish.nudge->north_arcsec));
      if (wish.moved) {
        meters_.moved();
        forget_usual();
      }
    }
  }
  void note_series() {
    const std::lock_guard lock(mutex_);
    glance_.series = series_->state();
    if (over(series_->state().stage)) {
      series_.reset();
    }
  }
  /// The series ends before its time, with the clip that it is at.
  void end_series(double seconds) {
    if (!series_) {
      return;
    }
    end_clip(seconds);
    if (series_) {
      grant(series_->stop());
      series_.reset();
    }
    const std::lock_guard lock(mutex_);
    glance_.series.reset();
  }
  /// The clip that goes on, and what its series wants after it.
  void end_clip(double seconds) {
    if (const auto ended = end_recording(); ended && series_) {
      grant(series_->ended(*ended, seconds));
      note_series();
    }
  }

  /// A recording that was asked for and has not begun; under the mutex.
  void forget_record() {
    if (wishes_.record && !recorder_) {
      glance_.recording.reset();
    }
    wishes_.record.reset();
  }
  void note_refusal(const base::Result<void>& done) {
    const std::lock_guard lock(mutex_);
    glance_.refusal = done ? std::nullopt : std::optional(done.error());
  }

  void go_on_with_run(const LiveFrame& frame) {
    if (!focus_ && !tune_ && !by_hand_ && !exposures_) {
      return;
    }
    const double seconds = frame.seconds;
    const Hands hands = source_->hands();
    grant(focus_     ? focus_->take(seconds, hands, meters_)
          : tune_    ? tune_->take(seconds, hands, meters_)
          : by_hand_ ? by_hand_->take(seconds, meters_)
                     : exposures_->take(frame, meters_));
    const std::lock_guard lock(mutex_);
    if (focus_) {
      glance_.focusing = focus_->state();
    } else if (tune_) {
      glance_.tuning = tune_->state();
    } else if (by_hand_) {
      glance_.tuning = by_hand_->state();  // it waits for the next mark
    } else {
      glance_.exposing = exposures_->state();
    }
    if (focus_ && over(focus_->state().stage)) {
      focus_.reset();
    }
    if (tune_ && over(tune_->state().stage)) {
      learns_usual_s_ = tune_->state().fit ? std::optional(seconds) : std::nullopt;
      tune_.reset();
    }
    if (exposures_ && over(exposures_->state().stage)) {
      exposures_.reset();
    }
  }
  /// What a run wants turned.
  void grant(const RunWish& wish) {
    if (wish.look_afresh) {
      meters_.look_afresh();
    }
    if (wish.focus_to_um) {
      note_refusal(source_->focus_to(*wish.focus_to_um));
    }
    if (wish.tune_to) {
      note_refusal(source_->tune_to(*wish.tune_to));
    }
    if (wish.expose) {
      expose_now(*wish.expose);
    }
  }

  /// After a run has found the line, what is seen there is what the line usually shows.
  void learn_usual(double seconds) {
    constexpr double kSettles_s = 12.0;  // the meter's own memory
    if (!learns_usual_s_ || seconds - *learns_usual_s_ < kSettles_s) {
      return;
    }
    learns_usual_s_.reset();
    live::Setting setting = meters_.setting();
    setting.usual_structure = readings_.structure;
    if (readings_.air) {
      setting.usual_r0_cm = readings_.air->r0_cm.value;
    }
    meters_.expect(setting);
  }
  void forget_usual() {
    learns_usual_s_.reset();
    live::Setting setting = meters_.setting();
    setting.usual_structure.reset();
    setting.usual_r0_cm.reset();
    meters_.expect(setting);
  }

  /// What meters and hands say, for the file beside a clip.
  [[nodiscard]] base::Json learnt() const {
    base::Json facts = base::Json::object();
    if (recording_.exposure_ms) {
      facts["exposure_ms"] = *recording_.exposure_ms;
    }
    if (readings_.air) {
      facts["r0_cm"] = readings_.air->r0_cm.value;
      facts["r0_spread_cm"] = readings_.air->r0_cm.spread;
    }
    if (readings_.cloud_stops) {
      facts["cloud_stops"] = readings_.cloud_stops->value;
    }
    if (readings_.drift) {
      facts["drift_right_arcsec_min"] = readings_.drift->right_arcsec_min;
      facts["drift_down_arcsec_min"] = readings_.drift->down_arcsec_min;
    }
    const Hands hands = source_->hands();
    if (hands.heater) {
      facts["tuner_step"] = hands.heater->step;
      facts["tuner_angstrom"] = hands.heater->step * hands.heater->step_angstrom;
    }
    if (hands.focuser) {
      facts["focuser_um"] = hands.focuser->position_um;
    }
    return facts;
  }
  std::optional<RecordState> end_recording() {
    if (!recorder_) {
      return std::nullopt;
    }
    // Waits for the disk; those who look meanwhile see the recorder's own state.
    const RecordState state = recorder_->finish(learnt());
    recording_.state = state;
    std::unique_ptr<Recorder> done;
    const std::lock_guard lock(mutex_);
    done = std::move(recorder_);
    glance_.recording = state;
    if (state.written > 0) {
      recorded_.push_back(recording_);
    }
    return state;
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
    auto shown = std::make_shared<const image::Frame>(frame.frame);
    {
      const std::lock_guard lock(mutex_);
      glance_.frame = std::move(shown);
      glance_.seconds = frame.seconds;
      glance_.number = frame.number;
      glance_.lost = lost_;
      glance_.hands = source_->hands();
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
      forget_record();
      if (series_) {
        glance_.series = series_->state();
        glance_.series->stage = SeriesStage::kFailed;
        glance_.series->problem = problem;
      }
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
  std::optional<FocusRun> focus_;  ///< at most one of the four
  std::optional<TuningRun> tune_;
  std::optional<HandTuning> by_hand_;
  std::optional<ExposureRun> exposures_;
  std::optional<double> learns_usual_s_;  ///< since a run has found the line
  std::optional<double> last_s_;          ///< of the last frame, as it is believed
  double behind_s_ = 0.0;                 ///< what a clock that jumped back is behind
  std::optional<Series> series_;
  Recorded recording_;        ///< what goes on
  mutable std::mutex mutex_;  ///< of what follows
  Glance glance_;
  Wishes wishes_;
  std::vector<Recorded> recorded_;
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
void Session::run_series(SeriesPlan plan) { machine_->wish_series(std::move(plan)); }
std::vector<Recorded> Session::take_recorded() { return machine_->take_recorded(); }
std::vector<Recorded> Session::close() { return machine_->close(); }
void Session::nudge(double west_arcsec, double north_arcsec) {
  machine_->turn([=](Machine& machine) { machine.nudge(west_arcsec, north_arcsec); });
}
void Session::read_region(const image::Rectangle& region) {
  machine_->turn([region](Machine& machine) { machine.read_region(region); });
}
void Session::focus_to(double position_um) {
  machine_->turn([position_um](Machine& machine) { machine.focus_to(position_um); });
}
void Session::tune_to(int step) {
  machine_->turn([step](Machine& machine) { machine.tune_to(step); });
}
void Session::run_focus(const FocusPlan& plan) {
  machine_->turn([plan](Machine& machine) { machine.run_focus(plan); });
}
void Session::run_tuning(const TuningPlan& plan) {
  machine_->turn([plan](Machine& machine) { machine.run_tuning(plan); });
}
void Session::look_at_mark(int mark, const TuningPlan& plan) {
  machine_->turn([mark, plan](Machine& machine) { machine.look_at_mark(mark, plan); });
}
void Session::run_exposures(const ExposurePlan& plan) { machine_->wish_exposures(plan); }
void Session::stop_run() {
  machine_->turn([](Machine& machine) { machine.stop_run(); });
}

}  // namespace solarchon::capture
