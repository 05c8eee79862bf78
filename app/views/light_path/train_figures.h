// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "app/shell/figures.h"
#include "solarchon/light/exposure.h"
#include "solarchon/optics/train.h"

namespace solarchon::app {

/// The figures of a train that matter for what it is, each with its reason.
[[nodiscard]] std::vector<Figures::Row> train_figures(
    const optics::Rig& rig, const optics::Train& train,
    const std::optional<light::DiscExposure>& exposure);

/// Where two lists differ: the value of the upper path over that of the lower one; a dash where a
/// path has no such figure.
[[nodiscard]] std::vector<Figures::Row> compared_figures(const std::vector<Figures::Row>& first,
                                                         const std::vector<Figures::Row>& second);

}  // namespace solarchon::app
