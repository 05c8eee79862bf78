// SPDX-License-Identifier: GPL-3.0-or-later
// One reader under libFuzzer; which one is chosen when it is compiled.
#include <cstddef>
#include <cstdint>

#include "tests/fuzz/targets.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  for (const solarchon::fuzz::Target& target : solarchon::fuzz::targets()) {
    if (target.name == SOLARCHON_FUZZ_TARGET) {
      target.run({reinterpret_cast<const char*>(data), size});
    }
  }
  return 0;
}
