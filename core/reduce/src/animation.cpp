// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/animation.h"

#include <algorithm>
#include <cmath>

#include "disc_sight.h"
#include "overlap.h"
#include "recipe_file.h"
#include "sample.h"
#include "sharp_disc.h"
#include "solarchon/base/json.h"
#include "solarchon/base/middle.h"
#include "solarchon/base/parallel.h"
#include "solarchon/frames/movie.h"
#include "solarchon/reduce/recipe.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Json;
using base::Result;
using frames::Picture;

namespace {

constexpr base::Range kRateRange{0.1, 120.0};
constexpr base::Range kBetweenRange{0.0, 60.0};
constexpr base::Range kRadiusRange{8.0, 5000.0};
constexpr double kBeyond = 1.12;  // half a side, in radii

Result<void> checked(const AnimationWishes& wishes) {
  return base::checked("rate", wishes.rate_hz, kRateRange)
      .and_then([&](double) { return base::checked("between", wishes.between, kBetweenRange); })
      .and_then([&](double) {
        return base::checked("radius_px", wishes.radius_px.value_or(kRadiusRange.high),
                             kRadiusRange);
      })
      .map([](double) {});
}

/// By how much a latitude turns faster than the Carrington system (degree a day): of spots.
double ahead_deg_d(double latitude_deg) {
  constexpr double kEquator = 14.522;
  constexpr double kSlower = 2.84;
  constexpr double kCarrington = 14.1844;
  const double s = std::sin(latitude_deg * base::kRadPerDeg);
  return kEquator - kSlower * s * s - kCarrington;
}

/// How far a place lies within a picture: 0 beyond its edge, 1 from some pixels on.
double within(const Picture& picture, const DiscSight::Place& at) {
  constexpr double kFades_px = 8.0;
  const double far =
      std::min({at.x_px, at.y_px, picture.width - 1.0 - at.x_px, picture.height - 1.0 - at.y_px});
  return std::clamp(far / kFades_px, 0.0, 1.0);
}

/// The light of a picture: of its disc, or of its bright part.
double light_of(const Picture& grey, const std::optional<measure::LimbFit>& limb) {
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

Laid laid_after(const Laid& first, const Laid& second) {
  return {first.middle, second.at(first.moved_to), first.turn_rad + second.turn_rad};
}

Laid unmoved(const Picture& picture) {
  const Point middle{(picture.width - 1) / 2.0, (picture.height - 1) / 2.0};
  return {middle, middle, 0.0};
}

}  // namespace

struct Animation::Step {
  std::filesystem::path file;
  frames::FrameInfo info;
  std::optional<sky::UtcTime> time;
  int width = 0;
  int height = 0;
  int planes = 1;
  SharpDisc disc;                 ///< kDisc
  sky::PictureOrientation solar;  ///< kDisc
  std::vector<float> ground;      ///< kDisc
  Laid laid;                      ///< kDetail: from the first picture to this
  double light = 1.0;
  double gain = 1.0;
};

struct Animation::Plan {
  struct Shown {
    std::size_t step = 0;
    double on = 0.0;  ///< share of the way to the next
  };
  AnimationRecipe recipe;
  std::vector<Step> steps;
  std::vector<Shown> order;
  Animated facts;
  double radius_px = 0.0;
  int left = 0;  ///< kDetail: of the first picture, where what all show begins
  int top = 0;
  std::vector<std::pair<std::filesystem::path, std::shared_ptr<const Picture>>> held;  ///< last two

