// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/workspace.h"

#include <cmath>

#include "solarchon/workspace/answers.h"
#include "tests/support/support.h"

namespace solarchon::workspace {
namespace {

using base::ErrorCode;
using base::Json;
using test::FailsWith;
using test::morning_workspace;
using test::starter_rig;
using test::TempFolder;

Answers answers_at(const Workspace& space, sky::UtcTime time) {
  return answer(space, time, sky::geocentric_sun(time));
}

TEST(WorkspaceFile, KeepsEverythingThroughWritingAndReading) {
  const TempFolder folder;
  Workspace space = morning_workspace(starter_rig());
  space.target = Target::kLargestSpot;
  space.conditions = {{990.0, -3.0}, 3.5, 0.55, 0.1};
  ASSERT_TRUE(write_workspace(space, workspace_file(folder.path())));
  EXPECT_EQ(read_workspace(workspace_file(folder.path())).value(), space);
}

TEST(WorkspaceFile, NamesTheBadField) {
  const Json good = to_json(morning_workspace(starter_rig()));
  const auto changed = [&](auto change) {
    Json json = good;
    change(json);
    return workspace_from_json(json);
  };
  EXPECT_THAT(changed([](Json& j) { j["site"]["latitude_deg"] = 95; }),
              FailsWith(ErrorCode::kOutOfRange, "site.latitude_deg"));
  EXPECT_THAT(changed([](Json& j) { j["target"] = "moon"; }),
              FailsWith(ErrorCode::kUnknownValue, "target"));
  EXPECT_THAT(changed([](Json& j) { j["conditions"]["seeing_arcsec"] = "bad"; }),
              FailsWith(ErrorCode::kWrongType, "conditions.seeing_arcsec"));
  EXPECT_THAT(changed([](Json& j) { j.erase("rig"); }), FailsWith(ErrorCode::kMissing, "rig"));
  EXPECT_THAT(changed([](Json& j) { j["rig"]["version"] = 9; }),
              FailsWith(ErrorCode::kVersion, "version"));
  EXPECT_THAT(changed([](Json& j) { j["version"] = 2; }),
              FailsWith(ErrorCode::kVersion, "version"));
  EXPECT_FALSE(workspace_from_json(Json(5)));
}

TEST(DefaultDataFolder, FollowsTheDesktopsRule) {
  ::setenv("XDG_DATA_HOME", "/somewhere", 1);
  EXPECT_EQ(default_data_folder(), "/somewhere/solarchon");
  ::unsetenv("XDG_DATA_HOME");
  ::setenv("HOME", "/home/someone", 1);
  EXPECT_EQ(default_data_folder(), "/home/someone/.local/share/solarchon");
}

TEST(Answer, WorksOutTheStartersMorning) {
  const Answers answers = answers_at(morning_workspace(starter_rig()), test::morning());
  EXPECT_NEAR(answers.local.altitude_deg, 38.48, 0.01);
  EXPECT_EQ(answers.safety.verdict, safety::Severity::kNoObjection);
  ASSERT_TRUE(answers.exposure);
  EXPECT_NEAR(answers.exposure->level, 0.70, 1e-9);
  EXPECT_NEAR(answers.solar.north_deg, 180.0 - answers.disc.p_deg, 1e-9);
  ASSERT_TRUE(answers.limits);
  EXPECT_EQ(answers.limits->ruling, Limit::kSampling);
}

TEST(Answer, NamesTheLimitThatRules) {
  Workspace space = morning_workspace(test::with_part(starter_rig(), optics::Amplifier{3.0}, 60.0));
  space.conditions.seeing_arcsec = 3.0;
  EXPECT_EQ(answers_at(space, test::morning()).limits->ruling, Limit::kAir);
  space.conditions.seeing_arcsec = 0.5;
  EXPECT_EQ(answers_at(space, test::morning()).limits->ruling, Limit::kDiffraction);
}

TEST(Answer, HasNoExposureAtNight) {
  const Answers night = answers_at(morning_workspace(starter_rig()), test::utc("2027-07-17"));
  EXPECT_FALSE(night.exposure);
  EXPECT_TRUE(night.train.disc_fits);
}

TEST(Answer, TakesAnEmptyRigAndEveryPlace) {
  for (const double latitude : {-90.0, 0.0, 90.0}) {
    Workspace space;
    space.site.latitude_deg = latitude;
    const Answers answers = answers_at(space, test::morning());
    EXPECT_FALSE(answers.exposure || answers.limits);
    EXPECT_EQ(answers.safety.verdict, safety::Severity::kCheck);
    EXPECT_TRUE(std::isfinite(answers.local.azimuth_deg));
  }
}

}  // namespace
}  // namespace solarchon::workspace
