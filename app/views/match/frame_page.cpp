// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/frame_page.h"

#include <QBoxLayout>
#include <QGridLayout>
#include <QHeaderView>
#include <QLabel>
#include <cmath>

#include "app/model/kit.h"
#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/match/heading.h"
#include "solarchon/camera/eyepiece.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/words/parts.h"

namespace solarchon::app {

namespace {

constexpr base::Range kTuneRange{-2.0, 2.0};
constexpr base::Range kFocusRange{-3000.0, 3000.0};
enum Column { kWay, kSampling, kDetail, kLight, kRate, kColumns };

/// With its sign.
QString stops_text(double stops) {
  const QString words = number(std::abs(stops), 1);
  return std::abs(stops) < 0.05
             ? QStringLiteral("0")
             : (stops < 0.0 ? QStringLiteral("\u2212") : QStringLiteral("+")) + words;
}

}  // namespace

FramePage::FramePage(const Models& models, QWidget* parent)
    : QWidget(parent),
      document_(models.document),
      kit_(models.kit),
      frame_(new SensorFrame(models.document, this)),
      other_(new SensorFrame(models.document, this, SensorFrame::Path::kCompared)),
      other_name_(new PlainLabel(this)),
      other_box_(new QWidget(this)),
      beside_(new QCheckBox(tr("Beside the second light path"), this)),
      exposure_(new PlainLabel(this)),
      note_(new PlainLabel(this)),
      ladder_(new Ladder(this)),
      seeing_(new NumberField(tr("Seeing today"), QStringLiteral("\u2033"), workspace::kSeeingRange,
                              false, this)),
      tune_(new NumberField(tr("Off the line"), QStringLiteral("\u00c5"), kTuneRange, false, this)),
      focus_(
          new NumberField(tr("Out of focus"), QStringLiteral("\u00b5m"), kFocusRange, false, this)),
      cloud_(new NumberField(tr("Cloud"), tr("stops"), kCloudRange, false, this)),
      air_(new QCheckBox(tr("Let the air move"), this)),
      as_set_(new QPushButton(tr("As set"), this)),
      list_(new QTableWidget(0, kColumns, this)),
      put_in_(new QPushButton(tr("Put it in"), this)) {
  note_->setProperty("role", "faint");
  note_->setFont(Theme::font(TextSize::kSmall));
  note_->setWordWrap(true);
  beside_->setObjectName(QStringLiteral("match-beside"));
  beside_->setToolTip(tr("Shows the light path that lies beside the first in Light path"));
  connect(beside_, &QCheckBox::toggled, this, &FramePage::show_beside);
  other_name_->setFont(Theme::font(TextSize::kSmall));
  auto* other_column = new QVBoxLayout(other_box_);
  other_column->setContentsMargins(0, 0, 0, 0);
  other_column->setSpacing(2);
  other_column->addWidget(other_name_);
  other_column->addWidget(other_, 1);
  other_box_->hide();
  auto* pictures = new QWidget(this);
  auto* picture_row = new QHBoxLayout(pictures);
  picture_row->setContentsMargins(0, 0, 0, 0);
  picture_row->setSpacing(8);
  picture_row->addWidget(frame_, 1);
  picture_row->addWidget(other_box_, 1);
  auto* row = new PictureWithPanel(pictures, new ScrolledPanel(build_side(), this), 350, this);
  row->setContentsMargins(0, 0, 0, 0);
}

QWidget* FramePage::build_trials(QWidget* side) {
  auto* box = new QWidget(side);
  auto* grid = new QGridLayout(box);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(12);
  grid->setVerticalSpacing(2);
  seeing_->setToolTip(tr("How far the air smears a point: 1.5 is a fine morning, 4 a car park"));
  connect(seeing_, &NumberField::entered, this, [this](double value) {
    workspace::Workspace next = document_.workspace();
    next.conditions.seeing_arcsec = value;
    document_.edit(tr("Change seeing"), next, EditKind::kConditions, "seeing");
  });
  tune_->setToolTip(
      tr("Passband of the etalon off the line, red positive: filaments fade, spots "
         "and the surface come through"));
  tune_->edit().setObjectName(QStringLiteral("match-tune"));
  focus_->setToolTip(tr("How far the sensor stands from the focus"));
  focus_->edit().setObjectName(QStringLiteral("match-focus"));
  cloud_->setToolTip(tr("Light that thin cloud takes: each stop is half of it"));
  cloud_->edit().setObjectName(QStringLiteral("match-cloud"));
  for (NumberField* field : {tune_, focus_, cloud_}) {
    field->show_value(0.0);
    connect(field, &NumberField::entered, this, &FramePage::try_out);
  }
  air_->setObjectName(QStringLiteral("match-air"));
  air_->setToolTip(tr("Short exposures one after another, as they come from a camera"));
  connect(air_, &QCheckBox::toggled, this, &FramePage::try_out);
  as_set_->setObjectName(QStringLiteral("match-as-set"));
  as_set_->setToolTip(tr("On the line, in focus, without cloud"));
  connect(as_set_, &QPushButton::clicked, this, [this] {
    for (NumberField* field : {tune_, focus_, cloud_}) {
      field->show_value(0.0);
    }
    air_->setChecked(false);
    frame_->try_out({});
    other_->try_out({});
    as_set_->setEnabled(false);
  });
  as_set_->setEnabled(false);
  int row = 0;
  for (NumberField* field : {seeing_, tune_, focus_, cloud_}) {
    grid->addWidget(field, row++, 0, 1, 2);
  }
  grid->addWidget(air_, row, 0);
  grid->addWidget(as_set_, row, 1);
  return box;
}

QWidget* FramePage::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  exposure_->setFont(Theme::font(TextSize::kLarge, true));
  exposure_->setObjectName(QStringLiteral("suggested-exposure"));
  exposure_->setToolTip(tr("What to start with; Exposure has every setting"));
  auto* first = new QHBoxLayout;
  auto* exposure_head = heading(tr("Exposure to start with"), side);
  first->addWidget(exposure_head);
  first->addStretch(1);
  first->addWidget(exposure_);
  column->addLayout(first);
  auto* limits_head = heading(tr("What limits the detail"), side);
  column->addWidget(limits_head);
  column->addWidget(ladder_);
  column->addWidget(heading(tr("Try out"), side));
  column->addWidget(build_trials(side));
  auto* ways = new QHBoxLayout;
  auto* ways_head = heading(tr("Ways to set up, best first"), side);
  ways->addWidget(ways_head);
  ways->addStretch(1);
  ways->addWidget(put_in_);
  column->addLayout(ways);
  list_->setObjectName(QStringLiteral("match-ways"));
  list_->setAccessibleName(tr("Ways to set up for this target"));
  list_->setHorizontalHeaderLabels(
      {tr("Lens"), tr("\u2033/px"), tr("Detail"), tr("Stops"), tr("Per s")});
  list_->horizontalHeaderItem(kDetail)->setToolTip(
      tr("The finest that the picture shows: lens, air and two pixels together"));
  list_->horizontalHeaderItem(kLight)->setToolTip(
      tr("Light in a pixel against the light path as it is"));
  list_->horizontalHeaderItem(kRate)->setToolTip(
      tr("Frames a second, of the part of the sensor that the target needs"));
  list_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  list_->setSelectionBehavior(QAbstractItemView::SelectRows);
  list_->setSelectionMode(QAbstractItemView::SingleSelection);
  list_->verticalHeader()->hide();
  list_->setTabKeyNavigation(false);
  list_->setWordWrap(true);
  list_->setTextElideMode(Qt::ElideNone);
  list_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  list_->horizontalHeader()->setSectionResizeMode(kWay, QHeaderView::Stretch);
  list_->setMinimumHeight(Theme::px(96));
  connect(list_, &QTableWidget::itemSelectionChanged, this,
          [this] { put_in_->setEnabled(list_->currentRow() >= 0); });
  column->addWidget(list_, 1);
  column->addStretch(0);
  of_cameras_ = {exposure_head, exposure_, limits_head, ladder_, ways_head, put_in_, list_, air_};
  put_in_->setObjectName(QStringLiteral("match-put-in"));
  put_in_->setEnabled(false);
  put_in_->setToolTip(tr("Puts the lens of the chosen line before the camera; can be undone"));
  connect(put_in_, &QPushButton::clicked, this, &FramePage::put_in);
  column->addWidget(beside_);
  column->addWidget(note_);
  return side;
}

