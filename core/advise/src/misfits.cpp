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

void add_sampling(const Train& train, double seeing_arcsec, std::size_t sensor,
                  std::vector<Misfit>& misfits) {
  const double detail_arcsec = std::hypot(*train.diffraction_cutoff_arcsec, seeing_arcsec);
  const double pixels = detail_arcsec / *train.sampling_arcsec_px;
  const Measure measure{"Pixels per finest detail", "px", pixels};
  if (pixels < kGoodSampling.low) {
    misfits.push_back({"undersampled", sensor, "Fine detail is lost between the pixels.",
                       "The pixels are too large for what lens and air can show; 2 to 3 for the "
                       "finest detail suit.",
                       measure});
  } else if (pixels > kGoodSampling.high) {
    misfits.push_back({"oversampled", sensor, "Light and frame rate are spent on blur.",
                       "The pixels are smaller than lens and air can use; 2 to 3 for the finest "
                       "detail suit.",
                       measure});
  }
}

void add_exposure(const Rig& rig, const Train& train, const Situation& situation,
                  std::size_t sensor, std::vector<Misfit>& misfits) {
  const auto exposure = light::disc_exposure(rig, train, situation.light);
  if (!exposure) {
    return;
  }
  const Measure measure{"Exposure", "ms", exposure->wanted_ms};
  if (exposure->limit == light::ShutterLimit::kTooBright) {
    misfits.push_back({"too-bright", sensor, "The disc saturates at the shortest exposure.",
                       "The shutter cannot be as short as this light asks.", measure});
  } else if (exposure->wanted_ms > kLongestSharpMs) {
    misfits.push_back({"dim", sensor, "The air blurs each frame.",
                       "The exposure is longer than the air stands still.", measure});
  }
}

void add_fringes(const Train& train, std::size_t sensor, std::vector<Misfit>& misfits) {
  if (!train.fringes || (train.fringes->hidden && train.fringes->sharp)) {
    return;
  }
  const optics::Fringes& fringes = *train.fringes;
  std::string_view why =
      "Light of one colour interferes between sensor and filters; a small tilt makes the bands too "
      "fine to see.";
  if (fringes.at_odds()) {
    why =
        "Light of one colour interferes between sensor and filters. A tilt that hides the bands "
        "blurs the edge of this sensor: tilt less, and use a smaller region.";
  } else if (fringes.hidden) {
    why = "The sensor is tilted by more than the depth of focus allows.";
  }
  misfits.push_back({"fringes", sensor,
                     fringes.hidden ? "The corners are out of focus."
                                    : "Bright and dark bands may cross the picture.",
                     why, Measure{"Tilt wanted", "\u00b0", fringes.least_tilt_deg}});
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
    misfits.push_back({"disc-cut", sensor->element, "The sensor cuts the disc.",
                       "The image of the Sun is larger than the sensor.",
                       Measure{"Sensor over image", "\u00d7", side_mm / image_mm}});
  }
  add_sampling(train, situation.seeing_arcsec, sensor->element, misfits);
  if (train.band.line && camera.colour) {
    misfits.push_back({"colour-in-line",
                       sensor->element,
                       "Three of four pixels stay dark.",
                       "Hydrogen alpha passes only the red quarter of a colour sensor.",
                       {}});
  }
  add_fringes(train, sensor->element, misfits);
  add_exposure(rig, train, situation, sensor->element, misfits);
}

void add_looking(const Rig& rig, const Train& train, const Situation& situation,
                 std::vector<Misfit>& misfits) {
  if (!train.look || optics::receiver_of(rig) != optics::Receiver::kEye) {
    return;
  }
  const auto eyepiece = optics::find_fitted<optics::Eyepiece>(rig);
  if (train.look->secondary_shadow_mm > kSeenShadowMm) {
    misfits.push_back({"obstruction-shadow", eyepiece, "A dark spot floats in the middle.",
                       "By day the eye's pupil is small, and the shadow of the secondary fills "
                       "much of it at low power.",
                       Measure{"Shadow in the exit pupil", "mm", train.look->secondary_shadow_mm}});
  }
  if (situation.whole_disc && !train.look->whole_disc_seen) {
    misfits.push_back({"field-cut", eyepiece, "The eyepiece does not show the whole Sun.",
                       "Its true field is smaller than the disc.",
                       Measure{"True field", "\u00b0", train.look->true_field_deg}});
  }
}

