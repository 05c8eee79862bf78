// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <string>
#include <vector>

#include "cli/command.h"

namespace solarchon::cli {

struct LogOptions {
  bool json = true;
  std::string data;
};

/// Adds `log list`, `log kit` and `log shelves`.
/// @param options  must outlive the parsing and the answers
[[nodiscard]] std::vector<Command> add_log_commands(CLI::App& app, LogOptions& options);

}  // namespace solarchon::cli
