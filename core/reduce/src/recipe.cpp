// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/recipe.h"

#include <algorithm>
#include <cmath>

#include "recipe_file.h"
#include "recipe_json.h"
#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/picture_file.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Json;
using base::Result;
using image::Picture;

namespace {

bool same_grading(const Recipe& a, const Recipe& b) {
  return a.clip == b.clip && a.grade.scale_px == b.grade.scale_px && a.grade.black == b.grade.black;
}

/// The same up to where a picture is there.
bool same_source(const Recipe& a, const Recipe& b) {
  return same_grading(a, b) && a.picture == b.picture && a.panels == b.panels && a.keep == b.keep &&
         a.dark == b.dark && a.flat == b.flat && a.local == b.local &&
         a.clip_sigma == b.clip_sigma && a.finer == b.finer && a.colours == b.colours;
}

/// A task that reports a part of the whole.
base::Task part_of(const base::Task& task, double from, double to) {
  return {task.stop, [&task, from, to](double done) { task.report(from + (to - from) * done); }};
}

/// A picture, or the mean of a clip's frames.
Result<Picture> mean_of_file(const std::filesystem::path& path, const base::Task& task) {
  auto clip = media::ClipReader::open(path);
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
    auto flat = flat_from_file(recipe.flat, calibration.dark, task);
    if (!flat) {
      return tl::make_unexpected(flat.error());
    }
    calibration.flat = std::move(*flat);
  }
  return calibration;
}

}  // namespace

bool Recipe::operator==(const Recipe& other) const {
  return same_source(*this, other) && restore == other.restore &&
         prominences == other.prominences && finish == other.finish;
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
  StackWishes wishes{std::move(*calibration), recipe.local, recipe.clip_sigma, recipe.finer,
                     recipe.colours};
  auto stacked = stack(recipe.clip, **grading, places, wishes, part_of(task, kCalibrated, 1.0));
  if (!stacked) {
    return tl::make_unexpected(stacked.error());
  }
  Product product;
  product.picture = std::move(stacked->picture);
  stacked->picture = {};
  product.frames = stacked->frames;
  product.facts = std::move(*stacked);
  product.gain = gain_of(**grading, places);
  return recipe_with_inputs(recipe).map([&](Json json) {
    json["steps"] = stack_steps(recipe, wish, **grading, product.facts);
    product.picture.recipe = inner_text(json);
    return std::move(product);
  });
}

Result<Product> Reducer::joined(const Recipe& recipe, const base::Task& task) {
  std::vector<Picture> panels;
  for (const std::filesystem::path& path : recipe.panels) {
    auto panel = media::read_picture(path);
    if (!panel) {
      return tl::make_unexpected(panel.error());
    }
    panels.push_back(std::move(*panel));
  }
  auto mosaic = join_panels(panels, task);
  if (!mosaic) {
    base::Error error = mosaic.error();
    // A panel is named by its file.
    for (std::size_t i = 0; i < recipe.panels.size(); ++i) {
      if (error.field == "panels[" + std::to_string(i) + "]") {
        error.field = recipe.panels[i].filename().string();
      }
    }
    return tl::make_unexpected(error);
  }
  Product product;
  product.picture = std::move(mosaic->picture);
  mosaic->picture = {};
  product.mosaic = std::move(*mosaic);
  return recipe_with_inputs(recipe).map([&](Json json) {
    json["steps"].push_back(mosaic_step(*product.mosaic));
    product.picture.recipe = inner_text(json);
    return std::move(product);
  });
}

Result<Product> Reducer::begun(const Recipe& recipe, const base::Task& task) {
  if (source_ && of_source_ && same_source(*of_source_, recipe)) {
    return *source_;
  }
  auto product = !recipe.clip.empty()     ? stacked(recipe, task)
                 : !recipe.panels.empty() ? joined(recipe, task)
                                          : read(recipe);
  if (product) {
    keep_source(recipe, *product);
  }
  return product;
}

Result<Product> Reducer::read(const Recipe& recipe) {
  return media::read_picture(recipe.picture).and_then([&](Picture picture) {
    return recipe_with_inputs(recipe).map([&](const Json& json) {
      Product product;
      picture.recipe = inner_text(json);
      product.picture = std::move(picture);
      return product;
    });
  });
}

void Reducer::keep_source(const Recipe& recipe, const Product& product) {
  of_source_ = recipe;
  source_ = product;
  of_restored_.reset();
  restored_.reset();
}

Result<Product> Reducer::restored(const Recipe& recipe, const base::Task& task) {
  constexpr double kBegun = 0.9;
  Recipe of_this = recipe;
  of_this.finish.reset();
  of_this.prominences.clear();
  if (restored_ && of_restored_ == of_this) {
    return *restored_;
  }
  auto product = begun(recipe, part_of(task, 0.0, recipe.restore ? kBegun : 1.0));
  if (!product || !recipe.restore) {
    return product;
  }
  RestoreWishes wishes = *recipe.restore;
  wishes.noise =
      product->facts.noise > 0.0 && !wishes.noise_given ? product->facts.noise : wishes.noise;
  wishes.imaging.scale_arcsec_px /= recipe.finer;
  auto done = restore(product->picture, wishes, part_of(task, kBegun, 1.0));
  if (!done) {
    return tl::make_unexpected(done.error());
  }
  done->picture.recipe =
      with_step(product->picture.recipe, restore_step(wishes, *done), "restored");
  product->picture = std::move(done->picture);
  done->picture = {};
  product->restored = std::move(*done);
  of_restored_ = of_this;
  restored_ = *product;
  return product;
}

