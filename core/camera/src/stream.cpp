// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/camera/stream.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <future>
#include <map>
#include <optional>
#include <utility>

#include "bend.h"
#include "noise.h"
#include "sensor_map.h"
#include "setup.h"
#include "sight.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/parallel.h"
#include "solarchon/base/range.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/spectrum.h"
#include "solarchon/psf/transfer.h"
#include "solarchon/seeing/turbulence.h"

namespace solarchon::camera {

using base::Result;

namespace {

/// Between two kept strengths of blur, r0 grows by so much: detail of any size is then within 1 per
/// cent of contrast.
const double kLogStep = std::log(1.3);
/// Pixels by which the picture may wander before the Sun is drawn anew.
constexpr double kRoomPx = 48.0;

/// Where the picture of the stream's beginning stands now.
struct Pose {
  double right_px = 0.0;
  double down_px = 0.0;
  double turn_deg = 0.0;
};

Pose pose_at(const std::vector<Wander>& way, double seconds, double scale_arcsec_px) {
  if (way.empty()) {
    return {};
  }
  const auto pose = [scale_arcsec_px](const Wander& at) {
    return Pose{at.arcsec.right / scale_arcsec_px, -at.arcsec.up / scale_arcsec_px, at.turn_deg};
  };
  const auto later = std::upper_bound(way.begin(), way.end(), seconds,
                                      [](double s, const Wander& at) { return s < at.seconds; });
  if (later == way.begin() || later == way.end()) {
    return pose(later == way.begin() ? way.front() : way.back());
  }
  const Pose a = pose(*(later - 1));
  const Pose b = pose(*later);
  const double part = (seconds - (later - 1)->seconds) / (later->seconds - (later - 1)->seconds);
  return {std::lerp(a.right_px, b.right_px, part), std::lerp(a.down_px, b.down_px, part),
          std::lerp(a.turn_deg, b.turn_deg, part)};
}

/// A place in the frame, from its middle.
struct FieldPoint {
  double right;
  double down;
};

/// Where what stood there at the beginning stands in a pose.
FieldPoint posed(FieldPoint place, const Pose& pose) {
  const double turn = pose.turn_deg * base::kRadPerDeg;
  return {std::cos(turn) * place.right - std::sin(turn) * place.down + pose.right_px,
          std::sin(turn) * place.right + std::cos(turn) * place.down + pose.down_px};
}
FieldPoint unposed(FieldPoint place, const Pose& pose) {
  return posed({place.right - pose.right_px, place.down - pose.down_px},
               {0.0, 0.0, -pose.turn_deg});
}

/// The truth of the beginning, in a pose.
Truth posed(Truth truth, const Pose& pose, const optics::Camera& camera) {
  const double middle_x = 0.5 * (camera.width_px - 1);
  const double middle_y = 0.5 * (camera.height_px - 1);
  const FieldPoint centre =
      posed({truth.centre_x_px - middle_x, truth.centre_y_px - middle_y}, pose);
  truth.centre_x_px = middle_x + centre.right;
  truth.centre_y_px = middle_y + centre.down;
  truth.solar.north_deg = base::wrap_360(truth.solar.north_deg + pose.turn_deg);
  return truth;
}

/// The Sun as it was drawn at an instant, and how it looks through more or less air.
struct Drawn {
  double seconds = 0.0;
  Pose pose;
  Truth truth;  ///< of that instant, in the pose of the beginning
  int margin = 0;
  int width = 0;
  int height = 0;
  std::optional<image::Spectrum> spectrum;
  /// Of the aperture; its focus changes more rarely than the air.
  std::shared_ptr<const psf::Pupil> pupil = {};
  std::map<int, scene::Picture> steps;  ///< of blur, by their place on the ladder
};

/// Which steps of blur a frame needs.
struct Steps {
  int first = 0;
  int last = 0;
};

}  // namespace

class Stream::Machine {
 public:
  StreamPlan plan;

  Result<void> begin(const base::Task& task) {
    return set_up(plan.shot)
        .and_then([&](Setup made) {
          setup_ = std::move(made);
          marks_ = sensor_map(plan.shot, setup_);
          return drawn_at(0.0, steered_, task);
        })
        .map([&](std::shared_ptr<Drawn> drawn) { now_ = std::move(drawn); });
  }

