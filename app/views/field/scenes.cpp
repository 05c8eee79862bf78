// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/scenes.h"

#include <algorithm>

namespace solarchon::app {

namespace {

constexpr std::int64_t kQuarterMs = 900000;
constexpr int kComing = 13;
constexpr double kArcsecPerArcmin = 60.0;

sky::UtcTime next_quarter(sky::UtcTime time) {
  return {(time.unix_ms / kQuarterMs + 1) * kQuarterMs};
}

}  // namespace

std::optional<double> tube_mm(const Document& document) {
  const auto& given = document.workspace().outside.tube_mm;
  return given ? given : align::usual_tube_mm(document.workspace().rig);
}

AimPicture::Scene aim_scene(const Document& document, const std::vector<align::Start>& starts,
                            double accuracy_arcmin) {
  const optics::Train& train = document.answers().train;
  AimPicture::Scene scene;
  scene.tube_mm = tube_mm(document).value_or(0.0);
  scene.aperture_mm = train.aperture_mm;
  scene.accuracy_arcmin = accuracy_arcmin;
  scene.sun_radius_arcmin = document.answers().sun.semidiameter_arcsec() / kArcsecPerArcmin;
  if (starts.empty()) {
    return scene;
  }
  const align::Start& first = starts.front();
  scene.round = first.kind == align::StartKind::kEyepiece || train.look.has_value();
  const double longer = !scene.round && train.field_width_arcmin && train.field_height_arcmin
                            ? std::max(*train.field_width_arcmin, *train.field_height_arcmin) /
                                  std::min(*train.field_width_arcmin, *train.field_height_arcmin)
                            : 1.0;
  scene.field_arcmin = QSizeF(first.field_arcmin * longer, first.field_arcmin);
  scene.enough = first.enough;
  return scene;
}

align::NorthTools north_tools(const Document& document) {
  const workspace::Workspace& space = document.workspace();
  return {space.outside.plumb_mm, space.outside.feet_apart_mm, document.magnetic_declination_deg(),
          space.mount.kind};
}

GroundPlan::Scene ground_scene(const Document& document, const align::North& north,
                               align::NorthWay way) {
  const align::NorthTools tools = north_tools(document);
  const sky::LocalSun& sun = document.answers().local;
  return {north,
          tools,
          way,
          way == align::NorthWay::kShadow
              ? align::plumb_shadows(workspace::observer_of(document.workspace()),
                                     next_quarter(document.moment()),
                                     sky::seconds(kQuarterMs / 1000.0), kComing, tools.plumb_mm)
              : std::vector<align::PlumbShadow>(),
          sun.azimuth_deg,
          sun.altitude_deg > 0.0,
          document.zone()};
}

PolePicture::Scene pole_scene(const Document& document, const align::PoleFit& fit) {
  const workspace::Workspace& space = document.workspace();
  PolePicture::Scene scene;
  scene.latitude_deg = space.site.latitude_deg;
  if (fit.solvable()) {
    scene.fit = fit;
    scene.altitude_turns = align::turns_of(fit.error.altitude_deg, space.outside.altitude_knob_deg);
    scene.azimuth_turns = align::turns_of(fit.error.azimuth_deg, space.outside.azimuth_knob_deg);
  }
  return scene;
}

}  // namespace solarchon::app
