// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/log_filer.h"

#include <utility>

#include "solarchon/workspace/clips.h"

namespace solarchon::app {

LogFiler::LogFiler(std::filesystem::path data, Document& document, LogQueue& queue, Log& log,
                   ErrorReporter& trouble, QObject* parent)
    : QObject(parent),
      data_(std::move(data)),
      document_(document),
      queue_(queue),
      log_(log),
      trouble_(trouble) {}

log::SessionStart LogFiler::usual() const {
  return workspace::session_start(document_.workspace(), document_.moment());
}

log::SessionStart LogFiler::usual_at(sky::UtcTime time) const {
  log::SessionStart start = usual();
  start.started = time;
  return start;
}

void LogFiler::file(const std::filesystem::path& clip) {
  queue_.ask(
      this,
      [clip, data = data_, usual = usual()](log::LogBook& book) {
        return workspace::file_clip(book, clip, data, usual);
      },
      [this](const base::Result<std::int64_t>& session) { told(session); });
}

void LogFiler::file(const log::ClipEntry& movie) {
  queue_.ask(
      this,
      [movie, usual = usual_at(movie.begun)](log::LogBook& book) {
        return book.file_clip(usual, movie);
      },
      [this](const base::Result<std::int64_t>& session) { told(session); });
}

void LogFiler::file(const log::FrameEntry& frame) {
  queue_.ask(
      this,
      [frame, usual = usual_at(frame.taken)](log::LogBook& book) {
        return book.file_frame(usual, frame).map([](const log::LogBook::Filed& filed) {
          return filed.session;
        });
      },
      [this](const base::Result<std::int64_t>& session) { told(session); });
}

void LogFiler::told(const base::Result<std::int64_t>& session) {
  if (!session) {
    trouble_.tell(session.error());
    return;
  }
  emit filed(*session);
  log_.reload();
}

void LogFiler::file_strays() {
  std::error_code ignored;
  if (!std::filesystem::exists(workspace::clips_folder(data_), ignored)) {
    return;
  }
  queue_.ask(
      this,
      [data = data_, usual = usual()](log::LogBook& book) {
        return workspace::file_stray_clips(book, data, usual);
      },
      [this](const base::Result<int>& count) {
        if (!count) {
          trouble_.tell(count.error());
        } else if (*count > 0) {
          log_.reload();
        }
      });
}

}  // namespace solarchon::app
