// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/record.h"

#include <algorithm>
#include <filesystem>
#include <optional>
#include <utility>

#include "solarchon/align/track.h"
#include "solarchon/base/json.h"
#include "solarchon/camera/stream.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/clip.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/plan/mount.h"
#include "solarchon/workspace/live.h"
#include "solarchon/workspace/reports.h"

namespace solarchon::cli {

using base::Json;
using base::Result;

namespace {

constexpr base::Range kFramesRange{1, 20000};
constexpr base::Range kRateRange{0.01, 1000};

constexpr base::Range kPoleErrorRange{-10.0, 10.0};

/// How the mount that is asked for lets the Sun go, over the whole clip.
Result<std::vector<camera::Wander>> way_of(const camera::Shot& shot, const Stand& stand,
                                           const RecordOptions& options) {
  align::Driving driving;
  if (!options.mount.empty()) {
    driving.mount = plan::kMountWords.from(options.mount).value_or(driving.mount);
  }
  for (const double error : options.pole_error_deg) {
    if (const auto checked = base::checked("pole-error", error, kPoleErrorRange); !checked) {
      return tl::make_unexpected(checked.error());
    }
  }
  if (!options.pole_error_deg.empty()) {
    driving.error = {options.pole_error_deg.front(), options.pole_error_deg.back()};
  }
  const auto periodic =
      base::checked("periodic-error", options.periodic_error_arcsec, align::kPeriodicErrorRange);
  if (!periodic) {
    return tl::make_unexpected(periodic.error());
  }
  driving.periodic_error_arcsec = *periodic;
  if (options.mount.empty() && options.pole_error_deg.empty() && *periodic == 0.0) {
    return std::vector<camera::Wander>{};
  }
  return workspace::wander_of(stand.observer, shot.time, options.frames / options.rate_hz, driving,
                              stand.celestial);
}

Json frame_truth(const camera::Truth& drawn, double seconds) {
  return {{"time_s", seconds},
          {"r0_cm", drawn.r0_cm ? Json(*drawn.r0_cm) : Json(nullptr)},
          {"shift_px", {drawn.shift_px.right, -drawn.shift_px.up}},
          {"centre_px", {drawn.centre_x_px, drawn.centre_y_px}},
          {"north_deg", drawn.solar.north_deg},
          {"cloud_stops", drawn.cloud_stops}};
}

/// name-0001.tiff
std::filesystem::path numbered(const std::filesystem::path& path, int number) {
  std::string digits = std::to_string(number);
  constexpr std::size_t kDigits = 5;
  digits.insert(0, kDigits - std::min(kDigits, digits.size()), '0');
  std::filesystem::path name = path;
  name.replace_filename(path.stem().string() + "-" + digits + path.extension().string());
  return name;
}

}  // namespace

Result<Json> recorded(const camera::Shot& shot, const Stand& stand, const RecordOptions& options) {
  const auto frames = base::checked("frames", options.frames, kFramesRange);
  const auto rate = base::checked("rate", options.rate_hz, kRateRange);
  if (!frames || !rate) {
    return tl::make_unexpected(!frames ? frames.error() : rate.error());
  }
  const int count = static_cast<int>(*frames);
  std::optional<Json> truth;
  Json each = Json::array();
  std::optional<camera::Stream> stream;
  if (count > 1) {
    camera::StreamPlan plan;
    plan.shot = shot;
    auto way = way_of(shot, stand, options);
    if (!way) {
      return tl::make_unexpected(way.error());
    }
    plan.way = *std::move(way);
    if (const auto sensor = optics::sensor_of(shot.rig)) {
      plan.row_delay_us = workspace::row_delay_us(sensor->camera);
    }
    auto opened = camera::Stream::open(std::move(plan));
    if (!opened) {
      return tl::make_unexpected(opened.error());
    }
    stream = *std::move(opened);
  }
  camera::Recording recording;
  const auto record = [&](int i) -> Result<void> {
    if (stream) {
      return stream->record(i / *rate, recording);
    }
    return camera::simulate(shot).map([&](camera::Recording made) { recording = std::move(made); });
  };
  const media::FrameSource source = [&](int i) -> Result<image::Frame> {
    return record(i).map([&] {
      if (!truth) {
        truth = workspace::truth_report(recording.truth);
      }
      each.push_back(frame_truth(recording.truth, i / *rate));
      return recording.frame;
    });
  };
  const std::filesystem::path out(options.out);
  const std::string kind = out.extension().string();
  Result<void> written;
  if (kind == ".tif" || kind == ".tiff") {
    for (int i = 0; i < count && written; ++i) {
      written = source(i).and_then([&](const image::Frame& frame) {
        return media::write_tiff(frame, count > 1 ? numbered(out, i + 1) : out);
      });
    }
  } else if (kind == ".mkv") {
    written = media::write_video(count, *rate, source, out);
  } else if (count > 1) {
    written = media::write_fits_cube(count, *rate, source, out);
  } else {
    written = source(0).and_then(
        [&](const image::Frame& frame) { return media::write_fits(frame, out); });
  }
  return written.map([&] {
    Json report{{"out", options.out},
                {"time_utc", sky::to_iso(shot.time)},
                {"exposure_ms", shot.exposure_ms}};
    report["truth"] = std::move(*truth);
    if (count > 1) {
      report["truth"]["frames"] = std::move(each);
    }
    return report;
  });
}

}  // namespace solarchon::cli
