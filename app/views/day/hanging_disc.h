// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "app/model/document.h"

namespace solarchon::app {

/// The disc as it hangs now, in the picture that this train gives: solar axis, equator and grid,
/// celestial north and east.
class HangingDisc : public QWidget {
  Q_OBJECT

 public:
  explicit HangingDisc(Document& document, QWidget* parent = nullptr);
  [[nodiscard]] QSize minimumSizeHint() const override { return {260, 260}; }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  Document& document_;
};

}  // namespace solarchon::app
