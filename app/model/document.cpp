// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/document.h"

#include <QDateTime>
#include <QUndoCommand>
#include <algorithm>
#include <utility>

#include "solarchon/words/words.h"

namespace solarchon::app {

/// Holds the workspace before and after: undo and redo put one of them back.
class WorkspaceEdit : public QUndoCommand {
 public:
  WorkspaceEdit(Document& document, const QString& what, workspace::Workspace next, EditKind kind)
      : QUndoCommand(what),
        document_(document),
        before_(document.workspace()),
        after_(std::move(next)),
        kind_(kind) {}

  void undo() override { document_.adopt(before_); }
  void redo() override { document_.adopt(after_); }
  [[nodiscard]] int id() const override { return static_cast<int>(kind_); }
  bool mergeWith(const QUndoCommand* other) override {
    const auto* later = dynamic_cast<const WorkspaceEdit*>(other);
    if (later == nullptr || later->text() != text()) {
      return false;
    }
    after_ = later->after_;
    setObsolete(after_ == before_);
    return true;
  }

 private:
  Document& document_;
  workspace::Workspace before_;
  workspace::Workspace after_;
  EditKind kind_;
};

namespace {

constexpr int kClockMs = 1000;
constexpr int kSaveSoonMs = 400;

/// The computer's clock, within what the sky room answers for: a day of margin, since the day's
/// ephemeris reaches past the moment.
sky::UtcTime answerable(sky::UtcTime time) {
  constexpr double kMarginS = 3.0 * 86400.0;
  return std::clamp(time, sky::kFirstTime + kMarginS, sky::kLastTime + -kMarginS);
}

sky::UtcTime computer_time() { return answerable({QDateTime::currentMSecsSinceEpoch()}); }

}  // namespace

bool Document::is_likely(sky::UtcTime time) {
  const sky::UtcTime first = sky::start_of({2024, 1, 1});
  const sky::UtcTime last = sky::start_of({2090, 1, 1});
  return time > first && time < last;
}

Document::Document(workspace::Workspace workspace, sky::UtcTime moment, bool live, QObject* parent)
    : QObject(parent), workspace_(std::move(workspace)), moment_(moment), live_(live) {
  if (auto field = sky::MagneticField::open()) {
    magnetic_ = std::move(*field);
  }
  clock_.setInterval(kClockMs);
  connect(&clock_, &QTimer::timeout, this, [this] {
    moment_ = computer_time();
    recompute();
  });
  save_soon_.setInterval(kSaveSoonMs);
  save_soon_.setSingleShot(true);
  connect(&save_soon_, &QTimer::timeout, this, &Document::save);
  if (live_) {
    moment_ = computer_time();
    clock_.start();
  }
  recompute();
}

QTimeZone Document::zone() const {
  const QTimeZone zone(QByteArray::fromStdString(workspace_.site.time_zone));
  return zone.isValid() ? zone : QTimeZone::utc();
}

std::optional<double> Document::magnetic_declination_deg() const {
  return magnetic_ ? magnetic_->declination_deg(workspace_.site, moment_) : std::nullopt;
}

void Document::look_at(sky::UtcTime moment) {
  live_ = false;
  clock_.stop();
  moment_ = answerable(moment);
  recompute();
}

void Document::go_live() {
  live_ = true;
  moment_ = computer_time();
  clock_.start();
  recompute();
}

void Document::edit(const QString& what, const workspace::Workspace& next, EditKind kind) {
  // Whatever field, file or calendar it comes from: only what a file can hold gets in.
  workspace::Workspace held = workspace::within_limits(next);
  if (held == workspace_) {
    return;
  }
  undo_.push(new WorkspaceEdit(*this, what, std::move(held), kind));
}

void Document::adopt(const workspace::Workspace& next) {
  if (!(next.site == workspace_.site) || !(next.conditions == workspace_.conditions)) {
    ephemeris_.reset();
  }
  const bool plan_holds = next.wishes == workspace_.wishes && next.mount == workspace_.mount &&
                          next.rig == workspace_.rig && ephemeris_.has_value();
  workspace_ = next;
  if (!plan_holds) {
    plan_day_.reset();
  }
  recompute();
  if (!file_.empty()) {
    save_soon_.start();
  }
}

void Document::recompute() {
  const sky::Site& site = workspace_.site;
  const sky::CivilDate date = sky::local_mean_date(moment_, site.longitude_deg);
  if (!ephemeris_ || date != day_.date) {
    day_ = sky::sun_day(date, site, workspace_.conditions.air, workspace_.conditions.dut1_s);
    skyline_ = sky::over_skyline(day_, site, kWindowDeg);
    ephemeris_.emplace(day_.start + sky::seconds_between(day_.start, day_.end) / 2,
                       workspace_.conditions.dut1_s);
  }
  if (plan_day_ != day_.date) {
    replan();
  }
  answers_ = workspace::answer(workspace_, moment_, ephemeris_->at(moment_));
  emit changed();
}

void Document::replan() {
  plan_day_ = day_.date;
  plan_ = plan::plan_day(givens());
}

plan::Givens Document::givens() const {
  return {day_, skyline_, workspace_.rig, workspace_.mount, workspace_.wishes, experience_};
}

void Document::learn(plan::Experience experience) {
  experience_ = std::move(experience);
  replan();
  emit changed();
}

void Document::keep_in(const std::filesystem::path& file) { file_ = file; }

void Document::save() {
  save_soon_.stop();
  if (file_.empty()) {
    return;
  }
  if (const auto written = workspace::write_workspace(workspace_, file_); !written) {
    emit saveFailed(QString::fromStdString(words::sentence(written.error())));
  }
}

}  // namespace solarchon::app
