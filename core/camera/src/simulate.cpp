// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/camera/simulate.h"

#include <algorithm>
#include <cmath>

#include "bend.h"
#include "sensor_map.h"
#include "setup.h"
#include "sight.h"
#include "solarchon/base/parallel.h"
#include "solarchon/base/random.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/spectrum.h"
#include "solarchon/psf/transfer.h"
#include "solarchon/scene/picture.h"
#include "solarchon/seeing/turbulence.h"

namespace solarchon::camera {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

/// Turns relative brightness into recorded numbers, row by row with a generator of its own.
/// @param marks  of the sensor; empty: none
void expose(const Shot& shot, const Setup& setup, const scene::Picture& picture, std::size_t stride,
            std::size_t first, const std::vector<float>& marks, image::Frame& frame) {
  const optics::Camera& camera = setup.camera;
  const double signal = signal_of(shot, setup.train);
  const Scale scale = scale_of(camera);
  frame.saturation = static_cast<int>(scale.full_scale);
  base::each_row(frame.height, {}, [&](int y) {
    // Frames of one clip have noise of their own.
    base::Random random =
        shot.air_s > 0.0 ? base::Random{shot.seed, static_cast<std::uint32_t>(y), 0xcafeU,
                                        static_cast<std::uint32_t>(std::llround(shot.air_s * 1e4))}
                         : base::Random{shot.seed, static_cast<std::uint32_t>(y), 0xcafeU};
    const float* row = picture.data() + first + static_cast<std::size_t>(y) * stride;
    const float* mark =
        marks.empty() ? nullptr : marks.data() + static_cast<std::ptrdiff_t>(y) * frame.width;
    std::uint16_t* out = frame.pixels.data() + static_cast<std::ptrdiff_t>(y) * frame.width;
    for (int x = 0; x < frame.width; ++x) {
      const double falls = std::max(0.0, static_cast<double>(row[x])) * signal;
      const double mean = mark == nullptr ? falls : falls * static_cast<double>(mark[x]);
      const double counted = std::min(random.poisson(mean), camera.full_well_e);
      const double read = counted + camera.read_noise_e * random.normal();
      const double number = std::round(scale.black + read / scale.electrons_per_number);
      out[x] = static_cast<std::uint16_t>(std::clamp(number, 0.0, scale.full_scale));
    }
  });
}

/// The picture as the air shows it.
scene::Picture moved_by(const seeing::MotionField& field, const scene::Picture& picture, int width,
                        int height, int margin, double scale_arcsec_px) {
  Bend bend(width, height);
  base::each_row(bend.rows, {}, [&](int row) {
    for (int column = 0; column < bend.columns; ++column) {
      const seeing::Shift shift = field.at((column * kBendStep - margin) * scale_arcsec_px,
                                           (row * kBendStep - margin) * scale_arcsec_px);
      const auto at = static_cast<std::size_t>(row) * static_cast<std::size_t>(bend.columns) +
                      static_cast<std::size_t>(column);
      bend.x[at] = static_cast<float>(column * kBendStep - shift.right / scale_arcsec_px);
      bend.y[at] = static_cast<float>(row * kBendStep - shift.down / scale_arcsec_px);
    }
  });
  scene::Picture moved(picture.size());
  const Ladder ladder{{picture.data()}, width, height};
  base::each_row(height, {}, [&](int y) {
    bend_row(bend, ladder, y, width, moved.data() + static_cast<std::ptrdiff_t>(y) * width);
  });
  return moved;
}

/// Takes from a picture what a cloud takes, and lays over it what the cloud scatters.
/// @return  what it takes in the middle (stops)
double dim(const seeing::Cloud& cloud, double now_s, double scale_arcsec_px, int margin, int width,
           int height, scene::Picture& picture) {
  if (cloud.stops <= 0.0) {
    return 0.0;
  }
  const seeing::CloudField field(cloud);
  const Bend points(width, height);
  const std::vector<float> stops =
      field.stops_over({-margin * scale_arcsec_px, -margin * scale_arcsec_px,
                        kBendStep * scale_arcsec_px, points.columns, points.rows},
                       now_s);
  const double middle = field.stops((0.5 * width - margin) * scale_arcsec_px,
                                    (0.5 * height - margin) * scale_arcsec_px, now_s);
  const auto scattered = static_cast<float>(seeing::scattered_share(middle));
  base::each_row(height, {}, [&](int y) {
    float* row = picture.data() + static_cast<std::ptrdiff_t>(y) * width;
    const auto upper =
        static_cast<std::size_t>(y / kBendStep) * static_cast<std::size_t>(points.columns);
    const auto lower = upper + static_cast<std::size_t>(points.columns);
    const float down = static_cast<float>(y % kBendStep) / kBendStep;
    for (int x = 0; x < width; ++x) {
      const auto column = static_cast<std::size_t>(x / kBendStep);
      const float along = static_cast<float>(x % kBendStep) / kBendStep;
      const auto between = [along, column, &stops](std::size_t line) {
        return stops[line + column] + along * (stops[line + column + 1] - stops[line + column]);
      };
      const float here = between(upper) + down * (between(lower) - between(upper));
      row[x] = row[x] * std::exp2(-here) + scattered;
    }
  });
  return middle;
}

}  // namespace

