// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/stand_in_process.h"

#include <QCoreApplication>
#include <QRegularExpression>
#include <QStandardPaths>
#include <QTimer>
#include <QVariant>
#include <cerrno>
#include <csignal>
#include <utility>

#include "solarchon/devices/local_socket.h"

namespace solarchon::app {

namespace {

constexpr int kEndMs = 500;
constexpr int kPatienceMs = 3000;
constexpr const char* kProgram = "solarchon-standins";

std::filesystem::path program() {
  const std::filesystem::path here = QCoreApplication::applicationDirPath().toStdString();
  for (const auto& folder : {here, here / ".." / "standins"}) {  // installed, and as built
    if (std::filesystem::exists(folder / kProgram)) {
      return folder / kProgram;
    }
  }
  return QStandardPaths::findExecutable(QLatin1String(kProgram)).toStdString();
}

constexpr const char* kSocket = "socket";

/// Removes what a process that was killed left where it listened.
void sweep_after(const QProcess& process) {
  const std::string socket = process.property(kSocket).toString().toStdString();
  std::error_code ignored;
  if (!socket.empty()) {
    std::filesystem::remove(socket, ignored);
    std::filesystem::remove(socket + ".frames", ignored);
  }
}

}  // namespace

StandInProcess::StandInProcess(QObject* parent) : QObject(parent) {}

StandInProcess::~StandInProcess() {
  stop();
  for (auto* last : findChildren<QProcess*>()) {
    if (!last->waitForFinished(kEndMs)) {
      last->kill();
      last->waitForFinished(kEndMs);
    }
    sweep_after(*last);
  }
}

void StandInProcess::start(const QStringList& options, const QByteArray& input) {
  if (newest_ != nullptr) {
    earlier_.append(newest_);
  }
  newest_ = new QProcess(this);
  const qsizetype told = options.indexOf(QStringLiteral("--socket"));
  newest_->setProperty(kSocket, told < 0 ? QString() : options.value(told + 1));
  const auto tell = [this, process = newest_](bool started) {
    sweep_after(*process);
    earlier_.removeOne(process);
    if (process == newest_) {
      newest_ = nullptr;
      const QString said = QString::fromUtf8(process->readAllStandardError()).trimmed();
      emit ended(started, said.isEmpty() ? process->errorString() : said);
    }
    process->deleteLater();
  };
  connect(newest_, &QProcess::finished, this, [tell] { tell(true); });
  connect(newest_, &QProcess::errorOccurred, this, [tell](QProcess::ProcessError error) {
    if (error == QProcess::FailedToStart) {
      tell(false);
    }
  });
  newest_->start(QString::fromStdString(program().string()),
                 options + QStringList{QStringLiteral("--with-parent"),
                                       QString::number(QCoreApplication::applicationPid())});
  newest_->write(input);
  newest_->closeWriteChannel();
}

void StandInProcess::end(QProcess* process) {
  process->disconnect();
  connect(process, &QProcess::finished, process, [process] {
    sweep_after(*process);
    process->deleteLater();
  });
  process->terminate();
  QTimer::singleShot(kPatienceMs, process, &QProcess::kill);
}

void StandInProcess::stop_earlier() {
  for (QProcess* process : std::exchange(earlier_, {})) {
    end(process);
  }
}

void StandInProcess::stop() {
  stop_earlier();
  if (newest_ != nullptr) {
    end(std::exchange(newest_, nullptr));
  }
}

int StandInProcess::sweep_after_the_dead() {
  const auto folder = devices::socket_folder();
  if (!folder) {
    return 0;
  }
  static const QRegularExpression kOwn(QStringLiteral("^[a-z-]+-([0-9]+)-[0-9]+(\\.frames)?$"));
  int swept = 0;
  std::error_code problem;
  for (const auto& entry : std::filesystem::directory_iterator(*folder, problem)) {
    const QString name = QString::fromStdString(entry.path().filename().string());
    const auto match = kOwn.match(name);
    const pid_t process = match.hasMatch() ? match.captured(1).toInt() : 0;
    if (process > 0 && ::kill(process, 0) != 0 && errno == ESRCH) {
      std::error_code ignored;
      swept += std::filesystem::remove(entry.path(), ignored) ? 1 : 0;
    }
  }
  return swept;
}

base::Result<std::filesystem::path> StandInProcess::own_path(const QString& name) {
  return devices::socket_folder().map([&](const std::filesystem::path& folder) {
    static int count = 0;
    return folder / QStringLiteral("%1-%2-%3")
                        .arg(name)
                        .arg(QCoreApplication::applicationPid())
                        .arg(++count)
                        .toStdString();
  });
}

}  // namespace solarchon::app
