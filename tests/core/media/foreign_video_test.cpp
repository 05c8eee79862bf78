// SPDX-License-Identifier: GPL-3.0-or-later
// Videos that others write, or that somebody has made to do harm: made here by the video library.
extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
}

#include <sys/stat.h>

#include <chrono>

#include "solarchon/image/frame.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/clip_writer.h"
#include "solarchon/media/endings.h"
#include "solarchon/media/movie.h"
#include "tests/support/support.h"

namespace solarchon::media {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::TempFolder;

/// What one picture of a video is made as.
struct Make {
  int width;
  int height;
  AVPixelFormat pixels;
};

/// A video in which every picture is encoded by itself, so that they may differ.
class ForeignVideo {
 public:
  /// @param codec  of the container's own choice where it is none
  ForeignVideo(const std::filesystem::path& path, AVCodecID codec, const Make& claimed)
      : path_(path.string()) {
    avformat_alloc_output_context2(&context_, nullptr, nullptr, path_.c_str());
    if (context_ == nullptr) {
      return;
    }
    codec_ = codec == AV_CODEC_ID_NONE ? context_->oformat->video_codec : codec;
    stream_ = avformat_new_stream(context_, nullptr);
    stream_->time_base = {1, 25};
    stream_->avg_frame_rate = {25, 1};
    AVCodecContext* coder = open(claimed);
    if (coder == nullptr) {
      return;
    }
    avcodec_parameters_from_context(stream_->codecpar, coder);
    avcodec_free_context(&coder);
    good_ = avio_open(&context_->pb, path_.c_str(), AVIO_FLAG_WRITE) >= 0 &&
            avformat_write_header(context_, nullptr) >= 0;
  }
  ~ForeignVideo() { finish(); }
  ForeignVideo(const ForeignVideo&) = delete;
  ForeignVideo& operator=(const ForeignVideo&) = delete;

  bool add(const Make& make) {
    AVCodecContext* coder = good_ ? open(make) : nullptr;
    if (coder == nullptr) {
      return false;
    }
    AVFrame* frame = av_frame_alloc();
    frame->width = make.width;
    frame->height = make.height;
    frame->format = make.pixels;
    av_frame_get_buffer(frame, 0);
    for (int plane = 0; plane < 3 && frame->data[plane] != nullptr; ++plane) {
      const int rows = plane == 0 ? make.height : (make.height + 1) / 2;
      std::fill_n(frame->data[plane], static_cast<std::ptrdiff_t>(rows) * frame->linesize[plane],
                  static_cast<std::uint8_t>(100 + 5 * number_));
    }
    frame->pts = number_;
    bool written = avcodec_send_frame(coder, frame) >= 0 && avcodec_send_frame(coder, nullptr) >= 0;
    AVPacket* packet = av_packet_alloc();
    while (written && avcodec_receive_packet(coder, packet) >= 0) {
      packet->pts = packet->dts = av_rescale_q(number_, {1, 25}, stream_->time_base);
      packet->duration = av_rescale_q(1, {1, 25}, stream_->time_base);
      packet->stream_index = 0;
      written = av_interleaved_write_frame(context_, packet) >= 0;
    }
    ++number_;
    av_packet_free(&packet);
    av_frame_free(&frame);
    avcodec_free_context(&coder);
    return written;
  }

  void finish() {
    if (context_ == nullptr) {
      return;
    }
    if (good_) {
      av_write_trailer(context_);
    }
    avio_closep(&context_->pb);
    avformat_free_context(context_);
    context_ = nullptr;
  }
  [[nodiscard]] bool good() const { return good_; }
  [[nodiscard]] AVCodecID codec() const { return codec_; }

 private:
  [[nodiscard]] AVCodecContext* open(const Make& make) const {
    const AVCodec* kind = avcodec_find_encoder(codec_);
    AVCodecContext* coder = kind != nullptr ? avcodec_alloc_context3(kind) : nullptr;
    if (coder == nullptr) {
      return nullptr;
    }
    coder->width = make.width;
    coder->height = make.height;
    coder->pix_fmt = make.pixels;
    coder->time_base = {1, 25};
    coder->gop_size = 0;
    coder->max_b_frames = 0;
    coder->strict_std_compliance = FF_COMPLIANCE_UNOFFICIAL;
    if ((context_->oformat->flags & AVFMT_GLOBALHEADER) != 0) {
      coder->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
    }
    if (avcodec_open2(coder, kind, nullptr) < 0) {
      avcodec_free_context(&coder);
    }
    return coder;
  }

