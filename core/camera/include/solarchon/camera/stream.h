// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/camera/simulate.h"

namespace solarchon::camera {

/// What simulated cameras count without light, of their full scale.
inline constexpr double kBlackShare = 0.01;

/// Where a mount has let the picture of the Sun go on the sensor since the stream began.
struct Wander {
  double seconds = 0.0;
  sky::PictureOffset arcsec;  ///< of what stood in the middle of the sensor
  double turn_deg = 0.0;      ///< of the picture about that middle, clockwise
};

/// How a stream of frames comes about.
struct StreamPlan {
  /// The first frame. With air, frames are short exposures. Shot::air_s and pointing_spread_px
  /// hold for it as for a single one.
  Shot shot;
  /// In order of time; straight between them, and beyond them as at the nearest. Empty: it stays.
  std::vector<Wander> way = {};
  double sun_step_s = 2.0;      ///< after which the Sun is drawn anew: above 0
  double row_delay_us = 0.0;    ///< of a rolling shutter: rows are read so much later, one by one
  bool prepares_ahead = false;  ///< draws the next Sun on a thread of its own
  bool steered = false;         ///< `steer` will be called often: a little room is drawn for it
};

/// Frames of the synthetic Sun as a camera gives them, one after another: the Sun is drawn once and
/// goes on in steps, the air moves, bends and blurs it from frame to frame, and differently from
/// place to place; cloud passes, the mount drifts, the sensor adds its marks and noise.
///
/// A frame agrees with that of camera::simulate at the same instant, but for its noise, to 1 per
/// cent of the disc's centre where the air is even: pixels between pixels are by a cubic, and blur
/// between two kept strengths in proportion. Noise is a normal deviate with the spread of photons
/// and reading together: right but for its skew, which counts below some 10 electrons.
///
/// Used from one thread. Memory: about 40 bytes a pixel in white light, 70 in hydrogen alpha, and
/// twice that while the next Sun is prepared.
class Stream {
 public:
  /// Draws the first Sun: takes as long as camera::simulate.
  /// Errors: as camera::simulate.
  [[nodiscard]] static base::Result<Stream> open(StreamPlan plan, const base::Task& task = {});
  ~Stream();
  Stream(Stream&&) noexcept;
  Stream& operator=(Stream&&) noexcept;
  Stream(const Stream&) = delete;
  Stream& operator=(const Stream&) = delete;

  /// The frame of an instant, and what was drawn in it. The truth's spots, filaments and flares are
  /// those of the Sun as it was drawn last.
  /// @param seconds  since the stream began; any order, but forward is quick
  /// @param into     its memory is used again
  /// Errors: kCancelled.
  [[nodiscard]] base::Result<void> record(double seconds, Recording& into,
                                          const base::Task& task = {});

  /// Changes what the light path, the air or the camera do while the stream goes on. The time of
  /// the shot stays that of the stream's beginning.
  /// Errors: as camera::simulate; the stream then goes on as before.
  [[nodiscard]] base::Result<void> change(Shot shot, const base::Task& task = {});
  /// Puts the picture off by so much from now on, beyond where its way has it.
  void steer(const sky::PictureOffset& arcsec);
  /// The shot as it is now.
  [[nodiscard]] const Shot& shot() const;

 private:
  class Machine;
  explicit Stream(std::unique_ptr<Machine> machine);
  std::unique_ptr<Machine> machine_;
};

}  // namespace solarchon::camera
