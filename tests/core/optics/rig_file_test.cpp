// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/rig_file.h"

#include <cmath>

#include "solarchon/base/random.h"
#include "tests/support/support.h"

namespace solarchon::optics {
namespace {

using base::ErrorCode;
using base::Json;
using test::FailsWith;
using test::starter_rig;
using test::TempFolder;

/// A good rig file with one change.
template <typename Change>
base::Result<Rig> changed(Change change) {
  Json json = to_json(starter_rig());
  change(json);
  return rig_from_json(json);
}

Rig rig_of_all_parts() {
  Rig rig;
  rig.name = "Everything";
  for (const Element& generic : generic_parts()) {
    rig.elements.push_back(generic);
    rig.elements.back().id = fresh_id(rig);
  }
  rig.elements[2].fitted = false;
  return rig;
}

TEST(RigFile, KeepsEveryPartThroughWritingAndReading) {
  const TempFolder folder;
  const Rig rig = rig_of_all_parts();
  ASSERT_TRUE(write_rig(rig, folder / "rig.json"));
  EXPECT_EQ(read_rig(folder / "rig.json").value(), rig);
}

TEST(RigFile, KeepsNamesInAnyScript) {
  Rig rig = starter_rig();
  rig.name =
      "\xc3\x91"
      "and\xc3\xba \xe2\x98\x80 \"quoted\"";
  EXPECT_EQ(rig_from_json(to_json(rig)).value().name, rig.name);
}

TEST(RigFile, NamesTheMissingField) {
  EXPECT_THAT(changed([](Json& json) { json["elements"][1].erase("aperture_mm"); }),
              FailsWith(ErrorCode::kMissing, "elements[1].aperture_mm"));
  EXPECT_THAT(changed([](Json& json) { json.erase("name"); }),
              FailsWith(ErrorCode::kMissing, "name"));
  EXPECT_THAT(changed([](Json& json) { json.erase("elements"); }),
              FailsWith(ErrorCode::kMissing, "elements"));
  EXPECT_THAT(changed([](Json& json) { json.erase("version"); }),
              FailsWith(ErrorCode::kMissing, "version"));
}

TEST(RigFile, NamesTheFieldOfAWrongType) {
  EXPECT_THAT(changed([](Json& json) { json["elements"][1]["aperture_mm"] = "80"; }),
              FailsWith(ErrorCode::kWrongType, "elements[1].aperture_mm"));
  EXPECT_THAT(changed([](Json& json) { json["elements"][2]["width_px"] = 2048.5; }),
              FailsWith(ErrorCode::kWrongType, "elements[2].width_px"));
  EXPECT_THAT(changed([](Json& json) { json["elements"][0] = 7; }),
              FailsWith(ErrorCode::kWrongType, "elements[0]"));
  EXPECT_THAT(changed([](Json& json) { json["elements"] = "many"; }),
              FailsWith(ErrorCode::kWrongType, "elements"));
  EXPECT_THAT(changed([](Json& json) { json["elements"][0]["certified"] = 1; }),
              FailsWith(ErrorCode::kWrongType, "elements[0].certified"));
  EXPECT_FALSE(rig_from_json(Json::array()));
}

TEST(RigFile, RefusesImpossibleNumbers) {
  EXPECT_THAT(changed([](Json& json) { json["elements"][1]["aperture_mm"] = -80; }),
              FailsWith(ErrorCode::kOutOfRange, "elements[1].aperture_mm"));
  EXPECT_THAT(changed([](Json& json) { json["elements"][1]["focal_length_mm"] = 0; }),
              FailsWith(ErrorCode::kOutOfRange, "elements[1].focal_length_mm"));
  EXPECT_THAT(changed([](Json& json) { json["elements"][2]["bits"] = 64; }),
              FailsWith(ErrorCode::kOutOfRange, "elements[2].bits"));
  EXPECT_THAT(changed([](Json& json) { json["elements"][0]["length_mm"] = 1e300; }),
              FailsWith(ErrorCode::kOutOfRange, "elements[0].length_mm"));
}

TEST(RigFile, RefusesAnUnknownElement) {
  EXPECT_THAT(changed([](Json& json) { json["elements"][0]["kind"] = "magic-mirror"; }),
              FailsWith(ErrorCode::kUnknownValue, "elements[0].kind"));
}

TEST(RigFile, RefusesAnotherFormatAndANewerVersion) {
  EXPECT_THAT(changed([](Json& json) { json["format"] = "recipe"; }),
              FailsWith(ErrorCode::kUnknownValue, "format"));
  EXPECT_THAT(changed([](Json& json) { json["version"] = 2; }),
              FailsWith(ErrorCode::kVersion, "version"));
  EXPECT_THAT(changed([](Json& json) { json["version"] = 0; }),
              FailsWith(ErrorCode::kOutOfRange, "version"));
}

TEST(RigFile, RefusesTwoElementsOfOneId) {
  EXPECT_THAT(changed([](Json& json) { json["elements"][1]["id"] = "film"; }),
              FailsWith(ErrorCode::kUnknownValue, "elements[1].id"));
}

TEST(RigFile, RefusesTooManyElements) {
  EXPECT_THAT(changed([](Json& json) {
                for (int i = 0; i < 100; ++i) {
                  json["elements"].push_back({{"kind", "diagonal"}});
                }
              }),
              FailsWith(ErrorCode::kTooLarge, "elements"));
}

TEST(RigFile, TakesNothingForCertifiedThatDoesNotSaySo) {
  const auto rig = changed([](Json& json) { json["elements"][0].erase("certified"); });
  EXPECT_FALSE(std::get<FrontFilm>(rig.value().elements[0].part).certified);
}

TEST(RigFile, FillsInIdsThatFilesLeaveOut) {
  const auto rig = changed([](Json& json) {
    json["elements"][0].erase("id");
    json["elements"][1].erase("id");
  });
  ASSERT_TRUE(rig);
  EXPECT_NE(rig->elements[0].id, rig->elements[1].id);
  EXPECT_FALSE(rig->elements[0].id.empty());
  EXPECT_EQ(rig->elements[2].id, "camera");
}

TEST(RigFile, RefusesAHundredMegabytesOfGarbageQuickly) {
  const TempFolder folder;
  test::write_text(folder / "big.json", std::string(100'000'000, '{'));
  EXPECT_THAT(read_rig(folder / "big.json"),
              FailsWith(ErrorCode::kTooLarge, (folder / "big.json").string()));
}

TEST(RigFile, SurvivesAnyByteGoneWrong) {
  const std::string good = to_json(rig_of_all_parts()).dump();
  base::Random random{11};
  for (int trial = 0; trial < 3000; ++trial) {
    std::string bad = good;
    for (int hit = 0; hit < 3; ++hit) {
      bad[static_cast<std::size_t>(random.uniform(0, static_cast<double>(bad.size())))] =
          static_cast<char>(random.uniform(0, 256));
    }
    const auto rig = base::parse_json(bad, "f").and_then(rig_from_json);
    if (!rig) {
      EXPECT_FALSE(rig.error().field.empty());
    }
  }
}

TEST(Parameters, ReadAndWriteEveryNumberOfEveryPart) {
  for (Element element : generic_parts()) {
    for (const Parameter& entry : parameters_of(element.part)) {
      const double value = entry.whole ? std::floor(entry.range.high) : entry.range.high;
      set_parameter(element.part, entry.key, value);
      EXPECT_DOUBLE_EQ(parameter(element.part, entry.key), value) << entry.key;
    }
  }
}

TEST(Parameters, UnknownKeysAreABrokenInvariant) {
  Part part = Diagonal{};
  EXPECT_THROW((void)parameter(part, "aperture_mm"), std::invalid_argument);
}

TEST(FreshId, IsNeverTaken) {
  Rig rig;
  for (int i = 0; i < 20; ++i) {
    const std::string id = fresh_id(rig);
    for (const Element& element : rig.elements) {
      EXPECT_NE(element.id, id);
    }
    rig.elements.push_back({id, "", true, 0.0, Diagonal{}});
    if (i % 3 == 0) {
      rig.elements.erase(rig.elements.begin());
    }
  }
}

}  // namespace
}  // namespace solarchon::optics
