// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/drift_page.h"

#include <QDragEnterEvent>
#include <QDropEvent>
#include <QFileDialog>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMimeData>
#include <QUrl>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>
#include <filesystem>
#include <utility>
#include <vector>

#include "app/model/phrases.h"
#include "app/shell/file_kinds.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/field/scenes.h"
#include "solarchon/base/angle.h"
#include "solarchon/words/align.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

namespace {

constexpr base::Range kMinutesRange{1.0 / 60.0, 240.0};
constexpr base::Range kAmountRange{-100'000.0, 100'000.0};
constexpr double kSecondsPerMinute = 60.0;

QString amount_words(double arcsec, const QString& positive, const QString& negative) {
  return (arcsec < 0.0 ? negative : positive).arg(number(std::abs(arcsec), 0));
}

QString run_words(const align::DriftRun& run, const QTimeZone& zone) {
  QStringList drifts;
  if (run.declination_drift_arcsec) {
    drifts << amount_words(*run.declination_drift_arcsec, DriftPage::tr("%1\u2033 north"),
                           DriftPage::tr("%1\u2033 south"));
  }
  if (run.hour_angle_drift_arcsec) {
    drifts << amount_words(*run.hour_angle_drift_arcsec, DriftPage::tr("%1\u2033 west"),
                           DriftPage::tr("%1\u2033 east"));
  }
  return DriftPage::tr("%1, %2 min: %3")
      .arg(clock_at(run.start, zone), number(run.duration_s / kSecondsPerMinute, 1),
           drifts.join(QStringLiteral(", ")));
}

}  // namespace

DriftPage::DriftPage(const Models& models, QWidget* parent)
    : QWidget(parent),
      document_(models.document),
      runbook_(models.runbook),
      mount_(models.mount),
      head_(new Headed(QStringLiteral("drift"), this)),
      picture_(new PolePicture(head_)),
      left_(new Figures(3, head_)) {
  head_->put(picture_, left_);
  new PictureWithPanel(head_, build_side(), 340, this);
  setAcceptDrops(true);
}

