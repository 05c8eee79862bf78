// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/plan_page.h"

#include <QDateTime>
#include <QFileDialog>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QMenu>
#include <QTimer>
#include <algorithm>

#include "app/model/log.h"
#include "app/model/outside_files.h"
#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/shell/wrap_button.h"
#include "app/views/day/plan_out.h"
#include "app/views/day/plan_words.h"
#include "solarchon/base/file.h"
#include "solarchon/plan/ahead.h"
#include "solarchon/plan/calendar.h"

namespace solarchon::app {

namespace {

constexpr std::size_t kMostBytes = 2U << 20U;

}  // namespace

PlanPage::PlanPage(const Models& models, QWidget* parent)
    : QWidget(parent),
      models_(models),
      document_(models.document),
      sheet_(new DaySheet(models.document, this)),
      headline_(new PlainLabel(this)) {
  headline_->setObjectName(QStringLiteral("headline"));
  headline_->setWordWrap(true);
  headline_->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
  auto* picture = new QWidget(this);
  auto* left = new QVBoxLayout(picture);
  left->setContentsMargins(0, 0, 0, 0);
  left->setSpacing(6);
  left->addWidget(headline_);
  left->addWidget(sheet_, 1);
  left->addWidget(build_tools());
  new PictureWithPanel(picture, build_side(), 316, this);
  connect(sheet_, &DaySheet::chosen, this, [this] {
    show_choice();
    // Once the fields have their places.
    QTimer::singleShot(0, this, [this] { side_->ensureWidgetVisible(editors_, 0, 4); });
  });
  connect(sheet_, &DaySheet::runEdited, this, &PlanPage::change_run);
  connect(sheet_, &DaySheet::removeAsked, this, &PlanPage::remove_run);
  connect(&models.log, &Log::stepNotesChanged, this, &PlanPage::show_choice);
}

QWidget* PlanPage::build_tools() {
  auto* tools = new QWidget(this);
  auto* row = new QHBoxLayout(tools);
  row->setContentsMargins(0, 0, 0, 0);
  auto* add = new QPushButton(tr("Add run"), tools);
  add->setObjectName(QStringLiteral("add-run"));
  add->setProperty("main", true);
  add->setToolTip(tr("Half an hour where the air of the day promises most; move it from there"));
  connect(add, &QPushButton::clicked, this, &PlanPage::add_run);
  row->addWidget(add);
  row->addWidget(build_in_menu(tools));
  row->addWidget(build_out_menu(tools));
  alarms_ = new QCheckBox(tr("Alarms"), tools);
  alarms_->setObjectName(QStringLiteral("alarms"));
  alarms_->setToolTip(
      tr("A notification and a sound when each step of today begins and five "
         "minutes before each run, whatever you look at"));
  connect(alarms_, &QCheckBox::toggled, this, &PlanPage::alarmsToggled);
  row->addWidget(alarms_);
  row->addStretch(1);
  return tools;
}

QComboBox* PlanPage::build_ground(QWidget* parent, const QString& name,
                                  plan::Ground plan::Surroundings::*member) {
  auto* box = new QComboBox(parent);
  box->setAccessibleName(name);
  box->setToolTip(
      tr("%1: warmed ground stirs the air; roofs and concrete most, water least").arg(name));
  for (std::size_t i = 0; i < plan::kGroundWords.size(); ++i) {
    box->addItem(name_of(static_cast<plan::Ground>(i)));
  }
  connect(box, &QComboBox::activated, this, [this, member](int ground) {
    plan::Wishes next = document_.workspace().wishes;
    next.surroundings.*member = static_cast<plan::Ground>(ground);
    edit_wishes(tr("Change the ground"), next);
  });
  return box;
}

QToolButton* PlanPage::build_in_menu(QWidget* parent) {
  auto* button = new QToolButton(parent);
  button->setText(tr("Bring in"));
  button->setObjectName(QStringLiteral("in-menu"));
  button->setPopupMode(QToolButton::InstantPopup);
  button->setToolTip(tr("A forecast by the hour (CSV or JSON), or the events of a calendar"));
  auto* menu = new QMenu(button);
  menu->addAction(tr("Forecast\u2026"), this, [this] {
    const QString file =
        QFileDialog::getOpenFileName(this, tr("Open a forecast"), QString(),
                                     tr("Forecasts (*.csv *.json *.txt);;All files (*)"));
    if (!file.isEmpty()) {
      open_forecast_file(file);
    }
  });
  menu->addAction(tr("Forecast of the stand-in service"), this, [this] {
    constexpr int kWeek = 7 * 24;
    adopt_forecast(tr("Ask for a forecast"), plan::stand_in_forecast(document_.workspace().site,
                                                                     document_.day().start, kWeek));
  });
  menu->addAction(tr("Events of a calendar\u2026"), this, [this] {
    const QString file = QFileDialog::getOpenFileName(this, tr("Open a calendar"), QString(),
                                                      tr("Calendars (*.ics);;All files (*)"));
    if (!file.isEmpty()) {
      open_calendar_file(file);
    }
  });
  menu->addSeparator();
  learn_simulated_ = menu->addAction(tr("Learn from rehearsals too"));
  learn_simulated_->setCheckable(true);
  connect(learn_simulated_, &QAction::triggered, this, [this](bool learns) {
    plan::Wishes next = document_.workspace().wishes;
    next.learn_from_simulated = learns;
    edit_wishes(tr("Learn from rehearsals"), next);
  });
  forget_forecast_ = menu->addAction(tr("Forget the forecast"), this, [this] {
    adopt_forecast(tr("Forget the forecast"), std::nullopt);
  });
  button->setMenu(menu);
  return button;
}

QToolButton* PlanPage::build_out_menu(QWidget* parent) {
  auto* button = new QToolButton(parent);
  button->setText(tr("Take along"));
  button->setObjectName(QStringLiteral("out-menu"));
  button->setPopupMode(QToolButton::InstantPopup);
  button->setToolTip(tr("The plan as a page, a calendar with alarms, a table or JSON"));
  auto* menu = new QMenu(button);
  menu->addAction(tr("Page as PDF\u2026"), this,
                  [this] { ask_for_export(QStringLiteral("pdf"), tr("Pages (*.pdf)")); });
  menu->addAction(tr("Print\u2026"), this, &PlanPage::print);
  menu->addAction(tr("Calendar\u2026"), this,
                  [this] { ask_for_export(QStringLiteral("ics"), tr("Calendars (*.ics)")); });
  menu->addAction(tr("Table\u2026"), this,
                  [this] { ask_for_export(QStringLiteral("csv"), tr("Tables (*.csv)")); });
  menu->addAction(tr("JSON\u2026"), this,
                  [this] { ask_for_export(QStringLiteral("json"), tr("Plans (*.json)")); });
  save_forecast_ = menu->addAction(tr("Forecast as table\u2026"), this, [this] {
    const QString file = QFileDialog::getSaveFileName(
        this, tr("Save the forecast"), QStringLiteral("forecast.csv"), tr("Tables (*.csv)"));
    if (const auto& forecast = document_.workspace().wishes.forecast; forecast && !file.isEmpty()) {
      if (const auto done = base::write_file(file.toStdString(), plan::to_csv(*forecast)); !done) {
        models_.trouble.tell(done.error());
      }
    }
  });
  button->setMenu(menu);
  return button;
}

QWidget* PlanPage::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 8, 0);
  column->setSpacing(6);
  conflicts_title_ = new PlainLabel(side);
  conflicts_title_->setFont(Theme::font(TextSize::kMedium, true));
  conflicts_title_->setObjectName(QStringLiteral("conflicts"));
  conflicts_title_->setWordWrap(true);
  column->addWidget(conflicts_title_);
  conflicts_ = new QVBoxLayout;
  conflicts_->setSpacing(6);
  column->addLayout(conflicts_);
  column->addSpacing(8);
  editors_ = new QStackedWidget(side);
  auto* hint = new PlainLabel(
      tr("Choose a run or a step on the sheet to see and change its figures."), editors_);
  hint->setWordWrap(true);
  hint->setProperty("role", "faint");
  hint->setAlignment(Qt::AlignTop);
  run_editor_ = new RunEditor(document_, editors_);
  step_editor_ = new StepEditor(models_, editors_);
  for (QWidget* editor : std::initializer_list<QWidget*>{hint, run_editor_, step_editor_}) {
    editors_->addWidget(editor);
  }
  column->addWidget(editors_);
  column->addStretch(1);
  auto* ground = new QGridLayout;
  under_ = build_ground(side, tr("Ground under the telescope"), &plan::Surroundings::under);
  before_ = build_ground(side, tr("Ground before the telescope"), &plan::Surroundings::before);
  ground->setColumnStretch(0, 1);
  auto* warmed = new PlainLabel(tr("Ground that warms the air"), side);
  warmed->setFont(Theme::font(TextSize::kMedium, true));
  ground->addWidget(warmed, 0, 0, 1, 2);
  ground->addWidget(new PlainLabel(tr("Under the telescope"), side), 1, 0);
  ground->addWidget(under_, 1, 1);
  ground->addWidget(new PlainLabel(tr("Before it"), side), 2, 0);
  ground->addWidget(before_, 2, 1);
  column->addLayout(ground);
  connect(run_editor_, &RunEditor::edited, this, [this](const plan::Run& to) {
    if (sheet_->choice().run) {
      change_run(*sheet_->choice().run, to);
    }
  });
  connect(run_editor_, &RunEditor::removeAsked, this, [this] {
    if (sheet_->choice().run) {
      remove_run(*sheet_->choice().run);
    }
  });
  side_ = new ScrolledPanel(side, this);
  return side_;
}

