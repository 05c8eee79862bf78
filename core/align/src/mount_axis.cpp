// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/mount_axis.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/sky/sun.h"

namespace solarchon::align {

Vector direction_to(double azimuth_deg, double altitude_deg) {
  const double azimuth = azimuth_deg * base::kRadPerDeg;
  const double altitude = altitude_deg * base::kRadPerDeg;
  return {std::cos(altitude) * std::sin(azimuth), std::cos(altitude) * std::cos(azimuth),
          std::sin(altitude)};
}

double azimuth_of(const Vector& direction) {
  return base::wrap_360(std::atan2(direction[0], direction[1]) * base::kDegPerRad);
}

double altitude_of(const Vector& direction) {
  return std::asin(std::clamp(direction[2], -1.0, 1.0)) * base::kDegPerRad;
}

double dot(const Vector& a, const Vector& b) { return a[0] * b[0] + a[1] * b[1] + a[2] * b[2]; }

Vector cross(const Vector& a, const Vector& b) {
  return {a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]};
}

double angle_between_deg(const Vector& a, const Vector& b) {
  const Vector normal = cross(a, b);
  return std::atan2(std::sqrt(dot(normal, normal)), dot(a, b)) * base::kDegPerRad;
}

Vector refracted(const Vector& direction, const sky::Weather& weather) {
  const double altitude_deg = altitude_of(direction);
  return direction_to(azimuth_of(direction),
                      altitude_deg + sky::refraction_deg(altitude_deg, weather));
}

MountAxis::MountAxis(const PoleError& error, double latitude_deg) {
  // South of the equator the southern end is raised: the same axis, seen from its other end.
  const double north = latitude_deg < 0.0 ? -1.0 : 1.0;
  const double altitude = (std::abs(latitude_deg) + error.altitude_deg) * base::kRadPerDeg;
  const double azimuth = error.azimuth_deg * base::kRadPerDeg;
  // The raised end stands over north or south and too far east of it.
  const Vector raised{std::cos(altitude) * std::sin(azimuth),
                      north * std::cos(altitude) * std::cos(azimuth), std::sin(altitude)};
  pole_ = {north * raised[0], north * raised[1], north * raised[2]};
  // Square to the axis and upwards: the derivative of its raised end by altitude.
  meridian_ = {-std::sin(altitude) * std::sin(azimuth),
               -north * std::sin(altitude) * std::cos(azimuth), std::cos(altitude)};
  east_ = cross(pole_, meridian_);
}

Vector MountAxis::direction_of(const Circles& circles) const {
  const double hour_angle = circles.hour_angle_deg * base::kRadPerDeg;
  const double declination = circles.declination_deg * base::kRadPerDeg;
  Vector direction{};
  for (std::size_t i = 0; i < direction.size(); ++i) {
    direction.at(i) = std::cos(declination) * (std::cos(hour_angle) * meridian_.at(i) -
                                               std::sin(hour_angle) * east_.at(i)) +
                      std::sin(declination) * pole_.at(i);
  }
  return direction;
}

Circles MountAxis::circles_of(const Vector& direction) const {
  return {std::atan2(-dot(direction, east_), dot(direction, meridian_)) * base::kDegPerRad,
          std::asin(std::clamp(dot(direction, pole_), -1.0, 1.0)) * base::kDegPerRad};
}

}  // namespace solarchon::align
