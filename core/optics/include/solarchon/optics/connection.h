// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <string>
#include <vector>

#include "solarchon/base/enum_words.h"

namespace solarchon::optics {

/// What one face of a part offers to its neighbour. Barrels go into holders, male threads into
/// female ones. None: not known, or the part sits inside its neighbour.
enum class Face {
  kNone,
  k125Barrel,
  k125Holder,
  k2Barrel,
  k2Holder,
  kM42Male,
  kM42Female,
  kM48Male,
  kM48Female,
  kM54Male,
  kM54Female,
  kCMale,
  kCFemale
};

/// Words for faces in files. The metric threads have a pitch of 0.75 mm; c is 1 inch by 32 turns.
inline constexpr base::EnumWords<Face, 13> kFaceWords{
    {"none", "1.25in-barrel", "1.25in-holder", "2in-barrel", "2in-holder", "m42-male", "m42-female",
     "m48-male", "m48-female", "m54-male", "m54-female", "c-male", "c-female"}};

/// True when the two faces go together: same size, one of them goes into the other.
[[nodiscard]] bool mate(Face one, Face other);

struct Rig;
struct Element;

enum class JointState { kFits, kNeedsAdapter, kUnknown };
inline constexpr base::EnumWords<JointState, 3> kJointWords{{"fits", "needs-adapter", "unknown"}};

/// Where two parts behind each other meet.
struct Joint {
  std::size_t before = 0;  ///< place in the rig of the part on the Sun's side
  std::size_t after = 0;
  JointState state = JointState::kUnknown;
  bool operator==(const Joint&) const = default;
};

/// Every joint of the fitted parts from the telescope to the end, in order. Filters without faces
/// of their own sit inside their neighbour and make no joint; nothing is screwed to a screen.
[[nodiscard]] std::vector<Joint> joints_of(const Rig& rig);

/// Chains of one or two extensions from a pool that join two faces, shortest path length first.
/// @return  each chain as places in the pool, from the Sun's side on; empty when none is known
[[nodiscard]] std::vector<std::vector<std::size_t>> adapters_between(
    Face rear, Face front, const std::vector<Element>& pool);

}  // namespace solarchon::optics
