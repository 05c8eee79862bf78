// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/language.h"

#include <QCoreApplication>
#include <QLibraryInfo>
#include <QLocale>
#include <QTranslator>
#include <memory>

namespace solarchon::app {

namespace {

struct Translations {
  QString language;
  std::unique_ptr<QTranslator> ours;
  std::unique_ptr<QTranslator> qts;
};

Translations& loaded() {
  static Translations translations;
  return translations;
}

std::unique_ptr<QTranslator> installed(const QString& name, const QString& folder) {
  auto translator = std::make_unique<QTranslator>();
  if (!translator->load(name, folder)) {
    return nullptr;
  }
  QCoreApplication::installTranslator(translator.get());
  return translator;
}

}  // namespace

const QStringList& languages() {
  static const QStringList kLanguages{QStringLiteral("en"), QStringLiteral("es")};
  return kLanguages;
}

QString own_name(const QString& language) {
  return language == QLatin1String("es") ? QStringLiteral("Espa\u00f1ol")
                                         : QStringLiteral("English");
}

void speak(const QString& language) {
  const QLocale system = QLocale::system();
  const QString of_system = system.name().section('_', 0, 0);
  QString chosen = languages().contains(language) ? language : of_system;
  if (!languages().contains(chosen)) {
    chosen = languages().front();
  }
  Translations& translations = loaded();
  if (translations.language == chosen) {
    return;
  }
  translations = {};  // a translator that is destroyed takes itself out
  translations.language = chosen;
  translations.qts =
      installed("qtbase_" + chosen, QLibraryInfo::path(QLibraryInfo::TranslationsPath));
  translations.ours = installed("solarchon_" + chosen, QStringLiteral(":/i18n"));
  const bool system_speaks_it = of_system == chosen || language.isEmpty();
  QLocale::setDefault(system_speaks_it ? system : QLocale(chosen));
}

QString spoken_language() { return loaded().language; }

}  // namespace solarchon::app
