// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/log/log_book.h"

#include <sqlite3.h>

#include <thread>
#include <utility>

#include "schema.h"
#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/optics/rig_file.h"
#include "store.h"

namespace solarchon::log {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

/// A URI by which SQLite reads a file that nobody changes.
std::string as_unchanging_uri(const std::string& path) {
  std::string uri = "file:";
  for (const char c : path) {
    if (c == '%' || c == '?' || c == '#') {
      constexpr const char* kHex = "0123456789abcdef";
      const auto code = static_cast<unsigned char>(c);
      uri += {'%', kHex[code >> 4U], kHex[code & 15U]};
    } else {
      uri += c;
    }
  }
  return uri + "?immutable=1";
}

void insert_measurement(SQLite::Database& database, std::int64_t frame,
                        const measure::DiscMeasurement& measured) {
  SQLite::Statement insert(
      database, "INSERT INTO measurement VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)");
  insert.bind(1, frame);
  insert.bind(2, measured.limb.centre_x_px);
  insert.bind(3, measured.limb.centre_y_px);
  insert.bind(4, measured.limb.radius_px);
  insert.bind(5, measured.limb.blur_px);
  insert.bind(6, measured.limb.scatter_px);
  insert.bind(7, measured.limb.seen_share);
  insert.bind(8, measured.limb.points);
  insert.bind(9, measured.limb.saturated ? 1 : 0);
  bind_optional(insert, 10, measured.plate_scale_arcsec_px);
  if (measured.solar) {
    insert.bind(11, measured.solar->north_deg);
    insert.bind(12, measured.solar->mirrored ? 1 : 0);
  }
  insert.bind(13, measured.spots_sought ? 1 : 0);
  insert.exec();
  SQLite::Statement spot_insert(database,
                                "INSERT INTO spot (frame, x_px, y_px, area_muh, umbra_muh, "
                                "from_centre_deg, contrast, latitude_deg, "
                                "carrington_longitude_deg) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)");
  for (const measure::SpotMeasurement& spot : measured.spots) {
    spot_insert.reset();
    spot_insert.bind(1, frame);
    spot_insert.bind(2, spot.x_px);
    spot_insert.bind(3, spot.y_px);
    spot_insert.bind(4, spot.area_muh);
    spot_insert.bind(5, spot.umbra_muh);
    spot_insert.bind(6, spot.from_centre_deg);
    spot_insert.bind(7, spot.contrast);
    bind_optional(spot_insert, 8, spot.latitude_deg);
    bind_optional(spot_insert, 9, spot.carrington_longitude_deg);
    spot_insert.exec();
  }
}

std::vector<measure::SpotMeasurement> load_spots(SQLite::Database& database, std::int64_t frame) {
  SQLite::Statement query(database,
                          "SELECT x_px, y_px, area_muh, umbra_muh, from_centre_deg, contrast, "
                          "latitude_deg, carrington_longitude_deg FROM spot WHERE frame = ? "
                          "ORDER BY id");
  query.bind(1, frame);
  std::vector<measure::SpotMeasurement> spots;
  while (query.executeStep()) {
    spots.push_back({query.getColumn(0).getDouble(), query.getColumn(1).getDouble(),
                     query.getColumn(2).getDouble(), query.getColumn(3).getDouble(),
                     query.getColumn(4).getDouble(), query.getColumn(5).getDouble(),
                     optional_real(query.getColumn(6)), optional_real(query.getColumn(7))});
  }
  return spots;
}

std::optional<measure::DiscMeasurement> load_measurement(SQLite::Database& database,
                                                         std::int64_t frame, sky::UtcTime taken) {
  SQLite::Statement query(database, "SELECT * FROM measurement WHERE frame = ?");
  query.bind(1, frame);
  if (!query.executeStep()) {
    return std::nullopt;
  }
  measure::DiscMeasurement measured;
  measured.limb = {query.getColumn(1).getDouble(), query.getColumn(2).getDouble(),
                   query.getColumn(3).getDouble(), query.getColumn(4).getDouble(),
                   query.getColumn(5).getDouble(), query.getColumn(6).getDouble(),
                   query.getColumn(7).getInt(),    query.getColumn(8).getInt() != 0};
  measured.plate_scale_arcsec_px = optional_real(query.getColumn(9));
  if (!query.getColumn(10).isNull()) {
    measured.solar =
        sky::PictureOrientation{query.getColumn(10).getDouble(), query.getColumn(11).getInt() != 0};
  }
  if (measured.plate_scale_arcsec_px) {
    measured.view = sky::disc_view(taken);
  }
  measured.spots_sought = query.getColumn(12).getInt() != 0;
  measured.spots = load_spots(database, frame);
  return measured;
}

std::vector<LoggedTick> load_ticks(SQLite::Database& database, std::int64_t session) {
  SQLite::Statement query(database,
                          "SELECT occasion, step, done_ms, early FROM tick WHERE session = ? "
                          "ORDER BY done_ms, rowid");
  query.bind(1, session);
  std::vector<LoggedTick> ticks;
  while (query.executeStep()) {
    if (const auto occasion = safety::kOccasionWords.from(query.getColumn(0).getString())) {
      ticks.push_back({*occasion,
                       {query.getColumn(1).getString(), time_in(query.getColumn(2)),
                        query.getColumn(3).getInt() != 0}});
    }
  }
  return ticks;
}

/// The mode stays with the file. Two processes that open a new log at once get in each other's way
/// here without being made to wait by the library.
void turn_to_write_ahead(SQLite::Database& database, std::chrono::milliseconds patience) {
  const auto until = std::chrono::steady_clock::now() + patience;
  while (true) {
    try {
      database.exec("PRAGMA journal_mode = WAL");
      return;
    } catch (const SQLite::Exception& problem) {
      if (problem.getErrorCode() != SQLITE_BUSY || std::chrono::steady_clock::now() >= until) {
        throw;
      }
    }
    constexpr std::chrono::milliseconds kAgain{10};
    std::this_thread::sleep_for(kAgain);
  }
}

}  // namespace

