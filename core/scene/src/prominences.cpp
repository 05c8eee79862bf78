// SPDX-License-Identifier: GPL-3.0-or-later
// What filaments, loops, surges and the fringe at the limb are made of.
#include <algorithm>
#include <cmath>

#include "solarchon/base/random.h"
#include "solarchon/scene/convection.h"
#include "threads.h"

namespace solarchon::scene {

using base::kPi;
using base::kRadPerDeg;

namespace {

/// A place over the surface with its directions.
struct Footing {
  Vector up;
  Vector forward;
  Vector side;

  [[nodiscard]] Vector at(double forward_Mm, double side_Mm, double height_Mm) const {
    const Vector moved =
        along(along(up, forward, forward_Mm / kSolarRadiusMm), side, side_Mm / kSolarRadiusMm);
    return scaled_to(moved, 1.0 + height_Mm / kSolarRadiusMm);
  }
  [[nodiscard]] Vector way(double forward_part, double side_part, double up_part) const {
    return along(along(along({}, forward, forward_part), side, side_part), up, up_part);
  }
};

Vector cross(const Vector& a, const Vector& b) {
  return {a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]};
}

Footing footing(const Vector& up, const Vector& towards) {
  const double lean = dot(up, towards);
  const Vector forward = scaled_to(along(towards, up, -lean), 1.0);
  return {up, forward, cross(up, forward)};
}

Footing footing_at(double latitude_rad, double longitude_rad, double turned_rad) {
  const Vector up = on_sphere(latitude_rad, longitude_rad);
  const Vector west{std::cos(longitude_rad), 0.0, -std::sin(longitude_rad)};
  const Vector north = cross(up, west);
  return footing(up, along(along({}, west, std::cos(turned_rad)), north, std::sin(turned_rad)));
}

/// A spine that can be asked at any place along it.
class Spine {
 public:
  explicit Spine(const Filament& filament) : step_Mm_(filament.length_Mm) {
    for (const Filament::Node& node : filament.spine) {
      points_.push_back(on_sphere(node.latitude_rad, node.longitude_rad));
    }
    step_Mm_ /= static_cast<double>(points_.size() - 1);
  }
  [[nodiscard]] Footing at(double way_Mm) const {
    const double place =
        std::clamp(way_Mm / step_Mm_, 0.0, static_cast<double>(points_.size()) - 1.001);
    const auto first = static_cast<std::size_t>(place);
    const double share = place - static_cast<double>(first);
    const Vector& a = points_[first];
    const Vector& b = points_[first + 1];
    const Vector chord = along(b, a, -1.0);
    return footing(scaled_to(along(a, chord, share), 1.0), chord);
  }

 private:
  std::vector<Vector> points_;
  double step_Mm_;
};

/// Smooth noise along a line, -1 to 1.
double along_line(double place, std::uint64_t seed) {
  const double whole = std::floor(place);
  const double share = place - whole;
  const double eased = share * share * (3.0 - 2.0 * share);
  const auto cell = static_cast<std::int64_t>(whole);
  return (1.0 - eased) * hashed(cell, 1, seed) + eased * hashed(cell + 1, 1, seed);
}

/// Random numbers of one thread, drawn one after the other.
class Draws {
 public:
  Draws(std::int64_t thread, std::int64_t life, std::uint64_t seed)
      : thread_(thread), life_(life), seed_(seed) {}
  [[nodiscard]] double share() { return hashed_share(thread_, life_, seed_ + 1000U * ++count_); }
  [[nodiscard]] double about_zero() { return 2.0 * share() - 1.0; }

 private:
  std::int64_t thread_;
  std::int64_t life_;
  std::uint64_t seed_;
  std::uint64_t count_ = 0;
};

constexpr double kFilamentSource = 0.088;
/// Weaves a filament out of threads.
class Weaver {
 public:
  Weaver(const Filament& filament, double seconds, std::vector<Thread>& threads)
      : filament_(filament), spine_(filament), seconds_(seconds), threads_(threads) {}

