// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>
#include <string>
#include <vector>

#include "app/shell/number_field.h"
#include "solarchon/optics/rig.h"

namespace solarchon::app {

/// What its owner knows of a part: serial, notes, the last inspection and what it found, and for an
/// etalon the settings that were best.
class CareSheet : public QWidget {
  Q_OBJECT

 public:
  /// @param tunable  shows the tuning history
  explicit CareSheet(bool tunable, QWidget* parent = nullptr);
  void show_care(const optics::Care& care, bool in_kit);

 signals:
  void changed(const optics::Care& care);
  void inspectedToday();
  void keepAsked();

 private:
  QLineEdit* add_line(const QString& label, const QString& reason, std::string optics::Care::*text);
  void add_tuning();

  optics::Care care_;
  struct Line {
    QLineEdit* edit;
    std::string optics::Care::*text;
  };
  std::vector<Line> lines_;
  QLabel* inspected_;
  QPushButton* keep_;
  QListWidget* tuning_ = nullptr;
};

}  // namespace solarchon::app
