// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QPushButton>

#include "app/shell/theme.h"

namespace solarchon::app {

// What is one of several looks unlike what is on or off by itself: buttons in a row, and boxes.

/// One of several, of which one is down.
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

/// Something that is on or off by itself.
/// @param name  in tests
/// @param why   its tip
inline QCheckBox* tick_box(const QString& words, const char* name, const QString& why,
                           QWidget* parent) {
  auto* box = new QCheckBox(words, parent);
  box->setObjectName(QLatin1String(name));
  box->setToolTip(why);
  box->setMinimumHeight(Theme::px(28));
  box->setSizePolicy(QSizePolicy::Maximum, QSizePolicy::Fixed);
  return box;
}

}  // namespace solarchon::app
