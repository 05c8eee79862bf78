// SPDX-License-Identifier: GPL-3.0-or-later
// What fuzzing once found, and one good file of each kind, read again.
#include <filesystem>

#include "tests/fuzz/targets.h"
#include "tests/support/support.h"

namespace solarchon::fuzz {
namespace {

class Replay : public testing::TestWithParam<Target> {};

TEST_P(Replay, KeepsItsPromisesOnEverySeed) {
  const std::filesystem::path seeds =
      std::filesystem::path(SOLARCHON_SEEDS) / std::string(GetParam().name);
  int count = 0;
  for (const auto& entry : std::filesystem::directory_iterator(seeds)) {
    SCOPED_TRACE(entry.path().filename().string());
    const std::string bytes = test::read_text(entry.path());
    GetParam().run(bytes);
    // Cut off anywhere it is still no reason to crash.
    for (std::size_t length = bytes.size() / 7; length < bytes.size();
         length += bytes.size() / 7 + 1) {
      GetParam().run(std::string_view(bytes).substr(0, length));
    }
    ++count;
  }
  EXPECT_GE(count, 3);
}

INSTANTIATE_TEST_SUITE_P(Readers, Replay, testing::ValuesIn(targets()),
                         [](const auto& reader) { return std::string(reader.param.name); });

}  // namespace
}  // namespace solarchon::fuzz
