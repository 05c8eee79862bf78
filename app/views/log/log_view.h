// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QTableWidget>
#include <vector>

#include "app/shell/figures.h"
#include "app/views/log/year_strip.h"
#include "app/views/view.h"

namespace solarchon::app {

/// The log as an almanac: a year of days, and the page of a session.
class LogView : public View {
  Q_OBJECT

 public:
  LogView(const Models& models, QWidget* parent = nullptr);
  ~LogView() override;
  void finish() override { keep_notes(); }

 protected:
  void follow() override;
  void hideEvent(QHideEvent* event) override;

 private:
  QWidget* build_page();
  void show_session();
  void take_up();
  void show_steps(const log::Session& session);
  void keep_notes();
  void show_frames(const log::Session& session);
  void open_chosen();
  void name_opening();

  YearStrip* year_;
  QLabel* empty_;
  QWidget* book_;
  QListWidget* list_;
  QWidget* page_;
  QLabel* title_;
  Figures* figures_;
  QListWidget* frames_;
  QPushButton* open_;
  QPushButton* take_up_;
  QPlainTextEdit* notes_;
  QTableWidget* steps_;
  std::int64_t session_ = 0;  ///< the one that is shown; 0: none
  /// What lies in the list: a frame or a clip.
  struct Entry {
    sky::UtcTime time;
    QString line;
    std::string file;
    bool clip;
    std::vector<std::string> made_of;
  };
  [[nodiscard]] static QString tip_of(const Entry& entry);
  std::vector<Entry> entries_;
  std::vector<std::int64_t> listed_;
};

}  // namespace solarchon::app
