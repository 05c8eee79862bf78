// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/frames/picture.h"

#include <algorithm>
#include <cctype>
#include <cmath>
#include <fstream>

#include "fits.h"
#include "interleaved.h"
#include "png.h"
#include "tiff.h"

namespace solarchon::frames {

using base::ErrorCode;
using base::Result;

Picture picture_of(const Frame& frame) {
  Picture picture;
  picture.width = frame.width;
  picture.height = frame.height;
  picture.info = frame.info;
  const float scale = 1.0F / static_cast<float>(std::max(1, frame.saturation));
  if (picture.info.pedestal) {
    *picture.info.pedestal *= static_cast<double>(scale);
  }
  picture.values.reserve(frame.pixels.size());
  for (const std::uint16_t value : frame.pixels) {
    picture.values.push_back(static_cast<float>(value) * scale);
  }
  return picture;
}

Frame frame_of(const Picture& picture) {
  constexpr float kFull = 65535.0F;
  Frame frame;
  frame.width = picture.width;
  frame.height = picture.height;
  frame.info = picture.info;
  if (frame.info.pedestal) {
    *frame.info.pedestal *= static_cast<double>(kFull);
  }
  const std::size_t size = picture.plane_size();
  frame.pixels.reserve(size);
  for (std::size_t i = 0; i < size; ++i) {
    float sum = 0.0F;
    for (int plane = 0; plane < picture.planes; ++plane) {
      sum += picture.values[static_cast<std::size_t>(plane) * size + i];
    }
    const float value = std::clamp(sum / static_cast<float>(picture.planes), 0.0F, 1.0F);
    frame.pixels.push_back(static_cast<std::uint16_t>(std::lround(value * kFull)));
  }
  return frame;
}

Result<Picture> read_picture(const std::filesystem::path& path) {
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
      return own.map([](std::optional<Picture> picture) { return std::move(*picture); });
    }
  }
  return read_frame(path).map([](const Frame& frame) { return picture_of(frame); });
}

Result<void> write_picture(const Picture& picture, const std::filesystem::path& path) {
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

std::vector<std::uint16_t> interleaved(const Picture& picture) {
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

}  // namespace solarchon::frames
