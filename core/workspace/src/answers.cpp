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

Answers answer(const Workspace& workspace, sky::UtcTime time, const sky::GeocentricSun& sun) {
  const Conditions& conditions = workspace.conditions;
  Answers answers;
  answers.time = time;
  answers.sun = sun;
  answers.local = sky::local_sun(sun, workspace.site, conditions.air);
  answers.disc = sky::disc_view(time);
  answers.train = optics::follow_light(workspace.rig, sun.semidiameter_arcsec());
  answers.safety = safety::assess(workspace.rig, answers.train);
  if (answers.local.airmass) {
    answers.exposure = light::disc_exposure(
        workspace.rig, answers.train,
        {*answers.local.airmass, workspace.site.elevation_m, conditions.target_level});
  }
  answers.limits = limits_of(answers.train, conditions.seeing_arcsec);
  answers.celestial = optics::picture_orientation(workspace.rig, answers.train);
  answers.solar = sky::solar_orientation(answers.celestial, answers.disc.p_deg);
  return answers;
}

}  // namespace solarchon::workspace
