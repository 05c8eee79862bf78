// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "solarchon/base/result.h"

namespace solarchon::base {

/// Inclusive range that a number must lie in.
struct Range {
  double low;
  double high;
};

/// What errors say of a range, or of a list of words.
[[nodiscard]] Remark within(const Range& range);
[[nodiscard]] Remark one_of(const std::vector<std::string>& words);

/// Checks one number that came from outside.
/// Errors: kOutOfRange, also for NaN and infinities.
[[nodiscard]] Result<double> checked(std::string field, double value, Range range);

}  // namespace solarchon::base
