// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/advise/advise.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/table.h"
#include "solarchon/light/exposure.h"
#include "solarchon/optics/train.h"
#include "solarchon/safety/safety.h"

namespace solarchon::cli {

// Answers that speak in sentences, as JSON, in English. Keys are a contract; docs/cli.md lists
// them.

/// A light path with everything that is said of it.
struct RigAnswer {
  optics::Rig rig;
  optics::Train train;
  safety::Assessment safety;
  std::vector<advise::Misfit> misfits;
  std::vector<advise::Suggestion> suggestions;
  std::vector<optics::Element> catalogue;  ///< that adapters are proposed from
  std::optional<light::DiscExposure> exposure;
};

[[nodiscard]] base::Json rig_report(const RigAnswer& answer);

/// Every safety rule, for reading.
[[nodiscard]] base::Json rules_report();

/// Lines that were not taken: [{line, field, value, accepted}].
[[nodiscard]] base::Json refused_report(const std::vector<base::RefusedLine>& refused);

}  // namespace solarchon::cli
