// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <filesystem>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/optics/rig.h"

namespace solarchon::optics {

/// Reads a list of parts, such as the shipped catalogue or somebody's kit.
/// Errors: as rig_from_json, with `parts[3]` in the path; kTooLarge above 5000 parts.
[[nodiscard]] base::Result<std::vector<Element>> parts_from_json(const base::Json& json);
[[nodiscard]] base::Json parts_to_json(const std::vector<Element>& parts);

/// Largest file of parts that is read.
inline constexpr std::size_t kMostPartsBytes = 16U << 20U;

/// A kit's file. Errors: as base::read_file, base::write_file and above.
[[nodiscard]] base::Result<std::vector<Element>> read_parts(const std::filesystem::path& path);
[[nodiscard]] base::Result<void> write_parts(const std::vector<Element>& parts,
                                             const std::filesystem::path& path);

/// The parts that ship with the program: generic, of no maker. Read once.
/// Errors: as base::shipped_file and parts_from_json.
[[nodiscard]] const base::Result<std::vector<Element>>& shipped_catalogue();

/// The light paths that people start from; they ship with the program. Errors: as above.
[[nodiscard]] const base::Result<std::vector<Rig>>& usual_trains();

}  // namespace solarchon::optics
