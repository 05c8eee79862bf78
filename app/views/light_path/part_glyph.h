// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPainter>

#include "solarchon/optics/parts.h"

namespace solarchon::app {

/// Where a part is drawn in a section: its face on the Sun's side stands at `x`, the axis at `y`.
struct PartBox {
  double x = 0.0;
  double y = 0.0;
  double half = 16.0;   ///< half of its width across the axis (px)
  double depth = 10.0;  ///< along the axis (px)
};

/// Draws a part as a workshop drawing shows it, with the painter's pen and brush.
void paint_part_glyph(QPainter& painter, const optics::Part& part, const PartBox& box);

}  // namespace solarchon::app
