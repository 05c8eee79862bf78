// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QScrollArea>

#include "solarchon/optics/rig.h"
#include "solarchon/safety/safety.h"

namespace solarchon::app {

/// What speaks against the train, worst first: what can happen, why, the next safe step.
class FindingsList : public QScrollArea {
  Q_OBJECT

 public:
  explicit FindingsList(QWidget* parent = nullptr);
  void show_assessment(const safety::Assessment& assessment, const optics::Rig& rig);
  /// Everything it says, for tests and for copying.
  [[nodiscard]] QString plain_text() const { return plain_; }

 private:
  QString plain_;
};

}  // namespace solarchon::app
