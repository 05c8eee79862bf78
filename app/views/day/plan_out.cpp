// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/plan_out.h"

#include <QDateTime>
#include <QFileInfo>
#include <QFontMetricsF>
#include <QPageLayout>
#include <QPdfWriter>
#include <QPrintDialog>
#include <QPrinter>

#include "app/model/phrases.h"
#include "app/shell/theme.h"
#include "app/views/day/plan_words.h"
#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/plan/calendar.h"
#include "solarchon/plan/runbook.h"
#include "solarchon/words/plan.h"
#include "solarchon/words/safety.h"
#include "solarchon/workspace/reports.h"

namespace solarchon::app {

namespace {

/// Paper: ink on white, sizes in points, drawn in a page 595 points wide.
constexpr double kPageWide = 595.0;
constexpr double kMargin = 36.0;

class Paper {
 public:
  Paper(QPainter& painter, const Document& document)
      : painter_(painter), document_(document), zone_(document.zone()) {}

  void paint(double high) {
    bottom_ = high - kMargin;
    heading();
    picture(QRectF(kMargin, at_, kWide, 170.0));
    at_ += 190.0;
    timetable();
    handling();
    foot();
  }

 private:
  static constexpr double kWide = kPageWide - 2.0 * kMargin;

  void font(double points, bool bold = false) {
    QFont font(QStringLiteral("Solarchon Sans"));
    font.setPixelSize(static_cast<int>(points));
    font.setBold(bold);
    painter_.setFont(font);
  }

  /// Words that stay within a width and a few lines, whatever names are among them.
  [[nodiscard]] QString fitted(const QString& said, double wide) const {
    constexpr double kMostLines = 6.0;
    const QFontMetricsF metrics(painter_.font(), painter_.device());
    QStringList words = said.simplified().split(QLatin1Char(' '));
    for (QString& word : words) {
      if (metrics.horizontalAdvance(word) > wide) {
        word = metrics.elidedText(word, Qt::ElideMiddle, 0.95 * wide);
      }
    }
    return metrics.elidedText(words.join(QLatin1Char(' ')), Qt::ElideRight, kMostLines * wide);
  }

  /// A paragraph at the pen; moves it down. @return false when the page has no room left.
  bool line(double left, double wide, const QString& said) {
    const QString words = fitted(said, wide);
    const QRectF needed = painter_.boundingRect(QRectF(left, at_, wide, 1000.0),
                                                Qt::TextWordWrap | Qt::AlignLeft, words);
    if (needed.bottom() > bottom_ - 28.0) {
      return false;
    }
    painter_.drawText(needed.adjusted(0, 0, 2, 2), Qt::TextWordWrap | Qt::AlignLeft, words);
    at_ = needed.bottom() + 2.0;
    return true;
  }

  void heading() {
    const workspace::Workspace& space = document_.workspace();
    painter_.setPen(Qt::black);
    at_ = kMargin;
    font(20, true);
    line(kMargin, kWide,
         QObject::tr("%1, %2").arg(date_at(document_.day().culmination, zone_),
                                   text(space.site.name)));
    font(11);
    QStringList facts;
    const sky::SunDay& day = document_.day();
    if (day.sunrise && day.sunset) {
      facts << QObject::tr("Sun up %1 to %2")
                   .arg(clock_at(*day.sunrise, zone_), clock_at(*day.sunset, zone_));
    }
    facts << QObject::tr("highest %1\u00b0 at %2")
                 .arg(number(day.culmination_altitude_deg, 1), clock_at(day.culmination, zone_));
    facts << QObject::tr("clear over %1\u00b0 for %2 h")
                 .arg(plan::kWindowDeg)
                 .arg(number(document_.skyline().hours, 1));
    line(kMargin, kWide, facts.join(QStringLiteral(";  ")));
    font(11, true);
    line(kMargin, kWide,
         QObject::tr("%1: %2").arg(text(space.rig.name),
                                   name_of(document_.answers().safety.verdict)));
    at_ += 4.0;
  }

