// SPDX-License-Identifier: GPL-3.0-or-later
#include "setup.h"

#include <algorithm>
#include <cmath>

#include "sight.h"
#include "solarchon/base/random.h"
#include "solarchon/base/range.h"
#include "solarchon/camera/stream.h"
#include "solarchon/image/frame.h"
#include "solarchon/light/exposure_plan.h"
#include "solarchon/psf/transfer.h"

namespace solarchon::camera {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

constexpr double kFwhmsOfMargin = 4.0;
constexpr int kLeastMarginPx = 12;
constexpr int kMostDefocusPx = 400;
constexpr base::Range kBandRange{0.05, 20};
constexpr base::Range kDetuneRange{-5, 5};
constexpr base::Range kDefocusRange{-20000, 20000};

Result<void> check(const Shot& shot, const optics::Train& train) {
  if (!train.sampling_arcsec_px) {
    return fail(ErrorCode::kMissing, "rig", {}, base::wants("telescope-and-camera"));
  }
  return base::checked("exposure_ms", shot.exposure_ms, {1e-6, 3.6e6})
      .and_then([&](double) {
        return base::checked("seeing_arcsec", shot.seeing_arcsec, {0, 30});
      })
      .and_then([&](double) {
        return base::checked("activity", shot.activity.value_or(0.0), {0, 1});
      })
      .and_then([&](double) {
        return base::checked("band_angstrom", shot.band_angstrom.value_or(1.0), kBandRange);
      })
      .and_then([&](double) {
        return base::checked("detune_angstrom", shot.detune_angstrom, kDetuneRange);
      })
      .and_then([&](double) { return base::checked("defocus_um", shot.defocus_um, kDefocusRange); })
      .and_then([&](double) { return seeing::check(shot.cloud); })
      .and_then([&] { return check(shot.marks); })
      .and_then([&] { return shot.air ? seeing::check(*shot.air) : Result<void>(); });
}

/// Where the disc's centre falls in the frame.
sky::PictureOffset aim(const Shot& shot, const Truth& truth) {
  base::Random random{shot.seed, 0x9017U};
  const sky::PictureOffset target = sky::to_picture(shot.target, truth.solar);
  return {-target.right / truth.plate_scale_arcsec_px + shot.pointing_spread_px * random.normal(),
          -target.up / truth.plate_scale_arcsec_px + shot.pointing_spread_px * random.normal()};
}

Truth truth_of(const Shot& shot, const optics::Train& train, const optics::Camera& camera) {
  Truth truth;
  truth.view = sky::disc_view(shot.time);
  truth.plate_scale_arcsec_px = *train.sampling_arcsec_px;
  truth.solar = sky::solar_orientation(optics::picture_orientation(shot.rig, train),
                                       truth.view.p_deg - shot.tube_up_deg);
  const sky::PictureOffset centre = aim(shot, truth);
  truth.centre_x_px = 0.5 * (camera.width_px - 1) + centre.right;
  truth.centre_y_px = 0.5 * (camera.height_px - 1) - centre.up;
  truth.radius_px = sky::limb_radius_arcsec(truth.view.distance_au) / truth.plate_scale_arcsec_px;
  const scene::SyntheticSun sun(shot.sun_seed, shot.activity);
  for (const scene::Spot& spot : sun.spots(shot.time)) {
    if (sky::disc_place(spot.latitude_deg, spot.carrington_longitude_deg, truth.view)) {
      truth.spots.push_back(spot);
    }
  }
  if (train.line) {
    const scene::Chromosphere chromosphere(sun, shot.time);
    for (const scene::Filament& filament : chromosphere.magnetism().filaments()) {
      if (const auto seen = scene::seen_from(filament, truth.view)) {
        truth.filaments.push_back({*seen, 1000.0 * filament.length_Mm});
      }
    }
    for (const scene::FlareNow& flare : chromosphere.flares()) {
      if (sky::disc_place(flare.latitude_deg, flare.carrington_longitude_deg, truth.view)) {
        truth.flares.push_back(flare);
      }
    }
  }
  return truth;
}

}  // namespace

