// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/animation.h"

#include <algorithm>
#include <cmath>

#include "animation_plan.h"
#include "recipe_file.h"
#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/movie.h"
#include "solarchon/media/picture_file.h"
#include "solarchon/reduce/recipe.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Json;
using base::Result;
using image::Picture;

namespace {

constexpr base::Range kRateRange{0.1, 120.0};
constexpr base::Range kBetweenRange{0.0, 60.0};
constexpr std::size_t kMostPictures = 20'000;
constexpr base::Range kMovieRadiusRange{8.0, 5000.0};

Result<void> checked_wishes(const AnimationWishes& wishes) {
  return base::checked("rate", wishes.rate_hz, kRateRange)
      .and_then([&](double) { return base::checked("between", wishes.between, kBetweenRange); })
      .and_then([&](double) {
        return base::checked("radius_px", wishes.radius_px.value_or(kMovieRadiusRange.high),
                             kMovieRadiusRange);
      })
      .map([](double) {});
}

}  // namespace

Result<Animation> Animation::plan(const AnimationRecipe& recipe, const base::Task& task) {
  if (const auto good = checked_wishes(recipe.wishes); !good) {
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
    const auto picture = media::read_picture(recipe.pictures[i]);
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
  if (recipe.pictures.size() < 2) {
    return base::fail(ErrorCode::kMissing, "pictures");
  }
  if (steps.size() < 2) {
    return base::fail_because(ErrorCode::kNotFound, "pictures", base::because("too-few-to-hold"));
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
    return base::fail_because(ErrorCode::kNotFound, "pictures", base::because("too-few-to-hold"));
  }
  if (const auto sized = image::check_size(plan->facts.width, plan->facts.height, "animation");
      !sized) {
    return tl::make_unexpected(sized.error());
  }
  return Animation(std::move(plan));
}

const Animated& Animation::facts() const { return plan_->facts; }
const image::FrameInfo& Animation::info() const { return plan_->steps.front().info; }

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
  for (const std::filesystem::path& written : {path, recipe_beside(path)}) {
    if (const auto apart = base::check_apart("out", written, recipe.pictures); !apart) {
      return tl::make_unexpected(apart.error());
    }
  }
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
      media::write_movie(count, recipe.wishes.rate_hz, source, inner_text(seen), path)
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
    if (inputs["pictures"].size() > kMostPictures) {
      return base::fail(ErrorCode::kTooLarge, "inputs.pictures",
                        std::to_string(inputs["pictures"].size()),
                        base::wants("list-of-at-most", {static_cast<double>(kMostPictures)}));
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
    wishes.radius_px = step.optional_number("radius_px", kMovieRadiusRange);
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
