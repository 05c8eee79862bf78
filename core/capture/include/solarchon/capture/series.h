// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <filesystem>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/base/json_value.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/capture/exposing.h"
#include "solarchon/capture/holder.h"
#include "solarchon/capture/recorder.h"
#include "solarchon/capture/source.h"
#include "solarchon/live/meters.h"
#include "solarchon/sky/disc.h"

namespace solarchon::capture {

/// One clip of each round of a series.
struct Take {
  std::string name = {};  ///< in the file's name, after the round; empty: the only one
  std::optional<double> exposure_ms = {};  ///< none: as it was when the series began
  bool disc_may_clip = false;              ///< exposed for prominences
  sky::DiscPlace looks = {};  ///< by which the telescope looks elsewhere than at first, on the sky
  std::optional<int> frames = {};
  std::optional<double> seconds = {};
};

/// Clips one after another, round by round.
struct SeriesPlan {
  std::filesystem::path folder;  ///< that is there
  std::string stem;              ///< of the files' names
  std::vector<Take> takes;       ///< of each round, in this order; each ends by frames or seconds
  int rounds = 1;
  double every_s = 0.0;  ///< from the start of one round to that of the next; 0: at once
  /// Keeps what is to be held on its pixel, where a guider is there and all takes look to one side.
  std::optional<HoldPlan> hold = {};
  /// Exposures follow the light between clips, within the shutter's reach.
  bool follows_light = false;
  base::Range shutter_ms{1e-4, 3.6e6};
  std::optional<double> above_share = {};  ///< as RecordPlan
  base::JsonValue sidecar = base::JsonValue::object();
};
inline constexpr base::Range kRoundsRange{1, 100'000};
inline constexpr base::Range kEveryRange{0.0, 86'400.0};
inline constexpr std::size_t kMostTakes = 400;

enum class SeriesStage {
  kWaiting,    ///< for the next round
  kTurning,    ///< to the exposure and place of the next take
  kRecording,  ///< it
  kDone,
  kFailed  ///< its problem tells why; what was recorded stays
};
[[nodiscard]] constexpr bool over(SeriesStage stage) {
  return stage == SeriesStage::kDone || stage == SeriesStage::kFailed;
}

/// Where a series stands.
struct SeriesState {
  SeriesStage stage = SeriesStage::kWaiting;
  int round = 0;  ///< from 0
  int rounds = 0;
  int take = 0;  ///< from 0
  int takes = 0;
  int clips = 0;         ///< that are whole
  double next_s = 0.0;   ///< until the next round is due, below 0 where it is late
  double gone_s = 0.0;   ///< since it began
  double round_s = 0.0;  ///< that the clips of a round last, as far as they end by time
  double every_s = 0.0;  ///< from the start of one round to that of the next, at least
  std::optional<double> exposure_ms = {};  ///< that it set last
  std::optional<double> held_arcsec = {};  ///< from its pixel, when that was last told
  std::optional<base::Error> problem = {};
};

/// What a series wants done before the next frame.
struct SeriesWish {
  std::optional<Exposing> expose = {};
  std::optional<sky::DiscPlace> nudge = {};
  bool moved = false;  ///< far: what the meters say of drift and air counts from here
  std::optional<RecordPlan> record = {};
};

/// Time-lapses, pairs of exposures, panels of a mosaic: every series of clips that goes by itself.
/// A round that is late begins at once; those after it are due as before.
class Series {
 public:
  /// @param like  a frame of now
  /// Errors: kOutOfRange (`rounds`, `every_s`, `seconds`, `frames`, `exposure_ms`), kMissing
  /// (`takes`, or one that has no end), kTooLarge (`takes`); kNotFound (`guider`) where takes look
  /// elsewhere and nothing moves it.
  [[nodiscard]] static base::Result<Series> begin(SeriesPlan plan, const LiveFrame& like,
                                                  const live::Setting& setting, const Hands& hands);
  /// After each frame.
  /// @param recording  of the clip that this series began last, while it goes on
  [[nodiscard]] SeriesWish take(const LiveFrame& frame, const Hands& hands,
                                const live::Meters& meters,
                                const std::optional<RecordState>& recording);
  /// The clip that goes on has ended, or could not be begun. @return  what it wants then
  [[nodiscard]] SeriesWish ended(const RecordState& recording, double seconds);
  /// It is to end: what it wants so that everything stands as before.
  [[nodiscard]] SeriesWish stop();
  [[nodiscard]] const SeriesState& state() const { return state_; }

 private:
  Series(SeriesPlan plan, const LiveFrame& like, const live::Setting& setting);
  [[nodiscard]] SeriesWish turn_to(int take, double seconds);
  [[nodiscard]] SeriesWish expose(std::optional<double> exposure_ms, bool disc_may_clip);
  [[nodiscard]] SeriesWish look(const sky::DiscPlace& at, SeriesWish wish);
  [[nodiscard]] SeriesWish back(SeriesWish wish);
  [[nodiscard]] RecordPlan clip_of_take() const;
  [[nodiscard]] bool turned(const LiveFrame& frame, const Hands& hands) const;
  void follow_light(const live::Meters& meters);
  [[nodiscard]] const Take& this_take() const {
    return plan_.takes[static_cast<std::size_t>(state_.take)];
  }

  SeriesPlan plan_;
  live::Setting setting_;              ///< at the exposure of the beginning
  std::optional<double> exposure_ms_;  ///< of the beginning
  double light_factor_ = 1.0;          ///< by which exposures are longer, to follow the light
  SeriesState state_;
  std::optional<Holder> holder_;
  sky::DiscPlace looks_{};  ///< as it was sent
  double began_s_ = 0.0;
  double since_s_ = 0.0;  ///< of the stage
};

}  // namespace solarchon::capture
