// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <filesystem>
#include <functional>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/result.h"

namespace solarchon::base {

/// Reads a whole file into memory. Only a plain file, behind links or not: a pipe or a device could
/// keep the caller waiting for ever.
/// @param path       file to read
/// @param max_bytes  largest size taken in
/// Errors: kUnreadable when it cannot be opened or read or is no plain file, kTooLarge above
/// max_bytes; the field is the path.
[[nodiscard]] Result<std::string> read_file(const std::filesystem::path& path,
                                            std::size_t max_bytes);

/// Writes a file whole or not at all: into a neighbour first, flushed to disk with its folder, then
/// renamed over the target. An existing target survives any failure and keeps its rights; a
/// symbolic link stays one, what it points to is replaced. Errors: kUnwritable with the system's
/// reason, also for a device, a pipe or a folder; the field is the path.
[[nodiscard]] Result<void> write_file(const std::filesystem::path& path, std::string_view bytes);

/// The same promise for a library that writes files by name.
/// @param write  is given the neighbour's path and writes it; its error is passed on
[[nodiscard]] Result<void> write_beside_then_rename(
    const std::filesystem::path& path,
    const std::function<Result<void>(const std::filesystem::path&)>& write);

/// Removes the neighbours that writers of this program left behind when they were killed
/// (`NAME.PID-NUMBER.part`), where no process has that number any more. Other people's files stay,
/// whatever they are called.
/// @return  their names, in no order
std::vector<std::filesystem::path> sweep_half_files(const std::filesystem::path& folder);

/// Whether two names lead to one file or folder, through links of any kind.
[[nodiscard]] bool same_file(const std::filesystem::path& one, const std::filesystem::path& other);

/// Holds an output apart from what is read.
/// @param field  of the output, for the error
/// Errors: kUnknownValue with the reason `is-read` where it leads to one of them.
[[nodiscard]] Result<void> check_apart(const std::string& field,
                                       const std::filesystem::path& output,
                                       const std::vector<std::filesystem::path>& inputs);

/// Makes an empty file where there is none.
/// @return  false when something has that name already. Errors: kUnwritable.
[[nodiscard]] Result<bool> make_new_file(const std::filesystem::path& path);

/// Makes a folder and its parents.
/// Errors: kUnwritable with the system's reason.
[[nodiscard]] Result<void> make_folder(const std::filesystem::path& path);

/// Room left for us on the disk of a folder (bytes); of a folder that is not there yet, on that of
/// the nearest one above it. None where the system does not say.
[[nodiscard]] std::optional<double> free_bytes(const std::filesystem::path& folder);

}  // namespace solarchon::base
