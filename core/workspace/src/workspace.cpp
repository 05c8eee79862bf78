// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/workspace.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <string>
#include <vector>

#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/base/text.h"
#include "solarchon/optics/rig_file.h"

namespace solarchon::workspace {

using base::Json;
using base::Result;

sky::Observer observer_of(const Workspace& workspace) {
  const Conditions& conditions = workspace.conditions;
  const double usual_hpa = sky::standard_pressure_hpa(workspace.site.elevation_m);
  return {workspace.site,
          {conditions.pressure_hpa.value_or(usual_hpa), conditions.temperature_c},
          conditions.dut1_s};
}

plan::Outlook outlook_of(const Workspace& workspace, plan::Experience experience,
                         double least_altitude_deg) {
  return {observer_of(workspace), least_altitude_deg, workspace.rig,
          workspace.mount,        workspace.wishes,   std::move(experience)};
}

plan::Day day_of(const Workspace& workspace, const sky::CivilDate& date,
                 plan::Experience experience, double least_altitude_deg) {
  return plan::day_of(date, outlook_of(workspace, std::move(experience), least_altitude_deg));
}

namespace {

void cut(std::string& text) { text = base::clipped(std::move(text)); }

void cut(optics::Rig& rig) {
  cut(rig.name);
  if (rig.elements.size() > optics::kMostElements) {
    rig.elements.resize(optics::kMostElements);
  }
  for (optics::Element& element : rig.elements) {
    for (std::string* words :
         {&element.name, &element.care.serial, &element.care.notes, &element.care.defect}) {
      cut(*words);
    }
    for (optics::TuningNote& note : element.care.tuning) {
      cut(note.note);
    }
  }
}

}  // namespace

Workspace within_limits(Workspace workspace) {
  cut(workspace.site.name);
  cut(workspace.rig);
  if (workspace.compared) {
    cut(*workspace.compared);
  }
  if (workspace.outside.runs.size() > kMostDriftRuns) {
    workspace.outside.runs.resize(kMostDriftRuns);
  }
  auto& runs = workspace.wishes.runs;
  if (runs.size() > plan::kMostRuns) {
    runs.resize(plan::kMostRuns);
  }
  for (plan::Run& run : runs) {
    cut(run.name);
    run.start = std::clamp(run.start, sky::kFirstTime, sky::kLastTime);
  }
  for (auto& supply : workspace.wishes.power.supplies) {
    cut(supply.name);
  }
  return workspace;
}

std::filesystem::path workspace_file(const std::filesystem::path& data) {
  return data / "workspace.json";
}

std::filesystem::path log_file(const std::filesystem::path& data) { return data / "log.sqlite"; }

std::vector<std::filesystem::path> sweep_data_folder(const std::filesystem::path& data) {
  std::vector<std::filesystem::path> swept;
  const auto sweep = [&](const std::filesystem::path& folder) {
    auto files = base::sweep_half_files(folder);
    std::move(files.begin(), files.end(), std::back_inserter(swept));
  };
  sweep(data);
  for (const char* kind : {"frames", "clips", "products"}) {
    sweep(data / kind);
    std::error_code problem;
    for (std::filesystem::directory_iterator day(data / kind, problem), end; !problem && day != end;
         day.increment(problem)) {
      std::error_code ignored;
      if (day->is_directory(ignored) && !day->is_symlink(ignored)) {
        sweep(day->path());
      }
    }
  }
  return swept;
}

std::filesystem::path default_data_folder() {
  if (const char* named = std::getenv("XDG_DATA_HOME"); named != nullptr && *named == '/') {
    return std::filesystem::path(named) / "solarchon";
  }
  const char* home = std::getenv("HOME");
  return std::filesystem::path(home != nullptr ? home : "/") / ".local" / "share" / "solarchon";
}

}  // namespace solarchon::workspace
