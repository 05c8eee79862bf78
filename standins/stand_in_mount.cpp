// SPDX-License-Identifier: GPL-3.0-or-later
#include "standins/stand_in_mount.h"

#include <algorithm>
#include <cmath>

#include "solarchon/align/find.h"
#include "solarchon/align/mount_axis.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/json.h"
#include "solarchon/base/random.h"
#include "solarchon/sky/sun.h"

namespace solarchon::standins {

using base::kArcsecPerDeg;
using base::wrap_180;
using base::wrap_360;
using devices::Answer;
using devices::Duty;
using devices::Fault;
using devices::Tracking;

namespace {

constexpr base::Range kTurn{0.0, 360.0};
constexpr base::Range kUpright{-90.0, 90.0};
constexpr base::Range kKnobRange{-10.0, 10.0};
constexpr double kLongestStepS = 0.5;  // of the simulation
constexpr double kSeekPanDegS = 6.0;
constexpr double kCellSeesDeg = 4.0;  // to each side
constexpr double kCellHoldsDeg = 1.0 / 30.0;
constexpr double kUpperLimitDeg = 90.0;
constexpr double kLowerLimitDeg = -5.0;

/// Towards a target, at most so far.
double closer(double from, double to, double most) {
  return from + std::clamp(to - from, -most, most);
}

}  // namespace

StandInMount::StandInMount(Build build, sky::UtcTime now, std::uint32_t seed)
    : build_(std::move(build)), begun_(now), now_(now) {
  base::Random random{seed};
  // It was put down somewhere, and believes to look at the pole, or at the northern horizon.
  motor_ = to_pole() ? Axes{random.uniform(-5.0, 5.0), 90.0 - random.uniform(0.0, 5.0)}
                     : Axes{random.uniform(-20.0, 20.0), random.uniform(0.0, 5.0)};
  if (build_.observer.site.latitude_deg < 0.0 && to_pole()) {
    motor_.second = -motor_.second;
  }
}

bool StandInMount::to_pole() const {
  return build_.kind == Kind::kEquatorial || build_.kind == Kind::kTracker;
}

double StandInMount::believed_sidereal_deg() const {
  const sky::GeocentricSun sun =
      sky::geocentric_sun(now_ + sky::seconds(build_.clock_error_s), build_.observer.dut1_s);
  return sun.sidereal_time_deg + build_.observer.site.longitude_deg + build_.longitude_error_deg;
}

StandInMount::Axes StandInMount::axes_of(double right_ascension_deg, double declination_deg) const {
  const align::Circles circles{wrap_180(believed_sidereal_deg() - right_ascension_deg),
                               declination_deg};
  if (to_pole()) {
    return {circles.hour_angle_deg, circles.declination_deg};
  }
  const align::Vector direction =
      align::MountAxis({}, build_.observer.site.latitude_deg).direction_of(circles);
  return {align::azimuth_of(direction), align::altitude_of(direction)};
}

StandInMount::Axes StandInMount::believed() const {
  return {motor_.first + offset_.first, motor_.second + offset_.second};
}

StandInMount::Axes StandInMount::geared() const {
  const double elapsed_s = sky::in_seconds(now_ - begun_);
  const double worm_deg = to_pole()
                              ? build_.periodic_error_arcsec / kArcsecPerDeg *
                                    std::sin(2.0 * base::kPi * elapsed_s / build_.worm_period_s)
                              : 0.0;
  const auto stepped = [&](double angle_deg) {
    const double step_deg = build_.step_arcsec / kArcsecPerDeg;
    return step_deg > 0.0 ? step_deg * std::round(angle_deg / step_deg) : angle_deg;
  };
  return {stepped(motor_.first - lag_.first) - worm_deg, stepped(motor_.second - lag_.second)};
}

devices::TrueLook StandInMount::truth() const {
  const Axes at = geared();
  if (!to_pole()) {
    // Past the zenith it looks at the other side.
    const align::Vector direction = align::direction_to(at.first, at.second);
    return {align::azimuth_of(direction), align::altitude_of(direction)};
  }
  const align::Vector direction =
      align::MountAxis(build_.pole_error, build_.observer.site.latitude_deg)
          .direction_of({at.first, at.second});
  return {align::azimuth_of(direction), align::altitude_of(direction)};
}

devices::MountState StandInMount::state() const {
  const Axes at = believed();
  const align::MountAxis sky_axis({}, build_.observer.site.latitude_deg);
  devices::MountState state;
  state.time = now_ + sky::seconds(build_.clock_error_s);
  const align::Vector direction = to_pole() ? sky_axis.direction_of({at.first, at.second})
                                            : align::direction_to(at.first, at.second);
  const align::Circles circles = sky_axis.circles_of(direction);
  state.right_ascension_deg = wrap_360(believed_sidereal_deg() - circles.hour_angle_deg);
  state.declination_deg = circles.declination_deg;
  state.azimuth_deg = align::azimuth_of(direction);
  state.altitude_deg = align::altitude_of(direction);
  state.tracking = tracking_;
  state.duty = duty_;
  state.synchronised = synchronised_;
  return state;
}

bool StandInMount::allowed(const Axes& believed_axes) const {
  return to_pole()
             ? std::abs(wrap_180(believed_axes.first)) <= build_.hour_angle_limit_deg
             : believed_axes.second >= kLowerLimitDeg && believed_axes.second <= kUpperLimitDeg;
}

void StandInMount::turn(double first_deg, double second_deg) {
  const double half_deg = 0.5 * build_.backlash_arcsec / kArcsecPerDeg;
  const auto drag = [&](double& motor, double& lag, double by_deg) {
    motor += by_deg;
    lag = std::clamp(lag + by_deg, -half_deg, half_deg);  // gears take up their play first
  };
  drag(motor_.first, lag_.first, first_deg);
  drag(motor_.second, lag_.second, second_deg);
}

void StandInMount::hold(const char* by) {
  tracking_ = Tracking::kOff;
  rate_ = {};
  duty_ = Duty::kHeld;
  events_.push_back({"mount.held", base::Json{{"by", by}}});
}

void StandInMount::follow(double seconds) {
  if (tracking_ == Tracking::kOff) {
    return;
  }
  if (to_pole()) {
    const align::Rate rate =
        tracking_ == Tracking::kSun ? align::Rate::kSolar : align::Rate::kSidereal;
    turn(align::rate_arcsec_s(rate) * seconds / kArcsecPerDeg, 0.0);
    return;
  }
  // Over the horizon both axes follow a place; the Sun's runs along the stars.
  if (tracking_ == Tracking::kSun) {
    const sky::GeocentricSun sun = sky::geocentric_sun(now_, build_.observer.dut1_s);
    target_right_ascension_deg_ += sun.right_ascension_rate_arcsec_s * seconds / kArcsecPerDeg;
    target_declination_deg_ += sun.declination_rate_arcsec_s * seconds / kArcsecPerDeg;
  }
  const Axes wanted = axes_of(target_right_ascension_deg_, target_declination_deg_);
  const Axes at = believed();
  turn(wrap_180(wanted.first - at.first), wanted.second - at.second);
}

void StandInMount::seek(double seconds) {
  const sky::GeocentricSun sun = sky::geocentric_sun(now_, build_.observer.dut1_s);
  const sky::LocalSun local = sky::local_sun(sun, build_.observer.site, build_.observer.weather);
  const devices::TrueLook look = truth();
  const double along = wrap_180(local.azimuth_deg - look.azimuth_deg);
  const double up = local.altitude_deg - look.altitude_deg;
  const bool seen =
      local.altitude_deg > 0.0 && std::abs(along) < kCellSeesDeg && std::abs(up) < kCellSeesDeg;
  const double most = kSeekPanDegS * seconds;
  if (!seen) {
    const double set_deg = align::seeker_of(build_.observer, now_).altitude_deg;
    turn(most, closer(look.altitude_deg, set_deg, most) - look.altitude_deg);
    return;
  }
  turn(closer(0.0, along, most), closer(0.0, up, most));
  if (std::abs(along) < kCellHoldsDeg && std::abs(up) < kCellHoldsDeg && duty_ == Duty::kGoing) {
    duty_ = Duty::kStanding;
    tracking_ = Tracking::kSun;
    events_.push_back({"mount.arrived", base::Json::object()});
  }
}

void StandInMount::advance(sky::UtcTime now) {
  while (now_ < now) {
    double seconds = std::min(kLongestStepS, sky::in_seconds(now - now_));
    if (duty_ == Duty::kMoving && moves_until_ > now_) {
      seconds = std::min(seconds, sky::in_seconds(moves_until_ - now_));
    }
    now_ = now_ + sky::seconds(seconds);
    if (build_.cable_after_s && !cable_told_ &&
        sky::in_seconds(now_ - begun_) >= *build_.cable_after_s) {
      cable_told_ = true;
      hold("cable");
    }
    const double most = build_.slew_deg_s * seconds;
    switch (duty_) {
      case Duty::kParked:
      case Duty::kHeld:
        break;
      case Duty::kMoving:
        follow(seconds);
        turn(rate_.first * seconds, rate_.second * seconds);
        follow_from_here();
        if (now_ >= moves_until_) {
          let_go();
        }
        break;
      case Duty::kGoing: {
        if (build_.kind == Kind::kSeeker) {
          seek(seconds);
          break;
        }
        const Axes wanted = axes_of(target_right_ascension_deg_, target_declination_deg_);
        const Axes at = believed();
        const double first =
            to_pole() ? wanted.first - at.first : wrap_180(wanted.first - at.first);
        const double second = wanted.second - at.second;
        turn(std::clamp(first, -most, most), std::clamp(second, -most, most));
        if (std::abs(first) <= most && std::abs(second) <= most) {
          duty_ = Duty::kStanding;
          if (tracking_ == Tracking::kOff) {
            tracking_ = Tracking::kSidereal;
          }
          events_.push_back({"mount.arrived", base::Json::object()});
        }
        break;
      }
      case Duty::kStanding:
        if (build_.kind == Kind::kSeeker && tracking_ == Tracking::kSun) {
          seek(seconds);
        } else {
          follow(seconds);
        }
    }
    if (duty_ != Duty::kHeld && duty_ != Duty::kParked && !allowed(believed())) {
      // It goes back to where it may stand.
      Axes at = believed();
      if (to_pole()) {
        at.first = std::clamp(at.first, -build_.hour_angle_limit_deg, build_.hour_angle_limit_deg);
      } else {
        at.second = std::clamp(at.second, kLowerLimitDeg, kUpperLimitDeg);
      }
      motor_ = {at.first - offset_.first, at.second - offset_.second};
      hold("limit");
    }
  }
}

Answer StandInMount::refuse(const devices::Request& request, const char* reason) const {
  return {request.id, {}, Fault::kOfTheDevice, reason};
}

Answer StandInMount::set_target(const devices::Request& request, bool synchronise) {
  base::ObjectReader reader(request.params.get(), "params");
  const double right_ascension_deg = reader.number("right_ascension_deg", kTurn);
  const double declination_deg = reader.number("declination_deg", kUpright);
  if (reader.error()) {
    return {request.id, {}, Fault::kBadParams, reader.error()->field};
  }
  const Axes wanted = axes_of(right_ascension_deg, declination_deg);
  if (synchronise) {
    offset_ = {to_pole() ? wanted.first - motor_.first : wrap_180(wanted.first - motor_.first),
               wanted.second - motor_.second};
    synchronised_ = true;
  } else {
    if (build_.kind == Kind::kTracker || build_.kind == Kind::kSeeker) {
      return refuse(request, "goes-nowhere");
    }
    if (!allowed(wanted)) {
      return refuse(request, "limit");
    }
    duty_ = Duty::kGoing;
  }
  target_right_ascension_deg_ = right_ascension_deg;
  target_declination_deg_ = declination_deg;
  return {request.id, base::Json::object(), {}, {}};
}

Answer StandInMount::set_tracking(const devices::Request& request) {
  base::ObjectReader reader(request.params.get(), "params");
  const Tracking wanted = reader.choice("rate", devices::kTrackingWords);
  if (reader.error()) {
    return {request.id, {}, Fault::kBadParams, reader.error()->field};
  }
  if (!to_pole() && tracking_ == Tracking::kOff) {
    follow_from_here();
  }
  tracking_ = wanted;
  return {request.id, base::Json::object(), {}, {}};
}

Answer StandInMount::set_moving(const devices::Request& request) {
  base::ObjectReader reader(request.params.get(), "params");
  const Axes wanted{reader.number("first_deg_s", devices::kMoveRange),
                    reader.number("second_deg_s", devices::kMoveRange)};
  if (reader.error()) {
    return {request.id, {}, Fault::kBadParams, reader.error()->field};
  }
  rate_ = wanted;
  if (rate_.first != 0.0 || rate_.second != 0.0) {
    if (duty_ != Duty::kMoving) {
      follow_from_here();
    }
    duty_ = Duty::kMoving;
    moves_until_ = now_ + devices::kMoveHeld;
  } else {
    let_go();
  }
  return {request.id, base::Json::object(), {}, {}};
}

void StandInMount::follow_from_here() {
  const devices::MountState at = state();
  target_right_ascension_deg_ = at.right_ascension_deg;
  target_declination_deg_ = at.declination_deg;
}

void StandInMount::let_go() {
  rate_ = {};
  duty_ = Duty::kStanding;
}

Answer StandInMount::turn_knobs(const devices::Request& request) {
  if (!to_pole()) {
    return refuse(request, "no-knobs");
  }
  base::ObjectReader reader(request.params.get(), "params");
  const align::PoleError by{reader.number("altitude_deg", kKnobRange),
                            reader.number("azimuth_deg", kKnobRange)};
  if (reader.error()) {
    return {request.id, {}, Fault::kBadParams, reader.error()->field};
  }
  build_.pole_error.altitude_deg += by.altitude_deg;
  build_.pole_error.azimuth_deg += by.azimuth_deg;
  return {request.id, base::Json::object(), {}, {}};
}

Answer StandInMount::answer(const devices::Request& request) {
  const std::string& method = request.method;
  Answer done{request.id, base::Json::object(), {}, {}};
  if (method == "hello") {
    base::Json can =
        base::Json::array({"mount.state", "mount.synchronise", "mount.track", "mount.move",
                           "mount.park", "mount.unpark", "mount.stop", "camera.look"});
    if (to_pole()) {
      can.push_back("hand.knobs");
    }
    if (build_.kind == Kind::kSeeker) {
      can.push_back("mount.seek");
    } else if (build_.kind != Kind::kTracker) {
      can.push_back("mount.go");
    }
    return {
        request.id,
        base::Json{{"protocol", devices::kProtocol},
                   {"name", "Stand-in mount, " + std::string(kKindWords.of(build_.kind))},
                   {"axes", devices::kMountAxesWords.of(to_pole() ? devices::MountAxes::kPole
                                                                  : devices::MountAxes::kZenith)},
                   {"simulated", true},
                   {"can", can}},
        {},
        {}};
  }
  if (method == "mount.state") {
    return {request.id, devices::to_json(state()), {}, {}};
  }
  if (method == "camera.look") {
    return {request.id, devices::to_json(truth()), {}, {}};
  }
  if (method == "hand.knobs") {
    return turn_knobs(request);
  }
  if (method == "mount.stop") {
    rate_ = {};
    tracking_ = Tracking::kOff;
    duty_ = duty_ == Duty::kParked ? Duty::kParked : Duty::kStanding;
    return done;
  }
  if (method == "mount.park") {
    rate_ = {};
    tracking_ = Tracking::kOff;
    duty_ = Duty::kParked;
    return done;
  }
  if (method == "mount.unpark") {
    duty_ = Duty::kStanding;
    return done;
  }
  const bool known = method == "mount.go" || method == "mount.synchronise" ||
                     method == "mount.track" || method == "mount.move" || method == "mount.seek";
  if (!known) {
    return {request.id, {}, Fault::kNoSuchMethod, method};
  }
  if (duty_ == Duty::kParked) {
    return refuse(request, "parked");
  }
  if (duty_ == Duty::kGoing && method == "mount.synchronise") {
    return refuse(request, "going");
  }
  if (duty_ == Duty::kHeld && method != "mount.synchronise") {
    return refuse(request, "held");
  }
  if (method == "mount.seek") {
    if (build_.kind != Kind::kSeeker) {
      return refuse(request, "no-cell");
    }
    duty_ = Duty::kGoing;
    return done;
  }
  return method == "mount.track"  ? set_tracking(request)
         : method == "mount.move" ? set_moving(request)
                                  : set_target(request, method == "mount.synchronise");
}

std::vector<devices::Event> StandInMount::take_events() { return std::exchange(events_, {}); }

}  // namespace solarchon::standins
