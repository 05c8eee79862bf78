// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/day_sheet.h"

#include <QDateTime>
#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/plain_tips.h"
#include "app/shell/theme.h"
#include "app/views/day/plan_words.h"
#include "solarchon/words/plan.h"

namespace solarchon::app {

namespace {

constexpr double kHoursHigh = 22.0;
constexpr double kGap = 8.0;
constexpr double kEndGrip = 8.0;
constexpr double kRunsHigh = 48.0;
constexpr double kCloudHigh = 20.0;
constexpr double kLeastFree = 116.0;  // for the Sun and the air: three lines of words each
constexpr sky::Duration kAround = sky::minutes(30.0);

QString minutes_words(double minutes) {
  return DaySheet::tr("%1 min").arg(number(minutes, minutes < 9.95 ? 1 : 0));
}

}  // namespace

DaySheet::DaySheet(Document& document, QWidget* parent) : Drawing(parent), document_(document) {
  setObjectName(QStringLiteral("day-sheet"));
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setAccessibleName(tr("Sheet of the day: Sun, air, clouds, steps and runs by the hour"));
  connect(&document_, &Document::changed, this, [this] {
    if (choice_.run && *choice_.run >= document_.workspace().wishes.runs.size()) {
      choose({});
    }
    if (const auto& countdown = plan().countdown;
        steps_ != (countdown ? countdown->steps.size() : 0U)) {
      steps_ = countdown ? countdown->steps.size() : 0U;
      updateGeometry();
    }
    update();
  });
}

double DaySheet::names_wide() const {
  const QFontMetricsF metrics(Theme::drawn_font(TextSize::kSmall));
  double widest = 0.0;
  for (std::size_t kind = 0; kind < plan::kStepKinds; ++kind) {
    widest =
        std::max(widest, metrics.horizontalAdvance(name_of(static_cast<plan::StepKind>(kind))));
  }
  constexpr double kLeast = 92.0;
  constexpr double kMost = 140.0;
  return std::clamp(std::ceil(widest) + 8.0, kLeast, kMost);
}

sky::Window DaySheet::span() const {
  const sky::SunDay& day = document_.day();
  sky::Window span{day.sunrise.value_or(day.start), day.sunset.value_or(day.end)};
  if (day.polar == sky::PolarState::kPolarNight) {
    span = {day.start + sky::hours(6.0), day.end - sky::hours(6.0)};
  }
  if (plan().countdown) {
    span.start = std::min(span.start, plan().countdown->begin);
  }
  for (const plan::PlannedRun& run : plan().runs) {
    span.end = std::max(span.end, run.window.end);
  }
  return {span.start - kAround, span.end + kAround};
}

double DaySheet::x_of(sky::UtcTime time) const {
  const sky::Window across = span();
  const double share = (time - across.start) / across.length();
  return names_wide() + share * (width() - names_wide() - 8.0);
}

double DaySheet::steps_high() const {
  const auto steps = plan().countdown ? plan().countdown->steps.size() : 0U;
  return std::max<double>(1.0, static_cast<double>(steps)) * kStepHigh;
}

double DaySheet::fixed_high() const {
  return kHoursHigh + steps_high() + kRunsHigh + kCloudHigh + 5.0 * kGap;
}

QSize DaySheet::least_size() const {
  return {420, static_cast<int>(std::ceil(fixed_high() + kLeastFree))};
}

DaySheet::Rows DaySheet::rows() const {
  const double left = names_wide();
  const double wide = width() - names_wide() - 8.0;
  const double free = std::max(kLeastFree, height() - fixed_high());
  Rows rows;
  double top = kHoursHigh;
  const auto next = [&](double high) {
    const QRectF row(left, top, wide, high);
    top += high + kGap;
    return row;
  };
  rows.sun = next(0.5 * free);
  rows.air = next(0.5 * free);
  rows.cloud = next(kCloudHigh);
  rows.steps = next(steps_high());
  rows.runs = next(kRunsHigh);
  return rows;
}

plan::Run DaySheet::shown_run(std::size_t run) const {
  return dragged_ && choice_.run == run ? *dragged_ : document_.workspace().wishes.runs[run];
}

QRectF DaySheet::block_of_run(std::size_t run) const {
  for (const plan::PlannedRun& planned : plan().runs) {
    if (planned.index == run) {
      const sky::Window window = plan::window_of(shown_run(run));
      const QRectF row = rows().runs;
      const double left = x_of(window.start);
      constexpr double kName = 18.0;  // stands over it
      return {left, row.top() + kName, std::max(3.0, x_of(window.end) - left),
              row.height() - kName - 2.0};
    }
  }
  return {};
}

QRectF DaySheet::block_of_step(plan::StepKind kind) const {
  if (!plan().countdown) {
    return {};
  }
  const auto& steps = plan().countdown->steps;
  for (std::size_t i = 0; i < steps.size(); ++i) {
    if (steps[i].kind == kind) {
      const double left = x_of(steps[i].start);
      return {left, rows().steps.top() + static_cast<double>(i) * kStepHigh + 2.0,
              std::max(3.0, x_of(steps[i].end) - left), kStepHigh - 4.0};
    }
  }
  return {};
}

void DaySheet::choose(const SheetChoice& choice) {
  if (choice == choice_) {
    return;
  }
  choice_ = choice;
  QString said = tr("Nothing is chosen");
  if (choice.run) {
    said = text(document_.workspace().wishes.runs.at(*choice.run).name);
  } else if (choice.step) {
    said = name_of(*choice.step);
  }
  setAccessibleDescription(said);
  update();
  emit chosen();
}

SheetChoice DaySheet::choice_at(const QPointF& point) const {
  // The chosen run first, so that one that another covers can be dragged away; then the upper ones.
  if (choice_.run && block_of_run(*choice_.run).adjusted(-2, 0, kEndGrip, 0).contains(point)) {
    return choice_;
  }
  for (auto run = plan().runs.rbegin(); run != plan().runs.rend(); ++run) {
    if (block_of_run(run->index).adjusted(-2, 0, 2, 0).contains(point)) {
      return {run->index, {}};
    }
  }
  if (plan().countdown && rows().steps.contains(QPointF(rows().steps.center().x(), point.y()))) {
    const auto place = static_cast<std::size_t>((point.y() - rows().steps.top()) / kStepHigh);
    if (place < plan().countdown->steps.size()) {
      return {{}, plan().countdown->steps[place].kind};
    }
  }
  return {};
}

void DaySheet::step_choice(int by) {
  std::vector<SheetChoice> all;
  if (plan().countdown) {
    for (const plan::Step& step : plan().countdown->steps) {
      all.push_back({{}, step.kind});
    }
  }
  for (const plan::PlannedRun& run : plan().runs) {
    all.push_back({run.index, {}});
  }
  if (all.empty()) {
    return;
  }
  const auto found = std::find(all.begin(), all.end(), choice_);
  const int count = static_cast<int>(all.size());
  const int place = found == all.end()
                        ? (by > 0 ? 0 : count - 1)
                        : (static_cast<int>(found - all.begin()) + by + count) % count;
  choose(all[static_cast<std::size_t>(place)]);
}

void DaySheet::change_run(double start_min, double length_min) {
  if (!choice_.run) {
    return;
  }
  plan::Run run = document_.workspace().wishes.runs[*choice_.run];
  if (run.fixed && start_min != 0.0) {
    return;
  }
  run.start = run.start + sky::minutes(start_min);
  run.minutes = std::clamp(run.minutes + length_min, 1.0, plan::kRunMinutesRange.high);
  emit runEdited(*choice_.run, run);
}

void DaySheet::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) {
    return;
  }
  choose(choice_at(at(*event)));
  if (!choice_.run) {
    return;
  }
  const plan::Run& run = document_.workspace().wishes.runs[*choice_.run];
  const QRectF block = block_of_run(*choice_.run);
  by_end_ = at(*event).x() > block.right() - std::min(kEndGrip, block.width() / 3.0);
  if (run.fixed && !by_end_) {
    return;
  }
  dragged_ = run;
  grip_min_ = at(*event).x() - (by_end_ ? block.right() : block.left());
}

