// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/single_instance.h"

#include <QCryptographicHash>
#include <QLocalSocket>
#include <QUrl>

namespace solarchon::app {

namespace {

constexpr int kAnswerMs = 1000;
constexpr qint64 kMostBytes = 65536;

/// One name a folder, whatever path leads to it.
QString name_of(const std::filesystem::path& data) {
  std::error_code ignored;
  const std::filesystem::path whole = std::filesystem::weakly_canonical(data, ignored);
  const QByteArray hash = QCryptographicHash::hash(
      QByteArray::fromStdString((whole.empty() ? data : whole).string()), QCryptographicHash::Sha1);
  return QStringLiteral("solarchon-%1").arg(QString::fromLatin1(hash.toHex().left(20)));
}

}  // namespace

SingleInstance::SingleInstance(const std::filesystem::path& data, QObject* parent)
    : QObject(parent) {
  server_.setSocketOptions(QLocalServer::UserAccessOption);
  connect(&server_, &QLocalServer::newConnection, this, [this] {
    while (QLocalSocket* guest = server_.nextPendingConnection()) {
      connect(guest, &QLocalSocket::disconnected, guest, &QObject::deleteLater);
      connect(guest, &QLocalSocket::readyRead, this, [this, guest] { listen_to(*guest); });
      listen_to(*guest);
    }
  });
  // The folder is ours: a name that is left over belongs to somebody who is gone.
  QLocalServer::removeServer(name_of(data));
  server_.listen(name_of(data));
}

void SingleInstance::listen_to(QLocalSocket& guest) {
  if (guest.canReadLine()) {
    // One line, so that no name of a file can be taken for two.
    emit rung(QUrl::fromPercentEncoding(guest.readLine().trimmed()));
    guest.write("here\n");
    guest.disconnectFromServer();
  } else if (guest.bytesAvailable() > kMostBytes) {
    guest.abort();
  }
}

bool SingleInstance::ring(const std::filesystem::path& data, const QString& file) {
  QLocalSocket socket;
  socket.connectToServer(name_of(data));
  if (!socket.waitForConnected(kAnswerMs)) {
    return false;
  }
  socket.write(QUrl::toPercentEncoding(file) + '\n');
  return socket.waitForReadyRead(kAnswerMs) && socket.readAll().startsWith("here");
}

}  // namespace solarchon::app
