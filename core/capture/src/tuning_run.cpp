// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <utility>

#include "solarchon/capture/run.h"
#include "solarchon/image/sharpness.h"

namespace solarchon::capture {

namespace {

/// After it says that it stands still: frames of before are still on their way.
constexpr double kBandSettle_s = 1.0;
/// A heater that is not on band by then never will: its supply is too weak.
constexpr double kLongestWait_s = 3600.0;
/// Of all pixels: the disc's light can no longer be told.
constexpr double kTooBrightShare = 0.01;

std::optional<live::TuningFit> best_of(const std::vector<live::TuningPoint>& points,
                                       bool* by_light) {
  const auto darkest = live::darkest_step(points);
  if (by_light != nullptr) {
    *by_light = darkest.has_value();
  }
  return darkest ? darkest : live::best_step(points);
}

}  // namespace

void TuningLook::add(const live::Meters& meters) {
  const image::Level& level = meters.last().level;
  light += level.disc - meters.setting().black_level;
  full = full || level.clipped_share > kTooBrightShare;
  ++frames;
}

live::TuningPoint TuningLook::point(int step, double structure) const {
  return {step, structure, full || frames == 0 ? 0.0 : std::max(0.0, light / frames)};
}

TuningRun::TuningRun(const TuningPlan& plan, const devices::HeaterState& from)
    : plan_(plan), from_(from.step), steps_(from.steps) {
  state_.step = from.step;
}

RunWish TuningRun::go_to(int step, RunStage stage, double seconds) {
  state_.step = step;
  state_.stage = stage;
  since_s_ = seconds;
  on_band_s_.reset();
  return {{}, step};
}

RunWish TuningRun::take(double seconds, const Hands& hands, const live::Meters& meters) {
  if (over(state_.stage)) {
    return {};
  }
  if (!hands.heater) {
    state_.stage = RunStage::kFailed;
    state_.problem = base::Error{base::ErrorCode::kNotFound, "heater"};
    return {};
  }
  if (!std::exchange(begun_, true)) {
    return go_to(from_, RunStage::kGoing, seconds);
  }
  const devices::HeaterState& heater = *hands.heater;
  if (state_.stage == RunStage::kLooking) {
    look_.add(meters);
    if (seconds - look_.since_s < plan_.look_s) {
      return {};
    }
    state_.points.push_back(look_.point(state_.step, meters.readings().structure));
    look_ = {seconds};
    return ++looks_ < plan_.looks ? RunWish::afresh() : end_step(seconds);
  }
  state_.wait_s = heater.wait_s;
  if (heater.step != state_.step || !heater.on_band || heater.wait_s.value_or(0.0) > 0.0) {
    on_band_s_.reset();
    if (seconds - since_s_ > kLongestWait_s) {
      state_.stage = RunStage::kFailed;
      state_.problem = base::Error{base::ErrorCode::kNotFound, "heater"};
    }
    return {};
  }
  if (!on_band_s_) {
    on_band_s_ = seconds;
  }
  if (seconds - *on_band_s_ < (heater.wait_s ? kBandSettle_s : plan_.settle_s)) {
    return {};
  }
  state_.wait_s.reset();
  if (state_.stage == RunStage::kReturning) {
    state_.stage = RunStage::kDone;
    state_.temperature_c = heater.temperature_c;
    return RunWish::afresh();
  }
  state_.stage = RunStage::kLooking;
  looks_ = 0;
  look_ = {seconds};
  return RunWish::afresh();
}

std::optional<live::TuningFit> TuningRun::best(bool* by_light) const {
  return best_of(state_.points, by_light);
}

std::optional<int> TuningRun::next_step() const {
  const int low = *tried_.begin();
  const int high = *tried_.rbegin();
  const auto best = this->best();
  const bool up_open = high < steps_;
  const bool down_open = low > -steps_;
  if (!best) {
    // Nothing stands out yet: on, both ways in turn.
    if (up_open && (high - from_ <= from_ - low || !down_open)) {
      return high + 1;
    }
    return down_open ? std::optional(low - 1) : std::nullopt;
  }
  // One more beyond the best, to both sides.
  if (best->step >= high && up_open) {
    return high + 1;
  }
  if (best->step <= low && down_open) {
    return low - 1;
  }
  return std::nullopt;
}

RunWish TuningRun::end_step(double seconds) {
  tried_.insert(state_.step);
  if (const auto next = next_step()) {
    return go_to(*next, RunStage::kGoing, seconds);
  }
  state_.fit = best(&state_.by_light);
  if (!state_.fit) {
    state_.stage = RunStage::kFailed;
    state_.problem = base::Error{base::ErrorCode::kNotFound, "points"};
    return {};
  }
  double sum = 0.0;
  int count = 0;
  for (const live::TuningPoint& point : state_.points) {
    if (point.step == state_.fit->step) {
      sum += point.structure;
      ++count;
    }
  }
  state_.structure = sum / count;
  return go_to(state_.fit->step, RunStage::kReturning, seconds);
}

void HandTuning::look_at(int mark) {
  state_.step = mark;
  state_.stage = RunStage::kLooking;
  state_.fit.reset();
  std::erase_if(state_.points,
                [mark](const live::TuningPoint& point) { return point.step == mark; });
  begins_ = true;
}

RunWish HandTuning::take(double seconds, const live::Meters& meters) {
  if (state_.stage != RunStage::kLooking) {
    return {};
  }
  if (std::exchange(begins_, false)) {
    looks_ = 0;
    look_ = {seconds};
    return RunWish::afresh();
  }
  look_.add(meters);
  if (seconds - look_.since_s < plan_.look_s) {
    return {};
  }
  state_.points.push_back(look_.point(state_.step, meters.readings().structure));
  look_ = {seconds};
  if (++looks_ >= plan_.looks) {
    state_.stage = RunStage::kDone;
    state_.fit = best_of(state_.points, &state_.by_light);
  }
  return RunWish::afresh();
}

}  // namespace solarchon::capture
