// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/reduce/grading.h"

namespace solarchon::reduce {

/// Which frames of a clip are kept.
enum class KeepRule {
  kBestShare,      ///< the sharpest, wherever in the clip they lie
  kAboveLevel,     ///< all that are sharper than a level
  kCalmStretches,  ///< most of what was recorded while the air was calm
  kAll,
};
inline constexpr base::EnumWords<KeepRule, 4> kKeepWords{{"best", "level", "calm", "all"}};

struct KeepWish {
  KeepRule rule = KeepRule::kBestShare;
  double share = 0.2;   ///< of the frames, above 0 to 1: kBestShare, kCalmStretches
  double level = 1.0;   ///< sharpness, over the clip's median: kAboveLevel
  double calm_s = 1.0;  ///< that calm has to last at least: kCalmStretches
  bool operator==(const KeepWish&) const = default;
};

/// Frames of a grading that are kept, as places in ClipGrading::frames, in the order of time; one
/// at least. Frames that are not alike, or have lost more than half of the light, are never kept.
[[nodiscard]] std::vector<std::size_t> kept(const ClipGrading& grading, const KeepWish& wish);

/// What keeping a share gives.
struct Gain {
  double share = 1.0;
  int frames = 0;
  double detail = 1.0;  ///< amplitude of the detail, over that of a mean of all frames
  double noise = 0.0;   ///< of the stack, over the light, before it is sharpened
};
/// @param places  as kept gives them
[[nodiscard]] Gain gain_of(const ClipGrading& grading, const std::vector<std::size_t>& places);

/// The share that loses least: too many frames lose detail, too few leave noise.
struct Proposal {
  Gain gain;
  /// The air was so even that choosing gains little: then most is kept.
  bool even_air = false;
};
/// The share for which noise after sharpening and lost detail together are least.
/// Source: minimum over N of (s g)^2 / N + (c (1 - a(N) / a1))^2, with the noise s of a frame, the
/// factor g by which sharpening raises it, the contrast c of the best frames' detail, its amplitude
/// a(N) in a mean of the N best, and a1 in the best hundredth.
[[nodiscard]] Proposal propose(const ClipGrading& grading);

}  // namespace solarchon::reduce
