// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "solarchon/sky/disc.h"

namespace solarchon::measure {

/// One measured sunspot.
struct SpotMeasurement {
  double x_px = 0.0;
  double y_px = 0.0;
  double area_muh = 0.0;         ///< whole spot, millionths of the hemisphere, corrected for tilt
  double umbra_muh = 0.0;        ///< its dark core
  double from_centre_deg = 0.0;  ///< angle at the Sun's centre to the middle of the disc
  double contrast = 0.0;         ///< darkest part against the photosphere around it
  std::optional<double> latitude_deg;  ///< none without time and orientation
  std::optional<double> carrington_longitude_deg;
};

struct DiscMeasurement {
  disc::LimbFit limb;
  std::optional<double> plate_scale_arcsec_px;  ///< none without time
  std::optional<sky::DiscView> view;
  std::optional<sky::PictureOrientation> solar;
  bool spots_sought = true;            ///< false in hydrogen alpha, where what is dark is gas
  std::vector<SpotMeasurement> spots;  ///< largest first
};

/// What the caller knows better than the file. Absent members are taken from the frame.
struct Knowledge {
  std::optional<sky::UtcTime> time;
  std::optional<sky::PictureOrientation> solar;  ///< of solar north
};

/// Measures the limb and the spots of a white-light frame. The plate scale comes from the measured
/// radius and the Sun's known angle at that time, not from the header.
/// Errors: as fit_limb.
/// Accuracy: spots within 0.5 degree inside 60 degrees from the centre; areas within 15 per cent
/// above 100 millionths there.
/// Source: heliographic position by Thompson 2006; area A_px 1e6 / (2 pi R^2 cos rho).
[[nodiscard]] base::Result<DiscMeasurement> measure_disc(const image::Frame& frame,
                                                         const Knowledge& knowledge = {},
                                                         const base::Task& task = {});

}  // namespace solarchon::measure
