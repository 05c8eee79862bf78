// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/day.h"

#include <algorithm>
#include <cmath>
#include <functional>

#include "solarchon/base/angle.h"

namespace solarchon::sky {

namespace {

constexpr Duration kHalfDay = hours(12.0);
constexpr Duration kStep = minutes(10.0);
constexpr double kHorizonRefractionArcmin = 34.0;

UtcTime local_mean_noon(const CivilDate& date, double longitude_deg) {
  return start_of(date) + (kHalfDay - minutes(4.0 * base::wrap_180(longitude_deg)));
}

/// Where a function that changes sign between two instants is zero, to 1 ms.
UtcTime crossing(UtcTime low, UtcTime high, const std::function<double(UtcTime)>& value) {
  const bool rising = value(high) > 0.0;
  while (high.unix_ms - low.unix_ms > 1) {
    const UtcTime middle{low.unix_ms + (high.unix_ms - low.unix_ms) / 2};
    ((value(middle) > 0.0) == rising ? high : low) = middle;
  }
  return high;
}

/// The instant of greatest height within an hour of transit: the Sun's declination moves, so the
/// two differ, by seconds in the middle latitudes and by much near the poles.
UtcTime highest_near(UtcTime transit, const std::function<double(UtcTime)>& altitude) {
  UtcTime low = transit - hours(1.0);
  UtcTime high = transit + hours(1.0);
  while (high.unix_ms - low.unix_ms > 100) {
    const std::int64_t third = (high.unix_ms - low.unix_ms) / 3;
    const UtcTime one{low.unix_ms + third};
    const UtcTime other{high.unix_ms - third};
    if (altitude(one) < altitude(other)) {
      low = one;
    } else {
      high = other;
    }
  }
  return {(low.unix_ms + high.unix_ms) / 2};
}

}  // namespace

CivilDate local_mean_date(UtcTime time, double longitude_deg) {
  return utc_date(time + sky::seconds(base::wrap_180(longitude_deg) * 240.0));
}

SunDay sun_day(const CivilDate& date, const Observer& observer) {
  const Site& site = observer.site;
  SunDay day;
  day.date = date;
  const UtcTime noon = local_mean_noon(date, site.longitude_deg);
  day.start = noon - kHalfDay;
  day.end = noon + kHalfDay;
  const SunEphemeris ephemeris(noon, observer.dut1_s);

  Site sea_level = site;
  sea_level.elevation_m = 0.0;
  const Weather no_air{0.0, observer.weather.temperature_c};
  // Height of the upper limb over the sea horizon (degree).
  const auto limb_height = [&](UtcTime time) {
    const GeocentricSun sun = ephemeris.at(time);
    return local_sun(sun, sea_level, no_air).altitude_airless_deg +
           sun.semidiameter_arcsec() / 3600.0 + kHorizonRefractionArcmin / 60.0;
  };
  const auto hour_angle = [&](UtcTime time) {
    return local_sun(ephemeris.at(time), site, no_air).hour_angle_deg;
  };

  constexpr double kCivilDeg = -6.0;
  const auto civil_height = [&](UtcTime time) {
    return local_sun(ephemeris.at(time), sea_level, no_air).altitude_airless_deg - kCivilDeg;
  };

  bool ever_up = false;
  bool ever_down = false;
  double last_height = 0.0;
  double last_civil = 0.0;
  double last_hour_angle = 0.0;
  for (UtcTime time = day.start; time <= day.end; time = time + kStep) {
    const LocalSun local = local_sun(ephemeris.at(time), site, observer.weather);
    day.arc.push_back({time, local.azimuth_deg, local.altitude_deg});
    const double height = limb_height(time);
    const double civil = civil_height(time);
    (height > 0.0 ? ever_up : ever_down) = true;
    if (time > day.start) {
      const UtcTime before = time - kStep;
      if (last_height <= 0.0 && height > 0.0 && !day.sunrise) {
        day.sunrise = crossing(before, time, limb_height);
      }
      if (last_height > 0.0 && height <= 0.0) {
        day.sunset = crossing(before, time, limb_height);
      }
      if (last_civil <= 0.0 && civil > 0.0 && !day.civil_dawn) {
        day.civil_dawn = crossing(before, time, civil_height);
      }
      if (last_civil > 0.0 && civil <= 0.0) {
        day.civil_dusk = crossing(before, time, civil_height);
      }
      if (last_hour_angle < 0.0 && local.hour_angle_deg >= 0.0 && local.hour_angle_deg < 90.0) {
        day.transit = crossing(before, time, hour_angle);
      }
    }
    last_height = height;
    last_civil = civil;
    last_hour_angle = local.hour_angle_deg;
  }
  // Between two steps the limb can peep over the horizon, or dip under it, unseen: near the
  // poles that is a day of its own, so the extremes are looked at as well.
  const auto examine_extreme = [&](UtcTime extreme, bool highest) {
    const double height = limb_height(extreme);
    if (highest && height > 0.0 && !ever_up) {
      ever_up = true;
      day.sunrise = crossing(day.start, extreme, limb_height);
      day.sunset = crossing(extreme, day.end, limb_height);
    }
    if (!highest && height <= 0.0 && !ever_down && day.transit) {
      ever_down = true;
      if (extreme < *day.transit) {
        day.sunrise = crossing(extreme, *day.transit, limb_height);
      } else {
        day.sunset = crossing(*day.transit, extreme, limb_height);
      }
    }
  };
  const UtcTime culmination = day.transit.value_or(noon);
  const auto altitude = [&](UtcTime time) {
    return local_sun(ephemeris.at(time), site, no_air).altitude_airless_deg;
  };
  day.culmination = highest_near(culmination, altitude);
  day.culmination_altitude_deg = altitude(day.culmination);
  examine_extreme(culmination, true);
  examine_extreme(std::max(day.start, culmination - kHalfDay), false);
  examine_extreme(std::min(day.end, culmination + kHalfDay), false);

  day.transit_altitude_deg = altitude(culmination);
  if (!ever_down) {
    day.polar = PolarState::kMidnightSun;
  } else if (!ever_up) {
    day.polar = PolarState::kPolarNight;
  }
  return day;
}

std::optional<Window> window_above(const SunDay& day, double altitude_deg) {
  std::optional<Window> window;
  const auto meet = [&](const ArcPoint& a, const ArcPoint& b) {
    const double part = (altitude_deg - a.altitude_deg) / (b.altitude_deg - a.altitude_deg);
    return a.time + part * (b.time - a.time);
  };
  for (std::size_t i = 0; i < day.arc.size(); ++i) {
    const ArcPoint& point = day.arc[i];
    const bool above = point.altitude_deg >= altitude_deg;
    const bool was_above = i > 0 && day.arc[i - 1].altitude_deg >= altitude_deg;
    if (above && !window) {
      window = Window{i > 0 ? meet(day.arc[i - 1], point) : point.time, point.time};
    }
    if (above && window) {
      window->end = point.time;
    }
    if (!above && was_above && window) {
      window->end = meet(day.arc[i - 1], point);
    }
  }
  return window;
}

ArcPoint arc_at(const SunDay& day, UtcTime time) {
  const auto last = static_cast<double>(day.arc.size() - 1);
  const double steps = std::clamp((time - day.start) / kStep, 0.0, last);
  const double middle = std::clamp(std::round(steps), 1.0, last - 1.0);
  const auto at = static_cast<std::size_t>(middle);
  const double t = steps - middle;
  const ArcPoint& before = day.arc[at - 1];
  const ArcPoint& here = day.arc[at];
  const ArcPoint& after = day.arc[at + 1];
  const auto blend = [t](double down, double up) {  // differences from the middle point
    return 0.5 * t * (up - down) + 0.5 * t * t * (up + down);
  };
  return {time,
          base::wrap_360(here.azimuth_deg +
                         blend(base::wrap_180(before.azimuth_deg - here.azimuth_deg),
                               base::wrap_180(after.azimuth_deg - here.azimuth_deg))),
          here.altitude_deg + blend(before.altitude_deg - here.altitude_deg,
                                    after.altitude_deg - here.altitude_deg)};
}

SkylineDay over_skyline(const SunDay& day, const Site& site, double least_altitude_deg) {
  SkylineDay result;
  constexpr Duration kFine = seconds(30.0);
  constexpr double kSemidiameterDeg = 0.267;
  const bool in_leaf = trees_in_leaf(day.date, site.latitude_deg);
  const auto seen = [&](UtcTime time) {  // height of the upper limb over the skyline
    const ArcPoint sun = arc_at(day, time);
    return sun.altitude_deg + kSemidiameterDeg - site.horizon.height_deg(sun.azimuth_deg, in_leaf);
  };
  const auto free = [&](UtcTime time) {  // of the lower limb, or over the least height
    const ArcPoint sun = arc_at(day, time);
    return std::min(
        sun.altitude_deg - kSemidiameterDeg - site.horizon.height_deg(sun.azimuth_deg, in_leaf),
        sun.altitude_deg - least_altitude_deg);
  };
  const auto note = [](bool up, UtcTime time, std::optional<UtcTime>& begin,
                       std::optional<UtcTime>& end) {
    (up ? begin : end) = up && begin ? begin : std::optional(time);
  };
  std::optional<UtcTime> opened = free(day.start) > 0.0 ? std::optional(day.start) : std::nullopt;
  if (seen(day.start) > 0.0) {
    result.first_light = day.start;
  }
  for (UtcTime time = day.start; time < day.end;) {
    const UtcTime next = std::min(day.end, time + kFine);
    if ((seen(time) > 0.0) != (seen(next) > 0.0)) {
      note(seen(next) > 0.0, crossing(time, next, seen), result.first_light, result.last_light);
    }
    const bool was_free = free(time) > 0.0;
    const bool is_free = free(next) > 0.0;
    if (!was_free && is_free) {
      opened = crossing(time, next, free);
    } else if (was_free && !is_free && opened) {
      result.clear.push_back({*opened, crossing(time, next, free)});
      opened.reset();
    }
    time = next;
  }
  if (seen(day.end) > 0.0) {
    result.last_light = day.end;
  }
  if (opened) {
    result.clear.push_back({*opened, day.end});
  }
  for (const Window& window : result.clear) {
    result.hours += in_hours(window.length());
  }
  return result;
}

}  // namespace solarchon::sky
