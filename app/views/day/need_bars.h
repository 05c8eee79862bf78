// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/shell/drawing.h"

#include <QString>
#include <vector>

namespace solarchon::app {

/// Bars of what is needed against what there is.
class NeedBars : public Drawing {
  Q_OBJECT

 public:
  struct Part {
    QString name;
    double amount = 0.0;
  };
  struct Bar {
    QString name;
    QString unit;
    std::vector<Part> needed;    ///< side by side
    std::optional<double> have;  ///< none: not known
    double spare = 0.0;          ///< on top of it
    QString verdict;             ///< in words, under the bar
    bool short_of = false;
  };

  explicit NeedBars(QWidget* parent = nullptr);
  void show_bars(const std::vector<Bar>& bars);
  [[nodiscard]] const std::vector<Bar>& bars() const { return bars_; }
  [[nodiscard]] QSize usual_size() const override;
  [[nodiscard]] QSize least_size() const override { return {300, usual_size().height()}; }

 protected:
  void draw(QPainter& painter) override;

 private:
  void paint_bar(QPainter& painter, const Bar& bar, double top) const;

  std::vector<Bar> bars_;
};

}  // namespace solarchon::app
