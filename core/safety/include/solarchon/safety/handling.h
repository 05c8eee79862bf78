// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "solarchon/optics/rig.h"

namespace solarchon::safety {

/// Parts that protect an eye or a sensor, or keep heat where it belongs: a defect of theirs harms.
[[nodiscard]] bool protects(const optics::Part& part);

/// Parts that protect an eye or a sensor and that wear: their owner looks them over at intervals.
[[nodiscard]] bool wants_inspection(const optics::Part& part);

/// A step of handling by id, with the names of the parts that its sentence (in words/) speaks of.
struct HandlingStep {
  std::string_view id;
  std::vector<std::string> parts;
};

/// The order in which this light path is put up and taken down so that no open aperture meets the
/// Sun by mistake. It names the parts that are fitted; makers' instructions go before it.
/// Source: field practice; docs/safety.md, the order of handling.
[[nodiscard]] std::vector<HandlingStep> handling_order(const optics::Rig& rig);

}  // namespace solarchon::safety
