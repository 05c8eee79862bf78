// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QWidget>

#include "app/model/document.h"
#include "app/model/models.h"
#include "app/shell/figures.h"
#include "app/shell/number_field.h"
#include "app/views/field/headed.h"
#include "app/views/field/track_picture.h"

namespace solarchon::app {

/// Where the Sun will wander in the field over the coming hour, and what that means for a clip.
class TrackPage : public QWidget {
  Q_OBJECT

 public:
  TrackPage(const Models& models, QWidget* parent = nullptr);
  void follow();

 private:
  QWidget* build_side();
  [[nodiscard]] align::Driving driving() const;
  [[nodiscard]] QString headline(const align::TrackSummary& summary) const;
  [[nodiscard]] QString axis_words() const;

  Document& document_;
  Headed* head_;
  TrackPicture* picture_;
  NumberField* worm_ = nullptr;
  NumberField* period_ = nullptr;
  NumberField* step_ = nullptr;
  QLabel* axis_ = nullptr;
  Figures* figures_ = nullptr;
};

}  // namespace solarchon::app
