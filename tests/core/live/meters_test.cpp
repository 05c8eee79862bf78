// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/live/meters.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <vector>

#include "solarchon/base/random.h"
#include "solarchon/camera/stream.h"
#include "solarchon/disc/limb_tracker.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/sharpness.h"
#include "solarchon/registration/reference_square.h"
#include "solarchon/seeing/air.h"
#include "tests/support/support.h"

namespace solarchon::live {
namespace {

using image::Frame;

constexpr int kFull = 4095;

/// A picture given by its brightness at each place, of full scale.
template <typename Brightness>
Frame drawn(int width, int height, const Brightness& brightness, double noise = 0.0,
            std::uint32_t seed = 1) {
  base::Random random{seed};
  Frame frame;
  frame.width = width;
  frame.height = height;
  frame.saturation = kFull;
  for (int y = 0; y < height; ++y) {
    for (int x = 0; x < width; ++x) {
      const double value = brightness(x, y) + (noise > 0.0 ? noise * random.normal() : 0.0);
      frame.pixels.push_back(
          static_cast<std::uint16_t>(std::lround(kFull * std::clamp(value, 0.0, 1.0))));
    }
  }
  return frame;
}

/// A smooth pattern of many waves that no simulator of ours draws; the same for the same seed.
class Texture {
 public:
  explicit Texture(std::uint32_t seed, double shortest_px = 6.0) {
    base::Random random{seed};
    for (int i = 0; i < kWaves; ++i) {
      const double length = shortest_px * std::exp(random.uniform(0.0, 2.0));
      const double way = random.uniform(0.0, 2.0 * std::numbers::pi);
      waves_.push_back({2.0 * std::numbers::pi / length * std::cos(way),
                        2.0 * std::numbers::pi / length * std::sin(way),
                        random.uniform(0.0, 2.0 * std::numbers::pi)});
    }
  }
  /// About 1, deviation 0.05.
  [[nodiscard]] double at(double x, double y) const {
    double sum = 0.0;
    for (const Wave& wave : waves_) {
      sum += std::cos(wave.right * x + wave.down * y + wave.phase);
    }
    return 1.0 + 0.05 * sum / std::sqrt(kWaves / 2.0);
  }

