// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <utility>

#include "solarchon/capture/source.h"
#include "solarchon/media/video_feed.h"

namespace solarchon::capture {

using base::Result;

namespace {

class DeviceSource : public Source {
 public:
  DeviceSource(media::VideoFeed feed, std::string name, Known known)
      : feed_(std::move(feed)), known_(std::move(known)) {
    const media::FeedFacts& facts = feed_.facts();
    card_.name = std::move(name);
    card_.width = facts.width;
    card_.height = facts.height;
    card_.saturation = facts.saturation;
    card_.rate_hz = facts.rate_hz;
    known_.info.bayer = facts.bayer;
    known_.info.exposure_ms.reset();  // nobody tells how it was exposed
  }

  [[nodiscard]] const SourceCard& card() const override { return card_; }

  Result<bool> next(LiveFrame& into, std::stop_token stop) override {
    auto came = feed_.next(into.frame, into.seconds, std::move(stop));
    if (!came || !*came) {
      return came;
    }
    // Frames are not counted by the device: a gap in their times tells of lost ones.
    if (card_.rate_hz > 0.0 && number_ >= 0) {
      const double steps = (into.seconds - last_s_) * card_.rate_hz;
      constexpr double kMostGap = 1e6;
      number_ += steps > 1.0 && steps < kMostGap ? std::llround(steps) : 1;
    } else {
      ++number_;
    }
    last_s_ = into.seconds;
    into.number = number_;
    into.frame.info = known_.at(into.seconds);
    return true;
  }

 private:
  media::VideoFeed feed_;
  Known known_;
  SourceCard card_;
  std::int64_t number_ = -1;
  double last_s_ = 0.0;
};

}  // namespace

Result<std::unique_ptr<Source>> open_device_source(const std::string& kind,
                                                   const media::VideoDevice& device,
                                                   const Known& known) {
  return media::VideoFeed::open(kind, device.path).map([&](media::VideoFeed feed) {
    return std::unique_ptr<Source>(
        std::make_unique<DeviceSource>(std::move(feed), device.name, known));
  });
}

}  // namespace solarchon::capture
