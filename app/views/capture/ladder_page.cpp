// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/ladder_page.h"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/model/learning.h"
#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

LadderPage::LadderPage(LiveCamera& camera, Document& document, Log& log, QWidget* parent)
    : QWidget(parent),
      camera_(camera),
      document_(document),
      log_(log),
      says_(new PlainLabel(this)),
      rungs_(new QListWidget(this)),
      right_(new QPushButton(tr("This one is right"), this)),
      run_(new QPushButton(this)) {
  says_->setObjectName(QStringLiteral("ladder-says"));
  says_->setWordWrap(true);
  rungs_->setObjectName(QStringLiteral("ladder-rungs"));
  rungs_->setAccessibleName(tr("Exposures that were tried"));
  rungs_->setMinimumHeight(Theme::px(60));
  connect(rungs_, &QListWidget::currentRowChanged, this, [this] {
    const capture::ExposureRung* shown = rung();
    emit shows(shown != nullptr ? shown->frame : nullptr);
    follow();
  });
  right_->setObjectName(QStringLiteral("ladder-right"));
  right_->setMinimumHeight(Theme::px(40));
  connect(right_, &QPushButton::clicked, this, &LadderPage::keep);
  run_->setObjectName(QStringLiteral("ladder-run"));
  run_->setMinimumHeight(Theme::px(40));
  connect(run_, &QPushButton::clicked, this, &LadderPage::run_or_stop);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  column->addWidget(says_);
  column->addWidget(rungs_, 1);
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  row->addWidget(right_, 1);
  row->addWidget(run_, 1);
  column->addLayout(row);
}

const capture::ExposureRung* LadderPage::rung() const {
  const auto& run = camera_.glance().exposing;
  const int row = rungs_->currentRow();
  return run && row >= 0 && row < static_cast<int>(run->rungs.size())
             ? &run->rungs[static_cast<std::size_t>(row)]
             : nullptr;
}

void LadderPage::leave() { rungs_->setCurrentRow(-1); }

void LadderPage::run_or_stop() {
  const auto& run = camera_.glance().exposing;
  if (run && !capture::over(run->stage)) {
    camera_.stop_run();
    return;
  }
  rungs_->clear();
  camera_.climb_exposures();
}

void LadderPage::keep() {
  const capture::ExposureRung* shown = rung();
  if (shown == nullptr) {
    return;
  }
  const double exposure_ms = shown->exposure_ms;
  keep_right_exposure(document_, log_, exposure_ms, 0.0, camera_.setting().disc_may_clip,
                      camera_.simulated());
  rungs_->setCurrentRow(-1);  // the live picture again
  emit chosen(exposure_ms);
}

QString LadderPage::words_of(const capture::ExposureRunState& run) const {
  switch (run.stage) {
    case capture::RunStage::kGoing:
    case capture::RunStage::kLooking:
    case capture::RunStage::kReturning:
      return tr("Exposure %1 of %2.")
          .arg(number(std::min(run.place + 1, run.places), 0), number(run.places, 0));
    case capture::RunStage::kFailed:
      return tr("The camera does not take the exposures that it is given.");
    case capture::RunStage::kDone:
      break;
  }
  if (camera_.setting().disc_may_clip) {
    return tr("Look at each; prominences are right where they stand out and are not full.");
  }
  return run.nearest ? tr("%1 comes nearest to the level aimed at. Look at each.")
                           .arg(exposure_text(
                               run.rungs[static_cast<std::size_t>(*run.nearest)].exposure_ms))
                     : tr("All are full: less light, or a shorter shutter, is needed.");
}

void LadderPage::fill(const capture::ExposureRunState& run) {
  for (auto i = static_cast<std::size_t>(rungs_->count()); i < run.rungs.size(); ++i) {
    const capture::ExposureRung& rung = run.rungs[i];
    constexpr double kSome = 5e-4;
    rungs_->addItem(
        rung.level.clipped_share < kSome
            ? tr("%1: %2 % of full")
                  .arg(exposure_text(rung.exposure_ms), number(kPercent * rung.level.bright, 0))
            : tr("%1: %2 % of the picture is full")
                  .arg(exposure_text(rung.exposure_ms),
                       number(kPercent * rung.level.clipped_share,
                              rung.level.clipped_share < 0.01 ? 1 : 0)));
  }
}

void LadderPage::mark_nearest(const capture::ExposureRunState& run) {
  for (int i = 0; i < rungs_->count(); ++i) {
    QFont font = rungs_->font();
    font.setBold(run.nearest == i);
    rungs_->item(i)->setFont(font);
  }
}

void LadderPage::follow() {
  const capture::Glance& glance = camera_.glance();
  const auto& run = glance.exposing;
  const bool runs = run && !capture::over(run->stage);
  const bool can = glance.frame && !glance.ended && camera_.exposes() && !camera_.recording() &&
                   !camera_.in_series();
  if (run) {
    fill(*run);
    mark_nearest(*run);
  } else if (rungs_->count() > 0) {
    rungs_->clear();
  }
  rungs_->setVisible(rungs_->count() > 0);
  says_->setText(run   ? words_of(*run)
                 : can ? tr("Seven exposures about the one in force, a stop apart. Then look at "
                            "them one by one, and say which is right.")
                       : tr("Nothing here sets the exposure of this source."));
  run_->setEnabled(can);
  run_->setText(runs ? tr("Stop") : tr("Try exposures"));
  run_->setToolTip(tr("Takes a frame at each exposure and goes back to this one (Shift+F5)"));
  const bool cloud = glance.judgement.limit == live::Limit::kCloud;
  right_->setEnabled(!runs && rung() != nullptr && !cloud);
  right_->setToolTip(cloud ? tr("Not while cloud dims the Sun: it would teach a wrong exposure")
                           : tr("Exposes so from now on; the next are predicted from it"));
}

}  // namespace solarchon::app
