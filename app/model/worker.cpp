// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/worker.h"

#include <QMetaObject>
#include <exception>
#include <utility>

namespace solarchon::app {

Worker::Worker(QObject* parent) : QObject(parent) {}

Worker::~Worker() {
  thread_.request_stop();
  if (thread_.joinable()) {
    thread_.join();
  }
}

bool Worker::start(Work work) {
  if (busy_) {
    return false;
  }
  busy_ = true;
  emit busyChanged(true);
  thread_ = std::jthread([this, work = std::move(work)](const std::stop_token& stop) {
    const base::Task task{stop, [this](double fraction) {
                            QMetaObject::invokeMethod(
                                this, [this, fraction] { emit progressed(fraction); },
                                Qt::QueuedConnection);
                          }};
    Delivery delivery;
    try {
      delivery = work(task);
    } catch (const std::exception& problem) {
      delivery = [this, what = QString::fromUtf8(problem.what())] { emit broke(what); };
    }
    QMetaObject::invokeMethod(
        this, [this, delivery = std::move(delivery)] { finish(delivery); }, Qt::QueuedConnection);
  });
  return true;
}

void Worker::cancel() { thread_.request_stop(); }

void Worker::finish(const Delivery& delivery) {
  busy_ = false;
  emit busyChanged(false);
  if (delivery) {
    delivery();
  }
}

}  // namespace solarchon::app
