// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QWidget>
#include <vector>

namespace solarchon::app {

/// A column of named figures: a small name over a value with its unit.
class Figures : public QWidget {
  Q_OBJECT

 public:
  struct Row {
    QString name;
    QString value;
    QString reason = {};  ///< tooltip
  };
  /// @param columns  how many figures stand side by side
  explicit Figures(int columns, QWidget* parent = nullptr);
  /// From now on what does not fit its column goes on below it, in columns of one width: for pages
  /// that scroll. Before the first rows.
  void wrap();
  /// Shows rows; the widgets are kept while their number stays the same.
  void show_rows(const std::vector<Row>& rows);
  /// The value shown under a name; empty when there is none.
  [[nodiscard]] QString value_of(const QString& name) const;

 private:
  [[nodiscard]] QLabel* new_label(Qt::Alignment down);

  int columns_;
  bool wraps_ = false;
  std::vector<QLabel*> names_;
  std::vector<QLabel*> values_;
};

}  // namespace solarchon::app
