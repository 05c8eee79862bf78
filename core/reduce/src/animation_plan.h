// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <memory>
#include <optional>
#include <utility>
#include <vector>

#include "solarchon/disc/disc_model.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/reduce/animation.h"
#include "solarchon/registration/overlap.h"

namespace solarchon::reduce {

/// What is known of one picture.
struct Animation::Step {
  std::filesystem::path file;
  image::FrameInfo info;
  std::optional<sky::UtcTime> time;
  int width = 0;
  int height = 0;
  int planes = 1;
  disc::DiscModel disc;               ///< kDisc
  sky::PictureOrientation solar;      ///< kDisc
  std::vector<float> ground;          ///< kDisc
  registration::PanelAlignment laid;  ///< kDetail: from the first picture to this
  double light = 1.0;
  double gain = 1.0;
};

/// All of them, and in which order they are shown.
struct Animation::Plan {
  struct Shown {
    std::size_t step = 0;
    double on = 0.0;  ///< share of the way to the next
  };
  AnimationRecipe recipe;
  std::vector<Step> steps;
  std::vector<Shown> order;
  Animated facts;
  double radius_px = 0.0;
  int left = 0;  ///< kDetail: of the first picture, where what all show begins
  int top = 0;
  std::vector<std::pair<std::filesystem::path, std::shared_ptr<const image::Picture>>>
      held;  ///< last two

  /// What is known of one picture. None: what is to be held is not found in it.
  base::Result<std::optional<Step>> look(const std::filesystem::path& file,
                                         const image::Picture& picture,
                                         const base::Task& task) const;
  base::Result<void> hold_detail(const base::Task& task);
  void order_and_even();
  void lay_out();
  base::Result<std::shared_ptr<const image::Picture>> loaded(const std::filesystem::path& file);
  [[nodiscard]] std::optional<sky::UtcTime> instant(const Shown& shown) const;
  [[nodiscard]] image::Picture blank(const Step& step) const;
  /// Of one picture is enough for all.
  [[nodiscard]] bool simulated() const {
    return std::any_of(steps.begin(), steps.end(),
                       [](const Step& step) { return step.info.simulated; });
  }
  base::Result<image::Picture> carried(const Shown& shown, const base::Task& task);
  base::Result<image::Picture> placed(const Step& step, const base::Task& task);
};

}  // namespace solarchon::reduce
