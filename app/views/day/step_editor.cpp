// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/step_editor.h"

#include <QDateTime>
#include <QVBoxLayout>
#include <algorithm>

#include "app/model/document.h"
#include "app/model/log.h"
#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/day/plan_words.h"
#include "solarchon/words/plan.h"

namespace solarchon::app {

StepEditor::StepEditor(const Models& models, QWidget* parent)
    : QWidget(parent),
      models_(models),
      document_(models.document),
      name_(new PlainLabel(this)),
      learned_(new PlainLabel(this)),
      planned_(new NumberField(tr("Planned"), tr("min"), plan::kStepMinutesRange, false, this)),
      took_(new NumberField(tr("It took"), tr("min"), {0.1, plan::kStepMinutesRange.high}, false,
                            this)),
      watch_(new QPushButton(this)),
      take_back_(new QPushButton(tr("Take the last one back"), this)) {
  name_->setFont(Theme::font(TextSize::kMedium, true));
  learned_->setWordWrap(true);
  learned_->setObjectName(QStringLiteral("learned"));
  planned_->setToolTip(tr("Empty: what is usual for this light path; 0: the step does not occur"));
  took_->setToolTip(tr("Afterwards: how long it really took. Plans of later days count on it"));
  watch_->setObjectName(QStringLiteral("watch"));
  watch_->setToolTip(
      tr("Press when the step begins and again when it is done: the time goes into "
         "your log"));
  connect(watch_, &QPushButton::clicked, this, &StepEditor::press_watch);
  took_->allow_empty(tr("afterwards"));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  for (QWidget* part :
       std::initializer_list<QWidget*>{name_, planned_, watch_, took_, learned_, take_back_}) {
    column->addWidget(part);
  }
  column->addStretch(1);
  connect(planned_, &NumberField::entered, this, [this](double value) { plan_minutes(value); });
  connect(planned_, &NumberField::emptied, this, [this] { plan_minutes(std::nullopt); });
  connect(took_, &NumberField::entered, this, [this](double minutes) {
    models_.log.note_step({QDateTime::currentMSecsSinceEpoch()}, {kind_, minutes});
    took_->clear();
  });
  connect(take_back_, &QPushButton::clicked, this, [this] { models_.log.drop_last_step(kind_); });
}

void StepEditor::press_watch() {
  models_.log.time_step(kind_, document_.moment());  // the clock, or the time that is looked at
  show_watch();
}

void StepEditor::show_watch() {
  const auto begun = models_.log.step_begun(kind_);
  watch_->setText(begun ? tr("It is done (begun %1)").arg(clock_at(*begun, document_.zone()))
                        : tr("It begins now"));
}

void StepEditor::plan_minutes(std::optional<double> minutes) {
  workspace::Workspace next = document_.workspace();
  next.wishes.minutes.at(static_cast<std::size_t>(kind_)) = minutes;
  document_.edit(tr("Plan %1").arg(name_of(kind_)), next);
}

void StepEditor::show_step(plan::StepKind kind) {
  if (kind != kind_) {
    took_->clear();
  }
  kind_ = kind;
  name_->setText(name_of(kind));
  name_->setToolTip(text(words::advice_for(kind, voice())));
  const auto& wished = document_.workspace().wishes.minutes.at(static_cast<std::size_t>(kind));
  const double usual = plan::usual_minutes(kind, document_.workspace().rig);
  planned_->allow_empty(tr("usual %1").arg(number(usual, 0)));
  if (wished) {
    planned_->show_value(*wished);
  } else if (!planned_->edit().hasFocus()) {
    planned_->clear();
  }
  const plan::StepTime time =
      plan::learned_time(kind, wished.value_or(usual), models_.log.step_notes());
  learned_->setText(
      time.times == 0
          ? tr("Nothing logged yet; %1 \u00b1 %2 min are counted on.")
                .arg(number(time.minutes, 0), number(time.spread_min, 0))
          : tr("With %n time(s) logged, %1 \u00b1 %2 min are counted on.", nullptr, time.times)
                .arg(number(time.minutes, 0), number(time.spread_min, 0)));
  show_watch();
  take_back_->setEnabled(time.times > 0);
}

}  // namespace solarchon::app
