// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/runbook.h"

#include <QDateTime>
#include <QPointer>
#include <algorithm>
#include <utility>

#include "app/model/phrases.h"
#include "solarchon/base/file.h"
#include "solarchon/base/json.h"

namespace solarchon::app {

namespace {

constexpr std::size_t kMostFileBytes = 1U << 20U;
constexpr int kWriteSoonMs = 300;
constexpr int kSecondMs = 1000;

/// What was done longer ago belongs to another day.
constexpr double kDayHours = 14.0;

}  // namespace

Runbook::Runbook(Document& document, Log& log, QObject* parent)
    : QObject(parent),
      document_(document),
      log_(log),
      clock_([] { return sky::UtcTime{QDateTime::currentMSecsSinceEpoch()}; }) {
  save_soon_.setSingleShot(true);
  save_soon_.setInterval(kWriteSoonMs);
  connect(&save_soon_, &QTimer::timeout, this, &Runbook::save);
  connect(&document_, &Document::changed, this, &Runbook::follow_document);
  seconds_.setInterval(kSecondMs);
  connect(&seconds_, &QTimer::timeout, this, [this] {
    if (!timers().empty()) {
      emit secondPassed();
    }
  });
  seconds_.start();
  follow_document();
}

Runbook::~Runbook() {
  if (save_soon_.isActive()) {
    save();
  }
}

std::vector<plan::StepStanding> Runbook::standing() const {
  return plan::standing_of(steps_, progress_);
}

std::vector<Runbook::Timer> Runbook::timers() const {
  std::vector<Timer> running;
  if (progress_.ticks.empty()) {
    return running;
  }
  const auto all = standing();
  for (std::size_t i = 0; i < steps_.size(); ++i) {
    if (const auto left = all.at(i).left(now(), steps_.at(i).step.minutes)) {
      running.push_back({steps_.at(i).step.id, *left});
    }
  }
  return running;
}

void Runbook::follow_document() {
  steps_ = plan::runbook(document_.whole_day().outlook, progress_.occasion);
}

void Runbook::altered() {
  save_soon_.start();
  emit changed();
}

void Runbook::finish() {
  if (finished_ || progress_.ticks.empty()) {
    return;
  }
  finished_ = true;
  for (const plan::StepNote& note : plan::durations_of(steps_, progress_)) {
    log_.note_step(progress_.ticks.back().time, note);
  }
}

void Runbook::take_up(safety::Occasion occasion) {
  if (occasion == progress_.occasion) {
    return;
  }
  finish();
  progress_ = {occasion};
  finished_ = false;
  follow_document();
  altered();
}

void Runbook::start_over() {
  finish();
  progress_.ticks.clear();
  finished_ = false;
  altered();
}

void Runbook::tick(std::string_view step, bool early) {
  const auto standing = this->standing();
  for (std::size_t i = 0; i < steps_.size(); ++i) {
    const plan::StepStanding& one = standing.at(i);
    if (steps_.at(i).step.id != step || one.done || (!one.missing.empty() && !early)) {
      continue;
    }
    progress_.ticks.push_back({std::string(step), now(), !one.missing.empty()});
    record_.push_back({{progress_.occasion, {progress_.ticks.back()}}, std::nullopt});
    file_record();
    if (progress_.ticks.size() == steps_.size()) {
      finish();
    }
    altered();
    return;
  }
}

void Runbook::untick(std::string_view step) {
  const auto gone = std::remove_if(progress_.ticks.begin(), progress_.ticks.end(),
                                   [&](const plan::Tick& tick) { return tick.step == step; });
  if (gone == progress_.ticks.end()) {
    return;
  }
  const plan::Progress undone{progress_.occasion, {*gone}};
  progress_.ticks.erase(gone, progress_.ticks.end());
  const auto filed = std::find_if(record_.begin(), record_.end(),
                                  [&](const Filed& one) { return one.done == undone; });
  if (filed != record_.end()) {
    if (filed->session) {
      log_.drop_tick(*filed->session, {undone.occasion, undone.ticks.front()});
    }
    record_.erase(filed);
  }
  altered();
}

void Runbook::file_with(std::int64_t session) {
  session_ = session;
  session_since_ = now();
  file_record();
  save_soon_.start();
}

void Runbook::file_record() {
  const auto old = [&](sky::UtcTime time) {
    return std::chrono::abs(now() - time) > sky::hours(kDayHours);
  };
  record_.erase(std::remove_if(record_.begin(), record_.end(),
                               [&](const Filed& one) { return old(one.done.ticks.front().time); }),
                record_.end());
  if (!session_ || old(session_since_)) {
    session_.reset();
    return;
  }
  std::vector<log::LoggedTick> ticks;
  for (Filed& one : record_) {
    if (!one.session) {
      one.session = session_;
      ticks.push_back({one.done.occasion, one.done.ticks.front()});
    }
  }
  if (ticks.empty()) {
    return;
  }
  log_.keep_ticks(*session_, ticks, [self = QPointer<Runbook>(this), ticks] {
    if (!self) {
      return;
    }
    // Not written: they are tried again with the next.
    for (Filed& one : self->record_) {
      if (std::any_of(ticks.begin(), ticks.end(), [&](const log::LoggedTick& tick) {
            return tick.tick == one.done.ticks.front();
          })) {
        one.session.reset();
      }
    }
    self->save_soon_.start();
  });
}

base::Json Runbook::record_json() const {
  base::Json list = base::Json::array();
  for (const Filed& one : record_) {
    base::Json json = plan::to_json(one.done);
    if (one.session) {
      json["session"] = *one.session;
    }
    list.push_back(std::move(json));
  }
  return list;
}

void Runbook::read_record(const base::Json& json) {
  const auto session_of = [](const base::Json& from) {
    return from.contains("session") && from.at("session").is_number_integer()
               ? std::optional(from.at("session").get<std::int64_t>())
               : std::nullopt;
  };
  session_ = session_of(json);
  if (!json.contains("record") || !json.at("record").is_array()) {
    return;
  }
  for (const base::Json& one : json.at("record")) {
    auto done = plan::progress_from_json(one, "record");
    if (done && done->ticks.size() == 1) {
      session_since_ = done->ticks.front().time;
      record_.push_back({std::move(*done), session_of(one)});
    }
  }
}

base::Result<void> Runbook::keep_in(const std::filesystem::path& file) {
  std::error_code ignored;
  if (!std::filesystem::exists(file, ignored)) {
    file_ = file;
    return {};
  }
  const auto json = base::read_file(file, kMostFileBytes).and_then([&](const std::string& bytes) {
    return base::parse_json(bytes, file.string());
  });
  if (!json) {
    return tl::make_unexpected(json.error());
  }
  auto kept = plan::progress_from_json(*json, "runbook");
  base::ObjectReader reader(*json, "runbook");
  const bool finished = reader.flag_or("finished", false);
  if (!kept || reader.error()) {
    return tl::make_unexpected(!kept ? kept.error() : *reader.error());
  }
  file_ = file;
  finished_ = finished;
  read_record(*json);
  progress_ = std::move(*kept);
  follow_document();
  if (!progress_.ticks.empty() &&
      std::chrono::abs(now() - progress_.ticks.back().time) > sky::hours(kDayHours)) {
    start_over();
  }
  emit changed();
  return {};
}

void Runbook::save() {
  save_soon_.stop();
  if (file_.empty()) {
    return;
  }
  base::Json json = plan::to_json(progress_);
  json["finished"] = finished_;
  json["record"] = record_json();
  if (session_) {
    json["session"] = *session_;
  }
  if (const auto written = base::write_file(file_, base::file_text(json)); !written) {
    emit saveFailed(error_text(written.error()));
  }
}

}  // namespace solarchon::app
