// SPDX-License-Identifier: GPL-3.0-or-later
#include "jpeg.h"

#include <csetjmp>
#include <cstdio>

#include <jpeglib.h>

#include <array>
#include <memory>
#include <vector>

#include "solarchon/image/frame.h"
#include "solarchon/media/frame_file.h"

namespace solarchon::media {

using base::ErrorCode;
using base::Result;

namespace {

using FileHandle = std::unique_ptr<std::FILE, int (*)(std::FILE*)>;

/// What libjpeg reports; it leaves its own functions by a jump, so nothing with a destructor may
/// live between setjmp and the jump.
struct JpegState {
  jpeg_error_mgr manager{};  // first: the library hands back its address
  std::jmp_buf out{};
  std::array<char, JMSG_LENGTH_MAX> reason{};
};

[[noreturn]] void leave(j_common_ptr jpeg) {
  auto* state = reinterpret_cast<JpegState*>(jpeg->err);
  jpeg->err->format_message(jpeg, state->reason.data());
  std::longjmp(state->out, 1);
}

void say_nothing(j_common_ptr /*jpeg*/) {}

bool begin(jpeg_decompress_struct& jpeg, JpegState& state, std::FILE* file) {
  if (setjmp(state.out) != 0) {
    return false;
  }
  jpeg_create_decompress(&jpeg);
  jpeg_stdio_src(&jpeg, file);
  jpeg_read_header(&jpeg, TRUE);
  return true;
}

/// @param line  room for one row of three colours
bool read_rows(jpeg_decompress_struct& jpeg, JpegState& state, std::vector<JSAMPLE>& line,
               image::Frame& frame) {
  if (setjmp(state.out) != 0) {
    return false;
  }
  jpeg.out_color_space = jpeg.jpeg_color_space == JCS_GRAYSCALE ? JCS_GRAYSCALE : JCS_RGB;
  jpeg_start_decompress(&jpeg);
  const int planes = jpeg.output_components;
  while (jpeg.output_scanline < jpeg.output_height) {
    JSAMPROW row = line.data();
    std::uint16_t* to =
        frame.pixels.data() + static_cast<std::size_t>(jpeg.output_scanline) * jpeg.output_width;
    jpeg_read_scanlines(&jpeg, &row, 1);
    for (JDIMENSION x = 0; x < jpeg.output_width; ++x) {
      const JSAMPLE* pixel = line.data() + static_cast<std::size_t>(x) * planes;
      to[x] = planes == 1 ? pixel[0]
                          : static_cast<std::uint16_t>((pixel[0] + pixel[1] + pixel[2] + 1) / 3);
    }
  }
  // A file that ends early is filled with grey, and only this count tells.
  return state.manager.num_warnings == 0;
}

}  // namespace

Result<image::Frame> read_jpeg(const std::filesystem::path& path) {
  const FileHandle file(std::fopen(path.c_str(), "rb"), &std::fclose);
  if (!file) {
    return base::fail(ErrorCode::kUnreadable, path.string());
  }
  JpegState state;
  jpeg_decompress_struct jpeg{};
  jpeg.err = jpeg_std_error(&state.manager);
  state.manager.error_exit = leave;
  state.manager.output_message = say_nothing;
  const auto finish = [&](Result<image::Frame> outcome) {
    jpeg_destroy_decompress(&jpeg);
    return outcome;
  };
  const auto damaged = [&] {
    return finish(base::fail_because(ErrorCode::kMalformed, path.string(),
                                     base::reported(state.reason.data()),
                                     base::wants("whole-jpeg")));
  };
  if (!begin(jpeg, state, file.get())) {
    return damaged();
  }
  image::Frame frame;
  frame.width = static_cast<int>(jpeg.image_width);
  frame.height = static_cast<int>(jpeg.image_height);
  std::error_code ignored;
  const auto sized = image::check_size(frame.width, frame.height, path.string()).and_then([&] {
    return check_held(frame.width, frame.height, std::filesystem::file_size(path, ignored),
                      path.string());
  });
  if (!sized) {
    return finish(tl::make_unexpected(sized.error()));
  }
  constexpr int kFull = 255;
  constexpr std::size_t kColours = 3;
  frame.saturation = kFull;
  frame.pixels.resize(static_cast<std::size_t>(frame.width) *
                      static_cast<std::size_t>(frame.height));
  std::vector<JSAMPLE> line(kColours * static_cast<std::size_t>(frame.width));
  return read_rows(jpeg, state, line, frame) ? finish(std::move(frame)) : damaged();
}

}  // namespace solarchon::media
