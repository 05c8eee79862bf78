// SPDX-License-Identifier: GPL-3.0-or-later
// The pictures of an animation as they are shown.
#include <algorithm>
#include <cmath>

#include "animation_plan.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/parallel.h"
#include "solarchon/disc/disc_model.h"
#include "solarchon/disc/projection.h"
#include "solarchon/image/interpolation.h"
#include "solarchon/image/picture.h"
#include "solarchon/image/point.h"
#include "solarchon/media/picture_file.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Result;
using image::Picture;

namespace {

/// By how much a latitude turns faster than the Carrington system (degree a day): of spots.
double ahead_deg_d(double latitude_deg) {
  constexpr double kEquator = 14.522;
  constexpr double kSlower = 2.84;
  constexpr double kCarrington = 14.1844;
  const double s = std::sin(latitude_deg * base::kRadPerDeg);
  return kEquator - kSlower * s * s - kCarrington;
}

/// How far a place lies within a picture: 0 beyond its edge, 1 from some pixels on.
double within(const Picture& picture, const disc::DiscProjection::Place& at) {
  constexpr double kFades_px = 8.0;
  const double far =
      std::min({at.x_px, at.y_px, picture.width - 1.0 - at.x_px, picture.height - 1.0 - at.y_px});
  return std::clamp(far / kFades_px, 0.0, 1.0);
}

}  // namespace

Result<std::shared_ptr<const Picture>> Animation::Plan::loaded(const std::filesystem::path& file) {
  for (const auto& [name, picture] : held) {
    if (name == file) {
      return picture;
    }
  }
  auto read = media::read_picture(file);
  if (!read) {
    return tl::make_unexpected(read.error());
  }
  if (held.size() > 1) {
    held.erase(held.begin());
  }
  held.emplace_back(file, std::make_shared<const Picture>(std::move(*read)));
  return held.back().second;
}

std::optional<sky::UtcTime> Animation::Plan::instant(const Shown& shown) const {
  const Step& step = steps[shown.step];
  if (!step.time || shown.on == 0.0) {
    return step.time;
  }
  const sky::UtcTime next = *steps[shown.step + 1].time;
  return *step.time + sky::seconds(shown.on * sky::in_seconds(next - *step.time));
}

Picture Animation::Plan::blank(const Step& step) const {
  Picture picture;
  picture.width = facts.width;
  picture.height = facts.height;
  picture.planes = step.planes;
  picture.values.resize(picture.plane_size() * static_cast<std::size_t>(picture.planes));
  return picture;
}

Result<Picture> Animation::Plan::placed(const Step& step, const base::Task& task) {
  const auto source = loaded(step.file);
  if (!source) {
    return tl::make_unexpected(source.error());
  }
  const Picture& from = **source;
  Picture made = blank(step);
  made.info = from.info;
  made.info.simulated = simulated();
  const bool by_disc = recipe.wishes.hold == Hold::kDisc;
  const disc::DiscProjection sight(step.disc.limb, step.solar);
  const double middle = (made.width - 1) / 2.0;
  const auto gain = static_cast<float>(step.gain);
  const bool done = base::each_row(made.height, {task.stop, {}}, [&](int y) {
    for (int x = 0; x < made.width; ++x) {
      image::Point at = step.laid.at({x + static_cast<double>(left), y + static_cast<double>(top)});
      if (by_disc) {
        const auto place = sight.at((x - middle) / radius_px, (middle - y) / radius_px);
        at = {place.x_px, place.y_px};
      }
      const bool on = !by_disc || image::lies_on(from, at.x, at.y);
      for (int plane = 0; plane < made.planes; ++plane) {
        const auto p = static_cast<std::size_t>(plane);
        made.values[p * made.plane_size() +
                    static_cast<std::size_t>(y) * static_cast<std::size_t>(made.width) +
                    static_cast<std::size_t>(x)] =
            gain * (on ? image::sampled(from, plane, at.x, at.y) : step.ground[p]);
      }
    }
  });
  if (!done) {
    return base::fail(ErrorCode::kCancelled, "animation");
  }
  return made;
}

