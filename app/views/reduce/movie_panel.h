// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QButtonGroup>
#include <QCheckBox>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QWidget>

#include "app/model/movie.h"
#include "app/shell/number_field.h"
#include "app/views/reduce/file_list.h"

namespace solarchon::app {

/// Pictures and how they become a movie.
class MoviePanel : public QWidget {
  Q_OBJECT

 public:
  MoviePanel(Movie& movie, QWidget* parent);
  void follow();

 signals:
  void asksForMore();
  void asksWhereTo();

 private:
  QWidget* build_hold();
  QWidget* build_switches();
  QWidget* build_numbers();
  QWidget* build_out();
  [[nodiscard]] QString words() const;
  template <typename Set>
  void change(Set set) {
    reduce::AnimationWishes wishes = movie_.wishes();
    set(wishes);
    movie_.set_wishes(wishes);
  }

  Movie& movie_;
  FileList* list_;
  QPushButton* products_;
  QButtonGroup* holds_;
  QCheckBox* north_;
  QCheckBox* still_;
  QCheckBox* even_;
  QCheckBox* back_;
  QCheckBox* stamp_;
  QCheckBox* tint_;
  NumberField* between_;
  NumberField* rate_;
  QLabel* words_;
  QProgressBar* bar_;
  QPushButton* make_;
};

}  // namespace solarchon::app
