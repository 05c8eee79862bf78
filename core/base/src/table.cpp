// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/table.h"

#include <algorithm>
#include <charconv>
#include <utility>

namespace solarchon::base {

namespace {

std::string_view trimmed(std::string_view text) {
  constexpr std::string_view kBlank = " \t\r\"";
  const std::size_t first = text.find_first_not_of(kBlank);
  if (first == std::string_view::npos) {
    return {};
  }
  return text.substr(first, text.find_last_not_of(kBlank) - first + 1);
}

Columns columns_of(std::string_view line) {
  Columns columns;
  const char separator = line.find(';') != std::string_view::npos ? ';' : ',';
  while (true) {
    const std::size_t end = line.find(separator);
    columns.push_back(trimmed(line.substr(0, end)));
    if (end == std::string_view::npos) {
      return columns;
    }
    line.remove_prefix(end + 1);
  }
}

/// A heading names its columns, so it begins with a letter.
bool is_heading(std::string_view line) {
  const char first = line.front();
  return (first >= 'a' && first <= 'z') || (first >= 'A' && first <= 'Z');
}

}  // namespace

Error fail_whole(const std::string& name, const std::vector<RefusedLine>& refused) {
  if (refused.empty()) {
    return {ErrorCode::kMissing, name, {}, wants("at-least-one-line"), {}};
  }
  Error error = refused.front().error;
  error.line = refused.front().line;
  return error;
}

Result<std::vector<RefusedLine>> read_table(
    std::string_view text, const std::string& name,
    const std::function<Result<void>(const Columns&)>& take) {
  std::vector<RefusedLine> refused;
  int number = 0;
  bool first = true;
  bool taken = false;
  while (!text.empty()) {
    const std::size_t end = text.find('\n');
    const std::string_view line = trimmed(text.substr(0, end));
    text.remove_prefix(end == std::string_view::npos ? text.size() : end + 1);
    ++number;
    if (line.empty() || line.front() == '#' || (std::exchange(first, false) && is_heading(line))) {
      continue;
    }
    if (const auto done = take(columns_of(line)); !done) {
      refused.push_back({number, done.error()});
    } else {
      taken = true;
    }
  }
  if (!taken) {
    return tl::make_unexpected(fail_whole(name, refused));
  }
  return refused;
}

Result<double> number_of(std::string_view column, const std::string& field, Range range) {
  if (column.empty()) {
    return fail(ErrorCode::kMissing, field, {}, within(range));
  }
  double value = 0.0;
  const auto [end, problem] = std::from_chars(column.data(), column.data() + column.size(), value);
  if (problem != std::errc() || end != column.data() + column.size()) {
    return fail(ErrorCode::kWrongType, field, std::string(column), wants("number"));
  }
  return checked(field, value, range);
}

std::string quoted(const std::string& text) {
  constexpr std::string_view kFormula = "=+-@";
  std::string safe = text;
  if (!safe.empty() && kFormula.find(safe.front()) != std::string_view::npos) {
    safe.insert(safe.begin(), '\'');
  }
  if (safe.find_first_of(",;\"\n\r") == std::string::npos) {
    return safe;
  }
  std::string out = "\"";
  for (const char letter : safe) {
    out += letter;
    if (letter == '"') {
      out += '"';
    }
  }
  return out + "\"";
}

}  // namespace solarchon::base
