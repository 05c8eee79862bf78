// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/scene/chromosphere.h"

#include <algorithm>
#include <cmath>

#include "facing.h"
#include "fibrils.h"
#include "painter.h"
#include "solarchon/base/parallel.h"
#include "threads.h"

namespace solarchon::scene {

using base::kPi;

namespace {

constexpr double kFringeSource = 0.15;
constexpr double kFringeKm = 2500.0;      // by which its light falls to 1/e
constexpr double kFringeFromKm = 1800.0;  // up to here one cannot see through
constexpr double kFringeThickness = 1.3;

}  // namespace

/// Lays the clouds over one picture.
class CloudPainter {
 public:
  CloudPainter(const Chromosphere& chromosphere, const sky::DiscView& view, const Grid& grid)
      : chromosphere_(chromosphere),
        grid_(grid),
        facing_(view, grid),
        fibrils_(chromosphere.seed_, chromosphere.seconds_),
        stride_(std::max(1, static_cast<int>(kSampleKm / facing_.pixel_km()))),
        samples_(std::max(1, static_cast<int>(std::lround(facing_.pixel_km() / kCoarseKm)))),
        grains_(facing_.pixel_km() < 1200.0   ? 1U
                : facing_.pixel_km() < 2000.0 ? 2U
                                              : 3U),
        columns_((grid.width + stride_ - 1) / stride_ + 1),
        rows_((grid.height + stride_ - 1) / stride_ + 1) {}

  [[nodiscard]] base::Result<Splashed> threads(const sky::DiscView& view,
                                               const base::Task& task) const {
    std::vector<Thread> threads;
    const double seconds = chromosphere_.seconds_;
    const Magnetism& magnetism = *chromosphere_.magnetism_;
    for (const Filament& filament : magnetism.filaments()) {
      add_threads(filament, seconds, threads);
    }
    (void)flares_of(magnetism.regions(), seconds, &threads);
    add_surges(magnetism.regions(), seconds, threads);
    if (facing_.pixel_km() < kSpiculesBelowKm) {
      add_spicules(view, chromosphere_.seed_, seconds, threads);
    }
    return splashed(threads, view, grid_, task);
  }

  /// The coarse grid of what lies on the disc; rows of a coarser raster, see stride.
  [[nodiscard]] bool sample_disc(const base::Task& task) {
    sheet_.resize(static_cast<std::size_t>(columns_) * static_cast<std::size_t>(rows_));
    return base::each_row(rows_, task, [&](int row) {
      for (int column = 0; column < columns_; ++column) {
        sheet_[static_cast<std::size_t>(row) * static_cast<std::size_t>(columns_) +
               static_cast<std::size_t>(column)] = sampled(column * stride_, row * stride_);
      }
    });
  }

  /// Joins disc and threads in one row.
  void join_row(int y, const Splashed& threads, Layers& layers) const {
    const double dy = grid_.centre_y_px - y;
    const std::size_t start = static_cast<std::size_t>(y) * static_cast<std::size_t>(grid_.width);
    for (int x = 0; x < grid_.width; ++x) {
      const std::size_t at = start + static_cast<std::size_t>(x);
      const double dx = x - grid_.centre_x_px;
      const double radius_px = std::hypot(dx, dy);
      const double over_km = (radius_px - facing_.limb_px()) * facing_.pixel_km();
      Sheet under{};
      if (over_km > 0.0) {
        // The fringe that is not told apart into spicules.
        under.thickness = static_cast<float>(
            kFringeThickness * std::exp(-std::max(0.0, over_km - kFringeFromKm) / kFringeKm));
        under.source = static_cast<float>(kFringeSource);
      } else {
        under = in_spots(between(x, y), layers.core[at], radius_px);
        if (over_km > -kFringeKm) {
          // Just inside the limb the same fringe stands before the disc.
          under.thickness += static_cast<float>(0.8 * (1.0 + over_km / kFringeKm));
        }
      }
      const float thread = threads.thickness[at];
      float source = under.source;
      float velocity = under.velocity;
      if (thread > 1e-4F) {
        const float own = threads.source[at] / thread;
        const float passed = std::exp(-thread);
        const float below = (1.0F - std::exp(-under.thickness)) * passed;
        const float above = 1.0F - passed;
        source = (own * above + under.source * below) / (above + below);
        velocity =
            (threads.velocity_km_s[at] / thread * above + under.velocity * below) / (above + below);
      }
      layers.thickness[at] = under.thickness + thread;
      layers.source[at] = source;
      layers.velocity_km_s[at] = velocity;
    }
  }

 private:
  static constexpr double kSampleKm = 420.0;   // of fine pictures
  static constexpr double kCoarseKm = 1600.0;  // of coarse ones
  static constexpr double kSpiculesBelowKm = 2200.0;

