// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/parallel.h"

#include <algorithm>
#include <atomic>
#include <cstddef>
#include <thread>
#include <vector>

namespace solarchon::base {

int hands() { return static_cast<int>(std::max(1U, std::thread::hardware_concurrency())); }

void together(int count, const std::function<void(int hand)>& work) {
  std::vector<std::jthread> others;
  others.reserve(static_cast<std::size_t>(std::max(0, count - 1)));
  for (int hand = 1; hand < count; ++hand) {
    others.emplace_back([&work, hand] { work(hand); });
  }
  work(0);
}

bool each_row(int rows, const Task& task, const std::function<void(int row)>& work) {
  constexpr int kAtOnce = 8;  // rows that a thread takes before it asks again
  std::atomic<int> next{0};
  const auto take = [&](bool reports) {
    for (int first = next.fetch_add(kAtOnce); first < rows; first = next.fetch_add(kAtOnce)) {
      for (int row = first; row < std::min(rows, first + kAtOnce); ++row) {
        if (task.stopped()) {
          return;
        }
        work(row);
      }
      if (reports) {
        task.report(static_cast<double>(std::min(rows, first + kAtOnce)) / rows);
      }
    }
  };
  const int helpers = std::max(0, std::min(hands(), (rows + kAtOnce - 1) / kAtOnce) - 1);
  {
    std::vector<std::jthread> threads;
    threads.reserve(static_cast<std::size_t>(helpers));
    for (int i = 0; i < helpers; ++i) {
      threads.emplace_back([&] { take(false); });
    }
    take(true);
  }
  return !task.stopped();
}

}  // namespace solarchon::base
