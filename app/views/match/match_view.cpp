// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/match_view.h"

#include <QLabel>
#include <QVBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/beside.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

QLabel* heading(const QString& words, QWidget* parent) {
  auto* label = new PlainLabel(words, parent);
  label->setFont(Theme::font(TextSize::kMedium, true));
  return label;
}

}  // namespace

MatchView::MatchView(const Models& models, QWidget* parent)
    : View(models, parent),
      frame_(new SensorFrame(models.document, this)),
      exposure_(new PlainLabel(this)),
      exposure_note_(new PlainLabel(this)),
      strip_(new ExposureStrip(this)),
      ladder_(new Ladder(this)),
      figures_(new Figures(2, this)),
      seeing_(new NumberField(tr("Seeing today"), QStringLiteral("\u2033"), workspace::kSeeingRange,
                              false, this)),
      level_(new NumberField(tr("Target level"), QStringLiteral("%"), {5.0, 100.0}, false, this)) {
  seeing_->setToolTip(tr("How far the air smears a point: 1.5 is a fine morning, 4 a car park"));
  connect(seeing_, &NumberField::entered, this, [this](double value) {
    workspace::Workspace next = this->document().workspace();
    next.conditions.seeing_arcsec = value;
    this->document().edit(tr("Change seeing"), next, EditKind::kConditions, "seeing");
  });
  level_->setToolTip(tr("Brightest part of the frame against a full pixel"));
  connect(level_, &NumberField::entered, this, [this](double value) {
    workspace::Workspace next = this->document().workspace();
    next.conditions.target_level = value / 100.0;
    this->document().edit(tr("Change target level"), next, EditKind::kConditions, "level");
  });
  auto* row = new Beside(frame_, build_side(), 320, this);
  row->setContentsMargins(16, 12, 16, 12);
}

QWidget* MatchView::build_side() {
  exposure_->setFont(Theme::font(TextSize::kLarge, true));
  exposure_->setObjectName(QStringLiteral("suggested-exposure"));
  exposure_note_->setProperty("role", "faint");
  exposure_note_->setFont(Theme::font(TextSize::kSmall));
  exposure_note_->setWordWrap(true);
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  column->addWidget(heading(tr("Exposure to start with"), side));
  column->addWidget(exposure_);
  column->addWidget(exposure_note_);
  column->addWidget(strip_);
  column->addSpacing(8);
  column->addWidget(heading(tr("What limits the detail"), side));
  column->addWidget(ladder_);
  column->addSpacing(8);
  column->addWidget(figures_);
  column->addStretch(1);
  column->addWidget(seeing_);
  column->addWidget(level_);
  return side;
}

Readiness MatchView::readiness() const {
  const safety::Assessment& safety = document().answers().safety;
  if (safety.verdict == safety::Severity::kStop) {
    return {safety::Severity::kStop, why_of(safety.findings.front())};
  }
  const optics::Train& train = document().answers().train;
  if (!train.disc_fits) {
    return {safety::Severity::kCheck, tr("Needs a telescope and a camera behind it")};
  }
  if (!*train.disc_fits && document().workspace().target == workspace::Target::kWholeDisc) {
    return {safety::Severity::kCheck, tr("The whole disc does not fit the sensor")};
  }
  return {};
}

QString MatchView::exposure_words() const {
  const auto& exposure = document().answers().exposure;
  switch (exposure->limit) {
    case light::ShutterLimit::kTooBright:
      return tr("The shutter's shortest; %1 would be right. Add density or lengthen the focus.")
          .arg(exposure_text(exposure->wanted_ms));
    case light::ShutterLimit::kTooDim:
      return tr("The shutter's longest; %1 would be right.")
          .arg(exposure_text(exposure->wanted_ms));
    case light::ShutterLimit::kNone:
      break;
  }
  return document().answers().train.band.line
             ? tr("Estimate on the line; the true transmission of this etalon decides")
             : tr("Estimate within 30 %; clear air, neutral filter");
}

void MatchView::follow() {
  const workspace::Answers& answers = document().answers();
  const workspace::Conditions& conditions = document().workspace().conditions;
  // Nobody is told how to expose a light path that the rules stop.
  const bool stopped = answers.safety.verdict == safety::Severity::kStop;
  const auto exposure = stopped ? std::nullopt : answers.exposure;
  frame_->follow();
  exposure_->setText(stopped    ? tr("Stop")
                     : exposure ? exposure_text(exposure->exposure_ms)
                                : QStringLiteral("\u2013"));
  exposure_note_->setText(stopped    ? next_step_of(answers.safety.findings.front())
                          : exposure ? exposure_words()
                                     : QString());
  strip_->setVisible(!stopped);
  strip_->show_exposure(exposure);
  ladder_->show_limits(answers.limits);
  seeing_->show_value(conditions.seeing_arcsec);
  level_->show_value(conditions.target_level * 100.0);
  const optics::Train& train = answers.train;
  const QString none = QStringLiteral("\u2013");
  figures_->show_rows(
      {{tr("Sampling"), train.sampling_arcsec_px
                            ? tr("%1\u2033 per pixel").arg(number(*train.sampling_arcsec_px, 2))
                            : none},
       {tr("Whole Sun"),
        train.disc_fits ? (*train.disc_fits ? tr("fits") : tr("is cut off")) : none},
       {tr("Focal ratio"),
        train.focal_ratio ? tr("f/%1").arg(number(*train.focal_ratio, 1)) : none},
       {tr("Critical ratio"),
        train.critical_focal_ratio ? tr("f/%1").arg(number(*train.critical_focal_ratio, 1)) : none,
        tr("Where two pixels catch the lens's finest detail at 540 nm")}});
}

}  // namespace solarchon::app
