// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/plan_commands.h"

#include "cli/spoken_reports.h"

#include <filesystem>

#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/log/log_book.h"
#include "solarchon/plan/calendar.h"
#include "solarchon/plan/runbook.h"
#include "solarchon/words/plan.h"
#include "solarchon/words/safety.h"
#include "solarchon/workspace/observe.h"
#include "solarchon/workspace/reports.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::cli {

using base::Json;
using base::Result;

namespace {

constexpr std::size_t kMostBytes = 2U << 20U;
constexpr double kAlarmMin = 10.0;

/// What the data folder's log has taught of a site; nothing without a folder.
Result<plan::Experience> experience_of(const PlanOptions& options,
                                       const workspace::Workspace& space) {
  plan::Experience experience;
  if (options.data.empty()) {
    return experience;
  }
  std::error_code ignored;
  if (!std::filesystem::exists(workspace::log_file(options.data), ignored)) {
    return base::fail_because(base::ErrorCode::kUnreadable, "data",
                              base::because("no-log-in", {}, options.data));
  }
  return log::LogBook::open_to_read(workspace::log_file(options.data))
      .and_then([&](const log::LogBook& book) -> Result<plan::Experience> {
        auto steps = book.step_notes();
        auto sessions = book.summaries();
        if (!steps || !sessions) {
          return tl::make_unexpected(!steps ? steps.error() : sessions.error());
        }
        experience.steps = std::move(*steps);
        experience.seeing = workspace::seeing_experience(*sessions, space);
        return experience;
      });
}

/// A workspace with the forecast and the events that the command names.
struct Planned {
  workspace::Workspace workspace;
  plan::Experience experience;
  std::vector<base::RefusedLine> refused;
};

Result<Planned> read_planned(const PlanOptions& options) {
  Planned planned;
  auto space = workspace::read_workspace(options.workspace);
  if (!space) {
    return tl::make_unexpected(space.error());
  }
  planned.workspace = std::move(*space);
  if (!options.file.empty()) {
    auto forecast =
        base::read_file(options.file, kMostBytes).and_then([&](const std::string& text) {
          return plan::forecast_from_text(text, options.file);
        });
    if (!forecast) {
      return tl::make_unexpected(forecast.error());
    }
    planned.workspace.wishes.forecast = std::move(forecast->forecast);
    planned.refused = std::move(forecast->refused);
  }
  if (!options.events.empty()) {
    auto events = base::read_file(options.events, kMostBytes).and_then([](const std::string& text) {
      return plan::runs_from_icalendar(text);
    });
    if (!events) {
      return tl::make_unexpected(events.error());
    }
    auto& runs = planned.workspace.wishes.runs;
    runs.insert(runs.end(), events->runs.begin(), events->runs.end());
    planned.refused.insert(planned.refused.end(), events->refused.begin(), events->refused.end());
  }
  auto experience = experience_of(options, planned.workspace);
  if (!experience) {
    return tl::make_unexpected(experience.error());
  }
  planned.experience = std::move(*experience);
  return planned;
}

Result<Json> plan_day(const PlanOptions& options) {
  const auto date = sky::parse_date(options.date, "date");
  const auto least = base::checked("above", options.above_deg, {-2.0, 90.0});
  if (!date || !least) {
    return tl::make_unexpected(!date ? date.error() : least.error());
  }
  const auto planned = read_planned(options);
  if (!planned) {
    return tl::make_unexpected(planned.error());
  }
  const workspace::Workspace& space = planned->workspace;
  const plan::Day day = workspace::day_of(space, *date, planned->experience, *least);
  const auto entries = words::agenda_of(day, space.site.name, kAlarmMin);
  if (!options.calendar_out.empty()) {
    // Made when its day begins: the same plan gives the same file.
    if (auto done = base::write_file(
            options.calendar_out, plan::to_icalendar(entries, space.site.time_zone, day.sun.start));
        !done) {
      return tl::make_unexpected(done.error());
    }
  }
  if (!options.table_out.empty()) {
    if (auto done =
            base::write_file(options.table_out, plan::to_csv(entries, space.site.time_zone));
        !done) {
      return tl::make_unexpected(done.error());
    }
  }
  Json report = workspace::plan_report(day);
  report["refused_lines"] = refused_report(planned->refused);
  return report;
}

constexpr double kMeanSun = 959.63;  // semidiameter (arcsec)

Result<Json> steps(const PlanOptions& options) {
  const auto occasion = safety::kOccasionWords.from(options.occasion);
  if (!occasion) {
    return base::fail(base::ErrorCode::kUnknownValue, "occasion", options.occasion,
                      base::one_of(safety::kOccasionWords.list()));
  }
  return read_planned(options).and_then([&](const Planned& planned) -> Result<Json> {
    const workspace::Workspace& space = planned.workspace;
    // What must not be turned to the Sun is not set up, only taken down.
    if (const auto judged =
            safety::assess(space.rig, optics::follow_light(space.rig, kMeanSun), space.practice);
        judged.verdict == safety::Severity::kStop && *occasion != safety::Occasion::kPack) {
      std::string rules;
      for (const safety::Finding& finding : judged.findings) {
        if (finding.severity == safety::Severity::kStop) {
          rules += (rules.empty() ? "" : ", ") + std::string(finding.rule);
        }
      }
      return base::fail_because(base::ErrorCode::kUnknownValue, "rig",
                                base::because("stopped-by-rules", {}, rules));
    }
    Json list = Json::array();
    for (const plan::RunbookStep& step :
         plan::runbook(workspace::outlook_of(planned.workspace, planned.experience), *occasion)) {
      const words::StepWords said = words::handling_words(step.step);
      list.push_back(
          {{"id", step.step.id},
           {"what", said.what},
           {"why", said.why},
           {"check", said.check},
           {"parts", step.step.parts},
           {"needs", step.step.needs},
           {"exposes", step.step.exposes},
           {"waits", step.step.waits},
           {"minutes", step.step.minutes},
           {"spread_min", step.spread_min},
           {"learns", step.learns ? Json(plan::kStepWords.of(*step.learns)) : Json(nullptr)}});
    }
    return Json{{"occasion", options.occasion},
                {"steps", list},
                {"throughout", words::never_alone_words()}};
  });
}

Result<Json> forecast(const PlanOptions& options) {
  if (!options.file.empty()) {
    return base::read_file(options.file, kMostBytes)
        .and_then(
            [&](const std::string& text) { return plan::forecast_from_text(text, options.file); })
        .map([](const plan::ForecastFile& read) {
          Json report = plan::to_json(read.forecast);
          report["refused_lines"] = refused_report(read.refused);
          return report;
        });
  }
  const auto site = site_of(options.place);
  const auto date = sky::parse_date(options.date, "date");
  const auto hours =
      base::checked("hours", options.hours, {1.0, static_cast<double>(plan::kMostForecastHours)});
  if (!site || !date || !hours) {
    return tl::make_unexpected(!site ? site.error() : !date ? date.error() : hours.error());
  }
  return plan::to_json(plan::stand_in_forecast(*site, sky::start_of(*date), options.hours));
}

Result<Json> year(const PlanOptions& options) {
  auto site = site_of(options.place);
  const auto which = base::checked("year", options.year, {1973.0, 2099.0});
  const auto least = base::checked("above", options.above_deg, {-2.0, 90.0});
  if (!site || !which || !least) {
    return tl::make_unexpected(!site ? site.error() : !which ? which.error() : least.error());
  }
  std::vector<base::RefusedLine> refused;
  return take_horizon(options.horizon, site->horizon, refused)
      .and_then([&] {
        return plan::year_ahead(options.year, {*site, {}, 0.0}, *least);
      })
      .map([&](const plan::YearAhead& ahead) {
        Json report = workspace::year_report(ahead);
        report["refused_lines"] = refused_report(refused);
        return report;
      });
}

Result<Json> windows(const PlanOptions& options) {
  const auto date = sky::parse_date(options.date, "date");
  const auto days = base::checked("days", options.days, {1.0, 400.0});
  const auto minutes = base::checked("minutes", options.minutes, {1.0, 1440.0});
  const auto least = base::checked("above", options.above_deg, {-2.0, 90.0});
  for (const auto& number : {days, minutes, least}) {
    if (!number) {
      return tl::make_unexpected(number.error());
    }
  }
  if (!date) {
    return tl::make_unexpected(date.error());
  }
  return read_planned(options).and_then([&](const Planned& planned) {
    const workspace::Workspace& space = planned.workspace;
    const plan::Outlook outlook = workspace::outlook_of(space, planned.experience, *least);
    const sky::UtcTime from = sky::sun_day(*date, outlook.observer).start;
    return plan::coming_windows(outlook, from, options.days, options.minutes, {})
        .map(workspace::windows_report);
  });
}

void add_workspace(CLI::App& command, PlanOptions& options) {
  command.add_option("workspace", options.workspace, "workspace file with site, rig and plan")
      ->required();
  command.add_option("--date", options.date, "local date, as 2027-07-14")->required();
  command.add_option("--data", options.data, "data folder whose log corrects the plan");
  command.add_option("--forecast", options.file, "hourly CSV or JSON");
  command.add_option("--events", options.events, "calendar with events that do not wait");
  command.add_option("--above", options.above_deg, "least height of a window (degree)");
}

}  // namespace