std::int64_t insert_frame(SQLite::Database& database, std::int64_t session,
                          const FrameEntry& frame) {
  SQLite::Statement insert(database,
                           "INSERT INTO frame (session, taken_ms, file, exposure_ms, "
                           "sun_altitude_deg, simulated, kind) VALUES (?, ?, ?, ?, ?, ?, ?)");
  insert.bind(1, session);
  insert.bind(2, frame.taken.unix_ms);
  insert.bind(3, frame.file);
  insert.bind(4, frame.exposure_ms);
  insert.bind(5, frame.sun_altitude_deg);
  insert.bind(6, frame.simulated ? 1 : 0);
  insert.bind(7, std::string(kPictureKindWords.of(frame.kind)));
  insert.exec();
  const std::int64_t id = database.getLastInsertRowid();
  if (frame.measurement) {
    insert_measurement(database, id, *frame.measurement);
  }
  keep_sources(database, frame.file, frame.made_of);
  return id;
}

std::int64_t insert_session(SQLite::Database& database, const SessionStart& start) {
  SQLite::Statement insert(database,
                           "INSERT INTO session (started_ms, site, rig, target, seeing_arcsec, "
                           "pressure_hpa, temperature_c) VALUES (?, ?, ?, ?, ?, ?, ?)");
  insert.bind(1, start.started.unix_ms);
  insert.bind(2, json_text(sky::to_json(start.site)));
  insert.bind(3, json_text(optics::to_json(start.rig)));
  insert.bind(4, start.target);
  insert.bind(5, start.seeing_arcsec);
  insert.bind(6, start.weather.pressure_hpa);
  insert.bind(7, start.weather.temperature_c);
  insert.exec();
  return database.getLastInsertRowid();
}

LogBook::LogBook(std::unique_ptr<Store> store) : store_(std::move(store)) {}
LogBook::LogBook(LogBook&&) noexcept = default;
LogBook& LogBook::operator=(LogBook&&) noexcept = default;
LogBook::~LogBook() = default;

Result<LogBook> LogBook::open(const std::filesystem::path& file,
                              std::chrono::milliseconds patience) {
  if (const auto folder = base::make_folder(file.parent_path()); !folder) {
    return tl::make_unexpected(folder.error());
  }
  try {
    auto store = std::make_unique<Store>(file, patience);
    turn_to_write_ahead(store->database, patience);
    store->database.exec("PRAGMA synchronous = FULL");
    store->database.exec("PRAGMA foreign_keys = ON");
    if (const auto ready = bring_up_to_date(store->database, schema_steps()); !ready) {
      return tl::make_unexpected(ready.error());
    }
    return LogBook(std::move(store));
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, file.string(), true));
  }
}

