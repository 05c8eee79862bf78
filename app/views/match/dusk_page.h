// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QPushButton>
#include <QWidget>

#include "app/model/document.h"
#include "app/model/models.h"
#include "app/shell/figures.h"
#include "app/shell/number_field.h"
#include "app/views/match/dusk_picture.h"
#include "solarchon/light/dusk.h"

namespace solarchon::app {

/// Sunrise and sunset for a wide lens without a filter: how shutter and ISO follow the light, ready
/// to be copied.
class DuskPage : public QWidget {
  Q_OBJECT

 public:
  DuskPage(const Models& models, QWidget* parent);
  void follow();

 private:
  QWidget* build_side();
  [[nodiscard]] bool evening() const;
  void copy() const;

  Document& document_;
  light::Ramp ramp_;
  double interval_s_ = 10.0;
  DuskPicture* picture_;
  QComboBox* which_;
  NumberField* ratio_;
  NumberField* low_;
  NumberField* high_;
  NumberField* longest_;
  NumberField* interval_;
  Figures* figures_;
  QPushButton* copy_;
};

}  // namespace solarchon::app
