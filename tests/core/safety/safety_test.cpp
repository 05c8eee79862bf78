// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/safety/safety.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "solarchon/base/random.h"
#include "tests/support/support.h"

namespace solarchon::safety {
namespace {

using optics::Camera;
using optics::Diagonal;
using optics::FrontFilm;
using optics::Refractor;
using optics::Rig;
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
  rig = with_part(rig, Refractor{}, 0.0);
  for (const Rig& each : {starter_rig(), rig, Rig{}}) {
    const Assessment assessment = judge(each);
    std::string all(word_of(assessment.verdict));
    for (const std::string_view text : assessment.assumptions) {
      all += text;
    }
    for (const Finding& found : assessment.findings) {
      all += std::string(found.what) + std::string(found.why) + std::string(found.next_step);
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

TEST(Safety, StopsForFilmBehindTheLens) {
  Rig rig = starter_rig();
  EXPECT_FALSE(finding(rig, "film-behind-lens"));
  std::swap(rig.elements[0], rig.elements[1]);
  const auto found = finding(rig, "film-behind-lens");
  ASSERT_TRUE(found);
  EXPECT_EQ(found->element, 1U);
  EXPECT_TRUE(finding(rig, "no-reduction"));
}

TEST(Safety, StopsForFilmSmallerThanTheLens) {
  Rig rig = starter_rig();
  film(rig).clear_aperture_mm = 80.0;
  EXPECT_FALSE(finding(rig, "film-too-small"));
  film(rig).clear_aperture_mm = 79.9;
  EXPECT_TRUE(finding(rig, "film-too-small"));
  EXPECT_EQ(judge(rig).verdict, Severity::kStop);
}

TEST(Safety, StopsForFilmWithoutCertificate) {
  Rig rig = starter_rig();
  film(rig).certified = false;
  const auto found = finding(rig, "film-not-certified");
  ASSERT_TRUE(found);
  EXPECT_EQ(found->severity, Severity::kStop);
}

TEST(Safety, TellsDensityForTheEyeFromDensityForCameras) {
  Rig rig = starter_rig();
  const auto fires = [&](double density, std::string_view rule) {
    film(rig).optical_density = density;
    return finding(rig, rule).has_value();
  };
  EXPECT_TRUE(fires(3.79, "density-too-low"));
  EXPECT_FALSE(fires(3.8, "density-too-low"));
  EXPECT_TRUE(fires(3.8, "camera-density-only"));
  EXPECT_TRUE(fires(4.99, "camera-density-only"));
  EXPECT_FALSE(fires(5.0, "camera-density-only"));
  film(rig).optical_density = 3.8;
  EXPECT_EQ(judge(rig).verdict, Severity::kCheck);
}

TEST(Safety, AddsTheDensitiesOfFilmsInFront) {
  Rig rig = starter_rig();
  film(rig).optical_density = 3.0;
  EXPECT_TRUE(finding(rig, "density-too-low"));
  rig.elements.insert(rig.elements.begin(), {"two", "", true, 0.0, FrontFilm{2.0, 90.0, true}});
  EXPECT_FALSE(finding(rig, "density-too-low"));
  EXPECT_FALSE(finding(rig, "camera-density-only"));
}

TEST(Safety, WatchesTheHeatAtTheLastPart) {
  Rig rig = starter_rig();
  film(rig).optical_density = 1.0;
  EXPECT_TRUE(finding(rig, "sensor-heat"));
  film(rig).optical_density = 3.8;
  EXPECT_FALSE(finding(rig, "sensor-heat"));
}

TEST(Safety, AsksForTelescopeAndCamera) {
  EXPECT_TRUE(finding({}, "no-telescope"));
  EXPECT_TRUE(finding({}, "no-camera"));
  Rig rig = starter_rig();
  EXPECT_FALSE(finding(rig, "no-telescope") || finding(rig, "no-camera"));
  rig.elements[2].fitted = false;
  EXPECT_TRUE(finding(rig, "no-camera"));
  EXPECT_EQ(judge(rig).verdict, Severity::kCheck);
}

TEST(Safety, PointsAtTheSecondOfAKind) {
  Rig rig = starter_rig();
  rig.elements.push_back({"spare", "", true, 0.0, Camera{}});
  const auto found = finding(rig, "second-of-a-kind");
  ASSERT_TRUE(found);
  EXPECT_EQ(found->element, 3U);
  rig.elements[3].fitted = false;
  EXPECT_FALSE(finding(rig, "second-of-a-kind"));
}

TEST(Safety, PointsAtPartsOutOfPlace) {
  Rig rig = with_part(starter_rig(), Diagonal{}, 65.0);
  EXPECT_FALSE(finding(rig, "lens-out-of-place"));
  std::swap(rig.elements[1], rig.elements[2]);
  EXPECT_TRUE(finding(rig, "lens-out-of-place"));
  rig = starter_rig();
  rig.elements.push_back({"late", "", true, 0.0, Diagonal{}});
  EXPECT_TRUE(finding(rig, "lens-out-of-place"));
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

TEST(Safety, EveryFindingSaysWhatWhyAndNext) {
  std::set<std::string_view> seen;
  Rig bad = starter_rig();
  film(bad) = {1.0, 20.0, false};
  Rig open = starter_rig();
  open.elements[0].fitted = false;
  Rig swapped = starter_rig();
  std::swap(swapped.elements[0], swapped.elements[1]);
  for (const Rig& rig : {bad, open, swapped, Rig{}}) {
    for (const Finding& found : judge(rig).findings) {
      seen.insert(found.rule);
      EXPECT_FALSE(found.what.empty() || found.why.empty() || found.next_step.empty());
    }
  }
  EXPECT_GE(seen.size(), 8U);
}

Rig random_rig(base::Random& random) {
  Rig rig;
  const int parts = static_cast<int>(random.uniform(0, 8));
  for (int i = 0; i < parts; ++i) {
    const auto& kinds = optics::generic_parts();
    optics::Element element =
        kinds[static_cast<std::size_t>(random.uniform(0, static_cast<double>(kinds.size())))];
    element.id = optics::fresh_id(rig);
    element.fitted = random.uniform() < 0.85;
    element.length_mm = random.uniform(0, 300);
    for (const optics::Parameter& entry : optics::parameters_of(element.part)) {
      const double share = std::pow(random.uniform(), 3.0);
      const double value = entry.range.low + share * (entry.range.high - entry.range.low);
      optics::set_parameter(element.part, entry.key, entry.whole ? std::floor(value) : value);
    }
    if (auto* front = std::get_if<FrontFilm>(&element.part)) {
      front->certified = random.uniform() < 0.5;
    }
    rig.elements.push_back(element);
  }
  return rig;
}

TEST(Safety, TenThousandRandomTrainsNeverPassTooMuchWithoutObjection) {
  base::Random random{20270802};
  int clear = 0;
  for (int trial = 0; trial < 10'000; ++trial) {
    const Rig rig = random_rig(random);
    const optics::Train train = optics::follow_light(rig, 959.63);
    const Assessment assessment = assess(rig, train);
    for (const optics::Passage& passage : train.passages) {
      ASSERT_TRUE(std::isfinite(passage.irradiance_w_cm2) && std::isfinite(passage.arriving_w));
      ASSERT_GE(passage.arriving_w, 0.0);
    }
    for (const Finding& found : assessment.findings) {
      ASSERT_TRUE(!found.element || *found.element < rig.elements.size());
    }
    if (assessment.verdict == Severity::kNoObjection) {
      ++clear;
      ASSERT_FALSE(train.passages.empty());
      ASSERT_LE(train.passages.back().irradiance_w_cm2, kMostSensorWCm2);
      ASSERT_LE(train.transmission, std::pow(10.0, -kEyeDensity) * 1.0001);
    }
  }
  EXPECT_LT(clear, 5000);
}

}  // namespace
}  // namespace solarchon::safety
