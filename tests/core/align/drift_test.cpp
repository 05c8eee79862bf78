// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/drift.h"

#include <gtest/gtest.h>

#include <array>
#include <cmath>
#include <random>

#include "solarchon/base/angle.h"
#include "solarchon/base/json.h"
#include "solarchon/sky/sun.h"
#include "tests/support/support.h"

namespace solarchon::align {
namespace {

using base::ErrorCode;
using test::FailsWith;

constexpr double kArcminPerDeg = 60.0;
const sky::Site kNorth{"north", 36.07, 0.0};
const sky::Site kSouth{"south", -41.3, 0.0};

const sky::Weather kAir{1013.0, 20.0};

using Arrow = std::array<double, 3>;  // east, north, up

double along(const Arrow& a, const Arrow& b) { return a[0] * b[0] + a[1] * b[1] + a[2] * b[2]; }
Arrow square_to(const Arrow& a, const Arrow& b) {
  return {a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]};
}
Arrow towards(double azimuth_deg, double altitude_deg) {
  const double azimuth = azimuth_deg * base::kRadPerDeg;
  const double altitude = altitude_deg * base::kRadPerDeg;
  return {std::cos(altitude) * std::sin(azimuth), std::cos(altitude) * std::cos(azimuth),
          std::sin(altitude)};
}

/// The Sun over a site by azimuth and height, as the sky room has it: nothing of hour angles.
Arrow sun_at(const sky::Site& site, sky::UtcTime time, bool through_air = false) {
  const auto sun = sky::local_sun(sky::geocentric_sun(time, 0.0), site, kAir);
  return towards(sun.azimuth_deg, through_air ? sun.altitude_deg : sun.altitude_airless_deg);
}

/// A run as a mount would show it whose axis points where the error says: angles from the axis, and
/// turned about it, between arrows over the site.
DriftRun observed(const sky::Site& site, const PoleError& error, sky::UtcTime start,
                  double duration_s, double rate_arcsec_s, bool through_air = false) {
  const bool north = site.latitude_deg >= 0.0;
  const Arrow raised = towards(north ? error.azimuth_deg : 180.0 - error.azimuth_deg,
                               std::abs(site.latitude_deg) + error.altitude_deg);
  const Arrow pole = north ? raised : Arrow{-raised[0], -raised[1], -raised[2]};
  const Arrow before = sun_at(site, start, through_air);
  const Arrow after = sun_at(site, start + sky::seconds(duration_s), through_air);
  const Arrow from = square_to(pole, before);
  const Arrow to = square_to(pole, after);
  // Seen from the northern pole the sky turns clockwise: hour angle grows against the arrow.
  const double turned_deg =
      -std::atan2(along(pole, square_to(from, to)), along(from, to)) * base::kDegPerRad;
  const auto geocentric = sky::geocentric_sun(start, 0.0);
  DriftRun run;
  run.start = start;
  run.duration_s = duration_s;
  run.hour_angle_deg = sky::local_sun(geocentric, site, {}).hour_angle_deg;
  run.declination_deg = geocentric.declination_deg;
  run.declination_drift_arcsec =
      (std::asin(along(pole, after)) - std::asin(along(pole, before))) * base::kArcsecPerRad;
  run.hour_angle_drift_arcsec = turned_deg * 3600.0 - rate_arcsec_s * duration_s;
  return run;
}

const std::array<const char*, 3> kHours{"2027-07-17T08:00:00Z", "2027-07-17T12:10:00Z",
                                        "2027-07-17T16:00:00Z"};

std::vector<DriftRun> three_runs(const sky::Site& site, const PoleError& error, Rate rate) {
  std::vector<DriftRun> runs;
  for (const char* hour : kHours) {
    runs.push_back(observed(site, error, test::utc(hour), 300.0, rate_arcsec_s(rate)));
  }
  return runs;
}

TEST(DriftOf, AgreesWithArrowsOverTheSite) {
  // The site sees the Sun from its own place, the fit from the middle of the Earth: that moves it
  // by less than 0.3 arcsec in five minutes.
  constexpr double kParallaxArcsec = 0.3;
  for (const sky::Site& site : {kNorth, kSouth}) {
    for (const PoleError& error : {PoleError{0.1, -0.3}, PoleError{-5.0, 4.0}, PoleError{2.0, 0}}) {
      for (const DriftRun& run : three_runs(site, error, Rate::kSolar)) {
        const Drift drift = drift_of(error, site.latitude_deg, run, Rate::kSolar);
        EXPECT_NEAR(drift.declination_arcsec, *run.declination_drift_arcsec, kParallaxArcsec);
        EXPECT_NEAR(drift.hour_angle_arcsec, *run.hour_angle_drift_arcsec, kParallaxArcsec);
      }
    }
  }
}

TEST(DriftOf, FollowsTheKnownFormulaForSmallErrors) {
  // dd = -w (a sin H + A cos f cos H), dH = w tan d (a cos H - A cos f sin H); south of the equator
  // both change their sign.
  for (const double latitude_deg : {36.07, -41.3}) {
    const double sign = latitude_deg > 0.0 ? 1.0 : -1.0;
    const double width = std::cos(latitude_deg * base::kRadPerDeg);
    for (const double hour_angle_deg : {-60.0, 0.0, 25.0}) {
      DriftRun run;
      run.start = test::utc("2027-07-17T12:00:00Z");
      run.hour_angle_deg = hour_angle_deg;
      run.declination_deg = 21.2;
      run.duration_s = 10.0;
      const PoleError error{0.02, -0.03};
      const Drift still = drift_of({}, latitude_deg, run, Rate::kSolar);
      const Drift moved = drift_of(error, latitude_deg, run, Rate::kSolar);
      const double h = (hour_angle_deg + 10.0 * 7.5 / 3600.0) * base::kRadPerDeg;
      const double turned = 10.0 * 15.0 * base::kRadPerDeg;  // arcsec times radians of the error
      const double a = error.altitude_deg;
      const double east = error.azimuth_deg * width;
      constexpr double kSecondOrder = 2e-4;  // arcsec
      EXPECT_NEAR(moved.declination_arcsec - still.declination_arcsec,
                  -sign * turned * (a * std::sin(h) + east * std::cos(h)), kSecondOrder);
      EXPECT_NEAR(moved.hour_angle_arcsec - still.hour_angle_arcsec,
                  sign * turned * std::tan(21.2 * base::kRadPerDeg) *
                      (a * std::cos(h) - east * std::sin(h)),
                  kSecondOrder);
    }
  }
}

TEST(DriftOf, AnAlignedMountShowsTheSunsOwnMotionOnly) {
  DriftRun run;
  run.start = test::utc("2027-03-20T12:00:00Z");
  run.duration_s = 3600.0;
  const Drift solar = drift_of({}, 36.07, run, Rate::kSolar);
  EXPECT_NEAR(solar.declination_arcsec, 59.0, 1.0);  // at the equinox an arcminute an hour
  EXPECT_NEAR(solar.hour_angle_arcsec, 11.0, 1.0);   // the equation of time, +0.74 s an hour
  const Drift stars = drift_of({}, 36.07, run, Rate::kSidereal);
  EXPECT_NEAR(stars.hour_angle_arcsec - solar.hour_angle_arcsec, -147.8, 0.1);
}

class PoleFits : public testing::TestWithParam<bool> {};

TEST_P(PoleFits, ComeBackWithoutBiasWithinTheirStatedSpread) {
  const bool hour_angles = GetParam();
  std::mt19937 random(20270717);
  std::normal_distribution<double> noise(0.0, 2.0);
  std::uniform_real_distribution<double> size(std::log(0.1), std::log(5.0));
  std::uniform_real_distribution<double> angle(0.0, 2.0 * base::kPi);
  for (const sky::Site& site : {kNorth, kSouth}) {
    double square = 0.0;
    double sum_altitude = 0.0;
    double sum_azimuth = 0.0;
    constexpr int kSets = 100;
    for (int set = 0; set < kSets; ++set) {
      const double far = std::exp(size(random));
      const double way = angle(random);
      const PoleError error{far * std::sin(way), far * std::cos(way)};
      auto runs = three_runs(site, error, Rate::kSolar);
      for (DriftRun& run : runs) {
        *run.declination_drift_arcsec += noise(random);
        *run.hour_angle_drift_arcsec += noise(random);
        if (!hour_angles) {
          run.hour_angle_drift_arcsec.reset();
        }
      }
      const auto fit = fit_pole(runs, site.latitude_deg, Rate::kSolar);
      ASSERT_TRUE(fit && fit->solvable());
      const double altitude = fit->error.altitude_deg - error.altitude_deg;
      const double azimuth = fit->error.azimuth_deg - error.azimuth_deg;
      constexpr double kSigmas = 4.0;
      EXPECT_LT(std::abs(altitude), kSigmas * fit->altitude_sigma_deg);
      EXPECT_LT(std::abs(azimuth), kSigmas * fit->azimuth_sigma_deg);
      square += 0.5 * (altitude * altitude + azimuth * azimuth);
      sum_altitude += altitude;
      sum_azimuth += azimuth;
    }
    constexpr double kMostArcmin = 1.7;
    EXPECT_LT(std::sqrt(square / kSets) * kArcminPerDeg, kMostArcmin) << site.name;
    constexpr double kBiasArcmin = 0.45;  // 1.5 arcmin over the root of 100 sets, three times
    EXPECT_LT(std::abs(sum_altitude / kSets) * kArcminPerDeg, kBiasArcmin) << site.name;
    EXPECT_LT(std::abs(sum_azimuth / kSets) * kArcminPerDeg, kBiasArcmin) << site.name;
  }
}
INSTANTIATE_TEST_SUITE_P(Drifts, PoleFits, testing::Bool(), [](const auto& with) {
  return with.param ? "InBothCircles" : "InDeclination";
});

TEST(FitPole, TakesTheRateOfTheMountIntoAccount) {
  const PoleError error{0.5, -1.0};
  const auto runs = three_runs(kNorth, error, Rate::kSidereal);
  const auto fit = fit_pole(runs, kNorth.latitude_deg, Rate::kSidereal);
  ASSERT_TRUE(fit && fit->solvable());
  constexpr double kParallaxDeg = 0.004;
  EXPECT_NEAR(fit->error.altitude_deg, 0.5, kParallaxDeg);
  EXPECT_NEAR(fit->error.azimuth_deg, -1.0, kParallaxDeg);
  EXPECT_LT(fit->misfit, 0.2);
  EXPECT_GT(fit_pole(runs, kNorth.latitude_deg, Rate::kSolar)->misfit, 2.0);
}

/// Two runs with the Sun low and rising or setting, where the air bends most.
TEST(FitPole, TakesRefractionOutWhereItKnowsTheAir) {
  const PoleError error{0.4, -0.7};
  std::vector<DriftRun> runs;
  for (const char* hour :
       {"2027-07-17T06:30:00Z", "2027-07-17T12:10:00Z", "2027-07-17T17:40:00Z"}) {
    runs.push_back(
        observed(kNorth, error, test::utc(hour), 300.0, rate_arcsec_s(Rate::kSolar), true));
  }
  const auto with = fit_pole(runs, kNorth.latitude_deg, Rate::kSolar, kAir);
  ASSERT_TRUE(with && with->solvable());
  constexpr double kParallaxDeg = 0.004;
  EXPECT_NEAR(with->error.altitude_deg, 0.4, kParallaxDeg);
  EXPECT_NEAR(with->error.azimuth_deg, -0.7, kParallaxDeg);
  EXPECT_LT(with->misfit, 0.2);
  const auto without = fit_pole(runs, kNorth.latitude_deg, Rate::kSolar);
  ASSERT_TRUE(without);
  EXPECT_GT(without->misfit, 1.0);
}

TEST(FitPole, RefusesRunsThatCannotTellTheErrorsApart) {
  auto one_hour = three_runs(kNorth, {0.5, 0.5}, Rate::kSolar);
  one_hour = {one_hour[1], one_hour[1], one_hour[1]};
  for (DriftRun& run : one_hour) {
    run.hour_angle_drift_arcsec.reset();
  }
  const auto fit = fit_pole(one_hour, kNorth.latitude_deg, Rate::kSolar);
  ASSERT_TRUE(fit);
  EXPECT_EQ(fit->doubt, Doubt::kCannotTellApart);
  EXPECT_EQ(fit->advice.front().id, "cannot-tell-apart");
  ASSERT_TRUE(fit->next_hour_angle_deg);
  EXPECT_GT(std::abs(*fit->next_hour_angle_deg), 45.0);  // far from the meridian
  const base::Json json = to_json(*fit);
  EXPECT_EQ(json.at("solvable"), false);
  EXPECT_TRUE(json.at("pole_azimuth_error_arcmin").is_null());

  EXPECT_EQ(fit_pole({one_hour[0]}, 36.07, Rate::kSolar)->doubt, Doubt::kTooFew);
  EXPECT_EQ(fit_pole({}, 36.07, Rate::kSolar)->doubt, Doubt::kTooFew);
  EXPECT_FALSE(fit_pole({}, 36.07, Rate::kSolar)->next_hour_angle_deg);
  // At the pole itself there is no azimuth to be wrong in.
  EXPECT_FALSE(fit_pole(three_runs(kNorth, {}, Rate::kSolar), 90.0, Rate::kSolar)->solvable());
  EXPECT_THAT(fit_pole({}, 90.1, Rate::kSolar), FailsWith(ErrorCode::kOutOfRange, "lat"));
}

TEST(FitPole, RefusesRunsThatNoAxisExplains) {
  auto runs = three_runs(kNorth, {0.5, 0.5}, Rate::kSolar);
  *runs[1].declination_drift_arcsec *= -1.0;  // a sign turned
  const auto fit = fit_pole(runs, kNorth.latitude_deg, Rate::kSolar);
  EXPECT_EQ(fit->doubt, Doubt::kDisagree);
  EXPECT_EQ(fit->advice.front().id, "runs-disagree");
  *runs[1].declination_drift_arcsec = 100000.0;
  EXPECT_EQ(fit_pole(runs, kNorth.latitude_deg, Rate::kSolar)->doubt, Doubt::kDisagree);
}

TEST(FitPole, SaysWhichKnobWhichWay) {
  const auto advice = [](const PoleError& error) {
    std::vector<std::string> ids;
    const auto fit =
        fit_pole(three_runs(kSouth, error, Rate::kSolar), kSouth.latitude_deg, Rate::kSolar);
    for (const Advice& one : fit->advice) {
      ids.emplace_back(one.id);
    }
    return ids;
  };
  using testing::ElementsAre;
  EXPECT_THAT(advice({1.0, 1.0}), ElementsAre("lower-the-axis", "turn-the-axis-west"));
  EXPECT_THAT(advice({-1.0, -1.0}), ElementsAre("raise-the-axis", "turn-the-axis-east"));
  EXPECT_THAT(advice({0.0, 0.0}), ElementsAre("within-the-doubt"));
}

TEST(FitPole, ASunThatNeverRisesHighGivesNoNextRun) {
  auto runs = three_runs(kNorth, {}, Rate::kSolar);
  for (DriftRun& run : runs) {
    run.declination_deg = -23.0;
  }
  EXPECT_FALSE(fit_pole(runs, 60.0, Rate::kSolar)->next_hour_angle_deg);
  EXPECT_TRUE(fit_pole(runs, 40.0, Rate::kSolar)->next_hour_angle_deg);
}

TEST(DriftTable, ReadsRunsWithWhatMayBeMissing) {
  const auto runs = read_drift_table(
      "time_utc;hour_angle_deg;declination_deg;duration_s;dec_drift_arcsec;ha_drift_arcsec\n"
      "# before noon\n"
      "2027-07-17T08:40:00Z;-57.1;21.2;300;12.5;\n"
      "2027-07-17T12:28:00Z;0;21.2;240;;4.5;1.5\n",
      "runs.csv");
  ASSERT_TRUE(runs);
  ASSERT_EQ(runs->size(), 2U);
  EXPECT_EQ((*runs)[0].start, test::utc("2027-07-17T08:40:00Z"));
  EXPECT_EQ((*runs)[0].declination_drift_arcsec, 12.5);
  EXPECT_FALSE((*runs)[0].hour_angle_drift_arcsec);
  EXPECT_EQ((*runs)[0].noise_arcsec, 2.0);
  EXPECT_EQ((*runs)[1].hour_angle_drift_arcsec, 4.5);
  EXPECT_EQ((*runs)[1].noise_arcsec, 1.5);
  EXPECT_EQ((*runs)[1].duration_s, 240.0);
}

TEST(DriftTable, ReadsWhatASpreadsheetWrites) {
  const auto runs = read_drift_table(
      "\xEF\xBB\xBFtime_utc;hour_angle_deg;declination_deg;duration_s;dec_drift_arcsec;"
      "ha_drift_arcsec\r\n\"2027-07-17T08:40:00Z\";-57.1;21.2;300;12.5;\r\n",
      "runs.csv");
  ASSERT_TRUE(runs);
  ASSERT_EQ(runs->size(), 1U);
  EXPECT_EQ((*runs)[0].declination_drift_arcsec, 12.5);
  EXPECT_FALSE((*runs)[0].hour_angle_drift_arcsec);
}

TEST(DriftTable, NamesWhatIsWrongAndWhere) {
  const auto read = [](const std::string& rows) { return read_drift_table(rows, "runs.csv"); };
  const std::string good = "2027-07-17T08:40:00Z,-57,21,300,12,3\n";
  EXPECT_THAT(read(""), FailsWith(ErrorCode::kMissing, "runs.csv"));
  EXPECT_THAT(read(good + "2027-07-17T08:40:00Z,-57,21,300,,\n"),
              FailsWith(ErrorCode::kMissing, "dec_drift_arcsec", 2));
  EXPECT_THAT(read(good + "2027-07-17T08:40:00Z,-57,21,300\n"),
              FailsWith(ErrorCode::kMalformed, "line", 2));
  EXPECT_THAT(read("noon,-57,21,300,1,1\n" + good), FailsWith(ErrorCode::kUnknownValue, "heading"));
  EXPECT_THAT(read(good + "2027-07-17T25:40:00Z,-57,21,300,1,1\n"),
              FailsWith(ErrorCode::kMalformed, "time_utc", 2));
  EXPECT_THAT(read("2027-07-17T08:40:00Z,-190,21,300,1,1\n"),
              FailsWith(ErrorCode::kOutOfRange, "hour_angle_deg", 1));
  EXPECT_THAT(read("2027-07-17T08:40:00Z,-57,41,300,1,1\n"),
              FailsWith(ErrorCode::kOutOfRange, "declination_deg", 1));
  EXPECT_THAT(read("2027-07-17T08:40:00Z,-57,21,0,1,1\n"),
              FailsWith(ErrorCode::kOutOfRange, "duration_s", 1));
  EXPECT_THAT(read("2027-07-17T08:40:00Z,-57,21,300,1,west\n"),
              FailsWith(ErrorCode::kWrongType, "ha_drift_arcsec", 1));
  EXPECT_THAT(read("2027-07-17T08:40:00Z,-57,21,300,1,1,0\n"),
              FailsWith(ErrorCode::kOutOfRange, "noise_arcsec", 1));
  // A heading in another order would swap the drifts without a word.
  EXPECT_THAT(read("time_utc,hour_angle_deg,declination_deg,duration_s,ha_drift_arcsec,"
                   "dec_drift_arcsec\n" +
                   good),
              FailsWith(ErrorCode::kUnknownValue, "heading", 1));
  EXPECT_THAT(read("TIME,H,D,T,HA,DEC\n" + good),
              FailsWith(ErrorCode::kUnknownValue, "heading", 1));
  std::string many;
  for (std::size_t i = 0; i <= kMostRuns; ++i) {
    many += good;
  }
  EXPECT_THAT(read(many), FailsWith(ErrorCode::kTooLarge, "runs.csv"));
}

}  // namespace
}  // namespace solarchon::align
