// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/camera/eyepiece.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/base/parallel.h"
#include "solarchon/base/range.h"
#include "solarchon/image/frame.h"

namespace solarchon::camera {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

constexpr double kSunCdM2 = 1.6e9;
constexpr double kFieldShare = 0.98;  // of the frame, that the round field takes
constexpr base::Range kSideRange{64, 4000};

/// The rig with a sensor in the eyepiece's place that sees its whole field.
optics::Rig with_eye(optics::Rig rig, std::size_t eyepiece, const optics::Train& train,
                     int side_px) {
  optics::Camera eye;
  eye.width_px = side_px;
  eye.height_px = side_px;
  const double arcsec_px =
      train.look->true_field_deg * base::kArcsecPerDeg / (kFieldShare * side_px);
  eye.pixel_um = 1000.0 * *train.effective_focal_length_mm * arcsec_px / base::kArcsecPerRad;
  eye.bits = 16;
  eye.full_well_e = 4e6;
  eye.read_noise_e = 0.0;
  rig.elements[eyepiece].part = eye;
  return rig;
}

/// Takes what lies beyond the round field, and what a secondary's shadow takes.
void shape(EyeSight& sight) {
  image::Frame& frame = sight.frame;
  const double middle = 0.5 * (frame.width - 1);
  const double radius = 0.5 * kFieldShare * frame.width;
  const double pupil_mm = std::min(sight.look.exit_pupil_mm, optics::kDaylightPupilMm);
  const double shadow = sight.look.secondary_shadow_mm / pupil_mm;
  constexpr double kSeenFrom = 1.0 / 3.0;
  sight.shadow_seen = shadow > kSeenFrom;
  const double depth = sight.shadow_seen ? std::min(1.0, shadow * shadow) : 0.0;
  constexpr double kSpread = 0.35;  // of the field's radius
  base::each_row(frame.height, {}, [&](int y) {
    std::uint16_t* row = frame.pixels.data() + static_cast<std::ptrdiff_t>(y) * frame.width;
    for (int x = 0; x < frame.width; ++x) {
      const double distance = std::hypot(x - middle, y - middle);
      const double off = distance / (kSpread * radius);
      const double left =
          std::clamp(radius - distance + 0.5, 0.0, 1.0) * (1.0 - depth * std::exp(-off * off));
      row[x] = static_cast<std::uint16_t>(std::lround(left * row[x]));
    }
  });
}

}  // namespace

std::array<double, 3> colour_of(const optics::Band& band) {
  constexpr double kWideNm = 60.0;
  if (!band.line && (!band.width_nm || *band.width_nm > kWideNm)) {
    return {1.0, 0.97, 0.90};
  }
  // Three overlapping hills over the spectrum, and violet's second one of red.
  const auto hill = [nm = band.wavelength_nm](double peak, double width) {
    const double off = (nm - peak) / width;
    return std::exp(-0.5 * off * off);
  };
  std::array<double, 3> colour{hill(620.0, 42.0) + 0.3 * hill(410.0, 18.0), hill(540.0, 34.0),
                               hill(445.0, 36.0)};
  const double most = std::max(1e-6, *std::max_element(colour.begin(), colour.end()));
  constexpr double kLeast = 0.04;
  for (double& part : colour) {
    part = std::max(kLeast, part / most);
  }
  return colour;
}

std::optional<double> zoom_that_fills(const optics::Rig& rig, const optics::Train& train) {
  const auto sensor = optics::sensor_of(rig);
  if (!train.look || !sensor || !train.field_width_arcmin ||
      !std::holds_alternative<optics::Phone>(rig.elements[sensor->element].part)) {
    return std::nullopt;
  }
  const double diagonal_arcmin = std::hypot(*train.field_width_arcmin, *train.field_height_arcmin);
  return std::max(1.0, diagonal_arcmin / (base::kArcminPerDeg * train.look->true_field_deg));
}

Result<EyeSight> look_through(const Shot& shot, int side_px, const base::Task& task) {
  if (const auto side = base::checked("side_px", side_px, kSideRange); !side) {
    return tl::make_unexpected(side.error());
  }
  const auto view = sky::disc_view(shot.time);
  const optics::Train train =
      optics::follow_light(shot.rig, sky::semidiameter_arcsec(view.distance_au), shot.pressure_hpa);
  const auto eyepiece = optics::find_fitted<optics::Eyepiece>(shot.rig);
  if (!train.look || !eyepiece || !train.effective_focal_length_mm || optics::sensor_of(shot.rig)) {
    return fail(ErrorCode::kMissing, "rig", {}, base::wants("telescope-and-eyepiece"));
  }
  EyeSight sight;
  sight.look = *train.look;
  sight.colour = colour_of(train.band);
  const double pupil = std::min(1.0, sight.look.exit_pupil_mm / optics::kDaylightPupilMm);
  sight.luminance_cd_m2 = kSunCdM2 * train.luminous_share * pupil * pupil;
  constexpr double kDimBelow = 100.0;
  constexpr double kDazzlingAbove = 30000.0;
  sight.glare = sight.luminance_cd_m2 < kDimBelow        ? Glare::kDim
                : sight.luminance_cd_m2 > kDazzlingAbove ? Glare::kDazzling
                                                         : Glare::kEasy;
  Shot seen = shot;
  seen.rig = with_eye(shot.rig, *eyepiece, train, side_px);
  constexpr double kEyeArcsec = 75.0;
  seen.seeing_arcsec =
      std::min(30.0, std::hypot(shot.seeing_arcsec, kEyeArcsec / sight.look.magnification));
  seen.air = {};
  seen.pointing_spread_px = 0.0;
  seen.exposure_ms = 1.0;
  constexpr double kLevel = 0.7;
  seen.electrons_per_ms = kLevel * 4e6;
  seen.mosaic = false;
  seen.marks = {};
  return simulate(seen, task).map([&](Recording recording) {
    sight.frame = std::move(recording.frame);
    shape(sight);
    return sight;
  });
}

}  // namespace solarchon::camera
