// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/observe.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/base/file.h"
#include "solarchon/base/range.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "solarchon/light/exposure_plan.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/scene/magnetism.h"
#include "solarchon/scene/synthetic_sun.h"

namespace solarchon::workspace {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

/// `frames/2027-07-14/103015250.fits`
std::filesystem::path frame_name(sky::UtcTime time) {
  std::string iso = sky::to_iso(time);
  const std::string date = iso.substr(0, 10);
  std::string clock = iso.substr(11);
  std::erase_if(clock, [](char c) { return c < '0' || c > '9'; });
  return std::filesystem::path("frames") / date / (clock + ".fits");
}

/// The same name, numbered until no file has it, and taken: an empty file of that name is made, so
/// that no other process can choose it.
Result<std::filesystem::path> take_name(const std::filesystem::path& data,
                                        std::filesystem::path name) {
  const std::filesystem::path first = name;
  constexpr int kMostNumber = 100'000;
  for (int number = 2; number < kMostNumber; ++number) {
    const auto taken = base::make_new_file(data / name);
    if (taken && *taken) {
      return name;
    }
    if (!taken) {
      return tl::make_unexpected(taken.error());
    }
    name = first;
    name.replace_filename(first.stem().string() + "-" + std::to_string(number) + ".fits");
  }
  return fail_because(ErrorCode::kUnwritable, (data / first).string(),
                      base::because("too-many-frames-of-one-instant"));
}

/// Adds what is made of one region.
void add_region(const scene::Region& region, const sky::DiscView& view,
                std::vector<Thing>& things) {
  const double limb = sky::limb_radius_arcsec(view.distance_au);
  const scene::Spot* largest = nullptr;
  double area = 0.0;
  for (const scene::Spot& spot : region.spots) {
    area += spot.area_muh();
    if (largest == nullptr || spot.radius_deg > largest->radius_deg) {
      largest = &spot;
    }
  }
  if (largest == nullptr) {
    return;
  }
  constexpr double kArcsecPerDeg = 16.7;  // of the surface, in the middle of the disc
  const auto at = sky::disc_place(largest->latitude_deg, largest->carrington_longitude_deg, view);
  if (at) {
    things.push_back({Target::kLargestSpot, *at, 2.0 * kArcsecPerDeg * largest->radius_deg, area});
  }
  const auto middle = sky::disc_place(region.latitude_deg, region.carrington_longitude_deg, view);
  if (!middle) {
    return;
  }
  things.push_back({Target::kPlage, *middle, kArcsecPerDeg * region.spread_deg, area});
  const double out = std::hypot(middle->west_arcsec, middle->north_arcsec) / limb;
  constexpr double kFaculaeFrom = 0.7;  // of the radius; nearer to the middle they are not seen
  if (out > kFaculaeFrom) {
    things.push_back({Target::kFaculae, *middle, kArcsecPerDeg * region.spread_deg, area * out});
  }
}

std::vector<Thing> things_of_regions(const scene::SyntheticSun& sun, sky::UtcTime time,
                                     const sky::DiscView& view) {
  std::vector<Thing> things;
  for (const scene::Region& region : sun.regions(time)) {
    add_region(region, view, things);
  }
  return things;
}

/// Adds filaments and prominences: takes some tenths of a second once in five minutes.
void add_gas(const scene::SyntheticSun& sun, sky::UtcTime time, const sky::DiscView& view,
             std::vector<Thing>& things) {
  const auto magnetism = scene::kept_magnetism(sun, time);
  for (const scene::Filament& filament : magnetism->filaments()) {
    const auto seen = scene::seen_from(filament, view);
    constexpr double kThere = 0.3;
    if (!seen || filament.strength < kThere) {
      continue;
    }
    constexpr double kMmPerArcsec = 0.725;
    if (seen->height_km > 0.0) {
      things.push_back({Target::kProminence, seen->place, seen->height_km / 1000.0 / kMmPerArcsec,
                        seen->height_km});
    } else {
      things.push_back(
          {Target::kFilament, seen->place, filament.length_Mm / kMmPerArcsec, filament.length_Mm});
    }
  }
}

std::vector<Thing> largest_first(std::vector<Thing> things) {
  std::stable_sort(things.begin(), things.end(),
                   [](const Thing& a, const Thing& b) { return a.weight > b.weight; });
  return things;
}

}  // namespace