std::vector<std::filesystem::path> Reducer::inputs_of(const Recipe& recipe) const {
  std::vector<std::filesystem::path> inputs = recipe.panels;
  for (const std::filesystem::path& clip : {recipe.clip, recipe.dark, recipe.flat}) {
    if (!clip.empty()) {
      const auto files = media::files_of_clip(clip);
      inputs.insert(inputs.end(), files.begin(), files.end());
    }
  }
  for (const std::filesystem::path& picture : {recipe.picture, recipe.prominences}) {
    if (!picture.empty()) {
      inputs.push_back(picture);
    }
  }
  if (of_taken_ && same_source(*of_taken_, recipe)) {
    inputs.push_back(taken_);
    inputs.push_back(recipe_beside(taken_));
  }
  return inputs;
}

Result<Product> Reducer::make(const Recipe& recipe, const base::Task& task) {
  constexpr double kRestored = 0.85;
  auto product = restored(recipe, part_of(task, 0.0, recipe.finish ? kRestored : 1.0));
  if (product) {
    product->inputs = inputs_of(recipe);
  }
  if (!product || !recipe.finish) {
    return product;
  }
  std::optional<Picture> prominences;
  if (!recipe.prominences.empty()) {
    auto read = media::read_picture(recipe.prominences);
    if (!read) {
      return tl::make_unexpected(read.error());
    }
    prominences = std::move(*read);
  }
  auto done = finish(product->picture, *recipe.finish, prominences ? &*prominences : nullptr,
                     part_of(task, kRestored, 1.0));
  if (!done) {
    return tl::make_unexpected(done.error());
  }
  std::string before = product->picture.recipe;
  if (prominences) {
    product->picture.info.simulated =
        product->picture.info.simulated || prominences->info.simulated;
    const auto input = input_json(recipe.prominences);
    auto json = base::parse_json(before, "recipe");
    if (!input || !json) {
      return tl::make_unexpected(!input ? input.error() : json.error());
    }
    (*json)["inputs"]["prominences"] = *input;
    before = inner_text(*json);
  }
  done->picture.recipe = with_step(before, finish_step(*recipe.finish, *done), "finished");
  product->picture = std::move(done->picture);
  done->picture = {};
  product->finished = std::move(*done);
  return product;
}

Result<Recipe> Reducer::take(const std::filesystem::path& path) {
  auto picture = media::read_picture(path);
  if (!picture) {
    return tl::make_unexpected(picture.error());
  }
  // As far as its own recipe goes, and its inputs are there, it is gone on with.
  auto own = read_recipe(path);
  if (!own || own->finish) {
    Recipe recipe;
    recipe.picture = path;
    of_taken_.reset();
    return begun(recipe, {}).map([&](const Product&) { return recipe; });
  }
  const auto json = read_recipe_json(path);
  if (!json) {
    return tl::make_unexpected(json.error());
  }
  std::error_code ignored;
  const auto folder = std::filesystem::absolute(path, ignored).parent_path();
  Product product;
  product.picture = std::move(*picture);
  product.picture.recipe = inner_text(by_whole_paths(*json, folder));
  for (const Json& step : (*json)["steps"]) {
    if (step["step"] == "stack" && step.contains("noise") && step["noise"].is_number()) {
      product.facts.noise = step["noise"].get<double>();
    }
  }
  of_taken_ = *own;
  taken_ = path;
  if (own->restore) {
    of_restored_ = *own;
    restored_ = std::move(product);
    of_source_.reset();
    source_.reset();
  } else {
    keep_source(*own, product);
  }
  return own;
}

std::filesystem::path recipe_beside(const std::filesystem::path& product) {
  std::filesystem::path beside = product;
  return beside.replace_extension(".recipe.json");
}

Result<void> write_product(const Product& product, const std::filesystem::path& path) {
  const auto recipe = base::parse_json(product.picture.recipe, "recipe");
  if (!recipe) {
    return tl::make_unexpected(recipe.error());
  }
  for (const std::filesystem::path& written : {path, recipe_beside(path)}) {
    if (auto apart = base::check_apart("out", written, product.inputs); !apart) {
      return apart;
    }
  }
  std::error_code status;
  const Json seen = seen_from(*recipe, std::filesystem::absolute(path, status).parent_path());
  Picture picture = product.picture;
  picture.recipe = inner_text(seen);
  if (auto written = media::write_picture(picture, path); !written) {
    return written;
  }
  return write_beside(path, seen);
}

}  // namespace solarchon::reduce
