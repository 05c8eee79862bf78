// SPDX-License-Identifier: GPL-3.0-or-later
#include "standins/stand_in_telescope.h"

#include <algorithm>
#include <atomic>
#include <chrono>
#include <cmath>
#include <condition_variable>
#include <mutex>
#include <thread>
#include <utility>

#include "solarchon/base/json.h"
#include "solarchon/devices/frame_ring.h"
#include "solarchon/match/clip.h"
#include "solarchon/optics/rig.h"

namespace solarchon::standins {

using base::Json;
using base::Result;
using devices::Answer;
using devices::Fault;
using devices::Request;

namespace {

/// As many frames as fit some room, within reason: a user's folder in memory may be small.
int slots_for(const optics::Camera& camera) {
  constexpr double kRoom_bytes = 64e6;
  constexpr double kBytesPerPixel = 2.0;
  const double frame_bytes = kBytesPerPixel * camera.width_px * camera.height_px;
  return static_cast<int>(std::clamp(kRoom_bytes / frame_bytes, 3.0, 6.0));
}

constexpr double kLeast_hz = 0.1;

double rate_of(const optics::Camera& camera, double exposure_ms, double most_hz) {
  return std::clamp(match::frame_rate(camera, {camera.width_px, camera.height_px}, exposure_ms).hz,
                    kLeast_hz, most_hz);
}

double stepped(double value, double step, double most) {
  return std::clamp(step * std::round(value / step), -most, most);
}

// In steps that nobody sees: each change is drawn anew.
double seen_defocus_um(double sensor_per_focuser, const StandInFocuser& focuser) {
  return stepped(sensor_per_focuser * focuser.out_of_focus_um(), 10.0, 20'000.0);
}
double seen_detune_angstrom(const StandInHeater& heater) {
  const double off_angstrom = heater.detuned_angstrom();
  constexpr double kNear_angstrom = 0.5;  // further out only the light changes
  return stepped(off_angstrom, std::abs(off_angstrom) < kNear_angstrom ? 0.005 : 0.05, 5.0);
}

}  // namespace

/// Takes frames on a thread of its own and leaves them in the ring.
class StandInTelescope::Camera {
 public:
  /// What the frames to come are taken with.
  struct Knobs {
    double exposure_ms = 1.0;
    double defocus_um = 0.0;
    double detune_angstrom = 0.0;
    bool operator==(const Knobs&) const = default;
  };

  Camera(camera::Stream stream, devices::FrameRing ring, std::filesystem::path frames,
         const optics::Camera& sensor, double most_hz)
      : stream_(std::move(stream)),
        ring_(std::move(ring)),
        frames_(std::move(frames)),
        sensor_(sensor),
        most_hz_(most_hz) {
    const camera::Shot& shot = stream_.shot();
    knobs_ = {shot.exposure_ms, shot.defocus_um, shot.detune_angstrom};
    thread_ = std::jthread([this](const std::stop_token& stop) { run(stop); });
  }

  void turn(const Knobs& knobs) {
    const std::lock_guard lock(mutex_);
    knobs_ = knobs;
  }
  [[nodiscard]] Knobs knobs() const {
    const std::lock_guard lock(mutex_);
    return knobs_;
  }
  [[nodiscard]] devices::CameraState state() const {
    const double exposure_ms = knobs().exposure_ms;
    return {frames_.string(),        sensor_.width_px, sensor_.height_px,
            (1 << sensor_.bits) - 1, exposure_ms,      rate_of(sensor_, exposure_ms, most_hz_)};
  }
  [[nodiscard]] bool ended() const { return ended_; }

 private:
  using Clock = std::chrono::steady_clock;

  void run(const std::stop_token& stop) {
    const Clock::time_point began = Clock::now();
    camera::Recording recording;
    std::int64_t number = 0;
    double due_s = 0.0;
    while (!stop.stop_requested()) {
      const Knobs now = knobs();
      if (!obey(now)) {
        break;
      }
      const double step_s = 1.0 / rate_of(sensor_, now.exposure_ms, most_hz_);
      {
        std::unique_lock lock(mutex_);
        wake_.wait_until(lock, stop,
                         began + std::chrono::duration_cast<Clock::duration>(
                                     std::chrono::duration<double>(due_s)),
                         [] { return false; });
      }
      if (stop.stop_requested() || !stream_.record(due_s, recording, {stop})) {
        break;
      }
      recording.frame.info.exposure_ms = now.exposure_ms;
      ring_.leave(recording.frame, due_s, number);
      // What the machine could not draw in time is lost, as on a cable that is too slow.
      const std::chrono::duration<double> gone = Clock::now() - began;
      const double late = std::floor(std::max(0.0, gone.count() - due_s) / step_s);
      const double steps = std::max(1.0, late);
      number += static_cast<std::int64_t>(steps);
      due_s += steps * step_s;
    }
    ended_ = true;
  }

