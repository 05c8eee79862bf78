// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QPointF>
#include <QSizeF>
#include <optional>

#include "app/shell/drawing.h"
#include "solarchon/sky/disc.h"

namespace solarchon::app {

/// The field of the light path with the Sun in it, or with the way to the Sun at its edge.
class EyepiecePicture : public Drawing {
  Q_OBJECT

 public:
  struct Scene {
    std::optional<QPointF> sun_arcmin = {};  ///< from the middle, right and up; none: no mount
    double sun_radius_arcmin = 16.0;
    std::optional<QSizeF> field_arcmin = {};  ///< none: nothing looks or records
    bool round = false;                       ///< through an eyepiece
    bool seen = false;   ///< by a simulated camera; else it is what the mount believes
    bool stale = false;  ///< the mount does not answer any more
    sky::PictureOrientation celestial;
  };
  explicit EyepiecePicture(QWidget* parent);
  /// @param words  what it says, for who cannot see it
  void show_scene(const Scene& scene, const QString& words);
  [[nodiscard]] const Scene& scene() const { return scene_; }
  /// What the camera of the light path records of it; empty: the disc is drawn.
  void show_recording(const QImage& recording);
  [[nodiscard]] const QImage& recording() const { return recording_; }

 protected:
  void draw(QPainter& painter) override;
  [[nodiscard]] QSize usual_size() const override { return {520, 420}; }
  [[nodiscard]] QSize least_size() const override { return {300, 230}; }

 private:
  [[nodiscard]] QRectF frame() const;
  void paint_sun(QPainter& painter, const QRectF& frame, double scale) const;
  void paint_way(QPainter& painter, const QRectF& frame) const;
  void paint_directions(QPainter& painter, const QRectF& frame) const;

  Scene scene_;
  QImage recording_;
};

}  // namespace solarchon::app
