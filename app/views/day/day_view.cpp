// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/day_view.h"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/elided_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

/// In the order of DayView::Page.
const QStringList& page_ids() {
  static const QStringList kIds{"day", "day-plan", "day-ready", "day-year"};
  return kIds;
}

}  // namespace

DayView::DayView(const Models& models, QWidget* parent)
    : View(models, parent),
      title_(new ElidedLabel(this)),
      switch_(new QButtonGroup(this)),
      sky_(new SkyPage(models, this)),
      plan_(new PlanPage(models, this)),
      kit_(new KitPage(models, this)),
      year_(new YearPage(models, this)),
      pages_{sky_, plan_, kit_, year_} {
  title_->setFont(Theme::font(TextSize::kLarge, true));
  auto* head = new QHBoxLayout;
  head->setSpacing(0);
  head->addWidget(title_, 1);
  head->addSpacing(12);
  build_switch(*head);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(16, 12, 16, 12);
  column->setSpacing(6);
  column->addLayout(head);
  for (QWidget* page : pages_) {
    page->hide();  // what is hidden asks for no room
    column->addWidget(page, 1);
  }
  sky_->show();
  connect(year_, &YearPage::planAsked, this, [this] { turn_to(kPlan); });
}

void DayView::build_switch(QLayout& row) {
  const QString names[] = {tr("Sky"), tr("Plan"), tr("Ready"), tr("Year")};
  const QString reasons[] = {tr("The Sun's path over your horizon"),
                             tr("Runs, and what must start when"),
                             tr("Power, disk, and what is to be done before the day"),
                             tr("The year at a glance, and the best windows to come")};
  for (int page = kSky; page <= kYear; ++page) {
    auto* button = new QPushButton(names[page], this);
    button->setObjectName("page-" + page_ids().at(page));
    button->setCheckable(true);
    button->setProperty("switch", true);
    button->setProperty("first", page == kSky);  // the others share their left edges
    button->setToolTip(reasons[page]);
    button->setMinimumWidth(Theme::px(76));
    switch_->addButton(button, page);
    row.addWidget(button);
  }
  switch_->button(kSky)->setChecked(true);
  connect(switch_, &QButtonGroup::idClicked, this, &DayView::turn_to);
}

void DayView::show_page(const QString& id) {
  if (const auto page = page_ids().indexOf(id); page >= 0) {
    turn_to(static_cast<int>(page));
  }
}

QString DayView::page() const { return page_ids().at(shown_); }

void DayView::open_file(const QString& file) {
  if (shown_ != kPlan) {
    sky_->open_horizon_file(file);
  } else if (QFileInfo(file).suffix().toLower() == QLatin1String("ics")) {
    plan_->open_calendar_file(file);
  } else {
    plan_->open_forecast_file(file);
  }
}

void DayView::turn_to(int page) {
  switch_->button(page)->setChecked(true);
  pages_.at(static_cast<std::size_t>(shown_))->hide();
  pages_.at(static_cast<std::size_t>(page))->show();
  shown_ = page;
  follow();
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

bool DayView::settled() const { return shown_ != kYear || year_->settled(); }

void DayView::restyle() {
  follow();
  update();
}

void DayView::follow() {
  title_->setText(tr("%1, %2").arg(date_at(document().moment(), document().zone()),
                                   text(document().workspace().site.name)));
  switch (shown_) {
    case kSky:
      sky_->follow();
      break;
    case kPlan:
      plan_->follow();
      break;
    case kReady:
      kit_->follow();
      break;
    default:
      year_->follow();
  }
}

}  // namespace solarchon::app
