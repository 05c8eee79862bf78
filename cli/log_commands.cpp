// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/log_commands.h"

#include <filesystem>
#include <functional>

#include "solarchon/base/json.h"
#include "solarchon/log/log_book.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/workspace/reports.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::cli {

using base::Json;
using base::Result;

namespace {

/// Reads something of the log in the data folder; where none is named, the usual folder, which may
/// be empty.
Result<Json> from_log(const LogOptions& options, const Json& empty,
                      const std::function<Result<Json>(const log::LogBook&)>& read) {
  const std::filesystem::path data =
      options.data.empty() ? workspace::default_data_folder() : std::filesystem::path(options.data);
  std::error_code ignored;
  if (!std::filesystem::exists(workspace::log_file(data), ignored)) {
    if (options.data.empty()) {
      return empty;
    }
    return base::fail_because(base::ErrorCode::kUnreadable, "data",
                              base::because("no-log-in", {}, data.string()));
  }
  return log::LogBook::open_to_read(workspace::log_file(data)).and_then(read);
}

Result<Json> log_list(const LogOptions& options) {
  return from_log(options, workspace::log_report({}), [](const log::LogBook& book) {
    return book.summaries().map(workspace::log_report);
  });
}

Result<Json> log_kit(const LogOptions& options) {
  return from_log(options, optics::parts_to_json({}),
                  [](const log::LogBook& book) { return book.kit().map(optics::parts_to_json); });
}

Result<Json> log_shelves(const LogOptions& options) {
  return from_log(options, workspace::shelves_report({}, {}), [](const log::LogBook& book) {
    return book.sites().and_then([&](const std::vector<log::KeptSite>& sites) {
      return book.paths().map([&](const std::vector<log::KeptPath>& paths) {
        return workspace::shelves_report(sites, paths);
      });
    });
  });
}

}  // namespace

std::vector<Command> add_log_commands(CLI::App& app, LogOptions& options) {
  CLI::App* log = app.add_subcommand("log", "the observer's log, kit and shelves");
  log->require_subcommand(1);
  std::vector<Command> commands;
  const auto add = [&](const char* name, const char* what, auto answer) {
    CLI::App* added = log->add_subcommand(name, what);
    added->add_flag("--json", options.json, "answer as JSON (the only form)");
    added->add_option("--data", options.data, "data folder");
    commands.push_back({added, [&options, answer] { return answer(options); }});
  };
  add("list", "all sessions, newest first", log_list);
  add("kit", "the parts of the kit, by name", log_kit);
  add("shelves", "kept sites and light paths, last used first", log_shelves);
  return commands;
}

}  // namespace solarchon::cli
