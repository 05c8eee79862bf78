// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/alarms.h"

#include <QDateTime>
#include <algorithm>

#include "app/model/phrases.h"
#include "solarchon/plan/calendar.h"
#include "solarchon/words/plan.h"

namespace solarchon::app {

namespace {

constexpr int kEveryMs = 5000;
constexpr sky::Duration kForgotten = sky::minutes(10.0);

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
  for (const double ahead_days : {0.0, 1.0}) {
    if (space.wishes.runs.empty()) {
      break;
    }
    const sky::CivilDate date =
        sky::local_mean_date(now + sky::days(ahead_days), space.site.longitude_deg);
    const plan::Day day = workspace::day_of(space, date, document_.experience());
    const auto of_day = words::agenda_of(day, space.site.name, 0.0, voice());
    entries.insert(entries.end(), of_day.begin(), of_day.end());
  }
  std::vector<Alarm> alarms;
  const QTimeZone zone = document_.zone();
  for (const plan::CalendarEntry& entry : entries) {
    const bool run = entry.kind == "run";
    const sky::UtcTime due = entry.window.start - sky::minutes(run ? kBeforeRunMin : 0.0);
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
    const sky::Duration late = now - alarm.due;
    if (late >= sky::seconds(0.0) && late <= kForgotten && told_.insert(alarm.id).second) {
      tell_(alarm);
    }
  }
}

}  // namespace solarchon::app
