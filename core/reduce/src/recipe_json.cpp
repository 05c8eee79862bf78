// SPDX-License-Identifier: GPL-3.0-or-later
#include "recipe_json.h"

#include <algorithm>

#include "recipe_file.h"
#include "solarchon/base/json.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/seeing/air.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Json;
using base::Result;

namespace {

constexpr base::Range kScaleRange{1.0, 16.0};
constexpr base::Range kBlackRange{0.0, 0.99};
constexpr base::Range kShareRange{0.0001, 1.0};
constexpr base::Range kLevelRange{0.0, 1000.0};
constexpr base::Range kCalmRange{0.05, 3600.0};
constexpr base::Range kSigmaRange{0.0, 100.0};
constexpr base::Range kFinerRange{1.0, 2.0};
constexpr base::Range kAngleRange{-360.0, 360.0};

Json keep_json(const KeepWish& keep) {
  Json json{{"step", "keep"}, {"rule", kKeepWords.of(keep.rule)}};
  switch (keep.rule) {
    case KeepRule::kBestShare:
      json["share"] = keep.share;
      break;
    case KeepRule::kAboveLevel:
      json["level"] = keep.level;
      break;
    case KeepRule::kCalmStretches:
      json["share"] = keep.share;
      json["calm_s"] = keep.calm_s;
      break;
    case KeepRule::kAll:
      break;
  }
  return json;
}

}  // namespace

Json stack_steps(const Recipe& recipe, const KeepWish& keep, const ClipGrading& grading,
                 const Stacked& stacked) {
  Json keeping = keep_json(keep);
  keeping["frames"] = stacked.frames;
  const image::Rectangle& part = stacked.part;
  return Json::array({{{"step", "grade"},
                       {"scale_px", recipe.grade.scale_px},
                       {"black", recipe.grade.black},
                       {"frames", grading.frames.size()},
                       {"damaged", grading.damaged.size()},
                       {"cut_off", grading.cut_off},
                       {"reference", grading.reference}},
                      std::move(keeping),
                      {{"step", "stack"},
                       {"local", recipe.local},
                       {"clip_sigma", recipe.clip_sigma},
                       {"finer", recipe.finer},
                       {"colours", kColourWords.of(recipe.colours)},
                       {"noise", stacked.noise},
                       {"local_motion_px", stacked.local_motion_px},
                       {"clipped_share", stacked.clipped_share},
                       {"part", {part.left_px, part.top_px, part.width_px, part.height_px}}}});
}

Json mosaic_step(const Mosaic& mosaic) {
  Json panels = Json::array();
  for (const Placement& panel : mosaic.panels) {
    panels.push_back({{"x_px", panel.x_px},
                      {"y_px", panel.y_px},
                      {"turned_deg", panel.turned_deg},
                      {"gain", panel.gain}});
  }
  return Json{
      {"step", "mosaic"},          {"panels", std::move(panels)},     {"seams", mosaic.seams},
      {"seam_px", mosaic.seam_px}, {"level_step", mosaic.level_step}, {"covered", mosaic.covered}};
}

Json restore_step(const RestoreWishes& wishes, const Restored& done) {
  return Json{{"step", "restore"},
              {"aperture_mm", wishes.imaging.aperture_mm},
              {"obstruction", wishes.imaging.obstruction},
              {"wavelength_nm", wishes.imaging.wavelength_nm},
              {"scale_arcsec_px", wishes.imaging.scale_arcsec_px},
              {"r0_cm", base::or_null(wishes.r0_cm)},
              {"noise", wishes.noise},
              {"noise_given", wishes.noise_given},
              {"strength", wishes.strength},
              {"limb_r0_cm", base::or_null(done.limb_r0_cm)},
              {"limb_overshoot", base::or_null(done.limb_overshoot)},
              {"rim", done.rim},
              {"reached", done.reached}};
}

