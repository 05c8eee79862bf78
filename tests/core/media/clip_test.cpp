// SPDX-License-Identifier: GPL-3.0-or-later
// Clips, read back with the library that others read them with.
#include "solarchon/media/clip.h"
#include "solarchon/media/frame_file.h"

#include <fitsio.h>
#include <sys/resource.h>

#include <algorithm>
#include <csignal>
#include <fstream>
#include <limits>
#include <vector>

#include "solarchon/media/clip_reader.h"
#include "tests/support/support.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"
}

namespace solarchon::media {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::TempFolder;

/// Noise, a little other in each frame, up to the saturation.
image::Frame numbered(int number, int saturation, int width = 70, int height = 41) {
  image::Frame frame;
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
  return [saturation](int number) -> base::Result<image::Frame> {
    return numbered(number, saturation);
  };
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
                  [](int i) -> base::Result<image::Frame> {
                    return i < 3 ? base::Result<image::Frame>(numbered(i, 255))
                                 : base::fail(ErrorCode::kCancelled, "frame");
                  },
                  path),
              FailsWith(ErrorCode::kCancelled, "frame"));
  EXPECT_THAT(
      write_video(
          5, 25.0,
          [](int i) -> base::Result<image::Frame> { return numbered(i, 255, i < 2 ? 70 : 72); },
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
    const image::Frame expected = numbered(static_cast<int>(i), 4095);
    EXPECT_TRUE(std::equal(row.begin(), row.end(), expected.pixels.begin())) << i;
  }
  fits_close_file(file, &status);
  EXPECT_EQ(status, 0);
  EXPECT_THAT(
      write_fits_cube(
          4, 25.0,
          [](int i) -> base::Result<image::Frame> { return numbered(i, 255, i < 2 ? 70 : 72); },
          path),
      FailsWith(ErrorCode::kMalformed, path.string()));
}

/// Every frame of a clip, there and back and across.
void expect_all(const std::filesystem::path& path, int saturation, int count) {
  auto opened = ClipReader::open(path);
  ASSERT_TRUE(opened) << path;
  ClipReader reader = *std::move(opened);
  EXPECT_EQ(reader.facts().width, 70);
  EXPECT_EQ(reader.facts().height, 41);
  ASSERT_EQ(reader.facts().frames, count);
  EXPECT_EQ(reader.facts().promised, count);
  image::Frame frame;
  for (const int i : {0, 1, 2, count - 1, 3, 2, 0}) {
    ASSERT_TRUE(reader.read(i, frame)) << path << ' ' << i;
    EXPECT_EQ(frame.pixels, numbered(i, saturation).pixels) << path << ' ' << i;
  }
  EXPECT_THAT(reader.read(count, frame), FailsWith(ErrorCode::kOutOfRange, "frame"));
  EXPECT_THAT(reader.read(-1, frame), FailsWith(ErrorCode::kOutOfRange, "frame"));
}

/// Smooth, so that nobody takes it for the mosaic of a colour sensor.
image::Frame smooth(int number) {
  image::Frame frame = numbered(number, 4095);
  for (int i = 0; i < 70 * 41; ++i) {
    frame.pixels[static_cast<std::size_t>(i)] =
        static_cast<std::uint16_t>(100 * number + 20 * (i % 70) + 7 * (i / 70));
  }
  return frame;
}

TEST(ClipReader, GivesBackWhatWasWrittenInEveryForm) {
  const TempFolder folder;
  for (const int saturation : {255, 4095, 65535}) {
    const std::string name = "c" + std::to_string(saturation);
    ASSERT_TRUE(write_fits_cube(9, 25.0, source_of(saturation), folder / (name + ".fits")));
    ASSERT_TRUE(write_video(9, 25.0, source_of(saturation), folder / (name + ".mkv")));
    expect_all(folder / (name + ".fits"), saturation, 9);
    expect_all(folder / (name + ".mkv"), saturation, 9);
  }
  std::filesystem::create_directory(folder / "series");
  for (int i = 0; i < 12; ++i) {  // 1 to 12: ten comes after nine
    ASSERT_TRUE(
        write_tiff(smooth(i), folder / "series" / ("a-" + std::to_string(i + 1) + ".tiff")));
  }
  ASSERT_TRUE(write_tiff(smooth(1), folder / "series" / "other-1.tiff"));
  ClipReader series = *ClipReader::open(folder / "series" / "a-5.tiff");
  ASSERT_EQ(series.facts().frames, 12);
  image::Frame frame;
  for (const int i : {0, 9, 11, 4}) {
    ASSERT_TRUE(series.read(i, frame));
    EXPECT_EQ(frame.pixels, smooth(i).pixels) << i;
  }
  EXPECT_EQ(ClipReader::open(folder / "series")->facts().frames, 13);
}

