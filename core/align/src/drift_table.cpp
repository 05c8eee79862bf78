// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>

#include "solarchon/align/drift.h"
#include "solarchon/base/table.h"

namespace solarchon::align {

using base::ErrorCode;
using base::Result;

namespace {

constexpr std::size_t kLeastColumns = 6;
constexpr std::array<std::string_view, 7> kColumns{
    "time_utc",         "hour_angle_deg",  "declination_deg", "duration_s",
    "dec_drift_arcsec", "ha_drift_arcsec", "noise_arcsec"};

Result<std::optional<double>> drift_from(std::string_view column, std::string_view name) {
  if (column.empty()) {
    return std::optional<double>();
  }
  return base::number_of(column, std::string(name), kDriftRange).map([](double value) {
    return std::optional<double>(value);
  });
}

/// One number or the first error of several.
template <typename... Values>
std::optional<base::Error> first_error(const Values&... values) {
  std::optional<base::Error> first;
  const auto look = [&](const auto& value) {
    if (!first && !value) {
      first = value.error();
    }
  };
  (look(values), ...);
  return first;
}

Result<DriftRun> run_from(const base::Columns& columns) {
  if (columns.size() < kLeastColumns || columns.size() > kColumns.size()) {
    return base::fail_because(ErrorCode::kMalformed, "line",
                              base::because("columns", {static_cast<double>(columns.size())}),
                              base::wants("drift-columns"));
  }
  const bool stated = columns.size() > kLeastColumns && !columns[6].empty();
  const auto start = sky::parse_utc(columns[0], std::string(kColumns[0]));
  const auto hour_angle = base::number_of(columns[1], std::string(kColumns[1]), kHourAngleRange);
  const auto declination =
      base::number_of(columns[2], std::string(kColumns[2]), kSunDeclinationRange);
  const auto duration = base::number_of(columns[3], std::string(kColumns[3]), kRunSecondsRange);
  const auto declination_drift = drift_from(columns[4], kColumns[4]);
  const auto hour_angle_drift = drift_from(columns[5], kColumns[5]);
  const Result<double> noise =
      stated ? base::number_of(columns[6], std::string(kColumns[6]), kNoiseRange)
             : Result<double>(DriftRun().noise_arcsec);
  if (auto problem = first_error(start, hour_angle, declination, duration, declination_drift,
                                 hour_angle_drift, noise)) {
    return tl::make_unexpected(std::move(*problem));
  }
  if (!*declination_drift && !*hour_angle_drift) {
    return base::fail(ErrorCode::kMissing, std::string(kColumns[4]), {},
                      base::wants("a-drift-in-each-run"));
  }
  return DriftRun{
      *start, *hour_angle, *declination, *duration, *declination_drift, *hour_angle_drift, *noise};
}

/// A heading that begins with a letter names the columns in their order.
std::optional<base::Error> wrong_heading(std::string_view text) {
  const auto line = text.substr(0, std::min(text.find('\n'), text.size()));
  const char first = line.empty() ? ' ' : line.front();
  const bool heading = (first >= 'a' && first <= 'z') || (first >= 'A' && first <= 'Z');
  if (!heading) {
    return std::nullopt;
  }
  std::size_t from = 0;
  for (std::size_t i = 0; i < kColumns.size() && from <= line.size(); ++i) {
    const std::size_t end = std::min(line.find_first_of(",;", from), line.size());
    std::string_view named = line.substr(from, end - from);
    constexpr std::string_view kAround = " \t\r\"";
    named.remove_prefix(std::min(named.find_first_not_of(kAround), named.size()));
    named = named.substr(0, named.find_last_not_of(kAround) + 1);
    if (named != kColumns.at(i)) {
      return base::Error{ErrorCode::kUnknownValue,
                         "heading",
                         std::string(named),
                         base::wants("one-of", {}, std::string(kColumns.at(i))),
                         {},
                         1};
    }
    from = end + 1;
  }
  return std::nullopt;
}

}  // namespace

Result<std::vector<DriftRun>> read_drift_table(std::string_view text, const std::string& name) {
  constexpr std::string_view kByteOrderMark = "\xEF\xBB\xBF";  // spreadsheets begin with it
  if (text.starts_with(kByteOrderMark)) {
    text.remove_prefix(kByteOrderMark.size());
  }
  if (auto wrong = wrong_heading(text)) {
    return tl::make_unexpected(std::move(*wrong));
  }
  std::vector<DriftRun> runs;
  const auto refused =
      base::read_table(text, name, [&](const base::Columns& columns) -> Result<void> {
        const auto run = run_from(columns);
        if (!run) {
          return tl::make_unexpected(run.error());
        }
        if (runs.size() >= kMostRuns) {
          return base::fail(ErrorCode::kTooLarge, name, {},
                            base::wants("at-most", {static_cast<double>(kMostRuns)}));
        }
        runs.push_back(*run);
        return {};
      });
  if (!refused) {
    return tl::make_unexpected(refused.error());
  }
  if (!refused->empty()) {  // a fit without a run that was meant would mislead
    return tl::make_unexpected(base::fail_whole(name, *refused));
  }
  return runs;
}

}  // namespace solarchon::align
