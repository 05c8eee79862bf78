// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/series_controller.h"

#include <utility>

namespace solarchon::app {

SeriesController::SeriesController(std::filesystem::path data, Document& document,
                                   LiveCamera& camera, ErrorReporter& trouble, QObject* parent)
    : QObject(parent),
      data_(std::move(data)),
      document_(document),
      camera_(camera),
      trouble_(trouble) {
  connect(&camera_, &LiveCamera::changed, this, &SeriesController::look_at_plan);
}

void SeriesController::set_order(const workspace::SeriesOrder& order) {
  if (order != order_) {
    order_ = order;
    emit changed();
  }
}

base::Result<match::TimeLapseNeeds> SeriesController::needs() const {
  return workspace::series_needs(document_.workspace(), document_.answers(), order_,
                                 camera_.exposure_in_force());
}

std::optional<double> SeriesController::free_bytes() const {
  std::error_code status;
  const auto space = std::filesystem::space(data_, status);
  return status ? std::nullopt : std::optional(static_cast<double>(space.available));
}

void SeriesController::begin() { begin(order_, {}); }

void SeriesController::begin(const workspace::SeriesOrder& order, const QString& name) {
  auto plan = workspace::series_plan(document_.workspace(), document_.answers(), order,
                                     camera_.exposure_in_force());
  if (!plan) {
    trouble_.tell(plan.error());
    return;
  }
  if (!name.isEmpty()) {
    plan->sidecar.edit()["run"] = name.toStdString();
  }
  camera_.run_series(*std::move(plan));
}

void SeriesController::follow_plan(bool follows) {
  follows_plan_ = follows;
  begun_.clear();
  emit changed();
  look_at_plan();
}

std::optional<sky::UtcTime> SeriesController::now() const {
  const auto& frame = camera_.glance().frame;
  return frame ? frame->info.time : std::nullopt;
}

std::optional<sky::Duration> SeriesController::until(const plan::Run& run) const {
  const auto time = now();
  return time ? std::optional(run.start - *time) : std::nullopt;
}

std::optional<plan::Run> SeriesController::next_run() const {
  const sky::UtcTime time = now().value_or(document_.moment());
  const std::vector<plan::Run>& wished = document_.workspace().wishes.runs;
  for (const plan::PlannedRun& planned : document_.plan().runs) {
    if (planned.window.end > time && planned.index < wished.size() &&
        !begun_.contains(planned.window.start.unix_ms)) {
      return wished[planned.index];
    }
  }
  return std::nullopt;
}

void SeriesController::look_at_plan() {
  if (!follows_plan_ || camera_.recording() || camera_.in_series() || camera_.glance().ended) {
    return;
  }
  const auto time = now();
  const auto run = next_run();
  if (!time || !run) {
    return;
  }
  if (const auto order = workspace::order_of(*run, *time)) {
    begun_.insert(run->start.unix_ms);
    workspace::SeriesOrder wanted = *order;
    wanted.hold = order_.hold;
    wanted.follow_light = order_.follow_light;
    begin(wanted, QString::fromStdString(run->name));
  }
}

}  // namespace solarchon::app
