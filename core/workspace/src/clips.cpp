// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/clips.h"

#include <algorithm>
#include <set>
#include <string>
#include <vector>

#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/optics/rig_file.h"

namespace solarchon::workspace {

using base::Json;
using base::Result;

namespace {

constexpr std::size_t kMostFactsBytes = 4'000'000;

/// What stands beside a clip; an empty object where nothing that can be read does.
Json facts_beside(const std::filesystem::path& file) {
  std::filesystem::path beside = file;
  beside += ".json";
  const auto read = base::read_file(beside, kMostFactsBytes).and_then([](const std::string& text) {
    return base::parse_json(text, "clip");
  });
  return read && read->is_object() ? *read : Json::object();
}

std::optional<double> number_in(const Json& facts, const char* key) {
  const auto found = facts.find(key);
  return found != facts.end() && found->is_number() ? std::optional(found->get<double>())
                                                    : std::nullopt;
}

std::string text_in(const Json& facts, const char* key) {
  const auto found = facts.find(key);
  return found != facts.end() && found->is_string() ? found->get<std::string>() : std::string();
}

log::SessionStart start_by(const Json& facts, log::SessionStart start) {
  if (facts.contains("site")) {
    start.site = sky::site_from_json(facts["site"], "site").value_or(start.site);
  }
  if (facts.contains("light_path")) {
    start.rig = optics::rig_from_json(facts["light_path"]).value_or(start.rig);
  }
  if (const std::string target = text_in(facts, "target"); !target.empty()) {
    start.target = target;
  }
  start.seeing_arcsec = number_in(facts, "seeing_arcsec").value_or(start.seeing_arcsec);
  start.weather.pressure_hpa =
      number_in(facts, "pressure_hpa").value_or(start.weather.pressure_hpa);
  start.weather.temperature_c =
      number_in(facts, "temperature_c").value_or(start.weather.temperature_c);
  return start;
}

double duration_of(const media::ClipFacts& clip) {
  if (!clip.seconds.empty()) {
    return clip.seconds.back();
  }
  return clip.rate_hz.value_or(0.0) > 0.0 ? (clip.frames - 1) / *clip.rate_hz : 0.0;
}

}  // namespace

std::string name_in_log(const std::filesystem::path& file, const std::filesystem::path& data) {
  const auto whole = std::filesystem::absolute(file).lexically_normal();
  const auto below = whole.lexically_relative(std::filesystem::absolute(data).lexically_normal());
  return below.empty() || *below.begin() == ".." ? whole.string() : below.string();
}

std::filesystem::path clips_folder(const std::filesystem::path& data) { return data / "clips"; }

Result<ClipOnDisk> clip_on_disk(const std::filesystem::path& file,
                                const std::filesystem::path& data, const log::SessionStart& usual) {
  const auto reader = media::ClipReader::open(file);
  if (!reader) {
    return tl::make_unexpected(reader.error());
  }
  const media::ClipFacts& clip = reader->facts();
  const Json facts = facts_beside(file);
  ClipOnDisk found;
  found.start = start_by(facts, usual);
  log::ClipEntry& entry = found.entry;
  entry.begun = clip.info.time.value_or(usual.started);
  found.start.started = entry.begun;
  entry.file = name_in_log(file, data);
  entry.seconds = duration_of(clip);
  entry.frames = clip.frames;
  const double lost =
      number_in(facts, "dropped").value_or(0.0) + number_in(facts, "lost_before").value_or(0.0);
  entry.lost = static_cast<int>(std::clamp(lost, 0.0, 1e9));
  entry.exposure_ms =
      clip.info.exposure_ms ? clip.info.exposure_ms : number_in(facts, "exposure_ms");
  entry.sun_altitude_deg = number_in(facts, "sun_altitude_deg");
  entry.r0_cm = number_in(facts, "r0_cm");
  const auto marked = facts.find("simulated");
  entry.simulated =
      clip.info.simulated || (marked != facts.end() && marked->is_boolean() && marked->get<bool>());
  if (const auto series = facts.find("series"); series != facts.end() && series->is_object()) {
    entry.series = text_in(*series, "name");
  }
  return found;
}

Result<std::int64_t> file_clip(log::LogBook& log, const std::filesystem::path& file,
                               const std::filesystem::path& data, const log::SessionStart& usual) {
  return clip_on_disk(file, data, usual).and_then([&](const ClipOnDisk& found) {
    return log.file_clip(found.start, found.entry);
  });
}

Result<int> file_stray_clips(log::LogBook& log, const std::filesystem::path& data,
                             const log::SessionStart& usual) {
  const auto filed = log.clip_files();
  if (!filed) {
    return tl::make_unexpected(filed.error());
  }
  const std::set<std::string> known(filed->begin(), filed->end());
  std::vector<std::filesystem::path> strays;
  std::error_code status;
  for (auto at = std::filesystem::recursive_directory_iterator(clips_folder(data), status);
       !status && at != std::filesystem::recursive_directory_iterator(); at.increment(status)) {
    const std::filesystem::path& file = at->path();
    if (file.extension() == ".fits" && !known.contains(name_in_log(file, data))) {
      strays.push_back(file);
    }
  }
  std::sort(strays.begin(), strays.end());
  int count = 0;
  for (const std::filesystem::path& file : strays) {
    const auto found = clip_on_disk(file, data, usual);
    if (!found) {
      continue;
    }
    if (const auto done = log.file_clip(found->start, found->entry); !done) {
      return tl::make_unexpected(done.error());
    }
    ++count;
  }
  return count;
}

}  // namespace solarchon::workspace
