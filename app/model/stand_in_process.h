// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QList>
#include <QObject>
#include <QProcess>
#include <QString>
#include <QStringList>
#include <filesystem>

#include "solarchon/base/result.h"

namespace solarchon::app {

/// A process that plays a device for this program (docs/devices.md), and ends with it.
class StandInProcess : public QObject {
  Q_OBJECT

 public:
  explicit StandInProcess(QObject* parent = nullptr);
  ~StandInProcess() override;

  /// Starts one with the options of solarchon-standins; those that run go on until stop_earlier, so
  /// that what they show stays until the new one has something to show. It needs a path of its own.
  /// @param input  that it reads
  void start(const QStringList& options, const QByteArray& input = {});
  /// Tells all but the newest to end. Nothing is waited for.
  void stop_earlier();
  /// Tells all to end.
  void stop();

  /// Removes what stand-ins of programs that were killed left where they listened.
  /// @return  how many files
  static int sweep_after_the_dead();

  /// Another path each time, in the folder of this user's devices, that no other program uses. On
  /// the interface thread.
  /// Errors: as devices::socket_folder.
  [[nodiscard]] static base::Result<std::filesystem::path> own_path(const QString& name);

 signals:
  /// The newest has ended by itself, or could not be started.
  /// @param said  the last that it said, or what the system says, in their own words
  void ended(bool started, const QString& said);

 private:
  static void end(QProcess* process);
  QProcess* newest_ = nullptr;  ///< none: nothing is played
  QList<QProcess*> earlier_;
};

}  // namespace solarchon::app
