// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <QWidget>
#include <vector>

namespace solarchon::app {

/// Bars of what is needed against what there is.
class NeedBars : public QWidget {
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
  [[nodiscard]] QSize sizeHint() const override;

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  void paint_bar(QPainter& painter, const Bar& bar, double top) const;

  std::vector<Bar> bars_;
};

}  // namespace solarchon::app
