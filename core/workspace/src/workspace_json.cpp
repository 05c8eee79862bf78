// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/workspace.h"

#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/optics/rig_file.h"

namespace solarchon::workspace {

using base::Json;
using base::Result;

namespace {

constexpr std::size_t kMostBytes = 2U << 20U;
constexpr int kVersion = 1;

}  // namespace

namespace {

Json outside_to_json(const Outside& outside) {
  Json json{{"plumb_mm", outside.plumb_mm},
            {"feet_apart_mm", outside.feet_apart_mm},
            {"rate", align::kRateWords.of(outside.rate)},
            {"periodic_error_arcsec", outside.periodic_error_arcsec},
            {"worm_period_s", outside.worm_period_s},
            {"step_arcsec", outside.step_arcsec}};
  const std::pair<const char*, const std::optional<double>&> known[] = {
      {"tube_mm", outside.tube_mm},
      {"altitude_knob_deg", outside.altitude_knob_deg},
      {"azimuth_knob_deg", outside.azimuth_knob_deg},
      {"tube_outer_mm", outside.tube_outer_mm},
      {"film_clear_mm", outside.film_clear_mm},
      {"mask_hole_mm", outside.mask_hole_mm},
      {"storage_c", outside.storage_c}};
  for (const auto& [key, value] : known) {
    if (value) {
      json[key] = *value;
    }
  }
  json["runs"] = Json::array();
  for (const align::DriftRun& run : outside.runs) {
    json["runs"].push_back(align::to_json(run));
  }
  return json;
}

}  // namespace

constexpr base::Range kAimRange{-1200, 1200};

Json to_json(const Workspace& workspace) {
  const Conditions& conditions = workspace.conditions;
  Json json{{"format", "solarchon-workspace"},
            {"version", kVersion},
            {"site", sky::to_json(workspace.site)},
            {"rig", optics::to_json(workspace.rig)},
            {"target", kTargetWords.of(workspace.target)},
            {"conditions",
             {{"temperature_c", conditions.temperature_c},
              {"seeing_arcsec", conditions.seeing_arcsec},
              {"target_level", conditions.target_level},
              {"dut1_s", conditions.dut1_s}}},
            {"practice",
             {{"rejection_above_mm", safety::kSchoolsMm.at(workspace.practice.school)},
              {"inspection_days", workspace.practice.inspection_days},
              {"totality", workspace.practice.totality},
              {"guests", workspace.practice.guests}}}};
  if (conditions.pressure_hpa) {
    json["conditions"]["pressure_hpa"] = *conditions.pressure_hpa;
  }
  if (conditions.humidity_percent) {
    json["conditions"]["humidity_percent"] = *conditions.humidity_percent;
  }
  json["mount"] = plan::to_json(workspace.mount);
  json["plan"] = plan::to_json(workspace.wishes);
  json["outside"] = outside_to_json(workspace.outside);
  if (workspace.compared) {
    json["compared_rig"] = optics::to_json(*workspace.compared);
  }
  if (workspace.aim) {
    json["aim_west_arcsec"] = workspace.aim->west_arcsec;
    json["aim_north_arcsec"] = workspace.aim->north_arcsec;
  }
  return json;
}

namespace {

/// The member may be missing: files of older programs have none, and the strict school holds.
Result<safety::Practice> practice_from_json(const Json& json) {
  safety::Practice practice;
  if (!json.contains("practice")) {
    return practice;
  }
  base::ObjectReader reader(json.at("practice"), "practice");
  const double school_mm =
      reader.number_or("rejection_above_mm", {0.0, 1000.0}, safety::kSchoolsMm.front());
  const auto found = std::find(safety::kSchoolsMm.begin(), safety::kSchoolsMm.end(), school_mm);
  if (found == safety::kSchoolsMm.end()) {
    reader.fail(base::ErrorCode::kUnknownValue, "rejection_above_mm",
                std::to_string(std::lround(school_mm)), base::one_of({"80", "120", "150"}));
  } else {
    practice.school = static_cast<std::size_t>(found - safety::kSchoolsMm.begin());
  }
  practice.inspection_days =
      reader.integer_or("inspection_days", safety::kInspectionDaysRange, practice.inspection_days);
  practice.totality = reader.flag_or("totality", false);
  practice.guests = reader.flag_or("guests", false);
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return practice;
}

Result<Outside> outside_from_json(const Json& json) {
  Outside outside;
  if (!json.contains("outside")) {
    return outside;
  }
  base::ObjectReader reader(json.at("outside"), "outside");
  outside.plumb_mm = reader.number_or("plumb_mm", align::kPlumbRange, outside.plumb_mm);
  outside.feet_apart_mm =
      reader.number_or("feet_apart_mm", align::kFeetRange, outside.feet_apart_mm);
  outside.tube_mm = reader.optional_number("tube_mm", align::kTubeRange);
  outside.rate = reader.choice_or("rate", align::kRateWords, outside.rate);
  outside.periodic_error_arcsec = reader.number_or(
      "periodic_error_arcsec", align::kPeriodicErrorRange, outside.periodic_error_arcsec);
  outside.worm_period_s =
      reader.number_or("worm_period_s", align::kWormPeriodRange, outside.worm_period_s);
  outside.step_arcsec = reader.number_or("step_arcsec", align::kStepRange, outside.step_arcsec);
  outside.altitude_knob_deg = reader.optional_number("altitude_knob_deg", align::kKnobRange);
  outside.azimuth_knob_deg = reader.optional_number("azimuth_knob_deg", align::kKnobRange);
  outside.tube_outer_mm = reader.optional_number("tube_outer_mm", paper::kTubeOuterRange);
  outside.film_clear_mm = reader.optional_number("film_clear_mm", paper::kHoleRange);
  outside.mask_hole_mm = reader.optional_number("mask_hole_mm", paper::kHoleRange);
  outside.storage_c = reader.optional_number("storage_c", sky::kTemperatureRange);
  const bool has_runs = reader.has("runs");
  if (has_runs && !json.at("outside").at("runs").is_array()) {
    reader.fail(base::ErrorCode::kWrongType, "runs", {}, base::wants("list"));
  }
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  if (has_runs) {
    const Json& list = json.at("outside").at("runs");
    if (list.size() > kMostDriftRuns) {
      return base::fail(base::ErrorCode::kTooLarge, reader.path_of("runs"), {},
                        base::wants("at-most", {static_cast<double>(kMostDriftRuns)}));
    }
    for (std::size_t i = 0; i < list.size(); ++i) {
      auto run = align::drift_run_from_json(list[i],
                                            reader.path_of("runs") + "[" + std::to_string(i) + "]");
      if (!run) {
        return tl::make_unexpected(run.error());
      }
      outside.runs.push_back(*run);
    }
  }
  return outside;
}

}  // namespace

Result<Workspace> workspace_from_json(const Json& json) {
  base::ObjectReader reader(json, "");
  (void)reader.choice("format", {"solarchon-workspace"});
  const int version = reader.integer("version", {1, 1'000'000});
  if (!reader.error() && version > kVersion) {
    reader.fail(base::ErrorCode::kVersion, "version", std::to_string(version),
                base::wants("versions-up-to", {1.0}));
  }
  Workspace workspace;
  workspace.target = reader.choice("target", kTargetWords);
  const auto west = reader.optional_number("aim_west_arcsec", kAimRange);
  const auto north = reader.optional_number("aim_north_arcsec", kAimRange);
  if (west && north) {
    workspace.aim = sky::DiscPlace{*west, *north};
  }
  base::ObjectReader inner(reader.object("conditions"), "conditions");
  Conditions& conditions = workspace.conditions;
  conditions.pressure_hpa = inner.optional_number("pressure_hpa", sky::kPressureRange);
  conditions.temperature_c =
      inner.number_or("temperature_c", sky::kTemperatureRange, conditions.temperature_c);
  conditions.humidity_percent = inner.optional_number("humidity_percent", sky::kHumidityRange);
  conditions.seeing_arcsec =
      inner.number_or("seeing_arcsec", kSeeingRange, conditions.seeing_arcsec);
  conditions.target_level =
      inner.number_or("target_level", kTargetLevelRange, conditions.target_level);
  conditions.dut1_s = inner.number_or("dut1_s", sky::kDut1Range, conditions.dut1_s);
  const Json& site = reader.object("site");
  const Json& rig = reader.object("rig");
  if (reader.error() || inner.error()) {
    return tl::make_unexpected(reader.error() ? *reader.error() : *inner.error());
  }
  const auto practice = practice_from_json(json);
  if (!practice) {
    return tl::make_unexpected(practice.error());
  }
  workspace.practice = *practice;
  if (json.contains("mount")) {
    const auto mount = plan::mount_from_json(json.at("mount"), "mount");
    if (!mount) {
      return tl::make_unexpected(mount.error());
    }
    workspace.mount = *mount;
  }
  if (json.contains("plan")) {
    auto wishes = plan::wishes_from_json(json.at("plan"), "plan");
    if (!wishes) {
      return tl::make_unexpected(wishes.error());
    }
    workspace.wishes = std::move(*wishes);
  }
  const auto outside = outside_from_json(json);
  if (!outside) {
    return tl::make_unexpected(outside.error());
  }
  workspace.outside = *outside;
  if (json.contains("compared_rig")) {
    auto compared = optics::rig_from_json(json.at("compared_rig"));
    if (!compared) {
      compared.error().field = "compared_rig." + compared.error().field;
      return tl::make_unexpected(compared.error());
    }
    workspace.compared = std::move(*compared);
  }
  return sky::site_from_json(site, "site").and_then([&](const sky::Site& read_site) {
    workspace.site = read_site;
    return optics::rig_from_json(rig).map([&](const optics::Rig& read_rig) {
      workspace.rig = read_rig;
      return workspace;
    });
  });
}

Result<Workspace> read_workspace(const std::filesystem::path& path) {
  return base::read_file(path, kMostBytes)
      .and_then([&](const std::string& text) { return base::parse_json(text, path.string()); })
      .and_then(workspace_from_json);
}

Result<void> write_workspace(const Workspace& workspace, const std::filesystem::path& path) {
  const std::string text = base::file_text(to_json(workspace));
  if (text.size() > kMostBytes) {
    return base::fail(base::ErrorCode::kTooLarge, path.string(), {},
                      base::wants("at-most-bytes", {static_cast<double>(kMostBytes)}));
  }
  // What this program writes it must be able to read.
  const auto back = base::parse_json(text, path.string()).and_then(workspace_from_json);
  if (!back) {
    return tl::make_unexpected(back.error());
  }
  return base::write_file(path, text);
}

}  // namespace solarchon::workspace
