// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/scene/picture.h"

#include "painter.h"
#include "solarchon/base/parallel.h"

namespace solarchon::scene {

base::Result<Picture> draw(const Photosphere& photosphere, const sky::DiscView& view,
                           const Grid& grid, const base::Task& task) {
  const auto width = static_cast<std::size_t>(grid.width);
  Picture picture(width * static_cast<std::size_t>(grid.height));
  const RowPainter paint = row_painter(photosphere, view, grid);
  const bool done = base::each_row(grid.height, task, [&](int y) {
    paint(y, picture.data() + static_cast<std::size_t>(y) * width, nullptr);
  });
  if (!done) {
    return base::fail(base::ErrorCode::kCancelled, "picture");
  }
  return picture;
}

}  // namespace solarchon::scene
