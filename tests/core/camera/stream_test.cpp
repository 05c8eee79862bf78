// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/camera/stream.h"

#include <algorithm>
#include <cmath>
#include <stop_token>
#include <vector>

#include "solarchon/base/angle.h"
#include "solarchon/image/frame.h"
#include "solarchon/light/limb_darkening.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/psf/transfer.h"
#include "tests/support/support.h"

namespace solarchon::camera {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::morning_shot;
using test::quick_rig;

/// Some hundred pixels with hardly any noise, on a target.
Shot bright_shot(int width = 320, int height = 256) {
  optics::Rig rig = quick_rig();
  auto& camera = std::get<optics::Camera>(rig.elements.back().part);
  camera.width_px = width;
  camera.height_px = height;
  camera.bits = 16;
  camera.full_well_e = 4e8;
  camera.read_noise_e = 0.0;
  Shot shot = morning_shot(rig);
  shot.exposure_ms = 10.0;
  shot.electrons_per_ms = 2e7;
  shot.pointing_spread_px = 0.0;
  return shot;
}

Shot in_even_air(Shot shot, double r0_cm = 4.0) {
  shot.air = seeing::Air{};
  shot.air->r0_cm = r0_cm;
  shot.air->wander = 0.0;
  return shot;
}

Recording recorded(Stream& stream, double seconds) {
  Recording recording;
  const auto done = stream.record(seconds, recording);
  EXPECT_TRUE(done);
  return recording;
}

double mean_of(const image::Frame& frame) {
  double sum = 0.0;
  for (const std::uint16_t value : frame.pixels) {
    sum += value;
  }
  return sum / static_cast<double>(frame.pixels.size());
}

double difference(const image::Frame& a, const image::Frame& b) {
  double squares = 0.0;
  for (std::size_t i = 0; i < a.pixels.size(); ++i) {
    const double step = static_cast<double>(a.pixels[i]) - static_cast<double>(b.pixels[i]);
    squares += step * step;
  }
  return std::sqrt(squares / static_cast<double>(a.pixels.size()));
}

TEST(Stream, AFrameIsThatOfASingleShot) {
  for (const double r0_cm : {1.7, 4.0, 9.0}) {
    Shot shot = in_even_air(bright_shot(), r0_cm);
    shot.target = {600.0, 300.0};  // some limb, some disc
    StreamPlan plan;
    plan.shot = shot;
    Stream stream = *Stream::open(plan);
    const Recording streamed = recorded(stream, 0.7);
    shot.air_s = 0.7;
    const Recording single = simulate(shot).value();
    const double disc = 0.5 * single.frame.saturation;
    EXPECT_LT(difference(streamed.frame, single.frame), 0.01 * disc) << r0_cm;
    EXPECT_NEAR(mean_of(streamed.frame) / mean_of(single.frame), 1.0, 0.002);
    EXPECT_NEAR(streamed.truth.shift_px.right, single.truth.shift_px.right, 1e-6);
    EXPECT_EQ(*streamed.truth.r0_cm, *single.truth.r0_cm);
    EXPECT_EQ(streamed.frame.info.time->unix_ms, single.frame.info.time->unix_ms);
  }
}

TEST(Stream, WithoutAirItIsALongExposure) {
  Shot shot = bright_shot();
  shot.target = {600.0, 300.0};
  StreamPlan plan;
  plan.shot = shot;
  Stream stream = *Stream::open(plan);
  const Recording first = recorded(stream, 0.0);
  EXPECT_LT(difference(first.frame, simulate(shot).value().frame), 0.002 * 65535);
  EXPECT_FALSE(first.truth.r0_cm);
}

TEST(Stream, TheSameInstantIsTheSameFrameInAnyOrder) {
  StreamPlan plan;
  plan.shot = in_even_air(bright_shot());
  Stream stream = *Stream::open(plan);
  const Recording early = recorded(stream, 0.2);
  const Recording late = recorded(stream, 5.3);
  EXPECT_NE(early.frame.pixels, late.frame.pixels);
  EXPECT_EQ(recorded(stream, 0.2).frame.pixels, early.frame.pixels);
  Stream other = *Stream::open(plan);
  EXPECT_EQ(recorded(other, 5.3).frame.pixels, late.frame.pixels);
}

TEST(Stream, NoiseIsThatOfPhotonsAndReading) {
  Shot shot = morning_shot(quick_rig());
  auto& camera = std::get<optics::Camera>(shot.rig.elements.back().part);
  camera.bits = 16;
  camera.read_noise_e = 12.0;
  shot.pointing_spread_px = 0.0;
  StreamPlan plan;
  plan.shot = shot;
  Stream stream = *Stream::open(plan);
  // The Sun stands still for two seconds: a pixel's spread in time is noise alone.
  constexpr int kFrames = 60;
  std::vector<double> sums(640 * 512);
  std::vector<double> squares(sums.size());
  for (int i = 0; i < kFrames; ++i) {
    const Recording recording = recorded(stream, 0.03 * i);
    for (std::size_t k = 0; k < sums.size(); ++k) {
      const double value = recording.frame.pixels[k];
      sums[k] += value;
      squares[k] += value * value;
    }
  }
  const double full_scale = 65535.0;
  const double black = std::round(0.01 * full_scale);
  const double electrons = camera.full_well_e / (full_scale - black);
  double variance = 0.0;
  double expected = 0.0;
  double neighbours = 0.0;
  for (std::size_t k = 0; k < sums.size(); ++k) {
    const double mean = sums[k] / kFrames;
    variance += (squares[k] / kFrames - mean * mean) * kFrames / (kFrames - 1.0);
    expected += std::max(0.0, mean - black) / electrons + 144.0 / electrons / electrons;
  }
  EXPECT_NEAR(variance / expected, 1.0, 0.03);
  // Neighbours do not share it.
  const Recording a = recorded(stream, 0.5);
  const Recording b = recorded(stream, 0.6);
  double power = 0.0;
  for (std::size_t k = 0; k + 641 < sums.size(); ++k) {
    const auto step = [&](std::size_t at) {
      return static_cast<double>(a.frame.pixels[at]) - static_cast<double>(b.frame.pixels[at]);
    };
    neighbours += step(k) * (step(k + 1) + step(k + 640));
    power += step(k) * step(k);
  }
  EXPECT_LT(std::abs(neighbours / power), 0.02);
}

TEST(Stream, ItsNumbersAreInProportionToTheExposure) {
  StreamPlan plan;
  plan.shot = bright_shot();
  Stream stream = *Stream::open(plan);
  const double once = mean_of(recorded(stream, 0.0).frame) - 655.0;
  for (const double factor : {0.25, 0.5, 1.5}) {
    Shot shot = plan.shot;
    shot.exposure_ms *= factor;
    ASSERT_TRUE(stream.change(shot));
    EXPECT_NEAR((mean_of(recorded(stream, 0.0).frame) - 655.0) / once, factor, 0.001);
  }
  // And a full pixel is full.
  Shot long_one = plan.shot;
  long_one.exposure_ms *= 60.0;  // the darkest umbra too
  ASSERT_TRUE(stream.change(long_one));
  const Recording full = recorded(stream, 0.0);
  EXPECT_TRUE(std::all_of(full.frame.pixels.begin(), full.frame.pixels.end(),
                          [&](std::uint16_t value) { return value == full.frame.saturation; }));
}

/// Where the limb crosses a row, to a part of a pixel: half of the brightness inside.
double crossing(const image::Frame& frame, int y) {
  const double half = 0.5 * (frame.at(frame.width - 1, y) + frame.at(0, y));
  int x = 0;
  while (x + 1 < frame.width && frame.at(x + 1, y) < half) {
    ++x;
  }
  const double below = frame.at(x, y);
  return x + (half - below) / std::max(1.0, frame.at(x + 1, y) - below);
}

/// A stretch of the east limb, upright, at a third of an arcsecond.
Shot limb_shot(double r0_cm) {
  Shot shot = in_even_air(bright_shot(128, 32), r0_cm);
  for (optics::Element& element : shot.rig.elements) {
    if (auto* telescope = std::get_if<optics::Telescope>(&element.part)) {
      telescope->focal_length_mm *= 5.0;
    }
  }
  shot.air->high_share = 0.3;
  const Truth truth = simulate(shot).value().truth;
  // The limb to the left of the middle, whatever way the picture hangs.
  const double radius = sky::limb_radius_arcsec(truth.view.distance_au);
  const sky::DiscPlace left = sky::to_disc({-radius, 0.0}, truth.solar);
  shot.target = left;
  return shot;
}

/// How a limb stands in many frames.
struct LimbSeen {
  double motion_px = 0.0;  ///< deviation of its place
  double slope = 0.0;      ///< of its edge, frames laid upon one another
};
LimbSeen limb_over(Stream& stream, int frames) {
  Recording recording;
  double sum = 0.0;
  double squares = 0.0;
  double slope = 0.0;
  for (int i = 0; i < frames; ++i) {
    EXPECT_TRUE(stream.record(1.37 * i, recording));
    const double at = crossing(recording.frame, 16);
    sum += at / frames;
    squares += at * at / frames;
    const auto brightness = [&](double place) {
      const int low = std::clamp(static_cast<int>(place), 0, 126);
      const double part = place - low;
      return (1.0 - part) * recording.frame.at(low, 16) + part * recording.frame.at(low + 1, 16);
    };
    slope += 0.5 * (brightness(at + 1.0) - brightness(at - 1.0)) / frames;
  }
  return {std::sqrt(std::max(0.0, squares - sum * sum)), slope};
}

/// The slope that blur leaves of the limb, measured over two pixels: each step of its brightness
/// inwards counts by the blur's line spread there, the transform of its transfer.
double slope_left(const optics::Train& train, double r0_cm, double limb_px) {
  constexpr int kSteps = 400;
  const double cutoff = 1.0 / *train.sampling_px_per_cutoff;  // cycles a pixel
  std::vector<double> transfer;
  for (int i = 0; i < kSteps; ++i) {
    const double share = (i + 0.5) / kSteps;
    const double turn = 2.0 * base::kPi * share * cutoff;
    transfer.push_back(
        psf::pupil_transfer(share, train.obstruction, 0.0) *
        seeing::short_exposure_transfer(share, r0_cm, train.band.wavelength_nm, train.aperture_mm) *
        std::sin(turn) / turn);
  }
  const auto spread = [&](double px) {
    double sum = 0.0;
    for (int i = 0; i < kSteps; ++i) {
      const double f = (i + 0.5) / kSteps * cutoff;
      sum += 2.0 * cutoff / kSteps * transfer[static_cast<std::size_t>(i)] *
             std::cos(2.0 * base::kPi * f * px);
    }
    return sum;
  };
  const light::LimbDarkening darkening(train.band.wavelength_nm);
  const auto brightness = [&](double px) {
    const double share = 1.0 - px / limb_px;
    return darkening.at(std::sqrt(1.0 - share * share));
  };
  constexpr double kStepPx = 0.1;
  double slope = brightness(1e-6) * spread(0.0);
  for (double px = 0.0; px < 30.0; px += kStepPx) {
    slope += (brightness(px + kStepPx) - brightness(px + 1e-6)) * spread(px + 0.5 * kStepPx);
  }
  return slope;
}

TEST(Stream, TheLimbOfFiveHundredFramesMovesAndBlursByTheFormulas) {
  // Against air as good as none.
  StreamPlan still;
  still.shot = limb_shot(50.0);
  still.sun_step_s = 3600.0;
  Stream calm = *Stream::open(still);
  const double sharp = limb_over(calm, 20).slope;
  const optics::Train train = optics::follow_light(still.shot.rig, 944.0);
  const double scale = *train.sampling_arcsec_px;
  for (const double r0_cm : {2.0, 5.0, 10.0}) {
    StreamPlan plan = still;
    plan.shot = limb_shot(r0_cm);
    Stream stream = *Stream::open(plan);
    const LimbSeen seen = limb_over(stream, 500);
    const double motion =
        seeing::image_motion_arcsec(r0_cm, train.band.wavelength_nm, train.aperture_mm) / scale;
    EXPECT_NEAR(seen.motion_px, motion, 0.1 * motion) << r0_cm;
    const double limb_px = 944.0 / scale;
    const double left = slope_left(train, r0_cm, limb_px) / slope_left(train, 50.0, limb_px);
    EXPECT_NEAR(seen.slope / sharp, left, 0.1 * left) << r0_cm;
  }
}

TEST(Stream, ADimPixelKeepsItsMean) {
  Shot shot = morning_shot(quick_rig());
  shot.exposure_ms = 0.001;  // some electrons in the brightest pixel
  shot.electrons_per_ms = 4000.0;
  StreamPlan plan;
  plan.shot = shot;
  Stream stream = *Stream::open(plan);
  double streamed = 0.0;
  double single = 0.0;
  for (std::uint32_t i = 0; i < 8; ++i) {
    streamed += mean_of(recorded(stream, 0.1 * i).frame);
    Shot other = shot;
    other.air_s = 0.1 * i;
    single += mean_of(simulate(other).value().frame);
  }
  EXPECT_NEAR(streamed / single, 1.0, 0.005);
}

/// Middle of the light of a whole disc.
test::Pixel centroid(const image::Frame& frame) {
  double sum = 0.0;
  double right = 0.0;
  double down = 0.0;
  for (int y = 0; y < frame.height; ++y) {
    for (int x = 0; x < frame.width; ++x) {
      const double value = std::max(0.0, frame.at(x, y) - 800.0);
      sum += value;
      right += value * x;
      down += value * y;
    }
  }
  return {right / sum, down / sum};
}

/// A whole disc of some 400 pixels.
Shot whole_disc() { return binned(morning_shot(test::starter_rig()), 640); }

TEST(Stream, TheMountLetsTheSunDriftAndTurn) {
  StreamPlan plan;
  plan.shot = whole_disc();
  plan.shot.pointing_spread_px = 0.0;
  const double scale = simulate(plan.shot).value().truth.plate_scale_arcsec_px;
  // 31 pixels to the right and 10 up in a second, and a quarter of a turn in ten.
  plan.way = {{0.0, {0.0, 0.0}, 0.0}, {10.0, {310.0 * scale, 100.0 * scale}, 90.0}};
  plan.sun_step_s = 2.0;
  Stream stream = *Stream::open(plan);
  const Recording first = recorded(stream, 0.0);
  const test::Pixel start = centroid(first.frame);
  EXPECT_NEAR(start.x, first.truth.centre_x_px, 0.3);
  for (const double seconds : {0.9, 1.7, 2.4, 1.1}) {
    const Recording later = recorded(stream, seconds);
    const test::Pixel now = centroid(later.frame);
    EXPECT_NEAR(now.x - start.x, 31.0 * seconds, 0.1) << seconds;
    EXPECT_NEAR(now.y - start.y, -10.0 * seconds, 0.1) << seconds;
    EXPECT_NEAR(later.truth.centre_x_px - first.truth.centre_x_px, 31.0 * seconds, 1e-6);
    EXPECT_NEAR(base::wrap_180(later.truth.solar.north_deg - first.truth.solar.north_deg),
                9.0 * seconds, 1e-4);  // the axis itself goes on
  }
}

TEST(Stream, ATurnedPictureIsThatOfACameraTurnedSo) {
  StreamPlan plan;
  plan.shot = bright_shot();
  plan.way = {{0.0, {}, 0.0}, {1.0, {}, 6.0}};
  plan.sun_step_s = 2.0;
  Stream stream = *Stream::open(plan);
  const Recording bent = recorded(stream, 0.3);  // by bending what was drawn
  StreamPlan drawn = plan;
  drawn.way = {{0.0, {}, 1.8}};
  Stream other = *Stream::open(drawn);  // by drawing it so
  EXPECT_LT(difference(bent.frame, recorded(other, 0.3).frame), 0.005 * 65535);
  EXPECT_GT(difference(bent.frame, recorded(stream, 0.0).frame), 0.008 * 65535);
}

TEST(Stream, ARollingShutterLeansADriftingSun) {
  StreamPlan plan;
  plan.shot = whole_disc();
  plan.shot.pointing_spread_px = 0.0;
  const double scale = simulate(plan.shot).value().truth.plate_scale_arcsec_px;
  plan.way = {{0.0, {0.0, 0.0}, 0.0}, {10.0, {200.0 * scale, 0.0}, 0.0}};
  plan.row_delay_us = 1000.0;
  Stream stream = *Stream::open(plan);
  const Recording leaning = recorded(stream, 0.0);
  plan.row_delay_us = 0.0;
  Stream upright = *Stream::open(plan);
  const Recording straight = recorded(upright, 0.0);
  const auto edge = [](const image::Frame& frame, int y) {
    int x = 0;
    while (x + 1 < frame.width && frame.at(x, y) < frame.saturation / 5) {
      ++x;
    }
    return x;
  };
  for (const int y : {150, 250, 350}) {
    // 20 px a second, a millisecond a row.
    EXPECT_NEAR(edge(leaning.frame, y) - edge(straight.frame, y), 0.02 * y, 1.01) << y;
  }
}

TEST(Stream, ACloudDimsAndScatters) {
  StreamPlan plan;
  plan.shot = bright_shot();
  Stream stream = *Stream::open(plan);
  const double clear = mean_of(recorded(stream, 0.0).frame) - 655.0;
  Shot veiled = plan.shot;
  veiled.cloud.stops = 2.0;
  ASSERT_TRUE(stream.change(veiled));
  const Recording dim = recorded(stream, 0.0);
  EXPECT_EQ(dim.truth.cloud_stops, 2.0);
  EXPECT_NEAR((mean_of(dim.frame) - 655.0) / clear, 0.25, 0.03);
  EXPECT_NEAR(mean_of(dim.frame) / mean_of(simulate(veiled).value().frame), 1.0, 0.002);
  // Off the limb there is light where there was none.
  veiled.target = {2500.0, 0.0};
  ASSERT_TRUE(stream.change(veiled));
  const double sky = mean_of(recorded(stream, 0.0).frame) - 655.0;
  const double disc = 10.0 * 2e7 / 4e8 * 65535.0 * 0.99;
  EXPECT_NEAR(sky / disc, seeing::scattered_share(2.0), 0.002);
}

TEST(Stream, MarksStayWhileTheSunMoves) {
  StreamPlan plan;
  plan.shot = in_even_air(bright_shot());
  Stream clean = *Stream::open(plan);
  plan.shot.marks.motes = 20;
  plan.shot.marks.response_spread = 0.01;
  Stream marked = *Stream::open(plan);
  const auto flat = [&](double seconds) {
    const Recording with = recorded(marked, seconds);
    const Recording without = recorded(clean, seconds);
    std::vector<double> ratios;
    for (std::size_t i = 0; i < with.frame.pixels.size(); ++i) {
      ratios.push_back((with.frame.pixels[i] - 655.0) / (without.frame.pixels[i] - 655.0));
    }
    return ratios;
  };
  const std::vector<double> early = flat(0.1);
  const std::vector<double> late = flat(1.7);
  double apart = 0.0;
  int dark = 0;
  double squares = 0.0;
  for (std::size_t i = 0; i < early.size(); ++i) {
    apart = std::max(apart, std::abs(early[i] - late[i]));
    dark += early[i] < 0.9 ? 1 : 0;
    squares += std::min(0.0009, (early[i] - 1.0) * (early[i] - 1.0));
  }
  EXPECT_LT(apart, 0.005);
  EXPECT_GT(dark, 20);
  EXPECT_GT(std::sqrt(squares / static_cast<double>(early.size())), 0.008);
}

/// Deviation over mean of what bands do to the light.
double bands_of(Shot shot) {
  StreamPlan plan;
  shot.target = {0.0, 0.0};
  plan.shot = shot;
  Stream clean = *Stream::open(plan);
  plan.shot.marks.band_contrast = 0.085;
  Stream banded = *Stream::open(plan);
  const Recording with = recorded(banded, 0.0);
  const Recording without = recorded(clean, 0.0);
  double squares = 0.0;
  for (std::size_t i = 0; i < with.frame.pixels.size(); ++i) {
    const double ratio =
        (with.frame.pixels[i] - 655.0) / std::max(1.0, without.frame.pixels[i] - 655.0);
    squares += (ratio - 1.0) * (ratio - 1.0);
  }
  return std::sqrt(squares / static_cast<double>(with.frame.pixels.size()));
}

TEST(Stream, BandsShowInANarrowPassbandAndATiltHidesThem) {
  EXPECT_LT(bands_of(bright_shot()), 0.0005);  // in white light none
  Shot shot = bright_shot();
  optics::Rig line = optics::usual_trains().value().at(2);
  auto& camera = std::get<optics::Camera>(line.elements[optics::sensor_of(line)->element].part);
  camera.width_px = 320;
  camera.height_px = 256;
  camera.bits = 16;
  camera.full_well_e = 4e8;
  camera.read_noise_e = 0.0;
  std::erase_if(line.elements, [](const optics::Element& element) {
    return std::holds_alternative<optics::TiltAdapter>(element.part);
  });
  shot.rig = line;
  const double untilted = bands_of(shot);
  EXPECT_GT(untilted, 0.005);
  EXPECT_LT(untilted, 0.06);
  optics::Element tilt;
  tilt.part = optics::TiltAdapter{6.0};
  shot.rig.elements.insert(
      shot.rig.elements.begin() + static_cast<std::ptrdiff_t>(optics::sensor_of(line)->element),
      tilt);
  EXPECT_LT(bands_of(shot), 0.3 * untilted);
}

TEST(Stream, AColourSensorSeesHydrogenAlphaInItsRedPixelsAlone) {
  Shot shot = bright_shot();
  shot.rig = optics::usual_trains().value().at(2);
  auto& camera =
      std::get<optics::Camera>(shot.rig.elements[optics::sensor_of(shot.rig)->element].part);
  camera.width_px = 64;
  camera.height_px = 64;
  camera.bits = 16;
  camera.colour = true;
  camera.full_well_e = 4e8;
  const auto by_pattern = [](const image::Frame& frame) {
    std::vector<double> means(4);
    for (int y = 0; y < frame.height; ++y) {
      for (int x = 0; x < frame.width; ++x) {
        means[static_cast<std::size_t>(2 * (y % 2) + x % 2)] += (frame.at(x, y) - 655.0) / 1024.0;
      }
    }
    return means;
  };
  StreamPlan plan;
  plan.shot = shot;
  Stream grey = *Stream::open(plan);
  const auto even = by_pattern(recorded(grey, 0.0).frame);
  EXPECT_NEAR(even[1] / even[0], 1.0, 0.02);
  plan.shot.mosaic = true;
  Stream raw = *Stream::open(plan);
  const auto red = by_pattern(recorded(raw, 0.0).frame);
  EXPECT_NEAR(red[0] / even[0], 1.0, 0.02);
  EXPECT_LT(red[1] / red[0], 0.05);
  EXPECT_NEAR(red[1] / red[2], 1.0, 0.1);
  EXPECT_LT(red[3] / red[0], 0.05);
}

TEST(Stream, AChangeShowsInTheNextFrameAndABadOneChangesNothing) {
  StreamPlan plan;
  plan.shot = in_even_air(bright_shot());
  Stream stream = *Stream::open(plan);
  const Recording before = recorded(stream, 0.4);
  Shot defocused = plan.shot;
  defocused.defocus_um = 3000.0;
  ASSERT_TRUE(stream.change(defocused));
  EXPECT_EQ(stream.shot().defocus_um, 3000.0);
  StreamPlan other = plan;
  other.shot = defocused;
  Stream anew = *Stream::open(other);
  EXPECT_EQ(recorded(stream, 0.4).frame.pixels, recorded(anew, 0.4).frame.pixels);
  Shot bad = plan.shot;
  bad.cloud.stops = -1.0;
  EXPECT_THAT(stream.change(bad), FailsWith(ErrorCode::kOutOfRange, "cloud"));
  bad = plan.shot;
  bad.marks.motes = -3;
  EXPECT_THAT(stream.change(bad), FailsWith(ErrorCode::kOutOfRange, "motes"));
  EXPECT_EQ(stream.shot().defocus_um, 3000.0);
  ASSERT_TRUE(stream.change(plan.shot));
  EXPECT_EQ(recorded(stream, 0.4).frame.pixels, before.frame.pixels);
}

TEST(Stream, TheSunGoesOnMeanwhile) {
  StreamPlan plan;
  plan.shot = bright_shot();
  plan.prepares_ahead = true;
  plan.sun_step_s = 1.0;
  Stream stream = *Stream::open(plan);
  Recording recording;
  // No frame waits for the next Sun; in the end it is there.
  const auto first = simulate(plan.shot).value().truth;
  for (int i = 0; i < 400; ++i) {
    ASSERT_TRUE(stream.record(600.0 + 0.01 * i, recording));
  }
  EXPECT_NE(recording.truth.view.l0_deg, first.view.l0_deg);
  EXPECT_NEAR(base::wrap_180(first.view.l0_deg - recording.truth.view.l0_deg),
              604.0 / 86400.0 * 13.2, 0.02);
}

TEST(Stream, RefusesWhatItCannotDoAndStops) {
  StreamPlan plan;
  plan.shot = bright_shot();
  plan.sun_step_s = 0.0;
  EXPECT_THAT(Stream::open(plan), FailsWith(ErrorCode::kOutOfRange, "sun_step_s"));
  plan.sun_step_s = 2.0;
  plan.row_delay_us = -1.0;
  EXPECT_THAT(Stream::open(plan), FailsWith(ErrorCode::kOutOfRange, "row_delay_us"));
  plan.row_delay_us = 0.0;
  std::stop_source stop;
  stop.request_stop();
  EXPECT_THAT(Stream::open(plan, {stop.get_token()}), FailsWith(ErrorCode::kCancelled, "picture"));
  Stream stream = *Stream::open(plan);
  Recording recording;
  EXPECT_THAT(stream.record(0.1, recording, {stop.get_token()}),
              FailsWith(ErrorCode::kCancelled, "frame"));
  plan.shot.rig.elements.clear();
  EXPECT_THAT(Stream::open(plan), FailsWith(ErrorCode::kMissing, "rig"));
}

}  // namespace
}  // namespace solarchon::camera
