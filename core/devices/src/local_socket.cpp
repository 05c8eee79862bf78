// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/local_socket.h"

#include <poll.h>
#include <sys/socket.h>
#include <sys/stat.h>
#include <sys/un.h>
#include <unistd.h>

#include <algorithm>
#include <array>
#include <cerrno>
#include <chrono>
#include <cstdlib>
#include <cstring>
#include <string>

namespace solarchon::devices {

using base::ErrorCode;
using base::Result;
using Clock = std::chrono::steady_clock;

namespace {

constexpr const char* kPeer = "device";

Result<sockaddr_un> address_of(const std::filesystem::path& path) {
  sockaddr_un address{};
  address.sun_family = AF_UNIX;
  const std::string text = path.string();
  if (text.empty() || text.size() >= sizeof(address.sun_path)) {
    return base::fail(ErrorCode::kOutOfRange, kPeer, text,
                      base::wants("name-of-bytes", {sizeof(address.sun_path) - 1.0}));
  }
  std::copy(text.begin(), text.end(), std::begin(address.sun_path));
  return address;
}

bool same_user(int descriptor) {
  ucred peer{};
  socklen_t size = sizeof(peer);
  return getsockopt(descriptor, SOL_SOCKET, SO_PEERCRED, &peer, &size) == 0 &&
         peer.uid == geteuid();
}

Socket new_socket() {
  return Socket(socket(AF_UNIX, SOCK_STREAM | SOCK_CLOEXEC | SOCK_NONBLOCK, 0));
}

bool connects(const Socket& socket, const sockaddr_un& address) {
  return connect(socket.descriptor(), reinterpret_cast<const sockaddr*>(&address),
                 sizeof(address)) == 0;
}

/// Waits until a descriptor is ready; false when the time is over.
bool ready(int descriptor, std::int16_t what, Clock::time_point until) {
  for (;;) {
    const auto left =
        std::chrono::duration_cast<std::chrono::milliseconds>(until - Clock::now()).count();
    pollfd waiting{descriptor, what, 0};
    const int found = poll(&waiting, 1, static_cast<int>(std::max<std::int64_t>(0, left)));
    if (found > 0) {
      return true;
    }
    if (found == 0 || errno != EINTR) {
      return false;
    }
  }
}

Clock::time_point after(sky::Duration patience) {
  return Clock::now() + std::chrono::duration_cast<Clock::duration>(patience);
}

}  // namespace

Result<std::filesystem::path> socket_folder() {
  const char* runtime = std::getenv("XDG_RUNTIME_DIR");
  const std::filesystem::path folder =
      runtime != nullptr && *runtime != '\0'
          ? std::filesystem::path(runtime) / "solarchon"
          : std::filesystem::path("/tmp/solarchon-" + std::to_string(geteuid()));
  constexpr mode_t kOwnerOnly = 0700;
  if (mkdir(folder.c_str(), kOwnerOnly) != 0 && errno != EEXIST) {
    return base::fail(ErrorCode::kUnwritable, folder.string());
  }
  struct stat found {};
  if (lstat(folder.c_str(), &found) != 0 || !S_ISDIR(found.st_mode) || found.st_uid != geteuid() ||
      (found.st_mode & 0077) != 0) {
    return base::fail_because(ErrorCode::kUnwritable, folder.string(),
                              base::because("not-yours-alone"));
  }
  return folder;
}

Socket::~Socket() { close(); }

Socket::Socket(Socket&& other) noexcept : descriptor_(std::exchange(other.descriptor_, -1)) {}

Socket& Socket::operator=(Socket&& other) noexcept {
  if (this != &other) {
    close();
    descriptor_ = std::exchange(other.descriptor_, -1);
  }
  return *this;
}

void Socket::close() {
  if (descriptor_ >= 0) {
    ::close(descriptor_);
    descriptor_ = -1;
  }
}

Result<void> Connection::send(std::string_view line, sky::Duration patience) {
  const auto until = after(patience);
  while (!line.empty()) {
    const ssize_t sent = ::send(socket_.descriptor(), line.data(), line.size(), MSG_NOSIGNAL);
    if (sent >= 0) {
      line.remove_prefix(static_cast<std::size_t>(sent));
    } else if (errno == EAGAIN || errno == EWOULDBLOCK) {
      if (!ready(socket_.descriptor(), POLLOUT, until)) {
        return base::fail_because(ErrorCode::kNotFound, kPeer, base::because("device-silent"));
      }
    } else if (errno != EINTR) {
      return base::fail_because(ErrorCode::kNotFound, kPeer, base::because("device-gone"));
    }
  }
  return {};
}

Result<std::vector<LineCutter::Line>> Connection::receive(sky::Duration patience) {
  const auto until = after(patience);
  std::vector<LineCutter::Line> lines;
  std::array<char, 65536> bytes{};
  while (ready(socket_.descriptor(), POLLIN, until)) {
    const ssize_t got = recv(socket_.descriptor(), bytes.data(), bytes.size(), 0);
    if (got > 0) {
      lines = cutter_.take({bytes.data(), static_cast<std::size_t>(got)});
      if (!lines.empty()) {
        return lines;
      }
    } else if (got == 0 || (errno != EAGAIN && errno != EWOULDBLOCK && errno != EINTR)) {
      return base::fail_because(ErrorCode::kNotFound, kPeer, base::because("device-gone"));
    }
    if (Clock::now() >= until) {
      break;  // whoever sends without an end is not waited for
    }
  }
  return lines;
}

Result<Connection> connect_to(const std::filesystem::path& path) {
  return address_of(path).and_then([&](const sockaddr_un& address) -> Result<Connection> {
    Socket socket = new_socket();
    if (!socket.open() || !connects(socket, address)) {
      return base::fail_because(ErrorCode::kNotFound, kPeer, base::because("no-device"));
    }
    if (!same_user(socket.descriptor())) {
      return base::fail_because(ErrorCode::kNotFound, kPeer, base::because("not-yours-alone"));
    }
    return Connection(std::move(socket));
  });
}

Result<Listener> Listener::at(const std::filesystem::path& path) {
  return address_of(path).and_then([&](const sockaddr_un& address) -> Result<Listener> {
    if (connects(new_socket(), address)) {
      return base::fail_because(ErrorCode::kUnwritable, path.string(),
                                base::because("device-listens-already"));
    }
    struct stat found {};
    if (lstat(path.c_str(), &found) == 0 && S_ISSOCK(found.st_mode)) {
      unlink(path.c_str());
    }
    Socket socket = new_socket();
    constexpr mode_t kOwnerOnly = 0177;
    const mode_t before = umask(kOwnerOnly);
    const bool bound =
        socket.open() && bind(socket.descriptor(), reinterpret_cast<const sockaddr*>(&address),
                              sizeof(address)) == 0;
    umask(before);
    constexpr int kWaiting = 8;
    if (!bound || listen(socket.descriptor(), kWaiting) != 0) {
      return base::fail(ErrorCode::kUnwritable, path.string());
    }
    return Listener(std::move(socket), path);
  });
}

Listener::~Listener() {
  if (socket_.open()) {
    unlink(path_.c_str());
  }
}

Socket Listener::accept() const {
  Socket made(accept4(socket_.descriptor(), nullptr, nullptr, SOCK_CLOEXEC | SOCK_NONBLOCK));
  if (made.open() && !same_user(made.descriptor())) {
    made.close();
  }
  return made;
}

}  // namespace solarchon::devices
