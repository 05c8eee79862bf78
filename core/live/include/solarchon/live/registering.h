// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>

#include "solarchon/frames/frame.h"

namespace solarchon::live {

/// By how much one picture lies to the right of and below another (px), and how sure that is.
struct Shifted {
  double right_px = 0.0;
  double down_px = 0.0;
  double peak = 0.0;  ///< of the correlation over its surroundings, in their standard deviations
};

/// A wave that stands on the sensor and says nothing of how the picture lies.
struct Standing {
  double right_cycles_px = 0.0;
  double down_cycles_px = 0.0;
};

/// A square of a frame, against which the same square of other frames is laid.
class Registered {
 public:
  /// @param side     a power of two, 16 to 1024; the square must lie in the frame
  /// @param without  is left out of what is compared
  Registered(const frames::Frame& reference, int left, int top, int side,
             const std::optional<Standing>& without = {});
  ~Registered();
  Registered(Registered&&) noexcept;
  Registered& operator=(Registered&&) noexcept;
  Registered(const Registered&) = delete;
  Registered& operator=(const Registered&) = delete;

  /// How the same square of another frame of that size lies. Shifts up to a quarter of the side.
  /// @return  none where nothing in it is alike
  /// Accuracy: 0.1 px where the square has structure that stands out of the noise.
  /// Source: cross-correlation with the fringe of low frequencies taken out, peak by parabolas.
  [[nodiscard]] std::optional<Shifted> lay(const frames::Frame& frame) const;

 private:
  struct Kept;
  std::unique_ptr<Kept> kept_;
};

}  // namespace solarchon::live
