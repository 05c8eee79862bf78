// SPDX-License-Identifier: GPL-3.0-or-later
#include "standins/stand_in_guider.h"

#include <algorithm>

namespace solarchon::standins {

namespace {

constexpr double kMost_arcsec = 1e6;  // nobody's motor counts further

}  // namespace

void StandInGuider::advance(double by_s) {
  const double most = build_.speed_arcsec_s * by_s;
  motor_.west_arcsec += std::clamp(target_.west_arcsec - motor_.west_arcsec, -most, most);
  motor_.north_arcsec += std::clamp(target_.north_arcsec - motor_.north_arcsec, -most, most);
  const double half = 0.5 * build_.backlash_arcsec;
  looks_north_arcsec_ =
      std::clamp(looks_north_arcsec_, motor_.north_arcsec - half, motor_.north_arcsec + half);
}

void StandInGuider::nudge(double west_arcsec, double north_arcsec) {
  target_.west_arcsec = std::clamp(target_.west_arcsec + west_arcsec, -kMost_arcsec, kMost_arcsec);
  target_.north_arcsec =
      std::clamp(target_.north_arcsec + north_arcsec, -kMost_arcsec, kMost_arcsec);
}

devices::GuiderState StandInGuider::state() const {
  return {motor_.west_arcsec, motor_.north_arcsec,
          motor_.west_arcsec != target_.west_arcsec || motor_.north_arcsec != target_.north_arcsec};
}

}  // namespace solarchon::standins
