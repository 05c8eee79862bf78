// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QUndoStack>
#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "app/model/log_queue.h"
#include "solarchon/log/log_book.h"

namespace solarchon::app {

/// Things of one kind that the log keeps for their owner, each with a key: parts of the kit by
/// their kit_id, sites and light paths by name. A change is a step of undo; it is seen at once and
/// written through the queue. What could not be written is told, and the list is then what the log
/// holds.
/// For optics::Element, log::KeptSite and log::KeptPath.
template <typename T>
class Collection {
 public:
  /// @param owner    as long as it lives, outcomes are taken in
  /// @param changed  called after each change of the list
  Collection(LogQueue& queue, QUndoStack& undo, ErrorReporter& trouble, QObject* owner,
             std::function<void()> changed);

  /// Parts by name; what stands on a shelf by its last use.
  [[nodiscard]] const std::vector<T>& items() const { return items_; }
  [[nodiscard]] const T* find(const std::string& key) const;
  /// Reads the list anew. A problem is told, the old list stays.
  void reload();

  /// What a key stands for from now on; none: nothing any more.
  struct Wish {
    std::string key;
    std::optional<T> item;
  };
  /// Changes the list as one step of undo.
  void edit(const QString& what, const std::vector<Wish>& wishes);
  /// The same without undo.
  void set(const std::vector<Wish>& wishes);

 private:
  class Edit;
  void show(const std::vector<Wish>& wishes);
  [[nodiscard]] std::vector<Wish> as_it_stands(const std::vector<Wish>& wishes) const;
  void adopt(base::Result<std::vector<T>> list);

  LogQueue& queue_;
  QUndoStack& undo_;
  ErrorReporter& trouble_;
  QObject* owner_;
  std::function<void()> changed_;
  std::vector<T> items_;
  int asked_ = 0;  ///< pieces of work that will tell the list
};

}  // namespace solarchon::app
