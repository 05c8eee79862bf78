// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/log/log_book.h"
#include "solarchon/sky/time.h"
#include "solarchon/workspace/observe.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::workspace {

/// The made-up scenario that ships with the program.
struct DemoScenario {
  Workspace workspace;  ///< Punta Alcaravan with the 80 mm refractor
  sky::UtcTime now;     ///< a morning in July 2027
};

/// Reads data/demo. Errors: as base::shipped_file and workspace_from_json.
[[nodiscard]] base::Result<DemoScenario> demo_scenario();

/// Fills an empty data folder with the demo workspace, the school's kit and the sessions of two
/// weeks of July 2027, every frame simulated, measured and filed. Work that was cancelled or killed
/// is taken up where it ended; a folder that holds another log is left as it is. Takes about a
/// second a frame.
/// @param with_log  of the folder
[[nodiscard]] base::Result<void> fill_demo(const std::filesystem::path& data,
                                           const WithLog& with_log, const base::Task& task = {});
/// The same, over a log that it opens itself.
[[nodiscard]] base::Result<void> fill_demo(const std::filesystem::path& data,
                                           const base::Task& task = {});

/// True when a log's sessions hold all of the demo's.
[[nodiscard]] bool demo_is_whole(const std::vector<log::SessionSummary>& present);

}  // namespace solarchon::workspace
