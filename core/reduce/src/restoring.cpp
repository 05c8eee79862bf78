// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/restoring.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <optional>
#include <utility>
#include <vector>

#include "solarchon/base/range.h"
#include "solarchon/disc/disc_model.h"
#include "solarchon/image/picture.h"
#include "solarchon/image/spectrum.h"
#include "solarchon/psf/transfer.h"
#include "solarchon/reduce/finishing.h"
#include "solarchon/seeing/air.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Result;
using image::Picture;

namespace {

constexpr double kGoalFlat = 0.65;  // of the cutoff: full contrast up to here, none at the cutoff
constexpr std::size_t kRings = 96;  // in which a picture's power is counted

/// What is wanted of contrast, at a share of the cutoff.
double goal(double share) {
  if (share <= kGoalFlat) {
    return 1.0;
  }
  if (share >= 1.0) {
    return 0.0;
  }
  return 0.5 + 0.5 * std::cos(std::numbers::pi * (share - kGoalFlat) / (1.0 - kGoalFlat));
}

std::vector<float> less(std::vector<float> values, const std::vector<float>& taken) {
  for (std::size_t i = 0; i < values.size(); ++i) {
    values[i] -= taken[i];
  }
  return values;
}

/// @param pixel  whether pixels gathered the light after that
psf::Transfer blur_of(const RestoreWishes& wishes, const std::optional<double>& r0_cm, bool pixel) {
  psf::Blurring blurring;
  blurring.r0_cm = r0_cm;
  blurring.pixel = pixel;
  return {wishes.imaging, blurring};
}

/// The disc of a plane, taken out of it: what is left is detail.
struct DiscApart {
  disc::DiscModel disc;
  double r0_cm = 0.0;        ///< by which the limb is as soft as it is seen
  std::vector<float> sharp;  ///< the disc, as sharp as pixels let it be
  std::vector<float> rings;  ///< what is the same all along the limb, and no disc
  std::vector<float> detail;
};

/// The edge itself says how soft it is: what the wishes say of the air would leave a ring. The
/// blur's wings reach far into the disc: light and softness are found in turns.
std::optional<DiscApart> disc_apart(const Picture& picture, const std::vector<float>& values,
                                    double wide_px, const RestoreWishes& wishes,
                                    const base::Task& task) {
  const auto found = disc::disc_in(picture, values, 2.0 * wide_px, task);
  if (!found) {
    return std::nullopt;
  }
  DiscApart apart{*found, 0.0, {}, {}, {}};
  std::vector<float> soft;
  std::optional<image::Spectrum> model;
  constexpr int kTurns = 3;
  for (int turn = 0; turn < kTurns; ++turn) {
    apart.r0_cm = disc::nearest_air(apart.disc, values, picture.width, wide_px, wishes.imaging);
    model.emplace(disc::drawn(apart.disc, picture.width, picture.height), picture.width,
                  picture.height);
    // The model is drawn as light over pixels already.
    const psf::Transfer blur = blur_of(wishes, apart.r0_cm, false);
    soft = model->filtered([&](double cycles) { return blur.at_cycles(cycles); });
    if (turn + 1 < kTurns) {
      disc::add_light(apart.disc, less(values, soft), picture, 2.0 * wide_px);
    }
  }
  // As sharp as pixels let it be, by a curve that does not ring.
  const double sigma_px = 0.33 * wishes.imaging.pixels_per_cutoff();
  apart.sharp = model->filtered([&](double cycles) {
    return std::exp(-2.0 * std::pow(std::numbers::pi * sigma_px * cycles, 2.0));
  });
  apart.detail = less(values, soft);
  apart.rings = disc::rings_of(apart.detail, picture.width, apart.disc, 2.0 * wide_px);
  apart.detail = less(std::move(apart.detail), apart.rings);
  return apart;
}

/// Puts the disc back. The rings come back as they were, but never beyond what the sharp disc and
/// the edge as it was seen have between them: a blur that is not quite the real one would draw a
/// rim there.
void put_back(const DiscApart& apart, const std::vector<float>& values, double strength,
              std::vector<float>& made) {
  const auto share = static_cast<float>(strength);
  for (std::size_t i = 0; i < made.size(); ++i) {
    const float seen = values[i] - apart.detail[i];
    const float sharpened =
        std::clamp(apart.sharp[i] + apart.rings[i], std::min(apart.sharp[i], seen),
                   std::max(apart.sharp[i], seen));
    made[i] += seen + share * (sharpened - seen);
  }
}

/// Undoes a blur frequency by frequency, as far as each stands out of the noise.
class Filter {
 public:
  /// @param noise  of one pixel, in the plane's numbers
  Filter(psf::Transfer blur, std::vector<double> power, double noise, double strength)
      : blur_(std::move(blur)), power_(std::move(power)), noise_(noise), strength_(strength) {}

  [[nodiscard]] double factor(double cycles) const {
    const double share = cycles * blur_.pixels_per_cutoff();
    const double power = power_[std::min(
        kRings - 1, static_cast<std::size_t>(cycles / image::kMostCycles * kRings))];
    // What stands out of the noise, of all that is there.
    const double own = power > 0.0 ? std::max(0.0, 1.0 - noise_ * noise_ / power) : 0.0;
    constexpr double kMostRaised = 30.0;
    const double raised =
        share < 1.0 ? std::min(kMostRaised, 1.0 / std::max(1e-6, blur_.at(share))) : 0.0;
    // What is noise is left as it is, beyond the cutoff nothing.
    const double full = goal(share) * (own * raised + (1.0 - own));
    return 1.0 + strength_ * (full - 1.0);
  }

