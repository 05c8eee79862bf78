// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/field_view.h"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/elided_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

FieldView::FieldView(const Models& models, QWidget* parent)
    : View(models, parent),
      title_(new ElidedLabel(this)),
      steps_(new StepsPage(models, this)),
      prepare_(new PreparePage(models, this)),
      north_(new NorthPage(models, this)),
      find_(new FindPage(models, this)),
      drift_(new DriftPage(models, this)),
      track_(new TrackPage(models, this)),
      mount_(new MountPage(models, this)) {
  title_->setProperty("role", "faint");
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(16, 12, 16, 12);
  column->setSpacing(6);
  auto* head = new QHBoxLayout;
  head->setSpacing(12);
  column->addLayout(head);
  pages_ = new Pages(
      {{"field", tr("Steps"), tr("What to do next, in an order that cannot hurt"), steps_},
       {"field-prepare", tr("Prepare"), tr("At the table: templates at true scale, and dew"),
        prepare_},
       {"field-north", tr("North"), tr("Bring the axis under the pole by day"), north_},
       {"field-find", tr("Find"), tr("Bring the Sun into the field without looking"), find_},
       {"field-drift", tr("Drift"), tr("The axis by the way in which the Sun drifts"), drift_},
       {"field-track", tr("Track"), tr("Where the Sun will wander in the field"), track_},
       {"field-mount", tr("Mount"), tr("Drive the mount, or rehearse with one"), mount_}},
      *column, this);
  head->addWidget(title_, 1);
  head->addWidget(pages_);
  connect(pages_, &Pages::turned, this, &FieldView::follow);
  connect(steps_, &StepsPage::howAsked, pages_, &Pages::turn_to);
}

void FieldView::show_page(const QString& id) { pages_->turn_to(id); }

QString FieldView::page() const { return pages_->id(); }

Readiness FieldView::readiness() const {
  if (document().answers().safety.verdict == safety::Severity::kStop) {
    return {safety::Severity::kStop, tr("This light path must not be turned to the Sun")};
  }
  if (document().answers().local.altitude_deg < 0.0) {
    return {safety::Severity::kCheck, tr("The Sun is below the horizon")};
  }
  return {};
}

void FieldView::restyle() {
  follow();
  update();
}

void FieldView::follow() {
  title_->setText(text(document().workspace().rig.name));
  if (pages_->shown() == steps_) {
    steps_->follow();
  } else if (pages_->shown() == prepare_) {
    prepare_->follow();
  } else if (pages_->shown() == north_) {
    north_->follow();
  } else if (pages_->shown() == find_) {
    find_->follow();
  } else if (pages_->shown() == drift_) {
    drift_->follow();
  } else if (pages_->shown() == track_) {
    track_->follow();
  } else {
    mount_->follow();
  }
}

}  // namespace solarchon::app
