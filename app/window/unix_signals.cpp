// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/unix_signals.h"

#include <sys/socket.h>
#include <unistd.h>

#include <QSocketNotifier>
#include <array>
#include <csignal>

namespace solarchon::app {

namespace {

/// A handler may do little more than write a byte.
std::array<int, 2>& ends() {
  static std::array<int, 2> pair{-1, -1};
  return pair;
}

void wake(int /*signal*/) {
  const char byte = 1;
  [[maybe_unused]] const ssize_t written = ::write(ends()[0], &byte, 1);
}

}  // namespace

UnixSignals::UnixSignals(QObject* parent) : QObject(parent) {
  if (::socketpair(AF_UNIX, SOCK_STREAM | SOCK_CLOEXEC, 0, ends().data()) != 0) {
    return;  // the signals end the program as they always do
  }
  auto* notifier = new QSocketNotifier(ends()[1], QSocketNotifier::Read, this);
  connect(notifier, &QSocketNotifier::activated, this, [this] {
    char byte = 0;
    [[maybe_unused]] const ssize_t got = ::read(ends()[1], &byte, 1);
    emit asked();
  });
  for (const int signal : {SIGTERM, SIGINT, SIGHUP}) {
    std::signal(signal, wake);
  }
}

UnixSignals::~UnixSignals() {
  for (const int signal : {SIGTERM, SIGINT, SIGHUP}) {
    std::signal(signal, SIG_DFL);
  }
  for (int& end : ends()) {
    if (end >= 0) {
      ::close(end);
      end = -1;
    }
  }
}

}  // namespace solarchon::app
