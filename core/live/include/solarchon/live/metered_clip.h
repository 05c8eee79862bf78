// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/live/judge.h"
#include "solarchon/media/clip_reader.h"

namespace solarchon::live {

/// Light in one frame of a clip.
struct FrameLight {
  int frame = 0;
  double seconds = 0.0;  ///< from the first
  double level = 0.0;    ///< Level::disc
  double clipped_share = 0.0;
};

/// A clip, shown to the meters from end to end.
struct MeteredClip {
  std::vector<FrameLight> frames;  ///< those that could be read, in their order
  std::vector<int> damaged;        ///< those that could not
  double sharpness = 0.0;          ///< mean over the frames, as Sharpness::detail
  Readings readings;               ///< at its end; cloud over the whole clip
  Judgement judgement;
};

/// Shows every frame of a clip to the meters, one at a time. Of a clip without a rate it takes 25 a
/// second. Which of the frames are worth keeping, reduce::grade_clip tells.
/// @param setting  of its light path; its plate scale counts before the clip's own. Without a
///                 clear_level, cloud is told by the clip's own clearest frames
/// Errors: kMalformed when no frame can be read; kCancelled.
[[nodiscard]] base::Result<MeteredClip> meter_clip(media::ClipReader& clip, const Setting& setting,
                                                   const base::Task& task = {});

}  // namespace solarchon::live