Json finish_step(const FinishWishes& wishes, const Finished& done) {
  Json orient = nullptr;
  if (wishes.orient) {
    orient = {{"north_up", wishes.orient->north_up}, {"beyond", wishes.orient->beyond}};
    if (wishes.orient->radius_px) {
      orient["radius_px"] = *wishes.orient->radius_px;
    }
    if (wishes.orient->solar) {
      orient["north_deg"] = wishes.orient->solar->north_deg;
      orient["mirrored"] = wishes.orient->solar->mirrored;
    }
    if (done.oriented) {
      orient["turned_deg"] = done.oriented->turned_deg;
      orient["covered"] = done.oriented->covered;
    }
  }
  return Json{{"step", "finish"},
              {"prominence_gain", base::or_null(wishes.prominence_gain)},
              {"flatten", wishes.flatten},
              {"layers", wishes.layers},
              {"gate", wishes.gate},
              {"rim", done.rim},
              {"noise_gain", done.noise_gain},
              {"orient", std::move(orient)},
              {"false_colour", kTintWords.of(wishes.tint)}};
}

Result<Json> recipe_with_inputs(const Recipe& recipe) {
  Json json = new_recipe(!recipe.clip.empty()     ? "stack"
                         : !recipe.panels.empty() ? "mosaic"
                                                  : "picture");
  for (const auto& [key, path] : {std::pair{"clip", recipe.clip},
                                  {"picture", recipe.picture},
                                  {"dark", recipe.dark},
                                  {"flat", recipe.flat}}) {
    if (path.empty()) {
      continue;
    }
    auto input = input_json(path);
    if (!input) {
      return input;
    }
    json["inputs"][key] = std::move(*input);
  }
  for (const std::filesystem::path& panel : recipe.panels) {
    auto input = input_json(panel);
    if (!input) {
      return input;
    }
    json["inputs"]["panels"].push_back(std::move(*input));
  }
  return json;
}

