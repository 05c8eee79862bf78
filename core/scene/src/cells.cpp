// SPDX-License-Identifier: GPL-3.0-or-later
// A Voronoi pattern whose seeds have weights: a cell that is born has so little weight that it lies
// inside another, grows to its share, and is swallowed again at the end of its life.
#include "cells.h"

#include <array>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/base/parallel.h"

namespace solarchon::scene {

namespace {

constexpr double kOverlap = 0.3;    // of a life, in which the next cell grows beside the last
constexpr double kSwallowed = 0.8;  // spacings by which a cell without weight is behind

/// Well mixed bits of four numbers (splitmix64's finaliser, Steele, Lea and Flood 2014).
std::uint64_t mixed(std::uint64_t a, std::uint64_t b, std::uint64_t c, std::uint64_t d) {
  std::uint64_t x = a * 0x9e3779b97f4a7c15ULL ^ b * 0xbf58476d1ce4e5b9ULL ^
                    c * 0x94d049bb133111ebULL ^ d * 0xd6e8feb86659fd93ULL;
  x = (x ^ (x >> 30U)) * 0xbf58476d1ce4e5b9ULL;
  x = (x ^ (x >> 27U)) * 0x94d049bb133111ebULL;
  return x ^ (x >> 31U);
}

/// Numbers from 0 to 1 out of mixed bits, one after the other.
class Drawn {
 public:
  explicit Drawn(std::uint64_t bits) : bits_(bits) {}
  double next() {
    bits_ = mixed(bits_, 1, 2, 3);
    return static_cast<double>(bits_ >> 11U) * 0x1p-53;
  }

 private:
  std::uint64_t bits_;
};

/// A living cell: its seed in units of the spacing.
struct Cell {
  double x = 0.0;
  double y = 0.0;
  double behind = 0.0;  ///< added to the distance
  double bright = 1.0;
};

double smooth(double share) { return share * share * (3.0 - 2.0 * share); }

/// @param age  in lives, 0 to 1 + kOverlap
Cell cell_at(const CellKind& kind, std::uint64_t bits, int column, int row, double life_s,
             double age) {
  constexpr double kScatter = 0.85;
  Drawn drawn(bits);
  Cell cell;
  const double way = 2.0 * base::kPi * drawn.next();
  const double moved = kind.drift_km_s * life_s * (age - 0.5) / kind.spacing_km;
  cell.x = column + 0.5 + kScatter * (drawn.next() - 0.5) + moved * std::cos(way);
  cell.y = row + 0.5 + kScatter * (drawn.next() - 0.5) + moved * std::sin(way);
  cell.bright = 1.0 + kind.bright_spread * (drawn.next() - 0.5);
  const double grown = age < kOverlap ? smooth(age / kOverlap)
                       : age > 1.0    ? smooth(1.0 - (age - 1.0) / kOverlap)
                                      : 1.0;
  cell.behind = kSwallowed * (1.0 - grown) + kind.weight_spread * drawn.next();
  return cell;
}

/// What lives in each square of the lattice: one cell, or two while one follows the other.
using Square = std::array<Cell, 2>;

std::vector<Square> living(const CellKind& kind, std::uint32_t seed, double seconds) {
  std::vector<Square> squares(static_cast<std::size_t>(kind.cells) *
                              static_cast<std::size_t>(kind.cells));
  constexpr double kNever = 1e3;
  for (int row = 0; row < kind.cells; ++row) {
    for (int column = 0; column < kind.cells; ++column) {
      const auto place = static_cast<std::uint64_t>(row) * static_cast<std::uint64_t>(kind.cells) +
                         static_cast<std::uint64_t>(column);
      Drawn drawn(mixed(seed, place, 0, 7));
      constexpr double kShortest = 0.7;
      constexpr double kLonger = 0.6;
      const double life_s = kind.life_s * (kShortest + kLonger * drawn.next());
      const double lives = seconds / life_s + drawn.next();
      const double count = std::floor(lives);
      const double age = lives - count;
      const auto generation = static_cast<std::int64_t>(count);
      const auto bits_of = [&](std::int64_t which) {
        return mixed(seed, place, static_cast<std::uint64_t>(which), 11);
      };
      Square& square = squares[place];
      square[0] = cell_at(kind, bits_of(generation), column, row, life_s, age);
      square[1] = age < kOverlap
                      ? cell_at(kind, bits_of(generation - 1), column, row, life_s, 1.0 + age)
                      : Cell{0.0, 0.0, kNever, 1.0};
    }
  }
  return squares;
}

/// The two nearest cells of a point: how much nearer the first is, and what it is like.
struct Nearest {
  double first = 1e9;
  double second = 1e9;
  double bright = 1.0;

