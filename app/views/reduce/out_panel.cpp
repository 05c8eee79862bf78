// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/reduce/out_panel.h"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

using Stage = Reduction::Stage;

namespace {

constexpr double kRim = 0.03;  // above it, it is said

}  // namespace

OutPanel::OutPanel(Reduction& reduction, QWidget* parent)
    : QWidget(parent),
      reduction_(reduction),
      make_(new QPushButton(this)),
      bar_(new QProgressBar(this)),
      made_(new PlainLabel(this)),
      keep_(new QPushButton(tr("Keep in the log"), this)),
      save_(new QPushButton(tr("Export\u2026"), this)) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  made_->setObjectName(QStringLiteral("reduce-made"));
  made_->setWordWrap(true);
  column->addWidget(made_);
  bar_->setAccessibleName(tr("Progress"));
  bar_->setRange(0, static_cast<int>(kPercent));
  bar_->setTextVisible(false);
  bar_->setFixedHeight(Theme::px(8));
  column->addWidget(bar_);
  make_->setObjectName(QStringLiteral("reduce-make"));
  make_->setProperty("narrow", true);
  make_->setProperty("main", true);
  make_->setMinimumHeight(Theme::px(40));
  connect(make_, &QPushButton::clicked, this, &OutPanel::make_or_stop);
  column->addWidget(make_);
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  keep_->setObjectName(QStringLiteral("reduce-keep"));
  keep_->setToolTip(
      tr("Writes the picture with its recipe below the data folder, and files it "
         "(F10)"));
  save_->setObjectName(QStringLiteral("reduce-save"));
  save_->setToolTip(tr("FITS with all digits, PNG or TIFF; the recipe goes with it (Shift+F10)"));
  connect(keep_, &QPushButton::clicked, this, [this] { reduction_.keep_product(); });
  connect(save_, &QPushButton::clicked, this, &OutPanel::asksToSave);
  for (QPushButton* button : {keep_, save_}) {
    button->setProperty("narrow", true);
    button->setMinimumHeight(Theme::px(32));
    row->addWidget(button, 1);
  }
  column->addLayout(row);
  connect(&reduction_, &Reduction::progressed, bar_,
          [this](double fraction) { bar_->setValue(static_cast<int>(kPercent * fraction)); });
}

void OutPanel::make_or_stop() {
  if (reduction_.stage() == Stage::kStacking || reduction_.stage() == Stage::kGrading) {
    reduction_.stop();
  } else {
    reduction_.make();
  }
}

QString OutPanel::step_words(const reduce::Product& product) const {
  if (const auto& finished = product.finished) {
    if (finished->rim > kRim) {
      return tr("Spots have rims, %1 % too bright: sharpen less.")
          .arg(number(kPercent * finished->rim, 0));
    }
    return tr("Finished: the finest noise is %1 times what it was.")
        .arg(number(finished->noise_gain, 1));
  }
  if (const auto& restored = product.restored) {
    if (restored->limb_overshoot.value_or(0.0) > kRim) {
      return tr("The limb has a rim, %1 % too bright: more air undoes less.")
          .arg(number(kPercent * *restored->limb_overshoot, 0));
    }
    if (restored->rim > kRim) {
      return tr("Spots have rims, %1 % too bright: more air undoes less.")
          .arg(number(kPercent * restored->rim, 0));
    }
    return tr("Detail is back up to %1 % of what the aperture resolves; noise is %2 % of the light "
              "now.")
        .arg(number(kPercent * restored->reached, 0), number(kPercent * restored->noise, 1));
  }
  if (const auto& mosaic = product.mosaic) {
    return tr("%n seam(s), which meet within %1 px; light differs by %2 % at most.", nullptr,
              mosaic->seams)
        .arg(number(mosaic->seam_px, 2), number(kPercent * mosaic->level_step, 2));
  }
  if (product.frames == 0) {
    return {};
  }
  QString words = tr("Detail moved by %1 px over the frame; %2 % of all values were strays.")
                      .arg(number(product.facts.local_motion_px, 2),
                           number(kPercent * product.facts.clipped_share, 2));
  if (product.facts.red_alone) {
    words += QLatin1Char(' ') + tr("Red pixels only.");
  }
  double apart = 0.0;
  for (const image::Offset& off : product.facts.colours_apart) {
    apart = std::max(apart, std::hypot(off.right_px, off.down_px));
  }
  constexpr double kSeen_px = 0.05;
  if (apart > kSeen_px) {
    words +=
        QLatin1Char(' ') +
        tr("The colours were up to %1 px apart and have been realigned.").arg(number(apart, 2));
  }
  return words;
}

QString OutPanel::made_words() const {
  if (reduction_.stage() == Stage::kFailed) {
    const bool graded = reduction_.grading() || reduction_.source() != Reduction::Source::kClip;
    return graded ? reduction_.problem() : QString();
  }
  if (const auto& day = reduction_.day_made()) {
    QString words = tr("%n picture(s) of that day kept.", nullptr, day->kept);
    if (!day->failed.isEmpty()) {
      words += QLatin1Char(' ') + tr("Without a picture: %1").arg(day->failed.join(", "));
    }
    return words;
  }
  const auto& product = reduction_.product();
  if (!product || reduction_.stage() == Stage::kStacking) {
    return {};
  }
  if (reduction_.stale()) {
    return tr("The recipe was changed: make the picture again.");
  }
  if (!reduction_.kept_as().isEmpty()) {
    return tr("Written: %1").arg(QFileInfo(reduction_.kept_as()).fileName());
  }
  return step_words(*product);
}

void OutPanel::follow() {
  const bool works =
      reduction_.stage() == Stage::kGrading || reduction_.stage() == Stage::kStacking;
  const QString made = made_words();
  made_->setText(made);
  made_->setProperty("role", reduction_.stage() == Stage::kFailed ? "error" : "");
  made_->setVisible(!made.isEmpty());
  bar_->setVisible(works);
  bar_->setValue(static_cast<int>(kPercent * reduction_.progress()));
  make_->setText(works                                               ? tr("Stop")
                 : reduction_.source() == Reduction::Source::kPanels ? tr("Join the panels")
                                                                     : tr("Make the picture"));
  make_->setToolTip(works ? tr("Nothing is written (F9)")
                          : tr("By the recipe; what has not changed is not done again (F9)"));
  make_->setEnabled(works || reduction_.ready());
  const bool has = reduction_.product() && !works;
  keep_->setEnabled(has && reduction_.kept_as().isEmpty());
  save_->setEnabled(has);
}

}  // namespace solarchon::app
