// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/live_panel.h"

#include <QVBoxLayout>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "solarchon/image/sharpness.h"
#include "solarchon/words/live.h"

namespace solarchon::app {

LivePanel::LivePanel(const Models& models, QWidget* parent)
    : QWidget(parent),
      camera_(models.camera),
      says_(new PlainLabel(this)),
      next_(new PlainLabel(this)),
      strips_(new MeterStrips(this)),
      focus_(new FocusPage(models.camera, this)),
      tuning_(new TuningPage(models.camera, this)),
      ladder_(new LadderPage(models.camera, models.document, models.log, this)),
      series_(new SeriesPage(models.series, models.camera, this)),
      recorder_(new RecordBox(models.camera, this)) {
  says_->setObjectName(QStringLiteral("live-limit"));
  says_->setFont(Theme::font(TextSize::kLarge, true));
  says_->setWordWrap(true);
  next_->setObjectName(QStringLiteral("live-next"));
  next_->setWordWrap(true);
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
       {QStringLiteral("ladder"), tr("Ladder"), tr("Exposures, one after another"), ladder_},
       {QStringLiteral("series"), tr("Series"), tr("Clips that go by themselves"), series_}},
      *shown, this);
  connect(pages_, &Pages::turned, this, [this] {
    if (pages_->shown() != ladder_) {
      ladder_->leave();
    }
    follow();
  });
  column->addWidget(pages_);
  column->addLayout(shown, 1);
  column->addWidget(recorder_);
}

void LivePanel::climb_or_stop() {
  pages_->turn_to(QStringLiteral("ladder"));
  ladder_->run_or_stop();
  follow();
}

void LivePanel::series_or_stop() {
  pages_->turn_to(QStringLiteral("series"));
  series_->run_or_stop();
  follow();
}

QString LivePanel::next_step(const QString& by_hand) const {
  const capture::Glance& glance = camera_.glance();
  const live::Limit limit = glance.judgement.limit;
  if (limit == live::Limit::kNoSun && camera_.rides()) {
    return tr("The camera rides on the stand-in mount, which does not look at the Sun: see Field.");
  }
  if (limit == live::Limit::kFocus && glance.hands.focuser) {
    return tr("Let the motor find the best place: Focus, or F11.");
  }
  if (limit == live::Limit::kTuning && glance.hands.heater) {
    return tr("Let the tuner find the line: Tuning, or F12.");
  }
  return by_hand;
}

std::optional<double> LivePanel::off_aim_stops() const {
  const image::Level& level = camera_.glance().readings.level;
  const live::Setting& setting = camera_.setting();
  const double aim = setting.target_level * (1.0 - setting.black_level);
  const double over = level.bright - setting.black_level;
  constexpr double kNothing = 0.01;
  constexpr double kSomeFull = 1e-3;  // of what is full nobody knows by how much
  if (!camera_.knows_path() || setting.disc_may_clip || over < kNothing ||
      level.clipped_share > kSomeFull) {
    return std::nullopt;
  }
  return std::log2(over / aim);
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
    strips_->add(glance.seconds, readings, off_aim_stops());
  } else {
    strips_->clear();
  }
  // A run has its own words, and wants the room.
  const bool meters = pages_->shown() == strips_;
  next_->setVisible(meters);
  says_->setVisible(pages_->shown() != series_ && pages_->shown() != ladder_);
  if (pages_->shown() == focus_) {
    focus_->follow();
  } else if (pages_->shown() == tuning_) {
    tuning_->follow();
  } else if (pages_->shown() == ladder_) {
    ladder_->follow();
  } else if (pages_->shown() == series_) {
    series_->follow();
  }
  recorder_->follow(pages_->shown() != series_, meters);
}

}  // namespace solarchon::app