 private:
  static constexpr int kWaves = 30;
  struct Wave {
    double right;
    double down;
    double phase;
  };
  std::vector<Wave> waves_;
};

/// A flat disc whose edge is a bell's integral.
Frame soft_disc(double x0, double y0, double radius, double sigma, double noise = 0.0,
                std::uint32_t seed = 1) {
  return drawn(
      400, 300,
      [&](int x, int y) {
        const double out = std::hypot(x - x0, y - y0) - radius;
        return 0.02 + 0.6 * 0.5 * std::erfc(out / (sigma * std::numbers::sqrt2));
      },
      noise, seed);
}

TEST(Level, IsWhatLiesInThePicture) {
  const Frame frame = drawn(300, 300, [](int x, int) {
    return x < 150 ? 0.0 : x < 240 ? 0.5 : 1.0;
  });
  const image::Level level = image::level_of(frame);
  EXPECT_NEAR(level.bright, 1.0, 0.001);
  EXPECT_NEAR(level.disc, 0.5, 0.001);
  EXPECT_NEAR(level.dark, 0.0, 0.001);
  EXPECT_NEAR(level.clipped_share, 0.2, 0.001);
}

TEST(Level, OfNothingIsNothing) {
  EXPECT_EQ(image::level_of(Frame{}).bright, 0.0);
  EXPECT_EQ(image::sharpness_of(Frame{}, 2).detail, 0.0);
  const Frame black = drawn(64, 64, [](int, int) { return 0.0; });
  EXPECT_EQ(image::sharpness_of(black, 2).detail, 0.0);
  EXPECT_EQ(image::level_of(black).bright, 0.0);
}

TEST(Sharpness, HearsNeitherLightNorNoise) {
  const Texture texture(3);
  const auto picture = [&](double light) {
    return [&texture, light](int x, int y) { return light * texture.at(x, y); };
  };
  const double sharp = image::sharpness_of(drawn(500, 400, picture(0.6)), 2).detail;
  EXPECT_GT(sharp, 1e-5);
  EXPECT_NEAR(image::sharpness_of(drawn(500, 400, picture(0.15)), 2).detail / sharp, 1.0, 0.01);
  for (const double noise : {0.01, 0.03}) {
    const image::Sharpness noisy = image::sharpness_of(drawn(500, 400, picture(0.6), noise), 2);
    EXPECT_NEAR(noisy.detail / sharp, 1.0, 0.07) << noise;
    EXPECT_NEAR(noisy.noise / noise, 1.0, 0.03);
  }
  // Noise by itself is no detail: less than a tenth of the pattern's.
  EXPECT_LT(image::sharpness_of(drawn(
                                    500, 400, [](int, int) { return 0.6; }, 0.03),
                                2)
                .detail,
            0.1 * sharp);
  // A coarser pattern is less sharp.
  const Texture coarse(3, 12.0);
  EXPECT_LT(
      image::sharpness_of(drawn(500, 400, [&](int x, int y) { return 0.6 * coarse.at(x, y); }), 2)
          .detail,
      0.5 * sharp);
}

TEST(ReferenceSquare, FindsShiftsOfPartsOfAPixel) {
  const Texture texture(5);
  const auto shifted = [&](double right, double down, double noise, std::uint32_t seed) {
    return drawn(
        200, 160, [&](int x, int y) { return 0.5 * texture.at(x - right, y - down); }, noise, seed);
  };
  const registration::ReferenceSquare reference(shifted(0, 0, 0.01, 1), 30, 20, 128);
  for (const auto& [right, down] :
       std::vector<std::pair<double, double>>{{0.0, 0.0}, {0.3, -0.7}, {4.4, 2.6}, {-11.2, 7.9}}) {
    const auto found = reference.lay(shifted(right, down, 0.01, 7));
    ASSERT_TRUE(found);
    EXPECT_NEAR(found->right_px, right, 0.1);
    EXPECT_NEAR(found->down_px, down, 0.1);
  }
}

TEST(ReferenceSquare, KnowsWhenThereIsNothingToHoldOnTo) {
  const auto noise = [](std::uint32_t seed) {
    return drawn(
        128, 128, [](int, int) { return 0.5; }, 0.02, seed);
  };
  EXPECT_FALSE(registration::ReferenceSquare(noise(1), 0, 0, 128).lay(noise(2)));
  const auto edge = [](double at) {
    return drawn(
        128, 128, [at](int x, int) { return 0.3 + 0.3 * std::tanh((x - at) / 3.0); }, 0.005, 3);
  };
  EXPECT_FALSE(registration::ReferenceSquare(edge(60.0), 0, 0, 128).lay(edge(61.0)))
      << "it slides along itself";
}

TEST(LimbTracker, FollowsADiscThatMoves) {
  disc::LimbTracker watch(100.0);
  for (int i = 0; i < 12; ++i) {
    const double x = 190.0 + 0.37 * i;
    const double y = 150.0 - 0.21 * i;
    const auto seen = watch.look(soft_disc(x, y, 100.0, 1.6, 0.01, static_cast<std::uint32_t>(i)));
    ASSERT_TRUE(seen) << i;
    EXPECT_NEAR(seen->centre_x_px, x, 0.06);
    EXPECT_NEAR(seen->centre_y_px, y, 0.06);
    // The Sun is darker towards its limb, this disc is not: its edge is taken for that of a larger.
    EXPECT_NEAR(seen->radius_px, 100.0 + 0.23 * 1.6, 0.15);
    EXPECT_NEAR(seen->width_px / (2.3548 * 1.6), 1.0, 0.08);
    EXPECT_GT(seen->seen_share, 0.9);
  }
  // A leap is looked for anew.
  const auto leapt = watch.look(soft_disc(250.0, 140.0, 100.0, 1.6));
  ASSERT_TRUE(leapt);
  EXPECT_NEAR(leapt->centre_x_px, 250.0, 0.06);
}

TEST(LimbTracker, WidthsAreThoseOfTheEdge) {
  for (const double sigma : {0.8, 1.5, 3.0, 5.0}) {
    disc::LimbTracker watch(100.0);
    std::optional<disc::TrackedLimb> seen;
    for (int i = 0; i < 12; ++i) {
      seen = watch.look(soft_disc(200.2, 150.1, 100.0, sigma, 0.01, static_cast<std::uint32_t>(i)));
    }
    ASSERT_TRUE(seen);
    EXPECT_NEAR(seen->width_px / (2.3548 * std::hypot(sigma, 0.29)), 1.0, 0.1) << sigma;
  }
}

TEST(LimbTracker, DoesWithAPartOfTheLimb) {
  disc::LimbTracker watch(300.0);
  const auto seen = watch.look(soft_disc(430.0, 150.0, 300.0, 2.0, 0.01));
  ASSERT_TRUE(seen);
  EXPECT_GT(seen->seen_share, 0.1);
  EXPECT_LT(seen->seen_share, 0.3);
  EXPECT_NEAR(430.0 - seen->centre_x_px - (300.0 - seen->radius_px), 0.25 * 2.0, 0.15);
}

TEST(LimbTracker, FindsAShortArcOfAKnownDisc) {
  // A frame 400 wide before a disc of 2000 px radius, from four sides: some 3 per cent of its limb.
  for (int side = 0; side < 4; ++side) {
    const double angle = 0.3 + 0.5 * std::numbers::pi * side;
    const double x = 200.0 + 2000.0 * std::cos(angle);
    const double y = 150.0 + 2000.0 * std::sin(angle);
    disc::LimbTracker watch(2000.0);
    std::optional<disc::TrackedLimb> seen;
    for (int i = 0; i < 6; ++i) {
      seen = watch.look(soft_disc(x, y, 2000.0, 2.0, 0.02, static_cast<std::uint32_t>(i)));
      ASSERT_TRUE(seen) << side;
    }
    // Across the arc it is exact.
    EXPECT_NEAR(std::hypot(seen->centre_x_px - 200.0, seen->centre_y_px - 150.0) - seen->radius_px,
                0.0, 0.5);
    EXPECT_NEAR(seen->width_px / (2.3548 * 2.0), 1.0, 0.12);
  }
}

TEST(LimbTracker, SeesNoneWhereThereIsNone) {
  disc::LimbTracker watch(100.0);
  EXPECT_FALSE(watch.look(drawn(
      400, 300, [](int, int) { return 0.5; }, 0.02)));
  disc::LimbTracker other(40.0);
  EXPECT_FALSE(other.look(soft_disc(200.0, 150.0, 100.0, 1.6))) << "of another size";
}

/// The limb or the disc through a light path, in steady air.
struct Live {
  camera::StreamPlan plan;
  Setting setting;
};
Live live_at(const sky::DiscPlace& target, double r0_cm, std::uint32_t seed = 1) {
  optics::Rig rig = test::quick_rig();
  auto& camera = std::get<optics::Camera>(rig.elements.back().part);
  camera.width_px = 480;
  camera.height_px = 360;
  camera.pixel_um = 5.0;
  Live live;
  camera::Shot shot = test::morning_shot(rig);
  shot.pointing_spread_px = 0.0;
  shot.target = target;
  shot.air = seeing::Air{};
  shot.air->r0_cm = r0_cm;
  shot.air->wander = 0.0;
  shot.air->seed = seed;
  live.plan.shot = shot;
  live.plan.sun_step_s = 3600.0;
  live.setting.imaging.aperture_mm = 80.0;
  live.setting.focal_ratio = 6.0;
  live.setting.imaging.scale_arcsec_px = 5e-3 / 480.0 * 206264.8;
  live.setting.sun_radius_arcsec = 944.0;
  live.setting.black_level = 0.01;
  return live;
}

Readings looked_at(const Live& live, int frames, double rate_hz) {
  camera::Stream stream = *camera::Stream::open(live.plan);
  Meters meters(live.setting);
  camera::Recording recording;
  for (int i = 0; i < frames; ++i) {
    EXPECT_TRUE(stream.record(i / rate_hz, recording));
    meters.take(recording.frame, i / rate_hz);
  }
  return meters.readings();
}

TEST(Air, IsThatOfTheLimbsMotion) {
  for (const double r0_cm : {1.0, 2.5, 6.0, 12.0}) {
    Live live = live_at({0.0, 0.0}, r0_cm, 7);
    std::get<optics::Camera>(live.plan.shot.rig.elements.back().part).pixel_um = 13.0;
    live.setting.imaging.scale_arcsec_px *= 13.0 / 5.0;
    const Readings seen = looked_at(live, 150, 10.0);
    ASSERT_TRUE(seen.air) << r0_cm;
    EXPECT_NEAR(seen.air->r0_cm.value / r0_cm, 1.0, 0.25);
    EXPECT_GT(seen.air->r0_cm.spread, 0.03 * r0_cm);
  }
}

TEST(Air, IsSeenOnDetailWhereNoLimbIs) {
  Live live = live_at({0.0, 0.0}, 3.0, 3);
  const Readings seen = looked_at(live, 120, 10.0);
  EXPECT_FALSE(seen.limb);
  ASSERT_TRUE(seen.air);
  EXPECT_NEAR(seen.air->r0_cm.value / 3.0, 1.0, 0.5);
}

TEST(Air, NeedsASecondAndPlaces) {
  SeeingMonitor watch(Setting{});
  for (int i = 0; i < 23; ++i) {
    watch.take(i * 0.1, {0.0, 1.0});
  }
  EXPECT_FALSE(watch.seen());
  watch.take(2.3, {0.0, 1.0});
  EXPECT_TRUE(watch.seen());
  watch.take(2.4, {0.0});  // other places: the past is gone
  EXPECT_FALSE(watch.seen());
}

TEST(Edge, IsAsWideAsTheoryAndTheSimulatorDrawIt) {
  for (const double r0_cm : {2.0, 6.0}) {
    const Live live = live_at({-944.0, 0.0}, r0_cm, 5);
    const Readings seen = looked_at(live, 40, 10.0);
    ASSERT_TRUE(seen.edge_arcsec);
    EXPECT_NEAR(seen.edge_arcsec->value / edge_width_arcsec(live.setting, r0_cm, 0.0), 1.0, 0.25)
        << r0_cm;
  }
  Setting setting;
  EXPECT_GT(edge_width_arcsec(setting, 2.0, 0.0), edge_width_arcsec(setting, 8.0, 0.0));
  EXPECT_GT(edge_width_arcsec(setting, 4.0, 300.0), 1.5 * edge_width_arcsec(setting, 4.0, 0.0));
  EXPECT_NEAR(edge_width_arcsec(setting, 4.0, 300.0), edge_width_arcsec(setting, 4.0, -300.0),
              1e-9);
  const double wide = edge_width_arcsec(setting, 4.0, 300.0);
  // Rings make the width no single function of the focus; the answer's own width is that asked for.
  const double answer = defocus_of(setting, 4.0, wide);
  EXPECT_NEAR(answer, 300.0, 80.0);
  EXPECT_NEAR(edge_width_arcsec(setting, 4.0, answer) / wide, 1.0, 0.05);
  EXPECT_EQ(defocus_of(setting, 4.0, 0.9 * edge_width_arcsec(setting, 4.0, 0.0)), 0.0);
}

TEST(Cloud, IsToldInStops) {
  for (const double stops : {0.0, 0.5, 2.0}) {
    Live live = live_at({-944.0, 0.0}, 5.0);
    live.setting.clear_level = {};
    live.plan.shot.cloud.stops = stops;
    // The clear level is learned from a clear frame.
    Live clear = live;
    clear.plan.shot.cloud.stops = 0.0;
    clear.setting.clear_level = 0.5;
    const Readings before = looked_at(clear, 3, 10.0);
    live.setting.clear_level = 0.01 + 0.49 * std::exp2(-before.cloud_stops->value);
    camera::Stream stream = *camera::Stream::open(live.plan);
    Meters meters(live.setting);
    camera::Recording recording;
    for (int i = 0; i < 6; ++i) {
      ASSERT_TRUE(stream.record(i * 0.1, recording));
      meters.take(recording.frame, i * 0.1);
    }
    ASSERT_TRUE(meters.readings().cloud_stops);
    EXPECT_NEAR(meters.readings().cloud_stops->value, recording.truth.cloud_stops, 0.1) << stops;
  }
}

TEST(Drift, IsThatOfTheDisc) {
  Setting setting;
  setting.imaging.scale_arcsec_px = 9.44;
  setting.sun_radius_arcsec = 944.0;
  Meters meters(setting);
  // 30 arcsec a minute right, 12 up, over a minute; the air trembles by half a pixel.
  base::Random random{4};
  for (int i = 0; i < 120; ++i) {
    const double seconds = i * 0.5;
    meters.take(soft_disc(200.0 + 30.0 / 9.44 * seconds / 60.0 + 0.1 * random.normal(),
                          150.0 - 12.0 / 9.44 * seconds / 60.0 + 0.1 * random.normal(), 100.0, 1.6,
                          0.01, static_cast<std::uint32_t>(i)),
                seconds);
  }
  const auto drift = meters.readings().drift;
  ASSERT_TRUE(drift);
  EXPECT_NEAR(drift->right_arcsec_min, 30.0, 1.5);
  EXPECT_NEAR(drift->down_arcsec_min, -12.0, 1.5);
  EXPECT_LT(drift->spread_arcsec_min, 2.0);
}

TEST(Drift, IsThatOfDetailWhereNoLimbIs) {
  const Texture texture(9);
  Setting setting;
  setting.imaging.scale_arcsec_px = 0.5;
  Meters meters(setting);
  for (int i = 0; i < 40; ++i) {
    const double seconds = i * 0.25;
    const double right = 60.0 / 0.5 * seconds / 60.0;  // 20 px in all: the squares are taken anew
    meters.take(drawn(
                    280, 150, [&](int x, int y) { return 0.5 * texture.at(x - right, y); }, 0.005,
                    static_cast<std::uint32_t>(i)),
                seconds);
  }
  const auto drift = meters.readings().drift;
  ASSERT_TRUE(drift);
  EXPECT_NEAR(drift->right_arcsec_min, 60.0, 3.0);
  EXPECT_NEAR(drift->down_arcsec_min, 0.0, 1.0);
}

TEST(Bands, AreFoundAndOnlyWhereTheyAre) {
  for (const bool line : {false, true}) {
    optics::Rig rig = test::usual_train(line ? 2 : 1);
    for (optics::Element& element : rig.elements) {
      if (auto* camera = std::get_if<optics::Camera>(&element.part)) {
        camera->width_px = 400;
        camera->height_px = 300;
      }
    }
    camera::Shot shot = test::morning_shot(rig);
    shot.pointing_spread_px = 0.0;
    shot.target = {-300.0, 200.0};
    shot.air = seeing::Air{};
    camera::StreamPlan plan;
    plan.shot = shot;
    plan.sun_step_s = 3600.0;
    camera::Stream stream = *camera::Stream::open(plan);
    camera::Recording recording;
    FringeDetector without(3.45, 656.28);
    FringeDetector with(3.45, 656.28);
    for (int i = 0; i < 8; ++i) {
      ASSERT_TRUE(stream.record(0.25 * i, recording));
      without.take(recording.frame);
      Frame banded = recording.frame;
      for (int y = 0; y < banded.height; ++y) {
        for (int x = 0; x < banded.width; ++x) {
          // 2 per cent, 9.3 px apart, across 30 degrees downwards from the right.
          const double wave = std::cos(2.0 * std::numbers::pi / 9.3 *
                                       (x * std::cos(0.5236) + y * std::sin(0.5236)));
          auto& pixel = banded.pixels[static_cast<std::size_t>(y * banded.width + x)];
          pixel = static_cast<std::uint16_t>(std::lround(pixel * (1.0 + 0.02 * wave)));
        }
      }
      with.take(banded);
    }
    EXPECT_FALSE(without.bands()) << line;
    const auto found = with.bands();
    ASSERT_TRUE(found) << line;
    EXPECT_NEAR(found->spacing_px, 9.3, 0.3);
    EXPECT_NEAR(found->across_deg, 30.0, 3.0);
    EXPECT_NEAR(found->contrast, 0.02, 0.004);
    EXPECT_NEAR(found->tilt_deg, 2.72, 0.05);  // asin(656 nm / (4 x 3.45 um))
    with.forget();
    EXPECT_FALSE(with.bands());
  }
}

/// Clips that no simulator of ours drew: smoothed noise for granules, that changes and wanders; a
/// darkened disc without a limb; a group of spots with penumbrae that the mount's wander moves; and
/// perhaps bands of 2 per cent, bent a little, that stand on the sensor.
class SpottedClip {
 public:
  /// @param held  share of where the picture stands that it keeps from frame to frame: 1 wanders
  /// off
  /// @param spots  whether there are any
  explicit SpottedClip(std::uint32_t seed, double bands, double held = 1.0, bool spots = true)
      : random_{seed, 0xba2dU},
        bands_(bands),
        held_(held),
        granules_(static_cast<std::size_t>(kSide) * kSide) {
    const auto count = spots ? 1 + random_.below(5) : 0;
    for (std::size_t i = 0; i < count; ++i) {
      spots_.push_back({random_.uniform(20.0, kSide - 20.0), random_.uniform(20.0, kSide - 20.0),
                        random_.uniform(5.0, 34.0), random_.uniform(0.25, 0.8),
                        random_.uniform(0.5, 1.0)});
    }
    spacing_px_ = std::exp(random_.uniform(std::log(3.0), std::log(35.0)));
    way_ = random_.uniform(0.0, std::numbers::pi);
    bend_ = random_.uniform(-0.3, 0.3) / (kSide * kSide / 4.0);
    slope_ = random_.uniform(-0.3, 0.3);
    coarse_px_ = random_.uniform(1.5, 4.0);
    contrast_ = random_.uniform(0.005, 0.025);
    for (double& one : granules_) {
      one = random_.normal();
    }
    smooth();
  }
  [[nodiscard]] double spacing_px() const { return spacing_px_; }

