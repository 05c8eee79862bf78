// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <functional>
#include <thread>
#include <vector>

namespace solarchon::reduce {

/// How many hands work at once.
[[nodiscard]] inline int hands() {
  return static_cast<int>(std::max(1U, std::thread::hardware_concurrency()));
}

/// Calls work(0) to work(count - 1), each on a thread of its own but the first, and waits for all.
inline void together(int count, const std::function<void(int hand)>& work) {
  std::vector<std::jthread> others;
  others.reserve(static_cast<std::size_t>(std::max(0, count - 1)));
  for (int hand = 1; hand < count; ++hand) {
    others.emplace_back([&work, hand] { work(hand); });
  }
  work(0);
}

}  // namespace solarchon::reduce
