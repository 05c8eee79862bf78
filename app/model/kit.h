// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <string>
#include <vector>

#include "app/model/collection.h"
#include "app/model/outside_files.h"
#include "app/model/shelf.h"

namespace solarchon::app {

/// What its owner has: the parts of the kit, and the shelves of sites and light paths. Every change
/// is a step of undo.
class Kit : public QObject {
  Q_OBJECT

 public:
  Kit(LogQueue& queue, OutsideFiles& files, QUndoStack& undo, ErrorReporter& trouble,
      QObject* parent = nullptr);

  /// The owner's parts, by name.
  [[nodiscard]] const std::vector<optics::Element>& parts() const { return parts_.items(); }
  /// Keeps a part; one with a kit_id takes the place of that part.
  /// @return  its kit_id
  std::string keep(optics::Element part);
  void drop(const std::string& kit_id);
  /// Adds the parts of a file, or writes all to one.
  void import_file(const QString& file);
  void export_to(const QString& file);

  [[nodiscard]] SiteShelf& sites() { return sites_; }
  [[nodiscard]] PathShelf& paths() { return paths_; }
  /// Reads parts and shelves anew.
  void reload();

 signals:
  void partsChanged();

 private:
  OutsideFiles& files_;
  ErrorReporter& trouble_;
  Collection<optics::Element> parts_;
  SiteShelf sites_;
  PathShelf paths_;
};

}  // namespace solarchon::app
