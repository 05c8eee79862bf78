// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/exposure_page.h"

#include <QBoxLayout>
#include <algorithm>
#include <cmath>
#include <iterator>

#include "app/model/learning.h"
#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/match/heading.h"
#include "app/views/match/what_if.h"
#include "solarchon/sky/sun.h"

namespace solarchon::app {

namespace {

constexpr base::Range kRightRange{0.001, 3.6e6};

/// Shutters at which no row is anything but dark or cut off are left out.
std::vector<light::ExposureCell> worth_showing(const std::vector<light::ExposureCell>& table) {
  constexpr double kDark = 0.01;
  constexpr double kFarTooBright = 24.0;
  double shortest = 1e9;
  double longest = 0.0;
  for (const light::ExposureCell& cell : table) {
    if (cell.level > kDark && cell.level < kFarTooBright) {
      shortest = std::min(shortest, cell.shutter_s);
      longest = std::max(longest, cell.shutter_s);
    }
  }
  std::vector<light::ExposureCell> shown;
  std::copy_if(
      table.begin(), table.end(), std::back_inserter(shown), [&](const light::ExposureCell& cell) {
        return shortest > longest || (cell.shutter_s >= shortest && cell.shutter_s <= longest);
      });
  return shown;
}

}  // namespace

ExposurePage::ExposurePage(const Models& models, QWidget* parent)
    : QWidget(parent),
      document_(models.document),
      log_(models.log),
      exposure_(new PlainLabel(this)),
      note_(new PlainLabel(this)),
      strip_(new ExposureStrip(this)),
      figures_(new Figures(1, this)),
      table_(new ExposureTable(this)),
      moves_(new MovesPicture(this)),
      chosen_(new PlainLabel(this)),
      level_(new NumberField(tr("Target level"), QStringLiteral("%"), {5.0, 100.0}, false, this)),
      cloud_(new NumberField(tr("Thin cloud"), tr("stops"), kCloudRange, false, this)),
      right_(new NumberField(tr("Found right"), QStringLiteral("ms"), kRightRange, false, this)),
      keep_(new QPushButton(tr("Keep"), this)),
      learned_(new PlainLabel(this)),
      list_(new QListWidget(this)),
      forget_(new QPushButton(tr("Forget"), this)) {
  auto* picture = new QWidget(this);
  auto* column = new QVBoxLayout(picture);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  exposure_->setFont(Theme::font(TextSize::kLarge, true));
  exposure_->setObjectName(QStringLiteral("exposure-now"));
  note_->setProperty("role", "faint");
  note_->setFont(Theme::font(TextSize::kSmall));
  note_->setWordWrap(true);
  chosen_->setFont(Theme::font(TextSize::kMedium));
  chosen_->setWordWrap(true);
  chosen_->setObjectName(QStringLiteral("chosen-exposure"));
  column->addWidget(heading(tr("Exposure to start with"), picture));
  column->addWidget(exposure_);
  column->addWidget(note_);
  column->addSpacing(8);
  column->addWidget(heading(tr("Every setting at once"), picture));
  column->addWidget(table_, 1);
  column->addWidget(chosen_);
  column->addSpacing(4);
  column->addWidget(moves_);
  connect(table_, &ExposureTable::chosenChanged, this, &ExposurePage::show_chosen);
  connect(&log_, &Log::rightExposuresChanged, this, &ExposurePage::show_learned);
  auto* row = new PictureWithPanel(picture, build_side(), 320, this);
  row->setContentsMargins(0, 0, 0, 0);
}

QWidget* ExposurePage::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  column->addWidget(heading(tr("In stops from there"), side));
  column->addWidget(strip_);
  column->addWidget(figures_);
  level_->setToolTip(tr("Brightest part of the frame against a full pixel"));
  connect(level_, &NumberField::entered, this, [this](double value) {
    workspace::Workspace next = document_.workspace();
    next.conditions.target_level = value / 100.0;
    document_.edit(tr("Change target level"), next, EditKind::kConditions, "level");
  });
  cloud_->setToolTip(tr("What thin cloud or haze takes: each stop doubles the exposure"));
  cloud_->edit().setObjectName(QStringLiteral("exposure-cloud"));
  cloud_->show_value(0.0);
  connect(cloud_, &NumberField::entered, this, &ExposurePage::follow);
  column->addWidget(level_);
  column->addWidget(cloud_);
  column->addSpacing(8);
  column->addWidget(heading(tr("What was found right"), side));
  learned_->setObjectName(QStringLiteral("learned-exposure"));
  learned_->setWordWrap(true);
  column->addWidget(learned_);
  right_->edit().setObjectName(QStringLiteral("right-exposure"));
  right_->setToolTip(
      tr("The exposure of the disc that came out right with this light path, under "
         "a sky as entered here"));
  connect(right_, &NumberField::entered, this, [this](double value) {
    right_ms_ = value;
    keep_->setEnabled(document_.answers().exposure.has_value());
  });
  keep_->setObjectName(QStringLiteral("keep-exposure"));
  keep_->setEnabled(false);
  connect(keep_, &QPushButton::clicked, this, &ExposurePage::keep_as_right);
  auto* row = new QHBoxLayout;
  row->addWidget(right_);
  row->addWidget(keep_, 0, Qt::AlignBottom);
  column->addLayout(row);
  list_->setObjectName(QStringLiteral("right-exposures"));
  list_->setAccessibleName(tr("Exposures that were found right"));
  list_->setMinimumHeight(Theme::px(60));
  connect(list_, &QListWidget::currentRowChanged, this,
          [this](int current) { forget_->setEnabled(current >= 0); });
  column->addWidget(list_, 1);
  forget_->setObjectName(QStringLiteral("forget-exposure"));
  forget_->setEnabled(false);
  forget_->setToolTip(tr("Takes the chosen one out of the log"));
  connect(forget_, &QPushButton::clicked, this, &ExposurePage::forget);
  auto* last = new QHBoxLayout;
  last->addWidget(forget_);
  last->addStretch(1);
  column->addLayout(last);
  column->addStretch(0);
  return side;
}