void PlanPage::edit_wishes(const QString& what, const plan::Wishes& wishes, EditKind kind,
                           const std::string& subject) {
  workspace::Workspace next = document_.workspace();
  next.wishes = wishes;
  document_.edit(what, next, kind, subject);
}

void PlanPage::add_run() {
  plan::Wishes next = document_.workspace().wishes;
  if (next.runs.size() >= plan::kMostRuns) {
    models_.trouble.tell(tr("A plan holds 500 runs at most; remove old ones first"));
    return;
  }
  // A plan for today begins no sooner than now.
  plan::Run run = plan::next_run(
      document_.whole_day(), document_.live() ? std::optional(document_.moment()) : std::nullopt);
  run.name = tr("Run %1").arg(document_.plan().runs.size() + 1).toStdString();
  next.runs.push_back(run);
  edit_wishes(tr("Add run"), next);
  sheet_->choose({next.runs.size() - 1, {}});
}

void PlanPage::change_run(std::size_t run, const plan::Run& to) {
  plan::Wishes next = document_.workspace().wishes;
  next.runs.at(run) = to;
  edit_wishes(tr("Change run %1").arg(run + 1), next, EditKind::kPlan, std::to_string(run));
}

void PlanPage::remove_run(std::size_t run) {
  plan::Wishes next = document_.workspace().wishes;
  next.runs.erase(next.runs.begin() + static_cast<std::ptrdiff_t>(run));
  sheet_->choose({});
  edit_wishes(tr("Remove run"), next);
}

