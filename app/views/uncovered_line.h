// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/model/document.h"
#include "app/shell/plain_label.h"

namespace solarchon::app {

/// While the Moon is in front of the Sun, one line that says so, and that what the view shows is
/// the Sun without it. Hidden at any other time.
class UncoveredLine : public PlainLabel {
  Q_OBJECT

 public:
  explicit UncoveredLine(const Document& document, QWidget* parent = nullptr);

 private:
  void follow();

  const Document& document_;
};

}  // namespace solarchon::app
