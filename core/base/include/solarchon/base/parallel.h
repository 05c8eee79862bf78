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

}  // namespace solarchon::base
