// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/live/judge.h"

#include <cmath>

#include "solarchon/base/random.h"
#include "solarchon/camera/stream.h"
#include "solarchon/disc/limb_tracker.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/observe.h"
#include "tests/support/support.h"

namespace solarchon::live {
namespace {

Readings calm() {
  Readings readings;
  readings.frames = 100;
  readings.span_s = 10.0;
  readings.field_arcsec = 1000.0;
  readings.level = {0.7, 0.6, 0.01, 0.0};
  SeeingMonitor::Seen air;
  air.r0_cm = {8.0, 1.0};
  readings.air = air;
  const Setting setting;
  readings.edge_arcsec = Estimate{edge_width_arcsec(setting, 8.0, 0.0), 0.1};
  readings.defocus_um = Estimate{0.0, 40.0};
  readings.drift = Drift{1.0, 0.0, 0.2};
  readings.structure = 0.03;
  return readings;
}

TEST(Judge, NamesOneThing) {
  const Setting setting;
  EXPECT_EQ(judge(Readings{}, setting).limit, Limit::kNotYet);
  EXPECT_EQ(judge(calm(), setting).limit, Limit::kAperture);

  Readings dark = calm();
  dark.level = {};
  EXPECT_EQ(judge(dark, setting).limit, Limit::kNoSun);

  Readings full = calm();
  full.level.clipped_share = 0.2;
  EXPECT_EQ(judge(full, setting).limit, Limit::kClipped);
  Setting prominences;
  prominences.disc_may_clip = true;
  EXPECT_EQ(judge(full, prominences).limit, Limit::kAperture);

  Readings dim = calm();
  dim.level.bright = 0.07;
  const Judgement longer = judge(dim, setting);
  EXPECT_EQ(longer.limit, Limit::kTooDim);
  EXPECT_NEAR(longer.next, 10.0, 1e-9) << "how many times longer";

  Readings cloudy = calm();
  cloudy.cloud_stops = Estimate{1.5, 0.1};
  EXPECT_EQ(judge(cloudy, setting).limit, Limit::kCloud);
  EXPECT_NEAR(judge(cloudy, setting).next, std::exp2(1.5), 1e-9);

  Readings banded = calm();
  banded.bands = Bands{9.0, 30.0, 0.02, 2.7};
  EXPECT_EQ(judge(banded, setting).limit, Limit::kBands);
  EXPECT_EQ(judge(banded, setting).next, 2.7);

  Readings soft = calm();
  soft.edge_arcsec = Estimate{edge_width_arcsec(setting, 8.0, 250.0), 0.1};
  soft.defocus_um = Estimate{250.0, 40.0};
  EXPECT_EQ(judge(soft, setting).limit, Limit::kFocus);
  EXPECT_EQ(judge(soft, setting).figure.value, 250.0);

  soft.level.clipped_share = 0.3;
  EXPECT_EQ(judge(soft, prominences).limit, Limit::kAperture) << "the edge of what is full";

  Readings early = calm();
  early.limb = disc::TrackedLimb{};
  early.air.reset();
  early.span_s = 1.0;
  EXPECT_EQ(judge(early, setting).limit, Limit::kNotYet);
  early.span_s = 5.0;
  EXPECT_EQ(judge(early, setting).limit, Limit::kAperture);

  // Neither limb nor detail that moves: air and focus may be anything.
  Readings blind = calm();
  blind.air.reset();
  blind.edge_arcsec.reset();
  blind.defocus_um.reset();
  EXPECT_EQ(judge(blind, setting).limit, Limit::kNotKnown);
  blind.cloud_stops = Estimate{4.8, 0.1};
  EXPECT_EQ(judge(blind, setting).limit, Limit::kCloud);
  blind.cloud_stops.reset();
  blind.edge_arcsec = Estimate{edge_width_arcsec(setting, {}, 0.0), 0.1};
  blind.defocus_um = Estimate{0.0, 40.0};
  EXPECT_EQ(judge(blind, setting).limit, Limit::kAperture) << "as sharp as the optics draw it";

  Readings boiling = calm();
  boiling.air->r0_cm = {2.0, 0.3};
  boiling.edge_arcsec = Estimate{edge_width_arcsec(setting, 2.0, 0.0), 0.1};
  EXPECT_EQ(judge(boiling, setting).limit, Limit::kAir);

  Readings drifting = calm();
  drifting.drift = Drift{100.0, 0.0, 1.0};
  EXPECT_EQ(judge(drifting, setting).limit, Limit::kDrift);
  EXPECT_NEAR(judge(drifting, setting).next, 300.0, 1e-9) << "seconds until half a field is gone";
  drifting.drift->spread_arcsec_min = 50.0;
  EXPECT_EQ(judge(drifting, setting).limit, Limit::kAperture) << "not known well enough";
}

TEST(Judge, KnowsTheLineByItsLightAndItsDetail) {
  Setting line;
  line.line = true;
  line.imaging.wavelength_nm = 656.28;
  Readings off = calm();
  off.edge_arcsec = Estimate{edge_width_arcsec(line, 8.0, 0.0), 0.1};
  EXPECT_EQ(judge(off, line).limit, Limit::kAperture);
  off.cloud_stops = Estimate{-0.6, 0.05};
  EXPECT_EQ(judge(off, line).limit, Limit::kTuning) << "brighter than the middle of the line";
  off.cloud_stops = {};
  line.usual_structure = 0.05;
  EXPECT_EQ(judge(off, line).limit, Limit::kTuning) << "flatter than it is on the band";
  line.line = false;
  EXPECT_NE(judge(off, line).limit, Limit::kTuning);
}

/// One thing is wrong, by chance; everything else is as it should be.
struct Case {
  camera::StreamPlan plan;
  Setting setting;
  Limit truth = Limit::kAperture;
};

Case case_of(std::uint32_t seed) {
  base::Random random{seed, 77};
  const bool line = random.uniform() < 0.5;
  optics::Rig rig = test::usual_train(line ? 2 : 1);
  for (optics::Element& element : rig.elements) {
    if (auto* camera = std::get_if<optics::Camera>(&element.part)) {
      const double wider = line ? 1.3 : 1.0;
      camera->width_px = 640;
      camera->height_px = 480;
      camera->pixel_um *= wider;
      camera->full_well_e *= wider * wider;
    }
  }
  workspace::Workspace space = test::morning_workspace(rig);
  space.target = workspace::Target::kLimb;
  const workspace::Answers answers =
      workspace::answer(space, test::morning(), sky::geocentric_sun(test::morning(), 0.0));
  Case one;
  camera::Shot shot = workspace::shot_for(space, answers, {}, seed).value();
  shot.pointing_spread_px = 0.0;
  shot.air = seeing::Air{};
  shot.air->wander = 0.1;
  shot.air->seed = seed + 5;
  shot.air->r0_cm = random.uniform(7.0, 10.0);
  const optics::Train& train = answers.train;
  Setting& setting = one.setting;
  setting.imaging.aperture_mm = train.aperture_mm;
  setting.imaging.wavelength_nm = train.band.wavelength_nm;
  setting.focal_ratio = *train.effective_focal_length_mm / train.aperture_mm;
  setting.imaging.scale_arcsec_px = *train.sampling_arcsec_px;
  setting.line = train.band.line;
  setting.sun_radius_arcsec = sky::limb_radius_arcsec(answers.disc.distance_au);
  setting.black_level = 0.01;
  // What a clear sky was found to give: in hydrogen alpha less than the middle of a quiet disc.
  setting.clear_level = 0.01 + 0.99 * answers.exposure->level * (line ? 0.9 : 1.0);
  const double side = random.uniform() < 0.5 ? -1.0 : 1.0;
  switch (random.below(line ? 8 : 6)) {
    case 0:
      one.truth = Limit::kAir;
      shot.air->r0_cm = random.uniform(1.5, 3.5);
      break;
    case 1:
      one.truth = Limit::kCloud;
      shot.cloud.stops = random.uniform(1.2, 3.0);
      shot.cloud.seed = seed;
      break;
    case 2:
      one.truth = Limit::kFocus;
      shot.defocus_um = side * random.uniform(5.0, 12.0) * focus_depth_um(setting);
      break;
    case 3:
      one.truth = Limit::kDrift;
      one.plan.way = {{0.0, {0.0, 0.0}}, {60.0, {0.0, random.uniform(60.0, 200.0)}}};
      break;
    case 4:
      one.truth = Limit::kClipped;
      shot.exposure_ms *= random.uniform(1.8, 3.0);
      break;
    case 5:
      one.truth = Limit::kAperture;
      shot.air->r0_cm = 40.0;
      break;
    case 6:
      one.truth = Limit::kBands;
      shot.marks.band_contrast = random.uniform(0.14, 0.28);
      shot.marks.seed = seed;
      break;
    default:
      one.truth = Limit::kTuning;
      shot.detune_angstrom = side * random.uniform(0.5, 0.7);
      shot.exposure_ms *= 0.8;
      setting.clear_level = 0.01 + 0.8 * (*setting.clear_level - 0.01);
      break;
  }
  one.plan.shot = shot;
  one.plan.sun_step_s = 3600.0;
  return one;
}

TEST(Judge, NamesTheTrueLimit) {
#if defined(__SANITIZE_ADDRESS__)
  constexpr std::uint32_t kCases = 4;
#else
  constexpr std::uint32_t kCases = 18;
#endif
  for (std::uint32_t seed = 1; seed <= kCases; ++seed) {
    const Case one = case_of(seed);
    camera::Stream stream = *camera::Stream::open(one.plan);
    Meters meters(one.setting);
    camera::Recording recording;
    for (int i = 0; i < 75; ++i) {
      ASSERT_TRUE(stream.record(i / 15.0, recording));
      meters.take(recording.frame, i / 15.0);
    }
    const Judgement judged = judge(meters.readings(), one.setting);
    EXPECT_EQ(static_cast<int>(judged.limit), static_cast<int>(one.truth)) << seed;
  }
}

}  // namespace
}  // namespace solarchon::live
