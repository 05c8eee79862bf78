// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QRectF>
#include <QString>
#include <optional>
#include <vector>

#include "app/shell/drawing.h"

namespace solarchon::app {

/// What one light path shows of the target.
struct WaySeen {
  QString name;
  QString seen;        ///< what one sees with it, and how fine
  QString problem;     ///< why there is no picture; empty with one
  QImage image;        ///< none: not made yet
  double share = 1.0;  ///< of the field that all share, that its width takes
  bool eye = false;    ///< an eye looks, no camera
};

/// Small pictures of the same piece of sky, as one light path after another shows it. Arrow keys or
/// a click choose one.
class WaysSheet : public Drawing {
  Q_OBJECT

 public:
  explicit WaysSheet(QWidget* parent = nullptr);
  /// Keeps what is chosen.
  void show_ways(std::vector<WaySeen> ways, double field_arcmin);
  void show_picture(std::size_t way, const WaySeen& seen);
  [[nodiscard]] const std::vector<WaySeen>& ways() const { return ways_; }
  [[nodiscard]] std::optional<std::size_t> chosen() const { return chosen_; }
  void choose(std::size_t way);
  [[nodiscard]] QRectF box_of(std::size_t way) const;
  [[nodiscard]] QSize least_size() const override { return {560, 380}; }

 signals:
  void chosenChanged();

 protected:
  void draw(QPainter& painter) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void draw_way(QPainter& painter, const WaySeen& way, const QRectF& box, bool chosen) const;

  std::vector<WaySeen> ways_;
  double field_arcmin_ = 1.0;
  std::optional<std::size_t> chosen_;
};

}  // namespace solarchon::app
