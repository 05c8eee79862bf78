// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <filesystem>
#include <memory>
#include <optional>
#include <vector>

#include "app/model/worker.h"
#include "solarchon/frames/frame.h"
#include "solarchon/log/log_book.h"
#include "solarchon/measure/disc.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::app {

/// The frame that Capture and Measure show.
struct ShownFrame {
  frames::Frame frame;
  std::optional<measure::DiscMeasurement> measurement;
  QString file;     ///< where it lies
  QString problem;  ///< why there is no measurement
};

/// The log, the frame in hand, and the work that makes frames. The log file is opened anew by each
/// piece of work, so that the interface thread never waits for it.
class Records : public QObject {
  Q_OBJECT

 public:
  explicit Records(std::filesystem::path data, QObject* parent = nullptr);

  [[nodiscard]] const std::filesystem::path& data() const { return data_; }
  [[nodiscard]] Worker& worker() { return worker_; }
  [[nodiscard]] const std::shared_ptr<const ShownFrame>& shown() const { return shown_; }
  [[nodiscard]] const std::vector<log::SessionSummary>& sessions() const { return sessions_; }
  /// False when the log could not be read: the list is then that of before.
  [[nodiscard]] bool readable() const { return readable_; }
  /// The session that frames are filed in, once one was taken.
  [[nodiscard]] std::optional<std::int64_t> current_session() const { return current_; }
  [[nodiscard]] std::optional<log::Session> session(std::int64_t id);

  /// How long the steps of countdowns took, oldest first.
  [[nodiscard]] const std::vector<plan::StepNote>& step_notes() const { return step_notes_; }
  void note_step(sky::UtcTime done, const plan::StepNote& note);
  void drop_last_step(plan::StepKind kind);

  /// The owner's parts, by name.
  [[nodiscard]] const std::vector<optics::Element>& kit() const { return kit_; }
  /// Keeps a part in the kit; one with a kit_id takes the place of that part.
  /// @return  its kit_id; empty when it could not be kept
  std::string keep_in_kit(const optics::Element& part);
  void drop_from_kit(const std::string& kit_id);
  /// Adds the parts of a file to the kit, or writes the kit to one.
  void import_kit(const QString& file);
  void export_kit(const QString& file);

  /// Reads the list of sessions. A problem is reported, the old list stays.
  void reload();
  void set_notes(std::int64_t session, const QString& notes);
  /// Takes a simulated frame, files it, and shows it.
  void take_frame(const workspace::Workspace& workspace, const workspace::Answers& answers,
                  std::optional<double> exposure_ms);
  /// Opens a picture, measures it, and shows it.
  void open_frame(const QString& file);
  /// Fills an empty folder with the demo's sessions, showing each as it comes.
  void fill_with_demo();

 signals:
  void sessionsChanged();
  void shownChanged();
  void kitChanged();
  void stepNotesChanged();
  void failed(const QString& why);

 private:
  void show(std::shared_ptr<const ShownFrame> frame);
  void report(const base::Error& error);
  void reload_kit();
  void reload_step_notes();

  std::filesystem::path data_;
  Worker worker_;
  std::shared_ptr<const ShownFrame> shown_;
  std::vector<log::SessionSummary> sessions_;
  std::vector<optics::Element> kit_;
  std::vector<plan::StepNote> step_notes_;
  bool readable_ = true;
  std::optional<std::int64_t> current_;
  std::optional<log::SessionStart> current_start_;
  std::uint32_t seed_ = 0;
};

}  // namespace solarchon::app
