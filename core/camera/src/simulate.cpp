// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/camera/simulate.h"

#include <algorithm>
#include <cmath>

#include "sight.h"
#include "solarchon/base/json.h"
#include "solarchon/base/parallel.h"
#include "solarchon/base/random.h"
#include "solarchon/camera/blur.h"
#include "solarchon/light/exposure.h"
#include "solarchon/scene/picture.h"
#include "solarchon/seeing/turbulence.h"
#include "warp.h"

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
constexpr base::Range kCloudRange{0, 15};
constexpr double kBlackShare = 0.01;  // black level against full scale, so that noise is not cut

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
      .and_then([&](double) { return base::checked("cloud_stops", shot.cloud_stops, kCloudRange); })
      .and_then([&](double) { return shot.air ? seeing::check(*shot.air) : Result<void>(); });
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
  truth.solar =
      sky::solar_orientation(optics::picture_orientation(shot.rig, train), truth.view.p_deg);
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
        truth.filaments.push_back({*seen, 1000.0 * filament.length_mm});
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

/// Electrons in a pixel at the disc's centre, when nothing is detuned.
double signal_of(const Shot& shot, const optics::Train& train) {
  double signal = shot.electrons_per_ms * shot.exposure_ms * std::exp2(-shot.cloud_stops);
  if (train.line && shot.band_angstrom) {
    signal *= light::line_width_nm(*line_of(shot, train)) / light::line_width_nm(*train.line);
  }
  return signal;
}

/// Turns relative brightness into recorded numbers, row by row with a generator of its own.
void expose(const Shot& shot, const optics::Camera& camera, double signal,
            const scene::Picture& picture, std::size_t stride, std::size_t first,
            frames::Frame& frame) {
  const double full_scale = (1 << camera.bits) - 1;
  const double black = std::round(full_scale * kBlackShare);
  const double electrons_per_number = camera.full_well_e / (full_scale - black);
  frame.saturation = static_cast<int>(full_scale);
  base::each_row(frame.height, {}, [&](int y) {
    // Frames of one clip have noise of their own.
    base::Random random =
        shot.air_s > 0.0 ? base::Random{shot.seed, static_cast<std::uint32_t>(y), 0xcafeU,
                                        static_cast<std::uint32_t>(std::llround(shot.air_s * 1e4))}
                         : base::Random{shot.seed, static_cast<std::uint32_t>(y), 0xcafeU};
    const float* row = picture.data() + first + static_cast<std::size_t>(y) * stride;
    std::uint16_t* out = frame.pixels.data() + static_cast<std::ptrdiff_t>(y) * frame.width;
    for (int x = 0; x < frame.width; ++x) {
      const double mean = std::max(0.0, static_cast<double>(row[x])) * signal;
      const double counted = std::min(random.poisson(mean), camera.full_well_e);
      const double read = counted + camera.read_noise_e * random.normal();
      const double number = std::round(black + read / electrons_per_number);
      out[x] = static_cast<std::uint16_t>(std::clamp(number, 0.0, full_scale));
    }
  });
}

frames::FrameInfo info_of(const Shot& shot, const optics::Train& train,
                          const optics::Camera& camera, const Truth& truth) {
  frames::FrameInfo info;
  info.time = shot.time + sky::seconds(shot.air_s);
  info.exposure_ms = shot.exposure_ms;
  info.plate_scale_arcsec_px = truth.plate_scale_arcsec_px;
  info.orientation = truth.solar;
  info.centre_x_px = truth.centre_x_px;
  info.centre_y_px = truth.centre_y_px;
  info.wavelength_nm = train.band.wavelength_nm;
  info.focal_length_mm = train.effective_focal_length_mm;
  info.pixel_um = camera.pixel_um;
  info.telescope = shot.rig.elements[*optics::find_fitted<optics::Telescope>(shot.rig)].name;
  info.camera = shot.rig.elements[optics::sensor_of(shot.rig)->element].name;
  return info;
}

}  // namespace