Result<LogBook> LogBook::open_to_read(const std::filesystem::path& file,
                                      std::chrono::milliseconds patience) {
  auto book = open(file, patience);
  std::filesystem::path ahead = file;
  ahead += "-wal";
  std::error_code ignored;
  // What waits in a write-ahead log cannot be read without writing.
  const bool waiting =
      std::filesystem::exists(ahead, ignored) && std::filesystem::file_size(ahead, ignored) > 0;
  if (book || book.error().code != ErrorCode::kUnwritable || waiting ||
      !std::filesystem::is_regular_file(file, ignored)) {
    return book;
  }
  try {
    auto store = std::make_unique<Store>(file, as_unchanging_uri(file.string()));
    if (const auto ready = bring_up_to_date(store->database, schema_steps()); !ready) {
      return tl::make_unexpected(ready.error());
    }
    return LogBook(std::move(store));
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, file.string(), false));
  }
}

Result<std::int64_t> LogBook::begin(const SessionStart& start) {
  try {
    return insert_session(store_->database, start);
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, true));
  }
}

Result<std::int64_t> LogBook::file_frame(std::int64_t session, const FrameEntry& frame) {
  try {
    SQLite::Transaction transaction(store_->database, SQLite::TransactionBehavior::IMMEDIATE);
    const std::int64_t id = insert_frame(store_->database, session, frame);
    transaction.commit();
    return id;
  } catch (const SQLite::Exception& problem) {
    if (problem.getErrorCode() == SQLITE_CONSTRAINT) {
      return fail(ErrorCode::kNotFound, "session", std::to_string(session));
    }
    return tl::make_unexpected(as_error(problem, store_->file, true));
  }
}

Result<void> LogBook::set_notes(std::int64_t session, const std::string& notes) {
  try {
    SQLite::Statement update(store_->database, "UPDATE session SET notes = ? WHERE id = ?");
    update.bind(1, notes);
    update.bind(2, session);
    if (update.exec() == 0) {
      return fail(ErrorCode::kNotFound, "session", std::to_string(session));
    }
    return {};
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, true));
  }
}

Result<void> LogBook::keep_ticks(std::int64_t session, const std::vector<LoggedTick>& ticks) {
  try {
    SQLite::Transaction transaction(store_->database, SQLite::TransactionBehavior::IMMEDIATE);
    // A conflict of keys means that it is filed; a missing session must not be passed over.
    SQLite::Statement insert(store_->database,
                             "INSERT INTO tick (session, occasion, step, done_ms, early) "
                             "VALUES (?, ?, ?, ?, ?) ON CONFLICT DO NOTHING");
    for (const LoggedTick& logged : ticks) {
      insert.reset();
      insert.bind(1, session);
      insert.bind(2, std::string(safety::kOccasionWords.of(logged.occasion)));
      insert.bind(3, logged.tick.step);
      insert.bind(4, logged.tick.time.unix_ms);
      insert.bind(5, logged.tick.early ? 1 : 0);
      insert.exec();
    }
    transaction.commit();
    return {};
  } catch (const SQLite::Exception& problem) {
    if (problem.getErrorCode() == SQLITE_CONSTRAINT) {
      return fail(ErrorCode::kNotFound, "session", std::to_string(session));
    }
    return tl::make_unexpected(as_error(problem, store_->file, true));
  }
}

Result<void> LogBook::drop_tick(std::int64_t session, const LoggedTick& logged) {
  try {
    SQLite::Statement drop(store_->database,
                           "DELETE FROM tick WHERE session = ? AND occasion = ? AND step = ? AND "
                           "done_ms = ?");
    drop.bind(1, session);
    drop.bind(2, std::string(safety::kOccasionWords.of(logged.occasion)));
    drop.bind(3, logged.tick.step);
    drop.bind(4, logged.tick.time.unix_ms);
    drop.exec();
    return {};
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, true));
  }
}

