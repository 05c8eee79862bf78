// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace solarchon::base {

/// Area that two circles have in common, in the square of the unit of their radii.
/// @param first, second  radii, 0 or more
/// @param apart          of their middles, 0 or more
/// Source: the lens of two circular segments, by Heron's formula for the kite between them.
[[nodiscard]] double shared_area(double first, double second, double apart);

/// Share of a circle's area that another covers, 0 to 1.
/// @param radius  above 0; the rest as shared_area
[[nodiscard]] double covered_share(double radius, double other, double apart);

}  // namespace solarchon::base
