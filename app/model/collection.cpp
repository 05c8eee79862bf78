// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/collection.h"

#include <QUndoCommand>
#include <algorithm>
#include <tuple>
#include <utility>

namespace solarchon::app {

namespace {

// What a collection asks of its kinds of things.

const std::string& key_of(const optics::Element& part) { return part.kit_id; }
template <typename T>
const std::string& key_of(const log::Kept<T>& kept) {
  return kept.item.name;
}

bool before(const optics::Element& one, const optics::Element& other) {
  return std::tie(one.name, one.kit_id) < std::tie(other.name, other.kit_id);
}
template <typename T>
bool before(const log::Kept<T>& one, const log::Kept<T>& other) {
  return one.used != other.used ? one.used > other.used : one.item.name < other.item.name;
}

base::Result<void> keep(log::LogBook& book, const optics::Element& part) {
  return book.keep_in_kit(part).map([](const std::string& /*kit_id*/) {});
}
template <typename T>
base::Result<void> keep(log::LogBook& book, const log::Kept<T>& kept) {
  return book.keep(kept);
}

template <typename T>
struct Shelved;
template <>
struct Shelved<optics::Element> {
  static constexpr auto kRead = &log::LogBook::kit;
  static constexpr auto kDrop = &log::LogBook::drop_from_kit;
};
template <>
struct Shelved<log::KeptSite> {
  static constexpr auto kRead = &log::LogBook::sites;
  static constexpr auto kDrop = &log::LogBook::drop_site;
};
template <>
struct Shelved<log::KeptPath> {
  static constexpr auto kRead = &log::LogBook::paths;
  static constexpr auto kDrop = &log::LogBook::drop_path;
};

}  // namespace

/// A change, and what was there before it.
template <typename T>
class Collection<T>::Edit : public QUndoCommand {
 public:
  Edit(const QString& what, Collection& collection, std::vector<Wish> wishes)
      : QUndoCommand(what),
        collection_(collection),
        before_(collection.as_it_stands(wishes)),
        after_(std::move(wishes)) {}
  void redo() override { collection_.set(after_); }
  void undo() override { collection_.set(before_); }

 private:
  Collection& collection_;
  std::vector<Wish> before_;
  std::vector<Wish> after_;
};

template <typename T>
Collection<T>::Collection(LogQueue& queue, QUndoStack& undo, ErrorReporter& trouble, QObject* owner,
                          std::function<void()> changed)
    : queue_(queue), undo_(undo), trouble_(trouble), owner_(owner), changed_(std::move(changed)) {}

template <typename T>
const T* Collection<T>::find(const std::string& key) const {
  const auto found = std::find_if(items_.begin(), items_.end(),
                                  [&](const T& item) { return key_of(item) == key; });
  return found != items_.end() ? &*found : nullptr;
}

template <typename T>
auto Collection<T>::as_it_stands(const std::vector<Wish>& wishes) const -> std::vector<Wish> {
  std::vector<Wish> now;
  for (const Wish& wish : wishes) {
    const T* item = find(wish.key);
    now.push_back({wish.key, item != nullptr ? std::optional(*item) : std::nullopt});
  }
  return now;
}

template <typename T>
void Collection<T>::adopt(base::Result<std::vector<T>> list) {
  if (!list) {
    trouble_.tell(list.error());
  } else if (asked_ == 0 && *list != items_) {  // asked again: what comes later says more
    items_ = std::move(*list);
    changed_();
  }
}

template <typename T>
void Collection<T>::reload() {
  ++asked_;
  queue_.ask(
      owner_, [](const log::LogBook& book) { return (book.*Shelved<T>::kRead)(); },
      [this](base::Result<std::vector<T>> list) {
        --asked_;
        adopt(std::move(list));
      });
}

template <typename T>
void Collection<T>::edit(const QString& what, const std::vector<Wish>& wishes) {
  undo_.push(new Edit(what, *this, wishes));
}

template <typename T>
void Collection<T>::show(const std::vector<Wish>& wishes) {
  for (const Wish& wish : wishes) {
    std::erase_if(items_, [&](const T& item) { return key_of(item) == wish.key; });
    if (wish.item) {
      const auto place =
          std::upper_bound(items_.begin(), items_.end(), *wish.item,
                           [](const T& one, const T& other) { return before(one, other); });
      items_.insert(place, *wish.item);
    }
  }
  changed_();
}

template <typename T>
void Collection<T>::set(const std::vector<Wish>& wishes) {
  const std::vector<Wish> old = as_it_stands(wishes);
  show(wishes);
  ++asked_;
  struct Outcome {
    base::Result<void> written;
    base::Result<std::vector<T>> list;
  };
  queue_.ask(
      owner_,
      [wishes](log::LogBook& book) -> base::Result<Outcome> {
        base::Result<void> written;
        for (const Wish& wish : wishes) {
          written = written.and_then([&] {
            return wish.item ? keep(book, *wish.item) : (book.*Shelved<T>::kDrop)(wish.key);
          });
        }
        // Whatever became of it: what is shown is what the log holds.
        return Outcome{written, (book.*Shelved<T>::kRead)()};
      },
      [this, old](base::Result<Outcome> outcome) {
        --asked_;
        if (!outcome) {  // the log could not be opened
          trouble_.tell(outcome.error());
          show(old);
          return;
        }
        if (!outcome->written) {
          trouble_.tell(outcome->written.error());
        }
        adopt(std::move(outcome->list));
      });
}

template class Collection<optics::Element>;
template class Collection<log::KeptSite>;
template class Collection<log::KeptPath>;

}  // namespace solarchon::app
