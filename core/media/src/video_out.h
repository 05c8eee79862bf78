// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
}

#include <filesystem>
#include <map>
#include <memory>
#include <string>

#include "luma.h"

namespace solarchon::media {

/// How a video is written.
struct VideoShape {
  const char* container = "matroska";
  const AVCodec* coder = nullptr;
  AVPixelFormat pixels = AV_PIX_FMT_GRAY8;
  int width = 0;
  int height = 0;
  double rate_hz = 25.0;
  std::map<std::string, std::string> options = {};  ///< of the coder
  std::map<std::string, std::string> tags = {};     ///< of the file
};

/// A video file that is being written. Each step gives 0, or the library's number of what went
/// wrong.
class VideoOut {
 public:
  int open(const std::filesystem::path& path, const VideoShape& shape);
  /// The frame that is filled next.
  [[nodiscard]] AVFrame& frame() { return *frame_; }
  /// Makes the frame ready to be filled.
  int ready() { return av_frame_make_writable(frame_.get()); }
  int add(int number);
  int close();

 private:
  int pass_on();
  struct FreeContext {
    void operator()(AVFormatContext* context) const;
  };
  std::unique_ptr<AVFormatContext, FreeContext> context_;
  std::unique_ptr<AVCodecContext, FreeCodec> codec_;
  std::unique_ptr<AVFrame, FreeFrame> frame_;
  std::unique_ptr<AVPacket, FreePacket> packet_;
  AVStream* stream_ = nullptr;
};

}  // namespace solarchon::media
