// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/clip_page.h"

#include <QBoxLayout>
#include <QGridLayout>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/match/heading.h"
#include "solarchon/workspace/live.h"

namespace solarchon::app {

namespace {

constexpr base::Range kClipRange{0.1, 600.0};
constexpr base::Range kRegionRange{5.0, 100.0};
constexpr int kOneByte = 8;
constexpr base::Range kKeptPercent{100.0 * match::kKeptShareRange.low,
                                   100.0 * match::kKeptShareRange.high};

QString why_so_short(match::ClipLimit limit) {
  switch (limit) {
    case match::ClipLimit::kRotation:
      return ClipPage::tr("the Sun's rotation blurs it");
    case match::ClipLimit::kEvolution:
      return ClipPage::tr("the target itself has changed");
    case match::ClipLimit::kFieldRotation:
      return ClipPage::tr("the turning field blurs its corners");
    case match::ClipLimit::kTracking:
      break;
  }
  return ClipPage::tr("the mount has let it drift");
}

QString why_so_slow(match::RateLimit limit) {
  switch (limit) {
    case match::RateLimit::kSensor:
      return ClipPage::tr("the sensor reads no faster");
    case match::RateLimit::kCable:
      return ClipPage::tr("the cable carries no more");
    case match::RateLimit::kExposure:
      break;
  }
  return ClipPage::tr("the exposure lasts as long");
}

}  // namespace

ClipPage::ClipPage(const Models& models, QWidget* parent)
    : QWidget(parent),
      document_(models.document),
      frame_(new SensorFrame(models.document, this)),
      clip_(new Figures(2, this)),
      region_(new NumberField(tr("Region of the sensor"), QStringLiteral("%"), kRegionRange, true,
                              this)),
      deep_(new QCheckBox(tr("All its bits"), this)),
      kept_(new NumberField(tr("Frames kept"), QStringLiteral("%"), kKeptPercent, true, this)),
      why_(new PlainLabel(this)),
      interval_(new NumberField(tr("A clip every"), tr("s"), match::kIntervalRange, false, this)),
      count_(new NumberField(tr("Clips"), {}, match::kCountRange, true, this)),
      clip_s_(new NumberField(tr("Each lasts"), tr("s"), kClipRange, false, this)),
      lapse_(new Figures(2, this)),
      overlap_(new NumberField(tr("Overlap"), QStringLiteral("%"), {5.0, 60.0}, false, this)),
      margin_(new NumberField(tr("Room round the disc"), QStringLiteral("\u2033"),
                              match::kMosaicMarginRange, false, this)),
      mosaic_(new Figures(2, this)) {
  frame_->setObjectName(QStringLiteral("mosaic-frame"));
  auto* row = new PictureWithPanel(frame_, new ScrolledPanel(build_side(), this), 350, this);
  row->setContentsMargins(0, 0, 0, 0);
}

QWidget* ClipPage::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  column->addWidget(heading(tr("One clip"), side));
  region_->edit().setObjectName(QStringLiteral("clip-region"));
  region_->setToolTip(tr("Of each side; fewer rows come oftener"));
  region_->show_value(100.0 * region_share_);
  connect(region_, &NumberField::entered, this, [this](double value) {
    region_share_ = value / 100.0;
    show_clip();
    show_lapse();
  });
  column->addWidget(region_);
  deep_->setObjectName(QStringLiteral("clip-deep"));
  deep_->setToolTip(
      tr("Two bytes a pixel; without it 8 bits, which come through the cable faster"));
  deep_->setChecked(true);
  connect(deep_, &QCheckBox::toggled, this, [this] {
    show_clip();
    show_lapse();
  });
  column->addWidget(deep_);
  kept_->edit().setObjectName(QStringLiteral("clip-kept"));
  kept_->setToolTip(
      tr("How many of the sharpest frames you stack. With the noise of a frame and the contrast of "
         "the target it decides how many frames are enough"));
  kept_->show_value(100.0 * kept_share_);
  connect(kept_, &NumberField::entered, this, [this](double value) {
    kept_share_ = value / 100.0;
    show_clip();
  });
  column->addWidget(kept_);
  column->addWidget(clip_);
  why_->setProperty("role", "faint");
  why_->setFont(Theme::font(TextSize::kSmall));
  why_->setWordWrap(true);
  column->addWidget(why_);
  column->addSpacing(8);
  column->addWidget(heading(tr("Time-lapse"), side));
  for (NumberField* field : {interval_, count_, clip_s_}) {
    column->addWidget(field);
  }
  column->addWidget(lapse_);
  interval_->edit().setObjectName(QStringLiteral("lapse-interval"));
  count_->edit().setObjectName(QStringLiteral("lapse-count"));
  clip_s_->edit().setObjectName(QStringLiteral("lapse-clip"));
  connect(interval_, &NumberField::entered, this, [this](double value) {
    wanted_.interval_s = value;
    show_lapse();
  });
  connect(count_, &NumberField::entered, this, [this](double value) {
    wanted_.count = static_cast<int>(value);
    show_lapse();
  });
  connect(clip_s_, &NumberField::entered, this, [this](double value) {
    wanted_.clip_s = value;
    show_lapse();
  });
  column->addSpacing(8);
  column->addWidget(heading(tr("The whole Sun in panels"), side));
  column->addWidget(overlap_);
  column->addWidget(margin_);
  column->addWidget(mosaic_);
  overlap_->edit().setObjectName(QStringLiteral("mosaic-overlap"));
  margin_->edit().setObjectName(QStringLiteral("mosaic-margin"));
  margin_->setToolTip(tr("For prominences: 100\u2033 are 72 000 km"));
  connect(overlap_, &NumberField::entered, this, [this](double value) {
    overlap_share_ = value / 100.0;
    show_mosaic();
  });
  connect(margin_, &NumberField::entered, this, [this](double value) {
    margin_arcsec_ = value;
    show_mosaic();
  });
  column->addStretch(1);
  interval_->show_value(wanted_.interval_s);
  count_->show_value(wanted_.count);
  clip_s_->show_value(wanted_.clip_s);
  overlap_->show_value(100.0 * overlap_share_);
  margin_->show_value(margin_arcsec_);
  return side;
}

