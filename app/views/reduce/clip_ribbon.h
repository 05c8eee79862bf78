// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <memory>
#include <optional>
#include <vector>

#include "app/shell/drawing.h"
#include "solarchon/reduce/grading.h"

namespace solarchon::app {

/// A clip laid out in time: as high as each frame is sharp, the kept ones inked, with some of the
/// frames under it. Left and right go from frame to frame, up and down move the level where there
/// is one.
class ClipRibbon : public Drawing {
  Q_OBJECT

 public:
  struct Small {
    double seconds = 0.0;
    QImage image;
  };

  explicit ClipRibbon(QWidget* parent = nullptr);
  void show_clip(const std::shared_ptr<const reduce::ClipGrading>& grading,
                 std::vector<Small> smalls);
  void show_kept(const std::vector<std::size_t>& kept);
  /// @param place  in the grading's frames; -1: none
  void show_chosen(int place);
  /// A line above which frames are kept; none: there is no such rule.
  void show_level(std::optional<double> level);

 signals:
  void chosen(int place);
  void levelled(double level);

 protected:
  void draw(QPainter& painter) override;
  [[nodiscard]] QSize least_size() const override { return {420, 150}; }
  [[nodiscard]] QSize usual_size() const override { return {420, 190}; }
  void keyPressEvent(QKeyEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;

 private:
  [[nodiscard]] QRectF box() const;
  [[nodiscard]] double across(double seconds) const;
  [[nodiscard]] double up(double sharpness) const;
  void point_at(const QPointF& where, bool begins);
  void draw_frames(QPainter& painter) const;
  void draw_smalls(QPainter& painter) const;
  void draw_scale(QPainter& painter) const;

  std::shared_ptr<const reduce::ClipGrading> grading_;
  std::vector<Small> smalls_;
  std::vector<bool> kept_;
  int chosen_ = -1;
  std::optional<double> level_;
  bool drags_level_ = false;
  double last_s_ = 1.0;
  double highest_ = 2.0;
};

}  // namespace solarchon::app
