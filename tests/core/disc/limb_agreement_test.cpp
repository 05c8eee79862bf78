// SPDX-License-Identifier: GPL-3.0-or-later
// One limb, whoever looks for it: the plate follows it, Measure fits it, Reduce takes it apart.
#include <cmath>
#include <vector>

#include "solarchon/base/random.h"
#include "solarchon/disc/disc_model.h"
#include "solarchon/disc/limb.h"
#include "solarchon/disc/limb_tracker.h"
#include "solarchon/image/picture.h"
#include "solarchon/light/limb_darkening.h"
#include "tests/support/support.h"

namespace solarchon::disc {
namespace {

/// A darkened disc behind a round Gaussian blur, summed up numerically: no formula of the edge's
/// place is shared with what is tested.
struct Drawing {
  double x = 250.3;
  double y = 199.7;
  double radius = 150.0;
  double sigma = 1.5;
  double noise = 0.001;
};

image::Frame drawn_disc(const Drawing& drawing) {
  const light::LimbDarkening darkening(540.0);
  const auto sharp = [&](double far) {
    const double share = far / drawing.radius;
    return share >= 1.0 ? 0.0 : darkening.at(std::sqrt(1.0 - share * share));
  };
  constexpr double kStep = 0.05;
  constexpr int kHalf = 30;
  std::vector<double> soft;
  for (double far = 0.0; far < drawing.radius + 40.0; far += kStep) {
    if (std::abs(far - drawing.radius) > 6.0 * drawing.sigma + 1.0) {
      soft.push_back(sharp(far));
      continue;
    }
    double sum = 0.0;
    double weights = 0.0;
    for (int j = -kHalf; j <= kHalf; ++j) {
      for (int i = -kHalf; i <= kHalf; ++i) {
        const double u = 5.0 * drawing.sigma * i / kHalf;
        const double v = 5.0 * drawing.sigma * j / kHalf;
        const double weight = std::exp(-0.5 * (u * u + v * v) / (drawing.sigma * drawing.sigma));
        sum += weight * sharp(std::hypot(far + u, v));
        weights += weight;
      }
    }
    soft.push_back(sum / weights);
  }
  base::Random random{5};
  image::Frame frame;
  frame.width = 500;
  frame.height = 400;
  frame.info.wavelength_nm = 540.0;
  for (int y = 0; y < frame.height; ++y) {
    for (int x = 0; x < frame.width; ++x) {
      double light = 0.0;
      for (int k = 0; k < 9; ++k) {  // pixels are square
        const double far =
            std::hypot(x + (k % 3 - 1) / 3.0 - drawing.x, y + (k / 3 - 1) / 3.0 - drawing.y) /
            kStep;
        const auto at = static_cast<std::size_t>(far);
        light += at + 1 < soft.size()
                     ? soft[at] + (soft[at + 1] - soft[at]) * (far - static_cast<double>(at))
                     : 0.0;
      }
      const double value = 0.01 + 0.7 * light / 9.0 + drawing.noise * random.normal();
      frame.pixels.push_back(static_cast<std::uint16_t>(65535.0 * std::clamp(value, 0.0, 1.0)));
    }
  }
  return frame;
}

TEST(OneLimb, IsTheSameForPlateMeasureAndReduce) {
  for (const double sigma : {0.6, 1.0, 2.0, 3.5}) {
    Drawing drawing;
    drawing.sigma = sigma;
    const image::Frame frame = drawn_disc(drawing);
    const auto fitted = fit_limb(frame);
    ASSERT_TRUE(fitted) << sigma;
    LimbTracker tracker(drawing.radius);
    std::optional<TrackedLimb> followed;
    for (int i = 0; i < 4; ++i) {
      followed = tracker.look(frame);
    }
    ASSERT_TRUE(followed) << sigma;
    const image::Picture picture = image::picture_of(frame);
    const auto model = disc_in(picture, picture.values, 12.0, {});
    ASSERT_TRUE(model) << sigma;
    constexpr double kSame_px = 0.02;
    EXPECT_NEAR(followed->centre_x_px, fitted->centre_x_px, kSame_px) << sigma;
    EXPECT_NEAR(followed->centre_y_px, fitted->centre_y_px, kSame_px) << sigma;
    EXPECT_NEAR(followed->radius_px, fitted->radius_px, kSame_px) << sigma;
    EXPECT_NEAR(model->limb.radius_px, fitted->radius_px, kSame_px) << sigma;
    EXPECT_NEAR(model->limb.centre_x_px, fitted->centre_x_px, kSame_px) << sigma;
    // And it is the true one.
    EXPECT_NEAR(fitted->radius_px, drawing.radius, 0.03) << sigma;
    EXPECT_NEAR(followed->radius_px, drawing.radius, 0.03) << sigma;
    EXPECT_NEAR(followed->centre_x_px, drawing.x, 0.03) << sigma;
    EXPECT_NEAR(followed->centre_y_px, drawing.y, 0.03) << sigma;
  }
}

}  // namespace
}  // namespace solarchon::disc
