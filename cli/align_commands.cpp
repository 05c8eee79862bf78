// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/align_commands.h"

#include "solarchon/align/drift.h"
#include "solarchon/align/find.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/sky/day.h"
#include "solarchon/sky/magnetic.h"
#include "solarchon/words/align.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::cli {

using base::Json;
using base::Result;

namespace {

constexpr std::size_t kMostTableBytes = 1U << 20U;

Json drift_report(const align::PoleFit& fit) {
  Json report = align::to_json(fit);
  report["advice"] = Json::array();
  for (const align::Advice& advice : fit.advice) {
    report["advice"].push_back(words::advice_words(advice));
  }
  return report;
}

/// Refraction only for a pressure that is given: a table may come from a mount that corrects it.
Result<std::optional<sky::Weather>> air_of(const PlaceOptions& place) {
  if (!place.pressure_hpa) {
    return std::optional<sky::Weather>();
  }
  return observer_of(place).map(
      [](const sky::Observer& observer) { return std::optional(observer.weather); });
}

Result<Json> drift(const AlignOptions& options) {
  const auto rate = align::kRateWords.from(options.rate);
  if (!rate) {
    return base::fail(base::ErrorCode::kUnknownValue, "rate", options.rate,
                      base::wants("one-of", {}, "solar, sidereal"));
  }
  return base::read_file(options.file, kMostTableBytes)
      .and_then(
          [&](const std::string& text) { return align::read_drift_table(text, options.file); })
      .and_then([&](const std::vector<align::DriftRun>& runs) {
        return air_of(options.place).and_then([&](const std::optional<sky::Weather>& air) {
          return align::fit_pole(runs, options.place.latitude_deg, *rate, air);
        });
      })
      .map(drift_report);
}

Result<Json> frames(const AlignOptions& options) {
  constexpr base::Range kNorth{-360.0, 360.0};
  const auto observer = observer_of(options.place);
  const auto north = base::checked("north", options.north_up_deg, kNorth);
  if (!observer || !north) {
    return tl::make_unexpected(!observer ? observer.error() : north.error());
  }
  return workspace::discs_in({options.frames.begin(), options.frames.end()})
      .and_then([&](std::vector<align::DiscSeen> discs) {
        return align::run_of_frames(*observer, std::move(discs),
                                    {base::wrap_360(*north), options.mirrored});
      })
      .map([](const align::DriftRun& run) { return align::to_json(run); });
}

Result<plan::MountKind> mount_of(const AlignOptions& options) {
  return plan::mount_from_json({{"kind", options.mount}}, "mount")
      .map([](const plan::Mount& mount) { return mount.kind; });
}

/// What is in hand for finding the Sun: a light path, the kit, and the length of the tube.
struct InHand {
  std::optional<optics::Rig> rig;
  std::vector<optics::Element> kit;
  std::optional<double> tube_mm;
};

Result<InHand> in_hand(const AlignOptions& options) {
  InHand hand;
  if (!options.rig.empty()) {
    auto rig = optics::read_rig(options.rig);
    if (!rig) {
      return tl::make_unexpected(rig.error());
    }
    hand.tube_mm = align::usual_tube_mm(*rig);
    hand.rig = std::move(*rig);
  }
  if (!options.kit.empty()) {
    auto kit = optics::read_parts(options.kit);
    if (!kit) {
      return tl::make_unexpected(kit.error());
    }
    hand.kit = std::move(*kit);
  }
  if (options.tube_mm) {
    const auto tube = base::checked("tube", *options.tube_mm, align::kTubeRange);
    if (!tube) {
      return tl::make_unexpected(tube.error());
    }
    hand.tube_mm = *tube;
  }
  return hand;
}

template <typename Row>
Json rows_of(const std::vector<Row>& rows) {
  Json list = Json::array();
  for (const Row& row : rows) {
    list.push_back(align::to_json(row));
  }
  return list;
}

Json find_report(const Placed& at, plan::MountKind mount, const InHand& hand, double north_deg) {
  const sky::GeocentricSun sun = sky::geocentric_sun(at.time, at.observer.dut1_s);
  const double miss_deg = align::rough_miss_deg(at.observer, at.time, mount, north_deg);
  Json report{{"time_utc", sky::to_iso(at.time)},
              {"sun", align::to_json(align::sun_to_set(at.observer, at.time))},
              {"shadow", nullptr},
              {"starts", Json::array()},
              {"rough_miss_deg", miss_deg},
              {"pole_mark", align::to_json(align::pole_mark(at.observer, at.time))},
              {"sweep", nullptr}};
  if (hand.tube_mm) {
    const double accuracy_arcmin = align::shadow_accuracy_arcmin(*hand.tube_mm);
    report["shadow"] = {{"tube_mm", *hand.tube_mm}, {"accuracy_arcmin", accuracy_arcmin}};
    if (hand.rig) {
      report["starts"] = rows_of(
          align::starts_of(*hand.rig, hand.kit, accuracy_arcmin, sun.semidiameter_arcsec(), {}));
    }
  }
  if (const auto scope = hand.rig ? optics::find_fitted<optics::Telescope>(*hand.rig)
                                  : std::optional<std::size_t>()) {
    const auto& telescope = std::get<optics::Telescope>(hand.rig->elements[*scope].part);
    report["sweep"] = align::to_json(align::sweep_of(
        telescope.focal_length_mm, align::drawtube_mm(*hand.rig), sun.declination_deg, miss_deg));
  }
  report["seeker"] = align::to_json(align::seeker_of(at.observer, at.time));
  report["equatorial_drift_arcsec_min"] = align::sidereal_drift_arcsec_min(sun);
  report["neighbours"] = rows_of(align::neighbours_of(at.observer, at.time));
  return report;
}

Result<Json> find(const AlignOptions& options) {
  const auto at = placed(options.place);
  const auto mount = mount_of(options);
  const auto north = base::checked("north-accuracy", options.north_deg, {0.0, 45.0});
  const auto hand = in_hand(options);
  if (!at || !mount || !north || !hand) {
    return tl::make_unexpected(!at      ? at.error()
                               : !mount ? mount.error()
                               : !north ? north.error()
                                        : hand.error());
  }
  return find_report(*at, *mount, *hand, *north);
}

Result<Json> north(const AlignOptions& options) {
  constexpr base::Range kMinutes{0.0, 900.0};
  constexpr base::Range kEvery{1.0, 60.0};
  const auto at = placed(options.place);
  const auto mount = mount_of(options);
  const auto minutes = base::checked("minutes", options.minutes, kMinutes);
  const auto every = base::checked("every", options.every, kEvery);
  if (!at || !mount || !minutes || !every) {
    return tl::make_unexpected(!at        ? at.error()
                               : !mount   ? mount.error()
                               : !minutes ? minutes.error()
                                          : every.error());
  }
  return sky::MagneticField::open().and_then([&](const sky::MagneticField& field) {
    align::NorthTools tools = options.tools;
    tools.mount = *mount;
    tools.magnetic_declination_deg = field.declination_deg(at->observer.site, at->time);
    const sky::SunDay day =
        sky::sun_day(sky::local_mean_date(at->time, at->observer.site.longitude_deg), at->observer);
    return align::find_north(at->observer, at->time, day.transit, tools)
        .map([&](const align::North& found) {
          Json report = align::to_json(found, tools);
          report["knobs"] = Json::array();
          for (const align::Advice& advice : found.knobs) {
            report["knobs"].push_back(words::advice_words(advice));
          }
          report["shadows"] =
              rows_of(align::plumb_shadows(at->observer, at->time, sky::minutes(*every),
                                           1 + options.minutes / options.every, tools.plumb_mm));
          return report;
        });
  });
}

}  // namespace

