// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <QStringList>

namespace solarchon::app {

/// The languages that the program speaks, as codes: `en`, `es`.
[[nodiscard]] const QStringList& languages();
/// What a language calls itself: `Español`.
[[nodiscard]] QString own_name(const QString& language);

/// Loads a language's translations, Qt's own with it, in the place of those before. Windows that
/// are open keep their words. Numbers and dates follow the system where it has that language, else
/// the language.
/// @param language  one of languages(); another, or none: the system's, English where the program
///                  does not speak that
void speak(const QString& language);
/// The one that was loaded last.
[[nodiscard]] QString spoken_language();

}  // namespace solarchon::app
