// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/focus_page.h"

#include <QHBoxLayout>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr double kUmPerMm = 1000.0;
/// A tube that has changed by so much has left its focus.
constexpr double kWarmthCounts_k = 2.0;

}  // namespace

FocusPage::FocusPage(LiveCamera& camera, QWidget* parent)
    : QWidget(parent),
      camera_(camera),
      plot_(new RunPlot(this)),
      says_(new PlainLabel(this)),
      inwards_(new QPushButton(tr("In"), this)),
      outwards_(new QPushButton(tr("Out"), this)),
      position_(new NumberField(tr("Drawtube"), tr("mm"), {-1000.0, 1000.0}, false, this)),
      run_(new QPushButton(this)) {
  plot_->setObjectName(QStringLiteral("focus-plot"));
  plot_->setAccessibleName(tr("Width of the edge at each place of the focuser"));
  says_->setObjectName(QStringLiteral("focus-says"));
  says_->setWordWrap(true);
  position_->setObjectName(QStringLiteral("focus-position"));
  connect(position_, &NumberField::entered, this,
          [this](double mm) { camera_.focus_to(kUmPerMm * mm); });
  const auto set_up = [this](QPushButton* button, const QString& name, double depths) {
    button->setObjectName(name);
    button->setMinimumHeight(Theme::px(40));
    button->setAutoRepeat(true);
    button->setToolTip(tr("By half of the depth of focus"));
    connect(button, &QPushButton::clicked, this, [this, depths] { step(depths); });
  };
  set_up(inwards_, QStringLiteral("focus-in"), -1.0);
  set_up(outwards_, QStringLiteral("focus-out"), 1.0);
  run_->setObjectName(QStringLiteral("focus-run"));
  run_->setMinimumHeight(Theme::px(40));
  connect(run_, &QPushButton::clicked, this, &FocusPage::run_or_stop);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  column->addWidget(plot_, 1);
  column->addWidget(says_);
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  row->addWidget(inwards_, 1, Qt::AlignTop);
  row->addWidget(outwards_, 1, Qt::AlignTop);
  row->addWidget(run_, 2, Qt::AlignTop);
  column->addWidget(position_);
  column->addLayout(row);
}

void FocusPage::step(double depths) {
  if (const auto& focuser = camera_.glance().hands.focuser) {
    camera_.focus_to(focuser->position_um + depths * camera_.focus_depth_um());
  }
}

void FocusPage::run_or_stop() {
  const auto& run = camera_.glance().focusing;
  if (run && !capture::over(run->stage)) {
    camera_.stop_run();
  } else {
    seen_.clear();
    camera_.find_focus();
  }
}

QString FocusPage::words_of(const capture::FocusRunState& run) const {
  switch (run.stage) {
    case capture::RunStage::kGoing:
    case capture::RunStage::kLooking:
      return tr("Pass %1, place %2 of %3.")
          .arg(number(run.pass + 1, 0), number(run.place + 1, 0), number(run.places, 0));
    case capture::RunStage::kReturning:
      return tr("Going to the best place, from inside.");
    case capture::RunStage::kDone:
      break;
    case capture::RunStage::kFailed:
      return run.problem && run.problem->field == "focuser"
                 ? tr("The focuser does not go where it is sent. Is something holding it?")
                 : tr("No place was better than its neighbours. More light, the limb in sight, or "
                      "a "
                      "start nearer to focus helps.");
  }
  const live::FocusFit& fit = *run.fit;
  return tr("In focus at %1 mm \u00b1 %2 \u00b5m.")
      .arg(number(fit.position_um.value / kUmPerMm, 2), number(fit.position_um.spread, 0));
}

void FocusPage::see(const capture::Glance& glance) {
  const auto& focuser = glance.hands.focuser;
  if (glance.focusing && capture::over(glance.focusing->stage) && glance.focusing->by_edge) {
    for (const live::FocusPoint& point : glance.focusing->points) {
      seen_[std::lround(point.position_um)] = point.width;
    }
  } else if (focuser && !focuser->moving && !glance.focusing && glance.readings.edge_arcsec) {
    seen_[std::lround(focuser->position_um)] = glance.readings.edge_arcsec->value;
  }
}

