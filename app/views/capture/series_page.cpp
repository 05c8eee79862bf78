// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/series_page.h"

#include <QGridLayout>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

SeriesPage::SeriesPage(SeriesController& desk, LiveCamera& camera, QWidget* parent)
    : QWidget(parent),
      desk_(desk),
      camera_(camera),
      kind_(new QComboBox(this)),
      clip_(new NumberField(tr("Clips of"), tr("s"), workspace::kSeriesClipRange, false, this)),
      every_(new NumberField(tr("Every"), tr("s"), capture::kEveryRange, false, this)),
      rounds_(new NumberField(tr("Times"), {}, capture::kRoundsRange, true, this)),
      belt_(new SeriesBelt(this)),
      says_(new PlainLabel(this)),
      plan_says_(new PlainLabel(this)),
      run_(new QPushButton(this)),
      wanted_(desk.order()) {
  kind_->setObjectName(QStringLiteral("series-kind"));
  kind_->setAccessibleName(tr("What the series is for"));
  kind_->addItem(tr("Time-lapse"));
  kind_->addItem(tr("Disc, then prominences"));
  kind_->addItem(tr("Panels of the whole Sun"));
  connect(kind_, &QComboBox::activated, this, &SeriesPage::order);
  clip_->setObjectName(QStringLiteral("series-clip"));
  every_->setObjectName(QStringLiteral("series-every"));
  rounds_->setObjectName(QStringLiteral("series-rounds"));
  every_->setToolTip(tr("From the start of one to the start of the next"));
  connect(clip_, &NumberField::entered, this, [this](double value) {
    wanted_.clip_s = value;
    order();
  });
  connect(every_, &NumberField::entered, this, [this](double value) {
    wanted_.every_s = value;
    order();
  });
  connect(rounds_, &NumberField::entered, this, [this](double value) {
    wanted_.rounds = static_cast<int>(value);
    order();
  });
  hold_ = add_switch(QStringLiteral("series-hold"), tr("Pin"),
                     tr("Moves the telescope so that what lies at the cross stays on its pixel; "
                        "click on the picture to set the cross"));
  light_ = add_switch(QStringLiteral("series-light"), tr("Follow light"),
                      tr("Exposes longer between clips as the Sun sinks or haze comes, shorter as "
                         "it clears"));
  plan_ = add_switch(QStringLiteral("series-plan"), tr("Plan"),
                     tr("Runs of the day\u2019s plan begin by themselves at their times, as long "
                        "as the camera is looked through"));
  belt_->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
  belt_->setObjectName(QStringLiteral("series-belt"));
  belt_->setAccessibleName(tr("The series in time"));
  says_->setObjectName(QStringLiteral("series-says"));
  says_->setWordWrap(true);
  plan_says_->setObjectName(QStringLiteral("series-plan-says"));
  plan_says_->setWordWrap(true);
  plan_says_->setProperty("role", "faint");
  run_->setObjectName(QStringLiteral("series-run"));
  run_->setMinimumHeight(Theme::px(40));
  connect(run_, &QPushButton::clicked, this, &SeriesPage::run_or_stop);
  connect(&desk_, &SeriesController::changed, this, &SeriesPage::follow);
  auto* switches = new QGridLayout;
  switches->setSpacing(6);
  switches->addWidget(hold_, 0, 0);
  switches->addWidget(light_, 0, 1);
  switches->addWidget(plan_, 0, 2);
  says_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  column->addWidget(kind_);
  for (NumberField* field : {clip_, every_, rounds_}) {
    column->addWidget(field);
  }
  column->addLayout(switches);
  column->addWidget(plan_says_);
  column->addWidget(belt_);
  column->addWidget(says_);
  column->addStretch(1);
  column->addWidget(run_);
  show_order();
}

QPushButton* SeriesPage::add_switch(const QString& name, const QString& words,
                                    const QString& reason) {
  auto* button = new QPushButton(words, this);
  button->setObjectName(name);
  button->setToolTip(reason);
  button->setCheckable(true);
  button->setProperty("switch", true);
  button->setProperty("first", true);  // each stands by itself
  connect(button, &QPushButton::clicked, this, [this, button](bool on) {
    if (button == plan_) {
      desk_.follow_plan(on);
      return;
    }
    (button == hold_ ? wanted_.hold : wanted_.follow_light) = on;
    order();
  });
  return button;
}

void SeriesPage::order() {
  wanted_.kind = static_cast<workspace::SeriesKind>(std::max(0, kind_->currentIndex()));
  desk_.set_order(wanted_);
}

void SeriesPage::show_order() {
  kind_->setCurrentIndex(static_cast<int>(wanted_.kind));
  clip_->show_value(wanted_.clip_s);
  every_->show_value(wanted_.every_s);
  rounds_->show_value(wanted_.rounds);
  hold_->setChecked(wanted_.hold);
  light_->setChecked(wanted_.follow_light);
  plan_->setChecked(desk_.follows_plan());
}

void SeriesPage::run_or_stop() {
  if (camera_.in_series()) {
    camera_.stop_recording();
  } else {
    desk_.begin();
  }
  follow();
}

