// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAction>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QScrollArea>
#include <QStackedWidget>
#include <QTimer>
#include <QToolButton>
#include <functional>

#include "app/shell/figures.h"
#include "app/shell/picture_with_panel.h"
#include "app/views/light_path/findings_list.h"
#include "app/views/light_path/part_chooser.h"
#include "app/views/light_path/part_sheet.h"
#include "app/views/light_path/rules_menu.h"
#include "app/views/light_path/section.h"
#include "app/views/view.h"
#include "solarchon/advise/advise.h"

namespace solarchon::app {

/// The train from the Sun to the end, what speaks against it, and what would cure that.
class LightPathView : public View {
  Q_OBJECT

 public:
  LightPathView(const Models& models, QWidget* parent = nullptr);
  [[nodiscard]] Readiness readiness() const override;
  /// A light path takes the place of the present one.
  void open_file(const QString& file) override;
  [[nodiscard]] bool settled() const override { return !suggest_soon_.isActive(); }
  void restyle() override;

 protected:
  void follow() override;
  void resizeEvent(QResizeEvent* event) override;

 private:
  QWidget* build_tools();
  QWidget* build_drawings();
  QWidget* build_side();
  QToolButton* build_path_menu(QWidget* parent);
  void choose_parts();
  void done_choosing();
  void toggle();
  void remove();
  void move(int from, int to);
  void put(const optics::Element& part, std::size_t place);
  void put_dropped(const QByteArray& json, int place);
  void adopt_rig(const QString& what, const optics::Rig& rig);
  void rename(const QString& name);
  void compare();
  void swap_compared();
  void open_compared();
  /// Reads a file off the interface thread; what is wrong with it is told.
  void read_rig(const QString& file, const std::function<void(const optics::Rig&)>& use);
  void import_kit();
  void export_kit();
  void set_practice(const QString& what, const safety::Practice& practice);
  void suggest();
  void take_suggestion(int suggestion);
  void show_figures();

  std::vector<optics::Element> generic_parts_;  ///< that ship, named in the language
  Section* section_;
  Section* second_;
  QScrollArea* drawings_ = nullptr;
  int tall_ = 0;  ///< what the drawings ask for (px)
  QWidget* comparison_ = nullptr;
  QLabel* compared_name_ = nullptr;
  Figures* figures_;
  FindingsList* findings_;
  PartSheet* sheet_;
  PartChooser* chooser_;
  PictureWithPanel* beside_ = nullptr;
  QStackedWidget* side_ = nullptr;
  QLineEdit* rig_name_ = nullptr;
  QPushButton* toggle_;
  QPushButton* remove_;
  QAction* compare_ = nullptr;
  RulesMenu* rules_ = nullptr;
  QTimer suggest_soon_;
  std::vector<advise::Suggestion> suggestions_;
  optics::Rig suggested_for_;
  safety::Practice suggested_practice_;
};

}  // namespace solarchon::app