std::vector<Thing> things_to_see(sky::UtcTime time, const sky::DiscView& view,
                                 const scene::SyntheticSun& sun) {
  std::vector<Thing> things = things_of_regions(sun, time, view);
  add_gas(sun, time, view, things);
  return largest_first(std::move(things));
}

sky::DiscPlace place_of(const Workspace& workspace, const Answers& answers,
                        const scene::SyntheticSun& sun) {
  if (workspace.target == Target::kWholeDisc) {
    return {};
  }
  if (workspace.aim) {
    return *workspace.aim;
  }
  const double limb = sky::limb_radius_arcsec(answers.disc.distance_au);
  if (workspace.target == Target::kGranulation) {
    return {};
  }
  if (workspace.target == Target::kLimb) {
    return {-limb, 0.0};
  }
  // The largest; spots, filaments and plage not too near the limb, as long as there is one.
  const bool gas = workspace.target == Target::kProminence || workspace.target == Target::kFilament;
  const auto things = gas ? things_to_see(answers.time, answers.disc, sun)
                          : largest_first(things_of_regions(sun, answers.time, answers.disc));
  const bool on_disc = workspace.target == Target::kLargestSpot ||
                       workspace.target == Target::kFilament || workspace.target == Target::kPlage;
  constexpr double kWellOn = 0.866;  // 60 degrees from the middle
  for (const double within : {on_disc ? kWellOn : 2.0, 2.0}) {
    for (const Thing& thing : things) {
      if (thing.kind == workspace.target &&
          std::hypot(thing.place.west_arcsec, thing.place.north_arcsec) < within * limb) {
        return thing.place;
      }
    }
  }
  return workspace.target == Target::kProminence || workspace.target == Target::kFaculae
             ? sky::DiscPlace{-limb, 0.0}
             : sky::DiscPlace{};
}

std::optional<double> target_exposure_ms(const Workspace& workspace, const Answers& answers) {
  const auto sensor = optics::sensor_of(workspace.rig);
  if (!answers.exposure || !sensor) {
    return std::nullopt;
  }
  if (workspace.target != Target::kProminence || !answers.train.line) {
    return answers.exposure->exposure_ms;
  }
  const optics::Camera& camera = sensor->camera;
  return std::clamp(answers.exposure->wanted_ms / light::kProminenceShare,
                    camera.shortest_exposure_ms,
                    std::max(camera.shortest_exposure_ms, camera.longest_exposure_ms));
}

Result<camera::Shot> shot_for(const Workspace& workspace, const Answers& answers,
                              std::optional<double> exposure_ms, std::uint32_t seed) {
  const auto sensor = optics::sensor_of(workspace.rig);
  if (!sensor || !answers.train.sampling_arcsec_px) {
    return fail(ErrorCode::kMissing, "rig", {}, base::wants("telescope-and-camera"));
  }
  if (!answers.exposure) {
    return fail(ErrorCode::kOutOfRange, "time", sky::to_iso(answers.time),
                base::wants("sun-above-the-horizon"));
  }
  camera::Shot shot;
  shot.rig = workspace.rig;
  shot.time = answers.time;
  shot.exposure_ms = *target_exposure_ms(workspace, answers);
  if (exposure_ms) {
    const optics::Camera& camera = sensor->camera;
    const auto checked = base::checked("exposure_ms", *exposure_ms,
                                       {camera.shortest_exposure_ms, camera.longest_exposure_ms});
    if (!checked) {
      return tl::make_unexpected(checked.error());
    }
    shot.exposure_ms = *checked;
  }
  shot.electrons_per_ms = answers.exposure->electrons_per_ms;
  shot.seeing_arcsec = workspace.conditions.seeing_arcsec;
  shot.pressure_hpa = observer_of(workspace).weather.pressure_hpa;
  shot.seed = seed;
  shot.target = place_of(workspace, answers, scene::SyntheticSun(shot.sun_seed));
  shot.tube_up_deg = answers.tube_up_deg;
  return shot;
}

plan::SeeingExperience seeing_experience(const std::vector<log::SessionSummary>& sessions,
                                         const Workspace& workspace) {
  SeeingLesson lesson;
  return lesson.learn(sessions, workspace);
}

