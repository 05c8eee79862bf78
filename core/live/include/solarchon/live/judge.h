// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/base/enum_words.h"
#include "solarchon/live/meters.h"

namespace solarchon::live {

/// What keeps the picture from being better.
enum class Limit {
  kNotYet,   ///< too little was seen
  kNoSun,    ///< no light
  kClipped,  ///< the brightest part is full
  kTooDim,   ///< most of the sensor's range lies idle
  kCloud,
  kBands,
  kFocus,
  kTuning,  ///< off the line's middle
  kDrift,   ///< the picture goes faster than a clip may let it
  kDust,    ///< its shadows stand in the picture
  kAir,
  kAperture,  ///< nothing else: what aperture and sampling can do
  kNotKnown   ///< neither limb nor motion of detail tells of air and focus; nothing else is wrong
};
inline constexpr base::EnumWords<Limit, 13> kLimitWords{
    {"not-yet", "no-sun", "clipped", "too-dim", "cloud", "bands", "focus", "tuning", "drift",
     "dust", "air", "aperture", "not-known"}};

/// The one thing that limits now, and the figures that say so.
struct Judgement {
  Limit limit = Limit::kNotYet;
  /// Share that is full; stops that exposure or cloud lack; contrast of bands; defocus (um);
  /// contrast of structure; drift (arcsec a minute); light that the deepest shadow takes; r0 (cm);
  /// what the aperture tells apart (arcsec).
  Estimate figure;
  /// For the step to take: factor of the exposure; tilt of the camera (degree); seconds until the
  /// middle of the picture has left the field.
  double next = 0.0;
};

/// Looks for reasons in the order in which they hide each other: light, bands, focus, tuning,
/// drift, dust, air.
/// Accuracy: of single faults through simulated light paths, the true one in 95 of 100 cases.
[[nodiscard]] Judgement judge(const Readings& readings, const Setting& setting);

}  // namespace solarchon::live
