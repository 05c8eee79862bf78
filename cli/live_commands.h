// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "cli/command.h"
#include "cli/place.h"
#include "solarchon/sky/site.h"

namespace solarchon::cli {

struct LiveOptions {
  bool json = true;
  std::string clip;
  std::string rig;
  double best = 0.2;
  double black = 0.0;
  PlaceOptions place;
  std::string source;
  std::string out;
  std::string target = "whole-disc";
  double seeing_arcsec = sky::kUsualSeeingArcsec;
  std::optional<int> frames;
  std::optional<double> seconds;
  std::optional<double> above;
  double rate_hz = 20.0;
  bool fast = false;
  std::uint32_t seed = 1;
  std::string folder;
  double watch_s = 60.0;
};

/// Adds `grade`, `record` and `watch`.
/// @param options  must outlive the parsing and the answers
[[nodiscard]] std::vector<Command> add_live_commands(CLI::App& app, LiveOptions& options);

}  // namespace solarchon::cli
