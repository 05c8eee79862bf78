// SPDX-License-Identifier: GPL-3.0-or-later
#include "standins/stand_in_camera.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <utility>

#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/match/clip.h"

namespace solarchon::standins {

namespace {

using Clock = std::chrono::steady_clock;

constexpr double kLeast_hz = 0.1;
constexpr int kStep = 8;  // of a region, in pixels
constexpr int kLeastSide = 64;

}  // namespace

StandInCamera::StandInCamera(camera::Stream stream, devices::FrameRing ring,
                             std::filesystem::path frames, const optics::Camera& sensor,
                             double most_hz)
    : stream_(std::move(stream)),
      ring_(std::move(ring)),
      frames_(std::move(frames)),
      sensor_(sensor),
      most_hz_(most_hz) {
  const camera::Shot& shot = stream_.shot();
  knobs_.exposure_ms = shot.exposure_ms;
  knobs_.defocus_um = shot.defocus_um;
  knobs_.detune_angstrom = shot.detune_angstrom;
  knobs_.region = nearest({});
  thread_ = std::jthread([this](const std::stop_token& stop) { run(stop); });
}

void StandInCamera::turn(const Knobs& knobs) {
  const std::lock_guard lock(mutex_);
  knobs_ = knobs;
}

StandInCamera::Knobs StandInCamera::knobs() const {
  const std::lock_guard lock(mutex_);
  return knobs_;
}

image::Rectangle StandInCamera::nearest(const image::Rectangle& wanted) const {
  if (wanted.width_px <= 0 || wanted.height_px <= 0) {
    return {0, 0, sensor_.width_px, sensor_.height_px};
  }
  const auto side = [](int length, int most) {
    return std::clamp((length + kStep - 1) / kStep * kStep, std::min(kLeastSide, most), most);
  };
  const int width = side(wanted.width_px, sensor_.width_px);
  const int height = side(wanted.height_px, sensor_.height_px);
  const auto at = [](int from, int most) { return std::clamp(from / kStep * kStep, 0, most); };
  return {at(wanted.left_px, sensor_.width_px - width),
          at(wanted.top_px, sensor_.height_px - height), width, height};
}

double StandInCamera::rate_hz(const Knobs& knobs) const {
  const match::Region read{knobs.region.width_px, knobs.region.height_px};
  return std::clamp(match::frame_rate(sensor_, read, knobs.exposure_ms).hz, kLeast_hz, most_hz_);
}

devices::CameraState StandInCamera::state() const {
  const Knobs now = knobs();
  return {frames_.string(),        now.region.width_px, now.region.height_px,
          (1 << sensor_.bits) - 1, now.exposure_ms,     rate_hz(now)};
}

void StandInCamera::run(const std::stop_token& stop) {
  const Clock::time_point began = Clock::now();
  camera::Recording recording;
  image::Frame part;
  std::int64_t number = 0;
  double due_s = 0.0;
  while (!stop.stop_requested()) {
    const Knobs now = knobs();
    if (!obey(now)) {
      break;
    }
    const double step_s = 1.0 / rate_hz(now);
    {
      std::unique_lock lock(mutex_);
      wake_.wait_until(
          lock, stop,
          began + std::chrono::duration_cast<Clock::duration>(std::chrono::duration<double>(due_s)),
          [] { return false; });
    }
    if (stop.stop_requested() || !stream_.record(due_s, recording, {stop})) {
      break;
    }
    recording.frame.info.exposure_ms = now.exposure_ms;
    if (now.region == nearest({})) {
      ring_.leave(recording.frame, due_s, number);
    } else {
      image::cut(recording.frame,
                 {now.region.left_px, now.region.top_px, now.region.width_px, now.region.height_px},
                 part);
      ring_.leave(part, due_s, number);
    }
    // What the machine could not draw in time is lost, as on a cable that is too slow.
    const std::chrono::duration<double> gone = Clock::now() - began;
    const double late = std::floor(std::max(0.0, gone.count() - due_s) / step_s);
    const double steps = std::max(1.0, late);
    number += static_cast<std::int64_t>(steps);
    due_s += steps * step_s;
  }
  ended_ = true;
}

bool StandInCamera::obey(const Knobs& now) {
  stream_.steer(now.steered_arcsec);
  const camera::Shot& shown = stream_.shot();
  if (shown.exposure_ms == now.exposure_ms && shown.defocus_um == now.defocus_um &&
      shown.detune_angstrom == now.detune_angstrom) {
    return true;
  }
  camera::Shot shot = shown;
  shot.exposure_ms = now.exposure_ms;
  shot.defocus_um = now.defocus_um;
  shot.detune_angstrom = now.detune_angstrom;
  return stream_.change(std::move(shot)).has_value();
}

}  // namespace solarchon::standins
