// SPDX-License-Identifier: GPL-3.0-or-later
// What is found out of the pictures of an animation, one after another.
#include <algorithm>
#include <cmath>

#include "animation_plan.h"
#include "solarchon/base/middle.h"
#include "solarchon/disc/disc_model.h"
#include "solarchon/disc/limb.h"
#include "solarchon/disc/projection.h"
#include "solarchon/image/interpolation.h"
#include "solarchon/image/picture.h"
#include "solarchon/image/point.h"
#include "solarchon/registration/overlap.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Result;
using image::Picture;

namespace {

constexpr double kBeyond = 1.12;  // half a side, in radii

/// The light of a picture: of its disc, or of its bright part.
double disc_light(const Picture& grey, const std::optional<disc::LimbFit>& limb) {
  constexpr double kInside = 0.6;
  constexpr int kEvery = 2;
  std::vector<double> values;
  for (int y = 0; y < grey.height; y += kEvery) {
    for (int x = 0; x < grey.width; x += kEvery) {
      if (!limb ||
          std::hypot(x - limb->centre_x_px, y - limb->centre_y_px) < kInside * limb->radius_px) {
        values.push_back(static_cast<double>(grey.at(x, y)));
      }
    }
  }
  if (!limb && !values.empty()) {
    constexpr double kBright = 0.75;
    const auto place = values.begin() + static_cast<std::ptrdiff_t>(
                                            kBright * static_cast<double>(values.size() - 1));
    std::nth_element(values.begin(), place, values.end());
    return *place;
  }
  return base::middle_of(std::move(values));
}

registration::PanelAlignment laid_after(const registration::PanelAlignment& first,
                                        const registration::PanelAlignment& second) {
  return {first.middle, second.at(first.moved_to), first.turn_rad + second.turn_rad};
}

registration::PanelAlignment unmoved(const Picture& picture) {
  const image::Point middle{(picture.width - 1) / 2.0, (picture.height - 1) / 2.0};
  return {middle, middle, 0.0};
}

}  // namespace

Result<std::optional<Animation::Step>> Animation::Plan::look(const std::filesystem::path& file,
                                                             const Picture& picture,
                                                             const base::Task& task) const {
  Step step;
  step.file = file;
  step.info = picture.info;
  step.time = picture.info.time;
  step.width = picture.width;
  step.height = picture.height;
  step.planes = picture.planes;
  step.laid = unmoved(picture);
  const AnimationWishes& wishes = recipe.wishes;
  const Picture grey = image::grey_of(picture);
  std::optional<disc::LimbFit> limb;
  if (wishes.hold == Hold::kDisc) {
    const auto fit = disc::fit_limb(image::frame_of(picture), {task.stop, {}});
    // Of a disc that is full all over the edge is not to be trusted.
    if (!fit || fit->saturated) {
      return std::optional<Step>();
    }
    limb = *fit;
    step.disc.limb = *fit;
    step.ground = disc::ground_of(picture, *fit);
    const auto solar = picture.info.orientation ? picture.info.orientation : wishes.solar;
    if (wishes.north_up && !solar) {
      return base::fail_because(ErrorCode::kMissing, file.filename().string(),
                                base::because("no-orientation"));
    }
    step.solar = wishes.north_up ? *solar : sky::PictureOrientation{};
    const bool carries = wishes.still_surface || wishes.between > 0;
    if (carries && !step.time) {
      return base::fail_because(ErrorCode::kMissing, file.filename().string(),
                                base::because("no-time"));
    }
    constexpr double kClear = 3.0;
    if (carries &&
        !disc::add_light(step.disc, grey.values, grey, kClear * std::max(1.0, fit->blur_px))) {
      return std::optional<Step>();
    }
  }
  step.light = disc_light(grey, limb);
  return std::optional(std::move(step));
}

