// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <string>
#include <vector>

#include "cli/command.h"
#include "cli/place.h"

namespace solarchon::cli {

struct EclipseOptions {
  bool json = true;
  PlaceOptions place;
  std::string date;
  std::string from;
  double years = 10.0;
  std::string horizon;
};

/// Adds `eclipse`, `eclipses`, `transit` and `transits`.
/// @param options  must outlive the parsing and the answers
[[nodiscard]] std::vector<Command> add_eclipse_commands(CLI::App& app, EclipseOptions& options);

}  // namespace solarchon::cli
