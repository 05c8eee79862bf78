// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/log_queue.h"

#include <chrono>
#include <future>

namespace solarchon::app {

LogQueue::LogQueue(std::filesystem::path file, ErrorReporter& trouble, QObject* parent)
    : QObject(parent), file_(std::move(file)) {
  connect(&queue_, &SerialQueue::broke, &trouble, &ErrorReporter::tell_broken);
  connect(&queue_, &SerialQueue::emptied, this, &LogQueue::emptied);
}

LogQueue::~LogQueue() { ending_ = true; }

base::Result<log::LogBook> LogQueue::open() const {
  constexpr std::chrono::milliseconds kPatience{2000};
  constexpr std::chrono::milliseconds kAtTheEnd{200};
  return log::LogBook::open_to_read(file_, ending_ ? kAtTheEnd : kPatience);
}

workspace::WithLog LogQueue::with_log() {
  return [this](const std::function<base::Result<void>(log::LogBook&)>& work) {
    std::promise<base::Result<void>> promise;
    auto done = promise.get_future();
    queue_.ask([&]() -> SerialQueue::Delivery {
      try {
        promise.set_value(open().and_then([&](log::LogBook book) { return work(book); }));
      } catch (...) {
        promise.set_exception(std::current_exception());
      }
      return {};
    });
    return done.get();
  };
}

}  // namespace solarchon::app
