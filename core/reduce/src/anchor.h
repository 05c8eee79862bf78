// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/frames/part.h"
#include "solarchon/live/limb_watch.h"
#include "solarchon/live/registering.h"
#include "solarchon/live/sharpness.h"
#include "solarchon/measure/limb.h"

namespace solarchon::reduce {

/// Gives a part of a frame that is in hand; false when it cannot.
using PartReader = std::function<bool(const frames::Part& part, frames::Frame& into)>;

/// Where a frame lies against the reference frame.
struct Lying {
  double right_px = 0.0;
  double down_px = 0.0;
  live::Level level;  ///< of the part that was looked at
};

/// The sum of `bin` by `bin` pixels, in which single pixels' noise is small. Its saturation is that
/// of as many full pixels, up to 65535.
void bin_down(const frames::Frame& frame, int bin, frames::Frame& into);

/// A square of the reference frame by which others are found.
class Anchor {
 public:
  Anchor(const frames::Frame& reference, const frames::Part& square, int bin);

  /// @param expected  where the frame is likely to lie: within a quarter of the square
  /// @return          none where the square's detail is not found
  [[nodiscard]] std::optional<Lying> seek(const PartReader& read, int width_px, int height_px,
                                          const Lying& expected);
  [[nodiscard]] const frames::Part& square() const { return square_; }

 private:
  [[nodiscard]] std::optional<Lying> seek_once(const PartReader& read, int width_px, int height_px,
                                               const Lying& expected);
  frames::Part square_;
  int bin_;
  live::Registered registered_;
  frames::Frame part_;
  frames::Frame binned_;
};

/// A small square for frames that lie about where they are expected, and the largest that is of use
/// for those that jumped.
struct Anchors {
  frames::Part near_square;
  int near_bin = 1;
  frames::Part wide_square;
  int wide_bin = 1;
};

/// Chooses squares of the reference frame with much detail, by which most of the others are found.
/// @param beside  frames close to the reference in time
/// @param spread  frames from all over the clip
/// @return        none where nothing is found again
[[nodiscard]] std::optional<Anchors> choose_anchors(const frames::Frame& reference,
                                                    const std::vector<frames::Frame>& beside,
                                                    const std::vector<frames::Frame>& spread);

/// Follows a clip from frame to frame.
class Follower {
 public:
  Follower() = default;
  virtual ~Follower() = default;
  Follower(const Follower&) = delete;
  Follower& operator=(const Follower&) = delete;
  Follower(Follower&&) = delete;
  Follower& operator=(Follower&&) = delete;
  /// Where a frame lies against the reference; none where that is not found in it.
  [[nodiscard]] virtual std::optional<Lying> follow(const PartReader& read, int width_px,
                                                    int height_px) = 0;
};

/// By squares with much detail.
class SquareFollower : public Follower {
 public:
  SquareFollower(const frames::Frame& reference, const Anchors& anchors)
      : near_(reference, anchors.near_square, anchors.near_bin),
        wide_(reference, anchors.wide_square, anchors.wide_bin) {}
  [[nodiscard]] std::optional<Lying> follow(const PartReader& read, int width_px,
                                            int height_px) override;

 private:
  Anchor near_;
  Anchor wide_;
  Lying last_;
};

/// By the limb, where the picture has little else: along a short arc its place is told less well.
class LimbFollower : public Follower {
 public:
  /// @param limb  of the reference frame
  explicit LimbFollower(const measure::LimbFit& limb) : watch_(limb.radius_px), limb_(limb) {}
  [[nodiscard]] std::optional<Lying> follow(const PartReader& read, int width_px,
                                            int height_px) override;

 private:
  live::LimbWatch watch_;
  measure::LimbFit limb_;
  frames::Frame frame_;
};

}  // namespace solarchon::reduce
