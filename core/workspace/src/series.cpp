// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/series.h"

#include <algorithm>
#include <cmath>
#include <string>

#include "solarchon/match/mosaic.h"
#include "solarchon/scene/synthetic_sun.h"
#include "solarchon/workspace/live.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::workspace {

using base::ErrorCode;
using base::Result;

namespace {

constexpr double kPlayback_hz = 25.0;

/// The target from the middle of the disc, as the picture has it (arcsec).
sky::PictureOffset target_in_picture(const Workspace& workspace, const Answers& answers) {
  const camera::Shot usual;
  return sky::to_picture(place_of(workspace, answers, scene::SyntheticSun(usual.sun_seed)),
                         answers.solar);
}

Result<match::Mosaic> mosaic_for(const Answers& answers) {
  constexpr double kArcsecPerArcmin = 60.0;
  match::MosaicWish wish;
  wish.field_width_arcsec = kArcsecPerArcmin * *answers.train.field_width_arcmin;
  wish.field_height_arcsec = kArcsecPerArcmin * *answers.train.field_height_arcmin;
  wish.radius_arcsec = answers.sun.semidiameter_arcsec();
  return match::mosaic_of(wish);
}

Result<std::vector<capture::Take>> panels(const Workspace& workspace, const Answers& answers,
                                          const capture::Take& like) {
  return mosaic_for(answers).map([&](const match::Mosaic& mosaic) {
    const sky::PictureOffset target = target_in_picture(workspace, answers);
    std::vector<capture::Take> takes;
    takes.reserve(mosaic.panels.size());
    for (const match::Panel& panel : mosaic.panels) {
      capture::Take take = like;
      take.name = "panel-" + std::to_string(takes.size() + 1);
      take.looks = sky::to_disc({panel.right_arcsec - target.right, panel.up_arcsec - target.up},
                                answers.celestial);
      takes.push_back(std::move(take));
    }
    return takes;
  });
}

Result<std::vector<capture::Take>> takes_of(const Workspace& workspace, const Answers& answers,
                                            const SeriesOrder& order) {
  capture::Take take;
  take.seconds = order.clip_s;
  switch (order.kind) {
    case SeriesKind::kTimeLapse:
      break;
    case SeriesKind::kPanels:
      return panels(workspace, answers, take);
    case SeriesKind::kPairs: {
      if (!answers.train.line || !answers.exposure) {
        return base::fail(ErrorCode::kMissing, "line");
      }
      Workspace over_the_limb = workspace;
      over_the_limb.target = Target::kProminence;
      capture::Take disc = take;
      disc.name = "disc";
      disc.exposure_ms = answers.exposure->exposure_ms;
      take.name = "prominences";
      take.exposure_ms = target_exposure_ms(over_the_limb, answers);
      take.disc_may_clip = true;
      return std::vector{disc, take};
    }
  }
  return std::vector{take};
}

Result<void> checked(const Workspace& workspace, const Answers& answers, const SeriesOrder& order) {
  if (!optics::sensor_of(workspace.rig) || !answers.train.sampling_arcsec_px ||
      !answers.train.field_width_arcmin) {
    return base::fail(ErrorCode::kMissing, "rig", {}, base::wants("telescope-and-camera"));
  }
  const auto clip = base::checked("clip_s", order.clip_s, kSeriesClipRange);
  const auto every = base::checked("every_s", order.every_s, capture::kEveryRange);
  const auto rounds = base::checked("rounds", order.rounds, capture::kRoundsRange);
  for (const auto* figure : {&clip, &every, &rounds}) {
    if (!*figure) {
      return tl::make_unexpected(figure->error());
    }
  }
  return {};
}

}  // namespace

