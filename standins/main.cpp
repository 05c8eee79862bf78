// SPDX-License-Identifier: GPL-3.0-or-later
// solarchon-standins: plays devices behind the line protocol of docs/devices.md.
#include <sys/prctl.h>
#include <unistd.h>

#include <CLI/CLI.hpp>
#include <atomic>
#include <csignal>
#include <iostream>
#include <iterator>

#include "solarchon/base/json.h"
#include "solarchon/base/random.h"
#include "solarchon/optics/rig.h"
#include "solarchon/sky/sun.h"
#include "solarchon/words/errors.h"
#include "solarchon/workspace/live.h"
#include "standins/clock.h"
#include "standins/server.h"
#include "standins/stand_in_mount.h"
#include "standins/stand_in_telescope.h"

namespace {

using namespace solarchon;

std::atomic<bool> stop{false};
void end(int /*signal*/) { stop = true; }

/// Ends together with the process that started this one, however that ends. False: it is gone.
bool ends_with(int parent) {
  std::signal(SIGTERM, end);
  ::prctl(PR_SET_PDEATHSIG, SIGTERM);
  return ::getppid() == parent;  // it may have ended before it was asked
}

using standins::computers_clock;

base::Result<std::filesystem::path> socket_at(const std::string& path, const char* usual) {
  return path.empty()
             ? devices::socket_folder().map([&](const auto& folder) { return folder / usual; })
             : base::Result<std::filesystem::path>(path);
}

int fail(const base::Error& error) {
  std::cerr << "solarchon-standins: " << words::sentence(error) << '\n';
  return 1;
}

/// Says where it listens, and serves until it is told to stop.
int serve(standins::StandIn& plays, devices::Listener listener, const std::string& path) {
  std::signal(SIGINT, end);
  std::signal(SIGTERM, end);
  standins::Server server(plays, std::move(listener));
  std::cout << "{\"listens\":\"" << path << "\"}" << std::endl;
  server.run(stop);
  return 0;
}

/// A mount: the options of the program itself.
struct MountOptions {
  standins::Build build;
  std::string kind = "equatorial";
  std::string path;
  std::uint32_t seed = 1;
  double altitude_error_arcmin = 0.0;
  double azimuth_error_arcmin = 0.0;

  void add_to(CLI::App& app) {
    app.add_option("--kind", kind, "equatorial, alt-azimuth, tracker or seeker")
        ->check(CLI::IsMember(standins::kKindWords.list()));
    app.add_option("--lat", build.observer.site.latitude_deg, "where it stands (degree)")
        ->check(CLI::Range(-90.0, 90.0));
    app.add_option("--lon", build.observer.site.longitude_deg, "where it stands (degree)")
        ->check(CLI::Range(-180.0, 360.0));
    app.add_option("--socket", path, "where it listens; left out: mount in the user's folder");
    app.add_option("--seed", seed, "of where it looks at first");
    app.add_option("--pole-altitude-error", altitude_error_arcmin, "its axis too high (arcmin)")
        ->check(CLI::Range(-600.0, 600.0));
    app.add_option("--pole-azimuth-error", azimuth_error_arcmin, "too far east (arcmin)")
        ->check(CLI::Range(-600.0, 600.0));
    app.add_option("--backlash", build.backlash_arcsec, "of both axes (arcsec)")
        ->check(CLI::Range(0.0, 3600.0));
    app.add_option("--periodic-error", build.periodic_error_arcsec, "half of its swing (arcsec)")
        ->check(CLI::Range(0.0, 600.0));
    app.add_option("--step", build.step_arcsec, "of both axes (arcsec)")
        ->check(CLI::Range(0.0, 60.0));
    app.add_option("--slew", build.slew_deg_s, "how fast it goes (degree a second)")
        ->check(CLI::Range(0.1, 20.0));
    app.add_option("--limit", build.hour_angle_limit_deg, "of the hour angle (degree)")
        ->check(CLI::Range(1.0, 180.0));
    app.add_option("--clock-error", build.clock_error_s, "its clock fast by (s)")
        ->check(CLI::Range(-86400.0, 86400.0));
    app.add_option("--longitude-error", build.longitude_error_deg,
                   "its place too far east (degree)")
        ->check(CLI::Range(-180.0, 180.0));
    app.add_option("--cable-after", build.cable_after_s, "a cable holds it after (s)")
        ->check(CLI::Range(0.0, 1e6));
  }

