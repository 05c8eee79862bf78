// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <filesystem>
#include <memory>
#include <optional>

#include "solarchon/base/json_value.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/capture/source.h"

namespace solarchon::capture {

/// What is to be recorded. It ends with whichever limit is reached first; without any, when it is
/// told to.
struct RecordPlan {
  std::filesystem::path file;  ///< of the clip: a FITS cube
  std::optional<int> frames = {};
  std::optional<double> seconds = {};  ///< of the source's time, from the first frame on
  std::optional<std::int64_t> bytes = {};
  /// Only the sharp moments: frames above this share of all that were seen in the last minute, 0 to
  /// below 1, each with what came just before it. None: all frames.
  std::optional<double> above_share = {};
  double pre_roll_s = 0.3;
  std::int64_t ring_bytes = 256'000'000;  ///< of frames that wait for the disk
  base::JsonValue sidecar =
      base::JsonValue::object();  ///< what else is known, for the file beside the clip
};
inline constexpr base::Range kAboveShareRange{0.0, 0.99};
inline constexpr base::Range kPreRollRange{0.0, 10.0};

/// How a recording goes.
struct RecordState {
  int written = 0;
  int waiting = 0;               ///< in the ring
  std::int64_t lost_before = 0;  ///< that never came from the source
  int dropped = 0;               ///< for which the ring had no room
  int passed_over = 0;           ///< that were not sharp enough
  std::int64_t bytes = 0;
  double seconds = 0.0;  ///< from the first frame to the last that was offered
  bool closed = false;   ///< it has ended: all that was taken is in the file
  bool full = false;     ///< a limit of the plan is reached: what waits is being written
  std::optional<base::Error> problem = {};  ///< of the disk: nothing more is written
};

/// Writes frames on a thread of its own. The one who offers them never waits: what the disk is too
/// slow for waits in a ring, and is dropped and counted where that is full.
class Recorder {
 public:
  /// Makes the clip and NAME.json beside it. Errors: as ClipWriter::create; kOutOfRange with the
  /// member's name.
  [[nodiscard]] static base::Result<std::unique_ptr<Recorder>> begin(RecordPlan plan,
                                                                     const LiveFrame& like,
                                                                     double rate_hz);
  ~Recorder();
  Recorder(const Recorder&) = delete;
  Recorder& operator=(const Recorder&) = delete;

  /// Takes a copy of a frame if the plan wants it.
  /// @param sharpness  of it; counts only with above_share
  void offer(const LiveFrame& frame, double sharpness);
  [[nodiscard]] RecordState state() const;
  /// Waits until all that was taken is on disk, and closes the clip; one without a frame is taken
  /// away. Once.
  /// @param learnt  what came to be known meanwhile, for the file beside the clip: an object
  [[nodiscard]] RecordState finish(const base::Json& learnt);
  [[nodiscard]] RecordState finish();

 private:
  class Machine;
  explicit Recorder(std::unique_ptr<Machine> machine);
  std::unique_ptr<Machine> machine_;
};

/// Where what is known of a clip is written: NAME.json beside it.
[[nodiscard]] std::filesystem::path facts_beside(const std::filesystem::path& clip);

}  // namespace solarchon::capture
