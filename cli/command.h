// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <functional>

#include "solarchon/base/json_fwd.h"
#include "solarchon/base/result.h"

namespace solarchon::cli {

/// A command, and what answers it once it was parsed.
struct Command {
  CLI::App* app;
  std::function<base::Result<base::Json>()> answer;
};

}  // namespace solarchon::cli
