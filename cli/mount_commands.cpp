// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/mount_commands.h"

#include <chrono>

#include "solarchon/base/json.h"
#include "solarchon/devices/mount_client.h"
#include "solarchon/sky/sun.h"

namespace solarchon::cli {

using base::Json;
using base::Result;

namespace {

/// Where the mount of the options is sent: the Sun now, or a place of date.
struct Aim {
  double right_ascension_deg = 0.0;
  double declination_deg = 0.0;
};

Result<Aim> aim_of(const MountOptions& options) {
  if (options.sun && (options.right_ascension_deg || options.declination_deg)) {
    return base::fail_because(base::ErrorCode::kUnknownValue, "sun", base::because("place-or-sun"));
  }
  if (options.sun) {
    const auto now = std::chrono::duration_cast<std::chrono::milliseconds>(
                         std::chrono::system_clock::now().time_since_epoch())
                         .count();
    // A place among the stars does not ask how far the Earth has turned.
    const sky::GeocentricSun sun = sky::geocentric_sun({now}, 0.0);
    return Aim{sun.right_ascension_deg, sun.declination_deg};
  }
  if (!options.right_ascension_deg || !options.declination_deg) {
    return base::fail(base::ErrorCode::kMissing, options.right_ascension_deg ? "dec" : "ra", {},
                      base::wants("place-or-sun"));
  }
  const auto right_ascension = base::checked("ra", *options.right_ascension_deg, {0.0, 360.0});
  const auto declination = base::checked("dec", *options.declination_deg, {-90.0, 90.0});
  if (!right_ascension || !declination) {
    return tl::make_unexpected(!right_ascension ? right_ascension.error() : declination.error());
  }
  return Aim{*right_ascension, *declination};
}

Result<devices::MountClient> open(const MountOptions& options) {
  if (!options.socket.empty()) {
    return devices::MountClient::open(options.socket);
  }
  return devices::socket_folder().and_then(
      [](const auto& folder) { return devices::MountClient::open(folder / "mount"); });
}

/// What goes wrong from here on is the device's: its answers are not what somebody has typed.
tl::unexpected<base::Error> of_the_device(base::Error error) {
  const bool told = error.code == base::ErrorCode::kNotFound ||
                    error.code == base::ErrorCode::kUnwritable ||
                    error.code == base::ErrorCode::kCancelled;
  if (!told) {
    error = {base::ErrorCode::kNotFound, error.field, {}, {}, base::because("device-garbage")};
  }
  return tl::make_unexpected(std::move(error));
}

/// Does something with the mount, then tells how it stands.
template <typename Deed>
Result<Json> with_mount(const MountOptions& options, const Deed& deed) {
  auto client = open(options);
  if (!client) {
    return of_the_device(client.error());
  }
  if (const auto done = deed(*client); !done) {
    return of_the_device(done.error());
  }
  const auto state = client->state();
  if (!state) {
    return of_the_device(state.error());
  }
  Json report = devices::to_json(*state);
  report["name"] = client->card().name;
  report["can"] = client->card().can;
  return report;
}

Result<Json> goes(const MountOptions& options, bool synchronise) {
  return aim_of(options).and_then([&](const Aim& aim) {
    return with_mount(options, [&](devices::MountClient& mount) {
      return synchronise ? mount.synchronise(aim.right_ascension_deg, aim.declination_deg)
                         : mount.go_to(aim.right_ascension_deg, aim.declination_deg);
    });
  });
}

Result<Json> tracks(const MountOptions& options) {
  const auto rate = devices::kTrackingWords.from(options.rate);
  if (!rate) {
    return base::fail(base::ErrorCode::kUnknownValue, "rate", options.rate,
                      base::one_of(devices::kTrackingWords.list()));
  }
  return with_mount(options, [&](devices::MountClient& mount) { return mount.track(*rate); });
}

}  // namespace

std::vector<Command> add_mount_commands(CLI::App& app, MountOptions& options) {
  CLI::App* mount = app.add_subcommand("mount", "drives a mount over its local socket");
  mount->require_subcommand(1);
  const auto command = [&](const char* name, const char* what) {
    CLI::App* added = mount->add_subcommand(name, what);
    added->add_flag("--json", options.json, "answer as JSON (the only form)");
    added->add_option("--socket", options.socket, "left out: mount in the user's folder");
    return added;
  };
  const auto aim = [&](CLI::App& added) {
    added.add_flag("--sun", options.sun, "the Sun, now");
    added.add_option("--ra", options.right_ascension_deg, "right ascension of date (degree)");
    added.add_option("--dec", options.declination_deg, "declination of date (degree)");
  };
  CLI::App* state = command("state", "where it believes to look, and what it is about");
  CLI::App* go = command("goto", "sends it to a place; the optics must be covered or filtered");
  aim(*go);
  CLI::App* synchronise = command("synchronise", "tells it where it looks");
  aim(*synchronise);
  CLI::App* track = command("track", "what it follows");
  track->add_option("rate", options.rate, "off, stars or sun")->required();
  CLI::App* stop = command("stop", "everything stands at once");
  const auto only_ask = [](devices::MountClient& /*mount*/) { return Result<void>(); };
  return {{state, [&options, only_ask] { return with_mount(options, only_ask); }},
          {go, [&options] { return goes(options, false); }},
          {synchronise, [&options] { return goes(options, true); }},
          {track, [&options] { return tracks(options); }},
          {stop, [&options] {
             return with_mount(options, [](devices::MountClient& one) { return one.stop(); });
           }}};
}

}  // namespace solarchon::cli
