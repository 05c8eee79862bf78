// SPDX-License-Identifier: GPL-3.0-or-later
#include "sight.h"

#include <algorithm>
#include <cmath>
#include <deque>
#include <mutex>
#include <utility>
#include <vector>

#include "solarchon/base/parallel.h"
#include "solarchon/optics/etalon.h"

namespace solarchon::camera {

namespace {

/// What decides a sight.
struct Key {
  std::uint32_t sun_seed = 0;
  std::optional<double> activity;
  std::int64_t step = 0;
  double wavelength_nm = 0.0;
  bool line = false;
  int width = 0;
  int height = 0;
  double centre_x_px = 0.0;
  double centre_y_px = 0.0;
  double scale_arcsec_px = 0.0;
  sky::PictureOrientation solar;
  bool operator==(const Key&) const = default;
};

Key key_of(const Shot& shot, const optics::Train& train, const scene::Grid& grid) {
  constexpr std::int64_t kStepMs = 2000;  // within it nothing moves by a tenth of an arcsecond
  return {shot.sun_seed,
          shot.activity,
          shot.time.unix_ms / kStepMs,
          train.band.wavelength_nm,
          train.line.has_value(),
          grid.width,
          grid.height,
          grid.centre_x_px,
          grid.centre_y_px,
          grid.scale_arcsec_px,
          grid.solar};
}

base::Result<scene::Layers> drawn(const Shot& shot, const Truth& truth, const optics::Train& train,
                                  const scene::Grid& grid, const base::Task& task) {
  const scene::Photosphere photosphere{truth.spots, train.band.wavelength_nm,
                                       scene::shows_granules(grid.scale_arcsec_px)
                                           ? scene::kept_convection(shot.sun_seed, shot.time)
                                           : nullptr};
  if (train.line) {
    const scene::Chromosphere chromosphere(scene::SyntheticSun(shot.sun_seed, shot.activity),
                                           shot.time);
    return scene::lay_out(photosphere, chromosphere, truth.view, grid, task);
  }
  return scene::draw(photosphere, truth.view, grid, task).map([&](scene::Picture picture) {
    scene::Layers layers;
    layers.width = grid.width;
    layers.height = grid.height;
    layers.continuum = std::move(picture);
    return layers;
  });
}

/// Openings on the way take from the edges of the field: a smooth fall that leaves half at the
/// field's edge, and at the Sun's limb what the train says.
class Vignette {
 public:
  Vignette(const optics::Vignetting& vignetting, const Truth& truth)
      : half_px_(std::max(1.0, 30.0 * vignetting.field_arcmin / truth.plate_scale_arcsec_px)) {
    const double limb = truth.radius_px / half_px_;
    const double lost = std::clamp(1.0 / std::max(1e-3, vignetting.limb_share) - 1.0, 1e-9, 1e3);
    constexpr double kNearHalf = 0.02;
    constexpr double kSoftest = 3.0;
    constexpr double kSteepest = 40.0;
    power_ = std::abs(limb - 1.0) > kNearHalf
                 ? std::clamp(std::log(lost) / std::log(limb), kSoftest, kSteepest)
                 : 8.0;
  }
  /// What is left at the squares of even steps of the distance, to be looked up.
  [[nodiscard]] std::vector<float> by_square(double farthest_px, int steps) const {
    std::vector<float> table(static_cast<std::size_t>(steps) + 2);
    for (std::size_t i = 0; i < table.size(); ++i) {
      const double radius_px = farthest_px * std::sqrt(static_cast<double>(i) / steps);
      table[i] = static_cast<float>(1.0 / (1.0 + std::pow(radius_px / half_px_, power_)));
    }
    return table;
  }

