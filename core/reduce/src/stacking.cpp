// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/stacking.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <cmath>
#include <functional>
#include <mutex>
#include <optional>
#include <string>

#include "blocks.h"
#include "judging.h"
#include "solarchon/base/parallel.h"
#include "solarchon/base/range.h"
#include "solarchon/image/bayer.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/image/plane.h"
#include "solarchon/image/point.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/registration/shift_field.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Result;
using image::Frame;
using image::Picture;
using media::ClipReader;

namespace {

Sites lattice_of(const std::string& bayer, image::BayerColour colour) {
  const image::BayerSites of_colour = image::sites_of(bayer, colour);
  return {2, of_colour.count, of_colour.column, of_colour.row};
}

/// A frame in hand, ready to be laid.
struct Ready {
  bool read = false;
  int number = 0;
  std::vector<Frame> planes;
  Frame light;  ///< of a mosaic of which several colours are laid
  [[nodiscard]] const Frame& shown() const { return planes.size() > 1 ? light : planes.front(); }
  registration::ShiftField field;
  Layer layer;  ///< without its frame and field
};

class Stacker {
 public:
  Stacker(std::filesystem::path clip, const ClipGrading& grading,
          const std::vector<std::size_t>& places, const StackWishes& wishes, const base::Task& task)
      : clip_(std::move(clip)), grading_(grading), places_(places), wishes_(wishes), task_(task) {}

  Result<Stacked> run() {
    for (int i = 0; i < base::hands(); ++i) {
      auto reader = ClipReader::open(clip_);
      if (!reader) {
        return tl::make_unexpected(reader.error());
      }
      readers_.push_back(std::move(*reader));
    }
    const media::ClipFacts& facts = readers_.front().facts();
    if (facts.width != grading_.width_px || facts.height != grading_.height_px) {
      return base::fail_because(ErrorCode::kMalformed, clip_.string(),
                                base::because("another-size"));
    }
    choose_colours(facts.info);
    black_ = wishes_.calibration.dark || wishes_.calibration.flat ? kPedestal : grading_.black;
    calibration_ = wishes_.calibration;
    if (calibration_.bad.empty()) {
      find_bad_pixels();
    }
    {
      Frame probe;
      probe.width = facts.width;
      probe.height = facts.height;
      probe.info.bayer = facts.info.bayer;
      probe.pixels.resize(static_cast<std::size_t>(facts.width) *
                          static_cast<std::size_t>(facts.height));
      if (const auto fits = calibrate(calibration_, probe); !fits) {
        return tl::make_unexpected(fits.error());
      }
    }
    if (!make_reference() || !lay_all()) {
      if (task_.stopped()) {
        return base::fail(ErrorCode::kCancelled, "clip");
      }
      return base::fail_because(ErrorCode::kMalformed, clip_.string(),
                                base::because("no-whole-frame"));
    }
    return finished();
  }

 private:
  void choose_colours(const image::FrameInfo& info) {
    using image::BayerColour;
    if (image::is_bayer(info.bayer)) {
      const bool red = wishes_.colours == ColourUse::kRed ||
                       (wishes_.colours == ColourUse::kByBand && grading_.hydrogen_alpha);
      colours_ = red ? std::vector{BayerColour::kRed}
                     : std::vector{BayerColour::kRed, BayerColour::kGreen, BayerColour::kBlue};
      planes_ = static_cast<int>(colours_.size());
    }
    for (std::size_t plane = 0; plane < static_cast<std::size_t>(planes_); ++plane) {
      sites_.push_back(colours_.empty() ? Sites{wishes_.finer > 1 ? 1 : 0}
                                        : lattice_of(info.bayer, colours_[plane]));
    }
    apart_.resize(static_cast<std::size_t>(planes_));
  }

