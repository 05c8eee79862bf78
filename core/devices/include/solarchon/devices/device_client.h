// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <stop_token>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/json_fwd.h"
#include "solarchon/base/result.h"
#include "solarchon/devices/local_socket.h"
#include "solarchon/devices/mount_state.h"

namespace solarchon::devices {

/// What a device said of itself.
struct DeviceCard {
  int protocol = kProtocol;
  std::string name;                   ///< as it calls itself
  std::vector<std::string> can = {};  ///< methods that it has
  MountAxes axes = MountAxes::kPole;  ///< what the first axis of a mount points to
  bool simulated = false;             ///< it plays what it shows; its pictures are marked
  [[nodiscard]] bool has(std::string_view method) const;
};

/// Whatever a device does, no call takes longer than this.
inline constexpr sky::Duration kPatience = sky::seconds(1.0);

/// Talks to a device over the line protocol. One thread at a time.
class DeviceClient {
 public:
  /// Connects and greets. Errors: as connect_to and call; kVersion for another protocol.
  /// @param ending  asked to stop, no call waits any longer than a twentieth of a second
  [[nodiscard]] static base::Result<DeviceClient> open(const std::filesystem::path& path,
                                                       std::stop_token ending = {});

  [[nodiscard]] const DeviceCard& card() const { return card_; }
  /// Asks, and waits for the answer to this question. Answers to others and lines that are no
  /// messages are passed over; events are kept.
  /// Errors: kNotFound when the device is gone, silent for kPatience, or sends nothing but
  /// garbage; kNotFound with the device's own word when it refuses; kCancelled.
  [[nodiscard]] base::Result<base::Json> call(const std::string& method, const base::Json& params);
  /// The same without parameters.
  [[nodiscard]] base::Result<base::Json> call(const std::string& method);
  /// The same for what has no answer but that it is done.
  [[nodiscard]] base::Result<void> tell(const std::string& method, const base::Json& params);
  [[nodiscard]] base::Result<void> tell(const std::string& method);
  /// Looks whether the line still holds, without asking anything and without waiting.
  /// Errors: kNotFound when the device is gone.
  [[nodiscard]] base::Result<void> listen();

  /// Events that came in meanwhile, oldest first; they are forgotten with it.
  [[nodiscard]] std::vector<Event> take_events();

 private:
  DeviceClient(Connection connection, std::stop_token ending)
      : connection_(std::move(connection)), ending_(std::move(ending)) {}
  [[nodiscard]] base::Result<void> greet();
  void keep(const Event& event);

  Connection connection_;
  std::stop_token ending_;
  DeviceCard card_;
  std::int64_t last_id_ = 0;
  std::vector<Event> events_;
};

}  // namespace solarchon::devices
