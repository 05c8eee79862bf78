// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/file_kinds.h"

#include <QObject>
#include <QStringList>

#include "solarchon/media/endings.h"

namespace solarchon::app {

namespace {

void add(QStringList& patterns, std::span<const std::string_view> endings) {
  for (const std::string_view ending : endings) {
    patterns << QLatin1Char('*') +
                    QString::fromUtf8(ending.data(), static_cast<int>(ending.size()));
  }
}

}  // namespace

QString picture_filter() {
  QStringList patterns;
  add(patterns, media::picture_endings());
  return QObject::tr("Pictures (%1);;All files (*)").arg(patterns.join(QLatin1Char(' ')));
}

QString clip_filter() {
  QStringList patterns;
  add(patterns, media::picture_endings());
  add(patterns, media::video_endings());
  return QObject::tr("Clips and pictures (%1);;All files (*)").arg(patterns.join(QLatin1Char(' ')));
}

}  // namespace solarchon::app
