// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/capture_view.h"

#include <QActionGroup>
#include <QHBoxLayout>
#include <QMenu>
#include <QShortcut>
#include <QVBoxLayout>
#include <algorithm>
#include <utility>

#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/uncovered_line.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

CaptureView::CaptureView(const Models& models, QWidget* parent)
    : View(models, parent),
      plate_(new Plate(this)),
      live_plate_(new LivePlate(models.camera, this)),
      pictures_(new QStackedWidget(this)),
      panels_(new QStackedWidget(this)),
      live_panel_(new LivePanel(models, this)),
      look_(new QPushButton(this)),
      freeze_(new QPushButton(this)),
      full_size_(new QPushButton(this)),
      twice_(new QPushButton(this)),
      faint_(new QPushButton(this)),
      marks_(new QPushButton(this)),
      part_(new QComboBox(this)),
      turn_(new QPushButton(tr("Turn"), this)),
      take_(new QPushButton(tr("Take a frame"), this)),
      cancel_(new QPushButton(tr("Cancel"), this)),
      progress_(new QProgressBar(this)),
      hint_(new PlainLabel(this)),
      exposure_(new NumberField(tr("Exposure"), tr("ms"), {1e-4, 3.6e6}, false, this)),
      source_(new SourceBox(models.camera, models.folder, this)),
      figures_(new Figures(2, this)) {
  exposure_->allow_empty(tr("suggested"));
  exposure_->setToolTip(tr("Leave it empty to use the suggested exposure"));
  connect(exposure_, &NumberField::entered, this,
          [this](double value) { this->models().camera.expose(value); });
  connect(exposure_, &NumberField::emptied, this, [this] { this->models().camera.expose({}); });
  if (const auto chosen = models.camera.exposure_ms()) {
    exposure_->show_value(*chosen);
  }
  look_->setObjectName(QStringLiteral("look"));
  look_->setProperty("main", true);
  look_->setMinimumHeight(Theme::px(48));
  look_->setFont(Theme::font(TextSize::kLarge, true));
  connect(look_, &QPushButton::clicked, this, &CaptureView::look_or_stop);
  take_->setObjectName(QStringLiteral("take-frame"));
  take_->setMinimumHeight(Theme::px(48));
  take_->setToolTip(tr(
      "Files the frame that the camera shows, measured; without a camera one is simulated (F5)"));
  connect(take_, &QPushButton::clicked, this, &CaptureView::take);
  const auto on_key = [this](const QKeySequence& key, const auto& work) {
    auto* shortcut = new QShortcut(key, this);
    connect(shortcut, &QShortcut::activated, this, work);
  };
  on_key(Qt::Key_F4, [this] { look_or_stop(); });
  on_key(Qt::Key_F5, [this] { take(); });
  const auto on_live_key = [&](const QKeySequence& key, auto work) {
    on_key(key, [this, work] {
      if (this->models().camera.looking()) {
        (live_panel_->*work)();
      }
    });
  };
  on_live_key(Qt::Key_F6, &LivePanel::record_or_stop);
  on_live_key(QKeySequence(Qt::SHIFT | Qt::Key_F6), &LivePanel::series_or_stop);
  on_live_key(QKeySequence(Qt::SHIFT | Qt::Key_F5), &LivePanel::climb_or_stop);
  on_live_key(Qt::Key_F11, &LivePanel::focus_or_stop);
  on_live_key(Qt::Key_F12, &LivePanel::tune_or_stop);
  connect(&live_panel_->ladder(), &LadderPage::shows, live_plate_, &LivePlate::show_still);
  connect(&live_panel_->ladder(), &LadderPage::chosen, this, [this](double exposure_ms) {
    exposure_->show_value(exposure_ms);
    this->models().camera.expose(exposure_ms);
  });
  connect(live_plate_, &LivePlate::pointedAt, &models.camera, &LiveCamera::set_cross);
  connect(cancel_, &QPushButton::clicked, this, [this] { this->frame().worker().cancel(); });
  connect(&frame().worker(), &Worker::progressed, this,
          [this](double fraction) { progress_->setValue(static_cast<int>(100.0 * fraction)); });
  connect(&frame().worker(), &Worker::busyChanged, this, [this] { follow(); });
  connect(&models.camera, &LiveCamera::changed, this, [this] {
    if (isVisible()) {
      follow_live();
    }
  });
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(16, 12, 16, 12);
  column->setSpacing(6);
  column->addWidget(new UncoveredLine(models.document, this));
  auto* content = new QWidget(this);
  new PictureWithPanel(build_picture(), build_side(), 320, content);
  column->addWidget(content, 1);
}

