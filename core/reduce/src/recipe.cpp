// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/recipe.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/file.h"
#include "solarchon/frames/clip_reader.h"
#include "solarchon/seeing/air.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Json;
using base::Result;
using frames::Fingerprint;
using frames::Picture;

namespace {

constexpr int kVersion = 1;
constexpr std::size_t kMostBytes = 1U << 20U;
constexpr base::Range kScaleRange{1.0, 16.0};
constexpr base::Range kBlackRange{0.0, 0.99};
constexpr base::Range kShareRange{0.0001, 1.0};
constexpr base::Range kLevelRange{0.0, 1000.0};
constexpr base::Range kCalmRange{0.05, 3600.0};
constexpr base::Range kSigmaRange{0.0, 100.0};
constexpr base::Range kFinerRange{1.0, 2.0};

/// As it stands inside products: in one line, in ASCII, which headers are held to; bytes that are
/// no UTF-8 are replaced.
std::string inner_text(const Json& json) {
  return json.dump(-1, ' ', true, Json::error_handler_t::replace);
}

bool same_grading(const Recipe& a, const Recipe& b) {
  return a.clip == b.clip && a.grade.scale_px == b.grade.scale_px && a.grade.black == b.grade.black;
}

/// A task that reports a part of the whole.
base::Task part_of(const base::Task& task, double from, double to) {
  return {task.stop, [&task, from, to](double done) { task.report(from + (to - from) * done); }};
}

/// A picture, or the mean of a clip's frames.
Result<Picture> mean_of_file(const std::filesystem::path& path, const base::Task& task) {
  auto clip = frames::ClipReader::open(path);
  if (!clip) {
    return tl::make_unexpected(clip.error());
  }
  return mean_of(*clip, task);
}

Result<Calibration> calibration_of(const Recipe& recipe, const base::Task& task) {
  Calibration calibration;
  if (!recipe.dark.empty()) {
    auto dark = mean_of_file(recipe.dark, task);
    if (!dark) {
      return tl::make_unexpected(dark.error());
    }
    calibration.bad = bad_pixels(*dark);
    calibration.dark = std::move(*dark);
  }
  if (!recipe.flat.empty()) {
    auto flat = mean_of_file(recipe.flat, task).and_then([&](Picture mean) {
      return flat_of(std::move(mean), calibration.dark);
    });
    if (!flat) {
      return tl::make_unexpected(flat.error());
    }
    calibration.flat = std::move(*flat);
  }
  return calibration;
}

Result<Json> input_json(const std::filesystem::path& path) {
  return frames::fingerprint(path).map([&](const Fingerprint& print) {
    return Json{{"file", path.string()},
                {"bytes", print.bytes},
                {"sha256", print.sha256},
                {"sampled", print.sampled}};
  });
}

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

/// The recipe with what came of it. Files are named as they were given.
Result<Json> recipe_json(const Recipe& recipe, const KeepWish& keep, const ClipGrading& grading,
                         const Stacked& stacked) {
  Json inputs = Json::object();
  for (const auto& [key, path] :
       {std::pair{"clip", recipe.clip}, {"dark", recipe.dark}, {"flat", recipe.flat}}) {
    if (path.empty()) {
      continue;
    }
    auto input = input_json(path);
    if (!input) {
      return tl::make_unexpected(input.error());
    }
    inputs[key] = std::move(*input);
  }
  Json keeping = keep_json(keep);
  keeping["frames"] = stacked.frames;
  const frames::Part& part = stacked.part;
  return Json{
      {"solarchon_recipe", kVersion},
      {"program", "solarchon " SOLARCHON_VERSION},
      {"product", "stack"},
      {"inputs", std::move(inputs)},
      {"steps",
       Json::array({{{"step", "grade"},
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
                     {"noise", stacked.noise},
                     {"local_motion_px", stacked.local_motion_px},
                     {"clipped_share", stacked.clipped_share},
                     {"part", {part.left_px, part.top_px, part.width_px, part.height_px}}}})}};
}

}  // namespace

