// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QSettings>
#include <filesystem>
#include <optional>

#include "app/model/error_reporter.h"
#include "app/model/worker.h"

namespace solarchon::app {

/// What the data folder's disk takes in, as measured once and remembered.
class DiskSpeed : public QObject {
  Q_OBJECT

 public:
  DiskSpeed(std::filesystem::path data, QSettings& settings, ErrorReporter& trouble,
            QObject* parent = nullptr);

  /// MB/s; none: it was not measured yet.
  [[nodiscard]] std::optional<double> write_mb_s() const { return write_mb_s_; }
  /// Measures; told to while it does, it goes on with that.
  void measure();
  [[nodiscard]] Worker& worker() { return worker_; }

 signals:
  void measured();

 private:
  std::filesystem::path data_;
  QSettings& settings_;
  ErrorReporter& trouble_;
  std::optional<double> write_mb_s_;
  Worker worker_;
};

}  // namespace solarchon::app
