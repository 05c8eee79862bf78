// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/places.h"

#include <QFile>
#include <QFileInfo>

#include "app/views/capture/capture_view.h"
#include "app/views/day/day_view.h"
#include "app/views/field/field_view.h"
#include "app/views/light_path/light_path_view.h"
#include "app/views/log/log_view.h"
#include "app/views/match/match_view.h"
#include "app/views/measure/measure_view.h"
#include "app/views/reduce/reduce_view.h"
#include "solarchon/media/endings.h"

namespace solarchon::app {

namespace {

template <typename Kind>
View* make(const Models& models, QWidget* parent) {
  return new Kind(models, parent);
}

bool is_calendar(const FileHead& head) { return head.ending == QLatin1String("ics"); }

bool is_forecast(const FileHead& head) {
  return head.bytes.contains("solarchon-forecast") || head.bytes.contains("cloud_percent");
}

bool is_horizon(const FileHead& head) {
  return (head.ending == QLatin1String("csv") || head.ending == QLatin1String("txt")) &&
         !is_forecast(head);
}

bool is_rig(const FileHead& head) {
  return head.ending == QLatin1String("json") && !is_forecast(head) && !is_site(head);
}

bool is_video(const FileHead& head) {
  return media::named_as_video("clip." + head.ending.toStdString());
}

bool is_fits(const FileHead& head) {
  return head.ending == QLatin1String("fits") || head.ending == QLatin1String("fit") ||
         head.ending == QLatin1String("fts");
}

/// A clip in one FITS file: more planes than a picture has colours.
bool is_cube(const FileHead& head) {
  constexpr qsizetype kCard = 80;
  constexpr qsizetype kName = 10;
  constexpr qsizetype kValue = 20;
  constexpr int kMostColours = 4;
  for (qsizetype at = 0; is_fits(head) && at + kCard <= head.bytes.size(); at += kCard) {
    const QByteArray card = head.bytes.mid(at, kCard);
    if (card.startsWith("NAXIS3  =")) {
      return card.mid(kName, kValue).trimmed().toInt() > kMostColours;
    }
  }
  return false;
}

/// What nothing else takes is tried as a picture.
bool is_picture(const FileHead& head) {
  return !is_cube(head) && !is_calendar(head) && !is_forecast(head) && !is_horizon(head) &&
         !is_rig(head) && !is_site(head) && !is_video(head);
}

}  // namespace

bool is_site(const FileHead& head) { return head.bytes.contains("solarchon-site"); }

FileHead head_of(const QString& file) {
  FileHead head{QFileInfo(file).suffix().toLower(), {}};
  const bool text = head.ending == QLatin1String("json") || head.ending == QLatin1String("csv") ||
                    head.ending == QLatin1String("txt");
  constexpr qint64 kTextBytes = 400;
  constexpr qint64 kFitsBytes = 2880;  // one block of its header
  const qint64 bytes = text ? kTextBytes : is_fits(head) ? kFitsBytes : 0;
  if (QFile opened(file);
      bytes > 0 && QFileInfo(file).isFile() && opened.open(QIODevice::ReadOnly)) {
    head.bytes = opened.read(bytes);
  }
  return head;
}

std::vector<Place> places() {
  return {{"light-path",
           QObject::tr("Light path"),
           "light-path",
           make<LightPathView>,
           {},
           {{"light-path", is_rig}}},
          {"day",
           QObject::tr("Day"),
           "day",
           make<DayView>,
           {"day", "day-plan", "day-ready", "day-year"},
           {{"day-plan", is_calendar}, {"day-plan", is_forecast}, {"day", is_horizon}}},
          {"field",
           QObject::tr("Field"),
           "field",
           make<FieldView>,
           {"field", "field-prepare", "field-north", "field-find", "field-drift", "field-track",
            "field-mount"},
           {}},
          {"match",
           QObject::tr("Match"),
           "match",
           make<MatchView>,
           {"match", "match-exposure", "match-clip", "match-ways", "match-dusk"},
           {}},
          {"capture",
           QObject::tr("Capture"),
           "capture",
           make<CaptureView>,
           {"capture", "capture-live", "capture-focus", "capture-tuning", "capture-ladder",
            "capture-series"},
           {{"capture", is_video}}},
          {"reduce",
           QObject::tr("Reduce"),
           "reduce",
           make<ReduceView>,
           {"reduce", "reduce-panels", "reduce-finish", "reduce-movie"},
           {{"reduce", is_cube}}},
          {"measure",
           QObject::tr("Measure"),
           "measure",
           make<MeasureView>,
           {},
           {{"measure", is_picture}}},
          {"log", QObject::tr("Log"), "log", make<LogView>, {}, {}}};
}

QStringList place_ids() {
  QStringList ids;
  for (const Place& place : places()) {
    ids << (place.pages.isEmpty() ? QStringList(place.id) : place.pages);
  }
  return ids;
}

}  // namespace solarchon::app
