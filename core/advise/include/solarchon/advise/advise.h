// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/figure.h"
#include "solarchon/light/exposure.h"
#include "solarchon/optics/rig.h"
#include "solarchon/optics/train.h"
#include "solarchon/safety/safety.h"
#include "solarchon/sky/site.h"

namespace solarchon::advise {

/// What a light path is judged against.
struct Situation {
  double semidiameter_arcsec = 959.63;
  double pressure_hpa = sky::kSeaLevelHpa;
  double seeing_arcsec = sky::kUsualSeeingArcsec;
  bool whole_disc = true;  ///< the target is the whole Sun
  light::LightConditions light = {};
  safety::Practice practice = {};
  std::optional<sky::UtcTime> today = {};
};

/// The figure that a concern turns on, by id, such as `pixels-per-detail`; its name stands in
/// words/.
struct KeyFigure {
  std::string_view id = {};
  base::Figure figure = {};
  bool operator==(const KeyFigure&) const = default;
};

/// Something that does not fit, though it harms nobody. Its sentences (what one sees of it, and
/// why) stand in words/ under id and variant.
struct Misfit {
  std::string_view id = {};
  std::optional<std::size_t> element = {};  ///< place in the rig
  std::optional<KeyFigure> key_figure = {};
  std::string_view variant = {};  ///< which of its causes, where there are several
};

/// Pixels per finest detail (diffraction and air together) between which sampling fits.
inline constexpr base::Range kGoodSampling{1.5, 4.0};
/// A shadow of the secondary wider than this in the exit pupil is seen (mm): a third of the pupil.
inline constexpr double kSeenShadowMm = optics::kDaylightPupilMm / 3.0;
/// Exposure that still freezes the air (ms).
inline constexpr double kLongestSharpMs = 30.0;
/// Exposure beyond which a sensor shows nothing of a moving Sun (ms).
inline constexpr double kLongestUsefulMs = 1000.0;
/// Plain sunlight dimmed by so much is too dim for an eye out in the glare: some 10 cd/m2.
inline constexpr double kDimmestEyeDensity = 8.2;
/// Light on a screen that shows even in a box (lux).
inline constexpr double kDimmestScreenLux = 150.0;
/// Light at the limb below which the edge looks dark.
inline constexpr double kLeastLimbShare = 0.8;

/// Every misfit of a rig, in the order of the path.
[[nodiscard]] std::vector<Misfit> misfits_of(const optics::Rig& rig, const optics::Train& train,
                                             const Situation& situation);

/// One change of a rig.
enum class ChangeKind { kPutBack, kSet, kMove, kRemove, kReplace, kInsert };
inline constexpr base::EnumWords<ChangeKind, 6> kChangeWords{
    {"put-back", "set", "move", "remove", "replace", "insert"}};
struct Change {
  ChangeKind kind = ChangeKind::kInsert;
  std::size_t element = 0;  ///< place in the rig before the change; of an insertion, its new place
  std::vector<optics::Element> parts = {};  ///< put in, from the Sun's side on
  bool from_kit = false;
  std::vector<optics::Element> adapters = {};  ///< that the change needs besides
};

/// A change that cures a concern.
struct Suggestion {
  std::string_view concern = {};            ///< id of a rule or misfit
  std::optional<std::size_t> element = {};  ///< that the concern is about
  Change change;
  optics::Rig rig = {};                                       ///< with the change made
  safety::Severity verdict = safety::Severity::kNoObjection;  ///< of that rig
  std::size_t misfits = 0;                                    ///< left in it
  std::optional<KeyFigure> before = {};
  std::optional<KeyFigure> after = {};
};

/// Looks for single changes that cure what speaks against a rig and bring nothing new: parts laid
/// aside, moved, taken out, exchanged or added, from the owner's kit and the catalogue; two
/// adapters at once where no single one joins two parts; masks cut to measure.
/// @param kit, catalogue  parts to choose from
/// @return  for each finding and misfit the best few, ranked by what is left to object to, then
///          by what the owner has, then by how small the change is; empty where nothing cures it
[[nodiscard]] std::vector<Suggestion> suggest(const optics::Rig& rig, const Situation& situation,
                                              const std::vector<optics::Element>& kit,
                                              const std::vector<optics::Element>& catalogue,
                                              std::size_t most_per_concern = 3);

}  // namespace solarchon::advise
