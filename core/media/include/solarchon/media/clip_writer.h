// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <filesystem>
#include <memory>

#include "solarchon/base/result.h"
#include "solarchon/image/frame.h"

namespace solarchon::media {

/// What all frames of a clip have in common.
struct ClipFormat {
  int width = 0;
  int height = 0;
  int saturation = 65535;  ///< up to 255: one byte a pixel
  double rate_hz = 25.0;   ///< about, above 0
  image::FrameInfo info;   ///< of the first frame
};

/// A clip that grows on disk while it is recorded: a FITS cube of 8 or 16 bits, whose header says
/// at every moment how many whole frames it has. Killed, cut off or with the disk full, what was
/// written opens; at most the last frame is gone. Beside it stands NAME.times.csv with the time of
/// each frame.
class ClipWriter {
 public:
  /// Makes both files. A clip that is there already is left alone.
  /// Errors: kUnwritable, also where a file of that name is there; kTooLarge, kMalformed for the
  /// size; kOutOfRange (`rate_hz`).
  [[nodiscard]] static base::Result<ClipWriter> create(const std::filesystem::path& path,
                                                       const ClipFormat& format);
  ~ClipWriter();
  ClipWriter(ClipWriter&&) noexcept;
  ClipWriter& operator=(ClipWriter&&) noexcept;
  ClipWriter(const ClipWriter&) = delete;
  ClipWriter& operator=(const ClipWriter&) = delete;

  /// @param seconds  since the first frame
  /// Errors: kMalformed for a frame of another size; kUnwritable, after which the clip ends with
  /// the frame before.
  [[nodiscard]] base::Result<void> add(const image::Frame& frame, double seconds);
  [[nodiscard]] int frames() const;
  [[nodiscard]] std::int64_t bytes() const;
  /// Sees to it that all lies on the disk. Without it the clip is read all the same, unless the
  /// power goes. Errors: kUnwritable.
  [[nodiscard]] base::Result<void> close();

 private:
  struct State;
  explicit ClipWriter(std::unique_ptr<State> state);
  std::unique_ptr<State> state_;
};

/// Where the times of a clip's frames are written: beside it.
[[nodiscard]] std::filesystem::path times_beside(const std::filesystem::path& clip);

}  // namespace solarchon::media
