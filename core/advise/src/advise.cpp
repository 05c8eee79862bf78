// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/advise/advise.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <set>
#include <string>
#include <tuple>

#include "edits.h"
#include "solarchon/safety/harm_bound.h"

namespace solarchon::advise {

using base::Unit;
using optics::Rig;
using safety::Severity;

namespace {

/// A concern without the place that a change may shift: the rule and the part's own id.
using Key = std::pair<std::string_view, std::string>;

struct Judged {
  optics::Train train;
  safety::Assessment safety;
  std::vector<Misfit> misfits;
};

Judged judge(const Rig& rig, const Situation& situation) {
  Judged judged;
  judged.train = optics::follow_light(rig, situation.semidiameter_arcsec, situation.pressure_hpa);
  judged.safety = safety::assess(rig, judged.train, situation.practice, situation.today);
  judged.misfits = misfits_of(rig, judged.train, situation);
  return judged;
}

std::string id_at(const Rig& rig, std::optional<std::size_t> element) {
  return element ? rig.elements[*element].id : std::string();
}

/// Every concern of a judged rig, once.
std::set<Key> concerns_of(const Rig& rig, const Judged& judged) {
  std::set<Key> keys;
  for (const safety::Finding& finding : judged.safety.findings) {
    keys.emplace(finding.rule, id_at(rig, finding.element));
  }
  for (const Misfit& misfit : judged.misfits) {
    keys.emplace(misfit.id, id_at(rig, misfit.element));
  }
  return keys;
}

int badness(const safety::Assessment& safety) {
  constexpr int kStopWeighs = 100;
  int sum = 0;
  for (const safety::Finding& finding : safety.findings) {
    sum += finding.severity == Severity::kStop ? kStopWeighs : 1;
  }
  return sum;
}

/// True when nothing objects that did not object before. A misfit may take the place of a finding,
/// but no finding that of a misfit.
bool brings_nothing_new(const std::set<Key>& before, const safety::Assessment& safety,
                        const Rig& rig, const Judged& after, bool for_finding) {
  for (const safety::Finding& finding : safety.findings) {
    const bool known = std::any_of(before.begin(), before.end(),
                                   [&](const Key& key) { return key.first == finding.rule; });
    if (!known) {
      return false;
    }
  }
  if (for_finding) {
    return true;
  }
  return std::all_of(after.misfits.begin(), after.misfits.end(), [&](const Misfit& misfit) {
    return before.contains({misfit.id, id_at(rig, misfit.element)});
  });
}

/// Rules that turn on how dark everything is together, and those that turn on the open aperture.
constexpr std::array<std::string_view, 7> kByDensity{
    "no-reduction",        "not-a-solar-filter",    "density-too-low",   "eye-density",
    "camera-density-only", "too-bright-for-an-eye", "optical-viewfinder"};
constexpr std::array<std::string_view, 3> kByAperture{"film-too-small", "rear-etalon-no-rejection",
                                                      "rear-etalon-full-rejection"};

template <std::size_t Count>
bool among(const std::array<std::string_view, Count>& rules, std::string_view rule) {
  return std::find(rules.begin(), rules.end(), rule) != rules.end();
}

/// The figure that a finding turns on; none where it turns on no figure.
std::optional<KeyFigure> key_figure_of(std::string_view rule, const Rig& rig,
                                       const Judged& judged) {
  const optics::Train& train = judged.train;
  if (const auto wedge = optics::find_fitted<optics::Wedge>(rig);
      rule == "wedge-too-small" && wedge) {
    const double rated_mm = safety::nominal_limit_mm(
        std::get<optics::Wedge>(rig.elements[*wedge].part).rated_aperture_mm);
    return KeyFigure{"within-wedge-limit", {rated_mm - train.aperture_mm, Unit::kMillimetre}};
  }
  if ((rule == "sensor-heat" || rule == "sensor-warm") && !train.passages.empty()) {
    return KeyFigure{"at-the-sensor", {train.passages.back().irradiance_w_cm2, Unit::kWattPerCm2}};
  }
  if (among(kByAperture, rule)) {
    return KeyFigure{"open-aperture", {train.aperture_mm, Unit::kMillimetre}};
  }
  const double share = std::max(train.energy_share, train.luminous_share);
  if (among(kByDensity, rule) && share > 0.0) {
    return KeyFigure{"density-in-all", {-std::log10(share), Unit::kOpticalDensity}};
  }
  return std::nullopt;
}

/// The same figure of a misfit, before and after its cure.
std::optional<KeyFigure> key_figure_of(const Misfit& misfit, const Rig& rig, const Judged& judged,
                                       const Situation& situation) {
  if (!misfit.key_figure) {
    return std::nullopt;
  }
  KeyFigure key = *misfit.key_figure;
  const optics::Train& train = judged.train;
  const auto sensor = optics::sensor_of(rig);
  if (misfit.id == "disc-cut" && sensor && train.sampling_arcsec_px) {
    key.figure.value = std::min(sensor->camera.width_px, sensor->camera.height_px) *
                       *train.sampling_arcsec_px / (2.0 * situation.semidiameter_arcsec);
  } else if ((misfit.id == "undersampled" || misfit.id == "oversampled") &&
             train.sampling_arcsec_px) {
    key.figure.value = std::hypot(*train.diffraction_cutoff_arcsec, situation.seeing_arcsec) /
                       *train.sampling_arcsec_px;
  } else if (misfit.id == "focus" && train.focus) {
    key.figure.value = std::min(train.focus->inward_spare_mm, train.focus->outward_spare_mm);
  } else if (misfit.id == "vignetting" && train.vignetting) {
    key.figure.value = 100.0 * train.vignetting->limb_share;
  } else if (misfit.id == "obstruction-shadow" && train.look) {
    key.figure.value = train.look->secondary_shadow_mm;
  } else if (misfit.id == "field-cut" && train.look) {
    key.figure.value = train.look->true_field_deg;
  } else if (misfit.id == "blocking-filter-small" && train.blocking_margin_mm) {
    key.figure.value = *train.blocking_margin_mm;
  } else if ((misfit.id == "supply-weak" || misfit.id == "supply-not-listed") && train.supply) {
    key.figure.value = train.supply->offered_w;
  } else if (misfit.id == "dim" || misfit.id == "too-bright" || misfit.id == "too-dim-to-expose") {
    const auto exposure = light::disc_exposure(rig, train, situation.light);
    if (!exposure) {
      return std::nullopt;
    }
    key.figure.value = exposure->wanted_ms;
  } else {
    return std::nullopt;
  }
  return key;
}

/// Parts that could not be fitted before any change.
std::vector<std::string> loose_joints(const Rig& rig, const Judged& judged) {
  std::vector<std::string> ids;
  for (const optics::Joint& joint : judged.train.joints) {
    if (joint.state == optics::JointState::kNeedsAdapter) {
      ids.push_back(rig.elements[joint.after].id);
    }
  }
  return ids;
}

/// A camera's lens shows nothing to an eye, and is no telescope for a camera with its own adapters.
bool becomes_a_lens(const Rig& rig, const Rig& next) {
  const auto is_lens = [](const Rig& path) {
    const auto telescope = optics::find_fitted<optics::Telescope>(path);
    return telescope && std::get<optics::Telescope>(path.elements[*telescope].part).design ==
                            optics::TelescopeDesign::kCameraLens;
  };
  return is_lens(next) && !is_lens(rig);
}

/// A cure must not give up what the light path is for.
bool same_purpose(const Rig& rig, const Judged& before, const Rig& next, const Judged& after) {
  const optics::Receiver receiver = optics::receiver_of(rig);
  return (receiver == optics::Receiver::kNone || receiver == optics::receiver_of(next)) &&
         before.train.band.line == after.train.band.line && !becomes_a_lens(rig, next);
}

/// What is there before must be there after: light, the target's field, and detail unless somebody
/// would be harmed.
bool keeps_the_picture(const Judged& before, const Judged& after, const Situation& situation,
                       bool for_finding) {
  const auto has = [](const Judged& judged, std::string_view id) {
    return std::any_of(judged.misfits.begin(), judged.misfits.end(),
                       [&](const Misfit& misfit) { return misfit.id == id; });
  };
  for (const std::string_view dark : {"too-dim-to-see", "too-dim-to-expose"}) {
    if (has(after, dark)) {
      return false;
    }
  }
  if (situation.whole_disc) {
    for (const std::string_view cut : {"disc-cut", "field-cut", "vignetting"}) {
      if (has(after, cut) && !has(before, cut)) {
        return false;
      }
    }
  }
  constexpr double kHardlySeen = 1.02;
  const auto& was = before.train.diffraction_cutoff_arcsec;
  const auto& is = after.train.diffraction_cutoff_arcsec;
  return for_finding || !was || (is && *is <= kHardlySeen * *was);
}

/// Kinds of parts that an observer would put in against a misfit; anything, where none is listed.
bool belongs_against(std::string_view misfit, const Change& change) {
  if (change.kind != ChangeKind::kInsert) {
    return true;
  }
  struct Remedy {
    std::string_view misfit;
    bool (*suits)(const optics::Part&);
  };
  constexpr auto kLonger = [](const optics::Part& part) {
    return std::holds_alternative<optics::Amplifier>(part);
  };
  constexpr auto kShorter = [](const optics::Part& part) {
    return std::holds_alternative<optics::Reducer>(part);
  };
  constexpr auto kSpacer = [](const optics::Part& part) {
    return std::holds_alternative<optics::Extension>(part) ||
           std::holds_alternative<optics::Diagonal>(part) ||
           std::holds_alternative<optics::Amplifier>(part) ||
           std::holds_alternative<optics::Reducer>(part);
  };
  constexpr auto kAdapter = [](const optics::Part& part) {
    return std::holds_alternative<optics::Extension>(part);
  };
  constexpr auto kGrey = [](const optics::Part& part) {
    return std::holds_alternative<optics::NeutralDensity>(part) ||
           std::holds_alternative<optics::Polariser>(part) ||
           std::holds_alternative<optics::BandFilter>(part) ||
           std::holds_alternative<optics::Amplifier>(part);
  };
  static const std::array<Remedy, 14> kRemedies{{{"focus", kSpacer},
                                                 {"joint", kAdapter},
                                                 {"undersampled", kLonger},
                                                 {"oversampled", kShorter},
                                                 {"disc-cut", kShorter},
                                                 {"field-cut", kShorter},
                                                 {"vignetting", kShorter},
                                                 {"dim", kShorter},
                                                 {"too-dim-to-see", kShorter},
                                                 {"too-dim-to-expose", kShorter},
                                                 {"too-bright", kGrey},
                                                 {"obstruction-shadow", kLonger},
                                                 {"blocking-filter-small", kShorter},
                                                 {"impossible-spacing", kAdapter}}};
  const auto* remedy = std::find_if(kRemedies.begin(), kRemedies.end(),
                                    [&](const Remedy& row) { return row.misfit == misfit; });
  return remedy == kRemedies.end() ||
         std::all_of(change.parts.begin(), change.parts.end(),
                     [&](const optics::Element& part) { return remedy->suits(part.part); });
}

/// How much a change asks of its maker: nothing to buy, little to take apart.
int effort_of(const Rig& rig, const Change& change) {
  constexpr int kBuying = 3;
  int effort = (change.from_kit ? 0 : kBuying) + static_cast<int>(change.adapters.size());
  switch (change.kind) {
    case ChangeKind::kPutBack:
    case ChangeKind::kSet:
    case ChangeKind::kMove:
      break;
    case ChangeKind::kRemove:
      effort += 1;
      break;
    case ChangeKind::kInsert:
      effort += 1 + static_cast<int>(change.parts.size());
      break;
    case ChangeKind::kReplace:
      constexpr int kNewTelescope = 9;
      effort += std::holds_alternative<optics::Telescope>(rig.elements[change.element].part)
                    ? kNewTelescope
                    : 3;
      break;
  }
  return effort;
}

/// What an observer reaches for late: glass for no more than a spacer does, or before an eyepiece,
/// which is exchanged instead; a mirror before a camera, which a tube holds as far out.
int against_habit(std::string_view concern, const Judged& before, const Change& change) {
  constexpr int kLate = 4;
  if (change.kind != ChangeKind::kInsert || change.parts.empty()) {
    return 0;
  }
  const optics::Part& part = change.parts.front().part;
  const bool glass = std::holds_alternative<optics::Reducer>(part) ||
                     std::holds_alternative<optics::Amplifier>(part);
  const bool mirror = std::holds_alternative<optics::Diagonal>(part);
  return (glass && (before.train.look || concern == "focus")) || (mirror && !before.train.look)
             ? kLate
             : 0;
}

bool exchanges_telescope(const Rig& rig, const Change& change) {
  return change.kind == ChangeKind::kReplace &&
         std::holds_alternative<optics::Telescope>(rig.elements[change.element].part);
}

/// A cure of one concern, as a place in the list of edits.
struct Cure {
  std::size_t edit;
  Severity verdict;
  std::size_t misfits;
  int badness;
  int burden;  ///< misfits left and effort together
  std::optional<KeyFigure> after;
};

bool better(const Cure& one, const Cure& other) {
  return std::tie(one.badness, one.burden) < std::tie(other.badness, other.burden);
}

/// What is to be cured: findings first, then misfits.
struct Concern {
  std::string_view id;
  std::optional<std::size_t> element;
  const Misfit* misfit;
  std::optional<KeyFigure> before;
  std::vector<Cure> cures = {};
};

std::vector<Concern> concerns_to_cure(const Rig& rig, const Judged& judged) {
  std::vector<Concern> concerns;
  for (const safety::Finding& finding : judged.safety.findings) {
    concerns.push_back(
        {finding.rule, finding.element, nullptr, key_figure_of(finding.rule, rig, judged)});
  }
  for (const Misfit& misfit : judged.misfits) {
    concerns.push_back({misfit.id, misfit.element, &misfit, misfit.key_figure});
  }
  return concerns;
}

}  // namespace

std::vector<Suggestion> suggest(const Rig& rig, const Situation& situation,
                                const std::vector<optics::Element>& kit,
                                const std::vector<optics::Element>& catalogue,
                                std::size_t most_per_concern) {
  const Judged before = judge(rig, situation);
  const std::set<Key> known = concerns_of(rig, before);
  std::vector<Concern> concerns = concerns_to_cure(rig, before);
  if (concerns.empty()) {
    return {};
  }
  const std::vector<std::string> loose = loose_joints(rig, before);
  Adapters adapters(kit, catalogue);
  std::vector<Change> edits = edits_of(rig, before.train, situation, kit, catalogue);
  for (std::size_t edit = 0; edit < edits.size(); ++edit) {
    Rig next = with_change(rig, edits[edit]);
    edits[edit].adapters = adapters.fit(next, loose);
    const Judged after = judge(next, situation);
    // No rule is trusted alone with a promise: a bound that shares no code with them must agree.
    if (!same_purpose(rig, before, next, after) ||
        !brings_nothing_new(known, after.safety, next, after, true) ||
        safety::least_severity(next).severity > after.safety.verdict) {
      continue;
    }
    const bool neat = brings_nothing_new(known, after.safety, next, after, false);
    const std::set<Key> left = concerns_of(next, after);
    const int burden = 2 * static_cast<int>(after.misfits.size()) + effort_of(rig, edits[edit]);
    for (Concern& concern : concerns) {
      const bool finding = concern.misfit == nullptr;
      if (!keeps_the_picture(before, after, situation, finding) ||
          (!finding && !belongs_against(concern.id, edits[edit]))) {
        continue;
      }
      if ((concern.misfit != nullptr && !neat) ||
          left.contains({concern.id, id_at(rig, concern.element)})) {
        continue;
      }
      // Where filters are one too many, taking one out goes before changing its grade.
      const bool too_many = concern.id == "too-dim-to-see" || concern.id == "too-dim-to-expose";
      constexpr int kAsRemoving = 2;
      const int more = burden + against_habit(concern.id, before, edits[edit]) +
                       (too_many && edits[edit].kind == ChangeKind::kSet ? kAsRemoving : 0);
      concern.cures.push_back(
          {edit, after.safety.verdict, after.misfits.size(), badness(after.safety), more,
           concern.misfit != nullptr ? key_figure_of(*concern.misfit, next, after, situation)
                                     : key_figure_of(concern.id, next, after)});
    }
  }
  std::vector<Suggestion> suggestions;
  for (Concern& concern : concerns) {
    std::stable_sort(concern.cures.begin(), concern.cures.end(), better);
    // Nobody buys another telescope for what does not quite fit, as long as anything else helps.
    const auto other_telescope = [&](const Cure& cure) {
      return exchanges_telescope(rig, edits[cure.edit]);
    };
    if (concern.misfit != nullptr &&
        !std::all_of(concern.cures.begin(), concern.cures.end(), other_telescope)) {
      std::erase_if(concern.cures, other_telescope);
    }
    std::set<std::pair<ChangeKind, std::size_t>> offered;  // one of each sort: no ten masks
    for (const Cure& cure : concern.cures) {
      const Change& change = edits[cure.edit];
      const std::size_t kind = change.parts.empty() ? 0 : change.parts.front().part.index() + 1;
      if (offered.size() >= most_per_concern || !offered.emplace(change.kind, kind).second) {
        continue;
      }
      Rig next = with_change(rig, edits[cure.edit]);
      (void)adapters.fit(next, loose);
      suggestions.push_back({concern.id, concern.element, edits[cure.edit], std::move(next),
                             cure.verdict, cure.misfits, concern.before, cure.after});
    }
  }
  return suggestions;
}

}  // namespace solarchon::advise
