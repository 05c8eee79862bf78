// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/light/exposure_plan.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/optics/parameters.h"

namespace solarchon::light {

using base::ErrorCode;
using base::fail;

namespace {

constexpr base::Range kIsoRange{25.0, 409600.0};
constexpr base::Range kGainRange{0.0, 60.0};
constexpr double kDbPerTenfold = 20.0;
constexpr double kDbPerStop = 6.0;  // as cameras count it
constexpr int kGains = 5;
/// As cameras are marked: whole stops.
constexpr std::array kIsos{100.0, 200.0, 400.0, 800.0, 1600.0, 3200.0};
constexpr std::array kMarkedS{
    1.0 / 32000, 1.0 / 16000, 1.0 / 8000, 1.0 / 4000, 1.0 / 2000, 1.0 / 1000, 1.0 / 500,
    1.0 / 250,   1.0 / 125,   1.0 / 60,   1.0 / 30,   1.0 / 15,   1.0 / 8,    1.0 / 4,
    1.0 / 2,     1.0,         2.0,        4.0,        8.0,        15.0,       30.0};

/// Clamps to the shutter.
double within_shutter(double wanted_ms, const optics::Camera& camera) {
  return std::clamp(wanted_ms, camera.shortest_exposure_ms,
                    std::max(camera.shortest_exposure_ms, camera.longest_exposure_ms));
}

void add_row(ExposureCell row, const optics::Rig& rig, const optics::Train& train,
             const LightConditions& conditions, std::vector<ExposureCell>& table) {
  const auto at = disc_exposure(rig, train, conditions);
  const auto sensor = optics::sensor_of(rig);
  if (!at || !sensor) {
    return;
  }
  for (const double shutter_s : kMarkedS) {
    constexpr double kRounded = 1.1;  // marks are rounded: 1/60 for 1/64
    const double ms = 1000.0 * shutter_s;
    if (ms * kRounded >= sensor->camera.shortest_exposure_ms &&
        ms <= sensor->camera.longest_exposure_ms * kRounded) {
      row.shutter_s = shutter_s;
      row.level = ms * at->electrons_per_ms / sensor->camera.full_well_e;
      table.push_back(row);
    }
  }
}

std::vector<ExposureCell> table_of(const optics::Rig& rig, const optics::Train& train,
                                   const LightConditions& conditions) {
  std::vector<ExposureCell> table;
  const auto sensor = optics::sensor_of(rig);
  const bool photo =
      sensor && std::holds_alternative<optics::PhotoCamera>(rig.elements[sensor->element].part);
  const auto add = [&](const Amplification& wanted, const ExposureCell& row) {
    if (const auto set = amplified(rig, wanted)) {
      add_row(row, *set, train, conditions, table);
    }
  };
  if (photo) {
    for (const double iso : kIsos) {
      add({iso, {}}, {iso, 0.0, 0.0, 0.0});
    }
  } else {
    for (int gain = 0; gain < kGains; ++gain) {
      add({{}, kDbPerStop * gain}, {0.0, kDbPerStop * gain, 0.0, 0.0});
    }
  }
  return table;
}

}  // namespace

base::Result<optics::Rig> amplified(optics::Rig rig, const Amplification& wanted) {
  const auto sensor = optics::sensor_of(rig);
  if (!sensor) {
    return fail(ErrorCode::kMissing, "rig", {}, base::wants("telescope-and-camera"));
  }
  optics::Part& part = rig.elements[sensor->element].part;
  if (wanted.iso) {
    auto* photo = std::get_if<optics::PhotoCamera>(&part);
    if (photo == nullptr) {
      return fail(ErrorCode::kUnknownValue, "iso", {}, base::wants("photographic-camera"));
    }
    const auto iso = base::checked("iso", *wanted.iso, kIsoRange);
    if (!iso) {
      return tl::make_unexpected(iso.error());
    }
    photo->iso = *iso;
  }
  if (wanted.gain_db) {
    if (std::holds_alternative<optics::PhotoCamera>(part)) {
      return fail(ErrorCode::kUnknownValue, "gain", {}, base::wants("video-camera"));
    }
    const auto gain = base::checked("gain", *wanted.gain_db, kGainRange);
    if (!gain) {
      return tl::make_unexpected(gain.error());
    }
    optics::set_parameter(part, "full_well_e",
                          sensor->camera.full_well_e * std::pow(10.0, -*gain / kDbPerTenfold));
  }
  return rig;
}

std::optional<ExposurePlan> exposure_plan(const optics::Rig& rig, const optics::Train& train,
                                          const LightConditions& conditions) {
  const auto disc = disc_exposure(rig, train, conditions);
  if (!disc) {
    return std::nullopt;
  }
  const optics::Camera camera = optics::sensor_of(rig)->camera;
  ExposurePlan plan;
  plan.disc = *disc;
  if (train.line) {
    const double wanted = disc->wanted_ms / kProminenceShare;
    plan.prominence_ms = within_shutter(wanted, camera);
    plan.prominence_limit = wanted > *plan.prominence_ms   ? ShutterLimit::kTooDim
                            : wanted < *plan.prominence_ms ? ShutterLimit::kTooBright
                                                           : ShutterLimit::kNone;
  }
  constexpr double kFull = 0.95;      // of the well, which the surface round a spot may reach
  constexpr double kGranules = 1.15;  // brighter than the mean
  const double more = std::min(1.0 / kPenumbraShare, kFull / kGranules / conditions.target_level);
  plan.spot_ms = within_shutter(disc->wanted_ms * std::max(1.0, more), camera);
  plan.table = table_of(rig, train, conditions);
  return plan;
}

Correction correction_of(const std::vector<double>& ratios) {
  std::vector<double> stops;
  for (const double ratio : ratios) {
    if (ratio > 0.0 && std::isfinite(ratio)) {
      stops.push_back(std::log2(ratio));
    }
  }
  if (stops.empty()) {
    return {};
  }
  std::sort(stops.begin(), stops.end());
  const auto at = [&](double share) {
    const double place = share * static_cast<double>(stops.size() - 1);
    const auto low = static_cast<std::size_t>(place);
    const auto high = std::min(low + 1, stops.size() - 1);
    return stops[low] + (place - static_cast<double>(low)) * (stops[high] - stops[low]);
  };
  constexpr double kLow = 1.0 / 6.0;
  return {at(0.5), 0.5 * (at(1.0 - kLow) - at(kLow)), static_cast<int>(stops.size())};
}

}  // namespace solarchon::light