QWidget* CaptureView::build_picture() {
  pictures_->addWidget(plate_);
  pictures_->addWidget(live_plate_);
  ways_ = new QWidget(this);
  auto* row = new QHBoxLayout(ways_);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(8);
  const auto add = [&](QPushButton* button, const QString& name, const QString& words,
                       const QString& reason, const QKeySequence& key) {
    button->setObjectName(name);
    button->setText(words);
    button->setToolTip(tr("%1 (%2)").arg(reason, key.toString(QKeySequence::NativeText)));
    button->setCheckable(true);
    button->setProperty("switch", true);
    button->setProperty("first", true);  // each stands by itself
    button->setProperty("narrow", true);
    button->setMinimumHeight(Theme::px(36));
    auto* shortcut = new QShortcut(key, this);
    connect(shortcut, &QShortcut::activated, this, [this, button] {
      if (ways_->isVisible()) {
        button->toggle();
      }
    });
    connect(button, &QPushButton::toggled, this, &CaptureView::draw_so);
    row->addWidget(button);
  };
  add(freeze_, QStringLiteral("hold"), tr("Hold"), tr("Keeps this picture; frames go on behind it"),
      QKeySequence(Qt::Key_F7));
  add(full_size_, QStringLiteral("full-size"), tr("1:1"), tr("About the cross, pixel by pixel"),
      QKeySequence(Qt::Key_F8));
  add(twice_, QStringLiteral("twice-size"), tr("2:1"),
      tr("About the cross, each pixel on two by two"), QKeySequence(Qt::Key_F3));
  connect(full_size_, &QPushButton::toggled, this, [this](bool on) {
    if (on) {
      twice_->setChecked(false);
    }
  });
  connect(twice_, &QPushButton::toggled, this, [this](bool on) {
    if (on) {
      full_size_->setChecked(false);
    }
  });
  add(faint_, QStringLiteral("lift-faint"), tr("Lift the faint"),
      tr("Draws what is faint brighter; the file stays as it is"), QKeySequence(Qt::Key_F9));
  add(marks_, QStringLiteral("marks"), tr("Marks"),
      tr("Ring, drift, cross, scale and what is clipped"), QKeySequence(Qt::Key_F10));
  marks_->setChecked(true);
  part_->setObjectName(QStringLiteral("record-part"));
  part_->setAccessibleName(tr("Part of the sensor that is read"));
  part_->addItem(tr("Whole"), 1.0);
  part_->addItem(tr("Half"), 0.5);
  part_->addItem(tr("Quarter"), 0.25);
  part_->setToolTip(
      tr("Of each side, about the cross, which a click on the picture sets; fewer rows come "
         "oftener"));
  part_->setMinimumHeight(Theme::px(36));
  connect(part_, &QComboBox::activated, this,
          [this] { this->models().camera.read_part(part_->currentData().toDouble()); });
  row->addWidget(part_);
  build_turn();
  row->addWidget(turn_);
  row->addStretch(1);
  auto* picture = new QWidget(this);
  auto* column = new QVBoxLayout(picture);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  column->addWidget(pictures_, 1);
  column->addWidget(ways_);
  return picture;
}

