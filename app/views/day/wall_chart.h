// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "app/model/document.h"
#include "app/shell/drawing.h"

namespace solarchon::app {

/// The Sun's path over the site's own skyline today: azimuth along, height up, with the hours on it
/// and the windows hatched under it.
///
/// While it edits, a click sets a corner of the skyline, corners are dragged, Delete or a right
/// click takes one out, T marks trees; with keys, Left and Right choose a corner, Up and Down
/// change its height (Shift by more), Ctrl with Left and Right its azimuth, Insert adds one.
class WallChart : public Drawing {
  Q_OBJECT

 public:
  explicit WallChart(Document& document, QWidget* parent = nullptr);
  [[nodiscard]] QSize least_size() const override { return {420, 280}; }

  void set_editing(bool on);
  /// The chosen corner of the skyline; -1 when there is none.
  [[nodiscard]] int chosen() const { return chosen_; }
  [[nodiscard]] QPointF place(double azimuth_deg, double altitude_deg) const;

 signals:
  void horizonEdited(const sky::Horizon& horizon);

 protected:
  void draw(QPainter& painter) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  /// Azimuths that the chart spans, centred on the side where the Sun culminates.
  struct Span {
    double middle_deg;
    double half_deg;
  };
  [[nodiscard]] Span span() const;
  [[nodiscard]] QRectF area() const;
  [[nodiscard]] double top_deg() const;
  [[nodiscard]] sky::HorizonPoint direction(const QPointF& point) const;
  [[nodiscard]] const sky::Horizon& shown() const;
  [[nodiscard]] int corner_at(const QPointF& point) const;
  void choose(int corner);
  void change_chosen(double azimuth_step_deg, double height_step_deg, bool toggle_trees);
  void add_corner();
  void remove_corner(int corner);
  void paint_skyline(QPainter& painter) const;
  void paint_windows(QPainter& painter) const;
  void paint_corners(QPainter& painter) const;
  void paint_turn(QPainter& painter) const;
  void paint_grid(QPainter& painter) const;
  void paint_path(QPainter& painter) const;
  void paint_hours(QPainter& painter) const;
  void paint_sun(QPainter& painter) const;

  Document& document_;
  bool editing_ = false;
  int chosen_ = -1;
  std::optional<sky::Horizon> dragged_;  ///< as it would be when the mouse is let go
};

}  // namespace solarchon::app
