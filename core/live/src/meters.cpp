// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/live/meters.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <numbers>

#include "solarchon/base/angle.h"
#include "solarchon/base/middle.h"
#include "solarchon/disc/limb_tracker.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/sharpness.h"
#include "solarchon/light/limb_darkening.h"
#include "solarchon/psf/transfer.h"
#include "solarchon/registration/reference_square.h"

namespace solarchon::live {

namespace {

constexpr double kEverySecond = 0.25;    ///< bands are looked for so often
constexpr double kDetailEvery_s = 0.04;  ///< and detail followed, where no limb is in sight
constexpr double kDustEvery_s = 0.5;     ///< dust does not hurry
constexpr double kDriftKept_s = 60.0;
constexpr double kWidthKept_s = 4.0;
constexpr double kEnoughLimb = 0.08;  ///< of it in sight, to know where the centre is

/// Brightness that the middle of the disc has, of full scale, by all of the disc that is in sight:
/// the darkening towards its edge is taken out.
double centre_level(const image::Frame& frame, const std::optional<disc::TrackedLimb>& limb,
                    const Setting& setting, const image::Level& level) {
  if (!limb) {
    return setting.black_level + (level.disc - setting.black_level) / setting.darkening;
  }
  const light::LimbDarkening darkening(setting.imaging.wavelength_nm);
  std::vector<double> levels;
  constexpr double kLookedAt = 8000.0;
  const int every = std::max(
      1, static_cast<int>(std::sqrt(static_cast<double>(frame.width) * frame.height / kLookedAt)));
  constexpr double kInside = 0.9;
  for (int y = 0; y < frame.height; y += every) {
    for (int x = 0; x < frame.width; x += every) {
      const double out = std::hypot(x - limb->centre_x_px, y - limb->centre_y_px) / limb->radius_px;
      if (out < kInside) {
        const double mu = std::sqrt(1.0 - out * out);
        const double dark = setting.line ? kLineEdge + (1.0 - kLineEdge) * mu : darkening.at(mu);
        levels.push_back(
            (static_cast<double>(frame.at(x, y)) / frame.saturation - setting.black_level) / dark);
      }
    }
  }
  return setting.black_level + base::middle_of(std::move(levels));
}

template <typename Kept>
Estimate usual_of(const Kept& kept) {
  std::vector<double> values;
  values.reserve(kept.size());
  for (const auto& one : kept) {
    values.push_back(one.arcsec);
  }
  Estimate usual{base::middle_of(values), 0.0};
  for (double& value : values) {
    value = std::abs(value - usual.value);
  }
  usual.spread = 1.4826 * base::middle_of(values);
  return usual;
}

registration::StandingWave standing_of(const Bands& bands) {
  const double across = bands.across_deg * base::kRadPerDeg;
  return {std::cos(across) / bands.spacing_px, std::sin(across) / bands.spacing_px};
}

/// Whether the same waves of a square are left out.
bool alike(const std::optional<registration::StandingWave>& one,
           const registration::StandingWave& other, int side) {
  return one && side * std::hypot(one->right_cycles_px - other.right_cycles_px,
                                  one->down_cycles_px - other.down_cycles_px) <
                    1.0;
}

}  // namespace

double Setting::pixel_um() const {
  return 1e3 * imaging.scale_arcsec_px * imaging.aperture_mm * focal_ratio / base::kArcsecPerRad;
}

double Drift::arcsec_min() const { return std::hypot(right_arcsec_min, down_arcsec_min); }

Meters::Meters(const Setting& setting)
    : setting_(setting),
      scale_px_(psf::detail_scale_px(setting.imaging)),
      limb_(setting.sun_radius_arcsec / setting.imaging.scale_arcsec_px),
      air_(setting),
      bands_(setting.pixel_um(), setting.imaging.wavelength_nm) {}

void Meters::change(const Setting& setting) {
  setting_ = setting;
  stops_.clear();
  focus_.reset();
}

void Meters::look_afresh() {
  widths_.clear();
  bands_.forget();
  standing_.reset();
  focus_.reset();
}

void Meters::moved() {
  look_afresh();
  limb_ = disc::LimbTracker(setting_.sun_radius_arcsec / setting_.imaging.scale_arcsec_px);
  limb_from_.reset();
  tiles_.clear();
  tiles_from_ = {};
  begin_places();
  air_.forget();
}

std::optional<Meters::Stands> Meters::stands() const {
  if (places_.empty()) {
    return std::nullopt;
  }
  return Stands{places_.back().right_arcsec, places_.back().down_arcsec, places_.back().seconds};
}

Meters::Last Meters::last() const {
  Last last{last_.sharpness, last_.noise, last_.level, {}};
  if (last_.limb) {
    last.edge_arcsec = last_.limb->width_px * setting_.imaging.scale_arcsec_px;
  }
  return last;
}

void Meters::take(const image::Frame& frame, double seconds) {
  if (frame.width != width_px_ || frame.height != height_px_) {
    width_px_ = frame.width;
    height_px_ = frame.height;
    moved();
  }
  if (last_.frames == 0) {
    first_s_ = seconds;
  }
  ++last_.frames;
  last_.span_s = seconds - first_s_;
  last_.field_arcsec = std::min(frame.width, frame.height) * setting_.imaging.scale_arcsec_px;
  last_.level = image::level_of(frame);
  const image::Sharpness sharpness = image::sharpness_of(frame, scale_px_, setting_.black_level);
  last_.sharpness = sharpness.detail;
  last_.noise = sharpness.noise;
  auto limb = limb_.look(frame);
  last_.limb = limb;
  if (limb) {
    follow_limb(*limb, seconds);
    last_.limb->off_px.clear();
  }
  const bool placed = limb && limb->seen_share >= kEnoughLimb;
  if (!placed && seconds - detail_s_ >= kDetailEvery_s) {
    detail_s_ = seconds;
    follow_detail(frame, seconds, limb.has_value());
  }
  if (!places_.empty() && places_.back().seconds == seconds && seconds - dust_s_ >= kDustEvery_s) {
    dust_s_ = seconds;
    const double scale = setting_.imaging.scale_arcsec_px;
    dust_.take(frame, places_.back().right_arcsec / scale, places_.back().down_arcsec / scale);
  }
  if (setting_.clear_level && last_.level.clipped_share < 0.002) {
    const double seen = centre_level(frame, limb, setting_, last_.level) - setting_.black_level;
    const double clear = *setting_.clear_level - setting_.black_level;
    if (seen > 1e-4 && clear > 1e-4) {
      stops_.push_back({seconds, std::log2(clear / seen)});
    }
    while (!stops_.empty() && seconds - stops_.front().seconds > 1.0) {
      stops_.pop_front();
    }
  }
  if (seconds - bands_s_ >= kEverySecond) {
    bands_s_ = seconds;
    bands_.take(frame);
  }
}

void Meters::begin_places() {
  places_.clear();
  dust_.forget();
}

void Meters::note_place(double seconds, double right_arcsec, double down_arcsec) {
  places_.push_back({seconds, right_arcsec, down_arcsec});
  while (places_.size() > 4000 || seconds - places_.front().seconds > kDriftKept_s) {
    places_.pop_front();
  }
}

void Meters::follow_limb(const disc::TrackedLimb& seen, double seconds) {
  const double scale = setting_.imaging.scale_arcsec_px;
  if (!limb_from_) {
    limb_from_ = {seen.centre_x_px, seen.centre_y_px};
    tiles_.clear();
    begin_places();
    air_.forget();
  }
  const double right = seen.centre_x_px - limb_from_->first;
  const double down = seen.centre_y_px - limb_from_->second;
  std::vector<double> places;
  places.reserve(seen.off_px.size());
  for (std::size_t i = 0; i < seen.off_px.size(); ++i) {
    const double angle =
        2.0 * std::numbers::pi * static_cast<double>(i) / static_cast<double>(seen.off_px.size());
    places.push_back(scale * (seen.off_px[i] + right * std::cos(angle) + down * std::sin(angle)));
  }
  air_.take(seconds, std::move(places));
  if (seen.seen_share >= kEnoughLimb) {
    note_place(seconds, right * scale, down * scale);
  }
  widths_.push_back({seconds, seen.width_px * scale});
  while (seconds - widths_.front().seconds > kWidthKept_s) {
    widths_.pop_front();
  }
}

void Meters::follow_detail(const image::Frame& frame, double seconds, bool limb) {
  const double scale = setting_.imaging.scale_arcsec_px;
  if (!limb) {
    widths_.clear();
    if (limb_from_) {
      limb_from_.reset();
      begin_places();
      air_.forget();
    }
  }
  int side = 32;
  while (side < 128 && 4 * side <= std::min(frame.width, frame.height)) {
    side *= 2;
  }
  if (std::min(frame.width, frame.height) < 2 * side) {
    return;
  }
  // Bands stand still: as soon as they are seen, the picture is compared without them.
  if (const auto seen = bands_.bands(); seen && !alike(standing_, standing_of(*seen), side)) {
    standing_ = standing_of(*seen);
    tiles_.clear();
  }
  if (tiles_.empty()) {
    take_tiles(frame, side);
    begin_places();
    tiles_from_ = {seconds, 0.0, 0.0};
    if (!limb) {
      air_.forget();
    }
    return;
  }
  std::vector<double> places;
  double right = 0.0;
  double down = 0.0;
  int laid = 0;
  for (const registration::ReferenceSquare& tile : tiles_) {
    const auto shifted = tile.lay(frame);
    places.push_back(shifted ? shifted->right_px * scale
                             : std::numeric_limits<double>::quiet_NaN());
    places.push_back(shifted ? shifted->down_px * scale : std::numeric_limits<double>::quiet_NaN());
    if (shifted) {
      right += shifted->right_px;
      down += shifted->down_px;
      ++laid;
    }
  }
  if (laid < 2) {
    // What they were is gone, or there never was anything to hold on to.
    if (seconds - tiles_from_.seconds > 1.0) {
      tiles_.clear();
    }
    return;
  }
  right /= laid;
  down /= laid;
  if (!limb) {
    air_.take(seconds, std::move(places));
  }
  note_place(seconds, tiles_from_.right_arcsec + right * scale,
             tiles_from_.down_arcsec + down * scale);
  if (std::hypot(right, down) > side / 8.0 || seconds - tiles_from_.seconds > kDriftKept_s) {
    take_tiles(frame, side);
    tiles_from_ = places_.back();
    air_.forget();
  }
}

void Meters::take_tiles(const image::Frame& frame, int side) {
  // In the middle, and at the corners of a square about it.
  constexpr std::array<std::array<double, 2>, 5> kAt{
      {{0.5, 0.5}, {0.25, 0.25}, {0.75, 0.25}, {0.25, 0.75}, {0.75, 0.75}}};
  tiles_.clear();
  for (const auto& at : kAt) {
    tiles_.emplace_back(frame, static_cast<int>(at[0] * frame.width) - side / 2,
                        static_cast<int>(at[1] * frame.height) - side / 2, side, standing_);
  }
}

std::optional<Drift> Meters::drift() const {
  constexpr std::size_t kLeast = 24;
  constexpr double kLeastSpan_s = 2.0;
  if (places_.size() < kLeast || places_.back().seconds - places_.front().seconds < kLeastSpan_s) {
    return std::nullopt;
  }
  const auto count = static_cast<double>(places_.size());
  Place mean{};
  for (const Place& place : places_) {
    mean.seconds += place.seconds / count;
    mean.right_arcsec += place.right_arcsec / count;
    mean.down_arcsec += place.down_arcsec / count;
  }
  double tt = 0.0;
  double tr = 0.0;
  double td = 0.0;
  for (const Place& place : places_) {
    const double t = place.seconds - mean.seconds;
    tt += t * t;
    tr += t * (place.right_arcsec - mean.right_arcsec);
    td += t * (place.down_arcsec - mean.down_arcsec);
  }
  double rest = 0.0;
  for (const Place& place : places_) {
    const double t = place.seconds - mean.seconds;
    rest += std::pow(place.right_arcsec - mean.right_arcsec - t * tr / tt, 2) +
            std::pow(place.down_arcsec - mean.down_arcsec - t * td / tt, 2);
  }
  // The air's slow waves make neighbours alike.
  constexpr double kAlike = 8.0;
  const double spread = std::sqrt(kAlike * rest / (2.0 * count) / tt);
  return Drift{60.0 * tr / tt, 60.0 * td / tt, 60.0 * spread};
}

Readings Meters::readings() const {
  Readings readings = last_;
  readings.air = air_.seen();
  readings.drift = drift();
  if (readings.drift && readings.air) {
    // The air's slowest waves look like drift for as long as they last.
    const double span_s = places_.back().seconds - places_.front().seconds;
    readings.drift->spread_arcsec_min =
        std::hypot(readings.drift->spread_arcsec_min, 60.0 * readings.air->motion_arcsec / span_s);
  }
  readings.bands = bands_.bands();
  readings.structure = bands_.structure();
  if (!readings.bands) {  // which stand on the sensor as dust does
    readings.dust = dust_.specks();
  }
  if (!stops_.empty()) {
    readings.cloud_stops = usual_of(stops_);
    readings.cloud_stops->spread = std::max(0.05, readings.cloud_stops->spread);
  }
  constexpr std::size_t kLeastWidths = 8;
  if (widths_.size() >= kLeastWidths) {
    const Estimate width = usual_of(widths_);
    readings.edge_arcsec = width;
    std::optional<double> r0;
    if (readings.air) {
      r0 = readings.air->r0_cm.value;
    }
    readings.defocus_um = defocus(r0, width.value);
  }
  return readings;
}

Estimate Meters::defocus(std::optional<double> r0_cm, double width_arcsec) const {
  // It takes some milliseconds; a fiftieth of a change is none.
  constexpr double kAlike = 0.02;
  const auto alike = [](double a, double b) { return std::abs(a - b) <= kAlike * std::abs(b); };
  if (!focus_ || !alike(width_arcsec, focus_->width_arcsec) ||
      focus_->r0_cm.has_value() != r0_cm.has_value() || (r0_cm && !alike(*r0_cm, *focus_->r0_cm))) {
    const double value = defocus_of(setting_, r0_cm, width_arcsec);
    // A tenth of the width is what edges and air are known to.
    const double beside = defocus_of(setting_, r0_cm, 1.1 * width_arcsec) - value;
    focus_ = Focus{r0_cm, width_arcsec, {value, std::max(focus_depth_um(setting_), beside)}};
  }
  return focus_->defocus_um;
}

}  // namespace solarchon::live
