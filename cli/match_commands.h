// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <optional>
#include <string>
#include <vector>

#include "cli/command.h"
#include "cli/place.h"
#include "solarchon/light/dusk.h"
#include "solarchon/match/target.h"
#include "solarchon/sky/site.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::cli {

struct MatchOptions {
  bool json = true;
  PlaceOptions place;
  std::string rig;
  std::string kit;
  std::string data;
  std::string target = "whole-disc";
  double seeing_arcsec = sky::kUsualSeeingArcsec;
  double level = workspace::kUsualLevel;
  double cloud_stops = 0.0;
  double share = 0.2;  ///< of the frames of a clip that are kept
  std::optional<double> iso;
  std::optional<double> gain_db;
  std::string date;
  bool sunrise = false;
  light::Ramp ramp;
};

/// Errors: kUnknownValue (`target`).
[[nodiscard]] base::Result<match::Target> target_of(const std::string& word);

/// Adds `match`, `expose` and `ramp`.
/// @param options  must outlive the parsing and the answers
[[nodiscard]] std::vector<Command> add_match_commands(CLI::App& app, MatchOptions& options);

}  // namespace solarchon::cli
