// SPDX-License-Identifier: GPL-3.0-or-later
#include "standins/mount_watch.h"

#include <chrono>
#include <condition_variable>
#include <utility>

#include "solarchon/align/in_field.h"
#include "solarchon/devices/mount_client.h"
#include "standins/clock.h"

namespace solarchon::standins {

MountWatch::MountWatch(std::filesystem::path socket, const sky::Observer& observer)
    : socket_(std::move(socket)),
      observer_(observer),
      thread_([this](const std::stop_token& stop) { run(stop); }) {}

std::optional<sky::DiscPlace> MountWatch::off_sun() const {
  const std::lock_guard lock(mutex_);
  return off_sun_;
}

void MountWatch::run(const std::stop_token& stop) {
  constexpr std::chrono::milliseconds kPace{50};
  constexpr std::chrono::milliseconds kLooksAgain{500};
  std::mutex resting;
  std::condition_variable_any news;
  const auto rest = [&](std::chrono::milliseconds most) {
    std::unique_lock lock(resting);
    news.wait_for(lock, stop, most, [] { return false; });
  };
  while (!stop.stop_requested()) {
    auto mount = devices::MountClient::open(socket_, stop);
    while (mount && !stop.stop_requested()) {
      const auto look = mount->look();
      if (!look) {
        break;
      }
      const sky::DiscPlace sun =
          align::sun_from(look->azimuth_deg, look->altitude_deg, observer_, computers_clock());
      {
        const std::lock_guard lock(mutex_);
        off_sun_ = sky::DiscPlace{-sun.west_arcsec, -sun.north_arcsec};
      }
      rest(kPace);
    }
    rest(kLooksAgain);
  }
}

}  // namespace solarchon::standins
