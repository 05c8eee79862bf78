// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/disc/limb_tracker.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <numbers>

#include "arc.h"
#include "edge.h"
#include "solarchon/base/middle.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"

namespace solarchon::disc {

namespace {

constexpr double kTurn = 2.0 * std::numbers::pi;
constexpr double kNone = std::numeric_limits<double>::quiet_NaN();

/// Spacing of the samples across the edge (px).
constexpr double kBinPx = 0.5;

/// One place where the edge was found.
struct LimbPoint {
  std::size_t sector = 0;
  double angle_rad = 0.0;
  double off_px = kNone;  ///< from the circle that was looked along
  double step = 0.0;
};

/// Brightness across a stretch of the edge, from inside to outside, kBinPx apart: the mean of the
/// pixels that lie there, none of them moved.
class Profile {
 public:
  explicit Profile(std::size_t bins) : sums_(bins, 0.0), counts_(bins, 0.0) {}
  void add(std::size_t bin, double value) {
    sums_[bin] += value;
    counts_[bin] += 1.0;
  }
  [[nodiscard]] std::size_t size() const { return sums_.size(); }
  /// None where two neighbours are empty; one that is empty by itself is between its neighbours.
  /// (Along rows and columns pixels lie whole pixels apart.)
  [[nodiscard]] std::optional<std::vector<double>> values() const {
    std::vector<double> values(sums_.size());
    for (std::size_t i = 0; i < values.size(); ++i) {
      if (counts_[i] > 0.0) {
        values[i] = sums_[i] / counts_[i];
        continue;
      }
      if (i == 0 || i + 1 == values.size() || counts_[i - 1] == 0.0 || counts_[i + 1] == 0.0) {
        return std::nullopt;
      }
      values[i] = 0.5 * (values[i - 1] + sums_[i + 1] / counts_[i + 1]);
    }
    return values;
  }
  void add_sums(std::size_t bin, const Profile& other, std::size_t from) {
    sums_[bin] += other.sums_[from];
    counts_[bin] += other.counts_[from];
  }

 private:
  std::vector<double> sums_;
  std::vector<double> counts_;
};

/// The steepest fall of a profile.
struct Fall {
  double place_px = 0.0;  ///< from the middle of the profile
  double step = 0.0;      ///< from what lies inside to what lies outside
  double outer_px = 0.0;  ///< from there outwards to half of that slope; 0 where it is not seen
  double over_px = 0.0;   ///< half of the stretch over which the slope was taken

