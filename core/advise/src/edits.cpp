// SPDX-License-Identifier: GPL-3.0-or-later
#include "edits.h"

#include <algorithm>
#include <cmath>
#include <functional>

namespace solarchon::advise {

using optics::Element;
using optics::Rig;
using optics::Zone;

namespace {

/// Kinds that may be exchanged for each other: they do the same work.
bool same_work(const optics::Part& one, const optics::Part& other) {
  if (one.index() == other.index()) {
    return true;
  }
  const auto folds = [](const optics::Part& part) {
    return std::holds_alternative<optics::Diagonal>(part) ||
           std::holds_alternative<optics::Wedge>(part);
  };
  const auto records = [](const optics::Part& part) {
    return std::holds_alternative<optics::Camera>(part) ||
           std::holds_alternative<optics::PhotoCamera>(part);
  };
  return (folds(one) && folds(other)) || (records(one) && records(other));
}

/// Kinds that may be added to a finished path.
bool can_be_added(const Rig& rig, const optics::Part& part) {
  switch (optics::zone_of(part)) {
    case Zone::kFront:
      return true;
    case Zone::kRear:
      return !std::holds_alternative<optics::EyepieceFilter>(part);
    case Zone::kTelescope:
      return !optics::find_fitted<optics::Telescope>(rig);
    case Zone::kEnd:
      return optics::receiver_of(rig) == optics::Receiver::kNone;
    case Zone::kBeside:
      return std::holds_alternative<optics::PowerSupply>(part);
    case Zone::kUnknown:
      break;
  }
  return false;
}

void add_own(const Rig& rig, std::vector<Change>& edits) {
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    const Element& element = rig.elements[i];
    if (!element.fitted) {
      Element back = element;
      back.fitted = true;
      edits.push_back({ChangeKind::kPutBack, i, {std::move(back)}, true});
      continue;
    }
    edits.push_back({ChangeKind::kRemove, i, {}, true});
    Rig without = rig;
    without.elements.erase(without.elements.begin() + static_cast<std::ptrdiff_t>(i));
    if (optics::usual_place(without, element.part) != i) {
      edits.push_back({ChangeKind::kMove, i, {element}, true});
    }
    if (const auto* finder = std::get_if<optics::Finder>(&element.part);
        finder != nullptr && !finder->capped) {
      Element capped = element;
      std::get<optics::Finder>(capped.part).capped = true;
      edits.push_back({ChangeKind::kSet, i, {std::move(capped)}, true});
    }
  }
}

/// Wedges carry grey that can be exchanged: the nearest grades first.
void add_greys(const Rig& rig, std::vector<Change>& edits) {
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    const auto* wedge = std::get_if<optics::Wedge>(&rig.elements[i].part);
    if (wedge == nullptr || !rig.elements[i].fitted) {
      continue;
    }
    std::vector<double> grades{0.6, 0.9, 1.2, 1.8, 3.0};
    std::sort(grades.begin(), grades.end(), [&](double a, double b) {
      return std::abs(a - wedge->built_in_density) < std::abs(b - wedge->built_in_density);
    });
    for (const double grade : grades) {
      if (grade != wedge->built_in_density) {
        Element other = rig.elements[i];
        std::get<optics::Wedge>(other.part).built_in_density = grade;
        edits.push_back({ChangeKind::kSet, i, {std::move(other)}, true});
      }
    }
  }
}

void add_from(const Rig& rig, const std::vector<Element>& pool, bool from_kit,
              std::vector<Change>& edits) {
  for (const Element& part : pool) {
    for (std::size_t i = 0; i < rig.elements.size(); ++i) {
      const Element& element = rig.elements[i];
      if (element.fitted && same_work(element.part, part.part) &&
          !std::holds_alternative<optics::Extension>(part.part)) {
        edits.push_back({ChangeKind::kReplace, i, {part}, from_kit});
      }
    }
    if (can_be_added(rig, part.part)) {
      edits.push_back({ChangeKind::kInsert, optics::fitting_place(rig, part), {part}, from_kit});
    }
  }
}

/// Masks cut from card to a width that some part asks for.
void add_masks(const Rig& rig, const Situation& situation, std::vector<Change>& edits) {
  std::vector<double> widths_mm;
  for (const Element& element : rig.elements) {
    if (const auto* wedge = std::get_if<optics::Wedge>(&element.part)) {
      widths_mm.push_back(wedge->rated_aperture_mm);
    } else if (optics::zone_of(element.part) == Zone::kFront &&
               !std::holds_alternative<optics::ApertureMask>(element.part)) {
      widths_mm.push_back(optics::parameter(element.part, "clear_aperture_mm"));
    } else if (const auto* etalon = std::get_if<optics::RearEtalon>(&element.part)) {
      widths_mm.push_back(etalon->rejection_above_mm > 0.0
                              ? etalon->rejection_above_mm
                              : safety::kSchoolsMm.at(situation.practice.school));
      widths_mm.push_back(safety::kSchoolsMm.back());
    }
  }
  std::sort(widths_mm.begin(), widths_mm.end(), std::greater<>());  // the widest that helps first
  widths_mm.erase(std::unique(widths_mm.begin(), widths_mm.end()), widths_mm.end());
  for (const double width_mm : widths_mm) {
    Element mask;
    mask.part = optics::ApertureMask{width_mm, false};
    edits.push_back(
        {ChangeKind::kInsert, optics::usual_place(rig, mask.part), {std::move(mask)}, true});
  }
}

