// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <filesystem>
#include <functional>
#include <string>
#include <string_view>

#include "solarchon/base/result.h"

namespace solarchon::base {

/// Reads a whole file into memory.
/// @param path       file to read
/// @param max_bytes  largest size taken in
/// Errors: kUnreadable when it cannot be opened or read, kTooLarge above max_bytes; the field is
/// the path.
[[nodiscard]] Result<std::string> read_file(const std::filesystem::path& path,
                                            std::size_t max_bytes);

/// Writes a file whole or not at all: into a neighbour first, flushed to disk, then renamed over
/// the target. An existing target survives any failure.
/// Errors: kUnwritable with the system's reason; the field is the path.
[[nodiscard]] Result<void> write_file(const std::filesystem::path& path, std::string_view bytes);

/// The same promise for a library that writes files by name.
/// @param write  is given the neighbour's path and writes it; its error is passed on
[[nodiscard]] Result<void> write_beside_then_rename(
    const std::filesystem::path& path,
    const std::function<Result<void>(const std::filesystem::path&)>& write);

/// Makes a folder and its parents.
/// Errors: kUnwritable with the system's reason.
[[nodiscard]] Result<void> make_folder(const std::filesystem::path& path);

}  // namespace solarchon::base