void ClipPage::follow() {
  frame_->follow();
  show_clip();
  show_lapse();
  show_mosaic();
}

void ClipPage::show_clip() {
  const workspace::Answers& answers = document_.answers();
  const workspace::Workspace& workspace = document_.workspace();
  const auto sensor = optics::sensor_of(workspace.rig);
  if (!sensor || !answers.limits || !answers.exposure) {
    rate_ = {};
    why_->clear();
    clip_->show_rows({{tr("Longest clip"), QStringLiteral("\u2013")}});
    return;
  }
  const auto motion =
      workspace::clip_motion_of(workspace, answers, workspace.aim.value_or(sky::DiscPlace{}));
  const match::ClipBudget budget = match::clip_budget(motion.value_or(match::ClipMotion{}));
  optics::Camera camera = sensor->camera;
  deep_->setEnabled(camera.bits > kOneByte);
  if (!deep_->isChecked()) {
    camera.bits = std::min(camera.bits, kOneByte);
  }
  const auto part = [this](int side_px) {
    return std::max(1, static_cast<int>(std::lround(region_share_ * side_px)));
  };
  rate_ = match::frame_rate(camera, {part(camera.width_px), part(camera.height_px), 1},
                            answers.exposure->exposure_ms);
  const double frames = std::floor(budget.longest() * rate_.hz);
  why_->setText(tr("Longer, and %1. Faster it does not go: %2.")
                    .arg(why_so_short(budget.ruling), why_so_slow(rate_.ruling)));
  const match::EnoughFrames enough = match::enough_frames(
      workspace.target, match::frame_noise(camera, answers.exposure->level), kept_share_);
  const QString why_enough =
      tr("%1 kept: then noise, raised by sharpening, stays below a fifth of the detail's contrast")
          .arg(number(enough.kept, 0));
  clip_->show_rows({{tr("Enough frames"), number(enough.recorded, 0), why_enough},
                    {tr("Frames a second"), number(rate_.hz, rate_.hz < 10.0 ? 1 : 0)},
                    {tr("Takes"), duration_words(enough.recorded / rate_.hz), why_enough},
                    {tr("On the disk"), gigabytes(enough.recorded * rate_.bytes_a_frame)},
                    {tr("Longest clip"), duration_words(budget.longest())},
                    {tr("Frames at most"), number(frames, 0),
                     tr("They would fill %1").arg(gigabytes(frames * rate_.bytes_a_frame))}});
  if (enough.recorded > frames) {
    why_->setText(tr("%1 One clip cannot hold enough frames: keep a larger share, or stack "
                     "several clips.")
                      .arg(why_->text()));
  }
}

void ClipPage::show_lapse() {
  const auto needs = match::needs_of(wanted_, rate_);
  if (!needs) {
    lapse_->show_rows({{tr("Not possible"), error_text(needs.error())}});
    return;
  }
  lapse_->show_rows({{tr("Takes"), duration_words(needs->duration_s)},
                     {tr("On the disk"), gigabytes(needs->bytes)},
                     {tr("Shown at 25 a second"), duration_words(needs->playback_s)},
                     {tr("Power at 25 W"), tr("%1 Wh").arg(number(needs->watt_hours, 0))}});
}

void ClipPage::show_mosaic() {
  const optics::Train& train = document_.answers().train;
  if (!train.field_width_arcmin) {
    frame_->show_mosaic({}, {});
    mosaic_->show_rows({{tr("Panels"), QStringLiteral("\u2013")}});
    return;
  }
  const QSizeF panel(60.0 * *train.field_width_arcmin, 60.0 * *train.field_height_arcmin);
  const auto mosaic = match::mosaic_of({panel.width(), panel.height(),
                                        document_.answers().sun.semidiameter_arcsec(),
                                        margin_arcsec_, overlap_share_});
  if (!mosaic) {
    frame_->show_mosaic({}, {});
    mosaic_->show_rows({{tr("Not possible"), error_text(mosaic.error())}});
    return;
  }
  frame_->show_mosaic(*mosaic, panel);
  mosaic_->show_rows(
      {{tr("Panels"), tr("%1 (%2 \u00d7 %3)")
                          .arg(QString::number(mosaic->panels.size()),
                               QString::number(mosaic->columns), QString::number(mosaic->rows))},
       {tr("Moved between them"), tr("%1\u2032").arg(number(mosaic->slewed_arcsec / 60.0, 0))}});
}

}  // namespace solarchon::app
