// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <limits>
#include <set>

#include "solarchon/match/clip.h"
#include "solarchon/match/mosaic.h"
#include "solarchon/match/ranking.h"
#include "tests/support/support.h"

namespace solarchon::match {
namespace {

using base::ErrorCode;
using test::FailsWith;

TEST(ClipBudget, IsHalfTheResolutionOverTheFastestMotion) {
  // By hand: half of 2 arcsec at 0.0026 arcsec a second are 385 s; 15 km/s are 0.0207 arcsec a
  // second, 48 s.
  const ClipBudget still = clip_budget({2.0, 0.0, 0.0, 0.0, 0.0, 0.0});
  EXPECT_EQ(still.ruling, ClipLimit::kRotation);
  EXPECT_NEAR(still.longest(), 384.6, 0.1);
  const ClipBudget gas = clip_budget({2.0, 0.0, 15.0, 0.0, 0.0, 0.0});
  EXPECT_EQ(gas.ruling, ClipLimit::kEvolution);
  EXPECT_NEAR(gas.longest(), 48.3, 0.1);
  // A field that turns by a degree a minute, seen 20 arcminutes from its middle: 0.35 arcsec/s.
  const ClipBudget turning = clip_budget({2.0, 0.0, 1.0, 1.0, 1200.0, 0.0});
  EXPECT_EQ(turning.ruling, ClipLimit::kFieldRotation);
  EXPECT_NEAR(turning.longest(), 2.865, 0.01);
  const ClipBudget drifting = clip_budget({2.0, 0.0, 1.0, 0.0, 0.0, 15.75});
  EXPECT_EQ(drifting.ruling, ClipLimit::kTracking);
  EXPECT_NEAR(drifting.longest(), 60.0 / 15.75, 1e-9);
}

TEST(ClipBudget, AtTheLimbTheRotationBlursNothing) {
  const ClipBudget limb = clip_budget({2.0, 1.0, 0.0, 0.0, 0.0, 0.0});
  EXPECT_EQ(limb.longest(), std::numeric_limits<double>::infinity());
  EXPECT_NEAR(clip_budget({2.0, 0.8, 0.0, 0.0, 0.0, 0.0}).longest(), 384.6 / 0.6, 0.2);
}

TEST(FrameRate, IsThatOfTheSlowestLink) {
  optics::Camera camera;  // 2048 x 1536, 12 bit, 55 Hz, 350 MB/s
  const FrameRate whole = frame_rate(camera, {2048, 1536, 1}, 1.0);
  EXPECT_EQ(whole.ruling, RateLimit::kSensor);
  EXPECT_DOUBLE_EQ(whole.hz, 55.0);
  EXPECT_DOUBLE_EQ(whole.bytes_a_frame, 2048.0 * 1536.0 * 2.0);
  const FrameRate half = frame_rate(camera, {2048, 768, 1}, 1.0);
  EXPECT_NEAR(half.hz, 55.0 / 0.525, 1e-9);
  camera.interface_mb_s = 100.0;
  const FrameRate cable = frame_rate(camera, {2048, 1536, 1}, 1.0);
  EXPECT_EQ(cable.ruling, RateLimit::kCable);
  EXPECT_NEAR(cable.hz, 100e6 / (2048.0 * 1536.0 * 2.0), 1e-9);
  const FrameRate slow = frame_rate(camera, {2048, 1536, 1}, 200.0);
  EXPECT_EQ(slow.ruling, RateLimit::kExposure);
  EXPECT_DOUBLE_EQ(slow.hz, 5.0);
  EXPECT_LT(frame_rate(camera, {64, 8, 1}, 0.1).hz, 20.0 * 55.0);
  camera.bits = 8;
  EXPECT_DOUBLE_EQ(frame_rate(camera, {2048, 1536, 2}, 1.0).bytes_a_frame, 1024.0 * 768.0);
}

TEST(TimeLapse, AddsUp) {
  const FrameRate rate{50.0, RateLimit::kSensor, 1e6};
  const auto needs = needs_of({20.0, 181, 5.0, 30.0, 25.0}, rate);
  ASSERT_TRUE(needs);
  EXPECT_DOUBLE_EQ(needs->duration_s, 3605.0);
  EXPECT_DOUBLE_EQ(needs->bytes, 181 * 250 * 1e6);
  EXPECT_NEAR(needs->watt_hours, 30.04, 0.01);
  EXPECT_DOUBLE_EQ(needs->playback_s, 7.24);
  EXPECT_THAT(needs_of({5.0, 10, 6.0, 30.0, 25.0}, rate),
              FailsWith(ErrorCode::kOutOfRange, "clip_s"));
  EXPECT_THAT(needs_of({0.0, 10, 0.0, 30.0, 25.0}, rate),
              FailsWith(ErrorCode::kOutOfRange, "interval_s"));
  EXPECT_THAT(needs_of({5.0, 1, 1.0, 30.0, 25.0}, rate),
              FailsWith(ErrorCode::kOutOfRange, "count"));
}

/// Whether every place of the round thing lies in a panel.
bool covers(const Mosaic& mosaic, const MosaicWish& wish) {
  const double reach = wish.radius_arcsec + wish.margin_arcsec;
  for (double x = -reach; x <= reach; x += reach / 40.0) {
    for (double y = -reach; y <= reach; y += reach / 40.0) {
      if (std::hypot(x, y) > reach) {
        continue;
      }
      const bool in_one =
          std::any_of(mosaic.panels.begin(), mosaic.panels.end(), [&](const Panel& panel) {
            return std::abs(x - panel.right_arcsec) <= 0.5 * wish.field_width_arcsec + 1e-6 &&
                   std::abs(y - panel.up_arcsec) <= 0.5 * wish.field_height_arcsec + 1e-6;
          });
      if (!in_one) {
        return false;
      }
    }
  }
  return true;
}

TEST(Mosaic, CoversTheDiscWithItsMarginAndItsOverlap) {
  for (const MosaicWish& wish :
       {MosaicWish{600.0, 450.0, 960.0, 120.0, 0.25}, MosaicWish{300.0, 300.0, 945.0, 0.0, 0.1},
        MosaicWish{1500.0, 900.0, 970.0, 200.0, 0.4}}) {
    const auto mosaic = mosaic_of(wish);
    ASSERT_TRUE(mosaic);
    EXPECT_TRUE(covers(*mosaic, wish));
    // Neighbours in a row share at least the overlap.
    const double least = wish.overlap * std::min(wish.field_width_arcsec, wish.field_height_arcsec);
    for (std::size_t i = 1; i < mosaic->panels.size(); ++i) {
      const Panel& a = mosaic->panels[i - 1];
      const Panel& b = mosaic->panels[i];
      if (a.up_arcsec == b.up_arcsec) {
        EXPECT_LE(std::abs(a.right_arcsec - b.right_arcsec),
                  wish.field_width_arcsec - least + 1e-6);
      }
    }
  }
}

TEST(Mosaic, IsRecordedToAndFroAndLeavesEmptyCornersOut) {
  const auto mosaic = mosaic_of({200.0, 200.0, 960.0, 0.0, 0.2});
  ASSERT_TRUE(mosaic);
  EXPECT_LT(mosaic->panels.size(), static_cast<std::size_t>(mosaic->columns * mosaic->rows));
  double longest = 0.0;
  for (std::size_t i = 1; i < mosaic->panels.size(); ++i) {
    const Panel& a = mosaic->panels[i - 1];
    const Panel& b = mosaic->panels[i];
    longest =
        std::max(longest, std::hypot(a.right_arcsec - b.right_arcsec, a.up_arcsec - b.up_arcsec));
  }
  EXPECT_LT(longest, 900.0);  // no way back over the whole disc
}

TEST(Mosaic, OneFieldIsOnePanel) {
  const auto one = mosaic_of({2500.0, 2400.0, 960.0, 100.0, 0.25});
  ASSERT_TRUE(one);
  ASSERT_EQ(one->panels.size(), 1U);
  EXPECT_EQ(one->panels[0].right_arcsec, 0.0);
  EXPECT_EQ(one->slewed_arcsec, 0.0);
  // A few arcseconds of the margin are no reason for a second one.
  EXPECT_EQ(mosaic_of({2500.0, 2105.0, 960.0, 100.0, 0.25})->panels.size(), 1U);
  EXPECT_EQ(mosaic_of({2500.0, 2060.0, 960.0, 100.0, 0.25})->panels.size(), 2U);
  EXPECT_THAT(mosaic_of({5.0, 400.0, 960.0, 0.0, 0.25}),
              FailsWith(ErrorCode::kOutOfRange, "field_width_arcsec"));
  EXPECT_THAT(mosaic_of({400.0, 400.0, 960.0, 0.0, 0.0}),
              FailsWith(ErrorCode::kOutOfRange, "overlap"));
  EXPECT_THAT(mosaic_of({20.0, 20.0, 960.0, 0.0, 0.25}), FailsWith(ErrorCode::kTooLarge, "panels"));
}

optics::Element lens(const optics::Part& part, const std::string& name) {
  optics::Element element;
  element.part = part;
  element.name = name;
  return element;
}

TEST(Ranking, ALongerFocusWinsForGranulationInGoodAirAndNotForTheWholeDisc) {
  optics::Amplifier amplifier;
  amplifier.factor = 2.5;
  const std::vector<optics::Element> lenses{lens(amplifier, "Longer")};
  advise::Situation situation;
  situation.seeing_arcsec = 1.0;
  const auto fine = ranked(test::starter_rig(), Target::kGranulation, lenses, situation);
  ASSERT_FALSE(fine.empty());
  EXPECT_EQ(fine.front().lens, "Longer");
  const auto whole = ranked(test::starter_rig(), Target::kWholeDisc, lenses, situation);
  EXPECT_EQ(whole.front().lens, "");
  EXPECT_EQ(whole.front().panels, 1);
  // In bad air the amplifier buys nothing: 1.5 arcsec a pixel suffice for 5.
  situation.seeing_arcsec = 5.0;
  const auto bad = ranked(test::starter_rig(), Target::kLargestSpot, lenses, situation);
  EXPECT_EQ(bad.front().lens, "");
  EXPECT_GE(bad.front().pixels_per_detail, 2.0);
}

TEST(Ranking, TellsWhatALensCostsInLightAndField) {
  optics::Amplifier amplifier;
  amplifier.factor = 2.0;
  const auto settings = ranked(test::starter_rig(), Target::kLargestSpot,
                               {lens(amplifier, "Twice")}, advise::Situation{});
  const auto find = [&](const std::string& name) {
    return *std::find_if(settings.begin(), settings.end(),
                         [&](const Setting& one) { return one.lens == name && one.binning == 1; });
  };
  const Setting plain = find("");
  const Setting twice = find("Twice");
  EXPECT_NEAR(twice.light_stops, plain.light_stops - 2.0, 0.15);
  EXPECT_NEAR(twice.sampling_arcsec_px, 0.5 * plain.sampling_arcsec_px,
              0.03 * plain.sampling_arcsec_px);
  EXPECT_NEAR(twice.field_width_arcmin, 0.5 * plain.field_width_arcmin, 1.0);
  EXPECT_NEAR(plain.light_stops, 0.0, 1e-9);
  EXPECT_LE(twice.region.width_px, 2048);
}

TEST(Ranking, WaysThatTheRulesStopStandLast) {
  // Without its film the telescope must not be used, with whatever lens.
  optics::Rig open = test::starter_rig();
  open.elements.erase(
      std::remove_if(open.elements.begin(), open.elements.end(),
                     [](const optics::Element& element) {
                       return std::holds_alternative<optics::FrontFilm>(element.part);
                     }),
      open.elements.end());
  for (const Setting& setting :
       ranked(open, Target::kWholeDisc, {lens(optics::Reducer{}, "Shorter")}, {})) {
    EXPECT_TRUE(setting.opposed);
  }
  EXPECT_TRUE(ranked(optics::Rig{}, Target::kWholeDisc, {}, {}).empty());
}

TEST(Ranking, TakesOutAndExchangesWhatIsInTheWay) {
  optics::Amplifier strong;
  strong.factor = 5.0;
  optics::Rig rig = test::rig_of({"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6",
                                  "Amplifier 3x, 1.25 inch", "Mono camera 2.3 Mpx, 5.86 µm"});
  rig.elements[2].part = strong;
  const auto settings = ranked(rig, Target::kWholeDisc, {lens(optics::Reducer{}, "Shorter")}, {});
  ASSERT_FALSE(settings.empty());
  EXPECT_EQ(settings.front().without, rig.elements[2].name);
  EXPECT_LE(settings.front().panels, 2);
  EXPECT_FALSE(settings.front().rig.elements[2].fitted);
  EXPECT_TRUE(std::any_of(settings.begin(), settings.end(), [](const Setting& one) {
    return one.lens == "Shorter" && !one.without.empty();
  })) << "one in the place of the other";
}

TEST(Ranking, PutsLensesBeforeTheEyepieceOfAPhoneAndExchangesIt) {
  const optics::Rig rig =
      test::rig_of({"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6",
                    "Mirror diagonal 1.25 inch", "Eyepiece 25 mm", "Phone in an eyepiece holder"});
  optics::Amplifier twice;
  twice.factor = 2.0;
  optics::Eyepiece short_one;
  short_one.focal_length_mm = 12.5;
  const auto settings =
      ranked(rig, Target::kWholeDisc, {lens(twice, "Twice"), lens(short_one, "Short")}, {});
  const auto sampling = [&](const std::string& name) {
    for (const Setting& one : settings) {
      if (one.lens == name && one.binning == 1) {
        return one.sampling_arcsec_px;
      }
    }
    return 0.0;
  };
  EXPECT_NEAR(sampling("Twice"), 0.5 * sampling(""), 0.05 * sampling(""));
  EXPECT_NEAR(sampling("Short"), 0.5 * sampling(""), 0.02 * sampling(""));
}

TEST(Targets, SayInWhichLightTheyAreSeen) {
  std::set<Target> line;
  for (int i = 0; i < 8; ++i) {
    const auto target = static_cast<Target>(i);
    EXPECT_EQ(kTargetWords.from(std::string(kTargetWords.of(target))), target);
    if (need_of(target, 960.0).hydrogen_alpha) {
      line.insert(target);
    }
    EXPECT_GT(need_of(target, 960.0).field_arcmin, 1.0);
  }
  EXPECT_EQ(line, (std::set<Target>{Target::kProminence, Target::kFilament, Target::kPlage}));
}

TEST(EnoughFrames, FollowNoiseTargetAndShare) {
  optics::Camera camera;  // 12 bits, 10 000 electrons, 2.5 read
  const double noise = frame_noise(camera, 0.7);
  // 7000 electrons: sqrt(7000 + 2.5^2 + (10000 / 4096)^2 / 12) / 7000.
  EXPECT_NEAR(noise, 0.01196, 2e-5);
  const EnoughFrames granules = enough_frames(Target::kGranulation, noise, 0.2);
  EXPECT_NEAR(granules.kept, 255, 2) << "(5 x 8 x 0.01196 / 0.03)^2";
  EXPECT_EQ(granules.recorded, static_cast<int>(std::ceil(granules.kept / 0.2)));
  // The noise of that stack, sharpened, is a fifth of the contrast.
  EXPECT_NEAR(8.0 * noise / std::sqrt(granules.kept), 0.03 / 5.0, 1e-4);
  EXPECT_LT(enough_frames(Target::kLargestSpot, noise, 0.2).recorded, granules.recorded);
  EXPECT_LT(enough_frames(Target::kGranulation, noise, 0.8).recorded, granules.recorded);
  EXPECT_GT(enough_frames(Target::kGranulation, frame_noise(camera, 0.1), 0.2).recorded,
            5 * granules.recorded);
  // Never so few that one bad frame shows, never without end.
  EXPECT_EQ(enough_frames(Target::kLargestSpot, 1e-4, 1.0).kept, 20);
  EXPECT_EQ(enough_frames(Target::kGranulation, 3.0, 0.01).recorded, 100000);
}

}  // namespace
}  // namespace solarchon::match
