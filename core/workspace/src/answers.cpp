// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/answers.h"

namespace solarchon::workspace {

namespace {

std::optional<Limits> limits_of(const optics::Train& train, double seeing_arcsec) {
  if (!train.sampling_arcsec_px) {
    return std::nullopt;
  }
  Limits limits{*train.diffraction_cutoff_arcsec, 2.0 * *train.sampling_arcsec_px, seeing_arcsec,
                Limit::kAir};
  double largest = seeing_arcsec;
  if (limits.diffraction_arcsec > largest) {
    largest = limits.diffraction_arcsec;
    limits.ruling = Limit::kDiffraction;
  }
  if (limits.sampling_arcsec > largest) {
    limits.ruling = Limit::kSampling;
  }
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

Answers answer(const Workspace& workspace, sky::UtcTime time, const sky::GeocentricSun& sun) {
  const Conditions& conditions = workspace.conditions;
  Answers answers;
  answers.time = time;
  answers.sun = sun;
  answers.local = sky::local_sun(sun, workspace.site, observer_of(workspace).weather);
  answers.disc = sky::disc_view(time);
  const advise::Situation situation =
      situation_of(workspace, time, sun.semidiameter_arcsec(), answers.local.airmass);
  answers.train =
      optics::follow_light(workspace.rig, situation.semidiameter_arcsec, situation.pressure_hpa);
  answers.safety =
      safety::assess(workspace.rig, answers.train, situation.practice, situation.today);
  answers.misfits = advise::misfits_of(workspace.rig, answers.train, situation);
  if (answers.local.airmass) {
    answers.exposure = light::disc_exposure(workspace.rig, answers.train, situation.light);
  }
  answers.limits = limits_of(answers.train, conditions.seeing_arcsec);
  answers.celestial = optics::picture_orientation(workspace.rig, answers.train);
  answers.solar = sky::solar_orientation(answers.celestial, answers.disc.p_deg);
  return answers;
}

}  // namespace solarchon::workspace
