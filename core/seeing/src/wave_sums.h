// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <cstddef>
#include <vector>

#include "solarchon/seeing/lattice.h"

namespace solarchon::seeing {

/// Sums of one wave after another over the places of a lattice. A wave goes on from place to place
/// by a turn of its phase, so that no cosine is asked for; the rows lie side by side, so that
/// several are worked on at once.
class WaveSums {
 public:
  explicit WaveSums(const Lattice& lattice)
      : lattice_(lattice),
        rows_(static_cast<std::size_t>(lattice.rows)),
        cosine_(rows_),
        sine_(rows_),
        first_(rows_ * static_cast<std::size_t>(lattice.columns)),
        second_(first_.size()) {}

  /// @param row_phase_rad  of the first place of each row
  template <typename RowPhase>
  void add(double right_rad_arcsec, double first, double second, const RowPhase& row_phase_rad) {
    for (int row = 0; row < lattice_.rows; ++row) {
      const double phase = row_phase_rad(row) + right_rad_arcsec * lattice_.left_arcsec;
      cosine_[static_cast<std::size_t>(row)] = static_cast<float>(std::cos(phase));
      sine_[static_cast<std::size_t>(row)] = static_cast<float>(std::sin(phase));
    }
    const double turn = right_rad_arcsec * lattice_.step_arcsec;
    const auto cosine = static_cast<float>(std::cos(turn));
    const auto sine = static_cast<float>(std::sin(turn));
    const auto one = static_cast<float>(first);
    const auto other = static_cast<float>(second);
    for (std::size_t column = 0; column < first_.size() / rows_; ++column) {
      float* firsts = first_.data() + column * rows_;
      float* seconds = second_.data() + column * rows_;
      for (std::size_t row = 0; row < rows_; ++row) {
        const float c = cosine_[row];
        const float s = sine_[row];
        firsts[row] += one * c;
        seconds[row] += other * c;
        cosine_[row] = c * cosine - s * sine;
        sine_[row] = s * cosine + c * sine;
      }
    }
  }

  [[nodiscard]] std::vector<float> first_by_rows() const { return by_rows(first_); }
  [[nodiscard]] std::vector<float> second_by_rows() const { return by_rows(second_); }

 private:
  [[nodiscard]] std::vector<float> by_rows(const std::vector<float>& sums) const {
    std::vector<float> turned(sums.size());
    const std::size_t columns = sums.size() / rows_;
    for (std::size_t row = 0; row < rows_; ++row) {
      for (std::size_t column = 0; column < columns; ++column) {
        turned[row * columns + column] = sums[column * rows_ + row];
      }
    }
    return turned;
  }

  Lattice lattice_;
  std::size_t rows_;
  std::vector<float> cosine_;
  std::vector<float> sine_;
  std::vector<float> first_;  ///< column by column
  std::vector<float> second_;
};

}  // namespace solarchon::seeing
