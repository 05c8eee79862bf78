// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/disc/limb.h"

#include <algorithm>
#include <cmath>
#include <optional>
#include <vector>

#include "circle.h"
#include "edge.h"
#include "moon.h"
#include "rays.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/point.h"

namespace solarchon::disc {

using base::ErrorCode;
using base::fail;
using image::Frame;

namespace {

constexpr int kCoarseSide = 400;
constexpr double kWideWindowPx = 14.0;  // beyond the first, coarse circle's error
constexpr double kLeastSeenShare = 0.1;

/// A picture averaged over square blocks.
struct Coarse {
  int width;
  int height;
  int block;
  std::vector<float> values;
};

Coarse coarsen(const Frame& frame) {
  const int block =
      std::max(1, (std::max(frame.width, frame.height) + kCoarseSide - 1) / kCoarseSide);
  Coarse coarse{frame.width / block, frame.height / block, block, {}};
  coarse.values.reserve(static_cast<std::size_t>(coarse.width) *
                        static_cast<std::size_t>(coarse.height));
  for (int y = 0; y < coarse.height; ++y) {
    for (int x = 0; x < coarse.width; ++x) {
      std::int64_t sum = 0;
      for (int j = 0; j < block; ++j) {
        for (int i = 0; i < block; ++i) {
          sum += frame.at(x * block + i, y * block + j);
        }
      }
      coarse.values.push_back(static_cast<float>(sum) / static_cast<float>(block * block));
    }
  }
  return coarse;
}

/// Places between neighbouring blocks where the picture crosses the middle of its range, in full
/// pixels, and where its light lies there.
/// Errors: kNotFound when there is no contrast to speak of: too dim, too bright, too small.
base::Result<std::vector<EdgePoint>> crossings(const Coarse& coarse, int saturation) {
  std::vector<float> sorted = coarse.values;
  if (sorted.size() < 64) {
    return fail_because(ErrorCode::kNotFound, "limb", base::because("picture-too-small"));
  }
  const std::size_t rare = sorted.size() / 300;
  std::nth_element(sorted.begin(), sorted.begin() + static_cast<std::ptrdiff_t>(rare),
                   sorted.end());
  const float low = sorted[rare];
  const std::size_t common = sorted.size() - 1 - rare;
  std::nth_element(sorted.begin(), sorted.begin() + static_cast<std::ptrdiff_t>(common),
                   sorted.end());
  const float high = sorted[common];
  constexpr float kLeastContrast = 0.01F;
  if (high - low < kLeastContrast * static_cast<float>(saturation)) {
    return fail_because(ErrorCode::kNotFound, "limb",
                        low > 0.9F * static_cast<float>(saturation)
                            ? base::because("picture-too-bright")
                            : base::because("picture-too-dim"));
  }
  // The limb itself is about a third as bright as the centre: cross it low.
  const float level = low + 0.3F * (high - low);
  std::vector<EdgePoint> points;
  const auto at = [&](int x, int y) {
    return coarse.values[static_cast<std::size_t>(std::clamp(y, 0, coarse.height - 1)) *
                             static_cast<std::size_t>(coarse.width) +
                         static_cast<std::size_t>(std::clamp(x, 0, coarse.width - 1))];
  };
  const auto rises = [&](int x, int y) {
    return image::Point{static_cast<double>(at(x + 1, y) - at(x - 1, y)),
                        static_cast<double>(at(x, y + 1) - at(x, y - 1))};
  };
  // Between two blocks, where light rises as it does about both.
  const auto add = [&](double x, double y, const image::Point& one, const image::Point& other) {
    const image::Point both{one.x + other.x, one.y + other.y};
    const double steep = std::max(1e-9, std::hypot(both.x, both.y));
    points.push_back({{(x + 0.5) * coarse.block - 0.5, (y + 0.5) * coarse.block - 0.5},
                      {both.x / steep, both.y / steep}});
  };
  for (int y = 0; y + 1 < coarse.height; ++y) {
    for (int x = 0; x + 1 < coarse.width; ++x) {
      const float here = at(x, y);
      const float right = at(x + 1, y);
      const float below = at(x, y + 1);
      if ((here > level) != (right > level)) {
        add(x + static_cast<double>((level - here) / (right - here)), y, rises(x, y),
            rises(x + 1, y));
      }
      if ((here > level) != (below > level)) {
        add(x, y + static_cast<double>((level - here) / (below - here)), rises(x, y),
            rises(x, y + 1));
      }
    }
  }
  return points;
}

/// True when the disc is so full over most of its face that its edge has moved outward.
bool is_saturated(const Frame& frame, const Circle& circle) {
  std::int64_t full = 0;
  std::int64_t all = 0;
  constexpr int kEvery = 4;
  for (int y = 0; y < frame.height; y += kEvery) {
    for (int x = 0; x < frame.width; x += kEvery) {
      if (std::hypot(x - circle.x, y - circle.y) < 0.97 * circle.radius) {
        ++all;
        full += frame.at(x, y) >= frame.saturation ? 1 : 0;
      }
    }
  }
  return full * 20 > all;
}

/// The Sun is bright inside and dark outside: else the circle is something else.
/// Of an annular eclipse only a ring is bright inside.
bool is_bright_disc(const std::vector<double>& mean_profile) {
  constexpr double kDarkest = 0.5;
  constexpr std::size_t kFewest = 8;
  if (mean_profile.size() <= kFewest) {
    return false;
  }
  const auto middle = mean_profile.begin() + static_cast<std::ptrdiff_t>(mean_profile.size() / 2);
  return mean_profile[mean_profile.size() - 2] <
         kDarkest * *std::max_element(mean_profile.begin(), middle);
}

/// Whether the picture's light is that of such a disc: little of it dark but for the Moon and
/// clouds, and little light beside it.
bool light_is_the_discs(const Coarse& coarse, const Circle& circle,
                        const std::optional<MoonDisc>& moon) {
  std::vector<double> inside;
  std::vector<double> outside;
  const double edge_px = 2.0 * coarse.block + 0.04 * circle.radius;
  for (int y = 0; y < coarse.height; ++y) {
    for (int x = 0; x < coarse.width; ++x) {
      const double px = (x + 0.5) * coarse.block - 0.5;
      const double py = (y + 0.5) * coarse.block - 0.5;
      const double out = std::hypot(px - circle.x, py - circle.y) - circle.radius;
      const auto value = static_cast<double>(
          coarse.values[static_cast<std::size_t>(y) * static_cast<std::size_t>(coarse.width) +
                        static_cast<std::size_t>(x)]);
      if (out > edge_px) {
        outside.push_back(value);
      } else if (out < -edge_px && !(moon && moon->hides(px, py, edge_px))) {
        inside.push_back(value);
      }
    }
  }
  constexpr std::size_t kFewest = 4;
  if (inside.size() < kFewest) {
    return moon.has_value();  // the thinnest of crescents
  }
  constexpr std::size_t kBrightFifth = 5;
  const auto bright_at = inside.begin() + static_cast<std::ptrdiff_t>(inside.size() - 1 -
                                                                      inside.size() / kBrightFifth);
  std::nth_element(inside.begin(), bright_at, inside.end());
  const double bright = *bright_at;
  double dark = outside.empty() ? 0.0 : *std::min_element(outside.begin(), outside.end());
  dark = std::min(dark, *std::min_element(inside.begin(), inside.end()));
  const auto over = [&](const std::vector<double>& values, double share) {
    return static_cast<double>(std::count_if(values.begin(), values.end(), [&](double value) {
      return value > dark + share * (bright - dark);
    }));
  };
  constexpr double kDark = 0.15;
  constexpr double kMostDark = 0.4;
  constexpr double kBright = 0.5;
  constexpr double kMostBeside = 0.1;
  const auto count = static_cast<double>(inside.size());
  return over(inside, kDark) > (1.0 - kMostDark) * count &&
         over(outside, kBright) < kMostBeside * count;
}

/// A circle that is brought to the limb.
struct Seat {
  CircleFit fit;
  double window_px = kWideWindowPx;
  EdgeReading reading;
};

/// Reads edges about the circle and fits it to them, in turns. False where too few are there.
base::Result<bool> seat_on_limb(const Frame& frame, const std::optional<MoonDisc>& moon,
                                const base::Task& task, Seat& seat) {
  constexpr int kPasses = 3;
  for (int pass = 0; pass <= kPasses; ++pass) {
    if (task.stopped()) {
      return fail(ErrorCode::kCancelled, "limb");
    }
    EdgeWanted wanted{seat.window_px};
    if (moon) {
      // Where the two edges meet, rays find what is neither; a ring as wide as half the window has
      // a limb of its own.
      wanted.counts = [&](const image::Point& point) {
        return !moon->hides(point.x, point.y, 0.5 * seat.window_px);
      };
    }
    seat.reading = read_edges(frame, seat.fit.circle, wanted);
    if (static_cast<double>(seat.reading.points.size()) < kLeastSeenShare * kRays) {
      return false;
    }
    if (pass == kPasses) {
      break;
    }
    seat.fit = robust_circle(seat.reading.points, seat.fit.circle);
    const auto edge = steepest_fall(seat.reading.mean_profile);
    seat.window_px = std::max(8.0, edge ? 6.0 * edge->half_width_px : kWideWindowPx);
  }
  return true;
}

}  // namespace

base::Result<LimbFit> fit_limb(const Frame& frame, const base::Task& task) {
  const auto not_found = [] {
    return fail_because(ErrorCode::kNotFound, "limb", base::because("no-edge-of-the-sun"));
  };
  const Coarse coarse = coarsen(frame);
  const auto points = crossings(coarse, frame.saturation);
  if (!points) {
    return tl::make_unexpected(points.error());
  }
  const auto start = consensus_circle(
      *points, {1.5 * coarse.block, 0.0, 8.0 * std::max(frame.width, frame.height)});
  if (!start) {
    return not_found();
  }
  task.report(0.3);
  Seat seat{{*start, 0.0, 0}, std::max(kWideWindowPx, 4.0 * coarse.block), {}};
  auto seated = seat_on_limb(frame, std::nullopt, task, seat);
  if (!seated || !*seated) {
    return seated ? not_found() : tl::make_unexpected(seated.error());
  }
  task.report(0.7);
  auto moon = find_moon(frame, seat.fit.circle, *points, coarse.block, seat.window_px);
  if (moon) {
    seated = seat_on_limb(frame, moon, task, seat);
    if (!seated || !*seated) {
      return seated ? not_found() : tl::make_unexpected(seated.error());
    }
    moon = find_moon(frame, seat.fit.circle, *points, coarse.block, seat.window_px);
  }
  const CircleFit& fit = seat.fit;
  const EdgeReading& reading = seat.reading;
  const auto edge = steepest_fall(reading.mean_profile);
  const double seen = static_cast<double>(fit.used) / kRays;
  if (!edge || seen < kLeastSeenShare || !is_bright_disc(reading.mean_profile) ||
      !light_is_the_discs(coarse, fit.circle, moon)) {
    return not_found();
  }
  const LimbBias bias =
      limb_bias(edge->half_width_px, fit.circle.radius,
                light::LimbDarkening(frame.info.wavelength_nm.value_or(kWhiteLightNm)));
  LimbFit limb;
  limb.centre_x_px = fit.circle.x;
  limb.centre_y_px = fit.circle.y;
  // The average along the limb reaches over a little to either side of the circle.
  constexpr double kSagittaPx2 = kAcrossPx * (kAcrossPx + 1.0) / 6.0;
  limb.radius_px = fit.circle.radius + bias.inward_px + kSagittaPx2 / fit.circle.radius;
  limb.blur_px = bias.sigma_px;
  limb.scatter_px = fit.scatter;
  limb.seen_share = seen;
  limb.points = fit.used;
  limb.saturated = is_saturated(frame, fit.circle);
  limb.moon = moon;
  task.report(1.0);
  return limb;
}

}  // namespace solarchon::disc
