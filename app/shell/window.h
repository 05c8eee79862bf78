// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QMainWindow>
#include <QProgressBar>
#include <QSettings>
#include <QStackedWidget>
#include <memory>
#include <vector>

#include "app/model/alarms.h"
#include "app/model/document.h"
#include "app/model/learning.h"
#include "app/model/records.h"
#include "app/shell/context_strip.h"
#include "app/shell/day_ribbon.h"
#include "app/shell/notice.h"
#include "app/shell/options.h"
#include "app/shell/rail.h"
#include "app/views/view.h"

namespace solarchon::app {

class DayView;

/// The window: strip on top, rail on the left, one view in the middle, the day at the bottom.
class Window : public QMainWindow {
  Q_OBJECT

 public:
  /// @param options  its data folder must be resolved
  explicit Window(const Options& options, QWidget* parent = nullptr);
  ~Window() override;

  [[nodiscard]] Document& document() { return *document_; }
  [[nodiscard]] Records& records() { return *records_; }
  [[nodiscard]] Notice& notice() { return *notice_; }
  [[nodiscard]] View& view(int index) { return *views_.at(static_cast<std::size_t>(index)); }
  [[nodiscard]] int current() const { return stack_->currentIndex(); }
  void show_view(int index);
  /// A file that was dropped: a light path, a horizon, a forecast, a calendar or a picture.
  void open_file(const QString& file);
  /// One of place_names(); false for another name.
  bool show_place(const QString& name);
  [[nodiscard]] QString place() const;
  void set_look(Look look);
  /// Shows itself above other windows, out of whatever it was laid aside in.
  void come_forward();
  /// True once nothing in the background will change the picture any more.
  [[nodiscard]] bool settled() const;

 protected:
  void closeEvent(QCloseEvent* event) override;
  void dragEnterEvent(QDragEnterEvent* event) override;
  void dropEvent(QDropEvent* event) override;

 private:
  void load_document(const Options& options);
  void build_views();
  void build_layout();
  void build_actions();
  void restore(const Options& options);
  void follow();
  [[nodiscard]] DayView& day_view() const;
  void open_rig();
  void open_rig_file(const QString& file);
  void save_rig();
  void show_latest_frame();
  void begin_with_log();

  std::filesystem::path data_;
  QString start_problem_;
  bool first_start_ = false;
  std::unique_ptr<Document> document_;
  std::unique_ptr<Records> records_;
  std::unique_ptr<Learning> learning_;
  std::unique_ptr<Alarms> alarms_;
  std::unique_ptr<QSettings> settings_;
  bool keep_state_;
  bool demo_;
  bool begun_ = false;  ///< the log was read once
  ContextStrip* strip_ = nullptr;
  Rail* rail_ = nullptr;
  QStackedWidget* stack_ = nullptr;
  DayRibbon* ribbon_ = nullptr;
  Notice* notice_ = nullptr;
  std::vector<View*> views_;
};

}  // namespace solarchon::app
