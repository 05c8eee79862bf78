// SPDX-License-Identifier: GPL-3.0-or-later
#include "schema.h"

namespace solarchon::log {

const std::vector<std::string>& schema_steps() {
  static const std::vector<std::string> kSteps{R"sql(
    CREATE TABLE session (
      id INTEGER PRIMARY KEY,
      started_ms INTEGER NOT NULL,
      site TEXT NOT NULL,
      rig TEXT NOT NULL,
      target TEXT NOT NULL,
      seeing_arcsec REAL NOT NULL,
      pressure_hpa REAL NOT NULL,
      temperature_c REAL NOT NULL,
      notes TEXT NOT NULL DEFAULT '');
    CREATE INDEX session_started ON session (started_ms);
    CREATE TABLE frame (
      id INTEGER PRIMARY KEY,
      session INTEGER NOT NULL REFERENCES session (id),
      taken_ms INTEGER NOT NULL,
      file TEXT NOT NULL,
      exposure_ms REAL NOT NULL,
      sun_altitude_deg REAL NOT NULL);
    CREATE INDEX frame_session ON frame (session);
    CREATE TABLE measurement (
      frame INTEGER PRIMARY KEY REFERENCES frame (id),
      centre_x_px REAL NOT NULL,
      centre_y_px REAL NOT NULL,
      radius_px REAL NOT NULL,
      blur_px REAL NOT NULL,
      scatter_px REAL NOT NULL,
      seen_share REAL NOT NULL,
      points INTEGER NOT NULL,
      saturated INTEGER NOT NULL,
      plate_scale_arcsec_px REAL,
      north_deg REAL,
      mirrored INTEGER);
    CREATE TABLE spot (
      id INTEGER PRIMARY KEY,
      frame INTEGER NOT NULL REFERENCES measurement (frame),
      x_px REAL NOT NULL,
      y_px REAL NOT NULL,
      area_muh REAL NOT NULL,
      umbra_muh REAL NOT NULL,
      from_centre_deg REAL NOT NULL,
      contrast REAL NOT NULL,
      latitude_deg REAL,
      carrington_longitude_deg REAL);
    CREATE INDEX spot_frame ON spot (frame);
  )sql",
                                               // Parts in the format of docs/rig-format.md.
                                               R"sql(
    CREATE TABLE kit (
      id TEXT PRIMARY KEY,
      name TEXT NOT NULL,
      part TEXT NOT NULL);
  )sql",
                                               // How long the steps of a countdown took.
                                               R"sql(
    CREATE TABLE step (
      id INTEGER PRIMARY KEY,
      done_ms INTEGER NOT NULL,
      kind TEXT NOT NULL,
      minutes REAL NOT NULL);
    CREATE INDEX step_done ON step (done_ms);
  )sql",
                                               // Sites and light paths to choose from.
                                               R"sql(
    CREATE TABLE shelf (
      kind TEXT NOT NULL,
      name TEXT NOT NULL,
      item TEXT NOT NULL,
      used_ms INTEGER NOT NULL,
      PRIMARY KEY (kind, name));
  )sql",
                                               // Steps of the runbook that were done.
                                               R"sql(
    CREATE TABLE tick (
      session INTEGER NOT NULL REFERENCES session (id),
      occasion TEXT NOT NULL,
      step TEXT NOT NULL,
      done_ms INTEGER NOT NULL,
      early INTEGER NOT NULL,
      PRIMARY KEY (session, occasion, step, done_ms));
  )sql",
                                               // Exposures that were found right.
                                               R"sql(
    CREATE TABLE exposure (
      id INTEGER PRIMARY KEY,
      found_ms INTEGER NOT NULL,
      rig TEXT NOT NULL,
      predicted_ms REAL NOT NULL,
      right_ms REAL NOT NULL);
    CREATE INDEX exposure_rig ON exposure (rig);
  )sql",
                                               // No spots are looked for in hydrogen alpha.
                                               R"sql(
    ALTER TABLE measurement ADD COLUMN spots_sought INTEGER NOT NULL DEFAULT 1;
    UPDATE measurement SET spots_sought = 0
      WHERE NOT EXISTS (SELECT 1 FROM spot WHERE spot.frame = measurement.frame)
        AND frame IN (SELECT f.id FROM frame f JOIN session s ON s.id = f.session
                      WHERE s.rig LIKE '%-etalon"%');
  )sql",
                                               // Clips that were recorded.
                                               R"sql(
    CREATE TABLE clip (
      id INTEGER PRIMARY KEY,
      session INTEGER NOT NULL REFERENCES session (id),
      begun_ms INTEGER NOT NULL,
      file TEXT NOT NULL UNIQUE,
      seconds REAL NOT NULL,
      frames INTEGER NOT NULL,
      lost INTEGER NOT NULL,
      exposure_ms REAL,
      sun_altitude_deg REAL,
      r0_cm REAL,
      series TEXT NOT NULL DEFAULT '');
    CREATE INDEX clip_session ON clip (session);
  )sql",
                                               // Movies that were made.
                                               R"sql(
    ALTER TABLE clip ADD COLUMN movie INTEGER NOT NULL DEFAULT 0;
  )sql",
                                               // No light of the Sun made them. Before, frames were
                                               // taken by the simulated camera alone.
                                               R"sql(
    ALTER TABLE frame ADD COLUMN simulated INTEGER NOT NULL DEFAULT 0;
    ALTER TABLE clip ADD COLUMN simulated INTEGER NOT NULL DEFAULT 0;
    UPDATE frame SET simulated = 1 WHERE file LIKE 'frames/%';
  )sql",
                                               // Exposures that were found in a rehearsal.
                                               R"sql(
    ALTER TABLE exposure ADD COLUMN simulated INTEGER NOT NULL DEFAULT 0;
  )sql",
                                               // What pictures are, and of what they were made.
                                               R"sql(
    ALTER TABLE frame ADD COLUMN kind TEXT NOT NULL DEFAULT 'frame';
    UPDATE frame SET kind = 'finished' WHERE file LIKE 'products/%-finished%.fits';
    UPDATE frame SET kind = 'mosaic' WHERE file LIKE 'products/%-mosaic%.fits';
    UPDATE frame SET kind = 'stack' WHERE file LIKE 'products/%-stack%.fits'
                                       OR file LIKE 'products/%-sharp%.fits';
    CREATE TABLE made_of (
      product TEXT NOT NULL,
      source TEXT NOT NULL,
      PRIMARY KEY (product, source)) WITHOUT ROWID;
  )sql"};
  return kSteps;
}

base::Result<void> bring_up_to_date(SQLite::Database& database,
                                    const std::vector<std::string>& steps) {
  const auto version_now = [&] { return database.execAndGet("PRAGMA user_version").getInt(); };
  const int found = version_now();
  const int newest = static_cast<int>(steps.size());
  if (found < 0) {
    return base::fail(base::ErrorCode::kMalformed, database.getFilename(), {}, base::wants("log"));
  }
  if (found > newest) {
    return base::fail(base::ErrorCode::kVersion, database.getFilename(), std::to_string(found),
                      base::wants("versions-up-to", {static_cast<double>(newest)}));
  }
  for (int version = found; version < newest; ++version) {
    SQLite::Transaction transaction(database, SQLite::TransactionBehavior::IMMEDIATE);
    if (version_now() > version) {
      continue;  // another process took this step while we waited
    }
    database.exec(steps[static_cast<std::size_t>(version)]);
    database.exec("PRAGMA user_version = " + std::to_string(version + 1));
    transaction.commit();
  }
  return {};
}

}  // namespace solarchon::log
