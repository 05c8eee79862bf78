// SPDX-License-Identifier: GPL-3.0-or-later
#include "luma.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
}

#include <array>
#include <cstddef>
#include <cstdint>
#include "solarchon/image/frame.h"

namespace solarchon::media {

void CloseContext::operator()(AVFormatContext* context) const { avformat_close_input(&context); }
void FreeCodec::operator()(AVCodecContext* codec) const { avcodec_free_context(&codec); }
void FreeFrame::operator()(AVFrame* frame) const { av_frame_free(&frame); }
void FreePacket::operator()(AVPacket* packet) const { av_packet_free(&packet); }

std::optional<Brightness> brightness_of(int format) {
  switch (format) {
    case AV_PIX_FMT_GRAY8:
    case AV_PIX_FMT_YUV420P:
    case AV_PIX_FMT_YUV422P:
    case AV_PIX_FMT_YUV444P:
    case AV_PIX_FMT_YUVJ420P:
    case AV_PIX_FMT_YUVJ422P:
    case AV_PIX_FMT_YUVJ444P:
    case AV_PIX_FMT_NV12:
    case AV_PIX_FMT_NV21:
      return Brightness{1, 0, 1, 0};
    case AV_PIX_FMT_YUYV422:
    case AV_PIX_FMT_YVYU422:
      return Brightness{1, 0, 2, 0};
    case AV_PIX_FMT_UYVY422:
      return Brightness{1, 0, 2, 1};
    case AV_PIX_FMT_BAYER_RGGB8:
      return Brightness{1, 0, 1, 0, "RGGB"};
    case AV_PIX_FMT_BAYER_BGGR8:
      return Brightness{1, 0, 1, 0, "BGGR"};
    case AV_PIX_FMT_BAYER_GRBG8:
      return Brightness{1, 0, 1, 0, "GRBG"};
    case AV_PIX_FMT_BAYER_GBRG8:
      return Brightness{1, 0, 1, 0, "GBRG"};
    case AV_PIX_FMT_GRAY16LE:
      return Brightness{2, 0, 2, 0};
    case AV_PIX_FMT_GRAY10LE:
    case AV_PIX_FMT_YUV420P10LE:
      return Brightness{2, 6, 2, 0};
    case AV_PIX_FMT_GRAY12LE:
      return Brightness{2, 4, 2, 0};
    case AV_PIX_FMT_GRAY14LE:
      return Brightness{2, 2, 2, 0};
    case AV_PIX_FMT_RGB24:
      return Brightness{1, 0, 3, 0, {}, {{0, 1, 2}}};
    case AV_PIX_FMT_BGR24:
      return Brightness{1, 0, 3, 0, {}, {{2, 1, 0}}};
    case AV_PIX_FMT_RGB0:
    case AV_PIX_FMT_RGBA:
      return Brightness{1, 0, 4, 0, {}, {{0, 1, 2}}};
    case AV_PIX_FMT_BGR0:
    case AV_PIX_FMT_BGRA:
      return Brightness{1, 0, 4, 0, {}, {{2, 1, 0}}};
    default:
      return std::nullopt;
  }
}

void take_brightness(const AVFrame& frame, const Brightness& brightness, image::Frame& into) {
  for (int y = 0; y < into.height; ++y) {
    const std::uint8_t* from =
        frame.data[0] + static_cast<std::ptrdiff_t>(y) * frame.linesize[0] + brightness.first;
    std::uint16_t* row = into.pixels.data() + static_cast<std::ptrdiff_t>(y) * into.width;
    for (int x = 0; x < into.width; ++x) {
      const std::ptrdiff_t at = static_cast<std::ptrdiff_t>(brightness.apart) * x;
      if (brightness.colours) {
        const auto& [red, green, blue] = *brightness.colours;
        row[x] = static_cast<std::uint16_t>(
            (from[at + red] + from[at + green] + from[at + blue] + 1) / 3);
        continue;
      }
      row[x] = brightness.bytes == 1 ? from[at]
                                     : static_cast<std::uint16_t>(from[at] | from[at + 1] << 8U);
    }
  }
}

std::string reason_of(int status) {
  std::array<char, AV_ERROR_MAX_STRING_SIZE> text{};
  av_strerror(status, text.data(), text.size());
  return text.data();
}

}  // namespace solarchon::media
