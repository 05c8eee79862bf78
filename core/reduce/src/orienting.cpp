// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/orienting.h"

#include <atomic>
#include <cmath>

#include "solarchon/base/middle.h"
#include "solarchon/base/parallel.h"
#include "solarchon/base/range.h"
#include "solarchon/disc/limb.h"
#include "solarchon/disc/projection.h"
#include "solarchon/image/interpolation.h"
#include "solarchon/image/picture.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Result;
using image::Picture;

namespace {

constexpr base::Range kDiscRadiusRange{8.0, 5000.0};
constexpr base::Range kBeyondRange{1.0, 3.0};

/// Of a square shrunk from a larger picture each pixel is the mean of so many a side.
int samples_for(double source_px) { return std::max(1, static_cast<int>(std::lround(source_px))); }

}  // namespace

Result<Oriented> orient(const Picture& picture, const OrientWishes& wishes,
                        const base::Task& task) {
  if (const auto beyond = base::checked("beyond", wishes.beyond, kBeyondRange); !beyond) {
    return tl::make_unexpected(beyond.error());
  }
  const auto limb = disc::fit_limb(image::frame_of(picture), {task.stop, {}});
  if (!limb) {
    return tl::make_unexpected(limb.error());
  }
  const auto radius =
      base::checked("radius_px", wishes.radius_px.value_or(limb->radius_px), kDiscRadiusRange);
  if (!radius) {
    return tl::make_unexpected(radius.error());
  }
  const std::optional<sky::PictureOrientation> solar =
      wishes.solar ? wishes.solar : picture.info.orientation;
  if (wishes.north_up && !solar) {
    return base::fail_because(ErrorCode::kMissing, "orientation", base::because("no-orientation"));
  }
  // Where it is not turned, picture and square have the same north, whatever that is.
  const disc::DiscProjection sight(*limb,
                                   wishes.north_up ? *solar : sky::PictureOrientation{0.0, false});
  Oriented made;
  made.limb = *limb;
  const int half = static_cast<int>(std::ceil(*radius * wishes.beyond - 1e-9));
  Picture& square = made.picture;
  square.width = 2 * half + 1;
  square.height = square.width;
  // Enlarged further, it shows nothing more, and takes all memory.
  constexpr std::size_t kMostEnlarged = 16;
  constexpr std::size_t kAlways = 4'000'000;
  if (square.plane_size() > std::max(kAlways, kMostEnlarged * picture.plane_size())) {
    return base::fail(ErrorCode::kTooLarge, "radius_px", {},
                      base::wants("at-most", {std::floor(limb->radius_px * 4.0)}));
  }
  square.planes = picture.planes;
  square.info = picture.info;
  square.recipe = picture.recipe;
  square.values.resize(square.plane_size() * static_cast<std::size_t>(square.planes));
  const std::vector<float> ground = disc::ground_of(picture, *limb);
  const int samples = samples_for(limb->radius_px / *radius);
  std::atomic<int> outside{0};
  const auto do_row = [&](int row) {
    int missing = 0;
    for (int column = 0; column < square.width; ++column) {
      std::array<float, 3> sums{};
      for (int s = 0; s < samples * samples; ++s) {
        const double right = column - half + (s % samples + 0.5) / samples - 0.5;
        const int line = s / samples;
        const double down = row - half + (line + 0.5) / samples - 0.5;
        const disc::DiscProjection::Place place = sight.at(right / *radius, -down / *radius);
        const bool on = image::lies_on(picture, place.x_px, place.y_px);
        missing += on || s > 0 ? 0 : 1;
        for (int plane = 0; plane < square.planes; ++plane) {
          const auto p = static_cast<std::size_t>(plane);
          sums.at(p) += on ? image::sampled(picture, plane, place.x_px, place.y_px) : ground[p];
        }
      }
      for (int plane = 0; plane < square.planes; ++plane) {
        const auto p = static_cast<std::size_t>(plane);
        square.values[p * square.plane_size() +
                      static_cast<std::size_t>(row) * static_cast<std::size_t>(square.width) +
                      static_cast<std::size_t>(column)] =
            sums.at(p) / static_cast<float>(samples * samples);
      }
    }
    outside += missing;
  };
  if (!base::each_row(square.height, task, do_row)) {
    return base::fail(ErrorCode::kCancelled, "orient");
  }
  made.covered = 1.0 - static_cast<double>(outside) / static_cast<double>(square.plane_size());
  square.info.centre_x_px = half;
  square.info.centre_y_px = half;
  if (square.info.plate_scale_arcsec_px) {
    *square.info.plate_scale_arcsec_px *= limb->radius_px / *radius;
  }
  square.info.orientation = wishes.north_up ? sky::PictureOrientation{0.0, false} : solar;
  made.turned_deg = wishes.north_up ? std::remainder(-solar->north_deg, 360.0) : 0.0;
  return made;
}

}  // namespace solarchon::reduce
