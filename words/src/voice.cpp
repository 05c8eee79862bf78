// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/words/voice.h"

#include <algorithm>
#include <cmath>
#include <cstdio>

namespace solarchon::words {

using base::Unit;

const Voice& english() {
  static const Voice kEnglish;
  return kEnglish;
}

std::string Voice::number(double value, int most_decimals) const {
  constexpr std::size_t kRoom = 400;  // the longest double without an exponent
  std::string text(kRoom, '\0');
  const int length = std::snprintf(text.data(), text.size(), "%.*f", most_decimals, value);
  text.resize(static_cast<std::size_t>(std::clamp(length, 0, static_cast<int>(kRoom) - 1)));
  const std::size_t point = text.find('.');
  if (point != std::string::npos) {
    text.erase(text.find_last_not_of('0') + 1);
    if (text.size() == point + 1) {
      text.pop_back();
    } else {
      text.replace(point, 1, decimal_point());
    }
  }
  return text == "-0" ? "0" : text;
}

std::string Voice::in_unit(const std::string& value, Unit unit) {
  const std::string symbol(base::symbol_of(unit));
  switch (unit) {
    case Unit::kNone:
    case Unit::kDay:
      return value;
    case Unit::kFocalRatio:
      return symbol + value;
    case Unit::kOpticalDensity:
    case Unit::kNeutralDensity:
      return symbol + " " + value;
    case Unit::kDegree:
    case Unit::kArcminute:
    case Unit::kArcsecond:
      return value + symbol;
    default:
      return value + " " + symbol;
  }
}

std::string Voice::figure(const base::Figure& figure) const {
  return in_unit(number(figure.value, 2), figure.unit);
}

std::string Voice::rounded(const base::Figure& figure) const {
  if (figure.unit == Unit::kOpticalDensity || figure.unit == Unit::kNeutralDensity) {
    return this->figure(figure);  // a hundredth is a fortieth of the light: finer says nothing
  }
  const double size = std::abs(figure.value);
  const int magnitude = size > 0.0 ? static_cast<int>(std::floor(std::log10(size))) : 0;
  return in_unit(number(figure.value, std::clamp(2 - magnitude, 0, 9)), figure.unit);
}

std::string Voice::listed(const std::vector<std::string>& names) const {
  std::string text;
  for (const std::string& name : names) {
    text += (text.empty() ? "" : ", ") + name;
  }
  return text;
}

std::string filled(std::string_view text, const std::vector<std::string>& values) {
  std::string out;
  for (std::size_t i = 0; i < text.size(); ++i) {
    const std::size_t place = i + 1 < text.size() && text[i] == '%'
                                  ? static_cast<std::size_t>(text[i + 1] - '1')
                                  : values.size();
    if (place < values.size()) {
      out += values[place];
      ++i;
    } else {
      out += text[i];
    }
  }
  return out;
}

}  // namespace solarchon::words
