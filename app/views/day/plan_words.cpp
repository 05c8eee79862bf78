// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/plan_words.h"

#include <QObject>
#include <cmath>

#include "app/model/phrases.h"
#include "solarchon/words/plan.h"

namespace solarchon::app {

QString name_of(plan::StepKind kind) { return text(words::title_of(kind, voice())); }

QString name_of(plan::Consumer consumer) {
  switch (consumer) {
    case plan::Consumer::kHeater:
      return QObject::tr("Etalon heater");
    case plan::Consumer::kMount:
      return QObject::tr("Mount");
    case plan::Consumer::kCamera:
      return QObject::tr("Camera");
    case plan::Consumer::kLaptop:
      return QObject::tr("Laptop");
  }
  return {};
}

QString name_of(plan::Ground ground) {
  switch (ground) {
    case plan::Ground::kWater:
      return QObject::tr("Water");
    case plan::Ground::kGrass:
      return QObject::tr("Grass");
    case plan::Ground::kSoil:
      return QObject::tr("Soil");
    case plan::Ground::kConcrete:
      return QObject::tr("Concrete");
    case plan::Ground::kRoof:
      return QObject::tr("Roof");
  }
  return {};
}

QString name_of(plan::SkyState state) {
  switch (state) {
    case plan::SkyState::kClear:
      return QObject::tr("clear");
    case plan::SkyState::kThinCloud:
      return QObject::tr("thin cloud");
    case plan::SkyState::kBroken:
      return QObject::tr("broken cloud");
    case plan::SkyState::kOvercast:
      return QObject::tr("overcast");
  }
  return {};
}

QString span_words(const sky::Window& window, const QTimeZone& zone) {
  return QObject::tr("%1 to %2").arg(clock_at(window.start, zone), clock_at(window.end, zone));
}

QString conflict_words(const plan::Conflict& conflict, const plan::Wishes& wishes,
                       const QTimeZone& zone) {
  const QString run = text(wishes.runs.at(conflict.run).name);
  const QString when = span_words(conflict.when, zone);
  switch (conflict.kind) {
    case plan::ConflictKind::kOverlap:
      return QObject::tr("%1 overlaps another run, %2: one telescope cannot do both.")
          .arg(run, when);
    case plan::ConflictKind::kMeridianTurn:
      return QObject::tr("%1: the mount turns over or stops at %2, within the run.")
          .arg(run, clock_at(conflict.when.start, zone));
    case plan::ConflictKind::kHidden:
      return QObject::tr("%1: from %2 the Sun is low, hidden or down.").arg(run, when);
    case plan::ConflictKind::kNearZenith:
      return QObject::tr("%1: from %2 the mount chases the Sun near the zenith.").arg(run, when);
    case plan::ConflictKind::kOvercast:
      return QObject::tr("%1: the forecast says overcast.").arg(run);
    case plan::ConflictKind::kDarkStep:
      return QObject::tr(
                 "%1: aligning and focusing would begin at %2, before the Sun is over your horizon "
                 "at %3.")
          .arg(run, clock_at(conflict.when.start, zone), clock_at(conflict.when.end, zone));
  }
  return {};
}

QString cure_words(const plan::Cure& cure, const QTimeZone& zone) {
  const plan::Run& run = cure.runs.front();
  switch (cure.kind) {
    case plan::Cure::Kind::kStartLater:
    case plan::Cure::Kind::kStartSooner:
      return QObject::tr("Start at %1").arg(clock_at(run.start, zone));
    case plan::Cure::Kind::kEndSooner:
      return QObject::tr("End at %1").arg(clock_at(plan::window_of(run).end, zone));
    case plan::Cure::Kind::kSplit:
      return QObject::tr("Split, go on at %1").arg(clock_at(cure.runs.back().start, zone));
  }
  return {};
}

QString turn_words(const plan::TurnDecision& turn, const QTimeZone& zone) {
  switch (turn.advice) {
    case plan::TurnAdvice::kTurnEarly:
      return QObject::tr("Turn the mount at %1, before it begins.")
          .arg(clock_at(*turn.turn_at, zone));
    case plan::TurnAdvice::kTrackThrough:
      return QObject::tr("Track through the meridian, turn at %1, when it is over.")
          .arg(clock_at(*turn.turn_at, zone));
    case plan::TurnAdvice::kMove:
      return QObject::tr("The runs leave no gap of %1 minutes for the mount to turn over.")
          .arg(number(sky::in_minutes(plan::kTurnTakes), 0));
    case plan::TurnAdvice::kNone:
      break;
  }
  return {};
}

QString seeing_words(const plan::SeeingGuess& seeing) {
  return QObject::tr("%1\u2033 (%2 to %3)")
      .arg(number(seeing.arcsec, 1), number(seeing.low_arcsec, 1), number(seeing.high_arcsec, 1));
}

QString seeing_source_words(const plan::SeeingGuess& seeing) {
  const int share = static_cast<int>(std::lround(100.0 * seeing.measured_share));
  const QString wind =
      seeing.wind_forecast ? QObject::tr("wind as foretold") : QObject::tr("usual wind");
  return share > 0 ? QObject::tr("%1\u00a0% from your log here, the rest a rule of thumb; %2")
                         .arg(share)
                         .arg(wind)
                   : QObject::tr("a rule of thumb, nothing logged here at this hour; %1").arg(wind);
}

}  // namespace solarchon::app
