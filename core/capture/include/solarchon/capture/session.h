// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <functional>
#include <memory>
#include <optional>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/capture/recorder.h"
#include "solarchon/capture/run.h"
#include "solarchon/capture/series.h"
#include "solarchon/capture/source.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/live/judge.h"

namespace solarchon::capture {

/// What a live picture shows at a moment.
struct Glance {
  std::shared_ptr<const image::Frame> frame;  ///< the last; none before the first
  double seconds = 0.0;                       ///< of it
  std::int64_t number = 0;
  double rate_hz = 0.0;   ///< at which frames have come of late
  std::int64_t lost = 0;  ///< frames that never came
  live::Readings readings;
  live::Judgement judgement;
  std::optional<RecordState> recording;   ///< of the one that goes on, or went last
  Hands hands;                            ///< what can be turned, and how it stands
  std::optional<FocusRunState> focusing;  ///< of the run that goes on, or went last
  std::optional<TuningRunState> tuning;   ///< by heater, or by hand
  std::optional<ExposureRunState> exposing;
  std::optional<SeriesState> series;   ///< of the one that goes on, or went last
  bool ended = false;                  ///< the source has come to its end, or is gone
  std::optional<base::Error> problem;  ///< why
  std::optional<base::Error> refusal;  ///< of the last thing that was to be turned
};

/// A clip that was recorded: it lies whole.
struct Recorded {
  std::filesystem::path file;
  RecordState state;
  std::optional<sky::UtcTime> began = {};  ///< its first frame, where the source tells
  std::optional<double> exposure_ms = {};  ///< of its first frame
};

/// A source that is looked at, metered and recorded on a thread of its own. Every call comes back
/// at once, from any one thread.
class Session {
 public:
  /// @param on_glance  called on the session's thread about `glances_hz` times a second, and at the
  ///                   end; may be empty
  Session(std::unique_ptr<Source> source, const live::Setting& setting,
          std::function<void()> on_glance, double glances_hz = 15.0);
  ~Session();
  Session(const Session&) = delete;
  Session& operator=(const Session&) = delete;

  [[nodiscard]] const SourceCard& card() const;
  [[nodiscard]] Glance glance() const;
  /// Exposes from one of the next frames on; what the meters expect of a clear sky goes with it.
  void expose(double exposure_ms, const live::Setting& setting);
  /// Begins a recording with the next frame. One that goes on is ended first. What went wrong at
  /// the beginning shows in the glance.
  void record(RecordPlan plan);
  /// Ends the clip that goes on, and the series that it is of.
  void stop_recording();
  /// Begins a series in the place of one that goes on; refused where it cannot expose as asked.
  void run_series(SeriesPlan plan);
  /// Clips that have ended since this was asked last, in their order; empty ones are left out: they
  /// are gone.
  [[nodiscard]] std::vector<Recorded> take_recorded();
  /// Ends everything, waits for the disk, and gives what take_recorded would. Nothing is called
  /// back after it. Once.
  [[nodiscard]] std::vector<Recorded> close();

  /// Turns what the source has hands for; a run that goes on ends with it. What a device refuses
  /// shows in the glance.
  void focus_to(double position_um);
  void tune_to(int step);
  void nudge(double west_arcsec, double north_arcsec);
  void read_region(const image::Rectangle& region);
  /// Begins a run with the next frame, in the place of one that goes on.
  void run_focus(const FocusPlan& plan);
  void run_tuning(const TuningPlan& plan);
  /// A tuner that is turned by hand stands at a mark: looks, and says which mark is the best so
  /// far.
  void look_at_mark(int mark, const TuningPlan& plan);
  /// Refused where the source cannot expose as asked.
  void run_exposures(const ExposurePlan& plan);
  /// What was turned stays where it is; the exposure is that of before.
  void stop_run();

 private:
  class Machine;
  std::unique_ptr<Machine> machine_;
};

}  // namespace solarchon::capture
