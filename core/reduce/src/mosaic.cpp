// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/mosaic.h"

#include <algorithm>
#include <atomic>
#include <mutex>
#include <numbers>
#include <opencv2/core.hpp>

#include "solarchon/base/middle.h"
#include "solarchon/base/parallel.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/interpolation.h"
#include "solarchon/image/picture.h"
#include "solarchon/image/point.h"
#include "solarchon/registration/overlap.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Result;
using image::Picture;

namespace {

/// Two panels that overlap.
struct Pair {
  std::size_t one = 0;
  std::size_t other = 0;
  registration::FineOverlap fine;
  double strength = 0.0;
  double log_ratio = 0.0;  ///< of the other's light to the first one's
  double lit = 0.0;        ///< places that both have light at
};

/// Where the panels lie, each turned about its middle.
using Lay = std::vector<registration::PanelAlignment>;

image::Point middle_of_panel(const Picture& panel) {
  return {(panel.width - 1) / 2.0, (panel.height - 1) / 2.0};
}

std::string name_of(std::size_t panel) { return "panels[" + std::to_string(panel) + "]"; }

Result<void> checked_panels(const std::vector<Picture>& panels) {
  if (panels.size() < 2) {
    return base::fail(ErrorCode::kMissing, "panels");
  }
  if (panels.size() > static_cast<std::size_t>(kMostPanels)) {
    return base::fail(ErrorCode::kTooLarge, "panels", std::to_string(panels.size()),
                      base::wants("at-most", {static_cast<double>(kMostPanels)}));
  }
  const auto& first = panels.front();
  for (std::size_t i = 1; i < panels.size(); ++i) {
    constexpr double kAlike = 0.02;
    const auto& scale = panels[i].info.plate_scale_arcsec_px;
    const auto& wanted = first.info.plate_scale_arcsec_px;
    if (scale && wanted && std::abs(*scale / *wanted - 1.0) > kAlike) {
      return base::fail_because(ErrorCode::kMalformed, name_of(i), base::because("another-scale"));
    }
    if (panels[i].planes != first.planes) {
      return base::fail_because(ErrorCode::kMalformed, name_of(i),
                                base::because("grey-and-colour"));
    }
  }
  return {};
}

/// The light of one panel to that of the other where they overlap.
void compare_light(const std::vector<Picture>& panels, Pair& pair) {
  const Picture& one = panels[pair.one];
  const Picture& other = panels[pair.other];
  const registration::FineOverlap& fine = pair.fine;
  constexpr double kPlaces = 150.0;
  const double step =
      std::max(1.0, std::max(fine.right - fine.left, fine.bottom - fine.top) / kPlaces);
  std::vector<double> first;
  std::vector<double> second;
  // The mean about each place: single pixels are noise.
  const auto mean = [](const Picture& panel, const image::Point& at) {
    float sum = 0.0F;
    for (int j = -1; j <= 1; ++j) {
      for (int i = -1; i <= 1; ++i) {
        sum += image::sampled(panel, 0, at.x + i, at.y + j);
      }
    }
    return static_cast<double>(sum) / 9.0;
  };
  for (double y = fine.top; y <= fine.bottom; y += step) {
    for (double x = fine.left; x <= fine.right; x += step) {
      const image::Point there = fine.laid.at({x, y});
      if (image::lies_on(one, x, y) && image::lies_on(other, there.x, there.y)) {
        first.push_back(mean(one, {x, y}));
        second.push_back(mean(other, there));
      }
    }
  }
  if (first.empty()) {
    return;
  }
  constexpr double kLit = 0.1;
  const double bright = *std::max_element(first.begin(), first.end());
  const double other_bright = *std::max_element(second.begin(), second.end());
  std::vector<double> ratios;
  for (std::size_t i = 0; i < first.size(); ++i) {
    if (first[i] > kLit * bright && second[i] > kLit * other_bright && first[i] > 0.0 &&
        second[i] > 0.0) {
      ratios.push_back(std::log(second[i] / first[i]));
    }
  }
  pair.lit = static_cast<double>(ratios.size());
  pair.log_ratio = base::middle_of(std::move(ratios));
}

/// Every two panels that overlap.
std::vector<Pair> pairs_of(const std::vector<Picture>& greys, const base::Task& task) {
  int longest = 0;
  for (const Picture& panel : greys) {
    longest = std::max({longest, panel.width, panel.height});
  }
  const int bin = registration::bin_for_overlap(longest);
  std::vector<Pair> tried;
  for (std::size_t i = 0; i < greys.size(); ++i) {
    for (std::size_t j = i + 1; j < greys.size(); ++j) {
      tried.push_back({i, j, {}, 0.0, 0.0, 0.0});
    }
  }
  std::atomic<std::size_t> next{0};
  std::mutex together_with;
  std::vector<Pair> found;
  base::together(base::hands(), [&](int) {
    for (std::size_t at = next++; at < tried.size() && !task.stopped(); at = next++) {
      Pair pair = tried[at];
      const Picture& one = greys[pair.one];
      const Picture& other = greys[pair.other];
      const auto rough = registration::rough_overlap(one, other, bin, task);
      const auto fine = rough ? registration::fine_overlap(one, other, rough->laid) : std::nullopt;
      constexpr double kFewest = 0.25;
      constexpr double kWorst_px = 1.5;
      constexpr double kLeastAlike = 0.25;
      const std::scoped_lock lock(together_with);
      if (fine && fine->sure_share >= kFewest && fine->left_px <= kWorst_px &&
          fine->alike >= kLeastAlike) {
        pair.fine = *fine;
        pair.strength = rough->strength;
        compare_light(greys, pair);
        found.push_back(pair);
      }
      task.report(0.8 * static_cast<double>(std::min(at + 1, tried.size())) /
                  static_cast<double>(tried.size()));
    }
  });
  std::sort(found.begin(), found.end(),
            [](const Pair& a, const Pair& b) { return a.strength > b.strength; });
  return found;
}

/// Hangs panels onto the first, over the surest pairs. What does not hang together with it has no
/// place.
std::vector<std::optional<registration::PanelAlignment>> hung(const std::vector<Picture>& panels,
                                                              const std::vector<Pair>& pairs) {
  std::vector<std::optional<registration::PanelAlignment>> lay(panels.size());
  const image::Point first = middle_of_panel(panels[0]);
  lay[0] = registration::PanelAlignment{first, first, 0.0};
  for (bool more = true; more;) {
    more = false;
    for (const Pair& pair : pairs) {
      if (lay[pair.one].has_value() == lay[pair.other].has_value()) {
        continue;
      }
      const bool forward = lay[pair.one].has_value();
      const std::size_t known = forward ? pair.one : pair.other;
      const std::size_t fresh = forward ? pair.other : pair.one;
      const image::Point middle = middle_of_panel(panels[fresh]);
      const registration::PanelAlignment& way = pair.fine.laid;
      const image::Point there = forward ? way.back(middle) : way.at(middle);
      lay[fresh] = registration::PanelAlignment{
          middle, lay[known]->at(there),
          lay[known]->turn_rad + (forward ? -way.turn_rad : way.turn_rad)};
      more = true;
      break;
    }
  }
  return lay;
}

std::array<image::Point, 5> ties_of(const registration::FineOverlap& fine) {
  const double x = (fine.left + fine.right) / 2.0;
  const double y = (fine.top + fine.bottom) / 2.0;
  return {image::Point{fine.left, fine.top}, image::Point{fine.right, fine.top},
          image::Point{fine.left, fine.bottom}, image::Point{fine.right, fine.bottom},
          image::Point{x, y}};
}

/// By how much a pair does not meet, RMS (px).
double miss_of(const Pair& pair, const Lay& lay) {
  double sum = 0.0;
  const auto ties = ties_of(pair.fine);
  for (const image::Point& tie : ties) {
    const image::Point one = lay[pair.one].at(tie);
    const image::Point other = lay[pair.other].at(pair.fine.laid.at(tie));
    sum += std::pow(one.x - other.x, 2.0) + std::pow(one.y - other.y, 2.0);
  }
  return std::sqrt(sum / static_cast<double>(ties.size()));
}

/// Of the overlap (px2).
double area_of(const registration::FineOverlap& fine) {
  return (fine.right - fine.left) * (fine.bottom - fine.top);
}

/// How much a pair counts: small overlaps, and those whose detail does not agree on one place, are
/// less sure.
double weight_of(const Pair& pair) {
  constexpr double kSurest_px = 0.05;
  constexpr double kUsualArea = 10'000.0;
  return area_of(pair.fine) / kUsualArea /
         (std::pow(pair.fine.left_px, 2.0) + std::pow(kSurest_px, 2.0));
}

/// Moves and turns all panels but the first so that all pairs meet as well as they can together.
void settle(Lay& lay, const std::vector<Pair>& pairs) {
  const auto unknowns = static_cast<int>(3 * lay.size());
  constexpr int kRounds = 4;
  for (int round = 0; round < kRounds; ++round) {
    cv::Mat left = cv::Mat::zeros(unknowns, unknowns, CV_64F);
    cv::Mat right = cv::Mat::zeros(unknowns, 1, CV_64F);
    const auto add = [&](const std::array<int, 6>& which, const std::array<double, 6>& slopes,
                         double miss, double weight) {
      for (std::size_t i = 0; i < which.size(); ++i) {
        for (std::size_t j = 0; j < which.size(); ++j) {
          left.at<double>(which.at(i), which.at(j)) += weight * slopes.at(i) * slopes.at(j);
        }
        right.at<double>(which.at(i)) -= weight * slopes.at(i) * miss;
      }
    };
    for (const Pair& pair : pairs) {
      const double weight = weight_of(pair);
      for (const image::Point& tie : ties_of(pair.fine)) {
        const registration::PanelAlignment& a = lay[pair.one];
        const registration::PanelAlignment& b = lay[pair.other];
        const image::Point in_a = a.at(tie);
        const image::Point in_b = b.at(pair.fine.laid.at(tie));
        const int i = static_cast<int>(3 * pair.one);
        const int j = static_cast<int>(3 * pair.other);
        const std::array<int, 6> which{i, i + 1, i + 2, j, j + 1, j + 2};
        add(which, {1.0, 0.0, -(in_a.y - a.moved_to.y), -1.0, 0.0, in_b.y - b.moved_to.y},
            in_a.x - in_b.x, weight);
        add(which, {0.0, 1.0, in_a.x - a.moved_to.x, 0.0, -1.0, -(in_b.x - b.moved_to.x)},
            in_a.y - in_b.y, weight);
      }
    }
    // The first stays where it is.
    constexpr double kFirm = 1e12;
    for (int k = 0; k < 3; ++k) {
      left.at<double>(k, k) += kFirm;
    }
    cv::Mat step;
    cv::solve(left, right, step, cv::DECOMP_SVD);
    for (std::size_t k = 0; k < lay.size(); ++k) {
      const auto at = static_cast<int>(3 * k);
      lay[k].moved_to.x += step.at<double>(at);
      lay[k].moved_to.y += step.at<double>(at + 1);
      lay[k].turn_rad += step.at<double>(at + 2);
    }
  }
}

/// What each panel's light is multiplied by so that all agree best; their mean (of logarithms)
/// is 1.
std::vector<double> gains_of(std::size_t panels, const std::vector<Pair>& pairs,
                             double& largest_step) {
  const auto count = static_cast<int>(panels);
  cv::Mat left = cv::Mat::ones(count, count, CV_64F);  // their sum is 0
  cv::Mat right = cv::Mat::zeros(count, 1, CV_64F);
  for (const Pair& pair : pairs) {
    const auto i = static_cast<int>(pair.one);
    const auto j = static_cast<int>(pair.other);
    left.at<double>(i, i) += pair.lit;
    left.at<double>(j, j) += pair.lit;
    left.at<double>(i, j) -= pair.lit;
    left.at<double>(j, i) -= pair.lit;
    right.at<double>(i) += pair.lit * pair.log_ratio;
    right.at<double>(j) -= pair.lit * pair.log_ratio;
  }
  cv::Mat logs;
  cv::solve(left, right, logs, cv::DECOMP_SVD);
  largest_step = 0.0;
  for (const Pair& pair : pairs) {
    constexpr double kEnough = 50.0;
    if (pair.lit >= kEnough) {
      const double off = logs.at<double>(static_cast<int>(pair.one)) -
                         logs.at<double>(static_cast<int>(pair.other)) - pair.log_ratio;
      largest_step = std::max(largest_step, std::abs(std::expm1(off)));
    }
  }
  std::vector<double> gains;
  gains.reserve(panels);
  for (int k = 0; k < count; ++k) {
    gains.push_back(std::exp(logs.at<double>(k)));
  }
  return gains;
}

/// The way back into a panel, its turn worked out once for all pixels.
struct Way {
  registration::PanelAlignment laid;
  double cosine;
  double sine;
  [[nodiscard]] image::Point back(const image::Point& point) const {
    const double x = point.x - laid.moved_to.x;
    const double y = point.y - laid.moved_to.y;
    return {laid.middle.x + cosine * x + sine * y, laid.middle.y - sine * x + cosine * y};
  }
};

/// How much of a panel counts at a place in it: less towards its border.
double weight_at(const Picture& panel, const image::Point& at) {
  const double far = std::min({at.x, at.y, panel.width - 1.0 - at.x, panel.height - 1.0 - at.y});
  if (far < -0.5) {
    return 0.0;
  }
  const double fade = std::clamp(0.15 * std::min(panel.width, panel.height), 8.0, 300.0);
  const double share = std::clamp((far + 1.0) / fade, 0.0, 1.0);
  return std::max(1e-6, share * share * (3.0 - 2.0 * share));
}

Result<Mosaic> composed(const std::vector<Picture>& panels, const Lay& lay,
                        const std::vector<double>& gains, const base::Task& task) {
  image::Point least{1e9, 1e9};
  image::Point most{-1e9, -1e9};
  for (std::size_t k = 0; k < panels.size(); ++k) {
    const double right = panels[k].width - 1.0;
    const double bottom = panels[k].height - 1.0;
    for (const image::Point corner : {image::Point{0.0, 0.0}, image::Point{right, 0.0},
                                      image::Point{0.0, bottom}, image::Point{right, bottom}}) {
      const image::Point at = lay[k].at(corner);
      least = {std::min(least.x, at.x), std::min(least.y, at.y)};
      most = {std::max(most.x, at.x), std::max(most.y, at.y)};
    }
  }
  // Panels that lie straight are not told to be larger by what their turn was not quite 0.
  constexpr double kHair = 0.05;
  const image::Point origin{std::floor(least.x + kHair), std::floor(least.y + kHair)};
  Mosaic mosaic;
  Picture& picture = mosaic.picture;
  picture.info = panels.front().info;
  picture.info.centre_x_px.reset();
  picture.info.centre_y_px.reset();
  for (const Picture& panel : panels) {
    picture.info.simulated = picture.info.simulated || panel.info.simulated;
    if (panel.info.time && (!picture.info.time || *panel.info.time < *picture.info.time)) {
      picture.info.time = panel.info.time;
    }
  }
  const double width = std::ceil(most.x - kHair) - origin.x + 1.0;
  const double height = std::ceil(most.y - kHair) - origin.y + 1.0;
  if (const auto fits = image::check_size(static_cast<std::int64_t>(width),
                                          static_cast<std::int64_t>(height), "mosaic");
      !fits) {
    return tl::make_unexpected(fits.error());
  }
  picture.width = static_cast<int>(width);
  picture.height = static_cast<int>(height);
  picture.planes = panels.front().planes;
  picture.values.assign(picture.plane_size() * static_cast<std::size_t>(picture.planes), 0.0F);
  std::vector<Way> ways;
  ways.reserve(lay.size());
  for (const registration::PanelAlignment& laid : lay) {
    ways.push_back({laid, std::cos(laid.turn_rad), std::sin(laid.turn_rad)});
  }
  std::atomic<std::int64_t> empty{0};
  const bool done = base::each_row(picture.height, {task.stop, {}}, [&](int y) {
    std::int64_t missing = 0;
    for (int x = 0; x < picture.width; ++x) {
      double weights = 0.0;
      std::array<double, 3> sums{};
      for (std::size_t k = 0; k < panels.size(); ++k) {
        const image::Point at = ways[k].back({x + origin.x, y + origin.y});
        if (!image::lies_on(panels[k], at.x, at.y)) {
          continue;
        }
        const double weight = weight_at(panels[k], at);
        weights += weight;
        for (int plane = 0; plane < picture.planes; ++plane) {
          sums.at(static_cast<std::size_t>(plane)) +=
              weight * gains[k] * static_cast<double>(image::sampled(panels[k], plane, at.x, at.y));
        }
      }
      missing += weights > 0.0 ? 0 : 1;
      for (int plane = 0; weights > 0.0 && plane < picture.planes; ++plane) {
        const auto p = static_cast<std::size_t>(plane);
        picture.values[p * picture.plane_size() +
                       static_cast<std::size_t>(y) * static_cast<std::size_t>(picture.width) +
                       static_cast<std::size_t>(x)] = static_cast<float>(sums.at(p) / weights);
      }
    }
    empty += missing;
  });
  if (!done) {
    return base::fail(ErrorCode::kCancelled, "mosaic");
  }
  mosaic.covered = 1.0 - static_cast<double>(empty) / static_cast<double>(picture.plane_size());
  for (std::size_t k = 0; k < panels.size(); ++k) {
    mosaic.panels.push_back({lay[k].moved_to.x - origin.x, lay[k].moved_to.y - origin.y,
                             lay[k].turn_rad * 180.0 / std::numbers::pi, gains[k]});
  }
  task.report(1.0);
  return mosaic;
}

}  // namespace

