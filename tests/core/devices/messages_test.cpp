// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/messages.h"

#include "solarchon/base/angle.h"
#include "solarchon/base/json.h"
#include "solarchon/devices/mount_state.h"
#include "solarchon/devices/telescope_state.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/sky/sun.h"
#include "tests/support/support.h"

namespace solarchon::devices {
namespace {

using base::Json;

template <typename Kind>
Kind read_as(std::string_view line) {
  const auto message = read_message(line);
  EXPECT_TRUE(message && std::holds_alternative<Kind>(*message)) << line;
  return message && std::holds_alternative<Kind>(*message) ? std::get<Kind>(*message) : Kind{};
}

std::string field_of(std::string_view line) {
  const auto message = read_message(line);
  return message ? std::string("taken") : message.error().field;
}

TEST(LineCutter, CutsWhateverPiecesArrive) {
  const std::string stream = "{\"a\":1}\n\n{\"b\":2}\n{\"c\"";
  for (std::size_t piece = 1; piece <= stream.size(); ++piece) {
    LineCutter cutter;
    std::vector<std::string> lines;
    for (std::size_t at = 0; at < stream.size(); at += piece) {
      for (const auto& line : cutter.take(std::string_view(stream).substr(at, piece))) {
        ASSERT_TRUE(line);
        lines.push_back(*line);
      }
    }
    EXPECT_EQ(lines, (std::vector<std::string>{"{\"a\":1}", "{\"b\":2}"})) << piece;
    EXPECT_EQ(cutter.waiting(), 4U);
  }
}

TEST(LineCutter, ThrowsALineOfTenMegabytesAwayAndGoesOn) {
  LineCutter cutter;
  const std::string much(1U << 16U, 'x');
  for (int i = 0; i < 160; ++i) {
    EXPECT_TRUE(cutter.take(much).empty());
    EXPECT_LE(cutter.waiting(), kMostLineBytes);
  }
  const auto lines = cutter.take("\n{\"id\":1}\n");
  ASSERT_EQ(lines.size(), 2U);
  EXPECT_FALSE(lines[0]);
  EXPECT_EQ(lines[1], "{\"id\":1}");
}

TEST(LineCutter, TakesTheLongestLineThatIsOne) {
  LineCutter cutter;
  const std::string longest(kMostLineBytes, 'x');
  EXPECT_TRUE(cutter.take(longest).empty());
  EXPECT_EQ(cutter.take("\n"), std::vector<LineCutter::Line>{longest});
}

TEST(Messages, ComeBackFromTheirLines) {
  const Request request{7, "mount.go", base::Json{{"azimuth_deg", 12.5}}};
  const Request again = read_as<Request>(to_line(request));
  EXPECT_EQ(again.id, 7);
  EXPECT_EQ(again.method, "mount.go");
  EXPECT_EQ(again.params, request.params);
  const Answer answer = read_as<Answer>(to_line(Answer{7, base::Json{{"ok", true}}, {}, {}}));
  EXPECT_EQ(answer.id, 7);
  EXPECT_FALSE(answer.fault);
  EXPECT_EQ(answer.result.get(), Json({{"ok", true}}));
  const Answer refused = read_as<Answer>(to_line(Answer{8, {}, Fault::kOfTheDevice, "limit"}));
  EXPECT_EQ(refused.fault, Fault::kOfTheDevice);
  EXPECT_EQ(refused.reason, "limit");
  const Answer of_nothing = read_as<Answer>(to_line(Answer{{}, {}, Fault::kNotJson, "no JSON"}));
  EXPECT_FALSE(of_nothing.id);
  EXPECT_EQ(read_as<Event>(to_line(Event{"mount.held", base::Json{{"by", "cable"}}})).method,
            "mount.held");
}

TEST(Messages, AreOneLineWhateverIsInThem) {
  const std::string line = to_line(Event{"said", base::Json{{"words", "a\nb\xff\r"}}});
  EXPECT_EQ(std::count(line.begin(), line.end(), '\n'), 1);
  EXPECT_TRUE(line.ends_with('\n'));
  EXPECT_TRUE(read_message(line));
}

TEST(Messages, OfOtherKindsAreRefusedWithTheirMember) {
  EXPECT_EQ(field_of("half a li"), "message");
  EXPECT_EQ(field_of("[]"), "message");
  EXPECT_EQ(field_of(R"({"id": 1, "method": "hello"})"), "jsonrpc");
  EXPECT_EQ(field_of(R"({"jsonrpc": "1.0", "id": 1, "method": "hello"})"), "jsonrpc");
  EXPECT_EQ(field_of(R"({"jsonrpc": "2.0", "id": 1, "method": 5})"), "method");
  EXPECT_EQ(field_of(R"({"jsonrpc": "2.0", "id": "x", "method": "hello"})"), "id");
  EXPECT_EQ(field_of(R"({"jsonrpc": "2.0", "id": 1.5, "method": "hello"})"), "id");
  EXPECT_EQ(field_of(R"({"jsonrpc": "2.0", "id": 1e300, "method": "hello"})"), "id");
  EXPECT_EQ(field_of(R"({"jsonrpc": "2.0", "id": 1, "method": "hello", "params": [1]})"), "params");
  EXPECT_EQ(field_of(R"({"jsonrpc": "2.0", "id": 1})"), "result");
  EXPECT_EQ(field_of(R"({"jsonrpc": "2.0", "id": 1, "result": 1, "error": {"code": 1}})"),
            "result");
  EXPECT_EQ(field_of(R"({"jsonrpc": "2.0", "result": 1})"), "id");
  EXPECT_EQ(field_of(R"({"jsonrpc": "2.0", "id": 1, "error": "no"})"), "error");
}

TEST(Messages, OfAThousandDamagedLinesNoneIsMoreThanRefused) {
  const std::string whole = to_line(Request{3, "mount.go", base::Json{{"azimuth_deg", 12.5}}});
  base::Random random({29});
  for (int i = 0; i < 1000; ++i) {
    std::string line = whole;
    for (std::size_t hits = 1 + random.below(4); hits > 0; --hits) {
      const std::size_t at = random.below(static_cast<std::uint32_t>(line.size()));
      switch (random.below(3)) {
        case 0:
          line[at] = static_cast<char>(random.below(256));
          break;
        case 1:
          line.erase(at, 1 + random.below(8));
          break;
        default:
          line.insert(at, 1 + random.below(8), static_cast<char>(random.below(256)));
      }
      if (line.empty()) {
        line.assign(1, '{');
      }
    }
    const auto message = read_message(line);
    EXPECT_TRUE(message || !message.error().field.empty());
  }
}

TEST(MountState, ComesBackAndBelievesNobody) {
  MountState state;
  state.time = test::morning();
  state.right_ascension_deg = 116.5;
  state.declination_deg = 21.2;
  state.azimuth_deg = 90.4;
  state.altitude_deg = 38.5;
  state.tracking = Tracking::kSun;
  state.duty = Duty::kGoing;
  state.synchronised = true;
  const auto back = mount_state_from_json(to_json(state), "result");
  ASSERT_TRUE(back);
  EXPECT_EQ(*back, state);
  for (const auto& [member, lie] : {std::pair<const char*, Json>{"declination_deg", 91.0},
                                    {"right_ascension_deg", -1.0},
                                    {"altitude_deg", "high"},
                                    {"tracking", "moon"},
                                    {"duty", 3},
                                    {"time_utc", "yesterday"}}) {
    Json json = to_json(state);
    json[member] = lie;
    EXPECT_EQ(mount_state_from_json(json, "result").error().field, std::string("result.") + member);
    json.erase(member);
    EXPECT_FALSE(mount_state_from_json(json, "result")) << member;
  }
  EXPECT_FALSE(mount_state_from_json(Json(5), "result"));
}

TEST(TrueLook, ComesBackAndBelievesNobody) {
  const auto back = true_look_from_json(to_json(TrueLook{181.5, -3.25}), "camera.look");
  ASSERT_TRUE(back);
  EXPECT_DOUBLE_EQ(back->azimuth_deg, 181.5);
  EXPECT_DOUBLE_EQ(back->altitude_deg, -3.25);
  EXPECT_EQ(true_look_from_json({{"azimuth_deg", 1.0}, {"altitude_deg", 91.0}}, "camera.look")
                .error()
                .field,
            "camera.look.altitude_deg");
  EXPECT_FALSE(true_look_from_json(Json::array(), "camera.look"));
}

/// A mount that tells the truth of a place of date.
MountState honest(const sky::Observer& observer, sky::UtcTime now) {
  const sky::GeocentricSun sun = sky::geocentric_sun(now, observer.dut1_s);
  const sky::LocalSun local = sky::local_sun(sun, observer.site, observer.weather);
  MountState state;
  state.time = now;
  state.right_ascension_deg = sun.right_ascension_deg;
  state.declination_deg = sun.declination_deg;
  state.azimuth_deg = local.azimuth_deg;
  state.altitude_deg = local.altitude_airless_deg;
  return state;
}

TEST(TelescopeStates, OfGuiderAndRegionComeBackAndBelieveNobody) {
  const GuiderState guider{12.5, -3.0, true};
  EXPECT_EQ(guider_state_from_json(to_json(guider), "guide.state").value(), guider);
  const image::Rectangle region{8, 16, 320, 240};
  EXPECT_EQ(region_from_json(to_json(region), "region").value(), region);
  EXPECT_FALSE(guider_state_from_json({{"west_arcsec", 1e12}, {"north_arcsec", 0}}, "guide.state"));
  EXPECT_FALSE(region_from_json({{"left_px", -8}, {"top_px", 0}, {"width_px", 8}}, "region"));
  EXPECT_FALSE(region_from_json(base::Json::array(), "region"));
}

TEST(Rectangle, LiesAboutThePlaceAndWithinTheSensor) {
  EXPECT_EQ(part_about(2048, 1536, 1.0, 5.0, 5.0), (image::Rectangle{}));
  EXPECT_EQ(part_about(2048, 1536, 0.5, 1024.0, 768.0), (image::Rectangle{512, 384, 1024, 768}));
  EXPECT_EQ(part_about(2048, 1536, 0.5, 0.0, 1e6), (image::Rectangle{0, 768, 1024, 768}));
  EXPECT_EQ(part_about(2048, 1536, 0.5, -1e6, 700.0), (image::Rectangle{0, 312, 1024, 768}));
  EXPECT_EQ(part_about(6, 4, 0.5, 3.0, 2.0), (image::Rectangle{0, 0, 6, 4}));
}

TEST(MountDoubts, AnHonestMountIsBelievedEverywhere) {
  for (const double latitude_deg : {-90.0, -54.8, -0.1, 36.07, 69.6, 90.0}) {
    for (const double longitude_deg : {-179.99, -5.58, 0.0, 180.0}) {
      const sky::Observer observer{{"", latitude_deg, longitude_deg, 0.0, "UTC"}, {0.0, 15.0}, 0.2};
      const auto doubts = doubts_of(honest(observer, test::morning()), observer, test::morning());
      EXPECT_FALSE(doubts.clock());
      EXPECT_FALSE(doubts.place()) << doubts.place_off_deg;
      EXPECT_LT(doubts.place_off_deg, 0.005);  // parallax
    }
  }
}

TEST(MountDoubts, AWrongClockAndAWrongPlaceAreToldApart) {
  const sky::Observer observer{{"", 36.07, -5.58, 0.0, "UTC"}, {0.0, 15.0}, 0.0};
  MountState late = honest(observer, test::morning() + sky::hours(1.0));
  const auto clock = doubts_of(late, observer, test::morning());
  EXPECT_NEAR(clock.clock_fast_s, 3600.0, 0.001);
  EXPECT_TRUE(clock.clock());
  EXPECT_TRUE(clock.place());  // an hour is 15 degrees
  EXPECT_NEAR(clock.place_off_deg, 15.0 * std::cos(21.2 * base::kRadPerDeg), 0.3);
  sky::Observer elsewhere = observer;
  elsewhere.site.latitude_deg += 3.0;
  const auto place = doubts_of(honest(elsewhere, test::morning()), observer, test::morning());
  EXPECT_FALSE(place.clock());
  EXPECT_TRUE(place.place());
  EXPECT_GT(place.place_off_deg, 1.0);
}

}  // namespace
}  // namespace solarchon::devices