Result<std::vector<SessionSummary>> LogBook::summaries() const {
  try {
    SQLite::Statement query(store_->database, R"sql(
      SELECT s.id, s.started_ms,
             max(coalesce(max(f.taken_ms), s.started_ms), coalesce(c.last_ms, s.started_ms)),
             json_extract(s.site, '$.name'), json_extract(s.site, '$.latitude_deg'),
             json_extract(s.site, '$.longitude_deg'), json_extract(s.rig, '$.name'), s.target,
             s.seeing_arcsec, count(f.id), coalesce(c.clips, 0), max(n.spots),
             coalesce(max(f.simulated), 0) OR coalesce(c.simulated, 0)
      FROM (SELECT id, started_ms, target, seeing_arcsec,
                   CASE WHEN json_valid(site) THEN site ELSE '{}' END AS site,
                   CASE WHEN json_valid(rig) THEN rig ELSE '{}' END AS rig FROM session) s
      LEFT JOIN frame f ON f.session = s.id
      LEFT JOIN (SELECT m.frame, count(spot.id) AS spots FROM measurement m
                 LEFT JOIN spot ON spot.frame = m.frame
                 WHERE m.spots_sought = 1 GROUP BY m.frame) n ON n.frame = f.id
      LEFT JOIN (SELECT session, count(id) AS clips, max(begun_ms) AS last_ms,
                        max(simulated) AS simulated FROM clip
                 GROUP BY session) c ON c.session = s.id
      GROUP BY s.id ORDER BY s.started_ms DESC, s.id DESC)sql");
    std::vector<SessionSummary> list;
    while (query.executeStep()) {
      list.push_back({query.getColumn(0).getInt64(), time_in(query.getColumn(1)),
                      time_in(query.getColumn(2)), query.getColumn(3).getString(),
                      query.getColumn(4).getDouble(), query.getColumn(5).getDouble(),
                      query.getColumn(6).getString(), query.getColumn(7).getString(),
                      query.getColumn(8).getDouble(), query.getColumn(9).getInt(),
                      query.getColumn(10).getInt(),
                      query.getColumn(11).isNull() ? std::nullopt
                                                   : std::optional(query.getColumn(11).getInt()),
                      query.getColumn(12).getInt() != 0});
    }
    return list;
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, false));
  }
}

Result<Session> LogBook::session(std::int64_t id) const {
  try {
    SQLite::Statement query(store_->database,
                            "SELECT started_ms, site, rig, target, seeing_arcsec, pressure_hpa, "
                            "temperature_c, notes FROM session WHERE id = ?");
    query.bind(1, id);
    if (!query.executeStep()) {
      return fail(ErrorCode::kNotFound, "session", std::to_string(id));
    }
    Session session;
    session.id = id;
    session.start.started = time_in(query.getColumn(0));
    const auto site =
        base::parse_json(query.getColumn(1).getString(), "site")
            .and_then([](const base::Json& json) { return sky::site_from_json(json, "site"); });
    const auto rig =
        base::parse_json(query.getColumn(2).getString(), "rig").and_then(optics::rig_from_json);
    if (!site || !rig) {
      return tl::make_unexpected(site ? rig.error() : site.error());
    }
    session.start.site = *site;
    session.start.rig = *rig;
    session.start.target = query.getColumn(3).getString();
    session.start.seeing_arcsec = query.getColumn(4).getDouble();
    session.start.weather = {query.getColumn(5).getDouble(), query.getColumn(6).getDouble()};
    session.notes = query.getColumn(7).getString();

    SQLite::Statement frames(store_->database,
                             "SELECT id, taken_ms, file, exposure_ms, sun_altitude_deg, "
                             "simulated, kind "
                             "FROM frame WHERE session = ? ORDER BY taken_ms, id");
    frames.bind(1, id);
    while (frames.executeStep()) {
      FrameEntry frame{
          frames.getColumn(0).getInt64(), time_in(frames.getColumn(1)),
          frames.getColumn(2).getString(), frames.getColumn(3).getDouble(),
          frames.getColumn(4).getDouble(), std::nullopt, frames.getColumn(5).getInt() != 0,
          // That of a newer program is a picture all the same.
          kPictureKindWords.from(frames.getColumn(6).getString()).value_or(PictureKind::kFinished),
          load_sources(store_->database, frames.getColumn(2).getString())};
      frame.measurement = load_measurement(store_->database, frame.id, frame.taken);
      session.frames.push_back(std::move(frame));
    }
    session.ticks = load_ticks(store_->database, id);
    session.clips = load_clips(store_->database, id);
    return session;
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, false));
  }
}

}  // namespace solarchon::log
