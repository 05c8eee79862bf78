// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/calibration.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/base/parallel.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Result;
using image::Frame;
using image::Picture;

Result<Picture> mean_of(media::ClipReader& clip, const base::Task& task) {
  const media::ClipFacts& facts = clip.facts();
  Picture mean;
  mean.width = facts.width;
  mean.height = facts.height;
  mean.info = facts.info;
  if (mean.info.pedestal) {
    *mean.info.pedestal /= facts.saturation;
  }
  std::vector<double> sums(mean.plane_size(), 0.0);
  Frame frame;
  int read = 0;
  for (int i = 0; i < facts.frames; ++i) {
    if (task.stopped()) {
      return base::fail(ErrorCode::kCancelled, "clip");
    }
    task.report(static_cast<double>(i) / facts.frames);
    if (!clip.read(i, frame)) {
      continue;
    }
    ++read;
    for (std::size_t k = 0; k < sums.size(); ++k) {
      sums[k] += frame.pixels[k];
    }
  }
  if (read == 0) {
    return base::fail_because(ErrorCode::kMalformed, "clip", base::because("no-whole-frame"));
  }
  const double scale = 1.0 / read / std::max(1, facts.saturation);
  mean.values.reserve(sums.size());
  for (const double sum : sums) {
    mean.values.push_back(static_cast<float>(sum * scale));
  }
  return mean;
}

namespace {

bool same_size(const Picture& a, int width, int height) {
  return a.width == width && a.height == height && a.planes == 1;
}

float middle(std::vector<float> values) {
  if (values.empty()) {
    return 0.0F;
  }
  const auto at = values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2);
  std::nth_element(values.begin(), at, values.end());
  return *at;
}

}  // namespace

Result<Picture> flat_of(Picture mean, const std::optional<Picture>& dark) {
  if (dark && !same_size(*dark, mean.width, mean.height)) {
    return base::fail_because(ErrorCode::kMalformed, "flat", base::because("another-size"));
  }
  if (dark) {
    for (std::size_t i = 0; i < mean.values.size(); ++i) {
      mean.values[i] -= dark->values[i];
    }
  }
  const float usual = middle(mean.values);
  constexpr float kLeastLight = 0.005F;
  if (usual < kLeastLight) {
    return base::fail_because(ErrorCode::kMalformed, "flat", base::because("picture-too-dim"));
  }
  constexpr float kLeastShare = 0.1F;
  for (float& value : mean.values) {
    value /= usual;
    if (value < kLeastShare) {
      value = 1.0F;
    }
  }
  return mean;
}

