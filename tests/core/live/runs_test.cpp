// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/live/runs.h"

#include <cmath>

#include "solarchon/base/random.h"
#include "solarchon/camera/simulate.h"
#include "solarchon/disc/limb_tracker.h"
#include "solarchon/live/seeing_monitor.h"
#include "tests/support/support.h"

namespace solarchon::live {
namespace {

using base::ErrorCode;
using test::FailsWith;

TEST(FocusRun, FindsTheBottomOfTheValley) {
  for (std::uint32_t seed = 1; seed <= 20; ++seed) {
    base::Random random{seed};
    const double best = random.uniform(-200.0, 200.0);
    std::vector<FocusPoint> points;
    for (int i = -4; i <= 4; ++i) {
      for (int again = 0; again < 4; ++again) {
        const double at = 100.0 * i;
        points.push_back(
            {5000.0 + at, std::hypot(3.0, (at - best) / 40.0) * (1.0 + 0.1 * random.normal())});
      }
    }
    points[3].width *= 3.0;  // somebody leaned on the mount
    const FocusFit fit = fit_focus(points).value();
    EXPECT_NEAR(fit.position_um.value, 5000.0 + best, 20.0) << seed;
    EXPECT_NEAR(fit.width, 3.0, 0.6);
    EXPECT_NEAR(fit.um_per_width, 40.0, 8.0);
    EXPECT_TRUE(fit.inside);
    EXPECT_LT(std::abs(fit.position_um.value - 5000.0 - best), 5.0 * fit.position_um.spread + 1.0);
  }
}

TEST(FocusRun, FindsAValleyThatIsNarrowerThanItsPlaces) {
  // Flanks as straight as a blurred disc makes them: no place tells how narrow the bottom is.
  for (const double best : {-70.0, 0.0, 31.0}) {
    std::vector<FocusPoint> points;
    for (int i = -3; i <= 3; ++i) {
      for (const double scatter : {0.97, 1.0, 1.03}) {
        const double out = std::abs(155.0 * i - best);
        points.push_back({40'000.0 + 155.0 * i, scatter * std::max(4.0, 0.09 * out - 2.0)});
      }
    }
    const auto fit = fit_focus(points);
    ASSERT_TRUE(fit) << best;
    EXPECT_NEAR(fit->position_um.value, 40'000.0 + best, 40.0);
    EXPECT_TRUE(fit->inside);
    EXPECT_GE(fit->width, 0.0);
  }
}

TEST(FocusRun, SaysWhenThereIsNoValley) {
  std::vector<FocusPoint> flank;
  for (int i = 0; i < 8; ++i) {
    flank.push_back({100.0 * i, 20.0 + 2.5 * i});
  }
  EXPECT_THAT(fit_focus(flank), FailsWith(ErrorCode::kNotFound, "points"));
  std::vector<FocusPoint> hill;
  for (int i = -4; i <= 4; ++i) {
    hill.push_back({100.0 * i, 20.0 - i * i});
  }
  EXPECT_THAT(fit_focus(hill), FailsWith(ErrorCode::kNotFound, "points"));
  EXPECT_THAT(fit_focus({{0, 1}, {1, 1}, {2, 1}}), FailsWith(ErrorCode::kMissing, "points"));
  EXPECT_THAT(fit_focus({{0, 1}, {0, 1}, {0, 1}, {0, 1}, {0, 1}}),
              FailsWith(ErrorCode::kMissing, "points"));
  EXPECT_THAT(fit_focus({{0, 1}, {1, 0}, {2, 1}, {3, 1}, {4, 1}}),
              FailsWith(ErrorCode::kOutOfRange, "width"));
}

TEST(FocusRun, IsRightOnPicturesOfTheLimb) {
  camera::Shot shot = test::morning_shot(test::quick_rig());
  shot.pointing_spread_px = 0.0;
  shot.air = seeing::Air{};
  shot.air->r0_cm = 4.0;
  const Setting setting;
  std::vector<FocusPoint> points;
  for (int i = -4; i <= 4; ++i) {
    disc::LimbTracker watch(230.0);
    for (int again = 0; again < 3; ++again) {
      shot.defocus_um = 120.0 * i + 37.0;
      shot.air_s = 3.0 * i + again;
      const auto seen = watch.look(camera::simulate(shot).value().frame);
      ASSERT_TRUE(seen);
      if (again > 0) {
        points.push_back({120.0 * i, seen->width_px});
      }
    }
  }
  const FocusFit fit = fit_focus(points).value();
  const double quarter_of_depth = 0.25 * 2.0 * focus_depth_um(setting);
  EXPECT_NEAR(fit.position_um.value, -37.0, quarter_of_depth);
}

TEST(TuningRun, ProposesTheStepWithMostDetail) {
  std::vector<TuningPoint> points;
  for (int step = -5; step <= 5; ++step) {
    for (int again = 0; again < 3; ++again) {
      points.push_back({step, 0.03 * std::exp(-0.05 * std::pow(step - 1.3, 2)) + 0.0004 * again});
    }
  }
  const TuningFit fit = best_step(points).value();
  EXPECT_EQ(fit.step, 1);
  EXPECT_NEAR(fit.between, 1.3, 0.15);
  EXPECT_FALSE(fit.at_the_end);
}

TEST(TuningRun, TheLineIsWhereTheDiscIsDarkest) {
  // A Gaussian line of 1.1 angstrom seen through steps of 0.1, under thin cloud that comes and
  // goes.
  base::Random random{5};
  for (const double middle : {-2.6, -0.2, 0.0, 1.3, 3.4}) {
    std::vector<TuningPoint> points;
    for (int step = static_cast<int>(std::lround(middle)) - 2;
         step <= static_cast<int>(std::lround(middle)) + 2; ++step) {
      for (int again = 0; again < 3; ++again) {
        const double off = 0.1 * (step - middle);
        const double light = 0.9 - 0.7 * std::exp(-off * off / 0.44);
        // The contrast misleads: it rises on one flank.
        points.push_back({step, 0.03 + 0.002 * step, light * (1.0 + 0.001 * random.normal())});
      }
    }
    const auto fit = darkest_step(points);
    ASSERT_TRUE(fit) << middle;
    EXPECT_EQ(fit->step, std::lround(middle));
    EXPECT_NEAR(fit->between, middle, 0.2);
    EXPECT_FALSE(fit->at_the_end);
  }
  // Only one flank was tried.
  const auto flank = darkest_step({{0, 0.1, 0.3}, {1, 0.1, 0.34}, {2, 0.1, 0.4}});
  ASSERT_TRUE(flank);
  EXPECT_EQ(flank->step, 0);
  EXPECT_TRUE(flank->at_the_end);
  // Cloud comes and goes, or the disc is full.
  EXPECT_FALSE(darkest_step({{0, 0.1, 0.30},
                             {0, 0.1, 0.33},
                             {1, 0.1, 0.31},
                             {1, 0.1, 0.29},
                             {2, 0.1, 0.32},
                             {2, 0.1, 0.30}}));
  EXPECT_FALSE(darkest_step({{0, 0.1, 0.0}, {1, 0.1, 0.0}, {2, 0.1, 0.3}}));
  EXPECT_FALSE(darkest_step({{0, 0.1, 0.3}, {1, 0.1, 0.4}}));
}

TEST(TuningRun, SaysWhereTheEndWasTheBest) {
  const TuningFit fit = best_step({{0, 0.02}, {1, 0.022}, {2, 0.03}}).value();
  EXPECT_EQ(fit.step, 2);
  EXPECT_TRUE(fit.at_the_end);
}

TEST(TuningRun, ProposesNothingWhereAllAreAlike) {
  EXPECT_FALSE(best_step({{0, 0.02}, {1, 0.03}}));
  EXPECT_FALSE(best_step({{0, 0.020}, {0, 0.024}, {1, 0.021}, {1, 0.023}, {2, 0.019}, {2, 0.024}}));
  EXPECT_FALSE(best_step({{0, 0.0}, {1, 0.0}, {2, 0.0}}));
}

}  // namespace
}  // namespace solarchon::live
