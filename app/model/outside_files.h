// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <cstddef>
#include <functional>
#include <string>

#include "app/model/error_reporter.h"
#include "app/model/serial_queue.h"
#include "solarchon/base/result.h"

namespace solarchon::app {

/// Files from outside, read one after the other off the interface thread.
class OutsideFiles : public QObject {
  Q_OBJECT

 public:
  explicit OutsideFiles(ErrorReporter& trouble, QObject* parent = nullptr);

  /// Reads a file and makes something of it.
  /// @param whose  as long as it lives, something is done with the outcome
  /// @param make   gets the text off the interface thread, gives what is to be done on it
  using Made = std::function<void()>;
  void read(QObject* whose, const QString& file, std::size_t most_bytes,
            std::function<Made(const base::Result<std::string>&)> make);
  [[nodiscard]] bool settled() const { return queue_.settled(); }

 private:
  SerialQueue queue_;
};

}  // namespace solarchon::app
