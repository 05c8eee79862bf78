// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/ways_page.h"

#include <QBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/eye_image.h"
#include "app/shell/frame_image.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "solarchon/camera/eyepiece.h"
#include "solarchon/camera/simulate.h"
#include "solarchon/match/target.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/words/parts.h"
#include "solarchon/workspace/live.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

namespace {

constexpr int kSide = 420;  // pixels of a picture
constexpr std::uint32_t kSeed = 7;

/// The middle of a camera's frame that has the field, or all of it where that is less.
camera::Shot patch_of(camera::Shot shot, double field_arcsec, double sampling_arcsec_px) {
  const auto sensor = optics::sensor_of(shot.rig);
  optics::Part& part = shot.rig.elements[sensor->element].part;
  const double wanted = std::max(16.0, std::round(field_arcsec / sampling_arcsec_px));
  optics::set_parameter(part, "width_px", std::min<double>(sensor->camera.width_px, wanted));
  optics::set_parameter(part, "height_px", std::min<double>(sensor->camera.height_px, wanted));
  shot.pointing_spread_px = 0.0;
  return camera::binned(std::move(shot), kSide);
}

WaySeen by_camera(WaySeen seen, const workspace::Workspace& space,
                  const workspace::Answers& answers, double field_arcsec) {
  const auto shot = workspace::shot_for(space, answers, std::nullopt, kSeed);
  if (!shot) {
    seen.problem = error_text(shot.error());
    return seen;
  }
  const auto recording =
      camera::simulate(patch_of(*shot, field_arcsec, *answers.train.sampling_arcsec_px));
  if (!recording) {
    seen.problem = error_text(recording.error());
    return seen;
  }
  seen.image = frame_image(recording->frame, kSide);
  seen.share = recording->frame.width * recording->truth.plate_scale_arcsec_px / field_arcsec;
  if (answers.exposure && answers.exposure->level > 1.0) {
    seen.seen += QLatin1Char(' ') + WaysPage::tr("Cut off: the shutter is not short enough.");
  }
  if (answers.limits) {
    seen.seen += QLatin1Char(' ') +
                 WaysPage::tr("Finest %1\u2033.").arg(number(answers.limits->finest_arcsec(), 1));
  }
  return seen;
}

WaySeen by_eye(WaySeen seen, const workspace::Workspace& space, const workspace::Answers& answers,
               double field_arcsec) {
  seen.eye = true;
  const auto shot = workspace::eye_shot(space, answers);
  if (!shot) {
    seen.problem = error_text(shot.error());
    return seen;
  }
  const auto sight = camera::look_through(*shot, kSide);
  if (!sight) {
    seen.problem = error_text(sight.error());
    return seen;
  }
  const QImage whole = eye_image(*sight);
  const double share = 3600.0 * sight->look.true_field_deg / field_arcsec;
  const int side =
      std::clamp(static_cast<int>(std::lround(kSide / std::max(1.0, share))), 8, kSide);
  seen.image = whole.copy((kSide - side) / 2, (kSide - side) / 2, side, side);
  seen.share = std::min(1.0, share);
  seen.seen += QLatin1Char(' ') + glare_words(*sight);
  return seen;
}

QString what_is_seen(const workspace::Answers& answers, const match::TargetNeed& need) {
  const optics::Train& train = answers.train;
  if (train.band.line) {
    return need.white_light ? WaysPage::tr("Hydrogen alpha: the target is not seen in it.")
                            : WaysPage::tr("Hydrogen alpha: prominences, filaments, plage.");
  }
  constexpr double kGranule = 2.2;  // arcsec
  return need.hydrogen_alpha ? WaysPage::tr("White light: the target is not seen in it.")
         : answers.limits && answers.limits->finest_arcsec() < kGranule
             ? WaysPage::tr("White light: spots, faculae, granulation.")
             : WaysPage::tr("White light: spots and faculae.");
}

WaySeen seen_with(const workspace::Workspace& space, const workspace::Answers& answers,
                  double field_arcmin) {
  WaySeen seen;
  seen.name = text(space.rig.name);
  seen.seen =
      what_is_seen(answers, match::need_of(space.target, answers.sun.semidiameter_arcsec()));
  if (answers.safety.verdict == safety::Severity::kStop) {
    seen.problem = what_can_happen(answers.safety.findings.front());
    return seen;
  }
  const double field_arcsec = 60.0 * field_arcmin;
  return optics::sensor_of(space.rig) || !answers.train.look
             ? by_camera(std::move(seen), space, answers, field_arcsec)
             : by_eye(std::move(seen), space, answers, field_arcsec);
}

}  // namespace