QString SeriesPage::words_of(const capture::SeriesState& series) const {
  const QString place =
      series.rounds > 1 ? tr("%1 of %2").arg(number(series.round + 1, 0), number(series.rounds, 0))
                        : tr("%1 of %2").arg(number(series.take + 1, 0), number(series.takes, 0));
  QString words;
  switch (series.stage) {
    case capture::SeriesStage::kWaiting:
      words = tr("%1 in %2.").arg(place, time_left(sky::seconds(std::max(0.0, series.next_s))));
      break;
    case capture::SeriesStage::kTurning:
      words = tr("%1: exposure and place are set.").arg(place);
      break;
    case capture::SeriesStage::kRecording:
      words = tr("%1 is recorded.").arg(place);
      break;
    case capture::SeriesStage::kDone:
      return tr("%n clip(s) lie on the disk.", nullptr, series.clips);
    case capture::SeriesStage::kFailed:
      return tr("It ended early; %n clip(s) lie on the disk.", nullptr, series.clips);
  }
  if (series.held_arcsec) {
    words += QStringLiteral(" ") + tr("Held within %1\u2033.").arg(number(*series.held_arcsec, 1));
  }
  return words;
}

QString SeriesPage::words_before() const {
  const auto needs = desk_.needs();
  if (!needs) {
    return needs.error().field == "line"
               ? tr("In this light nothing stands over the limb: pairs need hydrogen alpha.")
               : error_text(needs.error());
  }
  QString words = tr("Takes %1 and %2 on the disk.")
                      .arg(duration_words(needs->duration_s), gigabytes(needs->bytes));
  if (const auto free_bytes = desk_.free_bytes(); free_bytes && *free_bytes < needs->bytes) {
    words += QStringLiteral(" ") + tr("Only %1 are free there.").arg(gigabytes(*free_bytes));
  }
  if (wanted_.kind == workspace::SeriesKind::kTimeLapse) {
    words +=
        QStringLiteral(" ") + tr("Plays %1 at 25 a second.").arg(duration_words(needs->playback_s));
  }
  if (!camera_.glance().hands.guider) {
    if (wanted_.kind == workspace::SeriesKind::kPanels) {
      return tr("Nothing here moves the telescope: it cannot go from panel to panel.");
    }
    if (wanted_.hold) {
      words += QStringLiteral(" ") + tr("Nothing here moves the telescope: it cannot hold.");
    }
  }
  return words;
}

QString SeriesPage::words_of_plan() const {
  const auto run = desk_.next_run();
  if (!run) {
    return tr("The plan has no more runs today.");
  }
  const auto until = desk_.until(*run);
  if (!until) {
    return text(run->name);
  }
  return *until > sky::Duration{} ? tr("%1 in %2.").arg(text(run->name), time_left(*until))
                                  : tr("%1 is due now.").arg(text(run->name));
}

SeriesBelt::Picture SeriesPage::belt_of(const capture::SeriesState& series) {
  SeriesBelt::Picture belt;
  belt.rounds = std::max(1, series.rounds);
  belt.takes = std::max(1, series.takes);
  belt.whole = series.clips;
  belt.round_s = std::max(1e-3, series.round_s);
  belt.every_s = std::max(belt.round_s, series.every_s);
  belt.duration_s = (belt.rounds - 1) * belt.every_s + belt.round_s;
  belt.now_s = series.gone_s;
  belt.ends = duration_words(belt.duration_s);
  return belt;
}

SeriesBelt::Picture SeriesPage::belt_before(const match::TimeLapseNeeds& needs) const {
  SeriesBelt::Picture belt;
  belt.duration_s = needs.duration_s;
  belt.ends = duration_words(needs.duration_s);
  if (wanted_.kind == workspace::SeriesKind::kPanels) {
    belt.takes = std::max(1, static_cast<int>(std::lround(needs.duration_s / wanted_.clip_s)));
  } else {
    belt.rounds = wanted_.rounds;
    belt.takes = wanted_.kind == workspace::SeriesKind::kPairs ? 2 : 1;
  }
  belt.round_s = belt.takes * wanted_.clip_s;
  belt.every_s = std::max(wanted_.every_s, belt.round_s);
  return belt;
}

void SeriesPage::follow() {
  const auto& series = camera_.glance().series;
  const bool runs = camera_.in_series();
  const bool panels = wanted_.kind == workspace::SeriesKind::kPanels;
  const auto needs = desk_.needs();
  for (QWidget* one : {static_cast<QWidget*>(kind_), static_cast<QWidget*>(clip_),
                       static_cast<QWidget*>(every_), static_cast<QWidget*>(rounds_),
                       static_cast<QWidget*>(hold_), static_cast<QWidget*>(light_)}) {
    one->setEnabled(!runs);
  }
  every_->setVisible(!panels);
  rounds_->setVisible(!panels);
  hold_->setVisible(!panels);
  const bool reached = !panels || camera_.glance().hands.guider;
  run_->setEnabled(runs || (needs && reached && camera_.glance().frame && !camera_.glance().ended &&
                            !camera_.recording()));
  run_->setText(runs ? tr("Stop the series") : tr("Begin the series"));
  run_->setToolTip(runs ? tr("What was recorded stays (Shift+F6)")
                        : tr("Records clip after clip below the data folder (Shift+F6)"));
  plan_says_->setText(words_of_plan());
  plan_says_->setVisible(desk_.follows_plan());
  const QString words = series ? words_of(*series) : words_before();
  says_->setText(series && !runs ? words + QStringLiteral(" ") + words_before() : words);
  if (series && runs) {
    belt_->show_picture(belt_of(*series));
  } else if (needs) {
    belt_->show_picture(belt_before(*needs));
  }
  belt_->setVisible(needs.has_value() || runs);
  belt_->setAccessibleDescription(words);
}

}  // namespace solarchon::app