RunPlot::Picture FocusPage::picture_of(const capture::FocusRunState& run) const {
  RunPlot::Picture picture;
  picture.up = run.by_edge ? tr("Width of the edge") : tr("Lack of detail, of the least");
  picture.unit = run.by_edge ? QStringLiteral("\u2033") : QString();
  // Detail has no unit: against the best.
  double unit = 1.0;
  if (!run.by_edge && !run.points.empty()) {
    unit = std::min_element(run.points.begin(), run.points.end(), [](auto& a, auto& b) {
             return a.width < b.width;
           })->width;
  }
  for (const live::FocusPoint& point : run.points) {
    picture.points.emplace_back(point.position_um / kUmPerMm, point.width / unit);
  }
  if (run.fit && run.points.size() > 2) {
    const live::FocusFit& fit = *run.fit;
    picture.best = fit.position_um.value / kUmPerMm;
    const double from = run.points.front().position_um;
    const double to = run.points.back().position_um;
    constexpr int kSteps = 60;
    for (int i = 0; i <= kSteps; ++i) {
      const double at = std::lerp(from, to, static_cast<double>(i) / kSteps);
      const double width = std::hypot(fit.width, (at - fit.position_um.value) / fit.um_per_width);
      picture.curve.emplace_back(at / kUmPerMm, width / unit);
    }
  }
  return picture;
}

RunPlot::Picture FocusPage::picture_by_hand() const {
  RunPlot::Picture picture;
  picture.up = tr("Width of the edge");
  picture.unit = QStringLiteral("\u2033");
  picture.empty = tr("No limb in sight");
  for (const auto& [at_um, edge_arcsec] : seen_) {
    picture.points.emplace_back(static_cast<double>(at_um) / kUmPerMm, edge_arcsec);
  }
  return picture;
}

QString FocusPage::words_by_hand(double at_um) const {
  if (seen_.size() < 2) {
    return tr("A run tries places about this one and goes to the best; it takes about a minute.");
  }
  const auto narrowest = std::min_element(
      seen_.begin(), seen_.end(), [](const auto& a, const auto& b) { return a.second < b.second; });
  const QString best = tr("Narrowest so far: %1\u2033 at %2 mm.")
                           .arg(number(narrowest->second, 1),
                                number(static_cast<double>(narrowest->first) / kUmPerMm, 2));
  return std::lround(at_um) == narrowest->first
             ? best
             : best + QStringLiteral(" ") + tr("Turn back to it.");
}

void FocusPage::follow_motor(const devices::FocuserState& focuser) {
  const auto& run = camera_.glance().focusing;
  RunPlot::Picture picture = run ? picture_of(*run) : picture_by_hand();
  picture.left = tr("in");
  picture.right = tr("out");
  picture.now = focuser.position_um / kUmPerMm;
  QString words = run ? words_of(*run) : words_by_hand(focuser.position_um);
  if (run && run->stage == capture::RunStage::kDone) {
    found_at_c_ = run->temperature_c;
  }
  if (focuser.temperature_c) {
    words += QStringLiteral(" ") + tr("Tube %1.").arg(celsius(*focuser.temperature_c));
    if (found_at_c_ && std::abs(*focuser.temperature_c - *found_at_c_) > kWarmthCounts_k) {
      words += QStringLiteral(" ") +
               tr("It was %1 when focus was found: look again.").arg(celsius(*found_at_c_));
    }
  }
  plot_->show_picture(picture);
  plot_->setAccessibleDescription(words);
  says_->setText(words);
  position_->show_value(std::round(focuser.position_um) / kUmPerMm);
}

void FocusPage::follow() {
  const capture::Glance& glance = camera_.glance();
  const bool motor = glance.hands.focuser.has_value();
  const bool runs = glance.focusing && !capture::over(glance.focusing->stage);
  for (QWidget* one : {static_cast<QWidget*>(inwards_), static_cast<QWidget*>(outwards_),
                       static_cast<QWidget*>(position_)}) {
    one->setEnabled(motor && !runs);
  }
  run_->setEnabled(motor);
  run_->setText(runs ? tr("Stop") : tr("Find the focus"));
  run_->setToolTip(tr("Tries places with the motor and goes to the best (F11)"));
  if (motor) {
    see(glance);
    follow_motor(*glance.hands.focuser);
    return;
  }
  seen_.clear();
  RunPlot::Picture picture;
  picture.empty = tr("No motor");
  plot_->show_picture(picture);
  says_->setText(tr("Nothing can be turned from here."));
}

}  // namespace solarchon::app
