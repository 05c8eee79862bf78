// SPDX-License-Identifier: GPL-3.0-or-later
// Mosaics, on a Sun that is painted by the test: where each panel was looked is known exactly.
#include "solarchon/reduce/mosaic.h"

#include <gtest/gtest.h>

#include "painted_sun.h"
#include "solarchon/camera/stream.h"
#include "solarchon/image/picture.h"
#include "tests/support/support.h"

namespace solarchon::reduce {
namespace {

using base::ErrorCode;
using image::Picture;
using test::PaintedSun;
using test::SunPlace;

constexpr double kDeg = std::numbers::pi / 180.0;

/// A panel of a Sun of that radius, looked at about a place (px from its middle) and turned.
SunPlace looked_at(double right, double down, double radius, double turn_deg, int side) {
  SunPlace place;
  place.radius_px = radius;
  place.turn_deg = turn_deg;
  const double c = std::cos(turn_deg * kDeg);
  const double s = std::sin(turn_deg * kDeg);
  place.x_px = (side - 1) / 2.0 - (c * right - s * down);
  place.y_px = (side - 1) / 2.0 - (s * right + c * down);
  return place;
}

/// By how much the place of a panel misses where it was looked, against the first one (px at its
/// corners).
double miss(const Mosaic& mosaic, const std::vector<SunPlace>& places, std::size_t k, int side) {
  // A corner of panel k, by way of the Sun, in the first panel.
  const double middle = (side - 1) / 2.0;
  double worst = 0.0;
  for (const auto& [x, y] : {std::pair{0.0, 0.0}, {side - 1.0, 0.0}, {side - 1.0, side - 1.0}}) {
    const auto turn = [](double a, double b, double deg) {
      const double c = std::cos(deg * kDeg);
      const double s = std::sin(deg * kDeg);
      return std::pair{c * a - s * b, s * a + c * b};
    };
    const auto sun = turn(x - places[k].x_px, y - places[k].y_px, -places[k].turn_deg);
    const auto in_first = turn(sun.first, sun.second, places[0].turn_deg);
    const double true_x = in_first.first + places[0].x_px;
    const double true_y = in_first.second + places[0].y_px;
    const auto in_mosaic = turn(x - middle, y - middle, mosaic.panels[k].turned_deg);
    const double found_x =
        in_mosaic.first + mosaic.panels[k].x_px - (mosaic.panels[0].x_px - middle);
    const double found_y =
        in_mosaic.second + mosaic.panels[k].y_px - (mosaic.panels[0].y_px - middle);
    worst = std::max(worst, std::hypot(true_x - found_x, true_y - found_y));
  }
  return worst;
}

TEST(Mosaic, FourPanelsWithTheLimbMeetWithinAFifthOfAPixel) {
  const PaintedSun sun(12000);
  base::Random random{3};
  constexpr int kSide = 360;
  std::vector<SunPlace> places{
      looked_at(-131.3, -128.1, 280.0, 0.0, kSide), looked_at(129.4, -133.7, 280.0, 0.9, kSide),
      looked_at(-127.9, 130.2, 280.0, -1.6, kSide), looked_at(133.2, 127.5, 280.0, 0.4, kSide)};
  const std::vector<double> lights{1.0, 0.93, 1.06, 0.88};
  std::vector<Picture> panels;
  for (std::size_t k = 0; k < places.size(); ++k) {
    places[k].light = lights[k];
    places[k].noise = 0.002;
    panels.push_back(sun.picture(kSide, kSide, places[k], random));
  }
  const auto mosaic = join_panels(panels);
  ASSERT_TRUE(mosaic) << mosaic.error().field;
  for (std::size_t k = 1; k < places.size(); ++k) {
    EXPECT_LT(miss(*mosaic, places, k, kSide), 0.2) << k;
    const double level = mosaic->panels[k].gain * lights[k] / (mosaic->panels[0].gain * lights[0]);
    EXPECT_NEAR(level, 1.0, 0.005) << k;
  }
  EXPECT_LT(mosaic->seam_px, 0.2);
  EXPECT_LT(mosaic->level_step, 0.005);
  // And the picture is the Sun as one panel would show it.
  SunPlace whole = places[0];
  whole.x_px += mosaic->panels[0].x_px - (kSide - 1) / 2.0;
  whole.y_px += mosaic->panels[0].y_px - (kSide - 1) / 2.0;
  whole.noise = 0.0;
  whole.light = mosaic->panels[0].gain;
  const Picture truth = sun.picture(mosaic->picture.width, mosaic->picture.height, whole, random);
  double squares = 0.0;
  double most = 0.0;
  double count = 0.0;
  for (int y = 4; y < truth.height - 4; ++y) {
    for (int x = 4; x < truth.width - 4; ++x) {
      const double far = std::hypot(x - whole.x_px, y - whole.y_px);
      if (far < 270.0 && mosaic->picture.at(x, y) > 0.0F) {
        const double off = static_cast<double>(mosaic->picture.at(x, y) - truth.at(x, y)) / 0.7;
        squares += off * off;
        most = std::max(most, std::abs(off));
        count += 1.0;
      }
    }
  }
  EXPECT_LT(std::sqrt(squares / count), 0.005);
  EXPECT_LT(most, 0.03);
}

TEST(Mosaic, TurnedPanelsAndAChainAreJoined) {
  const PaintedSun sun(30000);
  base::Random random{4};
  constexpr int kSide = 256;
  // Within the disc, no limb anywhere; only neighbours overlap.
  std::vector<SunPlace> places;
  std::vector<Picture> panels;
  for (int k = 0; k < 4; ++k) {
    places.push_back(looked_at(-250.0 + 180.0 * k, 12.0 * k, 500.0, k % 2 == 0 ? 0.0 : 4.3, kSide));
    places.back().noise = 0.003;
    panels.push_back(sun.picture(kSide, kSide, places.back(), random));
  }
  const auto mosaic = join_panels(panels);
  ASSERT_TRUE(mosaic) << mosaic.error().field;
  EXPECT_EQ(mosaic->seams, 3);
  for (std::size_t k = 1; k < places.size(); ++k) {
    EXPECT_LT(miss(*mosaic, places, k, kSide), 0.2 * static_cast<double>(k) + 0.15) << k;
  }
  EXPECT_LT(mosaic->seam_px, 0.2);
}

TEST(Mosaic, APanelOfSomethingElseIsNamed) {
  const PaintedSun sun(12000);
  const PaintedSun another(12000, 0.06, 77);
  base::Random random{5};
  constexpr int kSide = 200;
  std::vector<Picture> panels;
  for (int k = 0; k < 2; ++k) {
    panels.push_back(
        sun.picture(kSide, kSide, looked_at(-60.0 + 110.0 * k, 0.0, 300.0, 0.0, kSide), random));
  }
  panels.push_back(another.picture(kSide, kSide, looked_at(20.0, 30.0, 300.0, 0.0, kSide), random));
  const auto mosaic = join_panels(panels);
  ASSERT_FALSE(mosaic);
  EXPECT_EQ(mosaic.error().code, ErrorCode::kNotFound);
  EXPECT_EQ(mosaic.error().field, "panels[2]");
}

TEST(Mosaic, WhatCannotBeJoinedIsSaid) {
  Picture panel;
  panel.width = 64;
  panel.height = 64;
  panel.values.assign(panel.plane_size(), 0.5F);
  EXPECT_EQ(join_panels({panel}).error().code, ErrorCode::kMissing);
  EXPECT_EQ(join_panels({panel, panel}).error().code, ErrorCode::kNotFound) << "nothing in them";
  Picture colour = panel;
  colour.planes = 3;
  colour.values.assign(3 * colour.plane_size(), 0.5F);
  EXPECT_EQ(join_panels({panel, colour}).error().field, "panels[1]");
  Picture scaled = panel;
  panel.info.plate_scale_arcsec_px = 1.0;
  scaled.info.plate_scale_arcsec_px = 1.2;
  EXPECT_EQ(join_panels({panel, scaled}).error().code, ErrorCode::kMalformed);
  EXPECT_EQ(join_panels(std::vector<Picture>(101, panel)).error().code, ErrorCode::kTooLarge);
  std::stop_source stop;
  stop.request_stop();
  EXPECT_EQ(join_panels({panel, panel}, {stop.get_token(), {}}).error().code,
            ErrorCode::kCancelled);
}

/// What the simulator draws of the limb for a mount that looks here and there, its camera turned.
TEST(Mosaic, PanelsOfTheSyntheticSunMeetWhereItWasDrawn) {
  constexpr int kSide = 384;
  optics::Rig rig = test::quick_rig();
  auto& telescope = std::get<optics::Telescope>(rig.elements[1].part);
  telescope.aperture_mm = 120.0;
  telescope.focal_length_mm = 900.0;
  std::get<optics::FrontFilm>(rig.elements[0].part).clear_aperture_mm = 130.0;
  auto& camera = std::get<optics::Camera>(rig.elements.back().part);
  camera.width_px = kSide;
  camera.height_px = kSide;
  camera.pixel_um = 3.45;
  camera.full_well_e = 60000.0;
  camera::StreamPlan plan;
  plan.shot = test::morning_shot(rig);
  plan.shot.pointing_spread_px = 0.0;
  plan.shot.seeing_arcsec = 1.5;
  plan.shot.target = {620.0, 480.0};
  plan.sun_step_s = 3600.0;
  plan.way = {{0.0, {0.0, 0.0}, 0.0},
              {1.0, {191.0, -12.0}, 0.8},
              {2.0, {9.0, 186.0}, -4.3},
              {3.0, {184.0, 179.0}, 0.5}};
  auto stream = camera::Stream::open(plan);
  ASSERT_TRUE(stream) << stream.error().field;
  const std::vector<double> lights{1.0, 0.92, 1.05, 0.9};
  std::vector<SunPlace> places;
  std::vector<Picture> panels;
  camera::Recording recording;
  for (std::size_t k = 0; k < lights.size(); ++k) {
    ASSERT_TRUE(stream->record(static_cast<double>(k), recording));
    Picture panel = image::picture_of(recording.frame);
    for (float& value : panel.values) {
      value = static_cast<float>(lights[k]) * (value - static_cast<float>(camera::kBlackShare));
    }
    panels.push_back(std::move(panel));
    SunPlace place;
    place.x_px = recording.truth.centre_x_px;
    place.y_px = recording.truth.centre_y_px;
    place.turn_deg = recording.truth.solar.north_deg;
    places.push_back(place);
  }
  const auto mosaic = join_panels(panels);
  ASSERT_TRUE(mosaic) << mosaic.error().field;
  EXPECT_LT(mosaic->seam_px, 0.2);
  EXPECT_LT(mosaic->level_step, 0.005);
  for (std::size_t k = 1; k < places.size(); ++k) {
    EXPECT_LT(miss(*mosaic, places, k, kSide), 0.2) << k;
    EXPECT_NEAR(mosaic->panels[k].turned_deg,
                std::remainder(places[0].turn_deg - places[k].turn_deg, 360.0), 0.05);
    const double level = mosaic->panels[k].gain * lights[k] / mosaic->panels[0].gain;
    EXPECT_NEAR(level, 1.0, 0.005) << k;
  }
}

}  // namespace
}  // namespace solarchon::reduce
