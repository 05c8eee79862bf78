// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/alarms.h"

#include <QApplication>
#include <QDBusConnection>
#include <QDBusMessage>
#include <QDateTime>
#include <QProcess>
#include <QWidget>
#include <algorithm>

#include "app/shell/phrases.h"
#include "solarchon/plan/calendar.h"

namespace solarchon::app {

namespace {

constexpr int kEveryMs = 5000;
constexpr double kForgottenS = 600.0;

}  // namespace

Alarms::Alarms(Document& document, Teller tell, QObject* parent)
    : QObject(parent), document_(document), tell_(std::move(tell)) {
  clock_.setInterval(kEveryMs);
  connect(&clock_, &QTimer::timeout, this,
          [this] { check({QDateTime::currentMSecsSinceEpoch()}); });
}

void Alarms::set_on(bool on) {
  on_ = on;
  told_.clear();
  if (on) {
    clock_.start();
    QTimer::singleShot(0, this, [this] { check({QDateTime::currentMSecsSinceEpoch()}); });
  } else {
    clock_.stop();
  }
}

std::vector<Alarm> Alarms::coming(sky::UtcTime now) const {
  // The day that is looked at may be another: alarms are those of the clock's own day, and of the
  // next one, whose steps may begin the evening before.
  const workspace::Workspace& space = document_.workspace();
  std::vector<plan::CalendarEntry> entries;
  constexpr double kDayS = 86400.0;
  for (const double ahead_s : {0.0, kDayS}) {
    if (space.wishes.runs.empty()) {
      break;
    }
    const sky::CivilDate date = sky::local_mean_date(now + ahead_s, space.site.longitude_deg);
    const sky::SunDay day = sky::sun_day(date, space.site, space.conditions.air);
    const sky::SkylineDay skyline = sky::over_skyline(day, space.site, Document::kWindowDeg);
    const plan::Givens givens{day,         skyline,      space.rig,
                              space.mount, space.wishes, document_.experience()};
    const auto of_day = plan::agenda_of(givens, plan::plan_day(givens), space.site.name, 0.0);
    entries.insert(entries.end(), of_day.begin(), of_day.end());
  }
  std::vector<Alarm> alarms;
  const QTimeZone zone = document_.zone();
  for (const plan::CalendarEntry& entry : entries) {
    const bool run = entry.kind == "run";
    const sky::UtcTime due = entry.window.start + (run ? -60.0 * kBeforeRunMin : 0.0);
    alarms.push_back(
        {entry.uid + sky::to_iso(entry.window.start), due,
         run ? tr("%1 begins at %2").arg(text(entry.title), clock_at(entry.window.start, zone))
             : text(entry.title),
         text(entry.details)});
  }
  std::stable_sort(alarms.begin(), alarms.end(),
                   [](const Alarm& one, const Alarm& other) { return one.due < other.due; });
  return alarms;
}

void Alarms::check(sky::UtcTime now) {
  if (!on_) {
    return;
  }
  for (const Alarm& alarm : coming(now)) {
    const double late_s = sky::seconds_between(alarm.due, now);
    if (late_s >= 0.0 && late_s <= kForgottenS && told_.insert(alarm.id).second) {
      tell_(alarm);
    }
  }
}

void DesktopTeller::operator()(const Alarm& alarm) const {
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
