// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <filesystem>
#include <memory>
#include <optional>

#include "app/model/log.h"
#include "app/model/worker.h"
#include "solarchon/image/frame.h"
#include "solarchon/measure/disc.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/observe.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::app {

/// The frame that Capture and Measure show.
struct ShownFrame {
  image::Frame frame;
  std::optional<measure::DiscMeasurement> measurement;
  QString file;     ///< where it lies
  QString problem;  ///< why there is no measurement
};

/// The frame in hand, and the work that makes one: one at a time, with progress and cancel.
class CurrentFrame : public QObject {
  Q_OBJECT

 public:
  CurrentFrame(std::filesystem::path data, LogQueue& queue, Log& log, ErrorReporter& trouble,
               QObject* parent = nullptr);

  /// The folder that frames are kept below.
  [[nodiscard]] const std::filesystem::path& data() const { return data_; }
  [[nodiscard]] Worker& worker() { return worker_; }
  [[nodiscard]] const std::shared_ptr<const ShownFrame>& shown() const { return shown_; }

  /// Takes a simulated frame, files it, and shows it.
  /// @param exposure_ms  none: what the light room suggests
  void take(const workspace::Workspace& workspace, const workspace::Answers& answers,
            std::optional<double> exposure_ms);
  /// Files a frame of the camera that is looked through, and shows it.
  void keep(const workspace::Workspace& workspace, std::shared_ptr<const image::Frame> frame,
            sky::UtcTime usually);
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
  /// Shows a frame that was filed. On any thread. @return  what is left to do on the interface's
  [[nodiscard]] Worker::Delivery filed_as(const workspace::FiledFrame& filed, image::Frame frame);
  /// Starts work that the user asked for; says so when other work is not done yet.
  void start(Worker::Work work);

  std::filesystem::path data_;
  LogQueue& queue_;
  Log& log_;
  ErrorReporter& trouble_;
  std::shared_ptr<const ShownFrame> shown_;
  std::uint32_t seed_ = 0;
  Worker worker_;  // last: it has ended before anything that it delivers to is gone
};

}  // namespace solarchon::app