  /// Pixels that stand out of the mean of some frames.
  void find_bad_pixels() {
    constexpr std::size_t kLooked = 12;
    const media::ClipFacts& facts = readers_.front().facts();
    Picture mean;
    mean.width = facts.width;
    mean.height = facts.height;
    mean.info.bayer = facts.info.bayer;
    mean.values.resize(mean.plane_size());
    const std::size_t count = std::min<std::size_t>(kLooked, places_.size());
    constexpr int kMostHands = 4;  // each has a sum of its own
    const int crew = std::min(base::hands(), kMostHands);
    std::vector<std::vector<std::uint32_t>> sums(static_cast<std::size_t>(crew));
    base::together(crew, [&](int hand) {
      const auto own = static_cast<std::size_t>(hand);
      sums[own].assign(mean.plane_size(), 0U);
      Frame frame;
      for (std::size_t i = own; i < count && !task_.stopped(); i += sums.size()) {
        const std::size_t place = places_[places_.size() * i / count];
        if (readers_[own].read(grading_.frames[place].frame, frame)) {
          std::transform(frame.pixels.begin(), frame.pixels.end(), sums[own].begin(),
                         sums[own].begin(), std::plus<>());
        }
      }
    });
    const double scale = 1.0 / (static_cast<double>(count) * facts.saturation);
    for (std::size_t k = 0; k < mean.values.size(); ++k) {
      std::uint64_t sum = 0;
      for (const std::vector<std::uint32_t>& of_hand : sums) {
        sum += of_hand[k];
      }
      mean.values[k] = static_cast<float>(static_cast<double>(sum) * scale);
    }
    calibration_.bad = bad_pixels(mean);
    // So many are no faults but what the picture shows.
    constexpr std::size_t kMostShare = 1000;
    if (calibration_.bad.size() > mean.values.size() / kMostShare) {
      calibration_.bad.clear();
    }
  }

  /// The frame's planes, and its light. False when it cannot be read.
  bool fetch(int number, int hand, Ready& into) {
    into.planes.resize(static_cast<std::size_t>(planes_));
    Frame& raw = colours_.empty() ? into.planes.front() : raw_[static_cast<std::size_t>(hand)];
    if (!readers_[static_cast<std::size_t>(hand)].read(number, raw) ||
        !calibrate(calibration_, raw)) {
      return false;
    }
    for (std::size_t i = 0; i < colours_.size(); ++i) {
      image::take_bayer_colour(raw, colours_[i], into.planes[i]);
    }
    if (planes_ > 1) {
      std::swap(into.light, raw);
      image::bayer_to_light(into.light);
    } else if (colours_.empty() && grading_.mosaic) {
      image::bayer_to_light(raw);
    }
    return true;
  }

  void take(std::size_t place, int hand, const registration::PatchMatcher* seeker, Ready& into) {
    const GradedFrame& graded = grading_.frames[place];
    into.number = graded.frame;
    into.read = fetch(graded.frame, hand, into);
    if (!into.read) {
      return;
    }
    const Frame& shown = into.shown();
    const double full = shown.saturation;
    Layer& layer = into.layer;
    layer.black = black_ * full;
    const double light = std::max(1e-6, graded.level - grading_.black);
    const double usual = std::max(1e-6, grading_.level - grading_.black);
    const double even_gain = usual / light / full;
    const image::Offset about{graded.right_px, graded.down_px};
    into.field = registration::even_field(shown.width, shown.height, about, even_gain);
    if (seeker != nullptr) {
      registration::ShiftField field =
          seeker->seek(shown, layer.black, about, scratch_[static_cast<std::size_t>(hand)]);
      if (field.gain > 0.0) {
        into.field = std::move(field);
        for (std::size_t i = 0; i < bends_.size(); ++i) {
          into.field.offsets[i].right_px -= bends_[i].right_px;
          into.field.offsets[i].down_px -= bends_[i].down_px;
        }
        if (!wishes_.local) {
          flatten(into.field);
        }
      }
    }
    layer.gain = into.field.gain;
    layer.weight = std::clamp(light / usual, 0.05, 2.0) * std::clamp(graded.sharpness, 0.05, 20.0);
  }

  [[nodiscard]] static image::Offset mean_offset(const registration::ShiftField& field) {
    image::Offset mean;
    for (const image::Offset& offset : field.offsets) {
      mean.right_px += offset.right_px / static_cast<double>(field.offsets.size());
      mean.down_px += offset.down_px / static_cast<double>(field.offsets.size());
    }
    return mean;
  }
  /// The same offset all over: the mean one.
  static void flatten(registration::ShiftField& field) {
    std::fill(field.offsets.begin(), field.offsets.end(), mean_offset(field));
  }

