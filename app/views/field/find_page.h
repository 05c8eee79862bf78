// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QWidget>
#include <vector>

#include "app/model/document.h"
#include "app/model/latest_job.h"
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
  /// Nothing is looked up any more.
  [[nodiscard]] bool settled() const { return looking_.settled(); }
  /// What the copy button puts on the clipboard.
  [[nodiscard]] QString coordinates() const;

 private:
  QWidget* build_side();
  void show_start(const std::vector<align::Start>& starts, double accuracy_arcmin);
  void show_figures(double miss_deg);
  /// The object of the rough alignment, and how the tube stands for it.
  [[nodiscard]] Figures::Row rough_start(const align::PoleMark& mark) const;
  void show_neighbours();
  void list_neighbours(const std::vector<align::Neighbour>& bodies);
  [[nodiscard]] QString start_words(const std::vector<align::Start>& starts) const;

  Document& document_;
  const Kit& kit_;
  Headed* head_;
  AimPicture* picture_;
  NumberField* tube_ = nullptr;
  Figures* figures_ = nullptr;
  Figures* controller_ = nullptr;
  QLabel* neighbours_ = nullptr;
  LatestJob looking_;  ///< for them; last, it ends first
};

}  // namespace solarchon::app
