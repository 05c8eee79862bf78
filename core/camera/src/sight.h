// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/camera/simulate.h"
#include "solarchon/optics/train.h"
#include "solarchon/scene/chromosphere.h"
#include "solarchon/scene/picture.h"

namespace solarchon::camera {

/// The Sun as it lies before a sensor: layers, of which white light has the continuum alone. What
/// was made last is kept, and handed out again for the same moment and place.
[[nodiscard]] base::Result<std::shared_ptr<const scene::Layers>> kept_sight(
    const Shot& shot, const Truth& truth, const optics::Train& train, const scene::Grid& grid,
    const base::Task& task);

/// The passband of a shot on the line; none in white light.
[[nodiscard]] std::optional<optics::LineBand> line_of(const Shot& shot, const optics::Train& train);

/// What reaches the sensor of it, against the disc's centre: through the passband, where there is
/// one, and as the openings on the way leave it. The last one is kept: while only the air moves, it
/// stays as it is.
/// @param middle_x_px, middle_y_px  of the sensor, in the grid
[[nodiscard]] std::shared_ptr<const scene::Picture> seen_through(
    const std::shared_ptr<const scene::Layers>& layers, const Shot& shot, const Truth& truth,
    const optics::Train& train, const scene::Grid& grid, double middle_x_px, double middle_y_px);

/// Blackens what lies beyond a circle.
void keep_round(double radius_px, double middle_x_px, double middle_y_px, int width, int height,
                scene::Picture& picture);

}  // namespace solarchon::camera
