// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "solarchon/base/task.h"

namespace solarchon::base {

/// Does the rows of a picture on all cores; the caller's thread works too, and reports progress.
/// @param rows  0 or more
/// @param work  called once for each row, from several threads, in no order; must not throw
/// @return      false when it was stopped: some rows were then not done
bool each_row(int rows, const Task& task, const std::function<void(int row)>& work);

/// How many hands work at once: one a core.
[[nodiscard]] int hands();

/// Calls work(0) to work(count - 1), each on a thread of its own but the first, and waits for all.
/// @param work  must not throw
void together(int count, const std::function<void(int hand)>& work);

}  // namespace solarchon::base
