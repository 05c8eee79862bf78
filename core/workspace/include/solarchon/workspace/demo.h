// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/sky/time.h"
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
/// weeks of July 2027, every frame simulated, measured and filed. A folder that holds a log already
/// is left as it is. Takes about a second a frame. Cancelled work leaves the sessions that were
/// done.
[[nodiscard]] base::Result<void> fill_demo(const std::filesystem::path& data,
                                           const base::Task& task = {});

}  // namespace solarchon::workspace
