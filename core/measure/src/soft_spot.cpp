// SPDX-License-Identifier: GPL-3.0-or-later
#include "soft_spot.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>

#include "solarchon/base/angle.h"

namespace solarchon::measure {

namespace {

/// A disc of light 1, softened by a Gaussian, at a distance from its middle; both in deviations.
double small_soft_disc(double distance, double radius) {
  constexpr int kSteps = 24;
  double sum = 0.0;
  for (int i = 0; i < kSteps; ++i) {
    const double ring = radius * (i + 0.5) / kSteps;
    const double at = distance * ring;
    // Scaled, so that neither factor overflows.
    const double off = distance - ring;
    sum += ring * std::exp(-0.5 * off * off) * std::cyl_bessel_i(0.0, at) * std::exp(-at);
  }
  return sum * radius / kSteps;
}

/// The same from a table for small discs, by its straight edge for large ones.
class SoftDisc {
 public:
  SoftDisc() {
    for (std::size_t r = 0; r < kRadii; ++r) {
      for (std::size_t d = 0; d < kDistances; ++d) {
        table_.at(r).at(d) =
            small_soft_disc(static_cast<double>(d) * kStep, static_cast<double>(r) * kStep);
      }
    }
  }
  [[nodiscard]] double at(double distance, double radius) const {
    if (radius >= kLargest) {
      // On a curved edge softness moves the half level inwards (first order).
      const double out = distance - radius + 0.5 / radius;
      return 0.5 * std::erfc(out / std::sqrt(2.0));
    }
    const double d = distance / kStep;
    const double r = radius / kStep;
    const auto left = static_cast<std::size_t>(d);
    const auto low = static_cast<std::size_t>(r);
    if (left + 1 >= kDistances || low + 1 >= kRadii) {
      return 0.0;
    }
    const double right_share = d - static_cast<double>(left);
    const double high_share = r - static_cast<double>(low);
    const auto along = [&](std::size_t row) {
      return table_.at(row).at(left) * (1.0 - right_share) +
             table_.at(row).at(left + 1) * right_share;
    };
    return along(low) * (1.0 - high_share) + along(low + 1) * high_share;
  }