  /// By what the noise of a pixel is multiplied, and up to which share of the cutoff detail was
  /// brought back to half or more.
  struct Effect {
    double noise = 1.0;
    double reached = 0.0;
  };
  [[nodiscard]] Effect effect() const {
    Effect effect;
    double left = 0.0;
    double all = 0.0;
    for (std::size_t ring = 0; ring < kRings; ++ring) {
      const double area = static_cast<double>(ring) + 0.5;
      const double cycles = area / kRings * image::kMostCycles;
      left += std::pow(factor(cycles), 2.0) * area;
      all += area;
      const double share = cycles * blur_.pixels_per_cutoff();
      if (share <= 1.0 && factor(cycles) * blur_.at(share) >= 0.5) {
        effect.reached = share;
      }
    }
    effect.noise = std::sqrt(left / all);
    return effect;
  }

 private:
  psf::Transfer blur_;
  std::vector<double> power_;
  double noise_;
  double strength_;
};

/// The light below which nine tenths of a plane lie.
double bright_part(std::vector<float> values) {
  const auto bright = values.begin() + static_cast<std::ptrdiff_t>(values.size() * 9 / 10);
  std::nth_element(values.begin(), bright, values.end());
  return static_cast<double>(*bright);
}

Result<void> checked_restore(const RestoreWishes& wishes) {
  struct Figure {
    const char* field;
    double value;
    base::Range range;
  };
  for (const Figure& figure :
       {Figure{"aperture_mm", wishes.imaging.aperture_mm, {1.0, 2000.0}},
        {"obstruction", wishes.imaging.obstruction, {0.0, 0.95}},
        {"wavelength_nm", wishes.imaging.wavelength_nm, {300.0, 1100.0}},
        {"scale_arcsec_px", wishes.imaging.scale_arcsec_px, {0.01, 100.0}},
        {"r0_cm", wishes.r0_cm.value_or(seeing::kR0Range.low), seeing::kR0Range},
        {"noise", wishes.noise, {0.0, 1.0}},
        {"strength", wishes.strength, {0.0, 1.0}}}) {
    if (const auto good = base::checked(figure.field, figure.value, figure.range); !good) {
      return tl::make_unexpected(good.error());
    }
  }
  return {};
}

}  // namespace

double r0_of_kept(double clip_r0_cm, const psf::ImagingSetup& imaging, double detail_gain) {
  constexpr double kGraded = 0.36;  // of the cutoff: such detail counts in grading
  constexpr double kStep = 1.02;
  constexpr double kMost_cm = 40.0;
  const auto left = [&](double r0_cm) {
    return seeing::short_exposure_transfer(kGraded, r0_cm, imaging.wavelength_nm,
                                           imaging.aperture_mm);
  };
  const double wanted = left(clip_r0_cm) * detail_gain;
  double r0_cm = clip_r0_cm;
  while (r0_cm < kMost_cm && left(r0_cm) < wanted) {
    r0_cm *= kStep;
  }
  constexpr double kTenths = 10.0;
  return std::round(std::min(r0_cm, kMost_cm) * kTenths) / kTenths;
}

Result<Restored> restore(const Picture& picture, const RestoreWishes& wishes,
                         const base::Task& task) {
  if (const auto good = checked_restore(wishes); !good) {
    return tl::make_unexpected(good.error());
  }
  constexpr int kLeastSide = 32;
  if (std::min(picture.width, picture.height) < kLeastSide) {
    return base::fail_because(ErrorCode::kMalformed, "picture", base::because("picture-too-small"));
  }
  // How wide the blur is: the aperture's, and the air's that is left.
  const double wide_px = 2.0 * wishes.imaging.pixels_per_cutoff() + 4.0;
  Restored restored;
  restored.picture = picture;
  const auto size = static_cast<std::ptrdiff_t>(picture.plane_size());
  for (int plane = 0; plane < picture.planes; ++plane) {
    if (task.stopped()) {
      return base::fail(ErrorCode::kCancelled, "picture");
    }
    const auto first = picture.values.begin() + plane * size;
    const std::vector<float> values(first, first + size);
    const auto apart = disc_apart(picture, values, wide_px, wishes, task);
    const std::vector<float>& detail = apart ? apart->detail : values;
    const Filter filter(
        blur_of(wishes, wishes.r0_cm || !apart ? wishes.r0_cm : std::optional(apart->r0_cm), true),
        image::power_by_ring(detail, picture.width, picture.height, kRings),
        wishes.noise * bright_part(values), wishes.strength);
    std::vector<float> made =
        image::Spectrum(detail, picture.width, picture.height).filtered([&](double cycles) {
          return filter.factor(cycles);
        });
    const Filter::Effect effect = filter.effect();
    restored.noise = wishes.noise * effect.noise;
    if (plane == 0) {
      restored.reached = effect.reached;
    }
    if (apart) {
      put_back(*apart, values, wishes.strength, made);
      restored.limb_overshoot =
          disc::overshoot(made, picture.width, picture.height, apart->disc, 2.0 * wide_px);
      if (plane == 0) {
        restored.limb_r0_cm = apart->r0_cm;
      }
    }
    std::copy(made.begin(), made.end(), restored.picture.values.begin() + plane * size);
    task.report(static_cast<double>(plane + 1) / picture.planes);
  }
  restored.rim = rim_about_dark(picture, restored.picture);
  return restored;
}

}  // namespace solarchon::reduce
