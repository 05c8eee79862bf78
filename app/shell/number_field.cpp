// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/number_field.h"

#include <QGridLayout>
#include <QKeyEvent>
#include <QLocale>
#include <QStyle>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

NumberField::NumberField(const QString& label, const QString& unit, base::Range range, bool whole,
                         QWidget* parent)
    : QWidget(parent),
      range_(range),
      whole_(whole),
      edit_(new QLineEdit(this)),
      problem_(new PlainLabel(this)) {
  auto* name = new PlainLabel(label, this);
  name->setBuddy(edit_);
  auto* unit_label = new PlainLabel(unit, this);
  unit_label->setProperty("role", "faint");
  unit_label->setMinimumWidth(Theme::px(32));
  edit_->setAccessibleName(unit.isEmpty() ? label : tr("%1 in %2").arg(label, unit));
  edit_->setAlignment(Qt::AlignRight);
  edit_->setFixedWidth(Theme::px(96));
  problem_->setProperty("role", "error");
  problem_->setFont(Theme::font(TextSize::kSmall));
  problem_->setWordWrap(true);
  problem_->hide();
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(0);
  grid->addWidget(name, 0, 0);
  grid->setColumnStretch(0, 1);
  grid->addWidget(edit_, 0, 1);
  grid->addWidget(unit_label, 0, 2);
  grid->addWidget(problem_, 1, 0, 1, 3);
  if (label.isEmpty() && unit.isEmpty()) {  // its place says what it is
    name->hide();
    unit_label->hide();
  }
  edit_->installEventFilter(this);
  connect(edit_, &QLineEdit::editingFinished, this, &NumberField::read);
}

bool NumberField::eventFilter(QObject* watched, QEvent* event) {
  // A field that nothing was typed into leaves undo and redo to the workspace.
  if (event->type() == QEvent::ShortcutOverride && !edit_->isModified()) {
    const auto* key = dynamic_cast<QKeyEvent*>(event);
    if (key->matches(QKeySequence::Undo) || key->matches(QKeySequence::Redo)) {
      event->ignore();
      return true;
    }
  }
  return QWidget::eventFilter(watched, event);
}

void NumberField::allow_empty(const QString& placeholder) {
  may_be_empty_ = true;
  edit_->setPlaceholderText(placeholder);
}

void NumberField::show_zero_as(const QString& words) {
  zero_has_words_ = true;
  edit_->setPlaceholderText(words);
}

void NumberField::show_value(double value) {
  value_ = value;
  if (edit_->hasFocus() && edit_->isModified()) {
    return;
  }
  edit_->setText(zero_has_words_ && value == 0.0 ? QString() : QLocale().toString(value, 'g', 8));
  set_problem({});
}

void NumberField::clear() {
  value_.reset();
  edit_->clear();
  set_problem({});
}

void NumberField::read() {
  if (!edit_->isModified()) {
    return;
  }
  const QString typed = edit_->text().trimmed().isEmpty() && zero_has_words_
                            ? QStringLiteral("0")
                            : edit_->text().trimmed();
  if (typed.isEmpty() && may_be_empty_) {
    edit_->setModified(false);
    set_problem({});
    emit emptied();
    return;
  }
  bool understood = false;
  double value = QLocale().toDouble(typed, &understood);
  if (!understood) {
    value = QLocale::c().toDouble(typed, &understood);
  }
  if (!understood || (whole_ && value != std::floor(value))) {
    set_problem(whole_ ? tr("needs a whole number") : tr("needs a number"));
    return;
  }
  const auto checked = base::checked({}, value, range_);
  if (!checked) {
    set_problem(beside_field_text(checked.error()));
    return;
  }
  if (zero_has_words_ && value == 0.0) {
    edit_->clear();  // its words stand there
  }
  edit_->setModified(false);
  set_problem({});
  if (value != value_) {
    value_ = value;
    emit entered(value);
  }
}

void NumberField::set_problem(const QString& words) {
  problem_->setText(words);
  problem_->setVisible(!words.isEmpty());
  edit_->setProperty("bad", !words.isEmpty());
  edit_->style()->polish(edit_);
}

}  // namespace solarchon::app