  void weave() {
    const double per_Mm = filament_.active ? 0.75 * filament_.width_Mm
                                           : 0.75 * filament_.width_Mm + 0.43 * filament_.height_Mm;
    const auto count = static_cast<std::int64_t>(filament_.length_Mm * per_Mm);
    for (std::int64_t i = 0; i < count; ++i) {
      const double life_s = 500.0 + 500.0 * hashed_share(i, 0, filament_.seed);
      const Turn turn = turn_of(seconds_, life_s, hashed_share(i, 1, filament_.seed));
      Draws draw(i, turn.count, filament_.seed);
      const double flow_km_s = 6.0 * draw.about_zero();
      const double way =
          filament_.length_Mm * draw.share() + 1e-3 * flow_km_s * (turn.share - 0.5) * life_s;
      // What rises comes apart, and comes at the observer.
      const double lift_share = filament_.lift_Mm / 250.0;
      Thread thread;
      thread.radius_km = (330.0 + 330.0 * draw.share()) * (1.0 + lift_share);
      thread.thickness = (filament_.active ? 0.55 : 0.21) * filament_.strength * 2.0 * turn.seen();
      // Denser here, torn there.
      thread.thickness *=
          std::clamp(1.0 + 0.8 * noise(way / 22.0, 18) + 0.4 * noise(way / 9.0, 19), 0.1, 1.8);
      thread.source = kFilamentSource * (0.8 + 0.4 * draw.share());
      thread.velocity_km_s =
          spine_.at(way).way(flow_km_s, 0.0, 5.0 * draw.about_zero() + 1.2 * filament_.lift_Mm);
      constexpr double kFeet = 0.10;
      if (!filament_.active && draw.share() < kFeet) {
        add_foot(thread, way, draw);
      } else {
        add_strand(thread, way, draw);
      }
    }
  }

 private:
  [[nodiscard]] double noise(double place, std::uint64_t which) const {
    return along_line(place, filament_.seed + which);
  }
  [[nodiscard]] double across(Draws& draw) const {
    return 0.3 * filament_.width_Mm * (draw.about_zero() + draw.about_zero());
  }
  [[nodiscard]] double raised(double way) const {
    return filament_.lift_Mm * std::sin(kPi * std::clamp(way / filament_.length_Mm, 0.0, 1.0));
  }
  /// How high it reaches there: it breaks up into pieces, and ends low.
  [[nodiscard]] double top(double way) const {
    const double ends = std::min(way, filament_.length_Mm - way) / (0.15 * filament_.length_Mm);
    const double pieces = 0.62 + 0.38 * noise(way / 26.0, 11) + 0.16 * noise(way / 8.0, 12);
    return filament_.height_Mm * std::clamp(pieces, 0.12, 1.0) *
           std::sqrt(std::clamp(ends, 0.05, 1.0));
  }

  /// Cuts a curve into straight pieces. @param point  of a share of it, 0 to 1
  template <typename Curve>
  void add(Thread thread, const Curve& point) {
    constexpr int kPieces = 3;
    Vector before = point(0.0);
    for (int piece = 1; piece <= kPieces; ++piece) {
      thread.from = before;
      thread.to = point(static_cast<double>(piece) / kPieces);
      before = thread.to;
      threads_.push_back(thread);
    }
  }

  /// From the body down to the surface, aside, at uneven distances.
  void add_foot(const Thread& thread, double way, Draws& draw) {
    constexpr double kBarbMm = 34.0;
    const double side = hashed(1, 2, filament_.seed) > 0.0 ? 1.0 : -1.0;
    const double place = std::floor(way / kBarbMm) + 0.5;
    const double barb = kBarbMm * (place + 0.45 * noise(place, 21));
    const Footing at = spine_.at(barb);
    const double tall = 0.5 * top(barb);
    const double out = side * (4.0 + 5.0 * (1.0 + noise(place, 22)));
    const double down = 0.75 * draw.share();
    const double spread = (1.0 + 2.5 * down) * draw.about_zero();
    const double aside = 0.4 * across(draw);
    add(thread, [&](double piece) {
      const double share = down + 0.25 * piece;
      const double left = 1.0 - share;
      return at.at(spread + 6.0 * share, aside + out * share * share,
                   1.5 + tall * left * left + raised(barb) * left);
    });
  }

