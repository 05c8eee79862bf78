// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "app/shell/drawing.h"
#include "solarchon/plan/runbook.h"

namespace solarchon::app {

/// An occasion as a strip: its steps one after the other, as wide as they take, those that let the
/// Sun in in its colour; under them what runs by itself meanwhile.
class OrderStrip : public Drawing {
  Q_OBJECT

 public:
  explicit OrderStrip(QWidget* parent);
  /// @param shown  the step of the card
  void show_steps(const std::vector<plan::RunbookStep>& steps,
                  const std::vector<plan::StepStanding>& standing, std::size_t shown);

 protected:
  void draw(QPainter& painter) override;
  [[nodiscard]] QSize usual_size() const override { return {480, 78}; }
  [[nodiscard]] QSize least_size() const override { return {240, 78}; }

 private:
  struct Block {
    double from_min = 0.0;
    double to_min = 0.0;
    bool exposes = false;
    bool waits = false;
    bool done = false;
    bool shown = false;
    QString name = {};  ///< of what runs by itself
  };
  void paint_block(QPainter& painter, const Block& block, double scale) const;

  std::vector<Block> blocks_;
  double whole_min_ = 1.0;  ///< until the last block ends
  double hands_min_ = 0.0;  ///< of what is done by hand
};

}  // namespace solarchon::app
