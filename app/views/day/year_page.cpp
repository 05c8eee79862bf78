// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/year_page.h"

#include <QDateTime>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/model/current_frame.h"
#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/day/plan_words.h"

namespace solarchon::app {

namespace {

constexpr int kWeeksDays = 28;
constexpr std::size_t kMostWindows = 8;

}  // namespace

YearPage::YearPage(const Models& models, QWidget* parent)
    : QWidget(parent),
      models_(models),
      document_(models.document),
      chart_(new YearChart(models.document, this)) {
  new PictureWithPanel(chart_, build_side(), 300, this);
  connect(&models.frame, &CurrentFrame::shownChanged, this, [this] {
    if (isVisible()) {
      follow();
    }
  });
}

QWidget* YearPage::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  auto* title = new PlainLabel(tr("Best windows, next four weeks"), side);
  title->setFont(Theme::font(TextSize::kMedium, true));
  target_ = new PlainLabel(side);
  target_->setObjectName(QStringLiteral("window-target"));
  target_->setWordWrap(true);
  target_->setProperty("role", "faint");
  minutes_field_ =
      new NumberField(tr("For a run of"), tr("min"), plan::kWindowMinutesRange, false, side);
  minutes_field_->setObjectName(QStringLiteral("window-minutes"));
  list_ = new QListWidget(side);
  list_->setObjectName(QStringLiteral("best-windows"));
  list_->setAccessibleName(tr("Best windows"));
  list_->setWordWrap(true);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  list_->setToolTip(tr("By the finest detail that the expected air leaves; overcast hours last"));
  plan_ = new QPushButton(tr("Plan a run there"), side);
  plan_->setObjectName(QStringLiteral("plan-window"));
  plan_->setProperty("main", true);
  column->addWidget(title);
  column->addWidget(target_);
  column->addWidget(minutes_field_);
  column->addWidget(list_, 1);
  column->addWidget(plan_);
  connect(minutes_field_, &NumberField::entered, this, [this](double minutes) {
    workspace::Workspace next = document_.workspace();
    next.wishes.window_minutes = minutes;
    document_.edit(tr("Change the length looked for"), next, EditKind::kPlan, "window-minutes");
  });
  connect(list_, &QListWidget::itemActivated, this, &YearPage::look_at_chosen);
  connect(list_, &QListWidget::itemClicked, this, &YearPage::look_at_chosen);
  connect(list_, &QListWidget::currentRowChanged, this,
          [this](int chosen) { plan_->setEnabled(chosen >= 0); });
  connect(plan_, &QPushButton::clicked, this, &YearPage::plan_chosen);
  return side;
}

std::optional<plan::Feature> YearPage::feature() const {
  const auto& shown = models_.frame.shown();
  if (document_.workspace().target != workspace::Target::kLargestSpot || !shown ||
      !shown->measurement || shown->measurement->spots.empty()) {
    return std::nullopt;
  }
  const measure::SpotMeasurement& spot = shown->measurement->spots.front();
  if (!spot.latitude_deg || !spot.carrington_longitude_deg || !shown->frame.info.time) {
    return std::nullopt;
  }
  return plan::Feature{*spot.latitude_deg, *spot.carrington_longitude_deg, *shown->frame.info.time};
}

YearPage::Wish YearPage::wish() const {
  const workspace::Workspace& space = document_.workspace();
  Wish wish{document_.day().date.year,
            document_.day().date,
            {.observer = workspace::observer_of(space)},
            0,
            space.wishes.window_minutes,
            feature()};
  wish.outlook.wishes.surroundings = space.wishes.surroundings;
  wish.outlook.wishes.forecast = space.wishes.forecast;
  wish.outlook.experience = document_.experience();
  wish.notes = document_.experience().seeing.notes();
  return wish;
}

bool YearPage::same_year(const Wish& one, const Wish& other) const {
  return one.year == other.year && one.outlook.observer == other.outlook.observer;
}

bool YearPage::same_windows(const Wish& one, const Wish& other) const {
  const auto longitude = [](const Wish& wish) {
    return wish.feature ? wish.feature->carrington_longitude_deg : -1.0;
  };
  return one.from == other.from && one.outlook.observer == other.outlook.observer &&
         one.outlook.wishes == other.outlook.wishes && one.notes == other.notes &&
         one.minutes == other.minutes && longitude(one) == longitude(other);
}

bool YearPage::is_current() const { return done_ && same(*done_, wish()); }

