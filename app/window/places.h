// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QByteArray>
#include <QString>
#include <QStringList>
#include <vector>

#include "app/views/view.h"

namespace solarchon::app {

/// What is known of a file before it is read.
struct FileHead {
  QString ending;    ///< in small letters: `json`
  QByteArray bytes;  ///< the first of them, of texts and FITS, which say there what they are
};
[[nodiscard]] FileHead head_of(const QString& file);
/// A site, which goes on its shelf and not to a view.
[[nodiscard]] bool is_site(const FileHead& head);

/// A kind of file that a view takes, and the place where it does.
struct TakenFile {
  QString place;
  bool (*takes)(const FileHead&);
};

/// A view in the order of the work: all that the window needs to know of it.
struct Place {
  QString id;     ///< in --view, in the settings, and in tests: `light-path`
  QString name;   ///< in the user's language
  QString glyph;  ///< of data/icons
  View* (*make)(const Models& models, QWidget* parent);
  QStringList pages;             ///< ids of its pages, its own first; empty: it is one page
  std::vector<TakenFile> files;  ///< that are opened, or dropped on the window
};

/// Every view, in the order of the work. A view is put into the program here and nowhere else.
[[nodiscard]] std::vector<Place> places();

/// Ids of everything that --view can open and that a tour shows: views, and the pages of those that
/// have some.
[[nodiscard]] QStringList place_ids();

}  // namespace solarchon::app
