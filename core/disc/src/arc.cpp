// SPDX-License-Identifier: GPL-3.0-or-later
#include "arc.h"

#include <algorithm>
#include <cmath>
#include <vector>

#include "solarchon/image/frame.h"
#include "solarchon/image/point.h"
#include "solarchon/image/sharpness.h"

namespace solarchon::disc {

using image::Point;

namespace {

/// What is known of the border between bright and dark.
struct Border {
  std::vector<Point> points;
  Point bright{};  ///< the middle of all that is bright
  Point dark{};
};

/// Brightness of a few pixels about a place.
double patch(const image::Frame& frame, int x, int y) {
  double sum = 0.0;
  int count = 0;
  for (int v = std::max(0, y - 2); v <= std::min(frame.height - 1, y + 2); ++v) {
    for (int u = std::max(0, x - 2); u <= std::min(frame.width - 1, x + 2); ++u) {
      sum += frame.at(u, v);
      ++count;
    }
  }
  return sum / count;
}

Border border_of(const image::Frame& frame, double threshold) {
  const int step = std::max(2, std::min(frame.width, frame.height) / 100);
  const int columns = frame.width / step;
  const int rows = frame.height / step;
  std::vector<char> bright(static_cast<std::size_t>(columns) * static_cast<std::size_t>(rows));
  Border border;
  double lit = 0.0;
  double unlit = 0.0;
  const auto at = [&](int column, int row) -> char& {
    return bright[static_cast<std::size_t>(row) * static_cast<std::size_t>(columns) +
                  static_cast<std::size_t>(column)];
  };
  for (int row = 0; row < rows; ++row) {
    for (int column = 0; column < columns; ++column) {
      const bool is = patch(frame, column * step, row * step) > threshold;
      at(column, row) = is ? 1 : 0;
      Point& middle = is ? border.bright : border.dark;
      middle.x += column * step;
      middle.y += row * step;
      (is ? lit : unlit) += 1.0;
      if (column > 0 && at(column - 1, row) != at(column, row)) {
        border.points.push_back({(column - 0.5) * step, 1.0 * row * step});
      }
      if (row > 0 && at(column, row - 1) != at(column, row)) {
        border.points.push_back({1.0 * column * step, (row - 0.5) * step});
      }
    }
  }
  constexpr double kSome = 0.02;
  if (std::min(lit, unlit) < kSome * (lit + unlit)) {
    border.points.clear();
    return border;
  }
  border.bright = {border.bright.x / lit, border.bright.y / lit};
  border.dark = {border.dark.x / unlit, border.dark.y / unlit};
  return border;
}

}  // namespace

std::optional<ArcCentre> centre_by_arc(const image::Frame& frame, double radius_px) {
  if (frame.width < 16 || frame.height < 16) {
    return std::nullopt;
  }
  const image::Level level = image::level_of(frame);
  constexpr double kClear = 0.5;  // of the bright part: darker than this is sky
  if (level.dark > kClear * level.bright || level.bright <= 0.0) {
    return std::nullopt;
  }
  const Border border = border_of(frame, 0.5 * (level.dark + level.disc) * frame.saturation);
  constexpr std::size_t kLeast = 20;
  if (border.points.size() < kLeast) {
    return std::nullopt;
  }
  const double away = std::hypot(border.bright.x - border.dark.x, border.bright.y - border.dark.y);
  if (away < 1.0) {
    return std::nullopt;
  }
  Point middle{};
  for (const Point& point : border.points) {
    middle.x += point.x / static_cast<double>(border.points.size());
    middle.y += point.y / static_cast<double>(border.points.size());
  }
  ArcCentre centre{middle.x + radius_px * (border.bright.x - border.dark.x) / away,
                   middle.y + radius_px * (border.bright.y - border.dark.y) / away};
  double tolerance = 0.2 * radius_px;
  double counted = 0.0;
  constexpr int kRounds = 30;
  for (int round = 0; round < kRounds; ++round) {
    // Of known size it can only be moved: along both axes, by least squares.
    double xx = 0.0;
    double xy = 0.0;
    double yy = 0.0;
    double xo = 0.0;
    double yo = 0.0;
    counted = 0.0;
    for (const Point& point : border.points) {
      const double right = point.x - centre.x_px;
      const double down = point.y - centre.y_px;
      const double far = std::hypot(right, down);
      const double off = far - radius_px;
      const double share = off / tolerance;
      if (far <= 0.0 || std::abs(share) >= 1.0) {
        continue;
      }
      const double weight = std::pow(1.0 - share * share, 2);
      counted += 1.0;
      const double u = right / far;
      const double v = down / far;
      xx += weight * u * u;
      xy += weight * u * v;
      yy += weight * v * v;
      xo += weight * u * off;
      yo += weight * v * off;
    }
    const double slack = 1e-4 * (xx + yy);
    const double determinant = (xx + slack) * (yy + slack) - xy * xy;
    if (determinant <= 0.0) {
      return std::nullopt;
    }
    centre.x_px += ((yy + slack) * xo - xy * yo) / determinant;
    centre.y_px += ((xx + slack) * yo - xy * xo) / determinant;
    tolerance = std::max(6.0, 0.8 * tolerance);
  }
  constexpr double kMostOfIt = 0.6;
  return counted >= kMostOfIt * static_cast<double>(border.points.size()) ? std::optional(centre)
                                                                          : std::nullopt;
}

}  // namespace solarchon::disc
