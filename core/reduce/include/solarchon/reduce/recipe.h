// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/base/json.h"
#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/frames/fingerprint.h"
#include "solarchon/frames/picture.h"
#include "solarchon/reduce/grading.h"
#include "solarchon/reduce/keep.h"
#include "solarchon/reduce/restoring.h"
#include "solarchon/reduce/stacking.h"

namespace solarchon::reduce {

/// How a clip becomes a picture, step by step.
struct Recipe {
  std::filesystem::path clip;
  GradeWishes grade;
  /// None: the share that is proposed.
  std::optional<KeepWish> keep = {};
  std::filesystem::path dark = {};  ///< clip or picture with the cap on; empty: none
  std::filesystem::path flat = {};  ///< clip or picture of something evenly lit; empty: none
  bool local = true;
  double clip_sigma = 3.5;
  int finer = 1;
  /// None: the stack stays as it is. Its noise is the stack's, its scale the camera's.
  std::optional<RestoreWishes> restore = {};
  bool operator==(const Recipe& other) const;
};

/// What was made by a recipe.
struct Product {
  frames::Picture picture;  ///< its recipe is within
  int frames = 0;
  Stacked facts;  ///< its own picture left empty
  Gain gain;
  std::optional<Restored> restored = {};  ///< what restoring did, its own picture left empty
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
  /// Errors: as grade_clip, stack, and of reading dark and flat.
  [[nodiscard]] base::Result<Product> make(const Recipe& recipe, const base::Task& task = {});
  /// What was graded last; none before that.
  [[nodiscard]] const std::optional<ClipGrading>& graded() const { return grading_; }

 private:
  std::optional<Recipe> of_grading_;
  std::optional<ClipGrading> grading_;
  [[nodiscard]] base::Result<Product> stacked(const Recipe& recipe, const base::Task& task);
  std::optional<Recipe> of_product_;  ///< of the stack, before it is restored
  std::optional<Product> product_;
};

/// Writes a product, and its recipe beside it as NAME.recipe.json: both or neither. In both the
/// inputs are named as seen from the product's folder.
/// @param path  as frames::write_picture takes it
/// Errors: as frames::write_picture.
[[nodiscard]] base::Result<void> write_product(const Product& product,
                                               const std::filesystem::path& path);
/// Reads a picture with its recipe, in which the inputs are named by their whole paths.
/// Errors: as frames::read_picture.
[[nodiscard]] base::Result<frames::Picture> read_product(const std::filesystem::path& path);
/// Restores a picture that is there already, and adds the step to its recipe where it has one.
/// Errors: as restore.
[[nodiscard]] base::Result<Product> restored(const frames::Picture& picture,
                                             const RestoreWishes& wishes,
                                             const base::Task& task = {});
/// Where the recipe of a product stands.
[[nodiscard]] std::filesystem::path recipe_beside(const std::filesystem::path& product);

/// Reads a recipe, from its file or out of a product that has it inside.
/// Errors: of reading; kVersion; kMissing and others with the member's name; kMalformed with the
/// reason `another-file` where an input is no longer what it was.
[[nodiscard]] base::Result<Recipe> read_recipe(const std::filesystem::path& path);

}  // namespace solarchon::reduce
