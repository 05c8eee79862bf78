// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/record.h"

#include <algorithm>
#include <cmath>
#include <filesystem>
#include <optional>
#include <utility>

#include "solarchon/frames/clip.h"
#include "solarchon/frames/frame.h"
#include "solarchon/workspace/reports.h"

namespace solarchon::cli {

using base::Json;
using base::Result;

namespace {

constexpr base::Range kFramesRange{1, 20000};
constexpr base::Range kRateRange{0.01, 1000};

/// The shot of one frame of a clip: the Sun goes on every two seconds, the air and the noise with
/// each frame.
camera::Shot frame_of(camera::Shot shot, int frame, double rate_hz) {
  constexpr double kStepS = 2.0;
  const double since = frame / rate_hz;
  const double whole = kStepS * std::floor(since / kStepS);
  shot.time = shot.time + sky::seconds(whole);
  shot.air_s = since - whole;
  return shot;
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

Result<Json> recorded(const camera::Shot& shot, const RecordOptions& options) {
  const auto frames = base::checked("frames", options.frames, kFramesRange);
  const auto rate = base::checked("rate", options.rate_hz, kRateRange);
  if (!frames || !rate) {
    return tl::make_unexpected(!frames ? frames.error() : rate.error());
  }
  const int count = static_cast<int>(*frames);
  const std::filesystem::path out(options.out);
  std::optional<Json> truth;
  Json air = Json::array();
  const frames::FrameSource source = [&](int i) -> Result<frames::Frame> {
    auto recording = camera::simulate(frame_of(shot, i, *rate));
    if (!recording) {
      return tl::make_unexpected(recording.error());
    }
    if (!truth) {
      truth = workspace::truth_report(recording->truth);
    }
    const camera::Truth& drawn = recording->truth;
    air.push_back({{"time_s", i / *rate},
                   {"r0_cm", drawn.r0_cm ? Json(*drawn.r0_cm) : Json(nullptr)},
                   {"shift_px", {drawn.shift_px.right, -drawn.shift_px.up}}});
    return std::move(recording->frame);
  };
  const std::string kind = out.extension().string();
  Result<void> written;
  if (kind == ".tif" || kind == ".tiff") {
    for (int i = 0; i < count && written; ++i) {
      written = source(i).and_then([&](const frames::Frame& frame) {
        return frames::write_tiff(frame, count > 1 ? numbered(out, i + 1) : out);
      });
    }
  } else if (count > 1) {
    written = frames::write_fits_cube(count, *rate, source, out);
  } else {
    written =
        source(0).and_then([&](const frames::Frame& frame) { return write_fits(frame, out); });
  }
  return written.map([&] {
    Json report{{"out", options.out},
                {"time_utc", sky::to_iso(shot.time)},
                {"exposure_ms", shot.exposure_ms}};
    report["truth"] = std::move(*truth);
    if (count > 1) {
      report["truth"]["frames"] = std::move(air);
    }
    return report;
  });
}

}  // namespace solarchon::cli
