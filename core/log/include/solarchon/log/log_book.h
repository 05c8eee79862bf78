// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>
#include <cstdint>
#include <filesystem>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/result.h"
#include "solarchon/measure/disc.h"
#include "solarchon/optics/rig.h"
#include "solarchon/plan/countdown.h"
#include "solarchon/plan/runbook.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/time.h"

namespace solarchon::log {

/// What is known when a session begins.
struct SessionStart {
  sky::UtcTime started;
  sky::Site site;
  optics::Rig rig;
  std::string target;                              ///< what is to be seen, in words
  double seeing_arcsec = sky::kUsualSeeingArcsec;  ///< as judged by the observer
  sky::Weather weather;
  bool operator==(const SessionStart&) const = default;
};

/// What a picture in the log is.
enum class PictureKind {
  kFrame,
  kStack,    ///< of a clip, restored or not
  kMosaic,   ///< of panels, restored or not
  kFinished  ///< for the eye
};
inline constexpr base::EnumWords<PictureKind, 4> kPictureKindWords{
    {"frame", "stack", "mosaic", "finished"}};

/// A frame that was taken, or a picture that was made, with what was measured on it.
struct FrameEntry {
  std::int64_t id = 0;
  sky::UtcTime taken;
  std::string file;  ///< below the data folder, or with its whole path where it lies elsewhere
  double exposure_ms = 0.0;
  double sun_altitude_deg = 0.0;
  std::optional<measure::DiscMeasurement> measurement = {};
  bool simulated = false;  ///< no light of the Sun made it
  PictureKind kind = PictureKind::kFrame;
  std::vector<std::string> made_of = {};  ///< clips and pictures, named as `file` is
};

/// A clip that was recorded, or a movie that was made of pictures.
struct ClipEntry {
  std::int64_t id = 0;
  sky::UtcTime begun;  ///< of a movie: when its last picture was taken
  std::string file;    ///< below the data folder, or with its whole path where it lies elsewhere
  double seconds = 0.0;
  int frames = 0;  ///< in it
  int lost = 0;    ///< that never got there
  std::optional<double> exposure_ms = {};
  std::optional<double> sun_altitude_deg = {};
  std::optional<double> r0_cm = {};  ///< of the air, as it was measured
  std::string series = {};           ///< that it is of; empty: none
  bool movie = false;
  bool simulated = false;                 ///< no light of the Sun made it
  std::vector<std::string> made_of = {};  ///< a movie: pictures, named as `file` is
  bool operator==(const ClipEntry&) const = default;
};

/// A step of the runbook that was done for a session.
struct LoggedTick {
  safety::Occasion occasion = safety::Occasion::kSetUp;
  plan::Tick tick;
  bool operator==(const LoggedTick&) const = default;
};

/// An exposure that the observer found right, and what was predicted for it then.
struct RightExposure {
  std::int64_t id = 0;
  sky::UtcTime found;
  std::string rig;  ///< name of the light path
  double predicted_ms = 0.0;
  double right_ms = 0.0;
  bool simulated = false;  ///< on pictures of the simulated camera
  bool operator==(const RightExposure&) const = default;
};

struct Session {
  std::int64_t id = 0;
  SessionStart start;
  std::string notes;
  std::vector<FrameEntry> frames;  ///< in order of time
  std::vector<LoggedTick> ticks;   ///< in order of time; those of a newer program are left out
  std::vector<ClipEntry> clips;    ///< in order of time
};

/// A session without its details, for lists.
struct SessionSummary {
  std::int64_t id = 0;
  sky::UtcTime started;
  sky::UtcTime last_frame;  ///< or clip
  std::string site;
  double latitude_deg = 0.0;
  double longitude_deg = 0.0;
  std::string rig;
  std::string target;
  double seeing_arcsec = 0.0;
  int frames = 0;
  int clips = 0;
  std::optional<int> spots = {};  ///< on the frame with the most; none where none were sought
  bool simulated = false;         ///< a rehearsal: no light of the Sun is in it
};

/// Something on a shelf. Its name there is its own: what is kept under the name of another takes
/// that one's place.
template <typename T>
struct Kept {
  T item;
  sky::UtcTime used;  ///< when it was last taken in hand
  bool operator==(const Kept&) const = default;
};
using KeptSite = Kept<sky::Site>;
using KeptPath = Kept<optics::Rig>;

/// The observer's log: one SQLite file with a write-ahead log. What was committed survives a kill
/// at any moment. One object is used by one thread at a time.
class LogBook {
 public:
  /// Opens or makes the log, and brings an older schema up to date.
  /// @param patience  how long each later call waits for another process that holds the file
  /// Errors: kUnwritable (folder or file cannot be made or written, or is held for longer than
  /// `patience`), kMalformed (not a log), kVersion (made by a newer program; left untouched).
  [[nodiscard]] static base::Result<LogBook> open(const std::filesystem::path& file,
                                                  std::chrono::milliseconds patience = kPatience);
  static constexpr std::chrono::milliseconds kPatience{5000};

  /// The same for a caller that only reads: a log on a disk that cannot be written is read as it
  /// lies there. Writing through such a book fails with kUnwritable.
  [[nodiscard]] static base::Result<LogBook> open_to_read(
      const std::filesystem::path& file, std::chrono::milliseconds patience = kPatience);

