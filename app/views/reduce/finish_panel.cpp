// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/reduce/finish_panel.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/switches.h"
#include "app/shell/theme.h"

namespace solarchon::app {

using reduce::FinishWishes;
using reduce::Tint;

namespace {

constexpr base::Range kLayerRange{0.0, 10.0};
constexpr base::Range kGateRange{0.0, 20.0};
constexpr base::Range kRadiusRange{8.0, 5000.0};

RecipeStep detail_step(std::size_t layer) {
  return static_cast<RecipeStep>(static_cast<int>(RecipeStep::kFinestDetail) +
                                 static_cast<int>(layer));
}

QLabel* heading(const QString& words, QWidget* parent) {
  auto* label = new PlainLabel(words, parent);
  label->setFont(Theme::font(TextSize::kMedium, true));
  return label;
}

}  // namespace

FinishPanel::FinishPanel(Reduction& reduction, QWidget* parent)
    : QWidget(parent),
      reduction_(reduction),
      gate_(new NumberField(tr("Noise up to"), tr("\u03c3"), kGateRange, false, this)),
      flatten_(tick_box(tr("Flat limb"), "reduce-flatten",
                        tr("Takes out how the disc darkens towards its limb"), this)),
      north_(tick_box(tr("North up"), "reduce-north",
                      tr("Centres the disc and turns solar north up, by what the picture knows of "
                         "its orientation"),
                      this)),
      caption_(tick_box(tr("Caption"), "reduce-caption",
                        tr("A strip below what is written: when, with what and in which light, a "
                           "scale, the Earth, and north"),
                        this)),
      radius_(new NumberField(tr("Disc radius"), tr("px"), kRadiusRange, false, this)),
      prominences_(new QPushButton(this)),
      tints_(new QButtonGroup(this)) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  auto* open = new QPushButton(tr("Open a picture\u2026"), this);
  open->setObjectName(QStringLiteral("reduce-open-picture"));
  open->setToolTip(tr("A product of this program or another: FITS, PNG, TIFF or JPEG (F8)"));
  open->setProperty("narrow", true);
  open->setMinimumHeight(Theme::px(32));
  connect(open, &QPushButton::clicked, this, &FinishPanel::asksForPicture);
  column->addWidget(open);
  column->addWidget(heading(tr("Detail, by its size"), this));
  column->addWidget(build_detail());
  column->addWidget(heading(tr("Disc"), this));
  column->addWidget(build_way_up());
  column->addWidget(heading(tr("Colour"), this));
  column->addWidget(build_colours());
  column->addStretch(1);
}

QWidget* FinishPanel::build_detail() {
  auto* box = new QWidget(this);
  auto* grid = new QGridLayout(box);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(12);
  grid->setVerticalSpacing(4);
  for (std::size_t i = 0; i < layers_.size(); ++i) {
    auto* field = new NumberField(tr("%1 px").arg(1U << i), tr("\u00d7"), kLayerRange, false, box);
    field->setObjectName(QStringLiteral("reduce-layer-%1").arg(1U << i));
    field->setToolTip(
        tr("What detail of about this size is multiplied by, as far as it stands out "
           "of the noise; 1 leaves it"));
    connect(field, &NumberField::entered, this, [this, i](double value) {
      change(detail_step(i), tr("Detail of %1 px").arg(1U << i),
             [&](FinishWishes& wishes) { wishes.layers.at(i) = value; });
    });
    grid->addWidget(field, static_cast<int>(i / 2), static_cast<int>(i % 2));
    layers_.at(i) = field;
  }
  gate_->setObjectName(QStringLiteral("reduce-gate"));
  gate_->setToolTip(tr("Detail below so many deviations of the noise is left as it is"));
  connect(gate_, &NumberField::entered, this, [this](double value) {
    change(RecipeStep::kNoise, tr("Noise up to"),
           [&](FinishWishes& wishes) { wishes.gate = value; });
  });
  grid->addWidget(gate_, 2, 0, 1, 2);
  return box;
}

