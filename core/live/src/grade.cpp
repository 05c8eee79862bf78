// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/live/grade.h"

#include <algorithm>
#include <cmath>

namespace solarchon::live {

namespace {

/// What cloud takes in a tenth of the frames or more, against the clear sky of the same clip: the
/// level that a twentieth of them exceed. None for clips of some frames, and where all are full.
std::optional<Estimate> cloud_within(const std::vector<GradedFrame>& frames, double black) {
  constexpr std::size_t kLeastFrames = 8;
  constexpr double kSomeClipped = 0.002;
  constexpr double kLeastLevel = 1e-3;
  std::vector<double> levels;
  for (const GradedFrame& frame : frames) {
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

base::Result<ClipGrade> grade(frames::ClipReader& clip, const Setting& setting,
                              const base::Task& task) {
  constexpr double kUsualRateHz = 25.0;
  const frames::ClipFacts& facts = clip.facts();
  const double rate_hz = facts.rate_hz.value_or(kUsualRateHz);
  Meters meters(setting);
  ClipGrade grade;
  frames::Frame frame;
  std::optional<base::Error> problem;
  for (int i = 0; i < facts.frames; ++i) {
    if (task.stopped()) {
      return base::fail(base::ErrorCode::kCancelled, "grade");
    }
    task.report(static_cast<double>(i) / facts.frames);
    if (const auto read = clip.read(i, frame); !read) {
      grade.damaged.push_back(i);
      problem = read.error();
      continue;
    }
    const double seconds = i / rate_hz;
    meters.take(frame, seconds);
    const Meters::Last last = meters.last();
    grade.frames.push_back({i, seconds, last.sharpness, last.level.disc, last.level.clipped_share});
  }
  if (grade.frames.empty()) {
    return tl::make_unexpected(*problem);
  }
  grade.readings = meters.readings();
  if (!setting.clear_level) {
    grade.readings.cloud_stops = cloud_within(grade.frames, setting.black_level);
  }
  grade.judgement = judge(grade.readings, setting);
  task.report(1.0);
  return grade;
}

std::vector<int> sharpest(const std::vector<GradedFrame>& frames, double share) {
  std::vector<GradedFrame> sorted = frames;
  std::stable_sort(sorted.begin(), sorted.end(), [](const GradedFrame& a, const GradedFrame& b) {
    return a.sharpness > b.sharpness;
  });
  const auto wanted = std::lround(share * static_cast<double>(sorted.size()));
  sorted.resize(static_cast<std::size_t>(
      std::clamp<long>(wanted, std::min<long>(1, static_cast<long>(sorted.size())),
                       static_cast<long>(sorted.size()))));
  std::vector<int> numbers;
  numbers.reserve(sorted.size());
  for (const GradedFrame& frame : sorted) {
    numbers.push_back(frame.frame);
  }
  std::sort(numbers.begin(), numbers.end());
  return numbers;
}

}  // namespace solarchon::live
