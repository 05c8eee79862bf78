// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/media/movie.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <chrono>
#include <cmath>

#include "container.h"
#include "solarchon/base/file.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/frame_file.h"
#include "video_out.h"

namespace solarchon::media {

using base::ErrorCode;
using base::Result;

namespace {

constexpr const char* kTagOfMatroska = "RECIPE";
constexpr const char* kTagOfCommon = "comment";

/// How a movie of that ending and those pictures is written; none for another ending.
std::optional<VideoShape> shape_of(const std::filesystem::path& path, const image::Picture& first,
                                   double rate_hz, const std::string& recipe) {
  std::string ending = path.extension().string();
  std::transform(ending.begin(), ending.end(), ending.begin(),
                 [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
  VideoShape shape;
  shape.width = first.width;
  shape.height = first.height;
  shape.rate_hz = rate_hz;
  if (ending == ".mkv") {
    shape.coder = avcodec_find_encoder(AV_CODEC_ID_FFV1);
    shape.pixels = first.planes == 3 ? AV_PIX_FMT_0RGB32 : AV_PIX_FMT_GRAY16LE;
    shape.options = {{"slicecrc", "1"}, {"coder", "1"}};
    shape.tags = {{kTagOfMatroska, recipe}};
  } else if (ending == ".mp4") {
    shape.container = "mp4";
    shape.coder = avcodec_find_encoder_by_name("libx264");
    shape.pixels = AV_PIX_FMT_YUV420P;
    shape.width -= shape.width % 2;
    shape.height -= shape.height % 2;
    shape.options = {{"crf", "16"}, {"preset", "medium"}};
    shape.tags = {{kTagOfCommon, recipe}};
  } else {
    return std::nullopt;
  }
  if (first.info.simulated) {
    shape.tags["description"] = kSimulatedWords;  // which players show
  }
  if (first.info.time) {
    shape.tags["creation_time"] = sky::to_iso(*first.info.time);
  }
  return shape;
}

float clear(float value) { return std::clamp(value, 0.0F, 1.0F); }

void fill_grey(const image::Picture& picture, const AVFrame& into) {
  constexpr float kFull = 65535.0F;
  for (int y = 0; y < into.height; ++y) {
    std::uint8_t* line = into.data[0] + static_cast<std::ptrdiff_t>(y) * into.linesize[0];
    for (int x = 0; x < into.width; ++x) {
      const auto value = static_cast<unsigned>(std::lround(clear(picture.at(x, y)) * kFull));
      *line++ = static_cast<std::uint8_t>(value & 0xFFU);
      *line++ = static_cast<std::uint8_t>(value >> 8U);
    }
  }
}

void fill_colour(const image::Picture& picture, const AVFrame& into) {
  constexpr float kFull = 255.0F;
  for (int y = 0; y < into.height; ++y) {
    auto* line = reinterpret_cast<std::uint32_t*>(  // NOLINT(*-reinterpret-cast): packed pixels
        into.data[0] + static_cast<std::ptrdiff_t>(y) * into.linesize[0]);
    for (int x = 0; x < into.width; ++x) {
      std::uint32_t packed = 0;
      for (int plane = 0; plane < 3; ++plane) {
        packed = packed << 8U |
                 static_cast<std::uint32_t>(std::lround(clear(picture.at(x, y, plane)) * kFull));
      }
      line[x] = packed;
    }
  }
}

/// Brightness in full detail, colour in half of it, in the range that players expect.
void fill_halved(const image::Picture& picture, const AVFrame& into) {
  constexpr std::array<float, 3> kBrightness{0.2126F, 0.7152F, 0.0722F};
  const auto colour_at = [&](int x, int y) {
    std::array<float, 3> colour{};
    for (int plane = 0; plane < 3; ++plane) {
      colour.at(static_cast<std::size_t>(plane)) =
          clear(picture.at(x, y, std::min(plane, picture.planes - 1)));
    }
    return colour;
  };
  const auto brightness_of = [&](const std::array<float, 3>& colour) {
    return kBrightness[0] * colour[0] + kBrightness[1] * colour[1] + kBrightness[2] * colour[2];
  };
  const auto put = [&](int plane, int x, int y, float value) {
    into.data[plane][static_cast<std::ptrdiff_t>(y) * into.linesize[plane] + x] =
        static_cast<std::uint8_t>(std::clamp(std::lround(value), 0L, 255L));
  };
  for (int y = 0; y < into.height; y += 2) {
    for (int x = 0; x < into.width; x += 2) {
      float blue = 0.0F;
      float red = 0.0F;
      for (const auto& [right, down] : {std::pair{0, 0}, {1, 0}, {0, 1}, {1, 1}}) {
        const std::array<float, 3> colour = colour_at(x + right, y + down);
        const float brightness = brightness_of(colour);
        put(0, x + right, y + down, 16.0F + 219.0F * brightness);
        blue += (colour[2] - brightness) / (2.0F * (1.0F - kBrightness[2]));
        red += (colour[0] - brightness) / (2.0F * (1.0F - kBrightness[0]));
      }
      put(1, x / 2, y / 2, 128.0F + 224.0F * blue / 4.0F);
      put(2, x / 2, y / 2, 128.0F + 224.0F * red / 4.0F);
    }
  }
}

int add(VideoOut& out, const VideoShape& shape, const image::Picture& picture, int number) {
  const int status = out.ready();
  if (status < 0) {
    return status;
  }
  if (shape.pixels == AV_PIX_FMT_GRAY16LE) {
    fill_grey(picture, out.frame());
  } else if (shape.pixels == AV_PIX_FMT_YUV420P) {
    fill_halved(picture, out.frame());
  } else {
    fill_colour(picture, out.frame());
  }
  return out.add(number);
}

}  // namespace

Result<void> write_movie(int count, double rate_hz, const PictureSource& source,
                         const std::string& recipe, const std::filesystem::path& path) {
  if (!shape_of(path, {}, rate_hz, recipe)) {
    return base::fail(ErrorCode::kUnknownValue, "path", path.string(),
                      base::wants("one-of", {}, ".mkv, .mp4"));
  }
  return base::write_beside_then_rename(
      path, [&](const std::filesystem::path& target) -> Result<void> {
        VideoOut out;
        VideoShape shape;
        image::Picture first;
        int status = 0;
        for (int i = 0; i < count && status >= 0; ++i) {
          auto picture = source(i);
          if (!picture) {
            return tl::make_unexpected(picture.error());
          }
          if (i == 0) {
            shape = *shape_of(path, *picture, rate_hz, recipe);
            status = out.open(target, shape);
            first.width = picture->width;
            first.height = picture->height;
            first.planes = picture->planes;
          } else if (picture->width != first.width || picture->height != first.height ||
                     picture->planes != first.planes) {
            return base::fail(ErrorCode::kMalformed, path.string(), std::to_string(i));
          }
          if (status >= 0) {
            status = add(out, shape, *picture, i);
          }
        }
        if (status >= 0) {
          status = out.close();
        }
        if (status < 0) {
          return base::fail_because(ErrorCode::kUnwritable, path.string(),
                                    base::reported(reason_of(status)));
        }
        return {};
      });
}

Result<std::string> recipe_of_movie(const std::filesystem::path& path) {
  std::error_code ignored;
  if (!std::filesystem::is_regular_file(path, ignored)) {
    return base::fail_because(ErrorCode::kUnreadable, path.string(), base::because("no-such-file"));
  }
  Interrupt interrupt;
  constexpr std::chrono::seconds kPatience{4};
  interrupt.until = std::chrono::steady_clock::now() + kPatience;
  std::unique_ptr<AVFormatContext, CloseContext> context;
  const int status = open_container(path, context, interrupt);
  if (status < 0) {
    return base::fail_because(ErrorCode::kMalformed, path.string(),
                              base::reported(reason_of(status)));
  }
  for (const char* tag : {kTagOfMatroska, kTagOfCommon}) {
    if (const AVDictionaryEntry* entry = av_dict_get(context->metadata, tag, nullptr, 0)) {
      return std::string(entry->value);
    }
  }
  return std::string();
}

}  // namespace solarchon::media
