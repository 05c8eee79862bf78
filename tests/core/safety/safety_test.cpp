// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/safety/safety.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <set>

#include "solarchon/base/json.h"
#include "solarchon/base/random.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/words/safety.h"
#include "tests/support/support.h"

namespace solarchon::safety {
namespace {

using optics::Camera;
using optics::FrontFilm;
using optics::Rig;
using optics::Telescope;
using test::starter_rig;
using test::with_part;

Assessment judge(const Rig& rig) { return assess(rig, optics::follow_light(rig, 959.63)); }

/// The finding of a rule, if it fired.
std::optional<Finding> finding(const Rig& rig, std::string_view rule) {
  for (const Finding& found : judge(rig).findings) {
    if (found.rule == rule) {
      return found;
    }
  }
  return std::nullopt;
}

FrontFilm& film(Rig& rig) { return std::get<FrontFilm>(rig.elements[0].part); }

TEST(Safety, HasNoObjectionToTheStartersTrainAndSaysWhatThatRestsOn) {
  const Assessment assessment = judge(starter_rig());
  EXPECT_EQ(assessment.verdict, Severity::kNoObjection);
  EXPECT_TRUE(assessment.findings.empty());
  EXPECT_GE(assessment.assumptions.size(), 4U);
}

TEST(Safety, NeverCallsAnythingSafe) {
  Rig rig = starter_rig();
  film(rig) = {0.0, 10.0, false};
  rig = with_part(rig, Telescope{}, 0.0);
  for (const Rig& each : {starter_rig(), rig, Rig{}}) {
    const Assessment assessment = judge(each);
    std::string all(word_of(assessment.verdict));
    for (const Assumption& assumption : assessment.assumptions) {
      all += words::assumption_words(assumption);
    }
    for (const Finding& found : assessment.findings) {
      const words::RuleWords said = words::rule_words(found.rule);
      all += said.what + said.why + said.next_step + words::figures_words(found);
    }
    EXPECT_EQ(all.find("is safe"), std::string::npos);
    EXPECT_EQ(all.find("are safe"), std::string::npos);
  }
}

TEST(Safety, StopsWhenTheFilmIsTakenOff) {
  Rig rig = starter_rig();
  rig.elements[0].fitted = false;
  const auto found = finding(rig, "no-reduction");
  ASSERT_TRUE(found);
  EXPECT_EQ(found->severity, Severity::kStop);
  EXPECT_EQ(found->element, 1U);  // planted on the open lens
  EXPECT_EQ(judge(rig).verdict, Severity::kStop);
  EXPECT_TRUE(finding(rig, "sensor-heat"));
}

TEST(Safety, AddsTheDensitiesOfFilmsInFront) {
  Rig rig = starter_rig();
  film(rig).optical_density = 3.0;
  EXPECT_TRUE(finding(rig, "density-too-low"));
  rig.elements.insert(rig.elements.begin(), {"two", "", true, 0.0, FrontFilm{2.0, 90.0, true}});
  EXPECT_FALSE(finding(rig, "density-too-low"));
  // For heat and camera they add up; for the eye no single one of them is certified.
  EXPECT_TRUE(finding(rig, "camera-density-only"));
}

TEST(Safety, WatchesTheHeatAtTheLastPart) {
  Rig rig = starter_rig();
  film(rig).optical_density = 1.0;
  EXPECT_TRUE(finding(rig, "sensor-heat"));
  film(rig).optical_density = 3.8;
  EXPECT_FALSE(finding(rig, "sensor-heat"));
}

TEST(Safety, PutsTheWorstFirst) {
  Rig rig = starter_rig();
  film(rig).optical_density = 3.0;
  rig.elements.push_back({"spare", "", true, 0.0, Camera{}});
  const Assessment assessment = judge(rig);
  EXPECT_TRUE(
      std::is_sorted(assessment.findings.begin(), assessment.findings.end(),
                     [](const Finding& a, const Finding& b) { return a.severity > b.severity; }));
  EXPECT_EQ(assessment.verdict, assessment.findings.front().severity);
}

/// What arrives at the end, worked out anew: a bound from above, colour by colour of three bands
/// (ultraviolet, what the eye sees, infrared), with every narrow filter taken as passing its whole
/// band. Front parts count only when they cover the whole opening.
double most_energy_share(const Rig& rig, double opening_mm) {
  std::array<double, 3> bands{0.12, 0.45, 0.43};
  const auto telescope = optics::find_fitted<Telescope>(rig);
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    const auto& element = rig.elements[i];
    if (!element.fitted) {
      continue;
    }
    const auto grey = [&](double share) {
      for (double& band : bands) {
        band *= share;
      }
    };
    const bool covers = !telescope || i > *telescope ||
                        !std::holds_alternative<FrontFilm>(element.part) ||
                        optics::parameter(element.part, "clear_aperture_mm") >= opening_mm;
    if (const auto* front = std::get_if<FrontFilm>(&element.part); front != nullptr && covers) {
      grey(std::pow(10.0, -front->optical_density));
    } else if (const auto* wedge = std::get_if<optics::Wedge>(&element.part)) {
      grey(wedge->reflected_share * std::pow(10.0, -wedge->built_in_density));
    } else if (const auto* density = std::get_if<optics::NeutralDensity>(&element.part)) {
      grey(std::pow(10.0, -density->optical_density));
    } else if (const auto* dark = std::get_if<optics::EyepieceFilter>(&element.part)) {
      grey(std::pow(10.0, -dark->optical_density));
    } else if (const auto* rear = std::get_if<optics::RearEtalon>(&element.part)) {
      constexpr double kLineShare = 0.02;  // 50 angstrom, the widest, of all sunlight
      grey(kLineShare * rear->peak_transmission + 1e-5);
    }
  }
  return bands[0] + bands[1] + bands[2];
}

/// A usual train with a few numbers, parts or places gone astray.
Rig nearly(Rig rig, base::Random& random) {
  for (std::size_t slip = random.below(4); slip > 0; --slip) {
    auto& element = rig.elements[random.below(rig.elements.size())];
    const auto& parameters = optics::parameters_of(element.part);
    switch (random.below(4)) {
      case 0:
        element.fitted = false;
        break;
      case 1:
        std::swap(element, rig.elements[random.below(rig.elements.size())]);
        break;
      case 2:
        element.length_mm = random.uniform(0, 200);
        break;
      default:
        if (!parameters.empty()) {
          const optics::Parameter& entry = parameters[random.below(parameters.size())];
          const double value = random.uniform(entry.range.low, entry.range.high);
          optics::set_parameter(element.part, entry.key,
                                entry.form == optics::Form::kNumber ? value : std::round(value));
        }
    }
  }
  return rig;
}

TEST(Safety, TenThousandRandomTrainsNeverPassTooMuchWithoutObjection) {
  base::Random random{20270802};
  int clear = 0;
  int stopped = 0;
  for (int trial = 0; trial < 10'000; ++trial) {
    const Rig rig = trial % 2 == 0 ? test::random_rig(random)
                                   : nearly(test::usual_train(random.below(3)), random);
    const optics::Train train = optics::follow_light(rig, 959.63);
    const Assessment assessment = assess(rig, train, {}, test::morning());
    for (const optics::Passage& passage : train.passages) {
      ASSERT_TRUE(std::isfinite(passage.irradiance_w_cm2) && std::isfinite(passage.arriving_w) &&
                  std::isfinite(passage.position_mm) && std::isfinite(passage.beam_width_mm));
      ASSERT_GE(passage.arriving_w, 0.0);
      ASSERT_LE(passage.passed_w, passage.arriving_w * (1.0 + 1e-9));
    }
    for (const auto& figure :
         {train.effective_focal_length_mm, train.focal_ratio, train.sampling_arcsec_px,
          train.blocking_margin_mm, train.solar_image_mm}) {
      ASSERT_TRUE(!figure || std::isfinite(*figure));
    }
    for (const Finding& found : assessment.findings) {
      ASSERT_TRUE(!found.element || *found.element < rig.elements.size());
    }
    stopped += assessment.verdict == Severity::kStop ? 1 : 0;
    if (assessment.verdict != Severity::kNoObjection) {
      continue;
    }
    ++clear;
    ASSERT_FALSE(train.passages.empty());
    const optics::Passage& last = train.passages.back();
    const double opening_mm =
        std::get<Telescope>(rig.elements[*optics::find_fitted<Telescope>(rig)].part).aperture_mm;
    if (optics::receiver_of(rig) == optics::Receiver::kSensor) {
      ASSERT_LE(last.irradiance_w_cm2, kCheckSensorWCm2);
    } else {
      ASSERT_LE(train.energy_share, std::pow(10.0, -kLeastEyeDensity));
    }
    // The independent bound: nothing clear without a real reduction.
    const bool etalon = optics::find_fitted<optics::FrontEtalon>(rig).has_value();
    ASSERT_TRUE(etalon || most_energy_share(rig, opening_mm) <= 0.1)
        << trial << ' ' << optics::to_json(rig).dump();
    ASSERT_LE(train.energy_share, most_energy_share(rig, opening_mm) * 1.0001 + (etalon ? 1 : 0));
  }
  EXPECT_GT(clear, 1000);  // the property was really put to the test
  EXPECT_GT(stopped, 3000);
}

}  // namespace
}  // namespace solarchon::safety
