// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "solarchon/base/json_value.h"
#include "solarchon/base/result.h"

namespace solarchon::devices {

// The line protocol of docs/devices.md: JSON-RPC 2.0, one object a line, UTF-8.

inline constexpr int kProtocol = 1;
/// A line of more bytes is no message; what comes after its end is read again.
inline constexpr std::size_t kMostLineBytes = 65536;

/// Cuts a stream of bytes into lines. Memory does not grow with what a device sends.
class LineCutter {
 public:
  /// A line without its end; none for one that was too long.
  using Line = std::optional<std::string>;
  /// Takes what has arrived. @return  the lines that it completed, in order; empty ones are left
  /// out
  [[nodiscard]] std::vector<Line> take(std::string_view bytes);
  /// Bytes of a line that is not complete.
  [[nodiscard]] std::size_t waiting() const { return begun_.size(); }

 private:
  std::string begun_;
  bool too_long_ = false;  ///< the rest of this line is thrown away
};

/// Asks a device to do something.
struct Request {
  std::int64_t id = 0;
  std::string method;
  base::JsonValue params = base::JsonValue::object();
};

/// What went wrong, by number, as JSON-RPC has them; those of devices lie at -32000 and below.
enum class Fault {
  kNotJson = -32700,
  kNotARequest = -32600,
  kNoSuchMethod = -32601,
  kBadParams = -32602,
  kOfTheDevice = -32000,  ///< it cannot: its reason tells why
  kOtherProtocol = -32001
};

/// Answers a request.
struct Answer {
  std::optional<std::int64_t> id;  ///< none: the request could not be read
  base::JsonValue result = {};
  std::optional<Fault> fault = {};
  std::string reason = {};  ///< one word of the protocol, such as `limit`; or a text
};

/// Tells of something that nobody asked for.
struct Event {
  std::string method;
  base::JsonValue params = base::JsonValue::object();
};

using Message = std::variant<Request, Answer, Event>;

/// Reads a line.
/// Errors: kMalformed for what is no JSON, kMissing, kWrongType or kOutOfRange with the member for
/// what is no message of JSON-RPC 2.0. Ids are whole numbers here. Batches are refused.
[[nodiscard]] base::Result<Message> read_message(std::string_view line);

/// The line, with its end.
[[nodiscard]] std::string to_line(const Request& request);
[[nodiscard]] std::string to_line(const Answer& answer);
[[nodiscard]] std::string to_line(const Event& event);

}  // namespace solarchon::devices
