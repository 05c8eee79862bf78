// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/steps_page.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "solarchon/words/safety.h"

namespace solarchon::app {

using plan::StepState;

namespace {

QString sign_of(StepState state) {
  switch (state) {
    case StepState::kDone:
      return QStringLiteral("\u2713");
    case StepState::kOpen:
      return QStringLiteral("\u25b6");
    case StepState::kRunning:
      return QStringLiteral("\u25d4");
    case StepState::kLocked:
      return QStringLiteral("\u25a0");
    case StepState::kLater:
      break;
  }
  return QStringLiteral("\u25cb");
}

QString name_of(StepState state) {
  switch (state) {
    case StepState::kDone:
      return StepsPage::tr("done");
    case StepState::kOpen:
      return StepsPage::tr("can be done now");
    case StepState::kRunning:
      return StepsPage::tr("its time runs");
    case StepState::kLocked:
      return StepsPage::tr("locked: opens the telescope to the Sun");
    case StepState::kLater:
      break;
  }
  return StepsPage::tr("later");
}

}  // namespace

StepsPage::StepsPage(const Models& models, QWidget* parent)
    : QWidget(parent), runbook_(models.runbook) {
  new PictureWithPanel(build_card(), build_side(models), 310, this);
  connect(&runbook_, &Runbook::changed, this, [this] {
    if (isVisible()) {
      follow();
    }
  });
  connect(&runbook_, &Runbook::secondPassed, this, [this] {
    if (isVisible()) {
      show_card(runbook_.standing());
    }
  });
}

QWidget* StepsPage::build_card() {
  auto* card = new QWidget(this);
  card->setObjectName(QStringLiteral("step-card"));
  card->setAttribute(Qt::WA_StyledBackground);
  auto* column = new QVBoxLayout(card);
  const int margin = Theme::px(16);
  column->setContentsMargins(margin, margin, margin, margin);
  column->setSpacing(Theme::px(6));
  const auto words = [&](const char* name, TextSize size, bool bold) {
    auto* label = new PlainLabel(card);
    label->setObjectName(QLatin1String(name));
    label->setFont(Theme::font(size, bold));
    label->setWordWrap(true);
    column->addWidget(label);
    return label;
  };
  place_ = words("step-place", TextSize::kMedium, false);
  what_ = words("step-what", TextSize::kHuge, true);
  time_ = words("step-time", TextSize::kHuge, false);
  why_ = words("step-why", TextSize::kMedium, false);
  check_ = words("step-check", TextSize::kLarge, false);
  before_ = words("step-before", TextSize::kLarge, true);
  before_->setProperty("role", "error");
  column->addStretch(1);
  strip_ = new OrderStrip(card);
  column->addWidget(strip_);
  auto* row = new QHBoxLayout;
  done_ = new QPushButton(card);
  done_->setObjectName(QStringLiteral("step-done"));
  done_->setProperty("main", true);
  anyway_ = new QPushButton(card);
  anyway_->setObjectName(QStringLiteral("step-anyway"));
  how_ = new QPushButton(tr("Show how"), card);
  how_->setToolTip(tr("The page of Field that is about it"));
  how_->setObjectName(QStringLiteral("step-how"));
  for (QPushButton* button : {done_, anyway_, how_}) {
    button->setFont(Theme::font(TextSize::kLarge));
    button->setMinimumHeight(Theme::px(48));
    row->addWidget(button);
  }
  row->setStretch(0, 1);
  column->addLayout(row);
  connect(done_, &QPushButton::clicked, this, &StepsPage::act);
  connect(anyway_, &QPushButton::clicked, this, &StepsPage::leave_the_order);
  connect(how_, &QPushButton::clicked, this, [this] {
    emit howAsked(how_to(runbook_.steps().at(shown(runbook_.standing())).step.id));
  });
  return card;
}

QWidget* StepsPage::build_side(const Models& models) {
  auto* side = new QWidget(this);
  side_ = side;
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  occasion_ = new QComboBox(side);
  occasion_->setObjectName(QStringLiteral("occasion"));
  occasion_->setAccessibleName(tr("What is about to be done"));
  occasion_->addItems({tr("Setting up"), tr("Changing a part"), tr("Guests"), tr("Packing")});
  list_ = new QListWidget(side);
  list_->setObjectName(QStringLiteral("step-list"));
  list_->setAccessibleName(tr("All steps"));
  list_->setWordWrap(true);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  list_->installEventFilter(this);
  auto* anew = new QPushButton(tr("Begin anew"), side);
  anew->setObjectName(QStringLiteral("steps-anew"));
  anew->setToolTip(tr("Takes all ticks away; the times are kept for the countdown"));
  auto* never = new PlainLabel(text(words::never_alone_words(voice())), side);
  never->setWordWrap(true);
  instrument_ = new Instrument(models, side);
  instrument_->hide();
  column->addWidget(occasion_);
  column->addWidget(instrument_);
  column->addWidget(list_, 1);
  column->addWidget(never);
  column->addWidget(anew);
  connect(occasion_, &QComboBox::activated, this, [this](int occasion) {
    chosen_.clear();
    runbook_.take_up(static_cast<safety::Occasion>(occasion));
    follow();
  });
  connect(list_, &QListWidget::currentRowChanged, this, &StepsPage::choose);
  connect(anew, &QPushButton::clicked, this, [this] {
    chosen_.clear();
    runbook_.start_over();
  });
  return side;
}

bool StepsPage::eventFilter(QObject* watched, QEvent* event) {
  // A list would choose with it.
  if (event->type() == QEvent::KeyPress && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Space) {
    act();
    return true;
  }
  return QWidget::eventFilter(watched, event);
}

void StepsPage::choose(int row) {
  if (row >= 0 && row < static_cast<int>(runbook_.steps().size())) {
    chosen_ = runbook_.steps().at(static_cast<std::size_t>(row)).step.id;
    asking_ = false;
    follow();
  }
}

std::size_t StepsPage::shown(const std::vector<plan::StepStanding>& standing) const {
  const auto& steps = runbook_.steps();
  for (std::size_t i = 0; i < steps.size(); ++i) {
    if (steps[i].step.id == chosen_) {
      return i;
    }
  }
  return plan::next_of(standing).value_or(steps.size() - 1);
}

QString StepsPage::what_of(std::string_view step) const {
  for (const plan::RunbookStep& one : runbook_.steps()) {
    if (one.step.id == step) {
      return text(words::handling_words(one.step, voice()).what);
    }
  }
  return {};
}

void StepsPage::act() {
  const auto standing = runbook_.standing();
  const std::size_t at = shown(standing);
  const plan::StepStanding& one = standing.at(at);
  const std::string step(runbook_.steps().at(at).step.id);
  if (one.state == StepState::kDone) {
    runbook_.untick(step);
  } else if (one.missing.empty()) {
    chosen_.clear();  // on to the next
    runbook_.tick(step);
  } else {
    chosen_ = one.missing.front();  // show what comes first
    follow();
  }
}

void StepsPage::leave_the_order() {
  if (!asking_) {
    asking_ = true;
    follow();
    return;
  }
  asking_ = false;
  const std::string step(runbook_.steps().at(shown(runbook_.standing())).step.id);
  chosen_.clear();
  runbook_.tick(step, true);
}

void StepsPage::show_list(const std::vector<plan::StepStanding>& standing) {
  const QSignalBlocker quiet(list_);
  const auto& steps = runbook_.steps();
  while (list_->count() > static_cast<int>(steps.size())) {
    delete list_->takeItem(list_->count() - 1);
  }
  while (list_->count() < static_cast<int>(steps.size())) {
    list_->addItem(QString());
  }
  for (std::size_t i = 0; i < steps.size(); ++i) {
    const plan::StepStanding& one = standing.at(i);
    QString line = tr("%1  %2").arg(sign_of(one.state), what_of(steps[i].step.id));
    if (one.done) {
      line += tr("  %1").arg(clock_at(*one.done, runbook_.zone()));
    }
    QListWidgetItem* item = list_->item(static_cast<int>(i));
    if (item->text() != line) {
      item->setText(line);
      item->setToolTip(name_of(one.state));
      item->setData(Qt::AccessibleTextRole,
                    tr("%1, %2").arg(what_of(steps[i].step.id), name_of(one.state)));
    }
  }
  list_->setCurrentRow(static_cast<int>(shown(standing)));
  list_->scrollToItem(list_->currentItem());
}

void StepsPage::show_time(const plan::StepStanding& one, const plan::RunbookStep& step) {
  const auto left = one.left(runbook_.now(), step.step.minutes);
  time_->setVisible(left.has_value());
  if (left) {
    time_->setText(sky::in_seconds(*left) > 0.0 ? time_left(*left)
                                                : tr("%1 over").arg(time_left(-*left)));
  }
}

void StepsPage::show_card(const std::vector<plan::StepStanding>& standing) {
  const std::size_t at = shown(standing);
  const plan::StepStanding& one = standing.at(at);
  const plan::RunbookStep& step = runbook_.steps().at(at);
  const words::StepWords said = words::handling_words(step.step, voice());
  const bool finished = runbook_.progress().ticks.size() >= runbook_.steps().size();
  place_->setText(finished && chosen_.empty()
                      ? tr("All done")
                      : tr("Step %1 of %2, about %3 min, %4")
                            .arg(at + 1)
                            .arg(runbook_.steps().size())
                            .arg(number(step.step.minutes, step.step.minutes < 1.0 ? 1 : 0),
                                 name_of(one.state)));
  what_->setText(text(said.what));
  why_->setText(text(said.why));
  check_->setText(tr("Check: %1").arg(text(said.check)));
  show_time(one, step);
  const bool blocked = one.state == StepState::kLocked || one.state == StepState::kLater;
  before_->setVisible(blocked);
  if (blocked) {
    before_->setText(
        asking_ && one.state == StepState::kLocked
            ? tr("Sunlight enters the telescope while this is not done: %1 An eye, a sensor or a "
                 "hand can be burnt within seconds. It will be noted.")
                  .arg(what_of(one.missing.front()))
        : asking_ ? tr("It is out of order: first comes \u201c%1\u201d It will be noted.")
                        .arg(what_of(one.missing.front()))
                  : tr("First: %1").arg(what_of(one.missing.front())));
  }
  done_->setText(one.state == StepState::kDone ? tr("Not done after all")
                 : blocked                     ? tr("Show what comes first")
                                               : tr("Done (Space)"));
  anyway_->setVisible(blocked);
  anyway_->setText(asking_ ? tr("I know: go on") : tr("Leave the order\u2026"));
  how_->setVisible(Instrument::has(step.step.id));
  show_instrument(step.step.id);
  strip_->show_steps(runbook_.steps(), standing, at);
}

void StepsPage::show_instrument(std::string_view step) {
  constexpr int kLeastHeight = 540;  // for it and a piece of the list
  const bool room = side_->height() >= Theme::px(kLeastHeight);
  instrument_->setVisible(room && Instrument::has(step));
  if (room) {
    instrument_->show_for(step);
  }
}

void StepsPage::resizeEvent(QResizeEvent* event) {
  QWidget::resizeEvent(event);
  if (isVisible()) {
    follow();
  }
}

void StepsPage::follow() {
  const auto standing = runbook_.standing();
  if (standing.empty()) {
    return;  // cannot be: every order has steps
  }
  occasion_->setCurrentIndex(static_cast<int>(runbook_.occasion()));
  show_card(standing);
  show_list(standing);
}

}  // namespace solarchon::app