QString ExposurePage::exposure_words() const {
  const auto& exposure = document_.answers().exposure;
  switch (exposure->limit) {
    case light::ShutterLimit::kTooBright:
      return tr("The shutter's shortest; %1 would be right. Add density or lengthen the focus.")
          .arg(exposure_text(exposure->wanted_ms));
    case light::ShutterLimit::kTooDim:
      return tr("The shutter's longest; %1 would be right.")
          .arg(exposure_text(exposure->wanted_ms));
    case light::ShutterLimit::kNone:
      break;
  }
  return document_.answers().train.band.line
             ? tr("Estimate on the line; the true transmission of this etalon decides")
             : tr("Estimate within 30 %; clear air, neutral filter");
}

void ExposurePage::follow() {
  const workspace::Answers& answers = document_.answers();
  const workspace::Workspace& workspace = document_.workspace();
  // Nobody is told how to expose a light path that the rules stop.
  const bool stopped = answers.safety.verdict == safety::Severity::kStop;
  bool good = false;
  const double typed = QLocale().toDouble(cloud_->edit().text(), &good);
  advise::Situation situation = workspace::situation_of(
      workspace, answers.time, answers.sun.semidiameter_arcsec(), answers.local.airmass);
  situation.light.cloud_stops = good ? std::clamp(typed, kCloudRange.low, kCloudRange.high) : 0.0;
  situation.light.correction_stops =
      workspace::correction_by(log_.right_exposures(), workspace).stops;
  const auto plan = stopped || !answers.exposure
                        ? std::nullopt
                        : light::exposure_plan(workspace.rig, answers.train, situation.light);
  exposure_->setText(stopped ? tr("Stop")
                     : plan  ? exposure_text(plan->disc.exposure_ms)
                             : QStringLiteral("\u2013"));
  note_->setText(stopped ? next_step_of(answers.safety.findings.front())
                 : plan  ? exposure_words()
                         : QString());
  strip_->setVisible(!stopped);
  strip_->show_exposure(plan ? std::optional(plan->disc) : std::nullopt);
  table_->show_table(plan ? worth_showing(plan->table) : std::vector<light::ExposureCell>(),
                     workspace.conditions.target_level);
  moves_->show_moves(plan ? moves_of(situation.light) : std::nullopt);
  std::vector<Figures::Row> rows;
  const QString none = QStringLiteral("\u2013");
  rows.push_back({tr("Spots"), plan ? exposure_text(plan->spot_ms) : none,
                  tr("Penumbrae as bright as the disc was to be; granules are not cut off")});
  if (answers.train.band.line) {
    rows.push_back({tr("Prominences"), plan ? exposure_text(*plan->prominence_ms) : none,
                    tr("Six times the disc, which is then cut off")});
  }
  figures_->show_rows(rows);
  level_->show_value(workspace.conditions.target_level * 100.0);
  show_learned();
  show_chosen();
}

