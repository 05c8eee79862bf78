// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLineEdit>
#include <optional>
#include <string>
#include <vector>

#include "app/model/document.h"
#include "app/shell/number_field.h"
#include "app/window/drop_sheet.h"
#include "app/window/shelf_list.h"

namespace solarchon::app {

/// The sites to choose from, and the one in hand with its air: a sheet that drops from the Site
/// chip.
class SiteSheet : public DropSheet {
  Q_OBJECT

 public:
  SiteSheet(Document& document, AnyInHand& sites, QWidget* parent = nullptr);

 signals:
  void hinted(const QString& words);

 protected:
  void follow() override;
  void showEvent(QShowEvent* event) override;

 private:
  void add_number(const QString& label, const QString& unit, base::Range range,
                  double& (*member)(workspace::Workspace&));
  /// A figure of the weather that may be left empty.
  NumberField* add_optional(const QString& label, const QString& unit, base::Range range,
                            std::optional<double> workspace::Conditions::*member,
                            const std::string& subject);

  struct Row {
    NumberField* field;
    double& (*member)(workspace::Workspace&);
  };
  Document& document_;
  ShelfList* shelf_;
  QLineEdit* name_;
  QLineEdit* zone_;
  QLabel* zone_problem_;
  NumberField* pressure_ = nullptr;
  NumberField* humidity_ = nullptr;
  std::vector<Row> rows_;
};

}  // namespace solarchon::app
