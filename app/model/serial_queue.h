// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <condition_variable>
#include <deque>
#include <functional>
#include <mutex>
#include <thread>

namespace solarchon::app {

/// Work in the order in which it was asked for, on one thread of its own. Nothing that was asked
/// for is dropped; an exception ends that piece alone.
class SerialQueue : public QObject {
  Q_OBJECT

 public:
  /// What work gives back: run on the interface thread once the work is over. May be empty.
  using Delivery = std::function<void()>;
  using Work = std::function<Delivery()>;

  explicit SerialQueue(QObject* parent = nullptr);
  /// Does what is still to be done, and waits for it; it is not delivered any more.
  ~SerialQueue() override;

  /// From any thread.
  void ask(Work work);
  /// True when all that was asked for was done and delivered. On the interface thread.
  [[nodiscard]] bool settled() const;

 signals:
  /// The last of what was asked for was delivered.
  void emptied();
  /// Work threw: it is over, nothing is delivered.
  void broke(const QString& what);

 private:
  void work(const std::stop_token& stop);
  void deliver(const Delivery& delivery);

  mutable std::mutex mutex_;
  std::condition_variable_any changed_;
  std::deque<Work> waiting_;
  std::size_t open_ = 0;  ///< asked for and not delivered
  std::jthread thread_;   // last: it uses the others
};

}  // namespace solarchon::app
