// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/live/runs.h"
#include "solarchon/base/middle.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>
#include <opencv2/core.hpp>
#include <set>

#include "solarchon/base/range.h"

namespace solarchon::live {

using base::ErrorCode;
using base::Result;

Result<FocusFit> fit_focus(const std::vector<FocusPoint>& points) {
  constexpr std::size_t kLeastPoints = 5;
  constexpr std::size_t kLeastPlaces = 3;
  std::set<double> places;
  for (const FocusPoint& point : points) {
    if (const auto width = base::checked("width", point.width, {1e-12, 1e12}); !width) {
      return tl::make_unexpected(width.error());
    }
    places.insert(point.position_um);
  }
  if (points.size() < kLeastPoints || places.size() < kLeastPlaces) {
    return base::fail(ErrorCode::kMissing, "points", std::to_string(points.size()));
  }
  // In units of the range that was gone through, from its middle: the equations stay well scaled.
  const double middle = 0.5 * (*places.begin() + *places.rbegin());
  const double range = 0.5 * (*places.rbegin() - *places.begin());
  struct Row {
    cv::Vec3d powers;
    double square;
    double weight = 1.0;
  };
  std::vector<Row> rows;
  for (const FocusPoint& point : points) {
    const double at = (point.position_um - middle) / range;
    rows.push_back({{at * at, at, 1.0}, point.width * point.width});
  }
  cv::Vec3d curve;
  cv::Matx33d spread;
  for (int round = 0; round < 6; ++round) {
    cv::Matx33d normal = cv::Matx33d::zeros();
    cv::Vec3d right;
    for (const Row& row : rows) {
      // Widths scatter in proportion to themselves, their squares twice as much.
      const double weight = row.weight / (row.square * row.square);
      normal += weight * row.powers * row.powers.t();
      right += weight * row.square * row.powers;
    }
    const cv::Matx31d solved = normal.solve(cv::Matx31d(right));
    curve = {solved(0), solved(1), solved(2)};
    std::vector<double> off;
    off.reserve(rows.size());
    for (const Row& row : rows) {
      off.push_back(std::abs(row.square - row.powers.dot(curve)) / row.square);
    }
    const double scatter = std::max(1e-6, 1.4826 * base::middle_of(off));
    for (std::size_t i = 0; i < rows.size(); ++i) {
      constexpr double kTukey = 4.7;
      const double share = off[i] / (kTukey * scatter);
      rows[i].weight = share < 1.0 ? std::pow(1.0 - share * share, 2) : 0.0;
    }
    spread = normal.inv() * (scatter * scatter);
  }
  const double least = curve(2) - curve(1) * curve(1) / (4.0 * curve(0));
  if (curve(0) <= 3.0 * std::sqrt(std::max(0.0, spread(0, 0)))) {
    return base::fail(ErrorCode::kNotFound, "points");
  }
  const double at = -curve(1) / (2.0 * curve(0));
  constexpr double kFar = 2.0;  // beyond the range that was tried it is a guess
  if (std::abs(at) > kFar) {
    return base::fail(ErrorCode::kNotFound, "points");
  }
  // d at = -d b / 2a + b d a / 2a^2
  const cv::Vec3d slope(curve(1) / (2.0 * curve(0) * curve(0)), -0.5 / curve(0), 0.0);
  FocusFit fit;
  fit.position_um = {middle + range * at,
                     range * std::sqrt(std::max(0.0, slope.dot(spread * slope)))};
  // Where the places lie so far apart that they tell of the flanks alone, least may fall below 0.
  fit.width = std::sqrt(std::max(0.0, least));
  fit.um_per_width = range / std::sqrt(curve(0));
  fit.inside = std::abs(at) < 1.0;
  return fit;
}

namespace {

/// The means of a figure at each step, and how far single ones lie off them.
struct ByStep {
  std::map<int, double> means;
  double scatter = 0.0;
};

template <typename Figure>
ByStep by_step(const std::vector<TuningPoint>& points, Figure figure) {
  std::map<int, std::vector<double>> of_step;
  for (const TuningPoint& point : points) {
    if (const std::optional<double> value = figure(point)) {
      of_step[point.step].push_back(*value);
    }
  }
  ByStep by;
  int twice = 0;
  for (const auto& [step, seen] : of_step) {
    const double sum = std::accumulate(seen.begin(), seen.end(), 0.0);
    by.means[step] = sum / static_cast<double>(seen.size());
    for (const double one : seen) {
      by.scatter += std::pow(one - by.means[step], 2);
      twice += seen.size() > 1 ? 1 : 0;
    }
  }
  by.scatter = twice > 0 ? std::sqrt(by.scatter / twice) : 0.0;
  return by;
}

constexpr std::size_t kLeastSteps = 3;

}  // namespace

std::optional<TuningFit> best_step(const std::vector<TuningPoint>& points) {
  const auto [means, scatter] =
      by_step(points, [](const TuningPoint& point) { return std::optional(point.structure); });
  if (means.size() < kLeastSteps) {
    return std::nullopt;
  }
  const auto by_mean = [](const auto& a, const auto& b) { return a.second < b.second; };
  const auto best = std::max_element(means.begin(), means.end(), by_mean);
  const auto worst = std::min_element(means.begin(), means.end(), by_mean);
  if (best->second - worst->second <= 2.0 * scatter || best->second <= 0.0) {
    return std::nullopt;
  }
  TuningFit fit;
  fit.step = best->first;
  fit.between = best->first;
  fit.at_the_end = best == means.begin() || std::next(best) == means.end();
  if (!fit.at_the_end) {
    const auto before = std::prev(best);
    const auto after = std::next(best);
    const double left = best->first - before->first;
    const double right = after->first - best->first;
    const double falls_left = (best->second - before->second) / left;
    const double falls_right = (best->second - after->second) / right;
    const double bend = falls_left + falls_right;
    if (bend > 0.0) {
      fit.between += std::clamp(0.5 * (falls_left * right - falls_right * left) / bend, -left / 2.0,
                                right / 2.0);
    }
  }
  return fit;
}

std::optional<TuningFit> darkest_step(const std::vector<TuningPoint>& points) {
  const auto [means, scatter] = by_step(points, [](const TuningPoint& point) {
    return point.light > 0.0 ? std::optional(std::log(point.light)) : std::nullopt;
  });
  if (means.size() < kLeastSteps) {
    return std::nullopt;
  }
  const auto darkest = std::min_element(
      means.begin(), means.end(), [](const auto& a, const auto& b) { return a.second < b.second; });
  // Further out the flank is straight.
  constexpr int kNear = 3;
  cv::Matx33d normal = cv::Matx33d::zeros();
  cv::Vec3d right;
  std::size_t near = 0;
  double brightest = darkest->second;
  for (const auto& [step, light] : means) {
    const double at = step - darkest->first;
    if (std::abs(at) <= kNear) {
      const cv::Vec3d powers(at * at, at, 1.0);
      normal += powers * powers.t();
      right += light * powers;
      brightest = std::max(brightest, light);
      ++near;
    }
  }
  constexpr double kClearly = 0.01;
  if (near < kLeastSteps || brightest - darkest->second < std::max(kClearly, 3.0 * scatter)) {
    return std::nullopt;
  }
  const cv::Matx31d curve = normal.solve(cv::Matx31d(right));
  if (!(curve(0) > 0.0)) {
    return std::nullopt;
  }
  const int first = means.begin()->first;
  const int last = means.rbegin()->first;
  TuningFit fit;
  const double lowest = darkest->first - curve(1) / (2.0 * curve(0));
  fit.between = std::clamp(lowest, static_cast<double>(first), static_cast<double>(last));
  fit.step = static_cast<int>(std::lround(fit.between));
  fit.at_the_end = darkest->first == first || darkest->first == last;
  return fit;
}

}  // namespace solarchon::live
