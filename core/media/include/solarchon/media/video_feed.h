// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>
#include <stop_token>
#include <string>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/image/frame.h"

namespace solarchon::media {

/// A video device of this machine.
struct VideoDevice {
  std::string path;  ///< /dev/video0
  std::string name;  ///< as its driver says; plain text of whoever made it
  bool operator==(const VideoDevice&) const = default;
};
/// Those that there are, by their numbers.
[[nodiscard]] std::vector<VideoDevice> video_devices();

/// What a feed gives.
struct FeedFacts {
  int width = 0;
  int height = 0;
  int saturation = 255;
  double rate_hz = 0.0;    ///< as it says itself; 0: it does not
  std::string bayer = {};  ///< of a raw mosaic: RGGB, BGGR, GRBG or GBRG; else empty
};

/// Frames of a standard video device as they come: their brightness, or the raw mosaic of a colour
/// sensor. One thread at a time.
class VideoFeed {
 public:
  /// @param kind  of device, as FFmpeg's library names them: `v4l2`, or `lavfi`, which generates
  ///              pictures by a description
  /// @param name  path of the device, or the description
  /// Errors: kUnreadable when it is not there or somebody else has it; kMalformed for one that
  /// gives nothing that can be shown; kTooLarge; the field is the name.
  [[nodiscard]] static base::Result<VideoFeed> open(const std::string& kind,
                                                    const std::string& name);
  ~VideoFeed();
  VideoFeed(VideoFeed&&) noexcept;
  VideoFeed& operator=(VideoFeed&&) noexcept;
  VideoFeed(const VideoFeed&) = delete;
  VideoFeed& operator=(const VideoFeed&) = delete;

  [[nodiscard]] const FeedFacts& facts() const;
  /// Waits for the next frame.
  /// @param into     its memory is used again
  /// @param seconds  since the first, by the device's own clock
  /// @return         false at its end, or when it was asked to stop
  /// Errors: kNotFound when the device is gone. Damaged frames are passed over.
  [[nodiscard]] base::Result<bool> next(image::Frame& into, double& seconds, std::stop_token stop);

 private:
  struct Device;
  explicit VideoFeed(std::unique_ptr<Device> device);
  std::unique_ptr<Device> device_;
};

}  // namespace solarchon::media
