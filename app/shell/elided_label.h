// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/shell/plain_label.h"

namespace solarchon::app {

/// A label of one line whose words end in dots where they do not fit; the tip then has them whole.
class ElidedLabel : public PlainLabel {
  Q_OBJECT

 public:
  explicit ElidedLabel(QWidget* parent = nullptr);
  [[nodiscard]] QSize minimumSizeHint() const override;
  /// Some words are not in sight.
  [[nodiscard]] bool is_elided() const;

 protected:
  void paintEvent(QPaintEvent* event) override;
  bool event(QEvent* event) override;
  void changeEvent(QEvent* event) override;

 private:
  // Measuring words costs more than looking at them: once for each text.
  mutable QString measured_;
  mutable int wide_ = 0;
};

}  // namespace solarchon::app
