// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <string>

#include "solarchon/base/json_fwd.h"
#include "solarchon/base/result.h"
#include "solarchon/optics/rig.h"

namespace solarchon::optics {

/// Version of the rig format that this program writes. docs/rig-format.md describes it.
inline constexpr int kRigVersion = 2;
/// Most parts that a rig may have, and most bytes of a file.
inline constexpr std::size_t kMostElements = 64;
inline constexpr std::size_t kMostBytes = 1U << 20U;

[[nodiscard]] base::Json to_json(const Rig& rig);
[[nodiscard]] base::Json to_json(const Element& element);

/// One element of the newest version. A kind that this program does not know is kept as it stands.
/// @param path  put before each member's name in errors
[[nodiscard]] base::Result<Element> element_from_json(const base::Json& json,
                                                      const std::string& path);

/// Reads the newest version and, brought up to date on the way, every older one.
/// Errors: kMissing, kWrongType, kOutOfRange, kUnknownValue with the member's path, such as
/// `elements[1].aperture_mm`; kVersion for a newer format; kTooLarge above kMostElements.
[[nodiscard]] base::Result<Rig> rig_from_json(const base::Json& json);

/// Errors: as base::read_file, base::parse_json and rig_from_json.
[[nodiscard]] base::Result<Rig> read_rig(const std::filesystem::path& path);

/// Whole or not at all. Errors: kUnwritable.
[[nodiscard]] base::Result<void> write_rig(const Rig& rig, const std::filesystem::path& path);

}  // namespace solarchon::optics
