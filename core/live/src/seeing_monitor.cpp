// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/live/seeing_monitor.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <utility>

#include "solarchon/base/angle.h"
#include "solarchon/light/limb_darkening.h"
#include "solarchon/psf/transfer.h"
#include "solarchon/seeing/air.h"

namespace solarchon::live {

namespace {

constexpr std::size_t kLeastMotionFrames = 24;
constexpr double kLeastSpan_s = 1.0;
constexpr std::size_t kMostFrames = 1500;
/// Slower than this is drift, not air.
constexpr double kSlow_s = 10.0;
/// Of the motion that arises high up, usually: it differs from place to place.
constexpr double kHighShare = 0.3;

/// Sum of squares about straight lines through stretches of a series, and what is left free in it.
struct Rest {
  double squares = 0.0;
  double free = 0.0;
  [[nodiscard]] double variance() const { return free > 0.0 ? squares / free : 0.0; }
};

Rest about_lines(const std::vector<double>& seconds, const std::vector<double>& values) {
  Rest rest;
  std::size_t from = 0;
  while (from < values.size()) {
    std::size_t to = from;
    while (to < values.size() && seconds[to] - seconds[from] < kSlow_s) {
      ++to;
    }
    constexpr std::size_t kLeast = 8;
    const std::size_t left = values.size() - to;
    if (left > 0 && left < kLeast) {
      to = values.size();
    }
    const auto count = static_cast<double>(to - from);
    if (to - from >= kLeast) {
      double mean_t = 0.0;
      double mean_v = 0.0;
      for (std::size_t i = from; i < to; ++i) {
        mean_t += seconds[i] / count;
        mean_v += values[i] / count;
      }
      double tt = 0.0;
      double tv = 0.0;
      double vv = 0.0;
      for (std::size_t i = from; i < to; ++i) {
        tt += (seconds[i] - mean_t) * (seconds[i] - mean_t);
        tv += (seconds[i] - mean_t) * (values[i] - mean_v);
        vv += (values[i] - mean_v) * (values[i] - mean_v);
      }
      rest.squares += std::max(0.0, vv - (tt > 0.0 ? tv * tv / tt : 0.0));
      rest.free += count - 2.0;
    }
    from = to;
  }
  return rest;
}

}  // namespace

void SeeingMonitor::take(double seconds, std::vector<double> places_arcsec) {
  if (!past_.empty() &&
      (past_.back().places.size() != places_arcsec.size() || seconds <= past_.back().seconds)) {
    past_.clear();
  }
  past_.push_back({seconds, std::move(places_arcsec)});
  while (past_.size() > kMostFrames || past_.back().seconds - past_.front().seconds > keep_s_) {
    past_.pop_front();
  }
}

std::optional<SeeingMonitor::Seen> SeeingMonitor::seen() const {
  if (past_.size() < kLeastMotionFrames ||
      past_.back().seconds - past_.front().seconds < kLeastSpan_s) {
    return std::nullopt;
  }
  const std::size_t places = past_.front().places.size();
  Rest all;
  double used = 0.0;
  std::vector<double> common(past_.size(), 0.0);
  std::vector<double> seconds;
  std::vector<double> values;
  std::vector<double> variances;
  for (std::size_t place = 0; place < places; ++place) {
    seconds.clear();
    values.clear();
    for (const Sample& sample : past_) {
      if (std::isfinite(sample.places[place])) {
        seconds.push_back(sample.seconds);
        values.push_back(sample.places[place]);
      }
    }
    constexpr double kMostly = 0.8;
    if (static_cast<double>(values.size()) < kMostly * static_cast<double>(past_.size())) {
      continue;
    }
    const Rest rest = about_lines(seconds, values);
    if (rest.free > 0.0) {
      all.squares += rest.squares;
      all.free += rest.free;
      variances.push_back(rest.variance());
      used += 1.0;
    }
  }
  if (used < 1.0) {
    return std::nullopt;
  }
  Seen seen;
  // The middle of the places: one that jumps between two edges does not count.
  std::nth_element(variances.begin(),
                   variances.begin() + static_cast<std::ptrdiff_t>(variances.size() / 2),
                   variances.end());
  const double usual = variances[variances.size() / 2];
  double sum = 0.0;
  double counted = 0.0;
  for (const double variance : variances) {
    if (variance < 4.0 * usual) {
      sum += variance;
      counted += 1.0;
    }
  }
  // A sector of the limb is some 30 arcsec long: what arises high up cancels out in it, and the
  // slowest of the rest has gone with the drift.
  constexpr double kSeenShare = 0.53;
  const double variance = sum / std::max(1.0, counted) / kSeenShare;
  seen.motion_arcsec = std::sqrt(variance);
  const double of_one_cm = seeing::image_motion_arcsec(1.0, setting_.imaging.wavelength_nm,
                                                       setting_.imaging.aperture_mm);
  seen.r0_cm.value =
      std::clamp(std::pow(of_one_cm / std::max(1e-6, seen.motion_arcsec), 6.0 / 5.0), 0.1, 100.0);
  // Frames within aperture over wind are alike, and so are places of the near air.
  const double independent =
      std::min(static_cast<double>(past_.size()), all.free / used) * std::min(used, 6.0) / 3.0;
  seen.r0_cm.spread = seen.r0_cm.value * (0.6 * std::sqrt(2.0 / std::max(2.0, independent)) + 0.08);
  return seen;
}

namespace {

/// How steep a straight edge is drawn beside its place, against the steepest, arcsec apart.
class LineSpread {
 public:
  LineSpread(const Setting& setting, std::optional<double> r0_cm, double defocus_um) {
    const psf::ImagingSetup& imaging = setting.imaging;
    const double cutoff_per_arcsec = imaging.cutoff_per_arcsec();
    psf::Blurring blurring;
    blurring.r0_cm = r0_cm;
    blurring.defocus_waves = 1e3 * defocus_um / imaging.wavelength_nm /
                             (8.0 * setting.focal_ratio * setting.focal_ratio);
    if (r0_cm) {
      // The high air moves neighbouring places of the edge each its own way.
      blurring.smear_px =
          std::sqrt(kHighShare) *
          seeing::image_motion_arcsec(*r0_cm, imaging.wavelength_nm, imaging.aperture_mm) /
          imaging.scale_arcsec_px;
    }
    constexpr int kSteps = 100;
    std::array<double, kSteps> transfer{};
    for (std::size_t i = 0; i < kSteps; ++i) {
      transfer.at(i) = psf::transfer((static_cast<double>(i) + 0.5) / kSteps, imaging, blurring);
    }
    step_arcsec_ = 0.08 / cutoff_per_arcsec;
    // As far as it takes to fall to nothing worth counting.
    constexpr std::size_t kMost = 250;
    double most = 0.0;
    double low = 0.0;
    while (values_.size() < kMost && low < 20.0) {
      double sum = 0.0;
      const double x = static_cast<double>(values_.size()) * step_arcsec_ * cutoff_per_arcsec;
      for (std::size_t i = 0; i < kSteps; ++i) {
        sum += transfer.at(i) *
               std::cos(2.0 * std::numbers::pi * (static_cast<double>(i) + 0.5) / kSteps * x);
      }
      most = std::max(most, sum);
      low = sum < 0.02 * most ? low + 1.0 : 0.0;
      values_.push_back(sum);
    }
  }
  [[nodiscard]] double step_arcsec() const { return step_arcsec_; }
  [[nodiscard]] int reach() const { return static_cast<int>(values_.size()) - 1; }
  [[nodiscard]] double at(int steps) const {
    const auto i = static_cast<std::size_t>(std::abs(steps));
    return i < values_.size() ? values_[i] : 0.0;
  }