  void see(const Cell& cell, double x, double y) {
    const double dx = cell.x - x;
    const double dy = cell.y - y;
    const double left = second - cell.behind;
    if (left <= 0.0 || dx * dx + dy * dy >= left * left) {
      return;  // nearly all
    }
    const double far = std::sqrt(dx * dx + dy * dy) + cell.behind;
    if (far < first) {
      second = first;
      first = far;
      bright = cell.bright;
    } else {
      second = far;
    }
  }
};

/// Mean 0 and deviation 1.
void normalise(std::vector<float>& values) {
  double sum = 0.0;
  double squares = 0.0;
  for (const float value : values) {
    sum += static_cast<double>(value);
    squares += static_cast<double>(value) * static_cast<double>(value);
  }
  const auto count = static_cast<double>(values.size());
  const double mean = sum / count;
  const double deviation = std::sqrt(std::max(1e-12, squares / count - mean * mean));
  for (float& value : values) {
    value = static_cast<float>((static_cast<double>(value) - mean) / deviation);
  }
}

}  // namespace

CellTiles cell_tiles(const CellKind& kind, std::uint32_t seed, double seconds) {
  const std::vector<Square> squares = living(kind, seed, seconds);
  const auto count =
      static_cast<std::size_t>(kind.side_px) * static_cast<std::size_t>(kind.side_px);
  CellTiles tiles;
  tiles.bright.resize(count);
  tiles.lanes.resize(count);
  const double cells_px = static_cast<double>(kind.cells) / kind.side_px;
  constexpr std::array<int, 5> kFromMiddle{0, -1, 1, -2, 2};
  constexpr double kLaneDepth = 1.0;
  constexpr double kDome = 0.35;
  base::each_row(kind.side_px, {}, [&](int py) {
    const double y = (py + 0.5) * cells_px;
    const int row = static_cast<int>(y);
    for (int px = 0; px < kind.side_px; ++px) {
      const double x = (px + 0.5) * cells_px;
      const int column = static_cast<int>(x);
      Nearest nearest;
      for (const int dy : kFromMiddle) {
        const int r = (row + dy + kind.cells) % kind.cells;
        const double turn_y = row + dy - r;  // over the edge of the tile
        for (const int dx : kFromMiddle) {
          const int c = (column + dx + kind.cells) % kind.cells;
          const double turn_x = column + dx - c;
          const Square& square =
              squares[static_cast<std::size_t>(r) * static_cast<std::size_t>(kind.cells) +
                      static_cast<std::size_t>(c)];
          for (const Cell& cell : square) {
            nearest.see(cell, x - turn_x, y - turn_y);
          }
        }
      }
      const double apart = (nearest.second - nearest.first) / kind.lane_share;
      const double lane = std::exp(-apart * apart);
      const auto place = static_cast<std::size_t>(py) * static_cast<std::size_t>(kind.side_px) +
                         static_cast<std::size_t>(px);
      tiles.lanes[place] = static_cast<float>(lane);
      tiles.bright[place] = static_cast<float>(
          nearest.bright - kDome * nearest.first * nearest.first - kLaneDepth * lane);
    }
  });
  normalise(tiles.bright);
  return tiles;
}

}  // namespace solarchon::scene
