// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/grading.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <cmath>
#include <memory>
#include <numeric>

#include "solarchon/base/middle.h"
#include "solarchon/base/parallel.h"
#include "solarchon/base/range.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/bayer.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/image/sharpness.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/registration/follower.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Result;
using image::Frame;
using image::Rectangle;
using media::ClipReader;

namespace {

constexpr double kUsualRateHz = 25.0;
constexpr std::size_t kTiles = 8;

/// Frames that are looked at before all others.
struct Samples {
  std::vector<Frame> spread;
  std::vector<int> numbers;
};

/// Of a mosaic's pixels, by how much their noise is over what is told of its light.
constexpr double kNoiseOfMosaic = 16.0;

Samples spread_over(ClipReader& clip, const base::Task& task) {
  constexpr int kSamples = 12;
  Samples samples;
  const int count = clip.facts().frames;
  for (int i = 0; i < std::min(kSamples, count) && !task.stopped(); ++i) {
    const int number = static_cast<int>((i + 0.5) * count / std::min(kSamples, count));
    Frame frame;
    if (clip.read(number, frame)) {
      samples.spread.push_back(std::move(frame));
      samples.numbers.push_back(number);
    }
  }
  return samples;
}

/// Of the samples that have light, the sharpest; its place among them.
Result<std::size_t> reference_of(const Samples& samples, const GradeWishes& wishes,
                                 const std::string& clip) {
  std::vector<double> bright;
  double clipped = 0.0;
  for (const Frame& frame : samples.spread) {
    const image::Level level = image::level_of(frame);
    bright.push_back(level.bright);
    clipped += level.clipped_share / static_cast<double>(samples.spread.size());
  }
  const double most = *std::max_element(bright.begin(), bright.end());
  constexpr double kTooDim = 0.01;
  constexpr double kTooBright = 0.9;
  if (most - wishes.black < kTooDim) {
    return base::fail_because(ErrorCode::kNotFound, clip, base::because("picture-too-dim"));
  }
  if (clipped > kTooBright) {
    return base::fail_because(ErrorCode::kNotFound, clip, base::because("picture-too-bright"));
  }
  std::size_t best = 0;
  double sharpest = -1.0;
  for (std::size_t i = 0; i < samples.spread.size(); ++i) {
    const double detail =
        image::sharpness_of(samples.spread[i], wishes.scale_px, wishes.black).detail;
    if (bright[i] - wishes.black > 0.5 * (most - wishes.black) && detail > sharpest) {
      sharpest = detail;
      best = i;
    }
  }
  return best;
}

/// The mean of a frame, of full scale.
double mean_light(const Frame& frame) {
  const auto sum = std::accumulate(frame.pixels.begin(), frame.pixels.end(), std::uint64_t{0});
  return static_cast<double>(sum) /
         static_cast<double>(std::max<std::size_t>(1, frame.pixels.size())) /
         std::max(1, frame.saturation);
}

/// Where the reference frame has most detail, apart from one another.
std::vector<Rectangle> tiles_of(const Frame& reference, const GradeWishes& wishes) {
  const int least = std::min(reference.width, reference.height);
  // Wide rather than tall: of a cube each row is fetched by itself.
  const int tall = std::clamp(least / 8, std::min(least, 24), 48);
  const int wide = std::min(reference.width, 4 * tall);
  const double bright = image::level_of(reference).bright;
  struct Scored {
    Rectangle part;
    double detail;
  };
  std::vector<Scored> all;
  // What drifts has room to the edge.
  const int above = std::min(tall, (reference.height - tall) / 2);
  const int beside = std::min(tall, (reference.width - wide) / 2);
  Frame tile;
  for (int top = above; top + tall + above <= reference.height; top += tall) {
    for (int left = beside; left + wide + beside <= reference.width; left += wide) {
      const Rectangle part{left, top, wide, tall};
      image::cut(reference, part, tile);
      const double light = std::max(0.0, mean_light(tile) - wishes.black);
      const double detail = image::sharpness_of(tile, wishes.scale_px, wishes.black, bright).detail;
      all.push_back({part, detail * light * light});
    }
  }
  std::stable_sort(all.begin(), all.end(),
                   [](const Scored& a, const Scored& b) { return a.detail > b.detail; });
  std::vector<Rectangle> tiles;
  for (const Scored& scored : all) {
    if (tiles.size() < kTiles && scored.detail > 0.0) {
      tiles.push_back(scored.part);
    }
  }
  return tiles;
}

/// What one hand saw of a frame.
struct Seen {
  bool read = false;
  bool alike = false;
  registration::FrameShift lying;
  std::array<float, kTiles> detail{};  ///< of each tile; below 0 where it is not in the frame
  float noise = 0.0F;
};

class Grader {
 public:
  Grader(ClipReader& clip, std::unique_ptr<registration::Follower> follower,
         const std::vector<Rectangle>& tiles, const GradeWishes& wishes, bool mosaic)
      : clip_(&clip),
        follower_(std::move(follower)),
        tiles_(&tiles),
        wishes_(wishes),
        mosaic_(mosaic) {}

