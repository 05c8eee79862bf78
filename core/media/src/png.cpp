// SPDX-License-Identifier: GPL-3.0-or-later
#include "png.h"

#include <png.h>

#include <algorithm>
#include <array>
#include <bit>
#include <csetjmp>
#include <cstdio>
#include <cstring>
#include <memory>

#include "grey.h"
#include "interleaved.h"
#include "solarchon/base/file.h"
#include "solarchon/image/bayer.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/frame_file.h"

namespace solarchon::media {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

using FileHandle = std::unique_ptr<std::FILE, int (*)(std::FILE*)>;

/// What libpng reports; it jumps out of its own functions on an error, so nothing with a
/// destructor may live between setjmp and the jump.
struct PngState {
  std::array<char, 120> reason{};
};

void keep_reason(png_structp png, png_const_charp text) {
  auto* state = static_cast<PngState*>(png_get_error_ptr(png));
  std::snprintf(state->reason.data(), state->reason.size(), "%s", text);
  png_longjmp(png, 1);
}

void ignore_warning(png_structp /*png*/, png_const_charp /*text*/) {}

bool read_png_header(png_structp png, png_infop info, std::FILE* file) {
  if (setjmp(png_jmpbuf(png)) != 0) {
    return false;
  }
  png_init_io(png, file);
  png_read_info(png, info);
  return true;
}

/// Reads the rows as grey; 16-bit values in this machine's byte order.
bool read_rows(png_structp png, png_infop info, std::vector<png_bytep>& rows,
               std::vector<png_byte>& bytes, int height) {
  if (setjmp(png_jmpbuf(png)) != 0) {
    return false;
  }
  constexpr int kEqualWeights = 33333;  // a third each, in units of 1e-5
  png_set_expand(png);
  png_set_strip_alpha(png);
  if ((png_get_color_type(png, info) & PNG_COLOR_MASK_COLOR) != 0) {
    png_set_rgb_to_gray_fixed(png, 1, kEqualWeights, kEqualWeights);
  }
  if (std::endian::native == std::endian::little) {
    png_set_swap(png);
  }
  png_set_interlace_handling(png);
  png_read_update_info(png, info);
  const std::size_t row_bytes = png_get_rowbytes(png, info);
  bytes.resize(row_bytes * static_cast<std::size_t>(height));
  for (int y = 0; y < height; ++y) {
    rows[static_cast<std::size_t>(y)] = bytes.data() + row_bytes * static_cast<std::size_t>(y);
  }
  png_read_image(png, rows.data());
  png_read_end(png, nullptr);
  return true;
}

/// What goes into a file: samples of 16 bits in this machine's byte order.
struct PngContent {
  int width;
  int height;
  int planes;
  std::vector<std::uint16_t> samples;
  std::string recipe;
  bool simulated;
};

constexpr const char* kSource = "Source";  // the standard's keyword for what made a picture

/// Whether the words before and after the pixels say so.
bool says_simulated(png_structp png, png_infop info) {
  png_textp texts = nullptr;
  int count = 0;
  png_get_text(png, info, &texts, &count);
  return std::any_of(texts, texts + count, [](const png_text& text) {
    return std::strcmp(text.key, kSource) == 0 && text.text != nullptr &&
           std::strcmp(text.text, kSimulatedWords) == 0;
  });
}

bool write_rows(png_structp png, png_infop info, std::FILE* file, const PngContent& content,
                png_bytep* rows, png_textp texts, int count) {
  if (setjmp(png_jmpbuf(png)) != 0) {
    return false;
  }
  png_init_io(png, file);
  png_set_IHDR(png, info, static_cast<png_uint_32>(content.width),
               static_cast<png_uint_32>(content.height), 16,
               content.planes == 3 ? PNG_COLOR_TYPE_RGB : PNG_COLOR_TYPE_GRAY, PNG_INTERLACE_NONE,
               PNG_COMPRESSION_TYPE_DEFAULT, PNG_FILTER_TYPE_DEFAULT);
  if (count > 0) {
    png_set_text(png, info, texts, count);
  }
  png_write_info(png, info);
  if (std::endian::native == std::endian::little) {
    png_set_swap(png);
  }
  png_write_image(png, rows);
  png_write_end(png, nullptr);
  return true;
}

Result<void> write_content(PngContent content, const std::filesystem::path& path) {
  return base::write_beside_then_rename(
      path, [&](const std::filesystem::path& target) -> Result<void> {
        FileHandle file(std::fopen(target.c_str(), "wb"), &std::fclose);
        if (!file) {
          return fail(ErrorCode::kUnwritable, path.string());
        }
        std::vector<png_bytep> rows;
        rows.reserve(static_cast<std::size_t>(content.height));
        for (int y = 0; y < content.height; ++y) {
          rows.push_back(reinterpret_cast<png_bytep>(content.samples.data() +
                                                     static_cast<std::ptrdiff_t>(y) *
                                                         content.width * content.planes));
        }
        std::string keyword = "Recipe";
        std::array<png_text, 2> texts{};
        int count = 0;
        if (!content.recipe.empty()) {
          png_text& text = texts[0];
          text.compression = PNG_ITXT_COMPRESSION_zTXt;
          text.key = keyword.data();
          text.text = content.recipe.data();
          text.itxt_length = content.recipe.size();
          ++count;
        }
        std::string source = kSource;
        std::string words = kSimulatedWords;
        if (content.simulated) {
          png_text& text = texts.at(static_cast<std::size_t>(count));
          text.compression = PNG_TEXT_COMPRESSION_NONE;
          text.key = source.data();
          text.text = words.data();
          text.text_length = words.size();
          ++count;
        }
        PngState state;
        png_structp png =
            png_create_write_struct(PNG_LIBPNG_VER_STRING, &state, keep_reason, ignore_warning);
        png_infop info = png_create_info_struct(png);
        const bool written =
            write_rows(png, info, file.get(), content, rows.data(), texts.data(), count);
        png_destroy_write_struct(&png, &info);
        const bool closed = std::fclose(file.release()) == 0;
        if (!written || !closed) {
          return fail_because(ErrorCode::kUnwritable, path.string(),
                              base::reported(state.reason.data()));
        }
        return {};
      });
}

}  // namespace

