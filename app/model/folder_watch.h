// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <QTimer>
#include <deque>
#include <filesystem>
#include <optional>
#include <vector>

#include "app/model/document.h"
#include "app/model/log_filer.h"
#include "app/model/worker.h"
#include "solarchon/capture/watch.h"
#include "solarchon/live/metered_clip.h"

namespace solarchon::app {

/// A folder that another program records into: each new clip or picture is looked at, graded as if
/// taken with the light path in use, and filed in the log.
class FolderWatch : public QObject {
  Q_OBJECT

 public:
  /// What was found in it.
  struct Found {
    QString name;
    int frames = 0;
    int damaged = 0;
    std::optional<double> r0_cm = {};
    std::optional<live::Judgement> judged = {};
    QString problem = {};  ///< why it could not be used
  };

  FolderWatch(Document& document, LogFiler& clips, ErrorReporter& trouble,
              QObject* parent = nullptr);

  /// What lies in it already stays alone. Another folder takes the place of the one before.
  void watch(const QString& folder);
  void stop();
  [[nodiscard]] const QString& folder() const { return folder_; }
  /// The last first.
  [[nodiscard]] const std::deque<Found>& found() const { return found_; }
  [[nodiscard]] bool busy() const { return worker_.busy(); }
  /// How often it is looked at, and how long a file must not have grown.
  void set_pace(std::chrono::milliseconds pace, std::chrono::milliseconds settles);

 signals:
  void changed();

 private:
  void look();
  void take_up(const std::filesystem::path& file);
  void note(Found found, const std::filesystem::path& file, bool clip,
            const std::optional<log::FrameEntry>& frame);

  Document& document_;
  LogFiler& clips_;
  ErrorReporter& trouble_;
  QString folder_;
  std::optional<capture::WatchedFolder> watched_;
  std::chrono::milliseconds settles_{2000};
  std::deque<std::filesystem::path> waiting_;
  std::deque<Found> found_;
  QTimer timer_;
  Worker worker_;  // last: it has ended before anything that it delivers to is gone
};

}  // namespace solarchon::app
