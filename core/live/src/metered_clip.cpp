// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/live/metered_clip.h"

#include <algorithm>
#include <cmath>

#include "solarchon/image/bayer.h"
#include "solarchon/image/frame.h"

namespace solarchon::live {

namespace {

/// What cloud takes in a tenth of the frames or more, against the clear sky of the same clip: the
/// level that a twentieth of them exceed. None for clips of some frames, and where all are full.
std::optional<Estimate> cloud_within(const std::vector<FrameLight>& frames, double black) {
  constexpr std::size_t kLeastFrames = 8;
  constexpr double kSomeClipped = 0.002;
  constexpr double kLeastLevel = 1e-3;
  std::vector<double> levels;
  for (const FrameLight& frame : frames) {
    if (frame.clipped_share < kSomeClipped) {
      levels.push_back(std::max(kLeastLevel, frame.level - black));
    }
  }
  if (levels.size() < kLeastFrames) {
    return std::nullopt;
  }
  std::sort(levels.begin(), levels.end());
  const auto at = [&](double share) {
    return levels[static_cast<std::size_t>(share * static_cast<double>(levels.size() - 1))];
  };
  constexpr double kClear = 0.95;
  constexpr double kCloudy = 0.1;
  constexpr double kSpread = 0.05;
  return Estimate{std::log2(at(kClear) / at(kCloudy)), kSpread};
}

}  // namespace

base::Result<MeteredClip> meter_clip(media::ClipReader& clip, const Setting& setting,
                                     const base::Task& task) {
  constexpr double kUsualRateHz = 25.0;
  const media::ClipFacts& facts = clip.facts();
  const double rate_hz = facts.rate_hz.value_or(kUsualRateHz);
  Meters meters(setting);
  MeteredClip metered;
  image::Frame frame;
  std::optional<base::Error> problem;
  for (int i = 0; i < facts.frames; ++i) {
    if (task.stopped()) {
      return base::fail(base::ErrorCode::kCancelled, "clip");
    }
    task.report(static_cast<double>(i) / facts.frames);
    if (const auto read = clip.read(i, frame); !read) {
      metered.damaged.push_back(i);
      problem = read.error();
      continue;
    }
    image::to_grey(frame);
    const double seconds = i / rate_hz;
    meters.take(frame, seconds);
    const Meters::Last last = meters.last();
    metered.frames.push_back({i, seconds, last.level.disc, last.level.clipped_share});
    metered.sharpness += last.sharpness;
  }
  if (metered.frames.empty()) {
    return tl::make_unexpected(*problem);
  }
  metered.sharpness /= static_cast<double>(metered.frames.size());
  metered.readings = meters.readings();
  if (!setting.clear_level) {
    metered.readings.cloud_stops = cloud_within(metered.frames, setting.black_level);
  }
  metered.judgement = judge(metered.readings, setting);
  task.report(1.0);
  return metered;
}

}  // namespace solarchon::live
