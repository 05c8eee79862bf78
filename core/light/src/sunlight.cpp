// SPDX-License-Identifier: GPL-3.0-or-later
#include "sunlight.h"

#include <array>
#include <cmath>
#include <utility>

namespace solarchon::light {

namespace {

constexpr double kSecondRadiationNmK = 1.438776877e7;  // CODATA 2018
constexpr double kSolarTemperatureK = 5772.0;          // IAU 2015 nominal
constexpr double kReferenceNm = 540.0;
constexpr double kReferenceIrradiance = 1.86;
constexpr double kHazeAt550 = 0.10;    // optical depth of clear coastal air
constexpr double kHazeExponent = 1.3;  // Angstrom
constexpr double kAirScaleM = 8000.0;
constexpr double kHazeScaleM = 1500.0;

double black_body_shape(double wavelength_nm) {
  return std::pow(wavelength_nm, -5.0) /
         std::expm1(kSecondRadiationNmK / (wavelength_nm * kSolarTemperatureK));
}

}  // namespace

double spectral_irradiance(double wavelength_nm) {
  return kReferenceIrradiance * black_body_shape(wavelength_nm) / black_body_shape(kReferenceNm);
}

double air_transmission(double wavelength_nm, double airmass, double elevation_m) {
  const double um = wavelength_nm * 1e-3;
  const double inverse_square = 1.0 / (um * um);
  // Hansen and Travis, Space Science Reviews 16 (1974) 527, equation 2.30.
  const double rayleigh =
      0.008569 * inverse_square * inverse_square *
      (1.0 + 0.0113 * inverse_square + 0.00013 * inverse_square * inverse_square) *
      std::exp(-elevation_m / kAirScaleM);
  const double haze =
      kHazeAt550 * std::pow(um / 0.55, -kHazeExponent) * std::exp(-elevation_m / kHazeScaleM);
  return std::exp(-(rayleigh + haze) * airmass);
}

double silicon_response(double wavelength_nm) {
  static constexpr std::array<std::pair<double, double>, 9> kCurve{{{380.0, 0.40},
                                                                    {450.0, 0.80},
                                                                    {520.0, 1.00},
                                                                    {600.0, 0.93},
                                                                    {700.0, 0.70},
                                                                    {800.0, 0.43},
                                                                    {900.0, 0.20},
                                                                    {1000.0, 0.06},
                                                                    {1050.0, 0.00}}};
  for (std::size_t i = 1; i < kCurve.size(); ++i) {
    const auto& [left_nm, left] = kCurve.at(i - 1);
    const auto& [right_nm, right] = kCurve.at(i);
    if (wavelength_nm >= left_nm && wavelength_nm <= right_nm) {
      return left + (right - left) * (wavelength_nm - left_nm) / (right_nm - left_nm);
    }
  }
  return 0.0;
}

}  // namespace solarchon::light
