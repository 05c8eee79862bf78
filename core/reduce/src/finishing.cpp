// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/finishing.h"

#include <algorithm>
#include <cmath>

#include "layers.h"
#include "prominences.h"
#include "solarchon/base/range.h"
#include "solarchon/disc/disc_model.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/interpolation.h"
#include "solarchon/image/picture.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Result;
using image::Picture;

namespace {

constexpr base::Range kFlattenRange{0.0, 1.0};
constexpr base::Range kLayerRange{0.0, 10.0};
constexpr base::Range kGateRange{0.0, 20.0};
constexpr base::Range kProminenceRange{0.1, 1000.0};

Result<void> checked_finish(const FinishWishes& wishes) {
  auto good = base::checked("flatten", wishes.flatten, kFlattenRange);
  for (const double layer : wishes.layers) {
    good = good.and_then([&](double) { return base::checked("layers", layer, kLayerRange); });
  }
  good = good.and_then([&](double) { return base::checked("gate", wishes.gate, kGateRange); });
  if (wishes.prominence_gain) {
    good = good.and_then([&](double) {
      return base::checked("prominence_gain", *wishes.prominence_gain, kProminenceRange);
    });
  }
  return good.map([](double) {});
}

/// Divides by how the disc darkens to its limb, as far as is wished. Beyond the limb light is
/// raised as at the limb, so that there is no step, and less with each pixel.
void flatten(Picture& picture, const disc::DiscModel& disc, double share) {
  const double radius = disc.limb.radius_px;
  const double middle = disc.inside(0.0);
  constexpr double kFades = 0.04;  // of the radius
  const std::size_t size = picture.plane_size();
  for (int y = 0; y < picture.height; ++y) {
    for (int x = 0; x < picture.width; ++x) {
      const double far = std::hypot(x - disc.limb.centre_x_px, y - disc.limb.centre_y_px);
      const double light = std::max(0.05 * middle, disc.inside(std::min(far, radius)));
      const double beyond = std::max(0.0, far / radius - 1.0) / kFades;
      const double power = share * std::exp(-beyond * beyond);
      const auto factor = static_cast<float>(std::pow(middle / light, power));
      const std::size_t at = static_cast<std::size_t>(y) * static_cast<std::size_t>(picture.width) +
                             static_cast<std::size_t>(x);
      for (int plane = 0; plane < picture.planes; ++plane) {
        picture.values[static_cast<std::size_t>(plane) * size + at] *= factor;
      }
    }
  }
}

/// Multiplies detail by its size, as far as it stands out of the noise.
/// @return  by how much the finest noise grew; none when stopped
std::optional<double> sharpen(Picture& picture, const FinishWishes& wishes,
                              const base::Task& task) {
  const std::size_t size = picture.plane_size();
  double noise_gain = 1.0;
  for (int plane = 0; plane < picture.planes; ++plane) {
    const auto begin = picture.values.begin() +
                       static_cast<std::ptrdiff_t>(static_cast<std::size_t>(plane) * size);
    const std::vector<float> values(begin, begin + static_cast<std::ptrdiff_t>(size));
    Layers layers = layers_of(values, picture.width, picture.height, task);
    if (layers.rest.empty()) {
      return std::nullopt;
    }
    const double noise = deviation_of(layers.detail[0]) / kNoiseOfLayer[0];
    std::vector<float> sum = std::move(layers.rest);
    for (std::size_t layer = 0; layer < layers.detail.size(); ++layer) {
      const double threshold = wishes.gate * noise * kNoiseOfLayer.at(layer);
      const auto gate = static_cast<float>(threshold * threshold);
      const auto more = static_cast<float>(wishes.layers.at(layer) - 1.0);
      const std::vector<float>& detail = layers.detail.at(layer);
      for (std::size_t i = 0; i < size; ++i) {
        const float strength = detail[i] * detail[i];
        const float open = gate > 0.0F ? strength / (strength + gate) : 1.0F;
        // What is made less of is so whether it is noise or not.
        sum[i] += detail[i] * (1.0F + more * (more > 0.0F ? open : 1.0F));
      }
    }
    std::copy(sum.begin(), sum.end(), begin);
    if (plane == 0 && noise > 0.0) {
      const Layers after = layers_of(sum, picture.width, picture.height, task);
      if (after.rest.empty()) {
        return std::nullopt;
      }
      noise_gain = deviation_of(after.detail[0]) / kNoiseOfLayer[0] / noise;
    }
  }
  return noise_gain;
}

Picture tinted(const Picture& picture, Tint tint) {
  Picture made = image::grey_of(picture);
  const std::vector<float> grey = std::move(made.values);
  made.planes = 3;
  made.values.resize(3 * grey.size());
  for (std::size_t i = 0; i < grey.size(); ++i) {
    const std::array<float, 3> colour = tint_of(tint, grey[i]);
    for (std::size_t plane = 0; plane < 3; ++plane) {
      made.values[plane * grey.size() + i] = colour.at(plane);
    }
  }
  return made;
}

}  // namespace

