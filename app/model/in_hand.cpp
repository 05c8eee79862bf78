// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/in_hand.h"

#include <cmath>

#include "app/model/phrases.h"

namespace solarchon::app {

namespace {

// What having something in hand asks of its kinds.

template <typename T>
struct Held;

template <>
struct Held<sky::Site> {
  static constexpr auto kMember = &workspace::Workspace::site;
  static QString choose() { return AnyInHand::tr("Choose site"); }
  static QString rename() { return AnyInHand::tr("Rename site"); }
  static QString details(const sky::Site& site) {
    return AnyInHand::tr("%1\u00b0 %2, %3\u00b0 %4, %5 m")
        .arg(number(std::abs(site.latitude_deg), 2),
             site.latitude_deg < 0.0 ? AnyInHand::tr("S", "south") : AnyInHand::tr("N", "north"),
             number(std::abs(site.longitude_deg), 2),
             site.longitude_deg < 0.0 ? AnyInHand::tr("W", "west") : AnyInHand::tr("E", "east"),
             number(site.elevation_m, 0));
  }
};

template <>
struct Held<optics::Rig> {
  static constexpr auto kMember = &workspace::Workspace::rig;
  static QString choose() { return AnyInHand::tr("Choose light path"); }
  static QString rename() { return AnyInHand::tr("Rename light path"); }
  static QString details(const optics::Rig& path) {
    return AnyInHand::tr("%n part(s)", nullptr, static_cast<int>(path.elements.size()));
  }
};

}  // namespace

AnyInHand::AnyInHand(Document& document, AnyShelf& shelf, QObject* parent)
    : QObject(parent), document_(document), shelf_(shelf) {
  connect(&document_, &Document::changed, this, &AnyInHand::changed);
  connect(&shelf_, &AnyShelf::changed, this, &AnyInHand::changed);
}

template <typename T>
InHand<T>::InHand(Document& document, Shelf<T>& shelf, QObject* parent)
    : AnyInHand(document, shelf, parent), kept_(shelf) {}

template <typename T>
const T& InHand<T>::now() const {
  return document().workspace().*Held<T>::kMember;
}

template <typename T>
void InHand<T>::put(const QString& what, const T& thing) {
  workspace::Workspace next = document().workspace();
  next.*Held<T>::kMember = thing;
  document().edit(what, next);
}

template <typename T>
OnShelf InHand<T>::state() const {
  const T* kept = kept_.find(now().name);
  return kept == nullptr ? OnShelf::kNot : *kept == now() ? OnShelf::kAsItIs : OnShelf::kChanged;
}

template <typename T>
QString InHand<T>::details(const std::string& name) const {
  const T* kept = kept_.find(name);
  return kept != nullptr ? Held<T>::details(*kept) : QString();
}

template <typename T>
bool InHand<T>::take(const std::string& name) {
  const T* kept = kept_.find(name);
  if (kept == nullptr || *kept == now()) {
    return true;
  }
  const T taken = *kept;
  const OnShelf before = state();
  document().undo().beginMacro(Held<T>::choose());
  if (before == OnShelf::kNot && !now().name.empty()) {
    keep();
  }
  put(Held<T>::choose(), taken);
  document().undo().endMacro();
  kept_.used(name);
  return before != OnShelf::kChanged;
}

template <typename T>
bool InHand<T>::rename(const std::string& name, const std::string& to) {
  if (now().name != name) {
    return kept_.rename(name, to);
  }
  if (to.empty() || (to != name && kept_.find(to) != nullptr)) {
    return false;
  }
  T thing = now();
  thing.name = to;
  document().undo().beginMacro(Held<T>::rename());
  const bool renamed = kept_.rename(name, to);
  put(Held<T>::rename(), thing);
  document().undo().endMacro();
  return renamed;
}

template class InHand<sky::Site>;
template class InHand<optics::Rig>;

}  // namespace solarchon::app
