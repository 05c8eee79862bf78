// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>

#include "solarchon/image/frame.h"

namespace solarchon::registration {

/// By how much one picture lies to the right of and below another (px), and how sure that is.
struct Shift {
  double right_px = 0.0;
  double down_px = 0.0;
  double peak = 0.0;  ///< of the correlation over its surroundings, in their standard deviations
};

/// A wave that stands on the sensor and says nothing of how the picture lies.
struct StandingWave {
  double right_cycles_px = 0.0;
  double down_cycles_px = 0.0;
};

/// A square of a frame, against which the same square of other frames is laid.
class ReferenceSquare {
 public:
  /// @param side     a power of two, 16 to 1024; the square must lie in the frame
  /// @param without  is left out of what is compared
  ReferenceSquare(const image::Frame& reference, int left, int top, int side,
                  const std::optional<StandingWave>& without = {});
  ~ReferenceSquare();
  ReferenceSquare(ReferenceSquare&&) noexcept;
  ReferenceSquare& operator=(ReferenceSquare&&) noexcept;
  ReferenceSquare(const ReferenceSquare&) = delete;
  ReferenceSquare& operator=(const ReferenceSquare&) = delete;

  /// How the same square of another frame of that size lies. Shifts up to a quarter of the side.
  /// @return  none where nothing in it is alike
  /// Accuracy: 0.1 px where the square has structure that stands out of the noise.
  /// Source: cross-correlation with the fringe of low frequencies taken out, peak by parabolas.
  [[nodiscard]] std::optional<Shift> lay(const image::Frame& frame) const;

 private:
  struct Kept;
  std::unique_ptr<Kept> kept_;
};

}  // namespace solarchon::registration
