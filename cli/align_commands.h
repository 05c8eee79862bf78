// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <string>
#include <vector>

#include "cli/command.h"

namespace solarchon::cli {

struct AlignOptions {
  bool json = true;
  std::string file;
  double latitude_deg = 0.0;
  std::string rate = "solar";
};

/// Adds `align drift`.
/// @param options  must outlive the parsing and the answers
[[nodiscard]] std::vector<Command> add_align_commands(CLI::App& app, AlignOptions& options);

}  // namespace solarchon::cli
