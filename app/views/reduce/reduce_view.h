// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QPushButton>

#include "app/model/reduction.h"
#include "app/views/reduce/clip_ribbon.h"
#include "app/views/reduce/recipe_panel.h"
#include "app/views/reduce/swipe_picture.h"
#include "app/views/view.h"

namespace solarchon::app {

/// A clip as a ribbon in time, the picture that comes of it, and the recipe between them.
class ReduceView : public View {
  Q_OBJECT

 public:
  ReduceView(const Models& models, QWidget* parent = nullptr);
  [[nodiscard]] Readiness readiness() const override;
  [[nodiscard]] bool settled() const override;
  void open_file(const QString& file) override;
  void restyle() override;

 protected:
  void follow() override;
  void showEvent(QShowEvent* event) override;
  void dragEnterEvent(QDragEnterEvent* event) override;
  void dropEvent(QDropEvent* event) override;

 private:
  QWidget* build_pictures();
  QWidget* build_side();
  void list_clips();
  void ask_open();
  void ask_dark();
  void ask_flat();
  void ask_save();
  [[nodiscard]] QString ask_file(const QString& title);
  void show_before();
  void show_after();
  void show_clip();

  Reduction& reduction_;
  QComboBox* clips_;
  SwipePicture* picture_;
  ClipRibbon* ribbon_;
  RecipePanel* panel_;
  std::shared_ptr<const reduce::ClipGrading> shown_grading_;
  std::shared_ptr<const reduce::Product> shown_product_;
};

}  // namespace solarchon::app
