// SPDX-License-Identifier: GPL-3.0-or-later
#include "circle.h"

#include <gtest/gtest.h>

#include <cmath>

#include "edge.h"
#include "solarchon/base/random.h"
#include "solarchon/image/point.h"

namespace solarchon::disc {
namespace {

std::vector<image::Point> arc_points(const Circle& circle, double from_rad, double to_rad,
                                     int count, double noise, base::Random& random) {
  std::vector<image::Point> points;
  for (int i = 0; i < count; ++i) {
    const double angle = from_rad + (to_rad - from_rad) * i / count;
    const double radius = circle.radius + noise * random.normal();
    points.push_back({circle.x + radius * std::cos(angle), circle.y + radius * std::sin(angle)});
  }
  return points;
}

/// Edges of which nobody knows on which side light lies.
std::vector<EdgePoint> edges_at(const std::vector<image::Point>& points) {
  std::vector<EdgePoint> edges;
  edges.reserve(points.size());
  for (const image::Point& point : points) {
    edges.push_back({point, {0.0, 0.0}});
  }
  return edges;
}

TEST(CircleThrough, MeetsThreePoints) {
  const auto circle = circle_through({5.0, 0.0}, {0.0, 5.0}, {-5.0, 0.0});
  ASSERT_TRUE(circle);
  EXPECT_NEAR(circle->x, 0.0, 1e-12);
  EXPECT_NEAR(circle->y, 0.0, 1e-12);
  EXPECT_NEAR(circle->radius, 5.0, 1e-12);
}

TEST(CircleThrough, IsNoneForALine) {
  EXPECT_FALSE(circle_through({0.0, 0.0}, {1.0, 1.0}, {2.0, 2.0}));
  EXPECT_FALSE(circle_through({1.0, 1.0}, {1.0, 1.0}, {2.0, 2.0}));
}

TEST(ConsensusCircle, FindsTheCircleAmongAsManyStrayPoints) {
  base::Random random{1};
  const Circle truth{300.0, 200.0, 150.0};
  auto points = arc_points(truth, 0.0, 6.28, 200, 0.3, random);
  for (int i = 0; i < 200; ++i) {
    points.push_back({random.uniform(0, 600), random.uniform(0, 400)});
  }
  const auto found = consensus_circle(edges_at(points), {1.5, 0.0, 2000.0});
  ASSERT_TRUE(found);
  EXPECT_NEAR(found->x, truth.x, 3.0);
  EXPECT_NEAR(found->y, truth.y, 3.0);
  EXPECT_NEAR(found->radius, truth.radius, 3.0);
}

TEST(ConsensusCircle, GoesByWhereLightLies) {
  base::Random random{1};
  std::vector<EdgePoint> edges;
  const auto add = [&](const Circle& circle, double to_rad, int count, double sign) {
    for (const image::Point& point : arc_points(circle, 0.0, to_rad, count, 0.2, random)) {
      edges.push_back({point,
                       {sign * (circle.x - point.x) / circle.radius,
                        sign * (circle.y - point.y) / circle.radius}});
    }
  };
  add({300.0, 200.0, 150.0}, 3.0, 100, 1.0);    // half of the Sun's limb
  add({380.0, 230.0, 152.0}, 6.28, 200, -1.0);  // the Moon's, of which more is seen
  const auto sun = consensus_circle(edges, {1.5, 0.0, 2000.0, true});
  const auto moon = consensus_circle(edges, {1.5, 0.0, 2000.0, false});
  ASSERT_TRUE(sun && moon);
  EXPECT_NEAR(sun->x, 300.0, 3.0);
  EXPECT_NEAR(moon->x, 380.0, 3.0);
}

TEST(ConsensusCircle, WantsAtLeastADozenPoints) {
  base::Random random{1};
  EXPECT_FALSE(
      consensus_circle(edges_at(arc_points({0, 0, 10}, 0, 6, 11, 0.0, random)), {1.0, 0.0, 100.0}));
  EXPECT_FALSE(consensus_circle({}, {1.0, 0.0, 100.0}));
}

TEST(RobustCircle, ReachesTheTruthFromAPoorStart) {
  base::Random random{2};
  const Circle truth{1023.4, 760.8, 636.9};
  const auto points = arc_points(truth, 0.0, 6.2832, 1440, 0.05, random);
  const CircleFit fit = robust_circle(points, {1000.0, 780.0, 600.0});
  // 0.05 px of noise on 1440 points leaves 0.002 px in the centre.
  EXPECT_NEAR(fit.circle.x, truth.x, 0.01);
  EXPECT_NEAR(fit.circle.y, truth.y, 0.01);
  EXPECT_NEAR(fit.circle.radius, truth.radius, 0.01);
  EXPECT_NEAR(fit.scatter, 0.05, 0.01);
}

TEST(RobustCircle, IgnoresABite) {
  base::Random random{3};
  const Circle truth{500.0, 500.0, 400.0};
  auto points = arc_points(truth, 0.0, 5.0, 1100, 0.05, random);
  const auto bite = arc_points({880.0, 400.0, 300.0}, 2.0, 4.0, 300, 0.05, random);
  points.insert(points.end(), bite.begin(), bite.end());
  const CircleFit fit = robust_circle(points, {505.0, 497.0, 402.0});
  EXPECT_NEAR(fit.circle.x, truth.x, 0.05);
  EXPECT_NEAR(fit.circle.radius, truth.radius, 0.05);
}

TEST(RobustCircle, FitsATenthOfTheLimb) {
  base::Random random{4};
  const Circle truth{0.0, 0.0, 2000.0};
  const auto points = arc_points(truth, 1.0, 1.63, 600, 0.02, random);
  const CircleFit fit = robust_circle(points, {5.0, 5.0, 1990.0});
  EXPECT_NEAR(fit.circle.radius, truth.radius, 0.5);
}

TEST(SteepestFall, FindsTheMiddleOfASoftEdge) {
  for (const double place : {10.0, 10.13, 10.37, 10.5}) {
    std::vector<double> profile;
    for (int i = 0; i < 44; ++i) {
      profile.push_back(100.0 * 0.5 * std::erfc((i * kEdgeStepPx - place) / 1.2 / std::sqrt(2.0)));
    }
    const auto edge = steepest_fall(profile);
    ASSERT_TRUE(edge);
    EXPECT_NEAR(edge->place_px, place, 0.01);
    EXPECT_GT(edge->slope_per_px, 0.0);
  }
}

TEST(SteepestFall, IsNoneWhereNothingFalls) {
  EXPECT_FALSE(steepest_fall(std::vector<double>(44, 5.0)));
  std::vector<double> rising;
  for (int i = 0; i < 44; ++i) {
    rising.push_back(i);
  }
  EXPECT_FALSE(steepest_fall(rising));
  EXPECT_FALSE(steepest_fall({1.0, 0.0}));
}

TEST(LimbBias, GrowsWithTheSoftnessOfTheEdge) {
  const light::LimbDarkening law(540.0);
  const LimbBias sharp = limb_bias(1.6, 600.0, law);
  const LimbBias soft = limb_bias(4.0, 600.0, law);
  EXPECT_GT(soft.sigma_px, sharp.sigma_px);
  EXPECT_GT(soft.inward_px, sharp.inward_px);
  EXPECT_GT(sharp.inward_px, 0.0);  // darkening pulls the steepest point inward
}

}  // namespace
}  // namespace solarchon::disc
