// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFrame>
#include <QLineEdit>

#include "app/model/document.h"
#include "app/shell/number_field.h"

namespace solarchon::app {

/// Site and air, edited in place: a sheet that drops from the Site chip.
class SiteSheet : public QFrame {
  Q_OBJECT

 public:
  explicit SiteSheet(Document& document, QWidget* parent = nullptr);

 protected:
  void showEvent(QShowEvent* event) override;

 private:
  void add_number(const QString& label, const QString& unit, base::Range range,
                  double& (*member)(workspace::Workspace&));
  void add_pressure();
  void follow();

  struct Row {
    NumberField* field;
    double& (*member)(workspace::Workspace&);
  };
  Document& document_;
  QLineEdit* name_;
  QLineEdit* zone_;
  QLabel* zone_problem_;
  NumberField* pressure_ = nullptr;
  std::vector<Row> rows_;
};

}  // namespace solarchon::app
