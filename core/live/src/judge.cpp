// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/live/judge.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"

namespace solarchon::live {

namespace {

/// What the aperture tells apart (arcsec).
double resolved_arcsec(const Setting& setting) {
  return 1e-6 * setting.imaging.wavelength_nm / setting.imaging.aperture_mm * base::kArcsecPerRad;
}

/// Light: too much, too little, or cloud before it.
std::optional<Judgement> judge_light(const Readings& readings, const Setting& setting) {
  const double full = 1.0 - setting.black_level;
  const double bright = (readings.level.bright - setting.black_level) / full;
  constexpr double kDark = 0.01;
  if (bright < kDark) {
    return Judgement{Limit::kNoSun, {bright, 0.0}, 0.0};
  }
  constexpr double kSomeClipped = 0.001;
  if (readings.level.clipped_share > kSomeClipped && !setting.disc_may_clip) {
    // How far over it is, nobody knows: half is a step.
    return Judgement{Limit::kClipped, {readings.level.clipped_share, 0.0}, 0.5};
  }
  constexpr double kCloudy = 0.4;
  if (readings.cloud_stops && readings.cloud_stops->value > kCloudy) {
    return Judgement{Limit::kCloud, *readings.cloud_stops, std::exp2(readings.cloud_stops->value)};
  }
  constexpr double kDim = 0.3;
  if (bright < kDim * setting.target_level && !setting.disc_may_clip) {
    const double factor = setting.target_level / bright;
    return Judgement{Limit::kTooDim, {std::log2(factor), 0.0}, factor};
  }
  return std::nullopt;
}

bool off_band(const Readings& readings, const Setting& setting) {
  if (!setting.line) {
    return false;
  }
  constexpr double kBrighter = -0.25;  // stops: the line's sides let more through than its middle
  constexpr double kFlatter = 0.75;
  // Worse air takes from structure as well.
  constexpr double kAlike = 0.8;
  const bool air_alike =
      !setting.usual_r0_cm ||
      (readings.air && readings.air->r0_cm.value > kAlike * *setting.usual_r0_cm);
  return (readings.cloud_stops && readings.cloud_stops->value < kBrighter) ||
         (setting.usual_structure && air_alike &&
          readings.structure < kFlatter * *setting.usual_structure);
}

}  // namespace

Judgement judge(const Readings& readings, const Setting& setting) {
  constexpr int kEnoughFrames = 8;
  if (readings.frames < kEnoughFrames) {
    return {};
  }
  // What the air does is not known yet, and so nothing of the focus.
  constexpr double kAirTakes_s = 3.0;
  constexpr int kAirTakes = 40;  // frames
  const bool waits = readings.limb && !readings.air &&
                     (readings.span_s < kAirTakes_s || readings.frames < kAirTakes);
  if (const auto light = judge_light(readings, setting)) {
    return *light;
  }
  if (waits) {
    return {};
  }
  if (readings.bands) {
    return {Limit::kBands, {readings.bands->contrast, 0.0}, readings.bands->tilt_deg};
  }
  const double aperture = resolved_arcsec(setting);
  std::optional<double> r0_cm;
  if (readings.air) {
    r0_cm = readings.air->r0_cm.value;
  }
  const double in_focus = edge_width_arcsec(setting, r0_cm, 0.0);
  // Where pixels are coarser than the edge, its width says more of them than of the focus.
  constexpr double kSofter = 1.3;
  constexpr double kLeastPixels = 2.2;
  constexpr double kEdgeIsFull = 0.01;  // the edge of what is full is not that of the Sun
  const bool soft = readings.level.clipped_share < kEdgeIsFull && readings.edge_arcsec &&
                    readings.edge_arcsec->value > kSofter * in_focus &&
                    readings.edge_arcsec->value > kLeastPixels * setting.imaging.scale_arcsec_px;
  if (soft && readings.defocus_um->value > 2.0 * focus_depth_um(setting)) {
    return {Limit::kFocus, *readings.defocus_um, 0.0};
  }
  if (off_band(readings, setting)) {
    return {Limit::kTuning, {readings.structure, 0.0}, 0.0};
  }
  if (readings.drift && readings.field_arcsec > 0.0) {
    // Stacking takes the way out again; what it costs is the edge of the field.
    constexpr double kMuch = 0.05;
    const double goes = readings.drift->arcsec_min();
    if (goes * setting.clip_s / 60.0 > kMuch * readings.field_arcsec &&
        goes > 3.0 * readings.drift->spread_arcsec_min) {
      return {Limit::kDrift,
              {goes, readings.drift->spread_arcsec_min},
              60.0 * 0.5 * readings.field_arcsec / goes};
    }
  }
  constexpr double kDeep = 0.04;  // a flat takes out what is shallower, and nobody sees it
  if (readings.dust && !readings.dust->empty() && readings.dust->front().depth > kDeep) {
    return {Limit::kDust, {readings.dust->front().depth, 0.0}, 0.0};
  }
  Setting edge = setting;
  edge.line = false;
  constexpr double kMoreThanOptics = 1.15;
  if (r0_cm &&
      edge_width_arcsec(edge, r0_cm, 0.0) > kMoreThanOptics * edge_width_arcsec(edge, {}, 0.0)) {
    return {Limit::kAir, readings.air->r0_cm, 0.0};
  }
  // Where nothing tells of the air, only an edge as sharp as the optics draw it does.
  const bool sharp = readings.edge_arcsec && readings.level.clipped_share < kEdgeIsFull &&
                     readings.edge_arcsec->value < kSofter * edge_width_arcsec(setting, {}, 0.0);
  if (!r0_cm && !sharp) {
    return {Limit::kNotKnown, {aperture, 0.0}, 0.0};
  }
  return {Limit::kAperture, {aperture, 0.0}, 0.0};
}

}  // namespace solarchon::live
