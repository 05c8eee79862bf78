// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/latest_job.h"

#include <utility>

namespace solarchon::app {

LatestJob::LatestJob(QObject* parent) : QObject(parent) {
  connect(&worker_, &Worker::broke, this, &LatestJob::broke);
  // After the delivery of what has ended, which may wish for more.
  connect(
      &worker_, &Worker::busyChanged, this,
      [this](bool busy) {
        if (!busy && next_ && !worker_.busy()) {
          worker_.start(std::exchange(next_, nullptr));
        }
      },
      Qt::QueuedConnection);
}

void LatestJob::wish(Worker::Work work, Old old) {
  if (!worker_.busy() && !next_) {
    worker_.start(std::move(work));
    return;
  }
  next_ = std::move(work);
  if (old == Old::kStops) {
    worker_.cancel();
  }
}

}  // namespace solarchon::app