  Seen look(int number) {
    const media::ClipFacts& facts = clip_->facts();
    Seen seen;
    if (!facts.parts_alone) {
      if (!clip_->read(number, whole_)) {
        return seen;
      }
      if (mosaic_) {
        image::bayer_to_light(whole_);
      }
    }
    bool read = true;
    const registration::PartReader reader = [&](const Rectangle& part, Frame& into) {
      if (facts.parts_alone) {
        const bool came = clip_->read_part(number, part, into).has_value();
        read = read && came;
        if (mosaic_) {
          image::bayer_to_light(into);
        }
        return came;
      }
      image::cut(whole_, part, into);
      return true;
    };
    const auto lying = follower_->follow(reader, facts.width, facts.height);
    seen.read = read;
    if (!lying) {
      return seen;
    }
    seen.alike = true;
    seen.lying = *lying;
    double noise = 0.0;
    double light = 0.0;
    for (std::size_t i = 0; i < tiles_->size(); ++i) {
      Rectangle part = (*tiles_)[i];
      part.left_px += static_cast<int>(std::lround(lying->right_px));
      part.top_px += static_cast<int>(std::lround(lying->down_px));
      seen.detail.at(i) = -1.0F;
      if (!image::lies_within(part, facts.width, facts.height) || !reader(part, tile_)) {
        continue;
      }
      const image::Sharpness sharpness =
          image::sharpness_of(tile_, wishes_.scale_px, wishes_.black, lying->level.bright);
      seen.detail.at(i) = static_cast<float>(sharpness.detail);
      noise += mosaic_ ? kNoiseOfMosaic * sharpness.noise : sharpness.noise;
      light += mean_light(tile_) - wishes_.black;
    }
    seen.noise = light > 0.0 ? static_cast<float>(noise / light) : 0.0F;
    return seen;
  }

 private:
  ClipReader* clip_;
  std::unique_ptr<registration::Follower> follower_;
  const std::vector<Rectangle>* tiles_;
  GradeWishes wishes_;
  bool mosaic_;
  Frame whole_;
  Frame tile_;
};

/// Each tile over its own median, and these together: none of them rules, and one that leaves the
/// frame is not missed.
void set_sharpness(ClipGrading& grading, const std::vector<Seen>& seen, std::size_t tiles) {
  std::vector<double> sums(grading.frames.size(), 0.0);
  std::vector<double> counts(grading.frames.size(), 0.0);
  double contrast = 0.0;
  double contrasts = 0.0;
  for (std::size_t tile = 0; tile < tiles; ++tile) {
    std::vector<double> values;
    for (const GradedFrame& frame : grading.frames) {
      const float detail = seen[static_cast<std::size_t>(frame.frame)].detail.at(tile);
      if (frame.alike && detail >= 0.0F) {
        values.push_back(static_cast<double>(detail));
      }
    }
    const double middle = base::middle_of(values);
    if (middle <= 0.0) {
      continue;
    }
    // Four squares of slopes over twice the scale make the detail: two axes, two values each.
    contrast += middle / 4.0;
    contrasts += 1.0;
    for (std::size_t i = 0; i < grading.frames.size(); ++i) {
      const float detail = seen[static_cast<std::size_t>(grading.frames[i].frame)].detail.at(tile);
      if (detail >= 0.0F) {
        sums[i] += static_cast<double>(detail) / middle;
        counts[i] += 1.0;
      }
    }
  }
  for (std::size_t i = 0; i < grading.frames.size(); ++i) {
    GradedFrame& frame = grading.frames[i];
    frame.alike = frame.alike && counts[i] > 0.0;
    frame.sharpness = counts[i] > 0.0 ? sums[i] / counts[i] : 0.0;
  }
  grading.contrast = contrasts > 0.0 ? std::sqrt(contrast / contrasts) : 0.0;
}

Result<ClipGrading> summed_up(const std::vector<Seen>& seen, const ClipReader& clip,
                              const std::vector<Rectangle>& tiles, ClipGrading grading,
                              const std::string& name) {
  const media::ClipFacts& facts = clip.facts();
  std::vector<double> levels;
  std::vector<double> noises;
  for (int i = 0; i < facts.frames; ++i) {
    const Seen& one = seen[static_cast<std::size_t>(i)];
    if (!one.read) {
      grading.damaged.push_back(i);
      continue;
    }
    GradedFrame frame{i, clip.seconds_of(i).value_or(i / kUsualRateHz)};
    frame.alike = one.alike;
    if (one.alike) {
      frame.level = one.lying.level.disc;
      frame.right_px = one.lying.right_px;
      frame.down_px = one.lying.down_px;
      levels.push_back(frame.level);
      noises.push_back(static_cast<double>(one.noise));
    }
    grading.frames.push_back(frame);
  }
  if (grading.frames.empty()) {
    return base::fail_because(ErrorCode::kMalformed, name, base::because("no-whole-frame"));
  }
  set_sharpness(grading, seen, tiles.size());
  grading.level = base::middle_of(levels);
  grading.noise = base::middle_of(noises);
  // The reference frame is like itself.
  const auto others = std::count_if(
      grading.frames.begin(), grading.frames.end(),
      [&](const GradedFrame& frame) { return frame.alike && frame.frame != grading.reference; });
  constexpr double kLeastShare = 0.25;
  if (grading.frames.size() > 1 &&
      static_cast<double>(others) < kLeastShare * static_cast<double>(grading.frames.size() - 1)) {
    return base::fail_because(ErrorCode::kNotFound, name, base::because("no-structure"));
  }
  return grading;
}

}  // namespace

