// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/log/log_view.h"

#include <QDateTime>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QVBoxLayout>
#include <algorithm>

#include "app/model/live_camera.h"
#include "app/model/phrases.h"
#include "app/shell/elided_label.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "solarchon/words/safety.h"

namespace solarchon::app {

namespace {

constexpr int kSessionRole = Qt::UserRole;

QString taken_words(const log::SessionSummary& session) {
  const QString frames = QObject::tr("%n frame(s)", nullptr, session.frames);
  const QString clips = QObject::tr("%n clip(s)", nullptr, session.clips);
  return session.clips == 0    ? frames
         : session.frames == 0 ? clips
                               : QObject::tr("%1, %2").arg(frames, clips);
}

QString session_line(const log::SessionSummary& session, const QTimeZone& zone) {
  return QObject::tr("%1  %2\n%3 \u00b7 seeing %4\u2033 \u00b7 %5")
      .arg(date_at(session.started, zone), clock_at(session.started, zone), taken_words(session),
           number(session.seeing_arcsec, 1),
           session.spots ? QObject::tr("%n spot(s)", nullptr, *session.spots)
                         : QObject::tr("spots not counted"));
}

/// What a picture is, and of what; empty for a frame.
QString kind_words(const log::FrameEntry& frame) {
  const auto name_of_first = [&] {
    return frame.made_of.empty()
               ? QString()
               : QString::fromStdString(
                     std::filesystem::path(frame.made_of.front()).filename().string());
  };
  switch (frame.kind) {
    case log::PictureKind::kFrame:
      return {};
    case log::PictureKind::kMosaic:
      return QObject::tr("mosaic of %n picture(s)", nullptr,
                         static_cast<int>(frame.made_of.size()));
    case log::PictureKind::kStack:
      return frame.made_of.empty() ? QObject::tr("stack")
                                   : QObject::tr("stack of %1").arg(name_of_first());
    case log::PictureKind::kFinished:
      return frame.made_of.size() != 1 ? QObject::tr("finished picture")
                                       : QObject::tr("finished from %1").arg(name_of_first());
  }
  return {};
}

QString frame_line(const log::FrameEntry& frame, const QTimeZone& zone) {
  QStringList words{clock_at(frame.taken, zone, true)};
  if (const QString kind = kind_words(frame); !kind.isEmpty()) {
    words << kind;
  }
  words << exposure_text(frame.exposure_ms)
        << QObject::tr("Sun %1\u00b0").arg(number(frame.sun_altitude_deg, 0))
        << (!frame.measurement ? QObject::tr("no limb found")
            : frame.measurement->spots_sought
                ? QObject::tr("%n spot(s)", nullptr,
                              static_cast<int>(frame.measurement->spots.size()))
                : QObject::tr("spots not counted"));
  if (frame.simulated) {
    words << QObject::tr("simulated");
  }
  return words.join(QStringLiteral(" \u00b7 "));
}

QString clip_line(const log::ClipEntry& clip, const QTimeZone& zone) {
  QStringList words{clock_at(clip.begun, zone, true),
                    (clip.movie ? QObject::tr("movie of %1 s") : QObject::tr("clip of %1 s"))
                        .arg(number(clip.seconds, clip.seconds < 10 ? 1 : 0)),
                    QObject::tr("%n frame(s)", nullptr, clip.frames)};
  if (clip.exposure_ms) {
    words << exposure_text(*clip.exposure_ms);
  }
  if (clip.r0_cm) {
    words << QObject::tr("r\u2080 %1 cm").arg(number(*clip.r0_cm, 1));
  }
  if (clip.simulated) {
    words << QObject::tr("simulated");
  }
  if (clip.lost > 0) {
    words << QObject::tr("%n lost", nullptr, clip.lost);
  }
  return words.join(QStringLiteral(" \u00b7 "));
}

/// What was done, in the words that the light path of that day gives it; empty for a step of a
/// newer program.
QString step_words(const log::LoggedTick& logged, const optics::Rig& rig) {
  for (const safety::Axes axes : {safety::Axes::kEquatorial, safety::Axes::kLevel,
                                  safety::Axes::kUndriven, safety::Axes::kNotSaid}) {
    for (const safety::HandlingStep& step : safety::handling_order(rig, logged.occasion, axes)) {
      if (step.id == logged.tick.step) {
        return text(words::handling_words(step, voice()).what);
      }
    }
  }
  return {};
}

}  // namespace

LogView::LogView(const Models& models, QWidget* parent)
    : View(models, parent),
      year_(new YearStrip(this)),
      empty_(new PlainLabel(this)),
      book_(new QWidget(this)),
      list_(new QListWidget(book_)),
      page_(build_page()) {
  page_->setEnabled(false);  // until a session lies open
  list_->setObjectName(QStringLiteral("sessions"));
  list_->setAccessibleName(tr("Sessions"));
  list_->setMinimumHeight(Theme::px(160));
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  empty_->setProperty("role", "faint");
  empty_->setAlignment(Qt::AlignCenter);
  connect(list_, &QListWidget::currentItemChanged, this, [this](QListWidgetItem* item) {
    if (item != nullptr) {
      keep_notes();
      this->log().open(item->data(kSessionRole).toLongLong());
    }
  });
  connect(&log(), &Log::sessionOpened, this, &LogView::show_session);
  connect(&log(), &Log::notesTried, this, [this](std::int64_t session) {
    if (session == session_ && this->log().unkept_notes(session)) {
      notes_->document()->setModified(true);  // still to be kept
    }
  });
  connect(year_, &YearStrip::sessionClicked, this, [this](qint64 session) {
    for (int i = 0; i < list_->count(); ++i) {
      if (list_->item(i)->data(kSessionRole).toLongLong() == session) {
        list_->setCurrentRow(i);
      }
    }
  });
  new PictureWithPanel(page_, list_, 320, book_, PictureWithPanel::Side::kBefore);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(16, 12, 16, 12);
  column->setSpacing(12);
  column->addWidget(year_);
  column->addWidget(book_, 1);
  column->addWidget(empty_, 1);
}

LogView::~LogView() { keep_notes(); }

QWidget* LogView::build_page() {
  auto* page = new QWidget(book_);
  title_ = new ElidedLabel(page);
  title_->setFont(Theme::font(TextSize::kLarge, true));
  figures_ = new Figures(3, page);
  frames_ = new QListWidget(page);
  frames_->setAccessibleName(tr("Frames and clips of the session"));
  frames_->setObjectName(QStringLiteral("session-frames"));
  connect(frames_, &QListWidget::itemActivated, this, &LogView::open_chosen);
  connect(frames_, &QListWidget::currentRowChanged, this, &LogView::name_opening);
  steps_ = new QTableWidget(0, 2, page);
  steps_->setObjectName(QStringLiteral("session-steps"));
  steps_->setAccessibleName(tr("Steps at the telescope"));
  steps_->setHorizontalHeaderLabels({tr("Time"), tr("Steps at the telescope")});
  steps_->verticalHeader()->hide();
  steps_->horizontalHeader()->setStretchLastSection(true);
  steps_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft);
  steps_->setShowGrid(false);
  steps_->hide();  // until a session lies open
  steps_->setTabKeyNavigation(false);
  steps_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  steps_->setSelectionBehavior(QAbstractItemView::SelectRows);
  open_ = new QPushButton(tr("Open in Measure"), page);
  open_->setObjectName(QStringLiteral("open-entry"));
  connect(open_, &QPushButton::clicked, this, &LogView::open_chosen);
  take_up_ = new QPushButton(tr("Use its site and light path again"), page);
  take_up_->setObjectName(QStringLiteral("take-up"));
  take_up_->setToolTip(
      tr("Puts both back as they were that day, in the place of those in use; undo brings "
         "these back"));
  connect(take_up_, &QPushButton::clicked, this, &LogView::take_up);
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
  auto* tools = new QHBoxLayout;
  tools->addWidget(open_);
  tools->addWidget(take_up_);
  tools->addStretch(1);
  column->addLayout(tools);
  column->addWidget(notes_, 1);
  column->addWidget(steps_, 2);
  return page;
}

