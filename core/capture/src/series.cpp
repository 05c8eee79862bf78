// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/capture/series.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include "solarchon/image/sharpness.h"

namespace solarchon::capture {

using base::ErrorCode;
using base::Result;

namespace {

constexpr double kStepSettle_s = 0.5;  // after the exposure is in force, or the telescope stands
constexpr double kUntoldExposure_s =
    1.5;  // an exposure of which frames do not tell is in force by then
constexpr double kLongestMove_s = 120.0;  // a telescope that moves for longer never arrives
constexpr double kLightCounts_stops = 0.1;
constexpr double kFar_arcsec = 5.0;  // a move after which nothing is where it was

std::string digits_of(int number) {
  std::string digits = std::to_string(number);
  constexpr std::size_t kDigits = 4;
  digits.insert(0, kDigits - std::min(kDigits, digits.size()), '0');
  return digits;
}

Result<void> checked_take(const Take& take, const base::Range& shutter_ms) {
  if (!take.frames && !take.seconds) {
    return base::fail(ErrorCode::kMissing, "seconds");
  }
  if (const auto frames = base::checked("frames", take.frames.value_or(1), {1, 1e8}); !frames) {
    return tl::make_unexpected(frames.error());
  }
  if (const auto seconds = base::checked("seconds", take.seconds.value_or(1.0), {0.01, 86'400.0});
      !seconds) {
    return tl::make_unexpected(seconds.error());
  }
  if (take.exposure_ms) {
    return base::checked("exposure_ms", *take.exposure_ms, shutter_ms).map([](double) {});
  }
  return {};
}

bool elsewhere(const sky::DiscPlace& a, const sky::DiscPlace& b) {
  return std::hypot(a.west_arcsec - b.west_arcsec, a.north_arcsec - b.north_arcsec) > 0.0;
}

}  // namespace

Series::Series(SeriesPlan plan, const LiveFrame& like, const live::Setting& setting)
    : plan_(std::move(plan)),
      setting_(setting),
      exposure_ms_(like.frame.info.exposure_ms),
      began_s_(like.seconds),
      since_s_(like.seconds) {
  state_.rounds = plan_.rounds;
  state_.takes = static_cast<int>(plan_.takes.size());
  for (const Take& take : plan_.takes) {
    state_.round_s += take.seconds.value_or(0.0);
  }
  state_.every_s = std::max(plan_.every_s, state_.round_s);
  const bool one_place = std::none_of(plan_.takes.begin(), plan_.takes.end(),
                                      [](const Take& take) { return elsewhere(take.looks, {}); });
  if (plan_.hold && one_place) {
    holder_.emplace(*plan_.hold);
  }
}

Result<Series> Series::begin(SeriesPlan plan, const LiveFrame& like, const live::Setting& setting,
                             const Hands& hands) {
  if (plan.takes.empty()) {
    return base::fail(ErrorCode::kMissing, "takes");
  }
  if (plan.takes.size() > kMostTakes) {
    return base::fail(ErrorCode::kTooLarge, "takes", std::to_string(plan.takes.size()),
                      base::wants("at-most", {static_cast<double>(kMostTakes)}));
  }
  const auto rounds = base::checked("rounds", plan.rounds, kRoundsRange);
  const auto every = base::checked("every_s", plan.every_s, kEveryRange);
  if (!rounds || !every) {
    return tl::make_unexpected(!rounds ? rounds.error() : every.error());
  }
  for (const Take& take : plan.takes) {
    if (const auto good = checked_take(take, plan.shutter_ms); !good) {
      return tl::make_unexpected(good.error());
    }
    if (elsewhere(take.looks, {}) && !hands.guider) {
      return base::fail(ErrorCode::kNotFound, "guider");
    }
  }
  return Series(std::move(plan), like, setting);
}

SeriesWish Series::expose(std::optional<double> exposure_ms, bool disc_may_clip) {
  if (!exposure_ms || !exposure_ms_) {
    return {};  // it never was another, or nobody knows what it was
  }
  const double wanted =
      std::clamp(*exposure_ms * light_factor_, plan_.shutter_ms.low, plan_.shutter_ms.high);
  if (state_.exposure_ms.value_or(*exposure_ms_) == wanted) {
    return {};
  }
  state_.exposure_ms = wanted;
  live::Setting setting = exposed(setting_, wanted / *exposure_ms_);
  setting.disc_may_clip = setting_.disc_may_clip || disc_may_clip;
  SeriesWish wish;
  wish.expose = Exposing{wanted, setting};
  return wish;
}

SeriesWish Series::look(const sky::DiscPlace& at, SeriesWish wish) {
  if (elsewhere(at, looks_)) {
    wish.nudge =
        sky::DiscPlace{at.west_arcsec - looks_.west_arcsec, at.north_arcsec - looks_.north_arcsec};
    wish.moved = std::hypot(wish.nudge->west_arcsec, wish.nudge->north_arcsec) > kFar_arcsec;
    looks_ = at;
  }
  return wish;
}

SeriesWish Series::turn_to(int take, double seconds) {
  state_.take = take;
  state_.stage = SeriesStage::kTurning;
  since_s_ = seconds;
  const Take& next = this_take();
  return look(next.looks,
              expose(next.exposure_ms ? next.exposure_ms : exposure_ms_, next.disc_may_clip));
}

bool Series::turned(const LiveFrame& frame, const Hands& hands) const {
  const double gone_s = frame.seconds - since_s_;
  if (gone_s < kStepSettle_s || (hands.guider && hands.guider->moving)) {
    return false;
  }
  return !state_.exposure_ms || gone_s > kUntoldExposure_s ||
         exposed_so(frame, *state_.exposure_ms);
}

void Series::follow_light(const live::Meters& meters) {
  if (!plan_.follows_light || !exposure_ms_) {
    return;
  }
  const image::Level& level = meters.last().level;
  const double black = setting_.black_level;
  constexpr double kFull = 0.99;
  constexpr double kLeast = 1e-3;
  // Of what is full nobody knows by how much.
  const double ratio = level.bright >= kFull ? 0.5
                                             : (setting_.target_level - black) /
                                                   std::max(kLeast, level.bright - black);
  const double stops = std::log2(ratio);
  if (std::abs(stops) >= kLightCounts_stops) {
    constexpr double kMost = 4.0;  // at once, up or down
    light_factor_ *= std::clamp(ratio, 1.0 / kMost, kMost);
    light_factor_ = std::clamp(light_factor_, plan_.shutter_ms.low / *exposure_ms_,
                               plan_.shutter_ms.high / *exposure_ms_);
  }
}

RecordPlan Series::clip_of_take() const {
  const Take& take = this_take();
  RecordPlan record;
  std::string name = plan_.stem;
  if (plan_.rounds > 1) {
    name += '-' + digits_of(state_.round + 1);
  }
  if (!take.name.empty()) {
    name += '-' + take.name;
  }
  record.file = plan_.folder / (name + ".fits");
  record.frames = take.frames;
  record.seconds = take.seconds;
  record.above_share = plan_.above_share;
  record.sidecar = plan_.sidecar;
  record.sidecar.edit()["series"] = {{"name", plan_.stem},
                                     {"round", state_.round + 1},
                                     {"rounds", plan_.rounds},
                                     {"take", take.name},
                                     {"every_s", plan_.every_s},
                                     {"looks_west_arcsec", take.looks.west_arcsec},
                                     {"looks_north_arcsec", take.looks.north_arcsec}};
  return record;
}

SeriesWish Series::take(const LiveFrame& frame, const Hands& hands, const live::Meters& meters,
                        const std::optional<RecordState>& recording) {
  SeriesWish wish;
  state_.gone_s = frame.seconds - began_s_;
  state_.next_s = began_s_ + plan_.every_s * (state_.round + 1) - frame.seconds;
  switch (state_.stage) {
    case SeriesStage::kWaiting: {
      state_.next_s = began_s_ + plan_.every_s * state_.round - frame.seconds;
      // The light is followed at the first exposure of a round, once that is in force.
      const bool in_force = frame.seconds - since_s_ > kUntoldExposure_s;
      if (in_force || (state_.takes == 1 && state_.next_s <= 0.0)) {
        since_s_ = frame.seconds;
        follow_light(meters);
        const Take& first = plan_.takes.front();
        wish = expose(first.exposure_ms ? first.exposure_ms : exposure_ms_, first.disc_may_clip);
      }
      if (state_.next_s <= 0.0) {
        SeriesWish turning = turn_to(0, frame.seconds);
        if (!turning.expose) {
          turning.expose = wish.expose;
        }
        wish = std::move(turning);
      }
      break;
    }
    case SeriesStage::kTurning:
      if (turned(frame, hands)) {
        state_.stage = SeriesStage::kRecording;
        since_s_ = frame.seconds;
        wish.record = clip_of_take();
      } else if (frame.seconds - since_s_ > kLongestMove_s) {
        state_.stage = SeriesStage::kFailed;
        state_.problem = base::Error{ErrorCode::kNotFound, "guider"};
        return back({});
      }
      break;
    case SeriesStage::kRecording:
      if (!recording) {
        return wish;  // it begins with this frame
      }
      break;
    case SeriesStage::kDone:
    case SeriesStage::kFailed:
      return wish;
  }
  if (holder_ && hands.guider) {
    if (const auto after = holder_->take(frame, *hands.guider, meters); after && !wish.nudge) {
      wish.nudge = after;
    }
    state_.held_arcsec = holder_->off_arcsec();
  }
  return wish;
}

SeriesWish Series::ended(const RecordState& recording, double seconds) {
  if (over(state_.stage)) {
    return {};
  }
  if (recording.problem) {
    state_.stage = SeriesStage::kFailed;
    state_.problem = recording.problem;
    return back({});
  }
  ++state_.clips;
  if (state_.take + 1 < state_.takes) {
    return turn_to(state_.take + 1, seconds);
  }
  if (state_.round + 1 < plan_.rounds) {
    ++state_.round;
    state_.stage = SeriesStage::kWaiting;
    since_s_ = seconds;
    state_.take = 0;
    const Take& first = this_take();
    return look(first.looks,
                expose(first.exposure_ms ? first.exposure_ms : exposure_ms_, first.disc_may_clip));
  }
  state_.stage = SeriesStage::kDone;
  return back({});
}

SeriesWish Series::back(SeriesWish wish) {
  SeriesWish exposing = expose(exposure_ms_, false);
  wish.expose = exposing.expose;
  return look({}, std::move(wish));
}

SeriesWish Series::stop() { return over(state_.stage) ? SeriesWish{} : back({}); }

}  // namespace solarchon::capture
