// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QPushButton>

#include "app/model/movie.h"
#include "app/model/reduction.h"
#include "app/shell/pages.h"
#include "app/views/reduce/clip_ribbon.h"
#include "app/views/reduce/finish_panel.h"
#include "app/views/reduce/movie_panel.h"
#include "app/views/reduce/movie_picture.h"
#include "app/views/reduce/out_panel.h"
#include "app/views/reduce/panels_panel.h"
#include "app/views/reduce/recipe_panel.h"
#include "app/views/reduce/swipe_picture.h"
#include "app/views/view.h"

namespace solarchon::app {

/// A clip as a ribbon in time, the picture that comes of it, and the recipe between them; panels
/// that become one picture; what makes a picture fit to be shown; and pictures that become a movie.
class ReduceView : public View {
  Q_OBJECT

 public:
  ReduceView(const Models& models, QWidget* parent = nullptr);
  [[nodiscard]] Readiness readiness() const override;
  [[nodiscard]] bool settled() const override;
  void open_file(const QString& file) override;
  void restyle() override;
  void show_page(const QString& id) override { pages_->turn_to(id); }
  [[nodiscard]] QString page() const override { return pages_->id(); }

 protected:
  void follow() override;
  void showEvent(QShowEvent* event) override;
  void dragEnterEvent(QDragEnterEvent* event) override;
  void dropEvent(QDropEvent* event) override;

 private:
  QWidget* build_pictures();
  QWidget* build_side();
  QWidget* build_clip_page();
  void set_keys();
  void take_files(const QStringList& files);
  void list_clips();
  void make_or_stop();
  void follow_movie();
  [[nodiscard]] QString movie_words(int picture) const;
  void ask_where_to();
  void ask_prominences();
  [[nodiscard]] QStringList ask_pictures(const QString& title);
  void ask_open();
  void ask_dark();
  void ask_flat();
  void ask_save();
  [[nodiscard]] QString ask_file(const QString& title);
  void show_before();
  void show_after();
  void show_clip();

  Reduction& reduction_;
  Movie& movie_;
  QComboBox* clips_;
  SwipePicture* picture_;
  ClipRibbon* ribbon_;
  MoviePicture* movie_picture_;
  QWidget* clip_page_;
  RecipePanel* panel_;
  QPushButton* day_;
  PanelsPanel* panels_;
  FinishPanel* finish_;
  MoviePanel* movie_panel_;
  OutPanel* out_;
  Pages* pages_ = nullptr;
  std::shared_ptr<const reduce::ClipGrading> shown_grading_;
  std::shared_ptr<const reduce::Product> shown_product_;
};

}  // namespace solarchon::app
