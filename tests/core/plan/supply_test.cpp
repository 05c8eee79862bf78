// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/supply.h"

#include <sys/stat.h>

#include "solarchon/base/json.h"
#include "tests/support/support.h"

namespace solarchon::plan {
namespace {

using base::ErrorCode;
using test::FailsWith;

const sky::UtcTime kEight = test::utc("2027-07-17T08:00:00Z");

OnTimes four_hours() {
  return {{kEight, kEight, kEight + sky::seconds(3600.0), kEight},
          kEight + sky::seconds(4.0 * 3600.0)};
}

TEST(PowerUse, AddsWattHoursBySupply) {
  Power power;
  power.watts = {99.0, 10.0, 4.0, 30.0};  // the heater's own figure is the light path's
  const optics::Rig hydrogen = test::usual_train(2);
  const auto etalon = optics::find_fitted<optics::RearEtalon>(hydrogen);
  ASSERT_TRUE(etalon);
  const double heater = std::get<optics::RearEtalon>(hydrogen.elements[*etalon].part).heater_w;
  const PowerUse use = power_use(power, hydrogen, four_hours());
  ASSERT_EQ(use.consumers.size(), 4U);
  EXPECT_NEAR(use.supplies[0].needed_wh, 4.0 * (heater + 10.0), 1e-9);
  EXPECT_NEAR(use.supplies[1].needed_wh, 3.0 * 4.0 + 4.0 * 30.0, 1e-9);
  EXPECT_FALSE(use.supplies[0].dark_at);  // no battery was named: the mains
  EXPECT_EQ(power_use(power, test::starter_rig(), four_hours()).consumers.size(), 3U);
}

TEST(PowerUse, FindsTheMinuteWhenABatteryIsEmpty) {
  Power power;
  power.supplies[1] = {"Box", 100.0, 50.0};  // 80 and 40 of it count
  power.watts = {0.0, 0.0, 4.0, 30.0};
  const PowerUse use = power_use(power, {}, four_hours());
  // 30 Wh in the first hour, then 34 W: 50 more after 50 / 34 hours.
  ASSERT_TRUE(use.supplies[1].change_at);
  EXPECT_NEAR(sky::in_hours(*use.supplies[1].change_at - kEight), 1.0 + 50.0 / 34.0, 1e-4);
  EXPECT_NEAR(sky::in_hours(*use.supplies[1].dark_at - kEight), 1.0 + 90.0 / 34.0, 1e-4);
  power.supplies[1] = {"Box", 165.1, 0.0};  // 132.08 against 132
  EXPECT_FALSE(power_use(power, {}, four_hours()).supplies[1].change_at);
  power.supplies[1].watt_hours = 164.9;
  EXPECT_TRUE(power_use(power, {}, four_hours()).supplies[1].change_at);
}

TEST(Power, GoesThroughJson) {
  Power power;
  power.supplies[0] = {"Power bank", 74.0, 20.0};
  power.watts[1] = 12.0;
  power.supply_of = {1, 0, 1, 0};
  EXPECT_EQ(power_from_json(to_json(power), "power"), power);
  EXPECT_EQ(power_from_json(base::Json::object(), "power"), Power());
  EXPECT_THAT(power_from_json({{"supplies", {{{"watt_hours", -1}}}}}, "power"),
              FailsWith(ErrorCode::kOutOfRange, "power.supplies[0].watt_hours"));
  EXPECT_THAT(power_from_json({{"consumers", {{"mount", {{"supply", 3}}}}}}, "power"),
              FailsWith(ErrorCode::kOutOfRange, "power.consumers.mount.supply"));
  EXPECT_THAT(power_from_json({{"supplies", 2}}, "power"),
              FailsWith(ErrorCode::kWrongType, "power.supplies"));
  EXPECT_THAT(power_from_json({{"consumers", 2}}, "power"),
              FailsWith(ErrorCode::kWrongType, "power.consumers"));
}

TEST(StorageUse, CountsFramesAndBytes) {
  const optics::Rig rig = test::starter_rig();
  const optics::Camera camera = optics::sensor_of(rig)->camera;
  const double frame = 2.0 * camera.width_px * camera.height_px;
  const plan::Run clip{"", kEight, 2.0, 25.0, 0.0, 30.0, false};
  const plan::Run lapse{"",   kEight, 10.25, 25.0,
                        10.0, 30.0,   false};  // 20 whole clips, then one of 10 s
  const auto use = storage_use(rig, {clip, lapse});
  ASSERT_TRUE(use);
  EXPECT_EQ(use->bytes_per_frame, frame);
  EXPECT_EQ(use->runs[0].frames, 3000.0);
  EXPECT_EQ(use->runs[1].frames, 21.0 * 250.0);
  EXPECT_EQ(use->bytes, frame * 8250.0);
  EXPECT_NEAR(use->fastest_mb_per_s, 25.0 * frame / 1e6, 1e-9);
  // What photographic cameras and phones write is packed: 24 Mpx of 14 bits are 25 to 40 MB.
  const auto raw =
      storage_use(test::rig_of({"Solar film OD 5.0, 74 mm clear", "Camera lens 300 mm f/5.6",
                                "Photographic camera 24 Mpx, mirrorless"}),
                  {clip});
  EXPECT_GT(raw->bytes_per_frame, 25e6);
  EXPECT_LT(raw->bytes_per_frame, 40e6);
  optics::Rig light = test::rig_of({"Solar film OD 5.0, 74 mm clear", "Camera lens 300 mm f/5.6",
                                    "Photographic camera 24 Mpx, mirrorless"});
  optics::set_parameter(light.elements.back().part, "files", 1.0);
  const auto jpeg = storage_use(light, {clip});
  EXPECT_NEAR(jpeg->bytes_per_frame, 7.2e6, 1.0) << "0.3 byte for each of 24 million pixels";
  optics::set_parameter(light.elements.back().part, "files", 2.0);
  EXPECT_DOUBLE_EQ(storage_use(light, {clip})->bytes_per_frame,
                   jpeg->bytes_per_frame + raw->bytes_per_frame);
  const auto phone = storage_use(test::usual_train(0), {clip});
  EXPECT_GT(phone->bytes_per_frame, 2e6);
  EXPECT_LT(phone->bytes_per_frame, 5e6);
  EXPECT_FALSE(storage_use({}, {clip}));
}

TEST(StorageUse, TakesClipsLongerThanTheirIntervalAsOne) {
  EXPECT_EQ(frames_of({"", kEight, 1.0, 10.0, 40.0, 30.0, false}), 600.0);
  EXPECT_EQ(frames_of({"", kEight, 1.0, 10.0, 20.0, 60.0, false}), 200.0);
  EXPECT_EQ(frames_of({"", kEight, 0.1, 10.0, 20.0, 60.0, false}), 60.0);  // over before the clip
}

TEST(WriteSpeed, IsMeasuredAndLeavesNothing) {
  const test::TempFolder folder;
  double seen = 0.0;
  base::Task task;
  task.progress = [&](double fraction) { seen = fraction; };
  const auto speed = measure_write_speed(folder.path(), 8'000'000, task);
  ASSERT_TRUE(speed);
  EXPECT_GT(*speed, 0.1);
  EXPECT_EQ(seen, 1.0);
  EXPECT_TRUE(std::filesystem::is_empty(folder.path()));
}

TEST(WriteSpeed, CanBeStoppedAndRefuses) {
  const test::TempFolder folder;
  std::stop_source source;
  source.request_stop();
  EXPECT_THAT(measure_write_speed(folder.path(), 8'000'000, {source.get_token()}),
              FailsWith(ErrorCode::kCancelled, folder.path().string()));
  EXPECT_TRUE(std::filesystem::is_empty(folder.path()));
  const auto missing = folder.path() / "not-there";
  EXPECT_THAT(measure_write_speed(missing, 8'000'000),
              FailsWith(ErrorCode::kUnwritable, missing.string()));
}

}  // namespace
}  // namespace solarchon::plan
