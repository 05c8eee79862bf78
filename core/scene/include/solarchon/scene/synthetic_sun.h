// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <vector>

#include "solarchon/sky/time.h"

namespace solarchon::scene {

/// One drawn sunspot. Its penumbra is a circle on the surface with a wavy rim of the same area.
struct Spot {
  int group = 0;  ///< numbered within the moment, from 1
  double latitude_deg = 0.0;
  double carrington_longitude_deg = 0.0;
  double radius_deg = 1.0;       ///< of the penumbra, seen from the Sun's centre
  double umbra_share = 0.4;      ///< umbra's radius against the penumbra's; near 1: a pore
  std::array<double, 3> wave{};  ///< rim waves of 2, 3 and 4 periods, relative
  std::array<double, 3> phase_rad{};
  int polarity = 1;  ///< of its field: 1 outwards, -1 inwards

  /// Area of the whole spot in millionths of the solar hemisphere.
  [[nodiscard]] double area_muh() const;
};

/// An active region: two polarities that come up together, the spots in them, and what is left
/// when the spots are gone.
struct Region {
  std::uint32_t seed = 0;  ///< its own: of what is made of it
  double age_days = 0.0;
  double life_days = 10.0;    ///< of its spots; its field is seen for longer
  double latitude_deg = 0.0;  ///< of its middle
  double carrington_longitude_deg = 0.0;
  double spread_deg = 6.0;          ///< between leader and follower
  double tilt_deg = 6.0;            ///< by which the leader, in the west, is nearer to the equator
  double largest_area_muh = 100.0;  ///< of all spots, at its height
  int leader_polarity = 1;
  bool complex = false;  ///< polarities mixed: such regions flare
  std::vector<Spot> spots;

  [[nodiscard]] double hemisphere() const { return latitude_deg < 0.0 ? -1.0 : 1.0; }
};

/// How active the Sun is over its eleven years.
struct Activity {
  double level = 0.5;          ///< 0: hardly a spot, 1: most of a strong cycle
  double latitude_deg = 15.0;  ///< about which regions come up, either side of the equator
};
/// Of a date: a cycle of 11 years from the minimum at the end of 2019, in which the latitude falls
/// from 30 to 7 degrees.
[[nodiscard]] Activity activity_of(sky::UtcTime time);

/// A made-up Sun whose regions are born, grow, drift with the surface and fade: the same for the
/// same seed and instant, whoever asks. Joy's law tilts them; the largest area goes with the life
/// (Gnevyshev and Waldmeier: millionths are ten times the days).
class SyntheticSun {
 public:
  /// @param level  of activity, 0 to 1; none: by the date
  explicit SyntheticSun(std::uint32_t seed = 1, std::optional<double> level = {})
      : seed_(seed), level_(level) {}

  /// All regions of the whole Sun at an instant whose field is still seen, spots or none.
  [[nodiscard]] std::vector<Region> regions(sky::UtcTime time) const;
  /// All spots on the whole Sun at an instant, both hemispheres and the far side.
  [[nodiscard]] std::vector<Spot> spots(sky::UtcTime time) const;
  [[nodiscard]] std::uint32_t seed() const { return seed_; }
  [[nodiscard]] std::optional<double> level() const { return level_; }

 private:
  std::uint32_t seed_;
  std::optional<double> level_;
};

}  // namespace solarchon::scene
