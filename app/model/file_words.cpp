// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/file_words.h"

#include <QDateTime>
#include <QDir>
#include <QFileInfo>
#include <QObject>
#include <QRegularExpression>
#include <QStringList>
#include <QTimeZone>

#include "app/model/phrases.h"
#include "solarchon/base/file.h"
#include "solarchon/base/json.h"

namespace solarchon::app {

namespace {

QString product_words(const QString& what) {
  if (what == QLatin1String("stack")) {
    return QObject::tr("stack");
  }
  if (what == QLatin1String("sharp")) {
    return QObject::tr("stack, restored");
  }
  if (what == QLatin1String("mosaic")) {
    return QObject::tr("mosaic");
  }
  return what == QLatin1String("finished") ? QObject::tr("finished picture")
                                           : QObject::tr("picture");
}

/// The light path that the file beside a clip tells; empty where none is there.
QString light_path_beside(const QString& file) {
  constexpr std::size_t kMostBytes = 1U << 20U;
  const auto read =
      base::read_file((file + QStringLiteral(".json")).toStdString(), kMostBytes)
          .and_then([](const std::string& text) { return base::parse_json(text, "clip"); });
  if (!read || !read->is_object() || !read->contains("light_path")) {
    return {};
  }
  const base::Json& path = read->at("light_path");
  return path.is_object() && path.contains("name") && path["name"].is_string()
             ? text(path["name"].get<std::string>())
             : QString();
}

}  // namespace

QString words_of_file(const QString& file) {
  static const QRegularExpression name(
      QStringLiteral("^(\\d{6})(?:-(stack|sharp|mosaic|finished|picture))?(?:-(\\d+))?$"));
  const QFileInfo info(file);
  const QDate day = QDate::fromString(info.dir().dirName(), Qt::ISODate);
  const QRegularExpressionMatch match = name.match(info.completeBaseName());
  const QTime time = QTime::fromString(match.captured(1), QStringLiteral("HHmmss"));
  if (!day.isValid() || !match.hasMatch() || !time.isValid()) {
    return info.dir().dirName() + QLatin1Char('/') + info.fileName();
  }
  const sky::UtcTime at{QDateTime(day, time, Qt::UTC).toMSecsSinceEpoch()};
  const QTimeZone utc = QTimeZone::utc();
  const QString when =
      QObject::tr("%1, %2 UTC").arg(date_at(at, utc), clock_at(at, utc, time.second() != 0));
  QStringList words{when};
  if (!match.captured(2).isEmpty()) {
    words << product_words(match.captured(2));
  }
  if (!match.captured(3).isEmpty()) {
    words << match.captured(3);
  }
  if (const QString path = light_path_beside(file); !path.isEmpty()) {
    words << path;
  }
  return words.join(QStringLiteral(" \u00b7 "));
}

}  // namespace solarchon::app