  LogBook(LogBook&&) noexcept;
  LogBook& operator=(LogBook&&) noexcept;
  ~LogBook();

  /// Starts a session. @return its id. Errors: kUnwritable.
  [[nodiscard]] base::Result<std::int64_t> begin(const SessionStart& start);
  /// Files a frame with its measurement in one commit. @return its id.
  /// Errors: kUnwritable; kNotFound when there is no such session.
  [[nodiscard]] base::Result<std::int64_t> file_frame(std::int64_t session,
                                                      const FrameEntry& frame);
  /// A frame or clip, and the session that it was filed in.
  struct Filed {
    std::int64_t session = 0;
    std::int64_t entry = 0;
  };
  /// Files a frame with the session that it belongs to, in one commit: that of what it was made of;
  /// else the newest of that site, light path and target that began within half a day of it and is
  /// a rehearsal if it is simulated, and none if it is not; else a new one. Errors: kUnwritable.
  [[nodiscard]] base::Result<Filed> file_frame(const SessionStart& start, const FrameEntry& frame);
  /// The same for a clip. One that is filed already stays as it is; a movie written anew takes the
  /// older one's place. @return  the session. Errors: kUnwritable.
  [[nodiscard]] base::Result<std::int64_t> file_clip(const SessionStart& start,
                                                     const ClipEntry& clip);
  /// The files of all clips. Errors: kUnreadable.
  [[nodiscard]] base::Result<std::vector<std::string>> clip_files() const;
  /// Errors: kUnwritable; kNotFound.
  [[nodiscard]] base::Result<void> set_notes(std::int64_t session, const std::string& notes);

  /// Files steps of the runbook with a session; one that is filed already stays as it is.
  /// Errors: kUnwritable; kNotFound when there is no such session.
  [[nodiscard]] base::Result<void> keep_ticks(std::int64_t session,
                                              const std::vector<LoggedTick>& ticks);
  /// Takes one back, filed or not. Errors: kUnwritable.
  [[nodiscard]] base::Result<void> drop_tick(std::int64_t session, const LoggedTick& tick);

  /// Keeps a part of the owner's kit with its serial, notes, inspections and tuning history.
  /// @param part  with a `kit_id` it takes the place of that part, without one it is new
  /// @return      its kit_id. Errors: kUnwritable.
  [[nodiscard]] base::Result<std::string> keep_in_kit(optics::Element part);
  /// Errors: kUnwritable; kNotFound.
  [[nodiscard]] base::Result<void> drop_from_kit(const std::string& kit_id);
  /// The owner's kit, by name, without what is damaged. Errors: kUnreadable.
  [[nodiscard]] base::Result<std::vector<optics::Element>> kit() const;

  /// Keeps a site or a light path on its shelf. Errors: kUnwritable; kOutOfRange for a name that is
  /// empty or longer than base::kMostTextBytes.
  [[nodiscard]] base::Result<void> keep(const KeptSite& site);
  [[nodiscard]] base::Result<void> keep(const KeptPath& path);
  /// Errors: kUnwritable; kNotFound.
  [[nodiscard]] base::Result<void> drop_site(const std::string& name);
  [[nodiscard]] base::Result<void> drop_path(const std::string& name);
  /// Last used first, without what is damaged. Errors: kUnreadable.
  [[nodiscard]] base::Result<std::vector<KeptSite>> sites() const;
  [[nodiscard]] base::Result<std::vector<KeptPath>> paths() const;

  /// Files how long a step of a countdown took. Errors: kUnwritable.
  [[nodiscard]] base::Result<void> note_step(sky::UtcTime done, const plan::StepNote& note);
  /// Takes the last note of a step back. Errors: kUnwritable; kNotFound when there is none.
  [[nodiscard]] base::Result<void> drop_last_step(plan::StepKind kind);
  /// Oldest first. Errors: kUnreadable. Steps of a newer program are left out.
  [[nodiscard]] base::Result<std::vector<plan::StepNote>> step_notes() const;

  /// Files an exposure that was found right with a light path. @return its id.
  /// Errors: kUnwritable; kOutOfRange for a predicted or right one that is not above 0.
  [[nodiscard]] base::Result<std::int64_t> note_exposure(const RightExposure& exposure);
  /// Errors: kUnwritable; kNotFound.
  [[nodiscard]] base::Result<void> drop_exposure(std::int64_t id);
  /// Of a light path by its name, or of all for none; newest first. Errors: kUnreadable.
  [[nodiscard]] base::Result<std::vector<RightExposure>> right_exposures(
      const std::string& rig) const;

  /// Sessions, parts and what stands on the shelves of which the text cannot be read, by what is
  /// wrong with it: the lists go without it. Errors: kUnreadable.
  [[nodiscard]] base::Result<std::vector<base::Error>> damaged() const;

  /// All sessions, newest first; a damaged one without the names that stood in it. Errors:
  /// kUnreadable.
  [[nodiscard]] base::Result<std::vector<SessionSummary>> summaries() const;
  /// Errors: kNotFound, kUnreadable.
  [[nodiscard]] base::Result<Session> session(std::int64_t id) const;

 private:
  struct Store;
  explicit LogBook(std::unique_ptr<Store> store);
  std::unique_ptr<Store> store_;
};

}  // namespace solarchon::log
