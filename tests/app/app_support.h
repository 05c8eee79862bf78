// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <unistd.h>
#include <QApplication>
#include <QTest>

#include <filesystem>
#include <functional>
#include <memory>

#include "app/window/window.h"
#include "tests/support/support.h"

namespace solarchon::test {

/// Lets events run until something holds; false when it takes too long.
inline bool wait_until(const std::function<bool()>& holds, int longest_ms = 30'000) {
  return QTest::qWaitFor(holds, longest_ms);
}

/// A session as the log's file holds it.
inline log::Session session_in_log(const std::filesystem::path& data, std::int64_t id) {
  return log::LogBook::open_to_read(workspace::log_file(data))
      .and_then([&](const log::LogBook& book) { return book.session(id); })
      .value();
}

/// A window over a folder, shown and focused, looking at the demo's morning.
inline std::unique_ptr<app::Window> open_window(const std::filesystem::path& data,
                                                const workspace::Workspace& space) {
  if (!std::filesystem::exists(workspace::workspace_file(data))) {
    EXPECT_TRUE(workspace::write_workspace(space, workspace::workspace_file(data)));
  }
  app::Options options;
  options.data = data;
  options.time = morning();
  auto window = std::make_unique<app::Window>(options);
  window->show();
  window->activateWindow();
  EXPECT_TRUE(QTest::qWaitForWindowActive(window.get()));
  EXPECT_TRUE(wait_until([&] { return window->settled(); }));  // the log was read
  return window;
}

/// The process that plays a device for this one, by its command line; 0: none does.
/// @param what  as the path of its socket begins
inline pid_t player(const std::string& what) {
  for (const auto& entry : std::filesystem::directory_iterator("/proc")) {
    const std::string name = entry.path().filename();
    if (name.find_first_not_of("0123456789") != std::string::npos) {
      continue;
    }
    const std::string told = read_text(entry.path() / "cmdline");
    if (told.find("solarchon-standins") != std::string::npos &&
        told.find(what + "-" + std::to_string(getpid()) + "-") != std::string::npos) {
      return std::stoi(name);
    }
  }
  return 0;
}

}  // namespace solarchon::test
