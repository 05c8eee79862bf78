// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <memory>

#include "app/model/current_frame.h"
#include "app/shell/drawing.h"

namespace solarchon::app {

/// The frame in hand, inside a ring graduated in position angle from solar north.
class Plate : public Drawing {
  Q_OBJECT

 public:
  explicit Plate(QWidget* parent = nullptr);
  void show_frame(const std::shared_ptr<const ShownFrame>& frame);
  [[nodiscard]] QSize least_size() const override { return {420, 320}; }

 protected:
  void draw(QPainter& painter) override;

 private:
  std::shared_ptr<const ShownFrame> frame_;
  QString name_;  ///< of its file, in words: looked up once, not at every painting
  QImage image_;
};

}  // namespace solarchon::app
