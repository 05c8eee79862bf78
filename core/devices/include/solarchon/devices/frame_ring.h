// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <filesystem>
#include <memory>

#include "solarchon/base/result.h"
#include "solarchon/image/frame.h"

namespace solarchon::devices {

/// A frame that went through a ring.
struct RingFrame {
  image::Frame frame;       ///< with its exposure, if the camera told it; nothing else is known
  double seconds = 0.0;     ///< by the camera's clock, from anywhere
  std::int64_t number = 0;  ///< from 0, counts all that the camera took
};

/// Frames that one process leaves for another in memory that both see: a file that is mapped, laid
/// out as docs/devices.md tells. The camera writes, one after another, and never waits; who looks
/// and is too slow misses frames, and sees by their numbers how many.
class FrameRing {
 public:
  /// For the camera: makes the file for its owner alone, in the place of one that is there.
  /// @param slots  frames that it holds, 2 to 64
  /// Errors: kUnwritable; kTooLarge, kMalformed as image::check_size; kOutOfRange (`slots`).
  [[nodiscard]] static base::Result<FrameRing> make(const std::filesystem::path& path, int width,
                                                    int height, int slots);
  /// For the one who looks. Errors: kUnreadable when it cannot be opened or is somebody else's;
  /// kMalformed when it is no ring, or smaller than it claims; kVersion.
  [[nodiscard]] static base::Result<FrameRing> open(const std::filesystem::path& path);
  ~FrameRing();
  FrameRing(FrameRing&& other) noexcept;
  FrameRing& operator=(FrameRing&&) = delete;
  FrameRing(const FrameRing&) = delete;
  FrameRing& operator=(const FrameRing&) = delete;

  /// Leaves a frame, in the place of the oldest. Only the camera does.
  /// @param frame  no larger than the ring was made for
  void leave(const image::Frame& frame, double seconds, std::int64_t number);
  /// The next one after the last that was taken, or the oldest that is still whole.
  /// @param into  its memory is used again
  /// @return      false: there is none yet. A frame that is overwritten while it is read is not
  ///              taken.
  [[nodiscard]] bool take_next(RingFrame& into);

 private:
  struct Map;
  explicit FrameRing(std::unique_ptr<Map> map);
  [[nodiscard]] bool take(std::uint64_t place, RingFrame& into);
  std::unique_ptr<Map> map_;
};

}  // namespace solarchon::devices
