// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/workspace.h"

#include <cmath>

#include "solarchon/base/json.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/observe.h"
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
  return answer(space, time, sky::geocentric_sun(time, 0.0));
}

TEST(WorkspaceFile, KeepsEverythingThroughWritingAndReading) {
  const TempFolder folder;
  Workspace space = morning_workspace(starter_rig());
  space.target = Target::kLargestSpot;
  space.conditions = {990.0, -3.0, 3.5, 0.55, 0.1, 81.0};
  space.outside.tube_outer_mm = 92.0;
  space.outside.film_clear_mm = 78.5;
  space.outside.mask_hole_mm = 40.0;
  space.outside.storage_c = -4.0;
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

TEST(Workspace, KeepsPracticeAndTheComparedPath) {
  Workspace space = morning_workspace(starter_rig());
  space.practice = {2, 90, true, true};
  space.compared = test::usual_train(1);
  space.mount = {plan::MountKind::kEquatorialTurns, 7.5};
  space.wishes.runs = {{"Spots", test::morning(), 20.0}};
  space.wishes.surroundings.under = plan::Ground::kRoof;
  EXPECT_EQ(workspace_from_json(to_json(space)).value(), space);
  base::Json json = to_json(space);
  json.erase("practice");  // as an older program wrote it
  json.erase("compared_rig");
  const Workspace old = workspace_from_json(json).value();
  EXPECT_EQ(old.practice, safety::Practice{});
  EXPECT_FALSE(old.compared);
  json = to_json(space);
  json["practice"]["rejection_above_mm"] = 100;
  EXPECT_THAT(workspace_from_json(json),
              FailsWith(base::ErrorCode::kUnknownValue, "practice.rejection_above_mm"));
  json = to_json(space);
  json["compared_rig"]["elements"][0]["aperture_mm"] = -1;
  EXPECT_THAT(workspace_from_json(json),
              FailsWith(base::ErrorCode::kOutOfRange, "compared_rig.elements[0].aperture_mm"));
}

TEST(WithinLimits, WhatIsHeldCanBeWrittenAndReadAgain) {
  const TempFolder folder;
  Workspace space = morning_workspace(starter_rig());
  std::string endless;  // three bytes a character
  for (int i = 0; i < 3000; ++i) {
    endless += "\u2609";
  }
  space.site.name = endless;
  space.rig.name = endless;
  space.rig.elements[0].name = endless;
  space.rig.elements[0].care.notes = endless;
  space.rig.elements[0].care.tuning.push_back({"2027-07-14", 0.1, endless});
  space.wishes.power.supplies[0].name = endless;
  space.compared = space.rig;
  plan::Run run;
  run.name = endless;
  run.start = {0};  // 1970
  space.wishes.runs.assign(700, run);
  space.rig.elements.resize(80, space.rig.elements[0]);
  for (std::size_t i = 0; i < space.rig.elements.size(); ++i) {
    space.rig.elements[i].id = "part-" + std::to_string(i);
  }
  // As it stands it is not written at all, and what was there before stays.
  test::write_text(folder / "w.json", "before");
  EXPECT_FALSE(write_workspace(space, folder / "w.json"));
  EXPECT_EQ(test::read_text(folder / "w.json"), "before");
  const Workspace held = within_limits(space);
  EXPECT_EQ(held.site.name.size(), 4095U);  // whole characters
  EXPECT_EQ(held.wishes.runs.size(), plan::kMostRuns);
  Workspace small = held;
  small.wishes.runs.resize(3);
  small.rig.elements.resize(5);
  small.compared->elements.resize(2);
  ASSERT_TRUE(write_workspace(small, folder / "w.json"));
  EXPECT_EQ(read_workspace(folder / "w.json").value(), small);
  EXPECT_EQ(within_limits(held), held);
}

TEST(SweepDataFolder, FindsWhatKilledWritersLeft) {
  const TempFolder folder;
  std::vector<std::filesystem::path> half{folder / "workspace.json.99999999-1.part"};
  for (const char* kind : {"frames", "clips", "products"}) {
    std::filesystem::create_directories(folder / kind / "2027-07-17");
    half.push_back(folder / kind / "2027-07-17/084000.fits.99999999-2.part");
  }
  for (const auto& file : half) {
    test::write_text(file, "half");
  }
  test::write_text(folder / "frames/2027-07-17/084000.fits", "whole");
  EXPECT_THAT(sweep_data_folder(folder.path()), testing::UnorderedElementsAreArray(half));
  EXPECT_TRUE(std::filesystem::exists(folder / "frames/2027-07-17/084000.fits"));
}

TEST(Learning, LeavesRehearsalsOutUnlessAsked) {
  Workspace space = morning_workspace(starter_rig());
  log::SessionSummary seen;
  seen.id = 1;
  seen.started = test::morning();
  seen.latitude_deg = space.site.latitude_deg;
  seen.longitude_deg = space.site.longitude_deg;
  seen.seeing_arcsec = 2.0;
  log::SessionSummary rehearsed = seen;
  rehearsed.id = 2;
  rehearsed.seeing_arcsec = 9.0;
  rehearsed.simulated = true;
  const std::vector<log::RightExposure> exposures{
      {1, test::morning(), space.rig.name, 2.0, 4.0, false},
      {2, test::morning(), space.rig.name, 2.0, 64.0, true},
      {3, test::morning(), "another", 2.0, 0.1, false}};
  SeeingLesson lesson;
  EXPECT_EQ(lesson.learn({rehearsed, seen}, space).notes(), 1U);
  EXPECT_EQ(correction_by(exposures, space).count, 1);
  EXPECT_NEAR(correction_by(exposures, space).stops, 1.0, 1e-9);
  space.wishes.learn_from_simulated = true;
  EXPECT_EQ(lesson.learn({rehearsed, seen}, space).notes(), 2U);
  EXPECT_EQ(correction_by(exposures, space).count, 2);
  const auto kept = workspace_from_json(to_json(space));
  ASSERT_TRUE(kept);
  EXPECT_TRUE(kept->wishes.learn_from_simulated);
}

TEST(SeeingLesson, LooksOnlyAtWhatIsNew) {
  const Workspace space = morning_workspace(starter_rig());
  std::vector<log::SessionSummary> sessions;
  const auto session = [&](std::int64_t id) {
    log::SessionSummary one;
    one.id = id;
    one.started = test::morning() + sky::seconds(86400.0 * static_cast<double>(id));
    one.latitude_deg = space.site.latitude_deg;
    one.longitude_deg = space.site.longitude_deg;
    one.seeing_arcsec = 2.0 + 0.01 * static_cast<double>(id % 50);
    return one;
  };
  for (std::int64_t id = 0; id < 500; ++id) {
    sessions.insert(sessions.begin(), session(id));
  }
  SeeingLesson lesson;
  (void)lesson.learn(sessions, space);
  EXPECT_EQ(lesson.looked_at(), 500U);
  sessions.insert(sessions.begin(), session(500));
  const plan::SeeingExperience grown = lesson.learn(sessions, space);
  EXPECT_EQ(lesson.looked_at(), 1U);
  const plan::SeeingExperience anew = seeing_experience(sessions, space);
  EXPECT_EQ(grown.notes(), anew.notes());
  for (const double hours : {-4.0, -2.5, 0.0, 3.0}) {
    EXPECT_NEAR(grown.at(hours).factor, anew.at(hours).factor, 1e-12);
    EXPECT_NEAR(grown.at(hours).spread, anew.at(hours).spread, 1e-12);
  }
  // Another site, other ground or a session that is gone: all is learned anew.
  Workspace roof = space;
  roof.wishes.surroundings.under = plan::Ground::kRoof;
  (void)lesson.learn(sessions, roof);
  EXPECT_EQ(lesson.looked_at(), 501U);
  sessions.pop_back();
  (void)lesson.learn(sessions, roof);
  EXPECT_EQ(lesson.looked_at(), 500U);
}

TEST(Answers, JudgeTheRigWithThePracticeAndTheDate) {
  Workspace space = morning_workspace(starter_rig());
  space.rig.elements[0].care.inspected = "2027-01-01";
  const auto judged = [&] {
    return answer(space, test::morning(), sky::geocentric_sun(test::morning(), 0.0)).safety.verdict;
  };
  EXPECT_EQ(judged(), safety::Severity::kCheck);  // 197 days ago
  space.practice.inspection_days = 365;
  EXPECT_EQ(judged(), safety::Severity::kNoObjection);
}

TEST(Answers, ExposeHydrogenAlphaWithinReason) {
  const Workspace space = morning_workspace(test::usual_train(2));
  const Answers answers = answer(space, test::morning(), sky::geocentric_sun(test::morning(), 0.0));
  ASSERT_TRUE(answers.exposure);
  // By hand: 1.53 W/m2/nm over 0.0434 nm (1.022 angstrom of passband less 0.84 of the line in it)
  // are 2.2e17 photons a second and m2; 0.0365 of transmission, 0.80 of air, 0.60 of efficiency and
  // 50.3 cm2 leave 1.9e13 electrons a second on 9.9e5 pixels, 1/0.83 of the mean in the centre:
  // 23 500 a millisecond. 22 400 are wanted.
  EXPECT_NEAR(answers.exposure->exposure_ms, 0.95, 0.3 * 0.95);
  EXPECT_TRUE(shot_for(space, answers, std::nullopt, 1).has_value());
}

}  // namespace
}  // namespace solarchon::workspace
