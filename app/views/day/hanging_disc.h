// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/model/document.h"
#include "app/shell/drawing.h"

namespace solarchon::app {

/// The disc as it hangs now, in the picture that this train gives: solar axis, equator and grid,
/// celestial north and east.
class HangingDisc : public Drawing {
  Q_OBJECT

 public:
  explicit HangingDisc(Document& document, QWidget* parent = nullptr);
  [[nodiscard]] QSize least_size() const override { return {180, 150}; }

 protected:
  void draw(QPainter& painter) override;

 private:
  Document& document_;
};

}  // namespace solarchon::app
