// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <condition_variable>
#include <cstdint>
#include <filesystem>
#include <mutex>
#include <thread>

#include "solarchon/camera/stream.h"
#include "solarchon/devices/frame_ring.h"
#include "solarchon/devices/telescope_state.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/optics/parts.h"
#include "solarchon/sky/disc.h"

namespace solarchon::standins {

/// Takes frames of the synthetic Sun on a thread of its own and leaves them in a ring.
class StandInCamera {
 public:
  /// What the frames to come are taken with.
  struct Knobs {
    double exposure_ms = 1.0;
    double defocus_um = 0.0;
    double detune_angstrom = 0.0;
    image::Rectangle region = {};
    sky::PictureOffset steered_arcsec = {};
  };

  /// @param frames   file of the ring
  /// @param most_hz  frames, however fast the camera is
  StandInCamera(camera::Stream stream, devices::FrameRing ring, std::filesystem::path frames,
                const optics::Camera& sensor, double most_hz);

  void turn(const Knobs& knobs);
  [[nodiscard]] Knobs knobs() const;
  /// The region that is read where one is asked for: within the sensor, in steps of 8 pixels.
  [[nodiscard]] image::Rectangle nearest(const image::Rectangle& wanted) const;
  [[nodiscard]] devices::CameraState state() const;
  [[nodiscard]] bool ended() const { return ended_; }

 private:
  void run(const std::stop_token& stop);
  /// Lets the picture follow the knobs. @return  false when it cannot be drawn any more
  [[nodiscard]] bool obey(const Knobs& now);
  [[nodiscard]] double rate_hz(const Knobs& knobs) const;

  camera::Stream stream_;
  devices::FrameRing ring_;
  std::filesystem::path frames_;
  optics::Camera sensor_;
  double most_hz_;
  std::atomic<bool> ended_{false};
  mutable std::mutex mutex_;
  std::condition_variable_any wake_;
  Knobs knobs_;
  std::jthread thread_;  ///< last: it uses the others
};

}  // namespace solarchon::standins
