// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/frames/clip_reader.h"
#include "solarchon/live/judge.h"

namespace solarchon::live {

/// One frame of a clip, looked at.
struct GradedFrame {
  int frame = 0;
  double seconds = 0.0;    ///< from the first
  double sharpness = 0.0;  ///< Sharpness::detail
  double level = 0.0;      ///< Level::disc
  double clipped_share = 0.0;
};

/// A clip, looked at from end to end.
struct ClipGrade {
  std::vector<GradedFrame> frames;  ///< those that could be read, in their order
  std::vector<int> damaged;         ///< those that could not
  Readings readings;                ///< at its end; cloud over the whole clip
  Judgement judgement;
};

/// Grades every frame of a clip, one at a time. Of a clip without a rate it takes 25 a second.
/// @param setting  of its light path; its plate scale counts before the clip's own. Without a
///                 clear_level, cloud is told by the clip's own clearest frames
/// Errors: kMalformed when no frame can be read; kCancelled.
[[nodiscard]] base::Result<ClipGrade> grade(frames::ClipReader& clip, const Setting& setting,
                                            const base::Task& task = {});

/// The sharpest frames, in the order of time.
/// @param share  of all, above 0 to 1; one frame at least
[[nodiscard]] std::vector<int> sharpest(const std::vector<GradedFrame>& frames, double share);

}  // namespace solarchon::live
