// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <functional>
#include <string>

#include "solarchon/base/result.h"
#include "solarchon/image/picture.h"

namespace solarchon::media {

/// Gives the pictures of a movie one after the other, from 0.
using PictureSource = std::function<base::Result<image::Picture>(int picture)>;

/// Writes pictures as a movie by the ending of its name. `.mkv`: without loss (FFV1 with check
/// sums; grey of 16 bits, colour of 8 a plane); `.mp4`: as all players show it (H.264, 8 bits, half
/// the colour's detail; an odd last row or column is left out). 0 to 1 is black to white. One
/// picture is held at a time. Whole or not at all.
/// @param count    of pictures, 1 or more, all of the size and planes of the first
/// @param rate_hz  of playing, above 0
/// @param recipe   how it was made, told among the file's tags (`RECIPE`, of `.mp4` the comment)
/// Errors: kUnknownValue (`path`) for another ending; kUnwritable; kMalformed for a picture of
/// another size; those of the source.
/// Source: ITU-R BT.709 for colour in `.mp4`.
[[nodiscard]] base::Result<void> write_movie(int count, double rate_hz, const PictureSource& source,
                                             const std::string& recipe,
                                             const std::filesystem::path& path);

/// What the tags of a movie say of how it was made; empty: nothing. Errors: kUnreadable,
/// kMalformed.
[[nodiscard]] base::Result<std::string> recipe_of_movie(const std::filesystem::path& path);

}  // namespace solarchon::media
