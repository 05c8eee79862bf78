// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <filesystem>
#include <string>

#include "solarchon/base/random.h"
#include "solarchon/base/result.h"
#include "solarchon/camera/simulate.h"
#include "solarchon/image/frame.h"
#include "solarchon/optics/rig.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::test {

/// A folder that is there for one test.
class TempFolder {
 public:
  TempFolder();
  ~TempFolder();
  TempFolder(const TempFolder&) = delete;
  TempFolder& operator=(const TempFolder&) = delete;
  [[nodiscard]] const std::filesystem::path& path() const { return path_; }
  [[nodiscard]] std::filesystem::path operator/(const std::string& name) const {
    return path_ / name;
  }

 private:
  std::filesystem::path path_;
};

void write_text(const std::filesystem::path& path, const std::string& text);
[[nodiscard]] std::string read_text(const std::filesystem::path& path);

/// The train of the starter's story: OD 5.0 film, 80 mm f/6, 2048 x 1536 of 3.45 um, 12 bit.
[[nodiscard]] optics::Rig starter_rig();
/// The same with a part put in before the camera.
[[nodiscard]] optics::Rig with_part(optics::Rig rig, const optics::Part& part, double length_mm);
/// A camera small enough for quick frames; the disc still fits.
[[nodiscard]] optics::Rig quick_rig();

/// A part of the shipped catalogue by its name.
[[nodiscard]] optics::Element catalogue_part(const std::string& name);
/// Catalogue parts in a row, each with an id.
[[nodiscard]] optics::Rig rig_of(const std::vector<std::string>& names);
/// The three trains that ship: film and phone, wedge and colour camera, rear etalon and mono
/// camera.
[[nodiscard]] optics::Rig usual_train(std::size_t index);
/// Any parts of any kind in any order, with any numbers that files may hold.
[[nodiscard]] optics::Rig random_rig(base::Random& random);

/// The demo workspace at a July morning, with that rig.
[[nodiscard]] workspace::Workspace morning_workspace(const optics::Rig& rig);
[[nodiscard]] sky::UtcTime morning();
/// A well exposed shot of it.
[[nodiscard]] camera::Shot morning_shot(const optics::Rig& rig, std::uint32_t seed = 1);

/// A plain darkened disc with an edge softened by a pixel, as no simulator of ours draws it, at a
/// place in pixels (x to the right, y down).
struct Pixel {
  double x = 0.0;
  double y = 0.0;
};
[[nodiscard]] image::Frame drawn_disc(int width, int height, const Pixel& centre, double radius_px,
                                      sky::UtcTime time);
[[nodiscard]] sky::UtcTime utc(const std::string& text);

/// Matches the failed side of a Result by code and field.
MATCHER_P2(FailsWith, code, field, "") {
  if (arg.has_value()) {
    *result_listener << "which is a value";
    return false;
  }
  *result_listener << "which fails at '" << arg.error().field << "' with code "
                   << static_cast<int>(arg.error().code) << " for '" << arg.error().value << "'";
  return arg.error().code == code && arg.error().field == field;
}

/// The same, of a line of a file.
MATCHER_P3(FailsWith, code, field, line, "") {
  if (arg.has_value()) {
    *result_listener << "which is a value";
    return false;
  }
  *result_listener << "which fails at '" << arg.error().field << "' of line " << arg.error().line;
  return arg.error().code == code && arg.error().field == field && arg.error().line == line;
}

/// Matches an angle within a tolerance, across 360.
MATCHER_P2(AngleNear, expected_deg, tolerance_deg, "") {
  const double away = std::abs(std::remainder(arg - expected_deg, 360.0));
  *result_listener << "which is " << away << " degrees away";
  return away <= tolerance_deg;
}

}  // namespace solarchon::test