  Frame next() {
    right_ = held_ * right_ + 1.5 * random_.normal() + 0.4;
    down_ = held_ * down_ + 1.5 * random_.normal();
    noise_at_ = random_.below(noise().size());
    Frame frame;
    frame.width = kSide;
    frame.height = kSide;
    frame.saturation = kFull;
    frame.pixels.reserve(granules_.size());
    for (int y = 0; y < kSide; ++y) {
      for (int x = 0; x < kSide; ++x) {
        frame.pixels.push_back(pixel(x, y));
      }
    }
    return frame;
  }

 private:
  static constexpr int kSide = 520;
  struct Spot {
    double x, y, radius_px, depth, round;
  };
  static const std::vector<double>& noise() {
    static const std::vector<double> kNoise = [] {
      base::Random random{17};
      std::vector<double> noise(65521);
      for (double& one : noise) {
        one = random.normal();
      }
      return noise;
    }();
    return kNoise;
  }
  std::uint16_t pixel(int x, int y) {
    const double u = x - right_;
    const double v = y - down_;
    const auto column = static_cast<std::size_t>(std::lround(u) + 10 * kSide) % kSide;
    const auto row = static_cast<std::size_t>(std::lround(v) + 10 * kSide) % kSide;
    double light = 0.6 * (1.0 + slope_ * (x - kSide / 2) / kSide) *
                   (1.0 + contrast_ * granules_[row * kSide + column]);
    for (const Spot& spot : spots_) {
      if (std::abs(u - spot.x) > spot.radius_px || std::abs(v - spot.y) > spot.radius_px) {
        continue;
      }
      const double far = std::hypot(u - spot.x, (v - spot.y) / spot.round) / spot.radius_px;
      light *= 1.0 - spot.depth * std::clamp(4.0 * (0.5 - far), 0.0, 1.0) -
               0.15 * std::clamp(6.0 * (1.0 - far), 0.0, 1.0);
    }
    const double dx = x - kSide / 2;
    const double dy = y - kSide / 2;
    light *= 1.0 + bands_ * std::cos(2.0 * std::numbers::pi *
                                     ((dx * std::cos(way_) + dy * std::sin(way_)) / spacing_px_ +
                                      bend_ * (dx * dx + dy * dy)));
    light += 0.008 * std::sqrt(std::max(light, 0.0)) * noise()[noise_at_++ % noise().size()];
    return static_cast<std::uint16_t>(std::lround(kFull * std::clamp(light, 0.0, 1.0)));
  }
  void smooth() {
    const int half = static_cast<int>(3.0 * coarse_px_);
    std::vector<double> kernel;
    for (int i = -half; i <= half; ++i) {
      kernel.push_back(std::exp(-0.5 * i * i / (coarse_px_ * coarse_px_)));
    }
    for (int turn = 0; turn < 2; ++turn) {
      std::vector<double> out(granules_.size());
      for (int y = 0; y < kSide; ++y) {
        for (int x = 0; x < kSide; ++x) {
          double sum = 0.0;
          for (int i = -half; i <= half; ++i) {
            sum += kernel[static_cast<std::size_t>(i + half)] *
                   granules_[static_cast<std::size_t>(y) * kSide + (x + i + kSide) % kSide];
          }
          out[static_cast<std::size_t>(x) * kSide + y] = sum;  // turned over
        }
      }
      granules_ = std::move(out);
    }
    double square = 0.0;
    for (const double one : granules_) {
      square += one * one;
    }
    const double scale = std::sqrt(static_cast<double>(granules_.size()) / square);
    for (double& one : granules_) {
      one *= scale;
    }
  }

