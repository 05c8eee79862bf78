// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <stop_token>

#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/media/clip_reader.h"

namespace solarchon::media {

/// One way in which clips are kept.
class ClipReader::Source {
 public:
  Source() = default;
  virtual ~Source() = default;
  Source(const Source&) = delete;
  Source& operator=(const Source&) = delete;
  Source(Source&&) = delete;
  Source& operator=(Source&&) = delete;

  /// @param frame  one that is there
  /// @param into   of the clip's size and facts already
  virtual base::Result<void> pixels_of(int frame, image::Frame& into) = 0;
  /// @param part  within it
  /// @param into  of the part's size and the clip's facts already
  virtual base::Result<void> pixels_of_part(int frame, const image::Rectangle& part,
                                            image::Frame& into);
  ClipFacts facts;

 private:
  image::Frame whole_;
};

using ClipSource = base::Result<std::unique_ptr<ClipReader::Source>>;
[[nodiscard]] ClipSource open_fits_clip(const std::filesystem::path& path);
[[nodiscard]] ClipSource open_video(const std::filesystem::path& path, std::stop_token stop);

}  // namespace solarchon::media
