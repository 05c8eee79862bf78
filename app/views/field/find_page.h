// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QWidget>
#include <vector>

#include "app/model/document.h"
#include "app/model/models.h"
#include "app/shell/figures.h"
#include "app/shell/number_field.h"
#include "app/views/field/aim_picture.h"
#include "app/views/field/headed.h"
#include "solarchon/align/find.h"

namespace solarchon::app {

/// Finding the Sun without looking: by the tube's shadow, by circles, by a controller.
class FindPage : public QWidget {
  Q_OBJECT

 public:
  FindPage(const Models& models, QWidget* parent = nullptr);
  void follow();
  /// What the copy button puts on the clipboard.
  [[nodiscard]] QString coordinates() const;

 private:
  QWidget* build_side();
  void show_start(const std::vector<align::Start>& starts, double accuracy_arcmin);
  void show_figures(double miss_deg);
  void show_neighbours();
  [[nodiscard]] QString start_words(const std::vector<align::Start>& starts) const;

  Document& document_;
  const Kit& kit_;
  Headed* head_;
  AimPicture* picture_;
  NumberField* tube_ = nullptr;
  Figures* figures_ = nullptr;
  Figures* controller_ = nullptr;
  QLabel* neighbours_ = nullptr;
};

}  // namespace solarchon::app
