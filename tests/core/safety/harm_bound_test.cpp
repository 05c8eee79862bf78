// SPDX-License-Identifier: GPL-3.0-or-later
// The rules against a bound that shares no code with them, and the bound against hand-worked light
// paths.
#include "solarchon/safety/harm_bound.h"

#include "solarchon/base/json.h"
#include "solarchon/optics/rig_file.h"
#include "tests/support/risky_rig.h"
#include "tests/support/support.h"

namespace solarchon::safety {
namespace {

using optics::Rig;

optics::Rig path(std::initializer_list<std::pair<optics::Part, double>> parts) {
  Rig rig;
  for (const auto& [part, length_mm] : parts) {
    rig.elements.push_back({optics::fresh_id(rig), "", true, length_mm, part});
  }
  return rig;
}

Assessment judge(const Rig& rig) { return assess(rig, optics::follow_light(rig, 959.63)); }

/// What the bound and the rules say of a path.
std::pair<HarmBound, Assessment> both(const Rig& rig) { return {least_severity(rig), judge(rig)}; }

TEST(HarmBound, KnowsTheHeatOnASensorHoweverDeepItsCamera) {
  // By hand: 1000 W/m2 on 60 mm are 2.827 W; 0.98 of glass and 0.046 of the wedge leave 0.1275 W on
  // an image of 2.791 mm: 2.08 W/cm2. A photographic camera is 55 mm deep.
  for (const double deep_mm : {0.0, 17.5, 55.0}) {
    const Rig rig = path({{optics::Telescope{60.0, 300.0}, 0.0},
                          {optics::Wedge{.built_in_density = 0.0}, 72.0},
                          {optics::PhotoCamera{.viewfinder = optics::Viewfinder::kNone}, deep_mm}});
    EXPECT_NEAR(optics::follow_light(rig, 959.63).passages.back().irradiance_w_cm2, 2.08, 0.01);
    const auto [bound, rules] = both(rig);
    EXPECT_EQ(bound.severity, Severity::kStop);
    EXPECT_EQ(bound.cause, "sensor-heat");
    EXPECT_EQ(rules.verdict, Severity::kStop);
  }
}

TEST(HarmBound, HasNothingAgainstAPhoneAtHighMagnification) {
  // Film of OD 5 and an eyepiece of 6 mm: the exit pupil is 1 mm wide, but the phone's image of the
  // Sun is larger than the telescope's own focus would be.
  const Rig rig = path({{optics::FrontFilm{5.0, 84.0, true}, 0.0},
                        {optics::Telescope{80.0, 480.0}, 0.0},
                        {optics::Eyepiece{6.0}, 0.0},
                        {optics::Phone{}, 0.0}});
  EXPECT_LT(optics::follow_light(rig, 959.63).passages.back().irradiance_w_cm2, 1e-3);
  EXPECT_EQ(judge(rig).verdict, Severity::kNoObjection);
}

TEST(HarmBound, MeasuresTheEyeByLightNotByEnergy) {
  // A cut filter takes most of the heat, hardly any light: OD 4.0 of light stays OD 4.0.
  const Rig rig = path({{optics::Telescope{80.0, 480.0}, 0.0},
                        {optics::Wedge{.reflected_share = 0.1, .built_in_density = 3.0}, 72.0},
                        {optics::CutFilter{}, 0.0},
                        {optics::Eyepiece{}, 0.0}});
  const optics::Train train = optics::follow_light(rig, 959.63);
  EXPECT_NEAR(train.luminous_share, 0.98 * 1e-4 * 0.95, 2e-6);
  EXPECT_LT(train.energy_share, 0.5 * train.luminous_share);
  const auto [bound, rules] = both(rig);
  EXPECT_EQ(bound.cause, "eye-light");
  EXPECT_EQ(rules.verdict, Severity::kStop);
}

TEST(HarmBound, StopsFiltersInTheFullHeatBeforeAWedgeOrARearEtalon) {
  const std::vector<optics::Part> absorbing{optics::Polariser{}, optics::NeutralDensity{},
                                            optics::BandFilter{}, optics::BlockingFilter{}};
  for (const optics::Part& filter : absorbing) {
    const Rig before_wedge = path({{optics::Telescope{80.0, 480.0}, 0.0},
                                   {filter, 0.0},
                                   {optics::Wedge{}, 72.0},
                                   {optics::Camera{}, 17.5}});
    const Rig before_etalon = path({{optics::Telescope{80.0, 480.0}, 0.0},
                                    {filter, 0.0},
                                    {optics::RearEtalon{}, 176.0},
                                    {optics::Camera{}, 17.5}});
    const Rig behind_wedge = path({{optics::Telescope{80.0, 480.0}, 0.0},
                                   {optics::Wedge{}, 72.0},
                                   {filter, 0.0},
                                   {optics::Camera{}, 17.5}});
    EXPECT_EQ(judge(before_wedge).verdict, Severity::kStop) << optics::kind_of(filter);
    EXPECT_EQ(judge(before_etalon).verdict, Severity::kStop) << optics::kind_of(filter);
    EXPECT_EQ(least_severity(before_wedge).cause, "filter-heat");
    EXPECT_EQ(least_severity(before_etalon).cause, "filter-heat");
    EXPECT_EQ(judge(behind_wedge).verdict, Severity::kNoObjection) << optics::kind_of(filter);
  }
  // A reflecting cut filter is tolerated there.
  const Rig cut = path({{optics::Telescope{80.0, 480.0}, 0.0},
                        {optics::CutFilter{}, 0.0},
                        {optics::Wedge{}, 72.0},
                        {optics::Camera{}, 17.5}});
  EXPECT_EQ(judge(cut).verdict, Severity::kNoObjection);
}

TEST(HarmBound, DoesNotTakeABareWedgeForAReductionOfAProjection) {
  const auto projected = [](optics::EyepieceBuild build, bool people) {
    return path({{optics::Telescope{80.0, 480.0}, 0.0},
                 {optics::Wedge{.built_in_density = 0.0}, 72.0},
                 {optics::Eyepiece{.build = build}, 0.0},
                 {optics::ProjectionScreen{.people_between = people}, 0.0}});
  };
  using enum optics::EyepieceBuild;
  EXPECT_EQ(judge(projected(kUncemented, true)).verdict, Severity::kStop);
  EXPECT_EQ(judge(projected(kPlastic, false)).verdict, Severity::kStop);
  EXPECT_EQ(judge(projected(kUncemented, false)).verdict, Severity::kCheck);
  EXPECT_EQ(least_severity(projected(kUncemented, true)).severity, Severity::kStop);
  EXPECT_EQ(least_severity(projected(kPlastic, false)).severity, Severity::kStop);
}

TEST(HarmBound, LetsNoPartOfTheWrongPlaceHideWhatIsBehindIt) {
  const optics::FrontFilm camera_film{3.8, 84.0, true};
  const optics::Telescope tube{80.0, 480.0};
  // A screen or a camera in front of the telescope hides no eye.
  for (const optics::Part& hider :
       {optics::Part(optics::ProjectionScreen{}), optics::Part(optics::Camera{}),
        optics::Part(optics::Phone{})}) {
    const Rig rig =
        path({{hider, 0.0}, {camera_film, 0.0}, {tube, 0.0}, {optics::Eyepiece{}, 0.0}});
    EXPECT_EQ(optics::receiver_of(rig), optics::Receiver::kEye);
    EXPECT_EQ(judge(rig).verdict, Severity::kStop) << optics::kind_of(hider);
  }
  // An eyepiece behind the camera may be looked into as soon as the camera is out.
  const Rig waiting =
      path({{camera_film, 0.0}, {tube, 0.0}, {optics::Camera{}, 17.5}, {optics::Eyepiece{}, 0.0}});
  EXPECT_EQ(judge(waiting).verdict, Severity::kStop);
  // A blocking filter or rear etalon behind the camera blocks nothing.
  for (const optics::Part& late :
       {optics::Part(optics::BlockingFilter{}), optics::Part(optics::RearEtalon{})}) {
    const Rig rig = path(
        {{optics::FrontEtalon{84.0}, 0.0}, {tube, 0.0}, {optics::Camera{}, 17.5}, {late, 0.0}});
    EXPECT_EQ(judge(rig).verdict, Severity::kStop) << optics::kind_of(late);
  }
  // Grey glass in front of the lens dims nothing, and a wedge there none the more.
  const Rig front_glass = path({{optics::NeutralDensity{3.0}, 0.0},
                                {tube, 0.0},
                                {optics::Wedge{.built_in_density = 0.0}, 72.0},
                                {optics::Camera{}, 17.5}});
  EXPECT_EQ(judge(front_glass).verdict, Severity::kStop);
  EXPECT_EQ(least_severity(front_glass).cause, "sensor-heat");
}

TEST(HarmBound, TakesSizesInInchesAsNominal) {
  const auto on_wedge = [](double aperture_mm, double rated_mm) {
    return judge(path({{optics::Telescope{aperture_mm, 7.0 * aperture_mm}, 0.0},
                       {optics::Wedge{.rated_aperture_mm = rated_mm}, 72.0},
                       {optics::Camera{}, 17.5}}))
        .verdict;
  };
  EXPECT_EQ(on_wedge(102.0, 100.0), Severity::kNoObjection);
  EXPECT_EQ(on_wedge(152.0, 150.0), Severity::kNoObjection);
  EXPECT_EQ(on_wedge(104.0, 100.0), Severity::kStop);
  EXPECT_EQ(on_wedge(155.0, 150.0), Severity::kStop);
  EXPECT_DOUBLE_EQ(nominal_limit_mm(100.0), 102.0);
  EXPECT_DOUBLE_EQ(nominal_limit_mm(150.0), 153.0);
  EXPECT_DOUBLE_EQ(nominal_limit_mm(80.0), 80.0);
  EXPECT_DOUBLE_EQ(nominal_limit_mm(110.0), 110.0);
}

TEST(HarmBound, FilmsAddUpForACameraAndNotForTheEye) {
  const auto stacked = [](const optics::Part& end) {
    return judge(path({{optics::FrontFilm{3.0, 90.0, true}, 0.0},
                       {optics::FrontFilm{2.0, 90.0, true}, 0.0},
                       {optics::Telescope{80.0, 480.0}, 0.0},
                       {end, 0.0}}))
        .verdict;
  };
  EXPECT_EQ(stacked(optics::Eyepiece{}), Severity::kStop);
  EXPECT_EQ(stacked(optics::Camera{}), Severity::kCheck);  // no eyepiece may be put in
  // Film for cameras before a wedge without density is nothing for the eye; with ND 3 it is.
  const auto with_wedge = [](double density) {
    return judge(path({{optics::FrontFilm{3.8, 90.0, true}, 0.0},
                       {optics::Telescope{80.0, 480.0}, 0.0},
                       {optics::Wedge{.built_in_density = density}, 72.0},
                       {optics::Eyepiece{}, 0.0}}))
        .verdict;
  };
  EXPECT_EQ(with_wedge(0.0), Severity::kStop);
  EXPECT_EQ(with_wedge(3.0), Severity::kNoObjection);
}

TEST(HarmBound, TwentyThousandRandomPathsAreNeverJudgedMilderThanPhysicsAllows) {
  base::Random random{20270802};
  int by_severity[3] = {0, 0, 0};
  for (int trial = 0; trial < 20'000; ++trial) {
    const Rig rig = trial % 8 == 0 ? test::random_rig(random) : test::risky_rig(random);
    const auto [bound, rules] = both(rig);
    ++by_severity[static_cast<int>(rules.verdict)];
    ASSERT_GE(rules.verdict, bound.severity)
        << trial << ": " << bound.cause << ' ' << bound.value << '\n'
        << optics::to_json(rig).dump();
  }
  // The property was really put to the test on all sides.
  EXPECT_GT(by_severity[0], 400);
  EXPECT_GT(by_severity[1], 1000);
  EXPECT_GT(by_severity[2], 8000);
}

}  // namespace
}  // namespace solarchon::safety
