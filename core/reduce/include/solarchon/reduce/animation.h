// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/reduce/finishing.h"

namespace solarchon::reduce {

/// What stands still in an animation.
enum class Hold {
  kDisc,     ///< the disc, by its limb
  kDetail,   ///< what the pictures show, by correlation
  kNothing,  ///< pictures as they are
};
inline constexpr base::EnumWords<Hold, 3> kHoldWords{{"disc", "detail", "nothing"}};

/// How pictures become an animation.
struct AnimationWishes {
  Hold hold = Hold::kDisc;
  bool north_up = true;  ///< kDisc: turns solar north up, by each picture's own orientation
  /// How solar north lies in pictures that do not say it.
  std::optional<sky::PictureOrientation> solar = {};
  std::optional<double> radius_px = {};  ///< kDisc: of the disc, 8 to 5000; none: that of the first
  /// kDisc, north up: what rotation has carried along is carried back, so that the surface of the
  /// middle picture stands still, each latitude by its own rate.
  bool still_surface = false;
  /// kDisc, north up: pictures worked out between every two, 0 to 60. The surface is carried on by
  /// its rotation, and each fades into the next.
  int between = 0;
  bool even_light = true;  ///< the disc's light is made the same in all
  bool back = false;       ///< forward, and back again
  double rate_hz = 12.0;   ///< pictures a second, 0.1 to 120
  Tint tint = Tint::kNone;
  bool operator==(const AnimationWishes&) const = default;
};

/// Pictures and what is wished of them.
struct AnimationRecipe {
  std::vector<std::filesystem::path> pictures;
  AnimationWishes wishes;
  bool operator==(const AnimationRecipe&) const = default;
};

/// What went into an animation.
struct Animated {
  int pictures = 0;  ///< that were taken
  int shown = 0;     ///< pictures of the movie
  int width = 0;
  int height = 0;
  std::vector<std::filesystem::path> left_out;  ///< in which nothing to hold was found
  double evened = 0.0;                   ///< by how much light differed before: RMS over the mean
  double jumped_px = 0.0;                ///< by how much the pictures lay apart, RMS
  std::vector<sky::UtcTime> times = {};  ///< of the movie's pictures, as far as they are known
  bool simulated = false;                ///< one of them is enough
};

/// Changes a picture of an animation before it is written: draws on it. It must keep its size.
using Decorate = std::function<void(image::Picture& picture)>;

/// Pictures in the order of their times, aligned and made alike, one held at a time.
class Animation {
 public:
  /// Looks at every picture. Those that cannot be read, or in which what is to be held is not
  /// found, are left out and named.
  /// Errors: kMissing (`pictures`) for fewer than two; kNotFound (`pictures`, with the reason
  /// `too-few-to-hold`) where fewer are left, or show nothing in common; kMissing (the picture's
  /// name, with the reason `no-orientation` or `no-time`) where that is needed and not known;
  /// kOutOfRange with the member's name; kMalformed (`pictures`) of different sizes where nothing
  /// is held, or grey and colour; kCancelled.
  [[nodiscard]] static base::Result<Animation> plan(const AnimationRecipe& recipe,
                                                    const base::Task& task = {});
  [[nodiscard]] const Animated& facts() const;
  /// What the first picture says of itself.
  [[nodiscard]] const image::FrameInfo& info() const;
  /// The picture of that number, 0 to facts().shown - 1, with its time.
  /// Errors: of reading; kCancelled.
  /// Accuracy: held discs within 0.1 px; surfaces carried by rotation within 0.1 degree a day.
  /// Source: sidereal rotation 14.522 - 2.84 sin^2 B degrees a day (spots).
  [[nodiscard]] base::Result<image::Picture> picture(int number, const base::Task& task = {});
  /// How it was made, with the pictures' fingerprints; files are named as they were given.
  [[nodiscard]] base::Result<std::string> recipe() const;

 private:
  struct Step;
  struct Plan;
  explicit Animation(std::shared_ptr<Plan> plan) : plan_(std::move(plan)) {}
  std::shared_ptr<Plan> plan_;
};

/// Makes an animation and writes it with its recipe inside, and beside it as NAME.recipe.json: both
/// or neither.
/// @param path  as media::write_movie takes it
/// Errors: as Animation::plan, media::write_movie; kUnknownValue (`out`, with the reason
/// `is-read`) where path, or the recipe beside it, leads to one of the pictures.
[[nodiscard]] base::Result<Animated> animate(const AnimationRecipe& recipe,
                                             const std::filesystem::path& path,
                                             const Decorate& decorate = {},
                                             const base::Task& task = {});

/// Reads the recipe of an animation: its file, or the movie that has it inside. Errors: as
/// read_recipe.
[[nodiscard]] base::Result<AnimationRecipe> read_animation(const std::filesystem::path& path);

}  // namespace solarchon::reduce
