// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>
#include <fstream>
#include <string_view>

#include "fits.h"
#include "jpeg.h"
#include "png.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/frame_file.h"
#include "tiff.h"

namespace solarchon::media {

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

base::Result<image::Frame> read_frame(const std::filesystem::path& path) {
  std::error_code status;
  if (!std::filesystem::is_regular_file(path, status)) {
    return base::fail_because(base::ErrorCode::kUnreadable, path.string(),
                              base::because("no-such-file"));
  }
  std::ifstream in(path, std::ios::binary);
  std::array<char, 9> first{};
  in.read(first.data(), first.size());
  if (!in) {
    return base::fail_because(base::ErrorCode::kMalformed, path.string(),
                              base::because("too-short-or-unreadable"),
                              base::wants("fits-png-tiff-or-jpeg"));
  }
  const std::string_view mark(first.data(), first.size());
  using namespace std::string_view_literals;
  if (mark.starts_with("SIMPLE  ="sv)) {
    return read_fits(path);
  }
  if (mark.starts_with("\x89PNG\r\n\x1a\n"sv)) {
    return read_png(path);
  }
  if (mark.starts_with("II*\0"sv) || mark.starts_with("MM\0*"sv) || mark.starts_with("II+\0"sv) ||
      mark.starts_with("MM\0+"sv)) {
    return read_tiff(path);
  }
  if (mark.starts_with("\xff\xd8\xff"sv)) {
    return read_jpeg(path);
  }
  return base::fail_because(base::ErrorCode::kMalformed, path.string(),
                            base::because("another-kind-of-file"),
                            base::wants("fits-png-tiff-or-jpeg"));
}

}  // namespace solarchon::media