bool Recipe::operator==(const Recipe& other) const {
  return same_grading(*this, other) && keep == other.keep && dark == other.dark &&
         flat == other.flat && local == other.local && clip_sigma == other.clip_sigma &&
         finer == other.finer && restore == other.restore;
}

Result<const ClipGrading*> Reducer::grade(const Recipe& recipe, const base::Task& task) {
  if (grading_ && of_grading_ && same_grading(*of_grading_, recipe)) {
    return &*grading_;
  }
  auto grading = grade_clip(recipe.clip, recipe.grade, task);
  if (!grading) {
    return tl::make_unexpected(grading.error());
  }
  grading_ = std::move(*grading);
  of_grading_ = recipe;
  return &*grading_;
}

namespace {

KeepWish wish_of(const Recipe& recipe, const ClipGrading& grading) {
  KeepWish wish;
  wish.share = propose(grading).gain.share;
  return recipe.keep.value_or(wish);
}

}  // namespace

Result<std::vector<std::size_t>> Reducer::choose(const Recipe& recipe, const base::Task& task) {
  return grade(recipe, task).map([&](const ClipGrading* grading) {
    return kept(*grading, wish_of(recipe, *grading));
  });
}

Result<Product> Reducer::stacked(const Recipe& recipe, const base::Task& task) {
  if (product_ && of_product_ == recipe) {
    return *product_;
  }
  constexpr double kGraded = 0.3;
  constexpr double kCalibrated = 0.35;
  const auto grading = grade(recipe, part_of(task, 0.0, kGraded));
  if (!grading) {
    return tl::make_unexpected(grading.error());
  }
  auto calibration = calibration_of(recipe, part_of(task, kGraded, kCalibrated));
  if (!calibration) {
    return tl::make_unexpected(calibration.error());
  }
  const KeepWish wish = wish_of(recipe, **grading);
  const std::vector<std::size_t> places = kept(**grading, wish);
  StackWishes wishes{std::move(*calibration), recipe.local, recipe.clip_sigma, recipe.finer};
  auto stacked = stack(recipe.clip, **grading, places, wishes, part_of(task, kCalibrated, 1.0));
  if (!stacked) {
    return tl::make_unexpected(stacked.error());
  }
  const auto json = recipe_json(recipe, wish, **grading, *stacked);
  if (!json) {
    return tl::make_unexpected(json.error());
  }
  Product product;
  product.picture = std::move(stacked->picture);
  product.picture.recipe = inner_text(*json);
  product.frames = stacked->frames;
  stacked->picture = {};
  product.facts = std::move(*stacked);
  product.gain = gain_of(**grading, places);
  of_product_ = recipe;
  product_ = product;
  return product;
}

Result<Product> Reducer::make(const Recipe& recipe, const base::Task& task) {
  constexpr double kStacked = 0.9;
  Recipe of_stack = recipe;
  of_stack.restore.reset();
  auto product = stacked(of_stack, part_of(task, 0.0, recipe.restore ? kStacked : 1.0));
  if (!product || !recipe.restore) {
    return product;
  }
  RestoreWishes wishes = *recipe.restore;
  wishes.noise = product->facts.noise;
  wishes.scale_arcsec_px /= recipe.finer;
  auto sharp = restored(product->picture, wishes, part_of(task, kStacked, 1.0));
  if (!sharp) {
    return sharp;
  }
  product->picture = std::move(sharp->picture);
  product->restored = std::move(sharp->restored);
  return product;
}

namespace {

Json restore_json(const RestoreWishes& wishes, const Restored& done) {
  return Json{{"step", "restore"},
              {"aperture_mm", wishes.aperture_mm},
              {"obstruction", wishes.obstruction},
              {"wavelength_nm", wishes.wavelength_nm},
              {"scale_arcsec_px", wishes.scale_arcsec_px},
              {"r0_cm", base::or_null(wishes.r0_cm)},
              {"noise", wishes.noise},
              {"strength", wishes.strength},
              {"limb_r0_cm", base::or_null(done.limb_r0_cm)},
              {"limb_overshoot", base::or_null(done.limb_overshoot)},
              {"reached", done.reached}};
}

}  // namespace

