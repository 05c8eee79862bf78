// SPDX-License-Identifier: GPL-3.0-or-later
#include "spectrum.h"

#include <algorithm>
#include <cmath>

#include "overloaded.h"
#include "solarchon/base/angle.h"
#include "solarchon/optics/etalon.h"

namespace solarchon::optics {

namespace {

constexpr double kGlass = 0.98;   // a coated doublet
constexpr double kMirror = 0.95;  // enhanced aluminium
constexpr double kPrism = 0.97;
constexpr double kEyepieceGlass = 0.95;
constexpr double kFromEye = 400.0;  // what a cut filter passes (nm)
constexpr double kToEye = 700.0;
constexpr double kRejectionLeak = 0.01;
constexpr double kBandLeak = 1e-4;
constexpr double kOrderLeak = 1e-5;
constexpr double kFreeRangeAngstrom = 10.0;  // between the orders of a front etalon

/// Edges of the bands (nm). Beyond the last there is no energy that counts.
constexpr std::array<double, Light::kBands + 1> kEdges{300.0, 380.0, 420.0, 480.0, 530.0,  550.0,
                                                       600.0, 650.0, 663.0, 700.0, 1100.0, 2500.0};

/// Share of sunlight in each band: a black body of 5772 K between the edges, weighed by colour.
template <typename Weight>
std::array<double, Light::kBands> shares_weighed(Weight weight) {
  constexpr double kSecondRadiationNmK = 1.438776877e7;
  constexpr double kSolarTemperatureK = 5772.0;
  constexpr int kSteps = 200;
  std::array<double, Light::kBands> shares{};
  double sum = 0.0;
  for (std::size_t band = 0; band < Light::kBands; ++band) {
    const double step = (kEdges.at(band + 1) - kEdges.at(band)) / kSteps;
    for (int i = 0; i < kSteps; ++i) {
      const double nm = kEdges.at(band) + (i + 0.5) * step;
      shares.at(band) += weight(nm) * step * std::pow(nm, -5.0) /
                         std::expm1(kSecondRadiationNmK / (nm * kSolarTemperatureK));
    }
    sum += shares.at(band);
  }
  for (double& share : shares) {
    share /= sum;
  }
  return shares;
}

/// The eye's response to colour by day. Source: Wyman, Sloan, Shirley, Journal of Computer Graphics
/// Techniques 2 (2013), equation 4, of CIE 1931.
double eye_response(double nm) {
  const auto lobe = [nm](double middle, double below, double above) {
    const double widths = (nm - middle) / (nm < middle ? below : above);
    return std::exp(-0.5 * widths * widths);
  };
  return 0.821 * lobe(568.8, 46.9, 40.5) + 0.286 * lobe(530.9, 16.3, 31.1);
}

const std::array<double, Light::kBands>& energy_shares() {
  static const auto kShares = shares_weighed([](double /*nm*/) { return 1.0; });
  return kShares;
}

const std::array<double, Light::kBands>& luminous_shares() {
  static const auto kShares = shares_weighed(eye_response);
  return kShares;
}

double density_to_share(double density) { return std::pow(10.0, -density); }

Passing grey(double share) { return {.inside = share}; }

Passing around_line(double width_angstrom, double peak) {
  const double half_nm = 0.5 * width_angstrom * kNmPerAngstrom;
  return {kHydrogenAlphaNm - half_nm, kHydrogenAlphaNm + half_nm, peak, kOrderLeak};
}

/// An etalon in parallel light. All orders pass: a comb with the width of one order in each free
/// range.
template <typename Etalon>
Passing of_open_etalon(const Etalon& etalon) {
  const double comb = std::min(1.0, etalon.peak_transmission * base::kPi / 2.0 *
                                        etalon.bandwidth_angstrom / kFreeRangeAngstrom);
  if (!etalon.own_rejection) {
    return grey(comb);
  }
  return {620.0, 720.0, comb, kRejectionLeak};
}

Passing of_polariser(const Polariser& polariser) {
  const double cosine = std::cos(polariser.crossing_deg * base::kRadPerDeg);
  const double share =
      std::max(polariser.least_transmission, polariser.open_transmission * cosine * cosine);
  return {kFromEye, kToEye, share, 0.8};  // sheet polarisers do not work in the infrared
}

double reflections_of(const Telescope& telescope) {
  switch (telescope.design) {
    case TelescopeDesign::kNewtonian:
      return kMirror * kMirror;
    case TelescopeDesign::kSchmidt:
    case TelescopeDesign::kMaksutov:
      return kGlass * kMirror * kMirror;
    default:
      return kGlass;
  }
}

}  // namespace

Passing passing_of(const Part& part) {
  return std::visit(
      Overloaded{[](const FrontFilm& film) { return grey(density_to_share(film.optical_density)); },
                 [](const EnergyFilter& filter) {
                   // A band written the wrong way round is the same band.
                   const auto [from_nm, to_nm] =
                       std::minmax(filter.pass_from_nm, filter.pass_to_nm);
                   return Passing{from_nm, to_nm, filter.peak_transmission, kRejectionLeak};
                 },
                 [](const FrontEtalon& etalon) { return of_open_etalon(etalon); },
                 [](const InnerEtalon& etalon) { return of_open_etalon(etalon); },
                 [](const Telescope& telescope) { return grey(reflections_of(telescope)); },
                 [](const Diagonal& diagonal) {
                   return grey(diagonal.kind == DiagonalKind::kMirror ? kMirror : kPrism);
                 },
                 [](const Wedge& wedge) {
                   return grey(wedge.reflected_share * density_to_share(wedge.built_in_density));
                 },
                 [](const CutFilter& filter) {
                   return Passing{kFromEye, kToEye, filter.peak_transmission, kRejectionLeak};
                 },
                 [](const NeutralDensity& grey_glass) {
                   return grey(density_to_share(grey_glass.optical_density));
                 },
                 [](const BandFilter& filter) {
                   return Passing{filter.centre_nm - 0.5 * filter.width_nm,
                                  filter.centre_nm + 0.5 * filter.width_nm,
                                  filter.peak_transmission, kBandLeak};
                 },
                 [](const Polariser& polariser) { return of_polariser(polariser); },
                 [](const RearEtalon& etalon) {
                   return around_line(base::kPi / 2.0 * etalon.bandwidth_angstrom,
                                      etalon.peak_transmission);
                 },
                 [](const BlockingFilter& filter) {
                   return around_line(filter.width_angstrom, filter.peak_transmission);
                 },
                 [](const Amplifier&) { return grey(kGlass); },
                 [](const Reducer&) { return grey(kGlass); },
                 [](const EyepieceFilter& filter) {
                   return grey(density_to_share(filter.optical_density));
                 },
                 [](const Eyepiece&) { return grey(kEyepieceGlass); },
                 [](const ProjectionScreen&) { return grey(0.0); },
                 [](const Camera&) { return grey(0.0); },
                 [](const PhotoCamera&) { return grey(0.0); },
                 [](const Phone&) { return grey(0.0); },
                 [](const auto&) { return grey(1.0); }},
      part);
}

double image_transmission(const Part& part, double wavelength_nm) {
  if (const auto* front = std::get_if<FrontEtalon>(&part)) {
    return front->peak_transmission;
  }
  const auto* inner = std::get_if<InnerEtalon>(&part);
  return inner != nullptr ? inner->peak_transmission : passing_of(part).at(wavelength_nm);
}

Light::Light(double scale) {
  open_.fill(1.0);
  level_.fill(scale);
}

void Light::pass(const Passing& part) {
  for (std::size_t band = 0; band < kBands; ++band) {
    const double low = kEdges.at(band);
    const double high = kEdges.at(band + 1);
    const double within = std::clamp(
        (std::min(high, part.to_nm) - std::max(low, part.from_nm)) / (high - low), 0.0, 1.0);
    const double open = std::min(open_.at(band), within);
    leak_.at(band) = leak_.at(band) * (within * part.inside + (1.0 - within) * part.outside) +
                     (open_.at(band) - open) * level_.at(band) * part.outside;
    open_.at(band) = open;
    level_.at(band) *= part.inside;
  }
}

void Light::scale(double factor) {
  for (std::size_t band = 0; band < kBands; ++band) {
    level_.at(band) *= factor;
    leak_.at(band) *= factor;
  }
}

void Light::add(const Light& other) {
  for (std::size_t band = 0; band < kBands; ++band) {
    const bool anything = other.level_.at(band) > 0.0;
    const double open = anything ? std::max(open_.at(band), other.open_.at(band)) : open_.at(band);
    const double inside =
        open_.at(band) * level_.at(band) + other.open_.at(band) * other.level_.at(band);
    level_.at(band) = open > 0.0 ? inside / open : 0.0;
    open_.at(band) = open;
    leak_.at(band) += other.leak_.at(band);
  }
}

double Light::weighed(const std::array<double, kBands>& shares) const {
  double sum = 0.0;
  for (std::size_t band = 0; band < kBands; ++band) {
    sum += shares.at(band) * (open_.at(band) * level_.at(band) + leak_.at(band));
  }
  return sum;
}

double Light::energy() const { return weighed(energy_shares()); }

double Light::luminous() const { return weighed(luminous_shares()); }

}  // namespace solarchon::optics