  /// How the reference is bent: the air bends frames both ways, so that what they have in common
  /// against it is its own. All of the clip tells that, not only what is kept; the wilder the air,
  /// the more of it.
  void find_bends() {
    constexpr std::size_t kFew = 16;
    constexpr std::size_t kMost = 256;
    constexpr double kWanted_px = 0.06;
    std::vector<std::size_t> all;
    for (std::size_t place = 0; place < grading_.frames.size(); ++place) {
      if (grading_.frames[place].alike) {
        all.push_back(place);
      }
    }
    // In an order of which each beginning is spread over the clip.
    std::vector<std::size_t> spread;
    const std::size_t count = std::min(kMost, all.size());
    const std::size_t rounds = (count + kFew - 1) / kFew;
    for (std::size_t first = 0; first < rounds; ++first) {
      for (std::size_t i = first; i < count; i += rounds) {
        spread.push_back(all[all.size() * i / count]);
      }
    }
    std::vector<image::Offset> sums;
    std::mutex adding;
    double used = 0.0;
    double squares = 0.0;
    for (std::size_t from = 0, to = std::min(kFew, spread.size()); from < to && !task_.stopped();) {
      std::atomic<std::size_t> next{from};
      base::together(base::hands(), [&](int hand) {
        Ready ready;
        for (std::size_t i = next++; i < to && !task_.stopped(); i = next++) {
          take(spread[i], hand, seeker_.get(), ready);
          if (!ready.read || ready.field.columns <= 1) {
            continue;
          }
          const image::Offset mean = mean_offset(ready.field);
          const std::lock_guard lock(adding);
          sums.resize(ready.field.offsets.size());
          for (std::size_t k = 0; k < sums.size(); ++k) {
            sums[k].right_px += ready.field.offsets[k].right_px - mean.right_px;
            sums[k].down_px += ready.field.offsets[k].down_px - mean.down_px;
          }
          used += 1.0;
          squares += ready.field.local_px * ready.field.local_px;
        }
      });
      from = to;
      if (used > 0.0) {
        const double enough = 0.5 * squares / used / (kWanted_px * kWanted_px);
        to = std::min(spread.size(), static_cast<std::size_t>(std::ceil(enough)));
      }
    }
    for (image::Offset& sum : sums) {
      sum = {sum.right_px / used, sum.down_px / used};
    }
    bends_ = std::move(sums);
  }

  /// Reads some frames at once, and lays them: false when it was stopped.
  bool lay(const std::vector<std::size_t>& places, const registration::PatchMatcher* seeker,
           const std::function<void(const std::vector<const Ready*>&, int band)>& lay_band,
           int bands, double from, double to) {
    constexpr std::size_t kAtOnce = 16;
    batch_.resize(kAtOnce);
    for (std::size_t first = 0; first < places.size(); first += kAtOnce) {
      const std::size_t count = std::min(kAtOnce, places.size() - first);
      std::atomic<std::size_t> next{0};
      base::together(base::hands(), [&](int hand) {
        for (std::size_t i = next++; i < count && !task_.stopped(); i = next++) {
          take(places[first + i], hand, seeker, batch_[i]);
        }
      });
      if (task_.stopped()) {
        return false;
      }
      std::vector<const Ready*> readies;
      for (std::size_t i = 0; i < count; ++i) {
        if (batch_[i].read) {
          readies.push_back(&batch_[i]);
        }
      }
      const bool done =
          base::each_row(bands, {task_.stop, {}}, [&](int band) { lay_band(readies, band); });
      if (!done) {
        return false;
      }
      for (std::size_t i = 0; i < count; ++i) {
        took(batch_[i]);
      }
      task_.report(from + (to - from) * static_cast<double>(first + count) /
                              static_cast<double>(places.size()));
    }
    return true;
  }

  /// @param plane  none: what frames are followed by
  [[nodiscard]] static std::vector<Layer> layers_of(const std::vector<const Ready*>& readies,
                                                    std::optional<std::size_t> plane) {
    std::vector<Layer> layers;
    for (const Ready* ready : readies) {
      layers.push_back(ready->layer);
      layers.back().frame = plane ? &ready->planes[*plane] : &ready->shown();
      layers.back().field = &ready->field;
    }
    return layers;
  }

