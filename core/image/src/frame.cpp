// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/image/frame.h"

#include <cmath>

namespace solarchon::image {

bool FrameInfo::in_hydrogen_alpha() const {
  constexpr double kLine_nm = 656.28;
  constexpr double kBeside_nm = 0.5;
  constexpr double kWidest_nm = 2.0;
  return wavelength_nm && std::abs(*wavelength_nm - kLine_nm) < kBeside_nm &&
         band_width_nm.value_or(0.0) < kWidest_nm;
}

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

}  // namespace solarchon::image
