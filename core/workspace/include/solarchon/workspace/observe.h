// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <filesystem>
#include <functional>
#include <optional>
#include <set>
#include <string>
#include <vector>

#include "solarchon/align/seen_drift.h"
#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/camera/simulate.h"
#include "solarchon/image/frame.h"
#include "solarchon/light/exposure_plan.h"
#include "solarchon/log/log_book.h"
#include "solarchon/measure/disc.h"
#include "solarchon/plan/readiness.h"
#include "solarchon/scene/synthetic_sun.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::workspace {

/// Something on the synthetic Sun that one can point at.
struct Thing {
  Target kind = Target::kLargestSpot;
  sky::DiscPlace place;      ///< of its middle, or of the top of a prominence
  double size_arcsec = 0.0;  ///< across, in the middle of the disc
  double weight = 0.0;       ///< area, height or length: the larger, the more worth seeing
};
/// Everything there is at an instant on the near side, the largest first; takes some tenths of a
/// second once in five minutes.
[[nodiscard]] std::vector<Thing> things_to_see(sky::UtcTime time, const sky::DiscView& view,
                                               const scene::SyntheticSun& sun);
/// Where the target stands: as pointed at, else the largest of its kind; the middle of the disc for
/// granulation and where there is none of it, the east limb for the limb and what stands on it.
[[nodiscard]] sky::DiscPlace place_of(const Workspace& workspace, const Answers& answers,
                                      const scene::SyntheticSun& sun);

/// The exposure that suits the target (ms): that of the disc; of prominences, in hydrogen alpha,
/// so much longer that the disc is cut off, as far as the shutter goes. None without an exposure.
[[nodiscard]] std::optional<double> target_exposure_ms(const Workspace& workspace,
                                                       const Answers& answers);

/// The shot that a workspace asks of the simulated camera.
/// @param exposure_ms  none: target_exposure_ms
/// Errors: kMissing (field `rig`) without telescope and camera; kOutOfRange (field `time`) with the
/// Sun down; kOutOfRange for an exposure outside the camera's shutter.
[[nodiscard]] base::Result<camera::Shot> shot_for(const Workspace& workspace,
                                                  const Answers& answers,
                                                  std::optional<double> exposure_ms,
                                                  std::uint32_t seed);

/// Where the Sun's disc lies in frames of files, for align::run_of_frames.
/// Errors: as media::read_frame; kMissing, with the file's name, for a frame that does not say
/// when it was taken or shows no limb; kTooLarge for more than kMostRunFrames; kCancelled.
inline constexpr std::size_t kMostRunFrames = 500;
[[nodiscard]] base::Result<std::vector<align::DiscSeen>> discs_in(
    const std::vector<std::filesystem::path>& files, const base::Task& task = {});

/// The telescope's focal length (mm) as a measured disc tells it: of a frame from a light path's
/// camera. None where the frame's pixels are not known to be the camera's own, without a scale or
/// with an edge that is not to be trusted, and as optics::measured_focal_length_mm.
/// Accuracy: that of the disc's radius, 0.1 per cent for a whole disc of 300 px.
[[nodiscard]] std::optional<double> focal_length_by(const measure::DiscMeasurement& measurement,
                                                    const image::Frame& frame,
                                                    const optics::Rig& rig);

/// What a picture itself tells the log. File, kind, measurement and what it was made of are for
/// those to add who know them.
/// @param usually   when it was taken, where it does not say that itself
[[nodiscard]] log::FrameEntry frame_entry(const image::FrameInfo& info, sky::UtcTime usually,
                                          const sky::Observer& observer);

/// A frame that was kept, measured and filed.
struct FiledFrame {
  std::optional<measure::DiscMeasurement> measurement;  ///< none where no limb was found
  std::optional<base::Error> not_measured;              ///< why there is none
  log::FrameEntry entry;
  std::int64_t session = 0;
};

/// One that the simulated camera took.
struct Taken : FiledFrame {
  camera::Recording recording;
};

/// What the log's sessions near a workspace's site (within 0.02 degree, some 2 km) say of its air.
/// Rehearsals are left out unless the wishes take them in.
[[nodiscard]] plan::SeeingExperience seeing_experience(
    const std::vector<log::SessionSummary>& sessions, const Workspace& workspace);

/// The same, kept from one time to the next: only sessions that are new are looked at as long as
/// site and surroundings stay, and no session is gone.
class SeeingLesson {
 public:
  [[nodiscard]] const plan::SeeingExperience& learn(
      const std::vector<log::SessionSummary>& sessions, const Workspace& workspace);
  /// How many sessions the last call looked at.
  [[nodiscard]] std::size_t looked_at() const { return looked_at_; }

 private:
  std::optional<sky::Site> site_;
  plan::Surroundings surroundings_;
  bool with_simulated_ = false;
  std::set<std::int64_t> known_;
  plan::SeeingExperience experience_;
  std::size_t looked_at_ = 0;
};

/// What this session is to the log.
[[nodiscard]] log::SessionStart session_start(const Workspace& workspace, sky::UtcTime time);

/// What the list before a day is made from: the kit, the room on the data folder's disk, and when
/// the log last saw this light path before the day.
/// @param sessions     newest first, as the log lists them
/// @param write_mb_s   what the disk was measured to take; none: it was not
[[nodiscard]] plan::Stock stock_of(const Workspace& workspace, const plan::Day& day,
                                   std::vector<optics::Element> kit,
                                   const std::vector<log::SessionSummary>& sessions,
                                   const std::filesystem::path& data,
                                   std::optional<double> write_mb_s);

/// What exposures that were found right say of the prediction for a light path. Those of the
/// simulated camera are left out unless the wishes take them in.
[[nodiscard]] light::Correction correction_by(const std::vector<log::RightExposure>& exposures,
                                              const Workspace& workspace);

/// Does something with the log, and gives what came of it: at once, or on the thread that holds it.
using WithLog =
    std::function<base::Result<void>(const std::function<base::Result<void>(log::LogBook&)>& work)>;
/// At once. The log must outlive what is given.
[[nodiscard]] WithLog directly(log::LogBook& log);

/// Writes a frame as FITS below the data folder, under the day on which it was exposed, measures
/// it, and files both with the session that it belongs to. The log is only written once the frame
/// is on disk; a cancelled or failed frame leaves nothing.
/// @param usually  when it was exposed, if it does not say so itself
/// Errors: as media::write_fits and LogBook; kCancelled.
[[nodiscard]] base::Result<FiledFrame> file_frame(const Workspace& workspace,
                                                  const image::Frame& frame, sky::UtcTime usually,
                                                  const WithLog& with_log,
                                                  const std::filesystem::path& data,
                                                  const base::Task& task = {});

/// The same of a frame that the simulated camera takes.
/// Errors: also as camera::simulate.
[[nodiscard]] base::Result<Taken> take_frame(const Workspace& workspace, const camera::Shot& shot,
                                             const WithLog& with_log,
                                             const std::filesystem::path& data,
                                             const base::Task& task = {});

}  // namespace solarchon::workspace