  void took(const Ready& ready) {
    if (!ready.read) {
      left_out_.push_back(ready.number);
      return;
    }
    ++laid_;
    motion_ += ready.field.local_px * ready.field.local_px;
  }

  /// Mean and spread of the sharpest frames: laid as wholes, then by their detail, and once more
  /// without what stands out in one of them.
  bool make_reference() {
    constexpr std::size_t kFewest = 8;
    constexpr std::size_t kMost = 16;
    std::vector<std::size_t> best = places_;
    std::stable_sort(best.begin(), best.end(), [&](std::size_t a, std::size_t b) {
      return grading_.frames[a].sharpness > grading_.frames[b].sharpness;
    });
    best.resize(std::min(best.size(), std::clamp(best.size() / 10, kFewest, kMost)));
    std::sort(best.begin(), best.end());
    const int width = grading_.width_px;
    const int height = grading_.height_px;
    const auto planes = static_cast<std::size_t>(planes_);
    constexpr double kProgress = 0.1;
    constexpr int kTurns = 3;
    for (int turn = 0; turn < kTurns; ++turn) {
      std::vector<Sums>
          sums;  // of the planes, and of what frames are followed by where that differs
      sums.reserve(planes + 1);
      for (std::size_t i = 0; i < (planes > 1 ? planes + 1 : 1); ++i) {
        sums.emplace_back(width, height, turn > 0);
      }
      const bool done = lay(
          best, seeker_.get(),
          [&](const std::vector<const Ready*>& readies, int band) {
            for (std::size_t i = turn > 0 ? 0 : sums.size() - 1; i < sums.size(); ++i) {
              const bool plane = i < planes;
              std::vector<Layer> layers =
                  layers_of(readies, plane ? std::optional(i) : std::nullopt);
              for (Layer& layer : layers) {
                layer.weight = 1.0;
              }
              const Judge* judge = plane && !judges_.empty() ? &judges_[i] : nullptr;
              sums[i].lay(layers, band, judge, plane ? apart_[i] : image::Offset{}, {});
            }
          },
          sums.front().bands(), kProgress * turn / kTurns, kProgress * (turn + 1) / kTurns);
      if (!done || laid_ == 0) {
        return false;
      }
      reference_ = mean_of(sums.back());
      bends_.clear();
      seeker_ = std::make_unique<registration::PatchMatcher>(reference_);
      if (turn > 0) {
        // One of eight that is off by any amount lies within 2.5 deviations: it counts in them.
        constexpr double kStrict = 2.2;
        constexpr double kLostSpread = 1.15;
        const bool last = turn == kTurns - 1;
        const double light = std::max(1e-6, grading_.level - grading_.black);
        Strictness strict{last ? kLostSpread * wishes_.clip_sigma : kStrict, light,
                          grading_.noise * light};
        if (wishes_.clip_sigma <= 0.0) {
          strict.deviations = 0.0;
        }
        judges_.clear();
        if (turn != 1 || !find_colours_apart(sums)) {
          for (std::size_t plane = 0; plane < planes; ++plane) {
            judges_.push_back(judge_of(sums[plane], strict));
          }
        }
      }
      if (turn == kTurns - 2 && wishes_.local) {
        find_bends();
      }
      laid_ = 0;
      motion_ = 0.0;
      left_out_.clear();
    }
    return !task_.stopped();
  }

  /// How the colours lie against what frames are followed by: high air bends blue more than red,
  /// and lenses do. False where they lie together.
  bool find_colours_apart(const std::vector<Sums>& sums) {
    constexpr double kTold_px = 0.02;
    constexpr double kMost_px = 8.0;
    constexpr double kLeastSure = 0.3;
    bool any = false;
    for (std::size_t plane = 0; plane < apart_.size() && apart_.size() > 1; ++plane) {
      const registration::ShiftField field =
          seeker_->seek(as_frame(mean_of(sums[plane])), 0.0, {}, scratch_.front());
      const image::Offset off = mean_offset(field);
      const double far = std::hypot(off.right_px, off.down_px);
      if (field.columns > 1 && field.sure_share > kLeastSure && far > kTold_px && far < kMost_px) {
        apart_[plane] = off;
        any = true;
      }
    }
    return any;
  }

