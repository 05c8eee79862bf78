// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <utility>

#include "pace.h"
#include "solarchon/base/range.h"
#include "solarchon/capture/source.h"
#include "solarchon/optics/rig.h"

namespace solarchon::capture {

using base::Result;

namespace {

class SunSource : public Source {
 public:
  SunSource(camera::Stream stream, double rate_hz, Pace pace)
      : stream_(std::move(stream)), pace_(pace), began_(std::chrono::steady_clock::now()) {
    const optics::Rig& rig = stream_.shot().rig;
    const auto sensor = optics::sensor_of(rig);
    card_.name = rig.elements[sensor->element].name;
    card_.width = sensor->camera.width_px;
    card_.height = sensor->camera.height_px;
    card_.saturation = (1 << sensor->camera.bits) - 1;
    card_.rate_hz = rate_hz;
    card_.simulated = true;
    card_.exposes = true;
  }

  [[nodiscard]] const SourceCard& card() const override { return card_; }

  Result<bool> next(LiveFrame& into, std::stop_token stop) override {
    if (pace_ == Pace::kOfTheClock) {
      const std::chrono::duration<double> gone = std::chrono::steady_clock::now() - began_;
      // What the machine could not draw in time was lost, as on a cable that is too slow.
      number_ =
          std::max(number_, static_cast<std::int64_t>(std::floor(gone.count() * card_.rate_hz)));
      const std::chrono::duration<double> due(static_cast<double>(number_) / card_.rate_hz);
      if (!wait_until(began_ + std::chrono::duration_cast<std::chrono::steady_clock::duration>(due),
                      stop)) {
        return false;
      }
    }
    if (stop.stop_requested()) {
      return false;
    }
    const double seconds = static_cast<double>(number_) / card_.rate_hz;
    if (const auto drawn = stream_.record(seconds, recording_, {stop}); !drawn) {
      if (stop.stop_requested()) {
        return false;
      }
      return tl::make_unexpected(drawn.error());
    }
    std::swap(into.frame, recording_.frame);
    into.seconds = seconds;
    into.number = number_++;
    return true;
  }

  Result<void> expose(double exposure_ms) override {
    camera::Shot shot = stream_.shot();
    shot.exposure_ms = exposure_ms;
    return stream_.change(std::move(shot));
  }

 private:
  camera::Stream stream_;
  camera::Recording recording_;
  SourceCard card_;
  Pace pace_;
  std::chrono::steady_clock::time_point began_;
  std::int64_t number_ = 0;
};

}  // namespace

Result<std::unique_ptr<Source>> open_sun_source(camera::StreamPlan plan, double rate_hz, Pace pace,
                                                const base::Task& task) {
  return base::checked("rate_hz", rate_hz, {0.01, 1000.0})
      .and_then([&](double) { return camera::Stream::open(std::move(plan), task); })
      .map([&](camera::Stream stream) {
        return std::unique_ptr<Source>(
            std::make_unique<SunSource>(std::move(stream), rate_hz, pace));
      });
}

}  // namespace solarchon::capture