void LogView::follow() {
  const auto& sessions = log().sessions();
  const bool any = !sessions.empty();
  year_->setVisible(any);
  book_->setVisible(any);
  empty_->setVisible(!any);
  empty_->setText(
      log().readable()
          ? tr("The log is empty.\nEvery frame and clip that you take in Capture is filed "
               "here, with its site, light path and measurements.")
          : tr("The log could not be opened. It was left as it is."));
  if (!any) {
    return;
  }
  const QTimeZone zone = document().zone();
  std::vector<std::int64_t> now;
  now.reserve(sessions.size());
  for (const log::SessionSummary& session : sessions) {
    now.push_back((session.id * 10'000 + session.frames) * 10'000 + session.clips);
  }
  if (now == listed_) {
    return;
  }
  listed_ = std::move(now);
  keep_notes();
  const std::int64_t kept = session_ != 0 ? session_ : sessions.front().id;
  list_->clear();
  for (const log::SessionSummary& session : sessions) {
    auto* item = new QListWidgetItem(session_line(session, zone), list_);
    item->setData(kSessionRole, QVariant::fromValue<qlonglong>(session.id));
    if (session.id == kept) {
      list_->setCurrentItem(item);
    }
  }
}

void LogView::show_session() {
  const log::Session& session = *log().opened();
  page_->setEnabled(true);
  const bool being_written = session.id == session_ && notes_->document()->isModified();
  if (!being_written) {
    keep_notes();
  }
  session_ = session.id;
  const QTimeZone zone = document().zone();
  const log::SessionStart& start = session.start;
  const int year = QDateTime::fromMSecsSinceEpoch(start.started.unix_ms, zone).date().year();
  year_->show_year(year, log().sessions(), zone);
  year_->choose(session.id);
  title_->setText(tr("%1, %2").arg(date_at(start.started, zone), text(start.site.name)));
  const auto target = workspace::kTargetWords.from(start.target);
  figures_->show_rows(
      {{tr("Light path"), text(start.rig.name)},
       {tr("Target"), target ? name_of(*target) : text(start.target)},
       {tr("Seeing"), QStringLiteral("%1\u2033").arg(number(start.seeing_arcsec, 1))}});
  show_frames(session);
  show_steps(session);
  if (being_written) {
    return;
  }
  // What could not be written last time is still there to be kept.
  const auto unkept = log().unkept_notes(session.id);
  notes_->setPlainText(unkept.value_or(text(session.notes)));
  notes_->document()->setModified(unkept.has_value());
}

QString LogView::tip_of(const Entry& entry) {
  constexpr std::size_t kMost = 12;
  QStringList lines{text(entry.file)};
  if (!entry.made_of.empty()) {
    lines << tr("Made of:");
  }
  for (std::size_t i = 0; i < std::min(kMost, entry.made_of.size()); ++i) {
    lines << text(entry.made_of[i]);
  }
  if (entry.made_of.size() > kMost) {
    lines << tr("and %n more", nullptr, static_cast<int>(entry.made_of.size() - kMost));
  }
  return lines.join(QLatin1Char('\n'));
}

void LogView::show_frames(const log::Session& session) {
  const QTimeZone zone = document().zone();
  entries_.clear();
  for (const log::FrameEntry& frame : session.frames) {
    entries_.push_back({frame.taken, frame_line(frame, zone), frame.file, false, frame.made_of});
  }
  for (const log::ClipEntry& clip : session.clips) {
    entries_.push_back({clip.begun, clip_line(clip, zone), clip.file, true, clip.made_of});
  }
  std::stable_sort(entries_.begin(), entries_.end(),
                   [](const Entry& a, const Entry& b) { return a.time < b.time; });
  frames_->clear();
  for (const Entry& entry : entries_) {
    auto* item = new QListWidgetItem(entry.line, frames_);
    item->setToolTip(tip_of(entry));
  }
  frames_->setCurrentRow(0);
  constexpr int kMostRows = 6;
  const int rows = std::clamp(frames_->count(), 1, kMostRows);
  frames_->setFixedHeight(rows * std::max(Theme::px(30), frames_->sizeHintForRow(0)) +
                          Theme::px(14));
  open_->setEnabled(!entries_.empty());
  name_opening();
}

void LogView::name_opening() {
  const int row = frames_->currentRow();
  const bool clip = row >= 0 && row < static_cast<int>(entries_.size()) &&
                    entries_[static_cast<std::size_t>(row)].clip;
  open_->setText(clip ? tr("Play in Capture") : tr("Open in Measure"));
}

void LogView::show_steps(const log::Session& session) {
  const QTimeZone zone = document().zone();
  steps_->setRowCount(0);
  for (const log::LoggedTick& logged : session.ticks) {
    QString words = step_words(logged, session.start.rig);
    if (words.isEmpty()) {
      continue;
    }
    if (logged.tick.early) {
      words = tr("%1 Before its turn.").arg(words);
    }
    const int row = steps_->rowCount();
    steps_->insertRow(row);
    steps_->setItem(row, 0, new QTableWidgetItem(clock_at(logged.tick.time, zone)));
    steps_->setItem(row, 1, new QTableWidgetItem(words));
    steps_->item(row, 1)->setToolTip(words);
  }
  steps_->resizeColumnToContents(0);
  steps_->setVisible(steps_->rowCount() > 0);
}

void LogView::keep_notes() {
  if (session_ != 0 && notes_->document()->isModified()) {
    notes_->document()->setModified(false);
    log().set_notes(session_, notes_->toPlainText());
  }
}

void LogView::open_chosen() {
  const int row = frames_->currentRow();
  if (row < 0 || row >= static_cast<int>(entries_.size())) {
    return;
  }
  const Entry& entry = entries_[static_cast<std::size_t>(row)];
  if (entry.clip) {
    models().camera.play(QString::fromStdString((frame().data() / entry.file).string()));
    emit asksFor(QStringLiteral("capture"));
  } else {
    frame().open_filed(entry.file);
    emit asksFor(QStringLiteral("measure"));
  }
}

void LogView::take_up() {
  if (const auto& session = log().opened()) {
    workspace::Workspace next = document().workspace();
    next.site = session->start.site;
    next.rig = session->start.rig;
    document().edit(tr("Use a session\u2019s site and light path"), next);
    emit asksFor(QStringLiteral("light-path"));
  }
}

void LogView::hideEvent(QHideEvent* event) {
  keep_notes();
  View::hideEvent(event);
}

}  // namespace solarchon::app
