// SPDX-License-Identifier: GPL-3.0-or-later
#include "sensor_map.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/base/parallel.h"
#include "solarchon/base/random.h"
#include "solarchon/camera/marks.h"

namespace solarchon::camera {

namespace {

using base::kPi;

/// A mote's shadow: the light of the aperture, out of focus, with a part missing.
struct Shadow {
  double x_px;
  double y_px;
  double radius_px;
  double hole_px;  ///< radius within which a secondary stands instead
  double depth;    ///< light that is missing
  double edge_px;  ///< over which it begins
  /// What is left at a distance from its middle.
  [[nodiscard]] double at(double distance_px) const {
    const auto inside = [this, distance_px](double radius) {
      return std::clamp(0.5 + (radius - distance_px) / edge_px, 0.0, 1.0);
    };
    return 1.0 - depth * (inside(radius_px) - (hole_px > 0.0 ? inside(hole_px) : 0.0));
  }
};

std::vector<Shadow> shadows_of(const Marks& marks, const Setup& setup) {
  base::Random random{marks.seed, 0xd057U};
  const optics::Camera& camera = setup.camera;
  std::vector<Shadow> shadows;
  for (int i = 0; i < marks.motes; ++i) {
    // Most on the window a millimetre before the sensor, some on a filter.
    constexpr double kOnWindow = 0.75;
    constexpr double kWindowMm = 1.2;
    const double distance_mm =
        random.uniform() < kOnWindow ? kWindowMm : random.uniform(12.0, 30.0);
    const double size_um = 8.0 * std::exp(1.2 * std::abs(random.normal()));
    const double cone_um = 1000.0 * distance_mm / *setup.train.focal_ratio;
    const double radius_px = 0.5 * std::max(cone_um, size_um) / camera.pixel_um;
    constexpr double kDeepest = 0.9;
    shadows.push_back({random.uniform(0.0, camera.width_px), random.uniform(0.0, camera.height_px),
                       radius_px, cone_um > size_um ? radius_px * setup.train.obstruction : 0.0,
                       std::min(kDeepest, size_um * size_um / (cone_um * cone_um)),
                       std::max(1.0, std::min(cone_um, size_um) / camera.pixel_um)});
  }
  return shadows;
}

void cast(const Shadow& shadow, int width, int height, std::vector<float>& map) {
  const double reach = shadow.radius_px + shadow.edge_px;
  const int left = std::max(0, static_cast<int>(shadow.x_px - reach));
  const int right = std::min(width - 1, static_cast<int>(shadow.x_px + reach) + 1);
  const int top = std::max(0, static_cast<int>(shadow.y_px - reach));
  const int bottom = std::min(height - 1, static_cast<int>(shadow.y_px + reach) + 1);
  for (int y = top; y <= bottom; ++y) {
    float* row = map.data() + static_cast<std::ptrdiff_t>(y) * width;
    for (int x = left; x <= right; ++x) {
      row[x] *= static_cast<float>(shadow.at(std::hypot(x - shadow.x_px, y - shadow.y_px)));
    }
  }
}

double sinc(double turn) {
  constexpr double kNone = 1e-6;
  return std::abs(turn) < kNone ? 1.0 : std::sin(turn) / turn;
}

/// Bands of interference between the sensor and its window: straight by the wedge between them,
/// bent a little by the window's own figure.
class Bands {
 public:
  Bands(const Marks& marks, const Setup& setup) {
    base::Random random{marks.seed, 0xba4dU};
    const optics::Camera& camera = setup.camera;
    const double wavelength_um = 1e-3 * setup.train.band.wavelength_nm;
    constexpr double kOwnWedgeDeg = 0.03;  // of a window that nobody tilted
    const double wedge_rad =
        base::kRadPerDeg * (kOwnWedgeDeg + tilt_deg(setup.train, wavelength_um));
    period_px_ = wavelength_um / (2.0 * std::sin(wedge_rad)) / camera.pixel_um;
    const double way = random.uniform(0.0, 2.0 * kPi);
    right_ = std::cos(way);
    down_ = std::sin(way);
    phase_ = random.uniform(0.0, 2.0 * kPi);
    middle_x_ = 0.5 * camera.width_px;
    middle_y_ = 0.5 * camera.height_px;
    constexpr double kBentBands = 2.0;  // out at the longer side
    bend_ = kBentBands / (middle_x_ * middle_x_);
    contrast_ = marks.band_contrast * kept(setup, wavelength_um) * sinc(kPi / period_px_);
  }
  [[nodiscard]] double contrast() const { return contrast_; }
  [[nodiscard]] double at(int x, int y) const {
    const double dx = x - middle_x_;
    const double dy = y - middle_y_;
    const double bands = (right_ * dx + down_ * dy) / period_px_ + bend_ * (dx * dx + dy * dy);
    return 1.0 + contrast_ * std::cos(2.0 * kPi * bands + phase_);
  }