bool YearPage::same(const Wish& one, const Wish& other) const {
  return same_year(one, other) && same_windows(one, other);
}

void YearPage::work() {
  const Wish wanted = wish();
  if (!wishes_.settled() && asked_ && same(*asked_, wanted)) {
    return;  // it is on its way
  }
  asked_ = wanted;
  const auto kept = done_ && same_year(*done_, wanted) ? chart_->year() : nullptr;
  const auto work = [this, wanted, kept,
                     from = document_.day().start](const base::Task& task) -> Worker::Delivery {
    auto year = kept;
    if (!year) {
      auto made = plan::year_ahead(wanted.year, wanted.outlook.observer,
                                   wanted.outlook.least_altitude_deg, task);
      if (!made) {
        return [] {};
      }
      year = std::make_shared<const plan::YearAhead>(std::move(*made));
    }
    auto windows = plan::coming_windows(wanted.outlook, from, kWeeksDays, wanted.minutes,
                                        wanted.feature, task);
    if (!windows) {
      return [] {};
    }
    std::sort(windows->begin(), windows->end(),
              [](const auto& one, const auto& other) { return plan::better(one, other); });
    windows->resize(std::min(windows->size(), kMostWindows));
    return [this, wanted, year, windows = std::move(*windows)] {
      done_ = wanted;
      chart_->show_year(year);
      windows_ = windows;
      show_windows();
    };
  };
  wishes_.wish(work, LatestJob::Old::kStops);
}

void YearPage::show_windows() {
  const QTimeZone zone = document_.zone();
  list_->clear();
  for (const plan::BestWindow& window : windows_) {
    const QDateTime start = QDateTime::fromMSecsSinceEpoch(window.window.start.unix_ms, zone);
    QString words = tr("%1, %2\n%3\u2033, details of %4 km; Sun %5\u00b0 high")
                        .arg(QLocale().toString(start.date(), QStringLiteral("ddd d MMMM")),
                             span_words(window.window, zone), number(window.seeing.arcsec, 1),
                             number(std::round(window.detail_km / 50.0) * 50.0, 0),
                             number(window.altitude_deg, 0));
    if (window.feature) {
      const double west = window.feature->from_meridian_deg;
      words += '\n' + (west < 0.0 ? tr("Spot %1\u00b0 east of the middle")
                                  : tr("Spot %1\u00b0 west of the middle"))
                          .arg(number(std::abs(west), 0));
    }
    if (window.sky) {
      words += '\n' + tr("By the forecast: %1").arg(name_of(plan::state_of(*window.sky)));
    }
    list_->addItem(words);
  }
  if (windows_.empty()) {
    list_->addItem(
        tr("None: the Sun never stands clear that long, or the spot is behind the limb."));
    list_->item(0)->setFlags(Qt::NoItemFlags);
  }
  plan_->setEnabled(false);
}

void YearPage::look_at_chosen() {
  const int chosen = list_->currentRow();
  if (chosen >= 0 && chosen < static_cast<int>(windows_.size())) {
    document_.look_at(windows_[static_cast<std::size_t>(chosen)].window.start);
  }
}

void YearPage::plan_chosen() {
  const int chosen = list_->currentRow();
  if (chosen < 0 || chosen >= static_cast<int>(windows_.size())) {
    return;
  }
  const plan::BestWindow window = windows_[static_cast<std::size_t>(chosen)];
  workspace::Workspace next = document_.workspace();
  if (next.wishes.runs.size() >= plan::kMostRuns) {
    models_.trouble.tell(tr("A plan holds 500 runs at most; remove old ones first"));
    return;
  }
  plan::Run run;
  run.name = tr("Best air").toStdString();
  run.start = window.window.start;
  run.minutes = next.wishes.window_minutes;
  next.wishes.runs.push_back(run);
  document_.edit(tr("Add run"), next);
  document_.look_at(run.start);
  emit planAsked();
}

void YearPage::follow() {
  minutes_field_->show_value(document_.workspace().wishes.window_minutes);
  const bool spot = document_.workspace().target == workspace::Target::kLargestSpot;
  target_->setText(
      !spot       ? tr("Target: whole disc. The finest detail that the air leaves.")
      : feature() ? tr("Target: the largest spot of the frame that was measured last.")
                  : tr("Target: largest spot; none is measured yet, so the air alone decides."));
  if (!is_current()) {
    work();
  }
}

}  // namespace solarchon::app
