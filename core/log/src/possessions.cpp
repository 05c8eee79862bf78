// SPDX-License-Identifier: GPL-3.0-or-later
// What the owner has and has learnt: the kit, the shelves, the times of steps.
#include <functional>
#include <string>
#include <utility>

#include "solarchon/base/json.h"
#include "solarchon/base/text.h"
#include "solarchon/log/log_book.h"
#include "solarchon/optics/rig_file.h"
#include "store.h"

namespace solarchon::log {

using base::ErrorCode;
using base::fail;
using base::Result;

Result<std::string> LogBook::keep_in_kit(optics::Element part) {
  try {
    SQLite::Transaction transaction(store_->database, SQLite::TransactionBehavior::IMMEDIATE);
    if (part.kit_id.empty()) {
      const int last =
          store_->database
              .execAndGet(
                  "SELECT COALESCE(MAX(CAST(SUBSTR(id, 5) AS INTEGER)), 0) FROM kit WHERE id LIKE "
                  "'kit-%'")
              .getInt();
      part.kit_id = "kit-" + std::to_string(last + 1);
    }
    part.id.clear();  // places in a light path have ids of their own
    part.fitted = true;
    SQLite::Statement write(store_->database, "INSERT OR REPLACE INTO kit VALUES (?, ?, ?)");
    write.bind(1, part.kit_id);
    write.bind(2, part.name);
    write.bind(3, json_text(optics::to_json(part)));
    write.exec();
    transaction.commit();
    return part.kit_id;
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, true));
  }
}

Result<void> LogBook::drop_from_kit(const std::string& kit_id) {
  try {
    SQLite::Statement remove(store_->database, "DELETE FROM kit WHERE id = ?");
    remove.bind(1, kit_id);
    if (remove.exec() == 0) {
      return fail(ErrorCode::kNotFound, "kit_id", kit_id);
    }
    return {};
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, true));
  }
}

Result<std::vector<optics::Element>> LogBook::kit() const {
  try {
    std::vector<optics::Element> parts;
    if (!store_->database.tableExists("kit")) {
      return parts;  // an older log on a disk that cannot be written
    }
    SQLite::Statement query(store_->database, "SELECT id, part FROM kit ORDER BY name, id");
    while (query.executeStep()) {
      const std::string id = query.getColumn(0).getString();
      const auto part = base::parse_json(query.getColumn(1).getString(), id)
                            .and_then([&](const base::Json& json) {
                              return optics::element_from_json(json, id);
                            });
      if (part) {  // one that is damaged does not hide the others
        parts.push_back(*part);
      }
    }
    return parts;
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, false));
  }
}

Result<void> LogBook::note_step(sky::UtcTime done, const plan::StepNote& note) {
  try {
    SQLite::Statement write(store_->database,
                            "INSERT INTO step (done_ms, kind, minutes) VALUES (?, ?, ?)");
    write.bind(1, done.unix_ms);
    write.bind(2, std::string(plan::kStepWords.of(note.kind)));
    write.bind(3, note.minutes);
    write.exec();
    return {};
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, true));
  }
}

Result<void> LogBook::drop_last_step(plan::StepKind kind) {
  try {
    const std::string word(plan::kStepWords.of(kind));
    SQLite::Statement remove(
        store_->database, "DELETE FROM step WHERE id = (SELECT max(id) FROM step WHERE kind = ?)");
    remove.bind(1, word);
    if (remove.exec() == 0) {
      return fail(ErrorCode::kNotFound, "step", word);
    }
    return {};
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, true));
  }
}

Result<std::int64_t> LogBook::note_exposure(const RightExposure& exposure) {
  constexpr base::Range kExposure{1e-6, 3.6e6};
  for (const auto& [field, value] : {std::pair("predicted_ms", exposure.predicted_ms),
                                     std::pair("right_ms", exposure.right_ms)}) {
    if (const auto checked = base::checked(field, value, kExposure); !checked) {
      return tl::make_unexpected(checked.error());
    }
  }
  try {
    SQLite::Statement write(
        store_->database,
        "INSERT INTO exposure (found_ms, rig, predicted_ms, right_ms, simulated) "
        "VALUES (?, ?, ?, ?, ?)");
    write.bind(1, exposure.found.unix_ms);
    write.bind(2, exposure.rig);
    write.bind(3, exposure.predicted_ms);
    write.bind(4, exposure.right_ms);
    write.bind(5, exposure.simulated ? 1 : 0);
    write.exec();
    return store_->database.getLastInsertRowid();
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, true));
  }
}

Result<void> LogBook::drop_exposure(std::int64_t id) {
  try {
    SQLite::Statement remove(store_->database, "DELETE FROM exposure WHERE id = ?");
    remove.bind(1, id);
    if (remove.exec() == 0) {
      return fail(ErrorCode::kNotFound, "exposure", std::to_string(id));
    }
    return {};
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, true));
  }
}

Result<std::vector<RightExposure>> LogBook::right_exposures(const std::string& rig) const {
  try {
    std::vector<RightExposure> exposures;
    if (!store_->database.tableExists("exposure")) {
      return exposures;
    }
    SQLite::Statement query(
        store_->database,
        "SELECT id, found_ms, rig, predicted_ms, right_ms, simulated FROM exposure "
        "WHERE ?1 = '' OR rig = ?1 ORDER BY found_ms DESC, id DESC");
    query.bind(1, rig);
    while (query.executeStep()) {
      exposures.push_back({query.getColumn(0).getInt64(), time_in(query.getColumn(1)),
                           query.getColumn(2).getString(), query.getColumn(3).getDouble(),
                           query.getColumn(4).getDouble(), query.getColumn(5).getInt() != 0});
    }
    return exposures;
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, false));
  }
}

