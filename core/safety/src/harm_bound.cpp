// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/safety/harm_bound.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <vector>

namespace solarchon::safety {

namespace {

using optics::Element;
using optics::Part;
using optics::Rig;

constexpr double kTolerance = 1.6;     // glass, mirrors and obstruction are not counted
constexpr double kEyeShare = 5.02e-5;  // 10^-4.3
constexpr double kHotFilterShare = 0.3;
constexpr double kHotGlassShare = 0.5;
constexpr double kSoftShare = 0.0105;  // a hundredth heats cement

template <typename Kind>
bool is(const Element& element) {
  return element.fitted && std::holds_alternative<Kind>(element.part);
}

bool is_sensor(const Element& element) {
  return is<optics::Camera>(element) || is<optics::PhotoCamera>(element) ||
         is<optics::Phone>(element);
}

/// Relative sensitivity of the eye by day at 400, 410 ... 700 nm (CIE 1924).
constexpr std::array<double, 31> kEye{
    0.0004, 0.0012, 0.0040, 0.0116, 0.0230, 0.0380, 0.0600, 0.0910, 0.1390, 0.2080, 0.3230,
    0.5030, 0.7100, 0.8620, 0.9540, 0.9950, 0.9950, 0.9520, 0.8700, 0.7570, 0.6310, 0.5030,
    0.3810, 0.2650, 0.1750, 0.1070, 0.0610, 0.0320, 0.0170, 0.0082, 0.0041};

double eye_at(double nm) {
  const double place = (nm - 400.0) / 10.0;
  if (place < 0.0 || place >= 30.0) {
    return 0.0;
  }
  const auto left = static_cast<std::size_t>(place);
  const double share = place - static_cast<double>(left);
  return kEye.at(left) * (1.0 - share) + kEye.at(left + 1) * share;
}

/// A filter as a step: so much between two wavelengths, so much beside.
struct Step {
  double from_nm = 0.0;
  double to_nm = 1e9;
  double inside = 1.0;
  double outside = 1.0;
};

Step all_colours(double share) { return {0.0, 1e9, share, share}; }

Step red_comb(double peak, double width_angstrom, bool rejects) {
  const double comb = std::min(1.0, peak * 1.5708 * width_angstrom / 10.0);
  return rejects ? Step{620.0, 720.0, comb, 0.01} : all_colours(comb);
}

Step near_line(double width_nm, double peak) {
  return {656.28 - 0.5 * width_nm, 656.28 + 0.5 * width_nm, peak, 1e-5};
}

Step step_of(const Part& part) {
  if (const auto* film = std::get_if<optics::FrontFilm>(&part)) {
    return all_colours(std::pow(10.0, -film->optical_density));
  }
  if (const auto* energy = std::get_if<optics::EnergyFilter>(&part)) {
    return {std::min(energy->pass_from_nm, energy->pass_to_nm),
            std::max(energy->pass_from_nm, energy->pass_to_nm), energy->peak_transmission, 0.01};
  }
  if (const auto* front = std::get_if<optics::FrontEtalon>(&part)) {
    return red_comb(front->peak_transmission, front->bandwidth_angstrom, front->own_rejection);
  }
  if (const auto* inner = std::get_if<optics::InnerEtalon>(&part)) {
    return red_comb(inner->peak_transmission, inner->bandwidth_angstrom, inner->own_rejection);
  }
  if (const auto* wedge = std::get_if<optics::Wedge>(&part)) {
    return all_colours(wedge->reflected_share * std::pow(10.0, -wedge->built_in_density));
  }
  if (const auto* cut = std::get_if<optics::CutFilter>(&part)) {
    return {400.0, 700.0, cut->peak_transmission, 0.01};
  }
  if (const auto* grey = std::get_if<optics::NeutralDensity>(&part)) {
    return all_colours(std::pow(10.0, -grey->optical_density));
  }
  if (const auto* dark = std::get_if<optics::EyepieceFilter>(&part)) {
    return all_colours(std::pow(10.0, -dark->optical_density));
  }
  if (const auto* band = std::get_if<optics::BandFilter>(&part)) {
    return {band->centre_nm - 0.5 * band->width_nm, band->centre_nm + 0.5 * band->width_nm,
            band->peak_transmission, 1e-4};
  }
  if (const auto* polariser = std::get_if<optics::Polariser>(&part)) {
    const double turned = std::cos(polariser->crossing_deg * 0.01745329252);
    return {400.0, 700.0,
            std::max(polariser->least_transmission, polariser->open_transmission * turned * turned),
            0.8};
  }
  if (const auto* rear = std::get_if<optics::RearEtalon>(&part)) {
    return near_line(0.15708 * rear->bandwidth_angstrom, rear->peak_transmission);
  }
  if (const auto* blocking = std::get_if<optics::BlockingFilter>(&part)) {
    return near_line(0.1 * blocking->width_angstrom, blocking->peak_transmission);
  }
  return {};
}

/// Sunlight cut into slices at every edge of every filter, so that each step is exact.
class Slices {
 public:
  explicit Slices(const Rig& rig) {
    constexpr double kFirst = 300.0;
    constexpr double kLast = 2500.0;
    std::vector<double> edges;
    for (double nm = kFirst; nm < kLast; nm += nm < 750.0 ? 10.0 : 125.0) {
      edges.push_back(nm);
    }
    edges.push_back(kLast);
    for (const Element& element : rig.elements) {
      const Step step = step_of(element.part);
      for (const double edge : {step.from_nm, step.to_nm}) {
        if (element.fitted && edge > kFirst && edge < kLast) {
          edges.push_back(edge);
        }
      }
    }
    std::sort(edges.begin(), edges.end());
    double energy = 0.0;
    double light = 0.0;
    for (std::size_t i = 1; i < edges.size(); ++i) {
      const double nm = 0.5 * (edges[i - 1] + edges[i]);
      const double power =
          (edges[i] - edges[i - 1]) / (std::pow(nm * 1e-3, 5.0) * std::expm1(2492.68 / nm));
      middle_.push_back(nm);
      energy_.push_back(power);
      light_.push_back(power * eye_at(nm));
      energy += energy_.back();
      light += light_.back();
    }
    for (std::size_t i = 0; i < middle_.size(); ++i) {
      energy_[i] /= energy;
      light_[i] /= light;
    }
  }

