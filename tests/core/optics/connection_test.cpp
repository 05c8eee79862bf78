// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/connection.h"

#include <set>

#include "solarchon/base/json.h"
#include "solarchon/optics/catalogue.h"
#include "tests/support/support.h"

namespace solarchon::optics {
namespace {

using test::catalogue_part;
using test::rig_of;

TEST(Mate, JoinsWhatGoesInWithWhatTakesIt) {
  EXPECT_TRUE(mate(Face::k125Barrel, Face::k125Holder));
  EXPECT_TRUE(mate(Face::k125Holder, Face::k125Barrel));
  EXPECT_TRUE(mate(Face::kM42Male, Face::kM42Female));
  EXPECT_FALSE(mate(Face::k125Barrel, Face::k125Barrel));
  EXPECT_FALSE(mate(Face::k125Barrel, Face::k2Holder));
  EXPECT_FALSE(mate(Face::k125Holder, Face::k2Barrel));
  EXPECT_FALSE(mate(Face::kM42Female, Face::kM48Male));
  EXPECT_FALSE(mate(Face::kNone, Face::kNone));
  EXPECT_EQ(kFaceWords.size(), static_cast<std::size_t>(Face::kCFemale) + 1);
}

TEST(Joints, NameWhereAnAdapterIsMissing) {
  const Rig rig = rig_of({"Doublet 80 mm f/6", "Mirror diagonal 1.25 inch", "Eyepiece 20 mm"});
  const auto joints = joints_of(rig);
  ASSERT_EQ(joints.size(), 2U);
  EXPECT_EQ(joints[0], (Joint{0, 1, JointState::kNeedsAdapter}));  // 2 inch drawtube
  EXPECT_EQ(joints[1], (Joint{1, 2, JointState::kFits}));
}

TEST(Joints, LeaveOutWhatSitsInsideLiesAsideOrStandsApart) {
  Rig rig = rig_of({"Solar film OD 5.0, 84 mm clear", "Doublet 60 mm f/6",
                    "Ultraviolet and infrared cut 1.25 inch", "Mirror diagonal 1.25 inch",
                    "Eyepiece 20 mm", "Phone in an eyepiece holder"});
  EXPECT_EQ(joints_of(rig).size(), 2U);
  rig.elements[3].fitted = false;
  const auto joints = joints_of(rig);
  ASSERT_EQ(joints.size(), 1U);
  EXPECT_EQ(joints[0], (Joint{1, 4, JointState::kFits}));
  rig.elements[4].front_face = Face::kNone;
  EXPECT_EQ(joints_of(rig)[0].state, JointState::kUnknown);
  EXPECT_TRUE(joints_of({}).empty());
}

TEST(Adapters, AreProposedFromTheCatalogueShortestFirst) {
  const auto& parts = shipped_catalogue().value();
  const auto single = adapters_between(Face::k2Holder, Face::k125Barrel, parts);
  ASSERT_FALSE(single.empty());
  ASSERT_EQ(single[0].size(), 1U);
  EXPECT_EQ(parts[single[0][0]].name, "Adapter 2 inch to 1.25 inch");
  // A thread on a drawtube takes two: every chain must really join.
  const auto chains = adapters_between(Face::kM54Male, Face::kM42Female, parts);
  ASSERT_FALSE(chains.empty());
  for (const auto& chain : chains) {
    Face rear = Face::kM54Male;
    for (const std::size_t place : chain) {
      EXPECT_TRUE(mate(rear, parts[place].front_face));
      rear = parts[place].rear_face;
    }
    EXPECT_TRUE(mate(rear, Face::kM42Female));
  }
  EXPECT_TRUE(adapters_between(Face::kNone, Face::k2Barrel, parts).empty());
  EXPECT_TRUE(adapters_between(Face::k2Holder, Face::k125Barrel, {}).empty());
}

TEST(UsualPlace, PutsEachKindWhereItBelongs) {
  Rig rig;
  for (const char* name :
       {"Mono camera 3 Mpx, 3.45 µm", "Doublet 80 mm f/6", "Mirror diagonal 1.25 inch",
        "Solar film OD 5.0, 84 mm clear", "Ultraviolet and infrared cut 2 inch",
        "Heated rear etalon 0.5 Å with 4.3x telecentric", "USB power bank 5 V, 12 W, 74 Wh"}) {
    Element part = catalogue_part(name);
    part.id = fresh_id(rig);
    const auto place = static_cast<std::ptrdiff_t>(usual_place(rig, part.part));
    rig.elements.insert(rig.elements.begin() + place, part);
  }
  std::vector<std::string_view> order;
  for (const Element& element : rig.elements) {
    order.push_back(kind_of(element.part));
  }
  EXPECT_EQ(order,
            (std::vector<std::string_view>{"power-supply", "front-film", "telescope", "cut-filter",
                                           "diagonal", "rear-etalon", "camera"}));
}

TEST(Catalogue, IsWholeNamesNothingTwiceAndHoldsEveryKind) {
  const auto& parts = shipped_catalogue();
  ASSERT_TRUE(parts) << parts.error().field;
  std::set<std::string> names;
  std::set<std::string_view> seen;
  for (const Element& part : *parts) {
    EXPECT_TRUE(names.insert(part.name).second) << part.name;
    seen.insert(kind_of(part.part));
    EXPECT_NE(zone_of(part.part), Zone::kUnknown) << part.name;
    for (const Parameter& entry : parameters_of(part.part)) {
      const double value = parameter(part.part, entry.key);
      EXPECT_TRUE(value >= entry.range.low && value <= entry.range.high) << part.name;
    }
  }
  EXPECT_EQ(seen.size(), kinds().size());
}

TEST(Catalogue, KitFilesComeBackAsTheyWere) {
  const test::TempFolder folder;
  const auto& parts = shipped_catalogue().value();
  ASSERT_TRUE(write_parts(parts, folder / "kit.json"));
  EXPECT_EQ(read_parts(folder / "kit.json").value(), parts);
  EXPECT_THAT(parts_from_json(base::Json{{"format", "solarchon-catalogue"}, {"version", 9}}),
              test::FailsWith(base::ErrorCode::kVersion, "version"));
  EXPECT_THAT(parts_from_json(base::Json{{"format", "solarchon-catalogue"}, {"version", 1}}),
              test::FailsWith(base::ErrorCode::kMissing, "parts"));
  base::Json bad = parts_to_json(parts);
  bad["parts"][2]["clear_aperture_mm"] = -1;
  EXPECT_THAT(parts_from_json(bad),
              test::FailsWith(base::ErrorCode::kOutOfRange, "parts[2].clear_aperture_mm"));
}

TEST(Sensor, IsAnyOfThreeKinds) {
  Rig rig = test::starter_rig();
  EXPECT_EQ(sensor_of(rig)->camera.width_px, 2048);
  rig.elements[2].part = PhotoCamera{};
  EXPECT_TRUE(sensor_of(rig)->camera.colour);
  EXPECT_FALSE(sensor_of(rig)->eyepiece_lens_mm);
  const double full_well = sensor_of(rig)->camera.full_well_e;
  set_parameter(rig.elements[2].part, "iso", 800.0);
  EXPECT_DOUBLE_EQ(sensor_of(rig)->camera.full_well_e, full_well / 8.0);
  rig.elements[2].part = Phone{};
  EXPECT_DOUBLE_EQ(*sensor_of(rig)->eyepiece_lens_mm, 5.0);
  EXPECT_EQ(receiver_of(rig), Receiver::kSensor);
  rig.elements[2].part = Eyepiece{};
  EXPECT_FALSE(sensor_of(rig));
  EXPECT_EQ(receiver_of(rig), Receiver::kEye);
  rig.elements[2].part = ProjectionScreen{};
  EXPECT_EQ(receiver_of(rig), Receiver::kScreen);
  rig.elements[2].fitted = false;
  EXPECT_EQ(receiver_of(rig), Receiver::kNone);
}

}  // namespace
}  // namespace solarchon::optics
