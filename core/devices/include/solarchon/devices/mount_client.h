// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <optional>
#include <stop_token>
#include <string>
#include <vector>

#include "solarchon/base/json.h"
#include "solarchon/base/result.h"
#include "solarchon/devices/local_socket.h"
#include "solarchon/devices/mount_state.h"

namespace solarchon::devices {

/// What a device said of itself.
struct DeviceCard {
  int protocol = kProtocol;
  std::string name;                   ///< as it calls itself
  std::vector<std::string> can = {};  ///< methods that it has
  MountAxes axes = MountAxes::kPole;  ///< what its first axis points to
};

/// Whatever a device does, no call takes longer than this.
inline constexpr sky::Duration kPatience = sky::seconds(1.0);

/// Drives a mount over the line protocol. One thread at a time.
class MountClient {
 public:
  /// Connects and greets. Errors: as connect_to and call; kVersion for another protocol.
  /// @param ending  asked to stop, no call waits any longer than a twentieth of a second
  [[nodiscard]] static base::Result<MountClient> open(const std::filesystem::path& path,
                                                      std::stop_token ending = {});

  [[nodiscard]] const DeviceCard& card() const { return card_; }
  /// Asks, and waits for the answer to this question. Answers to others and lines that are no
  /// messages are passed over; events are kept.
  /// Errors: kNotFound when the device is gone, silent for kPatience, or sends nothing but
  /// garbage; kNotFound with the device's own word when it refuses; kCancelled.
  [[nodiscard]] base::Result<base::Json> call(const std::string& method, const base::Json& params);

  [[nodiscard]] base::Result<MountState> state();
  /// Sends it to a place of date.
  [[nodiscard]] base::Result<void> go_to(double right_ascension_deg, double declination_deg);
  /// Tells it that it looks there.
  [[nodiscard]] base::Result<void> synchronise(double right_ascension_deg, double declination_deg);
  [[nodiscard]] base::Result<void> track(Tracking tracking);
  /// Moves both axes (degree a second) for kMoveHeld: told again within it, they go on.
  [[nodiscard]] base::Result<void> move(double first_deg_s, double second_deg_s);
  [[nodiscard]] base::Result<void> park();
  [[nodiscard]] base::Result<void> unpark();
  /// Lets a seeker look for the Sun.
  [[nodiscard]] base::Result<void> seek();
  /// Everything stands at once.
  [[nodiscard]] base::Result<void> stop();

  /// Where it looks in truth, as a simulated camera sees it; a real mount cannot tell.
  [[nodiscard]] base::Result<TrueLook> look();
  /// Turns the knobs under its axis (degree): raises its raised end, and takes it east. Only hands
  /// that are simulated do.
  [[nodiscard]] base::Result<void> turn_knobs(double altitude_deg, double azimuth_deg);

  /// Events that came in meanwhile, oldest first; they are forgotten with it.
  [[nodiscard]] std::vector<Event> take_events();

 private:
  MountClient(Connection connection, std::stop_token ending)
      : connection_(std::move(connection)), ending_(std::move(ending)) {}
  [[nodiscard]] base::Result<void> greet();
  [[nodiscard]] base::Result<void> tell(const std::string& method, const base::Json& params);

  Connection connection_;
  std::stop_token ending_;
  DeviceCard card_;
  std::int64_t last_id_ = 0;
  std::vector<Event> events_;
};

}  // namespace solarchon::devices
