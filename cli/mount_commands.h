// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <optional>
#include <string>
#include <vector>

#include "cli/command.h"

namespace solarchon::cli {

struct MountOptions {
  bool json = true;
  std::string socket;
  std::optional<double> right_ascension_deg;
  std::optional<double> declination_deg;
  bool sun = false;
  std::string rate;
};

/// Adds `mount state`, `mount goto`, `mount synchronise`, `mount track` and `mount stop`.
/// @param options  must outlive the parsing and the answers
[[nodiscard]] std::vector<Command> add_mount_commands(CLI::App& app, MountOptions& options);

}  // namespace solarchon::cli
