// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/enum_words.h"

#include <gtest/gtest.h>

#include <stdexcept>

namespace solarchon::base {
namespace {

enum class Colour { kRed, kGreen };
constexpr EnumWords<Colour, 2> kColourWords{{"red", "green"}};

TEST(EnumWords, GoBothWays) {
  EXPECT_EQ(kColourWords.of(Colour::kGreen), "green");
  EXPECT_EQ(kColourWords.from("red"), Colour::kRed);
  EXPECT_FALSE(kColourWords.from("blue"));
  EXPECT_FALSE(kColourWords.from(""));
  EXPECT_EQ(kColourWords.list(), (std::vector<std::string>{"red", "green"}));
  static_assert(kColourWords.from("green") == Colour::kGreen);
}

TEST(EnumWords, HaveNoneForWhatIsNoneOfTheEnums) {
  EXPECT_THROW((void)kColourWords.of(static_cast<Colour>(2)), std::out_of_range);
}

}  // namespace
}  // namespace solarchon::base
