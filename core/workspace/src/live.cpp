// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/live.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/image/frame.h"
#include "solarchon/live/seeing_monitor.h"
#include "solarchon/match/target.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/seeing/air.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::workspace {

std::vector<camera::Wander> wander_of(const sky::Observer& observer, sky::UtcTime start,
                                      double duration_s, const align::Driving& driving,
                                      const sky::PictureOrientation& celestial) {
  constexpr double kMostPoints = 1000.0;
  const double step_s = std::max(1.0, duration_s / kMostPoints);
  const int count = static_cast<int>(std::ceil(duration_s / step_s));
  std::vector<camera::Wander> way;
  for (const align::TrackPoint& point :
       align::track(observer, start, sky::seconds(step_s), count, driving)) {
    // The field turns north through east; what is in it turns the other way, and east lies
    // counter-clockwise of north where the picture is not mirrored.
    const double turn_deg = celestial.mirrored ? -point.rotation_deg : point.rotation_deg;
    sky::PictureOrientation now = celestial;
    now.north_deg += turn_deg;
    way.push_back({sky::in_seconds(point.time - start),
                   sky::to_picture({point.west_arcsec, point.north_arcsec}, now), turn_deg});
  }
  return way;
}

double row_delay_us(const optics::Camera& camera) {
  constexpr double kUsPerS = 1e6;
  return camera.shutter == optics::Shutter::kRolling
             ? kUsPerS / camera.frame_rate_hz / camera.height_px
             : 0.0;
}

align::Driving driving_of(const Workspace& workspace) {
  align::Driving driving;
  driving.mount = workspace.mount.kind;
  driving.rate = workspace.outside.rate;
  driving.periodic_error_arcsec = workspace.outside.periodic_error_arcsec;
  driving.worm_period_s = workspace.outside.worm_period_s;
  driving.step_arcsec = workspace.outside.step_arcsec;
  driving.error = axis_of(workspace).error;  // none without runs that tell it
  return driving;
}

base::Result<match::ClipMotion> clip_motion_of(const Workspace& workspace, const Answers& answers,
                                               const sky::DiscPlace& place) {
  const optics::Train& train = answers.train;
  if (!answers.limits || !train.field_width_arcmin) {
    return base::fail(base::ErrorCode::kMissing, "rig", {}, base::wants("telescope-and-camera"));
  }
  const Limits& limits = *answers.limits;
  const double radius = sky::limb_radius_arcsec(answers.disc.distance_au);
  align::Driving smooth = driving_of(workspace);
  smooth.step_arcsec = 0.0;            // jitter, no motion
  smooth.periodic_error_arcsec = 0.0;  // at its fastest, below
  constexpr int kPoints = 6;
  const align::TrackSummary way = align::summary_of(
      align::track(observer_of(workspace), answers.time, sky::seconds(10.0), kPoints, smooth), {});
  // Of an axis that nobody measured, the rate and the worm alone are counted.
  double tracking_arcsec_min = 60.0 * wander_arcsec_s(workspace, answers.sun.declination_deg);
  if (!plan::stands_level(workspace.mount.kind) && axis_of(workspace).solvable()) {
    tracking_arcsec_min += way.fastest_arcsec_min;
  }
  constexpr double kArcsecPerArcmin = 60.0;
  return match::ClipMotion{
      std::hypot(limits.diffraction_arcsec, limits.air_arcsec),
      std::min(1.0, std::hypot(place.west_arcsec, place.north_arcsec) / radius),
      match::need_of(workspace.target, answers.sun.semidiameter_arcsec()).evolution_km_s,
      way.turning_deg_min,
      0.5 * kArcsecPerArcmin * std::hypot(*train.field_width_arcmin, *train.field_height_arcmin),
      tracking_arcsec_min};
}

base::Result<camera::Shot> eye_shot(const Workspace& workspace, const Answers& answers) {
  if (!answers.local.airmass) {
    return base::fail(base::ErrorCode::kOutOfRange, "time", sky::to_iso(answers.time),
                      base::wants("sun-above-the-horizon"));
  }
  camera::Shot shot;
  shot.rig = workspace.rig;
  shot.time = answers.time;
  shot.seeing_arcsec = workspace.conditions.seeing_arcsec;
  shot.pressure_hpa = observer_of(workspace).weather.pressure_hpa;
  shot.target = place_of(workspace, answers, scene::SyntheticSun(shot.sun_seed));
  shot.tube_up_deg = answers.tube_up_deg;
  return shot;
}

base::Result<camera::StreamPlan> stream_plan(const Workspace& workspace, const Answers& answers,
                                             std::optional<double> exposure_ms,
                                             std::uint32_t seed) {
  return shot_for(workspace, answers, exposure_ms, seed).map([&](camera::Shot shot) {
    shot.air = seeing::Air{};
    shot.air->r0_cm =
        std::clamp(seeing::r0_of(shot.seeing_arcsec, answers.train.band.wavelength_nm),
                   seeing::kR0Range.low, seeing::kR0Range.high);
    shot.air->seed = seed;
    camera::StreamPlan plan;
    constexpr double kHour_s = 3600.0;
    align::Driving driving = driving_of(workspace);
    if (const auto turning = turning_about(workspace, answers.time, answers.local)) {
      driving.turn = turning->start;
    }
    plan.way = wander_of(observer_of(workspace), answers.time, kHour_s, driving, answers.celestial);
    if (const auto sensor = optics::sensor_of(workspace.rig)) {
      plan.row_delay_us = row_delay_us(sensor->camera);
    }
    constexpr double kSunStep_s = 10.0;
    plan.sun_step_s = kSunStep_s;
    plan.prepares_ahead = true;
    plan.shot = std::move(shot);
    return plan;
  });
}

