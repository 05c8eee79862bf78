// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/answers.h"

#include <algorithm>
#include <array>
#include <chrono>
#include <cmath>
#include <utility>

#include "solarchon/base/angle.h"

namespace solarchon::workspace {

namespace {

std::optional<Limits> limits_of(const optics::Train& train, double seeing_arcsec,
                                double motion_arcsec) {
  if (!train.sampling_arcsec_px) {
    return std::nullopt;
  }
  Limits limits{*train.diffraction_cutoff_arcsec, 2.0 * *train.sampling_arcsec_px, seeing_arcsec,
                motion_arcsec, Limit::kAir};
  const std::array<std::pair<double, Limit>, 4> lengths{
      {{limits.air_arcsec, Limit::kAir},
       {limits.diffraction_arcsec, Limit::kDiffraction},
       {limits.sampling_arcsec, Limit::kSampling},
       {limits.motion_arcsec, Limit::kMotion}}};
  limits.ruling =
      std::max_element(lengths.begin(), lengths.end(), [](const auto& a, const auto& b) {
        return a.first < b.first;
      })->second;
  return limits;
}

}  // namespace

advise::Situation situation_of(const Workspace& workspace, sky::UtcTime time,
                               double semidiameter_arcsec, std::optional<double> airmass) {
  advise::Situation situation;
  situation.semidiameter_arcsec = semidiameter_arcsec;
  situation.pressure_hpa = observer_of(workspace).weather.pressure_hpa;
  situation.seeing_arcsec = workspace.conditions.seeing_arcsec;
  situation.whole_disc = workspace.target == Target::kWholeDisc;
  // With the Sun down the light path is still judged, as for a middling height.
  constexpr double kUsualAirmass = 1.5;
  situation.light = {airmass.value_or(kUsualAirmass), workspace.site.elevation_m,
                     workspace.conditions.target_level};
  situation.practice = workspace.practice;
  situation.today = time;
  return situation;
}

double wander_arcsec_s(const Workspace& workspace, double declination_deg) {
  const Outside& outside = workspace.outside;
  const double behind =
      std::abs(align::rate_arcsec_s(outside.rate) - align::rate_arcsec_s(align::Rate::kSolar)) *
      std::cos(declination_deg * base::kRadPerDeg);
  const double worm = 2.0 * base::kPi * outside.periodic_error_arcsec / outside.worm_period_s;
  return behind + worm;
}

align::PoleFit axis_of(const Workspace& workspace) {
  const auto fit = align::fit_pole(workspace.outside.runs, workspace.site.latitude_deg,
                                   workspace.outside.rate, observer_of(workspace).weather);
  if (!fit) {  // cannot be: a site's latitude is in range
    align::PoleFit none;
    none.doubt = align::Doubt::kTooFew;
    return none;
  }
  return *fit;
}

std::optional<sky::Window> turning_about(const Workspace& workspace, sky::UtcTime time,
                                         const sky::LocalSun& local) {
  if (workspace.mount.kind != plan::MountKind::kEquatorialTurns) {
    return std::nullopt;
  }
  constexpr double kSecondsPerDegree = 240.0;
  const auto over = [&](double degrees) { return sky::seconds(degrees * kSecondsPerDegree); };
  const sky::UtcTime meridian = time - over(local.hour_angle_deg);
  const sky::Duration reach = over(workspace.mount.past_meridian_deg);
  const plan::MeridianTurn turn{meridian - reach, meridian, meridian + reach};
  std::vector<sky::Window> runs;
  for (const plan::Run& run : workspace.wishes.runs) {
    runs.push_back(plan::window_of(run));
  }
  std::sort(runs.begin(), runs.end(),
            [](const sky::Window& a, const sky::Window& b) { return a.start < b.start; });
  return plan::turning_of_day(turn, runs);
}

sky::PictureOrientation celestial_orientation(const optics::Rig& rig, const optics::Train& train,
                                              double tube_up_deg) {
  // Celestial north lies as far from the tube's up as that from north, the other way.
  return sky::solar_orientation(optics::picture_orientation(rig, train), -tube_up_deg);
}

namespace {

double tube_up_of(const Workspace& workspace, sky::UtcTime time, const sky::LocalSun& local) {
  const auto turning = turning_about(workspace, time, local);
  // Where the runs leave no time for it, it is made as late as the mount allows.
  const bool turned =
      turning ? time >= turning->start : local.hour_angle_deg >= workspace.mount.past_meridian_deg;
  return plan::tube_up_deg(workspace.mount.kind, turned, local.parallactic_angle_deg);
}

}  // namespace

std::function<sky::PictureOrientation(sky::UtcTime)> solar_orientation_of(
    const Workspace& workspace, const Answers& answers) {
  // Asked for at every frame: what moves is worked out once a second.
  struct Last {
    std::optional<sky::SunEphemeris> ephemeris;
    std::optional<sky::UtcTime> time;
    sky::PictureOrientation solar;
  };
  return [workspace, rig = workspace.rig, train = answers.train,
          last = Last{}](sky::UtcTime time) mutable {
    if (last.time && std::chrono::abs(time - *last.time) < sky::seconds(1.0)) {
      return last.solar;
    }
    const sky::Observer observer = observer_of(workspace);
    if (!last.ephemeris || !last.ephemeris->covers(time)) {
      last.ephemeris.emplace(time, observer.dut1_s);
    }
    const sky::LocalSun local =
        sky::local_sun(last.ephemeris->at(time), workspace.site, observer.weather);
    last.time = time;
    last.solar = sky::solar_orientation(
        celestial_orientation(rig, train, tube_up_of(workspace, time, local)),
        sky::disc_view(time).p_deg);
    return last.solar;
  };
}

Answers answer(const Workspace& workspace, sky::UtcTime time, const sky::GeocentricSun& sun,
               double correction_stops) {
  const Conditions& conditions = workspace.conditions;
  Answers answers;
  answers.time = time;
  answers.sun = sun;
  answers.local = sky::local_sun(sun, workspace.site, observer_of(workspace).weather);
  answers.disc = sky::disc_view(time);
  answers.moon = sky::moon_before_sun(time, sun, observer_of(workspace));
  advise::Situation situation =
      situation_of(workspace, time, sun.semidiameter_arcsec(), answers.local.airmass);
  situation.light.correction_stops = correction_stops;
  answers.train =
      optics::follow_light(workspace.rig, situation.semidiameter_arcsec, situation.pressure_hpa);
  answers.safety =
      safety::assess(workspace.rig, answers.train, situation.practice, situation.today);
  answers.misfits = advise::misfits_of(workspace.rig, answers.train, situation);
  if (answers.local.airmass) {
    answers.exposure = light::disc_exposure(workspace.rig, answers.train, situation.light);
  }
  const double exposure_s = answers.exposure ? answers.exposure->exposure_ms / 1000.0 : 0.0;
  answers.limits = limits_of(answers.train, conditions.seeing_arcsec,
                             exposure_s * wander_arcsec_s(workspace, sun.declination_deg));
  answers.tube_up_deg = tube_up_of(workspace, time, answers.local);
  answers.celestial = celestial_orientation(workspace.rig, answers.train, answers.tube_up_deg);
  answers.solar = sky::solar_orientation(answers.celestial, answers.disc.p_deg);
  return answers;
}

Answers answer(const Workspace& workspace, sky::UtcTime time) {
  return answer(workspace, time, sky::geocentric_sun(time, observer_of(workspace).dut1_s));
}

}  // namespace solarchon::workspace
