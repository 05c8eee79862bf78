// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>

namespace solarchon::app {

/// Tells of the system's wish that the program end (SIGTERM, SIGINT, SIGHUP), on the interface
/// thread, so that it is closed as by hand and everything is kept. One for the program.
class UnixSignals : public QObject {
  Q_OBJECT

 public:
  explicit UnixSignals(QObject* parent = nullptr);
  ~UnixSignals() override;

 signals:
  void asked();
};

}  // namespace solarchon::app