  /// Lets the picture follow the knobs. @return  false when it cannot be drawn any more
  bool obey(const Knobs& now) {
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

Result<std::unique_ptr<StandInTelescope>> StandInTelescope::open(
    TelescopeBuild build, const std::filesystem::path& frames, sky::UtcTime now) {
  const auto sensor = optics::sensor_of(build.stream.shot.rig);
  if (!sensor) {
    return base::fail(base::ErrorCode::kMissing, "rig", {}, base::wants("telescope-and-camera"));
  }
  const optics::Camera camera = sensor->camera;
  // As it stands at first, so that the first picture is not drawn twice.
  StandInFocuser focuser(build.focuser);
  focuser.advance(build.running_for_s);
  build.stream.shot.defocus_um = seen_defocus_um(build.sensor_per_focuser, focuser);
  if (build.heater) {
    StandInHeater heater(*build.heater);
    heater.advance(build.running_for_s);
    build.stream.shot.detune_angstrom = seen_detune_angstrom(heater);
  }
  auto ring =
      devices::FrameRing::make(frames, camera.width_px, camera.height_px, slots_for(camera));
  if (!ring) {
    return tl::make_unexpected(ring.error());
  }
  auto stream = camera::Stream::open(build.stream);
  if (!stream) {
    return tl::make_unexpected(stream.error());
  }
  auto plays =
      std::make_unique<Camera>(*std::move(stream), *std::move(ring), frames, camera, build.most_hz);
  return std::unique_ptr<StandInTelescope>(new StandInTelescope(build, std::move(plays), now));
}

StandInTelescope::StandInTelescope(const TelescopeBuild& build, std::unique_ptr<Camera> camera,
                                   sky::UtcTime now)
    : build_(build), focuser_(build.focuser), camera_(std::move(camera)), now_(now) {
  focuser_.advance(build.running_for_s);
  if (build.heater) {
    heater_.emplace(*build.heater);
    heater_->advance(build.running_for_s);
  }
}

StandInTelescope::~StandInTelescope() = default;

void StandInTelescope::advance(sky::UtcTime now) {
  if (now <= now_) {
    return;
  }
  const double by_s = sky::in_seconds(now - now_);
  now_ = now;
  focuser_.advance(by_s);
  const bool moving = focuser_.state().moving;
  if (std::exchange(was_moving_, moving) && !moving) {
    events_.push_back({"focuser.arrived", Json::object()});
  }
  if (heater_) {
    heater_->advance(by_s);
    const bool on_band = heater_->state().on_band;
    if (!std::exchange(was_on_band_, on_band) && on_band) {
      events_.push_back({"heater.on_band", Json::object()});
    }
  }
  show_camera();
}

void StandInTelescope::show_camera() {
  Camera::Knobs knobs = camera_->knobs();
  knobs.defocus_um = seen_defocus_um(build_.sensor_per_focuser, focuser_);
  if (heater_) {
    knobs.detune_angstrom = seen_detune_angstrom(*heater_);
  }
  camera_->turn(knobs);
}

Answer StandInTelescope::hello(const Request& request) const {
  Json can =
      Json::array({"camera.state", "camera.expose", "focuser.state", "focuser.go", "focuser.stop"});
  std::string name = "Stand-in telescope";
  if (heater_) {
    can.push_back("heater.state");
    can.push_back("heater.tune");
    if (build_.heater->quicker != 1.0) {
      name += ", its heater quicker than real ones";
    }
  }
  return {request.id, {{"protocol", devices::kProtocol}, {"name", name}, {"can", can}}, {}, {}};
}

Answer StandInTelescope::answer(const Request& request) {
  const std::string& method = request.method;
  Answer done{request.id, Json::object(), {}, {}};
  base::ObjectReader reader(request.params, "params");
  const auto bad = [&] { return Answer{request.id, {}, Fault::kBadParams, reader.error()->field}; };
  if (method == "hello") {
    return hello(request);
  }
  if (method == "camera.state") {
    if (camera_->ended()) {
      return {request.id, {}, Fault::kOfTheDevice, "ended"};
    }
    return {request.id, devices::to_json(camera_->state()), {}, {}};
  }
  if (method == "camera.expose") {
    const optics::Camera sensor = optics::sensor_of(build_.stream.shot.rig)->camera;
    const double exposure_ms =
        reader.number("exposure_ms", {sensor.shortest_exposure_ms, sensor.longest_exposure_ms});
    if (reader.error()) {
      return bad();
    }
    Camera::Knobs knobs = camera_->knobs();
    knobs.exposure_ms = exposure_ms;
    camera_->turn(knobs);
    return done;
  }
  if (method == "focuser.state") {
    return {request.id, devices::to_json(focuser_.state()), {}, {}};
  }
  if (method == "focuser.go") {
    const double position_um = reader.number("position_um", devices::kFocuserRange);
    if (reader.error()) {
      return bad();
    }
    focuser_.go(position_um);
    return done;
  }
  if (method == "focuser.stop") {
    focuser_.stop();
    return done;
  }
  if (heater_ && method == "heater.state") {
    return {request.id, devices::to_json(heater_->state()), {}, {}};
  }
  if (heater_ && method == "heater.tune") {
    const int step = reader.integer("step", devices::kHeaterStepRange);
    if (reader.error()) {
      return bad();
    }
    heater_->tune(step);
    was_on_band_ = heater_->state().on_band;
    return done;
  }
  return {request.id, {}, Fault::kNoSuchMethod, method};
}

std::vector<devices::Event> StandInTelescope::take_events() { return std::exchange(events_, {}); }

}  // namespace solarchon::standins