void DaySheet::mouseMoveEvent(QMouseEvent* event) {
  if (!dragged_ || !choice_.run) {
    const SheetChoice under = choice_at(at(*event));
    setCursor(under.run ? Qt::SizeHorCursor : Qt::ArrowCursor);
    return;
  }
  const sky::Window across = span();
  const double share = (at(*event).x() - grip_min_ - names_wide()) / (width() - names_wide() - 8.0);
  const sky::Duration in = share * across.length();
  // Whole minutes.
  const sky::UtcTime time{((across.start + in).unix_ms + 30'000) / 60'000 * 60'000};
  if (by_end_) {
    dragged_->minutes =
        std::clamp(sky::in_minutes(time - dragged_->start), 1.0, plan::kRunMinutesRange.high);
  } else {
    dragged_->start =
        std::clamp(time, document_.day().start, document_.day().end - sky::minutes(1.0));
  }
  update();
}

void DaySheet::mouseReleaseEvent(QMouseEvent* /*event*/) {
  if (!dragged_ || !choice_.run) {
    return;
  }
  const plan::Run to = *dragged_;
  dragged_.reset();
  if (to != document_.workspace().wishes.runs[*choice_.run]) {
    emit runEdited(*choice_.run, to);
  }
  update();
}

void DaySheet::keyPressEvent(QKeyEvent* event) {
  const bool length = event->modifiers() & Qt::ControlModifier;
  const double step = event->modifiers() & Qt::ShiftModifier ? 1.0 : 5.0;
  switch (event->key()) {
    case Qt::Key_Up:
      step_choice(-1);
      break;
    case Qt::Key_Down:
      step_choice(1);
      break;
    case Qt::Key_Left:
      change_run(length ? 0.0 : -step, length ? -step : 0.0);
      break;
    case Qt::Key_Right:
      change_run(length ? 0.0 : step, length ? step : 0.0);
      break;
    case Qt::Key_Delete:
      if (choice_.run) {
        emit removeAsked(*choice_.run);
      }
      break;
    default:
      QWidget::keyPressEvent(event);
  }
}

bool DaySheet::event(QEvent* event) {
  if (event->type() == QEvent::ToolTip) {
    const auto* help = static_cast<QHelpEvent*>(event);
    show_plain_tip(help->globalPos(), tip_at(in_units(help->pos())), this);
    return true;
  }
  return QWidget::event(event);
}

QString DaySheet::tip_at(const QPointF& point) const {
  const QTimeZone zone = document_.zone();
  const SheetChoice under = choice_at(point);
  if (under.step) {
    for (const plan::Step& step : plan().countdown->steps) {
      if (step.kind == *under.step) {
        QString words =
            tr("%1, %2").arg(name_of(step.kind), span_words({step.start, step.end}, zone));
        if (step.slack_min >= 1.0) {
          words += '\n' + tr("Can wait for %1.").arg(minutes_words(step.slack_min));
        }
        return words + QStringLiteral("\n") + text(words::advice_for(step.kind, voice()));
      }
    }
  }
  if (under.run) {
    for (const plan::PlannedRun& run : plan().runs) {
      if (run.index == *under.run) {
        return tr("%1, %2\nSun %3\u00b0 high, seeing about %4")
            .arg(text(document_.workspace().wishes.runs[run.index].name),
                 span_words(run.window, zone), number(run.altitude_deg, 0),
                 seeing_words(run.seeing));
      }
    }
  }
  const auto& forecast = document_.workspace().wishes.forecast;
  if (rows().cloud.contains(QPointF(rows().cloud.center().x(), point.y())) && forecast) {
    return tr("Foretold by: %1").arg(text(forecast->source));
  }
  if (rows().air.contains(QPointF(rows().air.center().x(), point.y()))) {
    return tr("Expected seeing and the band that two days in three stay in. Drawn through where "
              "your log speaks, broken where it is a rule of thumb; %1")
        .arg(forecast ? tr("wind as foretold") : tr("usual wind"));
  }
  return tr("Drag a run to move it, its end to change its length");
}

}  // namespace solarchon::app
