// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QTimeZone>
#include <vector>

#include "app/shell/drawing.h"
#include "solarchon/align/north.h"

namespace solarchon::app {

/// The ground around the mount from above, as it lies before who stands behind it: where the axis
/// points is up. On it the plumb line's shadow, the compass needle, or the feet.
class GroundPlan : public Drawing {
  Q_OBJECT

 public:
  struct Scene {
    align::North north;
    align::NorthTools tools;
    align::NorthWay way = align::NorthWay::kShadow;
    std::vector<align::PlumbShadow> coming;  ///< shadows to come, the next quarters of an hour
    double sun_azimuth_deg = 0.0;
    bool sun_up = false;
    QTimeZone zone;
  };
  explicit GroundPlan(QWidget* parent);
  /// @param words  what it says, for who cannot see it
  void show_scene(Scene scene, const QString& words);

 protected:
  void draw(QPainter& painter) override;
  [[nodiscard]] QSize usual_size() const override { return {480, 440}; }
  [[nodiscard]] QSize least_size() const override { return {280, 280}; }

 private:
  [[nodiscard]] QPointF centre() const;
  [[nodiscard]] double radius() const;
  /// @param share  of the ring's radius
  [[nodiscard]] QPointF place(double azimuth_deg, double share) const;
  [[nodiscard]] double share_of(double length_mm) const;
  void paint_ring(QPainter& painter) const;
  void paint_axis(QPainter& painter) const;
  void paint_feet(QPainter& painter) const;
  void paint_needle(QPainter& painter) const;
  void paint_coming(QPainter& painter) const;
  void paint_shadow(QPainter& painter, const align::PlumbShadow& shadow) const;
  void paint_angle(QPainter& painter, const align::PlumbShadow& shadow) const;
  /// Words at a place, moved so that they stay in the picture.
  void write(QPainter& painter, const QPointF& at, const QString& words) const;

  Scene scene_;
};

}  // namespace solarchon::app
