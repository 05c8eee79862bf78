// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/seen_drift.h"

#include <cmath>
#include <random>
#include <utility>
#include <vector>

#include "solarchon/base/angle.h"
#include "solarchon/base/json.h"
#include "tests/support/support.h"

namespace solarchon::align {
namespace {

using base::ErrorCode;
using test::utc;

const sky::Observer kSouthCoast({"", 36.07, -5.58, 42.0, "UTC"}, {1010.0, 15.0}, 0.0);
const sky::UtcTime kMorning = utc("2027-07-17T08:40:00Z");
// North up, not mirrored: west is on the right.
const SeenIn kUpright{{0.0, false}, 1.5, 944.0};

TEST(RunSeen, TakesHourAngleAndDeclinationFromTheSky) {
  const auto run = run_seen(kSouthCoast, kMorning, 300.0,
                            {false, 10.0, std::nullopt, DriftUnit::kArcseconds}, kUpright);
  ASSERT_TRUE(run);
  EXPECT_NEAR(run->declination_deg, 21.2, 0.05);
  EXPECT_NEAR(run->hour_angle_deg, -57.1, 0.1);
  EXPECT_FALSE(run->declination_drift_arcsec);
  // Ten arcseconds on the sky are more of the hour circle.
  EXPECT_NEAR(*run->hour_angle_drift_arcsec,
              10.0 / std::cos(run->declination_deg * base::kRadPerDeg), 1e-9);
  EXPECT_DOUBLE_EQ(run->noise_arcsec, 2.0);
}

TEST(RunSeen, RespectsTheCamerasAngleAndParity) {
  const auto north_of = [](const sky::PictureOrientation& celestial, double right, double up) {
    const auto run = run_seen(kSouthCoast, kMorning, 300.0, {true, right, up, DriftUnit::kPixels},
                              {celestial, 2.0, 944.0});
    return std::pair(*run->declination_drift_arcsec, *run->hour_angle_drift_arcsec);
  };
  // Upright: up is north. A quarter turn clockwise: north lies to the right.
  EXPECT_NEAR(north_of({0.0, false}, 0.0, 5.0).first, 10.0, 1e-9);
  EXPECT_NEAR(north_of({90.0, false}, 5.0, 0.0).first, 10.0, 1e-9);
  EXPECT_GT(north_of({0.0, false}, 5.0, 0.0).second, 10.0);  // right is west
  EXPECT_LT(north_of({0.0, true}, 5.0, 0.0).second, -10.0);  // mirrored: right is east
  EXPECT_NEAR(north_of({180.0, false}, 0.0, 5.0).first, -10.0, 1e-9);
}

TEST(RunSeen, HalfADiscToTheLeftIsHalfADisc) {
  const auto run =
      run_seen(kSouthCoast, kMorning, 180.0, {true, -0.5, 0.0, DriftUnit::kDiameters}, kUpright);
  ASSERT_TRUE(run);
  EXPECT_NEAR(*run->hour_angle_drift_arcsec * std::cos(run->declination_deg * base::kRadPerDeg),
              -944.0, 1e-6);
  EXPECT_NEAR(run->noise_arcsec, 94.4, 1e-9);
}

/// Discs of a Sun that runs along a line, north up: 0.05 px a second to the right (west), 0.02 up.
std::vector<DiscSeen> running(int count, double step_s, double radius_px = 472.0) {
  std::vector<DiscSeen> discs;
  for (int i = 0; i < count; ++i) {
    const double seconds = i * step_s;
    discs.push_back({kMorning + sky::seconds(seconds), 640.0 + 0.05 * seconds,
                     512.0 - 0.02 * seconds, radius_px});
  }
  return discs;
}

TEST(RunOfFrames, IsTheStraightLineInTheScaleOfTheSunsRadius) {
  auto discs = running(7, 50.0);
  std::swap(discs.front(), discs.back());  // in any order
  const auto run = run_of_frames(kSouthCoast, discs, kUpright.celestial);
  ASSERT_TRUE(run);
  EXPECT_EQ(run->start, kMorning);
  EXPECT_DOUBLE_EQ(run->duration_s, 300.0);
  const double scale = 944.0 / 472.0;
  EXPECT_NEAR(*run->declination_drift_arcsec, 6.0 * scale, 0.02);
  EXPECT_NEAR(*run->hour_angle_drift_arcsec * std::cos(run->declination_deg * base::kRadPerDeg),
              15.0 * scale, 0.05);
  // Seven places of one arcsecond: 300 s over the root of the sum of squares about the mean.
  EXPECT_NEAR(run->noise_arcsec, 300.0 / std::sqrt(28.0 * 50.0 * 50.0), 1e-3);
}

TEST(RunOfFrames, ScatterBecomesNoise) {
  auto discs = running(40, 8.0);
  std::mt19937 random(7);
  std::normal_distribution<double> shake(0.0, 2.0);  // px: 4 arcsec
  for (DiscSeen& disc : discs) {
    disc.x_px += shake(random);
    disc.y_px += shake(random);
  }
  const auto run = run_of_frames(kSouthCoast, discs, kUpright.celestial);
  ASSERT_TRUE(run);
  const double expected = 4.0 * 312.0 / std::sqrt(40.0 * (40.0 * 40.0 - 1.0) / 12.0 * 64.0);
  EXPECT_NEAR(run->noise_arcsec, expected, 0.25 * expected);
  EXPECT_NEAR(*run->declination_drift_arcsec, 12.48, 4.0 * run->noise_arcsec);
}

TEST(RunOfFrames, RefusesFramesThatAreNoRun) {
  const auto field = [](const std::vector<DiscSeen>& discs) {
    const auto run = run_of_frames(kSouthCoast, discs, {});
    return run ? std::string("none") : run.error().field;
  };
  EXPECT_EQ(field(running(2, 60.0)), "none");
  EXPECT_EQ(field({}), "frames");
  EXPECT_EQ(field(running(1, 60.0)), "frames");
  EXPECT_EQ(field(running(3, 0.0)), "duration");
  EXPECT_EQ(field(running(3, 86'400.0)), "duration");
  EXPECT_EQ(field(running(3, 60.0, 0.0)), "frames");
  auto grown = running(3, 60.0);
  grown.back().radius_px *= 1.1;
  EXPECT_EQ(field(grown), "frames");
}

TEST(RunSeen, RefusesWhatTellsNothing) {
  const auto code = [](const SeenDrift& seen, double seconds, const SeenIn& in) {
    const auto run = run_seen(kSouthCoast, kMorning, seconds, seen, in);
    return run ? std::string() : run.error().field;
  };
  EXPECT_EQ(code({true, 3.0, std::nullopt, DriftUnit::kPixels}, 300.0, kUpright), "drift");
  EXPECT_EQ(code({false, {}, {}, DriftUnit::kArcseconds}, 300.0, kUpright), "drift");
  EXPECT_EQ(code({true, 3.0, 0.0, DriftUnit::kPixels}, 300.0, {{}, std::nullopt, 944.0}), "pixels");
  EXPECT_EQ(code({true, 3.0, 0.0, DriftUnit::kPixels}, 0.0, kUpright), "duration");
  EXPECT_EQ(code({true, 1e9, 0.0, DriftUnit::kPixels}, 300.0, kUpright), "drift");
}

TEST(DriftLeft, OfATrueAxisIsTheSunsOwnMotion) {
  const sky::GeocentricSun sun = sky::geocentric_sun(kMorning, 0.0);
  sky::Observer airless = kSouthCoast;
  airless.weather.pressure_hpa = 0.0;
  const DriftLeft left = drift_left({}, airless, kMorning, Rate::kSidereal);
  EXPECT_NEAR(left.north_arcsec_min, 60.0 * sun.declination_rate_arcsec_s, 0.01);
  // Against the stars it goes east by its right ascension.
  EXPECT_NEAR(
      left.west_arcsec_min,
      -60.0 * sun.right_ascension_rate_arcsec_s * std::cos(sun.declination_deg * base::kRadPerDeg),
      0.01);
  const DriftLeft solar = drift_left({}, airless, kMorning, Rate::kSolar);
  EXPECT_LT(std::abs(solar.west_arcsec_min), 0.2);
  // Rising, the Sun comes down out of the refraction: by 58.3 arcsec times the change of the
  // cotangent of its height, scaled with the air.
  const auto height = [&](sky::UtcTime time) {
    return sky::local_sun(sky::geocentric_sun(time, 0.0), airless.site, airless.weather)
               .altitude_airless_deg *
           base::kRadPerDeg;
  };
  const double sunk_arcsec_min =
      58.3 *
      (1.0 / std::tan(height(kMorning)) - 1.0 / std::tan(height(kMorning + sky::minutes(5.0)))) /
      5.0;
  const DriftLeft through_air = drift_left({}, kSouthCoast, kMorning, Rate::kSolar);
  EXPECT_NEAR(std::hypot(through_air.west_arcsec_min - solar.west_arcsec_min,
                         through_air.north_arcsec_min - solar.north_arcsec_min),
              sunk_arcsec_min, 0.03 * sunk_arcsec_min);
}

TEST(DriftLeft, OfATiltedAxisFollowsTheSmallAngleFormula) {
  // -w A cos f cos H a minute, for half a degree too far east.
  const DriftLeft left = drift_left({0.0, 0.5}, kSouthCoast, kMorning, Rate::kSolar);
  const DriftLeft own = drift_left({}, kSouthCoast, kMorning, Rate::kSolar);
  const double expected = -15.041 * 60.0 * 0.5 * base::kRadPerDeg *
                          std::cos(36.07 * base::kRadPerDeg) * std::cos(56.5 * base::kRadPerDeg);
  EXPECT_NEAR(left.north_arcsec_min - own.north_arcsec_min, expected, 0.03);
}

TEST(StayOf, CountsTheRoomRoundTheDisc) {
  const Stay stay = stay_of({0.0, 10.0, 10.0}, 38.0, 944.0, 2.0);
  EXPECT_NEAR(*stay.in_field_min, (19.0 * 60.0 - 944.0) / 10.0, 1e-9);
  EXPECT_NEAR(*stay.clip_s, 6.0, 1e-9);
  // A field smaller than the disc.
  EXPECT_NEAR(*stay_of({0.0, 10.0, 10.0}, 10.0, 944.0, {}).in_field_min, 15.0, 1e-9);
  EXPECT_FALSE(stay_of({0.0, 0.0, 0.0}, 38.0, 944.0, 2.0).in_field_min);
  EXPECT_FALSE(stay_of({0.0, 10.0, 10.0}, {}, 944.0, {}).clip_s);
}

TEST(TimeOfHourAngle, IsWhenTheSunIsThere) {
  for (const double hour_angle : {-60.0, 0.0, 45.0}) {
    const sky::UtcTime time = time_of_hour_angle(hour_angle, kSouthCoast, kMorning);
    const sky::LocalSun sun =
        sky::local_sun(sky::geocentric_sun(time, 0.0), kSouthCoast.site, kSouthCoast.weather);
    EXPECT_NEAR(sun.hour_angle_deg, hour_angle, 15.0 / 240.0);
  }
}

TEST(TurnsOf, DividesByThePitch) {
  EXPECT_NEAR(*turns_of(-0.6, 1.2), 0.5, 1e-12);
  EXPECT_FALSE(turns_of(0.6, std::nullopt));
}

TEST(DriftRunJson, ComesBackAndRefusesWhatIsNone) {
  DriftRun run;
  run.start = kMorning;
  run.hour_angle_deg = -57.0;
  run.declination_deg = 21.2;
  run.hour_angle_drift_arcsec = -12.5;
  const auto back = drift_run_from_json(to_json(run), "runs[0]");
  ASSERT_TRUE(back);
  EXPECT_EQ(*back, run);
  base::Json wrong = to_json(run);
  wrong["declination_deg"] = 50.0;
  EXPECT_EQ(drift_run_from_json(wrong, "runs[0]").error().field, "runs[0].declination_deg");
  wrong = to_json(run);
  wrong["time_utc"] = "noon";
  EXPECT_EQ(drift_run_from_json(wrong, "runs[0]").error().field, "runs[0].time_utc");
}

TEST(PoleFitCorrelation, IsThatOfTheScatterOfManyFits) {
  // Both runs in the morning: the errors are known together better than apart.
  base::Random random({17});
  const auto run_at = [&](double hour_angle_deg, bool noisy) {
    DriftRun run;
    run.start = utc("2027-06-21T12:00:00Z");
    run.hour_angle_deg = hour_angle_deg;
    run.declination_deg = 23.4;
    const Drift drift = drift_of({0.1, -0.2}, 36.0, run, Rate::kSolar);
    run.declination_drift_arcsec = drift.declination_arcsec + (noisy ? 2.0 * random.normal() : 0.0);
    return run;
  };
  const auto fit = fit_pole({run_at(-60.0, false), run_at(-20.0, false)}, 36.0, Rate::kSolar);
  ASSERT_TRUE(fit && fit->solvable());
  double sums[3] = {0.0, 0.0, 0.0};
  constexpr int kFits = 2000;
  for (int i = 0; i < kFits; ++i) {
    const auto one = fit_pole({run_at(-60.0, true), run_at(-20.0, true)}, 36.0, Rate::kSolar);
    const double altitude = one->error.altitude_deg - 0.1;
    const double azimuth = one->error.azimuth_deg + 0.2;
    sums[0] += altitude * altitude;
    sums[1] += altitude * azimuth;
    sums[2] += azimuth * azimuth;
  }
  EXPECT_NEAR(sums[1] / std::sqrt(sums[0] * sums[2]), fit->correlation, 0.05);
  EXPECT_NEAR(std::sqrt(sums[0] / kFits), fit->altitude_sigma_deg, 0.06 * fit->altitude_sigma_deg);
}

}  // namespace
}  // namespace solarchon::align