QWidget* FinishPanel::build_way_up() {
  auto* box = new QWidget(this);
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  for (QCheckBox* box_of : {flatten_, north_, caption_}) {
    row->addWidget(box_of);
  }
  row->addStretch(1);
  column->addLayout(row);
  connect(flatten_, &QCheckBox::clicked, this, [this](bool on) {
    change(RecipeStep::kLimb, tr("Flat limb"),
           [&](FinishWishes& wishes) { wishes.flatten = on ? 1.0 : 0.0; });
  });
  connect(north_, &QCheckBox::clicked, this, [this](bool on) {
    change(RecipeStep::kNorth, tr("North up"), [&](FinishWishes& wishes) {
      reduce::OrientWishes orient = wishes.orient.value_or(reduce::OrientWishes{});
      orient.north_up = on;
      wishes.orient = on || orient.radius_px ? std::optional(orient) : std::nullopt;
    });
  });
  connect(caption_, &QCheckBox::clicked, this, [this](bool on) { reduction_.set_captioned(on); });
  radius_->setObjectName(QStringLiteral("reduce-radius"));
  radius_->allow_empty(tr("as is"));
  radius_->setToolTip(tr("Centres the disc and gives it this radius, so that pictures are alike"));
  connect(radius_, &NumberField::entered, this, [this](double value) {
    change(RecipeStep::kRadius, tr("Disc radius"), [&](FinishWishes& wishes) {
      reduce::OrientWishes orient = wishes.orient.value_or(reduce::OrientWishes{});
      orient.north_up = wishes.orient.has_value() && orient.north_up;
      orient.radius_px = value;
      wishes.orient = orient;
    });
  });
  connect(radius_, &NumberField::emptied, this, [this] {
    change(RecipeStep::kRadius, tr("Disc radius"), [&](FinishWishes& wishes) {
      if (wishes.orient && !wishes.orient->north_up) {
        wishes.orient.reset();
      } else if (wishes.orient) {
        wishes.orient->radius_px.reset();
      }
    });
  });
  column->addWidget(radius_);
  prominences_->setObjectName(QStringLiteral("reduce-prominences"));
  prominences_->setProperty("narrow", true);
  prominences_->setMinimumHeight(Theme::px(32));
  prominences_->setToolTip(
      tr("A longer exposure of the same disc: what stands out beyond its limb is laid about this "
         "one, without a seam"));
  connect(prominences_, &QPushButton::clicked, this, &FinishPanel::asksForProminences);
  column->addWidget(prominences_);
  return box;
}

QWidget* FinishPanel::build_colours() {
  auto* box = new QWidget(this);
  auto* grid = new QGridLayout(box);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setSpacing(0);
  struct Choice {
    Tint tint;
    const char* name;
    QString words;
  };
  const std::array choices{Choice{Tint::kNone, "reduce-tint-none", tr("Grey")},
                           Choice{Tint::kWhiteLight, "reduce-tint-white", tr("White light")},
                           Choice{Tint::kHydrogenAlpha, "reduce-tint-alpha", tr("Hydrogen alpha")},
                           Choice{Tint::kCalcium, "reduce-tint-calcium", tr("Calcium")}};
  int place = 0;
  for (const Choice& choice : choices) {
    QPushButton* button = switch_button(
        choice.words, choice.name,
        choice.tint == Tint::kNone ? tr("As it was taken; the screen shows it tinted all the same")
                                   : tr("A false colour, which the file and its caption tell"),
        box);
    button->setProperty("first", place % 2 == 0);
    tints_->addButton(button, static_cast<int>(choice.tint));
    grid->addWidget(button, place / 2, place % 2);
    ++place;
  }
  connect(tints_, &QButtonGroup::idClicked, this, [this](int id) {
    change(RecipeStep::kTint, tr("Colour"),
           [&](FinishWishes& wishes) { wishes.tint = static_cast<Tint>(id); });
  });
  return box;
}

void FinishPanel::follow() {
  const FinishWishes wishes = reduction_.finish();
  const bool can = reduction_.ready();
  for (std::size_t i = 0; i < layers_.size(); ++i) {
    layers_.at(i)->setEnabled(can);
    layers_.at(i)->show_value(wishes.layers.at(i));
  }
  gate_->setEnabled(can);
  gate_->show_value(wishes.gate);
  for (QWidget* button :
       std::initializer_list<QWidget*>{flatten_, north_, caption_, prominences_}) {
    button->setEnabled(can);
  }
  flatten_->setChecked(wishes.flatten > 0.0);
  north_->setChecked(wishes.orient && wishes.orient->north_up);
  caption_->setChecked(reduction_.captioned());
  radius_->setEnabled(can);
  if (wishes.orient && wishes.orient->radius_px) {
    radius_->show_value(*wishes.orient->radius_px);
  } else {
    radius_->clear();
  }
  const auto& file = reduction_.recipe().prominences;
  constexpr qsizetype kLongest = 22;
  prominences_->setText(
      file.empty() ? tr("Prominences: none")
                   : tr("Prominences: %1")
                         .arg(QString::fromStdString(file.filename().string()).left(kLongest)));
  for (QAbstractButton* button : tints_->buttons()) {
    button->setEnabled(can);
    button->setChecked(tints_->id(button) == static_cast<int>(wishes.tint));
  }
}

}  // namespace solarchon::app
