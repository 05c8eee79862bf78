// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "tests/core/registration/painted.h"
#include "tests/support/support.h"

namespace solarchon::cli {

/// A small clip in a folder of its own, and the name of a product beside it.
struct PaintedClip {
  PaintedClip() {
    const test::Painting painting(220, 180);
    base::Random random{31};
    test::write_clip(file, 40, [&](int i) { return painting.frame(test::glimpse_of(i), random); });
  }
  test::TempFolder folder;
  std::string file = (folder / "clip.fits").string();
  std::string out = (folder / "stack.fits").string();
};

}  // namespace solarchon::cli