  /// Threads of one place run alike: along the spine in some, up and down in others.
  void add_strand(Thread thread, double way, Draws& draw) {
    const bool active = filament_.active;
    const Footing foot = spine_.at(way);
    const double standing = active ? 0.0 : noise(way / 21.0, 13) + 0.35;
    const double rise = std::clamp(1.1 * standing, 0.0, 1.35) + 0.22 * draw.about_zero();
    const bool upright = rise > 0.6;
    const double fan = 0.6 * noise(way / 9.0, 14);
    const double half = active ? 3.0 + 4.5 * draw.share() : 2.0 + 4.0 * draw.share();
    const double side = hashed(1, 2, filament_.seed) > 0.0 ? 1.0 : -1.0;
    const double skew = (active ? 0.10 : 0.30) * side * (0.7 + 0.3 * draw.about_zero());
    const double low = active ? 0.5 : 0.10 + 0.15 * (1.0 + noise(way / 17.0, 15));
    const double height = (0.72 + 0.38 * draw.share()) * top(way) *
                          (low + (1.0 - low) * std::pow(draw.share(), 0.75));
    if (!active) {
      // Knots, and hollows that one sees through.
      const Vector there{way / 11.0, height / 8.0, 3.3};
      const Vector finer{2.3 * there[0], 2.3 * there[1], 3.3};
      thread.thickness *= std::clamp(
          0.9 + 1.5 * lumps(there, filament_.seed + 31) + 0.8 * lumps(finer, filament_.seed + 32),
          0.03, 2.2);
    }
    const double over = half * std::cos(rise + fan);
    const double up = half * std::sin(rise + (upright ? fan : 0.0));
    // Wider below than on top; thinner towards the ends.
    const double ends =
        std::clamp(4.0 * std::min(way, filament_.length_Mm - way) / filament_.length_Mm, 0.3, 1.0);
    const double breadth = std::clamp(0.9 + 0.8 * noise(way / 25.0, 23), 0.35, 1.7);
    const double aside =
        breadth * across(draw) * (1.2 - 0.7 * height / filament_.height_Mm) * ends +
        (active ? 1.6 * noise(way / 9.0, 17) : 2.0 * noise(way / 16.0, 17));
    const double sag = half * (0.35 * draw.about_zero() + 0.45 * noise(way / 12.0, 16));
    const double woven = 0.8 * draw.about_zero();
    add(thread, [&](double share) {
      const double to = 2.0 * share - 1.0;
      const double bow = 4.0 * share * (1.0 - share);
      return foot.at(over * to + (upright ? sag * bow : 0.0),
                     aside + over * skew * to + woven * bow,
                     std::max(1.0, height + up * to + (upright ? 0.0 : sag * bow)) + raised(way));
    });
  }

  const Filament& filament_;
  Spine spine_;
  double seconds_;
  std::vector<Thread>& threads_;
};

}  // namespace

void add_threads(const Filament& filament, double seconds, std::vector<Thread>& threads) {
  Weaver(filament, seconds, threads).weave();
}

namespace {

/// Calls for each hour's event that can still be seen.
template <typename Use>
void each_event(const Region& region, double seconds, double per_hour, double longest_s,
                std::uint32_t kind, const Use& use) {
  constexpr double kHourS = 3600.0;
  const auto hour = static_cast<std::int64_t>(std::floor(seconds / kHourS));
  const auto hours_back = static_cast<std::int64_t>(std::ceil(longest_s / kHourS));
  for (std::int64_t slot = hour - hours_back; slot <= hour; ++slot) {
    base::Random random{region.seed, kind, static_cast<std::uint32_t>(slot)};
    if (random.uniform() >= per_hour) {
      continue;
    }
    const double age = seconds - (static_cast<double>(slot) + random.uniform()) * kHourS;
    if (age >= 0.0 && age < longest_s) {
      use(age, random);
    }
  }
}

double area_now(const Region& region) {
  double area = 0.0;
  for (const Spot& spot : region.spots) {
    area += spot.area_muh();
  }
  return area;
}

/// Where in a region the polarities are pressed together, and how the line between them runs.
Footing neutral_place(const Region& region, base::Random& random) {
  const double tilt = region.tilt_deg * kRadPerDeg;
  const double west_deg = region.complex ? 0.35 * region.spread_deg : 0.1 * region.spread_deg;
  const double latitude = (region.latitude_deg + random.uniform(-0.8, 0.8) -
                           region.hemisphere() * west_deg * std::sin(tilt)) *
                          kRadPerDeg;
  const double longitude =
      (region.carrington_longitude_deg + west_deg + random.uniform(-0.5, 0.5)) * kRadPerDeg;
  return footing_at(latitude, longitude,
                    0.5 * kPi + region.hemisphere() * tilt + random.uniform(-0.5, 0.5));
}

}  // namespace