  /// What is known of one picture. None: what is to be held is not found in it.
  Result<std::optional<Step>> look(const std::filesystem::path& file, const Picture& picture,
                                   const base::Task& task) const;
  Result<void> hold_detail(const base::Task& task);
  void order_and_even();
  void lay_out();
  Result<std::shared_ptr<const Picture>> loaded(const std::filesystem::path& file);
  [[nodiscard]] std::optional<sky::UtcTime> instant(const Shown& shown) const;
  [[nodiscard]] Picture blank(const Step& step) const;
  Result<Picture> carried(const Shown& shown, const base::Task& task);
  Result<Picture> placed(const Step& step, const base::Task& task);
};

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
  const Picture grey = grey_of(picture);
  std::optional<measure::LimbFit> limb;
  if (wishes.hold == Hold::kDisc) {
    const auto fit = measure::fit_limb(frames::frame_of(picture), {task.stop, {}});
    // Of a disc that is full all over the edge is not to be trusted.
    if (!fit || fit->saturated) {
      return std::optional<Step>();
    }
    limb = *fit;
    step.disc.limb = *fit;
    step.ground = ground_of(picture, *fit);
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
    if (carries && !add_light(step.disc, grey.values, grey, kClear * std::max(1.0, fit->blur_px))) {
      return std::optional<Step>();
    }
  }
  step.light = light_of(grey, limb);
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
    const auto grey = std::make_shared<const Picture>(grey_of(**picture));
    if (found.empty()) {
      found.push_back(steps[i]);
      key_picture = grey;
      continue;
    }
    const int bin = bin_for_overlap(std::max(grey->width, grey->height));
    const auto rough = rough_overlap(*key_picture, *grey, bin, task);
    const auto fine = rough ? fine_overlap(*key_picture, *grey, rough->laid) : std::nullopt;
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
  Point mean_place;
  const auto place_of = [&](const Step& step) {
    return recipe.wishes.hold == Hold::kDisc
               ? Point{step.disc.limb.centre_x_px, step.disc.limb.centre_y_px}
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

Result<std::shared_ptr<const Picture>> Animation::Plan::loaded(const std::filesystem::path& file) {
  for (const auto& [name, picture] : held) {
    if (name == file) {
      return picture;
    }
  }
  auto read = frames::read_picture(file);
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
  const bool by_disc = recipe.wishes.hold == Hold::kDisc;
  const DiscSight sight(step.disc.limb, step.solar);
  const double middle = (made.width - 1) / 2.0;
  const auto gain = static_cast<float>(step.gain);
  const bool done = base::each_row(made.height, {task.stop, {}}, [&](int y) {
    for (int x = 0; x < made.width; ++x) {
      Point at = step.laid.at({x + static_cast<double>(left), y + static_cast<double>(top)});
      if (by_disc) {
        const auto place = sight.at((x - middle) / radius_px, (middle - y) / radius_px);
        at = {place.x_px, place.y_px};
      }
      const bool on = !by_disc || lies_on(from, at.x, at.y);
      for (int plane = 0; plane < made.planes; ++plane) {
        const auto p = static_cast<std::size_t>(plane);
        made.values[p * made.plane_size() +
                    static_cast<std::size_t>(y) * static_cast<std::size_t>(made.width) +
                    static_cast<std::size_t>(x)] =
            gain * (on ? sampled(from, plane, at.x, at.y) : step.ground[p]);
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
    DiscSight sight;
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
                       DiscSight(step.disc.limb, step.solar)});
  }
  Picture made = blank(*sources.front().step);
  made.info = sources.front().picture->info;
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
        DiscSight::Place at = source.sight.at(west, north);
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
          const SharpDisc& disc = source.step->disc;
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
              static_cast<double>(sampled(*source.picture, plane, at.x_px, at.y_px));
        }
      }
      if (weights <= 0.0) {
        // On the far side in all of them, or beyond their edges.
        const Source& source = sources.front();
        const DiscSight::Place at = source.sight.at(west, north);
        const bool on = !still && lies_on(*source.picture, at.x_px, at.y_px);
        weights = 1.0;
        for (int plane = 0; plane < made.planes; ++plane) {
          const auto p = static_cast<std::size_t>(plane);
          sums.at(p) = source.step->gain *
                       static_cast<double>(on ? sampled(*source.picture, plane, at.x_px, at.y_px)
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

Result<Animation> Animation::plan(const AnimationRecipe& recipe, const base::Task& task) {
  if (const auto good = checked(recipe.wishes); !good) {
    return tl::make_unexpected(good.error());
  }
  auto plan = std::make_shared<Plan>();
  plan->recipe = recipe;
  if (plan->recipe.wishes.hold != Hold::kDisc) {
    plan->recipe.wishes.north_up = false;
  }
  if (!plan->recipe.wishes.north_up) {
    plan->recipe.wishes.still_surface = false;
    plan->recipe.wishes.between = 0;
  }
  const Hold hold = recipe.wishes.hold;
  for (std::size_t i = 0; i < recipe.pictures.size(); ++i) {
    if (task.stopped()) {
      return base::fail(ErrorCode::kCancelled, "animation");
    }
    const auto picture = frames::read_picture(recipe.pictures[i]);
    auto step = picture ? plan->look(recipe.pictures[i], *picture, task)
                        : Result<std::optional<Step>>(std::optional<Step>());
    if (!step) {
      return tl::make_unexpected(step.error());
    }
    if (!*step) {
      plan->facts.left_out.push_back(recipe.pictures[i]);
    } else {
      plan->steps.push_back(std::move(**step));
    }
    constexpr double kLooked = 0.5;
    task.report((hold == Hold::kDetail ? kLooked : 1.0) * static_cast<double>(i + 1) /
                static_cast<double>(recipe.pictures.size()));
  }
  std::vector<Step>& steps = plan->steps;
  const bool timed = std::all_of(steps.begin(), steps.end(),
                                 [](const Step& step) { return step.time.has_value(); });
  if (timed) {
    std::stable_sort(steps.begin(), steps.end(),
                     [](const Step& a, const Step& b) { return *a.time < *b.time; });
  }
  if (hold == Hold::kDetail && steps.size() > 1) {
    if (const auto held = plan->hold_detail(task); !held) {
      return tl::make_unexpected(held.error());
    }
  }
  if (steps.size() < 2) {
    return base::fail(ErrorCode::kMissing, "pictures");
  }
  for (const Step& step : steps) {
    const bool same_size = step.width == steps.front().width && step.height == steps.front().height;
    if (step.planes != steps.front().planes || (hold == Hold::kNothing && !same_size)) {
      return base::fail(ErrorCode::kMalformed, "pictures", step.file.filename().string());
    }
  }
  plan->order_and_even();
  plan->lay_out();
  if (plan->facts.width < 2 || plan->facts.height < 2) {
    return base::fail(ErrorCode::kMissing, "pictures");
  }
  if (const auto sized = frames::check_size(plan->facts.width, plan->facts.height, "animation");
      !sized) {
    return tl::make_unexpected(sized.error());
  }
  return Animation(std::move(plan));
}

const Animated& Animation::facts() const { return plan_->facts; }
const frames::FrameInfo& Animation::info() const { return plan_->steps.front().info; }

Result<Picture> Animation::picture(int number, const base::Task& task) {
  const auto most = static_cast<double>(plan_->order.size()) - 1.0;
  if (const auto place = base::checked("picture", number, {0.0, most}); !place) {
    return tl::make_unexpected(place.error());
  }
  const Plan::Shown& shown = plan_->order[static_cast<std::size_t>(number)];
  const AnimationWishes& wishes = plan_->recipe.wishes;
  auto made = wishes.still_surface || wishes.between > 0
                  ? plan_->carried(shown, task)
                  : plan_->placed(plan_->steps[shown.step], task);
  if (!made) {
    return made;
  }
  if (wishes.hold == Hold::kDisc) {
    made->info.centre_x_px = (made->width - 1) / 2.0;
    made->info.centre_y_px = made->info.centre_x_px;
    if (made->info.plate_scale_arcsec_px) {
      *made->info.plate_scale_arcsec_px *=
          plan_->steps[shown.step].disc.limb.radius_px / plan_->radius_px;
    }
    if (wishes.north_up) {
      made->info.orientation = sky::PictureOrientation{};
    }
  }
  if (wishes.tint == Tint::kNone) {
    return made;
  }
  FinishWishes tint;
  tint.tint = wishes.tint;
  return finish(*made, tint, nullptr, task).map([](Finished finished) {
    return std::move(finished.picture);
  });
}

Result<std::string> Animation::recipe() const {
  const AnimationWishes& wishes = plan_->recipe.wishes;
  const Animated& facts = plan_->facts;
  Json json = new_recipe("animation");
  for (const std::filesystem::path& path : plan_->recipe.pictures) {
    auto input = input_json(path);
    if (!input) {
      return tl::make_unexpected(input.error());
    }
    json["inputs"]["pictures"].push_back(std::move(*input));
  }
  Json left_out = Json::array();
  for (const std::filesystem::path& path : facts.left_out) {
    left_out.push_back(path.filename().string());
  }
  Json step{{"step", "animate"},
            {"hold", kHoldWords.of(wishes.hold)},
            {"north_up", wishes.north_up},
            {"radius_px", base::or_null(wishes.radius_px)},
            {"still_surface", wishes.still_surface},
            {"between", wishes.between},
            {"even_light", wishes.even_light},
            {"back", wishes.back},
            {"rate_hz", wishes.rate_hz},
            {"false_colour", kTintWords.of(wishes.tint)},
            {"pictures", facts.pictures},
            {"shown", facts.shown},
            {"left_out", std::move(left_out)}};
  if (wishes.solar) {
    step["north_deg"] = wishes.solar->north_deg;
    step["mirrored"] = wishes.solar->mirrored;
  }
  json["steps"].push_back(std::move(step));
  return inner_text(json);
}

Result<Animated> animate(const AnimationRecipe& recipe, const std::filesystem::path& path,
                         const Decorate& decorate, const base::Task& task) {
  constexpr double kPlanned = 0.3;
  auto animation =
      Animation::plan(recipe, {task.stop, [&task](double done) { task.report(kPlanned * done); }});
  if (!animation) {
    return tl::make_unexpected(animation.error());
  }
  const auto text = animation->recipe();
  if (!text) {
    return tl::make_unexpected(text.error());
  }
  const auto json = base::parse_json(*text, "recipe");
  if (!json) {
    return tl::make_unexpected(json.error());
  }
  std::error_code status;
  const Json seen = seen_from(*json, std::filesystem::absolute(path, status).parent_path());
  const int count = animation->facts().shown;
  const auto source = [&](int number) -> Result<Picture> {
    if (task.stopped()) {
      return base::fail(ErrorCode::kCancelled, "animation");
    }
    auto picture = animation->picture(number, task);
    if (picture && decorate) {
      decorate(*picture);
    }
    task.report(kPlanned + (1.0 - kPlanned) * static_cast<double>(number + 1) / count);
    return picture;
  };
  const auto written =
      frames::write_movie(count, recipe.wishes.rate_hz, source, inner_text(seen), path)
          .and_then([&] { return write_beside(path, seen); });
  if (!written) {
    return tl::make_unexpected(written.error());
  }
  return animation->facts();
}

Result<AnimationRecipe> read_animation(const std::filesystem::path& path) {
  return read_recipe_json(path).and_then([&](const Json& json) -> Result<AnimationRecipe> {
    AnimationRecipe recipe;
    const Json& inputs = json["inputs"];
    if (!inputs.contains("pictures") || !inputs["pictures"].is_array() || json["steps"].empty()) {
      return base::fail(ErrorCode::kMissing, "inputs.pictures");
    }
    for (const Json& input : inputs["pictures"]) {
      const auto file = input_of(input, "pictures[" + std::to_string(recipe.pictures.size()) + "]",
                                 path.parent_path());
      if (!file) {
        return tl::make_unexpected(file.error());
      }
      recipe.pictures.push_back(*file);
    }
    base::ObjectReader step(json["steps"][0], "steps[0]");
    AnimationWishes& wishes = recipe.wishes;
    wishes.hold = step.choice("hold", kHoldWords);
    wishes.north_up = step.flag_or("north_up", wishes.north_up);
    wishes.radius_px = step.optional_number("radius_px", kRadiusRange);
    wishes.still_surface = step.flag_or("still_surface", false);
    wishes.between = step.integer_or("between", kBetweenRange, 0);
    wishes.even_light = step.flag_or("even_light", true);
    wishes.back = step.flag_or("back", false);
    wishes.rate_hz = step.number_or("rate_hz", kRateRange, wishes.rate_hz);
    wishes.tint = step.choice_or("false_colour", kTintWords, Tint::kNone);
    if (step.has("north_deg")) {
      wishes.solar = sky::PictureOrientation{step.number("north_deg", {-360.0, 360.0}),
                                             step.flag_or("mirrored", false)};
    }
    if (step.error()) {
      return tl::make_unexpected(*step.error());
    }
    return recipe;
  });
}

}  // namespace solarchon::reduce
