// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <cstddef>
#include <deque>
#include <filesystem>
#include <functional>
#include <memory>
#include <optional>
#include <vector>

#include "app/model/newest_wins.h"
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

/// The log, the frame in hand, and the work that makes frames. The log is read off the interface
/// thread; what the hand asks for one by one (a session, notes, a part of the kit) is read and
/// written at once, and given up after a moment when another process holds the file.
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

  /// Reads sessions, kit and times of steps off the interface thread; the newest wish wins. A
  /// problem is reported, the old lists stay.
  void reload();
  /// False while lists are being read, or files from outside.
  [[nodiscard]] bool settled() const;
  /// @return  false when they could not be written: they are still to be kept
  [[nodiscard]] bool set_notes(std::int64_t session, const QString& notes);

  /// Reads a file from outside and makes something of it, both off the interface thread and one
  /// after the other.
  /// @param make  gets the text, gives what is to be done with the outcome on the interface thread
  using Made = std::function<void()>;
  void read_outside(const QString& file, std::size_t most_bytes,
                    std::function<Made(const base::Result<std::string>&)> make);
  /// Takes a simulated frame, files it, and shows it.
  void take_frame(const workspace::Workspace& workspace, const workspace::Answers& answers,
                  std::optional<double> exposure_ms);
  /// Opens a picture, measures it, and shows it.
  void open_frame(const QString& file);
  /// Fills an empty folder with the demo's sessions, showing each as it comes.
  void fill_with_demo();
  /// Says that something failed, in words: whoever uses the records may have bad news of its own.
  void tell(const QString& why) { emit failed(why); }

 signals:
  void sessionsChanged();
  void shownChanged();
  void kitChanged();
  void stepNotesChanged();
  void failed(const QString& why);

 private:
  void show(std::shared_ptr<const ShownFrame> frame);
  void report(const base::Error& error);
  /// Starts work that the user asked for; says so when other work is not done yet.
  void start(Worker::Work work);
  void read_next();
  void reload_kit();
  void keep_all(const std::vector<optics::Element>& parts);
  void reload_step_notes();

  std::filesystem::path data_;
  std::deque<Worker::Work> outside_;
  std::shared_ptr<const ShownFrame> shown_;
  std::vector<log::SessionSummary> sessions_;
  std::vector<optics::Element> kit_;
  std::vector<plan::StepNote> step_notes_;
  bool readable_ = true;
  std::optional<std::int64_t> current_;
  std::optional<log::SessionStart> current_start_;
  std::uint32_t seed_ = 0;
  // Last, so that they have ended before anything that they deliver to is gone.
  Worker worker_;
  NewestWins lists_;
  Worker reader_;
};

}  // namespace solarchon::app