  /// The slope's full width at half maximum, without what the stretch and the bins add to it, as
  /// to that of a bell. Twice its outer half: inwards the disc's darkening goes on.
  [[nodiscard]] double width_px() const {
    const double width = 2.0 * outer_px;
    const double added =
        8.0 * std::numbers::ln2 * (over_px * over_px / 5.0 + kBinPx * kBinPx / 12.0);
    return std::sqrt(std::max(0.2 * width * width, width * width - added));
  }
};

/// Where an edge lies by the light on its both sides: whole pixels count, however coarse they are.
/// @return  from the middle of the profile; farther in by what the disc's darkening takes
double balance_of(const std::vector<double>& profile, double reach_px) {
  const auto size = static_cast<std::ptrdiff_t>(profile.size());
  const auto middle = (size - 1) / 2;
  const auto reach = std::min(middle, static_cast<std::ptrdiff_t>(std::ceil(reach_px / kBinPx)));
  const auto end = std::max<std::ptrdiff_t>(2, (size - 2 * reach) / 2);
  double inside = 0.0;
  double outside = 0.0;
  for (std::ptrdiff_t i = 0; i < end; ++i) {
    // Just beside the stretch.
    const auto in = std::max<std::ptrdiff_t>(0, middle - reach - 1 - i);
    const auto out = std::min(size - 1, middle + reach + 1 + i);
    inside += profile[static_cast<std::size_t>(in)] / static_cast<double>(end);
    outside += profile[static_cast<std::size_t>(out)] / static_cast<double>(end);
  }
  double light = 0.0;
  for (std::ptrdiff_t i = middle - reach; i <= middle + reach; ++i) {
    light += profile[static_cast<std::size_t>(i)] - outside;
  }
  const double step = inside - outside;
  return step > 0.0 ? (light / step - static_cast<double>(reach) - 0.5) * kBinPx : kNone;
}

/// @param soft_px  how wide the fall is thought to be: the slope is taken over a part of that
std::optional<Fall> fall_of(const std::vector<double>& profile, double soft_px) {
  const int size = static_cast<int>(profile.size());
  const int half = std::max(1, static_cast<int>(std::lround(0.3 * soft_px / kBinPx)));
  const auto slope = [&](int i) {
    // A straight line through the samples: what noise leaves of a difference of two is less.
    double sum = 0.0;
    double weights = 0.0;
    for (int k = -half; k <= half; ++k) {
      const int at = i + k;
      sum -= k * profile[static_cast<std::size_t>(at)];
      weights += k * k;
    }
    return sum / weights / kBinPx;
  };
  if (size < 4 * half + 5) {
    return std::nullopt;
  }
  int best = half;
  for (int i = half; i < size - half; ++i) {
    best = slope(i) > slope(best) ? i : best;
  }
  if (best <= half || best >= size - half - 1) {
    return std::nullopt;
  }
  const double before = slope(best - 1);
  const double there = slope(best);
  const double after = slope(best + 1);
  const double bend = before - 2.0 * there + after;
  if (there <= 0.0 || bend >= 0.0) {
    return std::nullopt;
  }
  const double beside = std::clamp(0.5 * (before - after) / bend, -0.5, 0.5);
  const int fifth = std::max(2, size / 5);
  Fall fall;
  for (int i = 0; i < fifth; ++i) {
    fall.step +=
        (profile[static_cast<std::size_t>(i)] - profile[static_cast<std::size_t>(size - 1 - i)]) /
        fifth;
  }
  fall.place_px = (best + beside - (size - 1) / 2.0) * kBinPx;
  fall.over_px = half * kBinPx;
  const double most = there - 0.125 * (before - after) * (before - after) / bend;
  for (int i = best; i + 1 < size - half; ++i) {
    if (slope(i + 1) < 0.5 * most) {
      const double part = (slope(i) - 0.5 * most) / std::max(1e-9, slope(i) - slope(i + 1));
      fall.outer_px = (i + part - best - beside) * kBinPx;
      break;
    }
  }
  return fall;
}

/// An angle over a whole turn, 0 to 1, within 0.0002. Called for every pixel near the limb.
/// Source: a polynomial for the arc tangent of 0 to 1 (Rajan and others 2006).
double share_of_turn(double down, double across) {
  const double steep = std::abs(down);
  const double flat = std::abs(across);
  const double ratio = std::min(steep, flat) / std::max(1e-12, std::max(steep, flat));
  const double eighth =
      (0.25 * std::numbers::pi * ratio - ratio * (ratio - 1.0) * (0.2447 + 0.0663 * ratio)) / kTurn;
  double share = steep > flat ? 0.25 - eighth : eighth;
  share = across < 0.0 ? 0.5 - share : share;
  return down < 0.0 ? 1.0 - share : share;
}

/// The profiles of all sectors. Rows of pixels that the ring about the circle does not touch are
/// passed over; a sector that the frame cuts is left empty.
std::vector<Profile> profiles_of(const image::Frame& frame, double x, double y, double radius,
                                 double reach) {
  const auto bins = static_cast<std::size_t>(2.0 * std::ceil(reach / kBinPx)) + 1;
  const double middle = static_cast<double>(bins - 1) / 2.0;
  const double outer = radius + (middle + 1.0) * kBinPx;
  const double inner = std::max(0.0, radius - (middle + 1.0) * kBinPx);
  std::vector<Profile> sectors(LimbTracker::kAngles, Profile(bins));
  const int first = std::max(0, static_cast<int>(std::ceil(y - outer)));
  const int last = std::min(frame.height - 1, static_cast<int>(std::floor(y + outer)));
  // Sectors of a small disc lap over each other, or hardly a pixel would lie in each bin.
  constexpr double kLeastArcPx = 6.0;
  const auto overlap = static_cast<int>(
      std::lround(std::min(10.0, 0.5 * kLeastArcPx / (kTurn * radius / LimbTracker::kAngles))));
  const auto take = [&](int row, double from, double to) {
    const std::uint16_t* line =
        frame.pixels.data() + static_cast<std::ptrdiff_t>(row) * frame.width;
    const double down = row - y;
    const int left = std::max(0, static_cast<int>(std::ceil(from)));
    const int right = std::min(frame.width - 1, static_cast<int>(std::floor(to)));
    for (int column = left; column <= right; ++column) {
      const double across = column - x;
      const double out = std::sqrt(across * across + down * down) - radius;
      const double place = out / kBinPx + middle + 0.5;
      if (place < 0.0 || place >= static_cast<double>(bins)) {
        continue;
      }
      const auto bin = static_cast<std::size_t>(place);
      const auto turn =
          static_cast<int>(std::lrint(share_of_turn(down, across) * LimbTracker::kAngles));
      for (int beside = -overlap; beside <= overlap; ++beside) {
        const auto sector = (turn + beside + LimbTracker::kAngles) % LimbTracker::kAngles;
        sectors[static_cast<std::size_t>(sector)].add(bin, line[column]);
      }
    }
  };
  for (int row = first; row <= last; ++row) {
    const double down = row - y;
    const double far = std::sqrt(std::max(0.0, outer * outer - down * down));
    if (std::abs(down) >= inner) {
      take(row, x - far, x + far);
      continue;
    }
    const double near = std::sqrt(inner * inner - down * down);
    take(row, x - far, x - near);
    take(row, x + near, x + far);
  }
  return sectors;
}

/// The circle's shift and growth that the edge points ask for, outliers left out.
struct Change {
  double right = 0.0;
  double down = 0.0;
  double growth = 0.0;
};
Change change_of(const std::vector<LimbPoint>& points, bool grows) {
  Change change;
  double tolerance = 1e9;
  std::vector<double> left;
  for (int round = 0; round < 5; ++round) {
    // Normal equations of off = right cos + down sin + growth.
    std::array<std::array<double, 4>, 3> a{};
    left.clear();
    for (const LimbPoint& point : points) {
      const std::array<double, 3> row{std::cos(point.angle_rad), std::sin(point.angle_rad),
                                      grows ? 1.0 : 0.0};
      const double rest =
          point.off_px - change.right * row[0] - change.down * row[1] - change.growth * row[2];
      left.push_back(std::abs(rest));
      const double share = rest / tolerance;
      const double weight = std::abs(share) < 1.0 ? std::pow(1.0 - share * share, 2) : 0.0;
      for (std::size_t i = 0; i < 3; ++i) {
        for (std::size_t k = 0; k < 3; ++k) {
          a.at(i).at(k) += weight * row.at(i) * row.at(k);
        }
        a.at(i)[3] += weight * row.at(i) * point.off_px;
      }
    }
    for (std::size_t i = 0; i < 3; ++i) {
      // Nothing is believed of what the points hardly tell: a short arc's place along itself.
      a.at(i).at(i) += 0.002 * static_cast<double>(points.size());
    }
    for (std::size_t i = 0; i < 3; ++i) {
      for (std::size_t k = i + 1; k < 3; ++k) {
        const double factor = a.at(k).at(i) / a.at(i).at(i);
        for (std::size_t m = i; m < 4; ++m) {
          a.at(k).at(m) -= factor * a.at(i).at(m);
        }
      }
    }
    change.growth = a[2][3] / a[2][2];
    change.down = (a[1][3] - a[1][2] * change.growth) / a[1][1];
    change.right = (a[0][3] - a[0][1] * change.down - a[0][2] * change.growth) / a[0][0];
    tolerance = std::max(0.5, 6.0 * 1.4826 * base::middle_of(left));
  }
  return change;
}

/// All sectors laid upon each other, edge upon edge: the noise of one does not widen it.
struct AlignedEdge {
  std::optional<std::vector<double>> profile;
  double left_px = 0.0;  ///< mean of how far the edges lie, that whole bins do not take out
};
AlignedEdge edge_upon_edge(const std::vector<Profile>& sectors,
                           const std::vector<LimbPoint>& points) {
  Profile all(sectors.front().size());
  AlignedEdge aligned;
  for (const LimbPoint& point : points) {
    const auto by = std::lround(point.off_px / kBinPx);
    aligned.left_px +=
        (point.off_px - static_cast<double>(by) * kBinPx) / static_cast<double>(points.size());
    const Profile& sector = sectors[point.sector];
    for (std::size_t bin = 0; bin < all.size(); ++bin) {
      const auto from = static_cast<std::ptrdiff_t>(bin) + by;
      if (from >= 0 && from < static_cast<std::ptrdiff_t>(all.size())) {
        all.add_sums(bin, sector, static_cast<std::size_t>(from));
      }
    }
  }
  aligned.profile = all.values();
  return aligned;
}

}  // namespace

bool LimbTracker::find(const image::Frame& frame) {
  const auto fit = fit_limb(frame);
  constexpr double kAlike = 0.15;
  if (!fit) {
    // Less of it than that takes; its size is known.
    const auto centre = centre_by_arc(frame, expected_radius_px_);
    circle_.reset();
    if (centre) {
      constexpr double kReach = 20.0;
      circle_ = Circle{centre->x_px, centre->y_px, expected_radius_px_, kReach, 4.0};
    }
    return centre.has_value();
  }
  if (std::abs(fit->radius_px / expected_radius_px_ - 1.0) > kAlike) {
    circle_.reset();
    return false;
  }
  circle_ = Circle{fit->centre_x_px, fit->centre_y_px, fit->radius_px,
                   std::max(8.0, 6.0 + 5.0 * fit->blur_px), 2.35 * fit->blur_px};
  return true;
}

std::optional<TrackedLimb> LimbTracker::near(const image::Frame& frame) {
  Circle& circle = *circle_;
  // About where the light falls fastest.
  const double inward_px = circle.inward_px;
  const std::vector<Profile> sectors =
      profiles_of(frame, circle.x, circle.y, circle.radius - inward_px, circle.reach);
  std::vector<LimbPoint> points;
  std::vector<double> falls;
  for (std::size_t i = 0; i < sectors.size(); ++i) {
    const auto profile = sectors[i].values();
    if (!profile) {
      continue;
    }
    const auto fall = fall_of(*profile, circle.width);
    const double balance = balance_of(*profile, 0.6 * circle.reach);
    if (fall && std::isfinite(balance) && std::abs(balance) < circle.reach) {
      points.push_back({i, kTurn * static_cast<double>(i) / kAngles, balance, fall->step});
      falls.push_back(fall->place_px - balance);
    }
  }
  // All by the same amount, so that the circle goes where the fall is steepest.
  const double outwards = base::middle_of(falls);
  for (LimbPoint& point : points) {
    point.off_px += outwards;
  }
  std::vector<double> steps;
  steps.reserve(points.size());
  for (const LimbPoint& point : points) {
    steps.push_back(point.step);
  }
  const double usual_step = base::middle_of(steps);
  // A step that is no limb's: noise of the sky, or a cloud's edge.
  std::erase_if(points, [&](const LimbPoint& point) {
    return point.step < 0.5 * usual_step || point.step < 0.01 * frame.saturation;
  });
  constexpr std::size_t kLeastPoints = 4;
  if (points.size() < kLeastPoints) {
    return std::nullopt;
  }
  TrackedLimb seen;
  seen.width_px = circle.width;
  const AlignedEdge aligned = edge_upon_edge(sectors, points);
  if (aligned.profile) {
    if (const auto fall = fall_of(*aligned.profile, circle.width); fall && fall->outer_px > 0.0) {
      seen.width_px = fall->width_px();
    }
    learn_bias(*aligned.profile, aligned.left_px,
               light::LimbDarkening(frame.info.wavelength_nm.value_or(kWhiteLightNm)));
  }
  // From where the light falls fastest to where the disc ends.
  for (LimbPoint& point : points) {
    point.off_px += circle.inward_px - inward_px;
  }
  const Change change = change_of(points, points.size() > kAngles / 4);
  seen.off_px.assign(kAngles, kNone);
  seen.centre_x_px = circle.x + change.right;
  seen.centre_y_px = circle.y + change.down;
  seen.radius_px = circle.radius + change.growth;
  for (const LimbPoint& point : points) {
    seen.off_px.at(point.sector) = point.off_px - change.right * std::cos(point.angle_rad) -
                                   change.down * std::sin(point.angle_rad) - change.growth;
  }
  seen.step = usual_step;
  seen.seen_share = static_cast<double>(points.size()) / kAngles;
  return seen;
}

void LimbTracker::learn_bias(const std::vector<double>& profile, double left_px,
                             const light::LimbDarkening& darkening) {
  const double across_px = static_cast<double>(profile.size() - 1) * kBinPx;
  const auto edge = steepest_fall(profile);
  if (!edge) {
    return;
  }
  // Of an edge as wide as what is looked at the steepest place is little more than noise: what was
  // known goes on.
  constexpr double kNear = 0.3;
  constexpr double kWidest = 0.25;
  const double off_px = edge->place_px - 0.5 * across_px - left_px;
  if (std::abs(off_px) > kNear * edge->half_width_px || edge->half_width_px > kWidest * across_px) {
    return;
  }
  // The bias grows with the width: worked out anew only where that is another, and not for wide
  // ones, which take long.
  constexpr double kAlike = 0.1;
  constexpr double kWidest_px = 10.0;
  Circle& circle = *circle_;
  const double asked_px = std::min(edge->half_width_px, kWidest_px);
  if (std::abs(asked_px - circle.bias_half_width_px) > kAlike * circle.bias_half_width_px) {
    circle.bias_px = limb_bias(asked_px, circle.radius, darkening).inward_px;
    circle.bias_half_width_px = asked_px;
  }
  circle.inward_px = off_px + circle.bias_px * edge->half_width_px / circle.bias_half_width_px;
}

void LimbTracker::learn_where(const image::Frame& frame) {
  // Once to see where the light falls fastest: the profiles are laid about that.
  if (const auto seen = near(frame)) {
    circle_->x = seen->centre_x_px;
    circle_->y = seen->centre_y_px;
    circle_->radius = seen->radius_px;
  }
}

std::optional<TrackedLimb> LimbTracker::look(const image::Frame& frame) {
  constexpr int kPatience = 30;
  if (!circle_) {
    if (wait_ > 0) {
      --wait_;
      return std::nullopt;
    }
    if (!find(frame)) {
      wait_ = kPatience;
      return std::nullopt;
    }
    learn_where(frame);
  }
  auto seen = near(frame);
  const double moved =
      seen ? std::hypot(seen->centre_x_px - circle_->x, seen->centre_y_px - circle_->y)
           : circle_->reach;
  constexpr double kStillMost = 0.6;
  if (moved > 0.6 * circle_->reach || seen->seen_share < kStillMost * circle_->share) {
    // Lost, or gone too far for the strips: looked for anew.
    if (!find(frame)) {
      wait_ = kPatience;
      return std::nullopt;
    }
    learn_where(frame);
    seen = near(frame);
  }
  if (seen) {
    const double reach = std::clamp(6.0 + 2.5 * seen->width_px, 8.0, 0.3 * circle_->radius);
    circle_->x = seen->centre_x_px;
    circle_->y = seen->centre_y_px;
    circle_->radius = seen->radius_px;
    circle_->reach = 0.8 * circle_->reach + 0.2 * reach;
    circle_->width = 0.8 * circle_->width + 0.2 * seen->width_px;
    circle_->share = seen->seen_share;
  }
  return seen;
}

}  // namespace solarchon::disc