TEST(ClipReader, ReadsPartsAlone) {
  const TempFolder folder;
  const auto file = folder / "c.fits";
  const auto video = folder / "c.mkv";
  ASSERT_TRUE(write_fits_cube(5, 25.0, source_of(4095), file));
  ASSERT_TRUE(write_video(5, 25.0, source_of(4095), video));
  for (const auto& path : {file, video}) {
    ClipReader clip = *ClipReader::open(path);
    const int width = clip.facts().width;
    const int height = clip.facts().height;
    image::Frame whole;
    image::Frame read;
    ASSERT_TRUE(clip.read(3, whole));
    for (const image::Rectangle& part :
         {image::Rectangle{3, 2, 7, 5}, image::Rectangle{0, 0, width, height},
          image::Rectangle{0, height - 1, 1, 1}, image::Rectangle{width - 4, 0, 4, 3}}) {
      image::Frame expected;
      image::cut(whole, part, expected);
      ASSERT_TRUE(clip.read_part(3, part, read)) << path;
      EXPECT_EQ(read.width, part.width_px);
      EXPECT_EQ(read.height, part.height_px);
      EXPECT_EQ(read.pixels, expected.pixels) << path;
      EXPECT_EQ(read.info.time, whole.info.time);
    }
    for (const image::Rectangle& part :
         {image::Rectangle{}, image::Rectangle{-1, 0, 4, 4}, image::Rectangle{0, 0, width + 1, 2},
          image::Rectangle{2, 2, std::numeric_limits<int>::max(), 1}}) {
      EXPECT_THAT(clip.read_part(0, part, read), FailsWith(ErrorCode::kOutOfRange, "part"));
    }
    EXPECT_THAT(clip.read_part(5, {0, 0, 2, 2}, read), FailsWith(ErrorCode::kOutOfRange, "frame"));
  }
}

TEST(ClipReader, KnowsStartAndRate) {
  const TempFolder folder;
  ASSERT_TRUE(write_fits_cube(5, 12.5, source_of(255), folder / "c.fits"));
  ASSERT_TRUE(write_video(5, 12.5, source_of(255), folder / "c.mkv"));
  for (const char* name : {"c.fits", "c.mkv"}) {
    ClipReader reader = *ClipReader::open(folder / name);
    ASSERT_TRUE(reader.facts().rate_hz) << name;
    EXPECT_NEAR(*reader.facts().rate_hz, 12.5, 0.01) << name;
    image::Frame frame;
    ASSERT_TRUE(reader.read(3, frame));
    ASSERT_TRUE(frame.info.time);
    EXPECT_NEAR(sky::in_seconds(*frame.info.time - test::morning()), 0.24, 0.0015) << name;
  }
  EXPECT_NEAR(*ClipReader::open(folder / "c.mkv")->facts().info.plate_scale_arcsec_px, 0.75, 1e-6);
}

void cut_off(const std::filesystem::path& path, double share) {
  std::filesystem::resize_file(
      path,
      static_cast<std::uintmax_t>(share * static_cast<double>(std::filesystem::file_size(path))));
}

TEST(ClipReader, OfAClipThatWasCutOffItGivesTheWholeFrames) {
  const TempFolder folder;
  ASSERT_TRUE(write_fits_cube(40, 25.0, source_of(4095), folder / "c.fits"));
  ASSERT_TRUE(write_video(40, 25.0, source_of(4095), folder / "c.mkv"));
  for (const char* name : {"c.fits", "c.mkv"}) {
    cut_off(folder / name, 0.6);
    auto opened = ClipReader::open(folder / name);
    ASSERT_TRUE(opened) << name;
    ClipReader reader = *std::move(opened);
    EXPECT_GT(reader.facts().frames, 15) << name;
    EXPECT_LT(reader.facts().frames, 30) << name;
    EXPECT_GT(reader.facts().promised, reader.facts().frames) << name;
    image::Frame frame;
    int good = 0;
    for (int i = 0; i < reader.facts().frames; ++i) {
      if (reader.read(i, frame)) {
        EXPECT_EQ(frame.pixels, numbered(i, 4095).pixels) << name << ' ' << i;
        ++good;
      }
    }
    EXPECT_GE(good, reader.facts().frames - 1) << name;  // the last may be half
  }
}

TEST(ClipReader, ADamagedFrameTakesNoOtherWithIt) {
  const TempFolder folder;
  const auto path = folder / "c.mkv";
  ASSERT_TRUE(write_video(30, 25.0, source_of(4095), path));
  {
    std::fstream file(path, std::ios::in | std::ios::out | std::ios::binary);
    file.seekp(static_cast<std::streamoff>(std::filesystem::file_size(path) / 2));
    const std::string junk(40, '\x5a');
    file.write(junk.data(), static_cast<std::streamsize>(junk.size()));
  }
  ClipReader reader = *ClipReader::open(path);
  ASSERT_EQ(reader.facts().frames, 30);
  image::Frame frame;
  int right = 0;
  for (int i = 0; i < 30; ++i) {
    right += reader.read(i, frame) && frame.pixels == numbered(i, 4095).pixels ? 1 : 0;
  }
  EXPECT_GE(right, 28);
}

