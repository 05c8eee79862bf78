// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

namespace solarchon::image {

/// Real numbers of a grey picture, rows from the top.
struct Plane {
  int width = 0;
  int height = 0;
  std::vector<float> values;
};

}  // namespace solarchon::image