std::vector<Command> add_align_commands(CLI::App& app, AlignOptions& options) {
  const auto command = [&](CLI::App& parent, const char* name, const char* what) {
    CLI::App* added = parent.add_subcommand(name, what);
    added->add_flag("--json", options.json, "answer as JSON (the only form)");
    return added;
  };
  const auto mount = [&](CLI::App& added) {
    added.add_option("--mount", options.mount, "equatorial-turns, equatorial-free or alt-azimuth");
  };
  CLI::App* to_find = command(app, "find", "how to bring the Sun into the field without looking");
  add_place(*to_find, options.place, true);
  mount(*to_find);
  to_find->add_option("--rig", options.rig, "rig file");
  to_find->add_option("--kit", options.kit,
                      "file with your own parts, for eyepieces to begin with");
  to_find->add_option("--tube", options.tube_mm, "length of the tube (mm); left out, as usual");
  to_find->add_option("--north-accuracy", options.north_deg,
                      "of the north that the mount was set to (degree)");

  CLI::App* to_north = command(app, "north", "where true north lies, by day");
  add_place(*to_north, options.place, true);
  mount(*to_north);
  to_north->add_option("--plumb", options.tools.plumb_mm, "height of the plumb line's bead (mm)");
  to_north->add_option("--feet", options.tools.feet_apart_mm, "between the tripod's feet (mm)");
  to_north->add_option("--minutes", options.minutes, "for which shadows are listed");
  to_north->add_option("--every", options.every, "minutes from one to the next");

  CLI::App* align = app.add_subcommand("align", "the mount's axis against the pole, by day");
  align->require_subcommand(1);
  CLI::App* of_drift = command(*align, "drift", "the error of the axis from drift runs");
  of_drift->add_option("file", options.file, "CSV, a row a run")->required();
  of_drift->add_option("--lat", options.place.latitude_deg, "latitude (degree, north positive)")
      ->required();
  of_drift->add_option("--rate", options.rate, "of the mount: solar or sidereal");
  of_drift->add_option("--pressure", options.place.pressure_hpa,
                       "of the air (hPa), to take refraction out; left out, it stays in");
  of_drift->add_option("--temperature", options.place.temperature_c, "of the air (degree C)");
  CLI::App* of_frames =
      command(*align, "frames", "a drift run from frames of a driven mount, as a row of the table");
  of_frames->add_option("files", options.frames, "FITS, PNG, TIFF or JPEG with their times")
      ->required();
  add_ground(*of_frames, options.place, true);
  add_air(*of_frames, options.place);
  of_frames->add_option("--north", options.north_up_deg,
                        "celestial north in them, from up, clockwise (degree)");
  of_frames->add_flag("--mirrored", options.mirrored, "east lies clockwise of north");
  return {{to_find, [&options] { return find(options); }},
          {to_north, [&options] { return north(options); }},
          {of_drift, [&options] { return drift(options); }},
          {of_frames, [&options] { return frames(options); }}};
}

}  // namespace solarchon::cli
