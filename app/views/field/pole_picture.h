// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "app/shell/drawing.h"
#include "solarchon/align/seen_drift.h"

namespace solarchon::app {

/// The sky round the pole, as it lies before who stands behind the mount: where the axis points,
/// how well that is known, and the way to turn it.
class PolePicture : public Drawing {
  Q_OBJECT

 public:
  struct Scene {
    std::optional<align::PoleFit> fit = {};  ///< only one that is solvable
    double latitude_deg = 0.0;
    std::optional<double> altitude_turns = {};  ///< of the knobs; none: not known
    std::optional<double> azimuth_turns = {};
  };
  explicit PolePicture(QWidget* parent);
  /// @param words  what it says, for who cannot see it
  void show_scene(const Scene& scene, const QString& words);

 protected:
  void draw(QPainter& painter) override;
  [[nodiscard]] QSize usual_size() const override { return {480, 420}; }
  [[nodiscard]] QSize least_size() const override { return {300, 240}; }

 private:
  [[nodiscard]] double half_arcmin() const;  ///< from the pole to the picture's edge
  /// Where an error of the axis lies.
  [[nodiscard]] QPointF place(double azimuth_deg, double altitude_deg) const;
  void paint_rings(QPainter& painter) const;
  void paint_axis(QPainter& painter) const;
  void paint_way(QPainter& painter, const QPointF& from, const QPointF& to, const QString& words,
                 const QPointF& beside) const;

  Scene scene_;
};

}  // namespace solarchon::app
