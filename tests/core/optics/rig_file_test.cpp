// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/rig_file.h"

#include <cmath>

#include "solarchon/base/json.h"
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
  for (const std::string& kind : kinds()) {
    Element element;
    element.part = *part_of_kind(kind);
    element.name = kind;
    element.id = fresh_id(rig);
    element.length_mm = 12.5;
    element.front_face = Face::k2Barrel;
    element.rear_face = Face::kM42Male;
    element.care = {"No. 7", "bought used", "2027-07-01", "", {{"2027-07-02", -0.2, "crisp"}}};
    element.kit_id = "kit-3";
    rig.elements.push_back(std::move(element));
  }
  rig.elements[2].fitted = false;
  rig.elements[3].care.defect = "pinhole";
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

TEST(RigFile, RefusesAnUnknownElement) {}

TEST(RigFile, RefusesAnotherFormatAndANewerVersion) {
  EXPECT_THAT(changed([](Json& json) { json["format"] = "recipe"; }),
              FailsWith(ErrorCode::kUnknownValue, "format"));
  EXPECT_THAT(changed([](Json& json) { json["version"] = 3; }),
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

TEST(RigFile, BringsTheFirstVersionUpToDate) {
  // As the first version of this program wrote it.
  const Json old = Json::parse(R"({"format": "solarchon-rig", "version": 1, "name": "Old",
    "elements": [
      {"kind": "front-film", "id": "film", "name": "Film", "fitted": true, "length_mm": 0,
       "optical_density": 5.0, "clear_aperture_mm": 84, "certified": true},
      {"kind": "refractor", "id": "tube", "name": "Tube", "fitted": false, "length_mm": 0,
       "aperture_mm": 80, "focal_length_mm": 480}]})");
  const auto rig = rig_from_json(old);
  ASSERT_TRUE(rig) << rig.error().field;
  const auto& tube = std::get<Telescope>(rig->elements[1].part);
  EXPECT_EQ(tube.design, TelescopeDesign::kDoublet);
  EXPECT_EQ(tube.focal_length_mm, 480.0);
  EXPECT_FALSE(rig->elements[1].fitted);
  EXPECT_EQ(rig->elements[1].id, "tube");
  EXPECT_EQ(to_json(*rig).at("version"), kRigVersion);
  EXPECT_EQ(rig_from_json(to_json(*rig)).value(), *rig);
}

TEST(RigFile, BadInputOfAnOldVersionIsStillNamed) {
  EXPECT_THAT(changed([](Json& json) {
                json["version"] = 1;
                json["elements"][1]["aperture_mm"] = -3;
              }),
              FailsWith(ErrorCode::kOutOfRange, "elements[1].aperture_mm"));
  EXPECT_THAT(changed([](Json& json) {
                json["version"] = 1;
                json["elements"] = 7;
              }),
              FailsWith(ErrorCode::kWrongType, "elements"));
}

TEST(RigFile, KeepsAndShowsPartsOfUnknownKinds) {
  Json json = to_json(starter_rig());
  json["elements"].push_back({{"kind", "light-sabre"},
                              {"id", "x"},
                              {"name", "From the future"},
                              {"colour", "green"},
                              {"blades", {1, 2}}});
  const auto rig = rig_from_json(json);
  ASSERT_TRUE(rig);
  EXPECT_EQ(kind_of(rig->elements[3].part), "light-sabre");
  EXPECT_EQ(rig->elements[3].name, "From the future");
  const Json again = to_json(*rig)["elements"][3];
  EXPECT_EQ(again.at("colour"), "green");
  EXPECT_EQ(again.at("blades"), Json({1, 2}));
  EXPECT_EQ(rig_from_json(to_json(*rig)).value(), *rig);
}

TEST(RigFile, NamesABadDateAndABadTuningNote) {
  EXPECT_THAT(changed([](Json& json) { json["elements"][0]["inspected"] = "last week"; }),
              FailsWith(ErrorCode::kMalformed, "elements[0].inspected"));
  EXPECT_THAT(changed([](Json& json) {
                json["elements"][0]["tuning_history"] = {{{"setting_angstrom", 99}}};
              }),
              FailsWith(ErrorCode::kOutOfRange, "elements[0].tuning_history[0].setting_angstrom"));
  EXPECT_THAT(changed([](Json& json) { json["elements"][0]["tuning_history"] = 3; }),
              FailsWith(ErrorCode::kWrongType, "elements[0].tuning_history"));
  EXPECT_THAT(changed([](Json& json) { json["elements"][1]["design"] = "square"; }),
              FailsWith(ErrorCode::kUnknownValue, "elements[1].design"));
  EXPECT_THAT(changed([](Json& json) { json["elements"][1]["rear_face"] = "glue"; }),
              FailsWith(ErrorCode::kUnknownValue, "elements[1].rear_face"));
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

TEST(Parameters, ReadAndWriteEveryPropertyOfEveryPart) {
  for (const std::string& kind : kinds()) {
    Part part = *part_of_kind(kind);
    EXPECT_EQ(kind_of(part), kind);
    for (const Parameter& entry : parameters_of(part)) {
      for (const double value : {entry.range.low, entry.range.high}) {
        set_parameter(part, entry.key, value);
        EXPECT_DOUBLE_EQ(parameter(part, entry.key), value) << kind << ' ' << entry.key;
      }
      EXPECT_EQ(entry.form == Form::kChoice, !entry.words.empty()) << kind << ' ' << entry.key;
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
