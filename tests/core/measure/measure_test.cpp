// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <stop_token>

#include "solarchon/base/angle.h"
#include "solarchon/base/random.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "solarchon/light/limb_darkening.h"
#include "solarchon/measure/disc.h"
#include "solarchon/seeing/turbulence.h"
#include "tests/support/support.h"

namespace solarchon::measure {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::morning_shot;
using test::starter_rig;
using test::with_part;

constexpr double kLimbTolerance_px = 0.05;  // what docs/numbers.md promises
constexpr double kSpotTolerance_deg = 0.5;  // issue: inside 60 degrees from the centre
constexpr double kInside_deg = 60.0;

camera::Recording record(const camera::Shot& shot) { return camera::simulate(shot).value(); }

void expect_limb(const disc::LimbFit& limb, const camera::Truth& truth, const std::string& where) {
  EXPECT_NEAR(limb.centre_x_px, truth.centre_x_px, kLimbTolerance_px) << where;
  EXPECT_NEAR(limb.centre_y_px, truth.centre_y_px, kLimbTolerance_px) << where;
  EXPECT_NEAR(limb.radius_px, truth.radius_px, kLimbTolerance_px) << where;
}

double degrees_apart(double latitude_1, double longitude_1, double latitude_2, double longitude_2) {
  const double a = latitude_1 * base::kRadPerDeg;
  const double b = latitude_2 * base::kRadPerDeg;
  const double cosine =
      std::sin(a) * std::sin(b) +
      std::cos(a) * std::cos(b) * std::cos((longitude_1 - longitude_2) * base::kRadPerDeg);
  return std::acos(std::clamp(cosine, -1.0, 1.0)) * base::kDegPerRad;
}

TEST(FitLimb, MeetsTheTruthOverSeedsSeeingAndSuns) {
  for (std::uint32_t seed = 1; seed <= 4; ++seed) {
    for (const double seeing : {1.0, 2.0, 4.0}) {
      camera::Shot shot = morning_shot(starter_rig(), seed);
      shot.sun_seed = seed;
      shot.seeing_arcsec = seeing;
      const camera::Recording recording = record(shot);
      const disc::LimbFit limb = disc::fit_limb(recording.frame).value();
      expect_limb(limb, recording.truth,
                  "seed " + std::to_string(seed) + " seeing " + std::to_string(seeing));
      EXPECT_GT(limb.seen_share, 0.95);
      EXPECT_FALSE(limb.saturated);
    }
  }
}

TEST(FitLimb, MeetsTheTruthAtAThirdOfTheExposure) {
  camera::Shot shot = morning_shot(starter_rig(), 2);
  shot.exposure_ms /= 3.0;
  const camera::Recording recording = record(shot);
  expect_limb(disc::fit_limb(recording.frame).value(), recording.truth, "dim");
}

TEST(FitLimb, MeetsTheTruthOfASmallDisc) {
  const camera::Recording recording =
      record(morning_shot(with_part(starter_rig(), optics::Reducer{0.3}, 20.0), 3));
  ASSERT_LT(recording.truth.radius_px, 200.0);
  expect_limb(disc::fit_limb(recording.frame).value(), recording.truth, "small");
}

TEST(FitLimb, SurvivesADiscCutByTheFrame) {
  for (const auto& [west, north] :
       {std::pair(700.0, 0.0), std::pair(-400.0, 500.0), std::pair(0.0, -700.0)}) {
    camera::Shot shot = morning_shot(starter_rig(), 4);
    shot.target = {west, north};
    const camera::Recording recording = record(shot);
    const disc::LimbFit limb = disc::fit_limb(recording.frame).value();
    EXPECT_LT(limb.seen_share, 0.97);
    expect_limb(limb, recording.truth, std::to_string(west) + " " + std::to_string(north));
  }
}

TEST(FitLimb, SurvivesALongFocusWithAQuarterOfTheLimb) {
  camera::Shot shot = morning_shot(with_part(starter_rig(), optics::Amplifier{2.5}, 60.0), 5);
  shot.target = {700.0, 400.0};
  const camera::Recording recording = record(shot);
  const disc::LimbFit limb = disc::fit_limb(recording.frame).value();
  EXPECT_LT(limb.seen_share, 0.4);
  // A quarter of the limb fixes the radius less well than the direction to it.
  EXPECT_NEAR(limb.radius_px, recording.truth.radius_px, 0.3);
  EXPECT_NEAR(limb.centre_x_px, recording.truth.centre_x_px, 0.3);
  EXPECT_NEAR(limb.centre_y_px, recording.truth.centre_y_px, 0.3);
}

TEST(FitLimb, SurvivesABite) {
  // The Moon's disc, as dark as the sky, over a third of the limb.
  camera::Recording recording = record(morning_shot(starter_rig(), 6));
  const auto& truth = recording.truth;
  const double bite_x = truth.centre_x_px + 0.9 * truth.radius_px;
  const double bite_y = truth.centre_y_px - 0.5 * truth.radius_px;
  for (int y = 0; y < recording.frame.height; ++y) {
    for (int x = 0; x < recording.frame.width; ++x) {
      if (std::hypot(x - bite_x, y - bite_y) < truth.radius_px * 1.02) {
        recording.frame.pixels[static_cast<std::size_t>(y * recording.frame.width + x)] = 45;
      }
    }
  }
  const disc::LimbFit limb = disc::fit_limb(recording.frame).value();
  EXPECT_NEAR(limb.centre_x_px, truth.centre_x_px, 0.1);
  EXPECT_NEAR(limb.centre_y_px, truth.centre_y_px, 0.1);
  EXPECT_NEAR(limb.radius_px, truth.radius_px, 0.1);
}

TEST(FitLimb, SaysWhenTheDiscIsSaturated) {
  camera::Shot shot = morning_shot(starter_rig(), 7);
  shot.exposure_ms *= 3.0;
  EXPECT_TRUE(disc::fit_limb(record(shot).frame).value().saturated);
}

TEST(FitLimb, FindsNothingWhereThereIsNothing) {
  image::Frame frame;
  frame.width = 320;
  frame.height = 240;
  frame.saturation = 4095;
  const auto filled = [&](auto value) {
    frame.pixels.assign(320 * 240, 0);
    std::generate(frame.pixels.begin(), frame.pixels.end(), value);
    return frame;
  };
  base::Random random{8};
  EXPECT_THAT(disc::fit_limb(filled([] { return std::uint16_t{0}; })),
              FailsWith(ErrorCode::kNotFound, "limb"));
  EXPECT_THAT(disc::fit_limb(filled([] { return std::uint16_t{4095}; })),
              FailsWith(ErrorCode::kNotFound, "limb"));
  EXPECT_THAT(
      disc::fit_limb(filled([&] { return static_cast<std::uint16_t>(random.uniform(0, 4095)); })),
      FailsWith(ErrorCode::kNotFound, "limb"));
  int i = 0;
  EXPECT_THAT(disc::fit_limb(filled([&] { return static_cast<std::uint16_t>((i++ % 320) * 12); })),
              FailsWith(ErrorCode::kNotFound, "limb"));
}

TEST(FitLimb, FindsNothingInsideTheDisc) {
  camera::Shot shot = morning_shot(with_part(starter_rig(), optics::Amplifier{5.0}, 60.0), 9);
  EXPECT_THAT(disc::fit_limb(record(shot).frame), FailsWith(ErrorCode::kNotFound, "limb"));
}

TEST(FitLimb, TakesAFrameOfAFewPixels) {
  for (const auto& [width, height] : {std::pair(1, 1), std::pair(3, 2), std::pair(16, 16)}) {
    image::Frame frame;
    frame.width = width;
    frame.height = height;
    frame.pixels.assign(static_cast<std::size_t>(width * height), 100);
    EXPECT_FALSE(disc::fit_limb(frame));
  }
}

TEST(FitLimb, StopsWhenAsked) {
  std::stop_source source;
  source.request_stop();
  EXPECT_THAT(disc::fit_limb(record(morning_shot(starter_rig())).frame, {source.get_token()}),
              FailsWith(ErrorCode::kCancelled, "limb"));
}

/// Every drawn spot large and central enough to stand alone, against the nearest measured one.
void expect_spots(const camera::Recording& recording, int& compared) {
  const DiscMeasurement measured = measure_disc(recording.frame).value();
  const camera::Truth& truth = recording.truth;
  for (const scene::Spot& spot : truth.spots) {
    const auto place =
        sky::disc_place(spot.latitude_deg, spot.carrington_longitude_deg, truth.view);
    const double from_centre = degrees_apart(spot.latitude_deg, spot.carrington_longitude_deg,
                                             truth.view.b0_deg, truth.view.l0_deg);
    const bool alone =
        std::none_of(truth.spots.begin(), truth.spots.end(), [&](const scene::Spot& other) {
          return &other != &spot &&
                 degrees_apart(spot.latitude_deg, spot.carrington_longitude_deg, other.latitude_deg,
                               other.carrington_longitude_deg) <
                     1.6 * (spot.radius_deg + other.radius_deg);
        });
    if (!place || from_centre > kInside_deg || !alone || spot.area_muh() < 20.0) {
      continue;
    }
    const SpotMeasurement* nearest = nullptr;
    double least = 1e9;
    for (const SpotMeasurement& found : measured.spots) {
      const double apart = degrees_apart(spot.latitude_deg, spot.carrington_longitude_deg,
                                         *found.latitude_deg, *found.carrington_longitude_deg);
      if (apart < least) {
        least = apart;
        nearest = &found;
      }
    }
    ASSERT_NE(nearest, nullptr);
    EXPECT_LT(least, kSpotTolerance_deg) << spot.latitude_deg;
    if (spot.area_muh() > 100.0) {
      EXPECT_NEAR(nearest->area_muh / spot.area_muh(), 1.0, 0.15);
    }
    ++compared;
  }
}

TEST(MeasureDisc, PutsSpotsWhereTheyWereDrawn) {
  int compared = 0;
  for (std::uint32_t seed = 1; seed <= 6; ++seed) {
    camera::Shot shot = morning_shot(starter_rig(), seed);
    shot.sun_seed = seed;
    expect_spots(record(shot), compared);
  }
  EXPECT_GT(compared, 15);
}

/// The steepest edge is the photosphere's, which shines through the wings of the passband; the
/// chromosphere over it would make the disc larger by 0.7 per cent at most.
TEST(MeasureDisc, FindsTheLimbInHydrogenAlphaAndTakesNoGasForSpots) {
  for (const std::size_t train : {2U, 3U}) {
    const camera::Recording recording = record(morning_shot(test::usual_train(train)));
    const DiscMeasurement measured = measure_disc(recording.frame).value();
    EXPECT_TRUE(measured.spots.empty());
    EXPECT_NEAR(measured.limb.centre_x_px, recording.truth.centre_x_px, 0.05);
    EXPECT_NEAR(measured.limb.centre_y_px, recording.truth.centre_y_px, 0.05);
    EXPECT_NEAR(measured.limb.radius_px, recording.truth.radius_px, 0.15);
    EXPECT_NEAR(*measured.plate_scale_arcsec_px / recording.truth.plate_scale_arcsec_px, 1.0,
                0.0005);
  }
}

/// At half an arcsecond a pixel, in calm air, lanes between granules are dark and many pixels
/// large.
TEST(MeasureDisc, TakesNoLaneBetweenGranulesForASpot) {
  optics::Rig rig = starter_rig();
  for (optics::Element& element : rig.elements) {
    if (auto* telescope = std::get_if<optics::Telescope>(&element.part)) {
      telescope->aperture_mm = 150.0;
      telescope->focal_length_mm = 1423.0;
    } else if (auto* camera = std::get_if<optics::Camera>(&element.part)) {
      camera->width_px = 2000;
      camera->height_px = 1500;
    } else if (auto* film = std::get_if<optics::FrontFilm>(&element.part)) {
      film->clear_aperture_mm = 160.0;
    }
  }
  camera::Shot shot = morning_shot(rig);
  shot.seeing_arcsec = 0.7;
  shot.target = {600.0, 200.0};  // a piece of the limb belongs to a measurement
  const camera::Recording recording = record(shot);
  const DiscMeasurement measured = measure_disc(recording.frame).value();
  ASSERT_FALSE(measured.spots.empty());
  for (const SpotMeasurement& spot : measured.spots) {
    double least = 1e9;
    for (const scene::Spot& drawn : recording.truth.spots) {
      least = std::min(least, degrees_apart(drawn.latitude_deg, drawn.carrington_longitude_deg,
                                            *spot.latitude_deg, *spot.carrington_longitude_deg) -
                                  drawn.radius_deg);
    }
    EXPECT_LT(least, 0.5) << spot.x_px << ' ' << spot.y_px << ' ' << spot.contrast;
  }
}

/// Where a circle comes to lie whose points the air has shifted: the least-squares centre.
sky::PictureOffset centre_moved(const seeing::MotionField& field, const disc::LimbFit& limb,
                                double scale) {
  constexpr int kPoints = 720;
  sky::PictureOffset moved;
  for (int i = 0; i < kPoints; ++i) {
    const double way = 2.0 * base::kPi * i / kPoints;
    const seeing::Shift shift =
        field.at((limb.centre_x_px + limb.radius_px * std::cos(way)) * scale,
                 (limb.centre_y_px + limb.radius_px * std::sin(way)) * scale);
    const double outwards = shift.right * std::cos(way) + shift.down * std::sin(way);
    moved.right += 2.0 / kPoints * outwards * std::cos(way) / scale;
    moved.up -= 2.0 / kPoints * outwards * std::sin(way) / scale;
  }
  return moved;
}

/// The limb moves and boils as the air's field says, and a short exposure is sharper than a long
/// one in the same air.
TEST(FitLimb, SeesTheAirMoveAndBendTheLimb) {
  camera::Shot still = morning_shot(starter_rig());
  still.pointing_spread_px = 0.0;
  still.seeing_arcsec = 0.0;
  const disc::LimbFit quiet = disc::fit_limb(record(still).frame).value();
  camera::Shot moved = still;
  moved.air = seeing::Air{};
  moved.air->r0_cm = 3.0;
  camera::Shot softened = still;
  softened.seeing_arcsec = seeing::long_exposure_arcsec(3.0, 540.0);
  const double long_blur = disc::fit_limb(record(softened).frame).value().blur_px;
  for (const double seconds : {0.0, 11.0}) {
    moved.time = still.time + sky::seconds(seconds);
    const camera::Recording recording = record(moved);
    const disc::LimbFit limb = disc::fit_limb(recording.frame).value();
    const double scale = recording.truth.plate_scale_arcsec_px;
    const seeing::Turbulence turbulence(*moved.air, recording.frame.info.wavelength_nm.value(),
                                        80.0);
    const double now_s = static_cast<double>(moved.time.unix_ms) / 1000.0;
    const sky::PictureOffset expected = centre_moved(turbulence.motion(now_s), quiet, scale);
    EXPECT_GT(std::hypot(expected.right, expected.up), 0.1);
    EXPECT_NEAR(limb.centre_x_px - quiet.centre_x_px, expected.right, 0.1);
    EXPECT_NEAR(quiet.centre_y_px - limb.centre_y_px, expected.up, 0.1);
    EXPECT_GT(limb.scatter_px, 3.0 * quiet.scatter_px);
    EXPECT_LT(limb.blur_px, long_blur);
    EXPECT_NEAR(*recording.truth.r0_cm, turbulence.r0_cm(now_s), 1e-9);
    const seeing::Shift middle = turbulence.motion(now_s).at(0.5 * recording.frame.width * scale,
                                                             0.5 * recording.frame.height * scale);
    EXPECT_NEAR(recording.truth.shift_px.right, middle.right / scale, 1e-6);
  }
}

TEST(MeasureDisc, KnowsTheParityOfTheLightPath) {
  int compared = 0;
  expect_spots(record(morning_shot(with_part(starter_rig(), optics::Diagonal{}, 65.0), 2)),
               compared);
  optics::Rig turned = starter_rig();
  std::get<optics::Camera>(turned.elements.back().part).rotation_deg = 73.0;
  expect_spots(record(morning_shot(turned, 2)), compared);
  EXPECT_GT(compared, 4);
}

TEST(MeasureDisc, WorksInTheSouthAndInOtherSeasons) {
  int compared = 0;
  for (const char* time :
       {"2027-01-05T23:00:00Z", "2028-04-07T01:00:00Z", "2026-10-10T02:00:00Z"}) {
    workspace::Workspace space = test::morning_workspace(starter_rig());
    space.site = {"South", -41.3, 174.8, 20.0, "Pacific/Auckland"};
    camera::Shot shot = morning_shot(starter_rig(), 3);
    shot.time = test::utc(time);
    expect_spots(record(shot), compared);
  }
  EXPECT_GT(compared, 5);
}

TEST(MeasureDisc, TakesThePlateScaleFromTheLimb) {
  camera::Recording recording = record(morning_shot(starter_rig()));
  recording.frame.info.plate_scale_arcsec_px = 99.0;  // a wrong header must not matter
  const DiscMeasurement measured = measure_disc(recording.frame).value();
  EXPECT_NEAR(*measured.plate_scale_arcsec_px, recording.truth.plate_scale_arcsec_px, 1.5e-4);
}

TEST(MeasureDisc, SaysNothingOfPlacesWithoutTimeAndOrientation) {
  camera::Recording recording = record(morning_shot(starter_rig()));
  recording.frame.info = {};
  const DiscMeasurement bare = measure_disc(recording.frame).value();
  EXPECT_FALSE(bare.plate_scale_arcsec_px || bare.view || bare.solar);
  ASSERT_FALSE(bare.spots.empty());
  EXPECT_FALSE(bare.spots.front().latitude_deg);
  EXPECT_GT(bare.spots.front().area_muh, 0.0);
  const DiscMeasurement told =
      measure_disc(recording.frame, {test::morning(), recording.truth.solar}).value();
  EXPECT_TRUE(told.spots.front().latitude_deg);
}

TEST(MeasureDisc, FindsNoSpotsOnACleanSun) {
  camera::Shot shot = morning_shot(starter_rig());
  // A moment of this Sun's history when no spot faces the Earth is hard to find: paint over them.
  camera::Recording recording = record(shot);
  const DiscMeasurement with = measure_disc(recording.frame).value();
  for (const SpotMeasurement& spot : with.spots) {
    for (int dy = -30; dy <= 30; ++dy) {
      for (int dx = -30; dx <= 30; ++dx) {
        const int x = static_cast<int>(spot.x_px) + dx;
        const int y = static_cast<int>(spot.y_px) + dy;
        const double reach = std::hypot(x - with.limb.centre_x_px, y - with.limb.centre_y_px);
        const double share = reach / with.limb.radius_px;
        if (share < 0.985) {
          const double bright = light::LimbDarkening(540.0).at(std::sqrt(1.0 - share * share));
          recording.frame.pixels[static_cast<std::size_t>(y * recording.frame.width + x)] =
              static_cast<std::uint16_t>(41 + 0.7 * 4054 * bright);
        }
      }
    }
  }
  EXPECT_TRUE(measure_disc(recording.frame).value().spots.empty());
}

TEST(MeasureDisc, ListsTheLargestFirst) {
  const DiscMeasurement measured = measure_disc(record(morning_shot(starter_rig())).frame).value();
  EXPECT_TRUE(std::is_sorted(
      measured.spots.begin(), measured.spots.end(),
      [](const SpotMeasurement& a, const SpotMeasurement& b) { return a.area_muh > b.area_muh; }));
}

}  // namespace
}  // namespace solarchon::measure
