// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/eclipse.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <functional>

#include "before_sun.h"
#include "new_moon.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/circles.h"

namespace solarchon::sky {

namespace {

constexpr Duration kExact = seconds(0.02);

/// Where a function that goes from below 0 (at `in`) to above (at `out`) is 0. The two may be in
/// either order.
UtcTime root_between(const std::function<double(UtcTime)>& function, UtcTime in, UtcTime out) {
  while (std::abs((out - in).count()) > kExact.count()) {
    const UtcTime middle = in + 0.5 * (out - in);
    (function(middle) < 0.0 ? in : out) = middle;
  }
  return in + 0.5 * (out - in);
}

/// Where a function with one valley between two instants is least.
UtcTime valley_between(const std::function<double(UtcTime)>& function, UtcTime start, UtcTime end,
                       Duration exact = kExact) {
  constexpr double kGolden = 0.381966;
  while (end - start > exact) {
    const UtcTime left = start + kGolden * (end - start);
    const UtcTime right = end - kGolden * (end - start);
    if (function(left) < function(right)) {
      end = right;
    } else {
      start = left;
    }
  }
  return start + 0.5 * (end - start);
}

/// The instants of a track at which its bodies are searched.
constexpr Duration kSearchStep = minutes(2.0);

/// By how much the upper limb stands over the skyline (degree).
double over_skyline_deg(const PairTrack& track, UtcTime time, const Observer& observer) {
  const GeocentricSun sun = track.sun_at(time);
  const LocalSun local = local_sun(sun, observer.site, observer.weather);
  const bool leaves = trees_in_leaf(utc_date(time), observer.site.latitude_deg);
  return local.altitude_deg + sun.semidiameter_arcsec() / base::kArcsecPerDeg -
         observer.site.horizon.height_deg(local.azimuth_deg, leaves);
}

Contact contact_at(const PairTrack& track, UtcTime time, double position_angle_deg,
                   const Observer& observer) {
  const LocalSun local = local_sun(track.sun_at(time), observer.site, observer.weather);
  Contact contact;
  contact.time = time;
  contact.altitude_deg = local.altitude_deg;
  contact.azimuth_deg = local.azimuth_deg;
  contact.position_angle_deg = base::wrap_360(position_angle_deg);
  contact.from_zenith_deg = base::wrap_360(position_angle_deg - local.parallactic_angle_deg);
  contact.seen = over_skyline_deg(track, time, observer) > 0.0;
  return contact;
}

/// Stretches between two instants in which some of the disc is seen.
std::vector<Window> seen_between(const PairTrack& track, UtcTime start, UtcTime end,
                                 const Observer& observer) {
  const auto below = [&](UtcTime time) { return -over_skyline_deg(track, time, observer); };
  std::vector<Window> seen;
  bool was = false;
  for (UtcTime before = start, time = start;;
       before = time, time = std::min(time + kSearchStep, end)) {
    const bool is = below(time) < 0.0;
    if (is && !was) {
      const UtcTime rise = time == start ? start : root_between(below, time, before);
      seen.push_back({rise, end});
    } else if (was && !is) {
      seen.back().end = root_between(below, before, time);
    }
    was = is;
    if (time == end) {
      return seen;
    }
  }
}

/// The course of a body on a track; none where it does not touch the Sun.
std::optional<Crossing> crossing_on(const PairTrack& track, const Observer& observer) {
  const auto outer = [&](UtcTime time) {
    const Pair pair = track.at(time);
    return pair.separation_arcsec - pair.sun_semidiameter_arcsec - pair.body_semidiameter_arcsec;
  };
  const auto inner = [&](UtcTime time) {
    const Pair pair = track.at(time);
    return pair.separation_arcsec -
           std::abs(pair.sun_semidiameter_arcsec - pair.body_semidiameter_arcsec);
  };
  UtcTime nearest = track.start();
  double least = outer(nearest);
  for (UtcTime time = nearest + kSearchStep; time < track.end(); time = time + kSearchStep) {
    if (const double gap = outer(time); gap < least) {
      least = gap;
      nearest = time;
    }
  }
  const UtcTime greatest = valley_between(outer, std::max(track.start(), nearest - kSearchStep),
                                          std::min(track.end(), nearest + kSearchStep));
  if (outer(greatest) >= 0.0) {
    return std::nullopt;
  }
  // From greatest on, the first step at which the edges are apart.
  const auto contact_time = [&](const std::function<double(UtcTime)>& gap, Duration step) {
    UtcTime in = greatest;
    UtcTime out = in + step;
    while (gap(out) < 0.0 && out > track.start() && out < track.end()) {
      in = out;
      out = out + step;
    }
    return root_between(gap, in, out);
  };
  const Pair deepest = track.at(greatest);
  Crossing crossing;
  crossing.separation_arcsec = deepest.separation_arcsec;
  crossing.sun_semidiameter_arcsec = deepest.sun_semidiameter_arcsec;
  crossing.body_semidiameter_arcsec = deepest.body_semidiameter_arcsec;
  crossing.greatest = contact_at(track, greatest, deepest.position_angle_deg, observer);
  const auto contact = [&](UtcTime time, double turned_deg) {
    return contact_at(track, time, track.at(time).position_angle_deg + turned_deg, observer);
  };
  crossing.first = contact(contact_time(outer, -kSearchStep), 0.0);
  crossing.last = contact(contact_time(outer, kSearchStep), 0.0);
  if (inner(greatest) < 0.0) {
    // What is larger than the Sun hides its last light on the far side.
    const bool hides = deepest.body_semidiameter_arcsec > deepest.sun_semidiameter_arcsec;
    const double turned_deg = hides ? 180.0 : 0.0;
    crossing.second = contact(contact_time(inner, -kSearchStep), turned_deg);
    crossing.third = contact(contact_time(inner, kSearchStep), turned_deg);
  }
  crossing.seen = seen_between(track, crossing.first.time, crossing.last.time, observer);
  return crossing;
}

double magnitude_of(const Pair& pair) {
  return std::max(
      0.0, (pair.sun_semidiameter_arcsec + pair.body_semidiameter_arcsec - pair.separation_arcsec) /
               (2.0 * pair.sun_semidiameter_arcsec));
}

double obscuration_of(const Pair& pair) {
  return base::covered_share(pair.sun_semidiameter_arcsec, pair.body_semidiameter_arcsec,
                             pair.separation_arcsec);
}

bool overlaps(const Window& window, UtcTime start, UtcTime end) {
  return window.start <= end && window.end >= start;
}

std::optional<SolarEclipse> eclipse_at(UtcTime new_moon, const Observer& observer) {
  constexpr double kHalfHours = 6.0;  // the shadow needs three over the Earth, a site two
  const PairTrack track(Body::kMoon, new_moon, kHalfHours, observer);
  auto crossing = crossing_on(track, observer);
  if (!crossing || crossing->seen.empty()) {
    return std::nullopt;
  }
  SolarEclipse eclipse;
  const Pair deepest = track.at(crossing->greatest.time);
  eclipse.magnitude = magnitude_of(deepest);
  eclipse.obscuration = obscuration_of(deepest);
  eclipse.kind = EclipseKind::kPartial;
  eclipse.seen_magnitude = -1.0;
  for (const Window& window : crossing->seen) {
    if (crossing->second && overlaps(window, crossing->second->time, crossing->third->time)) {
      eclipse.kind = deepest.body_semidiameter_arcsec > deepest.sun_semidiameter_arcsec
                         ? EclipseKind::kTotal
                         : EclipseKind::kAnnular;
    }
    const UtcTime nearest = std::clamp(crossing->greatest.time, window.start, window.end);
    const Pair pair = track.at(nearest);
    if (magnitude_of(pair) > eclipse.seen_magnitude) {
      eclipse.seen_magnitude = magnitude_of(pair);
      eclipse.seen_obscuration = obscuration_of(pair);
      eclipse.seen_greatest = nearest;
    }
  }
  if (eclipse.kind == EclipseKind::kPartial) {
    crossing->second.reset();
    crossing->third.reset();
  }
  eclipse.crossing = std::move(*crossing);
  return eclipse;
}

/// Sun and planet from the Earth's centre (degree apart).
double apart_deg(Body planet, UtcTime time) {
  return separation_deg(place_of(geocentric_sun(time, 0.0)), body_place(planet, time));
}

std::optional<Transit> transit_at(Body planet, UtcTime conjunction, const Observer& observer) {
  constexpr double kHalfHours = 9.0;  // Venus takes eight over the whole disc
  const PairTrack track(planet, conjunction, kHalfHours, observer);
  auto crossing = crossing_on(track, observer);
  if (!crossing || crossing->seen.empty()) {
    return std::nullopt;
  }
  constexpr double kChromosphere = 5.0 / 696.0;  // of the Sun's radius
  const auto outer = [&](UtcTime time) {
    const Pair pair = track.at(time);
    return pair.separation_arcsec - pair.sun_semidiameter_arcsec * (1.0 + kChromosphere) -
           pair.body_semidiameter_arcsec;
  };
  const auto from = [&](UtcTime time, Duration step) {
    UtcTime out = time;
    while (outer(out) < 0.0 && out > track.start() && out < track.end()) {
      out = out + step;
    }
    return root_between(outer, time, out);
  };
  Transit transit;
  transit.planet = planet;
  transit.kind = crossing->second ? TransitKind::kFull : TransitKind::kGrazing;
  transit.first_hydrogen_alpha = from(crossing->first.time, -kSearchStep);
  transit.last_hydrogen_alpha = from(crossing->last.time, kSearchStep);
  transit.crossing = std::move(*crossing);
  return transit;
}

/// Days of a year about which a planet in front of the Sun is near a node of its orbit, from the
/// first of January; in a century they move by less than a day. Source: longitudes of the nodes
/// (Meeus, Astronomical Algorithms, chapter 31).
std::array<double, 2> node_days(Body planet) {
  return planet == Body::kMercury ? std::array{127.0, 312.0} : std::array{157.0, 341.0};
}

}  // namespace

std::vector<SolarEclipse> solar_eclipses(UtcTime from, UtcTime to, const Observer& observer,
                                         const base::Task& task) {
  constexpr Duration kMonth = days(29.53);
  constexpr double kFarthest_deg = 1.8;  // 1.6 off the ecliptic touch the Earth's limb; the rest is
                                         // for the short series
  std::vector<SolarEclipse> eclipses;
  UtcTime last{};
  for (UtcTime time = from - days(1.0); time < to + kMonth && !task.stopped();
       time = time + 0.5 * kMonth) {
    const UtcTime new_moon = new_moon_near(time);
    const bool again = new_moon - last < days(1.0) && last - new_moon < days(1.0);
    last = new_moon;
    if (again || std::abs(rough_moon(new_moon).above_deg) > kFarthest_deg) {
      continue;
    }
    auto eclipse = eclipse_at(new_moon, observer);
    if (eclipse && eclipse->crossing.greatest.time >= from &&
        eclipse->crossing.greatest.time < to) {
      eclipses.push_back(std::move(*eclipse));
    }
  }
  return eclipses;
}

std::vector<Transit> transits(UtcTime from, UtcTime to, const Observer& observer,
                              const base::Task& task) {
  constexpr double kNear_deg = 0.3;
  constexpr double kMayBeNear_deg = 6.0;  // at a step's end, of a planet that passes between two
  constexpr int kDays = 14;               // about a node
  constexpr int kStepDays = 4;
  std::vector<Transit> found;
  for (int year = utc_date(from).year; year <= utc_date(to).year; ++year) {
    for (const Body planet : {Body::kMercury, Body::kVenus}) {
      for (const double node_day : node_days(planet)) {
        if (task.stopped()) {
          return found;
        }
        const UtcTime node = start_of({year, 1, 1}) + days(node_day);
        if (node + days(kDays + 1) < from || node - days(kDays + 1) > to) {
          continue;
        }
        const auto apart = [&](UtcTime time) { return apart_deg(planet, time); };
        UtcTime nearest = node - days(kDays);
        double least = apart(nearest);
        for (int day = kStepDays - kDays; day <= kDays; day += kStepDays) {
          const UtcTime time = node + days(day);
          if (const double now = apart(time); now < least) {
            least = now;
            nearest = time;
          }
        }
        if (least > kMayBeNear_deg || body_place(planet, nearest).distance_au > 1.0) {
          continue;
        }
        const UtcTime conjunction = valley_between(apart, nearest - days(kStepDays),
                                                   nearest + days(kStepDays), minutes(1.0));
        if (apart(conjunction) > kNear_deg) {
          continue;
        }
        auto transit = transit_at(planet, conjunction, observer);
        if (transit && transit->crossing.greatest.time >= from &&
            transit->crossing.greatest.time < to) {
          found.push_back(std::move(*transit));
        }
      }
    }
  }
  std::sort(found.begin(), found.end(), [](const Transit& a, const Transit& b) {
    return a.crossing.greatest.time < b.crossing.greatest.time;
  });
  return found;
}

Window around_date(const CivilDate& date, double longitude_deg) {
  constexpr double kDegPerHour = 15.0;
  const UtcTime utc = start_of(date);
  const UtcTime local = utc - hours(base::wrap_180(longitude_deg) / kDegPerHour);
  return {std::min(utc, local), std::max(utc, local) + days(1.0)};
}

}  // namespace solarchon::sky