 private:
  double step_arcsec_ = 0.0;
  std::vector<double> values_;
};

/// By how much the Sun is brighter a little farther in, from outside the limb inwards: its edge
/// itself, the darkening that ends there, and in hydrogen alpha the fringe over it.
std::vector<double> rises_of(const Setting& setting, double step_arcsec, int inside, int outside) {
  std::vector<double> rises(static_cast<std::size_t>(inside + outside + 1), 0.0);
  // The line's middle is hardly darker at the limb.
  const light::LimbDarkening darkening(setting.imaging.wavelength_nm);
  const auto brightness = [&](int steps) {
    const double from_centre = 1.0 - std::max(0.0, steps * step_arcsec) / setting.sun_radius_arcsec;
    const double mu = std::sqrt(std::max(0.0, 1.0 - from_centre * from_centre));
    return setting.line ? kLineEdge + (1.0 - kLineEdge) * mu : darkening.at(mu);
  };
  const double edge = brightness(0);
  constexpr double kFringe = 0.5;        // of the step at the limb that lies in the fringe
  constexpr double kFringeArcsec = 3.4;  // over which spicules fall by e: 2.5 Mm
  rises[static_cast<std::size_t>(outside)] = setting.line ? edge * (1.0 - kFringe) : edge;
  for (int i = 1; setting.line && i <= outside; ++i) {
    rises[static_cast<std::size_t>(outside - i)] =
        edge * kFringe * step_arcsec / kFringeArcsec * std::exp(-i * step_arcsec / kFringeArcsec);
  }
  for (int i = 1; i <= inside; ++i) {
    const int place = outside + i;
    rises[static_cast<std::size_t>(place)] += brightness(i) - brightness(i - 1);
  }
  return rises;
}

}  // namespace

double edge_width_arcsec(const Setting& setting, std::optional<double> r0_cm, double defocus_um) {
  const LineSpread spread(setting, r0_cm, defocus_um);
  const int reach = spread.reach();
  const std::vector<double> rises = rises_of(setting, spread.step_arcsec(), 2 * reach, 2 * reach);
  // The slope of the picture, from as far inside as it is steepest outwards.
  const auto slope = [&](int at) {
    double sum = 0.0;
    for (int i = -reach; i <= reach; ++i) {
      const int from = 2 * reach + at + i;
      if (from >= 0 && from < static_cast<int>(rises.size())) {
        sum += rises[static_cast<std::size_t>(from)] * spread.at(i);
      }
    }
    return sum;
  };
  int steepest = -reach;
  double most = 0.0;
  for (int i = -reach; i <= reach; ++i) {
    if (const double there = slope(i); there > most) {
      most = there;
      steepest = i;
    }
  }
  int out = steepest;
  while (out > -2 * reach && slope(out) > 0.5 * most) {
    --out;
  }
  const double inner = slope(out + 1);
  const double part = (inner - 0.5 * most) / std::max(1e-12, inner - slope(out));
  return 2.0 * (steepest - out - 1 + part) * spread.step_arcsec();
}

double focus_depth_um(const Setting& setting) {
  return 2e-3 * setting.imaging.wavelength_nm * setting.focal_ratio * setting.focal_ratio;
}

double defocus_of(const Setting& setting, std::optional<double> r0_cm, double width_arcsec) {
  if (width_arcsec <= edge_width_arcsec(setting, r0_cm, 0.0)) {
    return 0.0;
  }
  double low = 0.0;
  double high = focus_depth_um(setting);
  constexpr double kFarthest = 20000.0;
  while (high < kFarthest && edge_width_arcsec(setting, r0_cm, high) < width_arcsec) {
    low = high;
    high *= 2.0;
  }
  constexpr int kHalvings = 12;
  for (int i = 0; i < kHalvings; ++i) {
    const double middle = 0.5 * (low + high);
    (edge_width_arcsec(setting, r0_cm, middle) < width_arcsec ? low : high) = middle;
  }
  return 0.5 * (low + high);
}

}  // namespace solarchon::live
