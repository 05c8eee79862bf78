// SPDX-License-Identifier: GPL-3.0-or-later
#include "edge.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>

namespace solarchon::disc {

namespace {

constexpr int kKernelReach = 6;  // samples: three deviations of the smoothing
constexpr double kSmoothingPx = 1.0;

/// The fall of a profile at each sample: minus the derivative of its Gaussian average.
std::vector<double> falls(const std::vector<double>& profile) {
  static const auto kKernel = [] {
    std::array<double, std::size_t{2} * kKernelReach + 1> kernel{};
    double moment = 0.0;
    for (std::size_t i = 0; i < kernel.size(); ++i) {
      const double x = (static_cast<double>(i) - kKernelReach) * kEdgeStepPx;
      double& weight = kernel.at(i);
      weight = -x * std::exp(-0.5 * x * x / (kSmoothingPx * kSmoothingPx));
      moment += weight * -x;
    }
    for (double& weight : kernel) {
      weight /= moment;
    }
    return kernel;
  }();
  std::vector<double> out(profile.size(), 0.0);
  for (std::size_t i = kKernelReach; i + kKernelReach < profile.size(); ++i) {
    for (std::size_t k = 0; k < kKernel.size(); ++k) {
      out[i] += kKernel.at(k) * profile[i + k - kKernelReach];
    }
  }
  return out;
}

/// Brightness of a darkened limb, softened, at a distance outside the true edge. The disc ends at a
/// step and falls to it like a square root: counted in the root of the distance from the edge, both
/// are smooth.
double soft_limb(double outside_px, double sigma_px, double radius_px,
                 const light::LimbDarkening& darkening) {
  constexpr int kSteps = 64;
  constexpr double kReach = 5.0;  // deviations
  constexpr double kNorm = 0.3989422804014327;
  const double edge = std::min(-outside_px / sigma_px, kReach);
  if (edge <= -kReach) {
    return 0.0;
  }
  // Inside the reach, and no further than the disc's middle.
  const double deepest = std::sqrt(std::min(edge + kReach, radius_px / sigma_px));
  const double step = deepest / kSteps;
  double sum = 0.0;
  for (int i = 0; i < kSteps; ++i) {
    const double root = (i + 0.5) * step;
    const double offset = edge - root * root;
    const double share = 1.0 + (outside_px + offset * sigma_px) / radius_px;
    sum += root * std::exp(-0.5 * offset * offset) *
           darkening.at(std::sqrt(std::max(0.0, 1.0 - share * share)));
  }
  return 2.0 * kNorm * step * sum;
}

/// The steepest fall of a softened limb, with the true edge in the middle of the profile.
Edge model_edge(double sigma_px, double radius_px, const light::LimbDarkening& darkening) {
  const int half = static_cast<int>((5.0 * sigma_px + 6.0) / kEdgeStepPx);
  std::vector<double> profile;
  for (int i = -half; i <= half; ++i) {
    profile.push_back(soft_limb(i * kEdgeStepPx, sigma_px, radius_px, darkening));
  }
  Edge edge = steepest_fall(profile).value_or(Edge{});
  edge.place_px -= half * kEdgeStepPx;
  return edge;
}

}  // namespace

std::optional<Edge> steepest_fall(const std::vector<double>& profile) {
  if (profile.size() < 2 * kKernelReach + 5) {
    return std::nullopt;
  }
  const std::vector<double> fall = falls(profile);
  const auto first = fall.begin() + kKernelReach;
  const auto last = fall.end() - kKernelReach;
  const auto peak = static_cast<std::size_t>(std::max_element(first, last) - fall.begin());
  if (fall[peak] <= 0.0 || peak <= kKernelReach || peak + kKernelReach + 1 >= fall.size()) {
    return std::nullopt;
  }
  const double left = fall[peak - 1];
  const double right = fall[peak + 1];
  const double bend = left - 2.0 * fall[peak] + right;
  const double shift = bend < 0.0 ? 0.5 * (left - right) / bend : 0.0;
  Edge edge;
  edge.place_px = (static_cast<double>(peak) + shift) * kEdgeStepPx;
  edge.slope_per_px = fall[peak] - 0.25 * (left - right) * shift;
  edge.half_width_px = static_cast<double>(fall.size()) * kEdgeStepPx;
  for (std::size_t i = peak + 1; i + kKernelReach < fall.size(); ++i) {
    const double half = 0.5 * edge.slope_per_px;
    if (fall[i] < half) {
      const double part = (fall[i - 1] - half) / (fall[i - 1] - fall[i]);
      edge.half_width_px = (static_cast<double>(i - 1) + part) * kEdgeStepPx - edge.place_px;
      break;
    }
  }
  return edge;
}

LimbBias limb_bias(double half_width_px, double radius_px, const light::LimbDarkening& darkening) {
  double low = 0.05;
  double high = std::max(1.0, half_width_px);
  constexpr int kHalvings = 12;
  for (int step = 0; step < kHalvings; ++step) {
    const double middle = 0.5 * (low + high);
    const bool too_soft = model_edge(middle, radius_px, darkening).half_width_px > half_width_px;
    (too_soft ? high : low) = middle;
  }
  const double sigma_px = 0.5 * (low + high);
  // Softness works in two directions: on a curved edge it moves the steepest point inward by half
  // its variance over the radius (the equation of heat in polar coordinates, first order).
  const double curved_px = 0.5 * sigma_px * sigma_px / radius_px;
  return {sigma_px, curved_px - model_edge(sigma_px, radius_px, darkening).place_px};
}

}  // namespace solarchon::disc
