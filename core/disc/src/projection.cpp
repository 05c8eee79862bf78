// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/disc/projection.h"

#include <cmath>
#include <vector>

#include "solarchon/base/middle.h"
#include "solarchon/image/picture.h"

namespace solarchon::disc {

using image::Picture;

std::vector<float> ground_of(const Picture& picture, const LimbFit& limb) {
  constexpr double kWellBeyond = 1.02;
  constexpr int kEvery = 3;
  std::vector<float> ground;
  for (int plane = 0; plane < picture.planes; ++plane) {
    std::vector<double> values;
    for (int y = 0; y < picture.height; y += kEvery) {
      for (int x = 0; x < picture.width; x += kEvery) {
        if (std::hypot(x - limb.centre_x_px, y - limb.centre_y_px) > kWellBeyond * limb.radius_px) {
          values.push_back(static_cast<double>(picture.at(x, y, plane)));
        }
      }
    }
    ground.push_back(static_cast<float>(base::middle_of(std::move(values))));
  }
  return ground;
}

}  // namespace solarchon::disc
