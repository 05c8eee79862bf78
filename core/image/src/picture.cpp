// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/image/picture.h"

#include <algorithm>
#include <cmath>

#include "solarchon/image/frame.h"

namespace solarchon::image {

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

Picture grey_of(const Picture& picture) {
  if (picture.planes == 1) {
    return picture;
  }
  Picture grey;
  grey.width = picture.width;
  grey.height = picture.height;
  grey.info = picture.info;
  grey.recipe = picture.recipe;
  const std::size_t size = picture.plane_size();
  grey.values.resize(size);
  for (int plane = 0; plane < picture.planes; ++plane) {
    for (std::size_t i = 0; i < size; ++i) {
      grey.values[i] += picture.values[static_cast<std::size_t>(plane) * size + i] /
                        static_cast<float>(picture.planes);
    }
  }
  return grey;
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

}  // namespace solarchon::image
