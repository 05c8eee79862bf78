// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/ringer.h"

#include <unistd.h>

#include <QAudioDevice>
#include <QCoreApplication>
#include <QMediaDevices>
#include <QSoundEffect>
#include <QTimer>
#include <QUrl>

#include "solarchon/base/resources.h"

namespace solarchon::app {

int ring_alarm(int argc, char** argv) {
  constexpr unsigned kMostSeconds = 10;
  constexpr int kMostMs = 8000;
  ::alarm(kMostSeconds);
  const QCoreApplication application(argc, argv);
  const auto file = base::shipped_file("sounds/alarm.wav");
  if (!file || QMediaDevices::defaultAudioOutput().isNull()) {
    return 1;
  }
  QSoundEffect sound;
  bool played = false;
  QObject::connect(&sound, &QSoundEffect::playingChanged, &sound, [&] {
    if (sound.isPlaying()) {
      played = true;
    } else {
      QCoreApplication::exit(played ? 0 : 1);
    }
  });
  QObject::connect(&sound, &QSoundEffect::statusChanged, &sound, [&] {
    if (sound.status() == QSoundEffect::Error) {
      QCoreApplication::exit(1);
    }
  });
  QTimer::singleShot(kMostMs, &sound, [&] { QCoreApplication::exit(played ? 0 : 1); });
  sound.setSource(QUrl::fromLocalFile(QString::fromStdString(file->string())));
  sound.play();
  return QCoreApplication::exec();
}

}  // namespace solarchon::app
