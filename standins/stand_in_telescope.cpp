// SPDX-License-Identifier: GPL-3.0-or-later
#include "standins/stand_in_telescope.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include "solarchon/base/json.h"
#include "solarchon/devices/frame_ring.h"
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
  build.stream.steered = true;
  if (build.mount) {  // that alone lets the picture go
    build.stream.way.clear();
    build.stream.shot.pointing_spread_px = 0.0;
  }
  auto stream = camera::Stream::open(build.stream);
  if (!stream) {
    return tl::make_unexpected(stream.error());
  }
  auto plays = std::make_unique<StandInCamera>(*std::move(stream), *std::move(ring), frames, camera,
                                               build.most_hz);
  return std::unique_ptr<StandInTelescope>(new StandInTelescope(build, std::move(plays), now));
}

StandInTelescope::StandInTelescope(const TelescopeBuild& build,
                                   std::unique_ptr<StandInCamera> camera, sky::UtcTime now)
    : build_(build),
      focuser_(build.focuser),
      guider_(build.guider),
      camera_(std::move(camera)),
      now_(now) {
  if (build.mount) {
    mount_ = std::make_unique<MountWatch>(build.mount->socket, build.mount->observer);
  }
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
  guider_.advance(by_s);
  const bool guiding = guider_.state().moving;
  if (std::exchange(was_guiding_, guiding) && !guiding) {
    events_.push_back({"guide.arrived", Json::object()});
  }
  show_camera();
}

void StandInTelescope::show_camera() {
  StandInCamera::Knobs knobs = camera_->knobs();
  knobs.defocus_um = seen_defocus_um(build_.sensor_per_focuser, focuser_);
  if (heater_) {
    knobs.detune_angstrom = seen_detune_angstrom(*heater_);
  }
  // What the telescope goes past, the picture goes the other way.
  const sky::DiscPlace looks = guider_.looks();
  knobs.steered_arcsec =
      sky::to_picture({-looks.west_arcsec, -looks.north_arcsec}, build_.celestial);
  const sky::PictureOffset off = put_off();
  knobs.steered_arcsec.right += off.right;
  knobs.steered_arcsec.up += off.up;
  camera_->turn(knobs);
}

sky::PictureOffset StandInTelescope::put_off() const {
  if (!mount_) {
    return {};
  }
  // Until the mount has said where it looks, nothing is seen. Beyond the Sun's edge and the field
  // all of the sky is alike, and need not be drawn anew.
  constexpr double kFar_arcsec = 20'000.0;
  const auto off = mount_->off_sun();
  const bool far = !off || std::hypot(off->west_arcsec, off->north_arcsec) > kFar_arcsec;
  const sky::PictureOffset sun =
      far ? sky::PictureOffset{kFar_arcsec, 0.0}
          : sky::to_picture({-off->west_arcsec, -off->north_arcsec}, build_.celestial);
  return {sun.right + build_.mount->aims.right, sun.up + build_.mount->aims.up};
}

Answer StandInTelescope::hello(const Request& request) const {
  Json can = Json::array({"camera.state", "camera.expose", "camera.region", "focuser.state",
                          "focuser.go", "focuser.stop", "guide.state", "guide.nudge"});
  std::string name = "Stand-in telescope";
  if (heater_) {
    can.push_back("heater.state");
    can.push_back("heater.tune");
    if (build_.heater->quicker != 1.0) {
      name += ", its heater quicker than real ones";
    }
  }
  return {request.id,
          Json{{"protocol", devices::kProtocol}, {"name", name}, {"simulated", true}, {"can", can}},
          {},
          {}};
}

Answer StandInTelescope::answer(const Request& request) {
  const std::string& method = request.method;
  Answer done{request.id, Json::object(), {}, {}};
  base::ObjectReader reader(request.params.get(), "params");
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
    StandInCamera::Knobs knobs = camera_->knobs();
    knobs.exposure_ms = exposure_ms;
    camera_->turn(knobs);
    return done;
  }
  if (method == "camera.region") {
    const auto region = devices::region_from_json(request.params.get(), "params");
    if (!region) {
      return {request.id, {}, Fault::kBadParams, region.error().field};
    }
    StandInCamera::Knobs knobs = camera_->knobs();
    knobs.region = camera_->nearest(*region);
    camera_->turn(knobs);
    return done;
  }
  if (method == "guide.state") {
    return {request.id, devices::to_json(guider_.state()), {}, {}};
  }
  if (method == "guide.nudge") {
    const double west_arcsec = reader.number("west_arcsec", devices::kNudgeRange);
    const double north_arcsec = reader.number("north_arcsec", devices::kNudgeRange);
    if (reader.error()) {
      return bad();
    }
    guider_.nudge(west_arcsec, north_arcsec);
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
