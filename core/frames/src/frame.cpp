// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/frames/frame.h"

namespace solarchon::frames {

base::Result<void> check_size(std::int64_t width, std::int64_t height, const std::string& source) {
  const std::string given = std::to_string(width) + " x " + std::to_string(height);
  if (width <= 0 || height <= 0) {
    return base::fail(base::ErrorCode::kMalformed, source, given + " pixels", "a picture");
  }
  if (width > kLongestSide || height > kLongestSide || width * height > kMostPixels) {
    return base::fail(base::ErrorCode::kTooLarge, source, given + " pixels",
                      "at most 20000 pixels a side and 120 million in all");
  }
  return {};
}

}  // namespace solarchon::frames
