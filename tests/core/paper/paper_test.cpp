// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <limits>

#include "solarchon/base/angle.h"
#include "solarchon/paper/sheets.h"
#include "tests/support/support.h"

namespace solarchon::paper {
namespace {

double distance(const Point& a, const Point& b) {
  return std::hypot(a.x_mm - b.x_mm, a.y_mm - b.y_mm);
}

const Circle& circle_of(const Sheet& sheet, double radius_mm) {
  const auto found =
      std::find_if(sheet.circles.begin(), sheet.circles.end(),
                   [&](const Circle& one) { return std::abs(one.radius_mm - radius_mm) < 1e-9; });
  EXPECT_NE(found, sheet.circles.end()) << radius_mm;
  return found != sheet.circles.end() ? *found : sheet.circles.front();
}

TEST(CapSheet, HasItsHoleItsFoldAndItsTabs) {
  const Sheet sheet = cap_sheet({102.0, 80.0}).value();
  const Circle& hole = circle_of(sheet, 40.0);
  const Circle& fold = circle_of(sheet, 51.5);
  const Circle& reach = circle_of(sheet, 51.5 + kTabMm);
  EXPECT_EQ(hole.ink, Ink::kCut);
  EXPECT_EQ(fold.ink, Ink::kFold);
  EXPECT_NEAR(distance(hole.centre, fold.centre), 0.0, 1e-9);
  // All of it lies on the drawing.
  EXPECT_GT(reach.centre.x_mm - reach.radius_mm, 0.0);
  EXPECT_LT(reach.centre.y_mm + reach.radius_mm, sheet.height_mm);
  int tabs = 0;
  for (const Line& line : sheet.lines) {
    if (line.ink == Ink::kCut) {
      ++tabs;
      EXPECT_NEAR(distance(line.from, fold.centre), fold.radius_mm, 1e-9);
      EXPECT_NEAR(distance(line.to, fold.centre), reach.radius_mm, 1e-9);
    }
  }
  EXPECT_GE(tabs, 8);
}

TEST(CapSheet, RefusesWhatLeavesNoCard) {
  EXPECT_EQ(cap_sheet({100.0, 95.0}).error().field, "hole_mm");
  EXPECT_EQ(cap_sheet({100.0, 60.0, 20.0}).error().field, "hole_mm");
  EXPECT_EQ(cap_sheet({5.0, 3.0}).error().field, "tube_outer_mm");
  EXPECT_EQ(cap_sheet({900.0, 80.0}).error().field, "tube_outer_mm");
  EXPECT_FALSE(cap_sheet({100.0, std::numeric_limits<double>::quiet_NaN()}));
  EXPECT_TRUE(cap_sheet({100.0, 92.0}));
}

TEST(OffAxisCap, TheHoleTouchesNeitherTheSecondaryNorTheEdge) {
  for (const double obstruction : {0.2, 0.34, 0.45}) {
    const optics::Telescope telescope{203.0, 2032.0, optics::TelescopeDesign::kDoublet,
                                      obstruction};
    const Cap cap = off_axis_cap(230.0, telescope).value();
    EXPECT_NEAR(cap.hole_off_mm - cap.hole_mm / 2.0, 203.0 * obstruction / 2.0 + kLeastCardMm,
                1e-9);
    EXPECT_NEAR(cap.hole_off_mm + cap.hole_mm / 2.0, 203.0 / 2.0 - kLeastCardMm, 1e-9);
    EXPECT_TRUE(cap_sheet(cap));
  }
  EXPECT_EQ(off_axis_cap(70.0, {60.0, 700.0, optics::TelescopeDesign::kDoublet, 0.9}).error().field,
            "hole_mm");
}

TEST(Tiles, OneWhereItFitsAndAllOfItWhereNot) {
  const Sheet small = cap_sheet({100.0, 80.0}).value();
  ASSERT_EQ(tiles_of(small, kA4).size(), 1U);
  const Tile one = tiles_of(small, kA4).front();
  EXPECT_NEAR(one.corner.x_mm + one.width_mm / 2.0, small.width_mm / 2.0, 1e-9);  // in the middle
  for (const Page& page : {kA4, kLetter}) {
    const Sheet large = cap_sheet({360.0, 300.0}).value();
    const auto tiles = tiles_of(large, page);
    ASSERT_GT(tiles.size(), 2U);
    // Every point lies on a page, and neighbours share their strip.
    for (double x = 0.0; x <= large.width_mm; x += 3.0) {
      for (double y = 0.0; y <= large.height_mm; y += 3.0) {
        EXPECT_TRUE(std::any_of(tiles.begin(), tiles.end(),
                                [&](const Tile& tile) {
                                  return x >= tile.corner.x_mm &&
                                         x <= tile.corner.x_mm + tile.width_mm &&
                                         y >= tile.corner.y_mm &&
                                         y <= tile.corner.y_mm + tile.height_mm;
                                }))
            << x << ' ' << y;
      }
    }
    EXPECT_NEAR(tiles[0].corner.x_mm + tiles[0].width_mm - tiles[1].corner.x_mm, kSharedMm, 1e-9);
  }
}

TEST(ShadowSheet, TheShadowsLieAsTheSkyRoomSays) {
  const sky::Observer observer{{"", 36.07, -5.58, 42.0, "UTC"}, {1010.0, 15.0}, 0.0};
  auto shadows = align::plumb_shadows(observer, test::utc("2027-07-17T08:00:00Z"),
                                      sky::minutes(30.0), 16, 1000.0);
  ASSERT_GT(shadows.size(), 10U);
  const Sheet sheet = shadow_sheet(shadows, 1000.0, kA4).value();
  const double bead = shadow_bead_mm(shadows, 1000.0, kA4);
  EXPECT_LT(bead, 1000.0);
  EXPECT_EQ(tiles_of(sheet, kA4).size(), 1U);
  // The foot of the line to the north, and of its cross.
  const Line& cross = sheet.lines.at(3);
  const Point under{(cross.from.x_mm + cross.to.x_mm) / 2.0, cross.from.y_mm};
  std::size_t tips = 0;
  for (const Circle& tip : sheet.circles) {
    // Against the astronomical triangle: the shadow falls away from the Sun, h / tan(altitude)
    // long.
    const sky::LocalSun sun = sky::local_sun(sky::geocentric_sun(shadows.at(tips).time, 0.0),
                                             observer.site, observer.weather);
    const double azimuth = (sun.azimuth_deg + 180.0) * base::kRadPerDeg;
    const double length = bead / std::tan(sun.altitude_deg * base::kRadPerDeg);
    EXPECT_NEAR(tip.centre.x_mm - under.x_mm, length * std::sin(azimuth), 0.2);
    EXPECT_NEAR(under.y_mm - tip.centre.y_mm, length * std::cos(azimuth), 0.2);
    EXPECT_GT(tip.centre.x_mm, 0.0);
    EXPECT_LT(tip.centre.x_mm, sheet.width_mm);
    ++tips;
  }
  EXPECT_EQ(tips, shadows.size());
  EXPECT_EQ(shadow_sheet({}, 1000.0, kA4).error().code, base::ErrorCode::kNotFound);
}

TEST(FeetSheet, WaysToTheOthersStandASixthOfATurnApart) {
  for (const double latitude : {36.0, -36.0}) {
    const Sheet sheet = feet_sheet(latitude, 800.0).value();
    EXPECT_EQ(tiles_of(sheet, kA4).size(), 1U);
    int ways = 0;
    for (const Label& label : sheet.labels) {
      if (label.says == Says::kToFoot) {
        EXPECT_DOUBLE_EQ(label.value, 800.0);
        ++ways;
      }
    }
    EXPECT_EQ(ways, 6);
    // The foot towards the pole sees the others on the other side of it.
    const Point first = sheet.circles.front().centre;
    for (const Label& label : sheet.labels) {
      if (label.says == Says::kToFoot && distance(label.at, first) < 40.0) {
        EXPECT_GT((label.at.y_mm - first.y_mm) * (latitude > 0.0 ? 1.0 : -1.0), 10.0);
      }
    }
  }
  EXPECT_EQ(feet_sheet(36.0, 10.0).error().field, "feet_apart_mm");
}

}  // namespace
}  // namespace solarchon::paper