std::optional<light::ExposureMoves> ExposurePage::moves_of(
    const light::LightConditions& conditions) const {
  std::vector<light::SunHeight> heights;
  for (const double altitude_deg : {5.0, 10.0, 15.0, 20.0, 30.0, 45.0, 90.0}) {
    if (const auto airmass = sky::airmass(altitude_deg)) {
      heights.push_back({altitude_deg, *airmass});
    }
  }
  return light::exposure_moves(document_.workspace().rig, document_.answers().train, conditions,
                               heights);
}

void ExposurePage::show_chosen() {
  const auto cell = table_->chosen();
  chosen_->setText(cell && *cell < table_->cells().size()
                       ? tr("%1, %2").arg(shutter_text(table_->cells()[*cell].shutter_s),
                                          words_for_level(table_->cells()[*cell].level))
                       : tr("Choose a setting to read what comes of it"));
}

void ExposurePage::show_learned() {
  const std::string& rig = document_.workspace().rig.name;
  const light::Correction correction =
      workspace::correction_by(log_.right_exposures(), document_.workspace());
  if (correction.count == 0) {
    learned_->setText(
        tr("Nothing yet with this light path: keep an exposure that came out right, and the next "
           "are predicted from it."));
  } else {
    learned_->setText(
        tr("This light path wants %1 stops against the formulas (spread %2), from "
           "%n exposure(s).",
           "", correction.count)
            .arg((correction.stops < 0.0 ? QStringLiteral("\u2212") : QStringLiteral("+")) +
                     number(std::abs(correction.stops), 1),
                 number(correction.spread, 1)));
  }
  const int before = list_->currentRow();
  list_->clear();
  for (const log::RightExposure& exposure : log_.right_exposures()) {
    if (exposure.rig != rig) {
      continue;
    }
    auto* item = new QListWidgetItem(
        tr("%1: %2, predicted %3")
            .arg(date_at(exposure.found, document_.zone()), exposure_text(exposure.right_ms),
                 exposure_text(exposure.predicted_ms)),
        list_);
    item->setData(Qt::UserRole, static_cast<qlonglong>(exposure.id));
  }
  list_->setVisible(list_->count() > 0);
  forget_->setVisible(list_->count() > 0);
  list_->setCurrentRow(std::min(before, list_->count() - 1));
  forget_->setEnabled(list_->currentRow() >= 0);
}

void ExposurePage::keep_as_right() {
  if (!document_.answers().exposure || right_ms_ <= 0.0) {
    return;
  }
  bool good = false;
  const double cloud = QLocale().toDouble(cloud_->edit().text(), &good);
  keep_right_exposure(document_, log_, right_ms_, good ? cloud : 0.0, false, false);
  right_->clear();
  keep_->setEnabled(false);
}

void ExposurePage::forget() {
  if (const QListWidgetItem* item = list_->currentItem()) {
    log_.drop_exposure(item->data(Qt::UserRole).toLongLong());
  }
}

}  // namespace solarchon::app
