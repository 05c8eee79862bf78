// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPainter>

#include "solarchon/optics/rig.h"
#include "solarchon/optics/train.h"

namespace solarchon::app {

/// The column of one part under the drawing: its name over the tracks of heat, widths and colours.
struct PartColumn {
  QRectF box;
  double head_height = 60.0;  ///< of the kind and the name
  const optics::Element& element;
  const optics::Passage* passage = nullptr;  ///< null when no light meets the part
  bool chosen = false;
  bool focused = false;
};

void paint_part_column(QPainter& painter, const PartColumn& column);
/// The names of the tracks, from the top of the first one on.
void paint_track_names(QPainter& painter, const QRectF& box);
/// How much room the tracks take under the head.
[[nodiscard]] double tracks_height();

}  // namespace solarchon::app
