// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <utility>

#include "solarchon/base/middle.h"
#include "solarchon/base/range.h"
#include "solarchon/capture/run.h"

namespace solarchon::capture {

using base::ErrorCode;
using base::Result;

namespace {

// In halves of the depth of focus.
constexpr double kCoarseStep = 4.0;
constexpr double kFineStep = 1.5;
constexpr int kCoarsePlaces = 7;
constexpr int kFinePlaces = 9;
constexpr int kMostCoarse = 4;
/// After a move: the tube trembles, and frames of before are still on their way.
constexpr double kFocuserSettle_s = 0.6;
/// A focuser that has not arrived by then is stuck.
constexpr double kStuck_s = 60.0;

std::optional<live::FocusPoint> narrowest_of(const std::vector<live::FocusPoint>& points) {
  const auto narrowest = std::min_element(
      points.begin(), points.end(), [](const auto& a, const auto& b) { return a.width < b.width; });
  return narrowest == points.end() ? std::nullopt : std::optional(*narrowest);
}

}  // namespace

Result<FocusRun> FocusRun::begin(const FocusPlan& plan, const devices::FocuserState& from) {
  if (const auto depth = base::checked("depth_um", plan.depth_um, kDepthRange); !depth) {
    return tl::make_unexpected(depth.error());
  }
  if (const auto play = base::checked("play_um", plan.play_um, {0.0, 1e5}); !play) {
    return tl::make_unexpected(play.error());
  }
  if (const auto look = base::checked("look_s", plan.look_s, {0.1, 600.0}); !look) {
    return tl::make_unexpected(look.error());
  }
  return FocusRun(plan, from);
}

FocusRun::FocusRun(const FocusPlan& plan, const devices::FocuserState& from)
    : plan_(plan), travel_um_(from.travel_um), middle_um_(from.position_um) {}

double FocusRun::within_travel(double position_um) const {
  const double outside_um = std::max(0.0, position_um);  // there is nothing further in
  return travel_um_ > 0.0 ? std::min(outside_um, travel_um_) : outside_um;
}

RunWish FocusRun::fail(base::Error problem) {
  state_.stage = RunStage::kFailed;
  state_.problem = std::move(problem);
  return {};
}

RunWish FocusRun::fail_at_narrowest(base::Error problem) {
  RunWish wish = fail(std::move(problem));
  if (const auto narrowest = narrowest_of(state_.points)) {
    wish.focus_to_um = narrowest->position_um;
  }
  return wish;
}

RunWish FocusRun::begin_pass(double middle_um, double step_um, int places) {
  way_.clear();
  seen_.clear();
  for (int i = 0; i < places; ++i) {
    const double at = within_travel(middle_um + step_um * (i - 0.5 * (places - 1)));
    if (way_.empty() || at > way_.back()) {
      way_.push_back(at);  // several beyond the end are one
    }
  }
  middle_um_ = middle_um;
  state_.place = 0;
  state_.places = static_cast<int>(way_.size());
  state_.points.clear();
  state_.stage = RunStage::kGoing;
  target_um_ = way_.front();
  // From inside: first past it by more than the play.
  taking_up_ = true;
  return {within_travel(target_um_ - plan_.play_um)};
}

RunWish FocusRun::go_to(double position_um, double seconds) {
  target_um_ = position_um;
  since_s_ = seconds;
  return {position_um};
}

RunWish FocusRun::take(double seconds, const Hands& hands, const live::Meters& meters) {
  if (over(state_.stage)) {
    return {};
  }
  if (!hands.focuser) {
    return fail({ErrorCode::kNotFound, "focuser"});
  }
  if (!std::exchange(begun_, true)) {
    since_s_ = seconds;
    return begin_pass(middle_um_, kCoarseStep * plan_.depth_um, kCoarsePlaces);
  }
  const devices::FocuserState& focuser = *hands.focuser;
  if (state_.stage == RunStage::kLooking) {
    Seen& here = seen_.back();
    const live::Meters::Last last = meters.last();
    if (last.edge_arcsec) {
      here.edges.push_back(*last.edge_arcsec);
    }
    if (last.sharpness > 0.0) {
      here.details.push_back(1.0 / std::sqrt(last.sharpness));
    }
    return seconds - since_s_ >= plan_.look_s ? end_place(seconds) : RunWish{};
  }
  constexpr double kThere_um = 1.0;
  const double bound_um = taking_up_ ? within_travel(target_um_ - plan_.play_um) : target_um_;
  const bool there = !focuser.moving && std::abs(focuser.position_um - bound_um) <=
                                            std::max(kThere_um, 0.1 * plan_.depth_um);
  if (!there) {
    if (seconds - since_s_ > kStuck_s) {
      return fail({ErrorCode::kNotFound, "focuser"});
    }
    settled_s_.reset();
    return {};
  }
  if (taking_up_) {
    taking_up_ = false;
    return go_to(target_um_, seconds);
  }
  if (!settled_s_) {
    settled_s_ = seconds;
  }
  if (seconds - *settled_s_ < kFocuserSettle_s) {
    return {};
  }
  settled_s_.reset();
  if (state_.stage == RunStage::kReturning) {
    state_.stage = RunStage::kDone;
    state_.temperature_c = focuser.temperature_c;
    return RunWish::afresh();
  }
  state_.stage = RunStage::kLooking;
  since_s_ = seconds;
  seen_.push_back({focuser.position_um, {}, {}});
  return {};
}

RunWish FocusRun::end_place(double seconds) {
  // The edge where it is in sight nearly always; else detail, at all places.
  std::size_t edges = 0;
  std::size_t details = 0;
  for (const Seen& one : seen_) {
    edges += one.edges.size();
    details += one.details.size();
  }
  constexpr double kNearly = 0.7;
  state_.by_edge = static_cast<double>(edges) >= kNearly * static_cast<double>(details);
  state_.points.clear();
  for (const Seen& one : seen_) {
    const std::vector<double>& widths = state_.by_edge ? one.edges : one.details;
    if (!widths.empty()) {
      state_.points.push_back({one.position_um, base::middle_of(widths)});
    }
  }
  if (++state_.place < state_.places) {
    state_.stage = RunStage::kGoing;
    return go_to(way_[static_cast<std::size_t>(state_.place)], seconds);
  }
  return end_pass(seconds);
}

RunWish FocusRun::end_pass(double seconds) {
  std::vector<live::FocusPoint> all;
  for (const Seen& one : seen_) {
    for (const double width : state_.by_edge ? one.edges : one.details) {
      all.push_back({one.position_um, width});
    }
  }
  const auto fit = live::fit_focus(all);
  const bool found = fit && fit->inside;
  if (found) {
    state_.fit = *fit;
  }
  ++state_.pass;
  since_s_ = seconds;
  if (fine_) {
    if (!found) {
      return fail_at_narrowest(fit ? base::Error{ErrorCode::kNotFound, "points"} : fit.error());
    }
    state_.stage = RunStage::kReturning;
    target_um_ = fit->position_um.value;
    taking_up_ = true;
    return {within_travel(target_um_ - plan_.play_um)};
  }
  ++coarse_;
  if (found) {
    fine_ = true;
    return begin_pass(fit->position_um.value, kFineStep * plan_.depth_um, kFinePlaces);
  }
  const auto narrowest = narrowest_of(state_.points);
  if (coarse_ >= kMostCoarse || !narrowest) {
    return fail_at_narrowest(fit ? base::Error{ErrorCode::kNotFound, "points"} : fit.error());
  }
  // On from where it was narrowest, so that its neighbours are seen on both sides.
  return begin_pass(narrowest->position_um, kCoarseStep * plan_.depth_um, kCoarsePlaces);
}

}  // namespace solarchon::capture