const plan::SeeingExperience& SeeingLesson::learn(const std::vector<log::SessionSummary>& sessions,
                                                  const Workspace& workspace) {
  const sky::Site& site = workspace.site;
  std::set<std::int64_t> present;
  for (const log::SessionSummary& session : sessions) {
    present.insert(session.id);
  }
  const bool holds = site_ == site && surroundings_ == workspace.wishes.surroundings &&
                     with_simulated_ == workspace.wishes.learn_from_simulated &&
                     std::includes(present.begin(), present.end(), known_.begin(), known_.end());
  if (!holds) {
    site_ = site;
    surroundings_ = workspace.wishes.surroundings;
    with_simulated_ = workspace.wishes.learn_from_simulated;
    known_.clear();
    experience_ = plan::SeeingExperience({}, site, surroundings_);
  }
  looked_at_ = 0;
  constexpr double kSameSiteDeg = 0.02;
  for (const log::SessionSummary& session : sessions) {
    if (!known_.insert(session.id).second) {
      continue;
    }
    ++looked_at_;
    if (session.simulated && !with_simulated_) {
      continue;
    }
    if (std::abs(session.latitude_deg - site.latitude_deg) < kSameSiteDeg &&
        std::abs(base::wrap_180(session.longitude_deg - site.longitude_deg)) < kSameSiteDeg) {
      experience_.add({session.started, session.seeing_arcsec});
    }
  }
  return experience_;
}

log::SessionStart session_start(const Workspace& workspace, sky::UtcTime time) {
  return {time,
          workspace.site,
          workspace.rig,
          std::string(kTargetWords.of(workspace.target)),
          workspace.conditions.seeing_arcsec,
          observer_of(workspace).weather};
}

light::Correction correction_by(const std::vector<log::RightExposure>& exposures,
                                const Workspace& workspace) {
  std::vector<double> ratios;
  for (const log::RightExposure& exposure : exposures) {
    const bool counts = !exposure.simulated || workspace.wishes.learn_from_simulated;
    if (counts && exposure.rig == workspace.rig.name) {
      ratios.push_back(exposure.right_ms / exposure.predicted_ms);
    }
  }
  return light::correction_of(ratios);
}

plan::Stock stock_of(const Workspace& workspace, const plan::Day& day,
                     std::vector<optics::Element> kit,
                     const std::vector<log::SessionSummary>& sessions,
                     const std::filesystem::path& data, std::optional<double> write_mb_s) {
  plan::Stock stock;
  stock.kit = std::move(kit);
  stock.inspection_days = workspace.practice.inspection_days;
  stock.write_mb_per_s = write_mb_s;
  stock.free_bytes = base::free_bytes(data);
  const auto used = std::find_if(sessions.begin(), sessions.end(), [&](const auto& session) {
    return !session.simulated && session.rig == workspace.rig.name &&
           session.started < day.sun.start;
  });
  if (used != sessions.end()) {
    stock.last_use = used->started;
  }
  return stock;
}

Result<std::vector<align::DiscSeen>> discs_in(const std::vector<std::filesystem::path>& files,
                                              const base::Task& task) {
  if (files.size() > kMostRunFrames) {
    return base::fail(ErrorCode::kTooLarge, "frames", std::to_string(files.size()),
                      base::wants("at-most", {static_cast<double>(kMostRunFrames)}));
  }
  std::vector<align::DiscSeen> discs;
  for (const std::filesystem::path& file : files) {
    const auto frame = media::read_frame(file);
    if (!frame) {
      return tl::make_unexpected(frame.error());
    }
    const std::string name = file.filename().string();
    if (!frame->info.time) {
      return base::fail(ErrorCode::kMissing, name + ": time", {}, base::wants("time-in-the-file"));
    }
    const auto limb = disc::fit_limb(*frame, {task.stop, {}});
    if (!limb && limb.error().code == ErrorCode::kCancelled) {
      return tl::make_unexpected(limb.error());
    }
    if (!limb) {  // of many frames: which one
      return base::fail(ErrorCode::kMissing, name + ": limb", {},
                        base::wants("two-frames-of-a-run"));
    }
    discs.push_back({*frame->info.time, limb->centre_x_px, limb->centre_y_px, limb->radius_px});
    task.report(static_cast<double>(discs.size()) / static_cast<double>(files.size()));
  }
  return discs;
}

