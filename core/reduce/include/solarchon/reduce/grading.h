// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::reduce {

/// What is known before a clip is graded.
struct GradeWishes {
  int scale_px = 2;    ///< size of the detail that counts, 1 to 16: half of what can be resolved
  double black = 0.0;  ///< of full scale, without light: 0 to below 1
};

/// One frame of a clip, looked at.
struct GradedFrame {
  int frame = 0;           ///< its number in the clip
  double seconds = 0.0;    ///< from the first
  double sharpness = 0.0;  ///< energy of its detail; 1 is the clip's median
  double level = 0.0;      ///< of full scale: middle of its bright part
  double right_px = 0.0;   ///< by how much its detail lies to the right of the reference frame's
  double down_px = 0.0;
  bool alike = false;  ///< whether what the reference frame shows was found in it; else the above
                       ///< shifts and sharpness say nothing
};

/// A clip, graded.
struct ClipGrading {
  int width_px = 0;
  int height_px = 0;
  int saturation = 65535;
  double black = 0.0;               ///< as wished
  std::vector<GradedFrame> frames;  ///< those that could be read, in their order
  std::vector<int> damaged;         ///< those that could not
  bool mosaic = false;              ///< raw pixels of a colour sensor, graded by their light
  bool hydrogen_alpha = false;      ///< the clip says that it was taken in that line alone
  int cut_off = 0;                  ///< that the file promises and does not hold
  int reference = 0;                ///< number of the frame that the others are laid against
  double level = 0.0;               ///< median over the frames that are alike
  double noise = 0.0;               ///< of one pixel, over the light there: median
  double contrast = 0.0;  ///< of the detail in a frame of median sharpness, over the light there
  std::vector<image::Rectangle> looked_at;  ///< where detail was graded, in the reference frame
};

/// Grades every frame of a clip, on all cores, in memory that does not grow with its length but for
/// some bytes a frame. The raw mosaic of a colour sensor is looked at as its light. Detail is
/// looked at where the picture has most of it, and followed: neither drift nor what enters and
/// leaves the frame counts, nor noise, nor brightness. Of a clip without a rate it takes 25 frames
/// a second.
/// Errors: those of opening it; kMalformed when no frame can be read; kCancelled; kNotFound with
/// the reason: `picture-too-dim`, `picture-too-bright`, `no-structure` (nothing in it is found
/// again from frame to frame).
/// Accuracy: shifts 0.1 to 0.5 px where the detail's size is 4 to 20 px; sharpness as
/// image::sharpness_of.
[[nodiscard]] base::Result<ClipGrading> grade_clip(const std::filesystem::path& clip,
                                                   const GradeWishes& wishes = {},
                                                   const base::Task& task = {});

}  // namespace solarchon::reduce
