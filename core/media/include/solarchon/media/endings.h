// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <span>
#include <string_view>

namespace solarchon::media {

// The one list of files that are taken for clips and pictures: what dialogs offer, what may be
// dropped, and what a watched folder looks at.

/// Endings of pictures, in lower case with their dot.
[[nodiscard]] std::span<const std::string_view> picture_endings();
/// Endings of the video containers that ClipReader opens, in lower case with their dot.
[[nodiscard]] std::span<const std::string_view> video_endings();
/// By the name alone, in any case of letters.
[[nodiscard]] bool named_as_picture(const std::filesystem::path& path);
[[nodiscard]] bool named_as_video(const std::filesystem::path& path);

}  // namespace solarchon::media
