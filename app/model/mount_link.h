// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <condition_variable>
#include <deque>
#include <filesystem>
#include <functional>
#include <mutex>
#include <optional>
#include <thread>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/devices/mount_client.h"

namespace solarchon::app {

/// What a link tells of its mount.
struct MountReport {
  devices::DeviceCard card;
  std::optional<devices::MountState> state = {};  ///< none: the line is down
  std::optional<devices::TrueLook> look = {};     ///< of a simulated camera
  std::vector<devices::Event> events = {};
  std::optional<base::Error> problem = {};  ///< what it refused, or why the line is down
};

/// A connection to a mount on a thread of its own: asks how it stands, passes orders on, and
/// connects again whenever it has to.
class MountLink {
 public:
  using Order = std::function<base::Result<void>(devices::MountClient&)>;
  using Tell = std::function<void(MountReport)>;

  /// How long it rests between two questions; below a third of devices::kMoveHeld, so that an
  /// arrow that is held goes on.
  static constexpr sky::Duration kPace = sky::seconds(0.1);
  /// @param tell  called on the link's thread
  MountLink(std::filesystem::path path, Tell tell, sky::Duration pace = kPace);
  /// Ends at once, whatever the mount does. What is moved by an arrow stands soon after.
  ~MountLink();
  MountLink(const MountLink&) = delete;
  MountLink& operator=(const MountLink&) = delete;

  /// Passed on as soon as it can be; forgotten when the line is down.
  void order(Order order);
  /// Goes before all that waits, which is forgotten; kept while the line is down.
  void stop();
  /// Keeps both axes moving (degree a second) until told otherwise, as long as the line holds.
  void move(double first_deg_s, double second_deg_s);

 private:
  struct Arrow {
    double first_deg_s = 0.0;
    double second_deg_s = 0.0;
    [[nodiscard]] bool held() const { return first_deg_s != 0.0 || second_deg_s != 0.0; }
  };
  void run(const std::stop_token& ending);
  /// Does what was ordered and asks for the state. @return  false when the line is down
  [[nodiscard]] bool serve(devices::MountClient& client);
  [[nodiscard]] std::deque<Order> take_orders();
  void tell_lost(const base::Error& why);
  /// Until something is ordered, or so long.
  void rest(const std::stop_token& ending, sky::Duration most);

  std::filesystem::path path_;
  Tell tell_;
  sky::Duration pace_;
  std::mutex guard_;
  std::condition_variable_any news_;
  std::deque<Order> orders_;
  bool stop_wanted_ = false;
  Arrow arrow_;
  bool arrow_let_go_ = false;
  std::jthread thread_;  // last: it uses all of the above
};

}  // namespace solarchon::app
