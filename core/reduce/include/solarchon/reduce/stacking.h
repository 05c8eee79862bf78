// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <filesystem>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/image/picture.h"
#include "solarchon/image/point.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/reduce/calibration.h"
#include "solarchon/reduce/grading.h"

namespace solarchon::reduce {

/// What of a colour sensor's raw mosaic becomes the picture.
enum class ColourUse : unsigned char {
  kByBand,  ///< red alone where the clip says that it was taken in hydrogen alpha, else all
  kAll,
  kRed,
};
inline constexpr base::EnumWords<ColourUse, 3> kColourWords{{"by-band", "all", "red"}};

/// How frames are laid on one another.
struct StackWishes {
  Calibration calibration = {};
  bool local = true;        ///< follows detail over the frame, not only the frame as a whole
  double clip_sigma = 3.5;  ///< values further off than so many deviations do not count; 0: all do
  int finer = 1;            ///< pixels of the stack along one of the camera's: 1 or 2
  ColourUse colours = ColourUse::kByBand;  ///< nothing to frames that are grey
};

/// Frames laid on one another.
struct Stacked {
  /// Cut to where half of the frames or more contribute.
  image::Picture picture;
  image::Rectangle part;         ///< of the reference frame that it shows (camera's pixels)
  int frames = 0;                ///< that went into it
  std::vector<int> left_out;     ///< frames of the clip that could not be read again
  double clipped_share = 0.0;    ///< of all values
  double local_motion_px = 0.0;  ///< detail about where the frame as a whole lay, RMS
  double noise = 0.0;  ///< of one pixel of the stack, over the light: by the frames' noise
  /// Of a raw mosaic: whether its red pixels alone were used.
  bool red_alone = false;
  /// By how much red, green and blue lay off green (px), as air and lenses have it; taken out.
  /// Empty where the picture has no colours.
  std::vector<image::Offset> colours_apart = {};
};

/// Lays frames of a clip on one another where each has its detail, and takes their weighted mean,
/// on all cores, in memory that does not depend on their number. Frames weigh by light and
/// sharpness. The raw mosaic of a colour sensor is followed by its light and gives three planes, or
/// one: what is taken near a pixel of a colour counts most for it, so that where frames lie apart a
/// plane is made of what was recorded, not of what was put between. A mosaic of unknown pattern
/// gives its light.
/// @param places  in the grading's frames, as kept gives them; one or more
/// Errors: those of opening the clip; kMissing (`frames`) without a frame; kOutOfRange (`finer`,
/// `clip_sigma`); those of calibrate; kCancelled.
/// Accuracy: registration 0.1 px where the frames have structure.
/// Source: displacements of patches by least squares on brightness (Lucas and Kanade 1981; Baker
/// and Matthews 2004, inverse compositional), over a smoothness between patches; pixels by a cubic
/// (Keys 1981).
[[nodiscard]] base::Result<Stacked> stack(const std::filesystem::path& clip,
                                          const ClipGrading& grading,
                                          const std::vector<std::size_t>& places,
                                          const StackWishes& wishes = {},
                                          const base::Task& task = {});

}  // namespace solarchon::reduce