Result<image::Frame> read_png(const std::filesystem::path& path) {
  const FileHandle file(std::fopen(path.c_str(), "rb"), &std::fclose);
  if (!file) {
    return fail(ErrorCode::kUnreadable, path.string());
  }
  PngState state;
  png_structp png =
      png_create_read_struct(PNG_LIBPNG_VER_STRING, &state, keep_reason, ignore_warning);
  png_infop info = png_create_info_struct(png);
  const auto finish = [&](Result<image::Frame> outcome) {
    png_destroy_read_struct(&png, &info, nullptr);
    return outcome;
  };
  const auto damaged = [&] {
    return finish(fail_because(ErrorCode::kMalformed, path.string(),
                               base::reported(state.reason.data()), base::wants("whole-png")));
  };
  if (!read_png_header(png, info, file.get())) {
    return damaged();
  }
  image::Frame frame;
  frame.width = static_cast<int>(png_get_image_width(png, info));
  frame.height = static_cast<int>(png_get_image_height(png, info));
  if (const auto sized = image::check_size(frame.width, frame.height, path.string()); !sized) {
    return finish(tl::make_unexpected(sized.error()));
  }
  std::error_code ignored;
  if (const auto held = check_held(frame.width, frame.height,
                                   std::filesystem::file_size(path, ignored), path.string());
      !held) {
    return finish(tl::make_unexpected(held.error()));
  }
  std::vector<png_bytep> rows(static_cast<std::size_t>(frame.height));
  std::vector<png_byte> bytes;
  if (!read_rows(png, info, rows, bytes, frame.height)) {
    return damaged();
  }
  frame.info.simulated = says_simulated(png, info);
  const bool wide = png_get_bit_depth(png, info) == 16;
  frame.saturation = wide ? 65535 : 255;
  const auto width = static_cast<std::size_t>(frame.width);
  frame.pixels.resize(width * rows.size());
  for (std::size_t y = 0; y < rows.size(); ++y) {
    for (std::size_t x = 0; x < width; ++x) {
      const png_bytep row = rows[y];
      frame.pixels[y * width + x] =
          wide ? static_cast<std::uint16_t>(row[2 * x] | (row[2 * x + 1] << 8U))
               : static_cast<std::uint16_t>(row[x]);
    }
  }
  if (wide) {
    frame.saturation = full_of_sixteen(frame.pixels);
  }
  if (image::looks_like_bayer(frame)) {
    image::bayer_to_light(frame);
  }
  return finish(std::move(frame));
}

Result<void> write_png(const image::Frame& frame, const std::filesystem::path& path) {
  std::vector<std::uint16_t> stretched(frame.pixels.size());
  for (std::size_t i = 0; i < stretched.size(); ++i) {
    const int full = frame.saturation;
    const int value = std::min<int>(frame.pixels[i], full);
    stretched[i] = static_cast<std::uint16_t>((value * 65535LL + full / 2) / full);
  }
  return write_content(
      {frame.width, frame.height, 1, std::move(stretched), {}, frame.info.simulated}, path);
}

Result<void> write_png_picture(const image::Picture& picture, const std::filesystem::path& path) {
  return write_content({picture.width, picture.height, picture.planes, interleaved(picture),
                        picture.recipe, picture.info.simulated},
                       path);
}

}  // namespace solarchon::media
