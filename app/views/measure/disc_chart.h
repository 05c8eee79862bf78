// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <memory>

#include "app/model/current_frame.h"
#include "app/shell/drawing.h"

namespace solarchon::app {

/// The measured frame as a chart: fitted limb, heliographic grid, numbered spots, scale in Earths.
class DiscChart : public Drawing {
  Q_OBJECT

 public:
  explicit DiscChart(QWidget* parent = nullptr);
  void show_frame(const std::shared_ptr<const ShownFrame>& frame);
  /// Marks one spot; none for -1.
  void choose_spot(int spot);
  [[nodiscard]] QSize least_size() const override { return {420, 320}; }

 signals:
  void spotClicked(int spot);

 protected:
  void draw(QPainter& painter) override;
  void mousePressEvent(QMouseEvent* event) override;

 private:
  [[nodiscard]] QRectF picture_rect() const;
  [[nodiscard]] QPointF place(double x_px, double y_px) const;
  void paint_spots(QPainter& painter) const;
  void paint_scale_bar(QPainter& painter) const;

  std::shared_ptr<const ShownFrame> frame_;
  QString name_;  ///< of its file, in words: looked up once, not at every painting
  QImage image_;
  int chosen_ = -1;
};

}  // namespace solarchon::app