void add_tilt(const Rig& rig, const optics::Train& train, std::vector<Change>& edits) {
  if (!train.fringes || train.fringes->at_odds()) {
    return;
  }
  const double wanted_deg = std::ceil(train.fringes->least_tilt_deg * 10.0) / 10.0;
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    const auto* adapter = std::get_if<optics::TiltAdapter>(&rig.elements[i].part);
    if (adapter != nullptr && rig.elements[i].fitted && adapter->tilt_deg != wanted_deg) {
      Element turned = rig.elements[i];
      std::get<optics::TiltAdapter>(turned.part).tilt_deg = wanted_deg;
      edits.push_back({ChangeKind::kSet, i, {std::move(turned)}, true});
    }
  }
}

void add_adapters(const Rig& rig, const optics::Train& train, const std::vector<Element>& kit,
                  const std::vector<Element>& catalogue, std::vector<Change>& edits) {
  constexpr std::size_t kMostChains = 4;
  for (const optics::Joint& joint : train.joints) {
    if (joint.state != optics::JointState::kNeedsAdapter) {
      continue;
    }
    for (const auto* pool : {&kit, &catalogue}) {
      const auto chains = optics::adapters_between(rig.elements[joint.before].rear_face,
                                                   rig.elements[joint.after].front_face, *pool);
      for (std::size_t i = 0; i < std::min(kMostChains, chains.size()); ++i) {
        Change change{ChangeKind::kInsert, joint.after, {}, pool == &kit};
        for (const std::size_t place : chains[i]) {
          change.parts.push_back((*pool)[place]);
        }
        edits.push_back(std::move(change));
      }
    }
  }
}

}  // namespace

std::vector<Change> edits_of(const Rig& rig, const optics::Train& train, const Situation& situation,
                             const std::vector<Element>& kit,
                             const std::vector<Element>& catalogue) {
  std::vector<Change> edits;
  add_own(rig, edits);
  add_tilt(rig, train, edits);
  add_greys(rig, edits);
  add_masks(rig, situation, edits);
  add_adapters(rig, train, kit, catalogue, edits);
  add_from(rig, kit, true, edits);
  add_from(rig, catalogue, false, edits);
  return edits;
}

Adapters::Adapters(const std::vector<Element>& kit, const std::vector<Element>& catalogue)
    : kit_(kit), catalogue_(catalogue) {}

const std::vector<Element>& Adapters::chain(optics::Face rear, optics::Face front) {
  const auto [entry, fresh] = chains_.try_emplace({rear, front});
  if (fresh) {
    for (const auto* pool : {&kit_, &catalogue_}) {
      const auto found = optics::adapters_between(rear, front, *pool);
      if (!found.empty()) {
        for (const std::size_t place : found.front()) {
          entry->second.push_back((*pool)[place]);
        }
        break;
      }
    }
  }
  return entry->second;
}

namespace {

/// Takes out adapters that no longer fit on either side; what was loose before says nothing of
/// them.
void drop_stranded_adapters(Rig& rig, const std::vector<std::string>& left_alone) {
  const auto alone = [&](std::size_t place) {
    return std::find(left_alone.begin(), left_alone.end(), rig.elements[place].id) !=
           left_alone.end();
  };
  const auto stranded = [&](std::size_t place) {
    return std::holds_alternative<optics::Extension>(rig.elements[place].part) && !alone(place);
  };
  for (bool again = true; again;) {
    again = false;
    for (const optics::Joint& joint : optics::joints_of(rig)) {
      const bool loose = joint.state == optics::JointState::kNeedsAdapter && !alone(joint.after);
      const std::size_t place = stranded(joint.after) ? joint.after : joint.before;
      if (loose && stranded(place)) {
        rig.elements.erase(rig.elements.begin() + static_cast<std::ptrdiff_t>(place));
        again = true;
        break;
      }
    }
  }
}

}  // namespace

std::vector<Element> Adapters::fit(Rig& rig, const std::vector<std::string>& left_alone) {
  std::vector<Element> added;
  drop_stranded_adapters(rig, left_alone);
  const std::vector<optics::Joint> joints = optics::joints_of(rig);
  // From the end forward, so that earlier places stay valid.
  for (auto joint = joints.rbegin(); joint != joints.rend(); ++joint) {
    if (joint->state != optics::JointState::kNeedsAdapter ||
        std::find(left_alone.begin(), left_alone.end(), rig.elements[joint->after].id) !=
            left_alone.end()) {
      continue;
    }
    std::size_t at = joint->after;
    for (Element part :
         chain(rig.elements[joint->before].rear_face, rig.elements[joint->after].front_face)) {
      part.id = optics::fresh_id(rig);
      added.push_back(part);
      rig.elements.insert(rig.elements.begin() + static_cast<std::ptrdiff_t>(at), part);
      ++at;
    }
  }
  return added;
}

Rig with_change(const Rig& rig, const Change& change) {
  Rig next = rig;
  const auto place = next.elements.begin() + static_cast<std::ptrdiff_t>(change.element);
  switch (change.kind) {
    case ChangeKind::kRemove:
      place->fitted = false;
      break;
    case ChangeKind::kPutBack:
    case ChangeKind::kSet:
      *place = change.parts.front();
      break;
    case ChangeKind::kMove: {
      next.elements.erase(place);
      const std::size_t to = optics::usual_place(next, change.parts.front().part);
      next.elements.insert(next.elements.begin() + static_cast<std::ptrdiff_t>(to),
                           change.parts.front());
      break;
    }
    case ChangeKind::kReplace: {
      const std::string id = place->id;
      *place = change.parts.front();
      place->id = id;
      break;
    }
    case ChangeKind::kInsert: {
      std::size_t at = change.element;
      for (Element part : change.parts) {
        part.id = optics::fresh_id(next);
        next.elements.insert(next.elements.begin() + static_cast<std::ptrdiff_t>(at), part);
        ++at;
      }
      break;
    }
  }
  return next;
}

}  // namespace solarchon::advise
