// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/capture_view.h"

#include <QHBoxLayout>
#include <QShortcut>
#include <QVBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/beside.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

CaptureView::CaptureView(const Models& models, QWidget* parent)
    : View(models, parent),
      plate_(new Plate(this)),
      take_(new QPushButton(tr("Take a frame"), this)),
      cancel_(new QPushButton(tr("Cancel"), this)),
      progress_(new QProgressBar(this)),
      hint_(new PlainLabel(this)),
      exposure_(new NumberField(tr("Exposure"), tr("ms"), {1e-4, 3.6e6}, false, this)),
      figures_(new Figures(2, this)) {
  exposure_->allow_empty(tr("suggested"));
  exposure_->setToolTip(tr("Leave it empty to use the suggested exposure"));
  connect(exposure_, &NumberField::entered, this,
          [this](double value) { this->frame().choose_exposure(value); });
  connect(exposure_, &NumberField::emptied, this, [this] { this->frame().choose_exposure({}); });
  if (const auto chosen = frame().chosen_exposure_ms()) {
    exposure_->show_value(*chosen);
  }
  take_->setProperty("main", true);
  take_->setObjectName(QStringLiteral("take-frame"));
  take_->setMinimumHeight(Theme::px(56));
  take_->setFont(Theme::font(TextSize::kLarge, true));
  take_->setToolTip(tr("Simulates the exposure, measures the frame and files both (F5)"));
  connect(take_, &QPushButton::clicked, this, &CaptureView::take);
  auto* key = new QShortcut(QKeySequence(Qt::Key_F5), this);
  connect(key, &QShortcut::activated, this, &CaptureView::take);
  connect(cancel_, &QPushButton::clicked, this, [this] { this->frame().worker().cancel(); });
  connect(&frame().worker(), &Worker::progressed, this,
          [this](double fraction) { progress_->setValue(static_cast<int>(100.0 * fraction)); });
  connect(&frame().worker(), &Worker::busyChanged, this, [this] { follow(); });
  auto* row = new Beside(plate_, build_side(), 320, this);
  row->setContentsMargins(16, 12, 16, 12);
}

QWidget* CaptureView::build_side() {
  hint_->setWordWrap(true);
  hint_->setProperty("role", "faint");
  progress_->setAccessibleName(tr("Progress"));
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  column->addWidget(take_);
  column->addWidget(exposure_);
  column->addWidget(hint_);
  auto* work = new QHBoxLayout;
  work->addWidget(progress_, 1);
  work->addWidget(cancel_);
  column->addLayout(work);
  column->addSpacing(12);
  column->addWidget(figures_);
  column->addStretch(1);
  return side;
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
    frame().take(document().workspace(), document().answers());
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
  take_->setEnabled(!busy && ready.state != safety::Severity::kStop && answers.exposure);
  progress_->setVisible(busy);
  cancel_->setVisible(busy);
  if (ready.state == safety::Severity::kStop) {
    hint_->setText(tr("Stopped: %1 See the light path.").arg(ready.reason));
  } else if (answers.exposure) {
    hint_->setText(tr("Suggested now: %1 with the Sun %2\u00b0 high")
                       .arg(exposure_text(answers.exposure->exposure_ms),
                            number(answers.local.altitude_deg, 0)));
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
  const frames::FrameInfo& info = shown->frame.info;
  std::vector<Figures::Row> rows{
      {tr("Taken"), info.time ? taken_words(*info.time) : none},
      {tr("Exposure"), info.exposure_ms ? exposure_text(*info.exposure_ms) : none}};
  if (shown->measurement) {
    const measure::LimbFit& limb = shown->measurement->limb;
    rows.push_back(
        {tr("Spots found"), number(static_cast<double>(shown->measurement->spots.size()), 0)});
    rows.push_back({tr("Softness of the limb"), tr("%1 px").arg(number(limb.blur_px, 2)),
                    tr("Standard deviation of the edge: seeing, focus and sampling together")});
    rows.push_back({tr("Saturated"), limb.saturated ? tr("yes: shorten") : tr("no")});
  } else {
    rows.push_back({tr("Limb"), shown->problem});
  }
  figures_->show_rows(rows);
}

}  // namespace solarchon::app