  /// @param covered  share of the opening that the filter covers; the rest passes beside it
  void pass(const Step& step, double covered) {
    for (std::size_t i = 0; i < middle_.size(); ++i) {
      const bool inside = middle_[i] >= step.from_nm && middle_[i] <= step.to_nm;
      const double share = covered * (inside ? step.inside : step.outside) + 1.0 - covered;
      energy_[i] *= share;
      light_[i] *= share;
    }
  }
  [[nodiscard]] double energy() const { return sum(energy_); }
  [[nodiscard]] double light() const { return sum(light_); }
  [[nodiscard]] double worse() const { return std::max(energy(), light()); }

 private:
  static double sum(const std::vector<double>& values) {
    double total = 0.0;
    for (const double value : values) {
      total += value;
    }
    return total;
  }
  std::vector<double> middle_;
  std::vector<double> energy_;
  std::vector<double> light_;
};

std::optional<double> front_width_mm(const Part& part) {
  if (const auto* film = std::get_if<optics::FrontFilm>(&part)) {
    return film->clear_aperture_mm;
  }
  if (const auto* energy = std::get_if<optics::EnergyFilter>(&part)) {
    return energy->clear_aperture_mm;
  }
  if (const auto* etalon = std::get_if<optics::FrontEtalon>(&part)) {
    return etalon->clear_aperture_mm;
  }
  return std::nullopt;
}

/// Focal length from the lens to the image in part `end`, its lenses worked backwards from there.
double focal_length_to(const Rig& rig, std::size_t telescope, std::size_t end) {
  double behind_mm = 0.0;
  double factors = 1.0;
  for (std::size_t i = end; i > telescope; --i) {
    const Element& element = rig.elements[i];
    if (!element.fitted || std::holds_alternative<optics::Finder>(element.part) ||
        std::holds_alternative<optics::PowerSupply>(element.part) ||
        std::holds_alternative<optics::InnerEtalon>(element.part)) {
      continue;
    }
    behind_mm += element.length_mm;
    double factor = 1.0;
    if (const auto* longer = std::get_if<optics::Amplifier>(&element.part)) {
      factor = longer->focal_length_mm > 0.0 ? 1.0 + behind_mm / longer->focal_length_mm
                                             : longer->factor;
    } else if (const auto* shorter = std::get_if<optics::Reducer>(&element.part)) {
      factor = shorter->focal_length_mm > 0.0
                   ? std::max(0.05, 1.0 - behind_mm / shorter->focal_length_mm)
                   : shorter->factor;
    } else if (const auto* rear = std::get_if<optics::RearEtalon>(&element.part)) {
      factor = rear->telecentric_factor;
    }
    factors *= factor;
    behind_mm /= factor;
  }
  return factors * std::get<optics::Telescope>(rig.elements[telescope].part).focal_length_mm;
}

/// One walk along the path.
class Walk {
 public:
  explicit Walk(const Rig& rig) : rig_(rig), light_(rig) {}

