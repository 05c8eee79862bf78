// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

namespace solarchon::measure {

/// How dark a spot is, from its middle outwards: pixels in the order of depth, or of distance, as
/// if they lay round in rings.
struct SpotProfile {
  std::vector<double> depths;  ///< 1 minus the light over that of the surface, pixel by pixel
};

/// A round spot of two even levels, with the areas that it has before the softness of the picture.
struct SoftSpot {
  double area_px = 0.0;   ///< all of it
  double umbra_px = 0.0;  ///< its core; all of it where it has no penumbra
};

/// The round spot that looks most like a profile once it is softened.
/// @param sigma_px  deviation of the softness, above 0
/// What is much smaller than the softness is taken for as dark as pores usually are, or as spots
/// with a penumbra; those in between may be out by a third.
/// Accuracy, on discs that the tests draw: 5 per cent of the area from 4 sigma of radius up, 20
/// from 2 sigma; pores 10 per cent from 1 sigma.
[[nodiscard]] SoftSpot fit_soft_spot(const SpotProfile& profile, double sigma_px);

}  // namespace solarchon::measure
