// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPointer>
#include <atomic>
#include <filesystem>
#include <memory>
#include <utility>

#include "app/model/error_reporter.h"
#include "app/model/serial_queue.h"
#include "solarchon/log/log_book.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

/// The only way to the log's file: whatever reads or writes it is done one after the other on one
/// thread, never on that of the interface. The file is opened for each piece of work, so that other
/// processes and a changed disk are met as they are.
class LogQueue : public QObject {
  Q_OBJECT

 public:
  LogQueue(std::filesystem::path file, ErrorReporter& trouble, QObject* parent = nullptr);
  /// Does what is still to be done, with little patience for another process that holds the file.
  ~LogQueue() override;

  /// Does something with the log, then something with what came of it.
  /// @param whose  as long as this lives, `then` is called, on the interface thread
  /// @param work   gets log::LogBook&, gives a base::Result
  /// @param then   gets that Result; or the error of the log that could not be opened
  template <typename Work, typename Then>
  void ask(QObject* whose, Work work, Then then) {
    queue_.ask([this, whose = QPointer<QObject>(whose), work = std::move(work),
                then = std::move(then)]() -> SerialQueue::Delivery {
      auto outcome = std::make_shared<decltype(work(std::declval<log::LogBook&>()))>(
          open().and_then([&](log::LogBook book) { return work(book); }));
      return [whose, then, outcome] {
        if (whose) {
          then(std::move(*outcome));
        }
      };
    });
  }

  /// For work on another thread that cannot go on without the log: queues up and waits. Never to be
  /// called on the interface thread. The queue must outlive what is given.
  [[nodiscard]] workspace::WithLog with_log();

  [[nodiscard]] bool settled() const { return queue_.settled(); }

 signals:
  void emptied();

 private:
  [[nodiscard]] base::Result<log::LogBook> open() const;

  std::filesystem::path file_;
  std::atomic<bool> ending_ = false;
  SerialQueue queue_;
};

}  // namespace solarchon::app
