// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QLineEdit>
#include <QWidget>
#include <functional>
#include <string>
#include <vector>

#include "app/model/document.h"
#include "app/model/models.h"
#include "app/shell/number_field.h"
#include "app/views/light_path/care_sheet.h"

namespace solarchon::app {

/// The chosen part, edited in place: its properties, its faces, and what its owner knows of it.
class PartSheet : public QWidget {
  Q_OBJECT

 public:
  PartSheet(const Models& models, QWidget* parent = nullptr);
  /// Shows an element of the rig; the fields are rebuilt only for another part.
  void show_element(int element);
  [[nodiscard]] NumberField* field(std::string_view key) const;

 private:
  /// A widget for a property, and the way to show the element's value in it.
  struct Row {
    std::string key;
    NumberField* field;  ///< null for flags and choices
    std::function<void(const optics::Element&)> show;
  };
  void rebuild(const optics::Element& element);
  void add_name();
  void add_number(std::string_view key, base::Range range, bool whole);
  void add_flag(std::string_view key);
  void add_choice(std::string_view key, const std::vector<std::string>& words);
  void add_face(const QString& label, optics::Face optics::Element::*face);
  QComboBox* add_combo(const QString& label, const QString& reason, const QStringList& items);
  void add_care(bool tunable);
  void keep();
  /// Applies a change to the shown element as one step of undo.
  template <typename Change>
  void change(const QString& what, const std::string& subject, Change change);

  Document& document_;
  Kit& kit_;
  std::string shown_id_;
  std::size_t shown_kind_ = 0;
  QWidget* page_ = nullptr;
  QLineEdit* name_ = nullptr;
  std::vector<Row> rows_;
};

}  // namespace solarchon::app