  /// The Sun's height over the day and the skyline on its way, with windows and runs.
  void picture(const QRectF& area) {
    const sky::SunDay& day = document_.day();
    const double top_deg = std::max(30.0, day.culmination_altitude_deg + 5.0);
    const sky::UtcTime from = day.sunrise.value_or(day.start);
    const sky::UtcTime to = day.sunset.value_or(day.end);
    const double base = area.bottom() - 16.0;
    const auto x_of = [&](sky::UtcTime time) {
      return area.left() + area.width() * ((time - from) / std::max(sky::seconds(1.0), to - from));
    };
    const auto y_of = [&](double degrees) {
      return base - std::clamp(degrees, 0.0, top_deg) / top_deg * (base - area.top());
    };
    painter_.save();
    painter_.setClipRect(area);
    for (const sky::Window& window : document_.skyline().clear) {
      painter_.fillRect(
          QRectF(QPointF(x_of(window.start), area.top()), QPointF(x_of(window.end), base)),
          QBrush(QColor(200, 200, 200), Qt::FDiagPattern));
    }
    const sky::Horizon& horizon = document_.workspace().site.horizon;
    const bool leaves = sky::trees_in_leaf(day.date, document_.workspace().site.latitude_deg);
    QPolygonF path;
    QPolygonF ground{QPointF(area.left(), base)};
    for (const sky::ArcPoint& point : day.arc) {
      if (point.time >= from && point.time <= to) {
        path << QPointF(x_of(point.time), y_of(point.altitude_deg));
        ground << QPointF(x_of(point.time), y_of(horizon.height_deg(point.azimuth_deg, leaves)));
      }
    }
    ground << QPointF(area.right(), base);
    painter_.setPen(Qt::NoPen);
    painter_.setBrush(QColor(150, 150, 150));
    painter_.drawPolygon(ground);
    painter_.setBrush(Qt::NoBrush);
    painter_.setPen(QPen(Qt::black, 1.6));
    painter_.drawPolyline(path);
    for (const plan::PlannedRun& run : document_.plan().runs) {
      painter_.fillRect(QRectF(x_of(run.window.start), base - 10.0,
                               std::max(2.0, x_of(run.window.end) - x_of(run.window.start)), 10.0),
                        Qt::black);
    }
    if (const auto& turn = document_.plan().turn) {
      painter_.setPen(QPen(Qt::black, 1.0, Qt::DashLine));
      painter_.drawLine(QPointF(x_of(turn->latest), area.top()), QPointF(x_of(turn->latest), base));
    }
    painter_.setPen(QPen(Qt::black, 1.0));
    painter_.drawLine(QPointF(area.left(), base), QPointF(area.right(), base));
    font(9);
    constexpr std::int64_t kHourMs = 3'600'000;
    for (std::int64_t ms = (from.unix_ms / kHourMs + 1) * kHourMs; ms < to.unix_ms; ms += kHourMs) {
      const double x = x_of({ms});
      painter_.drawLine(QPointF(x, base), QPointF(x, base + 3));
      painter_.drawText(QRectF(x - 16, base + 3, 32, 12), Qt::AlignCenter,
                        QString::number(QDateTime::fromMSecsSinceEpoch(ms, zone_).time().hour()));
    }
    painter_.restore();
    font(9);
    painter_.drawText(QRectF(area.left(), area.bottom() + 1, area.width(), 12), Qt::AlignRight,
                      QObject::tr("hatched: clear; black: runs; broken line: the mount must turn"));
  }

  void timetable() {
    font(13, true);
    line(kMargin, kWide, QObject::tr("What must start when"));
    const auto entries = words::agenda_of(document_.whole_day(), {}, kAlarmMin, voice());
    if (entries.empty()) {
      font(11);
      line(kMargin, kWide, QObject::tr("No run is planned for this day."));
    }
    for (const plan::CalendarEntry& entry : entries) {
      const double top = at_;
      font(11, entry.kind == "run");
      const QString words = QObject::tr("%1. %2").arg(text(entry.title), text(entry.details));
      if (!line(kMargin + 92.0, kWide - 92.0, words)) {
        break;
      }
      painter_.drawText(
          QRectF(kMargin, top, 88.0, 16.0), Qt::AlignLeft,
          QObject::tr("%1 \u2013 %2")
              .arg(clock_at(entry.window.start, zone_), clock_at(entry.window.end, zone_)));
    }
    font(11, true);
    for (const plan::Conflict& conflict : document_.plan().conflicts) {
      line(kMargin, kWide,
           QObject::tr("In the way: %1")
               .arg(conflict_words(conflict, document_.workspace().wishes, zone_)));
    }
    at_ += 6.0;
  }

