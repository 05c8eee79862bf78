// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/reduce_commands.h"

#include <map>

#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/disc/disc_size.h"
#include "solarchon/image/bayer.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/picture_file.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/psf/transfer.h"
#include "solarchon/reduce/recipe.h"
#include "solarchon/sky/sun.h"
#include "solarchon/words/errors.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/clips.h"
#include "solarchon/workspace/live.h"

namespace solarchon::cli {

using base::ErrorCode;
using base::Json;
using base::Result;

namespace {

constexpr base::Range kShareRange{0.0001, 1.0};
constexpr base::Range kLevelRange{0.0, 1000.0};
constexpr base::Range kCalmRange{0.05, 3600.0};

Result<std::optional<reduce::KeepWish>> keep_of(const ReduceOptions& options) {
  if (options.keep.empty() && !options.share) {
    return std::optional<reduce::KeepWish>();
  }
  reduce::KeepWish wish;
  if (!options.keep.empty()) {
    const auto rule = reduce::kKeepWords.from(options.keep);
    if (!rule) {
      return base::fail(ErrorCode::kUnknownValue, "keep", options.keep,
                        base::one_of(reduce::kKeepWords.list()));
    }
    wish.rule = *rule;
  }
  const auto share = base::checked("share", options.share.value_or(wish.share), kShareRange);
  const auto level = base::checked("level", options.level.value_or(wish.level), kLevelRange);
  const auto calm = base::checked("calm", options.calm_s.value_or(wish.calm_s), kCalmRange);
  if (!share || !level || !calm) {
    return tl::make_unexpected(!share ? share.error() : !level ? level.error() : calm.error());
  }
  wish.share = *share;
  wish.level = *level;
  wish.calm_s = *calm;
  return std::optional(wish);
}

/// The size of detail that the light path resolves, in the clip's pixels.
/// Errors: also kNotFound where its disc is of another size than the light path draws it.
Result<int> scale_of(const ReduceOptions& options, const std::string& file) {
  auto clip = media::ClipReader::open(file);
  if (!clip) {
    return tl::make_unexpected(clip.error());
  }
  const auto rig = optics::read_rig(options.rig);
  if (!rig) {
    return tl::make_unexpected(rig.error());
  }
  auto setting =
      workspace::setting_of_frames({}, *rig, clip->facts().info.time.value_or(sky::UtcTime{}), 0.0);
  if (!setting) {
    return tl::make_unexpected(setting.error());
  }
  image::Frame first;
  if (clip->read(0, first)) {
    image::to_grey(first);
    const auto size = disc::disc_over_expected(first, setting->imaging.scale_arcsec_px);
    if (size && std::abs(*size - 1.0) > disc::kDiscMayDiffer) {
      return base::fail_because(ErrorCode::kNotFound, file, base::because("another-sun", {*size}));
    }
  }
  setting->imaging.scale_arcsec_px =
      clip->facts().info.plate_scale_arcsec_px.value_or(setting->imaging.scale_arcsec_px);
  return psf::detail_scale_px(setting->imaging);
}

Result<reduce::Recipe> recipe_of(const ReduceOptions& options, const std::string& clip) {
  if (!options.recipe.empty()) {
    return reduce::read_recipe(options.recipe);
  }
  if (clip.empty()) {
    return base::fail(ErrorCode::kMissing, "clip");
  }
  const auto keep = keep_of(options);
  if (!keep) {
    return tl::make_unexpected(keep.error());
  }
  reduce::Recipe recipe;
  recipe.clip = clip;
  recipe.keep = *keep;
  recipe.grade.black = options.black;
  recipe.dark = options.dark;
  recipe.flat = options.flat;
  recipe.local = !options.whole;
  recipe.clip_sigma = options.sigma;
  recipe.finer = options.finer;
  if (!options.colours.empty()) {
    const auto colours = reduce::kColourWords.from(options.colours);
    if (!colours) {
      return base::fail(ErrorCode::kUnknownValue, "colours", options.colours,
                        base::one_of(reduce::kColourWords.list()));
    }
    recipe.colours = *colours;
  }
  if (!options.rig.empty()) {
    const auto scale = scale_of(options, clip);
    if (!scale) {
      return tl::make_unexpected(scale.error());
    }
    recipe.grade.scale_px = *scale;
  }
  return recipe;
}

/// How red and blue lay against green, [right, down]; null where there are no colours.
Json apart_json(const std::vector<image::Offset>& apart) {
  if (apart.size() != 3) {
    return nullptr;
  }
  const auto pair = [](const image::Offset& off) { return Json{off.right_px, off.down_px}; };
  return Json{{"red", pair(apart[0])}, {"blue", pair(apart[2])}};
}

Result<Json> stacked(const ReduceOptions& options, const std::string& clip,
                     const std::string& out) {
  const auto recipe = recipe_of(options, clip);
  if (!recipe) {
    return tl::make_unexpected(recipe.error());
  }
  reduce::Reducer reducer;
  const auto product = reducer.make(*recipe);
  if (!product) {
    return tl::make_unexpected(product.error());
  }
  if (const auto written = reduce::write_product(*product, out); !written) {
    return tl::make_unexpected(written.error());
  }
  if (!reducer.graded()) {  // a recipe that begins with a picture or with panels
    return Json{{"out", out},
                {"recipe", reduce::recipe_beside(out).string()},
                {"width", product->picture.width},
                {"height", product->picture.height},
                {"planes", product->picture.planes},
                {"simulated", product->picture.info.simulated},
                {"scale_arcsec_px", base::or_null(product->picture.info.plate_scale_arcsec_px)}};
  }
  const reduce::ClipGrading& grading = *reducer.graded();
  const reduce::Proposal proposal = reduce::propose(grading);
  const auto unlike = std::count_if(grading.frames.begin(), grading.frames.end(),
                                    [](const reduce::GradedFrame& frame) { return !frame.alike; });
  const image::Picture& picture = product->picture;
  return Json{{"out", out},
              {"recipe", reduce::recipe_beside(out).string()},
              {"frames", grading.frames.size()},
              {"kept", product->frames},
              {"unlike", unlike},
              {"damaged", grading.damaged},
              {"cut_off", grading.cut_off},
              {"width", picture.width},
              {"height", picture.height},
              {"planes", picture.planes},
              {"simulated", picture.info.simulated},
              {"scale_arcsec_px", base::or_null(picture.info.plate_scale_arcsec_px)},
              {"detail_gain", product->gain.detail},
              {"noise", product->facts.noise},
              {"local_motion_px", product->facts.local_motion_px},
              {"clipped_share", product->facts.clipped_share},
              {"red_alone", product->facts.red_alone},
              {"colours_apart_px", apart_json(product->facts.colours_apart)},
              {"proposal",
               {{"share", proposal.gain.share},
                {"frames", proposal.gain.frames},
                {"detail_gain", proposal.gain.detail},
                {"noise", proposal.gain.noise},
                {"even_air", proposal.even_air}}}};
}

/// One clip into a picture, or each of several into one in a folder.
Result<Json> stacked(const ReduceOptions& options) {
  if (options.clips.size() < 2) {
    return stacked(options, options.clips.empty() ? std::string() : options.clips.front(),
                   options.out);
  }
  if (const auto made = base::make_folder(options.out); !made) {
    return tl::make_unexpected(made.error());
  }
  Json products = Json::array();
  Json failed = Json::array();
  std::map<std::string, int> named;
  for (const std::string& clip : options.clips) {
    // Clips of one name in different folders do not take each other's place.
    std::string name = std::filesystem::path(clip).stem().string() + "-stack";
    if (const int number = ++named[name]; number > 1) {
      name += "-" + std::to_string(number);
    }
    const std::filesystem::path out = std::filesystem::path(options.out) / (name + ".fits");
    auto product = stacked(options, clip, out.string());
    if (product) {
      products.push_back(std::move(*product));
    } else {
      failed.push_back({{"clip", clip}, {"error", words::sentence(product.error())}});
    }
  }
  return Json{{"products", std::move(products)}, {"failed", std::move(failed)}};
}

/// What the light path, the file and the options say of the blur.
Result<reduce::RestoreWishes> restoring_of(const ReduceOptions& options,
                                           const image::Picture& picture) {
  reduce::RestoreWishes wishes;
  if (!options.rig.empty()) {
    const auto rig = optics::read_rig(options.rig);
    if (!rig) {
      return tl::make_unexpected(rig.error());
    }
    const auto setting =
        workspace::setting_of_frames({}, *rig, picture.info.time.value_or(sky::UtcTime{}), 0.0);
    if (!setting) {
      return tl::make_unexpected(setting.error());
    }
    wishes.imaging = setting->imaging;
  } else if (!options.aperture_mm) {
    return base::fail(ErrorCode::kMissing, "rig");
  }
  const auto& info = picture.info;
  if (options.rig.empty() && !options.scale_arcsec_px && !info.plate_scale_arcsec_px) {
    return base::fail(ErrorCode::kMissing, "scale");
  }
  wishes.imaging.aperture_mm = options.aperture_mm.value_or(wishes.imaging.aperture_mm);
  wishes.imaging.wavelength_nm =
      options.wavelength_nm.value_or(info.wavelength_nm.value_or(wishes.imaging.wavelength_nm));
  wishes.imaging.scale_arcsec_px = options.scale_arcsec_px.value_or(
      info.plate_scale_arcsec_px.value_or(wishes.imaging.scale_arcsec_px));
  wishes.r0_cm = options.r0_cm;
  wishes.noise = options.noise.value_or(wishes.noise);
  wishes.noise_given = options.noise.has_value();
  wishes.strength = options.strength;
  return wishes;
}

/// The air of the frames that a stack was made of, where the file beside its clip tells that of all
/// of them: as the window takes it. None where clip or file is gone.
std::optional<double> r0_of_clip(const reduce::Recipe& recipe, reduce::Reducer& reducer,
                                 const psf::ImagingSetup& imaging) {
  const auto clip = recipe.clip.empty()
                        ? Result<workspace::ClipOnDisk>(base::fail(ErrorCode::kMissing, "clip"))
                        : workspace::clip_on_disk(recipe.clip, recipe.clip.parent_path(), {});
  if (!clip || !clip->entry.r0_cm) {
    return std::nullopt;
  }
  const auto grading = reducer.grade(recipe);
  const auto places = reducer.choose(recipe);
  if (!grading || !places) {
    return std::nullopt;
  }
  return reduce::r0_of_kept(*clip->entry.r0_cm, imaging,
                            reduce::gain_of(**grading, *places).detail);
}

Result<Json> restored(const ReduceOptions& options) {
  reduce::Reducer reducer;
  auto recipe = reducer.take(options.picture);
  const auto picture = media::read_picture(options.picture);
  if (!recipe || !picture) {
    return tl::make_unexpected(!recipe ? recipe.error() : picture.error());
  }
  const auto wishes = restoring_of(options, *picture);
  if (!wishes) {
    return tl::make_unexpected(wishes.error());
  }
  recipe->restore = *wishes;
  if (!wishes->r0_cm && !options.rig.empty()) {
    recipe->restore->r0_cm = r0_of_clip(*recipe, reducer, wishes->imaging);
  }
  recipe->restore->imaging.scale_arcsec_px *= recipe->finer;
  const auto product = reducer.make(*recipe);
  if (!product) {
    return tl::make_unexpected(product.error());
  }
  if (const auto written = reduce::write_product(*product, options.out); !written) {
    return tl::make_unexpected(written.error());
  }
  const reduce::Restored& done = *product->restored;
  return Json{{"out", options.out},
              {"recipe", reduce::recipe_beside(options.out).string()},
              {"width", product->picture.width},
              {"height", product->picture.height},
              {"simulated", product->picture.info.simulated},
              {"noise", done.noise},
              {"reached", done.reached},
              {"rim", done.rim},
              {"limb_r0_cm", base::or_null(done.limb_r0_cm)},
              {"limb_overshoot", base::or_null(done.limb_overshoot)}};
}

}  // namespace

std::vector<Command> add_reduce_commands(CLI::App& app, ReduceOptions& options) {
  CLI::App* stack = app.add_subcommand("stack", "one picture from a clip's good frames");
  stack->add_flag("--json", options.json, "answer as JSON (the only form)");
  stack->add_option("clip", options.clips, "FITS cubes, videos or series of pictures");
  stack->add_option("--out", options.out, "FITS, PNG or TIFF to write; of several clips a folder")
      ->required();
  stack->add_option("--recipe", options.recipe,
                    "makes it by a recipe, or as another product was made");
  stack->add_option("--rig", options.rig, "rig file that it was taken with");
  stack->add_option("--keep", options.keep, "best, level, calm or all; else as is proposed");
  stack->add_option("--share", options.share, "of the frames that is kept, 0 to 1");
  stack->add_option("--level", options.level, "of sharpness, over the clip's median");
  stack->add_option("--calm", options.calm_s, "how long calm has to last (s)");
  stack->add_option("--dark", options.dark, "clip or picture with the cap on");
  stack->add_option(
      "--flat", options.flat,
      "clip or pictures of something evenly lit, or of the disc as it is moved over the sensor");
  stack->add_option("--black", options.black, "level without light, of full scale");
  stack->add_option("--sigma", options.sigma, "further off, values do not count; 0: all do");
  stack->add_option("--finer", options.finer, "pixels along one of the camera's: 1 or 2");
  stack->add_option("--colours", options.colours,
                    "of a colour sensor: all, red, or by-band (red of hydrogen alpha)");
  stack->add_flag("--whole", options.whole, "lays frames as wholes, not by their detail");
  CLI::App* restore = app.add_subcommand("restore", "undoes the blur of aperture and air");
  restore->add_flag("--json", options.json, "answer as JSON (the only form)");
  restore->add_option("picture", options.picture, "a stack: FITS, PNG, TIFF or JPEG")->required();
  restore->add_option("--out", options.out, "FITS, PNG or TIFF to write")->required();
  restore->add_option("--rig", options.rig, "rig file that it was taken with");
  restore->add_option("--aperture", options.aperture_mm, "of the telescope (mm)");
  restore->add_option("--wavelength", options.wavelength_nm, "of the light (nm)");
  restore->add_option("--scale", options.scale_arcsec_px, "of the picture (arcsec per pixel)");
  restore->add_option("--r0", options.r0_cm, "Fried's parameter at 500 nm (cm); else by the limb");
  restore->add_option("--noise", options.noise, "of a pixel, over the light");
  restore->add_option("--strength", options.strength, "0 leaves it as it is, 1 undoes all");
  return {{stack, [&options] { return stacked(options); }},
          {restore, [&options] { return restored(options); }}};
}

}  // namespace solarchon::cli