void PlanPage::adopt_forecast(const QString& what, std::optional<plan::Forecast> forecast) {
  plan::Wishes next = document_.workspace().wishes;
  next.forecast = std::move(forecast);
  edit_wishes(what, next);
}

void PlanPage::open_forecast_file(const QString& file) {
  const std::string name = QFileInfo(file).fileName().toStdString();
  models_.files.read(this, file, kMostBytes, [this, name](const base::Result<std::string>& text) {
    auto read = text.and_then(
        [&](const std::string& bytes) { return plan::forecast_from_text(bytes, name); });
    return [this, read = std::move(read)] {
      if (!read) {
        models_.trouble.tell(read.error());
        return;
      }
      adopt_forecast(tr("Open forecast"), read->forecast);
      if (!read->refused.empty()) {
        models_.trouble.tell(
            tr("The forecast was read but for %1").arg(refused_words(read->refused)));
      }
    };
  });
}

void PlanPage::open_calendar_file(const QString& file) {
  models_.files.read(this, file, kMostBytes, [this](const base::Result<std::string>& text) {
    auto read =
        text.and_then([](const std::string& bytes) { return plan::runs_from_icalendar(bytes); });
    return [this, read = std::move(read)] {
      if (!read) {
        models_.trouble.tell(read.error());
        return;
      }
      take_events(*read);
    };
  });
}

void PlanPage::take_events(const plan::CalendarFile& read) {
  plan::Wishes next = document_.workspace().wishes;
  for (const plan::Run& run : read.runs) {
    // Bringing a calendar in again adds nothing twice.
    if (next.runs.size() < plan::kMostRuns &&
        std::find(next.runs.begin(), next.runs.end(), run) == next.runs.end()) {
      next.runs.push_back(run);
    }
  }
  edit_wishes(tr("Bring in events"), next);
  if (!read.refused.empty()) {
    models_.trouble.tell(tr("The calendar was read but for %1").arg(refused_words(read.refused)));
  }
}

void PlanPage::ask_for_export(const QString& ending, const QString& filter) {
  const QString date = QString::fromStdString(sky::to_iso(document_.day().date));
  const QString file = QFileDialog::getSaveFileName(
      this, tr("Save the plan"), QStringLiteral("plan-%1.%2").arg(date, ending), filter);
  if (!file.isEmpty()) {
    export_file(file);
  }
}

void PlanPage::export_file(const QString& file) {
  if (const auto done = write_plan(document_, file); !done) {
    models_.trouble.tell(done.error());
  }
}

void PlanPage::print() { print_plan(document_, this); }