QWidget* DriftPage::build_form(QWidget* side) {
  auto* form = new QWidget(side);
  auto* column = new QVBoxLayout(form);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  const auto chooser = [&](const char* name, const QString& accessible, const QStringList& items) {
    auto* box = new QComboBox(form);
    box->setObjectName(QLatin1String(name));
    box->setAccessibleName(accessible);
    box->addItems(items);
    return box;
  };
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  frame_ = chooser("drift-frame", tr("Seen where"), {tr("In the picture"), tr("On the circles")});
  frame_->setToolTip(
      tr("The camera's angle and the mirrors of the light path are taken into "
         "account"));
  unit_ = chooser("drift-unit", tr("Measured in"),
                  {tr("arcseconds"), tr("pixels"), tr("Sun's diameters")});
  unit_->setCurrentIndex(static_cast<int>(align::DriftUnit::kPixels));
  row->addWidget(frame_, 1);
  row->addWidget(unit_, 1);
  column->addLayout(row);
  const auto field = [&](const char* name, const QString& label, const QString& reason,
                         std::size_t place) {
    auto* made = new NumberField(label, QString(), kAmountRange, false, form);
    made->setObjectName(QLatin1String(name));
    made->setToolTip(reason);
    made->allow_empty(QString());
    connect(made, &NumberField::entered, this,
            [this, place](double value) { entered_.at(place) = value; });
    connect(made, &NumberField::emptied, this, [this, place] { entered_.at(place).reset(); });
    column->addWidget(made);
    return made;
  };
  right_ = field("drift-right", tr("To the right"), tr("Negative: to the left"), 0);
  up_ = field("drift-up", tr("Up"), tr("Negative: down"), 1);
  west_ = field("drift-west", tr("West"), tr("Negative: east. May be left empty"), 2);
  north_ = field("drift-north", tr("North"), tr("Negative: south. May be left empty"), 3);
  minutes_ = new NumberField(tr("In a run of"), tr("min"), kMinutesRange, false, form);
  minutes_->setObjectName(QStringLiteral("drift-minutes"));
  minutes_->setToolTip(tr("That ended just now; or time it with the button"));
  connect(minutes_, &NumberField::entered, this, [this](double minutes) {
    run_minutes_ = minutes;
    begun_moment_.reset();
  });
  column->addWidget(minutes_);
  auto* buttons = new QHBoxLayout;
  watch_ = new QPushButton(tr("Begin a run"), form);
  watch_->setObjectName(QStringLiteral("drift-watch"));
  add_ = new QPushButton(tr("Add the run"), form);
  add_->setObjectName(QStringLiteral("drift-add"));
  add_->setProperty("main", true);
  frames_ = new QPushButton(tr("From frames\u2026"), form);
  frames_->setObjectName(QStringLiteral("drift-frames"));
  frames_->setToolTip(tr(
      "Pictures of the drifting Sun, with their times, are measured and added as a run; they can "
      "be dropped here too. The camera must not have been turned since"));
  buttons->addWidget(watch_);
  buttons->addWidget(frames_);
  buttons->addWidget(add_, 1);
  column->addLayout(buttons);
  problem_ = new PlainLabel(form);
  problem_->setObjectName(QStringLiteral("drift-problem"));
  problem_->setProperty("role", "error");
  problem_->setWordWrap(true);
  problem_->hide();
  column->addWidget(problem_);
  connect(frame_, &QComboBox::currentIndexChanged, this, &DriftPage::choose_frame);
  connect(watch_, &QPushButton::clicked, this, &DriftPage::time_run);
  connect(add_, &QPushButton::clicked, this, &DriftPage::add_run);
  connect(frames_, &QPushButton::clicked, this, &DriftPage::choose_files);
  connect(&worker_, &Worker::busyChanged, this,
          [this](bool busy) { frames_->setText(busy ? tr("Stop") : tr("From frames\u2026")); });
  connect(&worker_, &Worker::progressed, this, [this](double done) {
    frames_->setText(tr("Stop (%1 %)").arg(number(100.0 * done, 0)));
  });
  connect(&worker_, &Worker::broke, this, &DriftPage::complain);
  choose_frame();
  return form;
}

QWidget* DriftPage::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(5);
  rate_ = new QComboBox(side);
  rate_->setObjectName(QStringLiteral("drift-rate"));
  rate_->setAccessibleName(tr("Rate of the mount"));
  rate_->addItems({tr("Mount at the Sun's rate"), tr("Mount at the stars' rate")});
  connect(rate_, &QComboBox::activated, this,
          [this](int rate) { set_rate(static_cast<align::Rate>(rate)); });
  column->addWidget(rate_);
  column->addWidget(build_form(side));
  list_ = new QListWidget(side);
  list_->setObjectName(QStringLiteral("drift-runs"));
  list_->setAccessibleName(tr("Drift runs"));
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  list_->setToolTip(tr("Delete takes the chosen run away"));
  list_->setMinimumHeight(Theme::px(64));
  list_->installEventFilter(this);
  column->addWidget(list_, 1);
  turned_ = new QPushButton(side);
  turned_->setObjectName(QStringLiteral("drift-turned"));
  connect(turned_, &QPushButton::clicked, this, &DriftPage::begin_anew);
  column->addWidget(turned_);
  const auto knob = [&](const char* name, const QString& label,
                        std::optional<double> workspace::Outside::*pitch) {
    auto* field = new NumberField(label, QStringLiteral("\u00b0"), align::kKnobRange, false, side);
    field->setObjectName(QLatin1String(name));
    field->allow_empty(tr("not known"));
    field->setToolTip(tr("How far one turn of the knob moves the axis; then turns are shown"));
    const auto keep = [this, pitch, name](std::optional<double> degrees) {
      workspace::Outside outside = document_.workspace().outside;
      outside.*pitch = degrees;
      edit(tr("Change a knob"), outside, name);
    };
    connect(field, &NumberField::entered, this, [keep](double degrees) { keep(degrees); });
    connect(field, &NumberField::emptied, this, [keep] { keep(std::nullopt); });
    column->addWidget(field);
    return field;
  };
  altitude_knob_ = knob("altitude-knob", tr("A turn of the altitude knob"),
                        &workspace::Outside::altitude_knob_deg);
  azimuth_knob_ =
      knob("azimuth-knob", tr("A turn of the azimuth knob"), &workspace::Outside::azimuth_knob_deg);
  return side;
}

