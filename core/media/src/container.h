// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>
#include <filesystem>
#include <memory>
#include <optional>
#include <stop_token>

#include "luma.h"

namespace solarchon::media {

/// Silences the lines that FFmpeg's libraries write to standard error by themselves, and bounds
/// what one of their demands for memory may be. Once for the process.
void tame_library();

/// What ends the library's work before it is done.
struct Interrupt {
  std::stop_token stop;
  std::optional<std::chrono::steady_clock::time_point> until;
  [[nodiscard]] bool asked() const;
};

/// A video file on this machine's own disks, opened and looked into: only containers that hold
/// their pictures themselves. Lists of other files, addresses and devices are refused.
/// @param context    is given the open file
/// @param interrupt  outlives it
/// @return  0, or the library's number of what went wrong
[[nodiscard]] int open_container(const std::filesystem::path& path,
                                 std::unique_ptr<AVFormatContext, CloseContext>& context,
                                 Interrupt& interrupt);

}  // namespace solarchon::media
