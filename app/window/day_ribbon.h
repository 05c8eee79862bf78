// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/model/document.h"
#include "app/shell/drawing.h"

namespace solarchon::app {

/// The day as one strip at the bottom: the Sun's height as its shape, and a handle for now.
/// Drag it, or use the arrow keys (a minute; with Shift ten; PageUp and PageDown an hour;
/// Ctrl+Left and Ctrl+Right a day; Home returns to the clock).
class DayRibbon : public Drawing {
  Q_OBJECT

 public:
  explicit DayRibbon(Document& document, QWidget* parent = nullptr);
  /// Where an instant of the day is drawn (px from the left), and back.
  [[nodiscard]] double x_of(sky::UtcTime time) const;
  [[nodiscard]] sky::UtcTime time_at(double x) const;
  [[nodiscard]] QSize usual_size() const override { return {800, 92}; }

 protected:
  void draw(QPainter& painter) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  [[nodiscard]] QRectF strip() const;
  void paint_sun_shape(QPainter& painter);
  /// What the skyline hides of the day is drawn as ground.
  void cut_out_obstructions(QPainter& painter);
  void paint_hours(QPainter& painter);
  /// The way to the first frame as a thin block, runs as thick ones.
  void paint_plan(QPainter& painter);
  void paint_now(QPainter& painter);
  void look_at_x(double x);

  Document& document_;
};

}  // namespace solarchon::app
