// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <cstdint>
#include <functional>
#include <map>
#include <optional>
#include <vector>

#include "app/model/log_queue.h"
#include "solarchon/log/log_book.h"

namespace solarchon::app {

/// The log as the views see it: sessions, the one that lies open, its notes, the times of steps.
/// Everything is read and written through the queue; what came of it arrives as a signal.
class Log : public QObject {
  Q_OBJECT

 public:
  Log(LogQueue& queue, ErrorReporter& trouble, QObject* parent = nullptr);

  /// All sessions, newest first.
  [[nodiscard]] const std::vector<log::SessionSummary>& sessions() const { return sessions_; }
  /// False when the log could not be read: the list is then that of before.
  [[nodiscard]] bool readable() const { return readable_; }
  /// Reads the lists anew. A problem is told, the old lists stay.
  void reload();

  /// Opens a session; of several that were asked for, the last one lies open in the end.
  void open(std::int64_t session);
  [[nodiscard]] const std::optional<log::Session>& opened() const { return opened_; }
  /// Looks a session up without opening it.
  void look_up(std::int64_t session, QObject* whose, std::function<void(const log::Session&)> then);

  /// Keeps notes. Those that could not be written are told, and stay here until they are.
  void set_notes(std::int64_t session, const QString& notes);
  /// Notes of a session that are not in the log yet.
  [[nodiscard]] std::optional<QString> unkept_notes(std::int64_t session) const;
  [[nodiscard]] bool has_unkept_notes() const { return !unkept_.empty(); }

  /// How long the steps of countdowns took, oldest first.
  [[nodiscard]] const std::vector<plan::StepNote>& step_notes() const { return step_notes_; }
  /// Exposures that were found right, of all light paths, newest first.
  [[nodiscard]] const std::vector<log::RightExposure>& right_exposures() const {
    return right_exposures_;
  }
  void note_exposure(const log::RightExposure& exposure);
  void drop_exposure(std::int64_t id);
  void note_step(sky::UtcTime done, const plan::StepNote& note);
  void drop_last_step(plan::StepKind kind);
  /// Files steps of the runbook with a session. @param refused  called where they were not written
  void keep_ticks(std::int64_t session, const std::vector<log::LoggedTick>& ticks,
                  std::function<void()> refused);
  void drop_tick(std::int64_t session, const log::LoggedTick& tick);
  /// When a step was begun that is being timed.
  [[nodiscard]] std::optional<sky::UtcTime> step_begun(plan::StepKind kind) const;
  /// Begins to time a step; told again, notes how long it took. A step that was begun on another
  /// day, or not before now, is forgotten.
  void time_step(plan::StepKind kind, sky::UtcTime now);

 signals:
  void sessionsChanged();
  void sessionOpened();
  /// Notes were written, or could not be.
  void notesTried(std::int64_t session);
  void stepNotesChanged();
  void rightExposuresChanged();

 private:
  /// A session that lies open is read anew.
  void refresh(std::int64_t session);
  void take_exposures(base::Result<std::vector<log::RightExposure>> exposures);
  void take_steps(base::Result<std::vector<plan::StepNote>> notes);

  LogQueue& queue_;
  ErrorReporter& trouble_;
  std::vector<log::SessionSummary> sessions_;
  std::vector<plan::StepNote> step_notes_;
  std::vector<log::RightExposure> right_exposures_;
  bool damage_told_ = false;
  bool readable_ = true;
  std::int64_t wanted_ = 0;  ///< the session that is to lie open
  std::optional<log::Session> opened_;
  std::map<std::int64_t, QString> unkept_;
  std::map<plan::StepKind, sky::UtcTime> begun_;
};

}  // namespace solarchon::app
