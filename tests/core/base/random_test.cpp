// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/random.h"

#include <gtest/gtest.h>

namespace solarchon::base {
namespace {

struct Moments {
  double mean;
  double variance;
};

template <typename Draw>
Moments moments_of(Draw draw) {
  constexpr int kDraws = 200'000;
  double sum = 0.0;
  double square = 0.0;
  for (int i = 0; i < kDraws; ++i) {
    const double value = draw();
    sum += value;
    square += value * value;
  }
  const double mean = sum / kDraws;
  return {mean, square / kDraws - mean * mean};
}

TEST(Random, RepeatsItselfForTheSameSeedsOnly) {
  Random first{1, 2};
  Random again{1, 2};
  Random other{2, 1};
  const double value = first.uniform();
  EXPECT_EQ(value, again.uniform());
  EXPECT_NE(value, other.uniform());
}

TEST(Random, UniformFillsItsRange) {
  Random random{3};
  const Moments found = moments_of([&] { return random.uniform(2.0, 5.0); });
  EXPECT_NEAR(found.mean, 3.5, 0.01);
  EXPECT_NEAR(found.variance, 9.0 / 12.0, 0.01);
}

TEST(Random, NormalHasUnitSpread) {
  Random random{4};
  const Moments found = moments_of([&] { return random.normal(); });
  EXPECT_NEAR(found.mean, 0.0, 0.01);
  EXPECT_NEAR(found.variance, 1.0, 0.02);
}

TEST(Random, PoissonHasItsMeanAsItsVarianceOnBothSidesOfTheSwitch) {
  for (const double mean : {0.3, 5.0, 19.9, 20.1, 400.0}) {
    Random random{5};
    const Moments found = moments_of([&] { return random.poisson(mean); });
    EXPECT_NEAR(found.mean / mean, 1.0, 0.01) << mean;
    EXPECT_NEAR(found.variance / mean, 1.0, 0.02) << mean;
  }
}

TEST(Random, PoissonOfNothingIsNothing) {
  Random random{6};
  for (int i = 0; i < 100; ++i) {
    EXPECT_EQ(random.poisson(0.0), 0.0);
  }
}

}  // namespace
}  // namespace solarchon::base
