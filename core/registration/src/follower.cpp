// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/registration/follower.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <cmath>

#include "solarchon/base/parallel.h"
#include "solarchon/image/binning.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/image/sharpness.h"

namespace solarchon::registration {

using image::Frame;
using image::Rectangle;

namespace {

Frame binned_part(const Frame& frame, const Rectangle& part, int bin) {
  Frame cut;
  image::cut(frame, part, cut);
  Frame small;
  image::bin_down(cut, bin, small);
  return small;
}

Rectangle moved(const Rectangle& square, const FrameShift& by, int width_px, int height_px) {
  const auto place = [](int from, double shift, int size, int room) {
    return std::clamp(from + static_cast<int>(std::lround(shift)), 0, room - size);
  };
  return {place(square.left_px, by.right_px, square.width_px, width_px),
          place(square.top_px, by.down_px, square.height_px, height_px), square.width_px,
          square.height_px};
}

}  // namespace

AlignmentSquare::AlignmentSquare(const Frame& reference, const Rectangle& square, int bin)
    : square_(square),
      bin_(bin),
      registered_(binned_part(reference, square, bin), 0, 0, square.width_px / bin) {}

std::optional<FrameShift> AlignmentSquare::seek_once(const PartReader& read, int width_px,
                                                     int height_px, const FrameShift& expected) {
  const Rectangle at = moved(square_, expected, width_px, height_px);
  if (!read(at, part_)) {
    return std::nullopt;
  }
  image::bin_down(part_, bin_, binned_);
  const auto found = registered_.lay(binned_);
  if (!found) {
    return std::nullopt;
  }
  return FrameShift{at.left_px - square_.left_px + found->right_px * bin_,
                    at.top_px - square_.top_px + found->down_px * bin_, image::level_of(binned_)};
}

std::optional<FrameShift> AlignmentSquare::seek(const PartReader& read, int width_px, int height_px,
                                                const FrameShift& expected) {
  const auto first = seek_once(read, width_px, height_px, expected);
  // Far from where it was looked for, the square's edges cut off too much of it.
  const double far = 0.04 * square_.width_px;
  if (!first || (std::abs(first->right_px - expected.right_px) < far &&
                 std::abs(first->down_px - expected.down_px) < far)) {
    return first;
  }
  const auto closer = seek_once(read, width_px, height_px, *first);
  return closer ? closer : first;
}

namespace {

/// Slopes of a small picture as their least mean square over all directions: how well both of its
/// coordinates can be told.
double hold_of(const Frame& small) {
  double xx = 0.0;
  double yy = 0.0;
  double xy = 0.0;
  double noise = 0.0;
  double light = 0.0;
  double count = 0.0;
  for (int y = 1; y + 1 < small.height; ++y) {
    for (int x = 1; x + 1 < small.width; ++x) {
      const double right = small.at(x + 1, y) - small.at(x - 1, y);
      const double down = small.at(x, y + 1) - small.at(x, y - 1);
      const double rest = small.at(x, y) - 0.25 * (small.at(x + 1, y) + small.at(x - 1, y) +
                                                   small.at(x, y + 1) + small.at(x, y - 1));
      xx += right * right;
      yy += down * down;
      xy += right * down;
      noise += rest * rest;
      light += small.at(x, y);
      count += 1.0;
    }
  }
  if (count < 1.0 || light <= 0.0) {
    return 0.0;
  }
  const double least = 0.5 * (xx + yy) - std::hypot(0.5 * (xx - yy), xy);
  constexpr double kOfTheRest = 1.25;  // its variance in units of a pixel's
  return std::max(0.0, least - 2.0 * noise / kOfTheRest * 0.5) * count / (light * light);
}

struct Candidate {
  Rectangle square;
  int bin = 1;
};

std::optional<Candidate> best_square(const Frame& reference, int bin, int side) {
  const int size = side * bin;
  if (size > std::min(reference.width, reference.height)) {
    return std::nullopt;
  }
  Candidate best{{(reference.width - size) / 2, (reference.height - size) / 2, size, size}, bin};
  // Up to five places along each side.
  constexpr int kPlaces = 5;
  constexpr int kAll = kPlaces * kPlaces;
  const auto square_at = [&](int i, int j) {
    return Rectangle{(reference.width - size) * i / (kPlaces - 1),
                     (reference.height - size) * j / (kPlaces - 1), size, size};
  };
  std::array<double, kAll> holds{};
  base::each_row(kAll, {}, [&](int k) {
    const Rectangle square = square_at(k % kPlaces, k / kPlaces);
    holds.at(static_cast<std::size_t>(k)) = hold_of(binned_part(reference, square, bin));
  });
  const auto most = std::max_element(holds.begin(), holds.end());
  if (*most >= 0.0) {
    const auto k = static_cast<int>(most - holds.begin());
    best.square = square_at(k % kPlaces, k / kPlaces);
  }
  return best;
}

PartReader reader_of(const Frame& frame) {
  return [&frame](const Rectangle& part, Frame& into) {
    image::cut(frame, part, into);
    return true;
  };
}

double found_share(const Frame& reference, const Candidate& candidate,
                   const std::vector<Frame>& others) {
  std::atomic<int> found{0};
  std::atomic<std::size_t> next{0};
  base::together(std::min(base::hands(), static_cast<int>(others.size())), [&](int) {
    AlignmentSquare own(reference, candidate.square, candidate.bin);
    for (std::size_t i = next++; i < others.size(); i = next++) {
      const Frame& other = others[i];
      found += own.seek(reader_of(other), other.width, other.height, {}) ? 1 : 0;
    }
  });
  return others.empty() ? 0.0 : found / static_cast<double>(others.size());
}

}  // namespace

std::optional<AlignmentSquares> choose_alignment_squares(const Frame& reference,
                                                         const std::vector<Frame>& beside,
                                                         const std::vector<Frame>& spread) {
  const int least = std::min(reference.width, reference.height);
  const int side = least >= 256 ? 128 : (least >= 128 ? 64 : 32);
  const int first_bin = least >= 1024 ? 2 : 1;
  std::optional<Candidate> near;
  std::optional<Candidate> wide;
  double near_share = 0.0;
  double wide_share = 0.0;
  for (int bin = first_bin; side * bin <= least; bin *= 2) {
    const auto candidate = best_square(reference, bin, side);
    if (!candidate) {
      break;
    }
    const double close = found_share(reference, *candidate, beside);
    const double all = found_share(reference, *candidate, spread);
    constexpr double kClearlyMore = 1.3;
    if (close > kClearlyMore * near_share) {
      near_share = close;
      near = candidate;
    }
    if (all >= wide_share && all > 0.0) {
      wide_share = all;
      wide = candidate;
    }
  }
  // Noise is taken for the same now and then.
  constexpr double kLeastShare = 0.45;
  if (near_share < kLeastShare && wide_share < kLeastShare) {
    return std::nullopt;
  }
  if (!near) {
    near = wide;
  }
  if (!wide) {
    wide = near;
  }
  return AlignmentSquares{near->square, near->bin, wide->square, wide->bin};
}

std::optional<FrameShift> SquareFollower::follow(const PartReader& read, int width_px,
                                                 int height_px) {
  auto found = near_.seek(read, width_px, height_px, last_);
  if (!found && !(wide_.square() == near_.square())) {
    const auto about = wide_.seek(read, width_px, height_px, last_);
    found = about ? near_.seek(read, width_px, height_px, *about) : std::nullopt;
    if (!found) {
      found = about;
    }
  }
  if (found) {
    last_ = *found;
  }
  return found;
}

std::optional<FrameShift> LimbFollower::follow(const PartReader& read, int width_px,
                                               int height_px) {
  if (!read({0, 0, width_px, height_px}, frame_)) {
    return std::nullopt;
  }
  const auto seen = watch_.look(frame_);
  if (!seen) {
    return std::nullopt;
  }
  return FrameShift{seen->centre_x_px - limb_.centre_x_px, seen->centre_y_px - limb_.centre_y_px,
                    image::level_of(frame_)};
}

}  // namespace solarchon::registration