Result<Recording> simulate(const Shot& shot, const base::Task& task) {
  const sky::DiscView view = sky::disc_view(shot.time);
  const optics::Train train =
      optics::follow_light(shot.rig, sky::semidiameter_arcsec(view.distance_au), shot.pressure_hpa);
  if (const auto checked = check(shot, train); !checked) {
    return tl::make_unexpected(checked.error());
  }
  const optics::Camera camera = optics::sensor_of(shot.rig)->camera;
  if (const auto sized = frames::check_size(camera.width_px, camera.height_px, "rig"); !sized) {
    return tl::make_unexpected(sized.error());
  }
  Recording recording;
  Truth& truth = recording.truth;
  truth = truth_of(shot, train, camera);

  const double wavelength_nm = train.band.wavelength_nm;
  Softness softness{*train.sampling_px_per_cutoff,
                    shot.seeing_arcsec / truth.plate_scale_arcsec_px};
  softness.obstruction = train.obstruction;
  softness.defocus_waves =
      1e3 * shot.defocus_um / wavelength_nm / (8.0 * *train.focal_ratio * *train.focal_ratio);
  std::optional<seeing::Turbulence> turbulence;
  const double now_s = static_cast<double>(shot.time.unix_ms) / 1000.0 + shot.air_s;
  if (shot.air) {
    turbulence.emplace(*shot.air, wavelength_nm, train.aperture_mm);
    truth.r0_cm = turbulence->r0_cm(now_s);
    softness.short_exposure = Softness::Short{*truth.r0_cm, wavelength_nm, train.aperture_mm};
    softness.seeing_px =
        seeing::long_exposure_arcsec(*truth.r0_cm, wavelength_nm) / truth.plate_scale_arcsec_px;
  }
  const int margin =
      kLeastMarginPx +
      static_cast<int>(kFwhmsOfMargin * std::max(softness.seeing_px, softness.pixels_per_cutoff)) +
      std::min(kMostDefocusPx,
               static_cast<int>(std::abs(shot.defocus_um) / *train.focal_ratio / camera.pixel_um));
  const int width = quick_size(camera.width_px + 2 * margin);
  const int height = quick_size(camera.height_px + 2 * margin);
  const scene::Grid grid{width,
                         height,
                         truth.centre_x_px + margin,
                         truth.centre_y_px + margin,
                         truth.plate_scale_arcsec_px,
                         truth.solar};
  constexpr double kDrawingShare = 0.5;
  const base::Task drawing{task.stop, [&](double done) { task.report(done * kDrawingShare); }};
  const auto sight = kept_sight(shot, truth, train, grid, drawing);
  if (!sight) {
    return tl::make_unexpected(sight.error());
  }
  const auto seen =
      seen_through(*sight, shot, truth, train, grid, margin + 0.5 * (camera.width_px - 1),
                   margin + 0.5 * (camera.height_px - 1));
  scene::Picture picture;
  if (turbulence) {
    const seeing::MotionField field = turbulence->motion(now_s);
    const double scale = truth.plate_scale_arcsec_px;
    const seeing::Shift middle =
        field.at(0.5 * camera.width_px * scale, 0.5 * camera.height_px * scale);
    truth.shift_px = {middle.right / scale, -middle.down / scale};
    picture = warped(*seen, width, height, -margin, -margin, field, scale);
  } else {
    picture = *seen;
  }
  blur(picture, width, height, softness);
  task.report(0.75);
  if (task.stopped()) {
    return fail(ErrorCode::kCancelled, "frame");
  }
  frames::Frame& frame = recording.frame;
  frame.width = camera.width_px;
  frame.height = camera.height_px;
  frame.pixels.resize(static_cast<std::size_t>(frame.width) *
                      static_cast<std::size_t>(frame.height));
  frame.info = info_of(shot, train, camera, truth);
  const auto stride = static_cast<std::size_t>(width);
  expose(shot, camera, signal_of(shot, train), picture, stride,
         static_cast<std::size_t>(margin) * stride + static_cast<std::size_t>(margin), frame);
  task.report(1.0);
  return recording;
}

Shot binned(Shot shot, int longest_side_px) {
  const auto sensor = optics::sensor_of(shot.rig);
  if (!sensor) {
    return shot;
  }
  const optics::Camera& camera = sensor->camera;
  const int longest = std::max(camera.width_px, camera.height_px);
  const int bin = std::max(1, (longest + longest_side_px - 1) / longest_side_px);
  optics::Part& part = shot.rig.elements[sensor->element].part;
  const auto multiply = [&](const char* key, double factor) {
    optics::set_parameter(part, key, optics::parameter(part, key) * factor);
  };
  optics::set_parameter(part, "width_px", std::max(16, camera.width_px / bin));
  optics::set_parameter(part, "height_px", std::max(16, camera.height_px / bin));
  multiply("pixel_um", bin);
  multiply("full_well_e", bin * bin);
  multiply("read_noise_e", bin);
  shot.electrons_per_ms *= bin * bin;
  shot.pointing_spread_px /= bin;
  return shot;
}

}  // namespace solarchon::camera
