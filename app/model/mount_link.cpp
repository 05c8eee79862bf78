// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/mount_link.h"

#include <algorithm>
#include <utility>

namespace solarchon::app {

namespace {

constexpr sky::Duration kConnectAgain = sky::seconds(0.4);
static_assert(MountLink::kPace < devices::kMoveHeld / 3.0);

bool refused(const base::Error& error) { return error.reason.id == "device-refuses"; }

}  // namespace

MountLink::MountLink(std::filesystem::path path, Tell tell, sky::Duration pace)
    : path_(std::move(path)),
      tell_(std::move(tell)),
      pace_(pace),
      thread_([this](const std::stop_token& ending) { run(ending); }) {}

MountLink::~MountLink() {
  thread_.request_stop();
  thread_.join();
}

void MountLink::order(Order order) {
  const std::scoped_lock lock(guard_);
  orders_.push_back(std::move(order));
  news_.notify_all();
}

void MountLink::stop() {
  const std::scoped_lock lock(guard_);
  orders_.clear();
  arrow_ = {};
  arrow_let_go_ = false;
  stop_wanted_ = true;
  news_.notify_all();
}

void MountLink::move(double first_deg_s, double second_deg_s) {
  const std::scoped_lock lock(guard_);
  const bool held = arrow_.held();
  arrow_ = {first_deg_s, second_deg_s};
  arrow_let_go_ = held && !arrow_.held();
  news_.notify_all();
}

std::deque<MountLink::Order> MountLink::take_orders() {
  const std::scoped_lock lock(guard_);
  if (stop_wanted_) {
    return {[this](devices::MountClient& client) {
      auto stopped = client.stop();
      const std::scoped_lock again(guard_);
      stop_wanted_ = !stopped && !refused(stopped.error());
      return stopped;
    }};
  }
  std::deque<Order> orders = std::exchange(orders_, {});
  if (arrow_.held() || std::exchange(arrow_let_go_, false)) {
    orders.emplace_back([arrow = arrow_](devices::MountClient& client) {
      return client.move(arrow.first_deg_s, arrow.second_deg_s);
    });
  }
  return orders;
}

void MountLink::tell_lost(const base::Error& why) {
  {
    const std::scoped_lock lock(guard_);
    orders_.clear();
    arrow_ = {};
    arrow_let_go_ = false;
  }
  MountReport report;
  report.problem = why;
  tell_(std::move(report));
}

bool MountLink::serve(devices::MountClient& client) {
  MountReport report;
  report.card = client.card();
  for (const Order& order : take_orders()) {
    if (const auto done = order(client); !done) {
      if (!refused(done.error())) {
        tell_lost(done.error());
        return false;
      }
      report.problem = done.error();
    }
  }
  const auto state = client.state();
  if (!state) {
    tell_lost(state.error());
    return false;
  }
  report.state = *state;
  if (report.card.has("camera.look")) {
    const auto look = client.look();
    if (!look && !refused(look.error())) {
      tell_lost(look.error());
      return false;
    }
    if (look) {
      report.look = *look;
    }
  }
  report.events = client.take_events();
  tell_(std::move(report));
  return true;
}

void MountLink::rest(const std::stop_token& ending, sky::Duration most) {
  std::unique_lock lock(guard_);
  news_.wait_for(lock, ending, std::chrono::duration_cast<std::chrono::milliseconds>(most),
                 [this] { return stop_wanted_ || !orders_.empty() || arrow_let_go_; });
}

void MountLink::run(const std::stop_token& ending) {
  std::optional<devices::MountClient> client;
  while (!ending.stop_requested()) {
    if (!client) {
      auto opened = devices::MountClient::open(path_, ending);
      if (opened) {
        client.emplace(std::move(*opened));
        const std::scoped_lock lock(guard_);
        orders_.clear();  // meant for a mount that was not there
      } else {
        tell_lost(opened.error());
      }
    }
    if (client && !serve(*client)) {
      client.reset();
    }
    if (client) {
      rest(ending, pace_);
    } else {
      std::unique_lock lock(guard_);  // whatever is ordered, nobody is there to do it
      news_.wait_for(lock, ending,
                     std::chrono::duration_cast<std::chrono::milliseconds>(kConnectAgain),
                     [] { return false; });
    }
  }
}

}  // namespace solarchon::app
