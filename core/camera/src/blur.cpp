// SPDX-License-Identifier: GPL-3.0-or-later
#include "blur.h"

#include <algorithm>
#include <cmath>
#include <opencv2/core.hpp>

#include "solarchon/base/angle.h"
#include "solarchon/seeing/air.h"

namespace solarchon::camera {

namespace {

constexpr double kFwhmPerSigma = 2.354820045;
constexpr int kTableSize = 4096;

double transfer(double cycles_per_px, const Softness& softness) {
  const double share = cycles_per_px * softness.pixels_per_cutoff;
  const double aperture =
      share >= 1.0 ? 0.0
                   : 2.0 / base::kPi * (std::acos(share) - share * std::sqrt(1.0 - share * share));
  if (const auto& brief = softness.short_exposure) {
    return aperture * seeing::short_exposure_transfer(share, brief->r0_cm, brief->wavelength_nm,
                                                      brief->aperture_mm);
  }
  const double sigma = softness.seeing_px / kFwhmPerSigma;
  const double phase = base::kPi * sigma * cycles_per_px;
  return aperture * std::exp(-2.0 * phase * phase);
}

/// Transfer function over the square of the frequency, ready to be looked up.
std::vector<float> transfer_table(const Softness& softness) {
  std::vector<float> table(kTableSize + 1);
  for (int i = 0; i <= kTableSize; ++i) {
    const double square = 0.5 * i / kTableSize;  // at most 0.5 cycles a pixel each way
    table[static_cast<std::size_t>(i)] = static_cast<float>(transfer(std::sqrt(square), softness));
  }
  return table;
}

}  // namespace

int quick_size(int size) { return cv::getOptimalDFTSize(size); }

void blur(std::vector<float>& picture, int width, int height, const Softness& softness) {
  cv::Mat pixels(height, width, CV_32F, picture.data());
  cv::Mat spectrum;
  cv::dft(pixels, spectrum, cv::DFT_COMPLEX_OUTPUT);
  const std::vector<float> table = transfer_table(softness);
  for (int y = 0; y < height; ++y) {
    const double fy = static_cast<double>(std::min(y, height - y)) / height;
    auto* row = spectrum.ptr<cv::Vec2f>(y);
    for (int x = 0; x < width; ++x) {
      const double fx = static_cast<double>(std::min(x, width - x)) / width;
      const double place = (fx * fx + fy * fy) * 2.0 * kTableSize;
      const auto below = std::min(static_cast<std::size_t>(place), table.size() - 2);
      const auto part = static_cast<float>(place - static_cast<double>(below));
      row[x] *= table[below] + (table[below + 1] - table[below]) * part;
    }
  }
  cv::Mat back;
  cv::dft(spectrum, back, cv::DFT_INVERSE | cv::DFT_SCALE | cv::DFT_REAL_OUTPUT);
  back.copyTo(pixels);
}

}  // namespace solarchon::camera
