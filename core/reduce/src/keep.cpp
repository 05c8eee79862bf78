// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/keep.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace solarchon::reduce {

namespace {

constexpr double kLightLeft = 0.5;

std::vector<std::size_t> usable(const ClipGrading& grading) {
  std::vector<std::size_t> places;
  for (std::size_t i = 0; i < grading.frames.size(); ++i) {
    const GradedFrame& frame = grading.frames[i];
    const double light = frame.level - grading.black;
    if (frame.alike && light >= kLightLeft * (grading.level - grading.black)) {
      places.push_back(i);
    }
  }
  return places;
}

void sort_sharpest_first(std::vector<std::size_t>& places, const ClipGrading& grading) {
  std::stable_sort(places.begin(), places.end(), [&](std::size_t a, std::size_t b) {
    return grading.frames[a].sharpness > grading.frames[b].sharpness;
  });
}

std::size_t count_of(double share, std::size_t all) {
  const auto wanted = std::lround(std::clamp(share, 0.0, 1.0) * static_cast<double>(all));
  return std::clamp<std::size_t>(static_cast<std::size_t>(wanted), std::min<std::size_t>(1, all),
                                 all);
}

/// Sharpness as the air has it: each frame's mean with those around it in time.
std::vector<double> calm_of(const ClipGrading& grading, const std::vector<std::size_t>& places,
                            double span_s) {
  std::vector<double> calm(places.size());
  std::size_t from = 0;
  std::size_t to = 0;
  double sum = 0.0;
  const auto at = [&](std::size_t i) -> const GradedFrame& { return grading.frames[places[i]]; };
  for (std::size_t i = 0; i < places.size(); ++i) {
    while (to < places.size() && at(to).seconds <= at(i).seconds + 0.5 * span_s) {
      sum += at(to++).sharpness;
    }
    while (at(from).seconds < at(i).seconds - 0.5 * span_s) {
      sum -= at(from++).sharpness;
    }
    calm[i] = sum / static_cast<double>(to - from);
  }
  return calm;
}

/// The calmest frames, and of these what lasts.
std::vector<std::size_t> calm_stretches(const ClipGrading& grading,
                                        const std::vector<std::size_t>& places,
                                        const KeepWish& wish) {
  const std::vector<double> calm = calm_of(grading, places, wish.calm_s);
  std::vector<double> sorted = calm;
  std::sort(sorted.begin(), sorted.end(), std::greater<>());
  const double least = sorted.at(count_of(wish.share, sorted.size()) - 1);
  const auto at = [&](std::size_t i) { return grading.frames[places[i]].seconds; };
  std::vector<std::size_t> chosen;
  std::vector<std::size_t> longest;
  for (std::size_t i = 0; i < places.size();) {
    if (calm[i] < least) {
      ++i;
      continue;
    }
    std::size_t end = i;
    while (end < places.size() && calm[end] >= least) {
      ++end;
    }
    const std::vector<std::size_t> stretch(places.begin() + static_cast<std::ptrdiff_t>(i),
                                           places.begin() + static_cast<std::ptrdiff_t>(end));
    if (at(end - 1) - at(i) >= wish.calm_s) {
      chosen.insert(chosen.end(), stretch.begin(), stretch.end());
    }
    if (stretch.size() > longest.size()) {
      longest = stretch;
    }
    i = end;
  }
  return chosen.empty() ? longest : chosen;
}

double amplitude(const GradedFrame& frame) { return std::sqrt(std::max(0.0, frame.sharpness)); }

}  // namespace

std::vector<std::size_t> kept(const ClipGrading& grading, const KeepWish& wish) {
  std::vector<std::size_t> places = usable(grading);
  if (places.empty()) {
    return places;
  }
  switch (wish.rule) {
    case KeepRule::kBestShare: {
      sort_sharpest_first(places, grading);
      places.resize(count_of(wish.share, places.size()));
      std::sort(places.begin(), places.end());
      return places;
    }
    case KeepRule::kAboveLevel: {
      std::vector<std::size_t> above;
      std::copy_if(places.begin(), places.end(), std::back_inserter(above),
                   [&](std::size_t i) { return grading.frames[i].sharpness >= wish.level; });
      if (above.empty()) {
        sort_sharpest_first(places, grading);
        above.push_back(places.front());
      }
      return above;
    }
    case KeepRule::kCalmStretches:
      return calm_stretches(grading, places, wish);
    case KeepRule::kAll:
      break;
  }
  return places;
}

Gain gain_of(const ClipGrading& grading, const std::vector<std::size_t>& places) {
  Gain gain;
  const std::vector<std::size_t> all = usable(grading);
  const auto mean = [&](const std::vector<std::size_t>& of) {
    double sum = 0.0;
    for (const std::size_t i : of) {
      sum += amplitude(grading.frames[i]);
    }
    return of.empty() ? 0.0 : sum / static_cast<double>(of.size());
  };
  if (all.empty() || places.empty()) {
    return gain;
  }
  gain.frames = static_cast<int>(places.size());
  gain.share = static_cast<double>(places.size()) / static_cast<double>(all.size());
  const double of_all = mean(all);
  gain.detail = of_all > 0.0 ? mean(places) / of_all : 1.0;
  gain.noise = grading.noise / std::sqrt(static_cast<double>(places.size()));
  return gain;
}

Proposal propose(const ClipGrading& grading) {
  // Sharpening takes an air-blurred picture's finest useful detail up about so much, and its noise.
  constexpr double kSharpening = 4.0;
  constexpr std::size_t kFewest = 8;
  constexpr double kEven = 0.93;
  Proposal proposal;
  std::vector<std::size_t> places = usable(grading);
  if (places.empty()) {
    return proposal;
  }
  sort_sharpest_first(places, grading);
  const std::size_t first =
      std::max<std::size_t>(std::min<std::size_t>(5, places.size()), places.size() / 100);
  double sum = 0.0;
  for (std::size_t i = 0; i < first; ++i) {
    sum += amplitude(grading.frames[places[i]]);
  }
  const double best = sum / static_cast<double>(first);
  if (best <= 0.0) {
    proposal.gain = gain_of(grading, places);
    return proposal;
  }
  std::size_t least_at = places.size();
  double least = -1.0;
  sum = 0.0;
  for (std::size_t i = 0; i < places.size(); ++i) {
    const auto count = static_cast<double>(i + 1);
    sum += amplitude(grading.frames[places[i]]);
    const double lost = grading.contrast * best * (1.0 - std::min(1.0, sum / count / best));
    const double noise = grading.noise * kSharpening / std::sqrt(count);
    const double cost = std::hypot(lost, noise);
    if (i + 1 >= std::min(kFewest, places.size()) && (least < 0.0 || cost < least)) {
      least = cost;
      least_at = i + 1;
    }
  }
  proposal.even_air = sum / static_cast<double>(places.size()) / best > kEven;
  places.resize(least_at);
  proposal.gain = gain_of(grading, places);
  return proposal;
}

}  // namespace solarchon::reduce
