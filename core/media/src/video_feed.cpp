// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/media/video_feed.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavdevice/avdevice.h>
#include <libavformat/avformat.h>
}

#include <algorithm>
#include <chrono>
#include <filesystem>
#include <fstream>
#include <thread>
#include <utility>

#include "container.h"
#include "luma.h"
#include "solarchon/image/frame.h"

namespace solarchon::media {

using base::ErrorCode;
using base::Result;

std::vector<VideoDevice> video_devices() {
  std::vector<std::pair<int, VideoDevice>> found;
  std::error_code status;
  const std::string prefix = "video";
  for (const auto& entry : std::filesystem::directory_iterator("/sys/class/video4linux", status)) {
    const std::string file = entry.path().filename().string();
    const std::string digits = file.starts_with(prefix) ? file.substr(prefix.size()) : "";
    constexpr std::size_t kMostDigits = 4;
    if (digits.empty() || digits.size() > kMostDigits ||
        digits.find_first_not_of("0123456789") != std::string::npos) {
      continue;
    }
    VideoDevice device{"/dev/" + file, file};
    std::ifstream says(entry.path() / "name");
    std::string name;
    if (std::getline(says, name) && !name.empty()) {
      device.name = name;
    }
    found.emplace_back(std::stoi(digits), std::move(device));
  }
  std::sort(found.begin(), found.end(),
            [](const auto& a, const auto& b) { return a.first < b.first; });
  std::vector<VideoDevice> devices;
  devices.reserve(found.size());
  for (auto& [number, device] : found) {
    devices.push_back(std::move(device));
  }
  return devices;
}

struct VideoFeed::Device {
  std::string name;
  FeedFacts facts;
  std::unique_ptr<AVFormatContext, CloseContext> context;
  std::unique_ptr<AVCodecContext, FreeCodec> codec;
  std::unique_ptr<AVFrame, FreeFrame> frame;
  std::unique_ptr<AVPacket, FreePacket> packet;
  Brightness brightness;
  int stream = 0;
  std::optional<std::int64_t> first;
  std::stop_token stop;  ///< of the call that waits

  [[nodiscard]] tl::unexpected<base::Error> failed(ErrorCode code, int status) const {
    return base::fail_because(code, name, base::reported(reason_of(status)));
  }

  /// What the library asks while it waits.
  static int stopped(void* device) {
    return static_cast<Device*>(device)->stop.stop_requested() ? 1 : 0;
  }

  Result<void> open(const std::string& kind) {
    tame_library();
    static const bool kRegistered = [] {
      avdevice_register_all();
      return true;
    }();
    (void)kRegistered;
    const AVInputFormat* format = av_find_input_format(kind.c_str());
    if (format == nullptr) {
      return failed(ErrorCode::kUnreadable, AVERROR_DEMUXER_NOT_FOUND);
    }
    AVFormatContext* opened = avformat_alloc_context();
    opened->interrupt_callback = {stopped, this};
    opened->flags |= AVFMT_FLAG_NONBLOCK;
    int status = avformat_open_input(&opened, name.c_str(), format, nullptr);
    context.reset(opened);
    const AVCodec* decoder = nullptr;
    if (status >= 0) {
      status = av_find_best_stream(context.get(), AVMEDIA_TYPE_VIDEO, -1, -1, &decoder, 0);
      stream = status;
    }
    if (status < 0) {
      return failed(ErrorCode::kUnreadable, status);
    }
    const AVStream* video = context->streams[stream];
    codec.reset(avcodec_alloc_context3(decoder));
    status = avcodec_parameters_to_context(codec.get(), video->codecpar);
    if (status >= 0) {
      status = avcodec_open2(codec.get(), decoder, nullptr);
    }
    if (status < 0) {
      return failed(ErrorCode::kMalformed, status);
    }
    frame.reset(av_frame_alloc());
    packet.reset(av_packet_alloc());
    for (const AVRational& rate : {video->avg_frame_rate, video->r_frame_rate}) {
      if (facts.rate_hz <= 0.0 && rate.num > 0 && rate.den > 0) {
        facts.rate_hz = av_q2d(rate);
      }
    }
    return look_at_first();
  }

