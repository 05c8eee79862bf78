// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstddef>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/figure.h"
#include "solarchon/optics/rig.h"
#include "solarchon/optics/train.h"
#include "solarchon/sky/time.h"

namespace solarchon::safety {

/// How much a finding weighs. A train gets the weight of its worst finding.
enum class Severity { kNoObjection, kCheck, kStop };
inline constexpr base::EnumWords<Severity, 3> kSeverityWords{{"no-objection", "check", "stop"}};
[[nodiscard]] constexpr std::string_view word_of(Severity severity) {
  return kSeverityWords.of(severity);
}

/// Apertures (mm) up to which three schools run a rear etalon without rejecting heat before it.
/// The strict one comes first and is the default.
inline constexpr std::array<double, 3> kSchoolsMm{80.0, 120.0, 150.0};

/// A filter wants a look after so many days, where nothing else was decided.
inline constexpr int kInspectionDays = 180;

/// What the observer has decided or plans, as far as rules depend on it.
struct Practice {
  std::size_t school = 0;                 ///< place in kSchoolsMm
  int inspection_days = kInspectionDays;  ///< a filter wants a look after so many days
  bool totality = false;                  ///< a total eclipse is to be watched with this train
  bool guests = false;                    ///< other people, or children, come near the telescope
  bool operator==(const Practice&) const = default;
};

inline constexpr base::Range kInspectionDaysRange{1, 3650};

/// One objection to a train. Its sentences (what can happen, why, the next safe step, whose
/// practice it is) stand in words/ under the rule's id.
struct Finding {
  std::string_view rule;  ///< id of the rule
  Severity severity = Severity::kCheck;
  std::optional<std::size_t> element = {};  ///< place in the rig of the part it concerns
  std::vector<base::Figure> figures = {};   ///< this train's numbers, where the rule compares any
  std::string_view variant = {};  ///< which sentence the figures belong in, where there are several
  std::string noted = {};         ///< what its owner wrote: the defect, the last inspection's date
};

/// Something that nobody can see in a drawing, by id, with the numbers in its sentence.
struct Assumption {
  std::string_view id;
  std::vector<base::Figure> figures = {};
};

/// What the rules say of a train.
struct Assessment {
  Severity verdict = Severity::kNoObjection;
  std::vector<Finding> findings;        ///< worst first
  std::vector<Assumption> assumptions;  ///< what "no objection" rests on
};

/// Irradiance at a sensor (W/cm2): plain sunlight, above which the rules ask to check, and ten
/// times as much, above which they stop.
inline constexpr double kCheckSensorWCm2 = 0.1;
inline constexpr double kMostSensorWCm2 = 1.0;
/// Density of a filter made for the eye, and the least one made for cameras.
inline constexpr double kEyeDensity = 5.0;
inline constexpr double kCameraDensity = 3.8;
/// Neutral density that a wedge needs before an eye looks, and the least density of everything
/// together before an eye, of what it sees and of all energy: what such a wedge makes.
inline constexpr double kWedgeEyeDensity = 3.0;
inline constexpr double kLeastEyeDensity = 4.3;
/// Most that a bare glass surface reflects; a wedge that claims more is not usual.
inline constexpr double kMostWedgeShare = 0.05;
/// Share of sunlight's energy above which a filter that absorbs stands too hot (a cut filter alone
/// leaves a third), and above which an eyepiece that is projected through must be uncemented.
inline constexpr double kFullHeatShare = 0.25;
inline constexpr double kCementShare = 0.01;

/// A limit on apertures as makers mean it: sizes in inches are nominal, so that a limit in whole
/// multiples of 25 mm holds for inches of 25.4 mm, rounded to the next millimetre: 100 mm is 4 inch
/// and takes a telescope of 102 mm, 150 mm is 6 inch and takes one of 152 mm.
[[nodiscard]] double nominal_limit_mm(double stated_mm);

/// Holds the fitted parts of a rig against every rule.
/// @param train  what optics::follow_light gave for the same rig
/// @param today  for overdue inspections; none leaves them unjudged
/// Never says that a combination is safe: the best verdict is that no rule objects.
/// Source: field practice, as each rule names it.
[[nodiscard]] Assessment assess(const optics::Rig& rig, const optics::Train& train,
                                const Practice& practice = {},
                                std::optional<sky::UtcTime> today = std::nullopt);

/// Every rule as the finding that it makes, without a place and figures.
[[nodiscard]] std::vector<Finding> rule_book();

}  // namespace solarchon::safety
