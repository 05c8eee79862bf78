// SPDX-License-Identifier: GPL-3.0-or-later
// Clips, read back with the library that others read them with.
#include "solarchon/frames/clip.h"

#include <fitsio.h>
#include <sys/resource.h>

#include <csignal>
#include <vector>

#include "tests/support/support.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
}

namespace solarchon::frames {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::TempFolder;

/// Noise, a little other in each frame, up to the saturation.
Frame numbered(int number, int saturation, int width = 70, int height = 41) {
  Frame frame;
  frame.width = width;
  frame.height = height;
  frame.saturation = saturation;
  frame.info.time = test::morning();
  frame.info.plate_scale_arcsec_px = 0.75;
  for (int i = 0; i < width * height; ++i) {
    frame.pixels.push_back(
        static_cast<std::uint16_t>((i * 7919 + number * 104729) % (saturation + 1)));
  }
  return frame;
}

FrameSource source_of(int saturation) {
  return [saturation](int number) -> base::Result<Frame> { return numbered(number, saturation); };
}

struct Video {
  std::vector<std::vector<std::uint16_t>> frames;
  std::vector<double> seconds;
  std::string codec;
  std::string pixels;
  std::string started;
};

/// Reads all of a video.
Video read_video(const std::filesystem::path& path) {
  Video video;
  AVFormatContext* context = nullptr;
  EXPECT_EQ(avformat_open_input(&context, path.c_str(), nullptr, nullptr), 0);
  if (context == nullptr || avformat_find_stream_info(context, nullptr) < 0) {
    return video;
  }
  const AVStream* stream = context->streams[0];
  const AVCodec* decoder = avcodec_find_decoder(stream->codecpar->codec_id);
  AVCodecContext* codec = avcodec_alloc_context3(decoder);
  avcodec_parameters_to_context(codec, stream->codecpar);
  EXPECT_EQ(avcodec_open2(codec, decoder, nullptr), 0);
  video.codec = decoder->name;
  if (const auto* tag = av_dict_get(context->metadata, "creation_time", nullptr, 0)) {
    video.started = tag->value;
  }
  AVPacket* packet = av_packet_alloc();
  AVFrame* frame = av_frame_alloc();
  const auto take = [&] {
    while (avcodec_receive_frame(codec, frame) == 0) {
      const bool wide = frame->format == AV_PIX_FMT_GRAY16LE;
      video.pixels = wide ? "16" : frame->format == AV_PIX_FMT_GRAY8 ? "8" : "other";
      std::vector<std::uint16_t> values;
      for (int y = 0; y < frame->height; ++y) {
        const std::uint8_t* line =
            frame->data[0] + static_cast<std::ptrdiff_t>(y) * frame->linesize[0];
        for (int x = 0; x < frame->width; ++x) {
          values.push_back(wide ? static_cast<std::uint16_t>(line[2 * x] + 256 * line[2 * x + 1])
                                : line[x]);
        }
      }
      video.frames.push_back(values);
      video.seconds.push_back(static_cast<double>(frame->pts) * av_q2d(stream->time_base));
    }
  };
  while (av_read_frame(context, packet) == 0) {
    avcodec_send_packet(codec, packet);
    take();
    av_packet_unref(packet);
  }
  avcodec_send_packet(codec, nullptr);
  take();
  av_frame_free(&frame);
  av_packet_free(&packet);
  avcodec_free_context(&codec);
  avformat_close_input(&context);
  return video;
}

TEST(Video, LosesNothing) {
  const TempFolder folder;
  for (const int saturation : {255, 4095, 65535}) {
    const auto path = folder.path() / ("clip" + std::to_string(saturation) + ".mkv");
    ASSERT_TRUE(write_video(9, 25.0, source_of(saturation), path));
    const Video video = read_video(path);
    EXPECT_EQ(video.codec, "ffv1");
    EXPECT_EQ(video.pixels, saturation == 255 ? "8" : "16");
    EXPECT_EQ(video.started.substr(0, 19), sky::to_iso(test::morning()).substr(0, 19));
    ASSERT_EQ(video.frames.size(), 9U);
    for (int i = 0; i < 9; ++i) {
      EXPECT_EQ(video.frames[static_cast<std::size_t>(i)], numbered(i, saturation).pixels) << i;
      EXPECT_NEAR(video.seconds[static_cast<std::size_t>(i)], i / 25.0, 0.002);
    }
  }
}

TEST(Video, OneFrameAndOddRatesToo) {
  const TempFolder folder;
  const auto path = folder.path() / "one.mkv";
  ASSERT_TRUE(write_video(1, 29.97, source_of(255), path));
  EXPECT_EQ(read_video(path).frames.size(), 1U);
  ASSERT_TRUE(write_video(4, 0.05, source_of(255), path));  // one frame in twenty seconds
  EXPECT_NEAR(read_video(path).seconds.at(3), 60.0, 0.01);
}

TEST(Video, IsWholeOrNotThere) {
  const TempFolder folder;
  const auto path = folder.path() / "clip.mkv";
  EXPECT_THAT(write_video(
                  5, 25.0,
                  [](int i) -> base::Result<Frame> {
                    return i < 3 ? base::Result<Frame>(numbered(i, 255))
                                 : base::fail(ErrorCode::kCancelled, "frame");
                  },
                  path),
              FailsWith(ErrorCode::kCancelled, "frame"));
  EXPECT_THAT(
      write_video(
          5, 25.0, [](int i) -> base::Result<Frame> { return numbered(i, 255, i < 2 ? 70 : 72); },
          path),
      FailsWith(ErrorCode::kMalformed, path.string()));
  EXPECT_THAT(write_video(2, 25.0, source_of(255), folder.path() / "nowhere" / "clip.mkv"),
              FailsWith(ErrorCode::kUnwritable, (folder.path() / "nowhere" / "clip.mkv").string()));
  EXPECT_TRUE(std::filesystem::is_empty(folder.path()));
}

TEST(Video, AFullDiskLeavesNoHalfClip) {
  const TempFolder folder;
  const auto path = folder.path() / "clip.mkv";
  rlimit before{};
  getrlimit(RLIMIT_FSIZE, &before);
  rlimit small = before;
  small.rlim_cur = 20'000;
  const auto old = std::signal(SIGXFSZ, SIG_IGN);
  setrlimit(RLIMIT_FSIZE, &small);
  const auto written = write_video(60, 25.0, source_of(65535), path);
  setrlimit(RLIMIT_FSIZE, &before);
  std::signal(SIGXFSZ, old);
  EXPECT_THAT(written, FailsWith(ErrorCode::kUnwritable, path.string()));
  EXPECT_TRUE(std::filesystem::is_empty(folder.path()));
}

TEST(Cube, HoldsEveryFrameAndItsTime) {
  const TempFolder folder;
  const auto path = folder.path() / "clip.fits";
  ASSERT_TRUE(write_fits_cube(6, 12.5, source_of(4095), path));
  fitsfile* file = nullptr;
  int status = 0;
  fits_open_file(&file, path.c_str(), READONLY, &status);
  long size[3] = {};
  fits_get_img_size(file, 3, size, &status);
  EXPECT_EQ(size[0], 70);
  EXPECT_EQ(size[1], 41);
  EXPECT_EQ(size[2], 6);
  double step = 0.0;
  fits_read_key(file, TDOUBLE, "CDELT3", &step, nullptr, &status);
  EXPECT_NEAR(step, 0.08, 1e-12);
  std::vector<std::uint16_t> row(70);
  for (long i = 0; i < 6; ++i) {
    // The first row of the file is the lowest of the picture.
    long first[3] = {1, 41, i + 1};
    fits_read_pix(file, TUSHORT, first, 70, nullptr, row.data(), nullptr, &status);
    const Frame expected = numbered(static_cast<int>(i), 4095);
    EXPECT_TRUE(std::equal(row.begin(), row.end(), expected.pixels.begin())) << i;
  }
  fits_close_file(file, &status);
  EXPECT_EQ(status, 0);
  EXPECT_THAT(
      write_fits_cube(
          4, 25.0, [](int i) -> base::Result<Frame> { return numbered(i, 255, i < 2 ? 70 : 72); },
          path),
      FailsWith(ErrorCode::kMalformed, path.string()));
}

}  // namespace
}  // namespace solarchon::frames