  Result<void> change(Shot shot, const base::Task& task) {
    shot.time = plan.shot.time;
    auto setup = set_up(shot);
    if (!setup) {
      return tl::make_unexpected(setup.error());
    }
    const bool anew = !same_light(shot, plan.shot);
    if (!anew) {
      plan.shot = std::move(shot);
      setup_ = *std::move(setup);
      marks_ = sensor_map(plan.shot, setup_);
      return {};
    }
    forget_next();
    Machine changed;
    changed.plan = plan;
    changed.steered_ = steered_;
    changed.plan.shot = std::move(shot);
    changed.setup_ = *std::move(setup);
    auto drawn = changed.drawn_at(now_->seconds, steered_, task);
    if (!drawn) {
      return tl::make_unexpected(drawn.error());
    }
    now_ = *std::move(drawn);
    plan = std::move(changed.plan);
    setup_ = std::move(changed.setup_);
    marks_ = sensor_map(plan.shot, setup_);
    return {};
  }

  Result<void> record(double seconds, Recording& into, const base::Task& task) {
    if (task.stopped()) {
      return base::fail(base::ErrorCode::kCancelled, "frame");
    }
    if (auto there = bring_to(seconds, task); !there) {
      return there;
    }
    const double now_s = clock_s(seconds);
    Bend bend = bend_at(seconds, now_s);
    const Ladder ladder = ladder_for(bend);
    const Truth truth = truth_at(seconds, now_s);
    const Counting counting{scale_of(setup_.camera),
                            static_cast<float>(signal_of(plan.shot, setup_.train)),
                            static_cast<float>(seeing::scattered_share(truth.cloud_stops)),
                            static_cast<float>(setup_.camera.read_noise_e)};
    image::Frame& frame = into.frame;
    frame.width = setup_.camera.width_px;
    frame.height = setup_.camera.height_px;
    frame.saturation = static_cast<int>(counting.scale.full_scale);
    frame.pixels.resize(static_cast<std::size_t>(frame.width) *
                        static_cast<std::size_t>(frame.height));
    const auto instant = static_cast<std::uint64_t>(std::llround(1e6 * seconds));
    base::each_row(frame.height, {}, [&](int y) {
      thread_local std::vector<float> light;
      light.resize(static_cast<std::size_t>(frame.width));
      bend_row(bend, ladder, y, frame.width, light.data());
      const auto first = static_cast<std::ptrdiff_t>(y) * frame.width;
      count_row(counting, light.data(), marks_.empty() ? nullptr : marks_.data() + first,
                frame.width, mixed(plan.shot.seed, instant, static_cast<std::uint64_t>(y)),
                frame.pixels.data() + first);
    });
    frame.info = info_of(plan.shot, setup_.train, setup_.camera, truth);
    frame.info.time = plan.shot.time + sky::seconds(plan.shot.air_s + seconds);
    into.truth = truth;
    if (plan.prepares_ahead) {
      prepare(seconds);
    }
    return {};
  }

  void steer(const sky::PictureOffset& arcsec) { steered_ = arcsec; }

  void forget_next() {
    if (next_.valid()) {
      stop_.request_stop();
      next_.wait();
      next_ = {};
      stop_ = {};
    }
  }
  ~Machine() { forget_next(); }
  Machine() = default;
  Machine(const Machine&) = delete;
  Machine& operator=(const Machine&) = delete;
  Machine(Machine&&) = delete;
  Machine& operator=(Machine&&) = delete;

 private:
  /// Whether two shots want the same picture of the Sun, before cloud, sensor and noise.
  static bool same_light(const Shot& a, const Shot& b) {
    return a.rig == b.rig && a.seeing_arcsec == b.seeing_arcsec && a.air == b.air &&
           a.pressure_hpa == b.pressure_hpa && a.target.west_arcsec == b.target.west_arcsec &&
           a.target.north_arcsec == b.target.north_arcsec &&
           a.pointing_spread_px == b.pointing_spread_px && a.seed == b.seed &&
           a.sun_seed == b.sun_seed && a.activity == b.activity &&
           a.band_angstrom == b.band_angstrom && a.detune_angstrom == b.detune_angstrom &&
           a.defocus_um == b.defocus_um;
  }

