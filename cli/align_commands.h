// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <optional>
#include <string>
#include <vector>

#include "cli/command.h"
#include "cli/place.h"
#include "solarchon/align/north.h"

namespace solarchon::cli {

struct AlignOptions {
  bool json = true;
  PlaceOptions place;
  std::string mount = "unknown";
  // Of drifts.
  std::string file;
  std::string rate = "solar";
  std::vector<std::string> frames;
  double north_up_deg = 0.0;  ///< celestial north in them
  bool mirrored = false;
  // Of finding the Sun.
  std::string rig;
  std::string kit;
  std::optional<double> tube_mm;
  double north_deg = align::kCompassDeg;
  // Of finding north.
  align::NorthTools tools;
  int minutes = 60;
  int every = 5;
};

/// Adds `find`, `north`, `align drift` and `align frames`.
/// @param options  must outlive the parsing and the answers
[[nodiscard]] std::vector<Command> add_align_commands(CLI::App& app, AlignOptions& options);

}  // namespace solarchon::cli
