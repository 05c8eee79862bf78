// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>

#include "app/model/live_camera.h"
#include "app/shell/drawing.h"

namespace solarchon::app {

/// The live picture in a ring of position angles, with drift and a scale in Earths.
class LivePlate : public Drawing {
  Q_OBJECT

 public:
  /// How the picture is drawn; the file stays as it is.
  struct Ways {
    bool frozen = false;
    bool full_size = false;     ///< one pixel of the sensor on one of the screen, its middle
    bool faint_lifted = false;  ///< what is faint is drawn brighter, for prominences
    bool marks = true;
    bool operator==(const Ways&) const = default;
  };

  LivePlate(const LiveCamera& camera, QWidget* parent);
  /// Takes the camera's last frame, unless the picture is held.
  void follow();
  void draw_so(const Ways& ways);
  [[nodiscard]] const Ways& ways() const { return ways_; }
  [[nodiscard]] QSize least_size() const override { return {360, 280}; }

 protected:
  void draw(QPainter& painter) override;

 private:
  /// Where the picture lies in the drawing, and how large a pixel is there.
  struct Lay {
    QRectF box;
    double scale = 1.0;
    QPointF corner;  ///< of the frame's first pixel
  };
  [[nodiscard]] Lay lay() const;
  void make_image();
  void paint_limb_ring(QPainter& painter, const Lay& lay) const;
  void paint_drift(QPainter& painter, const Lay& lay) const;
  void paint_scale(QPainter& painter, const Lay& lay) const;
  void paint_clipped(QPainter& painter, const Lay& lay) const;
  [[nodiscard]] QString caption() const;

  const LiveCamera& camera_;
  Ways ways_;
  capture::Glance shown_;
  QImage image_;
  QRect cut_;  ///< of the frame, that the image shows
};

}  // namespace solarchon::app
