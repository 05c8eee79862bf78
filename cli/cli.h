// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <ostream>
#include <string>
#include <vector>

namespace solarchon::cli {

/// Runs one command. Answers go to `out`, one line on a problem to `err`.
/// @param arguments  without the program's name
/// @return           0 answer, 2 bad input, 1 failure
[[nodiscard]] int run(std::vector<std::string> arguments, std::ostream& out, std::ostream& err);

}  // namespace solarchon::cli