  /// The air's own clock.
  [[nodiscard]] double clock_s(double seconds) const {
    return static_cast<double>(plan.shot.time.unix_ms) / 1000.0 + plan.shot.air_s + seconds;
  }

  /// The instant that the Sun is drawn for.
  [[nodiscard]] double step_of(double seconds) const {
    return plan.sun_step_s * std::floor(seconds / plan.sun_step_s);
  }
  [[nodiscard]] Pose pose(double seconds) const { return pose(seconds, steered_); }
  [[nodiscard]] Pose pose(double seconds, const sky::PictureOffset& steered) const {
    const double scale = setup_.truth.plate_scale_arcsec_px;
    Pose pose = pose_at(plan.way, seconds, scale);
    pose.right_px += steered.right / scale;
    pose.down_px -= steered.up / scale;
    return pose;
  }

  /// Whether the picture as it was drawn covers the frame of an instant.
  [[nodiscard]] bool covers(const Drawn& drawn, double seconds) const {
    const Pose now = pose(seconds);
    const double turned = std::abs(now.turn_deg - drawn.pose.turn_deg) * base::kRadPerDeg * 0.5 *
                          std::hypot(setup_.camera.width_px, setup_.camera.height_px);
    return std::hypot(now.right_px - drawn.pose.right_px, now.down_px - drawn.pose.down_px) +
               turned <
           kRoomPx;
  }

  Result<void> bring_to(double seconds, const base::Task& task) {
    const double step = step_of(seconds);
    if (next_.valid() && next_.wait_for(std::chrono::seconds(0)) == std::future_status::ready) {
      auto drawn = next_.get();
      if (drawn && (*drawn)->seconds > now_->seconds && (*drawn)->seconds <= seconds) {
        now_ = *std::move(drawn);
      }
    }
    // While the next one is being prepared, the last one does.
    const bool waits = plan.prepares_ahead && seconds >= now_->seconds && covers(*now_, seconds);
    if (waits || (now_->seconds == step && covers(*now_, seconds))) {
      return {};
    }
    forget_next();
    return drawn_at(covers(*now_, seconds) ? step : seconds, steered_, task)
        .map([&](std::shared_ptr<Drawn> drawn) { now_ = std::move(drawn); });
  }

  /// Draws the Sun of the coming step, once the last is its own.
  void prepare(double seconds) {
    const double step = step_of(seconds);
    if (next_.valid() || now_->seconds >= step) {
      return;
    }
    next_ =
        std::async(std::launch::async, [this, step, steered = steered_, stop = stop_.get_token()] {
          return drawn_at(step, steered, {stop});
        });
  }

  /// @param steered  as it stands now: it goes on changing while the next Sun is prepared
  Result<std::shared_ptr<Drawn>> drawn_at(double seconds, const sky::PictureOffset& steered,
                                          const base::Task& task) const {
    Shot shot = plan.shot;
    shot.time = shot.time + sky::seconds(seconds);
    const auto setup = set_up(shot);
    if (!setup) {
      return tl::make_unexpected(setup.error());
    }
    auto drawn = std::make_shared<Drawn>();
    drawn->seconds = seconds;
    drawn->pose = pose(seconds, steered);
    drawn->truth = setup->truth;
    const optics::Camera& camera = setup->camera;
    const double now_s = clock_s(seconds);
    std::optional<double> r0;
    if (setup->turbulence) {
      r0 = setup->turbulence->r0_cm(now_s);
    }
    // The air may blur twice as much before the Sun is drawn again.
    constexpr double kWorse = 0.5;
    drawn->margin = margin_px(shot, *setup, r0 ? std::optional(kWorse * *r0) : r0) +
                    (plan.way.empty() && !plan.steered ? 0 : static_cast<int>(kRoomPx)) +
                    static_cast<int>(4.0 * motion_px(shot, *setup));
    drawn->width = image::quick_size(camera.width_px + 2 * drawn->margin);
    drawn->height = image::quick_size(camera.height_px + 2 * drawn->margin);
    const Truth truth = posed(setup->truth, drawn->pose, camera);
    const scene::Grid grid{drawn->width,
                           drawn->height,
                           truth.centre_x_px + drawn->margin,
                           truth.centre_y_px + drawn->margin,
                           truth.plate_scale_arcsec_px,
                           truth.solar};
    const auto sight = kept_sight(shot, truth, setup->train, grid, task);
    if (!sight) {
      return tl::make_unexpected(sight.error());
    }
    const auto seen = seen_through(*sight, shot, truth, setup->train, grid,
                                   drawn->margin + 0.5 * (camera.width_px - 1),
                                   drawn->margin + 0.5 * (camera.height_px - 1));
    drawn->spectrum.emplace(*seen, drawn->width, drawn->height);
    const Steps steps = steps_about(r0 ? std::log(*r0) / kLogStep : 0.0, shot);
    soften(*drawn, steps);
    return drawn;
  }

