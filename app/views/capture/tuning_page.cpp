// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/tuning_page.h"

#include <QHBoxLayout>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>
#include <map>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

/// A step with its sign.
QString step_text(int step) {
  return step > 0 ? QStringLiteral("+%1").arg(number(step, 0)) : number(step, 0);
}

/// The light of each step against the brightest.
void draw_light(const capture::TuningRunState& run, RunPlot::Picture& picture) {
  std::map<int, std::pair<double, int>> light;
  for (const live::TuningPoint& point : run.points) {
    light[point.step].first += point.light;
    ++light[point.step].second;
  }
  double brightest = 0.0;
  for (const auto& [step, sum] : light) {
    brightest = std::max(brightest, sum.first / sum.second);
  }
  for (const auto& [step, sum] : light) {
    if (sum.first > 0.0) {
      picture.points.emplace_back(step, kPercent * sum.first / sum.second / brightest);
    }
  }
  picture.curve = picture.points;
  if (run.fit) {
    picture.best = run.fit->step;
  }
}

QString angstrom_text(double angstrom) {
  const QString sign = angstrom > 0.0 ? QStringLiteral("+") : QString();
  return sign + number(angstrom, 2) + QStringLiteral(" \u00c5");
}

}  // namespace

TuningPage::TuningPage(LiveCamera& camera, QWidget* parent)
    : QWidget(parent),
      camera_(camera),
      plot_(new RunPlot(this)),
      says_(new PlainLabel(this)),
      bluer_(new QPushButton(tr("Bluer"), this)),
      redder_(new QPushButton(tr("Redder"), this)),
      mark_(new NumberField(tr("Mark"), {}, capture::kMarkRange, true, this)),
      run_(new QPushButton(this)) {
  plot_->setObjectName(QStringLiteral("tuning-plot"));
  plot_->setAccessibleName(tr("Light of the disc at each step of the tuner"));
  says_->setObjectName(QStringLiteral("tuning-says"));
  says_->setWordWrap(true);
  const auto set_up = [this](QPushButton* button, const QString& name, int by) {
    button->setObjectName(name);
    button->setMinimumHeight(Theme::px(40));
    button->setToolTip(tr("By one step of the tuner; it takes minutes to get there"));
    connect(button, &QPushButton::clicked, this, [this, by] {
      if (const auto& heater = camera_.glance().hands.heater) {
        camera_.tune_to(std::clamp(heater->step + by, -heater->steps, heater->steps));
      }
    });
  };
  set_up(bluer_, QStringLiteral("tuning-bluer"), -1);
  set_up(redder_, QStringLiteral("tuning-redder"), 1);
  mark_->setObjectName(QStringLiteral("tuning-mark"));
  mark_->setToolTip(tr("At which the tuner stands: count its marks or turns as you like"));
  mark_->show_value(at_mark_);
  mark_->hide();
  connect(mark_, &NumberField::entered, this,
          [this](double value) { at_mark_ = static_cast<int>(value); });
  run_->setObjectName(QStringLiteral("tuning-run"));
  run_->setMinimumHeight(Theme::px(40));
  connect(run_, &QPushButton::clicked, this, &TuningPage::run_or_stop);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  column->addWidget(plot_, 1);
  column->addWidget(says_);
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  row->addWidget(bluer_, 1);
  row->addWidget(redder_, 1);
  row->addWidget(mark_, 2);
  row->addWidget(run_, 2, Qt::AlignBottom);
  column->addLayout(row);
}

void TuningPage::run_or_stop() {
  const capture::Glance& glance = camera_.glance();
  if (glance.tuning && !capture::over(glance.tuning->stage)) {
    camera_.stop_run();
  } else if (camera_.tuned_by_hand()) {
    camera_.look_at_mark(at_mark_);
  } else {
    camera_.find_line();
  }
}

QString TuningPage::words_of(const capture::TuningRunState& run,
                             const devices::HeaterState& heater) {
  const QString step = step_text(run.step);
  switch (run.stage) {
    case capture::RunStage::kGoing:
      return run.wait_s && *run.wait_s > 0.0
                 ? tr("Step %1: it stands still in %2.")
                       .arg(step, time_left(sky::seconds(*run.wait_s)))
                 : tr("Step %1: waiting until it stands still.").arg(step);
    case capture::RunStage::kLooking:
      return tr("Looking at step %1.").arg(step);
    case capture::RunStage::kReturning:
      return tr("Step %1 is the best: going back to it.").arg(step);
    case capture::RunStage::kDone:
      break;
    case capture::RunStage::kFailed:
      return run.problem && run.problem->field == "heater"
                 ? tr("The heater does not come on band. Is its supply strong enough?")
                 : tr("All steps look alike. More light, less cloud or sharper focus helps.");
  }
  const QString where = angstrom_text(run.fit->step * heater.step_angstrom);
  return (run.by_light ? tr("On the line at step %1 (%2): there the disc is darkest.")
                       : tr("Step %1 (%2) shows most; the disc's light could not tell."))
      .arg(step, where);
}

