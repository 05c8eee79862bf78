// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <string>

#include "solarchon/base/json_fwd.h"
#include "solarchon/base/result.h"

namespace solarchon::reduce {

// Recipes as they stand in files: {solarchon_recipe, program, product, inputs, steps}.

/// As it stands inside products: in one line, in ASCII, which headers are held to; bytes that are
/// no UTF-8 are replaced.
[[nodiscard]] std::string inner_text(const base::Json& json);
/// A recipe without inputs and steps.
[[nodiscard]] base::Json new_recipe(const char* product);
/// An input by its name and fingerprint.
[[nodiscard]] base::Result<base::Json> input_json(const std::filesystem::path& path);
/// An input's path, once it was seen to be what it was.
/// @param folder  that its name is seen from
[[nodiscard]] base::Result<std::filesystem::path> input_of(const base::Json& input,
                                                           const std::string& name,
                                                           const std::filesystem::path& folder);
/// A recipe's text with a step added; of what has no recipe, one that has only that step.
[[nodiscard]] std::string with_step(const std::string& recipe, base::Json step,
                                    const char* product);
/// The recipe with its inputs named as seen from a folder, or by their whole paths.
[[nodiscard]] base::Json seen_from(base::Json recipe, const std::filesystem::path& folder);
[[nodiscard]] base::Json by_whole_paths(base::Json recipe, const std::filesystem::path& folder);
/// The recipe in a file of recipes, in a product that has it inside, or beside such a one, as far
/// as all recipes are alike. Errors: as read_recipe.
[[nodiscard]] base::Result<base::Json> read_recipe_json(const std::filesystem::path& path);
/// Writes a recipe beside a product that was written just now; else neither stays.
[[nodiscard]] base::Result<void> write_beside(const std::filesystem::path& product,
                                              const base::Json& recipe);

}  // namespace solarchon::reduce