  static double motion_px(const Shot& shot, const Setup& setup) {
    if (!shot.air) {
      return 0.0;
    }
    return seeing::image_motion_arcsec(shot.air->r0_cm, setup.train.band.wavelength_nm,
                                       setup.train.aperture_mm) /
           setup.truth.plate_scale_arcsec_px;
  }

  /// Steps of blur about a place on the ladder, as far as the blur differs over the field.
  static Steps steps_about(double middle, const Shot& shot) {
    if (!shot.air) {
      return {0, 0};
    }
    constexpr double kSpread = 0.4 * 2.0;  // twice the deviation that the air has over the field
    const double spread = kSpread * shot.air->wander / kLogStep;
    return {static_cast<int>(std::floor(middle - spread)),
            static_cast<int>(std::floor(middle + spread)) + 1};
  }

  /// Makes the steps that are missing, two at a time.
  void soften(Drawn& drawn, const Steps& steps) const {
    std::vector<int> missing;
    for (int step = steps.first; step <= steps.last; ++step) {
      if (drawn.steps.count(step) == 0) {
        missing.push_back(step);
      }
    }
    const psf::ImagingSetup imaging = imaging_of(setup_);
    const auto transfer_at = [&](int step) {
      const auto r0 =
          plan.shot.air ? std::optional(std::exp(kLogStep * step)) : std::optional<double>();
      return psf::Transfer(imaging, blurring_of(plan.shot, setup_, r0), drawn.pupil);
    };
    drawn.pupil = transfer_at(0).pupil();
    const auto made = [&](int step) {
      const psf::Transfer transfer = transfer_at(step);
      return drawn.spectrum->filtered([&](double cycles) { return transfer.at_cycles(cycles); });
    };
    for (std::size_t i = 0; i < missing.size(); i += 2) {
      std::future<scene::Picture> other;
      if (i + 1 < missing.size()) {
        other = std::async(std::launch::async, made, missing[i + 1]);
      }
      drawn.steps.emplace(missing[i], made(missing[i]));
      if (other.valid()) {
        drawn.steps.emplace(missing[i + 1], other.get());
      }
    }
  }

  [[nodiscard]] Bend bend_at(double seconds, double now_s) const {
    const optics::Camera& camera = setup_.camera;
    const double scale = setup_.truth.plate_scale_arcsec_px;
    const double row_delay_s = 1e-6 * plan.row_delay_us;
    Bend bend(camera.width_px, camera.height_px);
    const seeing::Lattice lattice{0.0,          0.0,       kBendStep * scale,
                                  bend.columns, bend.rows, kBendStep * row_delay_s};
    seeing::LatticeMotion motion;
    double step = 0.0;
    if (setup_.turbulence) {
      motion = setup_.turbulence->motion_over(lattice, now_s);
      step = std::log(setup_.turbulence->r0_cm(now_s)) / kLogStep;
    }
    const double middle_x = 0.5 * (camera.width_px - 1);
    const double middle_y = 0.5 * (camera.height_px - 1);
    for (int row = 0; row < bend.rows; ++row) {
      const Pose here = pose(seconds + row * lattice.row_delay_s);
      for (int column = 0; column < bend.columns; ++column) {
        const auto at = static_cast<std::size_t>(row) * static_cast<std::size_t>(bend.columns) +
                        static_cast<std::size_t>(column);
        FieldPoint place{column * kBendStep - middle_x, row * kBendStep - middle_y};
        if (setup_.turbulence) {
          place.right -= static_cast<double>(motion.right_arcsec[at]) / scale;
          place.down -= static_cast<double>(motion.down_arcsec[at]) / scale;
          bend.step[at] =
              static_cast<float>(step + static_cast<double>(motion.log_r0[at]) / kLogStep);
        }
        const FieldPoint from = posed(unposed(place, here), now_->pose);
        bend.x[at] = static_cast<float>(from.right + middle_x + now_->margin);
        bend.y[at] = static_cast<float>(from.down + middle_y + now_->margin);
      }
    }
    if (plan.shot.cloud.stops > 0.0) {
      bend.light = seeing::CloudField(plan.shot.cloud).stops_over(lattice, now_s);
      for (float& value : bend.light) {
        value = std::exp2(-value);
      }
    }
    return bend;
  }

