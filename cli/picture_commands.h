// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <optional>
#include <string>
#include <vector>

#include "cli/command.h"

namespace solarchon::cli {

struct PictureOptions {
  bool json = true;
  std::vector<std::string> pictures;
  std::string out;
  std::string recipe;
  std::string prominences;
  std::optional<double> prominence_gain;
  double flatten = 0.0;
  std::vector<double> sharpen;
  double gate = 3.0;
  bool north_up = false;
  bool centred = false;
  std::optional<double> north_deg;
  bool mirrored = false;
  std::optional<double> radius_px;
  std::string tint = "none";
  std::string hold = "disc";
  bool as_taken = false;
  bool still_surface = false;
  int between = 0;
  bool uneven_light = false;
  bool back = false;
  double rate_hz = 12.0;
};

/// Adds `finish`, `mosaic` and `animate`.
/// @param options  must outlive the parsing and the answers
[[nodiscard]] std::vector<Command> add_picture_commands(CLI::App& app, PictureOptions& options);

}  // namespace solarchon::cli