std::vector<Flare> flares_of(const std::vector<Region>& regions, double seconds,
                             std::vector<Thread>* threads) {
  std::vector<Flare> flares;
  for (const Region& region : regions) {
    const double area = area_now(region);
    constexpr double kLeastMuh = 60.0;
    if (!region.complex || area < kLeastMuh) {
      continue;
    }
    const double per_hour = std::min(0.2, 0.05 * area / 200.0);
    constexpr double kLongestS = 7200.0;
    each_event(region, seconds, per_hour, kLongestS, 0xf1aU, [&](double age, base::Random& random) {
      const Footing place = neutral_place(region, random);
      const double half_Mm = random.uniform(7.0, 22.0);
      const double decay_s = random.uniform(1200.0, 3600.0) / 3.0;
      const double strength = random.uniform(0.45, 1.2);
      const double apart_km_s = random.uniform(10.0, 30.0) * 0.4;
      constexpr double kRiseS = 300.0;
      const double light = strength * (age < kRiseS ? std::sin(0.5 * kPi * age / kRiseS)
                                                    : std::exp(-(age - kRiseS) / decay_s));
      const double latitude = std::asin(place.up[1]);
      const double longitude = std::atan2(place.up[0], place.up[2]);
      flares.push_back({latitude, longitude, age, light});
      if (threads == nullptr) {
        return;
      }
      const double apart_Mm = 3.5 + 1e-3 * apart_km_s * std::min(age, 1800.0);
      const auto own = static_cast<std::uint64_t>(random.below(1U << 30U));
      constexpr double kFaint = 0.03;
      // Ribbons: beads along two winding lines.
      constexpr int kBeads = 26;
      for (int bead = 0; light > kFaint && bead < 2 * kBeads; ++bead) {
        const double side = bead < kBeads ? 1.0 : -1.0;
        const double way = half_Mm * (2.0 * (bead % kBeads) / (kBeads - 1.0) - 1.0);
        const auto winding = [&](double x) {
          return side * apart_Mm + 2.4 * along_line(x / 6.0, own + (side > 0.0 ? 0U : 5U));
        };
        const double step = 2.0 * half_Mm / kBeads;
        Thread thread;
        thread.from = place.at(way, winding(way), 1.5);
        thread.to = place.at(way + step, winding(way + step), 1.5);
        thread.radius_km = 900.0 + 700.0 * hashed_share(bead, 3, own);
        thread.thickness = 3.0 * std::min(1.0, 3.0 * light) * (0.5 + hashed_share(bead, 4, own));
        thread.source = 0.16 + 1.0 * light;
        threads->push_back(thread);
      }
      // Loops that cool between them, with rain.
      constexpr double kLoopsFromS = 500.0;
      if (age < kLoopsFromS) {
        return;
      }
      const double grown = std::min(1.0, (age - kLoopsFromS) / 1500.0);
      const double fading = std::exp(-std::max(0.0, age - 4200.0) / 900.0);
      constexpr int kLoops = 11;
      constexpr int kPieces = 16;
      for (int loop = 0; loop < kLoops; ++loop) {
        const double way = half_Mm * hashed(loop, 5, own);
        const double high = (14.0 + 16.0 * grown) * (0.75 + 0.5 * hashed_share(loop, 6, own));
        const double wide = apart_Mm + 2.0 + 3.0 * hashed_share(loop, 7, own);
        for (int piece = 0; piece < kPieces; ++piece) {
          const auto at = [&](double share) {
            return place.at(way, wide * std::cos(kPi * share), 1.0 + high * std::sin(kPi * share));
          };
          const double share = (piece + 0.5) / kPieces;
          const double falling = std::abs(share - 0.5) * 2.0;
          // Blobs fall along the legs at 70 km/s.
          const double blobs = along_line(falling * high / 7.0 - age * 0.07 / 7.0,
                                          own + 31UL * static_cast<std::uint64_t>(loop));
          Thread thread;
          thread.from = at(static_cast<double>(piece) / kPieces);
          thread.to = at((piece + 1.0) / kPieces);
          thread.radius_km = 550.0;
          thread.thickness = fading * grown * std::max(0.05, 0.5 + 0.6 * blobs);
          thread.source = 0.12;
          thread.velocity_km_s = place.way(0.0, 0.0, -70.0 * falling);
          threads->push_back(thread);
        }
      }
    });
  }
  return flares;
}

