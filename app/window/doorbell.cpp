// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/doorbell.h"

#include <QCryptographicHash>
#include <QLocalSocket>

namespace solarchon::app {

namespace {

constexpr int kAnswerMs = 1000;

/// One name a folder, whatever path leads to it.
QString name_of(const std::filesystem::path& data) {
  std::error_code ignored;
  const std::filesystem::path whole = std::filesystem::weakly_canonical(data, ignored);
  const QByteArray hash = QCryptographicHash::hash(
      QByteArray::fromStdString((whole.empty() ? data : whole).string()), QCryptographicHash::Sha1);
  return QStringLiteral("solarchon-%1").arg(QString::fromLatin1(hash.toHex().left(20)));
}

}  // namespace

Doorbell::Doorbell(const std::filesystem::path& data, QObject* parent) : QObject(parent) {
  server_.setSocketOptions(QLocalServer::UserAccessOption);
  connect(&server_, &QLocalServer::newConnection, this, [this] {
    while (QLocalSocket* guest = server_.nextPendingConnection()) {
      connect(guest, &QLocalSocket::disconnected, guest, &QObject::deleteLater);
      guest->write("here\n");
      guest->disconnectFromServer();
      emit rung();
    }
  });
  // The folder is ours: a name that is left over belongs to somebody who is gone.
  QLocalServer::removeServer(name_of(data));
  server_.listen(name_of(data));
}

bool Doorbell::ring(const std::filesystem::path& data) {
  QLocalSocket socket;
  socket.connectToServer(name_of(data));
  return socket.waitForConnected(kAnswerMs) && socket.waitForReadyRead(kAnswerMs) &&
         socket.readAll().startsWith("here");
}

}  // namespace solarchon::app