seeing::Cloud cloud_of(const Workspace& workspace, sky::UtcTime time, std::uint32_t seed) {
  seeing::Cloud cloud;
  cloud.seed = seed;
  const auto hour = workspace.wishes.forecast ? plan::forecast_at(*workspace.wishes.forecast, time)
                                              : std::nullopt;
  if (!hour) {
    return cloud;
  }
  constexpr double kVeil_stops = 0.5;
  constexpr double kCover_stops = 4.0;
  constexpr double kSome_percent = 10.0;
  constexpr double kWhole_percent = 100.0;
  cloud.stops = kVeil_stops * hour->thin_percent / kWhole_percent;
  if (hour->cloud_percent >= kSome_percent) {
    const double cover = hour->cloud_percent / kWhole_percent;
    cloud.stops += kCover_stops * cover;
    cloud.unevenness = 1.0 - 0.8 * cover;  // the more of it, the fewer gaps
  }
  return cloud;
}

image::FrameInfo frame_info(const Workspace& workspace, const Answers& answers) {
  const optics::Train& train = answers.train;
  image::FrameInfo info;
  info.time = answers.time;
  info.plate_scale_arcsec_px = train.sampling_arcsec_px;
  info.orientation = answers.solar;
  info.wavelength_nm = train.band.wavelength_nm;
  constexpr double kNmPerAngstrom = 0.1;
  info.band_width_nm = train.etalon
                           ? std::optional(kNmPerAngstrom * train.etalon->bandwidth_angstrom)
                           : train.band.width_nm;
  info.focal_length_mm = train.effective_focal_length_mm;
  if (const auto telescope = optics::find_fitted<optics::Telescope>(workspace.rig)) {
    info.telescope = workspace.rig.elements[*telescope].name;
  }
  if (const auto sensor = optics::sensor_of(workspace.rig)) {
    info.pixel_um = sensor->camera.pixel_um;
    info.camera = workspace.rig.elements[sensor->element].name;
  }
  return info;
}

base::Result<live::Setting> live_setting(const Workspace& workspace, const Answers& answers,
                                         std::optional<double> exposure_ms, double black_level) {
  const optics::Train& train = answers.train;
  if (!optics::sensor_of(workspace.rig) || !train.sampling_arcsec_px ||
      !train.effective_focal_length_mm || train.aperture_mm <= 0.0) {
    return base::fail(base::ErrorCode::kMissing, "rig", {}, base::wants("telescope-and-camera"));
  }
  live::Setting setting;
  setting.imaging = {train.aperture_mm, train.obstruction, train.band.wavelength_nm,
                     *train.sampling_arcsec_px};
  setting.focal_ratio = *train.effective_focal_length_mm / train.aperture_mm;
  setting.sun_radius_arcsec = sky::limb_radius_arcsec(answers.disc.distance_au);
  setting.line = train.band.line;
  setting.target_level = workspace.conditions.target_level;
  setting.black_level = black_level;
  setting.disc_may_clip = workspace.target == Target::kProminence && train.band.line;
  // A disc that parts on the way dim towards its edge would read as cloud.
  constexpr double kEdgeArrives = 0.75;
  const bool even = !train.vignetting || train.vignetting->limb_share >= kEdgeArrives;
  if (even && answers.exposure && answers.exposure->exposure_ms > 0.0) {
    const double longer =
        exposure_ms.value_or(answers.exposure->exposure_ms) / answers.exposure->exposure_ms;
    const double level = answers.exposure->level * longer;
    if (level < 1.0) {
      setting.clear_level = black_level + (1.0 - black_level) * level;
    }
  }
  return setting;
}

base::Result<live::Setting> setting_of_frames(const Workspace& workspace, const optics::Rig& rig,
                                              sky::UtcTime time, double black_level) {
  Workspace then = workspace;
  then.rig = rig;
  return live_setting(then, answer(then, time), {}, black_level).map([](live::Setting setting) {
    setting.clear_level.reset();
    return setting;
  });
}

base::Result<FocuserScale> focuser_scale(const Workspace& workspace, const Answers& answers) {
  return live_setting(workspace, answers, {}, 0.0).map([&](const live::Setting& setting) {
    FocuserScale scale;
    const auto place = optics::find_fitted<optics::Telescope>(workspace.rig);
    const auto* telescope =
        place ? std::get_if<optics::Telescope>(&workspace.rig.elements[*place].part) : nullptr;
    if (telescope != nullptr && telescope->focal_length_mm > 0.0) {
      const double longer = *answers.train.effective_focal_length_mm / telescope->focal_length_mm;
      scale.sensor_per_focuser = longer * longer;
    }
    scale.depth_um = live::focus_depth_um(setting) / scale.sensor_per_focuser;
    return scale;
  });
}

}  // namespace solarchon::workspace