TEST(ClipReader, RefusesWhatIsNoClip) {
  const TempFolder folder;
  EXPECT_THAT(ClipReader::open(folder / "none.mkv"),
              FailsWith(ErrorCode::kUnreadable, (folder / "none.mkv").string()));
  EXPECT_THAT(ClipReader::open(folder.path()),
              FailsWith(ErrorCode::kUnreadable, folder.path().string()));
  for (const char* name : {"a.mkv", "b.bin", "c.fits"}) {
    std::ofstream(folder / name) << "nothing that anybody could look at, but long enough";
    EXPECT_THAT(ClipReader::open(folder / name),
                FailsWith(ErrorCode::kMalformed, (folder / name).string()));
  }
  // Real numbers have no full pixel.
  fitsfile* file = nullptr;
  int status = 0;
  long size[3] = {8, 8, 2};
  fits_create_diskfile(&file, (folder / "real.fits").c_str(), &status);
  fits_create_img(file, FLOAT_IMG, 3, size, &status);
  fits_close_file(file, &status);
  EXPECT_THAT(ClipReader::open(folder / "real.fits"),
              FailsWith(ErrorCode::kMalformed, (folder / "real.fits").string()));
}

/// A clip as a general video program makes it: colour, with frames that build on one another.
void write_colour_video(const std::filesystem::path& path, int count) {
  AVFormatContext* context = nullptr;
  avformat_alloc_output_context2(&context, nullptr, "avi", path.c_str());
  const AVCodec* coder = avcodec_find_encoder(AV_CODEC_ID_MPEG4);
  AVStream* stream = avformat_new_stream(context, nullptr);
  AVCodecContext* codec = avcodec_alloc_context3(coder);
  codec->width = 64;
  codec->height = 48;
  codec->pix_fmt = AV_PIX_FMT_YUV420P;
  codec->time_base = {1, 20};
  codec->gop_size = 10;
  codec->bit_rate = 4'000'000;
  ASSERT_EQ(avcodec_open2(codec, coder, nullptr), 0);
  stream->time_base = codec->time_base;
  avcodec_parameters_from_context(stream->codecpar, codec);
  ASSERT_GE(avio_open(&context->pb, path.c_str(), AVIO_FLAG_WRITE), 0);
  ASSERT_GE(avformat_write_header(context, nullptr), 0);
  AVFrame* frame = av_frame_alloc();
  frame->format = codec->pix_fmt;
  frame->width = 64;
  frame->height = 48;
  av_frame_get_buffer(frame, 0);
  AVPacket* packet = av_packet_alloc();
  for (int i = 0; i <= count; ++i) {
    av_frame_make_writable(frame);
    for (int y = 0; y < 48; ++y) {
      for (int x = 0; x < 64; ++x) {
        frame->data[0][y * frame->linesize[0] + x] = static_cast<std::uint8_t>(40 + 5 * i);
      }
    }
    for (int y = 0; y < 24; ++y) {
      std::fill_n(frame->data[1] + y * frame->linesize[1], 32, std::uint8_t{128});
      std::fill_n(frame->data[2] + y * frame->linesize[2], 32, std::uint8_t{128});
    }
    frame->pts = i;
    avcodec_send_frame(codec, i < count ? frame : nullptr);
    while (avcodec_receive_packet(codec, packet) == 0) {
      av_packet_rescale_ts(packet, codec->time_base, stream->time_base);
      packet->stream_index = 0;
      av_interleaved_write_frame(context, packet);
    }
  }
  av_write_trailer(context);
  av_packet_free(&packet);
  av_frame_free(&frame);
  avcodec_free_context(&codec);
  avio_closep(&context->pb);
  avformat_free_context(context);
}

TEST(ClipReader, TakesTheBrightnessOfColourVideoMadeElsewhere) {
  const TempFolder folder;
  write_colour_video(folder / "v.avi", 25);
  ClipReader reader = *ClipReader::open(folder / "v.avi");
  ASSERT_EQ(reader.facts().frames, 25);
  EXPECT_NEAR(*reader.facts().rate_hz, 20.0, 0.1);
  image::Frame frame;
  for (const int i : {0, 1, 17, 5, 24, 9}) {
    ASSERT_TRUE(reader.read(i, frame)) << i;
    EXPECT_NEAR(frame.at(30, 20), 40 + 5 * i, 3) << i;
  }
}

}  // namespace
}  // namespace solarchon::media
