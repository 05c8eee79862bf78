// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

/// Names what stands under it.
inline PlainLabel* heading(const QString& words, QWidget* parent) {
  auto* label = new PlainLabel(words, parent);
  label->setFont(Theme::font(TextSize::kMedium, true));
  return label;
}

}  // namespace solarchon::app
