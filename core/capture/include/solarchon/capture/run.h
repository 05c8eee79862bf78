// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>
#include <set>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/capture/exposing.h"
#include "solarchon/capture/source.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/sharpness.h"
#include "solarchon/live/meters.h"
#include "solarchon/live/runs.h"

namespace solarchon::capture {

/// What a run is about.
enum class RunStage {
  kGoing,      ///< to the next place
  kLooking,    ///< there
  kReturning,  ///< to the best
  kDone,
  kFailed  ///< its problem tells why
};
[[nodiscard]] constexpr bool over(RunStage stage) {
  return stage == RunStage::kDone || stage == RunStage::kFailed;
}

/// What a run wants turned before the next frame.
struct RunWish {
  std::optional<double> focus_to_um = {};
  std::optional<int> tune_to = {};
  std::optional<Exposing> expose = {};
  bool look_afresh = false;  ///< what the meters say of edge and structure counts from here
  /// Nothing but that.
  [[nodiscard]] static RunWish afresh() {
    RunWish wish;
    wish.look_afresh = true;
    return wish;
  }
};

/// How a focus run is made.
struct FocusPlan {
  double depth_um = 50.0;  ///< half of the depth of focus, of the drawtube: 0.1 to 20 000
  double play_um = 400.0;  ///< more than the focuser has: it comes to each place from inside
  double look_s = 2.0;     ///< at each place, above 0
};
inline constexpr base::Range kDepthRange{0.1, 20'000.0};

/// Where a focus run stands.
struct FocusRunState {
  RunStage stage = RunStage::kGoing;
  int place = 0;  ///< that it is at, from 0; starts again with each pass
  int places = 0;
  int pass = 0;                               ///< from 0
  std::vector<live::FocusPoint> points = {};  ///< of this pass, one a place: the usual width
  bool by_edge = true;                        ///< widths are the limb's (arcsec); else of detail
  std::optional<live::FocusFit> fit = {};     ///< of the last pass that was fitted
  std::optional<double> temperature_c = {};   ///< of the tube, at the best focus
  std::optional<base::Error> problem = {};
};

/// Finds the best focus with a motor: a coarse pass, or more where the valley lies outside of it,
/// then a fine one; goes there from inside, as to every place. Without a valley it ends where the
/// edge was drawn narrowest.
/// Accuracy: a quarter of the depth of focus under steady air of 2 cm and more.
class FocusRun {
 public:
  /// @param from  where the focuser stands. Errors: kOutOfRange with the plan's member.
  [[nodiscard]] static base::Result<FocusRun> begin(const FocusPlan& plan,
                                                    const devices::FocuserState& from);
  /// After each frame.
  [[nodiscard]] RunWish take(double seconds, const Hands& hands, const live::Meters& meters);
  [[nodiscard]] const FocusRunState& state() const { return state_; }

 private:
  FocusRun(const FocusPlan& plan, const devices::FocuserState& from);
  [[nodiscard]] RunWish begin_pass(double middle_um, double step_um, int places);
  [[nodiscard]] RunWish go_to(double position_um, double seconds);
  [[nodiscard]] RunWish end_place(double seconds);
  [[nodiscard]] RunWish end_pass(double seconds);
  [[nodiscard]] RunWish fail(base::Error problem);
  [[nodiscard]] RunWish fail_at_narrowest(base::Error problem);
  [[nodiscard]] double within_travel(double position_um) const;

  /// What was seen at one place.
  struct Seen {
    double position_um;
    std::vector<double> edges;
    std::vector<double> details;
  };
  FocusPlan plan_;
  double travel_um_;
  double middle_um_;
  FocusRunState state_;
  std::vector<double> way_;  ///< positions of this pass
  std::vector<Seen> seen_;
  int coarse_ = 0;  ///< passes that were
  bool fine_ = false;
  bool begun_ = false;
  bool taking_up_ = false;  ///< goes inwards past its place first
  double target_um_ = 0.0;
  double since_s_ = 0.0;             ///< of the stage
  std::optional<double> settled_s_;  ///< since it is where it shall be
};

/// The light of some frames, looked at one by one.
struct TuningLook {
  double since_s = 0.0;
  double light = 0.0;  ///< of all of them, over the level without light
  int frames = 0;
  bool full = false;  ///< one of them was
  void add(const live::Meters& meters);
  /// What it saw at a step. @param structure  as Readings::structure
  [[nodiscard]] live::TuningPoint point(int step, double structure) const;
};

/// How a tuning run is made.
struct TuningPlan {
  double settle_s = 120.0;  ///< after it is on band, where the heater does not reckon by itself
  int looks = 3;            ///< at each step, 2 or more: how much one scatters is told by them
  double look_s = 1.5;      ///< of each
};

/// Where a tuning run stands.
struct TuningRunState {
  RunStage stage = RunStage::kGoing;
  int step = 0;                       ///< that it is at, or going to
  std::optional<double> wait_s = {};  ///< until it stands still there, as the heater reckons
  std::vector<live::TuningPoint> points = {};
  std::optional<live::TuningFit> fit = {};
  bool by_light = false;  ///< the best is where the disc is darkest; else by contrast
  std::optional<double> structure = {};  ///< at the best step
  std::optional<double> temperature_c = {};
  std::optional<base::Error> problem = {};
};

/// Finds the best step of a heated etalon, the one nearest to the middle of the line: from where it
/// stands upwards as long as it gets better, then downwards; waits at each step until it stands
/// still; goes back to the best. The disc is darkest there; where that cannot be told (the disc is
/// full, cloud passes), the contrast of structure decides, which is less sharp.
/// Accuracy: of whole steps exact under a clear sky.
class TuningRun {
 public:
  TuningRun(const TuningPlan& plan, const devices::HeaterState& from);
  /// After each frame.
  [[nodiscard]] RunWish take(double seconds, const Hands& hands, const live::Meters& meters);
  [[nodiscard]] const TuningRunState& state() const { return state_; }

 private:
  [[nodiscard]] RunWish go_to(int step, RunStage stage, double seconds);
  [[nodiscard]] RunWish end_step(double seconds);
  [[nodiscard]] std::optional<int> next_step() const;
  [[nodiscard]] std::optional<live::TuningFit> best(bool* by_light = nullptr) const;

  TuningPlan plan_;
  int from_;
  int steps_;
  TuningRunState state_;
  std::set<int> tried_;
  bool begun_ = false;
  int looks_ = 0;
  TuningLook look_;
  double since_s_ = 0.0;
  std::optional<double> on_band_s_;  ///< since it is
};

/// Looks at the marks of a tuner that is turned by hand, one by one as its owner turns it. What it
/// says is that of a run: the best of the marks so far.
class HandTuning {
 public:
  explicit HandTuning(const TuningPlan& plan) : plan_(plan) { state_.stage = RunStage::kDone; }
  /// The tuner stands at a mark, and still. What was seen there before is forgotten.
  void look_at(int mark);
  /// After each frame.
  [[nodiscard]] RunWish take(double seconds, const live::Meters& meters);
  /// Done where it looks at nothing; without a fit, the marks do not tell yet.
  [[nodiscard]] const TuningRunState& state() const { return state_; }

 private:
  TuningPlan plan_;
  TuningRunState state_;
  TuningLook look_;
  bool begins_ = false;
  int looks_ = 0;
};
inline constexpr base::Range kMarkRange{-100, 100};

/// How a ladder of exposures is made.
struct ExposurePlan {
  double middle_ms = 10.0;  ///< about which it goes
  double step_stops = 1.0;  ///< from rung to rung, 0.1 to 4
  int rungs = 7;            ///< 2 to 15; those beyond the shutter are left out
  base::Range shutter_ms{1e-4, 3.6e6};
};
inline constexpr base::Range kStepStopsRange{0.1, 4.0};
inline constexpr base::Range kRungsRange{2, 15};

/// One exposure of a ladder, as its frame came out.
struct ExposureRung {
  double exposure_ms = 0.0;
  image::Level level;
  double noise = 0.0;  ///< of one pixel, of full scale
  std::shared_ptr<const image::Frame> frame;
};

/// Where a ladder stands.
struct ExposureRunState {
  RunStage stage = RunStage::kGoing;
  int place = 0;  ///< from 0
  int places = 0;
  std::vector<ExposureRung> rungs = {};  ///< from the shortest on
  /// Of them, the one that comes nearest to the level that is aimed at, of those that are not
  /// full. None where the disc may be full: what is faint is for the eye to judge.
  std::optional<int> nearest = {};
  std::optional<base::Error> problem = {};
};

/// Takes a frame at each exposure of a ladder, from the shortest on, and goes back to the exposure
/// that it found.
class ExposureRun {
 public:
  /// @param like  a frame of now
  /// Errors: kOutOfRange with the plan's member; kMissing (`exposure_ms`) where frames do not tell
  /// how they were exposed.
  [[nodiscard]] static base::Result<ExposureRun> begin(const ExposurePlan& plan,
                                                       const LiveFrame& like,
                                                       const live::Setting& setting);
  /// After each frame.
  [[nodiscard]] RunWish take(const LiveFrame& frame, const live::Meters& meters);
  /// It is to end: what it wants so that everything stands as before.
  [[nodiscard]] RunWish stop() const;
  [[nodiscard]] const ExposureRunState& state() const { return state_; }

 private:
  ExposureRun(std::vector<double> ladder_ms, double before_ms, const live::Setting& setting);
  [[nodiscard]] RunWish go_to(double exposure_ms, double seconds);

  std::vector<double> ladder_ms_;
  double before_ms_;
  live::Setting setting_;  ///< at that
  ExposureRunState state_;
  double target_ms_ = 0.0;
  double since_s_ = 0.0;
  bool begun_ = false;
};

}  // namespace solarchon::capture
