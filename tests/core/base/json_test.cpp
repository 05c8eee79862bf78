// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/json.h"

#include <limits>

#include "tests/support/support.h"

namespace solarchon::base {
namespace {

using test::FailsWith;

Json parsed(const char* text) { return parse_json(text, "text").value(); }

TEST(ParseJson, NamesTheSourceAndTheByte) {
  const auto outcome = parse_json("{\"a\": }", "file.json");
  EXPECT_THAT(outcome, FailsWith(ErrorCode::kMalformed, "file.json"));
  EXPECT_EQ(outcome.error().reason, because("at-byte", {7.0}));
}

TEST(ParseJson, SurvivesAMillionBrackets) {
  EXPECT_THAT(parse_json(std::string(1'000'000, '['), "deep"),
              FailsWith(ErrorCode::kMalformed, "deep"));
  const std::string closed = std::string(100, '[') + std::string(100, ']');
  EXPECT_THAT(parse_json(closed, "deep"), FailsWith(ErrorCode::kMalformed, "deep"));
}

TEST(ParseJson, RefusesBrokenUtf8) {
  EXPECT_THAT(parse_json("\"\xff\xfe\"", "text"), FailsWith(ErrorCode::kMalformed, "text"));
}

TEST(Checked, TakesBothEndsOfTheRange) {
  EXPECT_TRUE(checked("f", 1.0, {1.0, 2.0}));
  EXPECT_TRUE(checked("f", 2.0, {1.0, 2.0}));
  EXPECT_THAT(checked("f", 2.0001, {1.0, 2.0}), FailsWith(ErrorCode::kOutOfRange, "f"));
}

TEST(Checked, RefusesNanAndInfinity) {
  EXPECT_FALSE(checked("f", std::numeric_limits<double>::quiet_NaN(), {-1.0, 1.0}));
  EXPECT_FALSE(checked("f", std::numeric_limits<double>::infinity(), {-1.0, 1.0}));
}

TEST(Checked, SaysWhatWouldBeAccepted) {
  EXPECT_EQ(checked("f", 9.0, {-1.5, 1.0}).error().accepted, within({-1.5, 1.0}));
}

TEST(ObjectReader, ReadsEveryKindOfMember) {
  const Json json = parsed(R"({"n": 2.5, "i": 3, "t": "x", "b": true, "w": "two", "o": {"k": 1}})");
  ObjectReader reader(json, "top");
  EXPECT_DOUBLE_EQ(reader.number("n", {0, 10}), 2.5);
  EXPECT_EQ(reader.integer("i", {0, 10}), 3);
  EXPECT_EQ(reader.text("t"), "x");
  EXPECT_TRUE(reader.flag_or("b", false));
  EXPECT_EQ(reader.choice("w", {"one", "two"}), 1U);
  EXPECT_EQ(reader.object("o").at("k"), 1);
  EXPECT_FALSE(reader.error());
}

TEST(ObjectReader, FallsBackOnlyForAbsentMembers) {
  const Json json = parsed(R"({"n": "no number"})");
  ObjectReader absent(json, "");
  EXPECT_DOUBLE_EQ(absent.number_or("m", {0, 1}, 0.5), 0.5);
  EXPECT_EQ(absent.integer_or("m", {0, 9}, 7), 7);
  EXPECT_EQ(absent.text_or("m", "word"), "word");
  EXPECT_EQ(absent.choice_or("m", {"a", "b"}, 1), 1U);
  EXPECT_FALSE(absent.error());
  EXPECT_DOUBLE_EQ(absent.number_or("n", {0, 1}, 0.5), 0.5);
  EXPECT_TRUE(absent.error());
}

TEST(ObjectReader, KeepsTheFirstErrorWithItsPath) {
  const Json json = parsed(R"({"a": 11, "b": "x"})");
  ObjectReader reader(json, "elements[2]");
  EXPECT_DOUBLE_EQ(reader.number("a", {0, 10}), 0.0);
  (void)reader.number("b", {0, 10});
  ASSERT_TRUE(reader.error());
  EXPECT_EQ(*reader.error(),
            (Error{ErrorCode::kOutOfRange, "elements[2].a", "11", within({0.0, 10.0})}));
}

TEST(ObjectReader, TellsMissingFromWrongType) {
  const Json json = parsed(R"({"a": null, "n": 1.5})");
  ObjectReader missing(json, "");
  (void)missing.text("x");
  EXPECT_EQ(missing.error()->code, ErrorCode::kMissing);
  ObjectReader wrong(json, "");
  (void)wrong.number("a", {0, 1});
  EXPECT_EQ(wrong.error()->code, ErrorCode::kWrongType);
  ObjectReader fraction(json, "");
  (void)fraction.integer("n", {0, 9});
  EXPECT_EQ(fraction.error()->code, ErrorCode::kWrongType);
}

TEST(ObjectReader, ListsTheWordsThatItKnows) {
  const Json json = parsed(R"({"w": "three"})");
  ObjectReader reader(json, "");
  (void)reader.choice("w", {"one", "two"});
  EXPECT_EQ(reader.error()->code, ErrorCode::kUnknownValue);
  EXPECT_EQ(reader.error()->accepted, one_of({"one", "two"}));
}

TEST(ObjectReader, RefusesWhatIsNoObject) {
  const Json json = parsed("[1, 2]");
  ObjectReader reader(json, "site");
  (void)reader.number("a", {0, 1});
  EXPECT_EQ(reader.error()->code, ErrorCode::kWrongType);
  EXPECT_EQ(reader.error()->field, "site");
  EXPECT_FALSE(reader.has("a"));
}

TEST(ObjectReader, ShortensLongValuesInErrors) {
  const Json json = Json{{"w", std::string(5000, 'x')}, {"n", std::string(500, 'y')}};
  ObjectReader text(json, "");
  (void)text.text("w");
  EXPECT_EQ(text.error()->code, ErrorCode::kTooLarge);
  ObjectReader number(json, "");
  (void)number.number("n", {0, 1});
  EXPECT_LT(number.error()->value.size(), 60U);
}

}  // namespace
}  // namespace solarchon::base
