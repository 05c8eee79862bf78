// SPDX-License-Identifier: GPL-3.0-or-later
#include <utility>

#include "pace.h"
#include "solarchon/capture/source.h"

namespace solarchon::capture {

using base::Result;

Result<void> Source::expose(double /*exposure_ms*/) {
  return base::fail(base::ErrorCode::kNotFound, "exposure_ms");
}

namespace {

class ClipSource : public Source {
 public:
  ClipSource(media::ClipReader clip, std::string name, Pace pace)
      : clip_(std::move(clip)), pace_(pace), began_(std::chrono::steady_clock::now()) {
    const media::ClipFacts& facts = clip_.facts();
    constexpr double kUsualRateHz = 25.0;
    card_.name = std::move(name);
    card_.width = facts.width;
    card_.height = facts.height;
    card_.saturation = facts.saturation;
    card_.rate_hz = facts.rate_hz.value_or(kUsualRateHz);
    card_.ends = true;
  }

  [[nodiscard]] const SourceCard& card() const override { return card_; }

  Result<bool> next(LiveFrame& into, std::stop_token stop) override {
    while (at_ < clip_.facts().frames) {
      if (stop.stop_requested()) {
        return false;
      }
      const int frame = at_++;
      const double seconds = clip_.seconds_of(frame).value_or(frame / card_.rate_hz);
      if (pace_ == Pace::kOfTheClock &&
          !wait_until(began_ + std::chrono::duration_cast<std::chrono::steady_clock::duration>(
                                   std::chrono::duration<double>(seconds)),
                      stop)) {
        return false;
      }
      if (clip_.read(frame, into.frame)) {
        into.seconds = seconds;
        into.number = frame;
        return true;
      }
    }
    return false;
  }

 private:
  media::ClipReader clip_;
  SourceCard card_;
  Pace pace_;
  std::chrono::steady_clock::time_point began_;
  int at_ = 0;
};

}  // namespace

Result<std::unique_ptr<Source>> open_clip_source(const std::filesystem::path& clip, Pace pace) {
  return media::ClipReader::open(clip).map([&](media::ClipReader reader) {
    return std::unique_ptr<Source>(
        std::make_unique<ClipSource>(std::move(reader), clip.filename().string(), pace));
  });
}

}  // namespace solarchon::capture
