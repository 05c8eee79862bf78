// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/json.h"
#include "solarchon/log/log_book.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/optics/same_light.h"
#include "store.h"

namespace solarchon::log {

using base::Result;

namespace {

std::optional<std::int64_t> session_of(SQLite::Database& database, const std::string& clip) {
  SQLite::Statement query(database, "SELECT session FROM clip WHERE file = ?");
  query.bind(1, clip);
  return query.executeStep() ? std::optional(query.getColumn(0).getInt64()) : std::nullopt;
}

/// Where what a product was made of is filed, the last of it that is: of a movie, that is its day.
std::optional<std::int64_t> session_of_sources(SQLite::Database& database,
                                               const std::vector<std::string>& sources) {
  for (auto at = sources.rbegin(); at != sources.rend(); ++at) {
    const std::string& source = *at;
    if (const auto session = session_of(database, source)) {
      return session;
    }
    SQLite::Statement query(database, "SELECT session FROM frame WHERE file = ? ORDER BY id DESC");
    query.bind(1, source);
    if (query.executeStep()) {
      return query.getColumn(0).getInt64();
    }
  }
  return std::nullopt;
}

/// The one rule by which two things are of the same session: the newest of that site, way of the
/// light and target about an instant, rehearsed or seen alike. What was noted of a part in between,
/// such as a tuning, begins no other.
std::optional<std::int64_t> session_like(SQLite::Database& database, const SessionStart& start,
                                         sky::UtcTime about, bool simulated) {
  SQLite::Statement query(
      database,
      "SELECT id, rig FROM session WHERE site = ? AND target = ? AND abs(started_ms - ?) < ? "
      "AND NOT EXISTS (SELECT 1 FROM frame WHERE session = session.id AND simulated <> ?5) "
      "AND NOT EXISTS (SELECT 1 FROM clip WHERE session = session.id AND simulated <> ?5) "
      "ORDER BY started_ms DESC, id DESC");
  query.bind(1, json_text(sky::to_json(start.site)));
  query.bind(2, start.target);
  query.bind(3, about.unix_ms);
  constexpr std::int64_t kHalfADay_ms = 12LL * 3600 * 1000;
  query.bind(4, kHalfADay_ms);
  query.bind(5, simulated ? 1 : 0);
  while (query.executeStep()) {
    const auto rig =
        base::parse_json(query.getColumn(1).getString(), "rig")
            .and_then([](const base::Json& json) { return optics::rig_from_json(json); });
    if (rig && optics::same_light(*rig, start.rig)) {
      return query.getColumn(0).getInt64();
    }
  }
  return std::nullopt;
}

void insert_clip(SQLite::Database& database, std::int64_t session, const ClipEntry& clip) {
  SQLite::Statement insert(database,
                           "INSERT INTO clip (session, begun_ms, file, seconds, frames, lost, "
                           "exposure_ms, sun_altitude_deg, r0_cm, series, movie, simulated) "
                           "VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)");
  insert.bind(1, session);
  insert.bind(2, clip.begun.unix_ms);
  insert.bind(3, clip.file);
  insert.bind(4, clip.seconds);
  insert.bind(5, clip.frames);
  insert.bind(6, clip.lost);
  bind_optional(insert, 7, clip.exposure_ms);
  bind_optional(insert, 8, clip.sun_altitude_deg);
  bind_optional(insert, 9, clip.r0_cm);
  insert.bind(10, clip.series);
  insert.bind(11, clip.movie ? 1 : 0);
  insert.bind(12, clip.simulated ? 1 : 0);
  insert.exec();
  keep_sources(database, clip.file, clip.made_of);
}

}  // namespace

void keep_sources(SQLite::Database& database, const std::string& product,
                  const std::vector<std::string>& sources) {
  SQLite::Statement drop(database, "DELETE FROM made_of WHERE product = ?");
  drop.bind(1, product);
  drop.exec();
  SQLite::Statement insert(database, "INSERT OR IGNORE INTO made_of VALUES (?, ?)");
  for (const std::string& source : sources) {
    insert.reset();
    insert.bind(1, product);
    insert.bind(2, source);
    insert.exec();
  }
}

std::vector<std::string> load_sources(SQLite::Database& database, const std::string& product) {
  SQLite::Statement query(database, "SELECT source FROM made_of WHERE product = ? ORDER BY source");
  query.bind(1, product);
  std::vector<std::string> sources;
  while (query.executeStep()) {
    sources.push_back(query.getColumn(0).getString());
  }
  return sources;
}

std::vector<ClipEntry> load_clips(SQLite::Database& database, std::int64_t session) {
  SQLite::Statement query(database,
                          "SELECT id, begun_ms, file, seconds, frames, lost, exposure_ms, "
                          "sun_altitude_deg, r0_cm, series, movie, simulated FROM clip "
                          "WHERE session = ? ORDER BY begun_ms, id");
  query.bind(1, session);
  std::vector<ClipEntry> clips;
  while (query.executeStep()) {
    clips.push_back({query.getColumn(0).getInt64(), time_in(query.getColumn(1)),
                     query.getColumn(2).getString(), query.getColumn(3).getDouble(),
                     query.getColumn(4).getInt(), query.getColumn(5).getInt(),
                     optional_real(query.getColumn(6)), optional_real(query.getColumn(7)),
                     optional_real(query.getColumn(8)), query.getColumn(9).getString(),
                     query.getColumn(10).getInt() != 0, query.getColumn(11).getInt() != 0,
                     load_sources(database, query.getColumn(2).getString())});
  }
  return clips;
}

Result<std::int64_t> LogBook::file_clip(const SessionStart& start, const ClipEntry& clip) {
  try {
    SQLite::Transaction transaction(store_->database, SQLite::TransactionBehavior::IMMEDIATE);
    if (const auto filed = session_of(store_->database, clip.file)) {
      if (!clip.movie) {
        return *filed;
      }
      SQLite::Statement drop(store_->database, "DELETE FROM clip WHERE file = ?");
      drop.bind(1, clip.file);
      drop.exec();
    }
    auto like = session_of_sources(store_->database, clip.made_of);
    if (!like) {
      like = session_like(store_->database, start, clip.begun, clip.simulated);
    }
    const std::int64_t session = like ? *like : insert_session(store_->database, start);
    insert_clip(store_->database, session, clip);
    transaction.commit();
    return session;
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, true));
  }
}

Result<LogBook::Filed> LogBook::file_frame(const SessionStart& start, const FrameEntry& frame) {
  try {
    SQLite::Transaction transaction(store_->database, SQLite::TransactionBehavior::IMMEDIATE);
    auto like = session_of_sources(store_->database, frame.made_of);
    if (!like) {
      like = session_like(store_->database, start, frame.taken, frame.simulated);
    }
    const std::int64_t session = like ? *like : insert_session(store_->database, start);
    const std::int64_t id = insert_frame(store_->database, session, frame);
    transaction.commit();
    return Filed{session, id};
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, true));
  }
}

Result<std::vector<std::string>> LogBook::clip_files() const {
  try {
    SQLite::Statement query(store_->database, "SELECT file FROM clip ORDER BY id");
    std::vector<std::string> files;
    while (query.executeStep()) {
      files.push_back(query.getColumn(0).getString());
    }
    return files;
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, false));
  }
}

}  // namespace solarchon::log