QString PlanPage::headline() const {
  const plan::DayPlan& day = document_.plan();
  const QTimeZone zone = document_.zone();
  if (!day.countdown) {
    return {};
  }
  if (day.countdown->steps.empty()) {
    return tr("First frame at %1.").arg(clock_at(day.countdown->first_frame, zone));
  }
  const plan::Step& first = day.countdown->steps.front();
  QString words =
      tr("To record at %1, \u201c%2\u201d begins at %3; %4 leaves a margin.")
          .arg(clock_at(day.countdown->first_frame, zone), name_of(first.kind),
               clock_at(day.countdown->begin, zone),
               clock_at(day.countdown->begin - sky::minutes(day.countdown->spread_min), zone));
  for (const plan::PlannedRun& run : day.runs) {
    if (const QString turn = turn_words(run.turn, zone);
        !turn.isEmpty() && run.turn.advice != plan::TurnAdvice::kMove) {
      words += QStringLiteral(" %1: %2").arg(
          text(document_.workspace().wishes.runs[run.index].name), turn);
    }
  }
  return words;
}

void PlanPage::show_choice() {
  const SheetChoice& choice = sheet_->choice();
  if (choice.run && *choice.run < document_.workspace().wishes.runs.size()) {
    run_editor_->show_run(*choice.run);
    editors_->setCurrentWidget(run_editor_);
  } else if (choice.step) {
    step_editor_->show_step(*choice.step);
    editors_->setCurrentWidget(step_editor_);
  } else {
    editors_->setCurrentIndex(0);
  }
  // Only the page that is shown asks for room.
  for (int page = 0; page < editors_->count(); ++page) {
    editors_->widget(page)->setSizePolicy(QSizePolicy::Preferred, page == editors_->currentIndex()
                                                                      ? QSizePolicy::Preferred
                                                                      : QSizePolicy::Ignored);
  }
}

void PlanPage::show_conflicts() {
  const plan::DayPlan& day = document_.plan();
  const plan::Wishes& wishes = document_.workspace().wishes;
  const QTimeZone zone = document_.zone();
  QString words;
  for (const plan::Conflict& conflict : day.conflicts) {
    words += conflict_words(conflict, wishes, zone) + QLatin1Char('\n');
  }
  conflicts_title_->setText(day.runs.empty() ? tr("Nothing planned for this day")
                            : day.conflicts.empty()
                                ? tr("Nothing stands in the way")
                                : tr("In the way: %1").arg(day.conflicts.size()));
  if (words == shown_conflict_words_ && !conflict_rows_.empty() == !day.conflicts.empty()) {
    return;  // the buttons stay under the hand
  }
  shown_conflict_words_ = words;
  for (QWidget* row : conflict_rows_) {
    row->hide();
    row->deleteLater();
  }
  conflict_rows_.clear();
  for (const plan::Conflict& conflict : day.conflicts) {
    auto* row = new QFrame(this);
    row->setObjectName(QStringLiteral("conflict"));
    row->setFrameShape(QFrame::Box);
    auto* column = new QVBoxLayout(row);
    column->setContentsMargins(10, 8, 10, 8);
    auto* label = new PlainLabel(conflict_words(conflict, wishes, zone), row);
    label->setWordWrap(true);
    column->addWidget(label);
    for (const plan::Cure& cure : conflict.cures) {
      auto* button = new WrapButton(cure_words(cure, zone), row);
      button->setProperty("cure", static_cast<int>(cure.kind));
      connect(
          button, &QAbstractButton::clicked, this,
          [this, of = conflict.kind, run = conflict.run, by = cure.kind] { resolve(of, run, by); });
      column->addWidget(button);
    }
    conflicts_->addWidget(row);
    conflict_rows_.push_back(row);
  }
}

void PlanPage::resolve(plan::ConflictKind of, std::size_t run, plan::Cure::Kind by) {
  // As the plan stands now: the run may have been changed since the button was made.
  for (const plan::Conflict& conflict : document_.plan().conflicts) {
    for (const plan::Cure& cure : conflict.cures) {
      if (conflict.kind == of && conflict.run == run && cure.kind == by) {
        edit_wishes(tr("Resolve"), plan::with_cure(document_.workspace().wishes, run, cure));
        return;
      }
    }
  }
}

void PlanPage::follow() {
  const QString words = headline();
  headline_->setText(words);
  headline_->setVisible(!words.isEmpty());
  const plan::Surroundings& ground = document_.workspace().wishes.surroundings;
  under_->setCurrentIndex(static_cast<int>(ground.under));
  before_->setCurrentIndex(static_cast<int>(ground.before));
  learn_simulated_->setChecked(document_.workspace().wishes.learn_from_simulated);
  const auto& forecast = document_.workspace().wishes.forecast;
  forget_forecast_->setEnabled(forecast.has_value());
  save_forecast_->setEnabled(forecast.has_value());
  forget_forecast_->setText(forecast ? tr("Forget the forecast (%1)").arg(text(forecast->source))
                                     : tr("Forget the forecast"));
  show_conflicts();
  show_choice();
}

}  // namespace solarchon::app