namespace {

/// Pictures as logarithms at one fineness, with where they have light.
struct Level {
  int width = 0;
  int height = 0;
  std::vector<std::vector<float>> logs;
  std::vector<std::vector<float>> weights;
};

Level binned_level(const std::vector<ShiftedPicture>& pictures, int bin) {
  Level level;
  level.width = pictures.front().picture.width / bin;
  level.height = pictures.front().picture.height / bin;
  const auto size = static_cast<std::size_t>(level.width) * static_cast<std::size_t>(level.height);
  for (const ShiftedPicture& shifted : pictures) {
    std::vector<float> sums(size, 0.0F);
    for (int y = 0; y < level.height * bin; ++y) {
      for (int x = 0; x < level.width * bin; ++x) {
        sums[static_cast<std::size_t>(y / bin) * static_cast<std::size_t>(level.width) +
             static_cast<std::size_t>(x / bin)] += shifted.picture.at(x, y);
      }
    }
    std::vector<float> sorted = sums;
    const auto bright = sorted.begin() + static_cast<std::ptrdiff_t>(sorted.size() * 99 / 100);
    std::nth_element(sorted.begin(), bright, sorted.end());
    constexpr float kLit = 0.25F;  // of the bright part: the limb itself is left out
    const float least = *bright * kLit;
    std::vector<float> logs(size, 0.0F);
    std::vector<float> weights(size, 0.0F);
    for (std::size_t i = 0; i < size; ++i) {
      if (sums[i] > least && sums[i] > 0.0F) {
        logs[i] = std::log(sums[i] / *bright);
        weights[i] = 1.0F;
      }
    }
    level.logs.push_back(std::move(logs));
    level.weights.push_back(std::move(weights));
  }
  return level;
}

struct Sampled {
  float value = 0.0F;
  float weight = 0.0F;
};

/// Between four pixels; only where all four are known.
Sampled between(const std::vector<float>& values, const std::vector<float>& weights, int width,
                int height, double x, double y) {
  const int left = static_cast<int>(std::floor(x));
  const int top = static_cast<int>(std::floor(y));
  if (left < 0 || top < 0 || left + 1 >= width || top + 1 >= height) {
    return {};
  }
  const auto at = static_cast<std::size_t>(top) * static_cast<std::size_t>(width) +
                  static_cast<std::size_t>(left);
  const auto below = at + static_cast<std::size_t>(width);
  if (weights[at] <= 0.0F || weights[at + 1] <= 0.0F || weights[below] <= 0.0F ||
      weights[below + 1] <= 0.0F) {
    return {};
  }
  const auto right = static_cast<float>(x - left);
  const auto down = static_cast<float>(y - top);
  return {(values[at] * (1.0F - right) + values[at + 1] * right) * (1.0F - down) +
              (values[below] * (1.0F - right) + values[below + 1] * right) * down,
          1.0F};
}

/// Goes back and forth between what the Sun has and what the sensor has.
bool solve(const Level& level, const std::vector<ShiftedPicture>& pictures, int bin, int turns,
           std::vector<float>& flat, const base::Task& task) {
  const auto size = flat.size();
  std::vector<float> sun(size);
  std::vector<float> known(size);
  for (int turn = 0; turn < turns; ++turn) {
    if (task.stopped()) {
      return false;
    }
    for (int y = 0; y < level.height; ++y) {
      for (int x = 0; x < level.width; ++x) {
        float sum = 0.0F;
        float weight = 0.0F;
        for (std::size_t i = 0; i < pictures.size(); ++i) {
          const double at_x = x + pictures[i].right_px / bin;
          const double at_y = y + pictures[i].down_px / bin;
          const Sampled log =
              between(level.logs[i], level.weights[i], level.width, level.height, at_x, at_y);
          if (log.weight > 0.0F) {
            const Sampled of_flat =
                between(flat, level.weights[i], level.width, level.height, at_x, at_y);
            sum += log.value - of_flat.value;
            weight += 1.0F;
          }
        }
        const auto at = static_cast<std::size_t>(y) * static_cast<std::size_t>(level.width) +
                        static_cast<std::size_t>(x);
        sun[at] = weight > 0.0F ? sum / weight : 0.0F;
        known[at] = weight > 1.0F ? 1.0F : 0.0F;
      }
    }
    double total = 0.0;
    double count = 0.0;
    for (int y = 0; y < level.height; ++y) {
      for (int x = 0; x < level.width; ++x) {
        const auto at = static_cast<std::size_t>(y) * static_cast<std::size_t>(level.width) +
                        static_cast<std::size_t>(x);
        float sum = 0.0F;
        float weight = 0.0F;
        for (std::size_t i = 0; i < pictures.size(); ++i) {
          if (level.weights[i][at] <= 0.0F) {
            continue;
          }
          const Sampled there =
              between(sun, known, level.width, level.height, x - pictures[i].right_px / bin,
                      y - pictures[i].down_px / bin);
          if (there.weight > 0.0F) {
            sum += level.logs[i][at] - there.value;
            weight += 1.0F;
          }
        }
        if (weight > 1.0F) {
          flat[at] = sum / weight;
          total += static_cast<double>(flat[at]);
          count += 1.0;
        } else {
          flat[at] = 0.0F;
        }
      }
    }
    const auto mean = static_cast<float>(count > 0.0 ? total / count : 0.0);
    for (float& value : flat) {
      value = value != 0.0F ? value - mean : 0.0F;
    }
  }
  return true;
}

}  // namespace

Result<Picture> flat_of_shifted(const std::vector<ShiftedPicture>& pictures,
                                const base::Task& task) {
  constexpr std::size_t kFewest = 3;
  if (pictures.size() < kFewest) {
    return base::fail(ErrorCode::kMissing, "pictures");
  }
  const Picture& first = pictures.front().picture;
  for (const ShiftedPicture& shifted : pictures) {
    if (!same_size(shifted.picture, first.width, first.height)) {
      return base::fail_because(ErrorCode::kMalformed, "pictures", base::because("another-size"));
    }
  }
  // What is wide is found where pixels are few.
  std::vector<float> flat;
  int width = 0;
  constexpr std::array<int, 4> kBins{16, 8, 4, 1};
  constexpr std::array<int, 4> kTurns{200, 100, 60, 20};
  for (std::size_t step = 0; step < kBins.size(); ++step) {
    const int bin = kBins.at(step);
    if (bin > 1 && std::min(first.width, first.height) < 16 * bin) {
      continue;
    }
    const Level level = binned_level(pictures, bin);
    std::vector<float> finer(level.logs.front().size(), 0.0F);
    if (!flat.empty()) {
      const int ratio = std::max(1, level.width / std::max(1, width));
      const int height = static_cast<int>(flat.size()) / width;
      for (int y = 0; y < level.height; ++y) {
        for (int x = 0; x < level.width; ++x) {
          finer[static_cast<std::size_t>(y) * static_cast<std::size_t>(level.width) +
                static_cast<std::size_t>(x)] =
              flat[static_cast<std::size_t>(std::min(y / ratio, height - 1)) *
                       static_cast<std::size_t>(width) +
                   static_cast<std::size_t>(std::min(x / ratio, width - 1))];
        }
      }
    }
    flat = std::move(finer);
    width = level.width;
    if (!solve(level, pictures, bin, kTurns.at(step), flat, task)) {
      return base::fail(ErrorCode::kCancelled, "pictures");
    }
    task.report(static_cast<double>(step + 1) / kBins.size());
  }
  Picture made;
  made.width = first.width;
  made.height = first.height;
  made.values.reserve(flat.size());
  for (const float value : flat) {
    made.values.push_back(std::exp(value));
  }
  return made;
}

