// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/media/endings.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <string>

namespace solarchon::media {

namespace {

// Those of the containers in container.cpp.
constexpr std::array<std::string_view, 8> kPictures{".fits", ".fit", ".fts", ".tif",
                                                    ".tiff", ".png", ".jpg", ".jpeg"};
constexpr std::array<std::string_view, 19> kVideos{
    ".mkv", ".webm", ".avi", ".mp4", ".m4v", ".mov", ".3gp", ".mts", ".m2ts", ".ts",
    ".mpg", ".mpeg", ".wmv", ".asf", ".ogv", ".flv", ".mxf", ".nut", ".y4m"};

bool ends_with_one_of(const std::filesystem::path& path, std::span<const std::string_view> list) {
  std::string ending = path.extension().string();
  std::transform(ending.begin(), ending.end(), ending.begin(),
                 [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
  return std::find(list.begin(), list.end(), ending) != list.end();
}

}  // namespace

std::span<const std::string_view> picture_endings() { return kPictures; }
std::span<const std::string_view> video_endings() { return kVideos; }
bool named_as_picture(const std::filesystem::path& path) {
  return ends_with_one_of(path, kPictures);
}
bool named_as_video(const std::filesystem::path& path) { return ends_with_one_of(path, kVideos); }

}  // namespace solarchon::media
