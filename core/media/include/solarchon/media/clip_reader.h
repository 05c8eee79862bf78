// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <memory>
#include <optional>
#include <stop_token>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::media {

/// What a clip says of itself.
struct ClipFacts {
  int width = 0;
  int height = 0;
  int frames = 0;    ///< that are there, whole
  int promised = 0;  ///< that its headers promise; more than `frames` where it was cut off
  int saturation = 65535;
  std::optional<double> rate_hz = {};
  image::FrameInfo info;  ///< of the first frame
  /// Of each frame since the first, where a file beside the clip tells it (ClipWriter); else empty.
  std::vector<double> seconds = {};
  bool parts_alone = false;  ///< a part of a frame is read without the rest
};

/// Every file that is read for a clip or a picture of this name: those of its series, or of the
/// folder, and what stands beside it.
[[nodiscard]] std::vector<std::filesystem::path> files_of_clip(const std::filesystem::path& path);

/// Frames of a clip, one at a time: a FITS cube, grey or colour video, or a series of pictures.
/// Memory does not grow with its length. Colour video gives its brightness; the raw mosaic of a
/// colour sensor is left as it was recorded in cubes and video, and read as read_frame does in a
/// series.
class ClipReader {
 public:
  /// @param path  a cube of whole numbers (8 or 16 bits), a video, one picture of a numbered series
  ///              (NAME-00001.tiff), or a folder of pictures, which are taken in the order of names
  /// @param stop  gives the opening and the reading of a video up
  /// Errors: kUnreadable, kMalformed, kTooLarge; also where no whole frame is there. Of a video
  /// only what this machine's own disks hold is read, and only containers that hold their pictures
  /// themselves.
  [[nodiscard]] static base::Result<ClipReader> open(const std::filesystem::path& path,
                                                     std::stop_token stop = {});
  ~ClipReader();
  ClipReader(ClipReader&&) noexcept;
  ClipReader& operator=(ClipReader&&) noexcept;
  ClipReader(const ClipReader&) = delete;
  ClipReader& operator=(const ClipReader&) = delete;

  [[nodiscard]] const ClipFacts& facts() const;
  /// Since the first frame, by the times beside the clip or by its rate; none where neither is
  /// known.
  [[nodiscard]] std::optional<double> seconds_of(int frame) const;
  /// Any frame, of which the time is told as far as the clip's start and rate are known. One after
  /// another is quickest.
  /// @param into  its memory is used again
  /// Errors: kOutOfRange (`frame`); kMalformed for one that is damaged, or of another size or kind
  /// than the first: others can still be read.
  [[nodiscard]] base::Result<void> read(int frame, image::Frame& into);
  /// A part of a frame alone; of a cube nothing else is read from the disk.
  /// Errors: as read; kOutOfRange (`part`) where it does not lie within the frame.
  [[nodiscard]] base::Result<void> read_part(int frame, const image::Rectangle& part,
                                             image::Frame& into);

  class Source;

 private:
  explicit ClipReader(std::unique_ptr<Source> source);
  [[nodiscard]] base::Result<void> read_as(int frame, const image::Rectangle& part,
                                           image::Frame& into, bool whole);
  std::unique_ptr<Source> source_;
};

}  // namespace solarchon::media