  HarmBound judge() {
    const auto telescope = optics::find_fitted<optics::Telescope>(rig_);
    if (!telescope) {
      return bound_;
    }
    telescope_ = *telescope;
    tube_ = &std::get<optics::Telescope>(rig_.elements[telescope_].part);
    opening_mm_ = tube_->aperture_mm;
    for (std::size_t i = 0; i < telescope_; ++i) {
      if (is<optics::ApertureMask>(rig_.elements[i])) {
        opening_mm_ =
            std::min(opening_mm_, std::get<optics::ApertureMask>(rig_.elements[i].part).opening_mm);
      }
    }
    for (std::size_t i = 0; i < telescope_; ++i) {
      meet_front(rig_.elements[i]);
    }
    in_the_tube_ = light_.energy();
    walk_behind();
    return bound_;
  }

 private:
  void ask(Severity severity, std::string_view cause, double value) {
    if (severity > bound_.severity) {
      bound_ = {severity, cause, value};
    }
  }

  void meet_front(const Element& element) {
    const auto width_mm = element.fitted ? front_width_mm(element.part) : std::nullopt;
    if (width_mm) {
      const double covered = std::min(1.0, *width_mm / opening_mm_);
      light_.pass(step_of(element.part), covered * covered);
    }
  }

  void walk_behind() {
    std::optional<std::size_t> eyepiece;
    double at_the_eye = 0.0;
    for (std::size_t i = telescope_ + 1; i < rig_.elements.size(); ++i) {
      const Element& element = rig_.elements[i];
      if (!element.fitted) {
        continue;
      }
      if (is<optics::Eyepiece>(element) && !eyepiece) {
        eyepiece = i;
        at_the_eye = light_.worse();
        at_the_eyepiece_ = light_.energy();
      }
      if (is_sensor(element)) {
        meet_sensor(i, eyepiece);
        look_behind(i);
        return;
      }
      if (is<optics::ProjectionScreen>(element)) {
        meet_screen(std::get<optics::ProjectionScreen>(element.part), eyepiece);
        look_behind(i);
        return;
      }
      meet_filter(element, i);
      // Film or a front etalon in the hot beam cannot be trusted.
      if (!is<optics::FrontFilm>(element) && !is<optics::FrontEtalon>(element)) {
        light_.pass(step_of(element.part), 1.0);
      }
    }
    if (eyepiece && at_the_eye > kEyeShare * kTolerance) {
      ask(Severity::kStop, "eye-light", at_the_eye);
    } else if (!eyepiece) {
      ask(Severity::kCheck, "open-end", light_.worse());
    }
  }

  void meet_filter(const Element& element, std::size_t place) {
    const bool hot = light_.energy() > kHotFilterShare;
    const bool absorbs = is<optics::NeutralDensity>(element) || is<optics::BandFilter>(element) ||
                         is<optics::Polariser>(element) || is<optics::BlockingFilter>(element) ||
                         is<optics::EyepieceFilter>(element);
    if (hot && absorbs) {
      ask(Severity::kStop, "filter-heat", light_.energy());
    }
    if (const auto* wedge = std::get_if<optics::Wedge>(&element.part)) {
      if (opening_mm_ > wedge->rated_aperture_mm * 1.03 + 1.0) {
        ask(Severity::kStop, "wedge-size", opening_mm_);
      }
      const bool lens_before = std::any_of(
          rig_.elements.begin() + static_cast<std::ptrdiff_t>(telescope_),
          rig_.elements.begin() + static_cast<std::ptrdiff_t>(place), [](const Element& before) {
            return is<optics::Amplifier>(before) || is<optics::Reducer>(before);
          });
      const bool refractor = tube_->design == optics::TelescopeDesign::kDoublet ||
                             tube_->design == optics::TelescopeDesign::kTriplet;
      if (light_.energy() > kHotGlassShare && (lens_before || !refractor)) {
        ask(Severity::kStop, "glass-heat", light_.energy());
      }
    }
  }

