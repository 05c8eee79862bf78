// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "solarchon/align/north.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/optics/parts.h"
#include "solarchon/paper/sheet.h"

namespace solarchon::paper {

// What is made of card at the table, at true scale.

inline constexpr base::Range kTubeOuterRange{20.0, 500.0};  // mm
inline constexpr base::Range kHoleRange{5.0, 480.0};        // mm
/// Card is left between a hole and the tube's edge, or between two holes (mm).
inline constexpr double kLeastCardMm = 4.0;
/// Tabs that hold it on the tube (mm).
inline constexpr double kTabMm = 25.0;

/// A cap over the front of a tube with one hole, held by tabs that are folded down along it: the
/// cell of a front film, or a mask.
struct Cap {
  double tube_outer_mm = 100.0;
  double hole_mm = 80.0;
  double hole_off_mm = 0.0;  ///< of its middle from the tube's
};

/// The hole, the tube's edge to fold at (with half a millimetre of play), and the tabs to cut.
/// Errors: kOutOfRange with `tube_outer_mm` or `hole_mm` for sizes outside their ranges, and for a
/// hole that comes nearer to the tube's edge than kLeastCardMm.
[[nodiscard]] base::Result<Sheet> cap_sheet(const Cap& cap);

/// The largest hole beside the secondary of an obstructed telescope; kLeastCardMm are left to it
/// and to the aperture's edge. Errors: kOutOfRange with `hole_mm` where there is no room for one.
[[nodiscard]] base::Result<Cap> off_axis_cap(double tube_outer_mm,
                                             const optics::Telescope& telescope);

/// A card to lie level under a plumb line: the point under the bead, north upwards, and the ends of
/// its shadow at the times of a day. The bead hangs lower than `plumb_mm` where its shadows would
/// not fit on a page.
/// @param shadows  as align::plumb_shadows gives them for plumb_mm
/// Errors: kNotFound without any shadow.
[[nodiscard]] base::Result<Sheet> shadow_sheet(const std::vector<align::PlumbShadow>& shadows,
                                               double plumb_mm, const Page& page);
/// How high its bead hangs (mm).
[[nodiscard]] double shadow_bead_mm(const std::vector<align::PlumbShadow>& shadows, double plumb_mm,
                                    const Page& page);

/// Three marks for the feet of a tripod, each with north and the ways to the others; one foot
/// stands towards where the axis points. They are cut apart and laid out by their distances.
/// Errors: kOutOfRange with `feet_apart_mm`.
[[nodiscard]] base::Result<Sheet> feet_sheet(double latitude_deg, double feet_apart_mm);

}  // namespace solarchon::paper
