// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QLabel>
#include <QLineEdit>
#include <QTimeEdit>
#include <QWidget>

#include "app/model/document.h"
#include "app/shell/number_field.h"

namespace solarchon::app {

/// The figures of one run, in fields.
class RunEditor : public QWidget {
  Q_OBJECT

 public:
  explicit RunEditor(Document& document, QWidget* parent = nullptr);
  /// @param index  its place in the wishes
  void show_run(std::size_t index);

 signals:
  void edited(const plan::Run& to);
  void removeAsked();

 private:
  NumberField* add_number(const QString& label, const QString& unit, base::Range range,
                          double plan::Run::*member, const QString& reason);
  void read_start();

  Document& document_;
  plan::Run run_;
  QLineEdit* name_;
  QTimeEdit* start_;
  QCheckBox* fixed_;
  QLabel* facts_;
  std::vector<std::pair<NumberField*, double plan::Run::*>> numbers_;
};

}  // namespace solarchon::app