bool FramePage::settled() const {
  return frame_->settled() && wishes_.settled() && (other_box_->isHidden() || other_->settled());
}

void FramePage::try_out() {
  const auto value = [](NumberField* field) {
    bool good = false;
    const double read = QLocale().toDouble(field->edit().text(), &good);
    return good ? read : 0.0;
  };
  const WhatIf what{value(tune_), value(focus_), value(cloud_), air_->isChecked()};
  frame_->try_out(what);
  other_->try_out(what);
  as_set_->setEnabled(!(what == WhatIf{}));
}

void FramePage::show_beside() {
  const bool wanted = beside_->isChecked() && document_.workspace().compared.has_value();
  other_box_->setVisible(wanted);
  if (wanted) {
    other_name_->setText(text(document_.workspace().compared->name));
    other_->follow();
  }
}

void FramePage::follow() {
  const workspace::Answers& answers = document_.answers();
  const workspace::Workspace& workspace = document_.workspace();
  frame_->follow();
  const auto exposure_ms = workspace::target_exposure_ms(workspace, answers);
  // Nobody is told how to expose a light path that the rules stop.
  exposure_->setText(answers.safety.verdict == safety::Severity::kStop ? tr("Stop")
                     : exposure_ms                                     ? exposure_text(*exposure_ms)
                                                                       : QStringLiteral("\u2013"));
  const bool eye = answers.train.look && !optics::sensor_of(workspace.rig);
  for (QWidget* widget : of_cameras_) {
    widget->setVisible(!eye);
  }
  ladder_->show_limits(answers.limits);
  seeing_->show_value(workspace.conditions.seeing_arcsec);
  tune_->setVisible(answers.train.band.line);
  beside_->setVisible(workspace.compared.has_value());
  show_beside();
  const match::TargetNeed need =
      match::need_of(workspace.target, answers.sun.semidiameter_arcsec());
  const auto zoom = camera::zoom_that_fills(workspace.rig, answers.train);
  note_->setText(
      need.hydrogen_alpha && !answers.train.band.line
          ? tr("%1 is not seen in white light: choose a hydrogen-alpha light path")
                .arg(name_of(workspace.target))
      : need.white_light && answers.train.band.line
          ? tr("%1 is not seen in hydrogen alpha: choose a white-light path")
                .arg(name_of(workspace.target))
      : zoom && *zoom > 1.0
          ? tr("The eyepiece's round edge is in the picture: a zoom of %1\u00d7 loses it")
                .arg(number(*zoom, 1))
          : QString());
  note_->setVisible(!note_->text().isEmpty());
  rank();
}