bool DriftPage::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::KeyPress &&
      static_cast<QKeyEvent*>(event)->key() == Qt::Key_Delete) {
    remove_run();
    return true;
  }
  return QWidget::eventFilter(watched, event);
}

void DriftPage::edit(const QString& what, const workspace::Outside& outside,
                     const std::string& subject) {
  workspace::Workspace next = document_.workspace();
  next.outside = outside;
  document_.edit(what, next, EditKind::kSeparate, subject);
}

void DriftPage::choose_frame() {
  const bool in_picture = frame_->currentIndex() == 0;
  right_->setVisible(in_picture);
  up_->setVisible(in_picture);
  west_->setVisible(!in_picture);
  north_->setVisible(!in_picture);
  problem_->hide();
}

void DriftPage::time_run() {
  const auto camera_sees = [this] {
    return mount_.report().look && mount_.line() == Mount::Line::kHeld ? mount_.sun_in_field()
                                                                       : std::nullopt;
  };
  if (!begun_) {
    const auto& state = mount_.report().state;
    const bool driven = mount_.line() == Mount::Line::kHeld && state;
    if (driven && state->tracking == devices::Tracking::kOff) {
      problem_->setText(tr("The mount follows nothing: let it follow the Sun first"));
      problem_->show();
      return;
    }
    problem_->hide();
    if (driven) {
      set_rate(state->tracking == devices::Tracking::kSun ? align::Rate::kSolar
                                                          : align::Rate::kSidereal);
    }
    begun_ = runbook_.now();
    begun_moment_ = document_.moment();
    begun_at_ = camera_sees();
    watch_->setText(tr("End the run"));
    return;
  }
  run_minutes_ = std::max(kMinutesRange.low, sky::in_minutes(runbook_.now() - *begun_));
  begun_.reset();
  watch_->setText(tr("Begin a run"));
  if (const auto now = camera_sees(); now && begun_at_) {
    enter_seen(now->west_arcsec - begun_at_->west_arcsec,
               now->north_arcsec - begun_at_->north_arcsec);
  }
  minutes_->show_value(run_minutes_);
  follow();
}

void DriftPage::enter_seen(double west_arcsec, double north_arcsec) {
  frame_->setCurrentIndex(1);
  unit_->setCurrentIndex(static_cast<int>(align::DriftUnit::kArcseconds));
  entered_ = {std::nullopt, std::nullopt, west_arcsec, north_arcsec};
  west_->show_value(west_arcsec);
  north_->show_value(north_arcsec);
}

void DriftPage::set_rate(align::Rate rate) {
  workspace::Outside outside = document_.workspace().outside;
  if (outside.rate != rate) {
    outside.rate = rate;
    edit(tr("Change the rate"), outside);
  }
}

void DriftPage::begin_anew() {
  workspace::Outside outside = document_.workspace().outside;
  const align::PoleFit fit = workspace::axis_of(document_.workspace());
  if (fit.solvable() && mount_.can("hand.knobs")) {
    mount_.turn_knobs(-fit.error.altitude_deg, -fit.error.azimuth_deg);
  }
  outside.runs.clear();
  edit(tr("Begin anew after turning the knobs"), outside);
}

