// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/shelf.h"

#include <QDateTime>
#include <utility>

#include "solarchon/base/json.h"
#include "solarchon/optics/rig_file.h"

namespace solarchon::app {

namespace {

sky::UtcTime now() { return {QDateTime::currentMSecsSinceEpoch()}; }

// What a shelf asks of its kinds of things: files, and how the steps of undo are called.

template <typename T>
struct Ways;

template <>
struct Ways<sky::Site> {
  static constexpr std::size_t kMostBytes = sky::kMostSiteBytes;
  static base::Result<sky::Site> read(const base::Json& json) { return sky::site_from_file(json); }
  static base::Result<void> write(const sky::Site& site, const std::filesystem::path& file) {
    return sky::write_site(site, file);
  }
  static QString keep() { return AnyShelf::tr("Keep site"); }
  static QString drop() { return AnyShelf::tr("Remove site"); }
  static QString copy() { return AnyShelf::tr("Copy site"); }
  static QString rename() { return AnyShelf::tr("Rename site"); }
};

template <>
struct Ways<optics::Rig> {
  static constexpr std::size_t kMostBytes = optics::kMostBytes;
  static base::Result<optics::Rig> read(const base::Json& json) {
    return optics::rig_from_json(json);
  }
  static base::Result<void> write(const optics::Rig& path, const std::filesystem::path& file) {
    return optics::write_rig(path, file);
  }
  static QString keep() { return AnyShelf::tr("Keep light path"); }
  static QString drop() { return AnyShelf::tr("Remove light path"); }
  static QString copy() { return AnyShelf::tr("Copy light path"); }
  static QString rename() { return AnyShelf::tr("Rename light path"); }
};

}  // namespace

template <typename T>
Shelf<T>::Shelf(LogQueue& queue, OutsideFiles& files, QUndoStack& undo, ErrorReporter& trouble,
                QObject* parent)
    : AnyShelf(parent),
      files_(files),
      trouble_(trouble),
      things_(queue, undo, trouble, this, [this] { emit changed(); }) {}

template <typename T>
const T* Shelf<T>::find(const std::string& name) const {
  const log::Kept<T>* kept = things_.find(name);
  return kept != nullptr ? &kept->item : nullptr;
}

template <typename T>
std::vector<std::string> Shelf<T>::names() const {
  std::vector<std::string> names;
  for (const log::Kept<T>& kept : things_.items()) {
    names.push_back(kept.item.name);
  }
  return names;
}

template <typename T>
std::string Shelf<T>::free_name(const std::string& name) const {
  std::string free = name;
  for (int number = 2; find(free) != nullptr; ++number) {
    free = name + " " + std::to_string(number);
  }
  return free;
}

template <typename T>
void Shelf<T>::keep(const T& thing) {
  things_.edit(Ways<T>::keep(), {{thing.name, log::Kept<T>{thing, now()}}});
}

template <typename T>
void Shelf<T>::drop(const std::string& name) {
  if (find(name) != nullptr) {
    things_.edit(Ways<T>::drop(), {{name, std::nullopt}});
  }
}

template <typename T>
void Shelf<T>::copy(const std::string& name) {
  if (const log::Kept<T>* kept = things_.find(name)) {
    log::Kept<T> copy = *kept;
    copy.item.name = free_name(name);
    things_.edit(Ways<T>::copy(), {{copy.item.name, copy}});
  }
}

template <typename T>
bool Shelf<T>::rename(const std::string& name, const std::string& to) {
  const log::Kept<T>* kept = things_.find(name);
  if (kept == nullptr || to.empty() || (to != name && find(to) != nullptr)) {
    return false;
  }
  if (to != name) {
    log::Kept<T> renamed = *kept;
    renamed.item.name = to;
    things_.edit(Ways<T>::rename(), {{name, std::nullopt}, {to, renamed}});
  }
  return true;
}

template <typename T>
void Shelf<T>::used(const std::string& name) {
  if (const T* thing = find(name)) {
    things_.set({{name, log::Kept<T>{*thing, now()}}});
  }
}

template <typename T>
void Shelf<T>::import_file(const QString& file) {
  files_.read(this, file, Ways<T>::kMostBytes,
              [this, file](const base::Result<std::string>& text) -> OutsideFiles::Made {
                const auto read =
                    text.and_then([&](const std::string& bytes) {
                          return base::parse_json(bytes, file.toStdString());
                        })
                        .and_then([](const base::Json& json) { return Ways<T>::read(json); });
                return [this, read] {
                  if (!read) {
                    trouble_.tell(read.error());
                    return;
                  }
                  T thing = *read;
                  thing.name = free_name(thing.name);
                  keep(thing);
                };
              });
}

template <typename T>
void Shelf<T>::export_to(const std::string& name, const QString& file) {
  if (const T* thing = find(name)) {
    if (const auto written = Ways<T>::write(*thing, file.toStdString()); !written) {
      trouble_.tell(written.error());
    }
  }
}

template class Shelf<sky::Site>;
template class Shelf<optics::Rig>;

}  // namespace solarchon::app
