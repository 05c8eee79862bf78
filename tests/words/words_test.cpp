// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/words/errors.h"

#include <gtest/gtest.h>

#include "solarchon/base/json.h"

namespace solarchon::words {
namespace {

using base::Error;
using base::ErrorCode;

TEST(Sentence, NamesTheFieldTheValueAndWhatWouldDo) {
  EXPECT_EQ(sentence({ErrorCode::kOutOfRange, "lat", "95", base::within({-90.0, 90.0})}),
            "lat: 95 is out of range; accepted: -90 to 90");
  EXPECT_EQ(
      sentence({ErrorCode::kUnknownValue, "kind", "magic", base::one_of({"camera", "diagonal"})}),
      "kind: \"magic\" is not known; accepted: camera, diagonal");
  EXPECT_EQ(sentence({ErrorCode::kMissing, "name"}), "name: is missing");
}

TEST(Sentence, IsOneLineForEveryCode) {
  for (int code = 0; code <= static_cast<int>(ErrorCode::kCancelled); ++code) {
    const std::string line = sentence({static_cast<ErrorCode>(code), "field", "a\nvalue",
                                       base::wants("one-of", {}, "more\nlines")});
    EXPECT_EQ(line.find('\n'), std::string::npos);
    EXPECT_EQ(line.rfind("field: ", 0), 0U);
    EXPECT_GT(line.size(), 12U);
  }
}

TEST(BesideField, LeavesOutTheFieldAndEmptyParts) {
  EXPECT_EQ(beside_field({ErrorCode::kUnreadable, "f"}), "cannot be read");
  EXPECT_EQ(beside_field({ErrorCode::kUnwritable, "f", {}, {}, base::reported("No space left")}),
            "cannot be written; nothing was changed (No space left)");
  EXPECT_EQ(
      beside_field({ErrorCode::kNotFound, "limb", {}, {}, base::because("no-edge-of-the-sun")}),
      "no edge of the Sun was found in the picture");
}

}  // namespace
}  // namespace solarchon::words
