// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/day_view.h"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/elided_label.h"
#include "app/shell/theme.h"
#include "app/views/uncovered_line.h"

namespace solarchon::app {

DayView::DayView(const Models& models, QWidget* parent)
    : View(models, parent),
      title_(new ElidedLabel(this)),
      sky_(new SkyPage(models, this)),
      plan_(new PlanPage(models, this)),
      kit_(new KitPage(models, this)),
      year_(new YearPage(models, this)) {
  title_->setFont(Theme::font(TextSize::kLarge, true));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(16, 12, 16, 12);
  column->setSpacing(6);
  auto* head = new QHBoxLayout;
  head->setSpacing(12);
  column->addLayout(head);
  column->addWidget(new UncoveredLine(models.document, this));
  pages_ = new Pages(
      {{"day", tr("Sky"), tr("The Sun's path over your horizon"), sky_},
       {"day-plan", tr("Plan"), tr("Runs, and what must start when"), plan_},
       {"day-ready", tr("Ready"), tr("Power, disk, and what is to be done before the day"), kit_},
       {"day-year", tr("Year"), tr("The year at a glance, and the best windows to come"), year_}},
      *column, this);
  head->addWidget(title_, 1);
  head->addWidget(pages_);
  connect(pages_, &Pages::turned, this, &DayView::follow);
  connect(year_, &YearPage::planAsked, this, [this] { pages_->turn_to("day-plan"); });
}

void DayView::show_page(const QString& id) { pages_->turn_to(id); }

QString DayView::page() const { return pages_->id(); }

void DayView::open_file(const QString& file) {
  if (pages_->shown() != plan_) {
    sky_->open_horizon_file(file);
  } else if (QFileInfo(file).suffix().toLower() == QLatin1String("ics")) {
    plan_->open_calendar_file(file);
  } else {
    plan_->open_forecast_file(file);
  }
}

Readiness DayView::readiness() const {
  if (document().answers().local.altitude_deg < 0.0) {
    return {safety::Severity::kCheck, tr("The Sun is below the horizon")};
  }
  if (!document().plan().conflicts.empty()) {
    return {safety::Severity::kCheck, tr("Something stands in the way of the plan")};
  }
  return {};
}

bool DayView::settled() const { return pages_->shown() != year_ || year_->settled(); }

void DayView::restyle() {
  follow();
  update();
}

void DayView::follow() {
  title_->setText(tr("%1, %2").arg(date_at(document().moment(), document().zone()),
                                   text(document().workspace().site.name)));
  if (pages_->shown() == sky_) {
    sky_->follow();
  } else if (pages_->shown() == plan_) {
    plan_->follow();
  } else if (pages_->shown() == kit_) {
    kit_->follow();
  } else {
    year_->follow();
  }
}

}  // namespace solarchon::app