  base::Random random_;
  double bands_;
  double held_;
  std::vector<double> granules_;
  std::size_t noise_at_ = 0;
  std::vector<Spot> spots_;
  double spacing_px_ = 0.0, way_ = 0.0, bend_ = 0.0, slope_ = 0.0, coarse_px_ = 0.0,
         contrast_ = 0.0, right_ = 0.0, down_ = 0.0;
};

TEST(Bands, AreFoundBesideSpotsAndNoneInvented) {
  constexpr int kFrames = 4;
  constexpr double kContrast = 0.02;
  int found = 0;
  int true_contrast = 0;
  int invented = 0;
  constexpr int kWith = 100;
  constexpr int kWithout = 200;
  for (std::uint32_t seed = 0; seed < kWith + kWithout; ++seed) {
    SpottedClip clip(seed, seed < kWith ? kContrast : 0.0);
    FringeDetector watch(3.45, 540.0);
    for (int i = 0; i < kFrames; ++i) {
      watch.take(clip.next());
    }
    const auto bands = watch.bands();
    if (seed >= kWith) {
      invented += bands ? 1 : 0;
    } else if (bands && std::abs(bands->spacing_px / clip.spacing_px() - 1.0) < 0.06) {
      ++found;
      true_contrast += std::abs(bands->contrast / kContrast - 1.0) < 0.2 ? 1 : 0;
    }
  }
  EXPECT_GE(found, 95);
  EXPECT_GE(true_contrast, 90);
  EXPECT_EQ(invented, 0);
}

TEST(Bands, DoNotHideTheAir) {
  // The same motion, with stripes on the sensor and without: stripes that stand still would hold
  // the picture.
  for (const std::uint32_t seed : {3U, 8U, 21U}) {
    std::array<Readings, 2> readings;
    for (const bool banded : {false, true}) {
      SpottedClip clip(seed, banded ? 0.05 : 0.0, 0.3, false);
      Meters meters(Setting{});
      for (int i = 0; i < 60; ++i) {
        meters.take(clip.next(), 0.11 * i);
      }
      readings.at(banded ? 1 : 0) = meters.readings();
    }
    ASSERT_TRUE(readings[1].bands) << seed;
    ASSERT_TRUE(readings[0].air) << seed;
    ASSERT_TRUE(readings[1].air) << seed;
    EXPECT_NEAR(readings[1].air->motion_arcsec / readings[0].air->motion_arcsec, 1.0, 0.15) << seed;
  }
}

TEST(Meters, TakeAnythingThatIsAFrame) {
  Meters meters(Setting{});
  double seconds = 0.0;
  for (const auto& [width, height] : std::vector<std::pair<int, int>>{{1, 1}, {3, 500}, {64, 64}}) {
    for (const double light : {0.0, 0.5, 1.0}) {
      for (int i = 0; i < 10; ++i) {
        meters.take(drawn(
                        width, height, [light](int, int) { return light; }, 0.01),
                    seconds);
        seconds += 0.3;
      }
      const Readings readings = meters.readings();
      EXPECT_FALSE(readings.bands);
      EXPECT_FALSE(readings.edge_arcsec);
      EXPECT_TRUE(std::isfinite(readings.sharpness));
    }
  }
  EXPECT_EQ(meters.readings().frames, 90);
}

}  // namespace
}  // namespace solarchon::live
