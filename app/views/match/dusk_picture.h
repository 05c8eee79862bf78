// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <QTimeZone>
#include <vector>

#include "app/shell/drawing.h"
#include "solarchon/workspace/dusk.h"

namespace solarchon::app {

/// The Sun's way through the horizon, and under it the shutter and the ISO of each time.
class DuskPicture : public Drawing {
  Q_OBJECT

 public:
  explicit DuskPicture(QWidget* parent = nullptr);
  void show_steps(std::vector<workspace::DuskStep> steps, const light::Ramp& ramp,
                  const QTimeZone& zone);
  [[nodiscard]] const std::vector<workspace::DuskStep>& steps() const { return steps_; }
  [[nodiscard]] QSize least_size() const override { return {480, 320}; }

 protected:
  void draw(QPainter& painter) override;

 private:
  [[nodiscard]] double x_of(sky::UtcTime time) const;
  void draw_sun(QPainter& painter, const QRectF& box) const;
  void draw_ladder(QPainter& painter, const QRectF& box, const QString& name, bool iso) const;

  std::vector<workspace::DuskStep> steps_;
  light::Ramp ramp_;
  QTimeZone zone_;
};

}  // namespace solarchon::app
