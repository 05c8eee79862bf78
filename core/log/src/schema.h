// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <SQLiteCpp/SQLiteCpp.h>

#include <string>
#include <vector>

#include "solarchon/base/result.h"

namespace solarchon::log {

/// The statements that lead from each version of the schema to the next; the first starts from an
/// empty file. A released step is never changed: add one.
[[nodiscard]] const std::vector<std::string>& schema_steps();

/// Runs the missing steps, each in a commit of its own with the new version number.
/// Errors: kVersion when the file is newer than the steps. Throws SQLite::Exception.
[[nodiscard]] base::Result<void> bring_up_to_date(SQLite::Database& database,
                                                  const std::vector<std::string>& steps);

}  // namespace solarchon::log
