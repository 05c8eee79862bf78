// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/match/ranking.h"

#include <algorithm>
#include <cmath>

#include "solarchon/match/mosaic.h"
#include "solarchon/safety/safety.h"

namespace solarchon::match {

namespace {

constexpr double kFewestPerDetail = 2.0;
constexpr double kMostPerDetail = 3.0;
constexpr double kOversampling = 0.5;  // cost of a stop of it, against one of lost detail
constexpr double kPanelCost = 0.75;    // of each doubling
constexpr double kSlowCost = 0.5;      // of each halving of the frame rate below a usual one
constexpr double kUsualHz = 30.0;
constexpr double kLensCost = 0.2;      // of more glass, and of putting it in
constexpr double kExchangeCost = 0.1;  // of another eyepiece in the same holder
constexpr double kJoinCost = 0.05;     // of each more pixel joined: less glass does the same

bool is_lens(const optics::Element& element) {
  return std::holds_alternative<optics::Amplifier>(element.part) ||
         std::holds_alternative<optics::Reducer>(element.part);
}

/// The eyepiece that the sensor looks into; none where it meets the image itself.
std::optional<std::size_t> eyepiece_before(const optics::Rig& rig, std::size_t sensor) {
  const auto eyepiece = optics::find_fitted<optics::Eyepiece>(rig);
  return eyepiece && *eyepiece < sensor ? eyepiece : std::nullopt;
}

/// The light path with a lens before its camera, or before the eyepiece that this looks into.
optics::Rig with_lens(optics::Rig rig, const optics::Element& lens) {
  const std::size_t sensor = optics::sensor_of(rig)->element;
  const std::size_t place = eyepiece_before(rig, sensor).value_or(sensor);
  rig.elements.insert(rig.elements.begin() + static_cast<std::ptrdiff_t>(place), lens);
  return rig;
}

/// The light path without its amplifiers and reducers. @param names  of what was taken out
std::optional<optics::Rig> without_lenses(optics::Rig rig, std::string& names) {
  for (optics::Element& element : rig.elements) {
    if (element.fitted && is_lens(element)) {
      element.fitted = false;
      names += (names.empty() ? "" : ", ") + element.name;
    }
  }
  return names.empty() ? std::nullopt : std::optional(std::move(rig));
}

int panels_of(const TargetNeed& need, const Setting& setting) {
  const double width = 60.0 * setting.field_width_arcmin;
  const double height = 60.0 * setting.field_height_arcmin;
  const double wanted = 60.0 * need.field_arcmin;
  if (wanted <= std::min(width, height)) {
    return 1;
  }
  const auto mosaic = mosaic_of({width, height, 0.5 * wanted, 0.0, 0.2});
  return mosaic ? static_cast<int>(mosaic->panels.size()) : kMostPanels;
}

std::optional<Setting> judged(optics::Rig rig, int binning, const TargetNeed& need,
                              const advise::Situation& situation, double usual_electrons) {
  const optics::Train train =
      optics::follow_light(rig, situation.semidiameter_arcsec, situation.pressure_hpa);
  const auto sensor = optics::sensor_of(rig);
  const auto exposure = light::disc_exposure(rig, train, situation.light);
  if (!sensor || !train.sampling_arcsec_px || !exposure || !train.field_width_arcmin) {
    return std::nullopt;
  }
  const optics::Camera& camera = sensor->camera;
  Setting setting;
  setting.binning = binning;
  setting.focal_ratio = *train.focal_ratio;
  setting.sampling_arcsec_px = *train.sampling_arcsec_px * binning;
  setting.field_width_arcmin = *train.field_width_arcmin;
  setting.field_height_arcmin = *train.field_height_arcmin;
  const double resolution = std::hypot(*train.diffraction_cutoff_arcsec, situation.seeing_arcsec);
  setting.pixels_per_detail = resolution / setting.sampling_arcsec_px;
  setting.detail_arcsec = std::hypot(resolution, 2.0 * setting.sampling_arcsec_px);
  // Joined pixels share their light, and their wells.
  setting.exposure_ms = exposure->wanted_ms;
  setting.light_stops = std::log2(exposure->electrons_per_ms * binning * binning / usual_electrons);
  const double wanted_px = 60.0 * need.field_arcmin / *train.sampling_arcsec_px;
  const auto side = [&](int most) {
    constexpr int kStep = 8;  // sensors are read in such steps
    const int rounded = static_cast<int>(std::ceil(wanted_px / kStep)) * kStep;
    return std::clamp(rounded, std::min(64, most), most);
  };
  setting.region = {side(camera.width_px), side(camera.height_px), binning};
  setting.rate = frame_rate(camera, setting.region, setting.exposure_ms);
  setting.panels = panels_of(need, setting);
  setting.focus = !train.focus || train.focus->reached();
  setting.opposed = safety::assess(rig, train, situation.practice, situation.today).verdict ==
                    safety::Severity::kStop;
  if (setting.pixels_per_detail < kFewestPerDetail) {
    setting.cost += std::log2(kFewestPerDetail / setting.pixels_per_detail);
  } else if (setting.pixels_per_detail > kMostPerDetail) {
    setting.cost += kOversampling * std::log2(setting.pixels_per_detail / kMostPerDetail);
  }
  setting.cost += kPanelCost * std::log2(setting.panels);
  setting.cost += std::max(0.0, std::log2(setting.exposure_ms / advise::kLongestSharpMs));
  setting.cost += kSlowCost * std::max(0.0, std::log2(kUsualHz / setting.rate.hz));
  setting.rig = std::move(rig);
  return setting;
}

}  // namespace

std::vector<Setting> ranked(const optics::Rig& rig, Target target,
                            const std::vector<optics::Element>& lenses,
                            const advise::Situation& situation) {
  const TargetNeed need = need_of(target, situation.semidiameter_arcsec);
  const optics::Train plain =
      optics::follow_light(rig, situation.semidiameter_arcsec, situation.pressure_hpa);
  const auto usual = light::disc_exposure(rig, plain, situation.light);
  std::vector<Setting> settings;
  if (!usual) {
    return settings;
  }
  constexpr int kMostBinning = 3;
  constexpr std::size_t kOfOneLens = 2;
  const auto try_rig = [&](const optics::Rig& path, const std::string& lens,
                           const std::string& without, double change_cost) {
    std::vector<Setting> of_lens;
    for (int binning = 1; binning <= kMostBinning; ++binning) {
      if (auto setting = judged(path, binning, need, situation, usual->electrons_per_ms)) {
        setting->lens = lens;
        setting->without = without;
        setting->cost += change_cost + kJoinCost * (binning - 1);
        of_lens.push_back(*std::move(setting));
      }
    }
    std::stable_sort(of_lens.begin(), of_lens.end(),
                     [](const Setting& a, const Setting& b) { return a.cost < b.cost; });
    of_lens.resize(std::min(of_lens.size(), kOfOneLens));
    std::move(of_lens.begin(), of_lens.end(), std::back_inserter(settings));
  };
  std::string taken_out;
  const auto bare = without_lenses(rig, taken_out);
  try_rig(rig, {}, {}, 0.0);
  if (bare) {
    try_rig(*bare, {}, taken_out, kLensCost);
  }
  const auto telescope = optics::find_fitted<optics::Telescope>(rig);
  const bool photographic =
      telescope && std::get<optics::Telescope>(rig.elements[*telescope].part).design ==
                       optics::TelescopeDesign::kCameraLens;
  const auto eyepiece = eyepiece_before(rig, optics::sensor_of(rig)->element);
  for (const optics::Element& lens : lenses) {
    const bool fitted = std::any_of(rig.elements.begin(), rig.elements.end(), [&](const auto& own) {
      return own.fitted && own.part == lens.part;
    });
    if (fitted) {
      continue;
    }
    if (is_lens(lens)) {
      if (photographic) {
        continue;  // its mount takes no barrel
      }
      try_rig(with_lens(rig, lens), lens.name, {}, kLensCost);
      if (bare) {
        try_rig(with_lens(*bare, lens), lens.name, taken_out, kLensCost);
      }
    } else if (eyepiece && std::holds_alternative<optics::Eyepiece>(lens.part)) {
      optics::Rig other = rig;
      other.elements[*eyepiece] = lens;
      other.elements[*eyepiece].id = rig.elements[*eyepiece].id;
      try_rig(other, lens.name, rig.elements[*eyepiece].name, kExchangeCost);
    }
  }
  std::stable_sort(settings.begin(), settings.end(), [](const Setting& a, const Setting& b) {
    const auto barred = [](const Setting& one) { return one.opposed || !one.focus; };
    if (barred(a) != barred(b)) {
      return barred(b);
    }
    // Of two that are as good, the one that exposes shorter.
    return a.cost != b.cost ? a.cost < b.cost : a.exposure_ms < b.exposure_ms;
  });
  return settings;
}

}  // namespace solarchon::match
