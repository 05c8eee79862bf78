// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/picture_commands.h"

#include <algorithm>
#include <filesystem>

#include "solarchon/base/json.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/endings.h"
#include "solarchon/media/picture_file.h"
#include "solarchon/reduce/animation.h"
#include "solarchon/reduce/recipe.h"

namespace solarchon::cli {

using base::ErrorCode;
using base::Json;
using base::Result;

namespace {

/// A tint by its word; `auto` by the light that the picture was taken in.
Result<reduce::Tint> tint_of(const std::string& word, const std::filesystem::path& picture) {
  if (word == "auto") {
    return media::read_picture(picture).map(
        [](const image::Picture& read) { return reduce::tint_for(read.info); });
  }
  if (const auto tint = reduce::kTintWords.from(word)) {
    return *tint;
  }
  std::vector<std::string> words = reduce::kTintWords.list();
  words.emplace_back("auto");
  return base::fail(ErrorCode::kUnknownValue, "tint", word, base::one_of(words));
}

Result<std::optional<sky::PictureOrientation>> north_of(const PictureOptions& options) {
  if (!options.north_deg) {
    return std::optional<sky::PictureOrientation>();
  }
  return base::checked("north", *options.north_deg, {-360.0, 360.0}).map([&](double north_deg) {
    return std::optional(sky::PictureOrientation{north_deg, options.mirrored});
  });
}

Result<reduce::FinishWishes> finishing_of(const PictureOptions& options) {
  reduce::FinishWishes wishes;
  wishes.flatten = options.flatten;
  wishes.gate = options.gate;
  wishes.prominence_gain = options.prominence_gain;
  if (options.sharpen.size() > wishes.layers.size()) {
    return base::fail(ErrorCode::kTooLarge, "sharpen", std::to_string(options.sharpen.size()),
                      base::wants("at-most", {static_cast<double>(wishes.layers.size())}));
  }
  std::copy(options.sharpen.begin(), options.sharpen.end(), wishes.layers.begin());
  if (options.north_up || options.centred || options.radius_px) {
    const auto north = north_of(options);
    if (!north) {
      return tl::make_unexpected(north.error());
    }
    reduce::OrientWishes orient;
    orient.solar = *north;
    orient.north_up = options.north_up;
    orient.radius_px = options.radius_px;
    wishes.orient = orient;
  }
  return tint_of(options.tint, options.pictures.front()).map([&](reduce::Tint tint) {
    wishes.tint = tint;
    return wishes;
  });
}

Json product_json(const PictureOptions& options, const image::Picture& picture) {
  return Json{{"out", options.out},
              {"recipe", reduce::recipe_beside(options.out).string()},
              {"width", picture.width},
              {"height", picture.height},
              {"planes", picture.planes},
              {"simulated", picture.info.simulated},
              {"scale_arcsec_px", base::or_null(picture.info.plate_scale_arcsec_px)}};
}

Result<Json> finished(const PictureOptions& options) {
  const auto wishes = finishing_of(options);
  if (!wishes) {
    return tl::make_unexpected(wishes.error());
  }
  reduce::Reducer reducer;
  auto recipe = reducer.take(options.pictures.front());
  if (!recipe) {
    return tl::make_unexpected(recipe.error());
  }
  recipe->prominences = options.prominences;
  recipe->finish = *wishes;
  const auto product = reducer.make(*recipe);
  if (!product) {
    return tl::make_unexpected(product.error());
  }
  if (const auto written = reduce::write_product(*product, options.out); !written) {
    return tl::make_unexpected(written.error());
  }
  const reduce::Finished& done = *product->finished;
  Json json = product_json(options, product->picture);
  json["false_colour"] = reduce::kTintWords.of(wishes->tint);
  json["rim"] = done.rim;
  json["noise_gain"] = done.noise_gain;
  json["prominence_gain"] =
      options.prominences.empty() ? Json(nullptr) : Json(done.prominence_gain);
  json["turned_deg"] = done.oriented ? Json(done.oriented->turned_deg) : Json(nullptr);
  json["covered"] = done.oriented ? Json(done.oriented->covered) : Json(nullptr);
  return json;
}

Result<Json> joined(const PictureOptions& options) {
  reduce::Recipe recipe;
  if (!options.recipe.empty()) {
    const auto read = reduce::read_recipe(options.recipe);
    if (!read) {
      return tl::make_unexpected(read.error());
    }
    recipe = *read;
  } else {
    recipe.panels.assign(options.pictures.begin(), options.pictures.end());
  }
  if (recipe.panels.size() < 2) {
    return base::fail(ErrorCode::kMissing, "panels");
  }
  const auto product = reduce::Reducer().make(recipe);
  if (!product) {
    return tl::make_unexpected(product.error());
  }
  if (const auto written = reduce::write_product(*product, options.out); !written) {
    return tl::make_unexpected(written.error());
  }
  Json json = product_json(options, product->picture);
  for (const reduce::Placement& panel : product->mosaic->panels) {
    json["panels"].push_back({{"x_px", panel.x_px},
                              {"y_px", panel.y_px},
                              {"turned_deg", panel.turned_deg},
                              {"gain", panel.gain}});
  }
  json["seams"] = product->mosaic->seams;
  json["seam_px"] = product->mosaic->seam_px;
  json["level_step"] = product->mosaic->level_step;
  json["covered"] = product->mosaic->covered;
  return json;
}

/// Pictures as they were named; of a folder those in it, in the order of their names.
std::vector<std::filesystem::path> pictures_of(const std::vector<std::string>& named) {
  std::vector<std::filesystem::path> pictures;
  for (const std::string& name : named) {
    std::error_code status;
    if (!std::filesystem::is_directory(name, status)) {
      pictures.emplace_back(name);
      continue;
    }
    const std::size_t first = pictures.size();
    for (const auto& entry : std::filesystem::directory_iterator(name, status)) {
      if (media::named_as_picture(entry.path())) {
        pictures.push_back(entry.path());
      }
    }
    std::sort(pictures.begin() + static_cast<std::ptrdiff_t>(first), pictures.end());
  }
  return pictures;
}

Result<reduce::AnimationRecipe> animation_of(const PictureOptions& options) {
  if (!options.recipe.empty()) {
    return reduce::read_animation(options.recipe);
  }
  reduce::AnimationRecipe recipe;
  recipe.pictures = pictures_of(options.pictures);
  reduce::AnimationWishes& wishes = recipe.wishes;
  const auto hold = reduce::kHoldWords.from(options.hold);
  if (!hold) {
    return base::fail(ErrorCode::kUnknownValue, "hold", options.hold,
                      base::one_of(reduce::kHoldWords.list()));
  }
  const auto north = north_of(options);
  if (!north) {
    return tl::make_unexpected(north.error());
  }
  wishes.hold = *hold;
  wishes.north_up = !options.as_taken;
  wishes.solar = *north;
  wishes.radius_px = options.radius_px;
  wishes.still_surface = options.still_surface;
  wishes.between = options.between;
  wishes.even_light = !options.uneven_light;
  wishes.back = options.back;
  wishes.rate_hz = options.rate_hz;
  if (recipe.pictures.empty()) {
    return base::fail(ErrorCode::kMissing, "pictures");
  }
  return tint_of(options.tint, recipe.pictures.front()).map([&](reduce::Tint tint) {
    wishes.tint = tint;
    return recipe;
  });
}

Result<Json> animated(const PictureOptions& options) {
  const auto recipe = animation_of(options);
  if (!recipe) {
    return tl::make_unexpected(recipe.error());
  }
  return reduce::animate(*recipe, options.out).map([&](const reduce::Animated& made) {
    Json left_out = Json::array();
    for (const std::filesystem::path& path : made.left_out) {
      left_out.push_back(path.string());
    }
    return Json{{"out", options.out},
                {"recipe", reduce::recipe_beside(options.out).string()},
                {"width", made.width},
                {"height", made.height},
                {"pictures", made.pictures},
                {"shown", made.shown},
                {"left_out", std::move(left_out)},
                {"light_spread", made.evened},
                {"place_spread_px", made.jumped_px}};
  });
}

void add_way_up(CLI::App* command, PictureOptions& options) {
  command->add_option("--north", options.north_deg,
                      "direction of solar north in the picture, from up, clockwise (degree)");
  command->add_flag("--mirrored", options.mirrored, "east lies clockwise of north there");
  command->add_option("--radius", options.radius_px, "of the disc, as it is made (px)");
  command->add_option("--tint", options.tint, "none, white-light, h-alpha, calcium or auto");
}

}  // namespace

std::vector<Command> add_picture_commands(CLI::App& app, PictureOptions& options) {
  CLI::App* finish = app.add_subcommand("finish", "a picture so that people see what is in it");
  finish->add_flag("--json", options.json, "answer as JSON (the only form)");
  finish->add_option("picture", options.pictures, "FITS, PNG, TIFF or JPEG")
      ->required()
      ->expected(1);
  finish->add_option("--out", options.out, "FITS, PNG or TIFF to write")->required();
  finish->add_option("--flatten", options.flatten, "limb darkening taken out, 0 to 1");
  finish
      ->add_option("--sharpen", options.sharpen,
                   "what detail of about 1, 2, 4 and 8 px is multiplied by")
      ->delimiter(',');
  finish->add_option("--gate", options.gate, "below so many deviations noise is left as it is");
  finish->add_option("--prominences", options.prominences,
                     "longer exposure that is laid about the disc");
  finish->add_option("--prominence-gain", options.prominence_gain,
                     "by how much they are made brighter than they are");
  finish->add_flag("--north-up", options.north_up, "centres the disc and turns solar north up");
  finish->add_flag("--centred", options.centred, "centres the disc");
  add_way_up(finish, options);
  CLI::App* mosaic = app.add_subcommand("mosaic", "joins panels that overlap");
  mosaic->add_flag("--json", options.json, "answer as JSON (the only form)");
  mosaic->add_option("panels", options.pictures, "two or more: FITS, PNG, TIFF or JPEG");
  mosaic->add_option("--out", options.out, "FITS, PNG or TIFF to write")->required();
  mosaic->add_option("--recipe", options.recipe, "as another mosaic was made");
  CLI::App* animate = app.add_subcommand("animate", "a movie of pictures in the order of time");
  animate->add_flag("--json", options.json, "answer as JSON (the only form)");
  animate->add_option("pictures", options.pictures, "FITS, PNG, TIFF or JPEG, or folders of them");
  animate->add_option("--out", options.out, ".mkv without loss, .mp4 for all players")->required();
  animate->add_option("--recipe", options.recipe, "as another movie was made");
  animate->add_option("--hold", options.hold, "what stands still: disc, detail or nothing");
  animate->add_flag("--as-taken", options.as_taken, "discs are not turned to solar north");
  animate->add_flag("--still-surface", options.still_surface, "takes the rotation out");
  animate->add_option("--between", options.between, "pictures worked out between every two");
  animate->add_flag("--uneven-light", options.uneven_light, "leaves light as it was");
  animate->add_flag("--back", options.back, "forward, and back again");
  animate->add_option("--rate", options.rate_hz, "pictures a second");
  add_way_up(animate, options);
  return {{finish, [&options] { return finished(options); }},
          {mosaic, [&options] { return joined(options); }},
          {animate, [&options] { return animated(options); }}};
}

}  // namespace solarchon::cli
