// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/desktop_notifier.h"

#include <QApplication>
#include <QDBusConnection>
#include <QDBusMessage>
#include <QProcess>
#include <QWidget>

namespace solarchon::app {

void DesktopNotifier::operator()(const Alarm& alarm) const {
  // The desktop's notification service, as freedesktop.org describes it.
  QDBusMessage call = QDBusMessage::createMethodCall(
      QStringLiteral("org.freedesktop.Notifications"),
      QStringLiteral("/org/freedesktop/Notifications"),
      QStringLiteral("org.freedesktop.Notifications"), QStringLiteral("Notify"));
  constexpr int kAsLongAsTheDesktopLikes = -1;
  call << QStringLiteral("Solarchon") << 0U << QStringLiteral("solarchon") << alarm.title
       << without_markup(alarm.details) << QStringList()
       << QVariantMap{{QStringLiteral("urgency"), QVariant::fromValue<uchar>(2)}}
       << kAsLongAsTheDesktopLikes;
  QDBusConnection::sessionBus().send(call);
  for (QWidget* window : QApplication::topLevelWidgets()) {
    if (window->isVisible()) {
      QApplication::alert(window);
    }
  }
  QProcess ringer;
  ringer.setProgram(ringer_);
  ringer.setArguments({QStringLiteral("--ring")});
  ringer.setStandardOutputFile(QProcess::nullDevice());  // sound systems talk
  ringer.setStandardErrorFile(QProcess::nullDevice());
  if (ringer_.isEmpty() || !ringer.startDetached()) {
    QApplication::beep();
  }
}

QString without_markup(QString text) {
  text.replace(QLatin1Char('<'), QChar(0x2039));
  text.replace(QLatin1Char('>'), QChar(0x203a));
  return text.replace(QLatin1Char('&'), QChar(0xff06));
}

}  // namespace solarchon::app
