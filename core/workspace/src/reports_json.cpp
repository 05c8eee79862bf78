// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/reports.h"

#include <cmath>

#include "or_null.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/json.h"
#include "solarchon/disc/limb.h"
#include "solarchon/optics/rig_file.h"

namespace solarchon::workspace {

using base::Json;

Json sun_report(sky::UtcTime time, const sky::GeocentricSun& sun, const sky::LocalSun& local,
                const sky::DiscView& disc, std::optional<double> magnetic_declination_deg) {
  return {{"time_utc", sky::to_iso(time)},
          {"right_ascension_deg", sun.right_ascension_deg},
          {"declination_deg", sun.declination_deg},
          {"azimuth_deg", local.azimuth_deg},
          {"altitude_airless_deg", local.altitude_airless_deg},
          {"altitude_deg", local.altitude_deg},
          {"hour_angle_deg", local.hour_angle_deg},
          {"parallactic_angle_deg", local.parallactic_angle_deg},
          {"semidiameter_arcsec", sun.semidiameter_arcsec()},
          {"distance_au", sun.distance_au},
          {"equation_of_time_min", sun.equation_of_time_min()},
          {"p_deg", disc.p_deg},
          {"b0_deg", disc.b0_deg},
          {"l0_deg", disc.l0_deg},
          {"carrington_rotation", disc.carrington_rotation},
          {"airmass", or_null(local.airmass)},
          {"magnetic_declination_deg", or_null(magnetic_declination_deg)},
          {"azimuth_rate_arcsec_s", local.azimuth_rate_arcsec_s},
          {"altitude_rate_arcsec_s", local.altitude_rate_arcsec_s},
          {"field_rotation_deg_h", local.field_rotation_deg_h}};
}

Json moon_report(const std::optional<sky::MoonCover>& moon) {
  return moon ? Json{{"separation_arcsec", moon->separation_arcsec},
                     {"moon_semidiameter_arcsec", moon->moon_semidiameter_arcsec},
                     {"obscuration", moon->obscuration}}
              : Json(nullptr);
}

Json day_report(const sky::SunDay& day, const sky::SkylineDay& skyline, const plan::Mount& mount) {
  Json above = Json::array();
  for (int altitude = 10; altitude <= 80; altitude += 10) {
    if (const auto window = sky::window_above(day, altitude)) {
      Json entry{{"altitude_deg", altitude}};
      entry.update(span(*window));
      above.push_back(std::move(entry));
    }
  }
  Json windows = Json::array();
  for (const sky::Window& window : skyline.clear) {
    windows.push_back(span(window));
  }
  const auto turn = plan::meridian_turn(mount, day);
  const auto fast = plan::fast_azimuth(mount, day);
  return {{"date", sky::to_iso(day.date)},
          {"sunrise_utc", instant(day.sunrise)},
          {"transit_utc", instant(day.transit)},
          {"sunset_utc", instant(day.sunset)},
          {"transit_altitude_deg", day.transit_altitude_deg},
          {"polar", sky::kPolarWords.of(day.polar)},
          {"civil_dawn_utc", instant(day.civil_dawn)},
          {"civil_dusk_utc", instant(day.civil_dusk)},
          {"culmination_utc", sky::to_iso(day.culmination)},
          {"culmination_altitude_deg", day.culmination_altitude_deg},
          {"above", std::move(above)},
          {"first_light_utc", instant(skyline.first_light)},
          {"last_light_utc", instant(skyline.last_light)},
          {"windows", std::move(windows)},
          {"window_hours", skyline.hours},
          {"meridian_turn", turn ? Json{{"earliest_utc", sky::to_iso(turn->earliest)},
                                        {"meridian_utc", sky::to_iso(turn->meridian)},
                                        {"latest_utc", sky::to_iso(turn->latest)}}
                                 : Json(nullptr)},
          {"fast_azimuth", fast ? span(*fast) : Json(nullptr)}};
}

namespace {

/// The Moon in front of the disc; null where there is none.
Json moon_json(const measure::DiscMeasurement& measured) {
  const disc::LimbFit& limb = measured.limb;
  if (!limb.moon) {
    return nullptr;
  }
  Json angle;
  if (measured.solar && measured.view) {
    const sky::DiscPlace place = sky::to_disc(
        {limb.moon->centre_x_px - limb.centre_x_px, limb.centre_y_px - limb.moon->centre_y_px},
        *measured.solar);
    angle = base::wrap_360(std::atan2(-place.west_arcsec, place.north_arcsec) * base::kDegPerRad +
                           measured.view->p_deg);
  }
  return {{"centre_px", {limb.moon->centre_x_px, limb.moon->centre_y_px}},
          {"radius_px", limb.moon->radius_px},
          {"magnitude", limb.moon->magnitude},
          {"obscuration", limb.moon->obscuration},
          {"position_angle_deg", angle}};
}

}  // namespace

Json measurement_report(const measure::DiscMeasurement& measured) {
  Json spots = Json::array();
  for (const measure::SpotMeasurement& spot : measured.spots) {
    spots.push_back({{"latitude_deg", or_null(spot.latitude_deg)},
                     {"carrington_longitude_deg", or_null(spot.carrington_longitude_deg)},
                     {"area_muh", spot.area_muh},
                     {"umbra_muh", spot.umbra_muh},
                     {"from_centre_deg", spot.from_centre_deg},
                     {"contrast", spot.contrast},
                     {"x_px", spot.x_px},
                     {"y_px", spot.y_px}});
  }
  const disc::LimbFit& limb = measured.limb;
  const auto of_view = [&](double sky::DiscView::*member) {
    return measured.view ? Json((*measured.view).*member) : Json(nullptr);
  };
  return {{"centre_px", {limb.centre_x_px, limb.centre_y_px}},
          {"radius_px", limb.radius_px},
          {"plate_scale_arcsec_px", or_null(measured.plate_scale_arcsec_px)},
          {"blur_px", limb.blur_px},
          {"scatter_px", limb.scatter_px},
          {"limb_seen", limb.seen_share},
          {"saturated", limb.saturated},
          {"moon", moon_json(measured)},
          {"p_deg", of_view(&sky::DiscView::p_deg)},
          {"b0_deg", of_view(&sky::DiscView::b0_deg)},
          {"l0_deg", of_view(&sky::DiscView::l0_deg)},
          {"north_deg", measured.solar ? Json(measured.solar->north_deg) : Json(nullptr)},
          {"mirrored", measured.solar ? Json(measured.solar->mirrored) : Json(nullptr)},
          {"spots_sought", measured.spots_sought},
          {"spots", std::move(spots)}};
}

Json truth_report(const camera::Truth& truth) {
  Json spots = Json::array();
  for (const scene::Spot& spot : truth.spots) {
    spots.push_back({{"group", spot.group},
                     {"latitude_deg", spot.latitude_deg},
                     {"carrington_longitude_deg", spot.carrington_longitude_deg},
                     {"area_muh", spot.area_muh()}});
  }
  Json filaments = Json::array();
  Json prominences = Json::array();
  for (const camera::Truth::SeenFilament& one : truth.filaments) {
    const sky::DiscPlace& place = one.view.place;
    Json item{{"west_arcsec", place.west_arcsec},
              {"north_arcsec", place.north_arcsec},
              {"length_km", one.length_km}};
    if (one.view.height_km > 0.0) {
      item["height_km"] = one.view.height_km;
      item["position_angle_deg"] =
          base::wrap_360(std::atan2(-place.west_arcsec, place.north_arcsec) * base::kDegPerRad);
      prominences.push_back(std::move(item));
    } else {
      filaments.push_back(std::move(item));
    }
  }
  Json flares = Json::array();
  for (const scene::FlareNow& flare : truth.flares) {
    flares.push_back({{"latitude_deg", flare.latitude_deg},
                      {"carrington_longitude_deg", flare.carrington_longitude_deg},
                      {"age_s", flare.age_s},
                      {"brightness", flare.brightness}});
  }
  return {{"centre_px", {truth.centre_x_px, truth.centre_y_px}},
          {"radius_px", truth.radius_px},
          {"plate_scale_arcsec_px", truth.plate_scale_arcsec_px},
          {"north_deg", truth.solar.north_deg},
          {"mirrored", truth.solar.mirrored},
          {"r0_cm", truth.r0_cm ? Json(*truth.r0_cm) : Json(nullptr)},
          {"shift_px", {truth.shift_px.right, -truth.shift_px.up}},
          {"spots", std::move(spots)},
          {"filaments", std::move(filaments)},
          {"prominences", std::move(prominences)},
          {"flares", std::move(flares)}};
}

Json log_report(const std::vector<log::SessionSummary>& sessions) {
  Json list = Json::array();
  for (const log::SessionSummary& session : sessions) {
    list.push_back({{"id", session.id},
                    {"started_utc", sky::to_iso(session.started)},
                    {"last_frame_utc", sky::to_iso(session.last_frame)},
                    {"site", session.site},
                    {"rig", session.rig},
                    {"target", session.target},
                    {"seeing_arcsec", session.seeing_arcsec},
                    {"frames", session.frames},
                    {"clips", session.clips},
                    {"spots", session.spots ? Json(*session.spots) : Json(nullptr)}});
  }
  return {{"sessions", std::move(list)}};
}

Json shelves_report(const std::vector<log::KeptSite>& sites,
                    const std::vector<log::KeptPath>& paths) {
  Json site_list = Json::array();
  for (const log::KeptSite& kept : sites) {
    site_list.push_back({{"site", sky::to_json(kept.item)}, {"used_utc", sky::to_iso(kept.used)}});
  }
  Json path_list = Json::array();
  for (const log::KeptPath& kept : paths) {
    path_list.push_back(
        {{"light_path", optics::to_json(kept.item)}, {"used_utc", sky::to_iso(kept.used)}});
  }
  return {{"sites", std::move(site_list)}, {"light_paths", std::move(path_list)}};
}

}  // namespace solarchon::workspace
