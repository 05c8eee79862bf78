// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/figure.h"

namespace solarchon::words {

/// How the words become a language. This one speaks English, in which they are written; the program
/// has one that looks them up in its translations.
class Voice {
 public:
  Voice() = default;
  virtual ~Voice() = default;
  Voice(const Voice&) = delete;
  Voice& operator=(const Voice&) = delete;

  /// @param text  one of the texts of this library, marked with T() there
  [[nodiscard]] virtual std::string say(const char* text) const { return text; }
  /// @param name  of a part or light path that ships with the program, which is in English
  [[nodiscard]] virtual std::string generic_name(const std::string& name) const { return name; }
  [[nodiscard]] virtual std::string decimal_point() const { return "."; }

  /// Without zeros at its end.
  [[nodiscard]] std::string number(double value, int most_decimals) const;
  /// `102 mm`, `OD 4.3`, `1.5°`, with at most two decimals; of days and bare numbers the value
  /// only.
  [[nodiscard]] std::string figure(const base::Figure& figure) const;
  /// The same with three significant digits; densities to the hundredth.
  [[nodiscard]] std::string rounded(const base::Figure& figure) const;
  /// `Film, Wedge`
  [[nodiscard]] std::string listed(const std::vector<std::string>& names) const;

 private:
  [[nodiscard]] static std::string in_unit(const std::string& value, base::Unit unit);
};

/// The command line's voice.
[[nodiscard]] const Voice& english();

/// A text with %1, %2, ... replaced by what belongs there. What is put in is not looked at again.
[[nodiscard]] std::string filled(std::string_view text, const std::vector<std::string>& values);

}  // namespace solarchon::words
