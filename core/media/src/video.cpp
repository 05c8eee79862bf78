// SPDX-License-Identifier: GPL-3.0-or-later
extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
}

#include <algorithm>
#include <charconv>
#include <chrono>
#include <cmath>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "clip_source.h"
#include "container.h"
#include "grey.h"
#include "luma.h"
#include "solarchon/base/file.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/clip.h"
#include "solarchon/media/frame_file.h"
#include "video_out.h"

namespace solarchon::media {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

/// A clip of frames as recorded.
class VideoFile {
 public:
  int open(const std::filesystem::path& path, const image::Frame& first, double rate_hz) {
    constexpr int kOneByte = 255;
    bytes_ = first.saturation > kOneByte ? 2 : 1;
    VideoShape shape;
    shape.coder = avcodec_find_encoder(AV_CODEC_ID_FFV1);
    shape.pixels = bytes_ == 2 ? AV_PIX_FMT_GRAY16LE : AV_PIX_FMT_GRAY8;
    shape.width = first.width;
    shape.height = first.height;
    shape.rate_hz = rate_hz;
    shape.options = {{"slicecrc", "1"}, {"coder", bytes_ == 2 ? "1" : "0"}};
    shape.tags = {{"saturation", std::to_string(first.saturation)}};
    if (first.info.simulated) {
      shape.tags["simulated"] = "1";
    }
    if (first.info.time) {
      shape.tags["creation_time"] = sky::to_iso(*first.info.time);
    }
    if (first.info.plate_scale_arcsec_px) {
      shape.tags["plate_scale_arcsec_px"] = std::to_string(*first.info.plate_scale_arcsec_px);
    }
    if (!first.info.bayer.empty()) {
      shape.tags["bayer"] = first.info.bayer;
    }
    return out_.open(path, shape);
  }

  int add(const image::Frame& frame, int number) {
    const int status = out_.ready();
    if (status < 0) {
      return status;
    }
    const AVFrame& into = out_.frame();
    for (int y = 0; y < frame.height; ++y) {
      const std::uint16_t* row = frame.pixels.data() + static_cast<std::ptrdiff_t>(y) * frame.width;
      std::uint8_t* line = into.data[0] + static_cast<std::ptrdiff_t>(y) * into.linesize[0];
      for (int x = 0; x < frame.width; ++x) {
        line[static_cast<std::ptrdiff_t>(bytes_) * x] = static_cast<std::uint8_t>(row[x] & 0xFFU);
        if (bytes_ == 2) {
          line[2 * static_cast<std::ptrdiff_t>(x) + 1] = static_cast<std::uint8_t>(row[x] >> 8U);
        }
      }
    }
    return out_.add(number);
  }

  int close() { return out_.close(); }

 private:
  VideoOut out_;
  int bytes_ = 1;
};

/// A video, of which it is known where each frame begins.
class Video : public ClipReader::Source {
 public:
  Result<void> open(const std::filesystem::path& path, std::stop_token stop) {
    path_ = path.string();
    interrupt_.stop = std::move(stop);
    constexpr std::chrono::seconds kPatience{4};
    interrupt_.until = std::chrono::steady_clock::now() + kPatience;
    int status = open_container(path, context_, interrupt_);
    interrupt_.until.reset();
    const AVCodec* decoder = nullptr;
    if (status >= 0) {
      status = av_find_best_stream(context_.get(), AVMEDIA_TYPE_VIDEO, -1, -1, &decoder, 0);
      stream_ = status;
    }
    if (status < 0) {
      return damaged(status);
    }
    const AVStream* stream = context_->streams[stream_];
    codec_.reset(avcodec_alloc_context3(decoder));
    status = avcodec_parameters_to_context(codec_.get(), stream->codecpar);
    if (status >= 0) {
      codec_->max_pixels = image::kMostPixels;
      status = avcodec_open2(codec_.get(), decoder, nullptr);
    }
    const auto brightness = brightness_of(stream->codecpar->format);
    if (status < 0 || !brightness) {
      return status < 0 ? damaged(status)
                        : fail_because(ErrorCode::kMalformed, path_,
                                       base::because("another-layout-of-pixels"));
    }
    brightness_ = *brightness;
    if (auto sized = image::check_size(stream->codecpar->width, stream->codecpar->height, path_);
        !sized) {
      return sized;
    }
    std::error_code ignored;
    if (auto held = check_held(stream->codecpar->width, stream->codecpar->height,
                               std::filesystem::file_size(path, ignored), path_);
        !held) {
      return held;
    }
    frame_.reset(av_frame_alloc());
    packet_.reset(av_packet_alloc());
    facts.width = stream->codecpar->width;
    facts.height = stream->codecpar->height;
    facts.saturation = brightness_.saturation();
    list_frames();
    if (interrupt_.stop.stop_requested()) {
      return fail(ErrorCode::kCancelled, path_);
    }
    describe(*stream);
    return {};
  }