WaysPage::WaysPage(const Models& models, QWidget* parent)
    : QWidget(parent),
      document_(models.document),
      sheet_(new WaysSheet(this)),
      beside_(new QPushButton(tr("Lay it beside mine"), this)),
      take_(new QPushButton(tr("Take it"), this)) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  column->addWidget(sheet_, 1);
  auto* row = new QHBoxLayout;
  row->addStretch(1);
  row->addWidget(beside_);
  row->addWidget(take_);
  column->addLayout(row);
  beside_->setObjectName(QStringLiteral("ways-beside"));
  beside_->setToolTip(tr("Light path compares both; Frame shows both pictures"));
  take_->setObjectName(QStringLiteral("ways-take"));
  take_->setToolTip(tr("Makes it the light path in use; can be undone"));
  connect(sheet_, &WaysSheet::chosenChanged, this, &WaysPage::choose);
  connect(beside_, &QPushButton::clicked, this, &WaysPage::lay_beside);
  connect(take_, &QPushButton::clicked, this, &WaysPage::take);
  choose();
}

void WaysPage::follow() {
  const workspace::Workspace& space = document_.workspace();
  const sky::UtcTime now = document_.answers().time;
  // The clock alone hardly changes a picture of this size.
  constexpr double kSameS = 300.0;
  if (drawn_ && *drawn_ == space && std::abs(sky::in_seconds(now - drawn_at_)) < kSameS) {
    return;
  }
  drawn_ = space;
  drawn_at_ = now;
  std::vector<optics::Rig> rigs{space.rig};
  if (const auto& trains = optics::usual_trains()) {
    for (const optics::Rig& train : *trains) {
      rigs.push_back(words::named(train, voice()));
    }
  }
  rigs_ = std::move(rigs);
  constexpr double kLeast = 3.0;
  field_arcmin_ = std::max(
      kLeast,
      match::need_of(space.target, document_.answers().sun.semidiameter_arcsec()).field_arcmin);
  std::vector<WaySeen> ways(rigs_.size());
  for (std::size_t i = 0; i < ways.size(); ++i) {
    ways[i].name = i == 0 ? tr("Yours: %1").arg(text(rigs_[i].name)) : text(rigs_[i].name);
  }
  sheet_->show_ways(std::move(ways), field_arcmin_);
  next_ = 0;
  draw_next();
  choose();
}

void WaysPage::draw_next() {
  if (next_ >= rigs_.size()) {
    return;
  }
  workspace::Workspace space = document_.workspace();
  space.rig = rigs_[next_];
  const workspace::Answers& now = document_.answers();
  wishes_.wish([this, way = next_, field_arcmin = field_arcmin_, space = std::move(space),
                time = now.time, sun = now.sun](const base::Task&) -> Worker::Delivery {
    const workspace::Answers answers = workspace::answer(space, time, sun);
    return [this, way, seen = seen_with(space, answers, field_arcmin)]() mutable {
      if (way != next_) {
        return;  // all is asked for anew
      }
      if (way == 0) {
        seen.name = tr("Yours: %1").arg(seen.name);
      }
      sheet_->show_picture(way, seen);
      ++next_;
      draw_next();
    };
  });
}

void WaysPage::choose() {
  const bool other = sheet_->chosen() && *sheet_->chosen() > 0;
  beside_->setEnabled(other);
  take_->setEnabled(other);
}

void WaysPage::lay_beside() {
  workspace::Workspace next = document_.workspace();
  next.compared = rigs_.at(*sheet_->chosen());
  document_.edit(tr("Lay a light path beside"), next);
}

void WaysPage::take() {
  workspace::Workspace next = document_.workspace();
  next.rig = rigs_.at(*sheet_->chosen());
  document_.edit(tr("Take a light path"), next);
}

}  // namespace solarchon::app
