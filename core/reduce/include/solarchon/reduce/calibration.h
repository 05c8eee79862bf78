// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/clip_reader.h"

namespace solarchon::reduce {

/// What a camera and its light path add to every frame.
struct Calibration {
  std::optional<image::Picture> dark =
      {};  ///< grey, of full scale: what pixels count without light
  std::optional<image::Picture> flat = {};  ///< grey: what of the light each pixel gives, mean 1
  std::vector<std::int32_t> bad = {};       ///< pixels (y * width + x) that give nothing of use
};

/// The mean of a clip's frames, of full scale: of a clip with the cap on, a dark.
/// Errors: kMalformed when no frame can be read; kCancelled.
[[nodiscard]] base::Result<image::Picture> mean_of(media::ClipReader& clip,
                                                   const base::Task& task = {});

/// Makes a flat of an evenly lit mean: the dark taken off, over its own median. Where the light is
/// less than a tenth of that it is 1: nothing is known there.
/// Errors: kMalformed (`flat`) of another size than the dark, or without light.
[[nodiscard]] base::Result<image::Picture> flat_of(image::Picture mean,
                                                   const std::optional<image::Picture>& dark);

/// A picture of something that was moved over the sensor.
struct ShiftedPicture {
  image::Picture picture;  ///< grey, without dark
  double right_px = 0.0;   ///< by how much it was moved
  double down_px = 0.0;
};

/// The flat from pictures of the same disc at several places on the sensor: what goes with the disc
/// is the Sun's, what stays is the sensor's.
/// @param pictures  three or more of one size, moved in both directions
/// @return          mean 1 where it is known; 1 where fewer than two pictures had light
/// Errors: kMissing (`pictures`) for too few; kMalformed for different sizes; kCancelled.
/// Accuracy: 0.5 per cent for five pictures or more whose noise is below that.
/// Source: Kuhn, Lin and Loranz, Publications of the Astronomical Society of the Pacific 103 (1991)
/// 1097: least squares on logarithms, solved by going back and forth.
[[nodiscard]] base::Result<image::Picture> flat_of_shifted(
    const std::vector<ShiftedPicture>& pictures, const base::Task& task = {});

/// The flat from a clip, a picture, or pictures in a row. Where a disc stands in its frames, it is
/// of that disc as it was moved over the sensor (flat_of_shifted, of 16 frames at most); otherwise
/// of something evenly lit (flat_of their mean).
/// @param dark  of its size, or it is left out of account where a disc stands there
/// Errors: of reading; as flat_of; kMissing (`flat`) for a disc in fewer than three frames;
/// kMalformed (`flat`, with the reason `disc-not-moved`) for one that hardly moved, or in one
/// direction alone; kCancelled.
[[nodiscard]] base::Result<image::Picture> flat_from_file(const std::filesystem::path& path,
                                                          const std::optional<image::Picture>& dark,
                                                          const base::Task& task = {});

/// Pixels that stand out alone from all eight around them in a mean of frames: no optics draw such.
/// @param mean  grey, as mean_of gives it; of a mosaic each pixel is held against those of its
/// colour
[[nodiscard]] std::vector<std::int32_t> bad_pixels(const image::Picture& mean);

/// What a calibrated frame counts without light, of full scale: noise about nothing has room below.
inline constexpr double kPedestal = 0.01;

/// Takes the dark off a frame, divides by the flat, adds the pedestal, and fills bad pixels from
/// those around them. The frame's numbers become finer where they are coarse (saturation 65535), so
/// that nothing is rounded away.
/// Errors: kMalformed (`dark`, `flat`) of another size.
[[nodiscard]] base::Result<void> calibrate(const Calibration& calibration, image::Frame& frame);

}  // namespace solarchon::reduce
