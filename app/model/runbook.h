// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QTimer>
#include <cstdint>
#include <filesystem>
#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "app/model/document.h"
#include "app/model/log.h"
#include "solarchon/plan/runbook.h"

namespace solarchon::app {

/// The steps of setting up, changing, handing over and packing, and what of them was done, by the
/// computer's clock. It outlives the program. Ticks go into the log with the session that was begun
/// after them, or that they belong to; what steps took goes there once an occasion is over, so that
/// the countdown learns.
class Runbook : public QObject {
  Q_OBJECT

 public:
  using Clock = std::function<sky::UtcTime()>;

  Runbook(Document& document, Log& log, QObject* parent = nullptr);
  ~Runbook() override;
  Runbook(const Runbook&) = delete;
  Runbook& operator=(const Runbook&) = delete;

  [[nodiscard]] safety::Occasion occasion() const { return progress_.occasion; }
  [[nodiscard]] const std::vector<plan::RunbookStep>& steps() const { return steps_; }
  [[nodiscard]] const plan::Progress& progress() const { return progress_; }
  /// One for each step.
  [[nodiscard]] std::vector<plan::StepStanding> standing() const;
  /// Something that runs by itself.
  struct Timer {
    std::string_view step;
    sky::Duration left;  ///< negative when it is over
  };
  [[nodiscard]] std::vector<Timer> timers() const;
  [[nodiscard]] QTimeZone zone() const { return document_.zone(); }
  [[nodiscard]] sky::UtcTime now() const { return clock_(); }
  /// For tests.
  void set_clock(Clock clock) { clock_ = std::move(clock); }

  /// Turns to an occasion. What was done of another is over.
  void take_up(safety::Occasion occasion);
  /// Begins the occasion anew.
  void start_over();
  /// @param early  knowingly, though something that it needs is not done; else it is not ticked
  /// then
  void tick(std::string_view step, bool early = false);
  void untick(std::string_view step);

  /// Frames of today are filed in a session: what was done goes with them.
  void file_with(std::int64_t session);

  /// Reads what was done before the program was closed, unless it is of another day; keeps it
  /// there. Errors: of a file that cannot be read; it is left as it is, and nothing is kept.
  base::Result<void> keep_in(const std::filesystem::path& file);

 signals:
  void changed();
  void secondPassed();  ///< something runs by itself
  void saveFailed(const QString& why);

 private:
  void follow_document();
  /// What steps took goes into the log, once.
  void finish();
  void save();
  void altered();
  /// What is not in the log yet goes there, once there is a session for it.
  void file_record();
  void read_record(const base::Json& json);
  [[nodiscard]] base::Json record_json() const;

  /// What was done, and the session that it is filed in.
  struct Filed {
    plan::Progress done;
    std::optional<std::int64_t> session;
  };

  Document& document_;
  Log& log_;
  Clock clock_;
  std::vector<plan::RunbookStep> steps_;
  plan::Progress progress_;
  bool finished_ = false;
  std::vector<Filed> record_;  ///< of today, in the order of time; what is not filed comes last
  std::optional<std::int64_t> session_;  ///< that is written into
  sky::UtcTime session_since_{};
  std::filesystem::path file_;
  QTimer save_soon_;
  QTimer seconds_;
};

}  // namespace solarchon::app
