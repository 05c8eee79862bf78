// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "solarchon/sky/time.h"

namespace solarchon::paper {

/// From the upper left corner of a drawing, x to the right and y down (mm).
struct Point {
  double x_mm = 0.0;
  double y_mm = 0.0;
};

/// What is done along a line.
enum class Ink {
  kCut,
  kFold,
  kGuide  ///< nothing: it shows something
};

struct Circle {
  Point centre;
  double radius_mm = 0.0;
  Ink ink = Ink::kGuide;
};

struct Line {
  Point from;
  Point to;
  Ink ink = Ink::kGuide;
};

/// What is written: the program has the words.
enum class Says {
  kOuter,  ///< diameter of the tube that it goes over; value: mm
  kHole,   ///< diameter of a hole; value: mm
  kTabs,   ///< how the tabs are folded; value: their length (mm)
  kNorth,
  kUnderBead,  ///< the bead hangs over this point; value: its height (mm)
  kTime,       ///< the shadow's end then
  kFoot,       ///< the middle of a foot; value: 1, 2, 3
  kToFoot      ///< the way to another foot; value: how far (mm)
};

struct Label {
  Point at;  ///< middle of the words
  Says says = Says::kNorth;
  double value = 0.0;
  sky::UtcTime time = {};
};

/// A drawing at true scale, as large as it is.
struct Sheet {
  double width_mm = 0.0;
  double height_mm = 0.0;
  std::vector<Circle> circles = {};
  std::vector<Line> lines = {};
  std::vector<Label> labels = {};
};

/// Paper to print on, and what a printer leaves free at its edges.
struct Page {
  double width_mm = 210.0;
  double height_mm = 297.0;
};
inline constexpr Page kA4{210.0, 297.0};
inline constexpr Page kLetter{215.9, 279.4};
inline constexpr double kEdgeMm = 12.0;
/// At the foot of each page, for the control ruler.
inline constexpr double kFootMm = 26.0;
inline constexpr double kRulerMm = 100.0;
/// Neighbouring pages share a strip of this width, to be glued.
inline constexpr double kSharedMm = 10.0;

/// A piece of a drawing that fits on a page.
struct Tile {
  int column = 0;
  int row = 0;
  Point corner;  ///< of the drawing's, at the page's own free corner
  double width_mm = 0.0;
  double height_mm = 0.0;
};

/// Cuts a drawing into pages, row by row; one when it fits. What is smaller than its page lies in
/// the middle of it: corners may be negative.
[[nodiscard]] std::vector<Tile> tiles_of(const Sheet& sheet, const Page& page);

}  // namespace solarchon::paper
