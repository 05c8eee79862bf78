// SPDX-License-Identifier: GPL-3.0-or-later
// Animations, of discs and fields that are painted by the test.
#include "solarchon/reduce/animation.h"

#include <gmock/gmock.h>

#include <fstream>

#include "painted_sun.h"
#include "solarchon/base/range.h"
#include "solarchon/camera/stream.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/movie.h"
#include "solarchon/media/picture_file.h"
#include "solarchon/reduce/recipe.h"
#include "tests/core/registration/painted.h"
#include "tests/support/support.h"

namespace solarchon::reduce {
namespace {

using base::ErrorCode;
using image::Picture;
using test::FailsWith;
using test::PaintedSun;
using test::SunPlace;
using test::TempFolder;

struct Spot {
  double latitude_deg;
  double longitude_deg;  ///< Carrington, at the first instant: from the disc's middle then
};
constexpr std::array<Spot, 3> kSpots{{{18.0, -52.0}, {-24.0, -30.0}, {3.0, -70.0}}};

sky::UtcTime first_day() { return *sky::parse_utc("2027-07-12T09:00:00Z", "time"); }

/// Where a spot is, some days on: the law of rotation by its numbers in degrees a day.
double longitude_of(const Spot& spot, double days) {
  const double s = std::sin(spot.latitude_deg * std::numbers::pi / 180.0);
  return sky::disc_view(first_day()).l0_deg + spot.longitude_deg +
         (14.522 - 2.84 * s * s - 14.1844) * days;
}

class AnimationTest : public testing::Test {
 protected:
  /// The Sun of that instant, as another camera angle and another size had it each day.
  Picture disc_of(sky::UtcTime time, int number) {
    const sky::DiscView view = sky::disc_view(time);
    const double limb = sky::limb_radius_arcsec(view.distance_au);
    PaintedSun sun(1500, 0.02, 31);
    for (const Spot& spot : kSpots) {
      const auto place = sky::disc_place(
          spot.latitude_deg, longitude_of(spot, sky::in_days(time - first_day())), view);
      if (place) {
        const double west = place->west_arcsec / limb;
        const double north = place->north_arcsec / limb;
        const double upright = std::sqrt(std::max(0.01, 1.0 - west * west - north * north));
        sun.blots.push_back({west, -north, -0.6, 4.0, upright});
      }
    }
    SunPlace place;
    place.radius_px = 150.0 + 3.0 * (number % 3);
    place.x_px = 190.0 + 7.3 * std::sin(2.0 * number);
    place.y_px = 188.0 + 6.1 * std::cos(3.0 * number);
    place.turn_deg = 77.0 * number;
    place.light = 1.0 + 0.15 * std::sin(5.0 * number);
    place.noise = 0.002;
    Picture picture = sun.picture(380, 376, place, random_);
    picture.info.time = time;
    picture.info.plate_scale_arcsec_px = limb / place.radius_px;
    picture.info.orientation = sky::PictureOrientation{std::fmod(77.0 * number, 360.0), false};
    return picture;
  }
  AnimationRecipe week(int days) {
    AnimationRecipe recipe;
    for (int i = 0; i < days; ++i) {
      // Not at the same hour each day; and not in their order.
      const sky::UtcTime time = first_day() + sky::days(i) + sky::hours(1.7 * (i % 3));
      const auto file = folder_ / ("d" + std::to_string((i * 5) % 11) + ".fits");
      Picture picture = disc_of(time, i);
      picture.recipe = "{}";
      EXPECT_TRUE(media::write_picture(picture, file));
      recipe.pictures.push_back(file);
    }
    std::swap(recipe.pictures[0], recipe.pictures[2]);
    return recipe;
  }
  /// Where a spot is in a picture with north up (degree: latitude, longitude); none where it is not
  /// seen well.
  static std::optional<std::pair<double, double>> found(const Picture& picture,
                                                        const sky::DiscView& view,
                                                        const sky::DiscPlace& expected,
                                                        double radius) {
    const double limb = sky::limb_radius_arcsec(view.distance_au);
    const double middle = (picture.width - 1) / 2.0;
    const double x0 = middle + radius * expected.west_arcsec / limb;
    const double y0 = middle - radius * expected.north_arcsec / limb;
    // Over the disc's own darkening, which would pull it to the limb.
    const auto light = [&](int x, int y) {
      const double share = std::min(1.0, std::hypot(x - middle, y - middle) / radius);
      return static_cast<double>(picture.at(x, y)) /
             PaintedSun::darkening(std::sqrt(1.0 - share * share));
    };
    double ground = 0.0;
    double count = 0.0;
    constexpr int kReach = 11;
    const int left = static_cast<int>(std::lround(x0));
    const int top = static_cast<int>(std::lround(y0));
    for (int j = -kReach - 3; j <= kReach + 3; ++j) {
      for (int i = -kReach - 3; i <= kReach + 3; ++i) {
        if (std::hypot(i, j) > kReach) {
          ground += light(left + i, top + j);
          count += 1.0;
        }
      }
    }
    ground /= count;
    double sum = 0.0;
    double right = 0.0;
    double down = 0.0;
    for (int j = -kReach; j <= kReach; ++j) {
      for (int i = -kReach; i <= kReach; ++i) {
        const double dark = ground * 0.93 - light(left + i, top + j);
        if (dark > 0.0 && std::hypot(i, j) <= kReach) {
          sum += dark;
          right += dark * (left + i);
          down += dark * (top + j);
        }
      }
    }
    if (sum <= 0.0) {
      return std::nullopt;
    }
    const auto point = sky::surface_point(
        {(right / sum - middle) / radius * limb, (middle - down / sum) / radius * limb}, view);
    return point ? std::optional(std::pair{point->latitude_deg, point->carrington_longitude_deg})
                 : std::nullopt;
  }
  /// The largest error of any spot in any picture (degree on the Sun).
  double worst(Animation& animation, double radius, bool still, int& seen) {
    double most = 0.0;
    seen = 0;
    const auto& facts = animation.facts();
    for (int n = 0; n < facts.shown; ++n) {
      const auto picture = animation.picture(n);
      EXPECT_TRUE(picture);
      const sky::UtcTime as_of =
          still ? first_day() + sky::days(3) : facts.times[static_cast<std::size_t>(n)];
      const sky::DiscView view = sky::disc_view(as_of);
      for (const Spot& spot : kSpots) {
        const double longitude = longitude_of(spot, sky::in_days(as_of - first_day()));
        const auto place = sky::disc_place(spot.latitude_deg, longitude, view);
        if (!place || std::hypot(place->west_arcsec, place->north_arcsec) > 800.0) {
          continue;
        }
        const auto at = found(*picture, view, *place, radius);
        if (!at) {
          continue;
        }
        ++seen;
        const double cosine = std::cos(spot.latitude_deg * std::numbers::pi / 180.0);
        most = std::max(most, std::hypot(at->first - spot.latitude_deg,
                                         cosine * std::remainder(at->second - longitude, 360.0)));
      }
    }
    return most;
  }
  TempFolder folder_;
  base::Random random_{17};
};

TEST_F(AnimationTest, AWeekOfDiscsDoesNotJumpAndSpotsAreWhereTheyAre) {
  AnimationRecipe recipe = week(7);
  recipe.wishes.radius_px = 140.0;
  auto animation = Animation::plan(recipe);
  ASSERT_TRUE(animation) << animation.error().field;
  const Animated& facts = animation->facts();
  EXPECT_EQ(facts.shown, 7);
  EXPECT_TRUE(std::is_sorted(facts.times.begin(), facts.times.end()));
  EXPECT_GT(facts.evened, 0.05);
  int seen = 0;
  EXPECT_LT(worst(*animation, 140.0, false, seen), 0.3);
  EXPECT_GT(seen, 12);
  double first_light = 0.0;
  for (int n = 0; n < facts.shown; ++n) {
    const auto picture = animation->picture(n);
    ASSERT_TRUE(picture);
    const auto limb = disc::fit_limb(image::frame_of(*picture));
    ASSERT_TRUE(limb);
    EXPECT_NEAR(limb->radius_px, 140.0, 0.15);
    EXPECT_NEAR(limb->centre_x_px, (picture->width - 1) / 2.0, 0.1);
    EXPECT_NEAR(limb->centre_y_px, (picture->height - 1) / 2.0, 0.1);
    double light = 0.0;
    for (int i = -60; i < 60; ++i) {
      light += static_cast<double>(picture->at(picture->width / 2 + i, picture->height / 2 + 70));
    }
    first_light = n == 0 ? light : first_light;
    EXPECT_NEAR(light / first_light, 1.0, 0.03);
  }
}

TEST_F(AnimationTest, PicturesBetweenGoOnWithTheRotation) {
  AnimationRecipe recipe = week(5);
  recipe.wishes.radius_px = 140.0;
  recipe.wishes.between = 3;
  auto animation = Animation::plan(recipe);
  ASSERT_TRUE(animation);
  EXPECT_EQ(animation->facts().shown, 17);
  int seen = 0;
  EXPECT_LT(worst(*animation, 140.0, false, seen), 0.3);
  EXPECT_GT(seen, 30);
}

TEST_F(AnimationTest, ASurfaceThatStandsStillStandsStill) {
  AnimationRecipe recipe = week(7);
  recipe.wishes.radius_px = 140.0;
  recipe.wishes.still_surface = true;
  auto animation = Animation::plan(recipe);
  ASSERT_TRUE(animation);
  EXPECT_EQ(animation->facts().shown, 7);
  int seen = 0;
  // The middle picture's instant is the fourth's: 3 days and the hours of its place.
  EXPECT_LT(worst(*animation, 140.0, true, seen), 0.3);
  EXPECT_GT(seen, 12);
}

TEST_F(AnimationTest, ItIsWrittenAsMovieWithItsRecipe) {
  AnimationRecipe recipe = week(3);
  recipe.wishes.radius_px = 60.0;
  recipe.wishes.back = true;
  recipe.wishes.tint = Tint::kWhiteLight;
  recipe.wishes.between = 1;
  for (const char* name : {"week.mkv", "week.mp4"}) {
    int decorated = 0;
    const auto made =
        animate(recipe, folder_ / name, [&](Picture& picture) { decorated += picture.planes; });
    ASSERT_TRUE(made) << made.error().reason.detail;
    EXPECT_EQ(made->shown, 8) << "forward in five, and back without the ends";
    EXPECT_EQ(decorated, 24);
    auto clip = media::ClipReader::open(folder_ / name);
    ASSERT_TRUE(clip) << name;
    EXPECT_EQ(clip->facts().frames, 8);
    EXPECT_NEAR(clip->facts().width, made->width, 1);
    const auto again = read_animation(folder_ / name);
    ASSERT_TRUE(again) << again.error().field;
    EXPECT_EQ(again->wishes, recipe.wishes);
    EXPECT_EQ(again->pictures.size(), 3U);
    EXPECT_TRUE(read_animation(folder_ / "week.recipe.json"));
  }
  EXPECT_THAT(animate(recipe, folder_ / "week.gif"), FailsWith(ErrorCode::kUnknownValue, "path"));
}

TEST_F(AnimationTest, GreyIsKeptToTheLastDigitWithoutLoss) {
  Picture picture;
  picture.width = 33;
  picture.height = 21;
  for (int i = 0; i < 33 * 21; ++i) {
    picture.values.push_back(static_cast<float>(i) / 700.0F);
  }
  const auto file = folder_ / "grey.mkv";
  ASSERT_TRUE(media::write_movie(
      2, 10.0, [&](int) { return base::Result<Picture>(picture); }, "{\"a\": 1}", file));
  auto clip = media::ClipReader::open(file);
  ASSERT_TRUE(clip);
  image::Frame frame;
  ASSERT_TRUE(clip->read(1, frame));
  EXPECT_EQ(frame.pixels, image::frame_of(picture).pixels);
  EXPECT_EQ(*media::recipe_of_movie(file), "{\"a\": 1}");
}

TEST_F(AnimationTest, CommonVideoShowsGreysAndColoursAsTheyAre) {
  Picture picture;
  picture.width = 64;
  picture.height = 48;
  picture.planes = 3;
  picture.values.resize(3 * picture.plane_size());
  for (std::size_t i = 0; i < picture.plane_size(); ++i) {
    const float grey = i % 64 < 32 ? 0.25F : 0.8F;
    for (std::size_t plane = 0; plane < 3; ++plane) {
      picture.values[plane * picture.plane_size() + i] = grey;
    }
  }
  const auto file = folder_ / "grey.mp4";
  ASSERT_TRUE(media::write_movie(
      3, 10.0, [&](int) { return base::Result<Picture>(picture); }, "", file));
  auto clip = media::ClipReader::open(file);
  ASSERT_TRUE(clip);
  image::Frame frame;
  ASSERT_TRUE(clip->read(0, frame));
  // Its brightness goes from 16 to 235.
  EXPECT_NEAR(frame.at(10, 20) * 255.0 / frame.saturation, 16.0 + 219.0 * 0.25, 2.0);
  EXPECT_NEAR(frame.at(50, 20) * 255.0 / frame.saturation, 16.0 + 219.0 * 0.8, 2.0);
}

TEST_F(AnimationTest, AFieldIsHeldByItsDetail) {
  const test::Painting painting(260, 200);
  AnimationRecipe recipe;
  recipe.wishes.hold = Hold::kDetail;
  for (int i = 0; i < 6; ++i) {
    test::Glimpse glimpse;
    glimpse.right_px = 3.7 * i;
    glimpse.down_px = -2.4 * i;
    glimpse.light = 1.0 - 0.04 * i;
    image::Frame frame = painting.frame(glimpse, random_, 65535);
    frame.info.time = first_day() + sky::minutes(i);
    const auto file = folder_ / ("f" + std::to_string(i) + ".tif");
    ASSERT_TRUE(media::write_picture(image::picture_of(frame), file));
    recipe.pictures.push_back(file);
  }
  auto animation = Animation::plan(recipe);
  ASSERT_TRUE(animation) << animation.error().field;
  EXPECT_EQ(animation->facts().pictures, 6);
  EXPECT_LE(animation->facts().width, 260 - 18);
  EXPECT_LE(animation->facts().height, 200 - 12);
  const auto first = animation->picture(0);
  ASSERT_TRUE(first);
  for (int n = 1; n < 6; ++n) {
    const auto picture = animation->picture(n);
    ASSERT_TRUE(picture);
    // Against the first, by slopes: a shift d changes a value by -d times the slope.
    double xx = 0.0;
    double yy = 0.0;
    double xd = 0.0;
    double yd = 0.0;
    for (int y = 5; y < first->height - 5; ++y) {
      for (int x = 5; x < first->width - 5; ++x) {
        const double dx = static_cast<double>(first->at(x + 1, y) - first->at(x - 1, y)) / 2.0;
        const double dy = static_cast<double>(first->at(x, y + 1) - first->at(x, y - 1)) / 2.0;
        const auto off = static_cast<double>(picture->at(x, y) - first->at(x, y));
        xx += dx * dx;
        yy += dy * dy;
        xd -= dx * off;
        yd -= dy * off;
      }
    }
    EXPECT_LT(std::abs(xd / xx), 0.1) << n;
    EXPECT_LT(std::abs(yd / yy), 0.1) << n;
  }
}

TEST_F(AnimationTest, WhatDoesNotFitIsLeftOutOrSaid) {
  AnimationRecipe recipe = week(3);
  Picture cloud;
  cloud.width = 200;
  cloud.height = 200;
  cloud.values.assign(cloud.plane_size(), 0.4F);
  ASSERT_TRUE(media::write_picture(cloud, folder_ / "cloud.fits"));
  test::write_text(folder_ / "broken.fits", "SIMPLE  = nothing");
  recipe.pictures.push_back(folder_ / "cloud.fits");
  recipe.pictures.push_back(folder_ / "broken.fits");
  recipe.pictures.push_back(folder_ / "gone.fits");
  const auto animation = Animation::plan(recipe);
  ASSERT_TRUE(animation);
  EXPECT_EQ(animation->facts().pictures, 3);
  EXPECT_EQ(animation->facts().left_out.size(), 3U);
  AnimationRecipe one;
  one.pictures = {recipe.pictures[0]};
  EXPECT_THAT(Animation::plan(one), FailsWith(ErrorCode::kMissing, "pictures"));
  EXPECT_THAT(Animation::plan({}), FailsWith(ErrorCode::kMissing, "pictures"));
  AnimationRecipe clouds;
  clouds.pictures = {folder_ / "cloud.fits", folder_ / "broken.fits"};
  EXPECT_THAT(Animation::plan(clouds), FailsWith(ErrorCode::kNotFound, "pictures"));
  recipe.wishes.rate_hz = 0.0;
  EXPECT_THAT(Animation::plan(recipe), FailsWith(ErrorCode::kOutOfRange, "rate"));
  recipe.wishes = {};
  recipe.wishes.between = 61;
  EXPECT_THAT(Animation::plan(recipe), FailsWith(ErrorCode::kOutOfRange, "between"));
  // A disc of which nobody knows where north is.
  Picture lost = disc_of(first_day(), 4);
  lost.info.orientation.reset();
  ASSERT_TRUE(media::write_picture(lost, folder_ / "lost.fits"));
  recipe.wishes = {};
  recipe.pictures.push_back(folder_ / "lost.fits");
  const auto unknown = Animation::plan(recipe);
  EXPECT_THAT(unknown, FailsWith(ErrorCode::kMissing, "lost.fits"));
  EXPECT_EQ(unknown.error().reason.id, "no-orientation");
  recipe.wishes.solar = sky::PictureOrientation{};
  EXPECT_TRUE(Animation::plan(recipe));
  recipe.wishes = {};
  recipe.wishes.north_up = false;
  EXPECT_TRUE(Animation::plan(recipe)) << "centred all the same";
  // Stopped, nothing stays.
  std::stop_source stop;
  stop.request_stop();
  EXPECT_THAT(animate(recipe, folder_ / "x.mkv", {}, {stop.get_token(), {}}),
              FailsWith(ErrorCode::kCancelled, "animation"));
  EXPECT_FALSE(std::filesystem::exists(folder_ / "x.mkv"));
}

TEST_F(AnimationTest, StoppedWhileItIsWrittenNothingStays) {
  AnimationRecipe recipe = week(3);
  recipe.wishes.radius_px = 50.0;
  std::stop_source stop;
  int pictures = 0;
  const auto made = animate(recipe, folder_ / "x.mkv",
                            [&](Picture&) {
                              if (++pictures == 2) {
                                stop.request_stop();
                              }
                            },
                            {stop.get_token(), {}});
  EXPECT_THAT(made, FailsWith(ErrorCode::kCancelled, "animation"));
  EXPECT_FALSE(std::filesystem::exists(folder_ / "x.mkv"));
  EXPECT_FALSE(std::filesystem::exists(folder_ / "x.recipe.json"));
}

/// What the simulator draws of a week of that Sun: each day another camera angle, place and light.
struct DrawnWeek {
  AnimationRecipe recipe;
  std::vector<std::vector<scene::Spot>> spots;
};
DrawnWeek drawn_week(std::uint32_t sun_seed, const TempFolder& folder) {
  constexpr int kDays = 7;
  DrawnWeek week;
  for (int i = 0; i < kDays; ++i) {
    optics::Rig rig = test::quick_rig();
    auto& camera = std::get<optics::Camera>(rig.elements.back().part);
    camera.width_px = 720;
    camera.height_px = 700;
    camera.pixel_um = 7.0;
    camera::StreamPlan plan;
    plan.shot = test::morning_shot(rig);
    plan.shot.time = first_day() + sky::days(i) + sky::hours(1.3 * (i % 3));
    plan.shot.sun_seed = sun_seed;
    plan.shot.activity = 0.9;
    plan.shot.exposure_ms *= 1.0 - 0.08 * (i % 4);
    plan.way = {{0.0, {20.0 * std::sin(i), 15.0 * std::cos(i)}, 53.0 * i}};
    camera::Recording recording;
    const auto drawn = camera::Stream::open(plan).and_then(
        [&](camera::Stream stream) { return stream.record(0.0, recording); });
    EXPECT_TRUE(drawn);
    week.spots.push_back(recording.truth.spots);
    Picture picture = image::picture_of(recording.frame);
    picture.info.orientation = recording.truth.solar;
    picture.info.time = plan.shot.time;
    picture.recipe = "{}";
    const auto file = folder / ("sun" + std::to_string(i) + ".fits");
    EXPECT_TRUE(media::write_picture(picture, file));
    week.recipe.pictures.push_back(file);
  }
  return week;
}

/// Others near a spot would pull its middle.
bool stands_alone(const scene::Spot& spot, const std::vector<scene::Spot>& spots) {
  return std::none_of(spots.begin(), spots.end(), [&](const scene::Spot& other) {
    const double east =
        std::remainder(other.carrington_longitude_deg - spot.carrington_longitude_deg, 360.0);
    const double apart = std::hypot(other.latitude_deg - spot.latitude_deg, east);
    return apart > 1e-9 && apart < 2.5 + other.radius_deg;
  });
}

TEST_F(AnimationTest, WeeksOfTheSyntheticSunHaveItsSpotsWhereTheyWereDrawn) {
  constexpr double kRadius = 300.0;
  int seen = 0;
  for (const std::uint32_t seed : {1U, 2U, 4U}) {
    DrawnWeek week = drawn_week(seed, folder_);
    week.recipe.wishes.radius_px = kRadius;
    auto animation = Animation::plan(week.recipe);
    ASSERT_TRUE(animation) << animation.error().field;
    ASSERT_EQ(animation->facts().shown, 7);
    for (std::size_t n = 0; n < week.spots.size(); ++n) {
      const auto picture = animation->picture(static_cast<int>(n));
      ASSERT_TRUE(picture);
      const sky::DiscView view = sky::disc_view(animation->facts().times[n]);
      for (const scene::Spot& spot : week.spots[n]) {
        const auto place = sky::disc_place(spot.latitude_deg, spot.carrington_longitude_deg, view);
        if (!place || std::hypot(place->west_arcsec, place->north_arcsec) > 800.0 ||
            spot.radius_deg < 0.4 || spot.radius_deg > 1.6 || !stands_alone(spot, week.spots[n])) {
          continue;
        }
        if (const auto at = found(*picture, view, *place, kRadius)) {
          ++seen;
          const double cosine = std::cos(spot.latitude_deg * std::numbers::pi / 180.0);
          const double east = std::remainder(at->second - spot.carrington_longitude_deg, 360.0);
          const double off_deg = std::hypot(at->first - spot.latitude_deg, cosine * east);
          EXPECT_LT(off_deg, 0.2) << "Sun " << seed << ", day " << n;
        }
      }
    }
  }
  EXPECT_GE(seen, 5);
}

}  // namespace
}  // namespace solarchon::reduce
