// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/context_strip.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QPainter>
#include <QVBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

/// A large figure over a small line.
QVBoxLayout* stack(QLabel* large, QLabel* small) {
  large->setFont(Theme::font(TextSize::kLarge, true));
  small->setFont(Theme::font(TextSize::kSmall));
  small->setProperty("role", "faint");
  auto* column = new QVBoxLayout;
  column->setSpacing(0);
  column->addWidget(large);
  column->addWidget(small);
  return column;
}

/// What the Sun does next today, and when.
QString next_event(const Document& document) {
  const sky::SunDay& day = document.day();
  const QTimeZone zone = document.zone();
  if (day.polar == sky::PolarState::kMidnightSun) {
    return QObject::tr("Sun up all day");
  }
  if (day.polar == sky::PolarState::kPolarNight) {
    return QObject::tr("Sun down all day");
  }
  const std::pair<std::optional<sky::UtcTime>, QString> events[] = {
      {day.sunrise, QObject::tr("Sun rises %1")},
      {day.transit, QObject::tr("Sun highest %1")},
      {day.sunset, QObject::tr("Sun sets %1")}};
  for (const auto& [time, words] : events) {
    if (time && *time > document.moment()) {
      return words.arg(clock_at(*time, zone));
    }
  }
  return QObject::tr("Sun down until tomorrow");
}

}  // namespace

ContextStrip::ContextStrip(Document& document, Kit& kit, QWidget* parent)
    : QWidget(parent),
      document_(document),
      site_(new Chip(tr("Site"), 176, this)),
      rig_(new Chip(tr("Rig"), 260, this)),
      target_(new Chip(tr("Target"), 132, this)),
      site_in_hand_(document, kit.sites()),
      path_in_hand_(document, kit.paths()),
      site_sheet_(new SiteSheet(document, site_in_hand_, this)),
      path_sheet_(new PathSheet(path_in_hand_, this)),
      clock_(new PlainLabel(this)),
      zone_(new PlainLabel(this)),
      height_(new PlainLabel(this)),
      event_(new PlainLabel(this)),
      verdict_(new VerdictBadge(this)) {
  setMinimumHeight(Theme::px(64));
  setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Minimum);  // higher when stacked
  auto* chips = new QWidget(this);
  auto* choices = new QHBoxLayout(chips);
  choices->setContentsMargins(0, 0, 0, 0);
  choices->setSpacing(8);
  choices->addWidget(site_);
  choices->addWidget(rig_);
  choices->addWidget(target_);
  choices->addStretch(1);
  auto* facts = new QWidget(this);
  auto* figures = new QHBoxLayout(facts);
  figures->setContentsMargins(0, 0, 0, 0);
  figures->addLayout(stack(clock_, zone_));
  figures->addSpacing(16);
  figures->addLayout(stack(height_, event_));
  figures->addSpacing(12);
  figures->addWidget(verdict_);
  auto* row = new PictureWithPanel(chips, facts, 0, this);
  row->setContentsMargins(12, 6, 12, 6);
  clock_->setAccessibleName(tr("Time at the site"));
  height_->setAccessibleName(tr("Height of the Sun"));
  clock_->setObjectName(QStringLiteral("clock"));
  height_->setObjectName(QStringLiteral("sun-height"));
  event_->setObjectName(QStringLiteral("next-event"));
  site_->setObjectName(QStringLiteral("site-chip"));
  rig_->setObjectName(QStringLiteral("rig-chip"));
  build_target_menu();
  drop_from(*site_, *site_sheet_);
  drop_from(*rig_, *path_sheet_);
  connect(site_sheet_, &SiteSheet::hinted, this, &ContextStrip::hinted);
  connect(path_sheet_, &PathSheet::hinted, this, &ContextStrip::hinted);
  connect(verdict_, &QAbstractButton::clicked, this, &ContextStrip::verdictAsked);
  connect(&document_, &Document::changed, this, &ContextStrip::follow);
  connect(&document_, &Document::clockMoved, this, &ContextStrip::follow);
  follow();
}

void ContextStrip::drop_from(Chip& chip, DropSheet& sheet) {
  connect(&chip, &QToolButton::clicked, this, [&chip, &sheet] { sheet.drop_from(chip); });
}

void ContextStrip::build_target_menu() {
  auto* target_menu = new QMenu(target_);
  using workspace::Target;
  for (const Target target :
       {Target::kWholeDisc, Target::kLargestSpot, Target::kLimb, Target::kGranulation,
        Target::kFaculae, Target::kProminence, Target::kFilament, Target::kPlage}) {
    if (target == Target::kGranulation || target == Target::kProminence) {
      // What is seen in white light alone, and in hydrogen alpha alone.
      target_menu->addSection(target == Target::kGranulation ? tr("White light")
                                                             : tr("Hydrogen alpha"));
    }
    target_menu->addAction(name_of(target), this, [this, target] {
      workspace::Workspace next = document_.workspace();
      next.target = target;
      next.aim.reset();
      document_.edit(tr("Choose target"), next);
    });
  }
  target_->setMenu(target_menu);
}

void ContextStrip::follow() {
  const workspace::Workspace& workspace = document_.workspace();
  const workspace::Answers& answers = document_.answers();
  site_->show_choice(QString::fromStdString(workspace.site.name));
  rig_->show_choice(QString::fromStdString(workspace.rig.name));
  target_->show_choice(name_of(workspace.target));
  const QTimeZone zone = document_.zone();
  clock_->setText(clock_at(document_.moment(), zone, document_.live()));
  zone_->setText(
      tr("%1 \u00b7 %2 UTC")
          .arg(date_at(document_.moment(), zone), clock_at(document_.moment(), QTimeZone::utc())));
  height_->setText(tr("%1\u00b0 high").arg(number(answers.local.altitude_deg, 1)));
  event_->setText(next_event(document_));
  const safety::Assessment& safety = answers.safety;
  verdict_->show_verdict(safety.verdict,
                         safety.findings.empty()
                             ? tr("No rule objects, as far as the light path is what it says. "
                                  "Maker's instructions come first.")
                             : what_can_happen(safety.findings.front()));
}

void ContextStrip::paintEvent(QPaintEvent* /*event*/) {
  QPainter painter(this);
  painter.setPen(Theme::line(Theme::colours().rule, 1.0));
  painter.drawLine(0, height() - 1, width(), height() - 1);
}

}  // namespace solarchon::app