Result<ClipGrading> grade_clip(const std::filesystem::path& path, const GradeWishes& wishes,
                               const base::Task& task) {
  const auto scale = base::checked("scale_px", wishes.scale_px, {1.0, 16.0});
  const auto black = base::checked("black", wishes.black, {0.0, 0.99});
  if (!scale || !black) {
    return tl::make_unexpected(!scale ? scale.error() : black.error());
  }
  auto first = ClipReader::open(path);
  if (!first) {
    return tl::make_unexpected(first.error());
  }
  const media::ClipFacts facts = first->facts();
  Samples samples = spread_over(*first, task);
  if (task.stopped()) {
    return base::fail(ErrorCode::kCancelled, "clip");
  }
  if (samples.spread.empty()) {
    return base::fail_because(ErrorCode::kMalformed, path.string(),
                              base::because("no-whole-frame"));
  }
  const bool mosaic = image::is_bayer(facts.info.bayer) ||
                      (!facts.info.mosaic && image::looks_like_bayer(samples.spread.front()));
  const auto as_light = [mosaic](Frame& frame) {
    if (mosaic) {
      image::bayer_to_light(frame);
    }
  };
  std::for_each(samples.spread.begin(), samples.spread.end(), as_light);
  const auto best = reference_of(samples, wishes, path.string());
  if (!best) {
    return tl::make_unexpected(best.error());
  }
  ClipGrading grading;
  grading.width_px = facts.width;
  grading.height_px = facts.height;
  grading.saturation = facts.saturation;
  grading.black = wishes.black;
  grading.mosaic = mosaic;
  grading.hydrogen_alpha = facts.info.in_hydrogen_alpha();
  grading.cut_off = std::max(0, facts.promised - facts.frames);
  grading.reference = samples.numbers[*best];
  const Frame& reference = samples.spread[*best];
  std::vector<Frame> beside;
  for (const int off : {-2, -1, 1, 2}) {
    Frame frame;
    const int number = grading.reference + off;
    if (number >= 0 && number < facts.frames && first->read(number, frame)) {
      as_light(frame);
      beside.push_back(std::move(frame));
    }
  }
  std::vector<Frame> others;
  for (std::size_t i = 0; i < samples.spread.size(); ++i) {
    if (i != *best) {
      others.push_back(samples.spread[i]);
    }
  }
  const bool single = facts.frames == 1;
  const auto anchors = registration::choose_alignment_squares(
      reference, single ? samples.spread : beside, single ? samples.spread : others);
  const std::vector<Rectangle> tiles = tiles_of(reference, wishes);
  // Where nothing but an edge is to be seen, that.
  std::optional<disc::LimbFit> limb;
  if (!anchors) {
    if (const auto fit = disc::fit_limb(reference, {task.stop, {}})) {
      limb = *fit;
    }
  }
  if ((!anchors && !limb) || tiles.empty()) {
    return base::fail_because(ErrorCode::kNotFound, path.string(), base::because("no-structure"));
  }
  grading.looked_at = tiles;

  std::vector<Seen> seen(static_cast<std::size_t>(facts.frames));
  std::atomic<int> done{0};
  std::atomic<bool> unreadable{false};
  const int crew = std::clamp(facts.frames / 16, 1, base::hands());
  base::together(crew, [&](int hand) {
    auto own = hand == 0 ? std::move(first) : ClipReader::open(path);
    if (!own) {
      unreadable = true;
      return;
    }
    std::unique_ptr<registration::Follower> follower;
    if (anchors) {
      follower = std::make_unique<registration::SquareFollower>(reference, *anchors);
    } else {
      follower = std::make_unique<registration::LimbFollower>(*limb);
    }
    Grader grader(*own, std::move(follower), tiles, wishes, mosaic);
    // Each goes forward through a stretch of its own: video is decoded once.
    const int from = static_cast<int>(static_cast<std::int64_t>(facts.frames) * hand / crew);
    const int to = static_cast<int>(static_cast<std::int64_t>(facts.frames) * (hand + 1) / crew);
    for (int i = from; i < to && !task.stopped(); ++i) {
      seen[static_cast<std::size_t>(i)] = grader.look(i);
      const int all = ++done;
      if (hand == 0) {
        task.report(static_cast<double>(all) / facts.frames);
      }
    }
    if (hand == 0) {
      first = std::move(own);
    }
  });
  if (task.stopped()) {
    return base::fail(ErrorCode::kCancelled, "clip");
  }
  if (unreadable) {
    return base::fail(ErrorCode::kUnreadable, path.string());
  }
  task.report(1.0);
  return summed_up(seen, *first, tiles, std::move(grading), path.string());
}

}  // namespace solarchon::reduce
