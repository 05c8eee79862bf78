// SPDX-License-Identifier: GPL-3.0-or-later
#include "tests/fuzz/targets.h"

#include <unistd.h>

#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <string>

#include "solarchon/align/drift.h"
#include "solarchon/base/json.h"
#include "solarchon/measure/disc.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/optics/train.h"
#include "solarchon/plan/calendar.h"
#include "solarchon/plan/forecast.h"
#include "solarchon/safety/harm_bound.h"
#include "solarchon/sky/horizon.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::fuzz {

namespace {

using base::Json;

void promise(bool kept, const char* what) {
  if (!kept) {
    std::fprintf(stderr, "broken promise: %s\n", what);
    std::abort();
  }
}

std::string text_of(const Json& json) {
  return json.dump(-1, ' ', false, Json::error_handler_t::replace);
}

void rig(std::string_view bytes) {
  const auto read = base::parse_json(bytes, "rig").and_then(optics::rig_from_json);
  if (!read) {
    return;
  }
  // Text that is not UTF-8 is replaced when it is written: from then on nothing changes.
  const std::string once = text_of(optics::to_json(*read));
  const auto again = base::parse_json(once, "rig").and_then(optics::rig_from_json);
  promise(again.has_value(), "a rig that was written can be read");
  promise(text_of(optics::to_json(*again)) == once, "a rig comes back as it was");
  const optics::Train train = optics::follow_light(*again, 959.63);
  promise(safety::assess(*again, train).verdict >= safety::least_severity(*again).severity,
          "no rule is milder than the bound");
}

void site(std::string_view bytes) {
  const auto read = base::parse_json(bytes, "site").and_then(sky::site_from_file);
  if (!read) {
    return;
  }
  const std::string once = text_of(sky::to_json(*read));
  const auto again = base::parse_json(once, "site").and_then([](const Json& json) {
    return sky::site_from_json(json, "site");
  });
  promise(again.has_value(), "a site that was written can be read");
  promise(text_of(sky::to_json(*again)) == once, "a site comes back as it was");
}

void workspace_file(std::string_view bytes) {
  const auto read = base::parse_json(bytes, "workspace").and_then(workspace::workspace_from_json);
  if (!read) {
    return;
  }
  const std::string once = text_of(workspace::to_json(workspace::within_limits(*read)));
  const auto again = base::parse_json(once, "workspace").and_then(workspace::workspace_from_json);
  promise(again.has_value(), "a workspace that was written can be read");
  promise(text_of(workspace::to_json(*again)) == once, "a workspace comes back as it was");
}

void horizon(std::string_view bytes) {
  if (const auto read = sky::horizon_from_csv(bytes)) {
    promise(sky::horizon_from_csv(sky::to_csv(read->horizon)).has_value() ||
                read->horizon.points.empty(),
            "a horizon that was written can be read");
    (void)read->horizon.height_deg(123.4, true);
  }
}

void forecast(std::string_view bytes) {
  if (const auto read = plan::forecast_from_text(bytes, "fuzz")) {
    promise(plan::forecast_from_json(plan::to_json(read->forecast), "forecast").has_value(),
            "a forecast that was written can be read");
  }
}

void calendar(std::string_view bytes) {
  if (const auto read = plan::runs_from_icalendar(bytes)) {
    promise(read->runs.size() <= plan::kMostRuns, "a calendar has its limit");
    for (const plan::Run& run : read->runs) {
      promise(plan::run_from_json(plan::to_json(run), "run").has_value() ||
                  text_of(plan::to_json(run)).find("\xEF\xBF\xBD") != std::string::npos,
              "a run that was written can be read");
    }
  }
}

void picture(std::string_view bytes) {
  const std::filesystem::path path =
      std::filesystem::temp_directory_path() / ("solarchon-fuzz-" + std::to_string(::getpid()));
  std::ofstream(path, std::ios::binary)
      .write(bytes.data(), static_cast<std::streamsize>(bytes.size()));
  const auto frame = media::read_frame(path);
  std::filesystem::remove(path);
  if (!frame) {
    return;
  }
  promise(frame->pixels.size() ==
              static_cast<std::size_t>(frame->width) * static_cast<std::size_t>(frame->height),
          "a picture has all its pixels");
  promise(frame->saturation > 0, "a picture has its full value");
  constexpr std::size_t kSmall = 1U << 16U;
  if (frame->pixels.size() <= kSmall) {
    (void)measure::measure_disc(*frame);
  }
}

void drift(std::string_view bytes) {
  const auto runs = align::read_drift_table(bytes, "drift");
  constexpr std::size_t kFew = 8;
  if (!runs || runs->size() > kFew) {
    return;
  }
  for (const double latitude_deg : {-41.3, 0.0, 36.07, 90.0}) {
    const auto fit = align::fit_pole(*runs, latitude_deg, align::Rate::kSolar);
    promise(fit.has_value(), "runs that were taken are fitted");
    promise(
        std::isfinite(fit->error.altitude_deg + fit->error.azimuth_deg + fit->altitude_sigma_deg +
                      fit->azimuth_sigma_deg + fit->misfit.value_or(0.0)),
        "a fit has figures");
  }
}

}  // namespace

const std::vector<Target>& targets() {
  static const std::vector<Target> kTargets{{"rig", rig},           {"workspace", workspace_file},
                                            {"horizon", horizon},   {"forecast", forecast},
                                            {"calendar", calendar}, {"picture", picture},
                                            {"site", site},         {"drift", drift}};
  return kTargets;
}

}  // namespace solarchon::fuzz