  /// The pictures that a frame needs; its steps are counted from the first of them then.
  Ladder ladder_for(Bend& bend) {
    const auto [low, high] = std::minmax_element(bend.step.begin(), bend.step.end());
    constexpr int kMostSteps = 5;  // what lies outside of them takes the nearest two
    Steps steps{static_cast<int>(std::floor(*low)), static_cast<int>(std::floor(*high)) + 1};
    if (!plan.shot.air) {
      steps = {0, 0};
    } else if (steps.last - steps.first >= kMostSteps) {
      const int middle = static_cast<int>(std::floor(0.5F * (*low + *high)));
      steps = {middle - kMostSteps / 2, middle + kMostSteps / 2};
    }
    Ladder ladder{{}, now_->width, now_->height};
    soften(*now_, steps);
    for (int step = steps.first; step <= steps.last; ++step) {
      ladder.pictures.push_back(now_->steps.at(step).data());
    }
    std::erase_if(now_->steps, [&](const auto& kept) {
      return kept.first < steps.first - 1 || kept.first > steps.last + 1;
    });
    for (float& step : bend.step) {
      step = std::clamp(step - static_cast<float>(steps.first), 0.0F,
                        static_cast<float>(steps.last - steps.first));
    }
    return ladder;
  }

  [[nodiscard]] Truth truth_at(double seconds, double now_s) const {
    Truth truth = posed(now_->truth, pose(seconds), setup_.camera);
    const double scale = truth.plate_scale_arcsec_px;
    const double right = 0.5 * setup_.camera.width_px * scale;
    const double down = 0.5 * setup_.camera.height_px * scale;
    if (setup_.turbulence) {
      truth.r0_cm = setup_.turbulence->r0_cm(now_s);
      const seeing::Shift shift = setup_.turbulence->motion(now_s).at(right, down);
      truth.shift_px = {shift.right / scale, -shift.down / scale};
    }
    truth.cloud_stops = seeing::CloudField(plan.shot.cloud).stops(right, down, now_s);
    return truth;
  }

  Setup setup_;
  std::vector<float> marks_;
  std::shared_ptr<Drawn> now_;
  sky::PictureOffset steered_;
  std::stop_source stop_;
  std::future<Result<std::shared_ptr<Drawn>>> next_;
};

Stream::Stream(std::unique_ptr<Machine> machine) : machine_(std::move(machine)) {}
Stream::~Stream() = default;
Stream::Stream(Stream&&) noexcept = default;
Stream& Stream::operator=(Stream&&) noexcept = default;

Result<Stream> Stream::open(StreamPlan plan, const base::Task& task) {
  const auto step = base::checked("sun_step_s", plan.sun_step_s, {0.01, 3600.0});
  const auto delay = base::checked("row_delay_us", plan.row_delay_us, {0.0, 1e5});
  if (!step || !delay) {
    return tl::make_unexpected(!step ? step.error() : delay.error());
  }
  auto machine = std::make_unique<Machine>();
  machine->plan = std::move(plan);
  return machine->begin(task).map([&] { return Stream(std::move(machine)); });
}

Result<void> Stream::record(double seconds, Recording& into, const base::Task& task) {
  return machine_->record(seconds, into, task);
}

Result<void> Stream::change(Shot shot, const base::Task& task) {
  return machine_->change(std::move(shot), task);
}

void Stream::steer(const sky::PictureOffset& arcsec) { machine_->steer(arcsec); }

const Shot& Stream::shot() const { return machine_->plan.shot; }

}  // namespace solarchon::camera