  struct Sheet {
    float thickness = 0.0F;
    float source = 0.14F;
    float velocity = 0.0F;
  };

  /// Over spots hardly a cloud is seen, and no plage.
  /// @param core  the photosphere there in the core of the line
  [[nodiscard]] Sheet in_spots(Sheet sheet, float core, double radius_px) const {
    const double share = std::min(1.0, radius_px / facing_.limb_px());
    const double quiet = 1.0 - kCoreDarkening * (1.0 - std::sqrt(1.0 - share * share));
    constexpr double kUmbra = 0.55;
    const auto left = static_cast<float>(
        std::clamp((static_cast<double>(core) / quiet - kUmbra) / (1.0 - kUmbra), 0.0, 1.0));
    if (left < 0.99F) {
      constexpr float kOverUmbrae = 0.07F;
      sheet.thickness *= 0.15F + 0.85F * left;
      sheet.source = kOverUmbrae + (sheet.source - kOverUmbrae) * left * left;
    }
    return sheet;
  }

  [[nodiscard]] Sheet sampled(double x, double y) const {
    if (samples_ == 1) {
      const double dx = x - grid_.centre_x_px;
      const double dy = grid_.centre_y_px - y;
      const Emergence at = facing_.emergence(dx, dy, std::hypot(dx, dy));
      return at.on_disc ? sheet_at(at) : Sheet{};
    }
    // What passes is averaged, so that a coarse picture is as bright as a fine one.
    Sheet mean{0.0F, 0.0F, 0.0F};
    float passed = 0.0F;
    int seen = 0;
    for (int j = 0; j < samples_; ++j) {
      for (int i = 0; i < samples_; ++i) {
        const double dx = x + (i + 0.5) / samples_ - 0.5 - grid_.centre_x_px;
        const double dy = grid_.centre_y_px - y - (j + 0.5) / samples_ + 0.5;
        const Emergence at = facing_.emergence(dx, dy, std::hypot(dx, dy));
        if (!at.on_disc) {
          continue;
        }
        const Sheet one = sheet_at(at);
        const float opaque = 1.0F - std::exp(-one.thickness);
        passed += 1.0F - opaque;
        mean.source += opaque * one.source;
        mean.velocity += opaque * one.velocity;
        ++seen;
      }
    }
    if (seen == 0) {
      return {};
    }
    const float opaque = static_cast<float>(seen) - passed;
    return {-std::log(passed / static_cast<float>(seen)), mean.source / opaque,
            mean.velocity / opaque};
  }

  [[nodiscard]] Sheet sheet_at(const Emergence& at) const {
    const Facing::Place place = facing_.place(at.point);
    const double latitude = std::asin(std::clamp(place.sin_latitude, -1.0, 1.0));
    const Magnetism& magnetism = *chromosphere_.magnetism_;
    const Field field = magnetism.at(latitude, place.longitude_rad);
    const FibrilNoise::Streaks streaks =
        fibrils_.along(magnetism, latitude, place.longitude_rad, grains_);
    const double level = std::hypot(field.west, field.north);
    // Fibrils are long and thick where the field lies down and is strong; elsewhere short mottles
    // crowd round the poles of the network, and the insides of its cells hold grains without a
    // direction.
    const double strong = std::clamp((level - 8.0) / 70.0, 0.0, 1.0);
    const double near_pole = soft_step(level + std::abs(field.up) - 9.0, 8.0);
    const Vector on_sun = on_sphere(latitude, place.longitude_rad);
    const double lump = in_lumps(on_sun, 5.5, 1);
    const double patch = in_lumps(on_sun, 24.0, 2);
    const double grain = in_lumps(on_sun, 2.1, 3);
    const auto mixed = [&](double FibrilNoise::Pair::*part) {
      const double share = 0.15 + 0.85 * strong;
      const double streak = (share * streaks.full.*part + (1.0 - share) * streaks.brief.*part) /
                            std::sqrt(share * share + (1.0 - share) * (1.0 - share));
      // What has no direction takes the place of streaks inside the cells.
      const double directed = std::clamp(0.35 + 0.65 * near_pole + strong, 0.0, 1.0);
      return directed * streak + 3.2 * (1.0 - directed) * grain;
    };
    const double first = mixed(&FibrilNoise::Pair::first);
    const double second = mixed(&FibrilNoise::Pair::second);
    const double plage = soft_step(std::abs(field.up) - 80.0, 70.0);
    const double bright =
        plage * std::clamp(0.75 + 0.12 * second + 0.9 * grain + 0.5 * lump, 0.0, 1.5);
    const double crowd =
        std::max(0.04, (0.36 + 0.4 * near_pole + 0.45 * strong) *
                           (1.0 + (0.8 * lump + 0.9 * patch) * (1.0 - 0.6 * strong))) *
        (1.0 - 0.6 * plage);
    Sheet sheet;
    sheet.thickness = static_cast<float>(std::min(3.5, 0.25 + crowd * std::exp(1.1 * first - 0.2)) +
                                         0.8 * bright);
    sheet.source = static_cast<float>(0.136 + 0.015 * second + 0.006 * lump + 0.15 * bright);
    sheet.velocity = static_cast<float>((4.0 + 5.0 * strong) * second);
    return sheet;
  }