void CaptureView::build_turn() {
  turn_->setObjectName(QStringLiteral("picture-way"));
  turn_->setToolTip(tr("How the picture is turned for the eye; the file stays as it is (F2)"));
  turn_->setMinimumHeight(Theme::px(36));
  turn_->setProperty("narrow", true);
  auto* menu = new QMenu(turn_);
  auto* one_of = new QActionGroup(menu);
  const QStringList ways{tr("As it comes"), tr("North up, by quarter turns"), tr("Half a turn"),
                         tr("Mirrored"), tr("Upside down")};
  for (int i = 0; i < ways.size(); ++i) {
    QAction* action = menu->addAction(ways.at(i));
    action->setCheckable(true);
    action->setChecked(i == 0);
    one_of->addAction(action);
    connect(action, &QAction::triggered, this, [this, i] {
      way_ = static_cast<LivePlate::Way>(i);
      draw_so();
    });
  }
  turn_->setMenu(menu);
  auto* shortcut = new QShortcut(Qt::Key_F2, this);
  connect(shortcut, &QShortcut::activated, this, [this] {
    if (ways_->isVisible()) {
      turn_->showMenu();
    }
  });
}

QWidget* CaptureView::build_side() {
  hint_->setWordWrap(true);
  hint_->setProperty("role", "faint");
  progress_->setAccessibleName(tr("Progress"));
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  auto* buttons = new QHBoxLayout;
  buttons->setSpacing(8);
  buttons->addWidget(look_, 3);
  buttons->addWidget(take_, 2);
  column->addLayout(buttons);
  column->addWidget(exposure_);
  column->addWidget(hint_);
  column->addWidget(source_);
  auto* work = new QHBoxLayout;
  work->addWidget(progress_, 1);
  work->addWidget(cancel_);
  column->addLayout(work);
  column->addWidget(panels_, 1);
  auto* single = new QWidget(panels_);
  auto* lines = new QVBoxLayout(single);
  lines->setContentsMargins(0, 0, 0, 0);
  lines->addWidget(figures_);
  lines->addStretch(1);
  panels_->addWidget(single);
  panels_->addWidget(live_panel_);
  return side;
}

void CaptureView::show_page(const QString& id) {
  LiveCamera& camera = models().camera;
  if (id == page()) {
    return;
  }
  if (!camera.looking() && !camera.opening()) {
    camera.look();
  }
  const bool focus = id == QLatin1String("capture-focus");
  begins_ = focus                                   ? &LivePanel::focus_or_stop
            : id == QLatin1String("capture-ladder") ? &LivePanel::climb_or_stop
                                                    : nullptr;
  live_panel_->turn_to(focus                                   ? QStringLiteral("focus")
                       : id == QLatin1String("capture-tuning") ? QStringLiteral("tuning")
                       : id == QLatin1String("capture-ladder") ? QStringLiteral("ladder")
                       : id == QLatin1String("capture-series") ? QStringLiteral("series")
                                                               : QStringLiteral("now"));
}

bool CaptureView::settled() const {
  const LiveCamera& camera = models().camera;
  return !frame().worker().busy() && !camera.opening() &&
         (!camera.looking() || camera.glance().frame != nullptr);
}

bool CaptureView::complete() const {
  const LiveCamera& camera = models().camera;
  const capture::Glance& glance = camera.glance();
  const auto& heater = glance.hands.heater;
  const bool warm = !heater || (heater->on_band && heater->wait_s.value_or(0.0) <= 0.0);
  return !camera.looking() || glance.ended ||
         (warm && glance.judgement.limit != live::Limit::kNotYet && begins_ == nullptr &&
          (!glance.focusing || capture::over(glance.focusing->stage)) &&
          (!glance.exposing || capture::over(glance.exposing->stage)));
}

void CaptureView::look_or_stop() {
  LiveCamera& camera = models().camera;
  if (camera.looking() || camera.opening()) {
    camera.stop();
  } else if (look_->isEnabled()) {
    camera.look();
  }
  follow();
}

void CaptureView::open_file(const QString& file) { models().camera.play(file); }

void CaptureView::draw_so() {
  live_plate_->draw_so({freeze_->isChecked(),
                        full_size_->isChecked() ? 1
                        : twice_->isChecked()   ? 2
                                                : 0,
                        faint_->isChecked(), marks_->isChecked(), way_});
}

