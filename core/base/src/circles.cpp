// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/circles.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"

namespace solarchon::base {

double shared_area(double first, double second, double apart) {
  if (apart >= first + second) {
    return 0.0;
  }
  if (apart <= std::abs(first - second)) {
    const double small = std::min(first, second);
    return kPi * small * small;
  }
  const auto sector = [apart](double one, double other) {
    const double cosine = (apart * apart + one * one - other * other) / (2.0 * apart * one);
    return one * one * std::acos(std::clamp(cosine, -1.0, 1.0));
  };
  const double kite =
      0.5 * std::sqrt(std::max(0.0, (first + second - apart) * (apart + first - second) *
                                        (apart - first + second) * (apart + first + second)));
  return sector(first, second) + sector(second, first) - kite;
}

double covered_share(double radius, double other, double apart) {
  return std::clamp(shared_area(radius, other, apart) / (kPi * radius * radius), 0.0, 1.0);
}

}  // namespace solarchon::base
