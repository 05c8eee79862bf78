// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QLineEdit>
#include <QWidget>
#include <vector>

#include "app/model/document.h"
#include "app/shell/number_field.h"

namespace solarchon::app {

/// The numbers of the chosen part, edited in place.
class PartSheet : public QWidget {
  Q_OBJECT

 public:
  explicit PartSheet(Document& document, QWidget* parent = nullptr);
  /// Shows an element of the rig; the fields are rebuilt only for another kind of part.
  void show_element(int element);
  [[nodiscard]] NumberField* field(std::string_view key) const;

 private:
  struct Row {
    std::string key;
    NumberField* field;
  };
  void rebuild(const optics::Element& element);
  void add_number(std::string_view key, base::Range range, bool whole);
  /// Applies a change to the shown element as one step of undo.
  template <typename Change>
  void change(const QString& what, Change change);

  Document& document_;
  std::string shown_id_;
  QWidget* page_ = nullptr;
  QLineEdit* name_ = nullptr;
  QCheckBox* certified_ = nullptr;
  std::vector<Row> rows_;
};

}  // namespace solarchon::app
