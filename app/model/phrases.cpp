// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/phrases.h"

#include <QCoreApplication>
#include <QDateTime>
#include <QLocale>
#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/words/errors.h"
#include "solarchon/words/safety.h"

namespace solarchon::app {

namespace {

/// Looks the texts of words/ up in the program's translations.
class TranslatedVoice : public words::Voice {
 public:
  [[nodiscard]] std::string say(const char* text) const override {
    return QCoreApplication::translate("solarchon::words", text).toStdString();
  }
  [[nodiscard]] std::string generic_name(const std::string& name) const override {
    return QCoreApplication::translate("catalogue", name.c_str()).toStdString();
  }
  [[nodiscard]] std::string decimal_point() const override {
    return QLocale().decimalPoint().toStdString();
  }
};

QDateTime local_time(sky::UtcTime time, const QTimeZone& zone) {
  return QDateTime::fromMSecsSinceEpoch(time.unix_ms, zone);
}

/// Whole units, sixtieths and sixtieths of these; `%1:%2:%3`.
QString in_sixtieths(const QString& pattern, qint64 seconds) {
  constexpr qint64 kSixty = 60;
  const auto two = [](qint64 value) { return QStringLiteral("%1").arg(value, 2, 10, QChar('0')); };
  return pattern.arg(QString::number(seconds / (kSixty * kSixty)), two(seconds / kSixty % kSixty),
                     two(seconds % kSixty));
}

}  // namespace

QString number(double value, int decimals) {
  const double scale = std::pow(10.0, decimals);
  const double rounded = std::round(value * scale) / scale;
  QString out = QLocale().toString(std::abs(rounded), 'f', decimals);
  return rounded < 0.0 ? QChar(0x2212) + out : out;
}

QString in_hours(double angle_deg) {
  constexpr double kSecondsPerDeg = 240.0;
  constexpr qint64 kDay = 86400;
  return in_sixtieths(QStringLiteral("%1h %2m %3s"),
                      std::llround(base::wrap_360(angle_deg) * kSecondsPerDeg) % kDay);
}

QString in_degrees(double angle_deg) {
  const qint64 arcsec = std::llround(std::abs(angle_deg) * base::kArcsecPerDeg);
  const QChar sign = angle_deg < 0.0 && arcsec > 0 ? QChar(0x2212) : QChar('+');
  return sign + in_sixtieths(QStringLiteral("%1\u00b0 %2\u2032 %3\u2033"), arcsec);
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

QString celsius(double degrees) { return number(degrees, 1) + QStringLiteral(" \u00b0C"); }

QString clock_at(sky::UtcTime time, const QTimeZone& zone, bool seconds) {
  return local_time(time, zone)
      .toString(seconds ? QStringLiteral("HH:mm:ss") : QStringLiteral("HH:mm"));
}

QString time_left(sky::Duration length) {
  constexpr qint64 kSixty = 60;
  const qint64 seconds = std::llround(std::max(0.0, sky::in_seconds(length)));
  const auto two = [](qint64 value) { return QStringLiteral("%1").arg(value, 2, 10, QChar('0')); };
  const qint64 minutes = seconds / kSixty;
  return minutes < kSixty
             ? QStringLiteral("%1:%2").arg(QString::number(minutes), two(seconds % kSixty))
             : QStringLiteral("%1:%2:%3")
                   .arg(QString::number(minutes / kSixty), two(minutes % kSixty),
                        two(seconds % kSixty));
}

QString duration_words(double seconds) {
  constexpr double kMinute = 60.0;
  constexpr double kHour = 3600.0;
  if (!std::isfinite(seconds)) {
    return QStringLiteral("\u2013");
  }
  if (seconds < 2.0 * kMinute) {
    return QObject::tr("%1 s").arg(number(seconds, seconds < 10.0 ? 1 : 0));
  }
  return seconds < 2.0 * kHour ? QObject::tr("%1 min").arg(number(seconds / kMinute, 0))
                               : QObject::tr("%1 h").arg(number(seconds / kHour, 1));
}

QString gigabytes(double bytes) {
  constexpr double kGigabyte = 1e9;
  return QObject::tr("%1 GB").arg(number(bytes / kGigabyte, bytes < 10.0 * kGigabyte ? 1 : 0));
}

QString timer_name(std::string_view step) {
  return step == "warm-up" ? QObject::tr("Warm-up")
         : step == "tune"  ? QObject::tr("Tuning")
                           : QObject::tr("Tube cools");
}

QString date_at(sky::UtcTime time, const QTimeZone& zone) {
  return QLocale().toString(local_time(time, zone).date(), QStringLiteral("d MMM yyyy"));
}

QString utc_minutes(sky::UtcTime time) {
  constexpr std::size_t kToTheMinute = 16;
  QString iso = QString::fromStdString(sky::to_iso(time).substr(0, kToTheMinute));
  return iso.replace(QLatin1Char('T'), QLatin1Char(' ')) + QStringLiteral(" UTC");
}

QString compass_point(double azimuth_deg) {
  const std::array<QString, 8> points{QObject::tr("N"),  QObject::tr("NE"), QObject::tr("E"),
                                      QObject::tr("SE"), QObject::tr("S"),  QObject::tr("SW"),
                                      QObject::tr("W"),  QObject::tr("NW")};
  return points.at(static_cast<std::size_t>(std::lround(azimuth_deg / 45.0)) % points.size());
}

QString exposure_text(double exposure_ms) {
  if (exposure_ms >= 500.0) {
    return QObject::tr("%1 s").arg(number(exposure_ms / 1000.0, 2));
  }
  constexpr double kShortestInMs = 0.001;
  if (exposure_ms < kShortestInMs) {
    return with_prefix(exposure_ms / 1000.0, QObject::tr("s"));
  }
  return QObject::tr("%1 ms").arg(figure(exposure_ms, 3));
}

QString refused_words(const std::vector<base::RefusedLine>& refused) {
  constexpr std::size_t kMost = 4;
  QStringList lines;
  for (std::size_t i = 0; i < std::min(kMost, refused.size()); ++i) {
    lines << QObject::tr("line %1: %2").arg(refused[i].line).arg(error_text(refused[i].error));
  }
  if (refused.size() > kMost) {
    lines << QObject::tr("and %1 more").arg(refused.size() - kMost);
  }
  return lines.join(QStringLiteral("; "));
}

QString name_of(workspace::Target target) {
  switch (target) {
    case workspace::Target::kWholeDisc:
      return QObject::tr("Whole disc");
    case workspace::Target::kLargestSpot:
      return QObject::tr("Largest spot");
    case workspace::Target::kGranulation:
      return QObject::tr("Granulation");
    case workspace::Target::kFaculae:
      return QObject::tr("Faculae");
    case workspace::Target::kProminence:
      return QObject::tr("Prominence");
    case workspace::Target::kFilament:
      return QObject::tr("Filament");
    case workspace::Target::kPlage:
      return QObject::tr("Plage");
    case workspace::Target::kLimb:
      break;
  }
  return QObject::tr("Limb");
}

QString name_of(safety::Severity severity) { return text(words::name_of(severity, voice())); }

QString text(std::string_view utf8) {
  return QString::fromUtf8(utf8.data(), static_cast<qsizetype>(utf8.size()));
}

const words::Voice& voice() {
  static const TranslatedVoice kVoice;
  return kVoice;
}

QString what_can_happen(const safety::Finding& finding) {
  return text(words::rule_words(finding.rule, voice()).what);
}

QString why_of(const safety::Finding& finding) {
  return text(words::rule_words(finding.rule, voice()).why);
}

QString next_step_of(const safety::Finding& finding) {
  return text(words::rule_words(finding.rule, voice()).next_step);
}

QString error_text(const base::Error& error) { return text(words::sentence(error, voice())); }

QString beside_field_text(const base::Error& error) {
  return text(words::beside_field(error, voice()));
}

}  // namespace solarchon::app
