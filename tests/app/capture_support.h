// SPDX-License-Identifier: GPL-3.0-or-later
// A window on Capture with a camera that gives frames at once.
#pragma once

#include <QTest>
#include <algorithm>
#include <filesystem>
#include <memory>
#include <vector>

#include "app/model/live_camera.h"
#include "tests/app/app_support.h"

namespace solarchon::app {

using test::morning_workspace;
using test::TempFolder;

/// A light path whose camera gives frames at once.
inline workspace::Workspace small_space() {
  optics::Rig rig = test::quick_rig();
  auto& camera = std::get<optics::Camera>(rig.elements.back().part);
  camera.width_px = 200;
  camera.height_px = 150;
  camera.pixel_um = 36.0;
  camera.full_well_e *= 6.0;
  camera.shortest_exposure_ms = 1e-4;
  return morning_workspace(rig);
}

class CaptureTest : public testing::Test {
 protected:
  CaptureTest() {
    window = test::open_window(folder.path(), small_space());
    window->show_place("capture");
  }
  void press(int key, Qt::KeyboardModifiers with = Qt::NoModifier) {
    QTest::keyClick(window.get(), static_cast<Qt::Key>(key), with);
  }
  template <typename Kind>
  Kind& find(const char* name) {
    auto* found = window->findChild<Kind*>(name);
    EXPECT_NE(found, nullptr) << name;
    return *found;
  }
  /// Another window, over a folder of its own.
  void reopen(const optics::Rig& rig) {
    window.reset();
    std::filesystem::create_directories(folder / "another");
    window = test::open_window(folder / "another", morning_workspace(rig));
    window->show_place("capture");
  }
  LiveCamera& camera() { return window->models().camera; }
  void look() {
    press(Qt::Key_F4);
    ASSERT_TRUE(test::wait_until([&] { return camera().glance().frame != nullptr; }));
  }
  /// The last frame of the newest session that has one.
  log::FrameEntry filed_frame() {
    const auto& sessions = window->models().log.sessions();
    const auto filed = [&] {
      return std::find_if(sessions.begin(), sessions.end(),
                          [](const log::SessionSummary& session) { return session.frames > 0; });
    };
    EXPECT_TRUE(test::wait_until([&] { return filed() != sessions.end(); }));
    return filed() == sessions.end()
               ? log::FrameEntry{}
               : test::session_in_log(folder.path(), filed()->id).frames.back();
  }
  std::vector<std::filesystem::path> clips() {
    std::vector<std::filesystem::path> found;
    std::error_code none;
    for (const auto& entry :
         std::filesystem::recursive_directory_iterator(folder / "clips", none)) {
      if (entry.path().extension() == ".fits") {
        found.push_back(entry.path());
      }
    }
    return found;
  }

  TempFolder folder;
  std::unique_ptr<Window> window;
};

}  // namespace solarchon::app
