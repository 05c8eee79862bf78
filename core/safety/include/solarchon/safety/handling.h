// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <set>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/optics/rig.h"

namespace solarchon::safety {

/// Parts that protect an eye or a sensor, or keep heat where it belongs: a defect of theirs harms.
[[nodiscard]] bool protects(const optics::Part& part);

/// Parts that protect an eye or a sensor and that wear: their owner looks them over at intervals.
[[nodiscard]] bool wants_inspection(const optics::Part& part);

/// What is about to be done at the telescope.
enum class Occasion {
  kSetUp,
  kChange,  ///< a part, in the middle of it
  kGuests,  ///< other people are to look
  kPack
};
inline constexpr base::EnumWords<Occasion, 4> kOccasionWords{
    {"set-up", "change", "guests", "pack"}};

/// What the mount is, as far as the order depends on it.
enum class Axes { kNotSaid, kEquatorial, kLevel, kUndriven };

/// A step by id, with the names of the parts that its sentences (in words/) speak of.
struct HandlingStep {
  std::string_view id;
  std::string_view variant = {};  ///< what its sentences hold for, where they differ: `eye`
  std::vector<std::string> parts = {};
  std::vector<std::string_view> needs = {};  ///< ids of earlier steps of the same order
  bool exposes = false;                      ///< sunlight passes the telescope, or is let in by it
  bool waits = false;    ///< runs by itself once its needs are done, as a warm-up does
  double minutes = 0.0;  ///< that it usually takes
};

/// The order in which this light path is put up, changed, handed over or taken down so that no open
/// aperture meets the Sun by mistake. Makers' instructions go before it.
/// Every need stands before who needs it, and every step that exposes the optics needs, directly or
/// not, all that protects eye and sensor.
/// Source: field practice; docs/safety.md, the order of handling.
[[nodiscard]] std::vector<HandlingStep> handling_order(const optics::Rig& rig, Occasion occasion,
                                                       Axes axes);

/// What has to be done before a step and is not, itself left out: its needs, and theirs.
/// @param done  ids of steps
/// @return      in the order of the steps; empty for a step that is not in the order
[[nodiscard]] std::vector<std::string_view> missing_before(const std::vector<HandlingStep>& order,
                                                           const std::set<std::string>& done,
                                                           std::string_view step);

}  // namespace solarchon::safety
