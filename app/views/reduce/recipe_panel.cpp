// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/reduce/recipe_panel.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QVBoxLayout>
#include <array>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/switches.h"
#include "app/shell/theme.h"
#include "solarchon/disc/disc_size.h"

namespace solarchon::app {

using reduce::KeepRule;
using Stage = Reduction::Stage;

namespace {

constexpr base::Range kShareRange{0.1, 100.0};
constexpr base::Range kLevelRange{0.01, 100.0};
constexpr base::Range kAirRange{0.5, 50.0};

QPushButton* named(QPushButton* button, const char* name) {
  button->setObjectName(QLatin1String(name));
  button->setMinimumHeight(Theme::px(32));
  button->setProperty("narrow", true);
  return button;
}

}  // namespace

RecipePanel::RecipePanel(Reduction& reduction, QWidget* parent)
    : QWidget(parent),
      reduction_(reduction),
      graded_(new PlainLabel(this)),
      rules_(new QButtonGroup(this)),
      proposed_(named(new QPushButton(this), "reduce-proposed")),
      share_(new NumberField(tr("Share kept"), tr("%"), kShareRange, false, this)),
      level_(new NumberField(tr("Sharper than"), tr("\u00d7"), kLevelRange, false, this)),
      keeps_(new PlainLabel(this)),
      local_(tick_box(tr("Follow detail"), "reduce-local",
                      tr("Lays frames on one another by their detail all over the picture: the air "
                         "bends each another way"),
                      this)),
      rejecting_(tick_box(tr("Leave out strays"), "reduce-rejecting",
                          tr("What is in one frame alone does not count: birds, aircraft, noise"),
                          this)),
      finer_(tick_box(tr("Finer grid"), "reduce-finer",
                      tr("Two pixels along one of the camera\u2019s: where pixels are coarser than "
                         "the detail"),
                      this)),
      red_(tick_box(tr("Red pixels only"), "reduce-red",
                    tr("Hydrogen alpha reaches the red pixels of a colour sensor alone: green and "
                       "blue would add noise"),
                    this)),
      dark_(named(new QPushButton(this), "reduce-dark")),
      flat_(named(new QPushButton(this), "reduce-flat")),
      restores_(
          tick_box(tr("4  Restore"), "reduce-restores",
                   tr("Undoes the blur of aperture and air, as far as detail stands out of the "
                      "noise"),
                   this)),
      air_(new NumberField(tr("Air"), tr("cm"), kAirRange, false, this)) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  auto* first = new QHBoxLayout;
  first->setSpacing(12);
  first->addWidget(heading(tr("1  Grade")), 0, Qt::AlignTop);
  graded_->setObjectName(QStringLiteral("reduce-graded"));
  graded_->setWordWrap(true);
  first->addWidget(graded_, 1);
  column->addLayout(first);
  column->addWidget(heading(tr("2  Keep")));
  column->addWidget(build_keep());
  column->addWidget(heading(tr("3  Stack")));
  column->addWidget(build_stack());
  column->addWidget(build_restore());
  column->addStretch(1);
}

QLabel* RecipePanel::heading(const QString& words) {
  auto* label = new PlainLabel(words, this);
  label->setFont(Theme::font(TextSize::kMedium, true));
  return label;
}