  int play() {
    build.kind = *standins::kKindWords.from(kind);
    build.pole_error = {altitude_error_arcmin / 60.0, azimuth_error_arcmin / 60.0};
    const auto where = socket_at(path, "mount");
    auto listener = where.and_then([](const auto& at) { return devices::Listener::at(at); });
    if (!listener) {
      return fail(listener.error());
    }
    standins::StandInMount mount(build, computers_clock(), seed);
    return serve(mount, *std::move(listener), where->string());
  }
};

/// A camera with focuser and heater: `telescope`.
struct TelescopeOptions {
  std::string workspace;
  std::string time;
  std::string path;
  std::optional<double> exposure_ms;
  std::uint32_t seed = 1;
  standins::FocuserBuild focuser;
  standins::GuiderBuild guider;
  std::string mount;
  int motes = 0;
  std::optional<double> cloud_stops;
  std::optional<double> focus_off_um;
  std::optional<double> off_band_angstrom;
  double quicker = 1.0;
  double most_hz = 20.0;
  std::optional<double> focuser_at_um;
  int heater_step = 0;
  double running_for_s = 0.0;

  void add_to(CLI::App& app) {
    app.add_option("--workspace", workspace,
                   "site, light path, target and air: a file, or - for standard input")
        ->required();
    app.add_option("--time", time, "that the Sun is seen at, at first; left out: now (UTC)");
    app.add_option("--socket", path, "where it listens; left out: telescope in the user's folder");
    app.add_option("--exposure", exposure_ms, "at first (ms); left out: as suggested");
    app.add_option("--seed", seed, "of air, noise and faults");
    app.add_option("--focus-off", focus_off_um, "of the drawtube, at first (um)")
        ->check(CLI::Range(-20000.0, 20000.0));
    app.add_option("--backlash", focuser.backlash_um, "of the focuser (um)")
        ->check(CLI::Range(0.0, 5000.0));
    app.add_option("--guider-backlash", guider.backlash_arcsec, "of its northern axis (arcsec)")
        ->check(CLI::Range(0.0, 600.0));
    app.add_option("--cloud", cloud_stops,
                   "before the Sun (stops); left out: as the workspace's forecast has it")
        ->check(CLI::Range(seeing::kCloudStopsRange.low, seeing::kCloudStopsRange.high));
    app.add_option("--motes", motes, "of dust before the sensor")->check(CLI::Range(0, 500));
    app.add_option("--mount", mount,
                   "socket of a mount that is played and says where it looks: the telescope rides "
                   "on it; left out: it follows the Sun as the workspace says");
    app.add_option("--off-band", off_band_angstrom, "of the etalon at its middle step (angstrom)")
        ->check(CLI::Range(-1.0, 1.0));
    app.add_option("--heater-quicker", quicker, "it heats and cools so many times faster")
        ->check(CLI::Range(1.0, 1000.0));
    app.add_option("--focuser-at", focuser_at_um,
                   "where its motor stands at first, come from inside (um)")
        ->check(CLI::Range(0.0, 1e6));
    app.add_option("--heater-step", heater_step, "that the tuner was set to at first")
        ->check(CLI::Range(-100, 100));
    app.add_option("--running-for", running_for_s,
                   "it has cooled and heated for so long already (s)")
        ->check(CLI::Range(0.0, 1e6));
    app.add_option("--most-hz", most_hz, "frames a second")->check(CLI::Range(0.1, 1000.0));
  }

