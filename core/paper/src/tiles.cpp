// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>

#include "solarchon/paper/sheet.h"

namespace solarchon::paper {

namespace {

struct Cut {
  int count;
  double first_mm;
  double step_mm;
};

Cut cut(double drawing_mm, double free_mm) {
  const double step_mm = free_mm - kSharedMm;
  const int count = drawing_mm <= free_mm
                        ? 1
                        : 1 + static_cast<int>(std::ceil((drawing_mm - free_mm) / step_mm - 1e-9));
  const double covered_mm = free_mm + (count - 1) * step_mm;
  return {count, -(covered_mm - drawing_mm) / 2.0, step_mm};
}

}  // namespace

std::vector<Tile> tiles_of(const Sheet& sheet, const Page& page) {
  const double free_width_mm = page.width_mm - 2.0 * kEdgeMm;
  const double free_height_mm = page.height_mm - 2.0 * kEdgeMm - kFootMm;
  const Cut across = cut(sheet.width_mm, free_width_mm);
  const Cut down = cut(sheet.height_mm, free_height_mm);
  std::vector<Tile> tiles;
  for (int row = 0; row < down.count; ++row) {
    for (int column = 0; column < across.count; ++column) {
      tiles.push_back(
          {column,
           row,
           {across.first_mm + column * across.step_mm, down.first_mm + row * down.step_mm},
           free_width_mm,
           free_height_mm});
    }
  }
  return tiles;
}

}  // namespace solarchon::paper
