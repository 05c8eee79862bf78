// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise.h"

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <opencv2/core/hal/intrin.hpp>
#include <vector>

#include "solarchon/base/random.h"

namespace solarchon::camera {

namespace {

constexpr std::size_t kDeviates = 65536;
constexpr int kAtOnce = 8;

const std::vector<float>& deviates() {
  static const std::vector<float> made = [] {
    std::vector<float> table(kDeviates + kAtOnce);
    base::Random random{0x5eedU};
    for (std::size_t i = 0; i < kDeviates; ++i) {
      table[i] = static_cast<float>(random.normal());
    }
    std::copy_n(table.begin(), kAtOnce, table.end() - kAtOnce);
    return table;
  }();
  return made;
}

/// Four pixels.
cv::v_int32x4 counted(const Counting& counting, cv::v_float32x4 light, cv::v_float32x4 deviate) {
  const cv::v_float32x4 none = cv::v_setzero_f32();
  const cv::v_float32x4 mean = cv::v_max(none, light) * cv::v_setall_f32(counting.electrons);
  const cv::v_float32x4 spread =
      cv::v_sqrt(mean + cv::v_setall_f32(counting.read_noise_e * counting.read_noise_e));
  const auto number_per_electron = static_cast<float>(1.0 / counting.scale.electrons_per_number);
  const cv::v_float32x4 number =
      cv::v_muladd(cv::v_muladd(spread, deviate, mean), cv::v_setall_f32(number_per_electron),
                   cv::v_setall_f32(static_cast<float>(counting.scale.black)));
  return cv::v_round(cv::v_min(cv::v_max(number, none),
                               cv::v_setall_f32(static_cast<float>(counting.scale.full_scale))));
}

}  // namespace

std::uint64_t mixed(std::uint64_t a, std::uint64_t b, std::uint64_t c) {
  std::uint64_t bits = a * 0x9e3779b97f4a7c15U ^ (b + 0x632be59bd9b4e019U) * 0xd1b54a32d192ed03U ^
                       (c + 0x2545f4914f6cdd1dU) * 0x8cb92ba72f3d8dd7U;
  bits = (bits ^ (bits >> 30U)) * 0xbf58476d1ce4e5b9U;
  bits = (bits ^ (bits >> 27U)) * 0x94d049bb133111ebU;
  return bits ^ (bits >> 31U);
}

void count_row(const Counting& counting, const float* light, const float* marks, int width,
               std::uint64_t entry, std::uint16_t* out) {
  const float* table = deviates().data();
  const cv::v_float32x4 scattered = cv::v_setall_f32(counting.scattered);
  const auto some = [&](const float* at_light, const float* at_marks, const float* at_deviates,
                        std::uint16_t* at_out) {
    cv::v_float32x4 first = cv::v_load(at_light) + scattered;
    cv::v_float32x4 second = cv::v_load(at_light + 4) + scattered;
    if (at_marks != nullptr) {
      first *= cv::v_load(at_marks);
      second *= cv::v_load(at_marks + 4);
    }
    cv::v_store(at_out, cv::v_pack_u(counted(counting, first, cv::v_load(at_deviates)),
                                     counted(counting, second, cv::v_load(at_deviates + 4))));
  };
  int x = 0;
  for (; x + kAtOnce <= width; x += kAtOnce) {
    some(light + x, marks == nullptr ? nullptr : marks + x,
         table + (entry + static_cast<std::uint64_t>(x)) % kDeviates, out + x);
  }
  if (x < width) {
    const int left = width - x;
    float last_light[kAtOnce] = {};
    float last_marks[kAtOnce] = {};
    std::uint16_t last[kAtOnce];
    std::copy_n(light + x, left, last_light);
    if (marks != nullptr) {
      std::copy_n(marks + x, left, last_marks);
    }
    some(last_light, marks == nullptr ? nullptr : last_marks,
         table + (entry + static_cast<std::uint64_t>(x)) % kDeviates, last);
    std::copy_n(last, left, out + x);
  }
}

}  // namespace solarchon::camera
