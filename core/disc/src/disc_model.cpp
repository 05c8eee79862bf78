// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/disc/disc_model.h"

#include <functional>
#include <opencv2/core.hpp>

#include "solarchon/base/middle.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/picture.h"
#include "solarchon/image/point.h"
#include "solarchon/psf/transfer.h"

namespace solarchon::disc {

namespace {

/// Where the pixel of that number lies.
image::Point place_of(std::size_t pixel, int width) {
  const auto wide = static_cast<std::size_t>(width);
  const std::size_t row = pixel / wide;
  return {static_cast<double>(pixel % wide), static_cast<double>(row)};
}

/// By how much a place lies beyond the limb (px).
double beyond_limb(const image::Point& at, const DiscModel& disc) {
  return std::hypot(at.x - disc.limb.centre_x_px, at.y - disc.limb.centre_y_px) -
         disc.limb.radius_px;
}
double beyond_moon(const image::Point& at, const MoonDisc& moon) {
  return std::hypot(at.x - moon.centre_x_px, at.y - moon.centre_y_px) - moon.radius_px;
}

/// The edge of a disc along a radius, from inside outwards, in steps of a fraction of a pixel.
class EdgeProfile {
 public:
  static constexpr double kStep_px = 0.25;
  static constexpr int kHalf = 512;
  static constexpr int kLine =
      4 * kHalf;  ///< there and back again, so that it goes on at both ends

  /// The picture's own, as the mean along the limb.
  EdgeProfile(const std::vector<float>& plane, int width, const DiscModel& disc, double reach_px)
      : half_(static_cast<int>(std::ceil(reach_px / kStep_px))),
        sums_(static_cast<std::size_t>(2 * half_ + 1), 0.0),
        counts_(sums_.size(), 0.0) {
    for (std::size_t i = 0; i < plane.size(); ++i) {
      const image::Point place = place_of(i, width);
      const double out = beyond_limb(place, disc);
      const auto at = static_cast<int>(std::lround(out / kStep_px)) + half_;
      if (at >= 0 && at < static_cast<int>(sums_.size()) &&
          !disc.hidden(place.x, place.y, reach_px)) {
        sums_[static_cast<std::size_t>(at)] += static_cast<double>(plane[i]);
        counts_[static_cast<std::size_t>(at)] += 1.0;
      }
    }
  }

  /// A blur at the frequencies of the line that `misfit` draws.
  [[nodiscard]] static std::vector<double> along_line(const psf::Transfer& blur) {
    std::vector<double> factors;
    factors.reserve(kLine);
    for (int i = 0; i < kLine; ++i) {
      factors.push_back(blur.at_cycles(std::min(i, kLine - i) / (kLine * kStep_px)));
    }
    return factors;
  }

  /// How far it is from that of a disc through a blur.
  [[nodiscard]] double misfit(const DiscModel& disc, double wider_px,
                              const std::vector<double>& blur) const {
    cv::Mat line(1, kLine, CV_64F);
    for (int i = 0; i < 2 * kHalf; ++i) {
      const double out = (i - kHalf) * kStep_px;
      const double far = std::max(0.0, disc.limb.radius_px + out - wider_px);
      line.at<double>(0, i) = disc.at(far);
      line.at<double>(0, kLine - 1 - i) = disc.at(far);
    }
    cv::Mat spectrum;
    cv::dft(line, spectrum, cv::DFT_COMPLEX_OUTPUT);
    for (int i = 0; i < kLine; ++i) {
      spectrum.at<cv::Vec2d>(0, i) *= blur[static_cast<std::size_t>(i)];
    }
    cv::dft(spectrum, line, cv::DFT_INVERSE | cv::DFT_REAL_OUTPUT | cv::DFT_SCALE);
    double sum = 0.0;
    for (int i = 0; i < static_cast<int>(sums_.size()); ++i) {
      const auto k = static_cast<std::size_t>(i);
      const int at = i - half_ + kHalf;
      if (counts_[k] > 0.0 && at >= 0 && at < 2 * kHalf) {
        const double off = sums_[k] / counts_[k] - line.at<double>(0, at);
        sum += counts_[k] * off * off;
      }
    }
    return sum;
  }

