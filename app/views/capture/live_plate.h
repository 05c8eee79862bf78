// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <memory>
#include <optional>

#include "app/model/live_camera.h"
#include "app/shell/drawing.h"
#include "app/views/capture/turned.h"
#include "solarchon/image/frame.h"

namespace solarchon::app {

/// The live picture in a ring of position angles, with drift and a scale in Earths.
class LivePlate : public Drawing {
  Q_OBJECT

 public:
  /// How the picture is turned for the eye.
  enum class Way { kAsItComes, kNorthUp, kHalfTurn, kMirrored, kUpsideDown };
  /// How the picture is drawn; the file stays as it is.
  struct Ways {
    bool frozen = false;
    int zoom = 0;               ///< 0: all of it; pixels of the screen on one of the sensor
    bool faint_lifted = false;  ///< what is faint is drawn brighter, for prominences
    bool marks = true;
    Way way = Way::kAsItComes;
    bool operator==(const Ways&) const = default;
  };

  LivePlate(const LiveCamera& camera, QWidget* parent);
  /// Shows one frame instead of those that come; none: as they come.
  void show_still(const std::shared_ptr<const image::Frame>& frame);
  /// Takes the camera's last frame, unless the picture is held.
  void follow();
  void draw_so(const Ways& ways);
  [[nodiscard]] const Ways& ways() const { return ways_; }
  [[nodiscard]] QSize least_size() const override { return {360, 280}; }

 signals:
  /// At a pixel of the sensor; at none: no longer.
  void pointedAt(const std::optional<QPointF>& pixel);

 protected:
  void draw(QPainter& painter) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  /// Where the picture lies in the drawing, and how large a pixel is there.
  struct Lay {
    QRectF box;
    double scale = 1.0;
    QTransform to;  ///< from pixels of the frame
    /// A way in the frame, as it is drawn.
    [[nodiscard]] QPointF way(const QPointF& pixels) const {
      return to.map(pixels) - to.map(QPointF());
    }
  };
  [[nodiscard]] Turned turned() const;
  [[nodiscard]] Lay lay() const;
  void take_glance();
  void make_image();
  /// The cross in the frame that is shown; its middle where there is none.
  [[nodiscard]] QPointF cross_in_frame() const;
  void paint_dust(QPainter& painter, const Lay& lay) const;
  void paint_opening(QPainter& painter, const Lay& lay) const;
  void paint_cross(QPainter& painter, const Lay& lay) const;
  void paint_limb_ring(QPainter& painter, const Lay& lay) const;
  /// Where the sky's north is, on the ring.
  void paint_sky_north(QPainter& painter, const QPointF& centre, double radius) const;
  void paint_drift(QPainter& painter, const Lay& lay) const;
  void paint_scale(QPainter& painter, const Lay& lay) const;
  void paint_clipped(QPainter& painter, const Lay& lay) const;
  [[nodiscard]] QString caption() const;

  const LiveCamera& camera_;
  Ways ways_;
  capture::Glance shown_;
  std::shared_ptr<const image::Frame> still_;
  QImage image_;
  QRect cut_;  ///< of the frame, that the image shows
};

}  // namespace solarchon::app
