// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QElapsedTimer>
#include <cstdint>
#include <filesystem>
#include <optional>

#include "app/model/stand_in_process.h"
#include "solarchon/base/result.h"
#include "solarchon/capture/source.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::app {

/// The process that plays what stands at the rear of a telescope. With the same light path again it
/// stands as it was left.
class SimulatedTelescope : public StandInProcess {
  Q_OBJECT

 public:
  using StandInProcess::StandInProcess;

  /// From the next start on: how much quicker its heater is than real ones, since nobody rehearses
  /// for hours.
  void hurry(double heater_quicker) { heater_quicker_ = heater_quicker; }
  [[nodiscard]] double heater_quicker() const { return heater_quicker_; }
  /// @param mount  that is played, and that it rides on; none: it follows the Sun by itself
  /// @return  where it will listen. Errors: as own_path.
  [[nodiscard]] base::Result<std::filesystem::path> play(
      const workspace::Workspace& space, sky::UtcTime time, std::optional<double> exposure_ms,
      const std::optional<std::filesystem::path>& mount);
  /// How its hands stand now.
  void leave(const capture::Hands& hands) { left_ = hands; }

 private:
  double heater_quicker_ = 30.0;
  std::uint32_t seed_ = 0;
  optics::Rig rig_;  ///< that it plays, or played last
  capture::Hands left_;
  QElapsedTimer running_;  ///< since it was first started with this light path
};

}  // namespace solarchon::app
