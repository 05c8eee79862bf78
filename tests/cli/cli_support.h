// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <gtest/gtest.h>

#include <algorithm>
#include <iterator>
#include <sstream>
#include <string>
#include <vector>

#include "cli/cli.h"
#include "solarchon/base/json.h"

namespace solarchon::cli {

using base::Json;

struct Outcome {
  int code;
  std::string out;
  std::string err;
  [[nodiscard]] Json json() const { return Json::parse(out); }
};

inline Outcome call(const std::vector<std::string>& arguments) {
  std::ostringstream out;
  std::ostringstream err;
  const int code = run(arguments, out, err);
  return {code, out.str(), err.str()};
}

inline std::vector<std::string> words(const std::string& line) {
  std::istringstream in(line);
  return {std::istream_iterator<std::string>(in), {}};
}

/// Bad input: code 2, one line that names the field, nothing on standard output.
inline void expect_bad_input(const Outcome& outcome, const std::string& field) {
  EXPECT_EQ(outcome.code, 2) << outcome.err;
  EXPECT_TRUE(outcome.out.empty());
  EXPECT_EQ(std::count(outcome.err.begin(), outcome.err.end(), '\n'), 1) << outcome.err;
  EXPECT_NE(outcome.err.find(field), std::string::npos) << outcome.err;
}

}  // namespace solarchon::cli
