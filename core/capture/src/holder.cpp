// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/capture/holder.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/middle.h"
#include "solarchon/image/frame.h"

namespace solarchon::capture {

namespace {

constexpr double kLookEvery_s = 0.08;
constexpr double kMoveSettle_s =
    0.6;                          // after the telescope was moved, frames are still on their way
constexpr double kWatch_s = 2.0;  // the air's motion is out of a median of so long
constexpr double kLeastPx = 0.3;
constexpr double kLeastArcsec = 0.3;
constexpr double kPart = 0.8;  // of what is seen is put right: what the air did stays out
constexpr int kEnough = 4;     // frames, to judge by

/// A power of two, below two thirds of the frame.
int side_for(const image::Frame& frame) {
  int side = 32;
  while (side < 128 && 3 * side <= std::min(frame.width, frame.height)) {
    side *= 2;
  }
  return side;
}

}  // namespace

void Holder::begin(const LiveFrame& live) {
  const image::Frame& frame = live.frame;
  const int side = side_for(frame);
  if (std::min(frame.width, frame.height) < side) {
    return;
  }
  const auto corner = [side](std::optional<double> at, int length) {
    const double middle = at.value_or(0.5 * (length - 1));
    return std::clamp(static_cast<int>(std::lround(middle)) - side / 2, 0, length - side);
  };
  patch_.emplace(frame, corner(plan_.x_px, frame.width), corner(plan_.y_px, frame.height), side);
}

std::optional<Holder::Off> Holder::off(const LiveFrame& live, const live::Meters& meters) {
  if (patch_) {
    const auto shifted = patch_->lay(live.frame);
    (shifted ? found_ : missed_) += 1;
    if (shifted) {
      return Off{shifted->right_px, shifted->down_px};
    }
    if (missed_ < kEnough || found_ >= missed_) {
      return std::nullopt;  // cloud, or a bad moment
    }
    patch_.reset();
    rights_.clear();
    downs_.clear();
  }
  const auto stands = meters.stands();
  if (!stands || stands->seconds != live.seconds) {
    return std::nullopt;
  }
  if (!from_) {
    from_ = stands;
  }
  return Off{(stands->right_arcsec - from_->right_arcsec) / plan_.plate_scale_arcsec_px,
             (stands->down_arcsec - from_->down_arcsec) / plan_.plate_scale_arcsec_px};
}

std::optional<sky::DiscPlace> Holder::take(const LiveFrame& frame,
                                           const devices::GuiderState& guider,
                                           const live::Meters& meters) {
  if (!patch_ && missed_ == 0) {
    begin(frame);
    missed_ = patch_ ? 0 : kEnough;
    looked_s_ = frame.seconds;
    return std::nullopt;
  }
  if (guider.moving) {
    still_s_.reset();
    rights_.clear();
    downs_.clear();
    return std::nullopt;
  }
  if (!still_s_) {
    still_s_ = frame.seconds;
  }
  if (frame.seconds - *still_s_ < kMoveSettle_s || frame.seconds - looked_s_ < kLookEvery_s) {
    return std::nullopt;
  }
  looked_s_ = frame.seconds;
  if (const auto at = off(frame, meters)) {
    rights_.push_back(at->right_px);
    downs_.push_back(at->down_px);
  }
  if (frame.seconds - *still_s_ < kMoveSettle_s + kWatch_s ||
      rights_.size() < static_cast<std::size_t>(kEnough)) {
    return std::nullopt;
  }
  const double scale = plan_.plate_scale_arcsec_px;
  const double right = scale * base::middle_of(std::move(rights_));
  const double down = scale * base::middle_of(std::move(downs_));
  rights_.clear();
  downs_.clear();
  still_s_ = frame.seconds - kMoveSettle_s;
  off_arcsec_ = std::hypot(right, down);
  if (*off_arcsec_ < std::max(kLeastPx * scale, kLeastArcsec)) {
    return std::nullopt;
  }
  // Where the feature went, the telescope goes after it.
  const sky::DiscPlace went = sky::to_disc({right, -down}, plan_.celestial);
  return sky::DiscPlace{kPart * went.west_arcsec, kPart * went.north_arcsec};
}

}  // namespace solarchon::capture