namespace {

KeepWish read_keep(base::ObjectReader& step) {
  KeepWish keep;
  keep.rule = step.choice("rule", kKeepWords);
  keep.share = step.number_or("share", kShareRange, keep.share);
  keep.level = step.number_or("level", kLevelRange, keep.level);
  keep.calm_s = step.number_or("calm_s", kCalmRange, keep.calm_s);
  return keep;
}

RestoreWishes read_restore(base::ObjectReader& step, int finer) {
  RestoreWishes wishes;
  wishes.imaging.aperture_mm = step.number("aperture_mm", {1.0, 2000.0});
  wishes.imaging.obstruction = step.number_or("obstruction", {0.0, 0.95}, 0.0);
  wishes.imaging.wavelength_nm = step.number("wavelength_nm", {300.0, 1100.0});
  wishes.imaging.scale_arcsec_px = step.number("scale_arcsec_px", {0.01, 100.0}) * finer;
  wishes.r0_cm = step.optional_number("r0_cm", seeing::kR0Range);
  wishes.noise = step.number_or("noise", {0.0, 1.0}, wishes.noise);
  wishes.noise_given = step.flag_or("noise_given", false);
  wishes.strength = step.number_or("strength", {0.0, 1.0}, 1.0);
  return wishes;
}

FinishWishes read_finish(const Json& json, base::ObjectReader& step) {
  FinishWishes wishes;
  wishes.flatten = step.number_or("flatten", {0.0, 1.0}, 0.0);
  wishes.gate = step.number_or("gate", {0.0, 20.0}, wishes.gate);
  wishes.prominence_gain = step.optional_number("prominence_gain", {0.1, 1000.0});
  wishes.tint = step.choice_or("false_colour", kTintWords, Tint::kNone);
  if (json.contains("layers")) {
    const Json& layers = json["layers"];
    const bool good = layers.is_array() && layers.size() == wishes.layers.size() &&
                      std::all_of(layers.begin(), layers.end(), [](const Json& layer) {
                        return layer.is_number() && layer >= 0.0 && layer <= 10.0;
                      });
    if (!good) {
      step.fail(ErrorCode::kWrongType, "layers", layers.dump(), base::wants("list"));
      return wishes;
    }
    wishes.layers = layers.get<std::array<double, 4>>();
  }
  if (step.has("orient")) {
    const Json& inner = step.object("orient");
    base::ObjectReader orient(inner, step.path_of("orient"));
    OrientWishes wished;
    wished.north_up = orient.flag_or("north_up", true);
    wished.beyond = orient.number_or("beyond", {1.0, 3.0}, wished.beyond);
    wished.radius_px = orient.optional_number("radius_px", {8.0, 5000.0});
    if (orient.has("north_deg")) {
      wished.solar = sky::PictureOrientation{orient.number("north_deg", kAngleRange),
                                             orient.flag_or("mirrored", false)};
    }
    if (orient.error() && !step.error()) {
      step.fail(orient.error()->code, "orient", orient.error()->value, orient.error()->accepted);
    }
    wishes.orient = wished;
  }
  return wishes;
}

Result<void> read_inputs(const Json& inputs, const std::filesystem::path& folder, Recipe& recipe) {
  for (const auto& [key, path] : {std::pair{"clip", &recipe.clip},
                                  {"picture", &recipe.picture},
                                  {"dark", &recipe.dark},
                                  {"flat", &recipe.flat},
                                  {"prominences", &recipe.prominences}}) {
    if (!inputs.contains(key)) {
      continue;
    }
    const auto input = input_of(inputs[key], key, folder);
    if (!input) {
      return tl::make_unexpected(input.error());
    }
    *path = *input;
  }
  if (inputs.contains("panels") && inputs["panels"].is_array()) {
    if (inputs["panels"].size() > static_cast<std::size_t>(kMostPanels)) {
      return base::fail(ErrorCode::kTooLarge, "inputs.panels",
                        std::to_string(inputs["panels"].size()),
                        base::wants("list-of-at-most", {static_cast<double>(kMostPanels)}));
    }
    for (const Json& panel : inputs["panels"]) {
      const auto input =
          input_of(panel, "panels[" + std::to_string(recipe.panels.size()) + "]", folder);
      if (!input) {
        return tl::make_unexpected(input.error());
      }
      recipe.panels.push_back(*input);
    }
  }
  if (recipe.clip.empty() && recipe.picture.empty() && recipe.panels.empty()) {
    return base::fail(ErrorCode::kMissing, "inputs.clip");
  }
  return {};
}

Result<Recipe> parse_recipe(const Json& json, const std::filesystem::path& folder) {
  Recipe recipe;
  if (const auto read = read_inputs(json["inputs"], folder, recipe); !read) {
    return tl::make_unexpected(read.error());
  }
  std::size_t place = 0;
  for (const Json& step : json["steps"]) {
    base::ObjectReader of_step(step, "steps[" + std::to_string(place++) + "]");
    const std::string name = of_step.text("step");
    if (name == "grade") {
      recipe.grade.scale_px = of_step.integer("scale_px", kScaleRange);
      recipe.grade.black = of_step.number("black", kBlackRange);
    } else if (name == "keep") {
      recipe.keep = read_keep(of_step);
    } else if (name == "stack") {
      recipe.local = of_step.flag_or("local", true);
      recipe.clip_sigma = of_step.number_or("clip_sigma", kSigmaRange, recipe.clip_sigma);
      recipe.finer = of_step.integer_or("finer", kFinerRange, 1);
      recipe.colours = of_step.choice_or("colours", kColourWords, recipe.colours);
    } else if (name == "restore") {
      recipe.restore = read_restore(of_step, recipe.finer);
    } else if (name == "finish") {
      recipe.finish = read_finish(step, of_step);
    } else if (name != "mosaic" && !of_step.error()) {
      of_step.fail(ErrorCode::kUnknownValue, "step", name,
                   base::wants("one-of", {}, "grade, keep, stack, mosaic, restore, finish"));
    }
    if (of_step.error()) {
      return tl::make_unexpected(*of_step.error());
    }
  }
  return recipe;
}

}  // namespace

Result<Recipe> read_recipe(const std::filesystem::path& path) {
  return read_recipe_json(path).and_then(
      [&](const Json& json) { return parse_recipe(json, path.parent_path()); });
}

}  // namespace solarchon::reduce
