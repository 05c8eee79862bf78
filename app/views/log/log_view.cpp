// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/log/log_view.h"

#include <QDateTime>
#include <QHBoxLayout>
#include <QVBoxLayout>
#include <algorithm>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr int kSessionRole = Qt::UserRole;

QString session_line(const log::SessionSummary& session, const QTimeZone& zone) {
  return QObject::tr("%1  %2\n%3 \u00b7 seeing %4\u2033 \u00b7 %5")
      .arg(date_at(session.started, zone), clock_at(session.started, zone),
           QObject::tr("%n frame(s)", nullptr, session.frames), number(session.seeing_arcsec, 1),
           QObject::tr("%n spot(s)", nullptr, session.spots));
}

QString frame_line(const log::FrameEntry& frame, const QTimeZone& zone) {
  const QString measured =
      frame.measurement
          ? QObject::tr("%n spot(s)", nullptr, static_cast<int>(frame.measurement->spots.size()))
          : QObject::tr("no limb found");
  return QObject::tr("%1 \u00b7 %2 \u00b7 Sun %3\u00b0 \u00b7 %4")
      .arg(clock_at(frame.taken, zone, true), exposure_text(frame.exposure_ms),
           number(frame.sun_altitude_deg, 0), measured);
}

}  // namespace

LogView::LogView(Document& document, Records& records, QWidget* parent)
    : View(document, records, parent),
      year_(new YearStrip(this)),
      list_(new QListWidget(this)),
      empty_(new PlainLabel(this)),
      book_(new QWidget(this)),
      page_(build_page()) {
  list_->setObjectName(QStringLiteral("sessions"));
  list_->setAccessibleName(tr("Sessions"));
  list_->setFixedWidth(320);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  empty_->setProperty("role", "faint");
  empty_->setAlignment(Qt::AlignCenter);
  connect(list_, &QListWidget::currentItemChanged, this, [this](QListWidgetItem* item) {
    if (item != nullptr) {
      show_session(item->data(kSessionRole).toLongLong());
    }
  });
  connect(year_, &YearStrip::sessionClicked, this, [this](qint64 session) {
    for (int i = 0; i < list_->count(); ++i) {
      if (list_->item(i)->data(kSessionRole).toLongLong() == session) {
        list_->setCurrentRow(i);
      }
    }
  });
  auto* lower = new QHBoxLayout(book_);
  lower->setContentsMargins(0, 0, 0, 0);
  lower->setSpacing(20);
  lower->addWidget(list_);
  lower->addWidget(page_, 1);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(16, 12, 16, 12);
  column->setSpacing(12);
  column->addWidget(year_);
  column->addWidget(book_, 1);
  column->addWidget(empty_, 1);
}

LogView::~LogView() { keep_notes(); }

QWidget* LogView::build_page() {
  auto* page = new QWidget(this);
  title_ = new PlainLabel(page);
  title_->setFont(Theme::font(TextSize::kLarge, true));
  figures_ = new Figures(3, page);
  frames_ = new QListWidget(page);
  frames_->setAccessibleName(tr("Frames of the session"));
  connect(frames_, &QListWidget::itemActivated, this, &LogView::open_chosen_frame);
  open_ = new QPushButton(tr("Open in Measure"), page);
  connect(open_, &QPushButton::clicked, this, &LogView::open_chosen_frame);
  notes_ = new QPlainTextEdit(page);
  notes_->setAccessibleName(tr("Notes"));
  notes_->setPlaceholderText(tr("Notes: what worked, what failed, what to try next"));
  notes_->setTabChangesFocus(true);
  auto* column = new QVBoxLayout(page);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  column->addWidget(title_);
  column->addWidget(figures_);
  column->addWidget(frames_);
  column->addWidget(open_, 0, Qt::AlignLeft);
  column->addWidget(notes_, 1);
  return page;
}

void LogView::follow() {
  const auto& sessions = records().sessions();
  const bool any = !sessions.empty();
  year_->setVisible(any);
  book_->setVisible(any);
  empty_->setVisible(!any);
  empty_->setText(records().readable()
                      ? tr("The log is empty.\nEvery frame that you take in Capture is filed here, "
                           "with its site, light path and measurements.")
                      : tr("The log could not be opened. It was left as it is."));
  if (!any) {
    return;
  }
  const QTimeZone zone = document().zone();
  std::vector<std::int64_t> now;
  now.reserve(sessions.size());
  for (const log::SessionSummary& session : sessions) {
    now.push_back(session.id * 1000 + session.frames);
  }
  if (now == listed_) {
    return;
  }
  listed_ = std::move(now);
  keep_notes();
  const std::int64_t kept = session_ ? session_->id : sessions.front().id;
  list_->clear();
  for (const log::SessionSummary& session : sessions) {
    auto* item = new QListWidgetItem(session_line(session, zone), list_);
    item->setData(kSessionRole, QVariant::fromValue<qlonglong>(session.id));
    if (session.id == kept) {
      list_->setCurrentItem(item);
    }
  }
}

void LogView::show_session(std::int64_t id) {
  keep_notes();
  auto opened = records().session(id);
  if (!opened) {
    return;
  }
  session_ = std::move(opened);
  const QTimeZone zone = document().zone();
  const log::SessionStart& start = session_->start;
  const int year = QDateTime::fromMSecsSinceEpoch(start.started.unix_ms, zone).date().year();
  year_->show_year(year, records().sessions(), zone);
  year_->choose(id);
  title_->setText(tr("%1, %2").arg(date_at(start.started, zone), text(start.site.name)));
  const bool disc = workspace::kTargetWords.from(start.target) == workspace::Target::kWholeDisc;
  figures_->show_rows(
      {{tr("Light path"), text(start.rig.name)},
       {tr("Target"),
        name_of(disc ? workspace::Target::kWholeDisc : workspace::Target::kLargestSpot)},
       {tr("Seeing"), QStringLiteral("%1\u2033").arg(number(start.seeing_arcsec, 1))}});
  frames_->clear();
  for (const log::FrameEntry& frame : session_->frames) {
    frames_->addItem(frame_line(frame, zone));
  }
  frames_->setCurrentRow(0);
  constexpr int kMostRows = 6;
  const int rows = std::clamp(frames_->count(), 1, kMostRows);
  frames_->setFixedHeight(rows * std::max(30, frames_->sizeHintForRow(0)) + 14);
  open_->setEnabled(!session_->frames.empty());
  // What could not be written last time is still there to be kept.
  const auto unkept = unkept_.find(id);
  notes_->setPlainText(unkept != unkept_.end() ? unkept->second : text(session_->notes));
  notes_->document()->setModified(unkept != unkept_.end());
}

void LogView::keep_notes() {
  if (session_ && notes_->document()->isModified()) {
    if (records().set_notes(session_->id, notes_->toPlainText())) {
      unkept_.erase(session_->id);
      notes_->document()->setModified(false);
    } else {
      unkept_[session_->id] = notes_->toPlainText();
    }
  }
}

void LogView::open_chosen_frame() {
  const int row = frames_->currentRow();
  if (session_ && row >= 0 && row < static_cast<int>(session_->frames.size())) {
    const auto& file = session_->frames[static_cast<std::size_t>(row)].file;
    records().open_frame(QString::fromStdString((records().data() / file).string()));
    emit asksFor(QStringLiteral("measure"));
  }
}

void LogView::hideEvent(QHideEvent* event) {
  keep_notes();
  View::hideEvent(event);
}

}  // namespace solarchon::app