QWidget* RecipePanel::build_keep() {
  auto* box = new QWidget(this);
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  auto* grid = new QGridLayout;
  grid->setSpacing(0);
  struct Rule {
    KeepRule rule;
    const char* name;
    QString words;
    QString why;
  };
  const std::array rules{
      Rule{KeepRule::kBestShare, "reduce-best", tr("Best share"),
           tr("The sharpest frames, wherever they lie: where the air changes from frame to "
              "frame")},
      Rule{KeepRule::kAboveLevel, "reduce-level", tr("Above a level"),
           tr("All that are sharper than the line in the ribbon")},
      Rule{KeepRule::kCalmStretches, "reduce-calm", tr("Calm stretches"),
           tr("Most of what was recorded while the air was calm: where it is good or bad for "
              "seconds and minutes, and noise is to be beaten")},
      Rule{KeepRule::kAll, "reduce-all", tr("All"),
           tr("Every frame that shows the same: least noise")}};
  int place = 0;
  for (const Rule& rule : rules) {
    auto* button = named(new QPushButton(rule.words, box), rule.name);
    button->setCheckable(true);
    button->setToolTip(rule.why);
    button->setProperty("switch", true);
    button->setProperty("first", place % 2 == 0);
    rules_->addButton(button, static_cast<int>(rule.rule));
    grid->addWidget(button, place / 2, place % 2);
    ++place;
  }
  connect(rules_, &QButtonGroup::idClicked, this, [this](int id) {
    reduce::KeepWish wish = reduction_.keep();
    wish.rule = static_cast<KeepRule>(id);
    reduction_.set_keep(wish);
  });
  column->addLayout(grid);
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  share_->setObjectName(QStringLiteral("reduce-share"));
  level_->setObjectName(QStringLiteral("reduce-level-value"));
  connect(share_, &NumberField::entered, this, [this](double value) {
    reduce::KeepWish wish = reduction_.keep();
    wish.share = value / kPercent;
    reduction_.set_keep(wish);
  });
  level_->setToolTip(tr("Times the clip\u2019s median; the line in the ribbon moves it too"));
  connect(level_, &NumberField::entered, this, [this](double value) {
    reduce::KeepWish wish = reduction_.keep();
    wish.level = value;
    reduction_.set_keep(wish);
  });
  connect(proposed_, &QPushButton::clicked, this, [this] {
    reduce::KeepWish wish = reduction_.keep();
    wish.rule = KeepRule::kBestShare;
    wish.share = reduction_.proposed_share();
    reduction_.set_keep(wish);
  });
  row->addWidget(share_, 1);
  row->addWidget(level_, 1);
  row->addWidget(proposed_, 1, Qt::AlignTop);
  column->addLayout(row);
  keeps_->setObjectName(QStringLiteral("reduce-keeps"));
  keeps_->setWordWrap(true);
  column->addWidget(keeps_);
  return box;
}

QWidget* RecipePanel::build_stack() {
  auto* box = new QWidget(this);
  auto* grid = new QGridLayout(box);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setSpacing(6);
  connect(local_, &QCheckBox::clicked, this, [this](bool on) { reduction_.set_local(on); });
  connect(rejecting_, &QCheckBox::clicked, this, [this](bool on) { reduction_.set_rejecting(on); });
  connect(finer_, &QCheckBox::clicked, this, [this](bool on) { reduction_.set_finer(on ? 2 : 1); });
  connect(red_, &QCheckBox::clicked, this, [this](bool on) { reduction_.set_red_alone(on); });
  connect(dark_, &QPushButton::clicked, this, &RecipePanel::asksForDark);
  connect(flat_, &QPushButton::clicked, this, &RecipePanel::asksForFlat);
  dark_->setToolTip(tr("A clip or picture with the cap on, at the same exposure"));
  flat_->setToolTip(
      tr("A clip or picture of something evenly lit: the Sun out of focus, with the "
         "filter on and tracing paper in front of it. Or a clip in which the disc is moved "
         "about over the sensor"));
  grid->addWidget(local_, 0, 0);
  grid->addWidget(rejecting_, 0, 1);
  grid->addWidget(finer_, 0, 2);
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  row->addWidget(dark_, 1);
  row->addWidget(flat_, 1);
  grid->addWidget(red_, 1, 0, 1, 3);
  grid->addLayout(row, 2, 0, 1, 3);
  return box;
}

QWidget* RecipePanel::build_restore() {
  auto* box = new QWidget(this);
  auto* row = new QHBoxLayout(box);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(8);
  restores_->setFont(Theme::font(TextSize::kMedium, true));
  air_->setObjectName(QStringLiteral("reduce-air"));
  air_->allow_empty(tr("limb"));
  air_->setToolTip(
      tr("Fried\u2019s parameter of the kept frames, at 500 nm: as wide as air that "
         "blurs nothing; left out, as the limb tells it. Too small, and edges get bright "
         "rims"));
  connect(restores_, &QCheckBox::clicked, this, [this](bool on) { reduction_.set_restoring(on); });
  connect(air_, &NumberField::entered, this, [this](double value) { reduction_.set_r0(value); });
  connect(air_, &NumberField::emptied, this, [this] { reduction_.set_r0(std::nullopt); });
  row->addWidget(restores_, 1, Qt::AlignVCenter);
  row->addWidget(air_, 2);
  return box;
}

