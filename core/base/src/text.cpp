// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/text.h"

namespace solarchon::base {

namespace {

unsigned char byte_at(std::string_view text, std::size_t place) {
  return static_cast<unsigned char>(text[place]);
}

}  // namespace

std::string clipped(std::string text, std::size_t most_bytes) {
  if (text.size() <= most_bytes) {
    return text;
  }
  std::size_t end = most_bytes;
  constexpr unsigned kContinues = 0x80;
  constexpr unsigned kMask = 0xC0;
  while (end > 0 && (byte_at(text, end) & kMask) == kContinues) {
    --end;
  }
  text.resize(end);
  return text;
}

std::string without_controls(std::string_view text) {
  std::string plain;
  plain.reserve(text.size());
  for (std::size_t i = 0; i < text.size(); ++i) {
    const unsigned char letter = byte_at(text, i);
    // C1 controls are two bytes of UTF-8: C2 and 80 to 9F.
    const bool c1 = letter == 0xC2 && i + 1 < text.size() && byte_at(text, i + 1) >= 0x80 &&
                    byte_at(text, i + 1) < 0xA0;
    if (letter < 0x20 || letter == 0x7F || c1) {
      plain += ' ';
      i += c1 ? 1 : 0;
    } else {
      plain += text[i];
    }
  }
  return plain;
}

std::string short_text(double value) {
  std::ostringstream out;
  out.precision(10);
  out << value;
  return out.str();
}

}  // namespace solarchon::base
