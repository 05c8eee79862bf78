// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/paper/sheets.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/base/angle.h"

namespace solarchon::paper {

using base::Result;

namespace {

constexpr double kPlayMm = 0.5;    // so that the cap goes over the tube
constexpr double kMarginMm = 6.0;  // round a drawing
constexpr double kTabWideMm = 24.0;
constexpr double kCrossMm = 4.0;
constexpr double kWideHoleMm = 45.0;  // its word stands within
constexpr double kFootRadiusMm = 38.0;
constexpr double kNorthMm = 55.0;  // the line to the north
constexpr double kWordMm = 11.0;   // room of a time

/// North is up, east to the right.
Point towards(const Point& from, double bearing_deg, double length_mm) {
  const double bearing = bearing_deg * base::kRadPerDeg;
  return {from.x_mm + length_mm * std::sin(bearing), from.y_mm - length_mm * std::cos(bearing)};
}

void add_cross(Sheet& sheet, const Point& at) {
  sheet.lines.push_back({{at.x_mm - kCrossMm, at.y_mm}, {at.x_mm + kCrossMm, at.y_mm}});
  sheet.lines.push_back({{at.x_mm, at.y_mm - kCrossMm}, {at.x_mm, at.y_mm + kCrossMm}});
}

}  // namespace

Result<Sheet> cap_sheet(const Cap& cap) {
  const auto outer = base::checked("tube_outer_mm", cap.tube_outer_mm, kTubeOuterRange);
  const double most_mm = cap.tube_outer_mm - 2.0 * (kLeastCardMm + std::abs(cap.hole_off_mm));
  const auto hole =
      base::checked("hole_mm", cap.hole_mm, {kHoleRange.low, std::max(kHoleRange.low, most_mm)});
  if (!outer || !hole) {
    return tl::make_unexpected(!outer ? outer.error() : hole.error());
  }
  const double edge_mm = cap.tube_outer_mm / 2.0 + kPlayMm;
  const double reach_mm = edge_mm + kTabMm;
  const double side_mm = 2.0 * (reach_mm + kMarginMm);
  Sheet sheet{side_mm, side_mm};
  const Point middle{side_mm / 2.0, side_mm / 2.0};
  const Point hole_middle{middle.x_mm + cap.hole_off_mm, middle.y_mm};
  sheet.circles = {{hole_middle, cap.hole_mm / 2.0, Ink::kCut},
                   {middle, edge_mm, Ink::kFold},
                   {middle, reach_mm, Ink::kCut}};
  add_cross(sheet, middle);
  if (cap.hole_off_mm != 0.0) {
    add_cross(sheet, hole_middle);
  }
  const int tabs = std::max(8, static_cast<int>(2.0 * base::kPi * edge_mm / kTabWideMm));
  for (int i = 0; i < tabs; ++i) {
    const double bearing_deg = 360.0 * i / tabs;
    sheet.lines.push_back(
        {towards(middle, bearing_deg, edge_mm), towards(middle, bearing_deg, reach_mm), Ink::kCut});
  }
  // Within a wide hole, below a small one.
  const double word_mm = cap.hole_mm > kWideHoleMm ? 10.0 : cap.hole_mm / 2.0 + 5.0;
  sheet.labels = {
      {{hole_middle.x_mm, hole_middle.y_mm + word_mm}, Says::kHole, cap.hole_mm},
      {{middle.x_mm, middle.y_mm + edge_mm + kTabMm / 2.0}, Says::kOuter, cap.tube_outer_mm},
      {{middle.x_mm, middle.y_mm - edge_mm - kTabMm / 2.0}, Says::kTabs, kTabMm}};
  return sheet;
}

Result<Cap> off_axis_cap(double tube_outer_mm, const optics::Telescope& telescope) {
  const double clear_mm = telescope.aperture_mm;
  const double hidden_mm = clear_mm * telescope.obstruction;
  // Between the secondary's edge and the aperture's.
  const double room_mm = (clear_mm - hidden_mm) / 2.0;
  const double hole_mm = room_mm - 2.0 * kLeastCardMm;
  return base::checked("hole_mm", hole_mm, {kHoleRange.low, kHoleRange.high}).map([&](double size) {
    return Cap{tube_outer_mm, size, hidden_mm / 2.0 + room_mm / 2.0};
  });
}

double shadow_bead_mm(const std::vector<align::PlumbShadow>& shadows, double plumb_mm,
                      const Page& page) {
  double longest_mm = 0.0;
  for (const align::PlumbShadow& shadow : shadows) {
    longest_mm = std::max(longest_mm, shadow.length_mm);
  }
  const double room_mm = (page.width_mm - 2.0 * kEdgeMm) / 2.0 - 2.0 * kMarginMm;
  return longest_mm > room_mm ? plumb_mm * room_mm / longest_mm : plumb_mm;
}

Result<Sheet> shadow_sheet(const std::vector<align::PlumbShadow>& shadows, double plumb_mm,
                           const Page& page) {
  if (shadows.empty()) {
    return base::fail(base::ErrorCode::kNotFound, "shadow");
  }
  const double bead_mm = shadow_bead_mm(shadows, plumb_mm, page);
  std::vector<Point> tips;  // from under the bead
  Point low{-kNorthMm, -kNorthMm};
  Point high{kNorthMm, kNorthMm / 2.0};
  for (const align::PlumbShadow& shadow : shadows) {
    tips.push_back(towards({}, shadow.direction_deg, shadow.length_mm * bead_mm / plumb_mm));
    low = {std::min(low.x_mm, tips.back().x_mm), std::min(low.y_mm, tips.back().y_mm)};
    high = {std::max(high.x_mm, tips.back().x_mm), std::max(high.y_mm, tips.back().y_mm)};
  }
  const bool shadows_north = -low.y_mm > high.y_mm;
  const double round_mm = 2.0 * kMarginMm;
  const Point under{round_mm - low.x_mm, round_mm - low.y_mm};
  Sheet sheet{high.x_mm - low.x_mm + 2.0 * round_mm, high.y_mm - low.y_mm + 2.0 * round_mm};
  const Point north = towards(under, 0.0, kNorthMm);
  sheet.lines = {{towards(under, 180.0, kNorthMm / 2.0), north},
                 {north, towards(under, 4.0, kNorthMm - 6.0)},
                 {north, towards(under, -4.0, kNorthMm - 6.0)}};
  sheet.labels = {{towards(under, 0.0, kNorthMm + 4.0), Says::kNorth},
                  {towards(under, shadows_north ? 180.0 : 0.0, 9.0), Says::kUnderBead, bead_mm}};
  add_cross(sheet, under);
  for (std::size_t i = 0; i < tips.size(); ++i) {
    const Point tip{under.x_mm + tips[i].x_mm, under.y_mm + tips[i].y_mm};
    sheet.circles.push_back({tip, 0.8});
    if (i > 0) {
      sheet.lines.push_back({sheet.circles[i - 1].centre, tip});
    }
    // Away from the bead, where the word before leaves room.
    const Point word = towards(tip, shadows[i].direction_deg, 8.0);
    const Point& before = sheet.labels.back().at;
    if (sheet.labels.back().says != Says::kTime || std::abs(word.x_mm - before.x_mm) > kWordMm ||
        std::abs(word.y_mm - before.y_mm) > kWordMm / 2.0) {
      sheet.labels.push_back({word, Says::kTime, 0.0, shadows[i].time});
    }
  }
  return sheet;
}

Result<Sheet> feet_sheet(double latitude_deg, double feet_apart_mm) {
  return base::checked("feet_apart_mm", feet_apart_mm, align::kFeetRange).map([&](double apart) {
    constexpr double kCell = 2.0 * (kFootRadiusMm + kMarginMm);
    Sheet sheet{2.0 * kCell, 2.0 * kCell};
    const std::array<Point, 3> places{
        {{kCell, kCell / 2.0}, {kCell / 2.0, 1.5 * kCell}, {1.5 * kCell, 1.5 * kCell}}};
    // Seen from the tripod's middle: one foot towards the pole, the others a third of a turn on.
    const double first_deg = align::axis_azimuth_deg(latitude_deg);
    for (int foot = 0; foot < 3; ++foot) {
      const Point& at = places.at(static_cast<std::size_t>(foot));
      sheet.circles.push_back({at, kFootRadiusMm, Ink::kCut});
      sheet.circles.push_back({at, kFootRadiusMm / 4.0});
      add_cross(sheet, at);
      sheet.labels.push_back({{at.x_mm, at.y_mm + 14.0}, Says::kFoot, foot + 1.0});
      const Point north = towards(at, 0.0, kFootRadiusMm - 9.0);
      sheet.lines.push_back({at, north});
      sheet.labels.push_back({towards(at, 0.0, kFootRadiusMm - 5.0), Says::kNorth});
      for (int other = 0; other < 3; ++other) {
        if (other == foot) {
          continue;
        }
        const Point from = towards({}, first_deg + 120.0 * foot, 1.0);
        const Point to = towards({}, first_deg + 120.0 * other, 1.0);
        const double bearing_deg =
            std::atan2(to.x_mm - from.x_mm, from.y_mm - to.y_mm) * base::kDegPerRad;
        sheet.lines.push_back({towards(at, bearing_deg, kFootRadiusMm / 4.0),
                               towards(at, bearing_deg, kFootRadiusMm), Ink::kGuide});
        sheet.labels.push_back(
            {towards(at, bearing_deg, kFootRadiusMm * 0.68), Says::kToFoot, apart});
      }
    }
    return sheet;
  });
}

}  // namespace solarchon::paper