  Result<void> pixels_of(int frame, image::Frame& into) override {
    const std::int64_t wanted = starts_[static_cast<std::size_t>(frame)];
    const bool sought = frame != next_;
    int status = decode_until(wanted, sought ? go_to(frame) : 0);
    // Some containers have no index, and a jump lands behind what was looked for.
    if (sought && (status < 0 || frame_->best_effort_timestamp != wanted)) {
      status = decode_until(wanted, go_to_the_beginning());
    }
    if (status < 0 || frame_->best_effort_timestamp != wanted) {
      next_ = -1;
      return damaged(status < 0 ? status : AVERROR_INVALIDDATA);
    }
    // A picture may be of another size or kind than the first, and than the file says.
    if (frame_->width != facts.width || frame_->height != facts.height) {
      next_ = -1;
      return fail_because(ErrorCode::kMalformed, path_, base::because("another-size"));
    }
    if (brightness_of(frame_->format) != brightness_) {
      next_ = -1;
      return fail_because(ErrorCode::kMalformed, path_, base::because("another-layout-of-pixels"));
    }
    next_ = frame + 1;
    take_brightness(*frame_, brightness_, into);
    return {};
  }

 private:
  [[nodiscard]] tl::unexpected<base::Error> damaged(int status) const {
    return status == AVERROR_EXIT && interrupt_.stop.stop_requested()
               ? fail(ErrorCode::kCancelled, path_)
               : fail_because(ErrorCode::kMalformed, path_, base::reported(reason_of(status)));
  }

  /// Reads through the packets, without decoding them, and begins again.
  void list_frames() {
    while (av_read_frame(context_.get(), packet_.get()) >= 0) {
      const bool whole = (packet_->flags & AV_PKT_FLAG_CORRUPT) == 0;
      if (packet_->stream_index == stream_ && whole) {
        starts_.push_back(packet_->pts != AV_NOPTS_VALUE ? packet_->pts : packet_->dts);
      }
      av_packet_unref(packet_.get());
    }
    std::sort(starts_.begin(), starts_.end());
    facts.frames = static_cast<int>(starts_.size());
    facts.promised = facts.frames;
    next_ = -1;
  }

  void describe(const AVStream& stream) {
    if (starts_.size() > 1) {
      const double span_s =
          static_cast<double>(starts_.back() - starts_.front()) * av_q2d(stream.time_base);
      facts.rate_hz = static_cast<double>(starts_.size() - 1) / std::max(1e-6, span_s);
      const double promised =
          std::round(static_cast<double>(context_->duration) / AV_TIME_BASE * *facts.rate_hz);
      constexpr double kMostFrames = 1e8;
      if (promised > facts.frames + 1.0 && promised < kMostFrames) {
        facts.promised = static_cast<int>(promised);
      }
    }
    const auto tag = [this](const char* key) -> std::string {
      const AVDictionaryEntry* entry = av_dict_get(context_->metadata, key, nullptr, 0);
      return entry != nullptr ? entry->value : "";
    };
    facts.info.simulated = tag("SIMULATED") == "1" || tag("description") == kSimulatedWords;
    if (const auto time = sky::parse_utc(tag("creation_time"), "creation_time")) {
      facts.info.time = *time;
    }
    const auto number = [](const std::string& text) -> std::optional<double> {
      double value = 0.0;
      const auto read = std::from_chars(text.data(), text.data() + text.size(), value);
      return read.ec == std::errc() && value > 0.0 ? std::optional(value) : std::nullopt;
    };
    facts.info.bayer = bayer_from_below(bayer_from_below(tag("BAYER"), 0), 0);
    if (facts.info.bayer.empty()) {
      facts.info.bayer = brightness_.bayer;
    }
    facts.info.plate_scale_arcsec_px = number(tag("PLATE_SCALE_ARCSEC_PX"));
    if (const auto most = number(tag("SATURATION"))) {
      facts.saturation = static_cast<int>(std::min(*most, 65535.0));
    }
  }

