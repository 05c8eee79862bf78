// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/cli.h"

#include <CLI/CLI.hpp>
#include <algorithm>
#include <array>
#include <chrono>
#include <filesystem>
#include <functional>
#include <iterator>
#include <optional>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "cli/align_commands.h"
#include "cli/eclipse_commands.h"
#include "cli/live_commands.h"
#include "cli/log_commands.h"
#include "cli/match_commands.h"
#include "cli/mount_commands.h"
#include "cli/picture_commands.h"
#include "cli/place.h"
#include "cli/plan_commands.h"
#include "cli/record.h"
#include "cli/reduce_commands.h"
#include "cli/spoken_reports.h"
#include "cli/values.h"
#include "solarchon/base/file.h"
#include "solarchon/base/folder_lock.h"
#include "solarchon/base/json.h"
#include "solarchon/base/text.h"
#include "solarchon/image/bayer.h"
#include "solarchon/image/frame.h"
#include "solarchon/measure/disc.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/sky/day.h"
#include "solarchon/sky/magnetic.h"
#include "solarchon/words/errors.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/demo.h"
#include "solarchon/workspace/observe.h"
#include "solarchon/workspace/reports.h"

namespace solarchon::cli {

using base::ErrorCode;
using base::Json;
using base::Result;

namespace {

constexpr int kAnswer = 0;
constexpr int kFailure = 1;
constexpr int kBadInput = 2;

/// What the options of all commands are read into.
struct Options {
  PlaceOptions place;
  double level = workspace::kUsualLevel;
  double seeing_arcsec = sky::kUsualSeeingArcsec;
  std::string target = "whole-disc";
  std::optional<int> frame;
  std::optional<double> r0_cm;
  camera::Shot wanted;  ///< what the options say of a simulated frame
  std::optional<double> exposure_ms;
  RecordOptions recording;
  std::uint32_t seed = 1;
  std::uint32_t sun_seed = 1;
  std::string file;
  std::string rig;
  std::string data;
  std::optional<double> north_deg;
  bool mirrored = false;
  std::string date;
  std::string horizon;
  double above_deg = 0.0;
  std::string mount = "unknown";
  double past_deg = 5.0;
  std::string kit;
  double rejection_above_mm = safety::kSchoolsMm.front();
  safety::Practice practice;
  bool json = false;
};

/// A workspace with the site and the conditions of the options, and nothing else.
Result<workspace::Workspace> at_place(const Options& options) {
  const auto observer = observer_of(options.place);
  const auto level = base::checked("level", options.level, workspace::kTargetLevelRange);
  const auto seeing = base::checked("seeing", options.seeing_arcsec, workspace::kSeeingRange);
  if (!observer || !level || !seeing) {
    return tl::make_unexpected(!observer ? observer.error()
                               : !level  ? level.error()
                                         : seeing.error());
  }
  workspace::Workspace space;
  space.site = observer->site;
  space.conditions = {options.place.pressure_hpa, options.place.temperature_c, *seeing, *level,
                      options.place.dut1_s};
  return space;
}

Result<Json> sun(const Options& options) {
  const auto place = placed(options.place);
  if (!place) {
    return tl::make_unexpected(place.error());
  }
  const auto& [observer, time] = *place;
  const sky::GeocentricSun body = sky::geocentric_sun(time, observer.dut1_s);
  const sky::LocalSun local = sky::local_sun(body, observer.site, observer.weather);
  return sky::MagneticField::open().map([&](const sky::MagneticField& field) {
    return workspace::sun_report(place->time, body, local, sky::disc_view(place->time),
                                 field.declination_deg(place->observer.site, place->time));
  });
}

Result<Json> day(const Options& options) {
  auto observer = observer_of(options.place);
  const auto date = sky::parse_date(options.date, "date");
  const auto least = base::checked("above", options.above_deg, {-2.0, 90.0});
  if (!observer || !date || !least) {
    return tl::make_unexpected(!observer ? observer.error() : !date ? date.error() : least.error());
  }
  const sky::Site& site = observer->site;
  std::vector<base::RefusedLine> refused;
  if (const auto taken = take_horizon(options.horizon, observer->site.horizon, refused); !taken) {
    return tl::make_unexpected(taken.error());
  }
  const sky::SunDay answer = sky::sun_day(*date, *observer);
  return plan::mount_from_json({{"kind", options.mount}, {"past_meridian_deg", options.past_deg}},
                               "mount")
      .map([&](const plan::Mount& mount) {
        Json report = workspace::day_report(answer, sky::over_skyline(answer, site, *least), mount);
        report["refused_lines"] = refused_report(refused);
        return report;
      });
}

/// The rig file's light path at the place and time of the options, with all answers.
struct PlacedRig {
  workspace::Workspace workspace;
  workspace::Answers answers;
};

Result<PlacedRig> read_placed_rig(const Options& options) {
  return optics::read_rig(options.file).and_then([&](const optics::Rig& rig) {
    return at_place(options).and_then([&](workspace::Workspace space) {
      return sky::parse_utc(options.place.time, "time").map([&](sky::UtcTime time) {
        space.rig = rig;
        const sky::GeocentricSun body = sky::geocentric_sun(time, options.place.dut1_s);
        return PlacedRig{space, workspace::answer(space, time, body)};
      });
    });
  });
}

/// Sunlight as at 1 au, the air as at sea level: for a rig without a place and a time.
PlacedRig without_place(const optics::Rig& rig) {
  PlacedRig placed;
  placed.workspace.rig = rig;
  const advise::Situation situation;
  placed.answers.train = optics::follow_light(rig, situation.semidiameter_arcsec);
  return placed;
}

/// Parts to choose from: the shipped catalogue, and the owner's kit when a file names one.
struct Parts {
  std::vector<optics::Element> kit;
  std::vector<optics::Element> catalogue;
};

Result<Parts> read_parts(const Options& options) {
  const auto& catalogue = optics::shipped_catalogue();
  if (!catalogue) {
    return tl::make_unexpected(catalogue.error());
  }
  if (options.kit.empty()) {
    return Parts{{}, *catalogue};
  }
  return optics::read_parts(options.kit).map([&](const std::vector<optics::Element>& kit) {
    return Parts{kit, *catalogue};
  });
}

Result<safety::Practice> read_practice(const Options& options) {
  safety::Practice practice = options.practice;
  const auto found =
      std::find(safety::kSchoolsMm.begin(), safety::kSchoolsMm.end(), options.rejection_above_mm);
  if (found == safety::kSchoolsMm.end()) {
    return base::fail(ErrorCode::kUnknownValue, "rejection-above",
                      std::to_string(options.rejection_above_mm),
                      base::one_of({"80", "120", "150"}));
  }
  practice.school = static_cast<std::size_t>(found - safety::kSchoolsMm.begin());
  return practice;
}

/// The rig alone, or with a place and a time to expose at.
Result<Json> rig(const Options& options, bool placed) {
  const auto parts = read_parts(options);
  const auto practice = read_practice(options);
  if (!parts || !practice) {
    return tl::make_unexpected(!parts ? parts.error() : practice.error());
  }
  const auto read =
      placed ? read_placed_rig(options) : optics::read_rig(options.file).map(without_place);
  return read.map([&](const PlacedRig& at) {
    advise::Situation situation;
    if (placed) {
      situation =
          workspace::situation_of(at.workspace, at.answers.time,
                                  at.answers.sun.semidiameter_arcsec(), at.answers.local.airmass);
    }
    situation.practice = *practice;
    const optics::Rig& path = at.workspace.rig;
    const optics::Train& train = at.answers.train;
    return rig_report({path, train, safety::assess(path, train, *practice, situation.today),
                       advise::misfits_of(path, train, situation),
                       advise::suggest(path, situation, parts->kit, parts->catalogue),
                       parts->catalogue, at.answers.exposure});
  });
}

Result<Json> catalogue() { return optics::shipped_catalogue().map(optics::parts_to_json); }

Result<Json> simulate(const Options& options) {
  auto placed = read_placed_rig(options);
  const auto target = target_of(options.target);
  if (!placed || !target) {
    return tl::make_unexpected(!placed ? placed.error() : target.error());
  }
  placed->workspace.target = *target;
  if (const std::string& named = options.recording.mount; !named.empty()) {
    const auto mount = plan::kMountWords.from(named);
    if (!mount) {
      return base::fail(ErrorCode::kUnknownValue, "mount", named,
                        base::one_of(plan::kMountWords.list()));
    }
    placed->workspace.mount.kind = *mount;
    placed->answers =
        workspace::answer(placed->workspace, placed->answers.time, placed->answers.sun);
  }
  auto shot =
      workspace::shot_for(placed->workspace, placed->answers, options.exposure_ms, options.seed);
  if (!shot) {
    return tl::make_unexpected(shot.error());
  }
  shot->sun_seed = options.sun_seed;
  const auto& wanted = options.wanted;
  shot->activity = wanted.activity;
  if (shot->activity) {
    if (const auto level = base::checked("activity", *shot->activity, {0, 1}); !level) {
      return tl::make_unexpected(level.error());
    }
  }
  // The target is looked for on the Sun that is asked for.
  shot->target = workspace::place_of(placed->workspace, placed->answers,
                                     scene::SyntheticSun(shot->sun_seed, shot->activity));
  shot->band_angstrom = wanted.band_angstrom;
  shot->detune_angstrom = wanted.detune_angstrom;
  shot->defocus_um = wanted.defocus_um;
  shot->cloud = wanted.cloud;
  shot->cloud.seed = options.seed;
  shot->marks = wanted.marks;
  shot->mosaic = wanted.mosaic;
  if (options.r0_cm) {
    const auto r0 = base::checked("r0", *options.r0_cm, seeing::kR0Range);
    if (!r0) {
      return tl::make_unexpected(r0.error());
    }
    shot->air = seeing::Air{};
    shot->air->r0_cm = *r0;
    shot->air->seed = options.seed;
  }
  return recorded(*shot, {workspace::observer_of(placed->workspace), placed->answers.celestial},
                  options.recording);
}

/// The picture that is asked for: the file, or one frame of it.
Result<image::Frame> frame_of(const Options& options) {
  if (!options.frame) {
    return media::read_frame(options.file);
  }
  return media::ClipReader::open(options.file)
      .and_then([&](media::ClipReader clip) -> Result<image::Frame> {
        image::Frame frame;
        return clip.read(*options.frame, frame).map([&] {
          image::to_grey(frame);
          return std::move(frame);
        });
      });
}

Result<Json> clip_facts(const Options& options) {
  return media::ClipReader::open(options.file).map([](const media::ClipReader& clip) {
    const media::ClipFacts& facts = clip.facts();
    return Json{
        {"width_px", facts.width},
        {"height_px", facts.height},
        {"frames", facts.frames},
        {"promised", facts.promised},
        {"rate_hz", base::or_null(facts.rate_hz)},
        {"saturation", facts.saturation},
        {"started_utc", facts.info.time ? Json(sky::to_iso(*facts.info.time)) : Json(nullptr)},
        {"plate_scale_arcsec_px", base::or_null(facts.info.plate_scale_arcsec_px)}};
  });
}

Result<Json> measured(const Options& options) {
  measure::Knowledge knowledge;
  if (!options.place.time.empty()) {
    const auto time = sky::parse_utc(options.place.time, "time");
    if (!time) {
      return tl::make_unexpected(time.error());
    }
    knowledge.time = *time;
  }
  if (options.north_deg) {
    const auto north = base::checked("north", *options.north_deg, {-360.0, 360.0});
    if (!north) {
      return tl::make_unexpected(north.error());
    }
    knowledge.solar = sky::PictureOrientation{*north, options.mirrored};
  }
  std::optional<optics::Rig> path;
  if (!options.rig.empty()) {
    auto read = optics::read_rig(options.rig);
    if (!read) {
      return tl::make_unexpected(read.error());
    }
    path = *std::move(read);
  }
  return frame_of(options).and_then([&](const image::Frame& frame) {
    return measure::measure_disc(frame, knowledge).map([&](const auto& measurement) {
      Json report = workspace::measurement_report(measurement);
      report["colour_mosaic"] = frame.info.mosaic;
      report["simulated"] = frame.info.simulated;
      report["telescope_focal_length_mm"] =
          path ? base::or_null(workspace::focal_length_by(measurement, frame, *path))
               : Json(nullptr);
      return report;
    });
  });
}

Result<Json> demo(const Options& options) {
  constexpr std::chrono::seconds kPatience{10};
  return base::FolderLock::take(options.data, kPatience)
      .and_then(
          [&](const base::FolderLock& /*held*/) { return workspace::fill_demo(options.data); })
      .map([&] {
        return Json{{"data", options.data}};
      });
}

/// Options that name a file to be written.
constexpr std::array<std::string_view, 3> kOutputs{"--out", "--ics", "--csv"};

/// No command writes over a file that it was given to read, through links of any kind.
Result<void> check_outputs(const CLI::App& app) {
  std::vector<std::filesystem::path> inputs;
  std::vector<std::pair<std::string, std::filesystem::path>> outputs;
  std::function<void(const CLI::App&)> gather = [&](const CLI::App& command) {
    for (const CLI::Option* option : command.get_options()) {
      const std::string name = option->get_name();
      const bool written = std::find(kOutputs.begin(), kOutputs.end(), name) != kOutputs.end();
      for (const std::string& value : option->results()) {
        if (written) {
          outputs.emplace_back(name.substr(2), value);
          // A clip of pictures is written as a series.
          std::filesystem::path first(value);
          first.replace_filename(first.stem().string() + "-1" + first.extension().string());
          for (std::filesystem::path& one : media::files_of_clip(first)) {
            outputs.emplace_back(name.substr(2), std::move(one));
          }
          continue;
        }
        std::error_code ignored;
        if (std::filesystem::exists(value, ignored)) {
          const auto files = media::files_of_clip(value);
          inputs.insert(inputs.end(), files.begin(), files.end());
        }
      }
    }
    for (const CLI::App* further : command.get_subcommands()) {
      gather(*further);
    }
  };
  gather(app);
  for (const auto& [name, output] : outputs) {
    if (auto apart = base::check_apart(name, output, inputs); !apart) {
      return apart;
    }
  }
  return {};
}

/// The commands in the order in which they were added, with a comma between them.
std::string names_of(const CLI::App& app) {
  std::string names;
  for (const CLI::App* command : app.get_subcommands({})) {
    names += (names.empty() ? "" : ", ") + command->get_name();
  }
  return names;
}

int complain(std::ostream& err, const base::Error& error) {
  err << "solarchon-cli: " << words::sentence(error) << '\n';
  const bool failed = error.code == ErrorCode::kUnwritable || error.code == ErrorCode::kNotFound ||
                      error.code == ErrorCode::kCancelled;
  return failed ? kFailure : kBadInput;
}

}  // namespace

int run(std::vector<std::string> arguments, std::ostream& out, std::ostream& err) {
  Options options;
  CLI::App app("Answers of Solarchon's core as JSON.", "solarchon-cli");
  app.require_subcommand(1);
  app.set_help_all_flag("--help-all");
  const auto command = [&](CLI::App& parent, const char* name, const char* what) {
    CLI::App* added = parent.add_subcommand(name, what);
    added->add_flag("--json", options.json, "answer as JSON (the only form)");
    return added;
  };

  CLI::App* sun_command = command(app, "sun", "where the Sun stands and how its disc hangs");
  add_place(*sun_command, options.place, true);

  CLI::App* day_command = command(app, "day", "rise, transit, set and the windows of a day");
  add_ground(*day_command, options.place, true);
  day_command->add_option("--date", options.date, "local date, as 2027-07-14")->required();
  day_command->add_option("--horizon", options.horizon, "CSV of azimuth, height, trees");
  day_command->add_option("--above", options.above_deg, "least height of a window (degree)");
  day_command->add_option("--mount", options.mount,
                          "equatorial-turns, equatorial-free, alt-azimuth or undriven");
  day_command->add_option("--past-meridian", options.past_deg,
                          "how far it tracks past the meridian (degree)");
  add_air(*day_command, options.place);

  CLI::App* rig_command = command(app, "rig", "what a light path does, and what speaks against it");
  rig_command->add_option("file", options.file, "rig file")->required();
  add_place(*rig_command, options.place, false);
  rig_command->add_option("--level", options.level, "brightest part against full well");

  rig_command->add_option("--kit", options.kit, "file with your own parts, to choose from first");
  rig_command->add_option("--rejection-above", options.rejection_above_mm,
                          "mm of aperture from which a rear etalon needs rejection: 80, 120, 150");
  rig_command->add_flag("--totality", options.practice.totality,
                        "a total eclipse is to be watched");
  rig_command->add_flag("--guests", options.practice.guests,
                        "other people come near the telescope");

  CLI::App* catalogue_command = command(app, "catalogue", "the generic parts that ship");

  CLI::App* rules_command = command(app, "rules", "every safety rule, with its source");

  CLI::App* simulate_command = command(app, "simulate", "a frame of the synthetic Sun as FITS");
  simulate_command->add_option("rig", options.file, "rig file")->required();
  add_place(*simulate_command, options.place, true);
  simulate_command->add_option("--seed", options.seed, "of noise and pointing");
  simulate_command->add_option("--sun-seed", options.sun_seed, "of the synthetic Sun's spots");
  simulate_command->add_option("--seeing", options.seeing_arcsec, "full width (arcsec)");
  simulate_command->add_option("--r0", options.r0_cm,
                               "Fried's parameter at 500 nm (cm): a short exposure in moving air");
  simulate_command->add_option("--target", options.target,
                               "whole-disc, largest-spot, granulation, faculae, prominence, "
                               "filament, plage or limb");
  camera::Shot& wanted = options.wanted;
  simulate_command->add_option("--activity", wanted.activity,
                               "of the Sun, 0 to 1; left out: by the date");
  simulate_command->add_option("--band", wanted.band_angstrom,
                               "width of the passband on hydrogen alpha (angstrom)");
  simulate_command->add_option("--detune", wanted.detune_angstrom,
                               "of the passband (angstrom, red positive)");
  simulate_command->add_option("--focus", wanted.defocus_um, "by which the focus is missed (um)");
  simulate_command->add_option("--cloud", wanted.cloud.stops, "that it takes on average (stops)");
  simulate_command->add_option("--unevenness", wanted.cloud.unevenness,
                               "of the cloud: 0 an even veil, 1 lumps with gaps");
  simulate_command->add_option("--motes", wanted.marks.motes, "of dust before the sensor");
  simulate_command->add_option("--response-spread", wanted.marks.response_spread,
                               "of the pixels' response, deviation over mean");
  simulate_command->add_option("--bands", wanted.marks.band_contrast,
                               "contrast of interference bands that the glass allows");
  simulate_command->add_flag("--mosaic", wanted.mosaic,
                             "leave the colours of a colour camera in its pixels");
  simulate_command->add_option(
      "--mount", options.recording.mount,
      "of a clip: equatorial-turns, equatorial-free, alt-azimuth or undriven");
  simulate_command
      ->add_option("--pole-error", options.recording.pole_error_deg,
                   "of a clip's mount: too high, and too far east (degree)")
      ->expected(2);
  simulate_command->add_option("--periodic-error", options.recording.periodic_error_arcsec,
                               "of a clip's mount: half of the whole swing (arcsec)");
  simulate_command->add_option("--exposure", options.exposure_ms, "ms; left out: as suggested");
  simulate_command->add_option("--level", options.level, "brightest part against full well");
  simulate_command->add_option("--frames", options.recording.frames,
                               "of a clip; more than one: a cube");
  simulate_command->add_option("--rate", options.recording.rate_hz, "of a clip (Hz)");
  simulate_command
      ->add_option("--out", options.recording.out,
                   "file to write: FITS, TIFF (a clip: a series) or Matroska video, by its name")
      ->required();

  CLI::App* measure_command = command(app, "measure", "limb, scale and spots of a frame");
  measure_command->add_option("file", options.file, "FITS, PNG, TIFF or JPEG")->required();
  measure_command->add_option("--frame", options.frame, "of a clip, from 0");
  measure_command->add_option("--rig", options.rig,
                              "that took it: the disc then tells its true focal length");
  measure_command->add_option("--time", options.place.time, "UTC, when the file does not say");
  CLI::Option* north = measure_command->add_option(
      "--north", options.north_deg, "solar north in the picture, from up, clockwise (degree)");
  measure_command->add_flag("--mirrored", options.mirrored, "the picture is a mirror image")
      ->needs(north);

  CLI::App* clip_command = command(app, "clip", "what a clip holds");
  clip_command->add_option("file", options.file, "FITS cube, video or series of pictures")
      ->required();

  CLI::App* demo_command = command(app, "demo", "fills an empty data folder with the demo");
  demo_command->add_option("--data", options.data, "data folder")->required();

  PlanOptions plan_options;
  std::vector<Command> further = add_plan_commands(app, plan_options);
  AlignOptions align_options;
  EclipseOptions eclipse_options;
  LogOptions log_options;
  MountOptions mount_options;
  MatchOptions match_options;
  LiveOptions live_options;
  ReduceOptions reduce_options;
  PictureOptions picture_options;
  for (std::vector<Command>& of_a_kind : std::array{
           add_align_commands(app, align_options), add_eclipse_commands(app, eclipse_options),
           add_mount_commands(app, mount_options), add_match_commands(app, match_options),
           add_live_commands(app, live_options), add_reduce_commands(app, reduce_options),
           add_picture_commands(app, picture_options), add_log_commands(app, log_options)}) {
    std::move(of_a_kind.begin(), of_a_kind.end(), std::back_inserter(further));
  }

  check_values(app);
  if (!arguments.empty() && !arguments.front().starts_with('-')) {
    const auto commands = app.get_subcommands(
        [&](const CLI::App* known) { return known->get_name() == arguments.front(); });
    if (commands.empty()) {
      return complain(err, {ErrorCode::kUnknownValue, "command", arguments.front(),
                            base::wants("one-of", {}, names_of(app))});
    }
  }
  std::reverse(arguments.begin(), arguments.end());  // the library takes them from the back
  try {
    app.parse(arguments);
  } catch (const CLI::Success& asked) {
    app.exit(asked, out, err);
    return kAnswer;
  } catch (const CLI::ParseError& problem) {
    err << "solarchon-cli: " << base::without_controls(problem.what()) << '\n';
    return kBadInput;
  }

  if (const auto apart = check_outputs(app); !apart) {
    return complain(err, apart.error());
  }
  Result<Json> answer = Json();
  if (sun_command->parsed()) {
    answer = sun(options);
  } else if (day_command->parsed()) {
    answer = day(options);
  } else if (rig_command->parsed()) {
    const bool placed =
        rig_command->count("--time") + rig_command->count("--lat") + rig_command->count("--lon") >
        0;
    for (const char* needed : {"time", "lat", "lon"}) {
      if (placed && rig_command->count(std::string("--") + needed) == 0) {
        return complain(err, {ErrorCode::kMissing, needed, {}, base::wants("place-and-time"), {}});
      }
    }
    answer = rig(options, placed);
  } else if (catalogue_command->parsed()) {
    answer = catalogue();
  } else if (rules_command->parsed()) {
    answer = rules_report();
  } else if (simulate_command->parsed()) {
    answer = simulate(options);
  } else if (measure_command->parsed()) {
    answer = measured(options);
  } else if (clip_command->parsed()) {
    answer = clip_facts(options);
  } else if (demo_command->parsed()) {
    answer = demo(options);
  }
  for (const Command& one : further) {
    if (one.app->parsed()) {
      answer = one.answer();
    }
  }
  if (!answer) {
    return complain(err, answer.error());
  }
  out << printable(*answer) << '\n' << std::flush;
  return out.good() ? kAnswer : complain(err, {ErrorCode::kUnwritable, "standard output", {}, {}});
}

}  // namespace solarchon::cli
