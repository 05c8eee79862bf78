// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QMetaObject>
#include <memory>
#include <utility>

#include "solarchon/base/task.h"

namespace solarchon::app {

/// A task whose progress is told on the thread of `to`, by the hundredth: each is a message to it.
/// @param tell  called with the share that is done, as long as `to` is there
template <typename Tell>
[[nodiscard]] base::Task queued_progress(const base::Task& task, QObject* to, Tell tell) {
  auto last = std::make_shared<double>(-1.0);
  return {task.stop, [to, last, tell = std::move(tell)](double done) {
            constexpr double kStep = 0.01;
            if (done - *last < kStep && done < 1.0) {
              return;
            }
            *last = done;
            QMetaObject::invokeMethod(
                to, [tell, done] { tell(done); }, Qt::QueuedConnection);
          }};
}

}  // namespace solarchon::app
