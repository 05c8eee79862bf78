// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <functional>
#include <thread>

#include "solarchon/base/task.h"

namespace solarchon::app {

/// Runs one piece of work at a time off the interface thread. An exception ends that work alone.
class Worker : public QObject {
  Q_OBJECT

 public:
  /// What work gives back: run on the interface thread once the work is over.
  using Delivery = std::function<void()>;
  using Work = std::function<Delivery(const base::Task&)>;

  explicit Worker(QObject* parent = nullptr);
  /// Stops and waits.
  ~Worker() override;

  /// Starts work. False when something is running already.
  bool start(Work work);
  void cancel();
  [[nodiscard]] bool busy() const { return busy_; }

 signals:
  void progressed(double fraction);
  void busyChanged(bool busy);
  /// Work threw: it is over, nothing is delivered. Libraries may throw whatever they promise.
  void broke(const QString& what);

 private:
  void finish(const Delivery& delivery);

  bool busy_ = false;
  std::jthread thread_;
};

}  // namespace solarchon::app