  /// A plane in the numbers of frames; what is below nothing becomes that.
  [[nodiscard]] static Frame as_frame(const image::Plane& plane) {
    Frame frame;
    frame.width = plane.width;
    frame.height = plane.height;
    const float most = *std::max_element(plane.values.begin(), plane.values.end());
    const float gain = most > 0.0F ? 60'000.0F / most : 0.0F;
    frame.pixels.resize(plane.values.size());
    std::transform(plane.values.begin(), plane.values.end(), frame.pixels.begin(),
                   [gain](float value) {
                     return static_cast<std::uint16_t>(std::lround(std::max(0.0F, value * gain)));
                   });
    return frame;
  }

  /// Where the pixels of a finer picture lie between the camera's.
  [[nodiscard]] std::vector<image::Offset> phases() const {
    if (wishes_.finer == 1) {
      return {{0.0, 0.0}};
    }
    constexpr double kQuarter = 0.25;
    return {
        {-kQuarter, -kQuarter}, {kQuarter, -kQuarter}, {-kQuarter, kQuarter}, {kQuarter, kQuarter}};
  }

  bool lay_all() {
    const std::vector<image::Offset> offsets = phases();
    for (int plane = 0; plane < planes_; ++plane) {
      for (std::size_t i = 0; i < offsets.size(); ++i) {
        sums_.emplace_back(grading_.width_px, grading_.height_px, false);
      }
    }
    std::atomic<std::int64_t> not_counted{0};
    constexpr double kProgress = 0.1;
    const bool done = lay(
        places_, seeker_.get(),
        [&](const std::vector<const Ready*>& readies, int band) {
          std::int64_t out = 0;
          for (std::size_t plane = 0; plane < static_cast<std::size_t>(planes_); ++plane) {
            const std::vector<Layer> layers = layers_of(readies, plane);
            for (std::size_t i = 0; i < offsets.size(); ++i) {
              const image::Offset phase{offsets[i].right_px + apart_[plane].right_px,
                                        offsets[i].down_px + apart_[plane].down_px};
              out += sums_[plane * offsets.size() + i].lay(layers, band, &judges_[plane], phase,
                                                           sites_[plane]);
            }
          }
          not_counted += out;
        },
        sums_.front().bands(), kProgress, 1.0);
    clipped_ = not_counted;
    return done && laid_ > 0;
  }

  Stacked finished() {
    Stacked stacked;
    stacked.part = covered(sums_.front());
    stacked.frames = laid_;
    stacked.left_out = left_out_;
    const double values = static_cast<double>(laid_) * grading_.width_px * grading_.height_px *
                          static_cast<double>(sums_.size());
    stacked.clipped_share = static_cast<double>(clipped_) / values;
    stacked.local_motion_px = std::sqrt(motion_ / laid_);
    stacked.noise = grading_.noise / std::sqrt(static_cast<double>(laid_));
    stacked.red_alone = colours_.size() == 1;
    for (std::size_t plane = 0; planes_ > 1 && plane < apart_.size(); ++plane) {
      stacked.colours_apart.push_back(
          {apart_[plane].right_px - apart_[1].right_px, apart_[plane].down_px - apart_[1].down_px});
    }
    Picture& picture = stacked.picture;
    const int finer = wishes_.finer;
    picture.width = stacked.part.width_px * finer;
    picture.height = stacked.part.height_px * finer;
    picture.planes = planes_;
    picture.values.resize(picture.plane_size() * static_cast<std::size_t>(planes_));
    const std::size_t offsets = phases().size();
    for (int plane = 0; plane < planes_; ++plane) {
      const std::vector<float>& otherwise = judges_[static_cast<std::size_t>(plane)].mean;
      float* first = picture.values.data() + static_cast<std::ptrdiff_t>(plane) *
                                                 static_cast<std::ptrdiff_t>(picture.plane_size());
      base::each_row(picture.height, {}, [&](int y) {
        for (int x = 0; x < picture.width; ++x) {
          const std::size_t phase =
              static_cast<std::size_t>(y % finer) * static_cast<std::size_t>(finer) +
              static_cast<std::size_t>(x % finer);
          const Sums& sums = sums_[static_cast<std::size_t>(plane) * offsets + phase];
          const std::size_t at =
              sums.index(stacked.part.left_px + x / finer, stacked.part.top_px + y / finer);
          const float weight = sums.weights()[at];
          first[static_cast<std::ptrdiff_t>(y) * picture.width + x] =
              weight > 0.0F ? sums.sums()[at] / weight : otherwise[at];
        }
      });
    }
    inform(stacked.part, picture.info);
    return stacked;
  }