 private:
  static constexpr double kStep = 0.125;
  static constexpr double kLargest = 5.0;
  static constexpr std::size_t kRadii = 42;
  static constexpr std::size_t kDistances = 90;
  std::array<std::array<double, kDistances>, kRadii> table_{};
};

const SoftDisc& soft_disc() {
  static const SoftDisc disc;
  return disc;
}

/// Profile in rings of even width.
struct Ring {
  double distance = 0.0;  ///< deviations
  double depth = 0.0;
  double weight = 0.0;  ///< pixels
};

std::vector<Ring> rings_of(const SpotProfile& profile, double sigma_px) {
  constexpr double kMost = 64.0;
  const double reach = std::sqrt(static_cast<double>(profile.depths.size()) / base::kPi);
  const double wide = std::max(0.5, reach / kMost);
  std::vector<Ring> rings(static_cast<std::size_t>(reach / wide) + 1);
  for (std::size_t i = 0; i < profile.depths.size(); ++i) {
    const double far = std::sqrt((static_cast<double>(i) + 0.5) / base::kPi);
    Ring& ring = rings[std::min(rings.size() - 1, static_cast<std::size_t>(far / wide))];
    ring.distance += far / sigma_px;
    ring.depth += profile.depths[i];
    ring.weight += 1.0;
  }
  rings.erase(std::remove_if(rings.begin(), rings.end(),
                             [](const Ring& ring) { return ring.weight == 0.0; }),
              rings.end());
  for (Ring& ring : rings) {
    ring.distance /= ring.weight;
    ring.depth /= ring.weight;
  }
  return rings;
}

// What spots usually are, and how surely; and by how much the light of a pixel may differ from an
// even one's.
constexpr double kPenumbra = 0.2;
constexpr double kPenumbraSpread = 0.06;
constexpr double kPore = 0.65;
constexpr double kPoreSpread = 0.15;
constexpr double kPixelSpread = 0.02;

struct Levels {
  double outer = 0.0;
  double inner = 0.0;  ///< beyond the outer one
  double misfit = 0.0;
};

/// The levels of two discs, or of one (no inner radius), that are nearest to the rings.
Levels levels_of(const std::vector<Ring>& rings, const std::vector<double>& outer,
                 const std::vector<double>* inner) {
  const double noise = 1.0 / (kPixelSpread * kPixelSpread);
  const double usual = inner ? kPenumbra : kPore;
  const double spread = inner ? kPenumbraSpread : kPoreSpread;
  double oo = 1.0 / (spread * spread);
  double oi = 0.0;
  double ii = 1e-6;
  double od = usual * oo;
  double id = 0.0;
  for (std::size_t i = 0; i < rings.size(); ++i) {
    const double weight = noise * rings[i].weight;
    oo += weight * outer[i] * outer[i];
    od += weight * outer[i] * rings[i].depth;
    if (inner) {
      oi += weight * outer[i] * (*inner)[i];
      ii += weight * (*inner)[i] * (*inner)[i];
      id += weight * (*inner)[i] * rings[i].depth;
    }
  }
  Levels levels;
  const double whole = oo * ii - oi * oi;
  if (inner && whole > 1e-9 * oo * ii) {
    levels.outer = (od * ii - id * oi) / whole;
    levels.inner = (id * oo - od * oi) / whole;
  } else {
    levels.outer = od / oo;
  }
  const double off = (levels.outer - usual) / spread;
  levels.misfit = off * off;
  for (std::size_t i = 0; i < rings.size(); ++i) {
    const double model = levels.outer * outer[i] + (inner ? levels.inner * (*inner)[i] : 0.0);
    const double apart = rings[i].depth - model;
    levels.misfit += noise * rings[i].weight * apart * apart;
  }
  return levels;
}

}  // namespace

SoftSpot fit_soft_spot(const SpotProfile& profile, double sigma_px) {
  const std::vector<Ring> rings = rings_of(profile, sigma_px);
  if (rings.empty()) {
    return {};
  }
  const auto drawn = [&](double radius) {
    std::vector<double> disc;
    disc.reserve(rings.size());
    for (const Ring& ring : rings) {
      disc.push_back(soft_disc().at(ring.distance, radius));
    }
    return disc;
  };
  const double reach = rings.back().distance;
  constexpr double kSmallest = 0.3;  // deviations
  constexpr double kRatio = 1.03;
  constexpr std::array<double, 10> kCores{0.0, 0.2, 0.28, 0.36, 0.42, 0.48, 0.55, 0.63, 0.72, 0.8};
  double least = -1.0;
  SoftSpot best;
  for (double radius = kSmallest; radius < reach; radius *= kRatio) {
    const std::vector<double> outer = drawn(radius);
    for (const double core : kCores) {
      const std::vector<double> inner = core > 0.0 ? drawn(core * radius) : std::vector<double>{};
      const Levels levels = levels_of(rings, outer, core > 0.0 ? &inner : nullptr);
      constexpr double kLeastCore = 0.1;
      constexpr double kFaintest = 0.12;  // of a penumbra
      constexpr double kDarkest = 0.38;
      const bool is_penumbra = levels.outer > kFaintest && levels.outer < kDarkest;
      if (levels.outer <= 0.0 || (core > 0.0 && (levels.inner < kLeastCore || !is_penumbra))) {
        continue;
      }
      // Where both explain it, it is a pore: it needs two levels less.
      constexpr double kCoreCosts = 2.0;
      const double misfit = levels.misfit + (core > 0.0 ? kCoreCosts : 0.0);
      if (least < 0.0 || misfit < least) {
        least = misfit;
        const double all = base::kPi * radius * radius * sigma_px * sigma_px;
        best = {all, core > 0.0 ? all * core * core : all};
      }
    }
  }
  return best;
}

}  // namespace solarchon::measure
