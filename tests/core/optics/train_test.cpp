// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/train.h"

#include <cmath>

#include "tests/support/support.h"

namespace solarchon::optics {
namespace {

using test::starter_rig;
using test::with_part;

constexpr double kSemidiameter = 959.63;

Train follow(const Rig& rig) { return follow_light(rig, kSemidiameter); }

void lay_aside(Rig& rig, const std::string& id) {
  for (Element& element : rig.elements) {
    if (element.id == id) {
      element.fitted = false;
    }
  }
}

TEST(FollowLight, WorksOutTheStartersTrain) {
  // By hand: 480/80 = f/6; 206.265 * 3.45 / 480 = 1.4825; 480 * 2 tan(959.63") = 4.4664;
  // 540 nm / 80 mm = 1.3923"; 2 * 0.54 * 36 = 38.88 um; 2 * 3.45 / 0.54 = 12.78.
  const Train train = follow(starter_rig());
  EXPECT_DOUBLE_EQ(*train.effective_focal_length_mm, 480.0);
  EXPECT_DOUBLE_EQ(*train.focal_ratio, 6.0);
  EXPECT_NEAR(*train.solar_image_mm, 4.4664, 1e-4);
  EXPECT_NEAR(*train.sampling_arcsec_px, 1.4825, 1e-4);
  EXPECT_NEAR(*train.diffraction_cutoff_arcsec, 1.3923, 1e-4);
  EXPECT_NEAR(*train.airy_radius_arcsec, 1.22 * 1.3923, 1e-4);
  EXPECT_NEAR(*train.depth_of_focus_um, 38.88, 1e-9);
  EXPECT_NEAR(*train.critical_focal_ratio, 12.778, 1e-3);
  EXPECT_NEAR(*train.sampling_px_per_cutoff, 1.3923 / 1.4825, 1e-4);
  EXPECT_NEAR(*train.field_width_arcmin, 2048 * 1.4825 / 60.0, 0.01);
  EXPECT_NEAR(*train.field_height_arcmin, 1536 * 1.4825 / 60.0, 0.01);
  EXPECT_TRUE(*train.disc_fits);
}

TEST(FollowLight, TheImageIsAboutAHundredAndSeventhOfTheFocalLength) {
  const Train train = follow(starter_rig());
  EXPECT_NEAR(*train.effective_focal_length_mm / *train.solar_image_mm, 107.5, 0.1);
}

TEST(FollowLight, AmplifierAndReducerMultiply) {
  const Train longer = follow(with_part(starter_rig(), Amplifier{2.5}, 60.0));
  EXPECT_DOUBLE_EQ(*longer.effective_focal_length_mm, 1200.0);
  EXPECT_DOUBLE_EQ(*longer.focal_ratio, 15.0);
  EXPECT_FALSE(*longer.disc_fits);
  const Train shorter = follow(with_part(starter_rig(), Reducer{0.5}, 30.0));
  EXPECT_DOUBLE_EQ(*shorter.effective_focal_length_mm, 240.0);
}

TEST(FollowLight, TheDiscJustFitsAtTheEdge) {
  Rig rig = starter_rig();
  auto& camera = std::get<Camera>(rig.elements[2].part);
  const double image_px = *follow(rig).solar_image_mm * 1000.0 / camera.pixel_um;
  camera.height_px = static_cast<int>(std::ceil(image_px));
  EXPECT_TRUE(*follow(rig).disc_fits);
  camera.height_px -= 1;
  EXPECT_FALSE(*follow(rig).disc_fits);
}

TEST(FollowLight, HeatStartsWithSunlightOnTheAperture) {
  const Train train = follow(starter_rig());
  ASSERT_EQ(train.passages.size(), 3U);
  const double aperture_w = 1000.0 * 3.14159265 * 0.04 * 0.04;
  EXPECT_NEAR(train.passages[0].arriving_w, aperture_w, 1e-6);
  EXPECT_NEAR(train.passages[0].irradiance_w_cm2, 0.1, 1e-9);  // plain sunlight
  EXPECT_NEAR(train.passages[0].passed_w, aperture_w * 1e-5, 1e-12);
  EXPECT_DOUBLE_EQ(train.passages[1].arriving_w, train.passages[0].passed_w);
  EXPECT_DOUBLE_EQ(train.passages[2].passed_w, 0.0);
}

TEST(FollowLight, WithoutFilmTheFocusBurns) {
  Rig rig = starter_rig();
  lay_aside(rig, "film");
  const Train train = follow(rig);
  ASSERT_EQ(train.passages.size(), 2U);
  EXPECT_NEAR(train.passages.back().arriving_w, 5.03 * 0.98, 0.01);
  EXPECT_GT(train.passages.back().irradiance_w_cm2, 10.0);
}

TEST(FollowLight, LightBesideASmallFilmIsNotDimmed) {
  Rig rig = starter_rig();
  std::get<FrontFilm>(rig.elements[0].part).clear_aperture_mm = 40.0;
  const Train train = follow(rig);
  // Three quarters of the lens look past the film.
  EXPECT_NEAR(train.passages[1].arriving_w, 0.75 * 5.0265, 0.01);
  EXPECT_DOUBLE_EQ(train.aperture_mm, 40.0);
}

TEST(FollowLight, TheBeamNarrowsToTheImage) {
  const Train train = follow(starter_rig());
  EXPECT_DOUBLE_EQ(train.passages[1].beam_width_mm, 80.0);
  // 12.5 mm before the focus of f/6: 12.5/6 of cone and nearly all of the image.
  EXPECT_NEAR(train.passages[2].beam_width_mm, 12.5 / 6.0 + 4.4664 * (1.0 - 12.5 / 480.0), 1e-3);
  EXPECT_NEAR(train.passages[2].position_mm, 467.5, 1e-9);
}

TEST(FollowLight, AnAmplifierPushesTheFocusOut) {
  // The lens sits 72.5 mm before the new focus, so 72.5/2 before the old one: the train grows by
  // the difference.
  const Train train = follow(with_part(starter_rig(), Amplifier{2.0}, 60.0));
  ASSERT_EQ(train.passages.size(), 4U);
  EXPECT_NEAR(train.passages[2].position_mm, 480.0 - 36.25, 1e-9);
  EXPECT_NEAR(train.passages[3].position_mm, 480.0 - 36.25 + 60.0, 1e-9);
  EXPECT_NEAR(train.passages[2].beam_width_mm, 36.25 / 6.0 + 4.4664 * (1.0 - 36.25 / 480.0), 1e-3);
}

TEST(FollowLight, LeavesOutWhatLiesAside) {
  Rig rig = with_part(starter_rig(), Amplifier{2.0}, 60.0);
  lay_aside(rig, "extra");
  const Train train = follow(rig);
  EXPECT_EQ(train.passages.size(), 3U);
  EXPECT_DOUBLE_EQ(*train.effective_focal_length_mm, 480.0);
}

TEST(FollowLight, AnIncompleteRigGivesAnIncompleteAnswer) {
  EXPECT_FALSE(follow({}).focal_ratio);
  EXPECT_TRUE(follow({}).passages.empty());
  Rig rig = starter_rig();
  lay_aside(rig, "camera");
  const Train blind = follow(rig);
  EXPECT_TRUE(blind.effective_focal_length_mm);
  EXPECT_FALSE(blind.sampling_arcsec_px || blind.disc_fits);
  lay_aside(rig, "tube");
  EXPECT_FALSE(follow(rig).effective_focal_length_mm);
}

TEST(FollowLight, ACameraBeforeTheLensSeesNothing) {
  Rig rig = starter_rig();
  std::swap(rig.elements[1], rig.elements[2]);
  const Train train = follow(rig);
  EXPECT_FALSE(train.sampling_arcsec_px);
  EXPECT_EQ(train.passages.size(), 2U);
}

TEST(FollowLight, NothingIsEverNan) {
  for (const double factor : {0.1, 1.0, 10.0}) {
    for (const double length : {0.0, 12.0, 5000.0}) {
      const Train train = follow(with_part(starter_rig(), Amplifier{factor}, length));
      for (const Passage& passage : train.passages) {
        EXPECT_TRUE(std::isfinite(passage.position_mm));
        EXPECT_TRUE(std::isfinite(passage.irradiance_w_cm2));
        EXPECT_GT(passage.beam_width_mm, 0.0);
      }
    }
  }
}

TEST(PictureOrientation, ARefractorTurnsThePictureUpsideDown) {
  const Rig rig = starter_rig();
  const auto orientation = picture_orientation(rig, follow(rig));
  EXPECT_DOUBLE_EQ(orientation.north_deg, 180.0);
  EXPECT_FALSE(orientation.mirrored);
}

TEST(PictureOrientation, ADiagonalMakesItUprightAndMirrored) {
  const Rig rig = with_part(starter_rig(), Diagonal{}, 65.0);
  const auto orientation = picture_orientation(rig, follow(rig));
  EXPECT_DOUBLE_EQ(orientation.north_deg, 0.0);
  EXPECT_TRUE(orientation.mirrored);
}

TEST(PictureOrientation, TwoMirrorsUndoTheFlip) {
  Rig rig = with_part(with_part(starter_rig(), Diagonal{}, 65.0), Diagonal{}, 65.0);
  rig.elements[2].id = "second";
  const auto orientation = picture_orientation(rig, follow(rig));
  EXPECT_DOUBLE_EQ(orientation.north_deg, 180.0);
  EXPECT_FALSE(orientation.mirrored);
}

TEST(PictureOrientation, TurningTheCameraTurnsThePictureBack) {
  Rig rig = starter_rig();
  std::get<Camera>(rig.elements[2].part).rotation_deg = 30.0;
  EXPECT_DOUBLE_EQ(picture_orientation(rig, follow(rig)).north_deg, 150.0);
}

}  // namespace
}  // namespace solarchon::optics
