// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <string>
#include <vector>

#include "cli/command.h"
#include "cli/place.h"
#include "solarchon/base/result.h"
#include "solarchon/sky/horizon.h"

namespace solarchon::cli {

/// What the commands of planning are told.
struct PlanOptions {
  bool json = true;
  std::string workspace;
  std::string data;
  std::string date;
  std::string file;
  std::string events;
  std::string calendar_out;
  std::string table_out;
  std::string horizon;
  std::string occasion = "set-up";
  PlaceOptions place;
  double above_deg = 20.0;
  double minutes = 60.0;
  int hours = 72;
  int days = 28;
  int year = 0;
};

/// Adds `plan`, `runbook`, `forecast`, `year` and `windows`.
/// @param options  must outlive the parsing and the answers
[[nodiscard]] std::vector<Command> add_plan_commands(CLI::App& app, PlanOptions& options);

/// Reads a horizon file when one is named. Errors: as base::read_file and horizon_from_csv.
[[nodiscard]] base::Result<void> take_horizon(const std::string& file, sky::Horizon& horizon,
                                              std::vector<base::RefusedLine>& refused);

}  // namespace solarchon::cli
