// SPDX-License-Identifier: GPL-3.0-or-later
// Devices that the library plays itself: pictures by a description, no hardware.
#include "solarchon/media/video_feed.h"

#include <chrono>
#include <thread>

#include "solarchon/image/frame.h"
#include "tests/support/support.h"

namespace solarchon::media {
namespace {

using base::ErrorCode;
using test::FailsWith;

TEST(VideoFeed, GivesFramesWithTheirTimes) {
  auto feed =
      VideoFeed::open("lavfi", "testsrc2=size=96x64:rate=20:duration=1,format=gray").value();
  EXPECT_EQ(feed.facts().width, 96);
  EXPECT_EQ(feed.facts().height, 64);
  EXPECT_EQ(feed.facts().saturation, 255);
  EXPECT_GE(feed.facts().rate_hz, 0.0);  // this one does not say
  image::Frame frame;
  double seconds = -1.0;
  int count = 0;
  while (feed.next(frame, seconds, {}).value()) {
    EXPECT_NEAR(seconds, 0.05 * count, 1e-6);
    EXPECT_EQ(frame.pixels.size(), 96U * 64U);
    ++count;
  }
  EXPECT_EQ(count, 20);
}

TEST(VideoFeed, TakesTheBrightnessOfEveryUsualLayout) {
  // Half of the picture is dark, half bright, whatever the way it is packed.
  const std::string picture =
      "color=black:size=32x16:rate=10,drawbox=x=16:y=0:w=16:h=16:color=white:t=fill,format=";
  for (const char* layout :
       {"gray", "yuv420p", "yuv422p", "yuyv422", "uyvy422", "nv12", "gray16le", "gray12le"}) {
    auto feed = VideoFeed::open("lavfi", picture + layout);
    ASSERT_TRUE(feed) << layout;
    image::Frame frame;
    double seconds = 0.0;
    ASSERT_TRUE(feed->next(frame, seconds, {}).value());
    EXPECT_LT(frame.at(5, 8), 0.1 * frame.saturation) << layout;
    EXPECT_GT(frame.at(26, 8), 0.9 * frame.saturation) << layout;
    EXPECT_LE(frame.at(26, 8), frame.saturation) << layout;
  }
}

TEST(VideoFeed, OfPackedColoursTheMeanIsTaken) {
  for (const char* kind : {"rgb24", "bgr24", "rgb0", "bgra"}) {
    auto feed = VideoFeed::open("lavfi", std::string("color=0x3060f0:size=16x16,format=") + kind);
    ASSERT_TRUE(feed) << kind;
    image::Frame frame;
    double seconds = 0.0;
    ASSERT_TRUE(feed->next(frame, seconds, {})) << kind;
    EXPECT_NEAR(frame.at(8, 8), (0x30 + 0x60 + 0xf0) / 3.0, 2.0) << kind;
  }
}

TEST(VideoFeed, RefusesWhatHasNoBrightness) {
  const auto none = VideoFeed::open("lavfi", "color=black:size=16x16,format=pal8");
  EXPECT_THAT(none, FailsWith(ErrorCode::kMalformed, "color=black:size=16x16,format=pal8"));
}

TEST(VideoFeed, SaysWhyThereIsNone) {
  EXPECT_THAT(VideoFeed::open("v4l2", "/dev/video-of-nobody"),
              FailsWith(ErrorCode::kUnreadable, "/dev/video-of-nobody"));
  EXPECT_THAT(VideoFeed::open("no-such-kind", "a"), FailsWith(ErrorCode::kUnreadable, "a"));
  EXPECT_THAT(VideoFeed::open("lavfi", "no-such-filter"),
              FailsWith(ErrorCode::kUnreadable, "no-such-filter"));
  for (const VideoDevice& device : video_devices()) {
    EXPECT_TRUE(device.path.starts_with("/dev/video"));
    EXPECT_FALSE(device.name.empty());
  }
}

TEST(VideoFeed, StopsWhenAsked) {
  auto feed = VideoFeed::open("lavfi", "testsrc2=size=32x32:rate=5,realtime,format=gray").value();
  std::stop_source stop;
  std::jthread later([&] {
    std::this_thread::sleep_for(std::chrono::milliseconds(400));
    stop.request_stop();
  });
  image::Frame frame;
  double seconds = 0.0;
  int count = 0;
  while (feed.next(frame, seconds, stop.get_token()).value()) {
    ++count;
  }
  EXPECT_LT(count, 10);
}

}  // namespace
}  // namespace solarchon::media
