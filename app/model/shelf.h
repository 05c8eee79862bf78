// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <string>
#include <vector>

#include "app/model/collection.h"
#include "app/model/outside_files.h"
#include "solarchon/optics/rig.h"
#include "solarchon/sky/site.h"

namespace solarchon::app {

/// A shelf, whatever stands on it. Its things are told apart by their names.
class AnyShelf : public QObject {
  Q_OBJECT

 public:
  using QObject::QObject;

  /// Last used first.
  [[nodiscard]] virtual std::vector<std::string> names() const = 0;
  virtual void reload() = 0;
  virtual void drop(const std::string& name) = 0;
  /// A second one, under a name that is free.
  virtual void copy(const std::string& name) = 0;
  /// @return  false when the new name is empty, or that of another
  virtual bool rename(const std::string& name, const std::string& to) = 0;
  /// It was taken in hand: it comes first from now on. No step of undo.
  virtual void used(const std::string& name) = 0;
  /// A file that holds one; what has another's name gets a name of its own.
  virtual void import_file(const QString& file) = 0;
  virtual void export_to(const std::string& name, const QString& file) = 0;

 signals:
  void changed();
};

/// For sky::Site and optics::Rig. All changes but `used` are steps of undo.
template <typename T>
class Shelf : public AnyShelf {
 public:
  Shelf(LogQueue& queue, OutsideFiles& files, QUndoStack& undo, ErrorReporter& trouble,
        QObject* parent = nullptr);

  [[nodiscard]] const std::vector<log::Kept<T>>& kept() const { return things_.items(); }
  /// None when nothing of that name stands here.
  [[nodiscard]] const T* find(const std::string& name) const;
  /// Keeps something under its name, in the place of what has that name, as used now.
  void keep(const T& thing);

  [[nodiscard]] std::vector<std::string> names() const override;
  void reload() override { things_.reload(); }
  void drop(const std::string& name) override;
  void copy(const std::string& name) override;
  bool rename(const std::string& name, const std::string& to) override;
  void used(const std::string& name) override;
  void import_file(const QString& file) override;
  void export_to(const std::string& name, const QString& file) override;

 private:
  [[nodiscard]] std::string free_name(const std::string& name) const;

  OutsideFiles& files_;
  ErrorReporter& trouble_;
  Collection<log::Kept<T>> things_;
};

using SiteShelf = Shelf<sky::Site>;
using PathShelf = Shelf<optics::Rig>;

}  // namespace solarchon::app
