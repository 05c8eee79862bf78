// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/registration/overlap.h"

#include <algorithm>
#include <array>
#include <numbers>
#include <opencv2/core.hpp>
#include <vector>

#include "solarchon/image/binning.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/interpolation.h"
#include "solarchon/image/picture.h"
#include "solarchon/image/plane.h"
#include "solarchon/image/point.h"
#include "solarchon/registration/shift_field.h"

namespace solarchon::registration {

using image::Picture;

namespace {

constexpr int kSmallSide = 288;   // px: of what is compared roughly
constexpr double kLeast = 0.035;  // of a panel that has to overlap
constexpr int kBorder = 2;        // px that are not compared

/// Binned, evened, and turned about its middle; what is not of the panel is 0 in the mask.
struct Small {
  cv::Mat light;
  cv::Mat mask;
};

/// The mean of a square about each pixel.
std::vector<float> boxed(const std::vector<float>& plane, int width, int height, int half) {
  const std::size_t wide = static_cast<std::size_t>(width) + 1;
  std::vector<double> sums(wide * (static_cast<std::size_t>(height) + 1), 0.0);
  for (int y = 0; y < height; ++y) {
    double line = 0.0;
    for (int x = 0; x < width; ++x) {
      const auto at = static_cast<std::size_t>(y) * wide + static_cast<std::size_t>(x);
      line +=
          static_cast<double>(plane[static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
                                    static_cast<std::size_t>(x)]);
      sums[at + wide + 1] = sums[at + 1] + line;
    }
  }
  std::vector<float> mean(plane.size());
  for (int y = 0; y < height; ++y) {
    for (int x = 0; x < width; ++x) {
      const auto left = static_cast<std::size_t>(std::max(0, x - half));
      const auto right = static_cast<std::size_t>(std::min(width, x + half + 1));
      const auto top = static_cast<std::size_t>(std::max(0, y - half));
      const auto bottom = static_cast<std::size_t>(std::min(height, y + half + 1));
      const double sum = sums[bottom * wide + right] - sums[bottom * wide + left] -
                         sums[top * wide + right] + sums[top * wide + left];
      mean[static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
           static_cast<std::size_t>(x)] =
          static_cast<float>(sum / static_cast<double>((right - left) * (bottom - top)));
    }
  }
  return mean;
}

/// Detail over how much of it there is about each place, so that limb and spots do not outshout the
/// rest.
Picture evened(Picture small) {
  constexpr int kHalf = 10;
  std::vector<float> sorted = small.values;
  const auto bright = sorted.begin() + static_cast<std::ptrdiff_t>(sorted.size() * 9 / 10);
  std::nth_element(sorted.begin(), bright, sorted.end());
  const float floor = std::max(1e-6F, 0.01F * *bright);
  const std::vector<float> mean = boxed(small.values, small.width, small.height, kHalf);
  std::vector<float> squares(small.values.size());
  for (std::size_t i = 0; i < squares.size(); ++i) {
    small.values[i] -= mean[i];
    squares[i] = small.values[i] * small.values[i];
  }
  const std::vector<float> spread = boxed(squares, small.width, small.height, kHalf);
  for (std::size_t i = 0; i < squares.size(); ++i) {
    small.values[i] /= std::sqrt(std::max(0.0F, spread[i])) + floor;
  }
  return small;
}

Small turned(const Picture& small, double turn_rad, const cv::Size& room) {
  Small made{cv::Mat::zeros(room, CV_32F), cv::Mat::zeros(room, CV_32F)};
  const PanelAlignment back{{(small.width - 1) / 2.0, (small.height - 1) / 2.0},
                            {(small.width - 1) / 2.0, (small.height - 1) / 2.0},
                            -turn_rad};
  for (int y = 0; y < small.height; ++y) {
    for (int x = 0; x < small.width; ++x) {
      const image::Point from = back.at({static_cast<double>(x), static_cast<double>(y)});
      if (from.x >= kBorder && from.y >= kBorder && from.x <= small.width - 1 - kBorder &&
          from.y <= small.height - 1 - kBorder) {
        made.light.at<float>(y, x) =
            turn_rad == 0.0 ? small.at(x, y) : image::sampled(small, 0, from.x, from.y);
        made.mask.at<float>(y, x) = 1.0F;
      }
    }
  }
  return made;
}

struct Spectra {
  cv::Mat light;
  cv::Mat squares;
  cv::Mat mask;
};

Spectra spectra_of(const Small& small) {
  Spectra made;
  cv::dft(small.light, made.light, 0);
  cv::dft(small.light.mul(small.light), made.squares, 0);
  cv::dft(small.mask, made.mask, 0);
  return made;
}

cv::Mat correlated(const cv::Mat& one, const cv::Mat& other) {
  cv::Mat product;
  cv::mulSpectrums(other, one, product, 0, true);
  cv::Mat made;
  cv::dft(product, made, cv::DFT_INVERSE | cv::DFT_SCALE | cv::DFT_REAL_OUTPUT);
  return made;
}

struct Peak {
  double strength = 0.0;
  int right = 0;  ///< of the other panel's first pixel, in the first
  int down = 0;
};

/// The shift at which two panels are most alike.
Peak peak_of(const Spectra& one, const Spectra& other, double least) {
  // Value (d) is the sum over p of one(p) other(p + d).
  const cv::Mat count = correlated(one.mask, other.mask);
  const cv::Mat both = correlated(one.light, other.light);
  const cv::Mat ones = correlated(one.light, other.mask);
  const cv::Mat others = correlated(one.mask, other.light);
  const cv::Mat one_squares = correlated(one.squares, other.mask);
  const cv::Mat other_squares = correlated(one.mask, other.squares);
  Peak peak;
  for (int y = 0; y < count.rows; ++y) {
    for (int x = 0; x < count.cols; ++x) {
      const double n = std::round(static_cast<double>(count.at<float>(y, x)));
      if (n < least) {
        continue;
      }
      const double a = static_cast<double>(ones.at<float>(y, x));
      const double b = static_cast<double>(others.at<float>(y, x));
      const double aa = static_cast<double>(one_squares.at<float>(y, x)) - a * a / n;
      const double bb = static_cast<double>(other_squares.at<float>(y, x)) - b * b / n;
      const double ab = static_cast<double>(both.at<float>(y, x)) - a * b / n;
      if (aa <= 1e-6 * n || bb <= 1e-6 * n) {
        continue;
      }
      const double strength = ab / std::sqrt(aa * bb) * std::sqrt(n);
      if (strength > peak.strength) {
        peak = {strength, x, y};
      }
    }
  }
  return peak;
}

}  // namespace

int bin_for_overlap(int longest_px) {
  return std::max(1, (longest_px + kSmallSide - 1) / kSmallSide);
}

std::optional<Overlap> rough_overlap(const Picture& one, const Picture& other, int bin,
                                     const base::Task& task) {
  const Picture a = evened(image::binned(one, bin));
  const Picture b = evened(image::binned(other, bin));
  const cv::Size room(cv::getOptimalDFTSize(a.width + b.width),
                      cv::getOptimalDFTSize(a.height + b.height));
  const double least = kLeast * static_cast<double>(std::min(a.plane_size(), b.plane_size()));
  const Spectra first = spectra_of(turned(a, 0.0, room));
  std::optional<Overlap> best;
  double best_deg = 0.0;
  const auto look = [&](double turn_deg) {
    constexpr double kWeakest = 7.5;
    const double turn_rad = turn_deg * std::numbers::pi / 180.0;
    const Peak peak = peak_of(first, spectra_of(turned(b, turn_rad, room)), least);
    if (peak.strength < kWeakest || (best && peak.strength <= best->strength)) {
      return;
    }
    const double right = peak.right > room.width / 2 ? peak.right - room.width : peak.right;
    const double down = peak.down > room.height / 2 ? peak.down - room.height : peak.down;
    // A place p of the first lies at p + (right, down) in the other as that was turned; so it is
    // turned back about that one's middle.
    const image::Point middle{(b.width - 1) / 2.0, (b.height - 1) / 2.0};
    const PanelAlignment back{middle, middle, -turn_rad};
    const image::Point centre{(a.width - 1) / 2.0, (a.height - 1) / 2.0};
    const image::Point in_other = back.at({centre.x + right, centre.y + down});
    const double grid = bin;
    const double half = (grid - 1.0) / 2.0;
    Overlap found;
    found.strength = peak.strength;
    found.laid.turn_rad = -turn_rad;
    found.laid.middle = {centre.x * grid + half, centre.y * grid + half};
    found.laid.moved_to = {in_other.x * grid + half, in_other.y * grid + half};
    best = found;
    best_deg = turn_deg;
  };
  // All ways to be turned: a limb alone fits well in many, and only detail tells which it is.
  for (const double turn_deg :
       {0.0, 1.2, -1.2, 2.4, -2.4, 3.6, -3.6, 5.0, -5.0, 6.5, -6.5, 8.0, -8.0}) {
    if (task.stopped()) {
      return std::nullopt;
    }
    look(turn_deg);
  }
  // Between those. Small detail fits at the edges only when it is turned by half a degree at most.
  for (const double step_deg : {0.6, 0.3}) {
    const double about = best_deg;
    for (const double turn_deg : {about + step_deg, about - step_deg}) {
      if (best && !task.stopped()) {
        look(turn_deg);
      }
    }
  }
  return best;
}

namespace {

/// Where the panels overlap, as a rectangle of the first.
std::optional<std::array<int, 4>> overlap_of(const Picture& one, const Picture& other,
                                             const PanelAlignment& laid) {
  double left = 1e9;
  double top = 1e9;
  double right = -1e9;
  double bottom = -1e9;
  for (const image::Point corner : {image::Point{0.0, 0.0}, image::Point{other.width - 1.0, 0.0},
                                    image::Point{0.0, other.height - 1.0},
                                    image::Point{other.width - 1.0, other.height - 1.0}}) {
    const image::Point in_one = laid.back(corner);
    left = std::min(left, in_one.x);
    right = std::max(right, in_one.x);
    top = std::min(top, in_one.y);
    bottom = std::max(bottom, in_one.y);
  }
  const std::array<int, 4> box{std::max(0, static_cast<int>(std::ceil(left))),
                               std::max(0, static_cast<int>(std::ceil(top))),
                               std::min(one.width - 1, static_cast<int>(std::floor(right))),
                               std::min(one.height - 1, static_cast<int>(std::floor(bottom)))};
  constexpr int kNarrowest = 24;
  if (box[2] - box[0] < kNarrowest || box[3] - box[1] < kNarrowest) {
    return std::nullopt;
  }
  return box;
}

/// How alike two panels are where they overlap, detail by detail: 1 the same, 0 nothing in common.
double alike(const Picture& one, const Picture& other, const FineOverlap& fine) {
  Picture first;
  first.width = static_cast<int>(fine.right - fine.left) + 1;
  first.height = static_cast<int>(fine.bottom - fine.top) + 1;
  Picture second = first;
  std::vector<bool> both;
  for (int y = 0; y < first.height; ++y) {
    for (int x = 0; x < first.width; ++x) {
      const image::Point here{fine.left + x, fine.top + y};
      const image::Point there = fine.laid.at(here);
      first.values.push_back(one.at(static_cast<int>(here.x), static_cast<int>(here.y)));
      second.values.push_back(image::sampled(other, 0, there.x, there.y));
      both.push_back(image::lies_on(other, there.x, there.y));
    }
  }
  // Single pixels are noise.
  for (Picture* picture : {&first, &second}) {
    picture->values = boxed(picture->values, picture->width, picture->height, 1);
    *picture = evened(std::move(*picture));
  }
  double product = 0.0;
  double first_squares = 0.0;
  double second_squares = 0.0;
  for (std::size_t i = 0; i < both.size(); ++i) {
    if (both[i]) {
      const auto a = static_cast<double>(first.values[i]);
      const auto b = static_cast<double>(second.values[i]);
      product += a * b;
      first_squares += a * a;
      second_squares += b * b;
    }
  }
  const double size = std::sqrt(first_squares * second_squares);
  return size > 0.0 ? product / size : 0.0;
}

/// Where detail lies in a field: a node of the first panel's, and its offset.
struct Node {
  image::Point at;
  image::Point off;
};

/// Those where detail was found; all, where too few were.
std::vector<Node> nodes_of(const ShiftField& field, const FineOverlap& fine) {
  constexpr std::size_t kFewest = 4;
  std::vector<Node> all;
  std::vector<Node> sure;
  for (int j = 0; j < field.rows; ++j) {
    for (int i = 0; i < field.columns; ++i) {
      const image::Offset& offset = field.offsets[all.size()];
      const Node node{{fine.left + field.origin_px + i * field.spacing_px,
                       fine.top + field.origin_px + j * field.spacing_px},
                      {offset.right_px, offset.down_px}};
      if (field.sure[all.size()]) {
        sure.push_back(node);
      }
      all.push_back(node);
    }
  }
  return sure.size() < kFewest ? all : sure;
}

/// The turn and the shift that explain most of the offsets.
/// @param left_px  what they do not explain, RMS
PanelAlignment motion_of(const std::vector<Node>& nodes, double& left_px) {
  image::Point mean;
  image::Point where;
  const auto count = static_cast<double>(nodes.size());
  for (const Node& node : nodes) {
    mean.x += node.off.x / count;
    mean.y += node.off.y / count;
    where.x += node.at.x / count;
    where.y += node.at.y / count;
  }
  double turn = 0.0;
  double inertia = 0.0;
  for (const Node& node : nodes) {
    const double x = node.at.x - where.x;
    const double y = node.at.y - where.y;
    turn += x * (node.off.y - mean.y) - y * (node.off.x - mean.x);
    inertia += x * x + y * y;
  }
  turn = inertia > 0.0 ? turn / inertia : 0.0;
  double left_over = 0.0;
  for (const Node& node : nodes) {
    left_over += std::pow(node.off.x - mean.x + turn * (node.at.y - where.y), 2.0) +
                 std::pow(node.off.y - mean.y - turn * (node.at.x - where.x), 2.0);
  }
  left_px = std::sqrt(left_over / count);
  return {where, {where.x + mean.x, where.y + mean.y}, turn};
}

/// By how much the detail of the second panel lies off that of the first where they overlap.
ShiftField field_of(const Picture& one, const Picture& other, const FineOverlap& fine) {
  image::Plane reference;
  reference.width = static_cast<int>(fine.right - fine.left) + 1;
  reference.height = static_cast<int>(fine.bottom - fine.top) + 1;
  image::Frame laid;
  laid.width = reference.width;
  laid.height = reference.height;
  std::vector<float> values;
  for (int y = 0; y < reference.height; ++y) {
    for (int x = 0; x < reference.width; ++x) {
      const image::Point here{fine.left + x, fine.top + y};
      const image::Point there = fine.laid.at(here);
      reference.values.push_back(one.at(static_cast<int>(here.x), static_cast<int>(here.y)));
      values.push_back(image::sampled(other, 0, there.x, there.y));
    }
  }
  // In numbers of 16 bits, which the seeker takes; 1 for what is black.
  const float most = std::max(1e-6F, *std::max_element(values.begin(), values.end()));
  const float own =
      std::max(1e-6F, *std::max_element(reference.values.begin(), reference.values.end()));
  constexpr float kFull = 60000.0F;
  laid.pixels.reserve(values.size());
  for (const float value : values) {
    laid.pixels.push_back(
        static_cast<std::uint16_t>(std::lround(std::max(1.0F, value / most * kFull))));
  }
  for (float& value : reference.values) {
    value = std::max(1.0F, value / own * kFull);
  }
  std::array<image::Plane, 2> scratch;
  return PatchMatcher(reference).seek(laid, 0.0, {}, scratch);
}

}  // namespace

std::optional<FineOverlap> fine_overlap(const Picture& one, const Picture& other,
                                        const PanelAlignment& rough) {
  FineOverlap fine;
  fine.laid = rough;
  constexpr int kRounds = 12;
  constexpr double kStill_px = 0.02;
  double moves_px = 1.0;
  for (int round = 0; round < kRounds && moves_px > kStill_px; ++round) {
    const auto box = overlap_of(one, other, fine.laid);
    if (!box) {
      return std::nullopt;
    }
    fine.left = (*box)[0];
    fine.top = (*box)[1];
    fine.right = (*box)[2];
    fine.bottom = (*box)[3];
    const ShiftField field = field_of(one, other, fine);
    fine.sure_share = field.sure_share;
    // Detail of the one lies at p + offset in the other as it was resampled: T(p + offset).
    const PanelAlignment moved = motion_of(nodes_of(field, fine), fine.left_px);
    const image::Point corner{fine.left, fine.top};
    const image::Point before = fine.laid.at(corner);
    fine.laid.moved_to = fine.laid.at(moved.at(fine.laid.middle));
    fine.laid.turn_rad += moved.turn_rad;
    const image::Point after = fine.laid.at(corner);
    moves_px = std::hypot(after.x - before.x, after.y - before.y);
  }
  fine.alike = alike(one, other, fine);
  return fine;
}

}  // namespace solarchon::registration
