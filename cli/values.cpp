// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/values.h"

#include <charconv>
#include <cmath>

#include "solarchon/base/json.h"

namespace solarchon::cli {

using base::Json;

namespace {

/// A number as people write it: digits, a point, an exponent; nothing empty, no hexadecimal, no
/// infinity.
std::string is_plain_number(const std::string& text) {
  double value = 0.0;
  const char* begin = text.data() + (text.starts_with('+') ? 1 : 0);
  const auto [end, problem] = std::from_chars(begin, text.data() + text.size(), value);
  const bool whole = problem == std::errc() && end == text.data() + text.size();
  return whole && std::isfinite(value) ? std::string() : "\"" + text + "\" is not a number";
}

}  // namespace

void check_values(CLI::App& app) {
  for (CLI::Option* option : app.get_options()) {
    const std::string type = option->get_type_name();
    if (type.find("FLOAT") != std::string::npos || type.find("INT") != std::string::npos) {
      option->check(CLI::Validator(is_plain_number, ""));
    } else if (option->get_type_size() > 0) {
      option->check(CLI::Validator(
          [](const std::string& text) {
            return text.empty() ? std::string("an empty value says nothing") : std::string();
          },
          ""));
    }
  }
  for (CLI::App* command : app.get_subcommands({})) {
    check_values(*command);
  }
}

std::string printable(const Json& answer) {
  const std::string text = base::file_text(answer);
  std::string out;
  out.reserve(text.size());
  for (std::size_t i = 0; i < text.size(); ++i) {
    const auto letter = static_cast<unsigned char>(text[i]);
    const auto next = i + 1 < text.size() ? static_cast<unsigned char>(text[i + 1]) : 0U;
    constexpr const char* kHex = "0123456789abcdef";
    if (letter == 0x7F) {
      out += "\\u007f";
    } else if (letter == 0xC2 && next >= 0x80 && next < 0xA0) {  // C1 in UTF-8
      out += "\\u00";
      out += {kHex[next >> 4U], kHex[next & 15U]};
      ++i;
    } else {
      out += text[i];
    }
  }
  return out;
}

}  // namespace solarchon::cli
