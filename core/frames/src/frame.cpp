// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/frames/frame.h"

namespace solarchon::frames {

base::Result<void> check_size(std::int64_t width, std::int64_t height, const std::string& source) {
  const base::Remark given =
      base::because("pixels", {static_cast<double>(width), static_cast<double>(height)});
  if (width <= 0 || height <= 0) {
    return base::fail_because(base::ErrorCode::kMalformed, source, given, base::wants("picture"));
  }
  if (width > kLongestSide || height > kLongestSide || width * height > kMostPixels) {
    return base::fail_because(base::ErrorCode::kTooLarge, source, given,
                              base::wants("at-most-pixels", {static_cast<double>(kLongestSide),
                                                             static_cast<double>(kMostPixels)}));
  }
  return {};
}

base::Result<void> check_held(std::int64_t width, std::int64_t height, std::uintmax_t bytes,
                              const std::string& source) {
  constexpr std::int64_t kSmall = 4'000'000;
  constexpr std::int64_t kPixelsPerByte = 2000;
  const std::int64_t pixels = width * height;
  if (pixels > kSmall && static_cast<std::uintmax_t>(pixels / kPixelsPerByte) > bytes) {
    return base::fail_because(base::ErrorCode::kMalformed, source,
                              base::because("claims-more-than-it-holds"));
  }
  return {};
}

}  // namespace solarchon::frames