void add_surges(const std::vector<Region>& regions, double seconds, std::vector<Thread>& threads) {
  constexpr double kGravityKmS2 = 0.274;
  constexpr double kLeastMuh = 30.0;
  constexpr double kPerHour = 0.10;
  constexpr double kLongestS = 2400.0;
  for (const Region& region : regions) {
    if (area_now(region) < kLeastMuh) {
      continue;
    }
    each_event(region, seconds, kPerHour, kLongestS, 0x5a6U, [&](double age, base::Random& random) {
      const double speed = random.uniform(100.0, 200.0);
      const double lean = random.uniform(0.1, 0.8);
      const double turned = random.uniform(0.0, 2.0 * kPi);
      const double pull = kGravityKmS2 * std::cos(lean);
      const double out_km = speed * age - 0.5 * pull * age * age;
      if (out_km <= 0.0) {
        return;
      }
      const double half = 0.5 * region.spread_deg * kRadPerDeg;
      const Footing place = footing_at(
          region.latitude_deg * kRadPerDeg + random.uniform(-0.5, 0.5) * half,
          region.carrington_longitude_deg * kRadPerDeg + random.uniform(0.8, 1.3) * half, turned);
      const double now_km_s = speed - pull * age;
      constexpr int kStrands = 14;
      for (int strand = 0; strand < kStrands; ++strand) {
        const double reach = out_km / 1000.0 * random.uniform(0.55, 1.0);
        const double side = 1.6 * random.normal();
        const double opened = 0.06 * random.normal();
        const double from = reach * random.uniform(0.0, 0.35);
        const auto at = [&](double way) {
          return place.at(way * std::sin(lean), side * 0.6 + opened * way,
                          1.0 + way * std::cos(lean));
        };
        Thread thread;
        thread.from = at(from);
        thread.to = at(reach);
        thread.radius_km = 650.0;
        thread.thickness = 0.32 * std::min(1.0, age / 120.0);
        thread.source = 0.085;
        thread.velocity_km_s = place.way(now_km_s * std::sin(lean), 0.0, now_km_s * std::cos(lean));
        threads.push_back(thread);
      }
    });
  }
}

void add_spicules(const sky::DiscView& view, std::uint32_t seed, double seconds,
                  std::vector<Thread>& threads) {
  constexpr double kApartMm = 0.42;
  const double b0 = view.b0_deg * kRadPerDeg;
  const double l0 = view.l0_deg * kRadPerDeg;
  const auto count = static_cast<std::int64_t>(2.0 * kPi * kSolarRadiusMm / kApartMm);
  for (std::int64_t i = 0; i < count; ++i) {
    const double life_s = 300.0 + 300.0 * hashed_share(i, 0, seed);
    const Turn turn = turn_of(seconds, life_s, hashed_share(i, 1, seed));
    Draws draw(i, turn.count, seed ^ 0x591cU);
    const double angle = 2.0 * kPi * (static_cast<double>(i) + draw.share()) / count;
    // They stand in bushes, and lean together.
    const double bush = along_line(static_cast<double>(i) * kApartMm / 11.0, seed + 5U);
    const double lean = (0.22 * bush + 0.28 * draw.about_zero());
    const double tall = (5.0 + 5.0 * draw.share() * draw.share() + 1.2 * bush) *
                        std::sin(kPi * std::clamp(turn.share, 0.0, 1.0));
    const double depth = 0.06 * draw.about_zero();
    // In the observer's frame: west, north, towards; then to the surface's.
    const Vector seen = scaled_to({std::cos(angle), std::sin(angle), depth}, 1.0);
    const auto turned = [&](const Vector& v) {
      const double pole = v[1] * std::cos(b0) + v[2] * std::sin(b0);
      const double meridian = v[2] * std::cos(b0) - v[1] * std::sin(b0);
      return Vector{v[0] * std::cos(l0) + meridian * std::sin(l0), pole,
                    meridian * std::cos(l0) - v[0] * std::sin(l0)};
    };
    const Vector up = turned(seen);
    const Vector aside = turned({-std::sin(angle), std::cos(angle), 0.0});
    Thread thread;
    thread.from = scaled_to(up, 1.0 + 1.0 / kSolarRadiusMm);
    thread.to =
        scaled_to(along(up, aside, lean * tall / kSolarRadiusMm), 1.0 + tall / kSolarRadiusMm);
    thread.radius_km = 300.0;
    thread.thickness = 0.9 * (0.6 + 0.8 * draw.share());
    thread.source = 0.14;
    const double speed = 22.0 * draw.about_zero();
    thread.velocity_km_s = turned({0.0, 0.0, speed});
    threads.push_back(thread);
  }
}

}  // namespace solarchon::scene
