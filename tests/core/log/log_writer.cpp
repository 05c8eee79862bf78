// SPDX-License-Identifier: GPL-3.0-or-later
// Commits frames to a log until it is killed, and prints the id of each once it is committed.
#include <cstdio>

#include "solarchon/log/log_book.h"
#include "tests/support/support.h"

int main(int argc, char** argv) {
  using namespace solarchon;
  if (argc != 2) {
    return 2;
  }
  auto book = log::LogBook::open(argv[1]);
  const auto session = book.and_then([](log::LogBook& open) {
    return open.begin({test::morning(),
                       {"Site", 1.0, 2.0, 3.0, "UTC"},
                       test::starter_rig(),
                       "whole-disc",
                       2.0,
                       {}});
  });
  if (!session) {
    return 1;
  }
  measure::DiscMeasurement measured;
  measured.spots.assign(40, {});
  for (int i = 0;; ++i) {
    const auto id = book->file_frame(
        *session, {0, test::morning() + sky::seconds(i), "frames/x.fits", 0.2, 40.0, measured});
    if (!id) {
      return 1;
    }
    std::printf("%lld\n", static_cast<long long>(*id));
    std::fflush(stdout);
  }
}
