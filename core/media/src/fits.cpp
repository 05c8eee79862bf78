// SPDX-License-Identifier: GPL-3.0-or-later
#include "fits.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <memory>
#include <vector>

#include "fits_file.h"
#include "fits_headers.h"
#include "grey.h"
#include "solarchon/base/file.h"
#include "solarchon/image/bayer.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/frame_file.h"

namespace solarchon::media {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

/// The pictures of the planes averaged, bottom row first as in the file; a value that is blank in
/// any plane is blank.
std::vector<float> read_planes(FitsFile& file, std::size_t width, std::size_t height,
                               std::size_t planes) {
  std::vector<float> mean(width * height, 0.0F);
  std::vector<float> row(width);
  float blank = std::numeric_limits<float>::quiet_NaN();
  int any_blank = 0;
  LONGLONG first = 1;
  for (std::size_t plane = 0; plane < planes; ++plane) {
    for (std::size_t y = 0; y < height && file.status == 0; ++y) {
      fits_read_img(file.get(), TFLOAT, first, static_cast<LONGLONG>(width), &blank, row.data(),
                    &any_blank, &file.status);
      first += static_cast<LONGLONG>(width);
      for (std::size_t x = 0; x < width; ++x) {
        mean[y * width + x] += row[x] / static_cast<float>(planes);
      }
    }
  }
  return mean;
}
/// Whole numbers as they stand; blank ones are 0.
std::vector<std::uint16_t> as_they_stand(const std::vector<float>& values) {
  std::vector<std::uint16_t> pixels;
  pixels.reserve(values.size());
  for (const float value : values) {
    const float number = std::isfinite(value) ? std::clamp(value, 0.0F, 65535.0F) : 0.0F;
    pixels.push_back(static_cast<std::uint16_t>(std::lround(number)));
  }
  return pixels;
}

}  // namespace

Result<image::Frame> read_fits(const std::filesystem::path& path) {
  const auto unit = first_picture(path);
  if (!unit) {
    return tl::make_unexpected(unit.error());
  }
  FitsFile file;
  const auto [bitpix, naxis, size] = open_unit(file, path, *unit);
  if (file.status != 0) {
    return fail_because(ErrorCode::kMalformed, path.string(), base::reported(file.reason()),
                        base::wants("fits"));
  }
  if (naxis != 2 && !(naxis == 3 && size[2] >= 1 && size[2] <= 4)) {
    return fail_because(ErrorCode::kMalformed, path.string(),
                        base::because("axes", {static_cast<double>(naxis)}),
                        base::wants("two-axes-or-planes"));
  }
  if (const auto sized = image::check_size(size[0], size[1], path.string()); !sized) {
    return tl::make_unexpected(sized.error());
  }
  // A compressed picture may claim any size.
  std::error_code ignored;
  if (const auto held =
          check_held(size[0], size[1], std::filesystem::file_size(path, ignored), path.string());
      !held) {
    return tl::make_unexpected(held.error());
  }
  image::Frame frame;
  frame.width = static_cast<int>(size[0]);
  frame.height = static_cast<int>(size[1]);
  const auto width = static_cast<std::size_t>(size[0]);
  std::vector<float> values = read_planes(file, width, static_cast<std::size_t>(size[1]),
                                          static_cast<std::size_t>(size[2]));
  if (file.status != 0) {
    return fail_because(ErrorCode::kMalformed, path.string(), base::reported(file.reason()),
                        base::wants("whole-fits"));
  }
  const bool fits_16_bit = bitpix == BYTE_IMG || bitpix == SHORT_IMG || bitpix == USHORT_IMG;
  std::optional<double> pedestal;
  if (fits_16_bit) {
    frame.pixels = as_they_stand(values);
  } else {
    Sixteen sixteen = sixteen_bits_of(values, file.number("DATAMAX"));
    frame.pixels = std::move(sixteen.pixels);
    pedestal = sixteen.pedestal;
  }
  if (!rows_from_top(file)) {
    turn_over(frame.pixels, width);
  }
  frame.saturation = bitpix == BYTE_IMG ? 255 : (bitpix == SHORT_IMG ? 32767 : 65535);
  if (bitpix == USHORT_IMG || bitpix == SHORT_IMG) {
    if (const int full = full_of_sixteen(frame.pixels); full < frame.saturation) {
      frame.saturation = full;
    }
  }
  if (const auto most = file.number("DATAMAX"); most && fits_16_bit && *most >= 1.0) {
    frame.saturation = static_cast<int>(std::min(*most, 65535.0));
  }
  read_info(file, frame.height, frame.info);
  if (!fits_16_bit) {
    frame.info.pedestal = pedestal;  // one that is told is of other numbers
  }
  if (naxis == 2 && (!file.text("BAYERPAT").empty() || image::looks_like_bayer(frame))) {
    image::bayer_to_light(frame);
  }
  return frame;
}
Result<void> write_fits(const image::Frame& frame, const std::filesystem::path& path) {
  return base::write_beside_then_rename(
      path, [&](const std::filesystem::path& target) -> Result<void> {
        FitsFile file;
        file.create(target);
        std::array<long, 2> size{frame.width, frame.height};
        fits_create_img(file.get(), USHORT_IMG, 2, size.data(), &file.status);
        if (file.status == 0) {
          write_info(file, frame.info, frame.width, frame.height, frame.saturation);
        }
        write_pixels(file, frame, 0);
        file.close();
        if (file.status != 0) {
          return fail_because(ErrorCode::kUnwritable, path.string(), base::reported(file.reason()));
        }
        return {};
      });
}

}  // namespace solarchon::media
