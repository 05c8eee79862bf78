// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <SQLiteCpp/SQLiteCpp.h>
#include <sqlite3.h>

#include <algorithm>
#include <chrono>
#include <cstdint>
#include <filesystem>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/base/json.h"
#include "solarchon/log/log_book.h"

namespace solarchon::log {

/// The open file.
struct LogBook::Store {
  Store(const std::filesystem::path& path, std::chrono::milliseconds patience)
      : file(path.string()),
        database(file, SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE,
                 static_cast<int>(patience.count())) {}
  Store(const std::filesystem::path& path, const std::string& uri)
      : file(path.string()), database(uri, SQLite::OPEN_READONLY | SQLite::OPEN_URI) {}
  std::string file;
  SQLite::Database database;
};

/// What a failure of the library means to the caller.
inline base::Error as_error(const SQLite::Exception& problem, const std::string& file,
                            bool writing) {
  switch (problem.getErrorCode()) {
    case SQLITE_NOTADB:
    case SQLITE_CORRUPT:
      return {base::ErrorCode::kMalformed,
              file,
              {},
              base::wants("log"),
              base::reported(problem.what())};
    default:
      return {writing ? base::ErrorCode::kUnwritable : base::ErrorCode::kUnreadable,
              file,
              {},
              {},
              base::reported(problem.what())};
  }
}

/// Without a transaction of its own. Throws SQLite::Exception.
std::int64_t insert_session(SQLite::Database& database, const SessionStart& start);
std::int64_t insert_frame(SQLite::Database& database, std::int64_t session,
                          const FrameEntry& frame);
std::vector<ClipEntry> load_clips(SQLite::Database& database, std::int64_t session);
/// What a product was made of, in the place of what was known of one of that name.
void keep_sources(SQLite::Database& database, const std::string& product,
                  const std::vector<std::string>& sources);
std::vector<std::string> load_sources(SQLite::Database& database, const std::string& product);

/// Within the years that the program answers for, whatever stands there.
inline sky::UtcTime time_in(const SQLite::Column& column) {
  return {std::clamp(column.getInt64(), sky::kFirstTime.unix_ms, sky::kLastTime.unix_ms)};
}

inline std::optional<double> optional_real(const SQLite::Column& column) {
  return column.isNull() ? std::nullopt : std::optional(column.getDouble());
}

inline void bind_optional(SQLite::Statement& statement, int index,
                          const std::optional<double>& value) {
  if (value) {
    statement.bind(index, *value);
  } else {
    statement.bind(index);
  }
}

inline std::string json_text(const base::Json& json) {
  return json.dump(-1, ' ', false, base::Json::error_handler_t::replace);
}

}  // namespace solarchon::log
