// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <optional>
#include <string>
#include <vector>

#include "cli/command.h"

namespace solarchon::cli {

struct ReduceOptions {
  bool json = true;
  std::vector<std::string> clips;
  std::string out;
  std::string recipe;
  std::string rig;
  std::string keep;
  std::optional<double> share;
  std::optional<double> level;
  std::optional<double> calm_s;
  std::string dark;
  std::string flat;
  double black = 0.0;
  double sigma = 3.5;
  int finer = 1;
  std::string colours;
  bool whole = false;
  std::string picture;
  std::optional<double> aperture_mm;
  std::optional<double> wavelength_nm;
  std::optional<double> scale_arcsec_px;
  std::optional<double> r0_cm;
  std::optional<double> noise;
  double strength = 1.0;
};

/// Adds `stack` and `restore`.
/// @param options  must outlive the parsing and the answers
[[nodiscard]] std::vector<Command> add_reduce_commands(CLI::App& app, ReduceOptions& options);

}  // namespace solarchon::cli