Result<Picture> Animation::Plan::carried(const Shown& shown, const base::Task& task) {
  // The surface as it is seen at an instant, from the pictures before and after it.
  const bool still = recipe.wishes.still_surface;
  const sky::UtcTime now = *instant(shown);
  const sky::UtcTime as_of = still ? *steps[steps.size() / 2].time : now;
  const sky::DiscView view = sky::disc_view(as_of);
  const double limb_arcsec = sky::limb_radius_arcsec(view.distance_au);
  struct Source {
    const Step* step;
    std::shared_ptr<const Picture> picture;
    sky::DiscView view;
    double limb_arcsec;
    double days;  ///< from what is shown to the picture
    double weight;
    disc::DiscProjection sight;
  };
  std::vector<Source> sources;
  for (const std::size_t k : {shown.step, shown.step + 1}) {
    const double weight = k == shown.step ? 1.0 - shown.on : shown.on;
    if (weight <= 0.0) {
      continue;
    }
    const Step& step = steps[k];
    auto picture = loaded(step.file);
    if (!picture) {
      return tl::make_unexpected(picture.error());
    }
    const sky::DiscView own = sky::disc_view(*step.time);
    sources.push_back({&step, *picture, own, sky::limb_radius_arcsec(own.distance_au),
                       sky::in_days(*step.time - as_of), weight,
                       disc::DiscProjection(step.disc.limb, step.solar)});
  }
  Picture made = blank(*sources.front().step);
  made.info = sources.front().picture->info;
  made.info.simulated = simulated();
  made.info.time = now;
  const double middle = (made.width - 1) / 2.0;
  const bool done = base::each_row(made.height, {task.stop, {}}, [&](int y) {
    for (int x = 0; x < made.width; ++x) {
      const double west = (x - middle) / radius_px;
      const double north = (middle - y) / radius_px;
      const auto point = sky::surface_point({west * limb_arcsec, north * limb_arcsec}, view);
      std::array<double, 3> sums{};
      double weights = 0.0;
      for (const Source& source : sources) {
        double weight = source.weight;
        double light = 1.0;
        disc::DiscProjection::Place at = source.sight.at(west, north);
        if (point) {
          const double longitude =
              point->carrington_longitude_deg + ahead_deg_d(point->latitude_deg) * source.days;
          const auto place = sky::disc_place(point->latitude_deg, longitude, source.view);
          if (!place) {
            continue;
          }
          const double from_west = place->west_arcsec / source.limb_arcsec;
          const double from_north = place->north_arcsec / source.limb_arcsec;
          at = source.sight.at(from_west, from_north);
          // Its light as it has at that distance from the limb; what is seen aslant counts less.
          const disc::DiscModel& disc = source.step->disc;
          const double radius = disc.limb.radius_px;
          const double far = std::min(0.995, std::hypot(west, north));
          const double from_far = std::min(0.995, std::hypot(from_west, from_north));
          constexpr double kMostRaised = 3.0;
          light =
              std::clamp(disc.inside(far * radius) / std::max(1e-6, disc.inside(from_far * radius)),
                         1.0 / kMostRaised, kMostRaised);
          const double upright = std::sqrt(std::max(0.0, 1.0 - from_far * from_far));
          constexpr double kAslant = 0.5;
          constexpr double kLeast = 1e-4;
          weight *= std::min(1.0, kLeast + std::pow(upright / kAslant, 3.0));
        }
        // Where the picture ends, the other goes on.
        weight *= within(*source.picture, at);
        weights += weight;
        for (int plane = 0; weight > 0.0 && plane < made.planes; ++plane) {
          sums.at(static_cast<std::size_t>(plane)) +=
              weight * light * source.step->gain *
              static_cast<double>(image::sampled(*source.picture, plane, at.x_px, at.y_px));
        }
      }
      if (weights <= 0.0) {
        // On the far side in all of them, or beyond their edges.
        const Source& source = sources.front();
        const disc::DiscProjection::Place at = source.sight.at(west, north);
        const bool on = !still && image::lies_on(*source.picture, at.x_px, at.y_px);
        weights = 1.0;
        for (int plane = 0; plane < made.planes; ++plane) {
          const auto p = static_cast<std::size_t>(plane);
          sums.at(p) =
              source.step->gain *
              static_cast<double>(on ? image::sampled(*source.picture, plane, at.x_px, at.y_px)
                                     : source.step->ground[p]);
        }
      }
      for (int plane = 0; plane < made.planes; ++plane) {
        const auto p = static_cast<std::size_t>(plane);
        made.values[p * made.plane_size() +
                    static_cast<std::size_t>(y) * static_cast<std::size_t>(made.width) +
                    static_cast<std::size_t>(x)] = static_cast<float>(sums.at(p) / weights);
      }
    }
  });
  if (!done) {
    return base::fail(ErrorCode::kCancelled, "animation");
  }
  return made;
}

}  // namespace solarchon::reduce
