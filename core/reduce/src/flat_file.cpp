// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/calibration.h"

#include <algorithm>
#include <functional>
#include <utility>
#include <vector>

#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/clip_reader.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Result;
using image::Frame;
using image::Picture;
using media::ClipReader;

namespace {

/// Frames in which a disc stands, and where.
struct Discs {
  std::vector<ShiftedPicture> pictures;  ///< moved against the first
  double wide_px = 0.0;                  ///< by how much the disc moved across
  double tall_px = 0.0;
  double radius_px = 0.0;
};

/// Of frames spread over the clip.
Discs discs_in(ClipReader& clip, const std::optional<Picture>& dark, const base::Task& task) {
  constexpr int kMost = 16;
  constexpr int kFewest = 6;
  constexpr double kMemory_px = 60e6;
  const media::ClipFacts& facts = clip.facts();
  const double size = static_cast<double>(facts.width) * facts.height;
  const int looked =
      std::min(facts.frames, std::clamp(static_cast<int>(kMemory_px / size), kFewest, kMost));
  Discs discs;
  std::optional<disc::LimbFit> first;
  std::vector<double> rights;
  std::vector<double> downs;
  for (int i = 0; i < looked && !task.stopped(); ++i) {
    Frame frame;
    const auto number = static_cast<int>((i + 0.5) * facts.frames / looked);
    if (!clip.read(number, frame)) {
      continue;
    }
    const auto limb = disc::fit_limb(frame, {task.stop, {}});
    if (!limb || limb->saturated) {
      continue;
    }
    first = first.value_or(*limb);
    ShiftedPicture shifted{image::picture_of(frame), limb->centre_x_px - first->centre_x_px,
                           limb->centre_y_px - first->centre_y_px};
    if (dark && dark->values.size() == shifted.picture.values.size()) {
      std::transform(shifted.picture.values.begin(), shifted.picture.values.end(),
                     dark->values.begin(), shifted.picture.values.begin(), std::minus<>());
    }
    rights.push_back(shifted.right_px);
    downs.push_back(shifted.down_px);
    discs.pictures.push_back(std::move(shifted));
    task.report(0.3 * (i + 1) / looked);
  }
  if (first) {
    const auto span = [](const std::vector<double>& values) {
      const auto [least, most] = std::minmax_element(values.begin(), values.end());
      return *most - *least;
    };
    discs.radius_px = first->radius_px;
    discs.wide_px = span(rights);
    discs.tall_px = span(downs);
  }
  return discs;
}

}  // namespace

Result<Picture> flat_from_file(const std::filesystem::path& path,
                               const std::optional<Picture>& dark, const base::Task& task) {
  auto clip = ClipReader::open(path);
  if (!clip) {
    return tl::make_unexpected(clip.error());
  }
  const Discs discs = discs_in(*clip, dark, task);
  if (task.stopped()) {
    return base::fail(ErrorCode::kCancelled, "flat");
  }
  if (discs.pictures.empty()) {
    return mean_of(*clip, task).and_then([&](Picture mean) {
      return flat_of(std::move(mean), dark);
    });
  }
  // What the disc and the sensor have in common is told apart as far as the disc moved.
  constexpr double kLeastOfRadius = 0.03;
  if (std::min(discs.wide_px, discs.tall_px) < kLeastOfRadius * discs.radius_px) {
    return base::fail_because(ErrorCode::kMalformed, "flat", base::because("disc-not-moved"));
  }
  const base::Task rest{task.stop, [&task](double done) { task.report(0.3 + 0.7 * done); }};
  return flat_of_shifted(discs.pictures, rest).map_error([](base::Error error) {
    error.field = error.field == "pictures" ? "flat" : error.field;
    return error;
  });
}

}  // namespace solarchon::reduce
