// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/image/picture.h"
#include "solarchon/reduce/finishing.h"
#include "solarchon/reduce/grading.h"
#include "solarchon/reduce/keep.h"
#include "solarchon/reduce/mosaic.h"
#include "solarchon/reduce/restoring.h"
#include "solarchon/reduce/stacking.h"

namespace solarchon::reduce {

/// How a picture is made, step by step: from a clip, from the panels of a mosaic, or from a picture
/// that is there already.
struct Recipe {
  std::filesystem::path clip = {};
  std::filesystem::path picture = {};              ///< where there is no clip
  std::vector<std::filesystem::path> panels = {};  ///< where there is neither: two or more
  GradeWishes grade;
  /// None: the share that is proposed.
  std::optional<KeepWish> keep = {};
  std::filesystem::path dark = {};  ///< clip or picture with the cap on; empty: none
  std::filesystem::path flat =
      {};  ///< of something evenly lit, or of a disc moved about; empty: none
  bool local = true;
  double clip_sigma = 3.5;
  int finer = 1;
  ColourUse colours = ColourUse::kByBand;
  /// None: the picture stays as it is. Of a stack its noise is the stack's, its scale the camera's.
  std::optional<RestoreWishes> restore = {};
  std::filesystem::path prominences = {};  ///< a longer exposure, to be laid about the disc
  std::optional<FinishWishes> finish = {};
  bool operator==(const Recipe& other) const;
};

/// What was made by a recipe.
struct Product {
  image::Picture picture;  ///< its recipe is within
  int frames = 0;          ///< of the clip; 0 without one
  Stacked facts;           ///< its own picture left empty
  Gain gain;
  std::vector<std::filesystem::path> inputs = {};  ///< files that were read for it
  std::optional<Mosaic> mosaic = {};  ///< what each step did, its own picture left empty
  std::optional<Restored> restored = {};
  std::optional<Finished> finished = {};
};

/// Makes products of one clip after another, and of one recipe after another: what a changed recipe
/// has in common with the last one up to its first changed step is not done again.
class Reducer {
 public:
  /// The grading of the recipe's clip. Errors: as grade_clip.
  [[nodiscard]] base::Result<const ClipGrading*> grade(const Recipe& recipe,
                                                       const base::Task& task = {});
  /// The frames that the recipe keeps: places in the grading.
  [[nodiscard]] base::Result<std::vector<std::size_t>> choose(const Recipe& recipe,
                                                              const base::Task& task = {});
  /// Errors: as grade_clip, stack, join_panels, restore, finish, and of reading the inputs.
  [[nodiscard]] base::Result<Product> make(const Recipe& recipe, const base::Task& task = {});
  /// Takes a picture that is there already, to go on with it.
  /// @return  its own recipe where that can be made again, so that the whole way stays told; else
  ///          one that begins with it. `make` with further steps does only these.
  /// Errors: as media::read_picture.
  [[nodiscard]] base::Result<Recipe> take(const std::filesystem::path& picture);
  /// What was graded last; none before that.
  [[nodiscard]] const std::optional<ClipGrading>& graded() const { return grading_; }

 private:
  [[nodiscard]] base::Result<Product> stacked(const Recipe& recipe, const base::Task& task);
  [[nodiscard]] base::Result<Product> joined(const Recipe& recipe, const base::Task& task);
  [[nodiscard]] static base::Result<Product> read(const Recipe& recipe);
  [[nodiscard]] std::vector<std::filesystem::path> inputs_of(const Recipe& recipe) const;
  [[nodiscard]] base::Result<Product> begun(const Recipe& recipe, const base::Task& task);
  [[nodiscard]] base::Result<Product> restored(const Recipe& recipe, const base::Task& task);
  void keep_source(const Recipe& recipe, const Product& product);
  std::optional<Recipe> of_grading_;
  std::optional<ClipGrading> grading_;
  std::optional<Recipe> of_source_;
  std::optional<Product> source_;  ///< before it is restored
  std::optional<Recipe> of_taken_;
  std::filesystem::path taken_;  ///< the picture that is gone on with
  std::optional<Recipe> of_restored_;
  std::optional<Product> restored_;  ///< before it is finished
};

/// Writes a product, and its recipe beside it as NAME.recipe.json: both or neither. In both the
/// inputs are named as seen from the product's folder.
/// @param path  as media::write_picture takes it
/// Errors: as media::write_picture; kUnknownValue (`out`, with the reason `is-read`) where path,
/// or the recipe beside it, leads to one of the inputs.
[[nodiscard]] base::Result<void> write_product(const Product& product,
                                               const std::filesystem::path& path);
/// Where the recipe of a product stands.
[[nodiscard]] std::filesystem::path recipe_beside(const std::filesystem::path& product);

/// Reads a recipe, from its file or out of a product that has it inside.
/// Errors: of reading; kVersion; kMissing and others with the member's name; kMalformed with the
/// reason `another-file` where an input is no longer what it was.
[[nodiscard]] base::Result<Recipe> read_recipe(const std::filesystem::path& path);

}  // namespace solarchon::reduce
