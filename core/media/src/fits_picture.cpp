// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>
#include <cmath>

#include "fits.h"
#include "fits_file.h"
#include "fits_headers.h"
#include "solarchon/base/file.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/frame_file.h"

namespace solarchon::media {

using base::ErrorCode;
using base::Result;

namespace {

constexpr const char* kRecipe = "RECIPE";

}  // namespace

Result<std::optional<image::Picture>> read_fits_picture(const std::filesystem::path& path) {
  const auto unit = first_picture(path);
  if (!unit) {
    return tl::make_unexpected(unit.error());
  }
  FitsFile file;
  const auto [bitpix, naxis, size] = open_unit(file, path, *unit);
  const auto recipe = file.status == 0 ? file.long_text(kRecipe) : std::nullopt;
  const bool own = file.status == 0 && bitpix == FLOAT_IMG && recipe &&
                   (naxis == 2 || (naxis == 3 && size[2] == 3));
  if (!own) {
    return std::optional<image::Picture>();
  }
  if (const auto sized = image::check_size(size[0], size[1], path.string()); !sized) {
    return tl::make_unexpected(sized.error());
  }
  std::error_code ignored;
  if (const auto held =
          check_held(size[0], size[1], std::filesystem::file_size(path, ignored), path.string());
      !held) {
    return tl::make_unexpected(held.error());
  }
  image::Picture picture;
  picture.width = static_cast<int>(size[0]);
  picture.height = static_cast<int>(size[1]);
  picture.planes = naxis == 3 ? 3 : 1;
  picture.recipe = *recipe;
  picture.values.resize(picture.plane_size() * static_cast<std::size_t>(picture.planes));
  float blank = 0.0F;
  int any_blank = 0;
  LONGLONG first = 1;
  for (int plane = 0; plane < picture.planes; ++plane) {
    for (int y = picture.height - 1; y >= 0 && file.status == 0; --y) {
      float* row = picture.values.data() +
                   (static_cast<std::ptrdiff_t>(plane) * picture.height + y) * picture.width;
      fits_read_img(file.get(), TFLOAT, first, picture.width, &blank, row, &any_blank,
                    &file.status);
      first += picture.width;
    }
  }
  if (file.status != 0) {
    return fail_because(ErrorCode::kMalformed, path.string(), base::reported(file.reason()),
                        base::wants("whole-fits"));
  }
  for (float& value : picture.values) {
    value = std::isfinite(value) ? value : 0.0F;
  }
  read_info(file, picture.height, picture.info);
  return std::optional(std::move(picture));
}

Result<void> write_fits_picture(const image::Picture& picture, const std::filesystem::path& path) {
  return base::write_beside_then_rename(
      path, [&](const std::filesystem::path& target) -> Result<void> {
        FitsFile file;
        file.create(target);
        std::array<long, 3> size{picture.width, picture.height, picture.planes};
        fits_create_img(file.get(), FLOAT_IMG, picture.planes == 1 ? 2 : 3, size.data(),
                        &file.status);
        if (file.status == 0) {
          write_info(file, picture.info, picture.width, picture.height, 1);
          file.put_long(kRecipe, picture.recipe);
        }
        std::vector<float> row(static_cast<std::size_t>(picture.width));
        LONGLONG first = 1;
        for (int plane = 0; plane < picture.planes; ++plane) {
          for (int y = picture.height - 1; y >= 0 && file.status == 0; --y) {
            const auto from =
                picture.values.begin() +
                (static_cast<std::ptrdiff_t>(plane) * picture.height + y) * picture.width;
            std::copy_n(from, picture.width, row.begin());
            fits_write_img(file.get(), TFLOAT, first, picture.width, row.data(), &file.status);
            first += picture.width;
          }
        }
        file.close();
        if (file.status != 0) {
          return fail_because(ErrorCode::kUnwritable, path.string(), base::reported(file.reason()));
        }
        return {};
      });
}

}  // namespace solarchon::media
