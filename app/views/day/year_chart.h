// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>

#include "app/model/document.h"
#include "app/shell/drawing.h"
#include "solarchon/plan/ahead.h"

namespace solarchon::app {

/// The year on one sheet: greatest heights above, the days' light and clear hours by the clock in
/// the middle, the tilt of the disc and the beginning rotations below. A click or the arrow keys
/// (a day; with Shift a week, Page keys a month) look at a day.
class YearChart : public Drawing {
  Q_OBJECT

 public:
  explicit YearChart(Document& document, QWidget* parent = nullptr);
  void show_year(std::shared_ptr<const plan::YearAhead> year);
  [[nodiscard]] const std::shared_ptr<const plan::YearAhead>& year() const { return year_; }
  [[nodiscard]] QSize least_size() const override { return {420, 300}; }
  /// Where a day of the year is drawn (px from the left); 0: 1 January.
  [[nodiscard]] double x_of(double day) const;

 protected:
  bool event(QEvent* event) override;
  void draw(QPainter& painter) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  struct Bands {
    QRectF height;
    QRectF light;
    QRectF tilt;
  };
  [[nodiscard]] Bands bands() const;
  [[nodiscard]] std::optional<int> day_at(double x) const;
  [[nodiscard]] double clock_hour(sky::UtcTime time, const sky::CivilDate& date) const;
  void look_at_day(int day);
  [[nodiscard]] int shown_day() const;
  void paint_months(QPainter& painter) const;
  void paint_heights(QPainter& painter) const;
  void paint_light(QPainter& painter) const;
  void paint_tilt(QPainter& painter) const;
  void paint_rotations(QPainter& painter) const;
  void paint_today(QPainter& painter) const;

  Document& document_;
  std::shared_ptr<const plan::YearAhead> year_;
};

}  // namespace solarchon::app
