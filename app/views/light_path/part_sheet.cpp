// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/part_sheet.h"

#include <QVBoxLayout>
#include <algorithm>

#include "app/shell/phrases.h"

namespace solarchon::app {

namespace {

constexpr base::Range kLengthRange{0.0, 5000.0};
constexpr std::string_view kLength = "length_mm";

}  // namespace

PartSheet::PartSheet(Document& document, QWidget* parent) : QWidget(parent), document_(document) {
  setObjectName(QStringLiteral("part-sheet"));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
}

template <typename Change>
void PartSheet::change(const QString& what, Change change) {
  workspace::Workspace next = document_.workspace();
  for (optics::Element& element : next.rig.elements) {
    if (element.id == shown_id_) {
      change(element);
    }
  }
  document_.edit(what, next, EditKind::kParameter);
}

void PartSheet::add_number(std::string_view key, base::Range range, bool whole) {
  const ParameterWords words = parameter_words(key);
  auto* field = new NumberField(words.label, words.unit, range, whole, page_);
  field->setToolTip(words.reason);
  connect(field, &NumberField::entered, this, [this, name = std::string(key), words](double value) {
    change(tr("Change %1").arg(words.label.toLower()), [&](optics::Element& element) {
      if (name == kLength) {
        element.length_mm = value;
      } else {
        optics::set_parameter(element.part, name, value);
      }
    });
  });
  page_->layout()->addWidget(field);
  rows_.push_back({std::string(key), field});
}

void PartSheet::rebuild(const optics::Element& element) {
  delete page_;
  rows_.clear();
  certified_ = nullptr;
  page_ = new QWidget(this);
  auto* column = new QVBoxLayout(page_);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  name_ = new QLineEdit(page_);
  name_->setAccessibleName(tr("Name of the part"));
  name_->setToolTip(tr("What you call this part"));
  connect(name_, &QLineEdit::editingFinished, this, [this] {
    const std::string name = name_->text().trimmed().toStdString();
    if (!name.empty()) {
      change(tr("Rename part"), [&](optics::Element& edited) { edited.name = name; });
    }
  });
  column->addWidget(name_);
  for (const optics::Parameter& parameter : optics::parameters_of(element.part)) {
    add_number(parameter.key, parameter.range, parameter.whole);
  }
  const std::string_view kind = optics::kind_of(element.part);
  if (kind != "front-film" && kind != "refractor") {
    add_number(kLength, kLengthRange, false);
  }
  if (kind == "front-film") {
    certified_ = new QCheckBox(tr("Certified for the Sun"), page_);
    connect(certified_, &QCheckBox::clicked, this, [this](bool on) {
      change(tr("Change certificate"), [&](optics::Element& edited) {
        std::get<optics::FrontFilm>(edited.part).certified = on;
      });
    });
    column->addWidget(certified_);
  }
  layout()->addWidget(page_);
}

void PartSheet::show_element(int index) {
  const auto& elements = document_.workspace().rig.elements;
  if (index < 0 || index >= static_cast<int>(elements.size())) {
    delete page_;
    page_ = nullptr;
    shown_id_.clear();
    return;
  }
  const optics::Element& element = elements[static_cast<std::size_t>(index)];
  if (element.id != shown_id_ || page_ == nullptr) {
    shown_id_ = element.id;
    rebuild(element);
  }
  if (!name_->hasFocus()) {
    name_->setText(text(element.name));
  }
  for (const Row& row : rows_) {
    row.field->show_value(row.key == kLength ? element.length_mm
                                             : optics::parameter(element.part, row.key));
  }
  if (certified_ != nullptr) {
    certified_->setChecked(std::get<optics::FrontFilm>(element.part).certified);
  }
}

NumberField* PartSheet::field(std::string_view key) const {
  const auto found =
      std::find_if(rows_.begin(), rows_.end(), [&](const Row& row) { return row.key == key; });
  return found == rows_.end() ? nullptr : found->field;
}

}  // namespace solarchon::app
