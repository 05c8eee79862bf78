// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/align_commands.h"

#include "solarchon/align/drift.h"
#include "solarchon/base/file.h"
#include "solarchon/words/align.h"

namespace solarchon::cli {

using base::Json;
using base::Result;

namespace {

constexpr std::size_t kMostTableBytes = 1U << 20U;

Json drift_report(const align::PoleFit& fit) {
  Json report = align::to_json(fit);
  report["advice"] = Json::array();
  for (const align::Advice& advice : fit.advice) {
    report["advice"].push_back(words::advice_words(advice));
  }
  return report;
}

Result<Json> drift(const AlignOptions& options) {
  const auto rate = align::kRateWords.from(options.rate);
  if (!rate) {
    return base::fail(base::ErrorCode::kUnknownValue, "rate", options.rate,
                      base::wants("one-of", {}, "solar, sidereal"));
  }
  return base::read_file(options.file, kMostTableBytes)
      .and_then(
          [&](const std::string& text) { return align::read_drift_table(text, options.file); })
      .and_then([&](const std::vector<align::DriftRun>& runs) {
        return align::fit_pole(runs, options.latitude_deg, *rate);
      })
      .map(drift_report);
}

}  // namespace

std::vector<Command> add_align_commands(CLI::App& app, AlignOptions& options) {
  CLI::App* align = app.add_subcommand("align", "the mount's axis against the pole, by day");
  align->require_subcommand(1);
  CLI::App* added = align->add_subcommand("drift", "the error of the axis from drift runs");
  added->add_flag("--json", options.json, "answer as JSON (the only form)");
  added->add_option("file", options.file, "CSV, a row a run")->required();
  added->add_option("--lat", options.latitude_deg, "latitude (degree, north positive)")->required();
  added->add_option("--rate", options.rate, "of the mount: solar or sidereal");
  return {{added, [&options] { return drift(options); }}};
}

}  // namespace solarchon::cli
