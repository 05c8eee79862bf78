// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QMainWindow>
#include <QScrollArea>
#include <QSettings>
#include <QStackedWidget>
#include <map>
#include <memory>
#include <vector>

#include "app/model/alarms.h"
#include "app/model/current_frame.h"
#include "app/model/disk_speed.h"
#include "app/model/document.h"
#include "app/model/folder_watch.h"
#include "app/model/kit.h"
#include "app/model/learning.h"
#include "app/model/live_camera.h"
#include "app/model/log.h"
#include "app/model/log_filer.h"
#include "app/model/models.h"
#include "app/model/mount.h"
#include "app/model/movie.h"
#include "app/model/outside_files.h"
#include "app/model/reduction.h"
#include "app/model/runbook.h"
#include "app/model/series_controller.h"
#include "app/shell/notice.h"
#include "app/window/context_strip.h"
#include "app/window/day_ribbon.h"
#include "app/window/options.h"
#include "app/window/places.h"
#include "app/window/rail.h"

namespace solarchon::app {

/// The window: strip on top, rail on the left, one view in the middle, the day at the bottom.
class Window : public QMainWindow {
  Q_OBJECT

 public:
  /// @param options  its data folder must be resolved
  explicit Window(const Options& options, QWidget* parent = nullptr);
  ~Window() override;

  [[nodiscard]] Document& document() { return *document_; }
  [[nodiscard]] Runbook& runbook() { return *runbook_; }
  [[nodiscard]] Mount& mount() { return *mount_; }
  [[nodiscard]] Models models();
  [[nodiscard]] Notice& notice() { return *notice_; }
  /// A view by its id in places().
  [[nodiscard]] View& view(const QString& id) { return *views_.at(id); }
  [[nodiscard]] View& current_view() { return *views_.at(current_); }
  /// A file that was dropped: a light path, a site, a horizon, a forecast, a calendar or a picture.
  void open_file(const QString& file);
  /// One of place_ids(), or of a view; false for another.
  bool show_place(const QString& id);
  [[nodiscard]] QString place() const;
  void set_look(Look look);
  /// Speaks another language from now on, and at the next start.
  void choose_language(const QString& language);
  /// Shows its words in another size from now on, and at the next start.
  /// @param percent  of the usual one; brought within Theme::kLeastPercent and kMostPercent
  void choose_text_size(int percent);
  /// Shows itself above other windows, out of whatever it was laid aside in.
  void come_forward();
  /// True once nothing in the background will change the picture any more.
  [[nodiscard]] bool settled() const;
  /// Nothing more is to come on the view that is shown, not even what takes seconds.
  [[nodiscard]] bool complete() const;

 protected:
  void closeEvent(QCloseEvent* event) override;
  void dragEnterEvent(QDragEnterEvent* event) override;
  void dropEvent(QDropEvent* event) override;

 private:
  void load_document(const Options& options);
  [[nodiscard]] static QString left_as_it_is(const base::Error& error);
  void build();
  void build_views();
  /// Builds all widgets once more, in other words or sizes.
  void put_up_anew();
  [[nodiscard]] int place_of(const QString& id) const;
  QMenu* make_look_menu();
  void build_layout();
  void build_actions();
  void restore(const Options& options);
  void show_timers();
  void follow();
  void show_view(const QString& id);
  /// The file that the command line named, else the last frame of the log.
  void show_first();
  void open_rig();
  void save_rig();
  void show_latest_frame();
  void begin_with_log();
  /// Keeps what is being written, and waits a little for it.
  bool notes_are_kept();

  std::filesystem::path data_;
  QString start_problem_;
  bool first_start_ = false;
  std::unique_ptr<Document> document_;
  // In the order in which they use each other.
  std::unique_ptr<ErrorReporter> trouble_;
  std::unique_ptr<LogQueue> log_queue_;
  std::unique_ptr<OutsideFiles> files_;
  std::unique_ptr<QSettings> settings_;
  std::unique_ptr<Log> log_;
  std::unique_ptr<Kit> kit_;
  std::unique_ptr<CurrentFrame> frame_;
  std::unique_ptr<LogFiler> clips_;
  std::unique_ptr<LiveCamera> camera_;
  std::unique_ptr<FolderWatch> folder_;
  std::unique_ptr<Reduction> reduction_;
  std::unique_ptr<Movie> movie_;
  std::unique_ptr<SeriesController> series_;
  std::unique_ptr<DiskSpeed> disk_;
  std::unique_ptr<Learning> learning_;
  std::unique_ptr<Runbook> runbook_;
  std::unique_ptr<Mount> mount_;
  std::unique_ptr<Alarms> alarms_;
  bool keep_state_;
  bool demo_;
  QString file_;        ///< that the command line named
  bool begun_ = false;  ///< the log was read once
  bool warned_of_notes_ = false;
  ContextStrip* strip_ = nullptr;
  QWidget* ground_ = nullptr;  ///< holds all of the window
  QScrollArea* rail_area_ = nullptr;
  Rail* rail_ = nullptr;
  QStackedWidget* stack_ = nullptr;
  DayRibbon* ribbon_ = nullptr;
  Notice* notice_ = nullptr;
  std::vector<Place> places_;
  std::map<QString, View*> views_;
  QString current_;  ///< id of the view that is shown
};

}  // namespace solarchon::app
