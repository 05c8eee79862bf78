// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <filesystem>

#include "solarchon/base/result.h"

namespace solarchon::media {

/// FITS files are written in such blocks, and headers in such cards.
inline constexpr std::size_t kFitsBlockBytes = 2880;
inline constexpr std::size_t kFitsCardBytes = 80;

enum class Length { kMustBeWhole, kMayBeCutOff };

/// Looks at the headers of a FITS file before a library does, which trusts them: the number of
/// axes, and whether the file is long enough for what each unit claims.
/// @param length  a clip may hold less than it claims; what it holds is read then
/// @return  the place of the first unit that holds a picture, from 1 for the primary one
/// Errors: kMalformed (no picture, too many axes, cut off), kUnreadable.
/// Source: FITS Standard 4.0, sections 3.1 to 3.4, 4.4.1 and 10.1.
[[nodiscard]] base::Result<int> first_picture(const std::filesystem::path& path,
                                              Length length = Length::kMustBeWhole);

}  // namespace solarchon::media
