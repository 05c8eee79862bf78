// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "app/model/document.h"
#include "app/views/field/aim_picture.h"
#include "app/views/field/ground_plan.h"
#include "app/views/field/pole_picture.h"
#include "solarchon/align/find.h"

namespace solarchon::app {

// What the pictures of Field show, for the pages that are about them and for the steps beside which
// they stand.

/// @param starts  with what to begin; the first is shown
[[nodiscard]] AimPicture::Scene aim_scene(const Document& document,
                                          const std::vector<align::Start>& starts,
                                          double accuracy_arcmin);
/// The tube's length: as given, or usual for the telescope; none without one.
[[nodiscard]] std::optional<double> tube_mm(const Document& document);

[[nodiscard]] align::NorthTools north_tools(const Document& document);
[[nodiscard]] GroundPlan::Scene ground_scene(const Document& document, const align::North& north,
                                             align::NorthWay way);

[[nodiscard]] PolePicture::Scene pole_scene(const Document& document, const align::PoleFit& fit);

}  // namespace solarchon::app