void TuningPage::follow_heater(const devices::HeaterState& heater,
                               const std::optional<capture::TuningRunState>& run) {
  RunPlot::Picture picture;
  picture.up = tr("Light of the disc, of the brightest step");
  picture.unit = QStringLiteral("\u00a0%");
  picture.left = tr("bluer");
  picture.right = tr("redder");
  picture.now = heater.step;
  picture.empty = tr("No run yet");
  QString words =
      heater.on_band
          ? tr("Step %1 (%2), on band.")
                .arg(step_text(heater.step), angstrom_text(heater.step * heater.step_angstrom))
          : tr("Step %1 (%2), not on band yet.")
                .arg(step_text(heater.step), angstrom_text(heater.step * heater.step_angstrom));
  if (heater.wait_s && *heater.wait_s > 0.0) {
    words += QStringLiteral(" ") +
             tr("It stands still in %1.").arg(time_left(sky::seconds(*heater.wait_s)));
  }
  if (run) {
    draw_light(*run, picture);
    words = words_of(*run, heater);
  }
  if (heater.temperature_c) {
    words += QStringLiteral(" ") + tr("Etalon %1.").arg(celsius(*heater.temperature_c));
  }
  plot_->show_picture(picture);
  plot_->setAccessibleDescription(words);
  says_->setText(words);
}

QString TuningPage::words_by_hand(const capture::TuningRunState& run) {
  if (run.stage == capture::RunStage::kLooking) {
    return tr("Looking at mark %1.").arg(step_text(run.step));
  }
  if (!run.fit) {
    return tr("Turn the tuner to another mark, wait until it stands still, and look again.");
  }
  const QString best =
      run.by_light ? tr("At mark %1 the disc is darkest: nearest to the middle of the line.")
                         .arg(step_text(run.fit->step))
                   : tr("Mark %1 shows most; the disc’s light could not tell.")
                         .arg(step_text(run.fit->step));
  return best + QStringLiteral(" ") +
         (run.fit->at_the_end         ? tr("Try beyond it.")
          : run.step == run.fit->step ? tr("There it stands.")
                                      : tr("Turn back to it."));
}

void TuningPage::follow_hand(const std::optional<capture::TuningRunState>& run) {
  RunPlot::Picture picture;
  picture.up = tr("Light of the disc, of the brightest mark");
  picture.unit = QStringLiteral("\u00a0%");
  picture.empty = tr("No mark looked at yet");
  picture.now = at_mark_;
  QString words =
      tr("Turn the tuner by hand, say at which mark it stands, and look; after three "
         "marks or more it is known which is best.");
  if (run) {
    draw_light(*run, picture);
    words = words_by_hand(*run);
  }
  plot_->show_picture(picture);
  plot_->setAccessibleDescription(words);
  says_->setText(words);
}

void TuningPage::follow() {
  const capture::Glance& glance = camera_.glance();
  const auto& heater = glance.hands.heater;
  const bool runs = glance.tuning && !capture::over(glance.tuning->stage);
  bluer_->setEnabled(heater && !runs && heater->step > -heater->steps);
  redder_->setEnabled(heater && !runs && heater->step < heater->steps);
  const bool by_hand = camera_.tuned_by_hand();
  bluer_->setVisible(!by_hand);
  redder_->setVisible(!by_hand);
  mark_->setVisible(by_hand);
  mark_->setEnabled(!runs);
  run_->setEnabled(heater || by_hand);
  run_->setText(runs ? tr("Stop") : by_hand ? tr("Look here") : tr("Find the line"));
  run_->setToolTip(by_hand
                       ? tr("Looks for some seconds at what this mark does (F12)")
                       : tr("Tries steps one by one, waits at each, and goes to the best (F12)"));
  if (by_hand) {
    follow_hand(glance.tuning);
    return;
  }
  if (heater) {
    follow_heater(*heater, glance.tuning);
    return;
  }
  RunPlot::Picture picture;
  picture.empty = tr("No heated etalon");
  plot_->show_picture(picture);
  says_->setText(tr("Nothing in this light path can be tuned from here."));
}

}  // namespace solarchon::app
