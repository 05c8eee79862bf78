// SPDX-License-Identifier: GPL-3.0-or-later
#include "standins/stand_in_heater.h"

#include <algorithm>
#include <cmath>

namespace solarchon::standins {

namespace {

constexpr double kAngstromPerK = 0.08;
constexpr double kMiddle_c = 55.0;     // of the etalon at step 0
constexpr double kOnBandShare = 0.25;  // of its width

}  // namespace

StandInHeater::StandInHeater(const HeaterBuild& build) : build_(build), etalon_c_(build.starts_c) {
  tune(build.starts_at);
}

double StandInHeater::target_c() const {
  return kMiddle_c + step_ * build_.step_angstrom / kAngstromPerK;
}

double StandInHeater::still_k() const {
  constexpr double kOfAStep = 0.1;
  return kOfAStep * build_.step_angstrom / kAngstromPerK;
}

void StandInHeater::advance(double by_s) {
  const double missing = target_c() - etalon_c_;
  const double slow_s = (missing > 0.0 ? build_.heats_s : build_.cools_s) / build_.quicker;
  etalon_c_ += missing * -std::expm1(-by_s / slow_s);
}

void StandInHeater::tune(int step) { step_ = std::clamp(step, -build_.steps, build_.steps); }

devices::HeaterState StandInHeater::state() const {
  devices::HeaterState state;
  state.step = step_;
  state.steps = build_.steps;
  state.step_angstrom = build_.step_angstrom;
  state.temperature_c = etalon_c_;
  const double missing = target_c() - etalon_c_;
  state.on_band = std::abs(missing) <= kOnBandShare * build_.bandwidth_angstrom / kAngstromPerK;
  const double slow_s = (missing > 0.0 ? build_.heats_s : build_.cools_s) / build_.quicker;
  state.wait_s = std::max(0.0, slow_s * std::log(std::abs(missing) / still_k()));
  return state;
}

double StandInHeater::detuned_angstrom() const {
  return build_.off_angstrom + (etalon_c_ - kMiddle_c) * kAngstromPerK;
}

}  // namespace solarchon::standins
