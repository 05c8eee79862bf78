// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLocalServer>
#include <QObject>
#include <filesystem>

class QLocalSocket;

namespace solarchon::app {

/// Lets a second start on the same data folder bring the first one's window forward.
class SingleInstance : public QObject {
  Q_OBJECT

 public:
  /// Listens for others that start on this folder, which this process must hold. Where nothing can
  /// be listened to, nobody rings.
  explicit SingleInstance(const std::filesystem::path& data, QObject* parent = nullptr);

  /// Rings at whoever listens for this folder.
  /// @param file  to be opened there, whole path; empty for none
  /// @return  true when somebody answered within a second
  [[nodiscard]] static bool ring(const std::filesystem::path& data, const QString& file = {});

 signals:
  /// @param file  to be opened; empty for none
  void rung(const QString& file);

 private:
  void listen_to(QLocalSocket& guest);

  QLocalServer server_;
};

}  // namespace solarchon::app