Result<void> Animation::Plan::hold_detail(const base::Task& task) {
  // Each against the last one that is far enough from what it shows, so that errors do not add up
  // from picture to picture.
  std::size_t key = 0;
  std::vector<Step> found;
  std::shared_ptr<const Picture> key_picture;
  for (std::size_t i = 0; i < steps.size(); ++i) {
    if (task.stopped()) {
      return base::fail(ErrorCode::kCancelled, "animation");
    }
    auto picture = loaded(steps[i].file);
    if (!picture) {
      return tl::make_unexpected(picture.error());
    }
    const auto grey = std::make_shared<const Picture>(image::grey_of(**picture));
    if (found.empty()) {
      found.push_back(steps[i]);
      key_picture = grey;
      continue;
    }
    const int bin = registration::bin_for_overlap(std::max(grey->width, grey->height));
    const auto rough = registration::rough_overlap(*key_picture, *grey, bin, task);
    const auto fine =
        rough ? registration::fine_overlap(*key_picture, *grey, rough->laid) : std::nullopt;
    constexpr double kLeastAlike = 0.2;
    constexpr double kKeyAlike = 0.5;
    if (!fine || fine->alike < kLeastAlike) {
      facts.left_out.push_back(steps[i].file);
      continue;
    }
    Step step = steps[i];
    step.laid = laid_after(found[key].laid, fine->laid);
    found.push_back(std::move(step));
    if (fine->alike < kKeyAlike) {
      key = found.size() - 1;
      key_picture = grey;
    }
    constexpr double kLooked = 0.5;
    task.report(kLooked +
                (1.0 - kLooked) * static_cast<double>(i + 1) / static_cast<double>(steps.size()));
  }
  steps = std::move(found);
  return {};
}

void Animation::Plan::order_and_even() {
  std::vector<double> lights;
  double sum = 0.0;
  for (const Step& step : steps) {
    lights.push_back(step.light);
    sum += step.light;
  }
  const double mean = sum / static_cast<double>(steps.size());
  const double middle = base::middle_of(lights);
  double squares = 0.0;
  image::Point mean_place;
  const auto place_of = [&](const Step& step) {
    return recipe.wishes.hold == Hold::kDisc
               ? image::Point{step.disc.limb.centre_x_px, step.disc.limb.centre_y_px}
               : step.laid.moved_to;
  };
  for (Step& step : steps) {
    squares += mean > 0.0 ? std::pow(step.light / mean - 1.0, 2.0) : 0.0;
    step.gain = recipe.wishes.even_light && step.light > 0.0 ? middle / step.light : 1.0;
    mean_place.x += place_of(step).x / static_cast<double>(steps.size());
    mean_place.y += place_of(step).y / static_cast<double>(steps.size());
  }
  facts.evened = std::sqrt(squares / static_cast<double>(steps.size()));
  double apart = 0.0;
  for (const Step& step : steps) {
    apart += std::pow(place_of(step).x - mean_place.x, 2.0) +
             std::pow(place_of(step).y - mean_place.y, 2.0);
  }
  facts.jumped_px = std::sqrt(apart / static_cast<double>(steps.size()));
  const bool carries = recipe.wishes.hold == Hold::kDisc;
  const int between = carries ? recipe.wishes.between : 0;
  for (std::size_t k = 0; k < steps.size(); ++k) {
    order.push_back({k, 0.0});
    for (int b = 1; b <= between && k + 1 < steps.size(); ++b) {
      order.push_back({k, static_cast<double>(b) / (between + 1.0)});
    }
  }
  if (recipe.wishes.back) {
    for (std::size_t k = order.size() - 1; k-- > 1;) {
      order.push_back(order[k]);
    }
  }
  facts.pictures = static_cast<int>(steps.size());
  facts.shown = static_cast<int>(order.size());
  facts.simulated = simulated();
  for (const Shown& shown : order) {
    if (const auto time = instant(shown)) {
      facts.times.push_back(*time);
    }
  }
}

void Animation::Plan::lay_out() {
  const Step& first = steps.front();
  if (recipe.wishes.hold == Hold::kDisc) {
    radius_px = recipe.wishes.radius_px.value_or(first.disc.limb.radius_px);
    facts.width = 2 * static_cast<int>(std::ceil(radius_px * kBeyond - 1e-9)) + 1;
    facts.height = facts.width;
    return;
  }
  // What all pictures show.
  double from_x = 0.0;
  double from_y = 0.0;
  double to_x = first.width - 1.0;
  double to_y = first.height - 1.0;
  for (const Step& step : steps) {
    const double right = step.width - 1.0;
    const double bottom = step.height - 1.0;
    from_x = std::max({from_x, step.laid.back({0.0, 0.0}).x, step.laid.back({0.0, bottom}).x});
    from_y = std::max({from_y, step.laid.back({0.0, 0.0}).y, step.laid.back({right, 0.0}).y});
    to_x = std::min({to_x, step.laid.back({right, 0.0}).x, step.laid.back({right, bottom}).x});
    to_y = std::min({to_y, step.laid.back({0.0, bottom}).y, step.laid.back({right, bottom}).y});
  }
  constexpr double kHair = 1e-6;
  left = static_cast<int>(std::ceil(from_x - kHair));
  top = static_cast<int>(std::ceil(from_y - kHair));
  facts.width = static_cast<int>(std::floor(to_x + kHair)) - left + 1;
  facts.height = static_cast<int>(std::floor(to_y + kHair)) - top + 1;
}

}  // namespace solarchon::reduce
