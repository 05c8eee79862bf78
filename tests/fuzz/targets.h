// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string_view>
#include <vector>

namespace solarchon::fuzz {

/// A reader of outside text or bytes, held to two promises: nothing it is given crashes it or makes
/// it hang, and what it takes can be written and read again as the same.
struct Target {
  std::string_view name;  ///< also that of its folder of seeds
  void (*run)(std::string_view bytes);
};

/// rig, workspace, horizon, forecast, calendar, picture. A broken promise aborts.
[[nodiscard]] const std::vector<Target>& targets();

}  // namespace solarchon::fuzz
