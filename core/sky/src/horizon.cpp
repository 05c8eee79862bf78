// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/horizon.h"

#include <algorithm>
#include <cmath>
#include <sstream>

#include "solarchon/base/angle.h"

namespace solarchon::sky {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

constexpr double kSameAzimuthDeg = 0.05;

Result<bool> trees_of(std::string_view text) {
  if (text.empty() || text == "0" || text == "no" || text == "false") {
    return false;
  }
  if (text == "1" || text == "yes" || text == "true" || text == "trees") {
    return true;
  }
  return fail(ErrorCode::kUnknownValue, "trees", std::string(text), base::wants("yes-or-no"));
}

Result<HorizonPoint> point_of(const base::Columns& columns) {
  if (columns.size() < 2 || columns.size() > 3) {
    return base::fail_because(ErrorCode::kMalformed, "line",
                              base::because("columns", {static_cast<double>(columns.size())}),
                              base::wants("horizon-columns"));
  }
  const auto azimuth = base::number_of(columns[0], "azimuth_deg", kHorizonAzimuthRange);
  const auto height = base::number_of(columns[1], "height_deg", kHorizonHeightRange);
  const auto trees = trees_of(columns.size() > 2 ? columns[2] : std::string_view());
  for (const auto& problem :
       {azimuth.map([](double) { return true; }), height.map([](double) { return true; }), trees}) {
    if (!problem) {
      return tl::make_unexpected(problem.error());
    }
  }
  return HorizonPoint{base::wrap_360(*azimuth), *height, *trees};
}

}  // namespace

double Horizon::height_deg(double azimuth_deg, bool in_leaf) const {
  if (points.empty()) {
    return 0.0;
  }
  const double azimuth = base::wrap_360(azimuth_deg);
  const auto after = std::upper_bound(
      points.begin(), points.end(), azimuth,
      [](double value, const HorizonPoint& point) { return value < point.azimuth_deg; });
  const HorizonPoint& right = after != points.end() ? *after : points.front();
  const HorizonPoint& left = after != points.begin() ? *std::prev(after) : points.back();
  if (left.trees && right.trees && !in_leaf) {
    return 0.0;
  }
  const double span = base::wrap_360(right.azimuth_deg - left.azimuth_deg);
  const double part = span > 0.0 ? base::wrap_360(azimuth - left.azimuth_deg) / span : 0.0;
  return left.height_deg + part * (right.height_deg - left.height_deg);
}

void Horizon::put(const HorizonPoint& point) {
  HorizonPoint wrapped = point;
  wrapped.azimuth_deg = base::wrap_360(point.azimuth_deg);
  std::erase_if(points, [&](const HorizonPoint& other) {
    return base::angle_between_deg(other.azimuth_deg, wrapped.azimuth_deg) < kSameAzimuthDeg;
  });
  const auto place = std::upper_bound(points.begin(), points.end(), wrapped,
                                      [](const HorizonPoint& one, const HorizonPoint& other) {
                                        return one.azimuth_deg < other.azimuth_deg;
                                      });
  points.insert(place, wrapped);
}

bool trees_in_leaf(const CivilDate& date, double latitude_deg) {
  constexpr double kTropicDeg = 23.44;
  if (std::abs(latitude_deg) < kTropicDeg) {
    return true;
  }
  const int day = date.month * 100 + date.day;
  return latitude_deg > 0.0 ? day >= 415 && day <= 1031 : day >= 1015 || day <= 430;
}

Result<HorizonFile> horizon_from_csv(std::string_view text) {
  HorizonFile file;
  auto refused = base::read_table(text, "horizon", [&](const base::Columns& columns) {
    return point_of(columns).map([&](const HorizonPoint& point) { file.horizon.put(point); });
  });
  if (!refused) {
    return tl::make_unexpected(refused.error());
  }
  if (file.horizon.points.size() > kMostHorizonPoints) {
    return fail(ErrorCode::kTooLarge, "horizon", {}, base::wants("at-most", {720.0}));
  }
  file.refused = std::move(*refused);
  return file;
}

std::string to_csv(const Horizon& horizon) {
  std::ostringstream out;
  out << "azimuth_deg,height_deg,trees\n";
  for (const HorizonPoint& point : horizon.points) {
    out << point.azimuth_deg << ',' << point.height_deg << ',' << (point.trees ? "yes" : "no")
        << '\n';
  }
  return out.str();
}

}  // namespace solarchon::sky
