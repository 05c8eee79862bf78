// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/match_commands.h"

#include <cmath>

#include "solarchon/base/json.h"
#include "solarchon/light/exposure_plan.h"
#include "solarchon/log/log_book.h"
#include "solarchon/match/clip.h"
#include "solarchon/match/mosaic.h"
#include "solarchon/match/ranking.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/sky/sun.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/dusk.h"
#include "solarchon/workspace/live.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::cli {

using base::Json;
using base::Result;

Result<match::Target> target_of(const std::string& word) {
  const auto target = match::kTargetWords.from(word);
  if (!target) {
    return base::fail(base::ErrorCode::kUnknownValue, "target", word,
                      base::wants("one-of", {},
                                  "whole-disc, largest-spot, granulation, faculae, prominence, "
                                  "filament, plage, limb"));
  }
  return *target;
}

namespace {

constexpr base::Range kCloudRange{0.0, 15.0};

/// A light path at a place and an instant.
struct Choices {
  workspace::Workspace workspace;
  workspace::Answers answers;
  advise::Situation situation;
};

Result<Choices> chosen(const MatchOptions& options) {
  const auto rig = optics::read_rig(options.rig);
  if (!rig) {
    return tl::make_unexpected(rig.error());
  }
  const auto set = light::amplified(*rig, {options.iso, options.gain_db});
  if ((options.iso || options.gain_db) && !set) {
    return tl::make_unexpected(set.error());
  }
  const auto site = site_of(options.place);
  const auto at = placed(options.place);
  const auto level = base::checked("level", options.level, workspace::kTargetLevelRange);
  const auto seeing = base::checked("seeing", options.seeing_arcsec, workspace::kSeeingRange);
  const auto cloud = base::checked("cloud", options.cloud_stops, kCloudRange);
  if (!site || !at) {
    return tl::make_unexpected(!site ? site.error() : at.error());
  }
  if (!level || !seeing || !cloud) {
    return tl::make_unexpected(!level ? level.error() : !seeing ? seeing.error() : cloud.error());
  }
  const auto target = target_of(options.target);
  if (!target) {
    return tl::make_unexpected(target.error());
  }
  Choices choices;
  choices.workspace.site = *site;
  choices.workspace.rig = options.iso || options.gain_db ? *set : *rig;
  choices.workspace.target = *target;
  choices.workspace.conditions.seeing_arcsec = *seeing;
  choices.workspace.conditions.target_level = *level;
  choices.workspace.conditions.pressure_hpa = at->observer.weather.pressure_hpa;
  choices.workspace.conditions.temperature_c = at->observer.weather.temperature_c;
  const sky::GeocentricSun sun = sky::geocentric_sun(at->time, options.place.dut1_s);
  choices.answers = workspace::answer(choices.workspace, at->time, sun);
  choices.situation = workspace::situation_of(
      choices.workspace, at->time, sun.semidiameter_arcsec(), choices.answers.local.airmass);
  choices.situation.light.cloud_stops = *cloud;
  if (!choices.answers.local.airmass) {
    return base::fail(base::ErrorCode::kOutOfRange, "time", options.place.time,
                      base::wants("sun-above-the-horizon"));
  }
  if (!choices.answers.train.sampling_arcsec_px) {
    return base::fail(base::ErrorCode::kMissing, "rig", {}, base::wants("telescope-and-camera"));
  }
  return choices;
}

Json limit_word(light::ShutterLimit limit) {
  switch (limit) {
    case light::ShutterLimit::kTooBright:
      return "too-bright";
    case light::ShutterLimit::kTooDim:
      return "too-dim";
    case light::ShutterLimit::kNone:
      break;
  }
  return nullptr;
}

/// What the log has learned of this light path; nothing without a folder.
Result<light::Correction> learned(const MatchOptions& options,
                                  const workspace::Workspace& workspace) {
  if (options.data.empty()) {
    return light::Correction{};
  }
  return log::LogBook::open_to_read(workspace::log_file(options.data))
      .and_then([&](const log::LogBook& book) { return book.right_exposures(workspace.rig.name); })
      .map([&](const std::vector<log::RightExposure>& exposures) {
        return workspace::correction_by(exposures, workspace);
      });
}

Result<Json> expose(const MatchOptions& options) {
  return chosen(options).and_then([&](Choices at) -> Result<Json> {
    const auto correction = learned(options, at.workspace);
    if (!correction) {
      return tl::make_unexpected(correction.error());
    }
    at.situation.light.correction_stops = correction->stops;
    const auto plan = light::exposure_plan(at.workspace.rig, at.answers.train, at.situation.light);
    if (!plan) {
      return base::fail(base::ErrorCode::kMissing, "rig", {}, base::wants("telescope-and-camera"));
    }
    Json table = Json::array();
    for (const light::ExposureCell& cell : plan->table) {
      table.push_back({{"iso", cell.iso > 0.0 ? Json(cell.iso) : Json(nullptr)},
                       {"gain_db", cell.iso > 0.0 ? Json(nullptr) : Json(cell.gain_db)},
                       {"shutter_s", cell.shutter_s},
                       {"level", cell.level}});
    }
    return Json{{"disc_ms", plan->disc.exposure_ms},
                {"prominence_ms", plan->prominence_ms ? Json(*plan->prominence_ms) : Json(nullptr)},
                {"spot_ms", plan->spot_ms},
                {"level", plan->disc.level},
                {"correction_stops", correction->stops},
                {"correction_count", correction->count},
                {"correction_spread_stops", correction->spread},
                {"limit", limit_word(plan->disc.limit)},
                {"prominence_limit", limit_word(plan->prominence_limit)},
                {"table", std::move(table)},
                {"uncovered_sun", true},
                {"moon_in_front", workspace::moon_report(at.answers.moon)}};
  });
}

Json seconds_or_null(double seconds) {
  return std::isfinite(seconds) ? Json(seconds) : Json(nullptr);
}

Json setting_report(const match::Setting& setting) {
  return {{"lens", setting.lens.empty() ? Json(nullptr) : Json(setting.lens)},
          {"without", setting.without.empty() ? Json(nullptr) : Json(setting.without)},
          {"binning", setting.binning},
          {"region_px", {setting.region.width_px, setting.region.height_px}},
          {"focal_ratio", setting.focal_ratio},
          {"sampling_arcsec_px", setting.sampling_arcsec_px},
          {"pixels_per_detail", setting.pixels_per_detail},
          {"detail_arcsec", setting.detail_arcsec},
          {"field_arcmin", {setting.field_width_arcmin, setting.field_height_arcmin}},
          {"exposure_ms", setting.exposure_ms},
          {"light_stops", setting.light_stops},
          {"frame_rate_hz", setting.rate.hz},
          {"frame_rate_limit", match::kRateLimitWords.of(setting.rate.ruling)},
          {"panels", setting.panels},
          {"focus_reached", setting.focus},
          {"stopped_by_rules", setting.opposed},
          {"cost_stops", setting.cost}};
}

Result<Json> matched(const MatchOptions& options) {
  return chosen(options).and_then([&](const Choices& at) -> Result<Json> {
    std::vector<optics::Element> lenses;
    if (options.kit.empty()) {
      const auto& catalogue = optics::shipped_catalogue();
      if (!catalogue) {
        return tl::make_unexpected(catalogue.error());
      }
      lenses = *catalogue;
    } else {
      const auto kit = optics::read_parts(options.kit);
      if (!kit) {
        return tl::make_unexpected(kit.error());
      }
      lenses = *kit;
    }
    const auto share = base::checked("share", options.share, match::kKeptShareRange);
    if (!share) {
      return tl::make_unexpected(share.error());
    }
    const auto settings =
        match::ranked(at.workspace.rig, at.workspace.target, lenses, at.situation);
    const workspace::Limits& limits = *at.answers.limits;
    const sky::DiscPlace place =
        workspace::place_of(at.workspace, at.answers, scene::SyntheticSun());
    const match::TargetNeed need =
        match::need_of(at.workspace.target, at.situation.semidiameter_arcsec);
    const auto motion = workspace::clip_motion_of(at.workspace, at.answers, place);
    if (!motion) {
      return tl::make_unexpected(motion.error());
    }
    const match::ClipBudget budget = match::clip_budget(*motion);
    Json list = Json::array();
    for (const match::Setting& setting : settings) {
      list.push_back(setting_report(setting));
    }
    Json clip{{"longest_s", seconds_or_null(budget.longest())},
              {"limit", match::kClipLimitWords.of(budget.ruling)}};
    if (!settings.empty() && std::isfinite(budget.longest())) {
      const match::FrameRate& rate = settings.front().rate;
      clip["frames"] = std::floor(budget.longest() * rate.hz);
      clip["bytes"] = std::floor(budget.longest() * rate.hz) * rate.bytes_a_frame;
    }
    if (const auto sensor = optics::sensor_of(at.workspace.rig); sensor && !settings.empty()) {
      const match::EnoughFrames enough = match::enough_frames(
          at.workspace.target, match::frame_noise(sensor->camera, at.situation.light.target_level),
          *share);
      const match::FrameRate& rate = settings.front().rate;
      clip["enough"] = {{"kept", enough.kept},
                        {"frames", enough.recorded},
                        {"seconds", enough.recorded / rate.hz},
                        {"bytes", enough.recorded * rate.bytes_a_frame}};
    }
    return Json{{"target", match::kTargetWords.of(at.workspace.target)},
                {"aim_arcsec", {place.west_arcsec, place.north_arcsec}},
                {"needs_hydrogen_alpha", need.hydrogen_alpha},
                {"limits",
                 {{"diffraction_arcsec", limits.diffraction_arcsec},
                  {"sampling_arcsec", limits.sampling_arcsec},
                  {"air_arcsec", limits.air_arcsec},
                  {"motion_arcsec", limits.motion_arcsec},
                  {"ruling", workspace::kLimitWords.of(limits.ruling)}}},
                {"settings", std::move(list)},
                {"clip", std::move(clip)}};
  });
}

Result<Json> ramped(const MatchOptions& options) {
  const auto observer = observer_of(options.place);
  const auto date = sky::parse_date(options.date, "date");
  const auto good = light::check(options.ramp);
  if (!observer || !date || !good) {
    return tl::make_unexpected(!observer ? observer.error() : !date ? date.error() : good.error());
  }
  const sky::SunDay day = sky::sun_day(*date, *observer);
  Json steps = Json::array();
  for (const workspace::DuskStep& at :
       workspace::dusk_steps(day, !options.sunrise, *observer, options.ramp)) {
    steps.push_back({{"time_utc", sky::to_iso(at.time)},
                     {"altitude_deg", at.altitude_deg},
                     {"shutter_s", at.step.shutter_s},
                     {"iso", at.step.iso},
                     {"missing_stops", at.step.missing_stops}});
  }
  const auto through = options.sunrise ? day.sunrise : day.sunset;
  return Json{{"through_utc", through ? Json(sky::to_iso(*through)) : Json(nullptr)},
              {"steps", std::move(steps)}};
}

}  // namespace

