// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <filesystem>
#include <memory>
#include <optional>

#include "app/model/log.h"
#include "app/model/worker.h"
#include "solarchon/frames/frame.h"
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

/// The frame in hand, and the work that makes one: one at a time, with progress and cancel.
class FrameInHand : public QObject {
  Q_OBJECT

 public:
  FrameInHand(std::filesystem::path data, LogQueue& queue, Log& log, Trouble& trouble,
              QObject* parent = nullptr);

  /// The folder that frames are kept below.
  [[nodiscard]] const std::filesystem::path& data() const { return data_; }
  [[nodiscard]] Worker& worker() { return worker_; }
  [[nodiscard]] const std::shared_ptr<const ShownFrame>& shown() const { return shown_; }

  /// Takes a simulated frame, files it, and shows it. Frames of one site, light path and target
  /// within half a day are one session.
  void take(const workspace::Workspace& workspace, const workspace::Answers& answers);
  /// How long the next frames are exposed; none: what the light room suggests.
  void choose_exposure(std::optional<double> exposure_ms) { exposure_ms_ = exposure_ms; }
  [[nodiscard]] std::optional<double> chosen_exposure_ms() const { return exposure_ms_; }
  /// Opens a picture, measures it, and shows it.
  void open(const QString& file);
  /// The same for a picture that nobody asked for just now: while other work goes on, it stays
  /// away.
  void open_next(const QString& file);
  /// Opens a frame of the log by its name below the data folder.
  void open_filed(const std::string& name);
  /// Fills an empty folder with the demo's sessions, kit and shelves.
  void fill_with_demo();

 signals:
  void shownChanged();
  void filed(std::int64_t session);  ///< a frame was
  void demoFilled();

 private:
  void show(std::shared_ptr<const ShownFrame> frame);
  /// Starts work that the user asked for; says so when other work is not done yet.
  void start(Worker::Work work);

  std::filesystem::path data_;
  LogQueue& queue_;
  Log& log_;
  Trouble& trouble_;
  std::shared_ptr<const ShownFrame> shown_;
  std::optional<std::int64_t> session_;  ///< that frames are filed in, once one was taken
  std::optional<log::SessionStart> session_start_;
  std::optional<double> exposure_ms_;
  std::uint32_t seed_ = 0;
  Worker worker_;  // last: it has ended before anything that it delivers to is gone
};

}  // namespace solarchon::app