  /// Noise that is tied to the surface and forgets itself in some twenty minutes.
  [[nodiscard]] double in_lumps(const Vector& on_sun, double size_Mm, std::uint64_t which) const {
    constexpr double kLifeS = 1500.0;
    const double scale = kSolarRadiusMm / size_Mm;
    const Vector place{scale * on_sun[0], scale * on_sun[1], scale * on_sun[2]};
    const double lives = chromosphere_.seconds_ / kLifeS;
    const double share = lives - std::floor(lives);
    const auto life = static_cast<std::uint64_t>(std::floor(lives));
    const auto of = [&](std::uint64_t one) {
      return lumps(place, chromosphere_.seed_ + 16U * one + which);
    };
    return (1.0 - share) * of(life) + share * of(life + 1);
  }

  [[nodiscard]] Sheet between(int x, int y) const {
    const auto get = [&](int column, int row) -> const Sheet& {
      return sheet_[static_cast<std::size_t>(row) * static_cast<std::size_t>(columns_) +
                    static_cast<std::size_t>(column)];
    };
    const int column = x / stride_;
    const int row = y / stride_;
    if (stride_ == 1) {
      return get(column, row);
    }
    const float dx = static_cast<float>(x - column * stride_) / static_cast<float>(stride_);
    const float dy = static_cast<float>(y - row * stride_) / static_cast<float>(stride_);
    const auto mixed = [&](float Sheet::*part) {
      return (1.0F - dy) *
                 ((1.0F - dx) * get(column, row).*part + dx * get(column + 1, row).*part) +
             dy * ((1.0F - dx) * get(column, row + 1).*part + dx * get(column + 1, row + 1).*part);
    };
    return {mixed(&Sheet::thickness), mixed(&Sheet::source), mixed(&Sheet::velocity)};
  }

  const Chromosphere& chromosphere_;
  Grid grid_;
  Facing facing_;
  FibrilNoise fibrils_;
  int stride_;          ///< pixels between samples, in fine pictures
  int samples_;         ///< a side, in coarse pixels
  std::size_t grains_;  ///< stride along fibrils, longer in coarse pixels
  int columns_;
  int rows_;
  std::vector<Sheet> sheet_;
};

Chromosphere::Chromosphere(const SyntheticSun& sun, sky::UtcTime time)
    : seed_(sun.seed()),
      seconds_(static_cast<double>(time.unix_ms) / 1000.0),
      magnetism_(kept_magnetism(sun, time)) {}

std::vector<FlareNow> Chromosphere::flares() const {
  std::vector<FlareNow> now;
  for (const Flare& flare : flares_of(magnetism_->regions(), seconds_)) {
    constexpr double kFaint = 0.01;
    if (flare.brightness > kFaint) {
      now.push_back({flare.latitude_rad * base::kDegPerRad,
                     base::wrap_360(flare.longitude_rad * base::kDegPerRad), flare.age_s,
                     flare.brightness});
    }
  }
  return now;
}

base::Result<Layers> lay_out(const Photosphere& photosphere, const Chromosphere& chromosphere,
                             const sky::DiscView& view, const Grid& grid, const base::Task& task) {
  const auto width = static_cast<std::size_t>(grid.width);
  const std::size_t pixels = width * static_cast<std::size_t>(grid.height);
  const auto cancelled = [] { return base::fail(base::ErrorCode::kCancelled, "picture"); };
  Layers layers{grid.width,
                grid.height,
                Picture(pixels),
                Picture(pixels),
                std::vector<float>(pixels),
                std::vector<float>(pixels),
                std::vector<float>(pixels)};
  const base::Task silent{task.stop, {}};
  const RowPainter paint = row_painter(photosphere, view, grid);
  if (!base::each_row(grid.height, silent, [&](int y) {
        const std::size_t start = static_cast<std::size_t>(y) * width;
        paint(y, layers.continuum.data() + start, layers.core.data() + start);
      })) {
    return cancelled();
  }
  CloudPainter clouds(chromosphere, view, grid);
  if (!clouds.sample_disc(task)) {
    return cancelled();
  }
  const auto threads = clouds.threads(view, silent);
  if (!threads) {
    return tl::make_unexpected(threads.error());
  }
  if (!base::each_row(grid.height, silent, [&](int y) { clouds.join_row(y, *threads, layers); })) {
    return cancelled();
  }
  return layers;
}

}  // namespace solarchon::scene
