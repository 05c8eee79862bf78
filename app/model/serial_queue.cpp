// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/serial_queue.h"

#include <QMetaObject>
#include <exception>
#include <utility>

namespace solarchon::app {

SerialQueue::SerialQueue(QObject* parent)
    : QObject(parent), thread_([this](const std::stop_token& stop) { work(stop); }) {}

SerialQueue::~SerialQueue() {
  thread_.request_stop();
  thread_.join();
}

void SerialQueue::ask(Work work) {
  {
    const std::lock_guard lock(mutex_);
    waiting_.push_back(std::move(work));
    ++open_;
  }
  changed_.notify_one();
}

bool SerialQueue::settled() const {
  const std::lock_guard lock(mutex_);
  return open_ == 0;
}

void SerialQueue::work(const std::stop_token& stop) {
  while (true) {
    Work next;
    {
      std::unique_lock lock(mutex_);
      changed_.wait(lock, stop, [this] { return !waiting_.empty(); });
      if (waiting_.empty()) {
        return;  // told to stop, and all is done
      }
      next = std::move(waiting_.front());
      waiting_.pop_front();
    }
    Delivery delivery;
    try {
      delivery = next();
    } catch (const std::exception& problem) {
      delivery = [this, what = QString::fromUtf8(problem.what())] { emit broke(what); };
    }
    QMetaObject::invokeMethod(
        this, [this, delivery = std::move(delivery)] { deliver(delivery); }, Qt::QueuedConnection);
  }
}

void SerialQueue::deliver(const Delivery& delivery) {
  if (delivery) {
    delivery();
  }
  bool last = false;
  {
    const std::lock_guard lock(mutex_);
    last = --open_ == 0;
  }
  if (last) {
    emit emptied();
  }
}

}  // namespace solarchon::app
