// SPDX-License-Identifier: GPL-3.0-or-later
// Each rule against trains on both sides of its edge.
#include <functional>
#include <set>

#include "solarchon/base/json.h"
#include "solarchon/safety/safety.h"
#include "solarchon/words/safety.h"
#include "tests/support/support.h"

namespace solarchon::safety {
namespace {

using optics::Element;
using optics::Rig;
using test::catalogue_part;
using test::rig_of;
using test::usual_train;

using Change = std::function<void(Rig&, Practice&)>;

/// A rule, a train that it has nothing against, and the change that makes it object.
struct Edge {
  std::string rule;
  Severity severity;
  Rig silent;
  Change into;
  Practice practice = {};
};

Change set(std::size_t element, std::string key, double value) {
  return [=](Rig& rig, Practice&) {
    optics::set_parameter(rig.elements.at(element).part, key, value);
  };
}

Change put(std::size_t place, std::string name) {
  return [=](Rig& rig, Practice&) {
    Element part = catalogue_part(name);
    part.id = optics::fresh_id(rig);
    rig.elements.insert(rig.elements.begin() + static_cast<std::ptrdiff_t>(place), part);
  };
}

Change take(std::size_t place) {
  return [=](Rig& rig, Practice&) { rig.elements.at(place).fitted = false; };
}

Change swap_parts(std::size_t one, std::size_t other) {
  return [=](Rig& rig, Practice&) { std::swap(rig.elements.at(one), rig.elements.at(other)); };
}

Change exchange(std::size_t place, std::string name) {
  return [=](Rig& rig, Practice&) {
    const std::string id = rig.elements.at(place).id;
    rig.elements.at(place) = catalogue_part(name);
    rig.elements.at(place).id = id;
  };
}

Rig with(Rig rig, const Change& change) {
  Practice unused;
  change(rig, unused);
  return rig;
}

// Trains that no rule objects to. The places of their parts are counted below.
Rig film_phone() { return usual_train(0); }    // 0 film, 1 tube, 3 diagonal, 4 eyepiece, 5 phone
Rig wedge_camera() { return usual_train(1); }  // 0 tube, 2 wedge, 3 continuum, 4 camera
Rig open_wedge_camera() { return with(usual_train(1), set(2, "heat_port", 1.0)); }
Rig rear_etalon() { return usual_train(2); }  // 0 supply, 1 tube, 2 cut, 4 etalon, 7 camera
Rig film_eye() { return with(film_phone(), take(5)); }
Rig wedge_eye() {
  return rig_of({"Doublet 80 mm f/6", "Adapter 2 inch to 1.25 inch", "Solar wedge 1.25 inch, small",
                 "Eyepiece 20 mm"});
}
Rig front_etalon() {  // 0 etalon, 1 mask, 2 tube, 4 blocking filter, 5 eyepiece
  return rig_of({"Front etalon 60 mm, 0.7 Å, tilt", "Aperture mask 60 mm", "Doublet 80 mm f/6",
                 "Adapter 2 inch to 1.25 inch", "Blocking filter 15 mm", "Eyepiece 20 mm"});
}
Rig dedicated() {  // 0 tube, 1 etalon inside it, 2 diagonal, 3 blocking filter, 4 eyepiece
  return rig_of({"Dedicated doublet 60 mm f/8.3", "Inner etalon 25 mm, 0.7 Å, pressure",
                 "Mirror diagonal 1.25 inch", "Blocking filter 10 mm", "Eyepiece 20 mm"});
}
Rig projection() {  // 0 tube, 2 eyepiece, 3 screen; one rule always asks to check
  return rig_of({"Doublet 60 mm f/6", "Mirror diagonal 1.25 inch",
                 "Two-lens eyepiece 20 mm, uncemented", "Projection screen at 300 mm"});
}
Rig photo(const char* camera) {  // 0 film, 1 lens, 2 camera
  return rig_of({"Solar film OD 5.0, 74 mm clear", "Camera lens 300 mm f/5.6", camera});
}
constexpr const char* kMirrorless = "Photographic camera 24 Mpx, mirrorless";
constexpr const char* kOptical = "Photographic camera 24 Mpx, optical finder";

std::vector<Edge> edges() {
  const auto stop = Severity::kStop;
  const auto check = Severity::kCheck;
  const Practice totality{.totality = true};
  return {
      {"no-reduction", stop, film_phone(), take(0)},
      {"no-reduction", stop, wedge_camera(), take(2)},
      {"not-a-solar-filter", stop, with(film_eye(), put(4, "Neutral density ND 3.0")), take(0)},
      {"not-a-solar-filter", stop, wedge_camera(), take(2)},  // the continuum filter is left
      {"not-a-solar-filter", stop, with(film_eye(), put(0, "Energy rejection filter 75 mm, red")),
       take(1)},
      {"not-a-solar-filter", stop, with(film_eye(), put(4, "Single polariser")), take(0)},
      {"film-behind-lens", stop, film_phone(), swap_parts(0, 1)},
      {"film-behind-lens", stop, front_etalon(), swap_parts(0, 2)},
      {"film-too-small", stop, with(film_eye(), set(0, "clear_aperture_mm", 70.0)),
       set(0, "clear_aperture_mm", 69.9)},
      {"film-too-small", stop, front_etalon(), take(1)},  // 60 mm of etalon on 80 mm of lens
      {"film-not-certified", stop, film_eye(), set(0, "certified", 0.0)},
      {"film-for-sensor-only", check, photo(kMirrorless), set(0, "certified", 0.0)},
      {"film-not-certified", stop, photo(kOptical), set(0, "certified", 0.0)},
      {"film-not-certified", stop, with(photo(kMirrorless), set(0, "certified", 0.0)),
       exchange(2, kOptical)},
      {"density-too-low", stop, with(film_phone(), set(0, "optical_density", 3.8)),
       set(0, "optical_density", 3.79)},
      {"camera-density-only", check, film_phone(), set(0, "optical_density", 4.99)},
      {"camera-density-only", check, with(film_phone(), set(0, "optical_density", 3.79)),
       set(0, "optical_density", 3.8)},
      {"eye-density", stop, film_eye(), set(0, "optical_density", 4.99)},
      {"eye-density", stop, film_eye(), set(0, "optical_density", 3.8)},
      {"blocking-filter-missing", stop, front_etalon(), take(4)},
      {"etalon-without-rejection", stop, front_etalon(), set(0, "own_rejection", 0.0)},
      {"both-sides", check, film_eye(), set(1, "design", 7.0)},
      {"stays-on-in-totality", check, film_phone(), set(0, "quick_release", 0.0), totality},
      {"stays-on-in-totality", check, film_phone(), put(3, "Solar wedge 1.25 inch, small"),
       totality},
      {"stays-on-in-totality", check, rear_etalon(),
       [](Rig&, Practice& practice) { practice.totality = true; }},
      {"wedge-not-refractor", stop, wedge_camera(), exchange(0, "Newtonian 130 mm f/5")},
      {"wedge-not-refractor", stop, wedge_camera(),
       exchange(0, "Maksutov catadioptric 127 mm f/12")},
      {"wedge-behind-glass", stop, wedge_camera(), set(0, "design", 2.0)},
      {"wedge-behind-glass", stop, wedge_camera(), put(2, "Amplifier 2x, 1.25 inch")},
      {"wedge-too-small", stop, with(wedge_camera(), set(0, "aperture_mm", 102.0)),
       set(0, "aperture_mm", 102.5)},
      {"wedge-too-small", stop,
       with(with(wedge_camera(), set(0, "aperture_mm", 152.0)),
            exchange(2, "Solar wedge 2 inch, large")),
       set(0, "aperture_mm", 154.0)},
      {"wedge-undimmed", stop, wedge_eye(), set(2, "built_in_density", 2.9)},
      {"wedge-undimmed", stop,
       with(with(wedge_eye(), set(2, "built_in_density", 0.0)), put(3, "Neutral density ND 3.0")),
       set(3, "optical_density", 1.8)},
      {"heat-port-plastic", stop, open_wedge_camera(), set(2, "plastic_near_port", 1.0)},
      {"heat-port-plastic", stop, with(wedge_camera(), set(2, "plastic_near_port", 1.0)),
       set(2, "heat_port", 1.0)},
      {"heat-port-person", stop, open_wedge_camera(), set(2, "person_behind_port", 1.0)},
      {"heat-port-person", stop, with(wedge_camera(), set(2, "person_behind_port", 1.0)),
       set(2, "heat_port", 1.0)},
      {"wedge-share-unusual", check, with(wedge_camera(), set(2, "reflected_share", 0.05)),
       set(2, "reflected_share", 0.051)},
      {"filter-in-the-heat", stop, with(wedge_camera(), put(3, "Neutral density ND 0.9")),
       swap_parts(2, 3)},
      {"filter-in-the-heat", stop, rear_etalon(), put(3, "Single polariser")},
      {"filter-in-the-heat", stop, projection(), put(1, "Neutral density ND 0.9")},
      {"heat-port-open", check, wedge_camera(), set(2, "heat_port", 1.0)},
      {"rear-etalon-unprotected", stop, rear_etalon(), set(1, "design", 2.0)},
      {"rear-etalon-unprotected", stop, rear_etalon(), exchange(1, "Newtonian 130 mm f/5")},
      {"rear-etalon-unprotected", stop,
       with(with(rear_etalon(), exchange(1, "Schmidt catadioptric 203 mm f/10")),
            put(1, "Energy rejection filter 205 mm, red")),
       take(1)},
      // 80 mm pass without a cut filter, 80.1 mm do not; the other schools go further.
      {"rear-etalon-no-rejection", stop, with(rear_etalon(), take(2)), set(1, "aperture_mm", 80.1)},
      {"rear-etalon-no-rejection",
       stop,
       with(with(rear_etalon(), take(2)), set(1, "aperture_mm", 120.0)),
       [](Rig&, Practice& practice) { practice.school = 0; },
       {.school = 1}},
      {"rear-etalon-no-rejection",
       stop,
       with(with(rear_etalon(), take(2)), set(1, "aperture_mm", 150.0)),
       [](Rig&, Practice& practice) { practice.school = 1; },
       {.school = 2}},
      {"rear-etalon-no-rejection", stop,  // its maker allows more than the strict school
       with(with(with(rear_etalon(), take(2)), set(1, "aperture_mm", 110.0)),
            set(4, "rejection_above_mm", 110.0)),
       set(4, "rejection_above_mm", 109.0)},
      {"rear-etalon-no-rejection",
       stop,  // and a maker that asks for more is heeded in any school
       with(rear_etalon(), take(2)),
       set(4, "rejection_above_mm", 60.0),
       {.school = 2}},
      {"rear-etalon-full-rejection", stop, with(rear_etalon(), set(1, "aperture_mm", 152.0)),
       set(1, "aperture_mm", 154.0)},
      {"cut-behind-diagonal", check, with(rear_etalon(), put(3, "Mirror diagonal 2 inch")),
       swap_parts(2, 3)},
      // A film that hardly dims, or a rejection filter that passes everything, keeps no heat out.
      {"heat-port-person", stop,
       with(with(open_wedge_camera(), set(2, "person_behind_port", 1.0)),
            put(0, "Solar film OD 5.0, 84 mm clear")),
       set(0, "optical_density", 3.7)},
      {"rear-etalon-unprotected", stop,
       with(with(rear_etalon(), exchange(1, "Newtonian 130 mm f/5")),
            put(1, "Energy rejection filter 130 mm, red")),
       set(1, "pass_to_nm", 2500.0)},
      {"rear-etalon-no-rejection", stop,
       with(with(with(rear_etalon(), take(2)), set(1, "aperture_mm", 100.0)),
            put(1, "Solar film OD 5.0, 104 mm clear")),
       set(1, "optical_density", 1.0)},
      {"wedge-undimmed", stop,
       with(with(wedge_eye(), set(2, "built_in_density", 0.0)),
            put(0, "Solar film OD 5.0, 84 mm clear")),
       set(0, "optical_density", 1.0)},
      {"etalon-without-rejection", stop,
       with(with(front_etalon(), set(0, "own_rejection", 0.0)),
            put(0, "Energy rejection filter 75 mm, red")),
       set(0, "pass_from_nm", 300.0)},
      // What protects must stand before the eyepiece.
      {"no-reduction", stop, wedge_eye(), swap_parts(2, 3)},
      {"part-out-of-place", check, wedge_eye(), swap_parts(2, 3)},
      {"eyepiece-filter", stop, film_eye(), put(4, "Screw-in dark glass for an eyepiece")},
      {"too-bright-for-an-eye", stop, film_eye(), set(0, "optical_density", 4.2)},
      {"too-bright-for-an-eye", stop, wedge_eye(), set(2, "reflected_share", 0.06)},
      {"optical-viewfinder", stop, photo(kOptical), set(0, "optical_density", 4.0)},
      {"optical-viewfinder", stop, with(photo(kMirrorless), set(0, "optical_density", 4.0)),
       exchange(2, kOptical)},
      {"sensor-heat", stop, with(film_phone(), set(0, "optical_density", 2.7)), take(0)},
      {"sensor-warm", check, wedge_camera(),
       [](Rig& rig, Practice&) {
         optics::set_parameter(rig.elements[2].part, "built_in_density", 0.6);
         rig.elements[3].fitted = false;
       }},
      {"projection-eyepiece", stop, projection(), set(2, "build", 1.0)},
      {"projection-eyepiece", stop, projection(), exchange(2, "Plastic eyepiece 20 mm")},
      {"projection-telescope", stop, projection(),
       exchange(0, "Maksutov catadioptric 102 mm f/13")},
      {"projection-people", stop, projection(), set(3, "people_between", 1.0)},
      {"projection-people", stop, projection(),
       [](Rig&, Practice& practice) { practice.guests = true; }},
      {"projection-people", stop, with(projection(), set(3, "boxed_in", 1.0)),
       [](Rig& rig, Practice& practice) {
         practice.guests = true;
         optics::set_parameter(rig.elements[3].part, "boxed_in", 0.0);
       }},
      {"projection-people", stop,  // behind a wedge that is dimmed for a camera
       with(projection(), put(1, "Solar wedge 1.25 inch, small")),
       [](Rig& rig, Practice&) {
         optics::set_parameter(rig.elements[1].part, "built_in_density", 1.8);
         optics::set_parameter(rig.elements[4].part, "people_between", 1.0);
       }},
      {"projection-telescope", stop,  // what stands behind the tube keeps no heat from it
       with(projection(), put(1, "Ultraviolet and infrared cut 1.25 inch")),
       exchange(0, "Schmidt catadioptric 203 mm f/10")},
      {"heat-port-person", stop, open_wedge_camera(),
       [](Rig&, Practice& practice) { practice.guests = true; }},
      {"etalon-without-rejection", stop,  // the inner one's own rejection stands behind it
       with(with(dedicated(), put(0, "Front etalon 60 mm, 0.7 Å, tilt")),
            set(0, "own_rejection", 0.0)),
       set(2, "own_rejection", 0.0)},
      {"logged-defect", stop,  // of telescope, mask or capped finder it is a misfit
       with(front_etalon(),
            [](Rig& rig, Practice&) {
              for (const std::size_t place : {1U, 2U}) {
                rig.elements[place].care.defect = "a dent";
              }
            }),
       [](Rig& rig, Practice&) { rig.elements[0].care.defect = "a chip"; }},
      {"projection-beam", check, with(projection(), put(0, "Solar film OD 5.0, 64 mm clear")),
       take(0)},
      {"screen-without-eyepiece", check, projection(), take(2)},
      {"open-end", check, film_eye(), take(4)},
      {"phone-loose", check, film_phone(), set(5, "holder", 0.0)},
      {"camera-behind-eyepiece", check, film_eye(), put(5, "Mono camera 3 Mpx, 3.45 µm")},
      {"finder-uncapped", stop, with(film_eye(), put(0, "Optical finder, capped")),
       set(0, "capped", 0.0)},
      {"finder-uncapped", stop, with(film_eye(), put(0, "Pinhole solar finder")),
       set(0, "finder", 0.0)},
      {"logged-defect", stop, film_eye(),
       [](Rig& rig, Practice&) { rig.elements[0].care.defect = "two pinholes"; }},
      {"logged-defect", stop,  // of an eyepiece it is a misfit
       with(film_eye(), [](Rig& rig, Practice&) { rig.elements[4].care.defect = "dust"; }),
       [](Rig& rig, Practice&) { rig.elements[0].care.defect = "two pinholes"; }},
      {"blocking-filter-missing", stop, dedicated(), take(3)},
      {"blocking-filter-missing", stop, dedicated(), swap_parts(3, 4)},
      {"etalon-without-rejection", stop, dedicated(), set(1, "own_rejection", 0.0)},
      {"rear-etalon-unprotected", stop, dedicated(), set(0, "design", 3.0)},
      {"stays-on-in-totality", check, dedicated(),
       [](Rig&, Practice& practice) { practice.totality = true; }},
      {"part-out-of-place", check, dedicated(), swap_parts(1, 2)},
      {"eye-density", stop, with(film_eye(), put(0, "Photographic film OD 3.8, 84 mm clear")),
       set(1, "optical_density", 3.8)},  // two lesser films are none for the eye
      {"inspection-overdue", check,
       with(film_eye(), [](Rig& rig, Practice&) { rig.elements[0].care.inspected = "2027-07-14"; }),
       [](Rig&, Practice& practice) { practice.inspection_days = 2; }},
      {"no-telescope", check, film_eye(), take(1)},
      {"second-of-a-kind", check, film_eye(), put(5, "Eyepiece 8 mm")},
      {"second-of-a-kind", check, wedge_camera(), put(5, "Mono camera 3 Mpx, 3.45 µm")},
      {"second-of-a-kind", check, film_eye(), put(2, "Doublet 80 mm f/6")},
      {"part-out-of-place", check, film_eye(), swap_parts(1, 3)},
      {"part-out-of-place", check, film_eye(), put(3, "Aperture mask 60 mm")},
      {"unknown-part", check, film_eye(),
       [](Rig& rig, Practice&) {
         rig.elements[2].part = optics::UnknownPart{"light-sabre", base::Json::object()};
       }},
  };
}

std::optional<Finding> finding(const Rig& rig, const Practice& practice, const std::string& rule) {
  const Assessment assessment =
      assess(rig, optics::follow_light(rig, 959.63), practice, test::morning());
  for (const Finding& found : assessment.findings) {
    if (found.rule == rule) {
      return found;
    }
  }
  return std::nullopt;
}

TEST(Rules, AreSilentBeforeTheirEdgeAndObjectBehindIt) {
  for (const Edge& edge : edges()) {
    SCOPED_TRACE(edge.rule);
    Practice practice = edge.practice;
    EXPECT_FALSE(finding(edge.silent, practice, edge.rule));
    Rig rig = edge.silent;
    edge.into(rig, practice);
    const auto found = finding(rig, practice, edge.rule);
    ASSERT_TRUE(found);
    EXPECT_EQ(found->severity, edge.severity);
    EXPECT_TRUE(!found->element || *found->element < rig.elements.size());
    const words::RuleWords said = words::rule_words(found->rule);
    EXPECT_FALSE(said.what.empty() || said.why.empty() || said.next_step.empty() ||
                 said.source.empty());
  }
}

TEST(Rules, AreAllTestedAtAnEdge) {
  std::set<std::string> tested;
  for (const Edge& edge : edges()) {
    tested.insert(edge.rule);
  }
  std::set<std::string_view> known;
  for (const Finding& entry : rule_book()) {
    EXPECT_TRUE(known.insert(entry.rule).second) << "twice: " << entry.rule;
    EXPECT_TRUE(tested.contains(std::string(entry.rule))) << entry.rule;
  }
}

TEST(Rules, HaveNothingAgainstTheUsualTrains) {
  for (std::size_t train = 0; train < 5; ++train) {
    const Rig rig = usual_train(train);
    const Assessment assessment =
        assess(rig, optics::follow_light(rig, 959.63), {}, test::morning());
    for (const Finding& found : assessment.findings) {
      ADD_FAILURE() << rig.name << ": " << found.rule << ' ' << words::figures_words(found);
    }
  }
}

TEST(Rules, ComputeTheMaskThatHelps) {
  const Rig rig = with(wedge_camera(), exchange(0, "Doublet 120 mm f/7.5"));
  const auto found = finding(rig, {}, "wedge-too-small");
  ASSERT_TRUE(found);
  EXPECT_NE(words::figures_words(*found).find("A mask of 100 mm would help"), std::string::npos)
      << words::figures_words(*found);
  Rig masked = with(rig, put(0, "Aperture mask 100 mm"));
  EXPECT_FALSE(finding(masked, {}, "wedge-too-small"));
  optics::set_parameter(masked.elements[0].part, "opening_mm", 103.0);
  EXPECT_TRUE(finding(masked, {}, "wedge-too-small"));
}

TEST(Rules, SayOnScreenWhichSchoolIsChosen) {
  const Rig rig = rear_etalon();
  const auto mention = [&](const Practice& practice, const Rig& path, const char* told) {
    const Assessment assessment = assess(path, optics::follow_light(path, 959.63), practice);
    return std::any_of(assessment.assumptions.begin(), assessment.assumptions.end(),
                       [&](const Assumption& assumption) {
                         return words::assumption_words(assumption).find(told) != std::string::npos;
                       });
  };
  EXPECT_FALSE(mention({}, rig, "school"));
  EXPECT_TRUE(mention({.school = 1}, rig, "up to 120 mm; the strict one says 80 mm"));
  EXPECT_TRUE(mention({.school = 2}, rig, "up to 150 mm"));
  EXPECT_FALSE(mention({.school = 2}, film_phone(), "school"));
  EXPECT_TRUE(mention({}, with(rig, set(4, "rejection_above_mm", 100.0)), "Its maker asks"));
  EXPECT_FALSE(mention({.inspection_days = 30}, rig, "inspected every"));
  EXPECT_TRUE(mention({.inspection_days = 365}, rig, "inspected every 365 days; 180 is usual"));
  EXPECT_TRUE(mention({.guests = true}, rig, "Somebody stays at the telescope"));
}

TEST(Rules, LeaveInspectionsUnjudgedWithoutADate) {
  Rig rig = film_eye();
  rig.elements[0].care.inspected = "1999-01-01";
  const optics::Train train = optics::follow_light(rig, 959.63);
  EXPECT_TRUE(assess(rig, train).findings.empty());
  EXPECT_FALSE(assess(rig, train, {}, test::morning()).findings.empty());
}

}  // namespace
}  // namespace solarchon::safety
