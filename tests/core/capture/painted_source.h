// SPDX-License-Identifier: GPL-3.0-or-later
// A camera that is painted here, not by the simulator.
#pragma once

#include <algorithm>
#include <array>
#include <atomic>
#include <chrono>
#include <cmath>
#include <thread>

#include "solarchon/base/random.h"
#include "solarchon/capture/session.h"
#include "solarchon/image/frame.h"
#include "tests/support/support.h"

namespace solarchon::capture {

inline constexpr double kScale = 2.0;  // arcsec a pixel
inline constexpr sky::PictureOrientation kHangs{130.0, true};

/// A field of soft blobs that drifts over the sensor of a telescope with a guider.
class PaintedSource : public Source {
 public:
  struct Ways {
    double rate_hz = 10.0;
    double west_arcsec_s = 0.0;  ///< that the field drifts on the sky
    double north_arcsec_s = 0.0;
    double fades_stops_s = 0.0;  ///< the light, from the start on
    bool guides = true;
    bool tells_exposure = true;
    bool exposes = true;
    int most = 100'000;
    const std::atomic<double>* light = nullptr;  ///< of what there would be else
  };
  explicit PaintedSource(const Ways& ways, std::atomic<double>* off_px = nullptr)
      : ways_(ways), off_px_(off_px) {
    card_.width = 160;
    card_.height = 120;
    card_.saturation = 4095;
    card_.rate_hz = ways.rate_hz;
    card_.exposes = ways.exposes;
    base::Random random{5};
    for (Blob& blob : blobs_) {
      blob = {random.uniform(-120.0, 120.0), random.uniform(-100.0, 100.0),
              random.uniform(2.5, 5.0), random.uniform(-0.35, 0.3)};
    }
  }
  [[nodiscard]] const SourceCard& card() const override { return card_; }
  [[nodiscard]] Hands hands() const override {
    Hands hands;
    if (ways_.guides) {
      hands.guider = {guided_.west_arcsec, guided_.north_arcsec, moving()};
    }
    return hands;
  }
  base::Result<void> expose(double exposure_ms) override {
    exposure_ms_ = exposure_ms;
    return {};
  }
  base::Result<void> nudge(double west_arcsec, double north_arcsec) override {
    target_.west_arcsec += west_arcsec;
    target_.north_arcsec += north_arcsec;
    return {};
  }
  base::Result<bool> next(LiveFrame& into, std::stop_token stop) override {
    if (stop.stop_requested() || at_ >= ways_.most) {
      return false;
    }
    std::this_thread::sleep_for(std::chrono::microseconds(100));
    const double step_s = 1.0 / ways_.rate_hz;
    const double seconds = at_ * step_s;
    constexpr double kSpeed = 20.0;
    const auto go = [&](double& now, double target) {
      now += std::clamp(target - now, -kSpeed * step_s, kSpeed * step_s);
    };
    go(guided_.west_arcsec, target_.west_arcsec);
    go(guided_.north_arcsec, target_.north_arcsec);
    const sky::PictureOffset off =
        sky::to_picture({ways_.west_arcsec_s * seconds - guided_.west_arcsec,
                         ways_.north_arcsec_s * seconds - guided_.north_arcsec},
                        kHangs);
    paint(into.frame, off.right / kScale, -off.up / kScale,
          exposure_ms_ * std::exp2(-ways_.fades_stops_s * seconds) *
              (ways_.light != nullptr ? ways_.light->load() : 1.0));
    if (off_px_ != nullptr) {
      *off_px_ = std::hypot(off.right, off.up) / kScale;
    }
    into.seconds = seconds;
    into.number = at_++;
    into.frame.info = {};
    into.frame.info.time = test::morning() + sky::seconds(seconds);
    if (ways_.tells_exposure) {
      into.frame.info.exposure_ms = exposure_ms_;
    }
    return true;
  }

 private:
  struct Blob {
    double x = 0.0;
    double y = 0.0;
    double size = 1.0;
    double height = 0.0;
  };
  [[nodiscard]] bool moving() const {
    return guided_.west_arcsec != target_.west_arcsec ||
           guided_.north_arcsec != target_.north_arcsec;
  }
  void paint(image::Frame& frame, double right_px, double down_px, double light) {
    frame.width = card_.width;
    frame.height = card_.height;
    frame.saturation = card_.saturation;
    frame.pixels.resize(static_cast<std::size_t>(card_.width * card_.height));
    std::size_t i = 0;
    for (int y = 0; y < card_.height; ++y) {
      for (int x = 0; x < card_.width; ++x) {
        double value = 1.0;
        for (const Blob& blob : blobs_) {
          const double dx = x - 80.0 - right_px - blob.x;
          const double dy = y - 60.0 - down_px - blob.y;
          const double far = (dx * dx + dy * dy) / (blob.size * blob.size);
          value += far < 12.0 ? blob.height * std::exp(-0.5 * far) : 0.0;
        }
        // At 1 ms the field is at a half of full.
        const double level = 0.5 * 4095.0 * light * value + random_.uniform(-20.0, 20.0);
        frame.pixels[i++] = static_cast<std::uint16_t>(std::clamp(level, 0.0, 4095.0));
      }
    }
  }

  Ways ways_;
  std::atomic<double>* off_px_;
  SourceCard card_;
  std::array<Blob, 60> blobs_;
  base::Random random_{9};
  double exposure_ms_ = 1.0;
  sky::DiscPlace guided_;
  sky::DiscPlace target_;
  int at_ = 0;
};

inline live::Setting setting() {
  live::Setting setting;
  setting.imaging.scale_arcsec_px = kScale;
  setting.target_level = 0.6;
  return setting;
}

template <typename Done>
bool wait_until(const Session& session, Done done, int seconds = 60) {
  for (int i = 0; i < seconds * 200; ++i) {
    if (done(session.glance())) {
      return true;
    }
    std::this_thread::sleep_for(std::chrono::milliseconds(5));
  }
  return false;
}

}  // namespace solarchon::capture
