// SPDX-License-Identifier: GPL-3.0-or-later
#include "circle.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>

#include "solarchon/base/middle.h"
#include "solarchon/base/random.h"
#include "solarchon/image/point.h"

namespace solarchon::disc {

namespace {

double off_circle(const Circle& circle, const image::Point& point) {
  return std::hypot(point.x - circle.x, point.y - circle.y) - circle.radius;
}

/// Solves a symmetric 3 x 3 system by Cramer's rule; none when it is singular.
std::optional<std::array<double, 3>> solve(const std::array<std::array<double, 3>, 3>& m,
                                           const std::array<double, 3>& rhs) {
  const auto determinant = [](const std::array<std::array<double, 3>, 3>& a) {
    return a[0][0] * (a[1][1] * a[2][2] - a[1][2] * a[2][1]) -
           a[0][1] * (a[1][0] * a[2][2] - a[1][2] * a[2][0]) +
           a[0][2] * (a[1][0] * a[2][1] - a[1][1] * a[2][0]);
  };
  const double whole = determinant(m);
  if (std::abs(whole) < 1e-12) {
    return std::nullopt;
  }
  std::array<double, 3> solution{};
  for (std::size_t column = 0; column < 3; ++column) {
    auto replaced = m;
    for (std::size_t row = 0; row < 3; ++row) {
      replaced.at(row).at(column) = rhs.at(row);
    }
    solution.at(column) = determinant(replaced) / whole;
  }
  return solution;
}

}  // namespace

std::optional<Circle> circle_through(const image::Point& a, const image::Point& b,
                                     const image::Point& c) {
  const double bx = b.x - a.x;
  const double by = b.y - a.y;
  const double cx = c.x - a.x;
  const double cy = c.y - a.y;
  const double twice_area = 2.0 * (bx * cy - by * cx);
  if (std::abs(twice_area) < 1e-9) {
    return std::nullopt;
  }
  const double b2 = bx * bx + by * by;
  const double c2 = cx * cx + cy * cy;
  const double ux = (cy * b2 - by * c2) / twice_area;
  const double uy = (bx * c2 - cx * b2) / twice_area;
  return Circle{a.x + ux, a.y + uy, std::hypot(ux, uy)};
}

std::optional<Circle> consensus_circle(const std::vector<EdgePoint>& points,
                                       const CircleWanted& wanted) {
  constexpr int kDraws = 600;
  constexpr std::size_t kLeastAgreeing = 12;
  if (points.size() < kLeastAgreeing) {
    return std::nullopt;
  }
  base::Random random{static_cast<std::uint32_t>(points.size())};
  const auto any_point = [&]() -> const image::Point& {
    return points[static_cast<std::size_t>(random.uniform(0.0, static_cast<double>(points.size())))]
        .at;
  };
  const auto agrees = [&](const Circle& circle, const EdgePoint& point) {
    if (std::abs(off_circle(circle, point.at)) > wanted.tolerance_px) {
      return false;
    }
    constexpr double kAskew = 0.5;  // cosine
    const double inwards = (circle.x - point.at.x) * point.towards_light.x +
                           (circle.y - point.at.y) * point.towards_light.y;
    const double known = std::hypot(point.towards_light.x, point.towards_light.y);
    return (wanted.bright_inside ? inwards : -inwards) >= kAskew * known * circle.radius;
  };
  std::optional<Circle> best;
  std::size_t most = kLeastAgreeing - 1;
  for (int draw = 0; draw < kDraws; ++draw) {
    const auto circle = circle_through(any_point(), any_point(), any_point());
    if (!circle || circle->radius > wanted.largest_px || circle->radius < wanted.smallest_px) {
      continue;
    }
    const auto agreeing = static_cast<std::size_t>(
        std::count_if(points.begin(), points.end(),
                      [&](const EdgePoint& point) { return agrees(*circle, point); }));
    if (agreeing > most) {
      most = agreeing;
      best = circle;
    }
  }
  return best;
}

CircleFit robust_circle(const std::vector<image::Point>& points, const Circle& start) {
  constexpr int kSteps = 30;
  constexpr double kTukey = 4.685;
  constexpr double kSigmaPerMedian = 1.4826;
  constexpr double kLeastScatter = 1e-3;
  CircleFit fit{start, 0.0, 0};
  for (int step = 0; step < kSteps && points.size() >= 3; ++step) {
    std::vector<double> distances;
    distances.reserve(points.size());
    for (const image::Point& point : points) {
      distances.push_back(std::abs(off_circle(fit.circle, point)));
    }
    fit.scatter = std::max(kLeastScatter, kSigmaPerMedian * base::middle_of(std::move(distances)));
    std::array<std::array<double, 3>, 3> normal{};
    std::array<double, 3> rhs{};
    fit.used = 0;
    for (const image::Point& point : points) {
      const double distance = off_circle(fit.circle, point);
      const double share = distance / (kTukey * fit.scatter);
      if (std::abs(share) >= 1.0) {
        continue;
      }
      ++fit.used;
      const double weight = (1.0 - share * share) * (1.0 - share * share);
      const double reach = distance + fit.circle.radius;
      const std::array<double, 3> slope{(point.x - fit.circle.x) / reach,
                                        (point.y - fit.circle.y) / reach, 1.0};
      for (std::size_t i = 0; i < 3; ++i) {
        rhs.at(i) += weight * slope.at(i) * distance;
        for (std::size_t j = 0; j < 3; ++j) {
          normal.at(i).at(j) += weight * slope.at(i) * slope.at(j);
        }
      }
    }
    const auto move = solve(normal, rhs);
    if (!move) {
      break;
    }
    fit.circle.x += (*move)[0];
    fit.circle.y += (*move)[1];
    fit.circle.radius += (*move)[2];
    if (std::hypot((*move)[0], (*move)[1], (*move)[2]) < 1e-6) {
      break;
    }
  }
  return fit;
}

}  // namespace solarchon::disc