void FramePage::rank() {
  const workspace::Answers& answers = document_.answers();
  if (answers.safety.verdict == safety::Severity::kStop) {
    show_settings({});
    return;
  }
  std::vector<optics::Element> lenses = kit_.parts();
  if (const auto& catalogue = optics::shipped_catalogue()) {
    const auto named = words::named(*catalogue, voice());
    lenses.insert(lenses.end(), named.begin(), named.end());
  }
  wishes_.wish([this, rig = document_.workspace().rig, target = document_.workspace().target,
                lenses = std::move(lenses),
                situation = workspace::situation_of(
                    document_.workspace(), answers.time, answers.sun.semidiameter_arcsec(),
                    answers.local.airmass)](const base::Task&) -> Worker::Delivery {
    return [this, settings = match::ranked(rig, target, lenses, situation)]() mutable {
      show_settings(std::move(settings));
    };
  });
}

QString FramePage::way_of(const match::Setting& setting) {
  if (setting.without.empty()) {
    return setting.lens.empty() ? tr("as it is") : text(setting.lens);
  }
  return setting.lens.empty()
             ? tr("without %1").arg(text(setting.without))
             : tr("%1 instead of %2").arg(text(setting.lens), text(setting.without));
}

void FramePage::show_settings(std::vector<match::Setting> settings) {
  constexpr std::size_t kMost = 12;
  settings.resize(std::min(settings.size(), kMost));
  settings_ = std::move(settings);
  list_->setRowCount(static_cast<int>(settings_.size()));
  for (int row = 0; row < list_->rowCount(); ++row) {
    const match::Setting& setting = settings_[static_cast<std::size_t>(row)];
    QString way = way_of(setting);
    if (setting.binning > 1) {
      way = tr("%1, %2\u00d7%2 joined").arg(way).arg(setting.binning);
    }
    QString why =
        tr("Field %1\u2032 \u00d7 %2\u2032, %3 pixels for the finest detail")
            .arg(number(setting.field_width_arcmin, 1), number(setting.field_height_arcmin, 1),
                 number(setting.pixels_per_detail, 1));
    if (setting.panels > 1) {
      why += QLatin1Char('\n') + tr("The target takes %n panel(s)", "", setting.panels);
    }
    if (!setting.focus) {
      why += QLatin1Char('\n') + tr("The focuser does not reach so far");
    }
    if (setting.opposed) {
      why += QLatin1Char('\n') + tr("The safety rules stop this");
    }
    const QString cells[] = {way, number(setting.sampling_arcsec_px, 2),
                             tr("%1\u2033").arg(number(setting.detail_arcsec, 1)),
                             stops_text(setting.light_stops), number(setting.rate.hz, 0)};
    for (int column = 0; column < kColumns; ++column) {
      auto* cell = new QTableWidgetItem(cells[column]);
      cell->setToolTip(why);
      if (column != kWay) {
        cell->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
      }
      if (setting.opposed || !setting.focus) {
        cell->setForeground(Theme::colours().faint_ink);
      }
      list_->setItem(row, column, cell);
    }
  }
  list_->resizeRowsToContents();
  put_in_->setEnabled(list_->currentRow() >= 0);
}

void FramePage::put_in() {
  const int row = list_->currentRow();
  if (row < 0 || row >= static_cast<int>(settings_.size())) {
    return;
  }
  workspace::Workspace next = document_.workspace();
  next.rig = settings_[static_cast<std::size_t>(row)].rig;
  document_.edit(tr("Set up for the target"), next);
}

}  // namespace solarchon::app
