// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <filesystem>

#include "app/model/document.h"
#include "app/model/log.h"
#include "app/model/log_queue.h"

namespace solarchon::app {

/// Clips on their way into the log: those that were just recorded, here or by another program, and
/// those that a killed program left below the data folder.
class LogFiler : public QObject {
  Q_OBJECT

 public:
  LogFiler(std::filesystem::path data, Document& document, LogQueue& queue, Log& log,
           ErrorReporter& trouble, QObject* parent = nullptr);

  /// Files a clip as it lies on disk.
  void file(const std::filesystem::path& clip);
  /// Files a movie that was made.
  void file(const log::ClipEntry& movie);
  /// The same for a single picture that another program took.
  void file(const log::FrameEntry& frame);
  /// Files all that the log does not have. Before anything is recorded.
  void file_strays();

 signals:
  void filed(std::int64_t session);  ///< a clip or picture was

 private:
  /// What holds where nothing is told.
  [[nodiscard]] log::SessionStart usual() const;
  /// The same on the day of that instant.
  [[nodiscard]] log::SessionStart usual_at(sky::UtcTime time) const;
  void told(const base::Result<std::int64_t>& session);

  std::filesystem::path data_;
  Document& document_;
  LogQueue& queue_;
  Log& log_;
  ErrorReporter& trouble_;
};

}  // namespace solarchon::app
