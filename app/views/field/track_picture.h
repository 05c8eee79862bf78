// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QTimeZone>
#include <optional>
#include <vector>

#include "app/shell/drawing.h"
#include "solarchon/align/track.h"
#include "solarchon/sky/disc.h"

namespace solarchon::app {

/// Where the middle of the Sun wanders in the picture, drawn large, with the times; in a corner the
/// field to scale with the disc before and after.
class TrackPicture : public Drawing {
  Q_OBJECT

 public:
  struct Scene {
    std::vector<align::TrackPoint> way;
    bool jitters = false;                     ///< steps of two axes: dots instead of a line
    sky::PictureOrientation celestial;        ///< of the picture
    std::optional<QSizeF> field_arcsec = {};  ///< none: no sensor
    double sun_radius_arcsec = 950.0;
    std::optional<double> room_arcsec = {};  ///< that the middle may go; none: not known
    QTimeZone zone;
  };
  explicit TrackPicture(QWidget* parent);
  /// @param words  what it says, for who cannot see it
  void show_scene(Scene scene, const QString& words);

 protected:
  void draw(QPainter& painter) override;
  [[nodiscard]] QSize usual_size() const override { return {520, 420}; }
  [[nodiscard]] QSize least_size() const override { return {320, 250}; }

 private:
  /// Right and up in the picture (arcsec).
  [[nodiscard]] QPointF offset(const align::TrackPoint& point) const;
  [[nodiscard]] double scale() const;  ///< pixels an arcsecond
  [[nodiscard]] static QString length_words(double arcsec);
  void paint_rings(QPainter& painter) const;
  void paint_way(QPainter& painter) const;
  void paint_field(QPainter& painter) const;

  Scene scene_;
};

}  // namespace solarchon::app