WithLog directly(log::LogBook& log) {
  return [&log](const std::function<Result<void>(log::LogBook&)>& work) { return work(log); };
}

std::optional<double> focal_length_by(const measure::DiscMeasurement& measurement,
                                      const image::Frame& frame, const optics::Rig& rig) {
  const auto sensor = optics::sensor_of(rig);
  constexpr double kMostOfTheLimb = 0.5;
  if (!sensor || !measurement.plate_scale_arcsec_px || measurement.limb.saturated ||
      measurement.limb.seen_share < kMostOfTheLimb) {
    return std::nullopt;
  }
  const optics::Camera& camera = sensor->camera;
  const bool whole = frame.width == camera.width_px && frame.height == camera.height_px;
  if (!frame.info.pixel_um && !whole) {
    return std::nullopt;  // perhaps joined pixels, perhaps another camera
  }
  const double pixel_um = frame.info.pixel_um.value_or(camera.pixel_um);
  return optics::measured_focal_length_mm(
      rig, *measurement.plate_scale_arcsec_px * camera.pixel_um / pixel_um);
}

log::FrameEntry frame_entry(const image::FrameInfo& info, sky::UtcTime usually,
                            const sky::Observer& observer) {
  log::FrameEntry entry;
  entry.taken = info.time.value_or(usually);
  entry.exposure_ms = info.exposure_ms.value_or(0.0);
  entry.sun_altitude_deg = sky::local_sun(sky::geocentric_sun(entry.taken, observer.dut1_s),
                                          observer.site, observer.weather)
                               .altitude_deg;
  entry.simulated = info.simulated;
  return entry;
}

Result<FiledFrame> file_frame(const Workspace& workspace, const image::Frame& frame,
                              sky::UtcTime usually, const WithLog& with_log,
                              const std::filesystem::path& data, const base::Task& task) {
  FiledFrame filed;
  auto measured = measure::measure_disc(frame, {}, task);
  if (measured) {
    filed.measurement = std::move(*measured);
  } else if (measured.error().code == ErrorCode::kCancelled) {
    return tl::make_unexpected(measured.error());
  } else {
    filed.not_measured = measured.error();
  }
  const sky::UtcTime time = frame.info.time.value_or(usually);
  const auto named = base::make_folder((data / frame_name(time)).parent_path()).and_then([&] {
    return take_name(data, frame_name(time));
  });
  if (!named) {
    return tl::make_unexpected(named.error());
  }
  const std::filesystem::path& name = *named;
  const auto give_up = [&](const base::Error& error) {
    std::error_code ignored;
    std::filesystem::remove(data / name, ignored);
    return tl::make_unexpected(error);
  };
  if (const auto written = media::write_fits(frame, data / name); !written) {
    return give_up(written.error());
  }
  filed.entry = frame_entry(frame.info, time, observer_of(workspace));
  filed.entry.file = name.string();
  filed.entry.measurement = filed.measurement;
  const auto done = with_log([&](log::LogBook& log) -> Result<void> {
    return log.file_frame(session_start(workspace, time), filed.entry)
        .map([&](const log::LogBook::Filed& both) {
          filed.session = both.session;
          filed.entry.id = both.entry;
        });
  });
  if (!done) {
    return give_up(done.error());
  }
  return filed;
}

Result<Taken> take_frame(const Workspace& workspace, const camera::Shot& shot,
                         const WithLog& with_log, const std::filesystem::path& data,
                         const base::Task& task) {
  auto recording =
      camera::simulate(shot, {task.stop, [&](double done) { task.report(0.6 * done); }});
  if (!recording) {
    return tl::make_unexpected(recording.error());
  }
  auto filed = file_frame(workspace, recording->frame, shot.time, with_log, data,
                          {task.stop, [&](double done) { task.report(0.6 + 0.3 * done); }});
  if (!filed) {
    return tl::make_unexpected(filed.error());
  }
  task.report(1.0);
  return Taken{std::move(*filed), std::move(*recording)};
}

}  // namespace solarchon::workspace
