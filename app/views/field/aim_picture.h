// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "app/shell/drawing.h"

namespace solarchon::app {

/// The tube's shadow on a card, as it looks when the tube points beside the Sun and when it points
/// at it; and to scale how near that comes, in the field that one begins with.
class AimPicture : public Drawing {
  Q_OBJECT

 public:
  struct Scene {
    double tube_mm = 0.0;  ///< 0: not known, the card stays empty
    double aperture_mm = 0.0;
    double accuracy_arcmin = 0.0;
    double sun_radius_arcmin = 16.0;
    std::optional<QSizeF> field_arcmin = {};  ///< of the start that is advised
    bool round = false;                       ///< the field of an eyepiece
    bool enough = false;
  };
  explicit AimPicture(QWidget* parent);
  /// @param words  what it says, for who cannot see it
  void show_scene(const Scene& scene, const QString& words);

 protected:
  void draw(QPainter& painter) override;
  [[nodiscard]] QSize usual_size() const override { return {620, 400}; }
  [[nodiscard]] QSize least_size() const override { return {420, 240}; }

 private:
  void paint_card(QPainter& painter, const QRectF& box) const;
  void paint_field(QPainter& painter, const QRectF& box) const;

  Scene scene_;
};

}  // namespace solarchon::app
