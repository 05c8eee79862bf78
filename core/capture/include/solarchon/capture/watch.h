// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>
#include <filesystem>
#include <map>
#include <set>
#include <vector>

#include "solarchon/base/result.h"

namespace solarchon::capture {

/// A folder that another recorder fills. A file counts as whole once its size has stayed the same
/// for a while.
class WatchedFolder {
 public:
  /// @param settles  for which a file must not have grown
  explicit WatchedFolder(std::filesystem::path folder,
                         std::chrono::milliseconds settles = std::chrono::milliseconds(2000))
      : folder_(std::move(folder)), settles_(settles) {}

  using Clock = std::chrono::steady_clock;
  /// Files that have become whole since the last look, in the order of their names: pictures and
  /// clips by their endings. Those that were there at the first look count as seen.
  /// Errors: kUnreadable when the folder is not there.
  [[nodiscard]] base::Result<std::vector<std::filesystem::path>> look(Clock::time_point now);

 private:
  struct Growing {
    std::uintmax_t bytes;
    Clock::time_point since;
  };
  std::filesystem::path folder_;
  std::chrono::milliseconds settles_;
  bool looked_ = false;
  std::set<std::filesystem::path> seen_;
  std::map<std::filesystem::path, Growing> growing_;
};

}  // namespace solarchon::capture
