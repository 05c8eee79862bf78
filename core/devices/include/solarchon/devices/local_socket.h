// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <string_view>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/devices/messages.h"
#include "solarchon/sky/time.h"

namespace solarchon::devices {

/// The folder of this user's devices: $XDG_RUNTIME_DIR/solarchon, or /tmp/solarchon-UID. It is made
/// when it is missing, for its owner alone.
/// Errors: kUnwritable when it cannot be made, or belongs to somebody else.
[[nodiscard]] base::Result<std::filesystem::path> socket_folder();

/// An open socket; closed with it.
class Socket {
 public:
  Socket() = default;
  explicit Socket(int descriptor) : descriptor_(descriptor) {}
  ~Socket();
  Socket(Socket&& other) noexcept;
  Socket& operator=(Socket&& other) noexcept;
  Socket(const Socket&) = delete;
  Socket& operator=(const Socket&) = delete;
  [[nodiscard]] int descriptor() const { return descriptor_; }
  [[nodiscard]] bool open() const { return descriptor_ >= 0; }
  void close();

 private:
  int descriptor_ = -1;
};

/// One end of a connection: lines out, lines in. Neither waits longer than it is told.
class Connection {
 public:
  explicit Connection(Socket socket) : socket_(std::move(socket)) {}
  /// Errors: kNotFound when the other end is gone, or takes nothing for that long.
  [[nodiscard]] base::Result<void> send(std::string_view line, sky::Duration patience);
  /// What arrives within that time; nothing is no error.
  /// Errors: kNotFound when the other end is gone.
  [[nodiscard]] base::Result<std::vector<LineCutter::Line>> receive(sky::Duration patience);
  [[nodiscard]] int descriptor() const { return socket_.descriptor(); }
  [[nodiscard]] bool open() const { return socket_.open(); }
  void close() { socket_.close(); }

 private:
  Socket socket_;
  LineCutter cutter_;
};

/// Connects to a device of the same user.
/// Errors: kNotFound when nobody answers there, or it is somebody else's.
[[nodiscard]] base::Result<Connection> connect_to(const std::filesystem::path& path);

/// Waits for connections of the same user at a path; a file that a dead process left there is
/// replaced. The file goes with it.
class Listener {
 public:
  /// Errors: kUnwritable when the path cannot be used, or a living process listens there.
  [[nodiscard]] static base::Result<Listener> at(const std::filesystem::path& path);
  ~Listener();
  Listener(Listener&&) noexcept = default;
  Listener& operator=(Listener&&) = delete;
  Listener(const Listener&) = delete;
  Listener& operator=(const Listener&) = delete;
  [[nodiscard]] int descriptor() const { return socket_.descriptor(); }
  /// The next connection that waits, if it is the same user's; a closed one else.
  [[nodiscard]] Socket accept() const;

 private:
  Listener(Socket socket, std::filesystem::path path)
      : socket_(std::move(socket)), path_(std::move(path)) {}
  Socket socket_;
  std::filesystem::path path_;
};

}  // namespace solarchon::devices