Result<Recording> simulate(const Shot& shot, const base::Task& task) {
  auto ready = set_up(shot);
  if (!ready) {
    return tl::make_unexpected(ready.error());
  }
  const Setup setup = *std::move(ready);
  const optics::Camera& camera = setup.camera;
  Recording recording;
  Truth& truth = recording.truth;
  truth = setup.truth;
  const double now_s = static_cast<double>(shot.time.unix_ms) / 1000.0 + shot.air_s;
  if (setup.turbulence) {
    truth.r0_cm = setup.turbulence->r0_cm(now_s);
  }
  const int margin = margin_px(shot, setup, truth.r0_cm);
  const int width = image::quick_size(camera.width_px + 2 * margin);
  const int height = image::quick_size(camera.height_px + 2 * margin);
  const scene::Grid grid{width,
                         height,
                         truth.centre_x_px + margin,
                         truth.centre_y_px + margin,
                         truth.plate_scale_arcsec_px,
                         truth.solar};
  constexpr double kDrawingShare = 0.5;
  const base::Task drawing{task.stop, [&](double done) { task.report(done * kDrawingShare); }};
  const auto sight = kept_sight(shot, truth, setup.train, grid, drawing);
  if (!sight) {
    return tl::make_unexpected(sight.error());
  }
  const auto seen =
      seen_through(*sight, shot, truth, setup.train, grid, margin + 0.5 * (camera.width_px - 1),
                   margin + 0.5 * (camera.height_px - 1));
  const double scale = truth.plate_scale_arcsec_px;
  scene::Picture picture;
  if (setup.turbulence) {
    const seeing::MotionField field = setup.turbulence->motion(now_s);
    const seeing::Shift middle =
        field.at(0.5 * camera.width_px * scale, 0.5 * camera.height_px * scale);
    truth.shift_px = {middle.right / scale, -middle.down / scale};
    picture = moved_by(field, *seen, width, height, margin, scale);
  } else {
    picture = *seen;
  }
  const psf::Transfer transfer(imaging_of(setup), blurring_of(shot, setup, truth.r0_cm));
  picture = image::Spectrum(picture, width, height).filtered([&](double cycles) {
    return transfer.at_cycles(cycles);
  });
  truth.cloud_stops = dim(shot.cloud, now_s, scale, margin, width, height, picture);
  task.report(0.75);
  if (task.stopped()) {
    return fail(ErrorCode::kCancelled, "frame");
  }
  image::Frame& frame = recording.frame;
  frame.width = camera.width_px;
  frame.height = camera.height_px;
  frame.pixels.resize(static_cast<std::size_t>(frame.width) *
                      static_cast<std::size_t>(frame.height));
  frame.info = info_of(shot, setup.train, camera, truth);
  const auto stride = static_cast<std::size_t>(width);
  expose(shot, setup, picture, stride,
         static_cast<std::size_t>(margin) * stride + static_cast<std::size_t>(margin),
         sensor_map(shot, setup), frame);
  task.report(1.0);
  return recording;
}

Shot binned(Shot shot, int longest_side_px) {
  const auto sensor = optics::sensor_of(shot.rig);
  if (!sensor) {
    return shot;
  }
  const optics::Camera& camera = sensor->camera;
  const int longest = std::max(camera.width_px, camera.height_px);
  const int bin = std::max(1, (longest + longest_side_px - 1) / longest_side_px);
  optics::Part& part = shot.rig.elements[sensor->element].part;
  const auto multiply = [&](const char* key, double factor) {
    optics::set_parameter(part, key, optics::parameter(part, key) * factor);
  };
  optics::set_parameter(part, "width_px", std::max(16, camera.width_px / bin));
  optics::set_parameter(part, "height_px", std::max(16, camera.height_px / bin));
  multiply("pixel_um", bin);
  multiply("full_well_e", bin * bin);
  multiply("read_noise_e", bin);
  shot.electrons_per_ms *= bin * bin;
  shot.pointing_spread_px /= bin;
  return shot;
}

}  // namespace solarchon::camera
