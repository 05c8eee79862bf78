// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/range.h"
#include "solarchon/base/result.h"

namespace solarchon::base {

/// A line (or a row of a list) that was not taken, and why.
struct RefusedLine {
  int line = 0;  ///< from 1
  Error error;
};

/// The columns of one line of a table, without the blanks and quotes around them. Semicolons
/// separate where there are any, else commas.
using Columns = std::vector<std::string_view>;

/// Reads a table line by line: a heading (a first line that begins with a letter), empty lines and
/// lines that begin with # are skipped; bad lines are refused one by one and the others taken.
/// @param take  is given each line's columns; its error refuses the line
/// @return      the refused lines. Errors: as fail_whole of the refused lines when no line at all
///              could be taken.
[[nodiscard]] Result<std::vector<RefusedLine>> read_table(
    std::string_view text, const std::string& name,
    const std::function<Result<void>(const Columns&)>& take);

/// The error of a whole whose lines were all refused: the first one's, with its line; kMissing when
/// there was none.
[[nodiscard]] Error fail_whole(const std::string& name, const std::vector<RefusedLine>& refused);

/// A column as a number. Errors: kMissing, kWrongType, kOutOfRange with `field`.
[[nodiscard]] Result<double> number_of(std::string_view column, const std::string& field,
                                       Range range);

/// A field for a table: in quotes when it holds a separator, a quote or a line's end; one that a
/// spreadsheet would take for a formula gets an apostrophe before it.
[[nodiscard]] std::string quoted(const std::string& text);

}  // namespace solarchon::base