  void handling() {
    font(13, true);
    line(kMargin, kWide, QObject::tr("Order of handling"));
    font(10);
    // In two columns, each half of the steps.
    const auto steps = plan::runbook(document_.whole_day().outlook, safety::Occasion::kSetUp);
    constexpr double kBetweenColumns = 16.0;
    const double wide = (kWide - kBetweenColumns) / 2.0;
    const double top = at_;
    double lowest = top;
    for (std::size_t i = 0; i < steps.size(); ++i) {
      const bool right = i >= (steps.size() + 1) / 2;
      if (i == (steps.size() + 1) / 2) {
        at_ = top;
      }
      line(right ? kMargin + wide + kBetweenColumns : kMargin, wide,
           QObject::tr("%1. %2").arg(i + 1).arg(
               text(words::handling_words(steps[i].step, voice()).what)));
      lowest = std::max(lowest, at_);
    }
    at_ = lowest + 4.0;
    line(kMargin, kWide, text(words::never_alone_words(voice())));
  }

  void foot() {
    font(9);
    painter_.drawText(
        QRectF(kMargin, bottom_ - 24.0, kWide, 28.0), Qt::AlignLeft | Qt::TextWordWrap,
        QObject::tr("Times in %1. Seeing and clouds are estimates. Follow the makers' "
                    "instructions, local rules and eye-care advice.")
            .arg(QString::fromUtf8(zone_.id())));
  }

  QPainter& painter_;
  const Document& document_;
  QTimeZone zone_;
  double at_ = 0.0;
  double bottom_ = 0.0;
};

base::Result<void> write_pdf(const Document& document, const std::filesystem::path& path) {
  return base::write_beside_then_rename(
      path, [&](const std::filesystem::path& target) -> base::Result<void> {
        QPdfWriter writer(QString::fromStdString(target.string()));
        writer.setPageSize(QPageSize(QPageSize::A4));
        writer.setPageMargins(QMarginsF());
        writer.setTitle(QObject::tr("Plan of %1")
                            .arg(QString::fromStdString(sky::to_iso(document.day().date))));
        QPainter painter;
        if (!painter.begin(&writer)) {
          return base::fail(base::ErrorCode::kUnwritable, path.string());
        }
        paint_plan(painter, QRectF(0, 0, writer.width(), writer.height()), document);
        if (!painter.end()) {
          return base::fail(base::ErrorCode::kUnwritable, path.string());
        }
        return {};
      });
}

}  // namespace

void paint_plan(QPainter& painter, const QRectF& page, const Document& document) {
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  const double scale = page.width() / kPageWide;
  painter.translate(page.topLeft());
  painter.scale(scale, scale);
  Paper(painter, document).paint(page.height() / scale);
  painter.restore();
}

base::Result<void> write_plan(const Document& document, const QString& file) {
  const QString ending = QFileInfo(file).suffix().toLower();
  const std::filesystem::path path = file.toStdString();
  if (ending == QStringLiteral("pdf")) {
    return write_pdf(document, path);
  }
  const workspace::Workspace& space = document.workspace();
  const auto entries = words::agenda_of(document.whole_day(), space.site.name, kAlarmMin, voice());
  if (ending == QStringLiteral("ics")) {
    return base::write_file(path, plan::to_icalendar(entries, space.site.time_zone,
                                                     {QDateTime::currentMSecsSinceEpoch()}));
  }
  if (ending == QStringLiteral("csv")) {
    return base::write_file(path, plan::to_csv(entries, space.site.time_zone));
  }
  if (ending == QStringLiteral("json")) {
    return base::write_file(path, base::file_text(workspace::plan_report(document.whole_day())));
  }
  return base::fail(base::ErrorCode::kUnknownValue, file.toStdString(), ending.toStdString(),
                    base::one_of({"pdf", "ics", "csv", "json"}));
}

void print_plan(const Document& document, QWidget* parent) {
  QPrinter printer(QPrinter::HighResolution);
  printer.setPageSize(QPageSize(QPageSize::A4));
  QPrintDialog dialog(&printer, parent);
  if (dialog.exec() != QDialog::Accepted) {
    return;
  }
  QPainter painter(&printer);
  paint_plan(painter,
             printer.pageLayout()
                 .paintRectPixels(printer.resolution())
                 .translated(-printer.pageLayout().paintRectPixels(printer.resolution()).topLeft()),
             document);
}

}  // namespace solarchon::app
