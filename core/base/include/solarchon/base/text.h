// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <string>
#include <string_view>

namespace solarchon::base {

/// Longest name or note that files, fields and importers share (bytes of UTF-8).
inline constexpr std::size_t kMostTextBytes = 4096;

/// The text, cut to at most so many bytes without splitting a character of UTF-8.
[[nodiscard]] std::string clipped(std::string text, std::size_t most_bytes = kMostTextBytes);

/// The text in one line, for a terminal: control characters (C0, DEL and C1) become blanks.
[[nodiscard]] std::string without_controls(std::string_view text);

/// A number as errors show it: ten digits at most.
[[nodiscard]] std::string short_text(double value);

}  // namespace solarchon::base
