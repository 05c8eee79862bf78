// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>
#include <string>

#include "solarchon/image/frame.h"

struct AVFormatContext;
struct AVCodecContext;
struct AVFrame;
struct AVPacket;

namespace solarchon::media {

// What FFmpeg's libraries hand out, and how brightness is taken from it.

struct CloseContext {
  void operator()(AVFormatContext* context) const;
};
struct FreeCodec {
  void operator()(AVCodecContext* codec) const;
};
struct FreeFrame {
  void operator()(AVFrame* frame) const;
};
struct FreePacket {
  void operator()(AVPacket* packet) const;
};

/// How the brightness of a kind of pixels lies in memory.
struct Brightness {
  int bytes = 1;           ///< of one
  int shift = 0;           ///< bits that it has fewer than 16, of two bytes
  int apart = 1;           ///< bytes from one to the next
  int first = 0;           ///< bytes before the first of a row
  std::string bayer = {};  ///< where it is the raw mosaic of a colour sensor
  /// Where red, green and blue lie together: bytes before each, of which the mean is taken.
  std::optional<std::array<int, 3>> colours = {};
  bool operator==(const Brightness&) const = default;
  [[nodiscard]] int saturation() const { return bytes == 1 ? 255 : 65535 >> shift; }
};
/// @param format  an AVPixelFormat. @return  none for a kind of which nobody can say
[[nodiscard]] std::optional<Brightness> brightness_of(int format);
/// Copies it row by row.
/// @param into  of the frame's size
void take_brightness(const AVFrame& frame, const Brightness& brightness, image::Frame& into);

/// The library's words for one of its numbers.
[[nodiscard]] std::string reason_of(int status);

}  // namespace solarchon::media