Tint tint_for(const image::FrameInfo& info) {
  struct Line {
    double wavelength_nm;
    Tint tint;
  };
  constexpr std::array<Line, 3> kLines{
      {{656.28, Tint::kHydrogenAlpha}, {393.37, Tint::kCalcium}, {396.85, Tint::kCalcium}}};
  constexpr double kNear_nm = 1.0;
  constexpr double kNarrow_nm = 5.0;
  if (info.wavelength_nm && info.band_width_nm.value_or(0.1) < kNarrow_nm) {
    for (const Line& line : kLines) {
      if (std::abs(*info.wavelength_nm - line.wavelength_nm) < kNear_nm) {
        return line.tint;
      }
    }
  }
  return Tint::kWhiteLight;
}

std::array<float, 3> tint_of(Tint tint, float brightness) {
  struct Powers {
    float red;
    float green;
    float blue;
  };
  constexpr std::array<Powers, 4> kPowers{
      {{1.0F, 1.0F, 1.0F}, {0.42F, 0.92F, 3.4F}, {0.40F, 1.35F, 3.2F}, {1.30F, 1.9F, 0.65F}}};
  const Powers& powers = kPowers.at(static_cast<std::size_t>(tint));
  const float light = std::max(0.0F, brightness);
  return {std::pow(light, powers.red), std::pow(light, powers.green), std::pow(light, powers.blue)};
}

Result<Finished> finish(const Picture& picture, const FinishWishes& wishes,
                        const Picture* prominences, const base::Task& task) {
  if (const auto good = checked_finish(wishes); !good) {
    return tl::make_unexpected(good.error());
  }
  Finished made;
  made.picture = picture;
  if (prominences != nullptr || wishes.flatten > 0.0) {
    const auto limb = disc::fit_limb(image::frame_of(picture), {task.stop, {}});
    if (!limb) {
      return tl::make_unexpected(limb.error());
    }
    if (prominences != nullptr) {
      auto blended = with_prominences(picture, *limb, *prominences, wishes.prominence_gain,
                                      made.prominence_gain, task);
      if (!blended) {
        return tl::make_unexpected(blended.error());
      }
      made.picture = std::move(*blended);
    }
    if (wishes.flatten > 0.0) {
      disc::DiscModel disc;
      disc.limb = *limb;
      const Picture grey = image::grey_of(picture);
      if (!disc::add_light(disc, grey.values, grey, 3.0 * std::max(1.0, limb->blur_px))) {
        return base::fail_because(ErrorCode::kNotFound, "limb", base::because("picture-too-small"));
      }
      flatten(made.picture, disc, wishes.flatten);
    }
  }
  if (std::any_of(wishes.layers.begin(), wishes.layers.end(),
                  [](double layer) { return layer != 1.0; })) {
    const Picture before = made.picture;
    const auto noise = sharpen(made.picture, wishes, task);
    if (!noise) {
      return base::fail(ErrorCode::kCancelled, "finish");
    }
    made.noise_gain = *noise;
    made.rim = rim_about_dark(before, made.picture);
  }
  if (wishes.orient) {
    auto oriented = orient(made.picture, *wishes.orient, task);
    if (!oriented) {
      return tl::make_unexpected(oriented.error());
    }
    made.picture = std::move(oriented->picture);
    oriented->picture = {};
    made.oriented = std::move(*oriented);
  }
  if (wishes.tint != Tint::kNone) {
    made.picture = tinted(made.picture, wishes.tint);
  }
  if (task.stopped()) {
    return base::fail(ErrorCode::kCancelled, "finish");
  }
  return made;
}

}  // namespace solarchon::reduce