 private:
  double half_px_;
  double power_;
};

}  // namespace

base::Result<std::shared_ptr<const scene::Layers>> kept_sight(const Shot& shot, const Truth& truth,
                                                              const optics::Train& train,
                                                              const scene::Grid& grid,
                                                              const base::Task& task) {
  // A quick and a fine picture of two light paths side by side.
  constexpr std::size_t kMostKept = 4;
  constexpr std::size_t kMostPixels = 6'000'000;  // of all together: 120 megabytes
  struct Kept {
    Key key;
    std::shared_ptr<const scene::Layers> layers;
  };
  static std::mutex guard;
  static std::deque<Kept> kept;  // the last that was asked for in front
  if (task.stopped()) {
    return base::fail(base::ErrorCode::kCancelled, "picture");
  }
  const Key key = key_of(shot, train, grid);
  {
    const std::lock_guard<std::mutex> held(guard);
    const auto found =
        std::find_if(kept.begin(), kept.end(), [&](const Kept& one) { return one.key == key; });
    if (found != kept.end()) {
      const Kept again = *found;
      kept.erase(found);
      kept.push_front(again);
      return again.layers;
    }
  }
  return drawn(shot, truth, train, grid, task).map([&](scene::Layers layers) {
    auto made = std::make_shared<const scene::Layers>(std::move(layers));
    const std::lock_guard<std::mutex> held(guard);
    kept.push_front({key, made});
    std::size_t pixels = 0;
    std::size_t fit = 0;
    while (fit < kept.size() && fit < kMostKept &&
           pixels + kept[fit].layers->continuum.size() <= kMostPixels) {
      pixels += kept[fit++].layers->continuum.size();
    }
    kept.resize(fit);
    return made;
  });
}

std::optional<optics::LineBand> line_of(const Shot& shot, const optics::Train& train) {
  if (train.line && shot.band_angstrom) {
    return optics::LineBand{{*shot.band_angstrom}, train.line->blocking_angstrom};
  }
  return train.line;
}

namespace {

/// Radius of the eyepiece's round field on a phone that looks into it (px); none elsewhere.
std::optional<double> round_field_px(const Shot& shot, const Truth& truth,
                                     const optics::Train& train) {
  const auto sensor = optics::sensor_of(shot.rig);
  if (!train.look || !sensor ||
      !std::holds_alternative<optics::Phone>(shot.rig.elements[sensor->element].part)) {
    return std::nullopt;
  }
  return 1800.0 * train.look->true_field_deg / truth.plate_scale_arcsec_px;
}

scene::Picture passed(const scene::Layers& layers, const Shot& shot, const Truth& truth,
                      const optics::Train& train, const scene::Grid& grid, double middle_x_px,
                      double middle_y_px) {
  scene::Picture picture;
  if (const auto line = line_of(shot, train)) {
    scene::LinePassband passband;
    constexpr double kReaches = 1.5;  // of the blocking filter's width
    const int reach =
        static_cast<int>(std::ceil(kReaches * line->blocking_angstrom / passband.step_angstrom));
    for (int i = -reach; i <= reach; ++i) {
      passband.transmission.push_back(line->at(i * passband.step_angstrom));
    }
    passband.centre_angstrom = shot.detune_angstrom;
    passband.edge_shift_angstrom = train.etalon ? train.etalon->limb_shift_angstrom : 0.0;
    passband.edge_px = truth.radius_px;
    passband.middle_x_px = middle_x_px;
    passband.middle_y_px = middle_y_px;
    picture = scene::through(layers, passband, truth.view, grid);
  } else {
    picture = layers.continuum;
  }
  if (train.vignetting) {
    constexpr int kSteps = 4096;
    const double farthest_px = std::hypot(grid.width, grid.height);
    const std::vector<float> left =
        Vignette(*train.vignetting, truth).by_square(farthest_px, kSteps);
    base::each_row(grid.height, {}, [&](int y) {
      float* row = picture.data() + static_cast<std::ptrdiff_t>(y) * grid.width;
      const double down = y - middle_y_px;
      for (int x = 0; x < grid.width; ++x) {
        const double across = x - middle_x_px;
        const double place = (across * across + down * down) * kSteps / (farthest_px * farthest_px);
        const auto below = static_cast<std::size_t>(place);
        const auto part = static_cast<float>(place - static_cast<double>(below));
        row[x] *= left[below] + part * (left[below + 1] - left[below]);
      }
    });
  }
  if (const auto field_px = round_field_px(shot, truth, train)) {
    keep_round(*field_px, middle_x_px, middle_y_px, grid.width, grid.height, picture);
  }
  return picture;
}

}  // namespace

void keep_round(double radius_px, double middle_x_px, double middle_y_px, int width, int height,
                scene::Picture& picture) {
  base::each_row(height, {}, [&](int y) {
    float* row = picture.data() + static_cast<std::ptrdiff_t>(y) * width;
    for (int x = 0; x < width; ++x) {
      const double distance_px = std::hypot(x - middle_x_px, y - middle_y_px);
      row[x] *= static_cast<float>(std::clamp(radius_px - distance_px + 0.5, 0.0, 1.0));
    }
  });
}

std::shared_ptr<const scene::Picture> seen_through(
    const std::shared_ptr<const scene::Layers>& layers, const Shot& shot, const Truth& truth,
    const optics::Train& train, const scene::Grid& grid, double middle_x_px, double middle_y_px) {
  // What decides it besides the layers, which belong to one place, moment and sensor.
  struct Look {
    std::vector<double> figures;
    std::weak_ptr<const scene::Layers> layers;
    std::shared_ptr<const scene::Picture> picture;
  };
  static std::mutex guard;
  static Look last;
  std::vector<double> figures{shot.detune_angstrom};
  if (const auto line = line_of(shot, train)) {
    figures.push_back(line->blocking_angstrom);
    figures.push_back(train.etalon ? train.etalon->limb_shift_angstrom : 0.0);
    figures.insert(figures.end(), line->passes_angstrom.begin(), line->passes_angstrom.end());
  }
  figures.push_back(round_field_px(shot, truth, train).value_or(0.0));
  if (train.vignetting) {
    figures.push_back(train.vignetting->field_arcmin);
    figures.push_back(train.vignetting->limb_share);
  }
  {
    const std::lock_guard<std::mutex> held(guard);
    if (last.picture && last.layers.lock() == layers && last.figures == figures) {
      return last.picture;
    }
  }
  auto picture = std::make_shared<const scene::Picture>(
      passed(*layers, shot, truth, train, grid, middle_x_px, middle_y_px));
  const std::lock_guard<std::mutex> held(guard);
  last = {std::move(figures), layers, picture};
  return picture;
}

}  // namespace solarchon::camera