Result<Setup> set_up(const Shot& shot) {
  const sky::DiscView view = sky::disc_view(shot.time);
  Setup setup;
  setup.train =
      optics::follow_light(shot.rig, sky::semidiameter_arcsec(view.distance_au), shot.pressure_hpa);
  if (const auto checked = check(shot, setup.train); !checked) {
    return tl::make_unexpected(checked.error());
  }
  setup.camera = optics::sensor_of(shot.rig)->camera;
  if (const auto sized = image::check_size(setup.camera.width_px, setup.camera.height_px, "rig");
      !sized) {
    return tl::make_unexpected(sized.error());
  }
  setup.truth = truth_of(shot, setup.train, setup.camera);
  if (shot.air) {
    setup.turbulence.emplace(*shot.air, setup.train.band.wavelength_nm, setup.train.aperture_mm);
  }
  return setup;
}

psf::ImagingSetup imaging_of(const Setup& setup) {
  return {setup.train.aperture_mm, setup.train.obstruction, setup.train.band.wavelength_nm,
          setup.truth.plate_scale_arcsec_px};
}

psf::Blurring blurring_of(const Shot& shot, const Setup& setup, std::optional<double> r0_cm) {
  const double focal_ratio = *setup.train.focal_ratio;
  psf::Blurring blurring;
  blurring.defocus_waves =
      1e3 * shot.defocus_um / setup.train.band.wavelength_nm / (8.0 * focal_ratio * focal_ratio);
  blurring.pixel = false;
  blurring.r0_cm = r0_cm;
  if (!r0_cm) {
    blurring.seeing_px = shot.seeing_arcsec / setup.truth.plate_scale_arcsec_px;
  }
  return blurring;
}

int margin_px(const Shot& shot, const Setup& setup, std::optional<double> r0_cm) {
  const psf::ImagingSetup imaging = imaging_of(setup);
  const double seeing_arcsec =
      r0_cm ? seeing::long_exposure_arcsec(*r0_cm, imaging.wavelength_nm) : shot.seeing_arcsec;
  return kLeastMarginPx +
         static_cast<int>(kFwhmsOfMargin * std::max(seeing_arcsec / imaging.scale_arcsec_px,
                                                    imaging.pixels_per_cutoff())) +
         std::min(kMostDefocusPx,
                  static_cast<int>(std::abs(shot.defocus_um) / *setup.train.focal_ratio /
                                   setup.camera.pixel_um));
}

double signal_of(const Shot& shot, const optics::Train& train) {
  double signal = shot.electrons_per_ms * shot.exposure_ms;
  if (train.line && shot.band_angstrom) {
    signal *= light::line_width_nm(*line_of(shot, train)) / light::line_width_nm(*train.line);
  }
  return signal;
}

Scale scale_of(const optics::Camera& camera) {
  Scale scale;
  scale.full_scale = (1 << camera.bits) - 1;
  scale.black = std::round(scale.full_scale * kBlackShare);
  scale.electrons_per_number = camera.full_well_e / (scale.full_scale - scale.black);
  return scale;
}

image::FrameInfo info_of(const Shot& shot, const optics::Train& train, const optics::Camera& camera,
                         const Truth& truth) {
  image::FrameInfo info;
  info.simulated = true;
  info.time = shot.time + sky::seconds(shot.air_s);
  info.exposure_ms = shot.exposure_ms;
  info.plate_scale_arcsec_px = truth.plate_scale_arcsec_px;
  info.orientation = truth.solar;
  info.centre_x_px = truth.centre_x_px;
  info.centre_y_px = truth.centre_y_px;
  info.wavelength_nm = train.band.wavelength_nm;
  if (shot.band_angstrom || train.etalon) {
    info.band_width_nm =
        0.1 * shot.band_angstrom.value_or(train.etalon ? train.etalon->bandwidth_angstrom : 0.0);
  } else {
    info.band_width_nm = train.band.width_nm;
  }
  if (shot.mosaic && camera.colour) {
    info.bayer = "RGGB";
  }
  info.focal_length_mm = train.effective_focal_length_mm;
  info.pixel_um = camera.pixel_um;
  info.pedestal = scale_of(camera).black;
  info.telescope = shot.rig.elements[*optics::find_fitted<optics::Telescope>(shot.rig)].name;
  info.camera = shot.rig.elements[optics::sensor_of(shot.rig)->element].name;
  return info;
}

}  // namespace solarchon::camera
