// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QSize>
#include <QString>
#include <QStringList>
#include <filesystem>
#include <optional>
#include <vector>

#include "app/shell/theme.h"
#include "solarchon/base/result.h"
#include "solarchon/sky/time.h"

namespace solarchon::app {

/// What the command line asks for.
struct Options {
  bool demo = false;
  std::filesystem::path data;  ///< empty: the user's own folder
  QString file;                ///< to be opened, whole path; empty: what was shown last
  QString language;            ///< of languages(); empty: as it was chosen, or the system's
  QString view;                ///< empty: where the last session ended
  QString screenshot;          ///< file to write, then leave
  QString tour;                ///< folder to write a picture of each view to, then leave
  QSize size{1280, 800};
  bool size_given = false;
  std::optional<Look> look;
  std::optional<int> text_percent;
  std::optional<sky::UtcTime> time;
  QString ringer;  ///< program that sounds the alarm; empty: the desktop's beep
  std::vector<std::filesystem::path> swept = {};  ///< half files that were removed at the start
  bool ring = false;                              ///< sounds the alarm and leaves
  bool help = false;
  bool version = false;
};

/// Errors: kUnknownValue, kMalformed, kMissing with the option's name.
[[nodiscard]] base::Result<Options> read_options(const QStringList& arguments);

/// What --help prints.
[[nodiscard]] QString help_text();

}  // namespace solarchon::app