Result<Product> restored(const Picture& picture, const RestoreWishes& wishes,
                         const base::Task& task) {
  auto done = restore(picture, wishes, task);
  if (!done) {
    return tl::make_unexpected(done.error());
  }
  Product product;
  product.picture = std::move(done->picture);
  done->picture = {};
  const auto before = base::parse_json(picture.recipe, "recipe");
  Json recipe = before && before->is_object() && before->contains("steps") &&
                        (*before)["steps"].is_array() && before->contains("inputs")
                    ? *before
                    : Json{{"solarchon_recipe", kVersion},
                           {"program", "solarchon " SOLARCHON_VERSION},
                           {"inputs", Json::object()},
                           {"steps", Json::array()}};
  recipe["product"] = "restored";
  recipe["steps"].push_back(restore_json(wishes, *done));
  product.picture.recipe = inner_text(recipe);
  product.restored = std::move(*done);
  return product;
}

Result<Picture> read_product(const std::filesystem::path& path) {
  return frames::read_picture(path).map([&](Picture picture) {
    auto recipe = base::parse_json(picture.recipe, "recipe");
    if (!recipe || !recipe->is_object() || !recipe->contains("inputs") ||
        !(*recipe)["inputs"].is_object()) {
      return picture;
    }
    std::error_code ignored;
    const auto folder = std::filesystem::absolute(path, ignored).parent_path();
    for (auto& [key, input] : (*recipe)["inputs"].items()) {
      if (input.is_object() && input.contains("file") && input["file"].is_string()) {
        const std::filesystem::path named = input["file"].get<std::string>();
        input["file"] = (folder / named).lexically_normal().generic_string();
      }
    }
    picture.recipe = inner_text(*recipe);
    return picture;
  });
}

std::filesystem::path recipe_beside(const std::filesystem::path& product) {
  std::filesystem::path beside = product;
  return beside.replace_extension(".recipe.json");
}

Result<void> write_product(const Product& product, const std::filesystem::path& path) {
  auto recipe = base::parse_json(product.picture.recipe, "recipe");
  if (!recipe) {
    return tl::make_unexpected(recipe.error());
  }
  std::error_code status;
  const auto folder = std::filesystem::absolute(path, status).parent_path();
  for (auto& [key, input] : (*recipe)["inputs"].items()) {
    if (!input.is_object() || !input.contains("file") || !input["file"].is_string()) {
      continue;
    }
    const auto whole = std::filesystem::absolute(input["file"].get<std::string>(), status);
    const auto seen = std::filesystem::proximate(whole, folder, status);
    input["file"] = (status ? whole : seen).generic_string();
  }
  Picture picture = product.picture;
  picture.recipe = inner_text(*recipe);
  const std::filesystem::path beside = recipe_beside(path);
  const bool was_there = std::filesystem::exists(beside, status);
  if (auto written = frames::write_picture(picture, path); !written) {
    return written;
  }
  auto told = base::write_file(beside, base::file_text(*recipe));
  if (!told && !was_there) {
    std::filesystem::remove(path, status);
  }
  return told;
}

