// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/media/picture_file.h"

#include <algorithm>
#include <cctype>
#include <cmath>
#include <fstream>

#include "fits.h"
#include "interleaved.h"
#include "png.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/frame_file.h"
#include "tiff.h"

namespace solarchon::media {

using base::ErrorCode;
using base::Result;

Result<image::Picture> read_picture(const std::filesystem::path& path) {
  std::error_code status;
  if (!std::filesystem::is_regular_file(path, status)) {  // a pipe would be waited for
    return base::fail_because(base::ErrorCode::kUnreadable, path.string(),
                              base::because("no-such-file"));
  }
  std::ifstream in(path, std::ios::binary);
  std::string first(9, ' ');
  if (in.read(first.data(), static_cast<std::streamsize>(first.size())) && first == "SIMPLE  =") {
    auto own = read_fits_picture(path);
    if (!own || own->has_value()) {
      return own.map([](std::optional<image::Picture> picture) { return std::move(*picture); });
    }
  }
  return read_frame(path).map([](const image::Frame& frame) { return image::picture_of(frame); });
}

Result<void> write_picture(const image::Picture& picture, const std::filesystem::path& path) {
  std::string ending = path.extension().string();
  std::transform(ending.begin(), ending.end(), ending.begin(),
                 [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
  if (ending == ".fits") {
    return write_fits_picture(picture, path);
  }
  if (ending == ".png") {
    return write_png_picture(picture, path);
  }
  if (ending == ".tif" || ending == ".tiff") {
    return write_tiff_picture(picture, path);
  }
  return base::fail(ErrorCode::kUnknownValue, "path", path.string(),
                    base::wants("one-of", {}, ".fits, .png, .tif, .tiff"));
}

std::vector<std::uint16_t> interleaved(const image::Picture& picture) {
  constexpr float kFull = 65535.0F;
  const std::size_t size = picture.plane_size();
  const auto planes = static_cast<std::size_t>(picture.planes);
  std::vector<std::uint16_t> samples(size * planes);
  for (std::size_t plane = 0; plane < planes; ++plane) {
    for (std::size_t i = 0; i < size; ++i) {
      const float value = std::clamp(picture.values[plane * size + i], 0.0F, 1.0F);
      samples[i * planes + plane] = static_cast<std::uint16_t>(std::lround(value * kFull));
    }
  }
  return samples;
}

}  // namespace solarchon::media