void CaptureView::follow_live() {
  const LiveCamera& camera = models().camera;
  const bool live = camera.looking() || camera.opening();
  // The frames of a clip that is played are in the clip already, and nobody said behind what.
  take_->setEnabled(may_take_ && (!camera.looking() || camera.knows_path()));
  look_->setText(live ? tr("Stop looking") : tr("Look live"));
  look_->setToolTip(live ? tr("Lets the camera go (F4)")
                         : tr("Looks through the camera behind this light path (F4)"));
  pictures_->setCurrentWidget(live ? static_cast<QWidget*>(live_plate_) : plate_);
  panels_->setCurrentIndex(live ? 1 : 0);
  // Out of sight it asks for no room.
  live_panel_->setSizePolicy(QSizePolicy::Preferred,
                             live ? QSizePolicy::Preferred : QSizePolicy::Ignored);
  ways_->setVisible(live);
  hint_->setVisible(!live);
  source_->setVisible(!live);
  part_->setEnabled(camera.cuts() && !camera.recording() && !camera.in_series());
  part_->setCurrentIndex(part_->findData(camera.part()));
  if (live) {
    live_plate_->follow();
    live_panel_->follow();
    if (begins_ != nullptr && camera.glance().hands.focuser) {
      (live_panel_->*std::exchange(begins_, nullptr))();
    }
  }
}

Readiness CaptureView::readiness() const {
  const workspace::Answers& answers = document().answers();
  if (answers.safety.verdict == safety::Severity::kStop) {
    return {safety::Severity::kStop, why_of(answers.safety.findings.front())};
  }
  if (!answers.exposure) {
    return {safety::Severity::kCheck, tr("The Sun is down, or there is no camera")};
  }
  return {};
}

void CaptureView::take() {
  if (take_->isEnabled()) {
    // What is looked through is what is taken; without a camera one is simulated.
    const LiveCamera& camera = models().camera;
    if (camera.looking() && camera.glance().frame) {
      frame().keep(document().workspace(), camera.glance().frame, document().moment());
    } else {
      frame().take(document().workspace(), document().answers(), camera.exposure_ms());
    }
  }
}

QString CaptureView::taken_words(sky::UtcTime time) const {
  const QTimeZone zone = document().zone();
  const QString clock = clock_at(time, zone, true);
  const QString date = date_at(time, zone);
  return date == date_at(document().moment(), zone) ? clock : tr("%1, %2").arg(date, clock);
}

void CaptureView::follow() {
  const Readiness ready = readiness();
  const bool busy = frame().worker().busy();
  const workspace::Answers& answers = document().answers();
  const bool may = ready.state != safety::Severity::kStop && answers.exposure.has_value();
  may_take_ = !busy && may;
  look_->setEnabled(may || models().camera.looking());
  follow_live();
  progress_->setVisible(busy);
  cancel_->setVisible(busy);
  if (ready.state == safety::Severity::kStop) {
    hint_->setText(tr("Stopped: %1 See the light path.").arg(ready.reason));
  } else if (const auto exposure_ms =
                 workspace::target_exposure_ms(document().workspace(), answers)) {
    hint_->setText(tr("Suggested now: %1 with the Sun %2\u00b0 high")
                       .arg(exposure_text(*exposure_ms), number(answers.local.altitude_deg, 0)));
  } else {
    hint_->setText(ready.reason);
  }
  plate_->show_frame(frame().shown());
  const auto& shown = frame().shown();
  if (!shown) {
    figures_->show_rows({});
    return;
  }
  const QString none = QStringLiteral("\u2013");
  const image::FrameInfo& info = shown->frame.info;
  std::vector<Figures::Row> rows{
      {tr("Taken"), info.time ? taken_words(*info.time) : none},
      {tr("Exposure"), info.exposure_ms ? exposure_text(*info.exposure_ms) : none}};
  if (shown->measurement) {
    const disc::LimbFit& limb = shown->measurement->limb;
    if (shown->measurement->spots_sought) {
      rows.push_back(
          {tr("Spots found"), number(static_cast<double>(shown->measurement->spots.size()), 0)});
    }
    rows.push_back({tr("Softness of the limb"), tr("%1 px").arg(number(limb.blur_px, 2)),
                    tr("Standard deviation of the edge: seeing, focus and sampling together")});
    rows.push_back({tr("Saturated"), limb.saturated ? tr("yes: shorten") : tr("no")});
  } else {
    rows.push_back({tr("Limb"), shown->problem});
  }
  figures_->show_rows(rows);
}

}  // namespace solarchon::app
