// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QPushButton>
#include <map>
#include <optional>

#include "app/shell/figures.h"
#include "app/views/log/year_strip.h"
#include "app/views/view.h"

namespace solarchon::app {

/// The log as an almanac: a year of days, and the page of a session.
class LogView : public View {
  Q_OBJECT

 public:
  LogView(Document& document, Records& records, QWidget* parent = nullptr);
  ~LogView() override;

 protected:
  void follow() override;
  void hideEvent(QHideEvent* event) override;

 private:
  QWidget* build_page();
  void show_session(std::int64_t id);
  void keep_notes();
  void open_chosen_frame();

  YearStrip* year_;
  QListWidget* list_;
  QLabel* empty_;
  QWidget* book_;
  QWidget* page_;
  QLabel* title_;
  Figures* figures_;
  QListWidget* frames_;
  QPushButton* open_;
  QPlainTextEdit* notes_;
  std::map<std::int64_t, QString> unkept_;  ///< notes that could not be written yet
  std::optional<log::Session> session_;
  std::vector<std::int64_t> listed_;
};

}  // namespace solarchon::app
