// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <chrono>
#include <utility>

#include "pace.h"
#include "solarchon/base/range.h"
#include "solarchon/capture/source.h"
#include "solarchon/devices/frame_ring.h"
#include "solarchon/devices/telescope_client.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::capture {

using base::ErrorCode;
using base::Result;
using devices::TelescopeClient;

Result<void> Source::focus_to(double /*position_um*/) {
  return base::fail(ErrorCode::kNotFound, "position_um");
}
Result<void> Source::tune_to(int /*step*/) { return base::fail(ErrorCode::kNotFound, "step"); }
Result<void> Source::nudge(double /*west_arcsec*/, double /*north_arcsec*/) {
  return base::fail(ErrorCode::kNotFound, "guider");
}
Result<void> Source::read_region(const image::Rectangle& /*region*/) {
  return base::fail(ErrorCode::kNotFound, "region");
}

namespace {

using Clock = std::chrono::steady_clock;

double seconds_since(Clock::time_point begun) {
  return std::chrono::duration<double>(Clock::now() - begun).count();
}

Clock::time_point soon(double seconds) {
  return Clock::now() +
         std::chrono::duration_cast<Clock::duration>(std::chrono::duration<double>(seconds));
}

class TelescopeSource : public Source {
 public:
  TelescopeSource(TelescopeClient client, devices::FrameRing ring,
                  const devices::CameraState& camera, Known known)
      : client_(std::move(client)),
        ring_(std::move(ring)),
        known_(std::move(known)),
        has_focuser_(client_.card().has("focuser.state")),
        has_heater_(client_.card().has("heater.state")),
        has_guider_(client_.card().has("guide.state")),
        exposure_ms_(camera.exposure_ms) {
    card_.name = client_.card().name;
    card_.width = camera.width_px;
    card_.height = camera.height_px;
    card_.saturation = camera.saturation;
    card_.rate_hz = camera.rate_hz;
    card_.simulated = client_.card().simulated;
    card_.exposes = client_.card().has("camera.expose");
    card_.regions = client_.card().has("camera.region");
  }

  [[nodiscard]] const SourceCard& card() const override { return card_; }
  [[nodiscard]] Hands hands() const override { return hands_; }

  Result<bool> next(LiveFrame& into, std::stop_token stop) override {
    const Clock::time_point begun = Clock::now();
    for (;;) {
      if (stop.stop_requested()) {
        return false;
      }
      if (const auto asked = ask(); !asked) {
        return tl::make_unexpected(asked.error());
      }
      std::swap(taken_.frame, into.frame);  // its memory is used again
      const bool came = ring_.take_next(taken_);
      std::swap(taken_.frame, into.frame);
      if (came) {
        if (first_ < 0) {
          first_ = taken_.number;
        }
        into.number = taken_.number - first_;
        into.seconds = taken_.seconds;
        const auto exposure_ms = into.frame.info.exposure_ms;
        into.frame.info = known_.at(taken_.seconds);
        into.frame.info.exposure_ms = exposure_ms;
        return true;
      }
      constexpr double kHung_s = 10.0;
      if (seconds_since(begun) > kHung_s + 5e-3 * exposure_ms_) {
        return base::fail_because(ErrorCode::kNotFound, "camera", base::because("device-silent"));
      }
      constexpr double kLook_s = 0.001;
      if (!wait_until(soon(kLook_s), stop)) {
        return false;
      }
    }
  }

  Result<void> expose(double exposure_ms) override {
    return client_.expose(exposure_ms).map([&] { exposure_ms_ = exposure_ms; });
  }
  Result<void> focus_to(double position_um) override {
    asked_ = {};  // how it stands is news at once
    return has_focuser_ ? client_.focus_to(position_um) : Source::focus_to(position_um);
  }
  Result<void> tune_to(int step) override {
    asked_ = {};
    return has_heater_ ? client_.tune_to(step) : Source::tune_to(step);
  }
  Result<void> nudge(double west_arcsec, double north_arcsec) override {
    asked_ = {};
    return has_guider_ ? client_.nudge(west_arcsec, north_arcsec)
                       : Source::nudge(west_arcsec, north_arcsec);
  }
  Result<void> read_region(const image::Rectangle& region) override {
    return card_.regions ? client_.read_region(region) : Source::read_region(region);
  }

 private:
  /// How the device stands, some times a second. An answer that makes no sense, or none in time, is
  /// passed over a few times.
  Result<void> ask() {
    constexpr double kAskEvery_s = 0.2;
    constexpr double kListenEvery_s = 0.02;
    constexpr int kMostFailures = 3;
    if (seconds_since(asked_) < kAskEvery_s) {
      if (seconds_since(listened_) < kListenEvery_s) {
        return {};
      }
      listened_ = Clock::now();
      return client_.listen();
    }
    std::optional<base::Error> problem;
    const auto note = [&](const auto& state, auto& into) {
      if (state) {
        into = *state;
      } else {
        problem = state.error();
      }
    };
    if (has_focuser_) {
      note(client_.focuser(), hands_.focuser);
    }
    if (has_heater_ && !problem) {
      note(client_.heater(), hands_.heater);
    }
    if (has_guider_ && !problem) {
      note(client_.guider(), hands_.guider);
    }
    asked_ = Clock::now();
    failures_ = problem ? failures_ + 1 : 0;
    if (problem && failures_ >= kMostFailures) {
      return tl::make_unexpected(*problem);
    }
    return problem ? client_.listen() : Result<void>();
  }

  TelescopeClient client_;
  devices::FrameRing ring_;
  Known known_;
  bool has_focuser_;
  bool has_heater_;
  bool has_guider_;
  double exposure_ms_;
  SourceCard card_;
  Hands hands_;
  devices::RingFrame taken_;
  std::int64_t first_ = -1;
  Clock::time_point asked_;
  Clock::time_point listened_;
  int failures_ = 0;
};

}  // namespace

image::FrameInfo Known::at(double seconds) const {
  image::FrameInfo told = info;
  if (told.time) {
    told.time = *told.time + sky::seconds(seconds);
    if (orientation && told.orientation) {
      told.orientation = orientation(*told.time);
    }
  }
  return told;
}

Result<std::unique_ptr<Source>> open_telescope_source(const std::filesystem::path& socket,
                                                      double patience_s, const Known& known,
                                                      const base::Task& task) {
  if (const auto patience = base::checked("patience_s", patience_s, {0.0, 600.0}); !patience) {
    return tl::make_unexpected(patience.error());
  }
  const Clock::time_point begun = Clock::now();
  for (;;) {
    // Without the task's stop: the source that keeps the client outlives the task.
    auto client = TelescopeClient::open(socket);
    if (client) {
      const auto camera = client->camera();
      if (!camera) {
        return tl::make_unexpected(camera.error());
      }
      return devices::FrameRing::open(camera->frames).map([&](devices::FrameRing ring) {
        return std::unique_ptr<Source>(
            std::make_unique<TelescopeSource>(*std::move(client), std::move(ring), *camera, known));
      });
    }
    if (seconds_since(begun) >= patience_s) {
      return tl::make_unexpected(client.error());
    }
    constexpr double kAgain_s = 0.05;
    if (!wait_until(soon(kAgain_s), task.stop)) {
      return base::fail(ErrorCode::kCancelled, "device");
    }
  }
}

}  // namespace solarchon::capture
