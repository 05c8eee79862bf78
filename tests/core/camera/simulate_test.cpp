// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/camera/simulate.h"

#include <algorithm>
#include <cmath>
#include <stop_token>

#include "solarchon/image/frame.h"
#include "tests/support/support.h"

namespace solarchon::camera {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::morning_shot;
using test::quick_rig;

double mean_around(const image::Frame& frame, double x, double y, int reach) {
  double sum = 0.0;
  int count = 0;
  for (int dy = -reach; dy <= reach; ++dy) {
    for (int dx = -reach; dx <= reach; ++dx) {
      sum += frame.at(static_cast<int>(x) + dx, static_cast<int>(y) + dy);
      ++count;
    }
  }
  return sum / count;
}

TEST(Simulate, IsTheSameForTheSameSeed) {
  const auto first = simulate(morning_shot(quick_rig(), 5)).value();
  const auto again = simulate(morning_shot(quick_rig(), 5)).value();
  EXPECT_EQ(first.frame.pixels, again.frame.pixels);
  EXPECT_EQ(first.truth.centre_x_px, again.truth.centre_x_px);
}

TEST(Simulate, OtherSeedsAreOtherNoiseAndPointing) {
  const auto first = simulate(morning_shot(quick_rig(), 5)).value();
  const auto other = simulate(morning_shot(quick_rig(), 6)).value();
  EXPECT_NE(first.frame.pixels, other.frame.pixels);
  EXPECT_NE(first.truth.centre_x_px, other.truth.centre_x_px);
}

TEST(Simulate, TheDiscsCentreReachesTheTargetLevel) {
  const auto recording = simulate(morning_shot(quick_rig())).value();
  const double mean =
      mean_around(recording.frame, recording.truth.centre_x_px, recording.truth.centre_y_px, 3);
  EXPECT_NEAR(mean / recording.frame.saturation, 0.70, 0.02);
}

TEST(Simulate, NoiseIsThatOfTheCountedElectrons) {
  Shot shot = morning_shot(quick_rig());
  shot.sun_seed = 3;
  const auto recording = simulate(shot).value();
  const auto& camera = std::get<optics::Camera>(shot.rig.elements.back().part);
  // Differences of neighbours near the centre, where the disc is flat; most patches hold no spot.
  std::vector<double> spreads;
  for (int patch = -5; patch <= 5; ++patch) {
    double square = 0.0;
    int count = 0;
    for (int y = -8; y <= 8; ++y) {
      for (int x = -8; x < 8; ++x) {
        const int px = static_cast<int>(recording.truth.centre_x_px) + 12 * patch + x;
        const int py = static_cast<int>(recording.truth.centre_y_px) + y;
        const double step = recording.frame.at(px, py) - recording.frame.at(px + 1, py);
        square += step * step / 2.0;
        ++count;
      }
    }
    spreads.push_back(std::sqrt(square / count));
  }
  std::nth_element(spreads.begin(), spreads.begin() + 5, spreads.end());
  const double electrons_per_number = camera.full_well_e / (4095.0 * 0.99);
  const double expected = std::sqrt(0.70 * camera.full_well_e) / electrons_per_number;
  EXPECT_NEAR(spreads[5] / expected, 1.0, 0.08);
}

TEST(Simulate, MoreSeeingIsASofterLimb) {
  const auto steepest = [](double seeing) {
    Shot shot = morning_shot(test::starter_rig());
    shot.seeing_arcsec = seeing;
    const auto recording = simulate(shot).value();
    const int y = static_cast<int>(recording.truth.centre_y_px);
    double most = 0.0;
    for (int x = 1; x < recording.frame.width / 2; ++x) {
      most = std::max(most, 1.0 * recording.frame.at(x, y) - recording.frame.at(x - 1, y));
    }
    return most;
  };
  EXPECT_GT(steepest(1.0), 1.5 * steepest(6.0));
}

TEST(Simulate, BlurKeepsTheLight) {
  const auto total = [](double seeing) {
    Shot shot = morning_shot(quick_rig());
    shot.seeing_arcsec = seeing;
    const auto recording = simulate(shot).value();
    double sum = 0.0;
    for (const std::uint16_t value : recording.frame.pixels) {
      sum += value;
    }
    return sum;
  };
  EXPECT_NEAR(total(8.0) / total(1.0), 1.0, 0.002);
}

TEST(Simulate, OverexposureFillsTheWellAndStaysThere) {
  Shot shot = morning_shot(quick_rig());
  shot.exposure_ms *= 5.0;
  const auto recording = simulate(shot).value();
  const auto most = *std::max_element(recording.frame.pixels.begin(), recording.frame.pixels.end());
  EXPECT_EQ(most, recording.frame.saturation);
  EXPECT_GT(std::count(recording.frame.pixels.begin(), recording.frame.pixels.end(), most), 10'000);
}

TEST(Simulate, AVeryShortExposureIsNearlyBlack) {
  Shot shot = morning_shot(quick_rig());
  shot.exposure_ms = 1e-6;
  const auto recording = simulate(shot).value();
  EXPECT_LT(*std::max_element(recording.frame.pixels.begin(), recording.frame.pixels.end()), 80);
}

TEST(Simulate, ADiagonalMirrorsThePicture) {
  const auto straight = simulate(morning_shot(quick_rig())).value();
  const auto folded =
      simulate(morning_shot(test::with_part(quick_rig(), optics::Diagonal{}, 65.0))).value();
  EXPECT_FALSE(straight.truth.solar.mirrored);
  EXPECT_TRUE(folded.truth.solar.mirrored);
}

TEST(Simulate, RefusesWhatItCannotRecord) {
  Shot shot = morning_shot(quick_rig());
  shot.exposure_ms = 0.0;
  EXPECT_THAT(simulate(shot), FailsWith(ErrorCode::kOutOfRange, "exposure_ms"));
  shot = morning_shot(quick_rig());
  shot.seeing_arcsec = -1.0;
  EXPECT_THAT(simulate(shot), FailsWith(ErrorCode::kOutOfRange, "seeing_arcsec"));
  shot = morning_shot(quick_rig());
  shot.rig.elements.pop_back();
  EXPECT_THAT(simulate(shot), FailsWith(ErrorCode::kMissing, "rig"));
}

TEST(Simulate, StopsWhenAskedAndReportsProgress) {
  std::stop_source source;
  source.request_stop();
  EXPECT_THAT(simulate(morning_shot(quick_rig()), {source.get_token()}),
              FailsWith(ErrorCode::kCancelled, "picture"));
  double last = 0.0;
  bool rising = true;
  ASSERT_TRUE(simulate(morning_shot(quick_rig()), {{}, [&](double done) {
                                                     rising = rising && done >= last;
                                                     last = done;
                                                   }}));
  EXPECT_TRUE(rising);
  EXPECT_DOUBLE_EQ(last, 1.0);
}

TEST(Binned, KeepsFieldAndBrightness) {
  const Shot full = morning_shot(test::starter_rig());
  const Shot small = binned(full, 700);
  const auto& camera = std::get<optics::Camera>(small.rig.elements.back().part);
  EXPECT_LE(camera.width_px, 700);
  EXPECT_NEAR(camera.width_px * camera.pixel_um, 2048 * 3.45, 3 * 3.45);
  const auto recording = simulate(small).value();
  const double mean =
      mean_around(recording.frame, recording.truth.centre_x_px, recording.truth.centre_y_px, 3);
  EXPECT_NEAR(mean / recording.frame.saturation, 0.70, 0.02);
}

}  // namespace
}  // namespace solarchon::camera
