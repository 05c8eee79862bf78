// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <deque>
#include <optional>

#include "app/model/live_camera.h"
#include "app/shell/drawing.h"

namespace solarchon::app {

/// The last two minutes of the meters, one strip over the other: sharpness, the limb's edge with
/// the best that was seen of it, air, light.
class MeterStrips : public Drawing {
  Q_OBJECT

 public:
  explicit MeterStrips(QWidget* parent);
  /// Takes readings of that instant.
  /// @param off_aim_stops  by which the picture is brighter than it was to be; none: not known
  void add(double seconds, const live::Readings& readings, std::optional<double> off_aim_stops);
  void clear();
  [[nodiscard]] QSize least_size() const override { return {240, 156}; }

 protected:
  void draw(QPainter& painter) override;

 private:
  struct Sample {
    double seconds;
    double sharpness;
    std::optional<double> edge_arcsec;
    std::optional<double> r0_cm;
    std::optional<double> stops;  ///< that the light lacks
    double level;
    std::optional<double> off_aim_stops;
  };
  struct Strip {
    QString name;
    QString value;
    std::vector<std::pair<double, double>> points;  ///< age (s), height 0 to 1
  };
  [[nodiscard]] std::vector<Strip> strips() const;

  std::deque<Sample> samples_;
};

}  // namespace solarchon::app
