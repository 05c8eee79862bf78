// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/reduce/orienting.h"

namespace solarchon::reduce {

/// A colour that a grey picture is given, by the light it was taken in. It is false, and files say
/// so.
enum class Tint {
  kNone,
  kWhiteLight,     ///< yellow-orange
  kHydrogenAlpha,  ///< red-orange
  kCalcium,        ///< violet
};
inline constexpr base::EnumWords<Tint, 4> kTintWords{{"none", "white-light", "h-alpha", "calcium"}};

/// The tint by which a picture's line is usually shown: by its wavelength and passband, white light
/// where nothing is known.
[[nodiscard]] Tint tint_for(const image::FrameInfo& info);

/// Colours of a tint: red, green and blue for a brightness of 0 to 1; each grows with it.
[[nodiscard]] std::array<float, 3> tint_of(Tint tint, float brightness);

/// What is done with a picture so that people see what is in it.
struct FinishWishes {
  /// How far the darkening towards the limb is taken out: 0 to 1.
  double flatten = 0.0;
  /// What detail is multiplied by, of about 1, 2, 4 and 8 px: 0 to 10; 1 leaves it.
  std::array<double, 4> layers{1.0, 1.0, 1.0, 1.0};
  /// Detail below so many deviations of the noise is left as it is: 0 to 20.
  double gate = 3.0;
  /// Of a picture of prominences that is laid about the disc: how much brighter they are made than
  /// they are, 0.1 to 1000; none: as bright as the disc's edge.
  std::optional<double> prominence_gain = {};
  std::optional<OrientWishes> orient = {};
  Tint tint = Tint::kNone;
  bool operator==(const FinishWishes&) const = default;
};

/// A finished picture, and what was found on the way.
struct Finished {
  image::Picture picture;
  std::optional<Oriented> oriented = {};  ///< its own picture left empty
  /// By how much rims about dark detail are brighter than before, over the light there.
  double rim = 0.0;
  double noise_gain = 1.0;  ///< of the finest noise
  double prominence_gain = 1.0;
};

/// Blends prominences in, flattens, sharpens, orients and tints, in that order; what is not wished
/// is left out.
/// @param prominences  a longer exposure of the same disc with the same camera; null: none
/// Errors: kOutOfRange with the member's name; kNotFound where a limb is needed and there is none;
/// those of orient; kMalformed (`prominences`) where it shows another disc; kCancelled.
/// Accuracy: limb darkening within 2 per cent inside 0.95 of the radius.
/// Source: darkening as a polynomial of the cosine through the medians of rings; layers by the
/// undecimated transform with the cubic spline (Starck and Murtagh, Astronomical Image and Data
/// Analysis, chapter 1), each value gated by w^2 / (w^2 + (k s)^2).
[[nodiscard]] base::Result<Finished> finish(const image::Picture& picture,
                                            const FinishWishes& wishes,
                                            const image::Picture* prominences = nullptr,
                                            const base::Task& task = {});

/// By how much rims about the dark detail of a picture are brighter in `after` than in `before`,
/// over the light there; 0 where that does not stand out, or nothing dark is there.
/// @param before, after  of one size
[[nodiscard]] double rim_about_dark(const image::Picture& before, const image::Picture& after);

}  // namespace solarchon::reduce
