// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/care_sheet.h"

#include <QDate>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

CareSheet::CareSheet(bool tunable, QWidget* parent)
    : QWidget(parent),
      inspected_(new PlainLabel(this)),
      keep_(new QPushButton(tr("Keep in my kit"), this)) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 8, 0, 0);
  column->setSpacing(4);
  auto* row = new QHBoxLayout;
  auto* today = new QPushButton(tr("Inspected today"), this);
  today->setObjectName(QStringLiteral("inspected-today"));
  today->setToolTip(tr("Held against a bright lamp: no pinhole, no scratch, no loose film"));
  inspected_->setObjectName(QStringLiteral("inspected"));
  inspected_->setWordWrap(true);
  row->addWidget(inspected_, 1);
  row->addWidget(today);
  column->addLayout(row);
  lines_.push_back({add_line(tr("Defect found"),
                             tr("Leave empty when there is none; a part with a "
                                "defect is not to be used"),
                             &optics::Care::defect),
                    &optics::Care::defect});
  lines_.push_back({add_line(tr("Serial"), tr("As engraved on the part"), &optics::Care::serial),
                    &optics::Care::serial});
  lines_.push_back(
      {add_line(tr("Notes"), tr("Anything worth knowing next time"), &optics::Care::notes),
       &optics::Care::notes});
  if (tunable) {
    add_tuning();
  }
  keep_->setObjectName(QStringLiteral("keep-in-kit"));
  keep_->setToolTip(tr("Your kit is searched first when parts are chosen or suggested"));
  column->addWidget(keep_);
  connect(keep_, &QPushButton::clicked, this, &CareSheet::keepAsked);
  connect(today, &QPushButton::clicked, this, &CareSheet::inspectedToday);
}

QLineEdit* CareSheet::add_line(const QString& label, const QString& reason,
                               std::string optics::Care::*member) {
  auto* row = new QHBoxLayout;
  auto* name = new PlainLabel(label, this);
  auto* edit = new QLineEdit(this);
  name->setBuddy(edit);
  edit->setAccessibleName(label);
  edit->setToolTip(reason);
  constexpr int kLongest = 2000;
  edit->setMaxLength(kLongest);
  row->addWidget(name);
  row->addWidget(edit, 1);
  static_cast<QVBoxLayout*>(layout())->addLayout(row);
  connect(edit, &QLineEdit::editingFinished, this, [this, edit, member] {
    const std::string entered = edit->text().trimmed().toStdString();
    if (care_.*member != entered) {
      care_.*member = entered;
      emit changed(care_);
    }
  });
  return edit;
}

void CareSheet::add_tuning() {
  auto* caption = new PlainLabel(tr("Settings that were best"), this);
  tuning_ = new QListWidget(this);
  tuning_->setObjectName(QStringLiteral("tuning-history"));
  tuning_->setAccessibleName(caption->text());
  tuning_->setFixedHeight(Theme::px(84));
  auto* purpose = new QLineEdit(this);
  purpose->setObjectName(QStringLiteral("tuning-purpose"));
  purpose->setAccessibleName(tr("What it was best for"));
  purpose->setPlaceholderText(tr("what for: prominences, morning\u2026"));
  constexpr int kLongestPurpose = 200;
  purpose->setMaxLength(kLongestPurpose);
  auto* setting =
      new NumberField(tr("Setting"), QStringLiteral("\u00c5"), {-5.0, 5.0}, false, this);
  setting->setToolTip(
      tr("From the middle of the range, red positive; Enter keeps it with the date"));
  connect(setting, &NumberField::entered, this, [this, purpose](double value) {
    care_.tuning.push_back({QDate::currentDate().toString(Qt::ISODate).toStdString(), value,
                            purpose->text().trimmed().toStdString()});
    purpose->clear();
    emit changed(care_);
  });
  for (QWidget* widget : {static_cast<QWidget*>(caption), static_cast<QWidget*>(tuning_),
                          static_cast<QWidget*>(purpose), static_cast<QWidget*>(setting)}) {
    layout()->addWidget(widget);
  }
}

void CareSheet::show_care(const optics::Care& care, bool in_kit) {
  care_ = care;
  inspected_->setText(care.inspected.empty() ? tr("No inspection logged")
                                             : tr("Inspected on %1").arg(text(care.inspected)));
  for (const Line& line : lines_) {
    if (!line.edit->hasFocus()) {
      line.edit->setText(text(care.*line.text));
    }
  }
  keep_->setText(in_kit ? tr("In your kit; update it") : tr("Keep in my kit"));
  if (tuning_ != nullptr) {
    tuning_->clear();
    for (const optics::TuningNote& note : care.tuning) {
      tuning_->addItem(
          QStringLiteral("%1   %2 \u00c5   %3")
              .arg(text(note.date), number(note.setting_angstrom, 2), text(note.note)));
    }
    tuning_->scrollToBottom();
  }
}

}  // namespace solarchon::app
