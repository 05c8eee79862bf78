// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <string>

#include "solarchon/base/json.h"
#include "solarchon/base/result.h"
#include "solarchon/optics/rig.h"

namespace solarchon::optics {

/// Version of the rig format that this program writes. docs/rig-format.md describes it.
inline constexpr int kRigVersion = 1;
/// Most parts that a rig may have, and most bytes of a file.
inline constexpr std::size_t kMostElements = 64;
inline constexpr std::size_t kMostBytes = 1U << 20U;

[[nodiscard]] base::Json to_json(const Rig& rig);

/// Errors: kMissing, kWrongType, kOutOfRange, kUnknownValue with the member's path, such as
/// `elements[1].aperture_mm`; kVersion for a newer format; kTooLarge above kMostElements.
[[nodiscard]] base::Result<Rig> rig_from_json(const base::Json& json);

/// Errors: as base::read_file, base::parse_json and rig_from_json.
[[nodiscard]] base::Result<Rig> read_rig(const std::filesystem::path& path);

/// Whole or not at all. Errors: kUnwritable.
[[nodiscard]] base::Result<void> write_rig(const Rig& rig, const std::filesystem::path& path);

}  // namespace solarchon::optics
