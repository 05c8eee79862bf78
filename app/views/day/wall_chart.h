// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "app/model/document.h"

namespace solarchon::app {

/// The Sun's path over the horizon today: azimuth along, height up, with the hours on it.
class WallChart : public QWidget {
  Q_OBJECT

 public:
  explicit WallChart(Document& document, QWidget* parent = nullptr);
  [[nodiscard]] QSize minimumSizeHint() const override { return {420, 280}; }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  /// Azimuths that the chart spans, centred on the side where the Sun culminates.
  struct Span {
    double middle_deg;
    double half_deg;
  };
  [[nodiscard]] Span span() const;
  [[nodiscard]] QRectF area() const;
  [[nodiscard]] QPointF place(double azimuth_deg, double altitude_deg) const;
  void paint_grid(QPainter& painter) const;
  void paint_path(QPainter& painter) const;
  void paint_hours(QPainter& painter) const;
  void paint_sun(QPainter& painter) const;

  Document& document_;
};

}  // namespace solarchon::app
