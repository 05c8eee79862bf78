// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/image/picture.h"
#include "solarchon/psf/transfer.h"

namespace solarchon::reduce {

/// What has softened a stack, and how far that is undone.
struct RestoreWishes {
  psf::ImagingSetup imaging;  ///< scale: of the picture
  /// Fried's parameter at 500 nm of the frames that were stacked; none: that of the limb, and
  /// without a limb the aperture's blur alone is undone.
  std::optional<double> r0_cm = {};
  double noise = 0.002;      ///< of one pixel over the light; detail below it stays as it is
  bool noise_given = false;  ///< as it was given; else a recipe takes that of its stack
  double strength = 1.0;     ///< 0 leaves the picture as it is, 1 undoes all that noise lets
  bool operator==(const RestoreWishes&) const = default;
};

/// Fried's parameter (cm, at 500 nm) of the frames of a clip that were kept, where that of all of
/// its frames is known: the kept ones are sharper because the air was calmer for them. Rounded to
/// tenths, at most 40.
/// @param detail_gain  amplitude of their detail over that of all frames (Gain::detail), above 0
/// Source: seeing::short_exposure_transfer at 0.36 of the cutoff, where grading looks.
[[nodiscard]] double r0_of_kept(double clip_r0_cm, const psf::ImagingSetup& imaging,
                                double detail_gain);

/// A stack, restored.
struct Restored {
  image::Picture picture;
  double noise = 0.0;  ///< of one pixel over the light, as the filter leaves it
  /// By how much the rim inside the limb is brighter than the disc goes on to it, over the disc's
  /// light; none without a limb in the picture.
  std::optional<double> limb_overshoot = {};
  /// By how much rims about dark detail are brighter than before (rim_about_dark).
  double rim = 0.0;
  /// Of the air, by which the limb is as soft as it is seen (cm, at 500 nm); none without a limb.
  std::optional<double> limb_r0_cm = {};
  /// Share of the cutoff frequency up to which detail was brought back to half or more.
  double reached = 0.0;
};

/// Undoes the blur of aperture and air, as far as each frequency stands out of the noise. The limb
/// is taken out before and put back sharp after, so that it does not ring.
/// @param picture  a stack: black is 0
/// Errors: kOutOfRange with the member's name; kCancelled; kMalformed (`picture`) below 32 pixels a
/// side. Accuracy: contrast within 20 per cent of the truth up to 0.6 of the cutoff, where the blur
/// is known and noise lets it; overshoot at the limb below 3 per cent. Source: Wiener's filter with
/// the picture's own power; transfer of the aperture by psf::pupil_transfer, of the air by
/// seeing::short_exposure_transfer (Fried 1966).
[[nodiscard]] base::Result<Restored> restore(const image::Picture& picture,
                                             const RestoreWishes& wishes,
                                             const base::Task& task = {});

}  // namespace solarchon::reduce
