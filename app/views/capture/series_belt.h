// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPainter>

#include "app/shell/drawing.h"

namespace solarchon::app {

/// A series laid out in time: its clips as blocks, those that are whole inked, and where it is.
class SeriesBelt : public Drawing {
  Q_OBJECT

 public:
  struct Picture {
    double duration_s = 1.0;
    double every_s = 1.0;  ///< from the start of one round to that of the next
    double round_s = 1.0;  ///< for which each is recorded
    int rounds = 1;
    int takes = 1;  ///< of a round
    int whole = 0;  ///< clips
    std::optional<double> now_s = {};
    QString ends;  ///< at its right
  };

  explicit SeriesBelt(QWidget* parent) : Drawing(parent) {}
  void show_picture(const Picture& picture);
  [[nodiscard]] const Picture& picture() const { return picture_; }
  [[nodiscard]] QSize usual_size() const override { return {300, 56}; }
  [[nodiscard]] QSize least_size() const override { return {120, 56}; }

 protected:
  void draw(QPainter& painter) override;

 private:
  Picture picture_;
};

}  // namespace solarchon::app