  /// Only a frame tells how its pixels lie.
  Result<void> look_at_first() {
    constexpr double kPatience_s = 10.0;
    const int status = decode(kPatience_s);
    if (status < 0) {
      return failed(ErrorCode::kUnreadable, status);
    }
    const auto lies = brightness_of(frame->format);
    if (!lies) {
      return base::fail_because(ErrorCode::kMalformed, name,
                                base::because("another-layout-of-pixels"));
    }
    brightness = *lies;
    facts.width = frame->width;
    facts.height = frame->height;
    facts.saturation = brightness.saturation();
    facts.bayer = brightness.bayer;
    return image::check_size(facts.width, facts.height, name);
  }

  /// The next frame. @return  0, or the library's number of why there is none
  int decode(double patience_s) {
    const auto begun = std::chrono::steady_clock::now();
    for (;;) {
      int status = avcodec_receive_frame(codec.get(), frame.get());
      if (status != AVERROR(EAGAIN)) {
        return status;
      }
      status = av_read_frame(context.get(), packet.get());
      if (status == AVERROR(EAGAIN)) {
        if (stop.stop_requested()) {
          return AVERROR_EXIT;
        }
        if (std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count() >
            patience_s) {
          return AVERROR(ETIMEDOUT);
        }
        constexpr std::chrono::milliseconds kLook{1};
        std::this_thread::sleep_for(kLook);
        continue;
      }
      if (status < 0) {
        return status;
      }
      if (packet->stream_index == stream) {
        status = avcodec_send_packet(codec.get(), packet.get());
      }
      av_packet_unref(packet.get());
      if (status < 0 && status != AVERROR_INVALIDDATA) {  // a damaged one is passed over
        return status;
      }
    }
  }
};

VideoFeed::VideoFeed(std::unique_ptr<Device> device) : device_(std::move(device)) {}
VideoFeed::~VideoFeed() = default;
VideoFeed::VideoFeed(VideoFeed&&) noexcept = default;
VideoFeed& VideoFeed::operator=(VideoFeed&&) noexcept = default;

Result<VideoFeed> VideoFeed::open(const std::string& kind, const std::string& name) {
  auto device = std::make_unique<Device>();
  device->name = name;
  return device->open(kind).map([&] { return VideoFeed(std::move(device)); });
}

const FeedFacts& VideoFeed::facts() const { return device_->facts; }

Result<bool> VideoFeed::next(image::Frame& into, double& seconds, std::stop_token stop) {
  Device& device = *device_;
  device.stop = std::move(stop);
  constexpr double kHung_s = 15.0;
  // The one that told how pixels lie is the first.
  const int status = device.first ? device.decode(kHung_s) : 0;
  if (status == AVERROR_EOF || device.stop.stop_requested()) {
    return false;
  }
  const AVFrame& frame = *device.frame;
  if (status < 0) {
    return device.failed(ErrorCode::kNotFound, status);
  }
  const std::int64_t at = frame.best_effort_timestamp;
  if (!device.first) {
    device.first = at;
  }
  seconds = static_cast<double>(at - *device.first) *
            av_q2d(device.context->streams[device.stream]->time_base);
  into.width = device.facts.width;
  into.height = device.facts.height;
  into.saturation = device.facts.saturation;
  into.info = {};
  into.info.bayer = device.facts.bayer;
  into.pixels.resize(static_cast<std::size_t>(into.width) * static_cast<std::size_t>(into.height));
  if (frame.width != into.width || frame.height != into.height) {
    return base::fail_because(ErrorCode::kMalformed, device.name, base::because("another-size"));
  }
  if (brightness_of(frame.format) != device.brightness) {
    return base::fail_because(ErrorCode::kMalformed, device.name,
                              base::because("another-layout-of-pixels"));
  }
  take_brightness(frame, device.brightness, into);
  return true;
}

}  // namespace solarchon::media
