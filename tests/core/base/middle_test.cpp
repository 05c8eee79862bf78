// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/middle.h"

#include <gtest/gtest.h>

namespace solarchon::base {
namespace {

TEST(Middle, IsTheMedian) {
  EXPECT_EQ(middle_of({}), 0.0);
  EXPECT_EQ(middle_of({3.0}), 3.0);
  EXPECT_EQ(middle_of({9.0, 1.0, 1e9, 2.0, -1e9}), 2.0);
  EXPECT_EQ(middle_of({1.0, 2.0, 3.0, 4.0}), 3.0);  // of an even number the upper of the two
}

}  // namespace
}  // namespace solarchon::base
