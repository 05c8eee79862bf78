// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/rules_menu.h"

#include <QActionGroup>
#include <QMenu>

#include "app/model/phrases.h"

namespace solarchon::app {

RulesMenu::RulesMenu(QWidget* parent) : QToolButton(parent) {
  setObjectName(QStringLiteral("rules-menu"));
  setPopupMode(QToolButton::InstantPopup);
  setToolTip(
      tr("What the rules are told: whose figures for rear etalons, who comes, what is to be "
         "watched"));
  setMenu(new QMenu(this));
  menu()->setToolTipsVisible(true);
  add_schools();
  menu()->addSeparator();
  guests_ = add_flag(tr("Guests or children come near"), &safety::Practice::guests);
  totality_ = add_flag(tr("Totality is to be watched"), &safety::Practice::totality);
  add_inspections();
}

void RulesMenu::add_schools() {
  auto* group = new QActionGroup(this);
  const QStringList reasons{
      tr("The strict school: an ultraviolet and infrared cut before the diagonal above 80 mm"),
      tr("Another school runs up to 120 mm without one, on plain refractors and for short times"),
      tr("The boldest school; above 150 mm all want full-aperture rejection")};
  for (std::size_t i = 0; i < safety::kSchoolsMm.size(); ++i) {
    const QString words =
        tr("Rear etalon: heat rejection above %1 mm").arg(number(safety::kSchoolsMm.at(i), 0));
    QAction* school = menu()->addAction(words, this, [this, i] {
      safety::Practice next = practice_;
      next.school = i;
      emit changed(tr("Choose a school"), next);
    });
    school->setCheckable(true);
    school->setToolTip(reasons.at(static_cast<qsizetype>(i)));
    group->addAction(school);
    schools_.push_back(school);
  }
}

QAction* RulesMenu::add_flag(const QString& words, bool safety::Practice::*flag) {
  QAction* action = menu()->addAction(words, this, [this, words, flag](bool on) {
    safety::Practice next = practice_;
    next.*flag = on;
    emit changed(words, next);
  });
  action->setCheckable(true);
  return action;
}

void RulesMenu::add_inspections() {
  QMenu* inspect = menu()->addMenu(tr("Filters want a look every"));
  for (const int days : {30, 90, 180, 365}) {
    QAction* choice = inspect->addAction(tr("%1 days").arg(days), this, [this, days] {
      safety::Practice next = practice_;
      next.inspection_days = days;
      emit changed(tr("Choose days between inspections"), next);
    });
    choice->setCheckable(true);
    choice->setData(days);
    inspections_.push_back(choice);
  }
}

void RulesMenu::show_practice(const safety::Practice& practice) {
  practice_ = practice;
  for (std::size_t i = 0; i < schools_.size(); ++i) {
    schools_[i]->setChecked(i == practice.school);
  }
  for (QAction* choice : inspections_) {
    choice->setChecked(choice->data().toInt() == practice.inspection_days);
  }
  guests_->setChecked(practice.guests);
  totality_->setChecked(practice.totality);
  setText(practice.school == 0
              ? tr("Rules")
              : tr("Rules: %1 mm school").arg(number(safety::kSchoolsMm.at(practice.school), 0)));
}

}  // namespace solarchon::app