namespace {

/// An input's path, once it was seen to be what it was.
Result<std::filesystem::path> input_of(const Json& inputs, const char* key,
                                       const std::filesystem::path& folder) {
  base::ObjectReader reader(inputs.at(key), std::string("inputs.") + key);
  const std::filesystem::path named = reader.text("file");
  const std::string sha256 = reader.text("sha256");
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  const std::filesystem::path path = (folder / named).lexically_normal();
  const auto print = frames::fingerprint(path);
  if (!print) {
    return tl::make_unexpected(print.error());
  }
  if (print->sha256 != sha256) {
    return base::fail_because(ErrorCode::kMalformed, path.string(), base::because("another-file"));
  }
  return path;
}

Result<Recipe> parse_recipe(const Json& json, const std::filesystem::path& folder) {
  base::ObjectReader reader(json, "");
  const int version = reader.integer("solarchon_recipe", {1.0, 1000.0});
  if (!reader.error() && version > kVersion) {
    return base::fail(ErrorCode::kVersion, "solarchon_recipe", std::to_string(version),
                      base::wants("versions-up-to", {static_cast<double>(kVersion)}));
  }
  const Json& inputs = reader.object("inputs");
  if (!reader.error() && (!json.contains("steps") || !json["steps"].is_array())) {
    reader.fail(ErrorCode::kMissing, "steps", {}, base::wants("list"));
  }
  if (!reader.error() && !inputs.contains("clip")) {
    reader.fail(ErrorCode::kMissing, "inputs.clip", {}, {});
  }
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  Recipe recipe;
  for (const auto& [key, path] :
       {std::pair{"clip", &recipe.clip}, {"dark", &recipe.dark}, {"flat", &recipe.flat}}) {
    if (!inputs.contains(key)) {
      continue;
    }
    const auto input = input_of(inputs, key, folder);
    if (!input) {
      return tl::make_unexpected(input.error());
    }
    *path = *input;
  }
  std::size_t place = 0;
  for (const Json& step : json["steps"]) {
    base::ObjectReader of_step(step, "steps[" + std::to_string(place++) + "]");
    const std::string name = of_step.text("step");
    if (name == "grade") {
      recipe.grade.scale_px = of_step.integer("scale_px", kScaleRange);
      recipe.grade.black = of_step.number("black", kBlackRange);
    } else if (name == "keep") {
      KeepWish keep;
      keep.rule = of_step.choice("rule", kKeepWords);
      keep.share = of_step.number_or("share", kShareRange, keep.share);
      keep.level = of_step.number_or("level", kLevelRange, keep.level);
      keep.calm_s = of_step.number_or("calm_s", kCalmRange, keep.calm_s);
      recipe.keep = keep;
    } else if (name == "stack") {
      recipe.local = of_step.flag_or("local", true);
      recipe.clip_sigma = of_step.number_or("clip_sigma", kSigmaRange, recipe.clip_sigma);
      recipe.finer = of_step.integer_or("finer", kFinerRange, 1);
    } else if (name == "restore") {
      RestoreWishes wishes;
      wishes.aperture_mm = of_step.number("aperture_mm", {1.0, 2000.0});
      wishes.obstruction = of_step.number_or("obstruction", {0.0, 0.95}, 0.0);
      wishes.wavelength_nm = of_step.number("wavelength_nm", {300.0, 1100.0});
      wishes.scale_arcsec_px = of_step.number("scale_arcsec_px", {0.01, 100.0}) * recipe.finer;
      wishes.r0_cm = of_step.optional_number("r0_cm", seeing::kR0Range);
      wishes.strength = of_step.number_or("strength", {0.0, 1.0}, 1.0);
      recipe.restore = wishes;
    } else if (!of_step.error()) {
      of_step.fail(ErrorCode::kUnknownValue, "step", name,
                   base::wants("one-of", {}, "grade, keep, stack, restore"));
    }
    if (of_step.error()) {
      return tl::make_unexpected(*of_step.error());
    }
  }
  return recipe;
}

}  // namespace

Result<Recipe> read_recipe(const std::filesystem::path& path) {
  const auto folder = path.parent_path();
  const auto text =
      path.extension() == ".json"
          ? base::read_file(path, kMostBytes)
          : frames::read_picture(path).and_then([&](const Picture& picture) -> Result<std::string> {
              if (picture.recipe.empty()) {
                return base::read_file(recipe_beside(path), kMostBytes);
              }
              return picture.recipe;
            });
  if (!text) {
    return tl::make_unexpected(text.error());
  }
  return base::parse_json(*text, path.string()).and_then([&](const Json& json) {
    return parse_recipe(json, folder);
  });
}

}  // namespace solarchon::reduce
