// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <Qt>
#include <cstddef>
#include <optional>

namespace solarchon::app {

/// Where an arrow key goes among places that stand row by row; none for any other key.
/// @param now     the place that is chosen, below count
/// @param across  places in a row, 1 or more
[[nodiscard]] inline std::optional<std::size_t> arrow_to(int key, std::size_t now,
                                                         std::size_t across, std::size_t count) {
  switch (key) {
    case Qt::Key_Left:
      return now % across > 0 ? now - 1 : now;
    case Qt::Key_Right:
      return now % across + 1 < across && now + 1 < count ? now + 1 : now;
    case Qt::Key_Up:
      return now >= across ? now - across : now;
    case Qt::Key_Down:
      return now + across < count ? now + across : now;
    default:
      return std::nullopt;
  }
}

}  // namespace solarchon::app
