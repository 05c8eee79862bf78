// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>
#include <filesystem>

#include "solarchon/base/result.h"

namespace solarchon::base {

/// Holds a folder for this process until it goes out of scope, or until the process ends in any
/// way.
class FolderLock {
 public:
  /// Makes the folder if needed and takes it.
  /// @param patience  how long to wait for another holder
  /// Errors: kUnwritable with the folder as field; when it is held, the value says by whom, as
  /// `held by process 4711`.
  [[nodiscard]] static Result<FolderLock> take(const std::filesystem::path& folder,
                                               std::chrono::milliseconds patience = {});

  ~FolderLock();
  FolderLock(FolderLock&& other) noexcept;
  FolderLock& operator=(FolderLock&& other) noexcept;
  FolderLock(const FolderLock&) = delete;
  FolderLock& operator=(const FolderLock&) = delete;

  /// Whether somebody holds the folder.
  [[nodiscard]] static bool held(const std::filesystem::path& folder);

 private:
  explicit FolderLock(int file) : file_(file) {}
  int file_ = -1;
};

}  // namespace solarchon::base
