// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/disc/limb.h"
#include "solarchon/disc/limb_tracker.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/image/sharpness.h"
#include "solarchon/registration/reference_square.h"

namespace solarchon::registration {

/// Gives a part of a frame that is in hand; false when it cannot.
using PartReader = std::function<bool(const image::Rectangle& part, image::Frame& into)>;

/// Where a frame lies against the reference frame.
struct FrameShift {
  double right_px = 0.0;
  double down_px = 0.0;
  image::Level level;  ///< of the part that was looked at
};

/// A square of the reference frame by which others are found.
class AlignmentSquare {
 public:
  AlignmentSquare(const image::Frame& reference, const image::Rectangle& square, int bin);

  /// @param expected  where the frame is likely to lie: within a quarter of the square
  /// @return          none where the square's detail is not found
  [[nodiscard]] std::optional<FrameShift> seek(const PartReader& read, int width_px, int height_px,
                                               const FrameShift& expected);
  [[nodiscard]] const image::Rectangle& square() const { return square_; }

 private:
  [[nodiscard]] std::optional<FrameShift> seek_once(const PartReader& read, int width_px,
                                                    int height_px, const FrameShift& expected);
  image::Rectangle square_;
  int bin_;
  ReferenceSquare registered_;
  image::Frame part_;
  image::Frame binned_;
};

/// A small square for frames that lie about where they are expected, and the largest that is of use
/// for those that jumped.
struct AlignmentSquares {
  image::Rectangle near_square;
  int near_bin = 1;
  image::Rectangle wide_square;
  int wide_bin = 1;
};

/// Chooses squares of the reference frame with much detail, by which most of the others are found.
/// @param beside  frames close to the reference in time
/// @param spread  frames from all over the clip
/// @return        none where nothing is found again
[[nodiscard]] std::optional<AlignmentSquares> choose_alignment_squares(
    const image::Frame& reference, const std::vector<image::Frame>& beside,
    const std::vector<image::Frame>& spread);

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
  [[nodiscard]] virtual std::optional<FrameShift> follow(const PartReader& read, int width_px,
                                                         int height_px) = 0;
};

/// By squares with much detail.
class SquareFollower : public Follower {
 public:
  SquareFollower(const image::Frame& reference, const AlignmentSquares& anchors)
      : near_(reference, anchors.near_square, anchors.near_bin),
        wide_(reference, anchors.wide_square, anchors.wide_bin) {}
  [[nodiscard]] std::optional<FrameShift> follow(const PartReader& read, int width_px,
                                                 int height_px) override;

 private:
  AlignmentSquare near_;
  AlignmentSquare wide_;
  FrameShift last_;
};

/// By the limb, where the picture has little else: along a short arc its place is told less well.
class LimbFollower : public Follower {
 public:
  /// @param limb  of the reference frame
  explicit LimbFollower(const disc::LimbFit& limb) : watch_(limb.radius_px), limb_(limb) {}
  [[nodiscard]] std::optional<FrameShift> follow(const PartReader& read, int width_px,
                                                 int height_px) override;

 private:
  disc::LimbTracker watch_;
  disc::LimbFit limb_;
  image::Frame frame_;
};

}  // namespace solarchon::registration
