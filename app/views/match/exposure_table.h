// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QRectF>
#include <optional>
#include <vector>

#include "app/shell/drawing.h"
#include "solarchon/light/exposure_plan.h"

namespace solarchon::app {

/// The whole table of ISO or gain against shutter as one picture: each place as bright as its frame
/// would be, the usable band framed. Arrow keys or a click choose a place.
class ExposureTable : public Drawing {
  Q_OBJECT

 public:
  explicit ExposureTable(QWidget* parent = nullptr);
  void show_table(std::vector<light::ExposureCell> cells, double target_level);
  [[nodiscard]] const std::vector<light::ExposureCell>& cells() const { return cells_; }
  [[nodiscard]] std::optional<std::size_t> chosen() const { return chosen_; }
  void choose(std::size_t cell);
  /// Where a place of the table is drawn.
  [[nodiscard]] QRectF box_of(std::size_t cell) const;
  [[nodiscard]] QSize least_size() const override { return {420, 172}; }

 signals:
  void chosenChanged();

 protected:
  void draw(QPainter& painter) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;

 private:
  [[nodiscard]] std::size_t columns() const;
  [[nodiscard]] std::optional<std::size_t> cell_at(const QPointF& point) const;

  std::vector<light::ExposureCell> cells_;
  double target_level_ = light::kTargetLevel;
  std::optional<std::size_t> chosen_;
};

/// How a frame of such a level comes out, in words.
[[nodiscard]] QString words_for_level(double level);
/// As shutters are marked: 1/500 s, 2 s.
[[nodiscard]] QString shutter_text(double shutter_s);

}  // namespace solarchon::app
