// SPDX-License-Identifier: GPL-3.0-or-later
// Dust on pictures that are painted here, and on the simulator's.
#include "solarchon/live/dust_detector.h"

#include <algorithm>
#include <cmath>
#include <vector>

#include "solarchon/base/random.h"
#include "solarchon/camera/stream.h"
#include "solarchon/image/frame.h"
#include "solarchon/live/meters.h"
#include "tests/support/support.h"

namespace solarchon::live {
namespace {

constexpr int kWidth = 640;
constexpr int kHeight = 480;
constexpr double kFull = 4095.0;

struct Mote {
  double x;
  double y;
  double radius;
  double depth;
  double hole = 0.0;  ///< radius
};

/// A disc with spots of many sizes, at a place, under dust that stays.
image::Frame painted(double right, double down, const std::vector<Mote>& motes,
                     std::uint32_t seed = 1, double light = 0.6, double sun_px = 900.0) {
  base::Random sun{7};
  std::vector<Mote> spots;
  for (int i = 0; i < 60; ++i) {
    spots.push_back({sun.uniform(-900.0, 900.0), sun.uniform(-900.0, 900.0),
                     3.0 * std::exp(sun.uniform(0.0, 2.2)), sun.uniform(-0.2, 0.6)});
  }
  base::Random random{seed};
  image::Frame frame;
  frame.width = kWidth;
  frame.height = kHeight;
  frame.saturation = static_cast<int>(kFull);
  for (int y = 0; y < kHeight; ++y) {
    for (int x = 0; x < kWidth; ++x) {
      const double u = x - 320.0 - right;
      const double v = y - 240.0 - down;
      const double out = std::hypot(u, v) / sun_px;
      double value = out < 1.0 ? 0.4 + 0.6 * std::sqrt(1.0 - out * out) : 0.02;
      for (const Mote& spot : spots) {
        const double far = std::hypot(u - spot.x, v - spot.y) / spot.radius;
        value *= far < 4.0 ? 1.0 - spot.depth * std::exp(-far * far) : 1.0;
      }
      for (const Mote& mote : motes) {
        const double far = std::hypot(x - mote.x, y - mote.y);
        value *= far < mote.radius && far >= mote.hole ? 1.0 - mote.depth : 1.0;
      }
      value = light * value + 0.01 * random.normal();
      frame.pixels.push_back(
          static_cast<std::uint16_t>(std::lround(kFull * std::clamp(value, 0.0, 1.0))));
    }
  }
  return frame;
}

const std::vector<Mote> kMotes{
    {150.0, 130.0, 6.0, 0.12}, {420.0, 300.0, 16.0, 0.05, 5.0}, {300.0, 380.0, 24.0, 0.03}};

/// What is found when the picture goes so far between one frame and the next.
std::optional<std::vector<Speck>> found(const std::vector<Mote>& motes, double step_px, int frames,
                                        double sun_px = 900.0) {
  DustDetector watch;
  for (int i = 0; i < frames; ++i) {
    const double right = step_px * i;
    const double down = -0.6 * step_px * i;
    watch.take(painted(right, down, motes, static_cast<std::uint32_t>(i + 1), 0.6, sun_px), right,
               down);
  }
  return watch.specks();
}

TEST(Dust, IsWhatStaysWhileTheSunMoves) {
  const auto specks = found(kMotes, 16.0, 8);
  ASSERT_TRUE(specks);
  ASSERT_EQ(specks->size(), kMotes.size());
  for (const Mote& mote : kMotes) {
    const auto near = std::find_if(specks->begin(), specks->end(), [&](const Speck& speck) {
      return std::hypot(speck.x_px - mote.x, speck.y_px - mote.y) < mote.radius + 8.0;
    });
    ASSERT_NE(near, specks->end()) << mote.x;
    EXPECT_NEAR(near->depth, mote.depth, 0.4 * mote.depth) << mote.x;
    EXPECT_NEAR(near->across_px, 2.0 * mote.radius, 0.45 * 2.0 * mote.radius) << mote.x;
  }
  EXPECT_TRUE(std::is_sorted(specks->begin(), specks->end(),
                             [](const auto& a, const auto& b) { return a.depth > b.depth; }));
}

TEST(Dust, SpotsAreNone) {
  for (const double step_px : {9.0, 12.0, 20.0}) {
    const auto specks = found({}, step_px, 8);
    ASSERT_TRUE(specks) << step_px;
    EXPECT_TRUE(specks->empty()) << step_px;
  }
}

TEST(Dust, TheEdgeOfTheDiscIsNone) {
  const auto specks = found({}, 12.0, 8, 200.0);
  ASSERT_TRUE(specks);
  EXPECT_TRUE(specks->empty());
}

TEST(Dust, IsNotToldWhereThePictureStands) {
  EXPECT_FALSE(found(kMotes, 1.0, 8));
  EXPECT_FALSE(found(kMotes, 16.0, 3));
}

TEST(Dust, TakesAnythingThatIsAFrame) {
  DustDetector watch;
  for (int i = 0; i < 6; ++i) {
    watch.take(painted(0.0, 0.0, {}, 1, 0.0), 20.0 * i, 0.0);
  }
  ASSERT_TRUE(watch.specks());
  EXPECT_TRUE(watch.specks()->empty()) << "night";
  watch.forget();
  for (int i = 0; i < 6; ++i) {
    watch.take(painted(0.0, 0.0, kMotes, 1, 9.0), 20.0 * i, 0.0);
  }
  EXPECT_TRUE(watch.specks()->empty()) << "full";
  image::Frame small;
  small.width = 8;
  small.height = 8;
  small.saturation = 255;
  small.pixels.assign(64, 100);
  watch.take(small, 0.0, 0.0);
  EXPECT_FALSE(watch.specks()) << "another size";
}

/// As a mount that is off its axis shows it: the stream's way, the meters' own places.
std::optional<std::vector<Speck>> metered(int motes) {
  optics::Rig rig = test::quick_rig();
  auto& camera = std::get<optics::Camera>(rig.elements.back().part);
  camera.width_px = 480;
  camera.height_px = 360;
  camera.pixel_um = 5.0;
  camera::StreamPlan plan;
  plan.shot = test::morning_shot(rig);
  plan.shot.air = seeing::Air{};
  plan.shot.air->r0_cm = 6.0;
  plan.shot.marks.motes = motes;
  plan.shot.marks.seed = 3;
  plan.sun_step_s = 3600.0;
  plan.way = {{0.0, {0.0, 0.0}}, {4.0, {150.0, 60.0}}};
  Setting setting;
  setting.imaging.aperture_mm = 80.0;
  setting.focal_ratio = 6.0;
  setting.imaging.scale_arcsec_px = 5e-3 / 480.0 * 206264.8;
  setting.sun_radius_arcsec = 944.0;
  setting.black_level = 0.01;
  Meters meters(setting);
  camera::Stream stream = *camera::Stream::open(plan);
  camera::Recording recording;
  for (int i = 0; i < 60; ++i) {
    EXPECT_TRUE(stream.record(i / 15.0, recording));
    meters.take(recording.frame, i / 15.0);
  }
  return meters.readings().dust;
}

TEST(Dust, IsReadWhileTheMountDrifts) {
  const auto clean = metered(0);
  ASSERT_TRUE(clean);
  EXPECT_TRUE(clean->empty());
  const auto dusty = metered(120);
  ASSERT_TRUE(dusty);
  EXPECT_FALSE(dusty->empty());
}

}  // namespace
}  // namespace solarchon::live