void add_joints(const Train& train, std::vector<Misfit>& misfits) {
  for (const Joint& joint : train.joints) {
    if (joint.state == JointState::kNeedsAdapter) {
      misfits.push_back({"joint",
                         joint.after,
                         "It cannot be fitted to the part before it.",
                         "Barrels and threads do not go together without an adapter.",
                         {}});
    }
  }
}

void add_focus(const Rig& rig, const Train& train, std::vector<Misfit>& misfits) {
  if (!train.focus || train.focus->reached()) {
    return;
  }
  const bool too_long = train.focus->inward_spare_mm < 0.0;
  misfits.push_back(
      {"focus", optics::find_fitted<optics::Telescope>(rig), "Focus is not reached.",
       too_long ? "The parts behind the telescope are longer than the focuser can "
                  "rack in."
                : "The focuser does not rack out far enough; an extension is "
                  "missing.",
       Measure{"To spare", "mm",
               std::min(train.focus->inward_spare_mm, train.focus->outward_spare_mm)}});
}

void add_vignetting(const Train& train, const Situation& situation, std::vector<Misfit>& misfits) {
  if (train.vignetting && situation.whole_disc && train.vignetting->limb_share < kLeastLimbShare) {
    misfits.push_back({"vignetting", train.vignetting->element, "The edge of the Sun is dark.",
                       "An opening on the way is too narrow for the light of the limb.",
                       Measure{"Light at the limb", "%", 100.0 * train.vignetting->limb_share}});
  }
}

void add_spacing(const Train& train, std::vector<Misfit>& misfits) {
  if (train.impossible_spacing) {
    misfits.push_back({"impossible-spacing",
                       train.impossible_spacing,
                       "No image forms on the sensor.",
                       "The reducer stands further from the sensor than its own focal length.",
                       {}});
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
          {"wrong-focal-ratio", place,
           "The passband widens or the edge goes dark: little of the chromosphere shows.",
           "The light cone is not the one that this etalon is made for.",
           Measure{"Focal ratio before the etalon", "", ratio}});
    }
  }
  if (train.blocking_margin_mm && *train.blocking_margin_mm < 0.0) {
    misfits.push_back(
        {"blocking-filter-small", optics::find_fitted<optics::BlockingFilter>(rig),
         "The edge of the Sun is dark or missing.",
         "The blocking filter is smaller than the image of the disc; a larger one or a "
         "shorter focal length shows all of it, a mosaic the parts.",
         Measure{"Margin", "mm", *train.blocking_margin_mm}});
  }
}

void add_supply(const Rig& rig, const Train& train, std::vector<Misfit>& misfits) {
  const auto etalon = optics::find_fitted<optics::RearEtalon>(rig);
  const auto& supply = train.supply;
  if (supply && !supply->listed) {
    misfits.push_back({"supply-not-listed", etalon, "Outside, the etalon may stay cold.",
                       "The light path names no power supply for its heater; add the one that you "
                       "will take along.",
                       Measure{"Supply", "W", supply->offered_w}});
  } else if (supply && supply->offered_w < supply->needed_w) {
    misfits.push_back({"supply-weak", etalon, "The heater reports a fault and never comes on band.",
                       "The supplies listed do not give the power that it draws at its voltage; a "
                       "laptop's port is usually too weak.",
                       Measure{"Supply", "W", supply->offered_w}});
  }
}

void add_defects(const Rig& rig, std::vector<Misfit>& misfits) {
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    const optics::Element& element = rig.elements[i];
    if (element.fitted && !element.care.defect.empty() && !safety::protects(element.part)) {
      misfits.push_back({"defect",
                         i,
                         "A part has a defect on record.",
                         "An inspection found it, and nobody has cleared it.",
                         {}});
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
  add_sensor(rig, train, situation, misfits);
  add_supply(rig, train, misfits);
  add_defects(rig, misfits);
  return misfits;
}

}  // namespace solarchon::advise