Result<std::vector<plan::StepNote>> LogBook::step_notes() const {
  try {
    std::vector<plan::StepNote> notes;
    // A log of an older program that cannot be brought up to date has no such table.
    if (!store_->database.tableExists("step")) {
      return notes;
    }
    SQLite::Statement query(store_->database,
                            "SELECT kind, minutes FROM step ORDER BY done_ms, id");
    while (query.executeStep()) {
      if (const auto kind = plan::kStepWords.from(query.getColumn(0).getString())) {
        notes.push_back({*kind, query.getColumn(1).getDouble()});
      }
    }
    return notes;
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, false));
  }
}

namespace {

constexpr const char* kSites = "site";
constexpr const char* kPaths = "light-path";

/// Puts something on a shelf, in the place of what has its name there.
Result<void> put(SQLite::Database& database, const std::string& file, const char* shelf,
                 const std::string& name, const base::Json& item, sky::UtcTime used) {
  if (name.empty() || name.size() > base::kMostTextBytes) {
    return fail(ErrorCode::kOutOfRange, "name", {},
                base::wants("name-of-bytes", {static_cast<double>(base::kMostTextBytes)}));
  }
  try {
    SQLite::Statement write(database, "INSERT OR REPLACE INTO shelf VALUES (?, ?, ?, ?)");
    write.bind(1, shelf);
    write.bind(2, name);
    write.bind(3, json_text(item));
    write.bind(4, used.unix_ms);
    write.exec();
    return {};
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, file, true));
  }
}

Result<void> take_off(SQLite::Database& database, const std::string& file, const char* shelf,
                      const std::string& name) {
  try {
    SQLite::Statement remove(database, "DELETE FROM shelf WHERE kind = ? AND name = ?");
    remove.bind(1, shelf);
    remove.bind(2, name);
    if (remove.exec() == 0) {
      return fail(ErrorCode::kNotFound, "name", name);
    }
    return {};
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, file, true));
  }
}

/// What stands on a shelf, last used first.
/// @param read  makes an item of its JSON; gets the JSON and its name
template <typename T, typename Read>
Result<std::vector<Kept<T>>> on_shelf(SQLite::Database& database, const std::string& file,
                                      const char* shelf, Read read) {
  try {
    std::vector<Kept<T>> kept;
    if (!database.tableExists("shelf")) {
      return kept;  // an older log on a disk that cannot be written
    }
    SQLite::Statement query(database,
                            "SELECT name, item, used_ms FROM shelf WHERE kind = ? "
                            "ORDER BY used_ms DESC, name");
    query.bind(1, shelf);
    while (query.executeStep()) {
      const std::string name = query.getColumn(0).getString();
      auto item =
          base::parse_json(query.getColumn(1).getString(), name)
              .and_then([&](const base::Json& json) -> Result<T> { return read(json, name); });
      if (item) {  // one that is damaged does not hide the others
        kept.push_back({std::move(*item), time_in(query.getColumn(2))});
      }
    }
    return kept;
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, file, false));
  }
}

}  // namespace

Result<std::vector<base::Error>> LogBook::damaged() const {
  std::vector<base::Error> found;
  const auto look =
      [&](const char* table, const std::string& rows,
          const std::function<Result<void>(const base::Json&, const std::string&)>& read) {
        if (!store_->database.tableExists(table)) {
          return;
        }
        SQLite::Statement query(store_->database, rows);
        while (query.executeStep()) {
          const std::string name = query.getColumn(0).getString();
          const auto item = base::parse_json(query.getColumn(1).getString(), name)
                                .and_then([&](const base::Json& json) { return read(json, name); });
          if (!item) {
            found.push_back(item.error());
          }
        }
      };
  const auto site = [](const base::Json& json, const std::string& name) {
    return sky::site_from_json(json, name).map([](const sky::Site&) {});
  };
  const auto rig = [](const base::Json& json, const std::string&) {
    return optics::rig_from_json(json).map([](const optics::Rig&) {});
  };
  try {
    look("session", "SELECT 'session ' || id, site FROM session", site);
    look("session", "SELECT 'session ' || id, rig FROM session", rig);
    look("kit", "SELECT id, part FROM kit", [](const base::Json& json, const std::string& id) {
      return optics::element_from_json(json, id).map([](const optics::Element&) {});
    });
    look("shelf", "SELECT name, item FROM shelf WHERE kind = 'site'", site);
    look("shelf", "SELECT name, item FROM shelf WHERE kind = 'light-path'", rig);
    return found;
  } catch (const SQLite::Exception& problem) {
    return tl::make_unexpected(as_error(problem, store_->file, false));
  }
}

Result<void> LogBook::keep(const KeptSite& site) {
  return put(store_->database, store_->file, kSites, site.item.name, sky::to_json(site.item),
             site.used);
}

Result<void> LogBook::keep(const KeptPath& path) {
  return put(store_->database, store_->file, kPaths, path.item.name, optics::to_json(path.item),
             path.used);
}

Result<void> LogBook::drop_site(const std::string& name) {
  return take_off(store_->database, store_->file, kSites, name);
}

Result<void> LogBook::drop_path(const std::string& name) {
  return take_off(store_->database, store_->file, kPaths, name);
}

Result<std::vector<KeptSite>> LogBook::sites() const {
  return on_shelf<sky::Site>(store_->database, store_->file, kSites, sky::site_from_json);
}

Result<std::vector<KeptPath>> LogBook::paths() const {
  return on_shelf<optics::Rig>(
      store_->database, store_->file, kPaths,
      [](const base::Json& json, const std::string&) { return optics::rig_from_json(json); });
}

}  // namespace solarchon::log
