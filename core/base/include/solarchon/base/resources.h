// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <string_view>

#include "solarchon/base/result.h"

namespace solarchon::base {

/// Finds a file that ships with the program.
/// Looks in $SOLARCHON_SHARE, then in share/solarchon beside the running program's bin folder,
/// then in the data/ folder of the source tree that the program was built from.
/// @param name  path below the data folder, such as `magnetic/wmm2025.wmm`
/// Errors: kUnreadable when it is in none of them; the field is the name.
[[nodiscard]] Result<std::filesystem::path> shipped_file(std::string_view name);

}  // namespace solarchon::base