Result<void> take_horizon(const std::string& file, sky::Horizon& horizon,
                          std::vector<base::RefusedLine>& refused) {
  if (file.empty()) {
    return {};
  }
  return base::read_file(file, kMostBytes)
      .and_then(sky::horizon_from_csv)
      .map([&](const sky::HorizonFile& read) {
        horizon = read.horizon;
        refused = read.refused;
      });
}

std::vector<Command> add_plan_commands(CLI::App& app, PlanOptions& options) {
  const auto add = [&](const char* name, const char* what) {
    CLI::App* command = app.add_subcommand(name, what);
    command->add_flag("--json", options.json, "answer as JSON (the only form)");
    return command;
  };
  CLI::App* plan_command = add("plan", "what must start when, and what stands in the way");
  add_workspace(*plan_command, options);
  plan_command->add_option("--ics", options.calendar_out, "calendar to write");
  plan_command->add_option("--csv", options.table_out, "table to write");

  CLI::App* runbook_command = add("runbook", "steps in an order that cannot hurt");
  runbook_command->add_option("workspace", options.workspace, "workspace file")->required();
  runbook_command->add_option("--occasion", options.occasion, "set-up, change, guests or pack");
  runbook_command->add_option("--data", options.data, "data folder whose log corrects the minutes");

  CLI::App* forecast_command = add("forecast", "a forecast file read, or one of the stand-in");
  forecast_command->add_option("--file", options.file, "hourly CSV or JSON to read");
  add_ground(*forecast_command, options.place, false);
  forecast_command->add_option("--date", options.date, "first day, UTC");
  forecast_command->add_option("--hours", options.hours, "how many");

  CLI::App* year_command = add("year", "heights, clear hours, P, B0 and rotations of a year");
  add_ground(*year_command, options.place, true);
  year_command->add_option("--year", options.year, "1973 to 2099")->required();
  year_command->add_option("--horizon", options.horizon, "CSV of azimuth, height, trees");
  year_command->add_option("--above", options.above_deg, "least height of a window (degree)");

  CLI::App* windows_command = add("windows", "the best window of each coming day");
  add_workspace(*windows_command, options);
  windows_command->add_option("--days", options.days, "how many");
  windows_command->add_option("--minutes", options.minutes, "that a window has to last");

  return {
      {plan_command, [&options] { return plan_day(options); }},
      {runbook_command, [&options] { return steps(options); }},
      {forecast_command,
       [&options, forecast_command]() -> Result<Json> {
         for (const char* needed : {"lat", "lon", "date"}) {
           if (options.file.empty() && forecast_command->count(std::string("--") + needed) == 0) {
             return base::fail(base::ErrorCode::kMissing, needed, {},
                               base::wants("place-and-date-or-file"));
           }
         }
         return forecast(options);
       }},
      {year_command, [&options] { return year(options); }},
      {windows_command, [&options] { return windows(options); }}};
}

}  // namespace solarchon::cli
