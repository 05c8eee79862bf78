// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QWidget>
#include <memory>

#include "app/model/records.h"

namespace solarchon::app {

/// The frame in hand, inside a ring graduated in position angle from solar north.
class Plate : public QWidget {
  Q_OBJECT

 public:
  explicit Plate(QWidget* parent = nullptr);
  void show_frame(const std::shared_ptr<const ShownFrame>& frame);
  [[nodiscard]] QSize minimumSizeHint() const override { return {420, 320}; }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  std::shared_ptr<const ShownFrame> frame_;
  QImage image_;
};

}  // namespace solarchon::app
