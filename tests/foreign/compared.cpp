// SPDX-License-Identifier: GPL-3.0-or-later
#include "tests/foreign/compared.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>

namespace solarchon::foreign {

namespace {

constexpr int kUnknowns = 4;

/// Solves a small set of equations by elimination.
std::array<double, kUnknowns> solved(std::array<std::array<double, kUnknowns + 1>, kUnknowns> m) {
  for (std::size_t i = 0; i < kUnknowns; ++i) {
    for (std::size_t j = i + 1; j < kUnknowns; ++j) {
      const double share = m[j][i] / m[i][i];
      for (std::size_t k = i; k <= kUnknowns; ++k) {
        m[j][k] -= share * m[i][k];
      }
    }
  }
  std::array<double, kUnknowns> x{};
  for (std::size_t i = kUnknowns; i-- > 0;) {
    x[i] = m[i][kUnknowns];
    for (std::size_t k = i + 1; k < kUnknowns; ++k) {
      x[i] -= m[i][k] * x[k];
    }
    x[i] /= m[i][i];
  }
  return x;
}

std::vector<double> softened(const std::vector<double>& picture, int width, int height,
                             double deviation_px) {
  const int reach = static_cast<int>(std::ceil(4.0 * deviation_px));
  std::vector<double> kernel;
  double sum = 0.0;
  for (int i = -reach; i <= reach; ++i) {
    kernel.push_back(std::exp(-0.5 * i * i / (deviation_px * deviation_px)));
    sum += kernel.back();
  }
  const auto along = [&](const std::vector<double>& from, int step, int count, int other_step,
                         int others) {
    std::vector<double> to(from.size(), 0.0);
    for (int o = 0; o < others; ++o) {
      for (int i = 0; i < count; ++i) {
        double value = 0.0;
        for (int k = -reach; k <= reach; ++k) {
          const int at = std::min(std::max(i + k, 0), count - 1);
          value += kernel[static_cast<std::size_t>(k + reach)] *
                   from[static_cast<std::size_t>(at * step + o * other_step)];
        }
        to[static_cast<std::size_t>(i * step + o * other_step)] = value / sum;
      }
    }
    return to;
  };
  return along(along(picture, 1, width, width, height), width, height, 1, width);
}

}  // namespace

std::vector<Misplaced> misplaced(const std::vector<double>& picture,
                                 const std::vector<double>& truth, int width, int height,
                                 int apart_px) {
  std::vector<Misplaced> found;
  const auto at = [&](const std::vector<double>& of, int x, int y) {
    return of[static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
              static_cast<std::size_t>(x)];
  };
  for (int y0 = apart_px; y0 < height - apart_px; y0 += apart_px) {
    for (int x0 = apart_px; x0 < width - apart_px; x0 += apart_px) {
      std::array<std::array<double, kUnknowns + 1>, kUnknowns> m{};
      const double wide = 0.4 * apart_px;
      for (int y = y0 - apart_px + 1; y < y0 + apart_px; ++y) {
        for (int x = x0 - apart_px + 1; x < x0 + apart_px; ++x) {
          const double weight =
              std::exp(-0.5 * (std::pow(x - x0, 2) + std::pow(y - y0, 2)) / (wide * wide));
          const double own = at(truth, x, y);
          const std::array<double, kUnknowns> terms{
              -0.5 * (at(truth, x + 1, y) - at(truth, x - 1, y)),
              -0.5 * (at(truth, x, y + 1) - at(truth, x, y - 1)),
              at(truth, x + 1, y) + at(truth, x - 1, y) + at(truth, x, y + 1) +
                  at(truth, x, y - 1) - 4.0 * own,
              own};
          const double off = at(picture, x, y) - own;
          for (std::size_t i = 0; i < kUnknowns; ++i) {
            for (std::size_t j = 0; j < kUnknowns; ++j) {
              m[i][j] += weight * terms[i] * terms[j];
            }
            m[i][kUnknowns] += weight * terms[i] * off;
          }
        }
      }
      constexpr double kStructure = 1e-3;
      if (m[0][0] * m[1][1] - m[0][1] * m[0][1] > kStructure * kStructure * wide * wide) {
        const auto x = solved(m);
        found.push_back({static_cast<double>(x0), static_cast<double>(y0), x[0], x[1]});
      }
    }
  }
  return found;
}

double contrast_at(const std::vector<double>& picture, int width, int height, double period_px,
                   int margin) {
  // Between two Gaussians: most at that period.
  const double middle = period_px / 4.44;
  const auto fine = softened(picture, width, height, 0.8 * middle);
  const auto coarse = softened(picture, width, height, 1.25 * middle);
  double squares = 0.0;
  double count = 0.0;
  for (int y = margin; y < height - margin; ++y) {
    for (int x = margin; x < width - margin; ++x) {
      const auto k = static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
                     static_cast<std::size_t>(x);
      squares += (fine[k] - coarse[k]) * (fine[k] - coarse[k]);
      count += 1.0;
    }
  }
  return std::sqrt(squares / count);
}

}  // namespace solarchon::foreign
