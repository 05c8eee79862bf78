// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/live_commands.h"

#include <chrono>
#include <map>
#include <thread>

#include "cli/match_commands.h"
#include "solarchon/base/json.h"
#include "solarchon/capture/recorder.h"
#include "solarchon/capture/watch.h"
#include "solarchon/live/metered_clip.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/psf/transfer.h"
#include "solarchon/reduce/grading.h"
#include "solarchon/reduce/keep.h"
#include "solarchon/sky/sun.h"
#include "solarchon/words/errors.h"
#include "solarchon/words/live.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/live.h"

namespace solarchon::cli {

using base::ErrorCode;
using base::Json;
using base::Result;

namespace {

/// What is known of a clip: by its light path where that is given, else by what it says itself.
Result<live::Setting> setting_of(const LiveOptions& options, const media::ClipFacts& facts) {
  const auto black = base::checked("black", options.black, {0.0, 0.9});
  if (!black) {
    return tl::make_unexpected(black.error());
  }
  const sky::UtcTime time = facts.info.time.value_or(sky::UtcTime{});
  if (!options.rig.empty()) {
    const auto rig = optics::read_rig(options.rig);
    if (!rig) {
      return tl::make_unexpected(rig.error());
    }
    return workspace::setting_of_frames({}, *rig, time, *black).map([&](live::Setting setting) {
      if (facts.info.plate_scale_arcsec_px) {
        setting.imaging.scale_arcsec_px = *facts.info.plate_scale_arcsec_px;
      }
      return setting;
    });
  }
  live::Setting setting;
  setting.black_level = *black;
  setting.imaging.scale_arcsec_px = facts.info.plate_scale_arcsec_px.value_or(1.0);
  setting.imaging.wavelength_nm = facts.info.wavelength_nm.value_or(setting.imaging.wavelength_nm);
  return setting;
}

Json estimate(const std::optional<live::Estimate>& one) {
  return one ? Json{{"value", one->value}, {"spread", one->spread}} : Json(nullptr);
}

Json readings_report(const live::Readings& readings, bool scaled) {
  const auto& bands = readings.bands;
  Json report{{"level", readings.level.bright},
              {"clipped", readings.level.clipped_share},
              {"cloud_stops", estimate(readings.cloud_stops)},
              {"noise", readings.noise},
              {"structure", readings.structure},
              {"limb_seen", readings.limb ? Json(readings.limb->seen_share) : Json(nullptr)},
              {"edge_px", readings.limb ? Json(readings.limb->width_px) : Json(nullptr)},
              {"bands", bands ? Json{{"spacing_px", bands->spacing_px},
                                     {"across_deg", bands->across_deg},
                                     {"contrast", bands->contrast},
                                     {"tilt_deg", bands->tilt_deg}}
                              : Json(nullptr)}};
  Json& dust = report["dust"] = Json(nullptr);
  if (readings.dust) {
    dust = Json::array();
    for (const live::Speck& speck : *readings.dust) {
      dust.push_back({{"x_px", speck.x_px},
                      {"y_px", speck.y_px},
                      {"across_px", speck.across_px},
                      {"depth", speck.depth}});
    }
  }
  const bool drifts = scaled && readings.drift;
  report["drift_arcsec_min"] = drifts ? Json{{"right", readings.drift->right_arcsec_min},
                                             {"down", readings.drift->down_arcsec_min},
                                             {"spread", readings.drift->spread_arcsec_min}}
                                      : Json(nullptr);
  return report;
}

Result<Json> graded(const LiveOptions& options) {
  const auto best = base::checked("best", options.best, {0.0001, 1.0});
  if (!best) {
    return tl::make_unexpected(best.error());
  }
  auto clip = media::ClipReader::open(options.clip);
  if (!clip) {
    return tl::make_unexpected(clip.error());
  }
  const auto setting = setting_of(options, clip->facts());
  if (!setting) {
    return tl::make_unexpected(setting.error());
  }
  const bool known = !options.rig.empty();
  const bool scaled = known || clip->facts().info.plate_scale_arcsec_px;
  const auto metered = live::meter_clip(*clip, *setting);
  if (!metered) {
    return tl::make_unexpected(metered.error());
  }
  // Which frames are worth keeping is asked of the one grader, so that `stack` keeps the same.
  reduce::GradeWishes wishes;
  wishes.black = options.black;
  if (known) {
    wishes.scale_px = psf::detail_scale_px(setting->imaging);
  }
  const auto grading = reduce::grade_clip(options.clip, wishes);
  if (!grading && grading.error().code != ErrorCode::kNotFound) {
    return tl::make_unexpected(grading.error());
  }
  std::map<int, double> sharpness;
  Json kept = Json::array();
  if (grading) {
    for (const reduce::GradedFrame& frame : grading->frames) {
      if (frame.alike) {
        sharpness[frame.frame] = frame.sharpness;
      }
    }
    reduce::KeepWish keep;
    keep.share = *best;
    for (const std::size_t place : reduce::kept(*grading, keep)) {
      kept.push_back(grading->frames[place].frame);
    }
  }
  Json frames = Json::array();
  for (const live::FrameLight& frame : metered->frames) {
    const auto found = sharpness.find(frame.frame);
    frames.push_back({{"frame", frame.frame},
                      {"seconds", frame.seconds},
                      {"sharpness", found == sharpness.end() ? Json(nullptr) : Json(found->second)},
                      {"level", frame.level},
                      {"clipped", frame.clipped_share}});
  }
  Json report = readings_report(metered->readings, scaled);
  report["frames"] = std::move(frames);
  report["damaged"] = metered->damaged;
  report["best"] = std::move(kept);
  report["ungraded"] = grading ? Json(nullptr) : Json(words::sentence(grading.error()));
  // Air, focus and what limits need the light path.
  const live::Readings& readings = metered->readings;
  report["r0_cm"] = known && readings.air ? estimate(readings.air->r0_cm) : Json(nullptr);
  report["defocus_um"] = known ? estimate(readings.defocus_um) : Json(nullptr);
  report["limit"] = known ? Json(live::kLimitWords.of(metered->judgement.limit)) : Json(nullptr);
  const words::LimitWords spoken = words::limit_words(metered->judgement);
  report["says"] = known ? Json(spoken.says) : Json(nullptr);
  report["next"] = known ? Json(spoken.next) : Json(nullptr);
  return report;
}

/// A source of frames, and what its meters and its clip need to know.
struct Opened {
  std::unique_ptr<capture::Source> source;
  live::Setting setting;
  Json facts;
};

Result<Opened> open_sun(const LiveOptions& options, capture::Pace pace) {
  const auto rig = optics::read_rig(options.source);
  const auto site = site_of(options.place);
  const auto at = placed(options.place);
  const auto target = target_of(options.target);
  const auto seeing = base::checked("seeing", options.seeing_arcsec, workspace::kSeeingRange);
  if (!rig || !site || !at || !target || !seeing) {
    return tl::make_unexpected(!rig      ? rig.error()
                               : !site   ? site.error()
                               : !at     ? at.error()
                               : !target ? target.error()
                                         : seeing.error());
  }
  workspace::Workspace space;
  space.rig = *rig;
  space.site = *site;
  space.target = *target;
  space.conditions.seeing_arcsec = *seeing;
  space.conditions.pressure_hpa = at->observer.weather.pressure_hpa;
  space.conditions.temperature_c = at->observer.weather.temperature_c;
  const auto answers = workspace::answer(space, at->time);
  const auto plan = workspace::stream_plan(space, answers, {}, options.seed);
  if (!plan) {
    return tl::make_unexpected(plan.error());
  }
  const auto setting =
      workspace::live_setting(space, answers, plan->shot.exposure_ms, camera::kBlackShare);
  if (!setting) {
    return tl::make_unexpected(setting.error());
  }
  return capture::open_sun_source(*plan, options.rate_hz, pace)
      .map([&](std::unique_ptr<capture::Source> source) {
        return Opened{std::move(source), *setting, workspace::clip_facts(space, answers)};
      });
}

Result<Opened> open_clip(const LiveOptions& options, capture::Pace pace) {
  const auto facts =
      media::ClipReader::open(options.source).and_then([&](const media::ClipReader& clip) {
        return setting_of(options, clip.facts());
      });
  if (!facts) {
    return tl::make_unexpected(facts.error());
  }
  return capture::open_clip_source(options.source, pace)
      .map([&](std::unique_ptr<capture::Source> source) {
        return Opened{std::move(source), *facts, Json{{"source", options.source}}};
      });
}

Result<Json> recorded_live(const LiveOptions& options) {
  const auto pace = options.fast ? capture::Pace::kAsFastAsItGoes : capture::Pace::kOfTheClock;
  const bool sun = options.source.ends_with(".json");
  if (sun && !options.frames && !options.seconds) {
    return base::fail(base::ErrorCode::kMissing, "frames");
  }
  auto opened = sun ? open_sun(options, pace) : open_clip(options, pace);
  if (!opened) {
    return tl::make_unexpected(opened.error());
  }
  capture::RecordPlan plan;
  plan.file = options.out;
  plan.frames = options.frames;
  plan.seconds = options.seconds;
  plan.above_share = options.above;
  plan.sidecar = opened->facts;
  live::Meters meters(opened->setting);
  std::unique_ptr<capture::Recorder> recorder;
  capture::LiveFrame frame;
  for (;;) {
    const auto came = opened->source->next(frame, {});
    if (!came) {
      return tl::make_unexpected(came.error());
    }
    if (!*came) {
      break;
    }
    meters.take(frame.frame, frame.seconds);
    if (!recorder) {
      auto begun = capture::Recorder::begin(plan, frame, opened->source->card().rate_hz);
      if (!begun) {
        return tl::make_unexpected(begun.error());
      }
      recorder = std::move(*begun);
    }
    // Who does not keep to the clock can wait for the disk.
    constexpr int kAhead = 8;
    while (options.fast && recorder->state().waiting > kAhead) {
      std::this_thread::sleep_for(std::chrono::milliseconds(1));
    }
    recorder->offer(frame, meters.last().sharpness);
    const capture::RecordState state = recorder->state();
    if (state.full || state.problem) {
      break;
    }
  }
  if (!recorder) {
    return base::fail(base::ErrorCode::kMalformed, options.source);
  }
  const capture::RecordState state = recorder->finish();
  if (state.problem) {
    return tl::make_unexpected(*state.problem);
  }
  const auto judged = live::judge(meters.readings(), meters.setting());
  return Json{{"out", options.out},
              {"frames", state.written},
              {"dropped", state.dropped},
              {"lost_before", state.lost_before},
              {"passed_over", state.passed_over},
              {"bytes", state.bytes},
              {"seconds", state.seconds},
              // Of a clip nobody said which light path it was taken with.
              {"limit", sun ? Json(live::kLimitWords.of(judged.limit)) : Json(nullptr)},
              {"says", sun ? Json(words::limit_words(judged).says) : Json(nullptr)}};
}

/// What a clip or picture of a watched folder holds, in short.
Json looked_at(const LiveOptions& options, const std::filesystem::path& file) {
  Json report{{"file", file.filename().string()}};
  auto clip = media::ClipReader::open(file);
  const auto setting = clip.and_then(
      [&](const media::ClipReader& opened) { return setting_of(options, opened.facts()); });
  const auto metered = !setting ? Result<live::MeteredClip>(tl::make_unexpected(setting.error()))
                                : live::meter_clip(*clip, *setting);
  if (!metered) {
    report["problem"] = words::sentence(metered.error());
    return report;
  }
  report["frames"] = metered->frames.size();
  report["damaged"] = metered->damaged.size();
  report["sharpness"] = metered->sharpness;
  report["level"] = metered->readings.level.bright;
  return report;
}

Result<Json> watched(const LiveOptions& options) {
  const auto length = base::checked("for", options.watch_s, {0.1, 86400.0});
  if (!length) {
    return tl::make_unexpected(length.error());
  }
  capture::WatchedFolder folder(options.folder);
  using Clock = capture::WatchedFolder::Clock;
  const auto until = Clock::now() + std::chrono::duration_cast<Clock::duration>(
                                        std::chrono::duration<double>(*length));
  Json files = Json::array();
  for (;;) {
    const auto whole = folder.look(Clock::now());
    if (!whole) {
      return tl::make_unexpected(whole.error());
    }
    for (const std::filesystem::path& file : *whole) {
      files.push_back(looked_at(options, file));
    }
    if (Clock::now() >= until) {
      return Json{{"files", std::move(files)}};
    }
    std::this_thread::sleep_for(std::chrono::milliseconds(200));
  }
}

}  // namespace

std::vector<Command> add_live_commands(CLI::App& app, LiveOptions& options) {
  CLI::App* grade = app.add_subcommand("grade", "how sharp the frames of a clip are, and why");
  grade->add_flag("--json", options.json, "answer as JSON (the only form)");
  grade->add_option("clip", options.clip, "FITS cube, video or series of pictures")->required();
  grade->add_option("--rig", options.rig, "rig file that it was taken with");
  grade->add_option("--best", options.best, "share of the frames to name, 0 to 1");
  grade->add_option("--black", options.black, "level without light, of full scale");
  CLI::App* record = app.add_subcommand("record", "records a clip as it comes, with its meters");
  record->add_flag("--json", options.json, "answer as JSON (the only form)");
  record->add_option("source", options.source, "rig file: the simulated camera; or a clip")
      ->required();
  record->add_option("--out", options.out, "FITS cube to write; must not be there yet")->required();
  add_place(*record, options.place, false);
  record->add_option("--target", options.target, "that the simulated camera looks at");
  record->add_option("--seeing", options.seeing_arcsec, "of the simulated air (arcsec)");
  record->add_option("--seed", options.seed, "of the simulated noise and air");
  record->add_option("--rate", options.rate_hz, "of the simulated camera (Hz)");
  record->add_option("--frames", options.frames, "after which it ends");
  record->add_option("--seconds", options.seconds, "after which it ends");
  record->add_option("--above", options.above,
                     "only frames sharper than this share of the last minute, 0 to 0.99");
  record->add_flag("--fast", options.fast, "as fast as it goes, not by the clock");
  CLI::App* watch = app.add_subcommand("watch", "looks at what another recorder writes");
  watch->add_flag("--json", options.json, "answer as JSON (the only form)");
  watch->add_option("folder", options.folder, "that it fills")->required();
  watch->add_option("--for", options.watch_s, "how long (s)");
  return {{grade, [&options] { return graded(options); }},
          {record, [&options] { return recorded_live(options); }},
          {watch, [&options] { return watched(options); }}};
}

}  // namespace solarchon::cli
