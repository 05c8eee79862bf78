// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "app/model/document.h"
#include "app/shell/drawing.h"

namespace solarchon::app {

/// What is chosen on the sheet: a run by its place in the wishes, a step by its kind, or nothing.
struct SheetChoice {
  std::optional<std::size_t> run;
  std::optional<plan::StepKind> step;
  bool operator==(const SheetChoice&) const = default;
};

/// The day as a sheet of hours: the Sun, the air and the clouds above, under them the steps that
/// lead to the first frame and the runs.
///
/// A run is dragged to another time, or by its end to another length. With keys: Up and Down
/// choose, Left and Right move the run by five minutes (with Shift by one), Ctrl with them changes
/// its length, Delete takes it out.
class DaySheet : public Drawing {
  Q_OBJECT

 public:
  explicit DaySheet(Document& document, QWidget* parent = nullptr);
  [[nodiscard]] QSize least_size() const override;

  [[nodiscard]] const SheetChoice& choice() const { return choice_; }
  void choose(const SheetChoice& choice);
  /// Where a run's block is drawn; empty when it is not of this day.
  [[nodiscard]] QRectF block_of_run(std::size_t run) const;
  [[nodiscard]] QRectF block_of_step(plan::StepKind kind) const;
  [[nodiscard]] double x_of(sky::UtcTime time) const;

 signals:
  void chosen();
  void runEdited(std::size_t run, const plan::Run& to);
  void removeAsked(std::size_t run);

 protected:
  bool event(QEvent* event) override;
  void draw(QPainter& painter) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  /// Width of the column of names, as wide as the language needs (px).
  [[nodiscard]] double names_wide() const;
  static constexpr double kStepHigh = 22.0;  ///< of a step's row (px)
  /// All but the rows of the Sun and the air, which share what is left.
  [[nodiscard]] double fixed_high() const;
  [[nodiscard]] double steps_high() const;
  /// The rows of the sheet, in pixels from the top.
  struct Rows {
    QRectF sun;
    QRectF air;
    QRectF cloud;
    QRectF steps;
    QRectF runs;
  };
  [[nodiscard]] Rows rows() const;
  [[nodiscard]] sky::Window span() const;
  [[nodiscard]] const plan::DayPlan& plan() const { return document_.plan(); }
  [[nodiscard]] plan::Run shown_run(std::size_t run) const;
  [[nodiscard]] SheetChoice choice_at(const QPointF& point) const;
  void step_choice(int by);
  void change_run(double start_min, double length_min);
  [[nodiscard]] QString tip_at(const QPointF& point) const;
  void paint_hours(QPainter& painter) const;
  void paint_sun(QPainter& painter) const;
  void paint_air(QPainter& painter) const;
  void paint_clouds(QPainter& painter) const;
  void paint_sky_state(QPainter& painter, plan::SkyState state, const QRectF& cell) const;
  void paint_run_name(QPainter& painter, const plan::PlannedRun& planned,
                      const QRectF& block) const;
  void paint_turn(QPainter& painter) const;
  void paint_steps(QPainter& painter) const;
  void paint_runs(QPainter& painter) const;
  void paint_now(QPainter& painter) const;
  void paint_name(QPainter& painter, const QRectF& row, const QString& name) const;

  Document& document_;
  SheetChoice choice_;
  std::size_t steps_ = 0;             ///< rows that there are for them
  std::optional<plan::Run> dragged_;  ///< as it would be when the mouse is let go
  bool by_end_ = false;
  double grip_min_ = 0.0;  ///< from the run's start (or end) to where it was gripped
};

}  // namespace solarchon::app
