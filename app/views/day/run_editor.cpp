// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/run_editor.h"

#include <QDateTime>
#include <QHBoxLayout>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/day/plan_words.h"

namespace solarchon::app {

RunEditor::RunEditor(Document& document, QWidget* parent)
    : QWidget(parent),
      document_(document),
      name_(new QLineEdit(this)),
      start_(new QTimeEdit(this)),
      fixed_(new QCheckBox(tr("An event that does not wait"), this)),
      facts_(new PlainLabel(this)) {
  name_->setObjectName(QStringLiteral("run-name"));
  name_->setAccessibleName(tr("Name of the run"));
  name_->setMaxLength(80);
  start_->setObjectName(QStringLiteral("run-start"));
  start_->setAccessibleName(tr("Start of the run"));
  start_->setDisplayFormat(QStringLiteral("HH:mm"));
  start_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  start_->setKeyboardTracking(false);
  start_->setFixedWidth(Theme::px(96));
  start_->setAlignment(Qt::AlignRight);
  fixed_->setToolTip(
      tr("A contact of an eclipse, a transit, a class that comes: it is never "
         "offered to be moved"));
  facts_->setWordWrap(true);
  facts_->setProperty("role", "faint");
  facts_->setFont(Theme::font(TextSize::kSmall));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  column->addWidget(name_);
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  auto* label = new PlainLabel(tr("Start"), this);
  label->setBuddy(start_);
  row->addWidget(label, 1);
  row->addWidget(start_);
  row->addSpacing(40);  // where the others have their unit
  column->addLayout(row);
  add_number(tr("Length"), tr("min"), plan::kRunMinutesRange, &plan::Run::minutes, {});
  add_number(tr("Frames"), tr("/s"), plan::kFrameRateRange, &plan::Run::frames_per_s,
             tr("While a clip is recorded"));
  add_number(tr("Clip"), tr("s"), plan::kClipRange, &plan::Run::clip_s,
             tr("Length of each clip of a time-lapse; 0: recorded without a pause"));
  add_number(tr("One every"), tr("s"), plan::kIntervalRange, &plan::Run::every_s,
             tr("From the start of one clip to the start of the next"));
  column->addWidget(fixed_);
  column->addWidget(facts_);
  auto* remove = new QPushButton(tr("Remove run"), this);
  remove->setObjectName(QStringLiteral("remove-run"));
  column->addWidget(remove);
  connect(remove, &QPushButton::clicked, this, &RunEditor::removeAsked);
  connect(name_, &QLineEdit::editingFinished, this, [this] {
    plan::Run to = run_;
    to.name = name_->text().trimmed().toStdString();
    if (to != run_) {
      emit edited(to);
    }
  });
  connect(start_, &QTimeEdit::editingFinished, this, &RunEditor::read_start);
  connect(fixed_, &QCheckBox::clicked, this, [this](bool on) {
    plan::Run to = run_;
    to.fixed = on;
    emit edited(to);
  });
}

NumberField* RunEditor::add_number(const QString& label, const QString& unit, base::Range range,
                                   double plan::Run::*member, const QString& reason) {
  auto* field = new NumberField(label, unit, range, false, this);
  field->setToolTip(reason);
  layout()->addWidget(field);
  connect(field, &NumberField::entered, this, [this, member](double value) {
    plan::Run to = run_;
    to.*member = value;
    emit edited(to);
  });
  numbers_.emplace_back(field, member);
  return field;
}

void RunEditor::read_start() {
  const QTimeZone zone = document_.zone();
  const QDateTime before = QDateTime::fromMSecsSinceEpoch(run_.start.unix_ms, zone);
  if (start_->time().hour() == before.time().hour() &&
      start_->time().minute() == before.time().minute()) {
    return;
  }
  // The day goes from local midnight to midnight by the Sun, not by the clock.
  QDateTime after(before.date(), start_->time(), zone);
  const sky::SunDay& day = document_.day();
  if (after.toMSecsSinceEpoch() < day.start.unix_ms) {
    after = after.addDays(1);
  } else if (after.toMSecsSinceEpoch() >= day.end.unix_ms) {
    after = after.addDays(-1);
  }
  plan::Run to = run_;
  to.start = {after.toMSecsSinceEpoch()};
  emit edited(to);
}

void RunEditor::show_run(std::size_t index) {
  const plan::Run& shown = document_.workspace().wishes.runs.at(index);
  const bool moved = shown.start != run_.start;
  run_ = shown;
  if (!name_->hasFocus()) {
    name_->setText(text(run_.name));
    name_->setCursorPosition(0);
  }
  if (moved || !start_->hasFocus()) {  // the clock does not disturb what is being typed
    start_->setTime(QDateTime::fromMSecsSinceEpoch(run_.start.unix_ms, document_.zone()).time());
  }
  for (const auto& [field, member] : numbers_) {
    field->show_value(run_.*member);
  }
  numbers_.back().first->setEnabled(run_.clip_s > 0.0);
  fixed_->setChecked(run_.fixed);
  QStringList facts;
  for (const plan::PlannedRun& planned : document_.plan().runs) {
    if (planned.index != index) {
      continue;
    }
    facts << tr("Sun %1\u00b0 high, seeing about %2: %3.")
                 .arg(number(planned.altitude_deg, 0), seeing_words(planned.seeing),
                      seeing_source_words(planned.seeing));
    if (planned.sky) {
      facts << tr("Forecast (%4): %1, cloud %2\u00a0%, wind %3\u00a0m/s.")
                   .arg(name_of(plan::state_of(*planned.sky)),
                        number(planned.sky->cloud_percent, 0), number(planned.sky->wind_m_s, 0),
                        text(document_.workspace().wishes.forecast->source));
    }
    if (const QString turn = turn_words(planned.turn, document_.zone()); !turn.isEmpty()) {
      facts << turn;
    }
  }
  if (const auto use = plan::storage_use(document_.workspace().rig, {run_})) {
    facts << tr("%1 frames, %2.")
                 .arg(QLocale().toString(use->runs.front().frames, 'f', 0),
                      QLocale().formattedDataSize(static_cast<qint64>(use->bytes), 1,
                                                  QLocale::DataSizeSIFormat));
  }
  facts_->setText(facts.join(QStringLiteral(" ")));
}

}  // namespace solarchon::app
