// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/products.h"

#include "app/model/caption.h"
#include "solarchon/base/file.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/measure/disc.h"
#include "solarchon/workspace/clips.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

std::filesystem::path products_folder(const std::filesystem::path& data) {
  return data / "products";
}

std::filesystem::path new_product_file(const std::filesystem::path& data, sky::UtcTime taken,
                                       const std::string& stem, const std::string& ending) {
  constexpr std::size_t kDate = 10;
  const auto folder = products_folder(data) / sky::to_iso(taken).substr(0, kDate);
  std::filesystem::path file = folder / (stem + ending);
  std::error_code ignored;
  for (int i = 2; std::filesystem::exists(file, ignored); ++i) {
    std::string name = stem;
    name.append("-").append(std::to_string(i)).append(ending);
    file = folder / name;
  }
  return file;
}

base::Result<void> write_captioned(const reduce::Product& product,
                                   const std::filesystem::path& file, bool captioned) {
  if (!captioned) {
    return reduce::write_product(product, file);
  }
  reduce::Product with_strip;
  with_strip.picture = app::captioned(product.picture);
  with_strip.inputs = product.inputs;
  return reduce::write_product(with_strip, file);
}

base::Result<log::FrameEntry> keep_in(const std::filesystem::path& data,
                                      const workspace::Workspace& space, sky::UtcTime usually,
                                      const reduce::Product& product, const reduce::Recipe& recipe,
                                      bool captioned) {
  log::FrameEntry entry =
      workspace::frame_entry(product.picture.info, usually, workspace::observer_of(space));
  entry.kind = product.finished     ? log::PictureKind::kFinished
               : product.mosaic     ? log::PictureKind::kMosaic
               : product.frames > 0 ? log::PictureKind::kStack
                                    : log::PictureKind::kFinished;
  const std::vector<std::filesystem::path> sources = !recipe.clip.empty() ? std::vector{recipe.clip}
                                                     : !recipe.panels.empty()
                                                         ? recipe.panels
                                                         : std::vector{recipe.picture};
  for (const std::filesystem::path& source : sources) {
    entry.made_of.push_back(workspace::name_in_log(source, data));
  }
  const char* what = product.finished     ? "-finished"
                     : product.restored   ? "-sharp"
                     : product.mosaic     ? "-mosaic"
                     : product.frames > 0 ? "-stack"
                                          : "-picture";
  const auto file =
      new_product_file(data, entry.taken, sources.front().stem().string() + what, ".fits");
  entry.file = workspace::name_in_log(file, data);
  return base::make_folder(file.parent_path())
      .and_then([&] { return write_captioned(product, file, captioned); })
      .map([&] {
        // What finishing has darkened, turned or tinted still has a limb.
        if (auto measured = measure::measure_disc(image::frame_of(product.picture))) {
          entry.measurement = *std::move(measured);
        }
        return entry;
      });
}

}  // namespace solarchon::app
