// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>

#include "solarchon/log/log_book.h"
#include "solarchon/reduce/recipe.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::app {

/// Where products are kept: a folder for each day.
[[nodiscard]] std::filesystem::path products_folder(const std::filesystem::path& data);

/// A file of that day that is not there yet: STEM.fits, STEM-2.fits, ...
[[nodiscard]] std::filesystem::path new_product_file(const std::filesystem::path& data,
                                                     sky::UtcTime taken, const std::string& stem,
                                                     const std::string& ending);

/// Writes a product, with a caption below it where that is wished, and its recipe beside it.
[[nodiscard]] base::Result<void> write_captioned(const reduce::Product& product,
                                                 const std::filesystem::path& file, bool captioned);

/// Writes a product below the data folder.
/// @param usually  when it was taken, where it does not say that itself
/// @return  what the log is to be told of it
[[nodiscard]] base::Result<log::FrameEntry> keep_in(const std::filesystem::path& data,
                                                    const workspace::Workspace& space,
                                                    sky::UtcTime usually,
                                                    const reduce::Product& product,
                                                    const reduce::Recipe& recipe, bool captioned);

}  // namespace solarchon::app
