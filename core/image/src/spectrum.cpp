// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/image/spectrum.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <opencv2/core.hpp>

#include "solarchon/base/parallel.h"

namespace solarchon::image {

namespace {

/// The pixel that is seen at a place in a row of mirror images.
int mirrored(int place, int size) {
  const int within = place % (2 * size);
  return within < size ? within : 2 * size - 1 - within;
}

}  // namespace

int quick_size(int size) { return 2 * cv::getOptimalDFTSize((size + 1) / 2); }

double hann(int i, int size) {
  return 0.5 - 0.5 * std::cos(2.0 * std::numbers::pi * (i + 0.5) / size);
}

Spectrum::Spectrum(const std::vector<float>& picture, int width, int height)
    : width_(width), height_(height), wide_(quick_size(width)), tall_(quick_size(height)) {
  waves_.resize(static_cast<std::size_t>(wide_) * static_cast<std::size_t>(tall_));
  cv::Mat spectrum(tall_, wide_, CV_32F, waves_.data());
  if (wide_ == width && tall_ == height) {
    // OpenCV reads from what it is given here, and writes nothing to it.
    cv::dct(cv::Mat(height, width, CV_32F, const_cast<float*>(picture.data())), spectrum);
    return;
  }
  std::vector<float> ground(waves_.size());
  for (int y = 0; y < tall_; ++y) {
    const float* from = picture.data() + static_cast<std::ptrdiff_t>(mirrored(y, height)) * width;
    float* to = ground.data() + static_cast<std::ptrdiff_t>(y) * wide_;
    for (int x = 0; x < wide_; ++x) {
      to[x] = from[mirrored(x, width)];
    }
  }
  cv::dct(cv::Mat(tall_, wide_, CV_32F, ground.data()), spectrum);
}

std::vector<float> Spectrum::filtered(const std::function<double(double)>& factor) const {
  constexpr std::size_t kSteps = 4096;
  std::vector<float> factors;
  factors.reserve(kSteps + 1);
  for (std::size_t i = 0; i <= kSteps; ++i) {
    factors.push_back(static_cast<float>(
        factor(kMostCycles * static_cast<double>(i) / static_cast<double>(kSteps))));
  }
  // Waves of the cosine transform have half a cycle more from one to the next.
  const auto square_of = [&](int wave, int size) {
    const double place = 0.5 * wave / size * (static_cast<double>(kSteps) / kMostCycles);
    return static_cast<float>(place * place);
  };
  std::vector<float> across(static_cast<std::size_t>(wide_));
  for (int x = 0; x < wide_; ++x) {
    across[static_cast<std::size_t>(x)] = square_of(x, wide_);
  }
  std::vector<float> picture = waves_;
  base::each_row(tall_, {}, [&](int y) {
    const float down = square_of(y, tall_);
    float* row = picture.data() + static_cast<std::ptrdiff_t>(y) * wide_;
    for (int x = 0; x < wide_; ++x) {
      const float place = std::sqrt(across[static_cast<std::size_t>(x)] + down);
      const auto below = std::min(static_cast<std::size_t>(place), factors.size() - 2);
      const float part = place - static_cast<float>(below);
      row[x] *= factors[below] + (factors[below + 1] - factors[below]) * part;
    }
  });
  cv::Mat spectrum(tall_, wide_, CV_32F, picture.data());
  cv::idct(spectrum, spectrum);
  if (wide_ == width_ && tall_ == height_) {
    return picture;
  }
  std::vector<float> within(static_cast<std::size_t>(width_) * static_cast<std::size_t>(height_));
  for (int y = 0; y < height_; ++y) {
    std::copy_n(picture.begin() + static_cast<std::ptrdiff_t>(y) * wide_, width_,
                within.begin() + static_cast<std::ptrdiff_t>(y) * width_);
  }
  return within;
}

std::vector<double> power_by_ring(const std::vector<float>& picture, int width, int height,
                                  std::size_t rings) {
  double mean = 0.0;
  for (const float value : picture) {
    mean += static_cast<double>(value) / static_cast<double>(picture.size());
  }
  const int wide = cv::getOptimalDFTSize(width);
  const int tall = cv::getOptimalDFTSize(height);
  cv::Mat ground = cv::Mat::zeros(tall, wide, CV_32F);
  double kept = 0.0;
  for (int y = 0; y < height; ++y) {
    const double down = hann(y, height);
    float* to = ground.ptr<float>(y);
    for (int x = 0; x < width; ++x) {
      const double share = down * hann(x, width);
      const auto at = static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
                      static_cast<std::size_t>(x);
      to[x] = static_cast<float>((static_cast<double>(picture[at]) - mean) * share);
      kept += share * share;
    }
  }
  cv::Mat spectrum;
  cv::dft(ground, spectrum, cv::DFT_COMPLEX_OUTPUT);
  std::vector<double> sums(rings, 0.0);
  std::vector<double> counts(rings, 0.0);
  for (int y = 0; y < tall; ++y) {
    const double down = static_cast<double>(std::min(y, tall - y)) / tall;
    for (int x = 0; x < wide; ++x) {
      const double right = static_cast<double>(std::min(x, wide - x)) / wide;
      const auto ring =
          std::min(rings - 1, static_cast<std::size_t>(std::hypot(right, down) / kMostCycles *
                                                       static_cast<double>(rings)));
      const auto value = spectrum.at<cv::Vec2f>(y, x);
      sums[ring] += static_cast<double>(value[0]) * static_cast<double>(value[0]) +
                    static_cast<double>(value[1]) * static_cast<double>(value[1]);
      counts[ring] += 1.0;
    }
  }
  for (std::size_t i = 0; i < rings; ++i) {
    sums[i] = counts[i] > 0.0 ? sums[i] / counts[i] / kept : 0.0;
  }
  return sums;
}

}  // namespace solarchon::image
