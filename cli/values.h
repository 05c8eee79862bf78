// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <string>

#include "solarchon/base/json_fwd.h"

namespace solarchon::cli {

/// Holds every option of every command to a value that says something: numbers are decimal and
/// finite, nothing is empty.
void check_values(CLI::App& app);

/// JSON for a terminal: control characters that JSON itself lets stand are written as escapes.
[[nodiscard]] std::string printable(const base::Json& answer);

}  // namespace solarchon::cli