 private:
  int half_;
  std::vector<double> sums_;
  std::vector<double> counts_;
};

}  // namespace

bool add_light(DiscModel& disc, const std::vector<float>& plane, const image::Picture& picture,
               double clear_px) {
  const LimbFit* fit = &disc.limb;
  const auto rings = static_cast<std::size_t>(fit->radius_px);
  std::vector<std::vector<double>> by_ring(rings + 1);
  std::vector<double> around;
  std::vector<double> on_moon;
  for (int y = 0; y < picture.height; ++y) {
    for (int x = 0; x < picture.width; ++x) {
      const double far = std::hypot(x - fit->centre_x_px, y - fit->centre_y_px);
      const auto value = static_cast<double>(
          plane[static_cast<std::size_t>(y) * static_cast<std::size_t>(picture.width) +
                static_cast<std::size_t>(x)]);
      if (disc.hidden(x, y, clear_px)) {
        if (disc.hidden(x, y, -clear_px) && far < fit->radius_px - clear_px) {
          on_moon.push_back(value);
        }
      } else if (far < fit->radius_px - clear_px) {
        by_ring[static_cast<std::size_t>(far)].push_back(value);
      } else if (far > fit->radius_px + clear_px && far < fit->radius_px + 3.0 * clear_px) {
        around.push_back(value);
      }
    }
  }
  cv::Mat left(0, 3, CV_64F);
  cv::Mat right(0, 1, CV_64F);
  for (std::size_t ring = 0; ring < by_ring.size(); ++ring) {
    constexpr std::size_t kEnough = 20;
    if (by_ring[ring].size() < kEnough) {
      continue;
    }
    const double share = (static_cast<double>(ring) + 0.5) / fit->radius_px;
    const double mu = std::sqrt(std::max(0.0, 1.0 - share * share));
    const double weight = std::sqrt(static_cast<double>(by_ring[ring].size()));
    left.push_back(cv::Mat(cv::Matx13d(weight, weight * mu, weight * mu * mu)));
    right.push_back(weight * base::middle_of(std::move(by_ring[ring])));
  }
  constexpr int kFewest = 8;
  if (left.rows < kFewest) {
    return false;
  }
  cv::Mat found;
  cv::solve(left, right, found, cv::DECOMP_SVD);
  for (int power = 0; power < 3; ++power) {
    disc.darkening.at(static_cast<std::size_t>(power)) += found.at<double>(power);
  }
  disc.around += base::middle_of(std::move(around));
  disc.on_moon += base::middle_of(std::move(on_moon));
  return true;
}

std::optional<DiscModel> disc_in(const image::Picture& picture, const std::vector<float>& plane,
                                 double clear_px, const base::Task& task) {
  const auto fit = fit_limb(image::frame_of(picture), {task.stop, {}});
  if (!fit || fit->saturated) {
    return std::nullopt;
  }
  DiscModel disc;
  disc.limb = *fit;
  return add_light(disc, plane, picture, clear_px) ? std::optional(disc) : std::nullopt;
}

std::vector<float> drawn(const DiscModel& disc, int width, int height) {
  std::vector<float> plane;
  plane.reserve(static_cast<std::size_t>(width) * static_cast<std::size_t>(height));
  for (int y = 0; y < height; ++y) {
    for (int x = 0; x < width; ++x) {
      plane.push_back(static_cast<float>(disc.at(static_cast<double>(x), static_cast<double>(y))));
    }
  }
  return plane;
}

double nearest_air(DiscModel& disc, const std::vector<float>& plane, int width, double reach_px,
                   const psf::ImagingSetup& imaging) {
  const EdgeProfile edge(plane, width, disc, reach_px);
  constexpr double kLeast_cm = 1.5;
  constexpr double kRatio = 1.12;
  constexpr int kSteps = 30;
  constexpr double kWidest_px = 0.8;
  constexpr double kWider_px = 0.1;
  double best_r0 = kLeast_cm;
  double best_wider = 0.0;
  double least = -1.0;
  const auto pupil = std::make_shared<const psf::Pupil>(imaging.obstruction, 0.0);
  for (int step = 0; step < kSteps; ++step) {
    psf::Blurring blurring;
    blurring.pixel = false;  // the disc is drawn as light over pixels
    blurring.r0_cm = kLeast_cm * std::pow(kRatio, step);
    const std::vector<double> blur =
        EdgeProfile::along_line(psf::Transfer(imaging, blurring, pupil));
    for (double wider = -kWidest_px; wider <= kWidest_px; wider += kWider_px) {
      const double misfit = edge.misfit(disc, wider, blur);
      if (least < 0.0 || misfit < least) {
        least = misfit;
        best_r0 = *blurring.r0_cm;
        best_wider = wider;
      }
    }
  }
  disc.limb.radius_px += best_wider;
  return best_r0;
}

namespace {

/// Adds what a plane has in common along an edge.
/// @param beyond  by how much a pixel lies beyond it (px); beyond the reach where it does not count
void add_rings(const std::vector<float>& plane, double reach_px,
               const std::function<double(std::size_t)>& beyond, std::vector<float>& rings) {
  constexpr double kPerPixel = 2.0;
  const auto count = static_cast<std::size_t>(2.0 * reach_px * kPerPixel) + 2;
  std::vector<std::vector<double>> by_ring(count);
  const auto step_of = [&](std::size_t i) { return (beyond(i) + reach_px) * kPerPixel; };
  for (std::size_t i = 0; i < plane.size(); ++i) {
    const double step = step_of(i);
    if (step >= 0.0 && step < static_cast<double>(count) - 1.0) {
      by_ring[static_cast<std::size_t>(std::lround(step))].push_back(static_cast<double>(plane[i]));
    }
  }
  std::vector<double> middles(count, 0.0);
  for (std::size_t ring = 0; ring < count; ++ring) {
    // It fades out towards both ends.
    const double off = static_cast<double>(ring) / kPerPixel - reach_px;
    const double share = std::clamp(2.0 - 2.0 * std::abs(off) / reach_px, 0.0, 1.0);
    middles[ring] = share * base::middle_of(std::move(by_ring[ring]));
  }
  for (std::size_t i = 0; i < plane.size(); ++i) {
    const double step = step_of(i);
    if (step >= 0.0 && step < static_cast<double>(count) - 1.0) {
      const auto ring = static_cast<std::size_t>(step);
      const double part = step - static_cast<double>(ring);
      rings[i] += static_cast<float>(middles[ring] * (1.0 - part) + middles[ring + 1] * part);
    }
  }
}

}  // namespace

std::vector<float> rings_of(const std::vector<float>& plane, int width, const DiscModel& disc,
                            double reach_px) {
  std::vector<float> rings(plane.size(), 0.0F);
  const double none = 2.0 * reach_px + 2.0;
  add_rings(
      plane, reach_px,
      [&](std::size_t i) {
        const image::Point at = place_of(i, width);
        return disc.hidden(at.x, at.y, 0.0) ? none : beyond_limb(at, disc);
      },
      rings);
  if (const auto& moon = disc.limb.moon) {
    add_rings(
        plane, reach_px,
        [&](std::size_t i) {
          const image::Point at = place_of(i, width);
          return beyond_limb(at, disc) > -reach_px ? none : beyond_moon(at, *moon);
        },
        rings);
  }
  return rings;
}

double overshoot(const std::vector<float>& plane, int width, int height, const DiscModel& disc,
                 double reach_px) {
  const auto rings = static_cast<std::size_t>(reach_px) + 1;
  struct Sum {
    double values = 0.0;
    double count = 0.0;
  };
  std::vector<Sum> at_limb(rings);
  std::vector<Sum> at_moon(rings);
  for (int y = 0; y < height; ++y) {
    for (int x = 0; x < width; ++x) {
      const image::Point at{static_cast<double>(x), static_cast<double>(y)};
      const double inwards = -beyond_limb(at, disc);
      if (inwards < 0.0) {
        continue;
      }
      const double over =
          static_cast<double>(plane[static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
                                    static_cast<std::size_t>(x)]) -
          disc.inside(disc.limb.radius_px - inwards);
      const auto add = [&](std::vector<Sum>& sums, double off_px) {
        Sum& sum = sums[static_cast<std::size_t>(off_px)];
        sum.values += over;
        sum.count += 1.0;
      };
      const double off_moon = disc.limb.moon ? beyond_moon(at, *disc.limb.moon) : reach_px;
      if (inwards < reach_px && off_moon >= reach_px) {
        add(at_limb, inwards);
      } else if (inwards >= reach_px && off_moon >= 0.0 && off_moon < reach_px) {
        add(at_moon, off_moon);
      }
    }
  }
  double most = 0.0;
  for (const std::vector<Sum>* sums : {&at_limb, &at_moon}) {
    for (const Sum& sum : *sums) {
      most = sum.count > 0.0 ? std::max(most, sum.values / sum.count) : most;
    }
  }
  const double light = disc.darkening[0] + disc.darkening[1] + disc.darkening[2];
  return light > 0.0 ? most / light : 0.0;
}

}  // namespace solarchon::disc
