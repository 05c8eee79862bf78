// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/part_sheet.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QVBoxLayout>
#include <algorithm>

#include "app/model/kit.h"
#include "app/model/part_words.h"
#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "solarchon/sky/time.h"

namespace solarchon::app {

namespace {

constexpr base::Range kLengthRange{0.0, 5000.0};
constexpr std::string_view kLength = "length_mm";

}  // namespace

PartSheet::PartSheet(const Models& models, QWidget* parent)
    : QWidget(parent), document_(models.document), kit_(models.kit) {
  setObjectName(QStringLiteral("part-sheet"));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
}

template <typename Change>
void PartSheet::change(const QString& what, const std::string& subject, Change change) {
  workspace::Workspace next = document_.workspace();
  for (optics::Element& element : next.rig.elements) {
    if (element.id == shown_id_) {
      change(element);
    }
  }
  document_.edit(what, next, EditKind::kParameter, shown_id_ + "." + subject);
}

void PartSheet::add_number(std::string_view key, base::Range range, bool whole) {
  const ParameterWords words = parameter_words(key);
  auto* field = new NumberField(words.label, words.unit, range, whole, page_);
  field->setToolTip(words.reason);
  if (const QString none = zero_words(key); range.low == 0.0 && !none.isEmpty()) {
    field->show_zero_as(none);
  }
  const std::string name(key);
  connect(field, &NumberField::entered, this, [this, name, words](double value) {
    change(tr("Change: %1").arg(words.label), name, [&](optics::Element& element) {
      if (name == kLength) {
        element.length_mm = value;
      } else {
        optics::set_parameter(element.part, name, value);
      }
    });
  });
  page_->layout()->addWidget(field);
  rows_.push_back({name, field, [field, name](const optics::Element& element) {
                     field->show_value(name == kLength ? element.length_mm
                                                       : optics::parameter(element.part, name));
                   }});
}

void PartSheet::add_flag(std::string_view key) {
  const ParameterWords words = parameter_words(key);
  auto* box = new QCheckBox(words.label, page_);
  box->setObjectName(text(key));
  box->setToolTip(words.reason);
  const std::string name(key);
  connect(box, &QCheckBox::clicked, this, [this, name, words](bool on) {
    change(tr("Change: %1").arg(words.label), name, [&](optics::Element& element) {
      optics::set_parameter(element.part, name, on ? 1.0 : 0.0);
    });
  });
  page_->layout()->addWidget(box);
  rows_.push_back({name, nullptr, [box, name](const optics::Element& element) {
                     box->setChecked(optics::parameter(element.part, name) != 0.0);
                   }});
}

QComboBox* PartSheet::add_combo(const QString& label, const QString& reason,
                                const QStringList& items) {
  auto* row = new QHBoxLayout;
  auto* name = new PlainLabel(label, page_);
  auto* combo = new QComboBox(page_);
  combo->addItems(items);
  combo->setAccessibleName(label);
  combo->setToolTip(reason);
  combo->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  combo->setMinimumContentsLength(12);
  combo->setFocusPolicy(Qt::StrongFocus);
  name->setBuddy(combo);
  row->addWidget(name);
  row->addWidget(combo, 1);
  static_cast<QVBoxLayout*>(page_->layout())->addLayout(row);
  return combo;
}

void PartSheet::add_choice(std::string_view key, const std::vector<std::string>& words) {
  const ParameterWords label = parameter_words(key);
  QStringList items;
  for (const std::string& word : words) {
    items << choice_word(word);
  }
  QComboBox* combo = add_combo(label.label, label.reason, items);
  combo->setObjectName(text(key));
  const std::string name(key);
  connect(combo, &QComboBox::activated, this, [this, name, label](int index) {
    change(tr("Change: %1").arg(label.label), name,
           [&](optics::Element& element) { optics::set_parameter(element.part, name, index); });
  });
  rows_.push_back({name, nullptr, [combo, name](const optics::Element& element) {
                     combo->setCurrentIndex(
                         static_cast<int>(optics::parameter(element.part, name)));
                   }});
}

void PartSheet::add_face(const QString& label, optics::Face optics::Element::*face) {
  QStringList items;
  for (std::size_t i = 0; i < optics::kFaceWords.size(); ++i) {
    items << face_name(static_cast<optics::Face>(i));
  }
  QComboBox* combo = add_combo(
      label, tr("What it offers to its neighbour: a barrel, a holder or a thread"), items);
  connect(combo, &QComboBox::activated, this, [this, face](int index) {
    change(tr("Change connection"), "connection",
           [&](optics::Element& element) { element.*face = static_cast<optics::Face>(index); });
  });
  rows_.push_back({label.toStdString(), nullptr, [combo, face](const optics::Element& element) {
                     combo->setCurrentIndex(static_cast<int>(element.*face));
                   }});
}

void PartSheet::add_name() {
  name_ = new QLineEdit(page_);
  name_->setObjectName(QStringLiteral("part-name"));
  name_->setAccessibleName(tr("Name of the part"));
  name_->setToolTip(tr("What you call this part"));
  connect(name_, &QLineEdit::editingFinished, this, [this] {
    const std::string name = name_->text().trimmed().toStdString();
    if (!name.empty()) {
      change(tr("Rename part"), "name", [&](optics::Element& edited) { edited.name = name; });
    }
  });
  page_->layout()->addWidget(name_);
}

void PartSheet::add_care(bool tunable) {
  auto* care = new CareSheet(tunable, page_);
  connect(care, &CareSheet::changed, this, [this](const optics::Care& changed) {
    change(tr("Change record of part"), "care",
           [&](optics::Element& element) { element.care = changed; });
  });
  connect(care, &CareSheet::inspectedToday, this, [this] {
    const std::string today = sky::to_iso(document_.moment()).substr(0, 10);
    change(tr("Log inspection"), "inspected",
           [&](optics::Element& element) { element.care.inspected = today; });
  });
  connect(care, &CareSheet::keepAsked, this, &PartSheet::keep);
  page_->layout()->addWidget(care);
  rows_.push_back({"care", nullptr, [care](const optics::Element& element) {
                     care->show_care(element.care, !element.kit_id.empty());
                   }});
}

void PartSheet::keep() {
  for (const optics::Element& element : document_.workspace().rig.elements) {
    if (element.id == shown_id_) {
      // The kit and the light path's word of it, as one step of undo.
      document_.undo().beginMacro(tr("Keep part in kit"));
      const std::string kit_id = kit_.keep(element);
      change(tr("Keep part in kit"), "kit", [&](optics::Element& kept) { kept.kit_id = kit_id; });
      document_.undo().endMacro();
      return;
    }
  }
}

void PartSheet::rebuild(const optics::Element& element) {
  delete page_;
  rows_.clear();
  page_ = new QWidget(this);
  auto* column = new QVBoxLayout(page_);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  add_name();
  for (const optics::Parameter& parameter : optics::parameters_of(element.part)) {
    switch (parameter.form) {
      case optics::Form::kFlag:
        add_flag(parameter.key);
        break;
      case optics::Form::kChoice:
        add_choice(parameter.key, parameter.words);
        break;
      default:
        add_number(parameter.key, parameter.range, parameter.form == optics::Form::kWhole);
    }
  }
  const optics::Zone zone = optics::zone_of(element.part);
  const bool inside = std::holds_alternative<optics::InnerEtalon>(element.part);
  const bool behind = !inside && (zone == optics::Zone::kRear || zone == optics::Zone::kEnd);
  if (behind) {
    add_number(kLength, kLengthRange, false);
    add_face(tr("Towards the Sun"), &optics::Element::front_face);
  }
  if (behind || zone == optics::Zone::kTelescope) {
    add_face(tr("Towards the end"), &optics::Element::rear_face);
  }
  add_care(std::holds_alternative<optics::RearEtalon>(element.part) ||
           std::holds_alternative<optics::FrontEtalon>(element.part) ||
           std::holds_alternative<optics::InnerEtalon>(element.part));
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
  if (element.id != shown_id_ || element.part.index() != shown_kind_ || page_ == nullptr) {
    shown_id_ = element.id;
    shown_kind_ = element.part.index();
    rebuild(element);
  }
  if (!name_->hasFocus()) {
    name_->setText(text(element.name));
    name_->home(false);
  }
  for (const Row& row : rows_) {
    row.show(element);
  }
}

NumberField* PartSheet::field(std::string_view key) const {
  const auto found =
      std::find_if(rows_.begin(), rows_.end(), [&](const Row& row) { return row.key == key; });
  return found == rows_.end() ? nullptr : found->field;
}

}  // namespace solarchon::app