  int go_to(int frame) {
    avcodec_flush_buffers(codec_.get());
    return av_seek_frame(context_.get(), stream_, starts_[static_cast<std::size_t>(frame)],
                         AVSEEK_FLAG_BACKWARD);
  }

  int go_to_the_beginning() {
    avcodec_flush_buffers(codec_.get());
    const int status = av_seek_frame(context_.get(), -1, 0, AVSEEK_FLAG_BYTE);
    return status >= 0
               ? status
               : av_seek_frame(context_.get(), stream_, starts_.front(), AVSEEK_FLAG_BACKWARD);
  }

  /// Goes on to the frame of that time, or to the first behind it.
  /// @param status  of getting there; nothing is done after a failure
  int decode_until(std::int64_t wanted, int status) {
    while (status >= 0) {
      status = decode();
      if (status >= 0 && frame_->best_effort_timestamp >= wanted) {
        break;
      }
    }
    return status;
  }

  /// The next frame of the file.
  int decode() {
    for (;;) {
      int status = avcodec_receive_frame(codec_.get(), frame_.get());
      if (status != AVERROR(EAGAIN)) {
        return status;
      }
      status = av_read_frame(context_.get(), packet_.get());
      if (status == AVERROR_EOF) {
        status = avcodec_send_packet(codec_.get(), nullptr);
      } else if (status >= 0) {
        status =
            packet_->stream_index == stream_ ? avcodec_send_packet(codec_.get(), packet_.get()) : 0;
        av_packet_unref(packet_.get());
      }
      if (status < 0) {
        return status;
      }
    }
  }

  Interrupt interrupt_;  ///< before the context, which asks it
  std::unique_ptr<AVFormatContext, CloseContext> context_;
  std::unique_ptr<AVCodecContext, FreeCodec> codec_;
  std::unique_ptr<AVFrame, FreeFrame> frame_;
  std::unique_ptr<AVPacket, FreePacket> packet_;
  std::string path_;
  Brightness brightness_;
  int stream_ = 0;
  int next_ = -1;                     ///< frame that comes without seeking; none: -1
  std::vector<std::int64_t> starts_;  ///< of each frame, in the stream's own time
};

}  // namespace

ClipSource open_video(const std::filesystem::path& path, std::stop_token stop) {
  auto video = std::make_unique<Video>();
  return video->open(path, std::move(stop)).map([&] {
    return std::unique_ptr<ClipReader::Source>(std::move(video));
  });
}

Result<void> write_video(int count, double rate_hz, const FrameSource& source,
                         const std::filesystem::path& path) {
  return base::write_beside_then_rename(
      path, [&](const std::filesystem::path& target) -> Result<void> {
        VideoFile file;
        int status = 0;
        int width = 0;
        int height = 0;
        for (int i = 0; i < count && status >= 0; ++i) {
          const auto frame = source(i);
          if (!frame) {
            return tl::make_unexpected(frame.error());
          }
          if (i == 0) {
            width = frame->width;
            height = frame->height;
            status = file.open(target, *frame, rate_hz);
          } else if (frame->width != width || frame->height != height) {
            return fail(ErrorCode::kMalformed, path.string(), std::to_string(i));
          }
          if (status >= 0) {
            status = file.add(*frame, i);
          }
        }
        if (status >= 0) {
          status = file.close();
        }
        if (status < 0) {
          return fail_because(ErrorCode::kUnwritable, path.string(),
                              base::reported(reason_of(status)));
        }
        return {};
      });
}

}  // namespace solarchon::media
