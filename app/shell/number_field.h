// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <QWidget>
#include <optional>

#include "solarchon/base/range.h"

namespace solarchon::app {

/// A number with its name and unit; bad input is answered beneath it in words, and the last good
/// value stays in force.
class NumberField : public QWidget {
  Q_OBJECT

 public:
  NumberField(const QString& label, const QString& unit, base::Range range, bool whole,
              QWidget* parent = nullptr);

  /// Shows a value from outside; leaves what is being typed alone unless it means the same.
  void show_value(double value);
  /// Shows nothing; whatever is typed next is news.
  void clear();
  [[nodiscard]] QString problem() const { return problem_->text(); }
  [[nodiscard]] QLineEdit& edit() { return *edit_; }
  /// What empty input means; without it empty input is bad.
  void allow_empty(const QString& placeholder);
  /// Words for a value that is none, such as `not known` for 0: shown instead of the number, and
  /// what empty input means.
  void show_zero_as(const QString& words);

 signals:
  void entered(double value);  ///< a good value was typed and finished
  void emptied();              ///< allowed emptiness was entered

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  void read();
  void set_problem(const QString& words);

  base::Range range_;
  bool whole_;
  bool may_be_empty_ = false;
  bool zero_has_words_ = false;
  std::optional<double> value_;
  QLineEdit* edit_;
  QLabel* problem_;
};

}  // namespace solarchon::app
