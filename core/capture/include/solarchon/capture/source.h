// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <filesystem>
#include <functional>
#include <memory>
#include <optional>
#include <stop_token>
#include <string>
#include <utility>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/camera/stream.h"
#include "solarchon/devices/telescope_state.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/video_feed.h"

namespace solarchon::capture {

/// A frame as it came from a source.
struct LiveFrame {
  image::Frame frame;
  double seconds = 0.0;     ///< since the source began
  std::int64_t number = 0;  ///< counts every frame that the source made: gaps were lost on the way
};

/// What a source says of itself.
struct SourceCard {
  std::string name;  ///< plain text of whoever made it
  int width = 0;
  int height = 0;
  int saturation = 65535;
  double rate_hz = 0.0;  ///< at which it gives frames, about; 0: not known
  bool simulated = false;
  bool ends = false;     ///< it comes to an end by itself
  bool exposes = false;  ///< `expose` is obeyed
  bool regions = false;  ///< `read_region` is
};

/// What can be turned at the telescope that a source looks through, as it stood when last asked.
struct Hands {
  std::optional<devices::FocuserState> focuser = {};  ///< none: it is turned by hand
  std::optional<devices::HeaterState> heater = {};    ///< none: the tuner is turned by hand
  std::optional<devices::GuiderState> guider = {};    ///< none: nothing moves it from here
};

/// Where frames come from, one after another. Used from one thread at a time.
class Source {
 public:
  Source() = default;
  virtual ~Source() = default;
  Source(const Source&) = delete;
  Source& operator=(const Source&) = delete;
  Source(Source&&) = delete;
  Source& operator=(Source&&) = delete;

  [[nodiscard]] virtual const SourceCard& card() const = 0;
  /// Waits for the next frame, at the source's own pace.
  /// @param into  its memory is used again
  /// @return      false at the end, or when it was asked to stop
  /// Errors: kNotFound when the source is gone.
  [[nodiscard]] virtual base::Result<bool> next(LiveFrame& into, std::stop_token stop) = 0;
  /// Exposes from the next frame on. Errors: kOutOfRange (`exposure_ms`), kNotFound for a source
  /// that cannot.
  [[nodiscard]] virtual base::Result<void> expose(double exposure_ms);

  /// Costs nothing: what `next` has learnt on its way.
  [[nodiscard]] virtual Hands hands() const { return {}; }
  /// Sets the focuser going. Errors: kNotFound for a source without one, or when it is gone.
  [[nodiscard]] virtual base::Result<void> focus_to(double position_um);
  /// Sets the tuner's heater to a step. Errors: as focus_to.
  [[nodiscard]] virtual base::Result<void> tune_to(int step);
  /// Moves where the telescope looks on the sky, from where it was sent last. Errors: as focus_to.
  [[nodiscard]] virtual base::Result<void> nudge(double west_arcsec, double north_arcsec);
  /// Reads a part of the sensor alone, about, from one of the next frames on. Errors: as focus_to.
  [[nodiscard]] virtual base::Result<void> read_region(const image::Rectangle& region);
};

/// What is known of a camera's frames beforehand.
struct Known {
  Known(image::FrameInfo of_all = {},  // NOLINT(google-explicit-constructor): mostly that is all
        std::function<sky::PictureOrientation(sky::UtcTime)> of_each = {})
      : info(std::move(of_all)), orientation(std::move(of_each)) {}
  image::FrameInfo info;  ///< its time is that of the device's start
  /// How the Sun lies in a frame of an instant; empty: as `info` says, always.
  std::function<sky::PictureOrientation(sky::UtcTime)> orientation;
  /// @param seconds  of a frame, since the start
  [[nodiscard]] image::FrameInfo at(double seconds) const;
};

/// How fast a source that could be quicker gives its frames.
enum class Pace { kOfTheClock, kAsFastAsItGoes };

/// Plays a clip, in its own time or as fast as it goes. Frames that are damaged are left out; their
/// numbers are missing.
/// Errors: as ClipReader::open.
[[nodiscard]] base::Result<std::unique_ptr<Source>> open_clip_source(
    const std::filesystem::path& clip, Pace pace);

/// A camera behind a light path that looks at the synthetic Sun through moving air.
/// @param rate_hz  at which it gives frames by the clock; where the machine cannot, some are lost
/// Errors: as camera::Stream::open; kOutOfRange (`rate_hz`).
[[nodiscard]] base::Result<std::unique_ptr<Source>> open_sun_source(camera::StreamPlan plan,
                                                                    double rate_hz, Pace pace,
                                                                    const base::Task& task = {});

/// A camera that another process plays or drives, with its focuser and heater where it has them,
/// over the line protocol of docs/devices.md.
/// @param patience_s  for which a device that is not there yet is waited for, 0 to 600
/// Errors: as devices::TelescopeClient::open and devices::FrameRing::open; kOutOfRange
/// (`patience_s`); kCancelled.
[[nodiscard]] base::Result<std::unique_ptr<Source>> open_telescope_source(
    const std::filesystem::path& socket, double patience_s, const Known& known = {},
    const base::Task& task = {});

/// A standard video device. Its exposure is its own.
/// @param kind    as media::VideoFeed::open
/// @param device  its path, or the description of what is generated, and the name it shall have
/// Errors: as media::VideoFeed::open.
[[nodiscard]] base::Result<std::unique_ptr<Source>> open_device_source(
    const std::string& kind, const media::VideoDevice& device, const Known& known = {});

}  // namespace solarchon::capture
