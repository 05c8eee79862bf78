// SPDX-License-Identifier: GPL-3.0-or-later
// solarchon-standins: plays a mount behind the line protocol of docs/devices.md.
#include <CLI/CLI.hpp>
#include <atomic>
#include <chrono>
#include <csignal>
#include <iostream>

#include "solarchon/words/errors.h"
#include "standins/server.h"

namespace {

std::atomic<bool> stop{false};
void end(int /*signal*/) { stop = true; }

}  // namespace

int main(int argc, char** argv) {
  using namespace solarchon;
  standins::Build build;
  std::string kind = "equatorial";
  std::string path;
  std::uint32_t seed = 1;
  double altitude_error_arcmin = 0.0;
  double azimuth_error_arcmin = 0.0;
  CLI::App app("Plays a mount that a program can drive: see docs/devices.md.",
               "solarchon-standins");
  app.add_option("--kind", kind, "equatorial, alt-azimuth, tracker or seeker")
      ->check(CLI::IsMember(standins::kKindWords.list()));
  app.add_option("--lat", build.observer.site.latitude_deg, "where it stands (degree)")
      ->required()
      ->check(CLI::Range(-90.0, 90.0));
  app.add_option("--lon", build.observer.site.longitude_deg, "where it stands (degree)")
      ->required()
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
  app.add_option("--longitude-error", build.longitude_error_deg, "its place too far east (degree)")
      ->check(CLI::Range(-180.0, 180.0));
  app.add_option("--cable-after", build.cable_after_s, "a cable holds it after (s)")
      ->check(CLI::Range(0.0, 1e6));
  CLI11_PARSE(app, argc, argv);
  build.kind = *standins::kKindWords.from(kind);
  build.pole_error = {altitude_error_arcmin / 60.0, azimuth_error_arcmin / 60.0};

  const auto where =
      path.empty()
          ? devices::socket_folder().map([](const auto& folder) { return folder / "mount"; })
          : base::Result<std::filesystem::path>(path);
  auto listener = where.and_then([](const auto& at) { return devices::Listener::at(at); });
  if (!listener) {
    std::cerr << "solarchon-standins: " << words::sentence(listener.error()) << '\n';
    return 1;
  }
  std::signal(SIGINT, end);
  std::signal(SIGTERM, end);
  const sky::UtcTime now{std::chrono::duration_cast<std::chrono::milliseconds>(
                             std::chrono::system_clock::now().time_since_epoch())
                             .count()};
  standins::Server server(standins::StandInMount(build, now, seed), std::move(*listener));
  std::cout << "{\"listens\":\"" << where->string() << "\"}" << std::endl;
  server.run(stop);
  return 0;
}
