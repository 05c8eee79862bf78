// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/connection.h"

#include <algorithm>
#include <optional>

#include "solarchon/optics/rig.h"

namespace solarchon::optics {

namespace {

/// A part that may sit inside its neighbour without making the path longer.
bool sits_inside(const Element& element) {
  return element.front_face == Face::kNone && element.rear_face == Face::kNone &&
         (std::holds_alternative<InnerEtalon>(element.part) ||
          std::holds_alternative<CutFilter>(element.part) ||
          std::holds_alternative<NeutralDensity>(element.part) ||
          std::holds_alternative<BandFilter>(element.part) ||
          std::holds_alternative<Polariser>(element.part) ||
          std::holds_alternative<EyepieceFilter>(element.part));
}

/// A part that stands or is held behind an eyepiece.
bool stands_apart(const Element& element) {
  return std::holds_alternative<ProjectionScreen>(element.part) ||
         std::holds_alternative<Phone>(element.part);
}

JointState state_of(Face rear, Face front) {
  if (rear == Face::kNone || front == Face::kNone) {
    return JointState::kUnknown;
  }
  return mate(rear, front) ? JointState::kFits : JointState::kNeedsAdapter;
}

double length_of(const std::vector<std::size_t>& chain, const std::vector<Element>& pool) {
  double length_mm = 0.0;
  for (const std::size_t place : chain) {
    length_mm += pool[place].length_mm;
  }
  return length_mm;
}

}  // namespace

bool mate(Face one, Face other) {
  if (one == Face::kNone || other == Face::kNone || one == other) {
    return false;
  }
  // Each size has two neighbouring values, the one that goes in first.
  const auto size = [](Face face) { return (static_cast<int>(face) - 1) / 2; };
  return size(one) == size(other);
}

std::vector<Joint> joints_of(const Rig& rig) {
  std::vector<Joint> joints;
  const auto telescope = find_fitted<Telescope>(rig);
  if (!telescope) {
    return joints;
  }
  std::size_t before = *telescope;
  for (std::size_t i = *telescope + 1; i < rig.elements.size(); ++i) {
    const Element& element = rig.elements[i];
    const Zone zone = zone_of(element.part);
    if (!element.fitted || zone == Zone::kBeside || sits_inside(element)) {
      continue;
    }
    if (stands_apart(element)) {
      break;
    }
    joints.push_back({before, i, state_of(rig.elements[before].rear_face, element.front_face)});
    before = i;
  }
  return joints;
}

std::vector<std::vector<std::size_t>> adapters_between(Face rear, Face front,
                                                       const std::vector<Element>& pool) {
  std::vector<std::size_t> starts;
  std::vector<std::size_t> ends;
  std::vector<std::vector<std::size_t>> chains;
  for (std::size_t i = 0; i < pool.size(); ++i) {
    if (!std::holds_alternative<Extension>(pool[i].part)) {
      continue;
    }
    const bool begins = mate(rear, pool[i].front_face);
    const bool finishes = mate(pool[i].rear_face, front);
    if (begins && finishes) {
      chains.push_back({i});
    } else if (begins) {
      starts.push_back(i);
    } else if (finishes) {
      ends.push_back(i);
    }
  }
  for (const std::size_t start : starts) {
    for (const std::size_t end : ends) {
      if (mate(pool[start].rear_face, pool[end].front_face)) {
        chains.push_back({start, end});
      }
    }
  }
  std::stable_sort(chains.begin(), chains.end(), [&](const auto& one, const auto& other) {
    return one.size() != other.size() ? one.size() < other.size()
                                      : length_of(one, pool) < length_of(other, pool);
  });
  return chains;
}

}  // namespace solarchon::optics