std::vector<Command> add_match_commands(CLI::App& app, MatchOptions& options) {
  const auto command = [&](const char* name, const char* what) {
    CLI::App* added = app.add_subcommand(name, what);
    added->add_flag("--json", options.json, "answer as JSON (the only form)");
    return added;
  };
  CLI::App* match = command("match", "what limits the detail, and ways to set up, best first");
  match->add_option("rig", options.rig, "rig file")->required();
  add_place(*match, options.place, true);
  match->add_option("--target", options.target,
                    "whole-disc, largest-spot, granulation, faculae, prominence, filament, plage "
                    "or limb");
  match->add_option("--seeing", options.seeing_arcsec, "full width (arcsec)");
  match->add_option("--kit", options.kit, "file with your own lenses; left out: the catalogue's");
  match->add_option("--level", options.level, "brightest part against full well");
  match->add_option("--share", options.share, "of a clip's frames that are kept");

  CLI::App* expose_command = command("expose", "exposures, and the table round them");
  expose_command->add_option("rig", options.rig, "rig file")->required();
  add_place(*expose_command, options.place, true);
  expose_command->add_option("--iso", options.iso, "of a photographic camera");
  expose_command->add_option("--gain", options.gain_db, "of a video camera (dB)");
  expose_command->add_option("--level", options.level, "brightest part against full well");
  expose_command->add_option("--cloud", options.cloud_stops, "that thin cloud takes (stops)");
  expose_command->add_option("--data", options.data, "folder whose log corrects the prediction");

  CLI::App* ramp = command("ramp", "shutter and ISO of a wide lens through sunset or sunrise");
  add_ground(*ramp, options.place, true);
  ramp->add_option("--date", options.date, "local date, as 2027-07-14")->required();
  ramp->add_flag("--sunrise", options.sunrise, "instead of sunset");
  ramp->add_option("--focal-ratio", options.ramp.focal_ratio, "of the lens");
  ramp->add_option("--iso-low", options.ramp.iso_low, "that is kept while the shutter lengthens");
  ramp->add_option("--iso-high", options.ramp.iso_high, "that it goes up to");
  ramp->add_option("--shortest", options.ramp.shortest_s, "shutter (s)");
  ramp->add_option("--longest", options.ramp.longest_s, "shutter (s)");
  ramp->add_option("--correction", options.ramp.correction_stops,
                   "more light than a meter gives (stops)");
  return {{match, [&options] { return matched(options); }},
          {expose_command, [&options] { return expose(options); }},
          {ramp, [&options] { return ramped(options); }}};
}

}  // namespace solarchon::cli