  void inform(const image::Rectangle& part, image::FrameInfo& info) {
    info = readers_.front().facts().info;
    info.bayer.clear();
    info.mosaic = false;
    // The header tells of the first frame; the stack lies as the reference does.
    const GradedFrame& first = grading_.frames.front();
    if (info.centre_x_px && info.centre_y_px && first.frame == 0 && first.alike) {
      Ready ready;
      take(0, 0, seeker_.get(), ready);  // all over it: what it was graded by may be bent
      const image::Offset off =
          ready.read ? mean_offset(ready.field) : image::Offset{first.right_px, first.down_px};
      const int finer = wishes_.finer;
      const auto moved = [&](double centre_px, double off_px, int cut_px) {
        return (centre_px - off_px - cut_px + 0.5) * finer - 0.5;
      };
      info.centre_x_px = moved(*info.centre_x_px, off.right_px, part.left_px);
      info.centre_y_px = moved(*info.centre_y_px, off.down_px, part.top_px);
    } else {
      info.centre_x_px.reset();
      info.centre_y_px.reset();
    }
    if (wishes_.calibration.dark) {
      info.pedestal.reset();
    } else if (info.pedestal) {
      *info.pedestal /= readers_.front().facts().saturation;
    }
    if (info.plate_scale_arcsec_px) {
      *info.plate_scale_arcsec_px /= wishes_.finer;
    }
    if (info.pixel_um) {
      *info.pixel_um /= wishes_.finer;
    }
    if (info.time) {
      double seconds = 0.0;
      for (const std::size_t place : places_) {
        seconds += grading_.frames[place].seconds / static_cast<double>(places_.size());
      }
      info.time = *info.time + sky::seconds(seconds);
    }
  }

  std::filesystem::path clip_;
  const ClipGrading& grading_;
  const std::vector<std::size_t>& places_;
  StackWishes wishes_;
  const base::Task& task_;
  Calibration calibration_;
  std::vector<ClipReader> readers_;
  int planes_ = 1;
  std::vector<image::BayerColour> colours_;  ///< of the planes; empty for grey frames
  std::vector<Sites> sites_;                 ///< of each plane
  std::vector<image::Offset> apart_;         ///< how each plane lies against what is followed
  std::vector<Frame> raw_ = std::vector<Frame>(static_cast<std::size_t>(base::hands()));
  double black_ = 0.0;
  std::vector<Ready> batch_;
  std::vector<std::array<image::Plane, 2>> scratch_ =
      std::vector<std::array<image::Plane, 2>>(static_cast<std::size_t>(base::hands()));
  image::Plane reference_;
  std::unique_ptr<registration::PatchMatcher> seeker_;
  std::vector<image::Offset> bends_;  ///< of the reference, at the nodes of fields
  std::vector<Judge> judges_;
  std::vector<Sums> sums_;
  std::vector<int> left_out_;
  int laid_ = 0;
  double motion_ = 0.0;
  std::int64_t clipped_ = 0;
};

}  // namespace

Result<Stacked> stack(const std::filesystem::path& clip, const ClipGrading& grading,
                      const std::vector<std::size_t>& places, const StackWishes& wishes,
                      const base::Task& task) {
  if (places.empty()) {
    return base::fail(ErrorCode::kMissing, "frames");
  }
  const auto finer = base::checked("finer", wishes.finer, {1.0, 2.0});
  const auto sigma = base::checked("clip_sigma", wishes.clip_sigma, {0.0, 100.0});
  if (!finer || !sigma) {
    return tl::make_unexpected(!finer ? finer.error() : sigma.error());
  }
  return Stacker(clip, grading, places, wishes, task).run();
}

}  // namespace solarchon::reduce
