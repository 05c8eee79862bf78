// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>

#include "solarchon/advise/advise.h"
#include "solarchon/safety/handling.h"

namespace solarchon::advise {

namespace {

using optics::Joint;
using optics::JointState;
using optics::Rig;
using optics::Train;

/// A figure of a misfit.
KeyFigure key(std::string_view id, double value, base::Unit unit) { return {id, {value, unit}}; }

void add_sampling(const Train& train, double seeing_arcsec, std::size_t sensor,
                  std::vector<Misfit>& misfits) {
  const double detail_arcsec = std::hypot(*train.diffraction_cutoff_arcsec, seeing_arcsec);
  const double pixels = detail_arcsec / *train.sampling_arcsec_px;
  const KeyFigure figure = key("pixels-per-detail", pixels, base::Unit::kPixel);
  if (pixels < kGoodSampling.low) {
    misfits.push_back({"undersampled", sensor, figure});
  } else if (pixels > kGoodSampling.high) {
    misfits.push_back({"oversampled", sensor, figure});
  }
}

/// No light makes an image: a mask before the secondary alone, or filters of which each holds back
/// what the other passes.
bool nothing_passes(const Train& train) {
  constexpr double kAllDark = 0.95;
  const optics::Band& band = train.band;
  const bool apart = band.width_nm && (band.wavelength_nm + 0.5 * *band.width_nm < band.from_nm ||
                                       band.wavelength_nm - 0.5 * *band.width_nm > band.to_nm);
  return train.obstruction >= kAllDark || apart;
}

/// How dim the image is in an eye, against plain sunlight (density): a pupil that the light does
/// not fill dims it further.
double density_in_an_eye(const Train& train) {
  const double filled = std::min(1.0, train.look->exit_pupil_mm / optics::kDaylightPupilMm);
  const double light =
      train.luminous_share * filled * filled * (1.0 - train.obstruction * train.obstruction);
  return light > 0.0 ? -std::log10(light) : HUGE_VAL;
}

/// Light on the disc that is projected (lux).
double lux_on_screen(const Train& train) {
  constexpr double kSunlightLux = 100'000.0;
  const double disc_mm = 2.0 * train.passages.back().limb_offset_mm;
  return disc_mm > 0.0
             ? kSunlightLux * train.luminous_share * std::pow(train.aperture_mm / disc_mm, 2)
             : 0.0;
}

void add_dimness(const Rig& rig, const Train& train, std::vector<Misfit>& misfits) {
  const auto end = optics::end_of_light(rig);
  if (!train.look || train.passages.empty() || train.passages.back().element != end) {
    return;
  }
  if (optics::receiver_of(rig) == optics::Receiver::kEye) {
    const double density = density_in_an_eye(train);
    if (nothing_passes(train) || density > kDimmestEyeDensity) {
      misfits.push_back({"too-dim-to-see", end});
    }
  } else if (optics::receiver_of(rig) == optics::Receiver::kScreen &&
             (nothing_passes(train) || lux_on_screen(train) < kDimmestScreenLux)) {
    misfits.push_back({"too-dim-to-see", end});
  }
}

void add_exposure(const Rig& rig, const Train& train, const Situation& situation,
                  std::size_t sensor, std::vector<Misfit>& misfits) {
  const auto exposure = light::disc_exposure(rig, train, situation.light);
  if (!exposure || nothing_passes(train)) {
    misfits.push_back({"too-dim-to-expose", sensor});
    return;
  }
  const KeyFigure figure = key("exposure", exposure->wanted_ms, base::Unit::kMillisecond);
  if (exposure->limit == light::ShutterLimit::kTooBright) {
    misfits.push_back({"too-bright", sensor, figure});
  } else if (exposure->wanted_ms > kLongestUsefulMs) {
    misfits.push_back({"too-dim-to-expose", sensor, figure});
  } else if (exposure->wanted_ms > kLongestSharpMs) {
    misfits.push_back({"dim", sensor, figure});
  }
}

void add_fringes(const Train& train, std::size_t sensor, std::vector<Misfit>& misfits) {
  if (!train.fringes || (train.fringes->hidden && train.fringes->sharp)) {
    return;
  }
  const optics::Fringes& fringes = *train.fringes;
  std::string_view cause = fringes.hidden ? "corners" : "bands";
  if (fringes.at_odds()) {
    cause = fringes.hidden ? "corners-at-odds" : "bands-at-odds";
  }
  misfits.push_back(
      {"fringes", sensor, key("tilt-wanted", fringes.least_tilt_deg, base::Unit::kDegree), cause});
}

void add_sensor(const Rig& rig, const Train& train, const Situation& situation,
                std::vector<Misfit>& misfits) {
  const auto sensor = optics::sensor_of(rig);
  if (!sensor || !train.sampling_arcsec_px) {
    return;
  }
  const optics::Camera& camera = sensor->camera;
  if (situation.whole_disc && !*train.disc_fits) {
    const double side_mm = camera.pixel_um * 1e-3 * std::min(camera.width_px, camera.height_px);
    const double image_mm = *train.sampling_arcsec_px > 0.0
                                ? 2.0 * situation.semidiameter_arcsec / *train.sampling_arcsec_px *
                                      camera.pixel_um * 1e-3
                                : 0.0;
    misfits.push_back({"disc-cut", sensor->element,
                       key("sensor-over-image", side_mm / image_mm, base::Unit::kTimes)});
  }
  add_sampling(train, situation.seeing_arcsec, sensor->element, misfits);
  if (train.band.line && camera.colour) {
    misfits.push_back({"colour-in-line", sensor->element});
  }
  add_fringes(train, sensor->element, misfits);
  add_exposure(rig, train, situation, sensor->element, misfits);
}

void add_looking(const Rig& rig, const Train& train, const Situation& situation,
                 std::vector<Misfit>& misfits) {
  if (!train.look) {
    return;
  }
  const auto sensor = optics::sensor_of(rig);
  const bool eye = optics::receiver_of(rig) == optics::Receiver::kEye;
  // A phone or compact camera has a pupil of its own, as an eye has.
  if (!eye && !(sensor && sensor->eyepiece_lens_mm)) {
    return;
  }
  const auto eyepiece = optics::find_fitted<optics::Eyepiece>(rig);
  if (train.look->secondary_shadow_mm > kSeenShadowMm) {
    misfits.push_back(
        {"obstruction-shadow", eyepiece,
         key("shadow-in-exit-pupil", train.look->secondary_shadow_mm, base::Unit::kMillimetre)});
  }
  if (eye && situation.whole_disc && !train.look->whole_disc_seen) {
    misfits.push_back({"field-cut", eyepiece,
                       key("true-field", train.look->true_field_deg, base::Unit::kDegree)});
  }
}

void add_joints(const Train& train, std::vector<Misfit>& misfits) {
  for (const Joint& joint : train.joints) {
    if (joint.state == JointState::kNeedsAdapter) {
      misfits.push_back({"joint", joint.after});
    }
  }
}

void add_focus(const Rig& rig, const Train& train, std::vector<Misfit>& misfits) {
  if (!train.focus || train.focus->reached()) {
    return;
  }
  misfits.push_back(
      {"focus", optics::find_fitted<optics::Telescope>(rig),
       key("focus-spare", std::min(train.focus->inward_spare_mm, train.focus->outward_spare_mm),
           base::Unit::kMillimetre),
       train.focus->inward_spare_mm < 0.0 ? "too-long" : "too-short"});
}

void add_vignetting(const Train& train, const Situation& situation, std::vector<Misfit>& misfits) {
  if (train.vignetting && situation.whole_disc && train.vignetting->limb_share < kLeastLimbShare) {
    misfits.push_back(
        {"vignetting", train.vignetting->element,
         key("limb-light", 100.0 * train.vignetting->limb_share, base::Unit::kPercent)});
  }
}

void add_spacing(const Train& train, std::vector<Misfit>& misfits) {
  if (train.impossible_spacing) {
    misfits.push_back({"impossible-spacing", train.impossible_spacing});
  }
}

/// Places of the fitted parts of a kind.
template <typename Kind>
std::vector<std::size_t> fitted(const Rig& rig) {
  std::vector<std::size_t> places;
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    if (rig.elements[i].fitted && std::holds_alternative<Kind>(rig.elements[i].part)) {
      places.push_back(i);
    }
  }
  return places;
}

void add_line(const Rig& rig, const Train& train, std::vector<Misfit>& misfits) {
  for (const std::size_t place : fitted<optics::RearEtalon>(rig)) {
    const auto& etalon = std::get<optics::RearEtalon>(rig.elements[place].part);
    const double ratio = train.etalon ? train.etalon->focal_ratio / etalon.telecentric_factor : 0.0;
    constexpr double kRounding = 0.05;  // f/9.04 is an f/9
    if (ratio > 0.0 && (ratio < etalon.from_focal_ratio - kRounding ||
                        ratio > etalon.to_focal_ratio + kRounding)) {
      misfits.push_back(
          {"wrong-focal-ratio", place, key("ratio-before-etalon", ratio, base::Unit::kFocalRatio)});
    }
  }
  if (train.blocking_margin_mm && *train.blocking_margin_mm < 0.0) {
    misfits.push_back({"blocking-filter-small", optics::find_fitted<optics::BlockingFilter>(rig),
                       key("blocking-margin", *train.blocking_margin_mm, base::Unit::kMillimetre)});
  }
}

void add_supply(const Rig& rig, const Train& train, std::vector<Misfit>& misfits) {
  const auto etalon = optics::find_fitted<optics::RearEtalon>(rig);
  const auto& supply = train.supply;
  if (!supply) {
    return;
  }
  const KeyFigure offered = key("supply", supply->offered_w, base::Unit::kWatt);
  if (!supply->listed) {
    misfits.push_back({"supply-not-listed", etalon, offered});
  } else if (supply->offered_w < supply->needed_w) {
    misfits.push_back({"supply-weak", etalon, offered});
  }
}

void add_defects(const Rig& rig, std::vector<Misfit>& misfits) {
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    const optics::Element& element = rig.elements[i];
    if (element.fitted && !element.care.defect.empty() && !safety::protects(element.part)) {
      misfits.push_back({"defect", i});
    }
  }
}

}  // namespace

std::vector<Misfit> misfits_of(const Rig& rig, const Train& train, const Situation& situation) {
  std::vector<Misfit> misfits;
  add_focus(rig, train, misfits);
  add_joints(train, misfits);
  add_spacing(train, misfits);
  add_line(rig, train, misfits);
  add_vignetting(train, situation, misfits);
  add_looking(rig, train, situation, misfits);
  add_dimness(rig, train, misfits);
  add_sensor(rig, train, situation, misfits);
  add_supply(rig, train, misfits);
  add_defects(rig, misfits);
  return misfits;
}

}  // namespace solarchon::advise