std::vector<std::int32_t> bad_pixels(const Picture& mean) {
  const int step = mean.info.bayer.empty() ? 1 : 2;
  std::vector<float> alone(mean.plane_size(), 0.0F);
  base::each_row(std::max(0, mean.height - 2 * step), {}, [&](int row) {
    const int y = row + step;
    for (int x = step; x + step < mean.width; ++x) {
      float lowest = mean.at(x - step, y - step);
      float highest = lowest;
      for (int j = -step; j <= step; j += step) {
        for (int i = -step; i <= step; i += step) {
          if (i != 0 || j != 0) {
            lowest = std::min(lowest, mean.at(x + i, y + j));
            highest = std::max(highest, mean.at(x + i, y + j));
          }
        }
      }
      const float value = mean.at(x, y);
      // Beyond all around it by more than these differ among themselves.
      const float beyond =
          value > highest ? value - highest : (value < lowest ? lowest - value : 0);
      alone[static_cast<std::size_t>(y) * static_cast<std::size_t>(mean.width) +
            static_cast<std::size_t>(x)] = beyond > highest - lowest ? beyond : 0.0F;
    }
  });
  // Noise does it too, by a little: what counts lies far from that.
  std::vector<float> some;
  for (const float value : alone) {
    if (value > 0.0F) {
      some.push_back(value);
    }
  }
  constexpr float kLeast = 0.004F;
  constexpr float kBeyondNoise = 8.0F;
  const float least = some.size() > mean.plane_size() / 200
                          ? std::max(kLeast, kBeyondNoise * middle(some))
                          : kLeast;
  std::vector<std::int32_t> bad;
  for (std::size_t i = 0; i < alone.size(); ++i) {
    if (alone[i] > least) {
      bad.push_back(static_cast<std::int32_t>(i));
    }
  }
  return bad;
}

Result<void> calibrate(const Calibration& calibration, Frame& frame) {
  const auto& [dark, flat, bad] = calibration;
  if (dark && !same_size(*dark, frame.width, frame.height)) {
    return base::fail_because(ErrorCode::kMalformed, "dark", base::because("another-size"));
  }
  if (flat && !same_size(*flat, frame.width, frame.height)) {
    return base::fail_because(ErrorCode::kMalformed, "flat", base::because("another-size"));
  }
  if (dark || flat) {
    constexpr float kFull = 65535.0F;
    const float scale = 1.0F / static_cast<float>(std::max(1, frame.saturation));
    const auto pedestal = static_cast<float>(kPedestal);
    for (std::size_t i = 0; i < frame.pixels.size(); ++i) {
      float value = static_cast<float>(frame.pixels[i]) * scale;
      value -= dark ? dark->values[i] : 0.0F;
      value /= flat ? flat->values[i] : 1.0F;
      frame.pixels[i] =
          static_cast<std::uint16_t>(std::clamp((value + pedestal) * kFull + 0.5F, 0.0F, kFull));
    }
    frame.saturation = 65535;
  }
  const int step = frame.info.bayer.empty() ? 1 : 2;
  for (const std::int32_t place : bad) {
    const int x = place % frame.width;
    const int y = place / frame.width;
    std::array<std::uint16_t, 8> around{};
    std::size_t count = 0;
    for (int j = -step; j <= step; j += step) {
      for (int i = -step; i <= step; i += step) {
        const bool inside = x + i >= 0 && y + j >= 0 && x + i < frame.width && y + j < frame.height;
        if ((i != 0 || j != 0) && inside) {
          around.at(count++) = frame.at(x + i, y + j);
        }
      }
    }
    if (count > 0 && y < frame.height) {
      const auto half = around.begin() + static_cast<std::ptrdiff_t>(count / 2);
      std::nth_element(around.begin(), half, around.begin() + static_cast<std::ptrdiff_t>(count));
      frame.pixels[static_cast<std::size_t>(place)] = *half;
    }
  }
  return {};
}

}  // namespace solarchon::reduce
