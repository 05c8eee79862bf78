// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/range.h"

#include <utility>

#include "solarchon/base/text.h"

namespace solarchon::base {

namespace {

std::string listed(const std::vector<std::string>& words) {
  std::string text;
  for (const std::string& word : words) {
    text += (text.empty() ? "" : ", ") + word;
  }
  return text;
}

}  // namespace

Remark within(const Range& range) { return wants("range", {range.low, range.high}); }

Remark one_of(const std::vector<std::string>& words) { return wants("one-of", {}, listed(words)); }

Result<double> checked(std::string field, double value, Range range) {
  if (!(value >= range.low && value <= range.high)) {
    return fail(ErrorCode::kOutOfRange, std::move(field), short_text(value), within(range));
  }
  return value;
}

}  // namespace solarchon::base