  [[nodiscard]] base::Result<standins::TelescopeBuild> build() const {
    auto space = workspace == "-" ? from_standard_input() : workspace::read_workspace(workspace);
    if (!space) {
      return tl::make_unexpected(space.error());
    }
    const auto at =
        time.empty() ? base::Result<sky::UtcTime>(computers_clock()) : sky::parse_utc(time, "time");
    if (!at) {
      return tl::make_unexpected(at.error());
    }
    const workspace::Answers answers = workspace::answer(*space, *at);
    auto plan = workspace::stream_plan(*space, answers, exposure_ms, seed);
    if (!plan) {
      return tl::make_unexpected(plan.error());
    }
    standins::TelescopeBuild made;
    made.stream = *std::move(plan);
    made.stream.shot.cloud = workspace::cloud_of(*space, *at, seed);
    if (cloud_stops) {
      made.stream.shot.cloud.stops = *cloud_stops;
      made.stream.shot.cloud.unevenness = 0.0;
    }
    made.stream.shot.marks.motes = motes;
    made.stream.shot.marks.seed = seed;
    made.most_hz = most_hz;
    made.focuser = focuser;
    const auto scale = workspace::focuser_scale(*space, answers);
    if (!scale) {
      return tl::make_unexpected(scale.error());
    }
    made.sensor_per_focuser = scale->sensor_per_focuser;
    made.focuser.air_c = workspace::observer_of(*space).weather.temperature_c;
    base::Random random{seed};
    for (const optics::Element& element : space->rig.elements) {
      if (const auto* telescope = std::get_if<optics::Telescope>(&element.part)) {
        constexpr double kUmPerMm = 1000.0;
        constexpr double kTubeGrows = 23e-6;  // of its length a kelvin: aluminium
        constexpr double kMinPerMm = 5.0 / 25.0;
        if (telescope->focuser_travel_mm > 0.0) {
          made.focuser.travel_um = kUmPerMm * telescope->focuser_travel_mm;
        }
        made.focuser.shift_um_k = kTubeGrows * kUmPerMm * telescope->focal_length_mm;
        made.focuser.cools_min = kMinPerMm * telescope->aperture_mm;
      } else if (const auto* etalon = std::get_if<optics::RearEtalon>(&element.part)) {
        standins::HeaterBuild heater;
        heater.step_angstrom = etalon->tuning_step_angstrom;
        heater.steps = static_cast<int>(
            std::lround(etalon->tuning_range_angstrom / etalon->tuning_step_angstrom));
        heater.bandwidth_angstrom = etalon->bandwidth_angstrom;
        heater.starts_c = made.focuser.air_c;
        heater.quicker = quicker;
        heater.starts_at = heater_step;
        heater.off_angstrom = off_band_angstrom.value_or(random.uniform(-0.25, 0.25));
        made.heater = heater;
      }
    }
    made.focuser.starts_um = 0.5 * made.focuser.travel_um;
    const double side = random.uniform(-1.0, 1.0) < 0.0 ? -1.0 : 1.0;
    const double off_um =
        focus_off_um.value_or(side * random.uniform(0.5, 1.0) * kOffDepths * scale->depth_um);
    // The drawtube trails the motor by half of the play at first; the tube is warm.
    made.focuser.best_um = made.focuser.starts_um - 0.5 * made.focuser.backlash_um - off_um -
                           made.focuser.shift_um_k * made.focuser.warmer_k;
    if (focuser_at_um) {
      made.focuser.starts_um = std::min(*focuser_at_um, made.focuser.travel_um);
      made.focuser.trails_um = made.focuser.backlash_um;
    }
    made.running_for_s = running_for_s;
    made.celestial = answers.celestial;
    if (!mount.empty()) {
      made.mount = standins::RidesOn{mount, workspace::observer_of(*space),
                                     sky::to_picture(made.stream.shot.target, answers.solar)};
    }
    made.guider = guider;
    return made;
  }

  int play() {
    const auto where = socket_at(path, "telescope");
    auto listener = where.and_then([](const auto& at) { return devices::Listener::at(at); });
    if (!listener) {
      return fail(listener.error());
    }
    std::filesystem::path frames = *where;
    frames += ".frames";
    auto telescope = build().and_then([&](standins::TelescopeBuild made) {
      return standins::StandInTelescope::open(std::move(made), frames, computers_clock());
    });
    if (!telescope) {
      return fail(telescope.error());
    }
    return serve(**telescope, *std::move(listener), where->string());
  }

 private:
  static base::Result<workspace::Workspace> from_standard_input() {
    const std::string text{std::istreambuf_iterator<char>(std::cin), {}};
    return base::parse_json(text, "workspace").and_then([](const base::Json& json) {
      return workspace::workspace_from_json(json);
    });
  }

  static constexpr double kOffDepths = 8.0;  // it starts so far out of focus
};

}  // namespace

int main(int argc, char** argv) {
  CLI::App app("Plays devices that a program can drive: see docs/devices.md.",
               "solarchon-standins");
  MountOptions mount;
  mount.add_to(app);
  TelescopeOptions telescope;
  CLI::App* rear =
      app.add_subcommand("telescope", "a camera with a focuser, a heated etalon and a guider");
  telescope.add_to(*rear);
  std::optional<int> parent;
  app.add_option("--with-parent", parent, "process that started this one, and with which it ends");
  rear->fallthrough();
  CLI11_PARSE(app, argc, argv);
  if (parent && !ends_with(*parent)) {
    return 0;
  }
  if (rear->parsed()) {
    return telescope.play();
  }
  if (app.count("--lat") == 0 || app.count("--lon") == 0) {
    std::cerr << "solarchon-standins: --lat and --lon are needed\n";
    return 2;
  }
  return mount.play();
}