Result<Mosaic> join_panels(const std::vector<Picture>& panels, const base::Task& task) {
  if (const auto good = checked_panels(panels); !good) {
    return tl::make_unexpected(good.error());
  }
  std::vector<Picture> made;
  for (const Picture& panel : panels) {
    if (panel.planes > 1) {
      made.push_back(image::grey_of(panel));
    }
  }
  const std::vector<Picture>& greys = made.empty() ? panels : made;
  std::vector<Pair> pairs = pairs_of(greys, task);
  for (;;) {
    if (task.stopped()) {
      return base::fail(ErrorCode::kCancelled, "mosaic");
    }
    const auto places = hung(greys, pairs);
    Lay lay;
    for (std::size_t k = 0; k < places.size(); ++k) {
      if (!places[k]) {
        return base::fail_because(ErrorCode::kNotFound, name_of(k), base::because("no-overlap"));
      }
      lay.push_back(*places[k]);
    }
    settle(lay, pairs);
    const auto worst = std::max_element(
        pairs.begin(), pairs.end(),
        [&](const Pair& a, const Pair& b) { return miss_of(a, lay) < miss_of(b, lay); });
    // A pair that says another thing than all others was laid wrongly.
    constexpr double kWrong_px = 3.0;
    if (miss_of(*worst, lay) > kWrong_px) {
      pairs.erase(worst);
      continue;
    }
    double step = 0.0;
    const std::vector<double> gains = gains_of(panels.size(), pairs, step);
    return composed(panels, lay, gains, task).map([&](Mosaic mosaic) {
      double sum = 0.0;
      double area = 0.0;
      for (const Pair& pair : pairs) {
        const double own = area_of(pair.fine);
        sum += own * (std::pow(miss_of(pair, lay), 2.0) + std::pow(pair.fine.left_px, 2.0));
        area += own;
      }
      mosaic.seams = static_cast<int>(pairs.size());
      mosaic.seam_px = std::sqrt(sum / area);
      mosaic.level_step = step;
      return mosaic;
    });
  }
}

}  // namespace solarchon::reduce
