// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/track_page.h"

#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "solarchon/align/seen_drift.h"
#include "solarchon/base/angle.h"
#include "solarchon/workspace/live.h"

namespace solarchon::app {

namespace {

constexpr double kStepS = 15.0;
constexpr int kSteps = 240;  // an hour

}  // namespace

TrackPage::TrackPage(const Models& models, QWidget* parent)
    : QWidget(parent),
      document_(models.document),
      head_(new Headed(QStringLiteral("track"), this)),
      picture_(new TrackPicture(head_)) {
  head_->put(picture_);
  new PictureWithPanel(head_, build_side(), 320, this);
}

QWidget* TrackPage::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  auto* caption = new PlainLabel(tr("The mount"), side);
  caption->setFont(Theme::font(TextSize::kMedium, true));
  column->addWidget(caption);
  axis_ = new PlainLabel(side);
  axis_->setObjectName(QStringLiteral("track-axis"));
  axis_->setWordWrap(true);
  column->addWidget(axis_);
  const auto field = [&](const char* name, const QString& label, const QString& unit,
                         const QString& reason, base::Range range,
                         double workspace::Outside::*value) {
    auto* made = new NumberField(label, unit, range, false, side);
    made->setObjectName(QLatin1String(name));
    made->setToolTip(reason);
    connect(made, &NumberField::entered, this, [this, value, name](double entered) {
      workspace::Workspace next = document_.workspace();
      next.outside.*value = entered;
      document_.edit(tr("Change the mount's drive"), next, EditKind::kSeparate, name);
    });
    column->addWidget(made);
    return made;
  };
  worm_ = field("track-worm", tr("Periodic error"), QStringLiteral("\u2033"),
                tr("Half of the whole swing of the worm"), align::kPeriodicErrorRange,
                &workspace::Outside::periodic_error_arcsec);
  period_ = field("track-period", tr("Its period"), tr("s"),
                  tr("A turn of the worm: 480 s with 180 teeth"), align::kWormPeriodRange,
                  &workspace::Outside::worm_period_s);
  step_ = field("track-step", tr("Steps of each axis"), QStringLiteral("\u2033"),
                tr("Two axes that step are seen as jitter"), align::kStepRange,
                &workspace::Outside::step_arcsec);
  figures_ = new Figures(2, side);
  column->addWidget(figures_);
  column->addStretch(1);
  return side;
}

align::Driving TrackPage::driving() const {
  align::Driving driving = workspace::driving_of(document_.workspace());
  if (const plan::DayPlan& plan = document_.plan(); plan.turn) {
    driving.turn = plan.turning ? plan.turning->start : plan.turn->latest;
  }
  return driving;
}

QString TrackPage::axis_words() const {
  const workspace::Workspace& space = document_.workspace();
  if (space.mount.kind == plan::MountKind::kUndriven) {
    return tr(
        "No tracking: the Sun drifts through the field, and you point ahead of it again and "
        "again.");
  }
  if (space.mount.kind == plan::MountKind::kAltAzimuth) {
    return tr("An alt-azimuth mount: it follows by steps of both axes, and the field turns.");
  }
  const align::PoleFit fit = workspace::axis_of(space);
  if (!fit.solvable()) {
    return tr(
        "An equatorial mount, its axis taken as true: drift runs on the page Drift tell more.");
  }
  return tr("An equatorial mount, its axis %1\u2032 off in altitude and %2\u2032 in azimuth by the "
            "drift runs.")
      .arg(number(fit.error.altitude_deg * base::kArcminPerDeg, 1),
           number(fit.error.azimuth_deg * base::kArcminPerDeg, 1));
}

QString TrackPage::headline(const align::TrackSummary& summary) const {
  if (summary.leaves) {
    return tr("The Sun touches the edge of the field at %1.")
        .arg(clock_at(*summary.leaves, document_.zone()));
  }
  return tr("Over the coming hour the Sun wanders by %1\u2033.")
      .arg(number(summary.farthest_arcsec, 0));
}

void TrackPage::follow() {
  const workspace::Workspace& space = document_.workspace();
  const workspace::Answers& answers = document_.answers();
  const align::Driving with = driving();
  const bool level = plan::stands_level(with.mount);
  worm_->show_value(space.outside.periodic_error_arcsec);
  period_->show_value(space.outside.worm_period_s);
  step_->show_value(space.outside.step_arcsec);
  worm_->setVisible(!level);
  period_->setVisible(!level);
  step_->setVisible(level);
  axis_->setText(axis_words());
  TrackPicture::Scene scene;
  scene.way = align::track(workspace::observer_of(space), document_.moment(), sky::seconds(kStepS),
                           kSteps, with);
  scene.jitters = level && with.step_arcsec > 0.0;
  scene.celestial = answers.celestial;
  scene.zone = document_.zone();
  scene.sun_radius_arcsec = answers.sun.semidiameter_arcsec();
  const auto& train = answers.train;
  std::optional<double> side;
  if (train.field_width_arcmin && train.field_height_arcmin) {
    scene.field_arcsec = QSizeF(*train.field_width_arcmin, *train.field_height_arcmin) * 60.0;
    side = std::min(*train.field_width_arcmin, *train.field_height_arcmin);
    scene.room_arcsec = align::room_arcsec(*side, scene.sun_radius_arcsec);
  }
  const align::TrackSummary summary = align::summary_of(scene.way, scene.room_arcsec);
  align::Driving smooth = with;
  smooth.step_arcsec = 0.0;
  const align::TrackSummary speed =
      level ? align::summary_of(align::track(workspace::observer_of(space), document_.moment(),
                                             sky::seconds(kStepS), kSteps, smooth),
                                {})
            : summary;
  const double smear_arcsec_min = align::smear_arcsec_min(speed, scene.sun_radius_arcsec);
  const align::Stay stay = align::stay_of(
      {0.0, 0.0, smear_arcsec_min}, side, scene.sun_radius_arcsec,
      answers.limits ? std::optional(answers.limits->finest_arcsec()) : std::nullopt);
  const bool turns = with.turn && *with.turn > document_.moment() && !level &&
                     *with.turn < document_.moment() + sky::hours(1.0);
  head_->say(
      headline(summary),
      turns ? tr("At %1 the mount turns over: the picture stands upside down then, and the Sun is "
                 "centred anew.")
                  .arg(clock_at(*with.turn, document_.zone()))
      : scene.jitters
          ? tr("The axes go by steps: each dot is the middle of the Sun, every %1 seconds.")
                .arg(number(kStepS, 0))
          : tr("The middle of the Sun in the picture, drawn large; dots stand at ten minutes."));
  figures_->show_rows(
      {{tr("Farthest"), tr("%1\u2033").arg(number(summary.farthest_arcsec, 0)),
        tr("From the middle of the field")},
       {tr("Fastest"), tr("%1\u2033/min").arg(number(smear_arcsec_min, 1)),
        tr("At the limb, wandering and turning of the field together; steps are jitter on top")},
       {tr("Field turns by"), tr("%1\u00b0").arg(number(summary.rotation_deg, 1)),
        tr("Within the hour")},
       {tr("Longest clip"), stay.clip_s ? tr("%1 s").arg(number(*stay.clip_s, 0)) : tr("not known"),
        tr("Until the fastest drift blurs half of the finest detail that can be had")}});
  picture_->show_scene(std::move(scene), head_->headline());
}

}  // namespace solarchon::app
