// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/table.h"

#include "tests/support/support.h"

namespace solarchon::base {
namespace {

using test::FailsWith;

Result<std::vector<RefusedLine>> read(std::string_view text, std::vector<double>& taken) {
  return read_table(text, "weights", [&](const Columns& columns) {
    return number_of(columns.front(), "weight_kg", {0.0, 100.0}).map([&](double value) {
      taken.push_back(value);
    });
  });
}

TEST(Table, SkipsHeadingBlankLinesAndRemarks) {
  std::vector<double> taken;
  const auto refused =
      read("weight_kg,what\r\n\n# scales of 2027\n 12.5 ,\"tube\"\n3;mount\n", taken);
  ASSERT_TRUE(refused);
  EXPECT_TRUE(refused->empty());
  EXPECT_THAT(taken, testing::ElementsAre(12.5, 3.0));
}

TEST(Table, RefusesBadLinesOneByOneAndKeepsTheRest) {
  std::vector<double> taken;
  const auto refused = read("1\nheavy\n-3\n,\n2\nnan\n1e999", taken);
  ASSERT_TRUE(refused);
  EXPECT_THAT(taken, testing::ElementsAre(1.0, 2.0));
  std::vector<std::pair<int, ErrorCode>> said;
  for (const RefusedLine& line : *refused) {
    said.emplace_back(line.line, line.error.code);
  }
  EXPECT_THAT(said, testing::ElementsAre(
                        std::pair(2, ErrorCode::kWrongType), std::pair(3, ErrorCode::kOutOfRange),
                        std::pair(4, ErrorCode::kMissing), std::pair(6, ErrorCode::kOutOfRange),
                        std::pair(7, ErrorCode::kWrongType)));
}

TEST(Table, IsAnErrorWhenNothingCouldBeTaken) {
  std::vector<double> taken;
  EXPECT_THAT(read("", taken), FailsWith(ErrorCode::kMissing, "weights"));
  EXPECT_THAT(read("weight\n\nheavy\n", taken), FailsWith(ErrorCode::kWrongType, "weight_kg", 3));
}

TEST(Table, QuotesWhatASpreadsheetWouldMisread) {
  EXPECT_EQ(quoted("Tube"), "Tube");
  EXPECT_EQ(quoted("Tube, short"), "\"Tube, short\"");
  EXPECT_EQ(quoted("2\" barrel"), "\"2\"\" barrel\"");
  EXPECT_EQ(quoted("=1+1"), "'=1+1");
}

}  // namespace
}  // namespace solarchon::base