void DriftPage::complain(const QString& what) {
  problem_->setText(what);
  problem_->show();
}

void DriftPage::keep_run(const align::DriftRun& run) {
  problem_->hide();
  workspace::Outside outside = document_.workspace().outside;
  if (outside.runs.size() >= workspace::kMostDriftRuns) {
    complain(tr("%1 runs are enough: take old ones away first").arg(workspace::kMostDriftRuns));
    return;
  }
  outside.runs.push_back(run);
  edit(tr("Add a drift run"), outside);
}

void DriftPage::dragEnterEvent(QDragEnterEvent* event) {
  if (event->mimeData()->hasUrls()) {
    event->acceptProposedAction();
  }
}

void DriftPage::dropEvent(QDropEvent* event) {
  QStringList files;
  for (const QUrl& url : event->mimeData()->urls()) {
    files << url.toLocalFile();
  }
  measure_frames(files);
}

void DriftPage::choose_files() {
  if (worker_.busy()) {
    worker_.cancel();
    return;
  }
  const QStringList files = QFileDialog::getOpenFileNames(this, tr("Frames of a drifting Sun"),
                                                          QString(), picture_filter());
  if (!files.isEmpty()) {
    measure_frames(files);
  }
}

void DriftPage::measure_frames(const QStringList& files) {
  std::vector<std::filesystem::path> paths;
  for (const QString& file : files) {
    paths.emplace_back(file.toStdString());
  }
  const bool begun = worker_.start(
      [this, paths, observer = workspace::observer_of(document_.workspace()),
       celestial = document_.answers().celestial](const base::Task& task) -> Worker::Delivery {
        auto run =
            workspace::discs_in(paths, task).and_then([&](std::vector<align::DiscSeen> discs) {
              return align::run_of_frames(observer, std::move(discs), celestial);
            });
        return [this, run = std::move(run)] {
          if (run) {
            keep_run(*run);
          } else if (run.error().code != base::ErrorCode::kCancelled) {
            complain(error_text(run.error()));
          }
        };
      });
  if (!begun) {
    complain(tr("Other frames are being measured; stop that first."));
  }
}

void DriftPage::add_run() {
  const workspace::Answers& answers = document_.answers();
  align::SeenDrift seen;
  seen.in_picture = frame_->currentIndex() == 0;
  seen.right_or_west = entered_.at(seen.in_picture ? 0 : 2);
  seen.up_or_north = entered_.at(seen.in_picture ? 1 : 3);
  seen.unit = static_cast<align::DriftUnit>(unit_->currentIndex());
  const sky::UtcTime start =
      begun_moment_.value_or(document_.moment() - sky::minutes(run_minutes_));
  const auto run = align::run_seen(
      workspace::observer_of(document_.workspace()), start, run_minutes_ * kSecondsPerMinute, seen,
      {answers.celestial, answers.train.sampling_arcsec_px, answers.sun.semidiameter_arcsec()});
  if (!run) {
    complain(beside_field_text(run.error()));
    return;
  }
  entered_ = {};
  for (NumberField* field : {right_, up_, west_, north_}) {
    field->clear();
  }
  begun_moment_.reset();
  keep_run(*run);
}

void DriftPage::remove_run() {
  const int row = list_->currentRow();
  workspace::Outside outside = document_.workspace().outside;
  if (row < 0 || row >= static_cast<int>(outside.runs.size())) {
    return;
  }
  outside.runs.erase(outside.runs.begin() + row);
  edit(tr("Take a drift run away"), outside);
}

void DriftPage::show_runs() {
  const int row = list_->currentRow();
  list_->clear();
  for (const align::DriftRun& run : document_.workspace().outside.runs) {
    list_->addItem(run_words(run, document_.zone()));
  }
  list_->setCurrentRow(std::min(row, list_->count() - 1));
}

