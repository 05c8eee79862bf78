// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/phrases.h"

#include <QCoreApplication>
#include <QDateTime>
#include <QLocale>
#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/words/words.h"

namespace solarchon::app {

namespace {

QString tr(const char* source) { return QCoreApplication::translate("phrases", source); }

QDateTime local_time(sky::UtcTime time, const QTimeZone& zone) {
  return QDateTime::fromMSecsSinceEpoch(time.unix_ms, zone);
}

}  // namespace

QString number(double value, int decimals) {
  const double scale = std::pow(10.0, decimals);
  const double rounded = std::round(value * scale) / scale;
  QString out = QLocale().toString(std::abs(rounded), 'f', decimals);
  return rounded < 0.0 ? QChar(0x2212) + out : out;
}

QString figure(double value, int significant) {
  if (value == 0.0) {
    return number(0.0, 0);
  }
  const int magnitude = static_cast<int>(std::floor(std::log10(std::abs(value))));
  return number(value, std::max(0, significant - 1 - magnitude));
}

QString with_prefix(double value, const QString& unit) {
  const std::pair<double, QString> prefixes[] = {
      {1.0, {}}, {1e-3, QStringLiteral("m")}, {1e-6, QStringLiteral("\u00b5")}};
  for (const auto& [scale, prefix] : prefixes) {
    if (std::abs(value) >= scale) {
      return QStringLiteral("%1 %2%3").arg(figure(value / scale, 2), prefix, unit);
    }
  }
  return QStringLiteral("%1 n%2").arg(figure(value * 1e9, 2), unit);
}

QString counted(int count, const QString& one, const QString& many) {
  return QStringLiteral("%1 %2").arg(count).arg(count == 1 ? one : many);
}

QString clock_at(sky::UtcTime time, const QTimeZone& zone, bool seconds) {
  return local_time(time, zone)
      .toString(seconds ? QStringLiteral("HH:mm:ss") : QStringLiteral("HH:mm"));
}

QString date_at(sky::UtcTime time, const QTimeZone& zone) {
  return QLocale().toString(local_time(time, zone).date(), QStringLiteral("d MMM yyyy"));
}

QString compass_point(double azimuth_deg) {
  const std::array<const char*, 8> points{"N", "NE", "E", "SE", "S", "SW", "W", "NW"};
  const auto index = static_cast<std::size_t>(std::lround(azimuth_deg / 45.0)) % points.size();
  return tr(points.at(index));
}

QString exposure_text(double exposure_ms) {
  if (exposure_ms >= 500.0) {
    return tr("%1 s").arg(number(exposure_ms / 1000.0, 2));
  }
  constexpr double kShortestInMs = 0.001;
  if (exposure_ms < kShortestInMs) {
    return with_prefix(exposure_ms / 1000.0, tr("s"));
  }
  return tr("%1 ms").arg(figure(exposure_ms, 3));
}

QString refused_words(const std::vector<base::RefusedLine>& refused) {
  constexpr std::size_t kMost = 4;
  QStringList lines;
  for (std::size_t i = 0; i < std::min(kMost, refused.size()); ++i) {
    lines << tr("line %1: %2")
                 .arg(refused[i].line)
                 .arg(QString::fromStdString(words::sentence(refused[i].error)));
  }
  if (refused.size() > kMost) {
    lines << tr("and %1 more").arg(refused.size() - kMost);
  }
  return lines.join(QStringLiteral("; "));
}

QString name_of(workspace::Target target) {
  return target == workspace::Target::kWholeDisc ? tr("Whole disc") : tr("Largest spot");
}

QString name_of(safety::Severity severity) {
  switch (severity) {
    case safety::Severity::kStop:
      return tr("Stop");
    case safety::Severity::kCheck:
      return tr("Check first");
    case safety::Severity::kNoObjection:
      break;
  }
  return tr("No objection found");
}

QString text(std::string_view core_text) {
  return QString::fromUtf8(core_text.data(), static_cast<qsizetype>(core_text.size()));
}

}  // namespace solarchon::app
