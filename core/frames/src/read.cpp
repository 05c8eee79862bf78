// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>
#include <fstream>
#include <string_view>

#include "fits.h"
#include "jpeg.h"
#include "png.h"
#include "solarchon/frames/frame.h"
#include "tiff.h"

namespace solarchon::frames {

base::Result<Frame> read_frame(const std::filesystem::path& path) {
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

}  // namespace solarchon::frames