void DriftPage::show_fit(const align::PoleFit& fit) {
  const workspace::Workspace& space = document_.workspace();
  QStringList sentences;
  for (const align::Advice& advice : fit.advice) {
    if (advice.id != "measure-at") {
      sentences << text(words::advice_words(advice, voice()));
    }
  }
  const bool empty = space.outside.runs.empty();
  QStringList reasons;
  if (fit.solvable()) {
    reasons << tr("Good to %1\u2032 in altitude and %2\u2032 in azimuth.")
                   .arg(number(fit.altitude_sigma_deg * base::kArcminPerDeg, 1),
                        number(fit.azimuth_sigma_deg * base::kArcminPerDeg, 1));
  } else {
    reasons << tr(
        "Centre the Sun, note where its edge or a spot stands, wait five minutes with the "
        "mount driven. Two runs hours apart tell both errors.");
  }
  if (fit.next_hour_angle_deg && !empty) {
    const sky::UtcTime then = align::time_of_hour_angle(
        *fit.next_hour_angle_deg, workspace::observer_of(space), document_.moment());
    reasons << tr("One more run near %1 would tell most.").arg(clock_at(then, document_.zone()));
  }
  head_->say(
      empty ? tr("Let the Sun drift, and enter what it did.") : sentences.join(QStringLiteral(" ")),
      reasons.join(QStringLiteral(" ")));
  picture_->show_scene(pole_scene(document_, fit), head_->headline());
}

void DriftPage::show_left(const align::PoleFit& fit) {
  const workspace::Workspace& space = document_.workspace();
  const workspace::Answers& answers = document_.answers();
  const align::DriftLeft left = align::drift_left(fit.error, workspace::observer_of(space),
                                                  document_.moment(), space.outside.rate);
  const auto& train = answers.train;
  std::optional<double> field;
  if (train.field_width_arcmin && train.field_height_arcmin) {
    field = std::min(*train.field_width_arcmin, *train.field_height_arcmin);
  }
  const auto resolution =
      answers.limits ? std::optional(answers.limits->finest_arcsec()) : std::nullopt;
  const align::Stay stay =
      align::stay_of(left, field, answers.sun.semidiameter_arcsec(), resolution);
  left_->show_rows(
      {{fit.solvable() ? tr("Drift as it stands") : tr("Drift on a true axis"),
        tr("%1\u2033/min").arg(number(left.arcsec_min, 1)),
        tr("At this hour, the Sun's own way among it")},
       {tr("In the field for"),
        stay.in_field_min ? tr("%1 min").arg(number(*stay.in_field_min, 0)) : tr("not known"),
        tr("Until the limb of a centred Sun leaves it")},
       {tr("Longest clip"), stay.clip_s ? tr("%1 s").arg(number(*stay.clip_s, 0)) : tr("not known"),
        tr("Until the drift blurs half of the finest detail that can be had")}});
}

void DriftPage::follow() {
  const workspace::Workspace& space = document_.workspace();
  rate_->setCurrentIndex(static_cast<int>(space.outside.rate));
  minutes_->show_value(run_minutes_);
  const auto show_knob = [](NumberField* field, const std::optional<double>& degrees) {
    degrees ? field->show_value(*degrees) : field->clear();
  };
  show_knob(altitude_knob_, space.outside.altitude_knob_deg);
  show_knob(azimuth_knob_, space.outside.azimuth_knob_deg);
  show_runs();
  const bool hands = mount_.can("hand.knobs");
  turned_->setVisible(!space.outside.runs.empty());
  turned_->setText(hands ? tr("Turn the stand-in\u2019s knobs so") : tr("The knobs are turned"));
  turned_->setToolTip(
      tr("The runs are put away, since they tell of the axis as it was; undo "
         "brings them back"));
  const align::PoleFit fit = workspace::axis_of(space);
  turned_->setEnabled(!hands || fit.solvable());
  show_fit(fit);
  show_left(fit);
}

}  // namespace solarchon::app
