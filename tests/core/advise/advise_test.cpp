// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/advise/advise.h"

#include <map>

#include "solarchon/optics/catalogue.h"
#include "solarchon/safety/harm_bound.h"
#include "tests/support/risky_rig.h"
#include "tests/support/support.h"

namespace solarchon::advise {
namespace {

using optics::Rig;
using test::catalogue_part;
using test::rig_of;
using test::usual_train;

const std::vector<optics::Element>& catalogue() { return optics::shipped_catalogue().value(); }

optics::Train follow(const Rig& rig) { return optics::follow_light(rig, 959.63); }

std::optional<Misfit> misfit(const Rig& rig, std::string_view id, const Situation& at = {}) {
  for (const Misfit& found : misfits_of(rig, follow(rig), at)) {
    if (found.id == id) {
      return found;
    }
  }
  return std::nullopt;
}

/// The suggestions for one concern.
std::vector<Suggestion> cures(const Rig& rig, std::string_view concern,
                              const std::vector<optics::Element>& kit = {},
                              const Situation& at = {}) {
  std::vector<Suggestion> list = suggest(rig, at, kit, catalogue());
  std::erase_if(list, [&](const Suggestion& suggestion) { return suggestion.concern != concern; });
  return list;
}

Rig eye_rig() {
  return rig_of({"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6",
                 "Adapter 2 inch to 1.25 inch", "Mirror diagonal 1.25 inch", "Eyepiece 20 mm"});
}

TEST(Misfits, NameTheDiscThatIsCut) {
  Rig rig = usual_train(1);
  EXPECT_FALSE(misfit(rig, "disc-cut"));
  optics::set_parameter(rig.elements[0].part, "focal_length_mm", 714.0);
  const auto found = misfit(rig, "disc-cut");
  ASSERT_TRUE(found);
  EXPECT_NEAR(found->key_figure->figure.value, 1536 * 3.45e-3 / *follow(rig).solar_image_mm, 1e-3);
  EXPECT_EQ(found->element, 4U);
  Situation spot;
  spot.whole_disc = false;
  EXPECT_FALSE(misfit(rig, "disc-cut", spot));
}

TEST(Misfits, JudgeSamplingAgainstAirAndLensTogether) {
  Rig rig = usual_train(1);  // 1.48 arcsec a pixel, 80 mm
  Situation at;
  at.seeing_arcsec = 2.0;
  EXPECT_FALSE(misfit(rig, "undersampled", at));
  at.seeing_arcsec = 1.0;  // hypot(1.39, 1.0) = 1.71: 1.16 pixels
  const auto coarse = misfit(rig, "undersampled", at);
  ASSERT_TRUE(coarse);
  EXPECT_NEAR(coarse->key_figure->figure.value, 1.157, 0.002);
  at.seeing_arcsec = 8.0;
  EXPECT_TRUE(misfit(rig, "oversampled", at));
}

TEST(Misfits, NameTheShadowOfASecondary) {
  Rig rig = rig_of({"Solar film OD 5.0, 204 mm clear", "Schmidt catadioptric 203 mm f/10",
                    "Mirror diagonal 2 inch", "Eyepiece 32 mm"});
  // 2032 / 32 = 63.5 times, exit pupil 3.2 mm, shadow 1.09 mm: above a third of 2.5 mm.
  const auto found = misfit(rig, "obstruction-shadow");
  ASSERT_TRUE(found);
  EXPECT_NEAR(found->key_figure->figure.value, 0.34 * 203.0 / 63.5, 0.01);
  optics::set_parameter(rig.elements[3].part, "focal_length_mm", 20.0);
  EXPECT_FALSE(misfit(rig, "obstruction-shadow"));
}

TEST(Misfits, SayHowManyMillimetresAreMissingToFocus) {
  // 130 mm of back focus; a large wedge and a camera want 118 + 17.5 + 6: 11.5 too long.
  const Rig rig = rig_of({"Doublet 80 mm f/6", "Solar wedge 2 inch, large",
                          "Adapter 2 inch to 1.25 inch", "Colour camera 3 Mpx, 3.45 µm"});
  const auto found = misfit(rig, "focus");
  ASSERT_TRUE(found);
  EXPECT_NEAR(found->key_figure->figure.value, 130.0 - 141.5, 1e-9);
  // A bare camera needs an extension instead: 130 - 17.5 - 6 is more than 80 mm of travel.
  const Rig bare = rig_of({"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6",
                           "Adapter 2 inch to 1.25 inch", "Mono camera 3 Mpx, 3.45 µm"});
  EXPECT_NEAR(misfit(bare, "focus")->key_figure->figure.value, 80.0 - 106.5, 1e-9);
}

TEST(Misfits, NameBandsDimLightAndColourInOneLine) {
  Rig rig = usual_train(2);
  optics::set_parameter(rig.elements[6].part, "tilt_deg", 0.0);
  EXPECT_TRUE(misfit(rig, "fringes"));
  optics::set_parameter(rig.elements[7].part, "colour", 1.0);
  EXPECT_TRUE(misfit(rig, "colour-in-line"));
  EXPECT_FALSE(misfit(rig, "dim"));
  optics::set_parameter(rig.elements[4].part, "peak_transmission", 0.0005);
  EXPECT_TRUE(misfit(rig, "dim"));
  Rig bright = usual_train(1);
  optics::set_parameter(bright.elements[2].part, "built_in_density", 0.6);
  EXPECT_TRUE(misfit(bright, "too-bright"));
}

TEST(Misfits, NameWhatSpoilsPictureOrPowerButHarmsNobody) {
  const auto harmless = [](const Rig& rig) {
    return safety::assess(rig, follow(rig)).verdict == safety::Severity::kNoObjection;
  };
  Rig rear = usual_train(2);
  EXPECT_FALSE(misfit(rear, "supply-weak"));
  optics::set_parameter(rear.elements[0].part, "watts", 7.5);
  EXPECT_FALSE(misfit(rear, "supply-weak"));
  optics::set_parameter(rear.elements[0].part, "watts", 7.4);
  EXPECT_DOUBLE_EQ(misfit(rear, "supply-weak")->key_figure->figure.value, 7.4);
  rear.elements.insert(rear.elements.begin(), catalogue_part("USB port 5 V, 2.5 W"));
  EXPECT_TRUE(misfit(rear, "supply-weak"));  // two ports are not joined
  EXPECT_TRUE(harmless(rear));
  rear = usual_train(2);
  optics::set_parameter(rear.elements[0].part, "volts", 12.0);
  EXPECT_TRUE(misfit(rear, "supply-weak"));
  rear.elements[0].fitted = false;
  EXPECT_TRUE(misfit(rear, "supply-not-listed"));
  EXPECT_FALSE(misfit(rear, "supply-weak"));
  EXPECT_TRUE(harmless(rear));
  rear = usual_train(2);
  optics::set_parameter(rear.elements[5].part, "lens_focal_length_mm", 40.0);
  EXPECT_TRUE(misfit(rear, "impossible-spacing"));
  for (const auto& [inside, outside] : {std::pair(720.0, 730.0), std::pair(320.0, 310.0)}) {
    rear = usual_train(2);
    optics::set_parameter(rear.elements[1].part, "focal_length_mm", inside);
    EXPECT_FALSE(misfit(rear, "wrong-focal-ratio"));
    optics::set_parameter(rear.elements[1].part, "focal_length_mm", outside);
    EXPECT_TRUE(misfit(rear, "wrong-focal-ratio"));
    EXPECT_TRUE(harmless(rear));
  }
  Rig dedicated = rig_of({"Dedicated doublet 60 mm f/8.3", "Inner etalon 25 mm, 0.7 Å, pressure",
                          "Mirror diagonal 1.25 inch", "Blocking filter 10 mm",
                          "Mono camera 2.3 Mpx, 5.86 µm"});
  EXPECT_FALSE(misfit(dedicated, "blocking-filter-small"));
  dedicated.elements[3].part = optics::BlockingFilter{4.0};
  EXPECT_TRUE(misfit(dedicated, "blocking-filter-small"));
  EXPECT_TRUE(harmless(dedicated));
  EXPECT_FALSE(misfit(dedicated, "defect"));
  dedicated.elements[4].care.defect = "a row of hot pixels";
  EXPECT_TRUE(misfit(dedicated, "defect"));
  EXPECT_TRUE(harmless(dedicated));
}

TEST(Suggest, NeverPromisesWhatTheBoundForbids) {
  base::Random random{11};
  int offered = 0;
  for (int trial = 0; trial < 60; ++trial) {
    const Rig rig = test::risky_rig(random);
    for (const Suggestion& suggestion : suggest(rig, {}, {}, catalogue())) {
      EXPECT_GE(suggestion.verdict, safety::least_severity(suggestion.rig).severity);
      ++offered;
    }
  }
  EXPECT_GT(offered, 100);
}

TEST(Misfits, HaveNothingAgainstADedicatedTelescopeThatShips) {
  EXPECT_TRUE(misfits_of(usual_train(3), follow(usual_train(3)), {}).empty());
}

TEST(Suggest, IsSilentWhereNothingIsWrong) {
  EXPECT_TRUE(suggest(usual_train(1), {}, {}, catalogue()).empty());
}

TEST(Suggest, PutsTheFilmBackBeforeItSellsOne) {
  Rig rig = eye_rig();
  rig.elements[0].fitted = false;
  const auto found = cures(rig, "no-reduction");
  ASSERT_FALSE(found.empty());
  EXPECT_EQ(found[0].change.kind, ChangeKind::kPutBack);
  EXPECT_EQ(found[0].verdict, safety::Severity::kNoObjection);
  EXPECT_LT(found[0].before->figure.value, 0.2);
  EXPECT_GT(found[0].after->figure.value, 5.0);
  EXPECT_TRUE(found[0].rig.elements[0].fitted);
}

TEST(Suggest, LooksInTheOwnersKitFirst) {
  Rig rig = eye_rig();
  rig.elements.erase(rig.elements.begin());
  optics::Element own = catalogue_part("Solar film OD 5.0, 104 mm clear");
  own.name = "The school's film";
  const auto found = cures(rig, "no-reduction", {own});
  ASSERT_FALSE(found.empty());
  EXPECT_EQ(found[0].change.parts.front().name, "The school's film");
  EXPECT_TRUE(found[0].change.from_kit);
  EXPECT_EQ(found[0].change.element, 0U);
}

TEST(Suggest, CutsTheMaskThatAWedgeWants) {
  Rig rig = usual_train(1);
  rig.elements[0] = catalogue_part("Doublet 120 mm f/7.5");
  const auto found = cures(rig, "wedge-too-small");
  ASSERT_FALSE(found.empty());
  const auto* mask = std::get_if<optics::ApertureMask>(&found[0].change.parts.front().part);
  ASSERT_NE(mask, nullptr);
  EXPECT_DOUBLE_EQ(mask->opening_mm, 100.0);
  // 120 mm on a wedge for 100, which is 4 inch and takes 102.
  EXPECT_DOUBLE_EQ(found[0].before->figure.value, -18.0);
  EXPECT_DOUBLE_EQ(found[0].after->figure.value, 2.0);
  EXPECT_NE(found[0].verdict, safety::Severity::kStop);
}

TEST(Suggest, BringsTheAdaptersThatAChangeNeeds) {
  Rig rig = usual_train(1);
  rig.elements[0].part =
      optics::Telescope{102.0, 714.0, optics::TelescopeDesign::kDoublet, 0.0, 135.0, 90.0};
  rig.elements[2] = catalogue_part("Solar wedge 2 inch, large");
  rig.elements[2].id = "wedge";
  rig.elements.erase(rig.elements.begin() + 1);
  rig.elements.insert(rig.elements.begin() + 2, catalogue_part("Adapter 2 inch to 1.25 inch"));
  rig.elements[2].id = "adapter";
  for (const Suggestion& suggestion : cures(rig, "disc-cut")) {
    for (const optics::Joint& joint : optics::joints_of(suggestion.rig)) {
      EXPECT_EQ(joint.state, optics::JointState::kFits);
    }
    EXPECT_TRUE(*follow(suggestion.rig).disc_fits);
  }
}

TEST(Suggest, JoinsTwoPartsByTheShortestAdapters) {
  const Rig rig = rig_of({"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6",
                          "Mirror diagonal 1.25 inch", "Eyepiece 20 mm"});
  ASSERT_TRUE(misfit(rig, "joint"));
  const auto found = cures(rig, "joint");
  ASSERT_FALSE(found.empty());
  EXPECT_EQ(found[0].rig.elements[2].name, "Adapter 2 inch to 1.25 inch");
  EXPECT_FALSE(misfit(found[0].rig, "joint"));
}

TEST(Suggest, ShortensWhatDoesNotReachFocus) {
  const Rig rig =
      rig_of({"Doublet 80 mm f/6", "Solar wedge 2 inch, large", "Adapter 2 inch to 1.25 inch",
              "Neutral density ND 0.9", "Colour camera 3 Mpx, 3.45 µm"});
  const auto found = cures(rig, "focus");
  ASSERT_FALSE(found.empty());
  for (const Suggestion& suggestion : found) {
    EXPECT_LT(suggestion.before->figure.value, 0.0);
    EXPECT_GE(suggestion.after->figure.value, 0.0);
    EXPECT_EQ(suggestion.verdict, safety::Severity::kNoObjection);
  }
}

TEST(Suggest, CapsAFinderAndTurnsATilt) {
  Rig rig = eye_rig();
  rig.elements.push_back(catalogue_part("Optical finder, capped"));
  rig.elements.back().id = "finder";
  optics::set_parameter(rig.elements.back().part, "capped", 0.0);
  const auto capped = cures(rig, "finder-uncapped");
  ASSERT_FALSE(capped.empty());
  EXPECT_EQ(capped[0].change.kind, ChangeKind::kSet);
  EXPECT_EQ(capped[0].verdict, safety::Severity::kNoObjection);

  Rig bands = usual_train(2);
  bands.elements.erase(bands.elements.begin() + 5);  // without the reducer a tilt suits
  optics::set_parameter(bands.elements[5].part, "tilt_deg", 0.1);
  Situation spot;
  spot.whole_disc = false;
  const auto turned = cures(bands, "fringes", {}, spot);
  ASSERT_FALSE(turned.empty());
  EXPECT_EQ(turned[0].change.kind, ChangeKind::kSet);
  EXPECT_TRUE(follow(turned[0].rig).fringes->hidden);
}

TEST(Suggest, NeverBringsANewObjectionNorGivesUpThePurpose) {
  base::Random random{77};
  for (int trial = 0; trial < 60; ++trial) {
    const Rig rig = test::random_rig(random);
    const optics::Train train = follow(rig);
    const safety::Assessment before = safety::assess(rig, train);
    for (const Suggestion& suggestion : suggest(rig, {}, {}, catalogue())) {
      const optics::Train after = follow(suggestion.rig);
      const safety::Assessment judged = safety::assess(suggestion.rig, after);
      EXPECT_EQ(judged.verdict, suggestion.verdict);
      for (const safety::Finding& finding : judged.findings) {
        EXPECT_TRUE(
            std::any_of(before.findings.begin(), before.findings.end(),
                        [&](const safety::Finding& known) { return known.rule == finding.rule; }))
            << finding.rule;
      }
      EXPECT_EQ(after.band.line, train.band.line);
    }
  }
}

/// Light paths that people really put up, of four kinds of telescope, for eye, phone, camera,
/// screen.
std::vector<Rig> usual_paths() {
  const std::vector<std::vector<std::string>> lists{
      {"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6", "Mirror diagonal 1.25 inch",
       "Eyepiece 20 mm"},
      {"Solar film OD 5.0, 204 mm clear", "Newtonian 200 mm f/5", "Eyepiece 25 mm"},
      {"Solar film OD 5.0, 204 mm clear", "Schmidt catadioptric 203 mm f/10",
       "Mirror diagonal 1.25 inch", "Eyepiece 32 mm"},
      {"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6", "Mirror diagonal 1.25 inch",
       "Eyepiece 25 mm", "Phone in an eyepiece holder"},
      {"Solar film OD 5.0, 154 mm clear", "Newtonian 130 mm f/5", "Eyepiece 20 mm",
       "Phone in an eyepiece holder"},
      {"Solar film OD 5.0, 204 mm clear", "Schmidt catadioptric 203 mm f/10",
       "Mirror diagonal 1.25 inch", "Eyepiece 32 mm", "Compact camera in an eyepiece holder"},
      {"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6", "Mono camera 2.3 Mpx, 5.86 µm"},
      {"Photographic film OD 3.8, 154 mm clear", "Newtonian 130 mm f/5",
       "Mono camera 3 Mpx, 3.45 µm"},
      {"Doublet 80 mm f/6", "Solar wedge 1.25 inch, small", "Eyepiece 12.5 mm"},
      {"Doublet 102 mm f/7", "Solar wedge 1.25 inch, small", "Continuum filter 540 nm, 10 nm wide",
       "Mono camera 2.3 Mpx, 5.86 µm"},
      {"Doublet 120 mm f/7.5", "Solar wedge 2 inch, large", "Amplifier 2x, 1.25 inch",
       "Mono camera 3 Mpx, 3.45 µm"},
      {"Doublet 150 mm f/8", "Solar wedge 1.25 inch, small", "Mono camera 2.3 Mpx, 5.86 µm"},
      {"Doublet 80 mm f/6", "Heated rear etalon 0.5 Å with 4.3x telecentric",
       "Reducer 0.5x, 1.25 inch", "Mono camera 2.3 Mpx, 5.86 µm"},
      {"Doublet 102 mm f/7", "Ultraviolet and infrared cut 2 inch",
       "Heated rear etalon 0.5 Å with 4.3x telecentric", "Mono camera 2.3 Mpx, 5.86 µm"},
      {"Doublet 80 mm f/6", "Heated rear etalon 0.5 Å with 4.3x telecentric",
       "Colour camera 3 Mpx, 3.45 µm"},
      {"Dedicated doublet 60 mm f/8.3", "Inner etalon 25 mm, 0.7 Å, pressure",
       "Mirror diagonal 1.25 inch", "Blocking filter 10 mm", "Eyepiece 20 mm"},
      {"Dedicated doublet 100 mm f/7", "Inner etalon 42 mm, 0.65 Å, pressure",
       "Mirror diagonal 1.25 inch", "Blocking filter 6 mm", "Mono camera 2.3 Mpx, 5.86 µm"},
      {"Dedicated doublet 50 mm f/7", "Inner etalon 21 mm, 0.7 Å, tilt",
       "Mirror diagonal 1.25 inch", "Blocking filter 10 mm", "Eyepiece 25 mm",
       "Phone in an eyepiece holder"},
      {"Doublet 60 mm f/6", "Mirror diagonal 1.25 inch", "Two-lens eyepiece 20 mm, uncemented",
       "Projection screen at 300 mm"},
      {"Solar film OD 5.0, 74 mm clear", "Camera lens 300 mm f/5.6",
       "Photographic camera 24 Mpx, mirrorless"},
      {"Solar film OD 5.0, 54 mm clear", "Binocular 10x50, one side", "Eyepiece 20 mm"},
      {"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6",
       "Heated rear etalon 0.5 Å with 4.3x telecentric", "Mono camera 2.3 Mpx, 5.86 µm"},
      {"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6", "Solar wedge 1.25 inch, small",
       "Mono camera 2.3 Mpx, 5.86 µm"}};
  std::vector<Rig> rigs;
  rigs.reserve(lists.size());
  for (const auto& names : lists) {
    rigs.push_back(rig_of(names));
  }
  return rigs;
}

bool too_dim(const Rig& rig) {
  return misfit(rig, "too-dim-to-see").has_value() || misfit(rig, "too-dim-to-expose").has_value();
}

TEST(Suggest, LeavesLightDetailAndFieldAsThePurposeNeedsThem) {
  int cures_seen = 0;
  for (const Rig& rig : usual_paths()) {
    const optics::Train before = follow(rig);
    const safety::Assessment judged = safety::assess(rig, before);
    for (const Suggestion& suggestion : suggest(rig, {}, {}, catalogue())) {
      ++cures_seen;
      const optics::Train after = follow(suggestion.rig);
      EXPECT_FALSE(too_dim(suggestion.rig)) << suggestion.concern;
      const bool of_misfit = std::none_of(
          judged.findings.begin(), judged.findings.end(),
          [&](const safety::Finding& finding) { return finding.rule == suggestion.concern; });
      if (of_misfit && before.diffraction_cutoff_arcsec) {
        EXPECT_LE(*after.diffraction_cutoff_arcsec, 1.021 * *before.diffraction_cutoff_arcsec)
            << suggestion.concern;
      }
      for (const char* cut : {"disc-cut", "field-cut", "vignetting"}) {
        EXPECT_TRUE(misfit(rig, cut) || !misfit(suggestion.rig, cut)) << suggestion.concern << cut;
      }
      // No wedge as a spacer, no lens of a camera for a telescope.
      for (const optics::Element& part : suggestion.change.parts) {
        EXPECT_FALSE(of_misfit && suggestion.change.kind == ChangeKind::kInsert &&
                     std::holds_alternative<optics::Wedge>(part.part))
            << suggestion.concern;
      }
    }
  }
  EXPECT_GT(cures_seen, 40);
}

TEST(Misfits, SayWhenNothingIsSeenOrExposed) {
  const auto film_and = [](const std::vector<std::string>& more) {
    std::vector<std::string> names{"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6"};
    names.insert(names.end(), more.begin(), more.end());
    return rig_of(names);
  };
  EXPECT_FALSE(too_dim(film_and({"Eyepiece 20 mm"})));
  EXPECT_TRUE(
      misfit(film_and({"Solar wedge 1.25 inch, small", "Eyepiece 20 mm"}), "too-dim-to-see"));
  EXPECT_TRUE(misfit(
      film_and({"Heated rear etalon 0.5 Å with 4.3x telecentric", "Mono camera 2.3 Mpx, 5.86 µm"}),
      "too-dim-to-expose"));
  EXPECT_TRUE(
      misfit(film_and({"Two-lens eyepiece 20 mm, uncemented", "Projection screen at 300 mm"}),
             "too-dim-to-see"));
  // A red rejection filter before a green one; a mask that the secondary fills.
  EXPECT_TRUE(misfit(rig_of({"Energy rejection filter 110 mm, red", "Doublet 102 mm f/7",
                             "Solar wedge 1.25 inch, small", "Continuum filter 540 nm, 10 nm wide",
                             "Mono camera 2.3 Mpx, 5.86 µm"}),
                     "too-dim-to-expose"));
  EXPECT_TRUE(misfit(rig_of({"Aperture mask 60 mm", "Solar film OD 5.0, 204 mm clear",
                             "Schmidt catadioptric 203 mm f/10", "Mono camera 2.3 Mpx, 5.86 µm"}),
                     "too-dim-to-expose"));
  EXPECT_FALSE(misfit(rig_of({"Off-axis mask 60 mm", "Solar film OD 5.0, 204 mm clear",
                              "Schmidt catadioptric 203 mm f/10", "Mono camera 2.3 Mpx, 5.86 µm"}),
                      "too-dim-to-expose"));
  // The first thing to do about a filter too many is to take one out.
  const auto first =
      cures(film_and({"Solar wedge 1.25 inch, small", "Mono camera 2.3 Mpx, 5.86 µm"}),
            "too-dim-to-expose");
  ASSERT_FALSE(first.empty());
  EXPECT_EQ(first.front().change.kind, ChangeKind::kRemove);
}

TEST(Misfits, OfAPhoneKnowTheSecondarysShadow) {
  const Rig phone = rig_of({"Solar film OD 5.0, 204 mm clear", "Schmidt catadioptric 203 mm f/10",
                            "Eyepiece 32 mm", "Phone in an eyepiece holder"});
  const optics::Train train = follow(phone);
  EXPECT_TRUE(misfit(phone, "obstruction-shadow"));
  // The phone takes the middle of the light, and there the shadow is.
  const double own = std::get<optics::Telescope>(phone.elements[1].part).obstruction;
  EXPECT_GT(train.obstruction, own);
}

TEST(Suggest, OffersAnotherGreyForTheWedgeBeforeACamera) {
  const Rig dark = rig_of({"Doublet 102 mm f/7", "Adapter 2 inch to 1.25 inch",
                           "Solar wedge 1.25 inch, small", "Neutral density ND 1.8",
                           "Continuum filter 540 nm, 10 nm wide", "Mono camera 2.3 Mpx, 5.86 µm"});
  ASSERT_TRUE(misfit(dark, "dim") || misfit(dark, "too-dim-to-expose"));
  const auto offered = cures(dark, misfit(dark, "dim") ? "dim" : "too-dim-to-expose");
  EXPECT_TRUE(std::any_of(offered.begin(), offered.end(), [](const Suggestion& one) {
    return one.change.kind == ChangeKind::kSet &&
           std::holds_alternative<optics::Wedge>(one.change.parts.front().part);
  }));
}

TEST(Suggest, FollowsTheHabitsOfObservers) {
  // A camera that lacks the length of a diagonal gets a tube, before glass or a mirror.
  const Rig short_of = rig_of(
      {"Solar film OD 5.0, 84 mm clear", "Triplet 80 mm f/7", "Mono camera 20 Mpx, 2.4 \u00b5m"});
  const auto longer = cures(short_of, "focus");
  ASSERT_FALSE(longer.empty());
  EXPECT_TRUE(std::holds_alternative<optics::Extension>(longer[0].change.parts.at(0).part))
      << longer[0].change.parts.at(0).name;
  // An eye whose field is too small takes another eyepiece, before a reducer.
  const Rig narrow = rig_of({"Solar film OD 5.0, 104 mm clear", "Maksutov catadioptric 102 mm f/13",
                             "Mirror diagonal 1.25 inch", "Eyepiece 12.5 mm"});
  const auto wider = cures(narrow, "field-cut");
  ASSERT_FALSE(wider.empty());
  EXPECT_TRUE(std::holds_alternative<optics::Eyepiece>(wider[0].change.parts.at(0).part));
  // Another telescope is the cure of a misfit only where there is no other.
  for (const Rig& rig : {short_of, narrow}) {
    std::map<std::string, std::pair<int, int>> telescopes;  // of how many cures
    for (const Suggestion& cure : suggest(rig, {}, {}, catalogue())) {
      auto& [count, all] = telescopes[std::string(cure.concern)];
      ++all;
      count += cure.change.kind == ChangeKind::kReplace &&
                       std::holds_alternative<optics::Telescope>(cure.change.parts.at(0).part)
                   ? 1
                   : 0;
    }
    for (const auto& [concern, counts] : telescopes) {
      EXPECT_TRUE(counts.first == 0 || counts.first == counts.second) << concern;
    }
  }
}

}  // namespace
}  // namespace solarchon::advise