 private:
  static double tilt_deg(const optics::Train& train, double wavelength_um) {
    if (!train.fringes || !train.fringes->spacing_um) {
      return 0.0;
    }
    return std::asin(std::min(1.0, 0.5 * wavelength_um / *train.fringes->spacing_um)) /
           base::kRadPerDeg;
  }
  /// What the cone of light and the width of the passband leave of them, for a gap of half a
  /// millimetre.
  static double kept(const Setup& setup, double wavelength_um) {
    constexpr double kGapUm = 500.0;
    const double ratio = *setup.train.focal_ratio;
    const double cone = 2.0 * kGapUm / (8.0 * ratio * ratio) / wavelength_um;
    constexpr double kUmPerAngstrom = 1e-4;
    constexpr double kUmPerNm = 1e-3;
    constexpr double kWideNm = 100.0;
    const double width_um =
        setup.train.line
            ? kUmPerAngstrom * (setup.train.etalon ? setup.train.etalon->bandwidth_angstrom
                                                   : setup.train.line->blocking_angstrom)
            : kUmPerNm * setup.train.band.width_nm.value_or(kWideNm);
    const double beat = kPi * 2.0 * kGapUm * width_um / (wavelength_um * wavelength_um);
    // The transform of a Lorentzian line, and of an even cone.
    return std::exp(-beat) * std::abs(sinc(kPi * cone));
  }

  double period_px_ = 1.0;
  double right_ = 1.0;
  double down_ = 0.0;
  double phase_ = 0.0;
  double middle_x_ = 0.0;
  double middle_y_ = 0.0;
  double bend_ = 0.0;
  double contrast_ = 0.0;
};

/// Response of the red, green and blue pixels of a colour sensor against the most sensitive one.
std::array<double, 3> colours_of(const optics::Train& train) {
  struct Filter {
    double peak_nm;
    double blueward_nm;
    double redward_nm;
  };
  constexpr std::array<Filter, 3> kFilters{
      {{605.0, 22.0, 75.0}, {530.0, 38.0, 42.0}, {460.0, 38.0, 36.0}}};
  constexpr double kLeak = 0.02;
  constexpr double kBluest = 400.0;
  constexpr double kReddest = 700.0;
  const double half = train.line ? 0.0 : 0.5 * train.band.width_nm.value_or(1000.0);
  const double from = std::max(kBluest, train.band.wavelength_nm - half);
  const double to = std::min(kReddest, train.band.wavelength_nm + half);
  std::array<double, 3> response{};
  constexpr int kColours = 60;
  for (std::size_t i = 0; i < response.size(); ++i) {
    for (int step = 0; step <= kColours; ++step) {
      const double off = from + (to - from) * step / kColours - kFilters.at(i).peak_nm;
      const double width = off < 0.0 ? kFilters.at(i).blueward_nm : kFilters.at(i).redward_nm;
      response.at(i) += kLeak + (1.0 - kLeak) * std::exp(-0.5 * off * off / (width * width));
    }
  }
  const double most = *std::max_element(response.begin(), response.end());
  for (double& one : response) {
    one /= most;
  }
  return response;
}

}  // namespace

base::Result<void> check(const Marks& marks) {
  return base::checked("motes", marks.motes, kMotesRange)
      .and_then([&](double) {
        return base::checked("response_spread", marks.response_spread, kResponseSpreadRange);
      })
      .and_then([&](double) {
        return base::checked("band_contrast", marks.band_contrast, kBandContrastRange);
      })
      .map([](double) {});
}

std::vector<float> sensor_map(const Shot& shot, const Setup& setup) {
  const optics::Camera& camera = setup.camera;
  const Marks& marks = shot.marks;
  const bool colours = shot.mosaic && camera.colour;
  if (marks.motes == 0 && marks.response_spread == 0.0 && marks.band_contrast == 0.0 && !colours) {
    return {};
  }
  std::vector<float> map(
      static_cast<std::size_t>(camera.width_px) * static_cast<std::size_t>(camera.height_px), 1.0F);
  for (const Shadow& shadow : shadows_of(marks, setup)) {
    cast(shadow, camera.width_px, camera.height_px, map);
  }
  std::array<double, 4> pattern{1.0, 1.0, 1.0, 1.0};
  if (colours) {
    const std::array<double, 3> response = colours_of(setup.train);
    pattern = {response[0], response[1], response[1], response[2]};
  }
  const Bands bands(marks, setup);
  constexpr double kUnseen = 1e-5;
  base::each_row(camera.height_px, {}, [&](int y) {
    base::Random random{marks.seed, static_cast<std::uint32_t>(y), 0xf1a7U};
    float* row = map.data() + static_cast<std::ptrdiff_t>(y) * camera.width_px;
    for (int x = 0; x < camera.width_px; ++x) {
      double value = pattern.at(static_cast<std::size_t>(2 * (y % 2) + x % 2));
      if (marks.response_spread > 0.0) {
        value *= std::max(0.0, 1.0 + marks.response_spread * random.normal());
      }
      if (bands.contrast() > kUnseen) {
        value *= bands.at(x, y);
      }
      row[x] *= static_cast<float>(value);
    }
  });
  return map;
}

}  // namespace solarchon::camera
