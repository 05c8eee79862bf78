// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <utility>

#include "solarchon/capture/run.h"
#include "solarchon/image/frame.h"

namespace solarchon::capture {

namespace {

/// A camera that takes so much longer than its exposure does not obey.
constexpr double kNoFrame_s = 15.0;
/// What is full to that share is too long.
constexpr double kOverexposedShare = 1e-3;

}  // namespace

base::Result<ExposureRun> ExposureRun::begin(const ExposurePlan& plan, const LiveFrame& like,
                                             const live::Setting& setting) {
  const auto good =
      base::checked("middle_ms", plan.middle_ms, plan.shutter_ms)
          .and_then(
              [&](double) { return base::checked("step_stops", plan.step_stops, kStepStopsRange); })
          .and_then([&](double) { return base::checked("rungs", plan.rungs, kRungsRange); });
  if (!good) {
    return tl::make_unexpected(good.error());
  }
  if (!like.frame.info.exposure_ms) {
    return base::fail(base::ErrorCode::kMissing, "exposure_ms");
  }
  std::vector<double> ladder_ms;
  for (int i = 0; i < plan.rungs; ++i) {
    const double stops = plan.step_stops * (i - 0.5 * (plan.rungs - 1));
    const double exposure_ms = plan.middle_ms * std::exp2(stops);
    if (exposure_ms >= plan.shutter_ms.low && exposure_ms <= plan.shutter_ms.high) {
      ladder_ms.push_back(exposure_ms);
    }
  }
  if (ladder_ms.empty()) {  // an even count of wide steps may miss its own middle
    ladder_ms.push_back(plan.middle_ms);
  }
  return ExposureRun(std::move(ladder_ms), *like.frame.info.exposure_ms, setting);
}

ExposureRun::ExposureRun(std::vector<double> ladder_ms, double before_ms,
                         const live::Setting& setting)
    : ladder_ms_(std::move(ladder_ms)), before_ms_(before_ms), setting_(setting) {
  state_.places = static_cast<int>(ladder_ms_.size());
}

RunWish ExposureRun::go_to(double exposure_ms, double seconds) {
  target_ms_ = exposure_ms;
  since_s_ = seconds;
  RunWish wish;
  wish.expose = Exposing{exposure_ms, exposed(setting_, exposure_ms / before_ms_)};
  return wish;
}

RunWish ExposureRun::stop() const {
  RunWish wish;
  if (begun_) {
    wish.expose = Exposing{before_ms_, setting_};
  }
  return wish;
}

RunWish ExposureRun::take(const LiveFrame& frame, const live::Meters& meters) {
  if (over(state_.stage)) {
    return {};
  }
  if (!std::exchange(begun_, true)) {
    return go_to(ladder_ms_.front(), frame.seconds);
  }
  if (!exposed_so(frame, target_ms_)) {
    if (frame.seconds - since_s_ > kNoFrame_s + 2e-3 * target_ms_) {
      state_.stage = RunStage::kFailed;
      state_.problem = base::Error{base::ErrorCode::kNotFound, "exposure_ms"};
      return stop();
    }
    return {};
  }
  if (state_.stage == RunStage::kReturning) {
    state_.stage = RunStage::kDone;
    return {};
  }
  const live::Meters::Last last = meters.last();
  state_.rungs.push_back({*frame.frame.info.exposure_ms, last.level, last.noise,
                          std::make_shared<const image::Frame>(frame.frame)});
  const int at = state_.place++;
  if (!setting_.disc_may_clip && last.level.clipped_share < kOverexposedShare) {
    const auto off = [&](int rung) {
      return std::abs(state_.rungs[static_cast<std::size_t>(rung)].level.bright -
                      setting_.target_level);
    };
    if (!state_.nearest || off(at) < off(*state_.nearest)) {
      state_.nearest = at;
    }
  }
  if (state_.place < state_.places) {
    return go_to(ladder_ms_[static_cast<std::size_t>(state_.place)], frame.seconds);
  }
  state_.place = state_.places - 1;
  state_.stage = RunStage::kReturning;
  return go_to(before_ms_, frame.seconds);
}

}  // namespace solarchon::capture