Result<capture::SeriesPlan> series_plan(const Workspace& workspace, const Answers& answers,
                                        const SeriesOrder& order,
                                        std::optional<double> exposure_ms) {
  if (const auto good = checked(workspace, answers, order); !good) {
    return tl::make_unexpected(good.error());
  }
  return takes_of(workspace, answers, order).map([&](std::vector<capture::Take> takes) {
    const optics::Camera camera = optics::sensor_of(workspace.rig)->camera;
    capture::SeriesPlan plan;
    plan.takes = std::move(takes);
    const bool panels = order.kind == SeriesKind::kPanels;
    plan.rounds = panels ? 1 : order.rounds;
    plan.every_s = panels ? 0.0 : order.every_s;
    if (order.hold && !panels) {
      plan.hold = capture::HoldPlan{*answers.train.sampling_arcsec_px, answers.celestial, {}, {}};
    }
    plan.follows_light = order.follow_light;
    // The shutter may be set beyond what the sensor says it is good for, by those who know better.
    const double now_ms = exposure_ms.value_or(
        target_exposure_ms(workspace, answers).value_or(camera.shortest_exposure_ms));
    plan.shutter_ms = {std::min(camera.shortest_exposure_ms, now_ms),
                       std::max({camera.shortest_exposure_ms, camera.longest_exposure_ms, now_ms})};
    return plan;
  });
}

Result<match::TimeLapseNeeds> series_needs(const Workspace& workspace, const Answers& answers,
                                           const SeriesOrder& order,
                                           std::optional<double> exposure_ms) {
  if (const auto good = checked(workspace, answers, order); !good) {
    return tl::make_unexpected(good.error());
  }
  // Where panels lie does not matter here, and takes time to find.
  const bool panels = order.kind == SeriesKind::kPanels;
  SeriesOrder one = order;
  one.kind = panels ? SeriesKind::kTimeLapse : order.kind;
  const auto takes = takes_of(workspace, answers, one);
  const auto mosaic = panels ? mosaic_for(answers) : Result<match::Mosaic>();
  if (!takes || !mosaic) {
    return tl::make_unexpected(!takes ? takes.error() : mosaic.error());
  }
  const int rounds = panels ? static_cast<int>(mosaic->panels.size()) : order.rounds;
  const optics::Camera camera = optics::sensor_of(workspace.rig)->camera;
  const double usual_ms =
      exposure_ms ? *exposure_ms : target_exposure_ms(workspace, answers).value_or(1.0);
  match::TimeLapseNeeds needs;
  double round_s = 0.0;
  for (const capture::Take& take : *takes) {
    const match::FrameRate rate = match::frame_rate(camera, {camera.width_px, camera.height_px},
                                                    take.exposure_ms.value_or(usual_ms));
    round_s += *take.seconds;
    needs.bytes += rounds * *take.seconds * rate.hz * rate.bytes_a_frame;
  }
  needs.duration_s = (rounds - 1) * (panels ? round_s : std::max(round_s, order.every_s)) + round_s;
  needs.playback_s = panels ? 0.0 : rounds / kPlayback_hz;
  return needs;
}

std::optional<SeriesOrder> order_of(const plan::Run& run, sky::UtcTime from) {
  const double gone_s = sky::in_seconds(from - run.start);
  const double left_s = 60.0 * run.minutes - gone_s;
  SeriesOrder order;
  if (gone_s < 0.0 || left_s <= 0.0) {
    return std::nullopt;
  }
  if (run.clip_s <= 0.0) {
    order.clip_s = std::min(left_s, kSeriesClipRange.high);
    order.every_s = order.clip_s;
    order.rounds = static_cast<int>(std::ceil(left_s / order.clip_s));
    return left_s < kSeriesClipRange.low ? std::nullopt : std::optional(order);
  }
  order.clip_s = std::clamp(run.clip_s, kSeriesClipRange.low, kSeriesClipRange.high);
  order.every_s = std::max(run.every_s, order.clip_s);
  // As many as begin within it.
  order.rounds = static_cast<int>(std::ceil(left_s / order.every_s - 1e-9));
  return left_s < order.clip_s ? std::nullopt : std::optional(order);
}

}  // namespace solarchon::workspace
