// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QStackedLayout>
#include <QWidget>
#include <string_view>

#include "app/model/models.h"
#include "app/views/field/scenes.h"

namespace solarchon::app {

/// The page of Field that shows how a step is done; empty where none does.
[[nodiscard]] QString how_to(std::string_view step);

/// The instrument of a step, beside it: the shadow on the ground, the tube's shadow on a card, or
/// the pole with the way to turn.
class Instrument : public QWidget {
  Q_OBJECT

 public:
  Instrument(const Models& models, QWidget* parent = nullptr);
  /// @return  whether the step has one
  [[nodiscard]] static bool has(std::string_view step) { return !how_to(step).isEmpty(); }
  void show_for(std::string_view step);

 private:
  const Document& document_;
  const Kit& kit_;
  GroundPlan* ground_;
  AimPicture* aim_;
  PolePicture* pole_;
  QStackedLayout* stack_;
};

}  // namespace solarchon::app
