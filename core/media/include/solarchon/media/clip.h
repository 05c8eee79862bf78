// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <functional>

#include "solarchon/base/result.h"
#include "solarchon/image/frame.h"

namespace solarchon::media {

/// Gives the frames of a clip one after the other, from 0.
using FrameSource = std::function<base::Result<image::Frame>(int frame)>;

/// Writes a clip as a FITS cube of three axes, the third one time from the first frame on (s). One
/// frame is held at a time; the headers are those of the first. Whole or not at all.
/// @param count    of frames, 1 or more, all of the size of the first
/// @param rate_hz  above 0
/// Errors: kUnwritable; kMalformed for a frame of another size; those of the source.
[[nodiscard]] base::Result<void> write_fits_cube(int count, double rate_hz,
                                                 const FrameSource& source,
                                                 const std::filesystem::path& path);

/// Writes a clip as grey video without loss: FFV1 with check sums in Matroska, 8 bits where the
/// first frame's saturation needs no more, else 16. Start and pixel scale go into its tags. One
/// frame is held at a time. Whole or not at all.
/// @param count    of frames, 1 or more, all of the size of the first
/// @param rate_hz  above 0
/// Errors: kUnwritable; kMalformed for a frame of another size; those of the source.
[[nodiscard]] base::Result<void> write_video(int count, double rate_hz, const FrameSource& source,
                                             const std::filesystem::path& path);

}  // namespace solarchon::media
