// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/document.h"

#include <QDateTime>
#include <QUndoCommand>
#include <algorithm>
#include <utility>

#include "app/model/phrases.h"

namespace solarchon::app {

/// Holds the workspace before and after: undo and redo put one of them back.
class WorkspaceEdit : public QUndoCommand {
 public:
  WorkspaceEdit(Document& document, const QString& what, workspace::Workspace next, EditKind kind,
                std::string subject)
      : QUndoCommand(what),
        document_(document),
        before_(document.workspace()),
        after_(std::move(next)),
        kind_(kind),
        subject_(std::move(subject)) {}

  void undo() override { document_.adopt(before_); }
  void redo() override { document_.adopt(after_); }
  [[nodiscard]] int id() const override { return static_cast<int>(kind_); }
  bool mergeWith(const QUndoCommand* other) override {
    const auto* later = dynamic_cast<const WorkspaceEdit*>(other);
    if (later == nullptr || later->subject_ != subject_) {
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
  std::string subject_;
};

namespace {

constexpr int kClockMs = 1000;
constexpr int kSaveSoonMs = 400;
/// In so long the Sun goes a twelfth of a degree, and its light by less than anyone sees.
constexpr sky::Duration kPicturesLast = sky::seconds(20.0);

/// The computer's clock, within what the sky room answers for: a day of margin, since the day's
/// ephemeris reaches past the moment.
sky::UtcTime answerable(sky::UtcTime time) {
  constexpr sky::Duration kMargin = sky::days(3.0);
  return std::clamp(time, sky::kFirstTime + kMargin, sky::kLastTime - kMargin);
}

sky::UtcTime computer_time() { return answerable({QDateTime::currentMSecsSinceEpoch()}); }

}  // namespace

bool Document::is_likely(sky::UtcTime time) {
  const sky::UtcTime first = sky::start_of({2024, 1, 1});
  const sky::UtcTime last = sky::start_of({2090, 1, 1});
  return time > first && time < last;
}

Document::Document(workspace::Workspace workspace, sky::UtcTime moment, bool live, QObject* parent)
    : QObject(parent),
      workspace_(std::move(workspace)),
      moment_(moment),
      live_(live),
      day_{workspace::outlook_of(workspace_, {}), {}, {}, {}} {
  if (auto field = sky::MagneticField::open()) {
    magnetic_ = std::move(*field);
  }
  clock_.setInterval(kClockMs);
  connect(&clock_, &QTimer::timeout, this, &Document::follow_clock);
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

void Document::edit(const QString& what, const workspace::Workspace& next, EditKind kind,
                    const std::string& subject) {
  // Whatever field, file or calendar it comes from: only what a file can hold gets in.
  workspace::Workspace held = workspace::within_limits(next);
  if (held == workspace_) {
    return;
  }
  undo_.push(new WorkspaceEdit(*this, what, std::move(held), kind, subject));
}

void Document::adopt(const workspace::Workspace& next) {
  if (!(next.site == workspace_.site) || !(next.conditions == workspace_.conditions)) {
    ephemeris_.reset();
  }
  plan_holds_ = plan_holds_ && next.wishes == workspace_.wishes && next.mount == workspace_.mount &&
                next.rig == workspace_.rig;
  workspace_ = next;
  recompute();
  if (!file_.empty()) {
    save_soon_.start();
  }
}

void Document::follow_clock() {
  moment_ = computer_time();
  const bool same_day = answer();
  // A clock that was set is another moment, whichever way it went.
  const sky::Duration passed = moment_ - pictured_;
  if (same_day && passed >= sky::Duration{} && passed < kPicturesLast) {
    emit clockMoved();
  } else {
    pictured_ = moment_;
    emit changed();
  }
}

void Document::recompute() {
  answer();
  pictured_ = moment_;
  emit changed();
}

bool Document::answer() {
  const sky::CivilDate date = sky::local_mean_date(moment_, workspace_.site.longitude_deg);
  const bool same_day = ephemeris_ && date == day_.sun.date;
  if (!same_day) {
    day_ = workspace::day_of(workspace_, date, experience_);
    ephemeris_.emplace(sky::Window{day_.sun.start, day_.sun.end}.middle(),
                       workspace_.conditions.dut1_s);
    plan_holds_ = true;
  }
  if (!plan_holds_) {
    replan();
  }
  answers_ = workspace::answer(workspace_, moment_, ephemeris_->at(moment_), correction_stops_);
  return same_day;
}

void Document::replan() {
  day_.outlook = workspace::outlook_of(workspace_, experience_);
  day_.plan = plan::plan_day(day_);
  plan_holds_ = true;
}

void Document::learn(plan::Experience experience) {
  experience_ = std::move(experience);
  replan();
  emit changed();
}

void Document::correct_exposure(double stops) {
  if (stops != correction_stops_) {
    correction_stops_ = stops;
    recompute();
  }
}

void Document::keep_in(const std::filesystem::path& file) { file_ = file; }

void Document::save() {
  save_soon_.stop();
  if (file_.empty()) {
    return;
  }
  if (const auto written = workspace::write_workspace(workspace_, file_); !written) {
    emit saveFailed(error_text(written.error()));
  }
}

}  // namespace solarchon::app
