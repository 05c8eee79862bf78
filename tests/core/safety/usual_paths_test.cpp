// SPDX-License-Identifier: GPL-3.0-or-later
// Light paths as people really build them, each with the verdict that an experienced observer
// gives.
#include <set>

#include "solarchon/safety/harm_bound.h"
#include "solarchon/safety/safety.h"
#include "solarchon/words/safety.h"
#include "tests/support/support.h"

namespace solarchon::safety {
namespace {

using optics::Rig;

/// A property of one part that differs from the catalogue.
struct Tweak {
  std::size_t part;
  const char* key;
  double value;
};

struct UsualPath {
  const char* what;
  Severity verdict;
  std::vector<std::string> parts;
  std::vector<Tweak> tweaks = {};
};

constexpr auto kClear = Severity::kNoObjection;
constexpr auto kCheck = Severity::kCheck;
constexpr auto kStop = Severity::kStop;

const std::string kFilm84 = "Solar film OD 5.0, 84 mm clear";
const std::string kFilm104 = "Solar film OD 5.0, 104 mm clear";
const std::string kFilm204 = "Solar film OD 5.0, 204 mm clear";
const std::string kPhoto104 = "Photographic film OD 3.8, 104 mm clear";
const std::string kPhoto84 = "Photographic film OD 3.8, 84 mm clear";
const std::string k60 = "Doublet 60 mm f/6";
const std::string k80 = "Doublet 80 mm f/6";
const std::string k102 = "Doublet 102 mm f/7";
const std::string k120 = "Doublet 120 mm f/7.5";
const std::string k150 = "Doublet 150 mm f/8";
const std::string kNewtonian = "Newtonian 130 mm f/5";
const std::string kSchmidt = "Schmidt catadioptric 203 mm f/10";
const std::string kMaksutov = "Maksutov catadioptric 102 mm f/13";
const std::string kAdapter = "Adapter 2 inch to 1.25 inch";
const std::string kDiagonal = "Mirror diagonal 1.25 inch";
const std::string kWedge = "Solar wedge 1.25 inch, small";
const std::string kLargeWedge = "Solar wedge 2 inch, large";
const std::string kOpenWedge = "Solar wedge 1.25 inch, open back";
const std::string kEyepiece = "Eyepiece 20 mm";
const std::string kMono = "Mono camera 3 Mpx, 3.45 µm";
const std::string kMonoLarge = "Mono camera 2.3 Mpx, 5.86 µm";
const std::string kPhone = "Phone in an eyepiece holder";
const std::string kMirrorless = "Photographic camera 24 Mpx, mirrorless";
const std::string kOptical = "Photographic camera 24 Mpx, optical finder";
const std::string kContinuum = "Continuum filter 540 nm, 10 nm wide";
const std::string kEtalon = "Heated rear etalon 0.5 Å with 4.3x telecentric";
const std::string kCut = "Ultraviolet and infrared cut 2 inch";
const std::string kBank = "USB power bank 5 V, 12 W, 74 Wh";
const std::string kFront60 = "Front etalon 60 mm, 0.7 Å, tilt";
const std::string kBlocking15 = "Blocking filter 15 mm";
const std::string kBlocking10 = "Blocking filter 10 mm";
const std::string kLens300 = "Camera lens 300 mm f/5.6";
const std::string kSimpleEyepiece = "Two-lens eyepiece 20 mm, uncemented";
const std::string kScreen = "Projection screen at 300 mm";
const std::string kDedicated60 = "Dedicated doublet 60 mm f/8.3";
const std::string kInner25 = "Inner etalon 25 mm, 0.7 Å, pressure";
const std::string kNd06 = "Neutral density ND 0.6";
const std::string kNd09 = "Neutral density ND 0.9";
const std::string kNd18 = "Neutral density ND 1.8";
const std::string kNd30 = "Neutral density ND 3.0";

std::vector<UsualPath> usual_paths() {
  return {
      // Film and glass in front.
      {"film, refractor, eye", kClear, {kFilm84, k80, kAdapter, kDiagonal, kEyepiece}},
      {"film, refractor, camera", kClear, {kFilm84, k80, kAdapter, kMono}},
      {"film, refractor, phone", kClear, {kFilm84, k80, kAdapter, kDiagonal, kEyepiece, kPhone}},
      {"film, refractor, phone at 60 times",
       kClear,
       {kFilm84, k80, kAdapter, kDiagonal, "Eyepiece 8 mm", kPhone}},
      {"glass, refractor, eye",
       kClear,
       {"Solar glass OD 5.0, 84 mm clear", k80, kAdapter, kDiagonal, kEyepiece}},
      {"film, catadioptric, eye",
       kClear,
       {kFilm204, kSchmidt, "Mirror diagonal 2 inch", kEyepiece}},
      {"film, catadioptric, camera", kClear, {kFilm204, kSchmidt, kAdapter, kMono}},
      {"off-axis mask and film, catadioptric, eye",
       kClear,
       {"Off-axis mask 80 mm", kFilm84, kSchmidt, "Mirror diagonal 2 inch", kEyepiece}},
      {"film, Newtonian, eye",
       kClear,
       {"Solar film OD 5.0, 154 mm clear", kNewtonian, kAdapter, kEyepiece}},
      {"film, long lens, mirrorless camera",
       kClear,
       {"Solar film OD 5.0, 74 mm clear", kLens300, kMirrorless}},
      {"film, long lens, camera with optical finder",
       kClear,
       {"Solar film OD 5.0, 74 mm clear", kLens300, kOptical}},
      {"film for cameras, refractor, camera", kCheck, {kPhoto84, k80, kAdapter, kMono}},
      {"film for cameras, long lens, mirrorless camera", kCheck, {kPhoto84, kLens300, kMirrorless}},
      {"film for cameras, long lens, optical finder", kStop, {kPhoto84, kLens300, kOptical}},
      {"film for cameras, refractor, eye", kStop, {kPhoto84, k80, kAdapter, kDiagonal, kEyepiece}},
      {"film, amplifier, camera",
       kClear,
       {kFilm84, k80, kAdapter, "Amplifier 2x, 1.25 inch", kMono}},
      {"film, continuum filter, camera", kClear, {kFilm104, k102, kAdapter, kContinuum, kMono}},
      {"film, one side of a binocular, eye",
       kCheck,
       {"Solar film OD 5.0, 54 mm clear", "Binocular 10x50, one side", kEyepiece}},
      {"film too small for the lens", kStop, {kFilm84, k102, kAdapter, kDiagonal, kEyepiece}},
      {"film that nobody certified",
       kStop,
       {kFilm84, k80, kAdapter, kDiagonal, kEyepiece},
       {{0, "certified", 0.0}}},
      {"film with a capped finder",
       kClear,
       {kFilm84, "Optical finder, capped", k80, kAdapter, kDiagonal, kEyepiece}},
      {"film with an open finder",
       kStop,
       {kFilm84, "Optical finder, capped", k80, kAdapter, kDiagonal, kEyepiece},
       {{1, "capped", 0.0}}},
      {"dark glass in the eyepiece",
       kStop,
       {k80, kAdapter, kDiagonal, "Screw-in dark glass for an eyepiece", kEyepiece}},
      {"nothing at all, eye", kStop, {k80, kAdapter, kDiagonal, kEyepiece}},
      {"nothing at all, camera", kStop, {k80, kAdapter, kMono}},
      {"grey glass behind the lens", kStop, {k80, kAdapter, kNd30, kMono}},
      // Wedges.
      {"wedge with ND 3, eye", kClear, {k80, kAdapter, kWedge, kEyepiece}},
      {"wedge with ND 3 and polariser, eye",
       kClear,
       {k80, kAdapter, kWedge, "Single polariser", kEyepiece}},
      {"wedge with ND 3 on 4 inch, eye", kClear, {k102, kAdapter, kWedge, kEyepiece}},
      {"wedge on 4 inch, continuum, ND 3, camera",
       kClear,
       {k102, kAdapter, kWedge, kContinuum, kMono}},
      {"large wedge on 6 inch, eye",
       kClear,
       {k150, kLargeWedge, kAdapter, kEyepiece},
       {{0, "aperture_mm", 152.0}}},
      {"small wedge on 120 mm", kStop, {k120, kAdapter, kWedge, kEyepiece}},
      {"small wedge on 120 mm behind a mask of 100 mm",
       kClear,
       {"Aperture mask 100 mm", k120, kAdapter, kWedge, kEyepiece}},
      {"wedge with ND 1.8 and continuum, camera",
       kClear,
       {k80, kAdapter, kWedge, kContinuum, kMono},
       {{2, "built_in_density", 1.8}}},
      {"wedge with ND 0.9 and continuum, camera",
       kClear,
       {k80, kAdapter, kWedge, kContinuum, kMono},
       {{2, "built_in_density", 0.9}}},
      {"wedge with ND 0.6, camera",
       kCheck,
       {k80, kAdapter, kWedge, kMono},
       {{2, "built_in_density", 0.6}}},
      {"wedge with ND 1.8 screwed in, open back, camera",
       kCheck,
       {k80, kAdapter, kOpenWedge, kNd18, kMono}},
      {"open wedge with ND 3 screwed in, eye",
       kCheck,
       {k80, kAdapter, kOpenWedge, kNd30, kEyepiece}},
      {"somebody behind the open wedge",
       kStop,
       {k80, kAdapter, kOpenWedge, kNd30, kEyepiece},
       {{2, "person_behind_port", 1.0}}},
      {"somebody behind the closed wedge",
       kClear,
       {k80, kAdapter, kWedge, kEyepiece},
       {{2, "person_behind_port", 1.0}}},
      {"bare wedge, eye",
       kStop,
       {k80, kAdapter, kWedge, kEyepiece},
       {{2, "built_in_density", 0.0}}},
      {"bare wedge, short doublet, photographic camera",
       kStop,
       {k60, "Solar wedge 1.25 inch, small", kMirrorless},
       {{0, "focal_length_mm", 300.0}, {1, "built_in_density", 0.0}}},
      {"wedge behind a Newtonian", kStop, {kNewtonian, kAdapter, kWedge, kEyepiece}},
      {"wedge behind a Maksutov", kStop, {kMaksutov, kWedge, kEyepiece}},
      {"wedge behind an amplifier",
       kStop,
       {k80, kAdapter, "Amplifier 2x, 1.25 inch", kWedge, kEyepiece}},
      {"polariser before the wedge", kStop, {k80, kAdapter, "Single polariser", kWedge, kEyepiece}},
      {"cut filter before the wedge", kClear, {k80, kCut, kAdapter, kWedge, kEyepiece}},
      // Hydrogen alpha.
      {"rear etalon, cut filter, 80 mm", kClear, {kBank, k80, kCut, kAdapter, kEtalon, kMonoLarge}},
      {"rear etalon without a cut filter, 80 mm",
       kClear,
       {kBank, k80, kAdapter, kEtalon, kMonoLarge}},
      {"rear etalon on a weak port: cold, but harmless",
       kClear,
       {"USB port 5 V, 2.5 W", k80, kCut, kAdapter, kEtalon, kMonoLarge}},
      {"rear etalon without a cut filter, 102 mm",
       kStop,
       {kBank, k102, kAdapter, kEtalon, kMonoLarge}},
      {"rear etalon, cut filter, 120 mm",
       kClear,
       {kBank, k120, kCut, kAdapter, kEtalon, kMonoLarge}},
      {"rear etalon behind full rejection on a catadioptric",
       kClear,
       {kBank, "Energy rejection filter 205 mm, red", kSchmidt, kAdapter, kEtalon, kMonoLarge}},
      {"rear etalon on an open catadioptric",
       kStop,
       {kBank, kSchmidt, kAdapter, kEtalon, kMonoLarge}},
      {"grey filter before a rear etalon",
       kStop,
       {kBank, k80, kAdapter, kNd09, kEtalon, kMonoLarge}},
      {"front etalon, blocking filter, eye",
       kClear,
       {kFront60, "Aperture mask 60 mm", k80, kAdapter, kBlocking15, kEyepiece}},
      {"front etalon, small blocking filter, camera",
       kClear,
       {kFront60, k60, kBlocking10, kMonoLarge}},
      {"front etalon without its blocking filter", kStop, {kFront60, k60, kDiagonal, kEyepiece}},
      {"dedicated telescope, eye",
       kClear,
       {kDedicated60, kInner25, kDiagonal, kBlocking10, kEyepiece}},
      {"dedicated telescope, camera", kClear, {kDedicated60, kInner25, kBlocking10, kMonoLarge}},
      {"dedicated telescope, double stacked, eye",
       kClear,
       {kFront60, kDedicated60, kInner25, kDiagonal, kBlocking10, kEyepiece}},
      {"dedicated telescope with a plain diagonal in place of its own",
       kStop,
       {kDedicated60, kInner25, kDiagonal, kEyepiece}},
      // Projection.
      {"projection with a simple eyepiece", kCheck, {k60, kDiagonal, kSimpleEyepiece, kScreen}},
      {"projection with a cemented eyepiece", kStop, {k60, kDiagonal, kEyepiece, kScreen}},
      {"projection with people between",
       kStop,
       {k60, kDiagonal, kSimpleEyepiece, kScreen},
       {{3, "people_between", 1.0}}},
      {"projection with a Maksutov", kStop, {kMaksutov, kDiagonal, kSimpleEyepiece, kScreen}},
      {"film and a screen", kClear, {kFilm84, k80, kAdapter, kEyepiece, kScreen}},
  };
}

TEST(UsualPaths, GetTheVerdictOfAnExperiencedObserver) {
  std::set<std::string> told;
  for (const UsualPath& usual : usual_paths()) {
    EXPECT_TRUE(told.insert(usual.what).second) << "twice: " << usual.what;
    Rig rig = test::rig_of(usual.parts);
    for (const Tweak& tweak : usual.tweaks) {
      optics::set_parameter(rig.elements.at(tweak.part).part, tweak.key, tweak.value);
    }
    const Assessment assessment = assess(rig, optics::follow_light(rig, 959.63));
    std::string rules;
    for (const Finding& finding : assessment.findings) {
      rules += ' ' + std::string(finding.rule);
    }
    EXPECT_EQ(word_of(assessment.verdict), word_of(usual.verdict)) << usual.what << ':' << rules;
    EXPECT_LE(least_severity(rig).severity, usual.verdict) << least_severity(rig).cause;
  }
  EXPECT_GE(told.size(), 60U);
}

TEST(UsualPaths, AStopNamesTheCapAsTheNextStep) {
  for (const Finding& rule : rule_book()) {
    if (rule.severity == Severity::kStop) {
      EXPECT_NE(words::rule_words(rule.rule).next_step.find("cap"), std::string::npos) << rule.rule;
    }
  }
}

}  // namespace
}  // namespace solarchon::safety
