// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/match_view.h"

#include <QBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/elided_label.h"
#include "app/shell/theme.h"
#include "app/views/uncovered_line.h"

namespace solarchon::app {

MatchView::MatchView(const Models& models, QWidget* parent)
    : View(models, parent),
      title_(new ElidedLabel(this)),
      frame_(new FramePage(models, this)),
      exposure_(new ExposurePage(models, this)),
      clip_(new ClipPage(models, this)),
      ways_(new WaysPage(models, this)),
      dusk_(new DuskPage(models, this)) {
  title_->setFont(Theme::font(TextSize::kLarge, true));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(16, 12, 16, 12);
  column->setSpacing(6);
  auto* head = new QHBoxLayout;
  head->setSpacing(12);
  column->addLayout(head);
  column->addWidget(new UncoveredLine(models.document, this));
  pages_ = new Pages(
      {{"match", tr("Frame"), tr("The Sun on the sensor, and what limits its detail"), frame_},
       {"match-exposure", tr("Exposure"), tr("How long to expose, and every setting at once"),
        exposure_},
       {"match-clip", tr("Clip"), tr("How long a clip may last, time-lapse, and panels"), clip_},
       {"match-ways", tr("Ways"), tr("What each usual light path shows of the target"), ways_},
       {"match-dusk", tr("Dusk"), tr("Sunrise and sunset with a wide lens"), dusk_}},
      *column, this);
  head->addWidget(title_, 1);
  head->addWidget(pages_);
  connect(pages_, &Pages::turned, this, &MatchView::follow);
}

Readiness MatchView::readiness() const {
  const safety::Assessment& safety = document().answers().safety;
  if (safety.verdict == safety::Severity::kStop) {
    return {safety::Severity::kStop, why_of(safety.findings.front())};
  }
  const optics::Train& train = document().answers().train;
  if (!train.disc_fits && train.look && !optics::sensor_of(document().workspace().rig)) {
    return {};  // an eye looks
  }
  if (!train.disc_fits) {
    return {safety::Severity::kCheck, tr("Needs a telescope and a camera behind it")};
  }
  if (!*train.disc_fits && document().workspace().target == workspace::Target::kWholeDisc) {
    return {safety::Severity::kCheck, tr("The whole disc does not fit the sensor")};
  }
  return {};
}

bool MatchView::settled() const {
  return pages_->shown() == clip_    ? clip_->settled()
         : pages_->shown() == ways_  ? ways_->settled()
         : pages_->shown() == frame_ ? frame_->settled()
                                     : true;
}

void MatchView::follow() {
  title_->setText(pages_->shown() == dusk_
                      ? tr("Sunset and sunrise with a wide lens")
                      : tr("%1, %2").arg(name_of(document().workspace().target),
                                         text(document().workspace().rig.name)));
  if (pages_->shown() == frame_) {
    frame_->follow();
  } else if (pages_->shown() == exposure_) {
    exposure_->follow();
  } else if (pages_->shown() == clip_) {
    clip_->follow();
  } else if (pages_->shown() == ways_) {
    ways_->follow();
  } else {
    dusk_->follow();
  }
}

}  // namespace solarchon::app
