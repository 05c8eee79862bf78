// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/base/json_fwd.h"
#include "solarchon/base/result.h"
#include "solarchon/reduce/recipe.h"

namespace solarchon::reduce {

// Steps of a picture's recipe, with what came of them.

[[nodiscard]] base::Json stack_steps(const Recipe& recipe, const KeepWish& keep,
                                     const ClipGrading& grading, const Stacked& stacked);
[[nodiscard]] base::Json mosaic_step(const Mosaic& mosaic);
[[nodiscard]] base::Json restore_step(const RestoreWishes& wishes, const Restored& done);
[[nodiscard]] base::Json finish_step(const FinishWishes& wishes, const Finished& done);
/// A recipe with its inputs, and no steps yet. Errors: kUnreadable.
[[nodiscard]] base::Result<base::Json> recipe_with_inputs(const Recipe& recipe);

}  // namespace solarchon::reduce