  void meet_screen(const optics::ProjectionScreen& screen, std::optional<std::size_t> eyepiece) {
    const double share = light_.worse();
    if (share > kEyeShare * kTolerance) {
      ask(screen.people_between ? Severity::kStop : Severity::kCheck, "beam", share);
    }
    const bool soft = eyepiece && std::get<optics::Eyepiece>(rig_.elements[*eyepiece].part).build !=
                                      optics::EyepieceBuild::kUncemented;
    // The secondary and the corrector of a folded telescope meet all that comes in.
    const bool folded = tube_->design == optics::TelescopeDesign::kSchmidt ||
                        tube_->design == optics::TelescopeDesign::kMaksutov;
    if (folded && in_the_tube_ > kSoftShare * kTolerance) {
      ask(Severity::kStop, "tube-heat", in_the_tube_);
    }
    if (soft && at_the_eyepiece_ > kSoftShare * kTolerance) {
      ask(Severity::kStop, "cement", at_the_eyepiece_);
    }
  }

  void meet_sensor(std::size_t place, std::optional<std::size_t> eyepiece) {
    constexpr double kImageOverFocalLength = 2.0 * 0.0046524;  // twice tan of 959.63 arcsec
    double focal_mm = focal_length_to(rig_, telescope_, eyepiece.value_or(place));
    double taken = 1.0;
    double width_mm = focal_mm * kImageOverFocalLength;
    if (eyepiece) {
      const auto& lens = std::get<optics::Eyepiece>(rig_.elements[*eyepiece].part);
      double pupil_mm = passed_mm() * lens.focal_length_mm / focal_mm;
      if (const auto* phone = std::get_if<optics::Phone>(&rig_.elements[place].part)) {
        width_mm *= phone->lens_focal_length_mm / lens.focal_length_mm;
        taken = std::min(1.0, phone->pupil_mm / pupil_mm);
      } else {
        width_mm = std::min(width_mm, pupil_mm);
      }
    }
    constexpr double kGlass = 0.7;  // of several lenses and mirrors at the least
    const double glass = kGlass * (1.0 - tube_->obstruction * tube_->obstruction);
    const double watts_cm2 = 0.1 * light_.energy() * glass * taken * taken * opening_mm_ *
                             opening_mm_ / (width_mm * width_mm);
    if (watts_cm2 > kMostSensorWCm2) {
      ask(Severity::kStop, "sensor-heat", watts_cm2);
    } else if (watts_cm2 > kCheckSensorWCm2) {
      ask(Severity::kCheck, "sensor-warm", watts_cm2);
    }
    const auto* photo = std::get_if<optics::PhotoCamera>(&rig_.elements[place].part);
    if (photo != nullptr && photo->viewfinder == optics::Viewfinder::kOptical &&
        light_.worse() > kEyeShare * kTolerance) {
      ask(Severity::kStop, "eye-light", light_.worse());
    }
  }

  /// What inner etalons and front filters leave of the aperture, for the exit pupil.
  [[nodiscard]] double passed_mm() const {
    double width_mm = opening_mm_;
    for (std::size_t i = 0; i < rig_.elements.size(); ++i) {
      const Element& element = rig_.elements[i];
      if (!element.fitted) {
        continue;
      }
      if (i < telescope_) {
        width_mm = std::min(width_mm, front_width_mm(element.part).value_or(width_mm));
      } else if (const auto* inner = std::get_if<optics::InnerEtalon>(&element.part)) {
        width_mm = std::min(width_mm, inner->clear_aperture_mm * tube_->focal_length_mm /
                                          inner->collimator_focal_length_mm);
      }
    }
    return width_mm;
  }

  /// An eyepiece behind a sensor or screen may be looked into as soon as that is taken out.
  void look_behind(std::size_t end) {
    bool open = false;
    for (std::size_t i = end + 1; i < rig_.elements.size(); ++i) {
      const Element& element = rig_.elements[i];
      if (is<optics::Eyepiece>(element)) {
        open = true;
      } else if (is_sensor(element) || is<optics::ProjectionScreen>(element)) {
        open = false;
      }
    }
    if (open && light_.worse() > kEyeShare * kTolerance) {
      ask(Severity::kStop, "eye-light", light_.worse());
    }
  }

  const Rig& rig_;
  Slices light_;
  HarmBound bound_;
  std::size_t telescope_ = 0;
  const optics::Telescope* tube_ = nullptr;
  double opening_mm_ = 0.0;
  double at_the_eyepiece_ = 0.0;  ///< energy
  double in_the_tube_ = 0.0;      ///< energy that the front filters leave
};

}  // namespace

HarmBound least_severity(const Rig& rig) { return Walk(rig).judge(); }

}  // namespace solarchon::safety
