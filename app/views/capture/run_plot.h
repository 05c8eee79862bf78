// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPointF>
#include <QString>
#include <optional>
#include <vector>

#include "app/shell/drawing.h"

namespace solarchon::app {

/// What a run has seen so far, place by place, and where the best lies.
class RunPlot : public Drawing {
  Q_OBJECT

 public:
  struct Picture {
    QString up;    ///< what is drawn upwards
    QString unit;  ///< of the numbers at its lines
    QString left;  ///< what lies that way
    QString right;
    std::vector<QPointF> points = {};
    std::vector<QPointF> curve = {};  ///< through them, from left to right
    std::optional<double> best = {};
    std::optional<double> now = {};  ///< where it stands
    QString empty = {};              ///< in the place of points, while there are none
  };

  explicit RunPlot(QWidget* parent) : Drawing(parent) {}
  void show_picture(const Picture& picture);
  [[nodiscard]] const Picture& picture() const { return picture_; }
  [[nodiscard]] QSize least_size() const override { return {240, 84}; }

 protected:
  void draw(QPainter& painter) override;

 private:
  Picture picture_;
};

}  // namespace solarchon::app
