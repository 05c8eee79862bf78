// SPDX-License-Identifier: GPL-3.0-or-later
#include <gtest/gtest.h>

#include <QApplication>
#include <QLocale>

#include "app/shell/language.h"
#include "app/shell/theme.h"

int main(int argc, char** argv) {
  testing::InitGoogleTest(&argc, argv);
  qputenv("QT_QPA_PLATFORM", "offscreen");
  QLocale::setDefault(QLocale::c());
  const QApplication application(argc, argv);
  QApplication::setStyle(QStringLiteral("Fusion"));
  solarchon::app::Theme::load_fonts();
  solarchon::app::speak(QStringLiteral("en"));
  QLocale::setDefault(QLocale::c());
  solarchon::app::Theme::apply(solarchon::app::Look::kNoon);
  return RUN_ALL_TESTS();
}
