// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPushButton>

#include "app/shell/theme.h"

namespace solarchon::app {

/// A button that is on or off.
/// @param name  in tests
/// @param why   its tip
inline QPushButton* switch_button(const QString& words, const char* name, const QString& why,
                                  QWidget* parent) {
  auto* button = new QPushButton(words, parent);
  button->setObjectName(QLatin1String(name));
  button->setToolTip(why);
  button->setMinimumHeight(Theme::px(32));
  button->setCheckable(true);
  button->setProperty("narrow", true);
  button->setProperty("switch", true);
  button->setProperty("first", true);
  return button;
}

}  // namespace solarchon::app