QString RecipePanel::grading_words() const {
  switch (reduction_.stage()) {
    case Stage::kNothing:
      return tr("How sharp each frame is, whatever light, noise and drift do.");
    case Stage::kGrading:
      return tr("Every frame is looked at.");
    default:
      break;
  }
  const auto& grading = reduction_.grading();
  if (!grading) {
    return reduction_.problem();
  }
  int unlike = 0;
  for (const reduce::GradedFrame& frame : grading->frames) {
    unlike += frame.alike ? 0 : 1;
  }
  QStringList words{tr("%n frame(s)", nullptr, static_cast<int>(grading->frames.size()))};
  if (unlike > 0) {
    words << tr("%n show(s) something else", nullptr, unlike);
  }
  if (!grading->damaged.empty()) {
    words << tr("%n damaged", nullptr, static_cast<int>(grading->damaged.size()));
  }
  if (grading->cut_off > 0) {
    words << tr("%n cut off", nullptr, grading->cut_off);
  }
  QString all = words.join(QStringLiteral(" \u00b7 "));
  if (const auto size = reduction_.disc_size();
      size && std::abs(*size - 1.0) > disc::kDiscMayDiffer) {
    all += QStringLiteral(". ") +
           tr("Its disc is %1 times what the light path draws: was it taken with another?")
               .arg(number(*size, 2));
  }
  return all;
}

QString RecipePanel::keep_words() const {
  const auto& grading = reduction_.grading();
  if (!grading) {
    return {};
  }
  const reduce::Gain& gain = reduction_.gain();
  if (gain.frames == 0) {
    return tr("No frame is kept.");
  }
  return tr("%1 of %2 frames: their detail is %3 times that of all; noise %4 % of the light, %5 % "
            "in one.")
      .arg(number(gain.frames, 0), number(static_cast<double>(grading->frames.size()), 0),
           number(gain.detail, 2), number(kPercent * gain.noise, 2),
           number(kPercent * grading->noise, 1));
}

void RecipePanel::follow() {
  const auto& grading = reduction_.grading();
  graded_->setText(grading_words());
  graded_->setProperty("role", reduction_.stage() == Stage::kFailed && !grading ? "error" : "");
  const reduce::KeepWish wish = reduction_.keep();
  for (QAbstractButton* button : rules_->buttons()) {
    button->setEnabled(grading != nullptr);
    button->setChecked(grading && rules_->id(button) == static_cast<int>(wish.rule));
  }
  share_->setVisible(wish.rule == KeepRule::kBestShare || wish.rule == KeepRule::kCalmStretches);
  level_->setVisible(wish.rule == KeepRule::kAboveLevel);
  share_->setEnabled(grading != nullptr);
  level_->setEnabled(grading != nullptr);
  share_->show_value(kPercent * wish.share);
  level_->show_value(wish.level);
  const double proposed = reduction_.proposed_share();
  proposed_->setEnabled(grading != nullptr);
  proposed_->setText(
      grading ? tr("Proposed: %1 %").arg(number(kPercent * proposed, proposed < 0.05 ? 1 : 0))
              : tr("Proposed"));
  proposed_->setToolTip(reduction_.proposal().even_air
                            ? tr("The air was even: most frames are as good as the best")
                            : tr("Fewer would gain too little detail for the noise that is left, "
                                 "more would lose detail"));
  keeps_->setText(keep_words());
  keeps_->setVisible(grading != nullptr);
  const reduce::Recipe& recipe = reduction_.recipe();
  local_->setChecked(recipe.local);
  rejecting_->setChecked(recipe.clip_sigma > 0.0);
  finer_->setChecked(recipe.finer > 1);
  red_->setVisible(grading && grading->mosaic);
  red_->setChecked(
      recipe.colours == reduce::ColourUse::kRed ||
      (recipe.colours == reduce::ColourUse::kByBand && grading && grading->hydrogen_alpha));
  const auto file_words = [](const QString& none, const QString& some,
                             const std::filesystem::path& file) {
    return file.empty() ? none
                        : some.arg(QString::fromStdString(file.filename().string()).left(14));
  };
  dark_->setText(file_words(tr("Dark: none"), tr("Dark: %1"), recipe.dark));
  flat_->setText(file_words(tr("Flat: none"), tr("Flat: %1"), recipe.flat));
  restores_->setEnabled(reduction_.can_restore());
  restores_->setChecked(recipe.restore.has_value());
  restores_->setToolTip(
      reduction_.can_restore()
          ? tr("Undoes what aperture and air have softened, as far as detail stands out of noise")
          : tr("The light path has no telescope and camera: its blur is not known"));
  air_->setEnabled(recipe.restore.has_value());
  if (recipe.restore && recipe.restore->r0_cm) {
    air_->show_value(*recipe.restore->r0_cm);
  } else {
    air_->clear();
  }
}

}  // namespace solarchon::app
