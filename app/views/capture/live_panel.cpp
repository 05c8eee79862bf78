// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/live_panel.h"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "solarchon/words/live.h"

namespace solarchon::app {

LivePanel::LivePanel(LiveCamera& camera, SeriesDesk& desk, QWidget* parent)
    : QWidget(parent),
      camera_(camera),
      says_(new PlainLabel(this)),
      next_(new PlainLabel(this)),
      strips_(new MeterStrips(this)),
      focus_(new FocusPage(camera, this)),
      tuning_(new TuningPage(camera, this)),
      series_(new SeriesPage(desk, camera, this)),
      record_(new QPushButton(this)),
      how_(new QWidget(this)),
      which_(new QComboBox(this)),
      seconds_(new NumberField(tr("For"), tr("s"), {1.0, 3600.0}, false, this)),
      recorder_(new PlainLabel(this)) {
  says_->setObjectName(QStringLiteral("live-limit"));
  says_->setFont(Theme::font(TextSize::kLarge, true));
  says_->setWordWrap(true);
  next_->setObjectName(QStringLiteral("live-next"));
  next_->setWordWrap(true);
  recorder_->setObjectName(QStringLiteral("recorder"));
  recorder_->setWordWrap(true);
  recorder_->setProperty("role", "faint");
  record_->setObjectName(QStringLiteral("record"));
  record_->setMinimumHeight(Theme::px(48));
  record_->setFont(Theme::font(TextSize::kLarge, true));
  connect(record_, &QPushButton::clicked, this, &LivePanel::record_or_stop);
  which_->setObjectName(QStringLiteral("record-which"));
  which_->setAccessibleName(tr("Which frames are recorded"));
  which_->addItem(tr("All frames"));
  which_->addItem(tr("Sharp moments"));
  which_->setToolTip(
      tr("Sharp moments: the best fifth of the last minute, each with the third of a "
         "second before it"));
  seconds_->show_value(wanted_s_);
  seconds_->setObjectName(QStringLiteral("record-seconds"));
  connect(seconds_, &NumberField::entered, this, [this](double value) { wanted_s_ = value; });
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  column->addWidget(says_);
  column->addWidget(next_);
  auto* shown = new QVBoxLayout;
  shown->setContentsMargins(0, 0, 0, 0);
  pages_ = new Pages(
      {{QStringLiteral("now"), tr("Meters"), tr("What the picture has been like"), strips_},
       {QStringLiteral("focus"), tr("Focus"), tr("Where the edge is drawn narrowest"), focus_},
       {QStringLiteral("tuning"), tr("Tuning"), tr("Where the line is"), tuning_},
       {QStringLiteral("series"), tr("Series"), tr("Clips that go by themselves"), series_}},
      *shown, this);
  connect(pages_, &Pages::turned, this, &LivePanel::follow);
  column->addWidget(pages_);
  column->addLayout(shown, 1);
  column->addWidget(record_);
  auto* row = new QHBoxLayout(how_);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(8);
  row->addWidget(which_, 1, Qt::AlignTop);
  row->addWidget(seconds_, 1);
  column->addWidget(how_);
  column->addWidget(recorder_);
}

void LivePanel::series_or_stop() {
  pages_->turn_to(QStringLiteral("series"));
  series_->run_or_stop();
  follow();
}

void LivePanel::record_or_stop() {
  if (camera_.recording() || camera_.in_series()) {
    camera_.stop_recording();
    return;
  }
  constexpr double kBestFifth = 0.8;
  camera_.record(wanted_s_, which_->currentIndex() == 1 ? std::optional(kBestFifth) : std::nullopt);
}

QString LivePanel::next_step(const QString& by_hand) const {
  const capture::Glance& glance = camera_.glance();
  const live::Limit limit = glance.judgement.limit;
  if (limit == live::Limit::kFocus && glance.hands.focuser) {
    return tr("Let the motor find the best place: Focus, or F11.");
  }
  if (limit == live::Limit::kTuning && glance.hands.heater) {
    return tr("Let the tuner find the line: Tuning, or F12.");
  }
  return by_hand;
}

void LivePanel::focus_or_stop() {
  pages_->turn_to(QStringLiteral("focus"));
  focus_->run_or_stop();
  follow();
}

void LivePanel::tune_or_stop() {
  pages_->turn_to(QStringLiteral("tuning"));
  tuning_->run_or_stop();
  follow();
}

QString LivePanel::recorder_words() const {
  const auto& recording = camera_.glance().recording;
  if (!recording || camera_.clip().isEmpty()) {
    return {};
  }
  QStringList words;
  words << tr("%n frame(s)", nullptr, recording->written)
        << tr("%1 MB").arg(number(static_cast<double>(recording->bytes) / 1e6, 0));
  const auto lost = recording->lost_before + recording->dropped;
  if (lost > 0) {
    words << tr("%n lost", nullptr, static_cast<int>(lost));
  }
  if (recording->passed_over > 0) {
    words << tr("%n passed over", nullptr, recording->passed_over);
  }
  const QString line = words.join(QStringLiteral(" \u00b7 "));
  return camera_.recording() ? line : tr("%1: %2").arg(QFileInfo(camera_.clip()).fileName(), line);
}

void LivePanel::follow() {
  const capture::Glance& glance = camera_.glance();
  const words::LimitWords limit = words::limit_words(glance.judgement, voice());
  if (camera_.looking() && !camera_.knows_path()) {
    says_->setText(glance.ended ? tr("The clip has come to its end.") : tr("A clip."));
    next_->setText(
        tr("What limits it cannot be told without the light path that it was taken with."));
  } else {
    says_->setText(camera_.looking() ? text(limit.says) : tr("The picture is on its way."));
    next_->setText(camera_.looking() ? next_step(text(limit.next)) : QString());
  }
  if (const auto& heater = glance.hands.heater; heater && !heater->on_band) {
    says_->setText(tr("The etalon is not on band yet."));
    next_->setText(heater->wait_s
                       ? tr("It stands still in %1.").arg(time_left(sky::seconds(*heater->wait_s)))
                       : tr("Wait until it stands still."));
  }
  if (glance.frame) {
    live::Readings readings = glance.readings;
    if (!camera_.knows_path()) {  // they count on a light path that is not known
      readings.edge_arcsec.reset();
      readings.air.reset();
      readings.cloud_stops.reset();
    }
    strips_->add(glance.seconds, readings);
  } else {
    strips_->clear();
  }
  // A run has its own words, and wants the room.
  const bool meters = pages_->shown() == strips_;
  next_->setVisible(meters);
  says_->setVisible(pages_->shown() != series_);
  how_->setVisible(meters);
  if (pages_->shown() == focus_) {
    focus_->follow();
  } else if (pages_->shown() == tuning_) {
    tuning_->follow();
  } else if (pages_->shown() == series_) {
    series_->follow();
  }
  const bool series = camera_.in_series();
  const bool recording = camera_.recording() || series;
  record_->setText(series      ? tr("Stop the series")
                   : recording ? tr("Stop recording")
                               : tr("Record"));
  record_->setVisible(pages_->shown() != series_);
  record_->setToolTip(recording ? tr("What was recorded stays (F6)")
                                : tr("Records a clip below the data folder (F6)"));
  record_->setEnabled(glance.frame != nullptr && !glance.ended);
  which_->setEnabled(!recording);
  const QString recorder = recorder_words();
  recorder_->setText(recorder);
  recorder_->setVisible(!recorder.isEmpty());
}

}  // namespace solarchon::app