  std::string path_;
  AVFormatContext* context_ = nullptr;
  AVStream* stream_ = nullptr;
  AVCodecID codec_ = AV_CODEC_ID_NONE;
  std::int64_t number_ = 0;
  bool good_ = false;
};

constexpr Make kPlain{64, 48, AV_PIX_FMT_YUVJ420P};

void write_plain(const std::filesystem::path& path, int pictures) {
  ForeignVideo video(path, AV_CODEC_ID_MJPEG, kPlain);
  for (int i = 0; i < pictures; ++i) {
    ASSERT_TRUE(video.add(kPlain));
  }
}

TEST(ForeignVideo, SaysWhichPictureHasAnotherSizeAndReadsTheOthers) {
  const TempFolder folder;
  const auto path = folder / "changes.mkv";
  {
    ForeignVideo video(path, AV_CODEC_ID_MJPEG, kPlain);
    ASSERT_TRUE(video.good());
    for (const Make& make : {kPlain, kPlain, Make{1024, 768, AV_PIX_FMT_YUVJ420P},
                             Make{16, 16, AV_PIX_FMT_YUVJ420P}, kPlain}) {
      ASSERT_TRUE(video.add(make));
    }
  }
  auto clip = ClipReader::open(path);
  ASSERT_TRUE(clip) << clip.error().reason.detail;
  ASSERT_EQ(clip->facts().frames, 5);
  image::Frame frame;
  for (const int other : {2, 3}) {
    EXPECT_THAT(clip->read(other, frame), FailsWith(ErrorCode::kMalformed, path.string()));
  }
  for (const int good : {4, 0, 1}) {
    ASSERT_TRUE(clip->read(good, frame)) << good;
    EXPECT_NEAR(frame.at(10, 10), 100 + 5 * good, 3);
  }
}

TEST(ForeignVideo, BelievesNoSizeThatTheHeaderAloneClaims) {
  const TempFolder folder;
  const auto path = folder / "claims.mkv";
  {
    ForeignVideo video(path, AV_CODEC_ID_MJPEG, {9000, 4000, AV_PIX_FMT_YUVJ420P});
    ASSERT_TRUE(video.good());
    for (int i = 0; i < 4; ++i) {
      ASSERT_TRUE(video.add({16, 16, AV_PIX_FMT_YUVJ420P}));
    }
  }
  auto clip = ClipReader::open(path);
  image::Frame frame;
  EXPECT_FALSE(clip && clip->facts().width == 9000 && clip->read(0, frame));
}

TEST(ForeignVideo, SaysWhichPictureHasAnotherKindOfPixels) {
  const TempFolder folder;
  const auto path = folder / "kinds.mkv";
  {
    ForeignVideo video(path, AV_CODEC_ID_PNG, {64, 48, AV_PIX_FMT_GRAY8});
    ASSERT_TRUE(video.good());
    ASSERT_TRUE(video.add({64, 48, AV_PIX_FMT_GRAY8}));
    ASSERT_TRUE(video.add({64, 48, AV_PIX_FMT_RGB24}));
    ASSERT_TRUE(video.add({64, 48, AV_PIX_FMT_GRAY8}));
  }
  auto clip = ClipReader::open(path);
  ASSERT_TRUE(clip);
  image::Frame frame;
  EXPECT_TRUE(clip->read(0, frame));
  EXPECT_THAT(clip->read(1, frame), FailsWith(ErrorCode::kMalformed, path.string()));
  EXPECT_TRUE(clip->read(2, frame));
}

TEST(ForeignVideo, OfEveryEndingThatIsOfferedIsOpened) {
  const TempFolder folder;
  int opened = 0;
  for (const std::string_view ending : video_endings()) {
    const auto path = folder / ("clip" + std::string(ending));
    const bool raw = ending == ".y4m";
    // Containers that take one codec alone, or none that is built in everywhere, choose their own.
    const AVCodecID codec = ending == ".flv"                               ? AV_CODEC_ID_FLV1
                            : ending == ".ogv" || ending == ".webm" || raw ? AV_CODEC_ID_NONE
                            : ending == ".mpg" || ending == ".mpeg" || ending == ".mxf" ||
                                    ending == ".ts" || ending == ".mts" || ending == ".m2ts"
                                ? AV_CODEC_ID_MPEG2VIDEO
                                : AV_CODEC_ID_MPEG4;
    const Make make{320, 240, AV_PIX_FMT_YUV420P};
    ForeignVideo video(path, codec, make);
    if (!video.good()) {
      continue;  // this machine's library writes none
    }
    bool written = true;
    for (int i = 0; i < 6; ++i) {
      written = written && video.add(make);
    }
    video.finish();
    if (!written) {
      continue;
    }
    auto clip = ClipReader::open(path);
    ASSERT_TRUE(clip) << ending << ": " << clip.error().reason.detail;
    EXPECT_EQ(clip->facts().width, 320) << ending;
    image::Frame frame;
    EXPECT_TRUE(clip->read(0, frame)) << ending;
    EXPECT_TRUE(named_as_video(path));
    EXPECT_TRUE(named_as_video(folder / ("CLIP" + std::string(ending)))) << ending;
    ++opened;
  }
  EXPECT_GE(opened, 14);
}

TEST(ForeignVideo, GoesToNoOtherFileAndNoAddress) {
  const TempFolder folder;
  const auto real = folder / "real.mkv";
  {
    ForeignVideo video(real, AV_CODEC_ID_MJPEG, kPlain);
    ASSERT_TRUE(video.add(kPlain) && video.add(kPlain));
  }
  ASSERT_EQ(::mkfifo((folder / "pipe").c_str(), 0600), 0);
  std::string many = "ffconcat version 1.0\n";
  for (int i = 0; i < 20'000; ++i) {
    many += "file 'real.mkv'\n";
  }
  const std::pair<const char*, std::string> lists[] = {
      {"list.mkv", "ffconcat version 1.0\nfile 'real.mkv'\n"},
      {"many.mkv", many},
      {"pipe.mkv", "ffconcat version 1.0\nfile 'pipe'\n"},
      {"play.mkv", "#EXTM3U\n#EXT-X-TARGETDURATION:10\n#EXTINF:10,\npipe\n#EXT-X-ENDLIST\n"},
      {"net.avi", "#EXTM3U\n#EXT-X-TARGETDURATION:10\n#EXTINF:10,\nhttp://127.0.0.1:9/a.ts\n"},
      {"dash.mp4",
       "<?xml version=\"1.0\"?><MPD xmlns=\"urn:mpeg:dash:schema:mpd:2011\"><Period/></MPD>"},
      {"session.mov", "v=0\no=- 0 0 IN IP4 127.0.0.1\ns=a\nc=IN IP4 127.0.0.1\nm=video 9 RTP 96\n"},
      {"small.mkv", "GIF89a\x10\x27\x10\x27"}};
  for (const auto& [name, text] : lists) {
    const auto path = folder / name;
    test::write_text(path, text);
    const auto begun = std::chrono::steady_clock::now();
    EXPECT_FALSE(ClipReader::open(path)) << name;
    EXPECT_FALSE(recipe_of_movie(path)) << name;
    EXPECT_LT(std::chrono::steady_clock::now() - begun, std::chrono::seconds(10)) << name;
  }
  EXPECT_THAT(recipe_of_movie("http://127.0.0.1:9/movie.mkv"),
              FailsWith(ErrorCode::kUnreadable, "http://127.0.0.1:9/movie.mkv"));
  std::filesystem::rename(real, folder / "file:1:2.mkv");
  EXPECT_TRUE(ClipReader::open(folder / "file:1:2.mkv")) << "a colon makes no address";
}

TEST(ForeignVideo, IsGivenUpWhenSomebodyStops) {
  const TempFolder folder;
  const auto path = folder / "long.mkv";
  write_plain(path, 50);
  std::stop_source stop;
  stop.request_stop();
  EXPECT_THAT(ClipReader::open(path, stop.get_token()),
              FailsWith(ErrorCode::kCancelled, path.string()));
}

TEST(ForeignVideo, LeavesStandardErrorToTheProgram) {
  const TempFolder folder;
  const auto path = folder / "cut.mkv";
  write_plain(path, 20);
  std::string bytes = test::read_text(path);
  for (std::size_t i = 600; i < bytes.size(); i += 97) {
    bytes[i] = static_cast<char>(bytes[i] ^ 0x55);
  }
  test::write_text(path, bytes);
  testing::internal::CaptureStderr();
  if (auto clip = ClipReader::open(path)) {
    image::Frame frame;
    for (int i = 0; i < clip->facts().frames; ++i) {
      (void)clip->read(i, frame);
    }
  }
  EXPECT_EQ(testing::internal::GetCapturedStderr(), "");
}

TEST(TimesOfAClip, AreNotReadWithoutABound) {
  const TempFolder folder;
  const auto path = folder / "clip.fits";
  {
    image::Frame frame;
    frame.width = frame.height = 16;
    frame.pixels.assign(256, 7);
    auto clip = ClipWriter::create(path, {16, 16, 65535, 10.0, {}});
    ASSERT_TRUE(clip && clip->add(frame, 0.0) && clip->add(frame, 0.1));
  }
  std::filesystem::resize_file(times_beside(path), std::uintmax_t{8} << 30U);  // all of it holes
  const auto begun = std::chrono::steady_clock::now();
  const auto clip = ClipReader::open(path);
  ASSERT_TRUE(clip);
  EXPECT_TRUE(clip->facts().seconds.empty());
  EXPECT_LT(std::chrono::steady_clock::now() - begun, std::chrono::seconds(5));
  std::filesystem::remove(times_beside(path));
  ASSERT_EQ(::mkfifo(times_beside(path).c_str(), 0600), 0);
  EXPECT_TRUE(ClipReader::open(path)) << "a pipe beside it is not waited for";
}

}  // namespace
}  // namespace solarchon::media
